package pick

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/say"
	"happytray/core/theme"
)

// Side is one side of balance: what a choice covers of it, and what it lacks.
type Side struct {
	Name string   `json:"name"`
	Have []string `json:"have"`
	Lack []string `json:"lack"`
}

// wanted lists what a tray should show of each side (docs/craft.md, Kinds and amounts: soft to
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
	at, th := diet.TableOf(b), theme.ForBrief(b)
	var out []Side
	for _, w := range wanted {
		possible, have := map[string]bool{}, map[string]bool{}
		all := larder.All()
		for i := range all {
			if suits(b, th, at, larder, &all[i]) {
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

// Need is one thing that a choice lacks and the best foods to fill it, best first.
type Need struct {
	Says    string   `json:"says"`
	Group   string   `json:"group,omitempty"` // of guests who go without, or "" where the tray does
	Fillers []Filler `json:"fillers"`
}

// Serving tells what a group of guests finds on the tray.
type Serving struct {
	Who   string   `json:"who"`
	Count int      `json:"count"` // guests
	Avoid []string `json:"avoid"`
	Foods int      `json:"foods"` // that they can eat
	Of    int      `json:"of"`    // foods chosen
	Parts []Found  `json:"parts"`
}

// Found is how many foods play one part for a group.
type Found struct {
	Says  string `json:"says"`
	Foods int    `json:"foods"` // that are this part of a plate
}

// Servings tells for every group of guests what they can eat of a choice: a
// protein, something crisp and something sweet or fresh are wanted for each.
func Servings(b brief.Brief, foods []*food.Food) []Serving {
	var out []Serving
	for _, g := range b.Groups() {
		s := Serving{Who: g.Who, Count: g.Count, Avoid: g.Avoid, Of: len(foods)}
		if s.Avoid == nil {
			s.Avoid = []string{}
		}
		for _, p := range food.Parts {
			s.Parts = append(s.Parts, Found{Says: p.Says})
		}
		for _, f := range foods {
			if !diet.CanEat(g.Avoid, f) {
				continue
			}
			s.Foods++
			for k, p := range food.Parts {
				if f.PartOf()&p.Part != 0 {
					s.Parts[k].Foods++
				}
			}
		}
		out = append(out, s)
	}
	return out
}

// Needs names what a choice lacks, what a group of guests goes without first, and
// for each up to n foods that would fill it: those that fill most of the whole at
// once, and suit the rest of the choice best.
func Needs(b brief.Brief, sides []Side, chosen []*food.Food, larder *food.Larder, under Under, n int) []Need {
	at, th := diet.TableOf(b), theme.ForBrief(b)
	f := newCandidates(b, larder, under, KindsFor(b, under), portion.Shares(b, portion.WithMeat))
	s := f.empty()
	for _, c := range chosen {
		if i, ok := f.by[c.ID]; ok {
			f.put(s, i, 1)
		}
	}
	worth := make([]float64, len(f.cands))
	for i := range f.cands {
		worth[i] = f.marginal(s, i)
	}
	lacks := func(g *food.Food) []string {
		var fills []string
		for k, side := range sides {
			for _, w := range wanted {
				if w.name != side.Name {
					continue
				}
				for _, v := range w.of(g) {
					if slices.Contains(sides[k].Lack, v) {
						fills = append(fills, word(side.Name, v))
					}
				}
			}
		}
		return fills
	}
	fillers := func(fits func(c *cand) bool, plain string) []Filler {
		var can []int
		for i := range f.cands {
			c := &f.cands[i]
			if !slices.Contains(s.on, i) && c.food.Category != food.Garnish && fits(c) && suits(b, th, at, larder, c.food) && c.food.InSeason(b.SeasonMonth(), b.Hemisphere) {
				can = append(can, i)
			}
		}
		slices.SortStableFunc(can, func(i, j int) int {
			x, y := worth[i]+.3*float64(len(lacks(f.cands[i].food))), worth[j]+.3*float64(len(lacks(f.cands[j].food)))
			return cmp.Compare(y, x)
		})
		out := []Filler{}
		for _, i := range can[:min(n, len(can))] {
			why := plain
			if l := lacks(f.cands[i].food); len(l) > 0 {
				why = "brings " + strings.Join(l, ", ")
			}
			out = append(out, Filler{f.cands[i].food.ID, why})
		}
		return out
	}
	out := []Need{}
	for g, group := range f.groups {
		for k, p := range food.Parts {
			if s.part[g][k] > 0 || p.Besides() && !slices.ContainsFunc(s.part, func(of [food.PartCount]int) bool { return of[k] > 0 }) {
				continue
			}
			who := group.Who
			fill := fillers(func(c *cand) bool { return c.eats&(1<<g) != 0 && c.part&p.Part != 0 }, p.Says+" for "+who)
			out = append(out, Need{Says: fmt.Sprintf("%s can eat nothing here that is %s", say.Upper(who), strings.TrimPrefix(strings.TrimPrefix(p.Says, "something "), "a ")), Group: who, Fillers: fill})
		}
	}
	for _, side := range sides {
		for _, w := range wanted {
			if w.name != side.Name {
				continue
			}
			for _, lack := range side.Lack {
				fill := fillers(func(c *cand) bool { return slices.Contains(w.of(c.food), lack) }, "")
				if len(fill) > 0 {
					out = append(out, Need{Says: word(side.Name, lack), Fillers: fill})
				}
			}
		}
	}
	return out
}

// word says one missing thing so that it can stand alone.
func word(side, v string) string {
	switch side {
	case "milk":
		return food.MilkSays(v)
	case "cheese":
		return "a " + v + " cheese"
	}
	return v
}
