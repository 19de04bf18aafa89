package practice

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/say"
)

var (
	larder  = food.BuiltIn()
	cabinet = board.BuiltInCabinet()
)

func made(tb testing.TB, kind string, seed uint64, level int) *Exercise {
	tb.Helper()
	e, err := Make(kind, seed, level, larder, cabinet)
	if err != nil {
		tb.Fatal(err)
	}
	return e
}

// Every kind at every level: the same for a seed, another for another, with rules of the path, and no choice twice.
func TestExercises(t *testing.T) {
	rules := map[string]Rule{}
	for _, r := range Path() {
		rules[r.ID] = r
	}
	seeds := plantest.Cases(4)
	for _, kind := range Kinds {
		differ := 0
		for level := 1; level <= MostLevel; level++ {
			for seed := range uint64(seeds) {
				e := made(t, kind, seed, level)
				one, _ := json.Marshal(e)
				two, _ := json.Marshal(made(t, kind, seed, level))
				if string(one) != string(two) {
					t.Fatalf("%s %d %d differs from itself", kind, seed, level)
				}
				other := made(t, kind, seed+100, level)
				other.Seed = seed
				if raw, _ := json.Marshal(other); string(raw) != string(one) {
					differ++
				}
				if len(e.Rules) == 0 || e.Asks.String() == "" || strings.Contains(e.Asks.String(), "{") {
					t.Errorf("%s %d %d: rules %v, asks %q", kind, seed, level, e.Rules, e.Asks)
				}
				for _, r := range e.Rules {
					if rules[r].ID == "" {
						t.Errorf("%s: %s is no rule of the path", kind, r)
					}
				}
				seen := map[string]bool{}
				for _, c := range e.Choices {
					if seen[c.ID] || c.Says.String() == "" {
						t.Errorf("%s %d %d: choice %q, twice or without words", kind, seed, level, c.ID)
					}
					seen[c.ID] = true
				}
				for _, id := range append(slices.Clone(e.Solution.Right), e.Solution.Order...) {
					if !seen[id] {
						t.Errorf("%s %d %d: %s is right and no choice", kind, seed, level, id)
					}
				}
				if n := len(e.Solution.Right); e.Pick > 0 && n != e.Pick || n > 0 && n == len(e.Choices) && kind != "keep" {
					t.Errorf("%s %d %d: %d of %d are right, %d said", kind, seed, level, n, len(e.Choices), e.Pick)
				}
				for _, b := range e.Solution.Because {
					if strings.ContainsAny(b.Says.String(), "{}") || b.Says.String() == "" {
						t.Errorf("%s %d %d: %q", kind, seed, level, b.Says)
					}
				}
			}
		}
		if all := seeds * MostLevel; differ < all-all/12 { // one of twelve may come out alike
			t.Errorf("%s: %d of %d seeds give another exercise", kind, differ, seeds*MostLevel)
		}
	}
}

// The path: sixty rules, each under a heading of docs/craft.md's, trained by kinds that there are, checks that there are, each by one rule.
func TestPath(t *testing.T) {
	checks, ids := map[string]string{}, map[string]bool{}
	there := review.CheckIDs()
	for _, r := range Path() {
		if ids[r.ID] || r.Stage < 1 || r.Stage > 6 || r.Says == "" || r.Why == "" || len(r.Kinds) == 0 || !strings.HasSuffix(r.Says, ".") || !strings.HasSuffix(r.Why, ".") {
			t.Errorf("%+v", r)
		}
		ids[r.ID] = true
		for _, k := range r.Kinds {
			if !slices.Contains(Kinds, k) {
				t.Errorf("%s is trained by %s", r.ID, k)
			}
		}
		for _, c := range r.Checks {
			if checks[c] != "" {
				t.Errorf("%s is looked after by %s and %s", c, checks[c], r.ID)
			}
			checks[c] = r.ID
			if !slices.Contains(there, c) {
				t.Errorf("%s: no check %s", r.ID, c)
			}
		}
	}
	// each kind that a rule names can grade it: it is planted, or some seed asks for it
	for n, r := range Path() {
		for _, k := range r.Kinds {
			if k == "find" {
				if !slices.ContainsFunc(planters, func(p planter) bool { return ruleOf(p.check) == r.ID }) {
					t.Errorf("%s: nothing of it is planted", r.ID)
				}
				continue
			}
			asked := false
			for seed := range uint64(40) {
				if k == "why" {
					seed = uint64(n)
				}
				asked = asked || slices.Contains(made(t, k, seed, 1+int(seed)%MostLevel).Rules, r.ID) || slices.Contains(made(t, k, seed, MostLevel).Rules, r.ID)
				if asked {
					break
				}
			}
			if !asked {
				t.Errorf("%s: no exercise of the kind %s is about it", r.ID, k)
			}
		}
		if !slices.Contains(r.Kinds, "why") {
			t.Errorf("the reason of %s is not asked", r.ID)
		}
	}
	if len(ids) < 55 {
		t.Errorf("%d rules", len(ids))
	}
	for _, p := range planters {
		if ruleOf(p.check) == p.check {
			t.Errorf("%s is planted and no rule is about it", p.check)
		}
	}
}

// What is planted, and nothing else, is what the review finds; and where it says that nothing stands in another's place, an eye of
// its own finds that, too.
func TestPlantedIsFound(t *testing.T) {
	kinds := map[string]int{}
	for level := 1; level <= MostLevel; level++ {
		for seed := range uint64(5) {
			e := made(t, "find", seed, level)
			rev := review.Judge(e.Tray, larder)
			if len(e.Solution.Faults) != level || len(rev.Findings) != level {
				t.Fatalf("%d %d: %d planted, %d found", seed, level, len(e.Solution.Faults), len(rev.Findings))
			}
			checks := map[string]bool{}
			for k, f := range e.Solution.Faults {
				if checks[f.Check] || f.Check != rev.Findings[k].Check || f.Says.String() == "" {
					t.Errorf("%d %d: %+v", seed, level, f)
				}
				checks[f.Check] = true
				kinds[f.Check]++
				for _, id := range f.Elements {
					if e.Tray.Find(id) < 0 {
						t.Errorf("%s is no element", id)
					}
				}
			}
			outside := false
			for i := range e.Tray.Elements {
				el := &e.Tray.Elements[i]
				for _, p := range el.Pieces {
					for _, q := range p.Outline {
						outside = outside || el.Kind() != food.KindGarnish && !e.Tray.Board.FoodZone.Contains(q) && e.Tray.Board.FoodZone.EdgeDistance(q) > 1
					}
				}
			}
			if outside != checks["fit.inside"] {
				t.Errorf("%d %d: over the edge %v, planted %v", seed, level, outside, checks["fit.inside"])
			}
			for _, id := range e.Tray.Foods() { // an entry is broken where that was planted and nowhere else
				f, _ := larder.Get(id)
				if v, _ := diet.Avoiding(e.Tray.Brief.Avoided(), f); v == diet.Avoided && !checks["care.allergen"] {
					t.Errorf("%d %d: %s is avoided, and nobody planted it", seed, level, id)
				}
			}
		}
	}
	t.Logf("%d kinds of faults: %v", len(kinds), kinds)
	if len(kinds) < 8 {
		t.Errorf("only %d kinds of faults were planted: %v", len(kinds), kinds)
	}
}

// The right answer has all points, no answer none, and a false alarm costs.
func TestMarks(t *testing.T) {
	for _, kind := range Kinds {
		for seed := range uint64(3) {
			e := made(t, kind, seed, 3)
			a := Answer{Chosen: e.Solution.Right, Order: e.Solution.Order, Guesses: map[string]Range{}}
			for _, f := range e.Solution.Faults {
				a.Taps = append(a.Taps, spot(e, f))
			}
			for _, v := range e.Solution.Values {
				a.Guesses[v.ID] = Range{math.Max(.5, v.Is), math.Max(.5, v.Is)}
			}
			if e.Solution.Laid != nil {
				a.Laid = filed(t, e.Solution.Laid)
			}
			m, err := e.Mark(a)
			if err != nil || m.Points < 99.9 {
				t.Errorf("%s %d: the right answer has %v points, %v: %+v", kind, seed, m.Points, err, m)
			}
			for _, r := range e.Rules {
				if g, met := m.Grades[r]; g != 4 && kind != "amount" && (met || kind != "lay") { // what no board of the two has is not graded
					t.Errorf("%s %d: %s is graded %d", kind, seed, r, m.Grades[r])
				}
			}
			if kind == "find" {
				corner := e.Tray.Board.Outline.Bounds().Min.Sub(geom.Pt(200, 200))
				worse, err := e.Mark(Answer{Taps: append(slices.Clone(a.Taps), corner)})
				if err != nil || worse.Points >= m.Points || len(worse.Alarms) != 1 {
					t.Errorf("a false alarm costs nothing: %v, %v", worse.Points, err)
				}
			}
			if kind == "lay" {
				continue // TestLayIt
			}
			if kind == "order" || kind == "save" {
				back := slices.Clone(e.Solution.Order)
				slices.Reverse(back)
				if worse, err := e.Mark(Answer{Order: back}); err != nil || worse.Points > 1 || len(worse.Wrong) == 0 {
					t.Errorf("backwards has %v points, %v", worse.Points, err)
				}
				continue // it wants every work
			}
			if none, err := e.Mark(Answer{}); err != nil || none.Points > 0 {
				t.Errorf("%s %d: no answer has %v points, %v", kind, seed, none.Points, err)
			}
		}
	}
}

// spot is where somebody taps who knows the fault.
func spot(e *Exercise, f Fault) geom.Point {
	for _, id := range f.Elements {
		el := &e.Tray.Elements[e.Tray.Find(id)]
		for n := range el.Pieces {
			if at := el.Pieces[n].Outline.Centroid(); under(e.Tray, at) == id {
				return at
			}
		}
	}
	return f.At
}

// Nobody gains by saying a wider or a narrower range than they believe in: for guesses that scatter about the truth, the range that
// holds it four times in five loses least.
func TestTheRangeOneBelievesInLosesLeast(t *testing.T) {
	e := &Exercise{Kind: "amount", Rules: []string{"shares"}, Solution: &Solution{Values: []Value{{ID: "cheese", Is: 1000}}}}
	lost := func(z float64) (sum float64) {
		r := rand.New(rand.NewPCG(3, 3))
		for range 4000 {
			middle := math.Log(1000) + .2*r.NormFloat64()
			m, err := e.Mark(Answer{Guesses: map[string]Range{"cheese": {math.Exp(middle - .2*z), math.Exp(middle + .2*z)}}})
			if err != nil {
				t.Fatal(err)
			}
			sum += m.Loss / 4000
		}
		return sum
	}
	const right = 1.2816 // of a normal, 80 % lie within
	for _, other := range []float64{.6, 2.2} {
		if lost(right) >= lost(other) {
			t.Errorf("a range of %v sigma loses %.3f, one of %v %.3f", right, lost(right), other, lost(other))
		}
	}
}

// guesser answers as somebody would who knows so much, 0 to 1: of what is asked that part is known and the rest is guessed.
func guesser(e *Exercise, knows float64, r *rand.Rand) Answer {
	a := Answer{Guesses: map[string]Range{}}
	for _, f := range e.Solution.Faults {
		if r.Float64() < knows {
			a.Taps = append(a.Taps, spot(e, f))
		} else if k := r.IntN(len(e.Tray.Elements)); len(e.Tray.Elements[k].Pieces) > 0 {
			a.Taps = append(a.Taps, e.Tray.Elements[k].Pieces[0].At)
		}
	}
	pick := max(1, len(e.Solution.Right))
	for _, id := range e.Solution.Right {
		if r.Float64() < knows {
			a.Chosen = append(a.Chosen, id)
		}
	}
	for _, k := range r.Perm(len(e.Choices)) {
		if id := e.Choices[k].ID; len(a.Chosen) < pick && !slices.Contains(a.Chosen, id) {
			a.Chosen = append(a.Chosen, id)
		}
	}
	// what is known stands in its order, the rest anywhere among it
	var unknown []string
	for _, id := range e.Solution.Order {
		if r.Float64() < knows {
			a.Order = append(a.Order, id)
		} else {
			unknown = append(unknown, id)
		}
	}
	for _, id := range unknown {
		a.Order = slices.Insert(a.Order, r.IntN(len(a.Order)+1), id)
	}
	for _, v := range e.Solution.Values {
		off := (1.1 - knows) * .5
		middle := math.Log(math.Max(1, v.Is)) + off*r.NormFloat64()
		a.Guesses[v.ID] = Range{math.Exp(middle - 1.28*off), math.Exp(middle + 1.28*off)}
	}
	return a
}

// Over guessers who know a part, who knows more has more points, and to find or to choose is harder at the high levels for who knows little.
func TestDifficultyIsMeasured(t *testing.T) {
	if testing.Short() {
		t.Skip("plays many guessers")
	}
	points := func(kind string, level int, knows float64) (mean float64) {
		r := rand.New(rand.NewPCG(9, 1))
		const seeds, each = 6, 12
		for seed := range uint64(seeds) {
			e := made(t, kind, seed, level)
			for range each {
				m, err := e.Mark(guesser(e, knows, r))
				if err != nil {
					t.Fatal(err)
				}
				mean += m.Points / seeds / each
			}
		}
		return mean
	}
	for _, kind := range Kinds {
		if kind == "lay" {
			continue // nobody guesses where things go
		}
		little, much := points(kind, 3, .2), points(kind, 3, .9)
		if much <= little+5 {
			t.Errorf("%s: who knows much has %.0f points, who knows little %.0f", kind, much, little)
		}
		easy, hard := points(kind, 1, .3), points(kind, MostLevel, .3)
		t.Logf("%s: %.0f with little, %.0f with much; %.0f at level 1, %.0f at level %d", kind, little, much, easy, hard, MostLevel)
		if slices.Contains([]string{"pair", "tool", "season", "keep", "order"}, kind) && hard >= easy {
			t.Errorf("%s: %.0f points at level 1 and %.0f at level %d", kind, easy, hard, MostLevel)
		}
	}
}

// Answers that are none are told so, and none is taken for another's.
func TestBadAnswers(t *testing.T) {
	find, pair, order, amount := made(t, "find", 1, 2), made(t, "pair", 1, 2), made(t, "order", 1, 2), made(t, "amount", 1, 2)
	for _, c := range []struct {
		e *Exercise
		a Answer
	}{
		{find, Answer{Taps: make([]geom.Point, 10_000)}},
		{find, Answer{Taps: []geom.Point{{X: math.NaN()}}}},
		{pair, Answer{Chosen: []string{"of another exercise"}}},
		{pair, Answer{Chosen: make([]string, 500)}},
		{order, Answer{Order: order.Solution.Order[1:]}},
		{order, Answer{Order: append(slices.Clone(order.Solution.Order[1:]), order.Solution.Order[1])}},
		{amount, Answer{Guesses: map[string]Range{"cheese": {Low: 5, High: 3}}}},
		{amount, Answer{Guesses: map[string]Range{"cheese": {Low: -1, High: 3}}}},
		{amount, Answer{Guesses: map[string]Range{"cheese": {Low: 1, High: math.Inf(1)}}}},
	} {
		if m, err := c.e.Mark(c.a); err == nil {
			t.Errorf("%s: %+v has %v points", c.e.Kind, c.a, m.Points)
		}
	}
	for _, c := range []struct {
		kind  string
		level int
	}{{"", 1}, {"dance", 1}, {"find", 0}, {"find", 7}} {
		if _, err := Make(c.kind, 1, c.level, larder, cabinet); err == nil {
			t.Errorf("%q at level %d is made", c.kind, c.level)
		}
	}
}

// An exercise of diet never calls fine what holds, or may hold, what is avoided.
func TestFineIsFine(t *testing.T) {
	for seed := range uint64(60) {
		e := made(t, "diet", seed, 1+int(seed%MostLevel))
		words := e.Brief.Diets[0].Avoid
		for _, id := range e.Solution.Right {
			if f, _ := larder.Get(id); !diet.CanEat(words, f) || f.MayHold(words) != "" || f.Breaks(words) != "" {
				t.Errorf("%d: %s for one who avoids %v", seed, id, words)
			}
		}
		if len(e.Solution.Right) == 0 || len(e.Solution.Right) == len(e.Choices) {
			t.Errorf("%d: %d of %d are right", seed, len(e.Solution.Right), len(e.Choices))
		}
	}
}

func TestSaidInUnits(t *testing.T) {
	e := made(t, "board", 2, 2)
	in := say.In(e, say.Units{Inches: true})
	if reflect.DeepEqual(in.Choices, e.Choices) || !strings.Contains(in.Choices[0].Says.String(), "in") {
		t.Errorf("%v in inches: %v", e.Choices, in.Choices)
	}
}

func BenchmarkExercise(b *testing.B) {
	for _, kind := range Kinds {
		for _, level := range []int{1, 3, MostLevel} {
			b.Run(fmt.Sprintf("%s/%d", kind, level), func(b *testing.B) {
				longest := time.Duration(0)
				for n := range b.N {
					began := time.Now()
					made(b, kind, uint64(n%40), level)
					longest = max(longest, time.Since(began))
				}
				b.ReportMetric(float64(longest.Milliseconds()), "ms-at-most")
			})
		}
	}
}

// Nobody's meat is reckoned for those who eat none; their share lies in cheese and the rest, and the whole table's portions add up.
func TestMeatlessGuestsInAmounts(t *testing.T) {
	all := brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing"}
	some := all
	some.Diets = []brief.Diet{{Who: "some", Count: 4, Avoid: []string{"meat"}}}
	with, without := tableShares(all), tableShares(some)
	if math.Abs(with[food.Meat]-12*50) > 1e-9 || math.Abs(without[food.Meat]-8*50) > 1e-9 || math.Abs(without[food.Cheese]-(12*60+4*25)) > 1e-9 {
		t.Errorf("meat %v and %v, cheese %v", with[food.Meat], without[food.Meat], without[food.Cheese])
	}
	for seed := range uint64(plantest.Cases(40)) {
		e := made(t, "amount", seed, 6)
		for _, v := range e.Solution.Values {
			if v.ID == "bowls" && (v.Is < 0 || v.Is > 12) || v.Is < 0 {
				t.Errorf("%d: %+v", seed, v)
			}
		}
	}
}

// What guests may as well take with another tool is never asked against it; that a board is seen from the front is said of those alone.
func TestNobodyQuarrels(t *testing.T) {
	for seed := range uint64(60) {
		e := made(t, "tool", seed, 1+int(seed%MostLevel))
		for _, c := range e.Choices {
			if c.ID != e.Solution.Right[0] && alikeTools(c.ID, e.Solution.Right[0]) {
				t.Errorf("%d: %s or %s", seed, c.ID, e.Solution.Right[0])
			}
		}
		f := made(t, "find", seed, 1)
		if strings.Contains(f.Asks.String(), "from the front") != (f.Tray.Board.Front == "bottom") {
			t.Errorf("%d: %q of a board with the front %q", seed, f.Asks, f.Tray.Board.Front)
		}
	}
}
