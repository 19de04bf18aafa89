package prep

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"happytray/core/food"
	"happytray/core/say"
)

// Round is work of one kind that is done in one go, as people work: everything is got out, then everything washed.
type Round struct {
	ID      string   `json:"id"` // of its kind, with a number from the second on
	Says    say.Text `json:"says"`
	Starts  string   `json:"starts"` // RFC 3339
	Ends    string   `json:"ends"`
	Minutes float64  `json:"minutes"` // by hand, of all who are at it, to a tenth
	Who     []string `json:"who"`     // 1 for the first of the people
	Tasks   []string `json:"tasks"`   // in the order of their beginnings, with what goes on by itself
}

// Kinds of rounds, as they follow each other in a day.
const (
	roundSetUp = iota
	roundGather
	roundWash
	roundCheese
	roundCut
	roundCook
	roundMeat
	roundFill
	roundCover
	roundOut
	roundLay
	roundRoad
	roundLast
)

// roundNames are what the kinds of rounds are called, in files and to people.
var roundNames = [...]struct {
	id   string
	says say.Text
}{
	roundSetUp:  {"set-up", say.That("round.set-up")},
	roundGather: {"gather", say.That("round.gather")},
	roundWash:   {"wash", say.That("round.wash")},
	roundCheese: {"cheese", say.That("round.cheese")},
	roundCut:    {"cut", say.That("round.cut")},
	roundCook:   {"cook", say.That("round.cook")},
	roundMeat:   {"meat", say.That("round.meat")},
	roundFill:   {"fill", say.That("round.fill")},
	roundCover:  {"cover", say.That("round.cover")},
	roundLay:    {"lay", say.That("round.lay")},
	roundRoad:   {"road", say.That("round.road")},
	roundOut:    {"take-out", say.That("round.out")},
	roundLast:   {"last", say.That("round.last")},
}

// workKinds are the kinds of work in their usual order; how hands go over within a round follows from it.
var workKinds = []string{SetUp, Line, Mark, Cards, Pack, GetOut, WashDry, Drain, Drip, Peel, Unwrap, Trim, Stone, Slice, Cube, Snip, Thread, Lemon, Fold, Make, Heat, Cool, Portion, Chill, Box, Lay, Tools, Refresh, Load, Drive, Unload}

// roundOf is the round that work belongs to; travels where its tray does.
func roundOf(k *work, f *food.Food, travels bool) int {
	switch k.kind {
	case SetUp, Line, Mark:
		return roundSetUp
	case GetOut:
		if k.food == "" || k.again {
			return roundOut
		}
		return roundGather
	case WashDry, Drain, Drip:
		if f != nil && f.Category == food.Cheese {
			return roundCheese
		}
		return roundWash
	case Heat, Cool, Make:
		return roundCook
	case Portion, Box, Cards, Pack:
		return roundFill
	case Chill:
		return roundCover
	case Refresh, Tools:
		return roundLast
	case Load, Drive, Unload:
		return roundRoad
	case Lay:
		if k.late && (travels || k.wave > 0) || f != nil && (f.Category == food.Garnish || food.Has(k.form, food.OnFood)) {
			return roundLast
		}
		return roundLay
	}
	switch {
	case f != nil && f.Category == food.Cheese:
		return roundCheese
	case f != nil && f.Category == food.Meat:
		return roundMeat
	}
	return roundCut
}

// kindOf is the number of a kind of work for the plan: its round, and within it what is done.
func kindOf(k *work, round int) int { return round*len(workKinds) + slices.Index(workKinds, k.kind) }

// What it counts that hands go over to other work, seconds: the table is wiped, another tool is taken up; where it is meat
// or cheese before or after, gloves, board and knife are others, too.
const (
	toOtherTool  = 8
	toOtherRound = 30
	toOtherBoard = 60
	changeCounts = 3 // times what it takes: a day of errands costs heads as well as minutes
)

func changeOver(from, to int) int {
	a, b := from/len(workKinds), to/len(workKinds)
	switch {
	case from == to:
		return 0
	case a == b:
		return toOtherTool
	case a == roundMeat || b == roundMeat || a == roundCheese || b == roundCheese:
		return changeCounts * toOtherBoard
	}
	return changeCounts * toOtherRound
}

// together is how long a round may rest before what somebody else does of its kind is another round.
const together = 10 * time.Minute

// What is little and lies between other work goes with it, as a line of its list, where a job would have more than a dozen rounds: a dip
// that is filled before all is covered, what is taken out while things are cut.
const (
	dozen      = 12
	little     = 5 * time.Minute  // of handwork
	littleOfIt = 15               // a fifteenth of it all, where that is more
	pause      = 45 * time.Minute // after which work is another round, whatever it is
)

// stint is what one of the people does of one kind in one go; tasks by their place in the day.
type stint struct {
	who      string
	of       int // round, a roundKind
	from, to time.Time
	tasks    []int
	hand     time.Duration
	whole    bool // a tray is covered or taken out as a whole: everybody waits for that
}

// near reports whether one stint follows another without a pause.
func (s *stint) near(next *stint) bool { return next.from.Sub(s.to) < pause }

// run is a round while rounds are gathered: stints of one kind, of one or of several who are at it together.
type run struct {
	of       int
	from, to time.Time
	tasks    []int
	has      map[string]bool // who was at it: they are not joined to it again after other work
}

// moment reads a time that was written by us.
func moment(s string) time.Time {
	t, _ := time.Parse(time.RFC3339, s)
	return t
}

// rounds gathers the tasks of a day, which are in the order of their beginnings, into rounds, and names on each task its own.
func (d *kitchenDay) rounds(to *Day) {
	kinds := map[string]int{}
	for i := range d.works {
		kinds[d.works[i].id] = d.works[i].round
	}
	stints := stintsOf(to.Tasks, kinds)
	all := time.Duration(0)
	for _, s := range stints {
		all += s.hand
	}
	runs := runsOf(stints)
	for most := len(stints); most > 0 && len(d.booked) == 1 && len(runs) > dozen; most-- {
		var fewer bool
		if stints, fewer = absorbed(stints, max(little, all/littleOfIt)); !fewer {
			break
		}
		runs = runsOf(stints)
	}
	to.Rounds = written(to, byItself(to.Tasks, kinds, runs))
}

// stintsOf cuts what each of the people does, in time, into stints.
func stintsOf(tasks []Task, kinds map[string]int) (out []*stint) {
	last := map[string]*stint{}
	for i := range tasks {
		t := &tasks[i]
		if t.Who == "" {
			continue
		}
		s := last[t.Who]
		if s == nil || s.of != kinds[t.ID] || moment(t.Starts).Sub(s.to) >= pause {
			s = &stint{who: t.Who, of: kinds[t.ID], from: moment(t.Starts)}
			out, last[t.Who] = append(out, s), s
		}
		s.tasks = append(s.tasks, i)
		s.to = moment(t.Ends)
		s.hand += s.to.Sub(moment(t.Starts))
		s.whole = s.whole || t.Food == "" && (t.Kind == Chill || t.Kind == GetOut)
	}
	return out
}

// absorbed has the shortest little stint go with what the same hands do after it, or before it where that is the road or nothing
// comes; what is of one kind then is one stint. It reports whether there was one.
func absorbed(stints []*stint, little time.Duration) ([]*stint, bool) {
	least, with := -1, -1
	for i, s := range stints {
		if s.hand >= little || s.whole || s.of == roundRoad || s.of == roundLast || least >= 0 && s.hand >= stints[least].hand {
			continue
		}
		before, after := -1, -1
		for k, o := range stints {
			switch {
			case o.who != s.who:
			case k < i:
				before = k
			case k > i && after < 0:
				after = k
			}
		}
		takes := func(k int) bool { return stints[k].of != roundRoad && !stints[k].whole }
		if before >= 0 && !(takes(before) && stints[before].near(s)) {
			before = -1
		}
		if after >= 0 && !(takes(after) && s.near(stints[after])) {
			after = -1
		}
		if after >= 0 && stints[after].of == roundLast && before >= 0 { // the last things are a round of their own
			after = -1
		}
		if n := max(after, before); n >= 0 {
			if after >= 0 {
				n = after
			}
			least, with = i, n
		}
	}
	if least < 0 {
		return stints, false
	}
	out := make([]*stint, 0, len(stints))
	last := map[string]*stint{}
	for i, s := range stints {
		one := *s
		if i == least {
			one.of = stints[with].of
		}
		if was := last[s.who]; was != nil && was.of == one.of && was.near(&one) {
			was.tasks, was.to, was.hand = append(slices.Clone(was.tasks), s.tasks...), s.to, was.hand+s.hand
			continue
		}
		out, last[s.who] = append(out, &one), &one
	}
	return out, true
}

// runsOf joins stints of one kind of those who are at it together.
func runsOf(stints []*stint) (runs []*run) {
	for _, s := range stints {
		var r *run
		for _, o := range runs {
			if o.of == s.of && !o.has[s.who] && !s.from.After(o.to.Add(together)) {
				r = o
			}
		}
		if r == nil {
			r = &run{of: s.of, from: s.from, to: s.to, has: map[string]bool{}}
			runs = append(runs, r)
		}
		r.has[s.who] = true
		r.tasks = append(r.tasks, s.tasks...)
		if s.to.After(r.to) {
			r.to = s.to
		}
	}
	return runs
}

// byItself adds to rounds what goes on by itself: to the one that it follows.
func byItself(tasks []Task, kinds map[string]int, runs []*run) []*run {
	mine := map[string]*run{}
	for _, r := range runs {
		for _, i := range r.tasks {
			mine[tasks[i].ID] = r
		}
	}
	for i := range tasks {
		t := &tasks[i]
		if t.Who != "" {
			continue
		}
		var r *run
		for _, a := range t.After {
			if mine[a] != nil {
				r = mine[a]
			}
		}
		if r == nil {
			r = &run{of: kinds[t.ID], from: moment(t.Starts), to: moment(t.Ends)}
			runs = append(runs, r)
		}
		mine[t.ID] = r
		r.tasks = append(r.tasks, i)
	}
	return runs
}

// written names rounds, in the order of their beginnings, and on each task its own.
func written(to *Day, runs []*run) []Round {
	slices.SortStableFunc(runs, func(a, b *run) int { return a.from.Compare(b.from) })
	times := map[int]int{}
	out := []Round{}
	for _, r := range runs {
		times[r.of]++
		id, says := roundNames[r.of].id, roundNames[r.of].says
		if n := times[r.of]; n > 1 {
			id = fmt.Sprintf("%s-%d", id, n)
			if r.of == roundGather {
				says = say.That("round.rest")
			}
		}
		slices.Sort(r.tasks)
		round := Round{ID: id, Says: says, Starts: r.from.Format(time.RFC3339), Ends: r.to.Format(time.RFC3339), Who: []string{}, Tasks: []string{}}
		minutes := 0.0
		for _, i := range r.tasks {
			t := &to.Tasks[i]
			t.Round = id
			round.Tasks = append(round.Tasks, t.ID)
			if t.Who == "" {
				continue
			}
			minutes += t.Minutes
			if !slices.Contains(round.Who, t.Who) {
				round.Who = append(round.Who, t.Who)
			}
		}
		round.Minutes = float64(int(10*minutes+.5)) / 10
		slices.SortFunc(round.Who, func(a, b string) int { return cmp.Or(cmp.Compare(len(a), len(b)), cmp.Compare(a, b)) })
		out = append(out, round)
	}
	return out
}
