package repair

import (
	"context"
	"sync/atomic"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
)

// A search for a mend that goes wrong inside must end the request, not the process.
func TestAPanicInMendReachesTheCaller(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	laid, err := search.Lay(context.Background(), tr, food.BuiltIn(), search.Options{Effort: 1, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	var anchor string
	for i := range laid.Tray.Elements {
		if movable(&laid.Tray.Elements[i]) {
			anchor = laid.Tray.Elements[i].ID
		}
	}
	broken := &dying{Context: context.Background()}
	broken.left.Store(3)
	defer func() {
		if recover() == nil {
			t.Error("nothing came up from inside of Mend")
		}
	}()
	Suggest(broken, laid.Tray, food.BuiltIn(), review.Finding{Check: "colour.neighbour", Elements: []string{anchor}, At: geom.Pt(0, 0)})
}

// dying is a context that breaks when it has been asked a few times.
type dying struct {
	context.Context
	left atomic.Int32
}

func (d *dying) Err() error {
	if d.left.Add(-1) < 0 {
		panic("broken")
	}
	return nil
}
