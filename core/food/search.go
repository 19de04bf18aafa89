package food

import (
	"slices"

	"happytray/core/colour"
)

// Query narrows a larder down. A zero member narrows nothing.
type Query struct {
	Text       string   // words, each found in what a food is called, or in its category, flavours, milk, region or forms
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

// Search lists the foods that the query finds: by how well their names fit the text (Find), by nearness where a
// colour is asked for, and else in the order of the larder.
func (l *Larder) Search(q Query) []*Food {
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
	candidates := l.rank(q.Text)
	if len(stemsOf(q.Text)) == 0 {
		candidates = make([]named, len(all))
		for i := range candidates {
			candidates[i].food = i
		}
	}
	for _, c := range candidates {
		f := &all[c.food]
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
		rank := -c.score
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
