package prep

import (
	"fmt"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/round"
	"happytray/core/say"
)

// Station is a place in the kitchen where one kind of food is worked on, as several share the work of a large day.
type Station struct {
	ID      string        `json:"id"` // cheese, meat, produce, store or table
	Says    say.Text      `json:"says"`
	Minutes float64       `json:"minutes"` // by hand, of all who are at it, to a tenth
	Starts  string        `json:"starts"`  // RFC 3339
	Ends    string        `json:"ends"`
	Hands   []StationHand `json:"hands"` // who are at it, those who are most first
	Most    int           `json:"most"`  // pairs of hands at once
	Tasks   []string      `json:"tasks"` // in the order of their beginnings
}

// StationHand is how long one of the people is at a station.
type StationHand struct {
	Who     string  `json:"who"`     // 1 for the first of the people
	Minutes float64 `json:"minutes"` // to a tenth
}

// Bay is a board of several as it is laid: what stands boxed for it, in the order in which it goes down, and when.
type Bay struct {
	Job     string   `json:"job,omitempty"` // of several
	Tray    int      `json:"tray"`          // from 1
	Says    string   `json:"says"`          // its board
	Minutes float64  `json:"minutes"`       // of laying, by hand, to a tenth
	Starts  string   `json:"starts"`        // RFC 3339, of laying but for the last things
	Ends    string   `json:"ends"`
	Foods   []string `json:"foods"` // in the order in which they are laid before it leaves or is chilled
	Last    []string `json:"last"`  // what is laid where and when it is served
	// FinishStarts and FinishEnds are when what is laid last is, RFC 3339; left out where nothing is.
	FinishStarts string `json:"finish_starts,omitempty"`
	FinishEnds   string `json:"finish_ends,omitempty"`
}

// stationNames are the stations as they stand along a kitchen.
var stationNames = []struct {
	id   string
	says say.Text
}{
	{"cheese", say.That("station.cheese")}, {"meat", say.That("station.meat")}, {"produce", say.That("station.produce")},
	{"store", say.That("station.store")}, {"table", say.That("station.table")},
}

// stationFrom is how many pairs of hands, or boards, a day has that is worked at stations: fewer people go from one kind of work to
// the next together.
const stationFrom = 3

// stationOf is where a task is done. What is laid, carried and chilled as a whole is done at the table.
func stationOf(t *Task, f *food.Food) string {
	switch t.Kind {
	case SetUp, Line, Mark, Lay, Tools, Refresh, Load, Unload, Drive, Cards, Pack:
		return "table"
	}
	if f == nil {
		return "table"
	}
	switch f.Category {
	case food.Cheese:
		return "cheese"
	case food.Meat:
		return "meat"
	case food.Fruit, food.Vegetable, food.Brined, food.Garnish:
		return "produce"
	}
	return "store"
}

// stations shares the work of a day out by where it is done; nil where few people work at one or two boards.
func (d *kitchenDay) stations(out *Day) []Station {
	if d.o.People < stationFrom && d.boards() < stationFrom {
		return nil
	}
	by := map[string]*Station{}
	hands := map[string]map[string]float64{}
	for i := range out.Tasks {
		t := &out.Tasks[i]
		if t.Who == "" {
			continue
		}
		id := stationOf(t, d.foodOf(t))
		s := by[id]
		if s == nil {
			s = &Station{ID: id, Starts: t.Starts, Ends: t.Ends}
			by[id], hands[id] = s, map[string]float64{}
		}
		s.Minutes += t.Minutes
		hands[id][t.Who] += t.Minutes
		if moment(t.Ends).After(moment(s.Ends)) {
			s.Ends = t.Ends
		}
		s.Tasks = append(s.Tasks, t.ID)
	}
	var list []Station
	for _, n := range stationNames {
		s := by[n.id]
		if s == nil {
			continue
		}
		s.Says, s.Minutes, s.Most = n.says, round.Tenth(s.Minutes), mostAtOnce(out.Tasks, s.Tasks)
		for who := range d.o.People {
			if m := hands[n.id][fmt.Sprint(who+1)]; m > 0 {
				s.Hands = append(s.Hands, StationHand{fmt.Sprint(who + 1), round.Tenth(m)})
			}
		}
		slices.SortStableFunc(s.Hands, func(a, b StationHand) int { return int(10*b.Minutes) - int(10*a.Minutes) })
		list = append(list, *s)
	}
	return list
}

// kitByStation says of what the kitchen puts out at which station it is wanted: where most of the foods are worked on that it is for.
func (d *kitchenDay) kitByStation(out *Day) {
	if out.Stations == nil {
		return
	}
	at := map[string]map[string]int{} // by a food's name as kits have it, tasks at each station
	for i := range out.Tasks {
		t := &out.Tasks[i]
		if f := d.foodOf(t); f != nil && t.Who != "" {
			name := strings.ToLower(f.Name)
			if at[name] == nil {
				at[name] = map[string]int{}
			}
			if id := stationOf(t, f); id != "table" {
				at[name][id]++
			}
		}
	}
	for i := range out.Kit {
		k := &out.Kit[i]
		if k.Stage != ToPrepare {
			continue
		}
		tasks := map[string]int{}
		for _, name := range k.For {
			for id, n := range at[name] {
				tasks[id] += n
			}
		}
		most := stationNames[len(stationNames)-1] // the table, for what is for no food
		for _, n := range stationNames {
			if tasks[n.id] > tasks[most.id] {
				most = n
			}
		}
		k.Station = most.says
	}
}

// mostAtOnce is how many of some tasks go on at one time at most.
func mostAtOnce(tasks []Task, of []string) (most int) {
	var mine []*Task
	for i := range tasks {
		if slices.Contains(of, tasks[i].ID) {
			mine = append(mine, &tasks[i])
		}
	}
	for _, a := range mine {
		n, at := 0, moment(a.Starts)
		for _, b := range mine {
			if !moment(b.Starts).After(at) && moment(b.Ends).After(at) {
				n++
			}
		}
		most = max(most, n)
	}
	return most
}

// boards counts the trays of all jobs.
func (d *kitchenDay) boards() (n int) {
	for _, b := range d.booked {
		n += len(b.Job.Trays)
	}
	return n
}

// foodOf is the food of a task; nil where it has none.
func (d *kitchenDay) foodOf(t *Task) *food.Food {
	for n := range d.booked {
		if f, ok := d.booked[n].Larder.Get(t.Food); ok && (len(t.Jobs) == 0 || slices.Contains(t.Jobs, d.booked[n].ID)) {
			return f
		}
	}
	return nil
}

// bays are the boards of a day with several, in the order in which they are laid.
func (d *kitchenDay) bays(out *Day) (list []Bay) {
	if d.boards() < stationFrom {
		return nil
	}
	last := map[string]bool{}
	for _, k := range d.works {
		last[k.id] = k.finish || k.round == roundLast
	}
	at := map[string]int{}
	for i := range out.Tasks {
		t := &out.Tasks[i]
		if t.Kind != Lay || t.Tray == 0 {
			continue
		}
		of := ""
		if len(t.Jobs) > 0 {
			of = t.Jobs[0]
		}
		key := fmt.Sprint(of, "/", t.Tray)
		n, met := at[key]
		if !met {
			n = len(list)
			at[key] = n
			list = append(list, Bay{Job: of, Tray: t.Tray, Says: d.boardName(of, t.Tray), Foods: []string{}, Last: []string{}})
		}
		b := &list[n]
		b.Minutes = round.Tenth(b.Minutes + t.Minutes)
		from, to := &b.Starts, &b.Ends
		if last[t.ID] {
			from, to = &b.FinishStarts, &b.FinishEnds
		}
		if *from == "" {
			*from, *to = t.Starts, t.Ends
		}
		if moment(t.Ends).After(moment(*to)) {
			*to = t.Ends
		}
		switch {
		case slices.Contains(b.Foods, t.Food) || slices.Contains(b.Last, t.Food):
		case last[t.ID]:
			b.Last = append(b.Last, t.Food)
		default:
			b.Foods = append(b.Foods, t.Food)
		}
	}
	for i := range list {
		if b := &list[i]; b.Starts == "" { // all of it is laid where it is served
			b.Starts, b.Ends = b.FinishStarts, b.FinishEnds
		}
	}
	return list
}

func (d *kitchenDay) boardName(job string, tray int) string {
	for _, b := range d.booked {
		if (job == "" || b.ID == job) && tray <= len(b.Job.Trays) {
			if on := b.Job.Trays[tray-1].Board; on != nil {
				return on.Called()
			}
		}
	}
	return ""
}
