package job_test

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
)

// What this version does not know of a file survives it.
func ExampleRead() {
	raw, _ := job.New("First firing", brief.Brief{Guests: brief.Guests{Adults: 18}}).Write()
	raw = append([]byte(`{"kiln":"new",`), raw[1:]...)
	j, err := job.Read(raw, food.BuiltIn())
	fmt.Println(j.Title, len(j.Trays), j.Extra.Names(), err)
	// Output:
	// First firing 1 [kiln] <nil>
}
