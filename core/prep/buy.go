package prep

import (
	"time"

	"happytray/core/fault"
)

// Buy is what must be there before a stretch of work begins.
type Buy struct {
	Before string   `json:"before"`       // RFC 3339
	By     string   `json:"by,omitempty"` // RFC 3339, when the shop is open for the last time before that; empty where nobody says when it is
	Foods  []string `json:"foods"`        // in the order in which they are first worked on
}

// ShopHours are from when to when the shop is open on a day, minutes from midnight; the zero value where nobody says.
type ShopHours struct{ Opens, Closes int }

// Check bounds hours that came from outside.
func (h ShopHours) Check() error {
	if h != (ShopHours{}) && !(h.Opens >= 0 && h.Opens < h.Closes && h.Closes <= 24*60) {
		return fault.Bad("shop_closes", "the shop should close after it opens, on the same day")
	}
	return nil
}

// wayHome is how long before work begins shopping ends.
const wayHome = 30 * time.Minute

// last is the last time at which the shop is open before a moment, the way home left; that itself where it is open then.
func (h ShopHours) last(before time.Time) time.Time {
	at := before.Add(-wayHome)
	midnight := time.Date(at.Year(), at.Month(), at.Day(), 0, 0, 0, 0, at.Location())
	clock := func(day time.Time, minutes int) time.Time {
		return time.Date(day.Year(), day.Month(), day.Day(), 0, minutes, 0, 0, day.Location())
	}
	switch {
	case at.After(clock(midnight, h.Closes)):
		return clock(midnight, h.Closes)
	case at.Before(clock(midnight, h.Opens)):
		return clock(midnight.AddDate(0, 0, -1), h.Closes)
	}
	return at
}

// anotherDay is how long a pause lasts after which somebody may shop again.
const anotherDay = 3 * time.Hour

// buys tells what is to be bought when, by the first work on each food: in the stretch of work that it is first needed in and not before,
// so that what is fresh is fresh, and while the shop is open. A day that is worked in one go wants everything before it, which needs no
// list, unless the shop is shut before it begins.
func buys(tasks []Task, shop ShopHours) (out []Buy) {
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
	shut := false
	for i := range out {
		if shop == (ShopHours{}) {
			break
		}
		before := moment(out[i].Before)
		by := shop.last(before)
		out[i].By = by.Format(time.RFC3339)
		shut = shut || before.Sub(by) > wayHome
	}
	if len(out) < 2 && !shut {
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
