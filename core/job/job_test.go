package job_test

import (
	"encoding/json"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
)

// Looking at a job changes nothing of it: what its file leaves out is filled in when it is read, and nowhere else.
func TestACheckChangesNothing(t *testing.T) {
	larder := food.BuiltIn()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 6}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	for i := range j.Trays[0].Elements {
		j.Trays[0].Elements[i].Wetness = ""
	}
	was, err := json.Marshal(j.Trays[0].Elements)
	if err != nil {
		t.Fatal(err)
	}
	if err := j.Check(larder); err != nil {
		t.Fatal(err)
	}
	if now, _ := json.Marshal(j.Trays[0].Elements); string(now) != string(was) {
		t.Errorf("a check made of\n%s\n%s", was, now)
	}
	raw, err := j.Write()
	if err != nil {
		t.Fatal(err)
	}
	read, err := job.Read(raw, larder)
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range read.Trays[0].Elements {
		if f, _ := larder.Get(e.Food); e.Wetness != f.Wetness {
			t.Errorf("%s is read as %q", e.ID, e.Wetness)
		}
	}
}
