package practice

import (
	"math"
	"math/rand/v2"
	"reflect"
	"slices"

	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/say"
	"happytray/core/tray"
)

// planter makes one fault on a tray: a copy of it with the fault, or nil where it cannot be made there.
type planter struct {
	check string // of the review, that is to find it
	level int    // from which on it is planted: the plain ones first
	plant func(m *maker, t *tray.Tray) *tray.Tray
}

// planters are the kinds of faults, the plainest first.
var planters = []planter{
	{"fit.inside", 1, (*maker).overTheEdge},
	{"fit.gap", 1, (*maker).bare},
	{"care.allergen", 1, (*maker).avoided},
	{"fit.overlap", 1, (*maker).intoEachOther},
	{"care.ground", 2, (*maker).unlined},
	{"care.stone", 2, (*maker).stones},
	{"care.child", 2, (*maker).chokes},
	{"care.heat", 2, (*maker).tooHot},
	{"service.started", 2, (*maker).unbegun},
	{"care.wetdry", 2, (*maker).wetByCrisp},
	{"spread.kind", 3, (*maker).clumped},
	{"care.roll", 3, (*maker).rolls},
	{"care.allergen", 3, (*maker).mayHold},
	{"service.cutroom", 3, (*maker).noRoomToCut},
	{"service.reach", 3, (*maker).outOfReach},
	{"service.season", 3, (*maker).outOfSeason},
	{"colour.neighbour", 4, (*maker).likeColours},
	{"height.sight", 4, (*maker).tallBefore},
	{"flow.follow", 4, (*maker).across},
	{"flow.curve", 4, (*maker).stuttering},
	{"pairs.apart", 5, (*maker).spoiling},
}

// rounds is how often all trays are gone through until one takes as many faults as are wanted.
const rounds = 3

// find plants faults on a tray that has none, as many as the level: planted and nothing else is what the review finds. Where no
// tray takes so many, as many as one does.
func (m *maker) find() *Exercise {
	all := bases()
	var most *tray.Tray
	n := 0
	for range rounds {
		for _, k := range m.r.Perm(len(all)) {
			if t, planted := m.planted(all[k].Clone()); planted > n {
				if most, n = t, planted; n == m.level {
					return m.toFind(most)
				}
			}
		}
	}
	return m.toFind(most)
}

// planted plants faults on a tray, up to as many as the level.
func (m *maker) planted(t *tray.Tray) (*tray.Tray, int) {
	var planted []Fault
	look := looking{of: t, larder: m.larder}
	has := map[string]bool{}
	for _, p := range shuffled(m.r, planters) {
		if len(planted) == m.level {
			break
		}
		if p.level > m.level || has[p.check] { // one of each check, so that no finding is said for several
			continue
		}
		if now, f, ok := m.tried(&look, p, planted); ok {
			t, has[p.check] = now, true
			planted = append(planted, f)
			look = looking{of: t, larder: m.larder}
		}
	}
	return t, len(planted)
}

// toFind is the exercise of a tray with faults.
func (m *maker) toFind(t *tray.Tray) *Exercise {
	e := &Exercise{Tray: t, Brief: &t.Brief, Solution: &Solution{Because: []Because{}}}
	e.File = &job.Job{Title: "Find what is wrong", Brief: t.Brief, Trays: []*tray.Tray{t}}
	rules := map[string]bool{}
	for _, f := range found(t, m.larder) { // where they lie now that all are planted
		e.Solution.Faults = append(e.Solution.Faults, f)
		if !rules[f.Rule] {
			rules[f.Rule] = true
			e.Rules = append(e.Rules, f.Rule)
		}
	}
	e.Asks = m.told(say.That("practice.find", say.N(len(e.Solution.Faults))), t)
	return e
}

// told says what cannot be seen on a board: who comes and what it is made of.
func (m *maker) told(asks say.Text, t *tray.Tray) say.Text {
	if t.Brief.Guests.Children > 0 {
		asks = asks.Then("practice.find.children", say.N(t.Brief.Guests.Children))
	}
	for _, w := range t.Brief.Avoided() {
		asks = asks.Then("practice.find.diet", say.Word(diet.Says(w)))
	}
	if fronted(t) {
		asks = asks.Then("practice.find.front")
	}
	if len(t.Board.Access) == 1 {
		asks = asks.Then("practice.find.access", say.Word(sides[t.Board.Access[0]]))
	}
	if t.Brief.TemperatureC != nil {
		asks = asks.Then("practice.find.warm", say.Celsius(*t.Brief.TemperatureC))
	}
	if t.Rules.FirstSlice == "left" {
		asks = asks.Then("practice.find.whole")
	}
	for _, w := range t.Brief.Pins {
		if f, ok := m.larder.Get(w.Food); ok {
			asks = asks.Then("practice.find.asked", say.Word(months[t.Brief.Month]), say.Food(f.Name))
		}
	}
	return asks.Then("practice.find.board", say.Word(t.Board.Name))
}

// sides are the sides of a board as whoever looks at its picture calls them.
var sides = map[string]string{"top": "upper side", "bottom": "lower side", "left": "left", "right": "right"}

// fronted reports whether a board is seen from the front; of others nothing stands before.
func fronted(t *tray.Tray) bool { return t.Board.Front == "bottom" }

// triesEach is how often a fault is tried on a tray before another kind is taken.
const triesEach = 2

// tried plants a fault where the review then finds that and nothing else besides what was planted before.
func (m *maker) tried(look *looking, p planter, before []Fault) (*tray.Tray, Fault, bool) {
	for range triesEach {
		now := p.plant(m, look.of)
		if now == nil {
			return nil, Fault{}, false
		}
		got := look.at(now)
		if len(got) != len(before)+1 {
			continue
		}
		at := slices.IndexFunc(got, func(f Fault) bool { return f.Check == p.check })
		same := at >= 0
		for _, f := range before {
			same = same && slices.ContainsFunc(got, func(g Fault) bool { return g.Check == f.Check })
		}
		if same {
			return now, got[at], true
		}
	}
	return nil, Fault{}, false
}

// found is what the review finds on a tray, as faults.
func found(t *tray.Tray, larder *food.Larder) []Fault { return faultsOf(t, review.Judge(t, larder)) }

// looking finds faults on trays that differ from one in a few things: what is the same is looked at once.
type looking struct {
	of     *tray.Tray
	larder *food.Larder
	live   *review.Live
}

// at is what the review finds on a tray.
func (l *looking) at(t *tray.Tray) []Fault {
	if t.Board != l.of.Board || len(t.Elements) != len(l.of.Elements) || !reflect.DeepEqual(t.Brief, l.of.Brief) || !reflect.DeepEqual(t.Rules, l.of.Rules) {
		return found(t, l.larder)
	}
	if l.live == nil {
		l.live = review.NewLive(l.of, l.larder)
	}
	var other []int
	for i := range t.Elements {
		if e, was := &t.Elements[i], &l.of.Elements[i]; !e.Alike(was) || e.Colour != was.Colour || e.Wetness != was.Wetness || e.Layer != was.Layer {
			other = append(other, i)
			l.live.Set(i, *e)
		}
	}
	out := faultsOf(t, l.live.Review())
	for _, i := range other {
		l.live.Set(i, l.of.Elements[i])
	}
	return out
}

// faultsOf are the findings of a review as faults.
func faultsOf(t *tray.Tray, rev review.Review) (out []Fault) {
	for _, f := range rev.Findings {
		elements := f.Elements
		if elements == nil {
			elements = []string{}
		}
		says := say.Of(f.Sentence)
		if n := len(f.Places) - 1; n > 0 { // a tap on any of them is one on it
			says = says.Then("practice.find.more", say.N(n))
		}
		out = append(out, Fault{Check: f.Check, Rule: ruleOf(f.Check), Elements: elements, At: shownAt(t, f), Says: says})
	}
	return out
}

// shownAt is where a finding is ringed: on a piece of what it is about, the one that hangs over where it is about that.
func shownAt(t *tray.Tray, f review.Finding) geom.Point {
	if len(f.Elements) == 0 {
		return f.At
	}
	e := &t.Elements[t.Find(f.Elements[0])]
	at, best := f.At, math.Inf(1)
	for n := range e.Pieces {
		p := &e.Pieces[n]
		d := p.At.Dist(f.At)
		if f.Check == "fit.inside" {
			if d = t.Board.FoodZone.EdgeDistance(p.At); !t.Board.FoodZone.Contains(p.At) {
				d = -d
			}
		}
		if d < best {
			at, best = p.At, d
		}
	}
	return at
}

// lying are the elements of a tray in another order, those that of answers for.
func (m *maker) lying(t *tray.Tray, of func(i int, e *tray.Element, f *food.Food) bool) (out []int) {
	for i := range t.Elements {
		e := &t.Elements[i]
		if f, ok := m.larder.Get(e.Food); ok && e.Placed && len(e.Pieces) > 0 && of(i, e, f) {
			out = append(out, i)
		}
	}
	return shuffled(m.r, out)
}

// exchanged is a tray on which another food lies in the place of an element, piece for piece: in its bowl, or in pieces that
// are about as large. nil where it has no such form.
func (m *maker) exchanged(t *tray.Tray, i int, f *food.Food) *tray.Tray {
	c := t.Clone()
	e := &c.Elements[i]
	old, _ := m.larder.Get(e.Food)
	was, _ := old.Spec(e.Form)
	var spec food.Spec
	ok := false
	for _, s := range f.Forms {
		kind := food.FormByID(s.Form).Kind()
		switch {
		case e.Vessel != "":
			ok = food.InVessel(s.Form) && s.Shape == "vessel"
		case food.Has(s.Form, food.OnFood) || kind != e.Kind():
		case kind == food.KindLoose || kind == food.KindGarnish:
			ok = s.AreaMM2() < 1.25*was.AreaMM2() && s.AreaMM2() > .7*was.AreaMM2()
		}
		if ok {
			spec = s
			break
		}
	}
	if !ok {
		return nil
	}
	e.Food, e.Form, e.Category, e.Wetness = f.ID, spec.Form, f.Category, f.Wetness
	e.Colour = f.SurfaceColour(spec)
	e.Grams = spec.MassG * float64(e.Count)
	if e.Vessel != "" {
		e.Count = 1
		e.Pieces = e.Pieces[:1]
		e.Pieces[0].Colour = e.Colour
		return c
	}
	for n := range e.Pieces {
		p := &e.Pieces[n]
		p.Variant %= food.Variants
		pose := geom.Pose{X: p.At.X, Y: p.At.Y, Turn: p.TurnDeg}
		p.Outline, p.HeightMM, p.Colour = pose.ApplyAll(spec.Outline(f.ID, p.Variant)).Round(), spec.H, e.Colour
	}
	return m.clear(c, i)
}

// leastLeft is how much of a heap must lie when what stands in others was taken out.
const leastLeft = .75

// clear takes those pieces out of a heap that hang over the edge or stand in others; nil where too little is left.
func (m *maker) clear(c *tray.Tray, i int) *tray.Tray {
	l := pack.NewLayout(pack.NewProblem(c, m.larder), c)
	for k := range c.Elements {
		if k != i && c.Elements[k].Placed {
			l.AddElement(k)
		}
	}
	e := &c.Elements[i]
	all := len(e.Pieces)
	e.Pieces = slices.DeleteFunc(e.Pieces, func(p tray.Piece) bool {
		b := geom.NewBody(p.Outline)
		return e.Kind() != food.KindGarnish && (!l.Zone.Holds(&b) || l.Stands(i, &b, 0))
	})
	if float64(len(e.Pieces)) < leastLeft*float64(all) {
		return nil
	}
	e.Grams *= float64(len(e.Pieces)) / float64(all)
	e.Count = len(e.Pieces)
	return c
}

// others are foods of the larder in another order.
func (m *maker) others(of func(f *food.Food) bool) []*food.Food {
	var out []*food.Food
	for _, id := range m.larder.IDs() {
		if f, ok := m.larder.Get(id); ok && f.Like == "" && of(f) {
			out = append(out, f)
		}
	}
	return shuffled(m.r, out)
}

// exchangedFor puts one of some foods in the place of one of some elements, where the pieces allow it.
func (m *maker) exchangedFor(t *tray.Tray, places []int, foods []*food.Food) *tray.Tray {
	for _, i := range places[:min(3, len(places))] {
		for _, f := range foods {
			if slices.Contains(t.Foods(), f.ID) {
				continue
			}
			if c := m.exchanged(t, i, f); c != nil {
				return c
			}
		}
	}
	return nil
}

func loose(_ int, e *tray.Element, _ *food.Food) bool {
	return e.Vessel == "" && e.Kind() == food.KindLoose && !food.Has(e.Form, food.OnFood)
}

// pick is one of a list; ok is false where it is empty.
func pick[T any](r *rand.Rand, of []T) (one T, ok bool) {
	if len(of) == 0 {
		return one, false
	}
	return of[r.IntN(len(of))], true
}
