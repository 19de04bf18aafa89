package practice

import (
	"slices"
	"strings"

	"happytray/core/job"
	"happytray/core/prep"
	"happytray/core/say"
)

// order asks for the work of a day in its order. What must come first is what the schedule itself waits for: of two works the
// one must have ended before the other may begin, or its latest end lies before the other's earliest beginning.
func (m *maker) order() *Exercise {
	list := bases()
	for _, k := range m.r.Perm(len(list)) {
		t := list[k]
		b := t.Brief
		b.ServeAt = "2026-06-20T19:00:00Z"
		day, err := prep.Plan(&job.Job{Brief: b, Trays: list[k : k+1 : k+1], Title: "practice"}, m.larder, prep.Options{People: 1, Ovens: 1})
		if err != nil {
			panic("practice: " + err.Error()) // shipped data; a test asks for every seed
		}
		var tasks []prep.Task
		met := map[string]bool{}
		for _, k := range shuffled(m.r, day.Tasks) {
			// one of each kind of work at the easy levels: the harder ones are told apart by what they are done to
			if key := k.Kind; m.level > 3 && met[key+k.Food] || m.level <= 3 && met[key] || k.Says.String() == "" {
				continue
			} else if m.level > 3 {
				met[key+k.Food] = true
			} else {
				met[key] = true
			}
			tasks = append(tasks, k)
			if len(tasks) == 3+m.level {
				break
			}
		}
		slices.SortStableFunc(tasks, func(a, b prep.Task) int { return strings.Compare(a.Starts, b.Starts) })
		e := &Exercise{Rules: []string{"order"}, Brief: &b, Asks: say.That("practice.order", say.N(b.Guests.Total())), Solution: &Solution{}}
		must := before(day.Tasks)
		for i, k := range tasks {
			e.Solution.Order = append(e.Solution.Order, k.ID)
			e.Solution.Because = append(e.Solution.Because, Because{ID: k.ID, Says: begins(k)})
			for _, o := range tasks[i+1:] {
				if must(k, o) {
					e.Solution.Before = append(e.Solution.Before, [2]string{k.ID, o.ID})
				}
			}
		}
		if len(e.Solution.Before) < len(tasks)-1 {
			continue
		}
		for _, k := range shuffled(m.r, tasks) {
			e.Choices = append(e.Choices, Choice{ID: k.ID, Says: k.Says, Food: k.Food, Form: k.Form})
		}
		return e
	}
	panic("practice: no day has an order") // shipped data; a test asks for every seed
}

// begins says when a task is done and how long it takes.
func begins(k prep.Task) say.Text {
	if k.Minutes < 1 {
		return say.That("practice.order.moment", say.Word(k.Starts[11:16]))
	}
	return say.That("practice.order.at", say.Word(k.Starts[11:16]), say.Minutes(k.Minutes))
}

// before tells whether one of a day's tasks must come before another.
func before(tasks []prep.Task) func(a, b prep.Task) bool {
	after := map[string][]string{}
	for _, k := range tasks {
		after[k.ID] = k.After
	}
	var waits func(id, on string, seen map[string]bool) bool
	waits = func(id, on string, seen map[string]bool) bool {
		if seen[id] {
			return false
		}
		seen[id] = true
		for _, o := range after[id] {
			if o == on || waits(o, on, seen) {
				return true
			}
		}
		return false
	}
	return func(a, b prep.Task) bool {
		return waits(b.ID, a.ID, map[string]bool{}) || a.Latest != "" && b.Earliest != "" && a.Latest <= b.Earliest
	}
}
