package plan

import (
	"slices"

	"happytray/core/amount"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/say"
)

// Whys tells for each food of a job's trays how its amount comes about.
func Whys(j *job.Job, larder *food.Larder) map[string]say.Text {
	out := map[string]say.Text{}
	set := map[string]float64{}
	weighed := j.Brief.Weighed()
	for _, w := range append(slices.Clone(weighed.Foods), weighed.Pins...) {
		set[w.Food] = w.Grams
	}
	for _, one := range j.Trays {
		var chosen []pick.Choice
		seen := map[string]bool{}
		take := func(id, form string) {
			if f, ok := larder.Get(id); ok && !seen[id] {
				seen[id] = true
				chosen = append(chosen, pick.Choice{Food: f, Form: form, Grams: set[id]})
			}
		}
		for _, e := range one.Elements {
			take(e.Food, e.Form)
		}
		for _, r := range one.Reserve {
			take(r.Food, r.Form)
		}
		for _, a := range amount.Apportion(one.Brief, chosen) {
			if _, told := out[a.Food.ID]; !told {
				if n := one.Copies(); n > 1 {
					a.Why = say.That("amount.plates", say.N(n)).Also(a.Why)
				}
				out[a.Food.ID] = a.Why
			}
		}
	}
	return out
}
