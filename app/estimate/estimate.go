// Package estimate says what follows from a brief before anything is laid: grams,
// kinds, board, minutes, money and how long the food may stand, and what of it
// does not work out.
package estimate

import (
	"math"
	"slices"
	"time"

	"happytray/core/access"
	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/portion"
	"happytray/core/prep"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/shop"
	"happytray/core/tray"
)

// Grams is the share of one category.
type Grams struct {
	Category food.Category `json:"category"`
	Grams    float64       `json:"grams"`
}

// Kinds is how many foods of one category are suggested.
type Kinds struct {
	Category food.Category `json:"category"`
	Count    int           `json:"count"` // foods
}

// Tray is one of the job's trays.
type Tray struct {
	Name   string  `json:"name"` // of its board
	Who    string  `json:"who"`
	Copies int     `json:"copies"` // laid alike, at least 1
	Share  float64 `json:"share"`  // 0 to 1 of what all guests eat
}

// Estimate is what follows from a brief.
type Estimate struct {
	Appetites    float64        `json:"appetites"` // of a grown-up, as Guests.Appetites counts them
	Grams        []Grams        `json:"grams"`
	TotalG       float64        `json:"total_g"`
	Kinds        []Kinds        `json:"kinds"`
	OffTheTray   []string       `json:"off_the_tray"`
	Board        *board.Board   `json:"-"` // of the first tray
	Trays        []Tray         `json:"trays"`
	RoomCM2      float64        `json:"room_cm2"` // that what is planned wants
	ReserveG     float64        `json:"reserve_g"`
	Surfaces     []plan.Surface `json:"surfaces"`
	Minutes      float64        `json:"minutes"`     // of handwork
	BasketCost   int            `json:"basket_cost"` // minor units
	Budget       int            `json:"budget"`      // minor units, in all; 0 for none
	Over         int            `json:"over"`        // how far the basket is over the budget; below 0 what is to spare
	Holding      say.Text       `json:"holding"`
	HoldMinutes  float64        `json:"hold_minutes"`
	LastsMinutes float64        `json:"lasts_minutes"` // how long guests graze
	Says         []say.Text     `json:"says"`
	Carries      int            `json:"carries"` // guests that the brief's packs make a board for; 0 where there are none
	Apart        bool           `json:"apart"`   // a plate apart for some guests would leave much to the others
}

// FromBrief works a brief out. now is the present minute in the zone of the house, or the zero
// time where it does not matter; it tells a serving time that has passed.
func FromBrief(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet, now time.Time) (Estimate, error) {
	job, err := plan.FromBrief(b, larder, cabinet)
	if err != nil {
		return Estimate{}, err
	}
	b, larder = job.Brief, job.Larder(larder)
	out := Estimate{Appetites: b.Guests.Appetites(), OffTheTray: plan.ForBoard(b).OffTheTray(), Board: job.Trays[0].Board, Minutes: prep.Minutes(job, larder)}
	basket := shop.NewBasket(job, larder)
	out.BasketCost, out.Budget, out.Over = basket.BasketCost, basket.Budget, basket.Over
	if out.OffTheTray == nil {
		out.OffTheTray = []string{}
	}
	if len(b.Packs) > 0 {
		out.Carries = plan.Carried(b, larder)
	}
	out.HoldMinutes, out.Holding = safety.HoldingTime(b)
	out.LastsMinutes = b.Lasts()
	chosen := chosenOf(job, larder)
	shares, kinds := portion.Shares(b, amount.Meatless(chosen)), pick.KindsFor(b, plan.Under(b, cabinet))
	for _, cat := range food.Categories {
		if g := shares[cat]; g > 0 {
			out.TotalG += g
			out.Grams = append(out.Grams, Grams{cat, math.Round(g)})
		}
		if n := kinds[cat]; n > 0 {
			out.Kinds = append(out.Kinds, Kinds{cat, n})
		}
	}
	out.TotalG = math.Round(out.TotalG)
	for _, one := range job.Trays {
		t := Tray{Name: one.Board.Name, Copies: one.Copies(), Share: 1}
		if one.Part != nil {
			t.Who = one.Part.Who
			if one.Part.Share > 0 {
				t.Share = one.Part.Share
			}
		}
		out.Trays = append(out.Trays, t)
		for _, r := range one.Reserve {
			out.ReserveG += r.Grams * float64(one.Copies())
		}
	}
	out.ReserveG = math.Round(out.ReserveG)
	out.Surfaces = []plan.Surface{}
	if !b.Plates() {
		amounts := amount.Apportion(b, chosen)
		out.RoomCM2 = math.Round(plan.BoardAreaCM2(b, amounts, cabinet))
		out.Surfaces = plan.Surfaces(b, amounts, cabinet, 3)
	}
	out.Apart = len(plan.ForSome(b, larder)) > 0
	out.Says = says(b, job, larder, out, now)
	return out, nil
}

// chosenOf lists the foods of all trays as a choice.
func chosenOf(job *job.Job, larder *food.Larder) []pick.Choice {
	var out []pick.Choice
	weighed, grams := job.Brief, job.GramsOf()
	weighed.Foods, weighed.Pins = plan.Wants(job), nil
	for _, w := range weighed.Weighed().Foods {
		if f, ok := larder.Get(w.Food); ok {
			c := pick.Choice{Food: f, Form: w.Form, Grams: w.Grams}
			if job.Brief.HasPacks(f.ID) && c.Grams == 0 {
				c.Grams, c.Packed = grams[f.ID], true
			}
			out = append(out, c)
		}
	}
	return out
}

// whileLaying is how much longer than it warms up what is laid is out of the cold, minutes.
const whileLaying = 10

// waves is how many boards that follow each other hold an evening of lasts minutes, and every how many minutes, where each may stand
// for holds minutes before guests; none where they follow each other already, where they travel, or where no number does.
func waves(b brief.Brief, lasts, holds float64) (n, every int) {
	if b.WaveMinutes > 0 || b.Travels.Yes || b.Plates() || holds <= whileLaying {
		return 0, 0
	}
	n = max(2, int(math.Ceil(lasts/(holds-whileLaying))))
	every = 5 * int(math.Ceil(lasts/float64(n)/5))
	if n > brief.MostWaves || every < brief.LeastWave || n > b.Guests.Total() {
		return 0, 0
	}
	return n, every
}

// says names in plain sentences what follows, and what does not work out.
func says(b brief.Brief, job *job.Job, larder *food.Larder, o Estimate, now time.Time) []say.Text {
	out := []say.Text{}
	add := func(code string, with ...say.Value) { out = append(out, say.That(code, with...)) }
	if at, ok := b.ServeTime(now.Location()); ok && !now.IsZero() && at.Before(now.Truncate(time.Minute)) {
		add("outlook.passed")
	}
	if b.Plates() {
		add("outlook.plates", say.N(b.Guests.Total()))
	} else if len(o.Trays) == 1 {
		add("outlook.board", say.Word(job.Trays[0].Board.Called()), say.CM2(job.Trays[0].Board.UsableMM2()/100/math.Max(1, o.Appetites)))
	}
	out = append(out, job.Says...)
	out = append(out, plan.SayForSome(b, larder)...)
	chosen := chosenOf(job, larder)
	foods := make([]*food.Food, len(chosen))
	for i, c := range chosen {
		foods[i] = c.Food
	}
	out = append(out, plan.SayFrail(b, foods)...)
	ownBoard := len(b.Boards) > 0 || b.Board != nil && !b.Board.Zero()
	if held := o.ReserveG; held > .3*o.TotalG && ownBoard {
		s := say.That("outlook.small", say.Grams(held))
		if len(o.Surfaces) > 0 {
			s = s.Then("outlook.larger")
		} else {
			s = s.Then("outlook.boards", say.N(int(math.Ceil(o.RoomCM2*100/math.Max(1, job.Trays[0].Board.UsableMM2())))))
		}
		out = append(out, s)
	}
	if o.Over > 0 {
		add("outlook.budget", say.Percent(100*(float64(o.BasketCost)/float64(o.Budget)-1)))
	}
	lasts, before := b.Lasts(), safety.OutBefore(b, foods)
	if b.WaveMinutes > 0 && b.Copies > 1 { // each board has its part of the evening
		lasts = min(lasts, max(float64(b.WaveMinutes), lasts-float64((b.Copies-1)*b.WaveMinutes)))
	}
	if before+lasts > o.HoldMinutes {
		long := say.That("outlook.lasts", say.Minutes(lasts), say.Minutes(o.HoldMinutes), say.Minutes(before))
		if n, every := waves(b, lasts, o.HoldMinutes-before); n > 0 {
			long = long.Then("outlook.waves", say.N(n), say.N(every))
		}
		out = append(out, long)
	}
	if b.RoadCold == "" && b.Travels.Minutes > 0 && b.Travels.Minutes+before+lasts > o.HoldMinutes {
		add("outlook.road", say.Minutes(b.Travels.Minutes), say.Minutes(b.Lasts()), say.Minutes(o.HoldMinutes))
	}
	if b.Warmth() <= 5 {
		add("outlook.cold", say.Celsius(12))
	}
	for _, one := range job.Trays {
		if far := unreached(b.Access, one.Board.Outline.Bounds()); far > 0 && !b.Plates() {
			add("outlook.reach", say.MM(far), say.Food(one.Board.Called()))
			break
		}
	}
	switch b.Photographed {
	case "above":
		add("outlook.above")
	case "slant":
		add("outlook.slant")
	}
	named := 0
	for _, d := range b.Diets {
		named += d.Count
	}
	if named > b.Guests.Total() {
		add("outlook.counts", say.N(named), say.N(b.Guests.Total()))
	}
	for _, a := range o.OffTheTray {
		if brief.IsAllergen(a) {
			add("outlook.off", say.Word(a))
		}
	}
	for _, g := range b.Groups() {
		if b.Plates() || len(g.Avoid) == 0 {
			continue
		}
		for _, one := range job.Trays {
			if lacks := lacking(one, larder, g.Avoid); len(lacks) > 0 && (one.Part == nil || one.Part.Share > 0) {
				add("outlook.lacks", say.Word(g.Who), say.Food(one.Board.Called()), say.Any(say.Words(lacks)...))
			}
		}
	}
	return out
}

// unreached is how deep the part of a board is that nobody can reach from the sides
// where guests stand, mm; 0 where all of it can be, as from all round.
func unreached(from []string, box geom.Rect) float64 {
	if len(from) == 0 {
		from = []string{"top", "right", "bottom", "left"}
	}
	strip := func(near, across string, wide float64) float64 { // between two opposite sides
		switch sides := b2i(slices.Contains(from, near)) + b2i(slices.Contains(from, across)); sides {
		case 0:
			return math.Inf(1)
		default:
			return math.Max(0, wide-float64(sides)*access.Reach)
		}
	}
	return math.Min(strip("top", "bottom", box.H()), strip("left", "right", box.W()))
}

func b2i(v bool) int {
	if v {
		return 1
	}
	return 0
}

// lacking lists the parts of a plate that somebody who avoids words misses on a tray.
func lacking(one *tray.Tray, larder *food.Larder, avoid []string) []string {
	var have, others food.Part
	for _, id := range one.Foods() {
		f, ok := larder.Get(id)
		if !ok {
			continue
		}
		others |= f.PartOf()
		if diet.CanEat(avoid, f) {
			have |= f.PartOf()
		}
	}
	var out []string
	for _, p := range food.Parts {
		if have&p.Part == 0 && !(p.Besides() && others&p.Part == 0) {
			out = append(out, p.Says)
		}
	}
	return out
}
