// Package job is an occasion: its brief, the foods as they were when it was planned, and
// one or more trays. It is what is saved, and this package alone knows how it lies in a
// file.
package job

import (
	"fmt"
	"slices"

	"happytray/core/bite"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/tray"
)

// MaxElements bounds the elements of all trays of a job together, and MaxFoods the foods
// that a file keeps.
const (
	MaxElements = 1600
	MaxFoods    = 400
)

// maxSays bounds what a plan has to say, and maxBites how many bites its trays may tell of.
const (
	maxSays  = 20
	maxBites = 3 * tray.MaxTrays
)

// Job is an occasion with its trays, one at least: while only briefed that one has no board.
type Job struct {
	Title string
	Brief brief.Brief
	Foods []Planned // as they were when the job was planned
	Trays []*tray.Tray
	Bites []bite.Bite    // what is eaten together, as planned
	Says  []say.Text     // what whoever planned it has to be told: over the budget, too little board
	Extra document.Extra // members of the file that this version does not know
}

// New is a job of which only the brief is there.
func New(title string, b brief.Brief) *Job {
	return &Job{Title: title, Brief: b, Trays: []*tray.Tray{{Brief: b, Rules: b.HouseRules(), Seed: 1}}}
}

// Clone is a copy that shares no tray with j.
func (j *Job) Clone() *Job {
	c := *j
	c.Foods = slices.Clone(j.Foods)
	c.Trays = make([]*tray.Tray, len(j.Trays))
	for i, t := range j.Trays {
		c.Trays[i] = t.Clone()
	}
	return &c
}

// With is the job with another tray in a place; the others are shared.
func (j *Job) With(which int, t *tray.Tray) *Job {
	c := *j
	c.Trays = slices.Clone(j.Trays)
	c.Trays[which] = t
	return &c
}

// checkOrder bounds the order of hands as it is wished.
func checkOrder(order []string) error {
	if len(order) > tray.MaxElements {
		return fault.Bad("order", "at most %d steps", tray.MaxElements)
	}
	for i, s := range order {
		if err := fault.Text(fmt.Sprintf("order[%d]", i), s, 160); err != nil {
			return err
		}
	}
	return nil
}

// Check reports the first thing in the job that cannot be worked with.
func (j *Job) Check(larder *food.Larder) error {
	if len(j.Foods) > MaxFoods {
		return fault.Bad("foods", "at most %d foods", MaxFoods)
	}
	for i := range j.Foods {
		if err := j.Foods[i].Check(); err != nil {
			return fault.In(fmt.Sprintf("foods[%d]", i), err)
		}
	}
	if err := fault.Text("title", j.Title, 160); err != nil {
		return err
	}
	if len(j.Says) > maxSays {
		return fault.Bad("says", "at most %d sentences", maxSays)
	}
	for i, s := range j.Says {
		if err := fault.Text(fmt.Sprintf("says[%d]", i), s.String(), 400); err != nil {
			return err
		}
	}
	if err := j.checkBites(); err != nil {
		return err
	}
	if err := j.Brief.Check(); err != nil {
		return fault.In("brief", err)
	}
	if len(j.Trays) == 0 || len(j.Trays) > tray.MaxTrays {
		return fault.Bad("further", "at most %d further trays", tray.MaxTrays-1)
	}
	larder = j.Larder(larder)
	all := 0
	for i, t := range j.Trays {
		at := ""
		if i > 0 {
			at = fmt.Sprintf("further[%d]", i-1)
		}
		if all += len(t.Elements); all > MaxElements {
			return fault.In(at, fault.Bad("elements", "at most %d elements on all trays of a job together", MaxElements))
		}
		err := t.Check(larder)
		if err == nil {
			err = checkOrder(t.Order)
		}
		if err != nil && i > 0 {
			err = fault.In(at, err)
		}
		if err != nil {
			return err
		}
	}
	return nil
}

func (j *Job) checkBites() error {
	if len(j.Bites) > maxBites {
		return fault.Bad("bites", "at most %d bites", maxBites)
	}
	for i, b := range j.Bites {
		at := fmt.Sprintf("bites[%d].", i)
		if len(b.Foods) < 2 || len(b.Foods) > 6 {
			return fault.Bad(at+"foods", "a bite is of two to six foods")
		}
		for _, text := range append([]string{b.Name, b.Why}, b.Foods...) {
			if err := fault.Text(at+"name", text, 300); err != nil {
				return err
			}
		}
	}
	return nil
}
