package plan_test

import (
	"encoding/json"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/job"
	"happytray/core/plan"
)

// However many come: what is planned can be kept and read, everybody has a table, and nobody's food is forgotten.
func TestAPlanOfAnySizeIsAJob(t *testing.T) {
	for _, n := range []int{12, 200, 250, 400, 640, 1300, 2000} {
		j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: "grazing", Month: 6}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(n, err)
		}
		file, err := json.Marshal(j)
		if err != nil {
			t.Fatal(n, err)
		}
		back, err := job.Read(file, larder)
		if err != nil {
			t.Errorf("%d guests: %v", n, err)
			continue
		}
		pieces := 0
		for _, one := range back.Trays {
			for i := range one.Elements {
				pieces += one.Elements[i].Count
			}
		}
		if bytes := pieces * 430; bytes > document.MaxBytes*9/10 {
			t.Errorf("%d guests: %d pieces make a file of about %d MB", n, pieces, bytes>>20)
		}
		guests, grams, seeds := 0.0, 0.0, map[uint64]bool{}
		for _, one := range back.Trays {
			g := float64(n)
			if one.Part != nil {
				g = float64(one.Part.Guests.Total())
				if one.Part.Share > 0 {
					g *= one.Part.Share
				}
			}
			guests += g * float64(one.Copies())
			for _, id := range one.Foods() {
				grams += one.GramsOf(id) * float64(one.Copies())
			}
			seeds[one.Seed] = true
		}
		if guests < float64(n)-.5 || guests > float64(n)*1.05 {
			t.Errorf("%d guests: the tables are for %.0f", n, guests)
		}
		if each := grams / float64(n); each < 250 || each > 450 {
			t.Errorf("%d guests: %.0f g each", n, each)
		}
		if n >= 1300 && (len(back.Trays) < 4 || len(seeds) != len(back.Trays) || back.Trays[0].Copies() < 2) {
			t.Errorf("%d guests: %d layouts, seeds %v, the first on %d tables", n, len(back.Trays), seeds, back.Trays[0].Copies())
		}
		if back.Brief.Copies != 0 || back.Brief.Guests.Adults != n {
			t.Errorf("%d guests: the brief has become one of %d tables laid alike, for %d", n, back.Brief.Copies, back.Brief.Guests.Adults)
		}
	}
}
