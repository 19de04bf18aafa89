package pick

import (
	"sort"
	"strings"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
)

// Side is one side of balance: what a choice covers of it, and what it lacks.
type Side struct {
	Name string   `json:"name"`
	Have []string `json:"have"`
	Lack []string `json:"lack"`
}

// wanted lists what a tray should show of each side (craft section 1: soft to
// hard, mild to strong, sweet, salty, sour, creamy, crunchy, fresh; more than
// one animal's milk). It is what an ordinary tray can reach, not everything
// there is: nobody misses a third milk.
var wanted = []struct {
	name string
	want []string
	of   func(f *food.Food) []string
}{
	{"texture", []string{"creamy", "crunchy", "chewy", "juicy", "soft"}, func(f *food.Food) []string { return []string{f.Texture} }},
	{"flavour", []string{"sweet", "salty", "sour", "umami", "fresh", "bitter", "smoky", "spicy"}, func(f *food.Food) []string { return f.Flavours }},
	{"cheese", []string{"fresh", "soft", "semi", "firm", "hard"}, func(f *food.Food) []string { return []string{f.Firmness} }},
	{"milk", []string{"cow", "goat", "sheep"}, func(f *food.Food) []string { return []string{f.Milk} }},
	{"colour", []string{"cream", "yellow", "orange", "red", "purple", "green", "dark"}, func(f *food.Food) []string { return []string{colour.Must(f.Colour).Family()} }},
}

// Balance says what a set of foods covers and lacks. A side that the brief rules
// out altogether (milk and cheese where nobody takes milk) is left out.
func Balance(b brief.Brief, foods []*food.Food, larder *food.Larder) []Side {
	off := b.OffTheTray()
	var out []Side
	for _, w := range wanted {
		possible, have := map[string]bool{}, map[string]bool{}
		all := larder.All()
		for i := range all {
			if all[i].Breaks(off) == "" {
				for _, v := range w.of(&all[i]) {
					possible[v] = true
				}
			}
		}
		for _, f := range foods {
			for _, v := range w.of(f) {
				have[v] = true
			}
		}
		s := Side{Name: w.name, Have: []string{}, Lack: []string{}}
		for _, v := range w.want {
			switch {
			case have[v]:
				s.Have = append(s.Have, v)
			case possible[v]:
				s.Lack = append(s.Lack, v)
			}
		}
		if len(s.Have)+len(s.Lack) > 0 {
			out = append(out, s)
		}
	}
	return out
}

// Filler is a food that would fill what a choice lacks, with the reason.
type Filler struct {
	Food string `json:"food"`
	Why  string `json:"why"`
}

// Fillers names the best foods, at most n, to fill what the sides lack: those
// that fill most at once, better liked ones first.
func Fillers(b brief.Brief, sides []Side, chosen []*food.Food, larder *food.Larder, n int) []Filler {
	off, month := b.OffTheTray(), b.SeasonMonth()
	on := map[string]bool{}
	for _, f := range chosen {
		on[f.ID] = true
	}
	type scored struct {
		f     *food.Food
		fills []string
		v     float64
	}
	var all []scored
	foods := larder.All()
	for i := range foods {
		f := &foods[i]
		if on[f.ID] || f.Category == food.NotFood || f.Breaks(off) != "" || b.Young() && f.Choking || month > 0 && !f.InSeason(month, b.Hemisphere) {
			continue
		}
		s := scored{f: f, v: f.Liking}
		for k, side := range sides {
			for _, w := range wanted {
				if w.name != side.Name {
					continue
				}
				for _, v := range w.of(f) {
					for _, lack := range sides[k].Lack {
						if v == lack {
							s.fills = append(s.fills, word(side.Name, lack))
							s.v++
						}
					}
				}
			}
		}
		if len(s.fills) > 0 {
			all = append(all, s)
		}
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].v > all[j].v })
	out := []Filler{}
	for _, s := range all[:min(n, len(all))] {
		out = append(out, Filler{s.f.ID, "brings " + strings.Join(s.fills, ", ")})
	}
	return out
}

// word says one missing thing so that it can stand alone.
func word(side, v string) string {
	switch side {
	case "milk":
		return v + "'s milk"
	case "cheese":
		return "a " + v + " cheese"
	}
	return v
}
