package amount

import (
	"fmt"
	"math"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/say"
)

// table is the foods that were chosen against the groups of guests that eat them, while amounts
// are reckoned.
type table struct {
	brief  brief.Brief
	foods  []pick.Choice
	specs  []food.Spec
	groups []brief.Group
	part   []float64                 // of the table's appetites, by group; they add up to one
	wants  []float64                 // grams, by group
	eats   [][]bool                  // by food and group
	grams  []float64                 // of each food
	usual  []float64                 // what its part by liking would be, as was learnt of it
	plain  []float64                 // the same before anything was learnt
	kind   map[food.Category]float64 // grams of a category that are eaten, all groups
	parts  []bool                    // less than a whole of it is laid
	crowd  []bool                    // there was to be one for everybody who eats it
	said   []say.Text                // what decided an amount, where it was not liking
}

func newTable(b brief.Brief, chosen []pick.Choice) *table {
	t := &table{brief: b, foods: chosen, groups: b.Groups()}
	all := 0.0
	for _, g := range t.groups {
		all += float64(g.Count)
	}
	for _, g := range t.groups {
		part := 1 / float64(len(t.groups))
		if all > 0 {
			part = float64(g.Count) / all
		}
		t.part = append(t.part, part)
	}
	return t
}

// only keeps the foods with these numbers.
func (t *table) only(kept []int) {
	var foods []pick.Choice
	for _, i := range kept {
		foods = append(foods, t.foods[i])
	}
	t.foods = foods
	n := len(foods)
	t.specs, t.eats = make([]food.Spec, n), make([][]bool, n)
	t.grams, t.usual, t.plain, t.said, t.parts, t.crowd = make([]float64, n), make([]float64, n), make([]float64, n), make([]say.Text, n), make([]bool, n), make([]bool, n)
	for i, c := range foods {
		t.specs[i], _ = c.Food.Spec(c.Form)
		t.eats[i] = make([]bool, len(t.groups))
		for g := range t.groups {
			t.eats[i][g] = diet.CanEat(t.groups[g].Avoid, c.Food)
		}
	}
}

// shared reports whether a food is one of those that shares are spread over: not greens, props
// or toppings.
func (t *table) shared(i int) bool {
	c := t.foods[i].Food.Category
	return c != food.Garnish && c != food.NotFood && !food.Has(t.foods[i].Form, food.OnFood)
}

// free reports whether a food's amount is ours to reckon.
func (t *table) free(i int) bool { return t.shared(i) && t.foods[i].Grams == 0 }

// spread gives every group its share of each kind and every food its part of them by liking.
func (t *table) spread() {
	appetites := t.brief.Guests.Appetites()
	t.kind = map[food.Category]float64{}
	t.wants = make([]float64, len(t.groups))
	set := map[food.Category]float64{}
	for i, c := range t.foods {
		if t.shared(i) {
			set[c.Food.Category] += c.Grams * c.Food.EatenShare()
		}
	}
	for g := range t.groups {
		var theirs []pick.Choice
		pulls := map[food.Category]float64{}
		for i, c := range t.foods {
			if t.shared(i) && t.eats[i][g] {
				theirs = append(theirs, c)
				pulls[c.Food.Category] += pull(t.brief, c)
			}
		}
		shares := portion.SharesOf(t.brief, appetites*t.part[g], Meatless(theirs))
		all, have := 0.0, 0.0
		for _, c := range food.Categories { // in order, so that sums are the same each time
			all += shares[c]
			if pulls[c] > 0 {
				shares[c] = math.Min(shares[c], t.mostOf(c, g))
				have += shares[c]
			}
		}
		t.wants[g] = all
		if have == 0 {
			continue
		}
		lift := math.Min(portion.MostLift, all/have)
		before, after := 0.0, 0.0
		for i, c := range t.foods {
			if cat := c.Food.Category; t.shared(i) && t.eats[i][g] {
				learnt, _ := t.brief.Eats(c.Food.ID)
				grams := shares[cat] * lift * pull(t.brief, c) / pulls[cat] * learnt
				laid := grams / c.Food.EatenShare() // stones and shells lie there, too, and fill nobody
				t.usual[i] += laid
				t.kind[cat] += grams
				t.plain[i] += laid / learnt
				before, after = before+grams/learnt, after+grams
			}
		}
		if before > 0 {
			t.wants[g] *= after / before // they want what they were seen to eat
		}
	}
	// what is set by hand takes from the others of its kind
	free := map[food.Category]float64{}
	for i, c := range t.foods {
		if t.free(i) {
			free[c.Food.Category] += t.usual[i] * c.Food.EatenShare()
		}
	}
	for i, c := range t.foods {
		cat := c.Food.Category
		switch {
		case !t.shared(i):
		case c.Grams > 0:
			t.grams[i] = c.Grams
		case set[cat] > 0 && free[cat] > 0:
			t.grams[i] = t.usual[i] * math.Max(least, (t.kind[cat]-set[cat])/free[cat])
		default:
			t.grams[i] = t.usual[i]
		}
	}
}

// tinyEach is how much of a tiny food an appetite takes at most, grams: a spoon or two.
const tinyEach = 6.0

// mostOf is the most that a group takes of a kind, grams: nobody eats seeds for nuts by the handful.
func (t *table) mostOf(c food.Category, g int) float64 {
	most := 0.0
	for i, x := range t.foods {
		if x.Food.Category != c || !t.shared(i) || !t.eats[i][g] {
			continue
		}
		if !tiny(x.Food) {
			return math.Inf(1)
		}
		most += tinyEach * t.brief.Guests.Appetites() * t.part[g]
	}
	return most
}

// tiny reports whether a food is tiny in whatever form: seeds that only come in a bowl, too.
func tiny(f *food.Food) bool {
	loose := false
	for _, s := range f.Forms {
		if food.Tiny(s) {
			return true
		}
		loose = loose || !food.Has(s.Form, food.OnFood) && s.Shape != "vessel"
	}
	return f.Category == food.Nut && !loose
}

// eaters is how many guests can eat a food.
func (t *table) eaters(i int) int {
	n := 0.0
	for g := range t.groups {
		if t.eats[i][g] {
			n += t.part[g]
		}
	}
	return int(math.Ceil(n*float64(t.brief.Guests.Total()) - 1e-9))
}

// one sees to it that there is one for everybody of what everybody wants, that wholes come whole,
// and that each food is enough to be seen; what that takes or leaves comes from the others of its
// kind.
func (t *table) one() {
	b := t.brief
	before := map[food.Category]float64{}
	for i, c := range t.foods {
		if t.shared(i) {
			before[c.Food.Category] += t.grams[i] * c.Food.EatenShare()
		}
	}
	fixed := make([]bool, len(t.foods))
	for i, c := range t.foods {
		if !t.free(i) {
			fixed[i] = true
			continue
		}
		f, spec := c.Food, t.specs[i]
		was := t.grams[i]
		unit := food.WholeG(spec)
		limit := t.mostWhole(f.Category) * t.kind[f.Category] / math.Max(.1, f.EatenShare())
		crowd := spec.MassG * float64(t.eaters(i))
		if food.Has(spec.Form, food.CutInPlace) && f.Category == food.Cheese {
			crowd = math.Min(crowd, limit) // it is cut finer rather than doubled
		}
		if (unit == 0 || !b.Plates()) && portion.IsWanted(f) && !OneByOne(spec) && t.grams[i] < crowd && !(b.Course == "sweet" && f.Category == food.Cheese) {
			t.grams[i], t.said[i], t.crowd[i] = crowd, say.That("amount.each", say.N(t.eaters(i))), true
		}
		if unit > 0 && !b.Plates() && (t.grams[i] >= PartOfWhole*unit && unit <= limit || !food.Divisible(f, spec)) {
			n := math.Max(1, math.Round(was/unit-.1))
			if !t.said[i].IsZero() { // a round is cut into as many as there are guests
				n = math.Max(n, math.Ceil(smallerPiece*t.grams[i]/unit-1e-9))
			}
			for n > 1 && n*unit > limit {
				n--
			}
			want := math.Min(t.grams[i], limit)
			n = math.Max(n, math.Floor(want/unit+1e-9))
			if want/unit-n >= leastPart && food.Has(spec.Form, food.CutInPlace) { // whole ones, and a part of another
				t.grams[i], t.parts[i] = want, true
			} else if whole := n * unit; math.Abs(whole-t.grams[i]) > 1 {
				t.grams[i], t.said[i], t.crowd[i] = whole, wholes(n, unit), false
			}
		} else if unit > 0 {
			t.parts[i] = true
		}
		if food.InVessel(spec.Form) && t.grams[i] < leastBowl {
			t.grams[i], t.said[i] = leastBowl, say.That("amount.bowl", say.Grams(leastBowl))
		}
		if few := spec.MassG * float64(fewest(b, spec)); few > t.grams[i] && !OneByOne(spec) && unit == 0 {
			t.grams[i], t.said[i] = few, say.That("amount.group", say.N(fewest(b, spec)), say.Group(string(f.Category)))
		}
		fixed[i] = t.grams[i] != was || unit > 0
	}
	for _, c := range food.Categories {
		over, free := -before[c], 0.0
		for i, x := range t.foods {
			if x.Food.Category != c || !t.shared(i) {
				continue
			}
			over += t.grams[i] * x.Food.EatenShare()
			if !fixed[i] {
				free += t.grams[i] * x.Food.EatenShare()
			}
		}
		if free == 0 {
			continue
		}
		times := math.Min(most, math.Max(least, (free-over)/free))
		for i, x := range t.foods {
			if x.Food.Category == c && !fixed[i] {
				t.grams[i] = math.Max(math.Min(t.grams[i], t.seen(i)), t.grams[i]*times)
			}
		}
	}
}

// seen is the least grams of a food that are worth their place.
func (t *table) seen(i int) float64 {
	switch spec := t.specs[i]; {
	case portion.IsWanted(t.foods[i].Food) && !OneByOne(spec) && food.WholeG(spec) == 0: // one for everybody who can eat it
		return spec.MassG * float64(max(t.eaters(i), fewest(t.brief, spec)))
	case food.InVessel(spec.Form):
		return leastBowl
	case !OneByOne(spec):
		return spec.MassG * float64(fewest(t.brief, spec))
	}
	return 0
}

// smallerPiece is what the pieces of a round may weigh of their usual mass, so that a few more guests
// do not cost one more round and double the cheese: a round of eight pieces is cut into twelve.
const smallerPiece = 2.0 / 3

// PartOfWhole is the part of a whole from which on it is put on the tray whole; less of it is
// laid in parts.
const PartOfWhole = .7

// leastPart is how much of another round is cut beside whole ones at least: nobody opens one for a wedge or two.
const leastPart = 1. / 3

// mostOfKind is how much of its kind's share one whole may be; where it is more, a part of it is laid.
const mostOfKind = .75

func wholes(n, unit float64) say.Text {
	if n == 1 {
		return say.That("amount.one", say.Grams(unit))
	}
	return say.That("amount.wholes", say.N(int(n)), say.Grams(unit))
}

// What every group is to find of its share, at least and at most, if all share what they may
// eat; plates are nobody's to share. Level stops inside of these.
const (
	enough = .92
	plenty = 1.2
)

// level makes more of what guests with few to choose from can eat, and less of what only the
// others do, until every group finds enough of its share and none far too much. Foods move by
// a twentieth or a little more, between two fifths (of meat three) and a bit more than twice their part; crackers fill nobody's
// plate in place of the rest and grow by a quarter at most. What is set by hand or comes whole
// stays.
// Where some guests still find far too much, one whole of several goes.
func (t *table) level() {
	for t.balance(); t.dropWhole(); t.balance() {
	}
}

// heaped is what a group finds of its share from which on a whole of several is left out, if that leaves nobody short.
const heaped = 1.3

// dropWhole leaves out one whole of a food of which there are several, where some group that eats it finds far too
// much; it reports whether it did.
func (t *table) dropWhole() bool {
	found := t.finds()
	for i := range t.foods {
		unit := food.WholeG(t.specs[i])
		if !t.free(i) || unit == 0 || t.parts[i] || t.brief.Plates() || t.grams[i] < 1.9*unit {
			continue
		}
		goes := false
		for g := range t.groups {
			if t.eats[i][g] && t.wants[g] > 0 {
				goes = goes || found[g] > heaped
				if found[g] < 1 {
					goes = false
					break
				}
			}
		}
		if goes {
			t.grams[i] -= unit
			t.said[i] = wholes(math.Round(t.grams[i]/unit), unit)
			return true
		}
	}
	return false
}

// balance is level without what comes whole.
func (t *table) balance() {
	started := append([]float64(nil), t.grams...)
	for range 80 {
		found := t.finds()
		under, over := make([]bool, len(t.groups)), make([]bool, len(t.groups))
		any, most := false, 0.0
		for g := range t.groups {
			if t.wants[g] == 0 || t.groups[g].Count == 0 {
				continue
			}
			under[g], over[g] = found[g] < enough, found[g] > plenty
			any = any || under[g] || over[g]
			most = math.Max(most, found[g])
		}
		if !any {
			return
		}
		for i, c := range t.foods {
			if !t.free(i) || food.WholeG(t.specs[i]) > 0 && !t.brief.Plates() {
				continue
			}
			forUnder, forOver, forAll := false, false, true
			for g := range t.groups {
				forUnder = forUnder || under[g] && t.eats[i][g]
				forOver = forOver || over[g] && t.eats[i][g]
				forAll = forAll && t.eats[i][g]
			}
			step := 1.0
			switch {
			case forUnder && !forAll:
				step = 1.08
			case forUnder:
				step = 1.05
			case forOver:
				step = .95
			}
			top := 2.2
			if c.Food.Category == food.Cracker || tiny(c.Food) {
				top = 1.25
			}
			part := .4
			if c.Food.Category == food.Meat { // those who eat it miss it sooner than the rest
				part = .6
			}
			seen := .6
			if step < 1 && most > heaped {
				part, seen = .75*part, .45
			}
			floor := math.Max(part*started[i], math.Min(started[i], seen*t.seen(i)))
			t.grams[i] = math.Min(top*started[i], math.Max(floor, t.grams[i]*step))
		}
	}
}

// finds is what each group finds over what it wants, if all share what they may eat by their
// appetites. What is set by hand counts for no more than it would be: the others are not to make
// up for what the host wants much of.
func (t *table) finds() []float64 {
	out := make([]float64, len(t.groups))
	for i := range t.foods {
		if !t.shared(i) {
			continue
		}
		grams := t.grams[i]
		if t.foods[i].Grams > 0 {
			grams = math.Min(grams, t.usual[i])
		}
		eaters := 0.0
		for g := range t.groups {
			if t.eats[i][g] {
				eaters += t.part[g]
			}
		}
		for g := range t.groups {
			if t.eats[i][g] && t.wants[g] > 0 && eaters > 0 {
				out[g] += grams * t.foods[i].Food.EatenShare() * t.part[g] / eaters / t.wants[g]
			}
		}
	}
	return out
}

// why says how the amount of a food that is laid in a form comes about.
func (t *table) why(i int, form string) say.Text {
	c := t.foods[i]
	all := 0.0 // of its kind, with what missing kinds gave it
	for j, o := range t.foods {
		if o.Food.Category == c.Food.Category {
			all += t.grams[j]
		}
	}
	says := t.said[i]
	if s, _ := c.Food.Spec(form); t.crowd[i] && t.grams[i] < s.MassG*float64(t.eaters(i))*.999 {
		says = say.Text{} // there was to be one for each, and that would have been too much of it
	}
	if says.IsZero() {
		says = say.That("amount.share", say.Percent(100*t.grams[i]/math.Max(1, all)), say.Group(string(c.Food.Category)), say.Word(portions(t.brief)))
		if t.grams[i] > .995*all {
			says = say.That("amount.all", say.Group(string(c.Food.Category)), say.Word(portions(t.brief)))
		}
	}
	if t.usual[i] > 0 && t.said[i].IsZero() && len(t.groups) > 1 {
		for g := range t.groups {
			if t.grams[i] > 1.15*t.usual[i] && t.eats[i][g] && len(t.groups[g].Avoid) > 0 {
				return say.That("amount.more", say.Grams(t.grams[i]), say.Word(t.groups[g].Who))
			}
		}
	}
	if learnt, because := t.brief.Eats(c.Food.ID); math.Abs(learnt-1) >= told {
		says = says.Then("amount.learnt", say.Word(fmt.Sprintf("%.2g", learnt)))
		for _, s := range because {
			says = says.Also(say.Plain(s))
		}
	}
	return says
}

// told is how far from the usual share something learnt is told of.
const told = .02
