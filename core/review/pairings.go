package review

import (
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/bite"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/say"
)

// tastes is what the foods of a tray are to each other.
type tastes struct {
	first []int     // the elements that are the first of their food
	all   [][]int   // for each of them, all elements of its food
	near  [][]int   // for each of them, elements of foods it goes well with
	clash [][2]int  // elements whose foods spoil each other
	bites [][][]int // of each bite, the elements of each of its foods, the rich one's first
	cares []bool    // of two elements, row by row: whether they are in near or clash of each other
}

func newTastes(l *Live) (t tastes) {
	at := map[*food.Food]int{}
	var foods []*food.Food
	var members [][]int
	for i := range l.elems {
		f := l.elems[i].food
		if f.Category == food.NotFood {
			continue
		}
		k, ok := at[f]
		if !ok {
			k = len(foods)
			at[f] = k
			foods, members = append(foods, f), append(members, nil)
		}
		members[k] = append(members[k], i)
	}
	palate := food.NewPalate(foods)
	for k := range foods {
		var near []int
		for j, w := range palate.Affinities(k) {
			switch {
			case j == k:
			case adjacency.ArePartners(w):
				near = append(near, members[j]...)
			case adjacency.SpoilEachOther(w) && j < k:
				for _, a := range members[k] {
					for _, b := range members[j] {
						t.clash = append(t.clash, [2]int{a, b})
					}
				}
			}
		}
		t.first, t.all, t.near = append(t.first, members[k][0]), append(t.all, members[k]), append(t.near, near)
	}
	for _, b := range bite.Of(foods, l.tray.Brief) {
		var of [][]int
		for _, id := range b.Foods {
			of = append(of, members[slices.IndexFunc(foods, func(f *food.Food) bool { return f.ID == id })])
		}
		t.bites = append(t.bites, of)
	}
	n := len(l.elems)
	t.cares = make([]bool, n*n)
	care := func(a, b int) { t.cares[a*n+b], t.cares[b*n+a] = true, true }
	for _, c := range t.clash {
		care(c[0], c[1])
	}
	for _, of := range t.bites {
		for k := range of {
			for _, others := range of[:k] {
				for _, a := range of[k] {
					for _, b := range others {
						care(a, b)
					}
				}
			}
		}
	}
	for k, near := range t.near {
		for _, a := range t.all[k] {
			for _, b := range near {
				care(a, b)
			}
		}
	}
	return t
}

// keptApart is what element i holds that is kept apart for some guests, or "". In
// a vessel it is apart already.
func (l *Live) keptApart(i int) string {
	if adjacency.ApartOf(l.elems[i].food, l.apart, l.tray.Elements[i].Vessel == "") != adjacency.KeptOff {
		return ""
	}
	_, word := diet.Avoiding(l.apart, l.elems[i].food)
	return word
}

// shared reports whether element i lies open and is a main thing for guests who
// avoid what is kept apart.
func (l *Live) shared(i int) bool {
	return adjacency.ApartOf(l.elems[i].food, l.apart, l.tray.Elements[i].Vessel == "") == adjacency.ForAll
}

func (m *measures) pairings() {
	l := m.l
	sum, n := 0.0, 0
	for k, near := range l.tastes.near {
		best, bi, bj := math.Inf(1), -1, -1
		for _, b := range near {
			if !l.elems[b].placed {
				continue
			}
			for _, a := range l.tastes.all[k] {
				if !l.elems[a].placed {
					continue
				}
				if g := l.at(a, b).gap; g < best {
					best, bi, bj = g, a, b
				}
			}
		}
		if bi < 0 {
			continue
		}
		sum += math.Min(best, 300)
		n++
		if best > 150 {
			m.find("pairs.near", Note, best/200, l.elems[bi].middle, []int{bi, bj}, say.New("pairs.near", m.it(bi), m.it(bj)))
		}
	}
	if n > 0 {
		m.values["pairs.near"] = sum / float64(n)
	}
	m.bites()
	m.apart()
}

// bites measures how far apart the foods of each bite lie, the two that are farthest from each other, where they lie
// nearest together.
func (m *measures) bites() {
	l := m.l
	sum, n := 0.0, 0
	for _, of := range l.tastes.bites {
		width, who := math.Inf(1), []int(nil)
		for _, a := range of[0] {
			if !l.elems[a].placed {
				continue
			}
			together, wide := []int{a}, 0.0
			for _, others := range of[1:] {
				best, at := math.Inf(1), -1
				for _, b := range others {
					if !l.elems[b].placed {
						continue
					}
					far := 0.0 // from what is chosen so far
					for _, c := range together {
						far = math.Max(far, l.at(b, c).gap)
					}
					if far < best {
						best, at = far, b
					}
				}
				if at >= 0 {
					together, wide = append(together, at), math.Max(wide, best)
				}
			}
			if len(together) > 1 && wide < width {
				width, who = wide, together
			}
		}
		if who == nil {
			continue
		}
		sum += math.Min(width, 2*bite.Near)
		n++
		if width > bite.Near {
			of := make([]say.Value, len(who))
			for k, i := range who {
				of[k] = m.it(i)
			}
			m.find("pairs.bites", Note, width/bite.Near, l.elems[who[0]].middle, who, say.New("pairs.bites", say.All(of...), say.MM(width)))
		}
	}
	if n > 0 {
		m.values["pairs.bites"] = sum / float64(n)
	}
}

// apartMM is the gap beyond which nobody asks for more.
const apartMM = 100

func (m *measures) apart() {
	l := m.l
	sum, n := 0.0, 0
	for _, c := range l.tastes.clash {
		a, b := c[0], c[1]
		if !l.elems[a].placed || !l.elems[b].placed || l.tray.Elements[a].Vessel != "" || l.tray.Elements[b].Vessel != "" {
			continue // a wall between them keeps them apart
		}
		g := l.at(a, b).gap
		sum += math.Min(g, apartMM)
		n++
		if g < 30 {
			_, why := food.Affinity(l.elems[a].food, l.elems[b].food)
			says := say.New("pairs.apart", m.it(a), m.it(b), say.MM(g), say.Word(why))
			if saidToTouch(g) {
				says = say.New("pairs.apart.touch", m.it(a), m.it(b), say.Word(why))
			}
			m.find("pairs.apart", Note, (40-g)/20, l.elems[a].middle.Lerp(l.elems[b].middle, .5), c[:], says)
		}
	}
	for i := range l.elems {
		if !l.elems[i].placed || l.keptApart(i) == "" {
			continue
		}
		best, other := math.Inf(1), -1
		for j := range l.elems {
			if l.elems[j].placed && j != i && l.shared(j) {
				if g := l.at(i, j).gap; g < best {
					best, other = g, j
				}
			}
		}
		if other < 0 {
			continue
		}
		sum += math.Min(best, apartMM)
		n++
		if best < 40 {
			advised := l.keptApart(i) == food.Advised
			says := say.New("pairs.kept", say.Word(l.keptApart(i)), m.it(i), say.MM(best), m.it(other))
			switch {
			case advised && saidToTouch(best):
				says = say.New("pairs.advised.touch", m.it(i), m.it(other))
			case advised:
				says = say.New("pairs.advised", m.it(i), say.MM(best), m.it(other))
			case saidToTouch(best):
				says = say.New("pairs.kept.touch", say.Word(l.keptApart(i)), m.it(i), m.it(other))
			}
			m.find("pairs.apart", Mend, (80-best)/12, l.elems[i].middle.Lerp(l.elems[other].middle, .5), []int{i, other}, says)
		}
	}
	if n > 0 {
		m.values["pairs.apart"] = sum / float64(n)
	}
}

// saidToTouch reports whether things so many mm apart are said to touch: nobody says that they lie 0 mm apart.
func saidToTouch(mm float64) bool { return mm < 1 }
