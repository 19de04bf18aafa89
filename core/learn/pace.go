package learn

import (
	"cmp"
	"maps"
	"math"
	"slices"
	"time"

	"happytray/core/fault"
	"happytray/core/prep"
	"happytray/core/round"
)

// Stint is work of one kind that was done in one go, as it was ticked off.
type Stint struct {
	Kind    string  `json:"kind"`    // of work, as of a task
	Planned float64 `json:"planned"` // minutes, by the data alone: nothing that was learnt is in it
	Took    float64 `json:"took"`    // minutes
}

// MostStints bounds what is kept of one day.
const MostStints = 300

// Check bounds stints that came from outside.
func (s Stint) Check() error {
	if !slices.Contains(prep.HandKinds, s.Kind) {
		return fault.Bad("kind", "%.40q is no work by hand", s.Kind)
	}
	if !(s.Planned > 0 && s.Planned <= mostMinutes && s.Took > 0 && s.Took <= mostMinutes) {
		return fault.Bad("took", "minutes should be more than 0 and at most %d", mostMinutes)
	}
	return nil
}

// What is ticked within atOnce was done in one go: a list is ticked as a whole, or by a thumb that goes down it. Hands that had nothing
// to do for longer than idle have waited, and it cannot be told for how long. What took so many times longer or shorter than it was
// reckoned with was ticked later, or before, or something came between.
const (
	atOnce = 10 * time.Second
	idle   = 3 * time.Minute
	least  = .75 // minutes; what is less is the ticking
	wildly = 4.0
)

// StintsOf reads from when the tasks of a day were ticked off how long the work took. Of each pair of hands what was ticked is put in
// order; what lies between two moments was worked, unless the plan has a gap there. The minutes of what was ticked at once are shared
// out as they were planned.
func StintsOf(d prep.Day, ticks map[string]time.Time) []Stint {
	type done struct {
		task         prep.Task
		at           time.Time
		starts, ends time.Time
	}
	by := map[string][]done{}
	for _, t := range d.Tasks {
		at, ticked := ticks[t.ID]
		starts, err := time.Parse(time.RFC3339, t.Starts)
		ends, err2 := time.Parse(time.RFC3339, t.Ends)
		if ticked && t.Who != "" && err == nil && err2 == nil {
			by[t.Who] = append(by[t.Who], done{t, at, starts, ends})
		}
	}
	out := []Stint{}
	for _, who := range slices.Sorted(maps.Keys(by)) {
		list := by[who]
		slices.SortStableFunc(list, func(a, b done) int { return cmp.Or(a.at.Compare(b.at), a.starts.Compare(b.starts)) })
		var before []done
		for len(list) > 0 {
			n := 1
			for n < len(list) && list[n].at.Sub(list[n-1].at) < atOnce {
				n++
			}
			now := list[:n]
			list = list[n:]
			was := before
			before = now
			if was == nil || gap(now[0].starts, was[len(was)-1].ends) {
				continue
			}
			planned := 0.0
			waited := false
			for i, x := range now {
				planned += x.task.Minutes
				waited = waited || i > 0 && gap(x.starts, now[i-1].ends)
			}
			took := now[n-1].at.Sub(was[len(was)-1].at).Minutes()
			if waited || planned < least || took > wildly*planned || took < planned/wildly {
				continue
			}
			for _, x := range now {
				if s := (Stint{x.task.Kind, x.task.Minutes, took * x.task.Minutes / planned}); s.Check() == nil && len(out) < MostStints {
					out = append(out, s)
				}
			}
		}
	}
	return out
}

func gap(starts, ended time.Time) bool { return starts.Sub(ended) > idle }

// Pace is how long work of a kind takes in a house, of what the data say.
type Pace struct {
	Kind   string  `json:"kind"`
	Factor float64 `json:"factor"` // to a hundredth
	Stints int     `json:"stints"` // number of them
	Days   int     `json:"days"`
	Low    float64 `json:"low"`  // the middle half of the stints lies from here, of what the data say
	High   float64 `json:"high"` // and to here, of what the data say
}

// A house is believed by half when it has done work of a kind so many times; before leastStints nothing is said.
const (
	halfBelieved = 6.0
	leastStints  = 3
	mostPace     = 2.5
	paceTold     = .05 // less is no difference
)

// PaceOf is how long each kind of work takes, learnt from days: the median of took over planned, each stint weighing as its minutes, drawn
// towards 1 while stints are few (with n of them to the power n/(n+6)). Kinds that take what the data say are left out.
func PaceOf(days [][]Stint) []Pace {
	type seen struct{ log, weight float64 }
	all, on := map[string][]seen{}, map[string]int{}
	for _, day := range days {
		met := map[string]bool{}
		for _, s := range day {
			if s.Check() != nil {
				continue
			}
			all[s.Kind] = append(all[s.Kind], seen{math.Log(s.Took / s.Planned), s.Planned})
			if !met[s.Kind] {
				met[s.Kind] = true
				on[s.Kind]++
			}
		}
	}
	out := []Pace{}
	for _, kind := range prep.HandKinds {
		list := all[kind]
		if len(list) < leastStints {
			continue
		}
		slices.SortFunc(list, func(a, b seen) int { return cmp.Compare(a.log, b.log) })
		total := 0.0
		for _, s := range list {
			total += s.weight
		}
		at := func(share float64) float64 {
			sum := 0.0
			for _, s := range list {
				if sum += s.weight; sum >= share*total {
					return s.log
				}
			}
			return list[len(list)-1].log
		}
		n := float64(len(list))
		factor := math.Exp(at(.5) * n / (n + halfBelieved))
		factor = round.Hundredth(math.Min(mostPace, math.Max(1/mostPace, factor)))
		if math.Abs(factor-1) < paceTold {
			continue
		}
		out = append(out, Pace{kind, factor, len(list), on[kind], round.Hundredth(math.Exp(at(.25))), round.Hundredth(math.Exp(at(.75)))})
	}
	return out
}
