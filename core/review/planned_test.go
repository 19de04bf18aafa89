package review_test

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/review"
	"happytray/core/say"
)

// told are the checks of the choice, which the planner makes itself.
var told = []string{"care.heat", "care.rim", "care.child", "care.allergen", "care.stone", "care.garnish", "service.share", "service.kinds", "service.dipper", "service.bite", "service.season", "spread.double", "fit.board"}

// What the planner does unasked the second look does not blame: over 300 briefs of all kinds, none
// of the checks of the choice is found in a plan, and a budget only where the plan says so itself.
func TestThePlannerIsNotContradicted(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 12))
	larder, cabinet := food.BuiltIn(), board.BuiltInCabinet()
	words := [][]string{{"animal"}, {"meat"}, {"pork"}, {"gluten"}, {"milk"}, {"nuts"}, {"rennet", "meat"}, {"alcohol"}, {"egg", "soy"}}
	planned, budgets, briefs := 0, 0, 300
	if testing.Short() {
		briefs = 60
	}
	for n := range briefs {
		b := brief.Brief{Guests: brief.Guests{Adults: 2 + r.IntN(40), Children: r.IntN(3) * r.IntN(5)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)], Choice: n}
		for k := range r.IntN(3) {
			b.Diets = append(b.Diets, brief.Diet{Who: []string{"some", "others"}[k], Count: 1 + r.IntN(max(1, b.Guests.Total()/4)), Avoid: words[r.IntN(len(words))]})
		}
		switch r.IntN(8) {
		case 0:
			heat := 20 + r.Float64()*20
			b.TemperatureC = &heat
		case 1:
			b.Travels = brief.Travels{Yes: true, Minutes: float64(r.IntN(120))}
		case 2:
			b.Course = []string{"sweet", "savoury"}[r.IntN(2)]
		case 3:
			b.Serving = "plates"
		case 4:
			b.Budget = float64(b.Guests.Total()) * (300 + 500*r.Float64())
		case 5:
			b.Theme = &brief.Theme{Name: []string{"harvest", "snow", "tea time", "black and gold"}[r.IntN(4)]}
		}
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			continue
		}
		planned++
		for k, one := range j.Trays {
			for _, f := range review.Judge(one, larder).Findings {
				switch {
				case slices.Contains(told, f.Check):
					t.Errorf("%d, tray %d of %d: %s: %s (%s for %d, %v, %s)", n, k+1, len(j.Trays), f.Check, f.Says, b.For(), b.Guests.Total(), b.Diets, b.Course)
				case f.Check == "service.budget":
					budgets++
					if !slices.ContainsFunc(j.Says, func(s say.Text) bool { return strings.HasPrefix(s.String(), "Over the budget") }) {
						t.Errorf("%d: %s, and the plan says %v", n, f.Says, j.Says)
					}
				}
			}
		}
	}
	if planned < briefs*9/10 {
		t.Errorf("only %d were planned", planned)
	}
	t.Logf("%d budgets are over and said so", budgets)
}
