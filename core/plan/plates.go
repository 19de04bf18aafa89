package plan

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/tray"
)

// plates is a plate for each guest with a name, and for every taste at the rest of the table: each group of guests by
// what it avoids, grown-ups and children told apart. Diets are taken to be the grown-ups', as long as there are enough of
// them; the plate that most get comes first.
func plates(b brief.Brief) []tray.Part {
	var out []tray.Part
	for _, p := range b.People {
		part := tray.Part{Who: p.Name, Of: 1, Guests: p.Guests()}
		for _, d := range b.Diets {
			if p.Is(d.Who) || d.Count == 0 {
				d.Count = 0
				part.Diets = append(part.Diets, d)
			}
		}
		out = append(out, part)
	}
	rest, diets := b.Unnamed()
	if rest.Total() <= 0 {
		return out
	}
	b.Guests, b.Diets = rest, diets
	adults, children := rest.Adults, rest.Children
	var others []tray.Part
	for _, g := range told(b.Groups(), rest.Total()) {
		grown := min(g.Count, adults)
		young := min(g.Count-grown, children)
		adults, children = adults-grown, children-young
		for _, some := range []struct {
			n      int
			guests brief.Guests
			who    string
		}{{grown, brief.Guests{Adults: 1}, "grown-ups"}, {young, brief.Guests{Children: 1}, "children"}} {
			if some.n == 0 {
				continue
			}
			p := tray.Part{Who: g.Who, Copies: some.n, Of: 1, Guests: some.guests}
			if grown > 0 && young > 0 {
				p.Who += ", " + some.who
			}
			if len(g.Avoid) > 0 {
				p.Diets = []brief.Diet{{Who: p.Who, Avoid: g.Avoid}}
			}
			others = append(others, p)
		}
	}
	slices.SortStableFunc(others, func(a, b tray.Part) int { return b.Copies - a.Copies })
	return append(out, others...)
}

// told is groups of guests that together are no more than so many. Where they name more, somebody is in two of them and
// nobody knows who: then the plates of all that were named before are also without what that group avoids.
func told(groups []brief.Group, guests int) []brief.Group {
	var out []brief.Group
	for _, g := range groups {
		n := min(g.Count, guests)
		if n < g.Count {
			for i := range out {
				out[i].Who += " or " + g.Who
				out[i].Avoid = slices.Clone(out[i].Avoid)
				for _, w := range g.Avoid {
					if !slices.Contains(out[i].Avoid, w) {
						out[i].Avoid = append(out[i].Avoid, w)
					}
				}
			}
		}
		if g.Count = n; n > 0 {
			out = append(out, g)
		}
		guests -= n
	}
	return out
}
