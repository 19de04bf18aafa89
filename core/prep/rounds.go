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
	roundLast:   {"last", say.That("round.last")},
}

// workKinds are the kinds of work in their usual order; how hands go over within a round follows from it.
var workKinds = []string{SetUp, Line, Mark, Cards, Pack, GetOut, WashDry, Drain, Drip, Peel, Unwrap, Trim, Stone, Slice, Cube, Snip, Thread, Lemon, Fold, Heat, Cool, Portion, Chill, Box, Lay, Load, Drive, Unload}

// roundOf is the round that work belongs to; travels where its tray does.
func roundOf(k *work, f *food.Food, travels bool) int {
	switch k.kind {
	case SetUp, Line, Mark, Cards, Pack:
		return roundSetUp
	case GetOut:
		return roundGather
	case WashDry, Drain, Drip:
		if f != nil && f.Category == food.Cheese {
			return roundCheese
		}
		return roundWash
	case Heat, Cool:
		return roundCook
	case Portion, Box:
		return roundFill
	case Chill:
		return roundCover
	case Load, Drive, Unload:
		return roundRoad
	case Lay:
		if k.late && travels || f != nil && (f.Category == food.Garnish || food.Has(k.form, food.OnFood)) {
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

// rounds gathers the tasks of a day, which are in the order of their beginnings, into rounds, and names on each task its own.
func (d *kitchenDay) rounds(out *Day) {
	type run struct {
		of       int
		from, to time.Time
		tasks    []int
		minutes  float64
		has      map[string]bool // who was at it: they are not joined to it again after other work
	}
	at := func(s string) time.Time { // it was written by us
		t, _ := time.Parse(time.RFC3339, s)
		return t
	}
	of := map[string]int{}
	for i := range d.works {
		of[d.works[i].id] = d.works[i].round
	}
	var runs []*run
	last := map[string]*run{} // of each who works
	mine := map[string]*run{} // of each task
	for i := range out.Tasks {
		t := &out.Tasks[i]
		if t.Who == "" {
			continue
		}
		r := last[t.Who]
		if r == nil || r.of != of[t.ID] {
			r = nil
			for _, o := range runs { // somebody else is at it
				if o.of == of[t.ID] && !o.has[t.Who] && !at(t.Starts).After(o.to.Add(together)) {
					r = o
				}
			}
			if r == nil {
				r = &run{of: of[t.ID], from: at(t.Starts), to: at(t.Ends), has: map[string]bool{}}
				runs = append(runs, r)
			}
			r.has[t.Who] = true
		}
		last[t.Who], mine[t.ID] = r, r
		r.tasks = append(r.tasks, i)
		r.minutes += t.Minutes
		if end := at(t.Ends); end.After(r.to) {
			r.to = end
		}
	}
	for i := range out.Tasks { // what goes on by itself belongs to what it follows
		t := &out.Tasks[i]
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
			r = &run{of: of[t.ID], from: at(t.Starts), to: at(t.Ends)}
			runs = append(runs, r)
		}
		mine[t.ID] = r
		r.tasks = append(r.tasks, i)
	}
	slices.SortStableFunc(runs, func(a, b *run) int { return a.from.Compare(b.from) })
	times := map[int]int{}
	out.Rounds = []Round{}
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
		round := Round{ID: id, Says: says, Starts: r.from.Format(time.RFC3339), Ends: r.to.Format(time.RFC3339), Minutes: float64(int(10*r.minutes+.5)) / 10, Who: []string{}, Tasks: []string{}}
		for _, i := range r.tasks {
			t := &out.Tasks[i]
			t.Round = id
			round.Tasks = append(round.Tasks, t.ID)
			if t.Who != "" && !slices.Contains(round.Who, t.Who) {
				round.Who = append(round.Who, t.Who)
			}
		}
		slices.SortFunc(round.Who, func(a, b string) int { return cmp.Or(cmp.Compare(len(a), len(b)), cmp.Compare(a, b)) })
		out.Rounds = append(out.Rounds, round)
	}
}
