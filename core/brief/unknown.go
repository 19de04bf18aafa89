package brief

import (
	"fmt"
	"slices"
	"strings"

	"happytray/core/document"
)

// Unknown names the members of a brief that this version does not know, by their paths,
// in the order of the brief: they are kept, and change nothing. Each comes with the
// member that may have been meant, or "".
func (b Brief) Unknown() []UnknownMember {
	var out []UnknownMember
	add := func(at string, extra document.Extra, known any) {
		names := document.Names(known)
		for _, name := range extra.Names() {
			path := name
			if at != "" {
				path = at + "." + name
			}
			out = append(out, UnknownMember{path, meant(at, name, names)})
		}
	}
	add("", b.Extra, b)
	add("guests", b.Guests.Extra, b.Guests)
	for i, d := range b.Diets {
		add(fmt.Sprintf("diets[%d]", i), d.Extra, d)
	}
	if b.Theme != nil {
		add("theme", b.Theme.Extra, *b.Theme)
	}
	if b.Rules != nil {
		add("rules", b.Rules.Extra, *b.Rules)
	}
	if b.Had != nil {
		add("had", b.Had.Extra, *b.Had)
	}
	for i, w := range b.Foods {
		add(fmt.Sprintf("foods[%d]", i), w.Extra, w)
	}
	for i, w := range b.Pins {
		add(fmt.Sprintf("pins[%d]", i), w.Extra, w)
	}
	return out
}

// UnknownMember is a member that is not known.
type UnknownMember struct {
	Path  string
	Meant string // "" where nothing is like it
}

// Says is one sentence about it.
func (s UnknownMember) Says() string {
	says := fmt.Sprintf("this version does not know %.60q, so it changes nothing", s.Path)
	if s.Meant != "" {
		says += fmt.Sprintf("; did you mean %q?", s.Meant)
	}
	return says
}

// asked are words that people write for members that are called otherwise.
var asked = map[string]string{
	"sweet": "course", "savoury": "course", "savory": "course", "dessert": "course",
	"people": "guests", "persons": "guests", "count": "guests", "pax": "guests", "heads": "guests",
	"kids": "guests.children", "children": "guests.children", "adults": "guests.adults",
	"date": "serve_at", "time": "serve_at", "when": "serve_at", "day": "serve_at", "at": "serve_at",
	"allergies": "diets", "allergens": "diets", "avoid": "diets", "diet": "diets", "vegetarian": "diets", "vegan": "diets",
	"duration": "lasts_minutes", "minutes": "lasts_minutes", "where": "place", "location": "place", "venue": "place",
	"travel": "travels", "transport": "travels", "colours": "theme", "palette": "theme", "money": "budget", "price": "budget", "cost": "budget",
	"nibble": "occasion", "grazing": "occasion", "meal": "occasion", "event": "occasion", "plates": "serving", "style": "rules.style", "symmetry": "rules.symmetry",
	"season": "month", "temperature": "temperature_c", "heat": "temperature_c", "without": "bans", "exclude": "bans", "include": "pins",
}

// meant is the known member that is most like a name: the same but for letters' size and
// signs between words, known by another word, or a slip or two away.
func meant(at, name string, known []string) string {
	bare := func(s string) string {
		return strings.ToLower(strings.NewReplacer("_", "", "-", "", " ", "").Replace(s))
	}
	n := bare(name)
	for _, k := range known {
		if bare(k) == n {
			return under(at, k)
		}
	}
	if to, ok := asked[n]; ok && at == "" {
		return to
	}
	if to, ok := asked[n]; ok && slices.Contains(known, strings.TrimPrefix(to, at+".")) {
		return to
	}
	best, least := "", 2 // one slip in a short word, two in a longer one
	if len(n) > 4 {
		least = 3
	}
	for _, k := range known {
		if d := slips(n, bare(k)); d < least {
			best, least = k, d
		}
	}
	if best == "" {
		return ""
	}
	return under(at, best)
}

func under(at, name string) string {
	if at == "" {
		return name
	}
	return at + "." + name
}

// slips is how many letters are wrong, missing or too many (Levenshtein 1966).
func slips(a, b string) int {
	x, y := []rune(a), []rune(b)
	if len(x) > 40 || len(y) > 40 {
		return 40
	}
	row := make([]int, len(y)+1)
	for j := range row {
		row[j] = j
	}
	for i := range x {
		last := row[0]
		row[0] = i + 1
		for j := range y {
			was := row[j+1]
			cost := 1
			if x[i] == y[j] {
				cost = 0
			}
			row[j+1] = min(row[j+1]+1, row[j]+1, last+cost)
			last = was
		}
	}
	return row[len(y)]
}
