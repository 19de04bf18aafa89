package food

import (
	"slices"
	"strings"
	"unicode"

	"happytray/core/colour"
)

// Query narrows a larder down. A zero member narrows nothing.
type Query struct {
	Text       string   // words, each found in a name, category, flavour, milk, region or form
	Category   Category // the shelf
	Colour     string   // #rrggbb, outside or cut, as near as a shopper would call it the same
	Month      int      // in season then
	Hemisphere string
	Without    []string // allergens and diet words
	Milk       string
	Firmness   string
	Form       string
}

// sameColour is the CIEDE2000 difference up to which two foods are called the
// same colour across a room: about three times what is told apart side by side.
const sameColour = 16

// Search lists the foods that the query finds: those whose name begins with the
// words first, then those that hold them in the name, then the rest; each in the
// order of the larder, or by nearness where a colour is asked for.
func (l *Larder) Search(q Query) []*Food {
	words := strings.FieldsFunc(fold(q.Text), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsNumber(r) })
	var want colour.Lab
	if q.Colour != "" {
		c, err := colour.Parse(q.Colour)
		if err != nil {
			return nil
		}
		want = c
	}
	type hit struct {
		f    *Food
		rank float64
	}
	var hits []hit
	all := l.All()
	for i := range all {
		f := &all[i]
		if q.Category != "" && f.Category != q.Category || q.Milk != "" && f.Milk != q.Milk || q.Firmness != "" && f.Firmness != q.Firmness {
			continue
		}
		if q.Month != 0 && !f.InSeason(q.Month, q.Hemisphere) || (f.Breaks(q.Without) != "" || f.MayHold(q.Without) != "") {
			continue
		}
		if q.Form != "" {
			if _, ok := f.Spec(q.Form); !ok {
				continue
			}
		}
		rank, ok := f.match(words)
		if !ok {
			continue
		}
		if q.Colour != "" {
			d := colour.Difference(want, colour.Must(f.Colour))
			if f.Cut != f.Colour {
				d = min(d, colour.Difference(want, colour.Must(f.Cut)))
			}
			if d > sameColour {
				continue
			}
			rank += d / 100
		}
		hits = append(hits, hit{f, rank})
	}
	slices.SortStableFunc(hits, func(a, b hit) int { return cmpDown(b.rank, a.rank) })
	out := make([]*Food, len(hits))
	for i, h := range hits {
		out[i] = h.f
	}
	return out
}

// match says whether every word is found in the food, and how well: 0 where the
// name begins with the first, 1 where the name holds them all, 2 elsewhere.
func (f *Food) match(words []string) (rank float64, ok bool) {
	if len(words) == 0 {
		return 0, true
	}
	name := fold(f.Name)
	for i, w := range words {
		switch {
		case i == 0 && strings.HasPrefix(name, w):
		case strings.Contains(name, w) || strings.Contains(f.ID, w):
			rank = max(rank, 1)
		case f.holds(w):
			rank = 2
		default:
			return 0, false
		}
	}
	return rank, true
}

// holds reports whether a word begins something else that is known of the food.
func (f *Food) holds(w string) bool {
	begins := func(s string) bool { return strings.HasPrefix(s, w) }
	return begins(string(f.Category)) || begins(f.Milk) || begins(f.Firmness) || begins(f.Region) || begins(f.Texture) ||
		slices.ContainsFunc(f.Flavours, begins) || slices.ContainsFunc(f.Forms, func(s Spec) bool { return begins(s.Form) })
}

// marks are letters with marks that a shopper types without them.
var marks = strings.NewReplacer("à", "a", "â", "a", "ä", "a", "á", "a", "ç", "c", "é", "e", "è", "e", "ê", "e", "ë", "e", "î", "i", "ï", "i", "í", "i",
	"ñ", "n", "ô", "o", "ö", "o", "ó", "o", "ù", "u", "û", "u", "ü", "u", "ú", "u", "’", "'")

func fold(s string) string {
	s = strings.ToLower(s)
	for i := range len(s) {
		if s[i] >= 0x80 { // most names have no mark, and need no second copy
			return marks.Replace(s)
		}
	}
	return s
}
