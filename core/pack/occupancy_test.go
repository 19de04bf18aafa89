package pack_test

import (
	"math/rand/v2"
	"testing"

	"happytray/core/pack"
	"happytray/core/plan/plantest"
)

// What the cover turns away would be turned away in full, too; and it turns away most of what is.
func TestCoverTurnsAwayOnlyWhatIsStuck(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 26))
	for _, guests := range []int{8, 18} {
		tr := plantest.LaidFor(t, guests)
		stuck, told := pack.TurnedAway(t, tr, r)
		if stuck < 200 || told < stuck*2/3 {
			t.Errorf("%d guests: of %d places that are taken %d were told at a glance", guests, stuck, told)
		}
	}
}
