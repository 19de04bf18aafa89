package pick

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/portion"
)

// likeness is shared foods over all foods of two choices.
func likeness(a, b []string) float64 {
	shared := 0
	for _, id := range a {
		if slices.Contains(b, id) {
			shared++
		}
	}
	return float64(shared) / float64(len(a)+len(b)-shared)
}

// variety is how different choices are: foods used, mean likeness of two, and what is in all.
func variety(picks [][]string) (foods int, mean float64, always []string) {
	on, pairs := map[string]int{}, 0
	for i, p := range picks {
		for _, id := range p {
			on[id]++
		}
		for _, q := range picks[:i] {
			mean += likeness(p, q)
			pairs++
		}
	}
	for id, n := range on {
		if n == len(picks) {
			always = append(always, id)
		}
	}
	return len(on), mean / float64(pairs), always
}

func chosen(t testing.TB, b brief.Brief) []Choice {
	t.Helper()
	c, err := Pick(b, larder, Under{})
	if err != nil {
		t.Fatal(err)
	}
	return c
}

// eighteen are briefs for one number of guests through the year.
func eighteen(guests int, host string) (out []brief.Brief) {
	for _, month := range []int{1, 3, 5, 7, 9, 11} {
		for _, o := range []string{"nibble", "grazing", "meal"} {
			out = append(out, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: month, Occasion: o, Host: host})
		}
	}
	return out
}

// A stylist with twenty jobs does not serve one tray twenty times, and every one of them has
// what people dive into.
func TestChoicesDiffer(t *testing.T) {
	for _, guests := range []int{9, 14, 30} {
		var picks [][]string
		for _, b := range eighteen(guests, "") {
			c := chosen(t, b)
			picks = append(picks, ids(c))
			pleases, liking := 0, 0.0
			for _, x := range c {
				liking += x.Food.Liking / float64(len(c))
				if portion.IsWanted(x.Food) {
					pleases++
				}
			}
			if pleases < 2 || liking < .6 {
				t.Errorf("%s for %d in month %d: %d crowd-pleasers, liking %.2f: %v", b.Occasion, guests, b.Month, pleases, liking, ids(c))
			}
		}
		foods, mean, always := variety(picks)
		if least := map[int]int{9: 110, 14: 130, 30: 140}[guests]; foods < least || mean > .35 || len(always) > 0 {
			t.Errorf("%d guests: %d foods of at least %d, likeness %.2f, always %v", guests, foods, least, mean, always)
		}
	}
	for _, b := range []brief.Brief{{Guests: brief.Guests{Adults: 14}, Month: 11, Occasion: "grazing"}, {Guests: brief.Guests{Adults: 14}, Month: 4, Occasion: "meal"}} {
		var picks [][]string
		for b.Choice = range 10 {
			picks = append(picks, ids(chosen(t, b)))
		}
		if foods, mean, _ := variety(picks); foods < 90 || mean > .42 {
			t.Errorf("ten choices of %v: %d foods, likeness %.2f", b, foods, mean)
		}
	}
}

// Every choice is worth nearly as much as the best: one found without varying, with nothing left
// that a single exchange would better.
func TestEveryChoiceIsCloseToTheBest(t *testing.T) {
	for _, b := range slices.Concat(eighteen(14, ""), eighteen(40, "the rowing club")) {
		kinds := KindsFor(b, Under{})
		for b.Choice = range 4 { // what people expect counts less with each of them
			f := newCandidates(b, larder, Under{}, kinds, portion.Shares(b, portion.WithMeat))
			s := f.empty()
			f.fill(s, kinds, nil)
			f.settle(s, nil)
			f.obey(b, s, nil, f.cover(b, s, nil, kinds)) // the best that keeps the rules
			best := f.worth(s.on)
			var on []int
			for _, id := range ids(chosen(t, b)) {
				on = append(on, f.by[id])
			}
			if got := f.worth(on); got < Close*best-1e-9 {
				t.Errorf("%s in month %d, choice %d: worth %.2f, the best %.2f", b.Occasion, b.Month, b.Choice, got, best)
			}
		}
	}
}

// More guests, a budget or a pin change no more of a choice than they must.
func TestChoicesAreSteady(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 13}, Month: 9, Occasion: "grazing"}
	was := ids(chosen(t, b))
	more := b
	more.Guests.Adults = 15
	if l := likeness(was, ids(chosen(t, more))); l < .9 {
		t.Errorf("two guests more: likeness %.2f", l)
	}
	pinned := b
	pinned.Pins = []brief.Want{{Food: "blue-wedge"}}
	if l := likeness(was, ids(chosen(t, pinned))); l < .6 {
		t.Errorf("a pin: likeness %.2f", l)
	}
}

// What is out of season is not picked where the shelf has something in season, and what guests
// take for the same does not come twice.
func TestUnwishedIsNotPicked(t *testing.T) {
	double := 0
	for _, b := range slices.Concat(eighteen(14, ""), eighteen(24, "x"), eighteen(6, "y"), eighteen(60, "z")) {
		c := chosen(t, b)
		for i, x := range c {
			if x.Food.SeasonIn(b.Month, "") == food.NotNow {
				t.Errorf("%s in month %d: %s is out of season", b.Occasion, b.Month, x.Food.ID)
			}
			for _, y := range c[:i] {
				if NearDoubles(x.Food, y.Food) {
					double++
					t.Logf("%s in month %d: %s beside %s", b.Occasion, b.Month, x.Food.ID, y.Food.ID)
				}
			}
		}
	}
	if double > 0 {
		t.Errorf("%d near-doubles", double)
	}
}

func TestNearDoublesByHand(t *testing.T) {
	get := func(id string) *food.Food { f, _ := larder.Get(id); return f }
	for _, c := range []struct {
		a, b string
		want bool
	}{{"red-grapes", "green-grapes", false}, {"soft-white-round", "young-goat-round", true}, {"raisins", "golden-raisins", true}, {"pepper-sticks", "yellow-pepper", true},
		{"soft-white-round", "blue-wedge", false}, {"charcoal-crackers", "round-crackers", false}, {"rosemary", "thyme", false}, {"almonds", "walnuts", false}, {"apple", "apple", false}} {
		if got := NearDoubles(get(c.a), get(c.b)); got != c.want || NearDoubles(get(c.b), get(c.a)) != got {
			t.Errorf("%s and %s: %v", c.a, c.b, got)
		}
	}
}

// What the host had, and what the house served lately, comes again less, as the house likes it.
func TestItRemembers(t *testing.T) {
	again := func(rule string, part func(ids []string) *brief.Memory) (l float64) {
		for _, b := range eighteen(14, "") {
			before := b
			before.Choice = 5
			b.Had, b.Rules = part(ids(chosen(t, before))), &brief.Rules{Variety: rule}
			l += likeness(ids(chosen(t, before)), ids(chosen(t, b))) / 18
		}
		return l
	}
	last := func(ids []string) *brief.Memory { return &brief.Memory{Last: ids} }
	lately := func(ids []string) *brief.Memory { return &brief.Memory{Lately: ids} }
	none, some, strong := again("none", last), again("some", last), again("strong", last)
	if some > .75*none || strong > .6*some {
		t.Errorf("likeness to the last tray: %.3f with no rule, %.3f with some, %.3f with a strong one", none, some, strong)
	}
	if l := again("strong", lately); l >= none || l <= strong {
		t.Errorf("likeness to jobs of late: %.3f, to none %.3f, to the host's own %.3f", l, none, strong)
	}
}

// What may hold traces of what a guest avoids stays off unless it is asked for, and then it is told.
func TestTracesStayOff(t *testing.T) {
	for _, avoid := range []string{"nuts", "sesame", "gluten", "milk"} {
		for _, b := range eighteen(12, "")[:6] {
			b.Diets = []brief.Diet{{Who: "one", Count: 1, Avoid: []string{avoid}}}
			for _, c := range chosen(t, b) {
				if c.Food.MayHold([]string{avoid}) != "" {
					t.Errorf("%s may contain %s", c.Food.ID, avoid)
				}
			}
		}
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 12}, Diets: []brief.Diet{{Count: 1, Avoid: []string{"nuts"}}}, Pins: []brief.Want{{Food: "raisins"}}}
	for _, c := range chosen(t, b) {
		if c.Food.ID == "raisins" && !strings.Contains(c.Why, "may contain nuts") {
			t.Errorf("asked for, it says %q", c.Why)
		}
	}
}

// A leaning is felt: better liked, more at its best, more that is new.
func TestLeanings(t *testing.T) {
	mean := func(leaning string, of func(c Choice, b brief.Brief) float64) (sum float64) {
		for _, b := range eighteen(14, "") {
			b.Leaning = leaning
			c := chosen(t, b)
			for _, x := range c {
				sum += of(x, b) / float64(len(c)) / 18
			}
		}
		return sum
	}
	liking := func(c Choice, _ brief.Brief) float64 { return c.Food.Liking }
	best := func(c Choice, b brief.Brief) float64 {
		if c.Food.SeasonIn(b.Month, "") == food.AtBest {
			return 1
		}
		return 0
	}
	if a, l, n := mean("", liking), mean("liked", liking), mean("new", liking); l < a+.03 || n > a-.04 {
		t.Errorf("liking %.3f, leaning to it %.3f, to what is new %.3f", a, l, n)
	}
	if a, s := mean("", best), mean("season", best); s < 1.2*a {
		t.Errorf("at its best %.3f, leaning to it %.3f", a, s)
	}
}

// Guests take dark and golden raisins for the same.
func ExampleNearDoubles() {
	dark, _ := food.BuiltIn().Get("raisins")
	golden, _ := food.BuiltIn().Get("golden-raisins")
	fmt.Println(NearDoubles(dark, golden))
	// Output: true
}
