package pick

import (
	"maps"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/theme"
)

// A rule is what every choice keeps before it is weighed what it is worth: what a stylist would not leave out, or not
// lay, whatever the season and the theme.
type rule struct {
	says string
	// applies reports whether the rule holds for a brief, with so many foods of each category on the board.
	applies func(b brief.Brief, have map[food.Category]int) bool
	of      []food.Category // which foods are exchanged for it, each within its own
	// kept reports whether the foods of that category, or all of them, keep it.
	kept func(on []*food.Food) bool
	// helps reports whether a food of the category brings what the rule wants.
	helps func(f *food.Food) bool
}

func some(is func(f *food.Food) bool) func(on []*food.Food) bool {
	return func(on []*food.Food) bool { return slices.ContainsFunc(on, is) }
}

func light(f *food.Food) bool {
	return f.Category == food.Cheese && (f.Firmness == "soft" || f.Firmness == "fresh")
}
func firm(f *food.Food) bool {
	return f.Category == food.Cheese && (f.Firmness == "firm" || f.Firmness == "hard")
}
func bold(f *food.Food) bool {
	_, blue := f.Classic["blue"]
	return f.Category == food.Cheese && (f.Strength >= 4 || blue)
}
func sweetSpread(f *food.Food) bool { return f.Category == food.Dip && food.SweetDip(f) }
func savouryDip(f *food.Food) bool  { return f.Category == food.Dip && !food.SweetDip(f) }

func atLeast(c food.Category, n int) func(b brief.Brief, have map[food.Category]int) bool {
	return func(b brief.Brief, have map[food.Category]int) bool { return b.Course != "sweet" && have[c] >= n }
}

// rulesOfChoice are all there are; what the larder cannot give to the guests of a brief is no rule for them.
var rulesOfChoice = []rule{
	{"three cheeses and more: one soft or fresh", atLeast(food.Cheese, 3), []food.Category{food.Cheese}, some(light), light},
	{"three cheeses and more: one firm or hard", atLeast(food.Cheese, 3), []food.Category{food.Cheese}, some(firm), firm},
	{"four cheeses and more: one blue or strong", func(b brief.Brief, have map[food.Category]int) bool {
		return b.Course != "sweet" && have[food.Cheese] >= 4 && 2*b.Guests.Children < b.Guests.Total() && b.Leaning != "liked"
	}, []food.Category{food.Cheese}, some(bold), bold},
	{"a flat bread or cracker always", atLeast(food.Cracker, 1), []food.Category{food.Cracker}, some((*food.Food).FlatBread), (*food.Food).FlatBread},
	{"no two sweet spreads without a savoury one", atLeast(food.Dip, 2), []food.Category{food.Dip}, func(on []*food.Food) bool {
		n := 0
		for _, f := range on {
			if sweetSpread(f) {
				n++
			}
		}
		return n < 2 || slices.ContainsFunc(on, savouryDip)
	}, savouryDip},
	{"something small that fills the gaps, where no child chokes on it and the host has no colours of their own", func(b brief.Brief, have map[food.Category]int) bool {
		return b.Course != "sweet" && b.Guests.Children+b.Guests.Infants == 0 && have[food.Dried] >= 1 && (b.Theme == nil || len(b.Theme.Palette) == 0)
	}, []food.Category{food.Dried}, some((*food.Food).FillsGaps), (*food.Food).FillsGaps},
	{"a second small one of another size and kind on a larger board", func(b brief.Brief, have map[food.Category]int) bool {
		return b.Course != "sweet" && b.Guests.Children+b.Guests.Infants == 0 && have[food.Dried] >= 1 && have[food.Nut] >= 2 && b.Theme == nil // a theme leads
	}, []food.Category{food.Nut, food.Sweet}, twoSmall, (*food.Food).FillsGaps},
}

// twoSmall reports whether small foods of two kinds fill the gaps, so that one is not strewn all over a board.
func twoSmall(on []*food.Food) bool {
	var kind food.Category
	for _, f := range on {
		switch {
		case !f.FillsGaps():
		case kind == "":
			kind = f.Category
		case f.Category != kind:
			return true
		}
	}
	return false
}

// obey exchanges foods, each time the one by which the choice loses least, until every rule is kept that can be; fixed
// ones stay, and so does what another rule or a group of guests needs, and what plays a role of the core while another can go.
func (f *candidates) obey(b brief.Brief, s *stats, fixed map[int]bool, core []int) {
	for range 2 { // keeping one may break another
		for r := range rulesOfChoice {
			f.keep(b, s, fixed, core, &rulesOfChoice[r])
		}
	}
}

// on lists the foods of a choice, and how many there are of each category.
func (f *candidates) on(s *stats) (foods []*food.Food, have map[food.Category]int) {
	have = map[food.Category]int{}
	for _, i := range s.on {
		foods = append(foods, f.cands[i].food)
		have[f.cands[i].food.Category]++
	}
	return foods, have
}

// doubled reports whether guests would take a food for one that is chosen already.
func (f *candidates) doubled(s *stats, i int) bool {
	return slices.ContainsFunc(f.cands[i].doubles, func(o int) bool { return slices.Contains(s.on, o) })
}

// Broken counts the rules of a choice that some foods break, for a brief.
func Broken(b brief.Brief, foods []*food.Food) (n int) {
	have := map[food.Category]int{}
	for _, f := range foods {
		have[f.Category]++
	}
	for r := range rulesOfChoice {
		if x := &rulesOfChoice[r]; x.applies(b, have) && !x.kept(foods) {
			n++
		}
	}
	return n
}

// broken counts the rules that a choice breaks.
func (f *candidates) broken(b brief.Brief, s *stats) int {
	foods, _ := f.on(s)
	return Broken(b, foods)
}

// keep makes a choice keep one rule, where there is a food that brings what it wants.
func (f *candidates) keep(b brief.Brief, s *stats, fixed map[int]bool, core []int, r *rule) {
	foods, have := f.on(s)
	if !r.applies(b, have) || r.kept(foods) {
		return
	}
	was := f.broken(b, s)
	if f.budget == 0 { // equals take turns here, too, where the money does not decide
		f.varied = 1
		defer func() { f.varied = 0 }()
	}
	f.swapWithin(s, core, exchange{
		leaves: func(i int) bool { return !fixed[i] && slices.Contains(r.of, f.cands[i].food.Category) },
		comes:  func(_, j int) bool { return r.helps(f.cands[j].food) },
		worth: func(_, j int, v float64) float64 {
			if f.cands[j].notNow {
				v += rested
			}
			return v
		},
		holds: func() bool { return f.broken(b, s) < was },
	})
}

// firstChoice is the least that what people expect counts for in a first choice, under a theme.
const firstChoice = .75

// inHaste is what people expect counts for at most where much handwork is saved.
const inHaste = .5

// forTheClassic is how much worth what the host's own colours and foods ask for gives way to what people expect.
const forTheClassic = .4

// cover makes the first choice for a brief cover the core of its size: of each kind as many roles as it has foods, those
// that are expected most first (food.Roles), but for what its theme has no place for. It exchanges what plays no role, or
// one that is played twice. Later choices leave the core by themselves. The roles of the core are returned.
func (f *candidates) cover(b brief.Brief, s *stats, fixed map[int]bool, kinds map[food.Category]int) (core []int) {
	if f.classic < firstChoice {
		return nil
	}
	t := theme.ForBrief(b)
	own := b.Theme != nil && len(b.Theme.Palette)+len(b.Theme.Belongs) > 0 // a theme of the host's own leads
	left, now := maps.Clone(kinds), f.now()
	f.varied = 1
	defer func() { f.varied = 0 }()
	for r, role := range food.Roles {
		if left[role.Category] > 0 && t.Wants(role, now[role.Category]) {
			left[role.Category]--
			core = append(core, r)
		}
	}
	for _, r := range core {
		if s.role[r] > 0 {
			continue
		}
		was := f.broken(b, s)
		f.swap(s, exchange{
			leaves: func(i int) bool {
				c := &f.cands[i]
				alone := c.role >= 0 && s.role[c.role] == 1 && slices.Contains(core, c.role)
				return !fixed[i] && c.food.Category == food.Roles[r].Category && !alone
			},
			comes: func(i, j int) bool {
				return f.cands[j].role == r && !f.cands[j].notNow && !f.dearer(s, i, j)
			},
			worth: func(i, j int, v float64) float64 {
				if own && f.cands[i].awake && !f.cands[j].awake && v < -forTheClassic {
					return math.Inf(-1)
				}
				return v
			},
			holds: func() bool { return f.broken(b, s) <= was },
		})
	}
	return core
}

// now lists the foods that may be chosen and are of the season, by category.
func (f *candidates) now() map[food.Category][]*food.Food {
	out := map[food.Category][]*food.Food{}
	for i := range f.cands {
		if c := &f.cands[i]; !c.notNow {
			out[c.food.Category] = append(out[c.food.Category], c.food)
		}
	}
	return out
}

// played counts the roles of a core that something on the tray plays.
func (f *candidates) played(s *stats, core []int) (n int) {
	for _, r := range core {
		n += min(1, s.role[r])
	}
	return n
}
