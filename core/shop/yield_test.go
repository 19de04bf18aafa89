package shop

import (
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/tray"
)

// Whatever the food and however it is cut, what is bought gives what is wanted, less what is in the cupboard: the yield
// times what is bought is never less.
func TestWhatIsBoughtGivesWhatIsWanted(t *testing.T) {
	cut, all := 0, 0
	for _, f := range food.BuiltIn().All() {
		if f.Category == food.NotFood {
			continue
		}
		for _, s := range f.Forms {
			for _, want := range []float64{.7, 33.3, 250, 771, 4999.9} {
				for _, there := range []float64{0, 120, 20000} {
					larder := food.BuiltIn()
					if there > 0 {
						larder = larder.Stocked(food.Stock{f.ID: {{Grams: there}}})
					}
					other := f.Forms[len(f.Forms)-1].Form // part of it lies in another form, or waits
					j := &job.Job{Brief: brief.Brief{Guests: brief.Guests{Adults: 4}}, Trays: []*tray.Tray{{Board: &board.Board{},
						Elements: []tray.Element{{ID: "a", Food: f.ID, Form: s.Form, Category: f.Category, Grams: want, Count: 1}},
						Reserve:  []tray.Reserve{{Food: f.ID, Form: other, Grams: want / 2}}}}}
					b := NewBasket(j, larder)
					if len(b.Lines) != 1 {
						t.Fatalf("%s: %d lines", f.ID, len(b.Lines))
					}
					l := b.Lines[0]
					need := l.OnTrayG + l.ReserveG
					all++
					if l.Yield < 1 {
						cut++
					}
					packs := 0.0
					for _, p := range l.Packs {
						packs += p.Grams * float64(p.Count)
					}
					switch {
					case l.Yield <= 0 || l.Yield > 1 || l.CupboardG < 0 || l.CupboardG > need+.1 || l.CupboardG > there:
						t.Errorf("%s as %s: %+v", f.ID, s.Form, l)
					case packs != l.BoughtG || l.BoughtG*l.Yield < need-l.CupboardG-.051:
						t.Errorf("%s as %s: %v g bought at %v give %v of %v less %v", f.ID, s.Form, l.BoughtG, l.Yield, l.BoughtG*l.Yield, need, l.CupboardG)
					case there > 15000 && l.BoughtG > 0:
						t.Errorf("%s as %s: %v g are there, and %v g bought", f.ID, s.Form, there, l.BoughtG)
					case l.BoughtG > 0 && math.Abs(l.BoughtG-(need-l.CupboardG)/l.Yield-l.LeftG) > .3/l.Yield:
						t.Errorf("%s as %s: of %v g bought %v g are left", f.ID, s.Form, l.BoughtG, l.LeftG)
					}
				}
			}
		}
	}
	if cut < 300 || all < 3000 {
		t.Errorf("%d of %d are cut", cut, all)
	}
}

// Melon for a party is bought with its peel, and the list says how much.
func TestMelonIsBoughtWithItsPeel(t *testing.T) {
	f, _ := food.BuiltIn().Get("melon")
	j := &job.Job{Trays: []*tray.Tray{{Elements: []tray.Element{{ID: "a", Food: "melon", Form: "tumble", Category: f.Category, Grams: 771, Count: 60}}}}}
	n := NeedsOf(j, food.BuiltIn())
	if got := n.Grams["melon"]; math.Abs(got-771/.55) > .1 {
		t.Errorf("%v g are bought for 771 g of cubes", got)
	}
	if l := NewBasket(j, food.BuiltIn()).Lines[0]; l.BoughtG*l.Yield < 771 || l.BoughtG < 1400 {
		t.Errorf("%+v", l)
	}
}
