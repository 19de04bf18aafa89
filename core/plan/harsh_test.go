package plan_test

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/say"
)

// Where it is hot, or the road is long, nothing that melts, weeps or runs lies open unasked; what is
// asked for by name lies in a form that keeps, where it has one; and boards have a rim first.
func TestHeatAndRoad(t *testing.T) {
	r := rand.New(rand.NewPCG(11, 3))
	hot, rimmed, asked := 36.0, 0, 0
	for n := range 90 {
		b := dietBrief(r)
		b.Guests.Adults = 4 + n%12 // few enough for the rimmed boards of the house
		switch n % 3 {
		case 0:
			b.TemperatureC = &hot
		case 1:
			b.Travels = brief.Travels{Yes: true, Minutes: 45}
		case 2:
			b.Travels = brief.Travels{Yes: true, Minutes: 90}
			b.Pins = []brief.Want{{Food: "cucumber"}, {Food: "dark-chocolate"}}
		}
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		for _, one := range j.Trays {
			for _, e := range one.Elements {
				f, _ := larder.Get(e.Food)
				says := diet.TableOf(one.Brief).Suffers(f, e.Form)
				if pinned := slices.ContainsFunc(b.Pins, func(w brief.Want) bool { return w.Food == f.ID }); pinned {
					asked++
					if v, _ := (diet.Table{WarmthC: one.Brief.Warmth(), RoadMin: one.Brief.Travels.Minutes}).For(f); (says != "") != (v == diet.DoesNotKeep) {
						t.Errorf("%d: %s was asked for and lies as %s, which %s", n, f.ID, e.Form, says)
					}
				} else if says != "" {
					t.Errorf("%d: %s lies open as %s and %s", n, f.ID, e.Form, says)
				}
				if f.Wetness == food.Juicy && e.Vessel == "" && b.Pins == nil {
					t.Errorf("%d: juicy %s as %s lies open", n, f.ID, e.Form)
				}
			}
			if b.Travels.Yes && one.Board.RimMM > 0 {
				rimmed++
			}
			if b.Travels.Yes && one.Board.RimMM == 0 && !slices.ContainsFunc(j.Says, func(s say.Text) bool { return strings.HasPrefix(s.String(), "On the road") }) {
				t.Errorf("%d: %s has no rim, and nobody is told: %v", n, one.Board.ID, j.Says)
			}
		}
	}
	if rimmed < 40 || asked < 30 {
		t.Errorf("%d rimmed boards, %d foods asked for", rimmed, asked)
	}
}

// Where children come, what can choke is cut open or left out; where they are most of the guests
// nothing is on picks, and no nuts, seeds or honey come.
func TestChildrenAreMinded(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 9))
	halves, planned := 0, 0
	for n := range 60 {
		b := dietBrief(r)
		b.Guests.Children = 1 + r.IntN(8)
		if n%2 == 0 {
			b.Guests.Adults, b.Guests.Children, b.Diets = 3, 9, b.Diets[:1]
			b.Diets[0].Count = 2
		}
		b.Choice = n
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			continue
		}
		planned++
		for _, one := range j.Trays {
			for _, e := range one.Elements {
				f, _ := larder.Get(e.Food)
				if f.ChokesAs(e.Form) {
					t.Errorf("%d: %s as %s before children", n, f.ID, e.Form)
				}
				if e.Form == "halves" && f.Choking {
					halves++
				}
				if b.MostlyYoung() && (f.Category == food.Nut || f.ID == "honey" || e.Form == "skewer") {
					t.Errorf("%d: %s as %s at a children's party", n, f.ID, e.Form)
				}
			}
		}
	}
	if planned < 50 || halves < 20 {
		t.Errorf("%d planned, %d with grapes or tomatoes cut in halves", planned, halves)
	}
}
