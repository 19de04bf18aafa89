package amount

import (
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/pick"
)

// Nobody opens another round for a wedge or two: beside whole rounds a part of one is a third of it at least. No cheese is
// more than two fifths of the cheese, no pickle more than 12 g a guest, and what says that there is one for each has it.
func TestCapsAndPartsOfRounds(t *testing.T) {
	for n := 4; n <= 60; n++ {
		for _, occasion := range []string{"nibble", "grazing", "meal"} {
			b := brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: occasion, Month: 1 + n%12}
			chosen, err := pick.Pick(b, food.BuiltIn(), pick.Under{})
			if err != nil {
				t.Fatal(err)
			}
			amounts := Apportion(b, chosen)
			cheese, kinds := 0.0, 0
			for _, a := range amounts {
				if a.Food.Category == food.Cheese {
					cheese, kinds = cheese+a.Grams, kinds+1
				}
			}
			for _, a := range amounts {
				spec, _ := a.Food.Spec(a.Form)
				if a.Food.Category == food.Cheese && kinds >= 3 && a.Grams > .4*cheese+1 && (food.WholeG(spec) == 0 || a.Parts) {
					t.Errorf("%s for %d: %.0f g of %s, %.0f g of cheese", occasion, n, a.Grams, a.Food.ID, cheese)
				}
				if a.Food.Category == food.Brined && a.Grams > 12*float64(n) {
					t.Errorf("%s for %d: %.0f g of %s", occasion, n, a.Grams, a.Food.ID)
				}
				if a.Food.Category == food.Cracker && spec.MassG >= 1.5 && !food.InVessel(a.Form) && a.Grams > 12.01*spec.MassG*float64(n) && a.Grams > 90 {
					t.Errorf("%s for %d: %.0f pieces of %s", occasion, n, a.Grams/spec.MassG, a.Food.ID)
				}
				if strings.Contains(a.Why.String(), "One for each of") && !OneByOne(spec) && a.Grams < spec.MassG*float64(n)*.999 {
					t.Errorf("%s for %d: %.0f g of %s in pieces of %v g: %s", occasion, n, a.Grams, a.Food.ID, spec.MassG, a.Why)
				}
			}
			long := board.Board{}
			if all := board.BuiltInCabinet().Boards(); len(all) > 0 {
				long = all[0]
				for _, s := range all {
					if s.UsableMM2() > long.UsableMM2() {
						long = s
					}
				}
			}
			rounds, parts := map[string]int{}, map[string]float64{}
			for _, g := range Split(amounts, b, long, board.BuiltInCabinet(), 1, 1) {
				if spec, _ := g.Food.Spec(g.Form); spec.Is(food.CutInPlace) {
					if g.Count == spec.N {
						rounds[g.Food.ID]++
					} else {
						parts[g.Food.ID] = float64(g.Count) / float64(spec.N)
					}
				}
			}
			for id, part := range parts {
				if rounds[id] > 0 && part < .33 {
					t.Errorf("%s for %d: %d rounds of %s and %.2f of one", occasion, n, rounds[id], id, part)
				}
			}
		}
	}
}
