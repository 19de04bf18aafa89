package plan_test

import (
	"strings"
	"testing"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/pick"
	"happytray/core/plan"
)

// Nobody is offered a fir tree or a heart for its room alone.
func TestNoFestiveBoardUnasked(t *testing.T) {
	for guests := 2; guests < 30; guests++ {
		b := brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 10}
		chosen, err := pick.Pick(b, larder, pick.Under{})
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range plan.Surfaces(b, amount.Apportion(b, chosen), board.BuiltInCabinet(), 6) {
			for _, id := range s.Boards {
				for _, shape := range []string{"ring-", "heart-", "tree-", "star-"} {
					if strings.HasPrefix(id, shape) {
						t.Errorf("%d guests are offered %s", guests, s.Name)
					}
				}
			}
		}
	}
}
