package plan

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// A house that likes few bowls has fewer on its boards, one that likes many more, and none has more than its most.
func TestBowlsAsTheHouseLikesThem(t *testing.T) {
	bowls := map[string]int{}
	for _, way := range []string{"few", "", "many"} {
		for k := range 18 {
			b := brief.Brief{Guests: brief.Guests{Adults: 6 + 3*(k%6)}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k / 6, Rules: &brief.Rules{Bowls: way}}
			j, err := FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
			if err != nil {
				t.Fatal(err)
			}
			for _, tr := range j.Trays {
				n := 0
				for _, e := range tr.Elements {
					if e.Vessel != "" {
						n++
					}
				}
				if bowls[way] += n; n > timesBowls[way].most {
					t.Errorf("%q: %d bowls on one board for %d", way, n, b.Guests.Adults)
				}
			}
		}
	}
	t.Log(bowls)
	if bowls["few"] >= bowls[""] || bowls[""] >= bowls["many"] {
		t.Errorf("bowls on all boards: %v", bowls)
	}
}
