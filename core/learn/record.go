package learn

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
)

// Record is one evening as it was looked back on.
type Record struct {
	Date      string       `json:"date"` // 2026-11-30
	Occasion  string       `json:"occasion,omitempty"`
	Crowd     string       `json:"crowd,omitempty"` // who was fed: a host, a club; "" for nobody who comes again
	Guests    brief.Guests `json:"guests"`
	LastedMin float64      `json:"lasted_min"`
	Foods     []Remains    `json:"foods"`
}

// Remains is what came home of one food.
type Remains struct {
	Food      string   `json:"food"`
	ShareG    float64  `json:"share_g"` // grams for a grown-up that were reckoned with before anything was learnt
	LaidG     float64  `json:"laid_g"`
	LeftG     float64  `json:"left_g"`
	GoneAtMin *float64 `json:"gone_at_min"` // nil where nobody noted it
	Reasons   []string `json:"reasons,omitempty"`
}

// Reasons are why something was left, or not.
const (
	OutOfReach = "out of reach"
	NoTool     = "no tool"
	NotCut     = "not cut"
	TooMuch    = "too much"
	TooStrong  = "too strong"
	TooSour    = "too sour"
	Unknown    = "nobody knows it"
	RanOut     = "ran out early"
	Lovely     = "lovely"
)

// Reasons lists them in the order in which they are offered.
var Reasons = []string{OutOfReach, NoTool, NotCut, TooMuch, TooStrong, TooSour, Unknown, RanOut, Lovely}

// hindered are the reasons that say little about liking: the food was not had for another cause.
var hindered = []string{OutOfReach, NoTool, NotCut}

// MostRecords and mostFoods bound what is learnt from.
const (
	MostRecords = 2000
	mostFoods   = 400
	mostG       = 200_000
	mostMinutes = 48 * 60
)

// File is records as they are kept and exchanged.
type File struct {
	Records []Record `json:"records"`
}

// Read reads records from JSON and checks them.
func Read(raw []byte) ([]Record, error) {
	var f File
	if err := document.Read(raw, &f); err != nil {
		return nil, err
	}
	return f.Records, Check(f.Records)
}

// Check holds records against sense: an error names the first that has none.
func Check(records []Record) error {
	if len(records) > MostRecords {
		return fault.Bad("records", "%d at most are learnt from at once", MostRecords)
	}
	for i := range records {
		if err := records[i].Check(); err != nil {
			return fault.In(fmt.Sprintf("records[%d]", i), err)
		}
	}
	return nil
}

// Check holds one record against sense.
func (r *Record) Check() error {
	if _, err := time.Parse(time.DateOnly, r.Date); err != nil {
		return fault.Bad("date", "%.20q is no day; write it as 2026-11-30", r.Date)
	}
	if len(r.Crowd) > 200 || len(r.Occasion) > 40 {
		return fault.Bad("crowd", "its name is too long")
	}
	g := r.Guests
	if g.Adults < 0 || g.Children < 0 || g.Total() < 1 || g.Total() > 100_000 || g.Appetites() <= 0 {
		return fault.Bad("guests", "say how many came")
	}
	if err := fault.Between("lasted_min", r.LastedMin, 1, mostMinutes, " minutes"); err != nil {
		return err
	}
	if len(r.Foods) > mostFoods {
		return fault.Bad("foods", "%d at most", mostFoods)
	}
	for i := range r.Foods {
		if err := r.Foods[i].check(r.LastedMin); err != nil {
			return fault.In(fmt.Sprintf("foods[%d]", i), err)
		}
	}
	return nil
}

func (f *Remains) check(lasted float64) error {
	if f.Food == "" || len(f.Food) > 80 {
		return fault.Bad("food", "say which food it is")
	}
	for _, b := range []struct {
		field string
		v     float64
		least float64
	}{{"share_g", f.ShareG, 0}, {"laid_g", f.LaidG, 0}, {"left_g", f.LeftG, 0}} {
		if err := fault.Between(b.field, b.v, b.least, mostG, " g"); err != nil {
			return err
		}
	}
	if f.LeftG > f.LaidG+.05 {
		return fault.Bad("left_g", "%.0f g of %s are left of %.0f that were laid; weigh again, or count what was laid later", f.LeftG, f.Food, f.LaidG)
	}
	if f.GoneAtMin != nil {
		if err := fault.Between("gone_at_min", *f.GoneAtMin, 0, lasted, " minutes"); err != nil {
			return err
		}
		if f.LeftG > .05*f.LaidG+.05 {
			return fault.Bad("gone_at_min", "%s was gone, yet %.0f g are left; say one or the other", f.Food, f.LeftG)
		}
	}
	if len(f.Reasons) > 20 {
		return fault.Bad("reasons", "twenty at most")
	}
	return nil
}

// plain is a reason however it is written: out_of_reach, Out of reach.
var plain = strings.NewReplacer("_", " ", "-", " ")

// KnownReason reports whether a reason is one of Reasons.
func KnownReason(s string) bool {
	return slices.ContainsFunc(Reasons, func(r string) bool { return strings.EqualFold(plain.Replace(s), r) })
}

func (f *Remains) because(reason string) bool {
	return slices.ContainsFunc(f.Reasons, func(r string) bool { return strings.EqualFold(plain.Replace(r), reason) })
}

func (f *Remains) hindered() bool { return slices.ContainsFunc(hindered, f.because) }

// GoneShare is the part of what was laid, 0 to 1, up to which what is left counts as nothing: crumbs.
const GoneShare = .02

// emptied reports whether nothing to speak of was left.
func (f *Remains) emptied() bool { return f.LeftG <= math.Max(GoneShare*f.LaidG, .05) }
