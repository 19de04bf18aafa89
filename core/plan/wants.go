package plan

import (
	"slices"

	"happytray/core/brief"
	"happytray/core/job"
)

// Wants lists the foods of a job's trays with their forms, as the brief would, and
// with the amounts that the brief sets.
func Wants(j *job.Job) []brief.Want {
	set := map[string]brief.Want{}
	for _, w := range append(slices.Clone(j.Brief.Pins), j.Brief.Foods...) {
		set[w.Food] = w
	}
	var out []brief.Want
	seen := map[string]bool{}
	take := func(id, form string) {
		if seen[id] {
			return
		}
		seen[id] = true
		w := set[id]
		if w.Food = id; w.Form == "" && len(w.Forms) == 0 {
			w.Form = form
		}
		out = append(out, w)
	}
	for _, one := range j.Trays {
		for _, e := range one.Elements {
			take(e.Food, e.Form)
		}
		for _, r := range one.Reserve {
			take(r.Food, r.Form)
		}
	}
	return out
}
