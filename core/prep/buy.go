package prep

import "time"

// Buy is what must be there before a stretch of work begins.
type Buy struct {
	Before string   `json:"before"` // RFC 3339
	Foods  []string `json:"foods"`  // in the order in which they are first worked on
}

// anotherDay is how long a pause lasts after which somebody may shop again.
const anotherDay = 3 * time.Hour

// buys tells what is to be bought when, by the first work on each food: in the stretch of work that it is first needed in and not before,
// so that what is fresh is fresh. A day that is worked in one go wants everything before it, which needs no list.
func buys(tasks []Task) (out []Buy) {
	seen := map[string]bool{}
	until := time.Time{}
	for i := range tasks { // in the order of their beginnings
		t := &tasks[i]
		if t.Who == "" {
			continue
		}
		starts, ends := moment(t.Starts), moment(t.Ends)
		if len(out) == 0 || starts.Sub(until) > anotherDay {
			out = append(out, Buy{Before: t.Starts, Foods: []string{}})
		}
		if ends.After(until) {
			until = ends
		}
		if t.Food != "" && !seen[t.Food] {
			seen[t.Food] = true
			last := &out[len(out)-1]
			last.Foods = append(last.Foods, t.Food)
		}
	}
	if len(out) < 2 {
		return nil
	}
	kept := out[:0]
	for _, b := range out {
		if len(b.Foods) > 0 {
			kept = append(kept, b)
		}
	}
	return kept
}
