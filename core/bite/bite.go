// Package bite finds what is eaten together: three or four foods of a tray that make one mouthful - something rich,
// something sweet or sour with it, something to put it on, something that crunches.
package bite

import (
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/say"
)

// Bite is a mouthful of foods that lie near each other, told to guests.
type Bite struct {
	Name  string   `json:"name"`
	Foods []string `json:"foods"` // the rich one first
	Why   string   `json:"why"`   // of the strongest pair in it
}

// How many bites a board tells of, by how many foods there are: more is a list that nobody reads.
const (
	few, many = 2, 3
	manyFoods = 14
)

// Near is how far apart the foods of a bite may lie, mm from edge to edge; farther and nobody sees that they belong
// together (docs/craft.md, Where things go).
const Near = 150.0

// The weights of a bite, in strengths of a classic pair.
const (
	known    = .8  // of foods that the larder names with each other
	byRule   = .6  // of what a rule of taste says and no classic
	under    = .4  // a plain carrier goes under anything
	crunch   = .2  // something that crunches where nothing does yet
	spoils   = -.5 // two foods that go together as badly are in no bite
	telling  = .3  // what is less no two foods are told of
	again    = .3  // off for a carrier, for each bite that has it
	unserved = 3   // for some guests there is none yet: theirs comes next
	candied  = 30  // g of carbohydrate in 100 g make a nut a sweet
	fewest   = .7  // what a bite is worth at least, to be told
	liked    = .01 // of how much a food is liked: of equals the better liked one
)

// Of finds the bites that some foods of a board make, the best first; but for the carriers each food is in one of them
// at most, and where guests can eat none of those so far, one for them comes next.
func Of(foods []*food.Food, b brief.Brief) []Bite {
	foods = slices.SortedFunc(slices.Values(foods), func(a, b *food.Food) int { return strings.Compare(a.ID, b.ID) }) // of equals the same, however they lie
	t := newTable(foods)
	all := t.bites(nil)
	groups := b.Groups()
	for _, g := range groups {
		if g.Count > 0 && len(g.Avoid) > 0 {
			all = append(all, t.bites(g.Avoid)...)
		}
	}
	served := make([]bool, len(groups))
	used := make([]int, len(foods))
	most := few
	if len(foods) >= manyFoods {
		most = many
	}
	var out []Bite
	for len(out) < most {
		best, at := fewest, -1
		for i := range all {
			worth := all[i].worth
			for _, k := range all[i].of {
				switch {
				case used[k] == 0:
				case t.part[k] == carrier:
					worth -= again * float64(used[k])
				default:
					worth = 0
				}
			}
			if worth <= 0 {
				continue
			}
			for g := range groups {
				if !served[g] && groups[g].Count > 0 && t.suits(all[i], groups[g].Avoid) {
					worth += unserved
					break
				}
			}
			if worth > best {
				best, at = worth, i
			}
		}
		if at < 0 {
			break
		}
		for _, k := range all[at].of {
			used[k]++
		}
		for g := range groups {
			served[g] = served[g] || t.suits(all[at], groups[g].Avoid)
		}
		out = append(out, t.told(all[at]))
	}
	return out
}

// part is what a food is in a bite.
type part int

const (
	none    part = iota
	rich         // cheese, meat, something dark and sweet
	dip          // savoury: rich where bread and vegetables go into it, a sauce beside cheese and meat
	sharp        // sweet or sour
	raw          // a vegetable that crunches
	nut          // crunches
	carrier      // bread, a cracker
)

// partOf is the part a food plays. Nobody bites on a shell or a stone.
func partOf(f *food.Food) part {
	if f.Shell || f.Stone || f.EatenShare() < .7 {
		return none
	}
	switch f.Category {
	case food.Cheese, food.Meat:
		return rich
	case food.Sweet:
		if slices.Contains(f.Flavours, "bitter") {
			return rich
		}
	case food.Dip:
		if food.SweetDip(f) || slices.Contains(f.Flavours, "spicy") && slices.Contains(f.Flavours, "sour") {
			return sharp
		}
		return dip
	case food.Fruit, food.Dried, food.Brined:
		return sharp
	case food.Vegetable:
		if f.Texture == "crunchy" {
			return raw
		}
		return sharp
	case food.Nut:
		return nut
	case food.Cracker:
		return carrier
	}
	return none
}

// table is some foods, what each is in a bite, and how well they go together.
type table struct {
	foods []*food.Food
	part  []part
	no    []bool      // what is in none of the bites that are looked for just now
	link  [][]float64 // how well two go together; a classic counts whole, what only a rule says less
}

func newTable(foods []*food.Food) *table {
	t := &table{foods: foods, part: make([]part, len(foods)), link: make([][]float64, len(foods))}
	palate := food.NewPalate(foods)
	for i, f := range foods {
		t.part[i] = partOf(f)
		t.link[i] = make([]float64, len(foods))
		for k, w := range palate.Affinities(i) {
			t.link[i][k] = float64(w)
			named, is := food.NamedPair(f, foods[k])
			switch {
			case w <= 0:
			case is:
				t.link[i][k] = named.Strength
			case slices.Contains(f.Pairs, foods[k].ID) || slices.Contains(foods[k].Pairs, f.ID):
				t.link[i][k] = known
			default:
				t.link[i][k] *= byRule
			}
		}
	}
	return t
}

// mouthful is a bite by the places of its foods, the rich one first.
type mouthful struct {
	of    []int
	worth float64
}

// bites lists those that there are without some words: round each rich food, with each thing that goes with it, the
// carrier and the crunch that suit both best.
func (t *table) bites(avoid []string) (out []mouthful) {
	t.no = make([]bool, len(t.foods))
	for k, f := range t.foods {
		t.no[k] = len(avoid) > 0 && !diet.CanEat(avoid, f)
	}
	for a := range t.foods {
		for b := range t.foods {
			w := t.link[a][b]
			if w < telling || t.no[a] || t.no[b] || !t.goes(a, b) {
				continue
			}
			m := mouthful{[]int{a, b}, w + liked*(t.foods[a].Liking+t.foods[b].Liking)}
			crunches := nut
			if t.part[b] == raw {
				crunches = raw // two things to dip
			}
			on := t.add(m, carrier, under)
			for _, whole := range []mouthful{on, t.add(on, crunches, crunch), t.add(m, crunches, crunch)} {
				if len(whole.of) >= 3 {
					out = append(out, whole)
				}
			}
		}
	}
	return out
}

// goes reports whether b can be what a rich food a is eaten with.
func (t *table) goes(a, b int) bool {
	switch t.part[a] {
	case rich:
		return t.part[b] == sharp || t.part[b] == dip || t.part[b] == raw
	case dip:
		return t.part[b] == raw
	}
	return false
}

// add puts the food of a part into a bite that suits it best, if one does; unknown is what one is worth of which nothing is
// known. What is sweet goes only where it is known to, and a carrier with a taste of its own rather there.
func (t *table) add(m mouthful, p part, unknown float64) mouthful {
	found, most := -1, 0.0
	for k, f := range t.foods {
		if t.part[k] != p || t.no[k] || slices.Contains(m.of, k) || slices.ContainsFunc(m.of, func(i int) bool { return t.link[i][k] <= spoils }) {
			continue
		}
		w := t.link[m.of[0]][k]
		if _, named := food.NamedPair(t.foods[m.of[0]], f); !named && (p == carrier && slices.Contains(f.Flavours, "sweet") || p == nut && f.CarbG >= candied) {
			continue
		}
		switch {
		case w > 0:
			w = max(w, unknown)
		case w < 0, p == carrier && t.foods[m.of[0]].Category == food.Sweet:
			continue
		default:
			w = unknown
			if p == carrier && f.Strength > 1 {
				w /= 2
			}
		}
		if w += liked * f.Liking; w > most {
			found, most = k, w
		}
	}
	if found < 0 {
		return m
	}
	return mouthful{append(slices.Clone(m.of), found), m.worth + most}
}

// suits reports whether guests who avoid some words can eat all of a bite.
func (t *table) suits(m mouthful, avoid []string) bool {
	return !slices.ContainsFunc(m.of, func(k int) bool { return !diet.CanEat(avoid, t.foods[k]) })
}

// told is a bite as guests are told of it.
func (t *table) told(m mouthful) Bite {
	first := t.foods[m.of[0]]
	_, why := food.Affinity(first, t.foods[m.of[1]])
	b := Bite{Why: why}
	var beside []string
	on := ""
	for i, k := range m.of {
		f := t.foods[k]
		b.Foods = append(b.Foods, f.ID)
		name, _, _ := strings.Cut(f.Name, ",") // what a name says of itself after a comma is for the kitchen
		switch {
		case i == 0:
			b.Name = say.Upper(name)
		case f.Category == food.Cracker && t.part[m.of[0]] == rich && f.FlatBread():
			on = " on " + say.Lower(name)
		default:
			beside = append(beside, say.Lower(name))
		}
	}
	with := " with "
	if strings.Contains(b.Name, with) {
		with = ", "
	}
	b.Name += with + say.And(beside) + on
	return b
}
