package plan

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// A wish for little work is kept wherever quick foods and forms can keep it, and where they cannot the job says so.
func TestMinutesAtMost(t *testing.T) {
	larder, cabinet := food.BuiltIn(), board.BuiltInCabinet()
	kept, asked := 0, 0
	for _, guests := range []int{4, 8, 12, 20} {
		for choice := range 3 {
			b := brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 3 + 4*choice, Occasion: "grazing", Choice: choice}
			free, err := FromBrief(b, larder, cabinet)
			if err != nil {
				t.Fatal(err)
			}
			usual := handwork(free, larder)
			for _, share := range []float64{.75, .5} {
				b.MinutesAtMost = share * usual
				j, err := FromBrief(b, larder, cabinet)
				if err != nil {
					t.Fatal(err)
				}
				took := handwork(j, larder)
				over := false
				for _, s := range j.Says {
					over = over || s.Sentences()[0].Code == "haste.over"
				}
				if asked++; took <= b.MinutesAtMost {
					kept++
				}
				if (took > b.MinutesAtMost) != over || took > usual {
					t.Errorf("%d guests: %.0f min of %.0f usual, %.0f allowed, %v", guests, took, usual, b.MinutesAtMost, j.Says)
				}
				t.Logf("%d guests: %.0f min usually, %.0f allowed, %.0f taken, %d foods of %d", guests, usual, b.MinutesAtMost, took, len(j.Foods), len(free.Foods))
			}
		}
	}
	if 4*kept < 3*asked {
		t.Errorf("kept %d of %d times", kept, asked)
	}
}
