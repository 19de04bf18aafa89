package plan

import (
	"math"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/say"
)

// inTime plans so that the handwork takes no longer than the brief allows: first as it is, then with quicker forms and
// foods, then with fewer kinds of them. What it still takes too long, the job says.
func inTime(b brief.Brief, larder *food.Larder, plan func(haste int) (*job.Job, error)) (*job.Job, error) {
	best, err := plan(0)
	if err != nil || b.MinutesAtMost <= 0 {
		return best, err
	}
	least := handwork(best, larder)
	most := pick.MostHaste
	if len(b.Foods) > 0 { // nothing is picked: only their forms can give
		most = 1
	}
	for haste := 1; haste <= most && least > b.MinutesAtMost; haste++ {
		j, err := plan(haste)
		if err != nil {
			return nil, err
		}
		if took := handwork(j, larder); took < least {
			best, least = j, took
		}
	}
	if least > b.MinutesAtMost {
		best.Says = append(best.Says, say.That("haste.over", say.Minutes(math.Ceil(least)), say.Minutes(b.MinutesAtMost)))
	}
	return best, nil
}

// handwork is how long cutting, folding and laying a job takes one pair of hands, minutes.
func handwork(j *job.Job, larder *food.Larder) (minutes float64) {
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			if f, ok := larder.Get(e.Food); ok && f.Category != food.NotFood {
				spec, _ := f.Spec(e.Form)
				minutes += (spec.Seconds*float64(e.Count)/60 + food.LayMinutes) * float64(t.Copies())
			}
		}
	}
	return minutes
}
