package prep

import (
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
)

// Labour is the work of a job that somebody is paid for.
type Labour struct {
	HandMin float64 `json:"hand_min"` // minutes by hand, of all who work at it together, loading and unloading too
	RoadMin float64 `json:"road_min"` // minutes on the road, one way
}

// LabourOf adds up the minutes of hands of a job's day. It is the day's work with all its steps, where Minutes is only what cutting
// and laying take.
func LabourOf(j *job.Job, larder *food.Larder, o Options) (Labour, error) {
	o.Save, o.Done, o.Pins = false, nil, nil
	d, err := Plan(j, larder, o)
	if err != nil {
		return Labour{}, err
	}
	var out Labour
	for _, t := range d.Tasks {
		switch {
		case t.Kind == Drive:
			out.RoadMin += t.Minutes
		case t.Who != "":
			out.HandMin += t.Minutes
		}
	}
	out.HandMin, out.RoadMin = round.Tenth(out.HandMin), round.Tenth(out.RoadMin)
	return out, nil
}
