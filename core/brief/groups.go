package brief

import (
	"slices"

	"happytray/core/food"
)

// Group is some of the guests with everything that they avoid: what they say
// themselves and what everybody does.
type Group struct {
	Who   string
	Count int // guests
	Avoid []string
}

// frail is what guests who are pregnant or of weak immunity are called as a group.
const frail = "those pregnant or of weak health"

// Frail is how many guests are pregnant or of weak immunity, as the guests are counted or as a diet says.
func (b Brief) Frail() int {
	n := b.Guests.Frail
	for _, d := range b.Diets {
		if slices.Contains(d.Avoid, food.Advised) {
			n += b.Count(d)
		}
	}
	return min(n, b.Guests.Total())
}

// Groups parts the guests by what they avoid: one group for each diet with a
// count, those who are pregnant or of weak immunity, and the rest of the table. Diets without a count are everybody's and
// hold in every group. Counts add up to the guests, unless the diets name more
// guests than come, as they do when one guest is in two of them.
func (b Brief) Groups() []Group {
	var all []string
	for _, d := range b.Diets {
		if d.Count == 0 {
			all = join(all, d.Avoid)
		}
	}
	rest := b.Guests.Total()
	var out []Group
	for _, d := range b.Diets {
		if d.Count == 0 || len(d.Avoid) == 0 {
			continue
		}
		who := d.Who
		if who == "" {
			who = "some guests"
		}
		out = append(out, Group{who, d.Count, join(all, d.Avoid)})
		rest -= d.Count
	}
	if n := b.Guests.Frail; n > 0 {
		out = append(out, Group{frail, n, join(all, []string{food.Advised})})
		rest -= n
	}
	if rest > 0 || len(out) == 0 {
		who := "everybody"
		if len(out) > 0 {
			who = "the rest of the table"
		}
		out = append(out, Group{who, max(rest, 0), all})
	}
	return out
}

// join is a with what of b is not in it yet.
func join(a, b []string) []string {
	out := slices.Clone(a)
	for _, w := range b {
		if !slices.Contains(out, w) {
			out = append(out, w)
		}
	}
	return out
}
