package search_test

import (
	"encoding/json"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
)

// A job that went through a file and is planned again as it was keeps everything where it lies, also what says of a form
// that children can choke on it.
func TestAPlanAgainKeepsWhatLies(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6, Foods: []brief.Want{{Food: "brined-white"}, {Food: "orange-block", Form: "tumble"}, {Food: "radishes"}, {Food: "red-grapes"}, {Food: "water-biscuits"}}})
	raw, err := json.Marshal(j)
	if err != nil {
		t.Fatal(err)
	}
	read, err := job.Read(raw, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	again, err := plan.Replan(read, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	placed := 0
	for _, e := range j.Trays[0].Elements {
		if !e.Placed {
			continue
		}
		placed++
		if k := again.Trays[0].Find(e.ID); k < 0 || !again.Trays[0].Elements[k].Placed {
			t.Errorf("%s lay on the board, and waits", e.ID)
		}
	}
	if placed < 5 {
		t.Errorf("only %d lay there", placed)
	}
}
