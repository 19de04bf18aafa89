// Package evening is what was noted of one: what was laid and what came home, when it was gone and why, what was laid
// later, and what was said. It knows no clock and keeps nothing; how it is kept and sent is for others.
package evening

import (
	"cmp"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"
	"time"

	"happytray/core/amount"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/learn"
	"happytray/core/pick"
	"happytray/core/round"
)

// Evening is what was noted of one: while it went on and when it was looked back on.
type Evening struct {
	ID        string       `json:"id"`            // its job's, where it has one
	Job       string       `json:"job,omitempty"` // "" where it was noted without one
	Title     string       `json:"title"`
	Crowd     string       `json:"crowd"`
	Date      string       `json:"date"` // 2026-11-30
	Occasion  string       `json:"occasion"`
	Guests    brief.Guests `json:"guests"`
	LastedMin float64      `json:"lasted_min"`
	Trays     []LaidOn     `json:"trays,omitempty"`
	Dishes    []Dish       `json:"dishes"`
	Notes     []Note       `json:"notes"`
	Done      bool         `json:"done"`             // it was looked back on; before that only what was noted on the evening is there
	Topped    []ToppedUp   `json:"topped,omitempty"` // what was laid later, in order; it is in LaidG of its dish
	Kept      []string     `json:"kept,omitempty"`   // foods whose remains went into the cupboard

	Work []learn.Stint `json:"work,omitempty"` // how long it took, as it was ticked at the counter
}

// LaidOn is what a tray was laid on and how.
type LaidOn struct {
	Board string `json:"board"` // its name
	Style string `json:"style,omitempty"`
}

// Dish is one element of the evening's trays, or a food where it was noted without a tray.
type Dish struct {
	Tray      int      `json:"tray"` // from 0
	Element   string   `json:"element,omitempty"`
	Food      string   `json:"food"`
	Form      string   `json:"form,omitempty"`
	ShareG    float64  `json:"share_g"` // of its food, for a grown-up, before anything was learnt
	LaidG     float64  `json:"laid_g"`
	LeftG     float64  `json:"left_g"`
	GoneAtMin *float64 `json:"gone_at_min"`
	Reasons   []string `json:"reasons"`
	Foreseen  *Range   `json:"foreseen,omitempty"` // grams left
}

// ToppedUp is more of a food, laid while the evening went on.
type ToppedUp struct {
	ID      string  `json:"id,omitempty"` // as what it was noted where it was made
	AtMin   float64 `json:"at_min"`       // after serving
	Tray    int     `json:"tray"`         // from 0
	Element string  `json:"element"`
	Food    string  `json:"food"`
	Grams   float64 `json:"grams"`
	// GoneAtMin is when its dish had been gone, for when this is taken back.
	GoneAtMin *float64 `json:"gone_at_min,omitempty"`
}

// Range is what a number is in one, five and nine of ten evenings.
type Range = graze.Range

// Note is something that was said of an evening.
type Note struct {
	ID   string    `json:"id,omitempty"` // as what it was noted where it was made
	At   time.Time `json:"at"`
	Says string    `json:"says"`
}

// The bounds of what is noted.
const (
	mostDishes   = 1200
	mostNotes    = 60
	mostTopped   = 400
	mostNoteSays = 1000
	mostGrams    = 100_000 // laid later at once
)

// CrowdOf is who is fed: what they eat is remembered by it.
func CrowdOf(b brief.Brief) string { return strings.TrimSpace(cmp.Or(b.Crowd, b.Host)) }

// New is a job's evening before anybody noted anything: every element laid, and nothing left to say yet. today is its
// day where its brief names none.
func New(id string, j *job.Job, larder *food.Larder, today string) Evening {
	b := j.Brief
	out := Evening{ID: id, Job: id, Title: j.Title, Crowd: CrowdOf(b), Date: cmp.Or(b.ServeDay(), today), Occasion: b.For(), Guests: b.Guests, LastedMin: b.Lasts(), Dishes: []Dish{}, Notes: []Note{}}
	shares := SharesOf(j, larder)
	for n, t := range j.Trays {
		times := float64(t.Copies())
		on := LaidOn{Style: t.Rules.Style}
		if t.Board != nil {
			on.Board = t.Board.Name
		}
		out.Trays = append(out.Trays, on)
		for i := range t.Elements {
			e := &t.Elements[i]
			f, ok := larder.Get(e.Food)
			if !ok || f.Category == food.NotFood || f.Category == food.Garnish || !e.Placed || e.Grams <= 0 {
				continue
			}
			out.Dishes = append(out.Dishes, Dish{Tray: n, Element: e.ID, Food: e.Food, Form: e.Form, ShareG: shares[e.Food], LaidG: round.Tenth(e.Grams * times), Reasons: []string{}})
		}
	}
	return out
}

// SharesOf are the grams for a grown-up that a job's foods are reckoned with before anything was learnt.
func SharesOf(j *job.Job, larder *food.Larder) map[string]float64 {
	var chosen []pick.Choice
	met := map[string]bool{}
	for _, t := range j.Trays {
		for _, e := range t.Elements {
			if f, ok := larder.Get(e.Food); ok && !met[e.Food] {
				met[e.Food] = true
				chosen = append(chosen, pick.Choice{Food: f, Form: e.Form})
			}
		}
	}
	out := map[string]float64{}
	for _, x := range amount.Apportion(j.Brief, chosen) {
		out[x.Food.ID] = round.Tenth(x.Usual / math.Max(.5, j.Brief.Guests.Appetites()))
	}
	return out
}

// Check holds an evening against sense.
func (e *Evening) Check() error {
	if len(e.Dishes) > mostDishes {
		return fault.Bad("dishes", "%d at most", mostDishes)
	}
	if len(e.Topped) > mostTopped {
		return fault.Bad("topped", "%d at most", mostTopped)
	}
	if len(e.Notes) > mostNotes {
		return fault.Bad("notes", "%d at most", mostNotes)
	}
	if len(e.Work) > learn.MostStints {
		return fault.Bad("work", "%d at most", learn.MostStints)
	}
	for i, s := range e.Work {
		if err := s.Check(); err != nil {
			return fault.In(fmt.Sprintf("work[%d]", i), err)
		}
	}
	for i, n := range e.Notes {
		if err := fault.Text(fmt.Sprintf("notes[%d].says", i), n.Says, mostNoteSays); err != nil {
			return err
		}
	}
	if err := fault.First(func() error { return fault.Text("title", e.Title, 160) }, func() error { return fault.Text("crowd", e.Crowd, 160) }); err != nil {
		return err
	}
	for i := range e.Dishes {
		for _, r := range e.Dishes[i].Reasons {
			if !slices.Contains(learn.Reasons, r) {
				return fault.Bad(fmt.Sprintf("dishes[%d].reasons", i), "%.40q is no reason; known are %s", r, strings.Join(learn.Reasons, ", "))
			}
		}
	}
	// each dish by itself, as it stands on the table, then all of them by food
	one := e.record(func(d Dish) string { return d.Food + "\x00" + d.Element + fmt.Sprint(d.Tray) })
	for i := range one.Foods {
		one.Foods[i].Food, _, _ = strings.Cut(one.Foods[i].Food, "\x00")
		single := one
		single.Foods = one.Foods[i : i+1]
		if err := single.Check(); err != nil {
			return fault.In(fmt.Sprintf("dishes[%d]", i), err)
		}
	}
	r := e.Record()
	return r.Check()
}

// Record is the evening as it is learnt from: its dishes by food.
func (e *Evening) Record() learn.Record { return e.record(func(d Dish) string { return d.Food }) }

func (e *Evening) record(key func(Dish) string) learn.Record {
	out := learn.Record{Date: e.Date, Occasion: e.Occasion, Crowd: e.Crowd, Guests: e.Guests, LastedMin: e.LastedMin}
	at := map[string]int{}
	for _, d := range e.Dishes {
		i, met := at[key(d)]
		if !met {
			i = len(out.Foods)
			at[key(d)] = i
			out.Foods = append(out.Foods, learn.Remains{Food: key(d), ShareG: d.ShareG, GoneAtMin: d.GoneAtMin, Reasons: []string{}})
		}
		f := &out.Foods[i]
		f.LaidG, f.LeftG = f.LaidG+d.LaidG, f.LeftG+d.LeftG
		switch { // a food is gone when the last of it is
		case d.GoneAtMin == nil || f.GoneAtMin == nil:
			f.GoneAtMin = nil
		case *d.GoneAtMin > *f.GoneAtMin:
			f.GoneAtMin = d.GoneAtMin
		}
		for _, r := range d.Reasons {
			if !slices.Contains(f.Reasons, r) {
				f.Reasons = append(f.Reasons, r)
			}
		}
	}
	return out
}

// Same reports whether two evenings say the same.
func (e *Evening) Same(other *Evening) bool { return reflect.DeepEqual(e.Plain(), other.Plain()) }

// Plain is the evening as it is kept: lists are empty where there is nothing, or left out.
func (e *Evening) Plain() Evening {
	out := *e
	out.Dishes = slices.Clone(e.Dishes)
	for i := range out.Dishes {
		if len(out.Dishes[i].Reasons) == 0 {
			out.Dishes[i].Reasons = []string{} // a list in the file, too
		}
	}
	if len(out.Dishes) == 0 {
		out.Dishes = []Dish{}
	}
	if len(out.Notes) == 0 {
		out.Notes = []Note{}
	}
	if len(out.Trays) == 0 {
		out.Trays = nil
	}
	if len(out.Topped) == 0 {
		out.Topped = nil
	}
	if len(out.Kept) == 0 {
		out.Kept = nil
	}
	if len(out.Work) == 0 {
		out.Work = nil
	}
	return out
}

// Compared reports whether what had been foreseen stands beside what came home already.
func (e *Evening) Compared() bool {
	return slices.ContainsFunc(e.Dishes, func(d Dish) bool { return d.Foreseen != nil })
}

// Foresee puts beside what came home what had been foreseen.
func (e *Evening) Foresee(f graze.Forecast) {
	for k := range f.Elements {
		x := &f.Elements[k]
		for i := range e.Dishes {
			if d := &e.Dishes[i]; d.Tray == max(1, x.Tray)-1 && d.Element == x.ID {
				left := x.LeftG
				d.Foreseen = &left
			}
		}
	}
}

// TakeForeseen takes what had been foreseen from another that was compared, where it is not there yet.
func (e *Evening) TakeForeseen(from *Evening) {
	for i := range e.Dishes {
		d := &e.Dishes[i]
		if k := from.find(d.Tray, d.Element, d.Food); k >= 0 && d.Foreseen == nil {
			d.Foreseen = from.Dishes[k].Foreseen
		}
	}
}

// TakeWork notes how long the work took, where somebody ticked it.
func (e *Evening) TakeWork(work []learn.Stint) {
	if len(work) > 0 {
		e.Work = work
	}
}

func (e *Evening) find(tray int, element, food string) int {
	return slices.IndexFunc(e.Dishes, func(d Dish) bool { return d.Tray == tray && d.Element == element && d.Food == food })
}

// Gone notes that an element was gone after so many minutes, or that it was not after all.
func (e *Evening) Gone(tray int, element string, gone bool, minute float64) error {
	i := slices.IndexFunc(e.Dishes, func(d Dish) bool { return d.Tray == tray && d.Element == element })
	if i < 0 {
		return fault.Bad("element", "there is no such thing on this tray")
	}
	d := &e.Dishes[i]
	d.GoneAtMin, d.LeftG = nil, 0
	if gone {
		d.GoneAtMin = &minute
	}
	return nil
}

// TopUp notes that so many grams more of a food were laid after so many minutes: where it was gone, or else where least
// of it was laid. The same key, where there is one, counts once.
func (e *Evening) TopUp(key string, tray int, food string, grams, minute float64) error {
	if key != "" && slices.ContainsFunc(e.Topped, func(t ToppedUp) bool { return t.ID == key }) {
		return nil
	}
	to := -1
	for i := range e.Dishes {
		d := &e.Dishes[i]
		if d.Tray != tray || d.Food != food || d.Element == "" {
			continue
		}
		gone := d.GoneAtMin != nil
		if to < 0 || gone && e.Dishes[to].GoneAtMin == nil || gone == (e.Dishes[to].GoneAtMin != nil) && d.LaidG < e.Dishes[to].LaidG {
			to = i
		}
	}
	if to < 0 {
		return fault.Bad("food", "none of it was laid on this tray, so there is nothing to top up")
	}
	if math.IsNaN(grams) || grams < .1 || grams > mostGrams {
		return fault.Bad("grams", "should be between 0.1 and %d", mostGrams)
	}
	d := &e.Dishes[to]
	e.Topped = append(slices.Clone(e.Topped), ToppedUp{key, minute, tray, d.Element, food, grams, d.GoneAtMin})
	d.LaidG, d.GoneAtMin = round.Tenth(d.LaidG+grams), nil
	return nil
}

// TakeBack takes what was noted as laid later back: the entry of that key, which may be gone already, or the last one
// where none is named.
func (e *Evening) TakeBack(key string) error {
	at := len(e.Topped) - 1
	if key != "" {
		if at = slices.IndexFunc(e.Topped, func(t ToppedUp) bool { return t.ID == key }); at < 0 {
			return nil
		}
	}
	if at < 0 {
		return fault.Bad("topped", "nothing was noted as topped up")
	}
	last := e.Topped[at]
	e.Topped = slices.Delete(slices.Clone(e.Topped), at, at+1)
	if i := e.find(last.Tray, last.Element, last.Food); i >= 0 {
		d := &e.Dishes[i]
		d.LaidG = round.Tenth(math.Max(0, d.LaidG-last.Grams))
		d.LeftG = math.Min(d.LeftG, d.LaidG)
		d.GoneAtMin = cmp.Or(d.GoneAtMin, last.GoneAtMin)
	}
	return nil
}

// Note notes something that was said at a time. The same key, where there is one, counts once.
func (e *Evening) Note(key string, at time.Time, says string) error {
	if key != "" && slices.ContainsFunc(e.Notes, func(n Note) bool { return n.ID == key }) {
		return nil
	}
	if strings.TrimSpace(says) == "" {
		return fault.Bad("says", "write what is to be remembered")
	}
	e.Notes = append(slices.Clone(e.Notes), Note{key, at, strings.TrimSpace(says)})
	return nil
}

// Came is what came home of a dish, or when it was gone, and why.
type Came struct {
	Tray      int // from 0
	Element   string
	Food      string
	LeftG     float64
	GoneAtMin *float64
	Reasons   []string
}

// Home notes what came home of some dishes.
func (e *Evening) Home(came []Came) error {
	for n, c := range came {
		i := e.find(c.Tray, c.Element, c.Food)
		if i < 0 {
			return fault.Bad(fmt.Sprintf("dishes[%d]", n), "there is no such thing on this tray")
		}
		e.Dishes[i].LeftG, e.Dishes[i].GoneAtMin, e.Dishes[i].Reasons = c.LeftG, c.GoneAtMin, c.Reasons
	}
	return nil
}

// Clone is a copy that can be changed.
func (e Evening) Clone() Evening {
	e.Dishes, e.Notes, e.Topped, e.Kept, e.Work = slices.Clone(e.Dishes), slices.Clone(e.Notes), slices.Clone(e.Topped), slices.Clone(e.Kept), slices.Clone(e.Work)
	return e
}
