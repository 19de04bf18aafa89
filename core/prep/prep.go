// Package prep turns a laid tray into the work of hands: the ordered steps with
// counts and minutes, the kit to put out, and the usual cautions.
package prep

import (
	"math"
	"sort"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/drink"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/tray"
)

// Step is one thing to do, for one food in one form.
type Step struct {
	Number   int      `json:"number"` // from 1, in the order of hands
	Title    string   `json:"title"`
	Says     say.Text `json:"says"`
	Elements []string `json:"elements"`
	Food     string   `json:"food"`
	Form     string   `json:"form"`
	Pieces   int      `json:"pieces"` // of all its elements
	Grams    float64  `json:"grams"`
	Groups   int      `json:"groups"` // elements, each in its own place
	Minutes  float64  `json:"minutes"`
	Late     bool     `json:"late"`           // only just before serving
	Part     say.Text `json:"part"`           // of the order of laying that it belongs to
	Held     bool     `json:"held,omitempty"` // the board is ready ahead, and this is laid when it was out of the cold again: its place is held open
	After    []Need   `json:"after"`          // what must be laid before it, and why

	part             say.Value // what it says, within another sentence
	onPlate, onStand raised
}

// raised is what of a step is set up above the board.
type raised struct {
	groups int
	mm     float64 // the highest of them
}

func (r *raised) add(groups int, mm float64) { r.groups, r.mm = r.groups+groups, math.Max(r.mm, mm) }

// says adds to a step of so many groups how it is set up: all of them in one sentence, else how many.
func (r raised) says(step say.Text, groups int, all, some string) say.Text {
	switch {
	case r.groups == 0:
		return step
	case r.groups < groups:
		return step.Then(some, say.MM(r.mm), say.N(r.groups))
	}
	return step.Then(all, say.MM(r.mm))
}

// Need is a step that must come before another.
type Need struct {
	Step int      `json:"step"` // its Number
	Why  say.Text `json:"why"`
}

// Sheet is everything a helper needs at the counter.
type Sheet struct {
	Steps    []Step        `json:"steps"`
	Kit      []Kit         `json:"kit"`
	Cautions []say.Text    `json:"cautions"`
	Drinks   []drink.Drink `json:"drinks"` // what to drink with it, one without alcohol first
	Minutes  float64       `json:"minutes"`
	ColdOut  float64       `json:"cold_out_min"` // the longest warm-up, minutes before serving
	Begin    float64       `json:"begin_min"`    // when to begin: all handwork done by the time the coldest thing comes out
}

// layEach is how long a group takes that is set down, minutes.
const layEach = food.LayMinutes

// Minutes is the handwork for all trays of a job.
func Minutes(j *job.Job, larder *food.Larder) float64 {
	all := 0.0
	for _, one := range j.Trays {
		all += Order(one, larder).Minutes
	}
	return all
}

// Order makes the sheet for one tray, or for as many as are laid alike: bowls, cheese in whatever form, meat, crackers, what is
// dry, open juicy fruit, what closes the gaps, greens and toppings last, as the house begins it.
func Order(t *tray.Tray, larder *food.Larder) Sheet {
	type key struct {
		layer      int
		food, form string
	}
	at := map[key]int{}
	var steps []Step
	ranks := map[int]int{} // of steps: what is laid before what
	sheet := Sheet{Steps: []Step{}, Kit: []Kit{}}
	copies := t.Copies()
	ahead := chilledWhole(t.Brief)
	var said []say.Text // what single foods are to be careful of
	for i := range t.Elements {
		e := &t.Elements[i]
		f, ok := larder.Get(e.Food)
		if !ok {
			continue
		}
		spec, _ := f.Spec(e.Form)
		k := key{e.Layer, e.Food, e.Form}
		n, seen := at[k]
		if !seen {
			n = len(steps)
			at[k] = n
			ranks[n] = layingRank(f, e, t.Rules.Begin)*mostLayers + min(max(0, e.Layer), mostLayers-1)
			steps = append(steps, Step{Title: f.Name, Food: f.ID, Form: e.Form, Elements: []string{}, Part: partOf(f, e), Held: ahead && finishes(f, e.Form),
				Late: e.Wetness == food.Crisp || e.Wetness == food.Juicy && e.Vessel == "" || f.Category == food.Garnish})
		}
		s := &steps[n]
		s.Elements = append(s.Elements, e.ID)
		s.Pieces += e.Count * copies
		s.Grams = math.Round((s.Grams+e.Grams*float64(copies))*10) / 10
		s.Groups += copies
		switch up := e.RaisedMM(); {
		case up >= tray.StandMM:
			s.onStand.add(copies, up)
		case up > 0:
			s.onPlate.add(copies, up)
		}
		s.Minutes += (spec.Seconds*float64(e.Count)/60 + layEach) * float64(copies)
		sheet.ColdOut = math.Max(sheet.ColdOut, float64(f.WarmUpMin))
		if f.Caution != "" && !seen {
			said = append(said, say.That("named", say.Word(f.Name), say.Word(f.Caution)))
		}
	}
	order := make([]int, len(steps))
	for i := range order {
		order[i] = i
	}
	sort.SliceStable(order, func(a, b int) bool { return ranks[order[a]] < ranks[order[b]] })
	needs := needsOf(t, steps, order)
	order = wished(t.Order, steps, order, needs)
	place := make([]int, len(steps))
	for n, i := range order {
		place[i] = n + 1
	}
	for n, i := range order {
		s := steps[i]
		s.Number = n + 1
		s.After = []Need{}
		for _, need := range needs[i] {
			s.After = append(s.After, Need{place[need.Step], need.Why})
		}
		f, _ := larder.Get(s.Food)
		s.says(f != nil && f.Category == food.Cheese && t.Rules.Begins())
		sheet.Minutes += s.Minutes
		s.Minutes = round.Tenth(s.Minutes)
		sheet.Steps = append(sheet.Steps, s)
	}
	sheet.Minutes = math.Round(sheet.Minutes)
	sheet.Begin = sheet.Minutes + sheet.ColdOut
	c := counter{at: map[string]int{}}
	serving(&c, []*tray.Tray{t}, t.Brief.Guests.Total()*copies, larder)
	sheet.Kit = c.kit
	sort.Slice(sheet.Kit, func(i, j int) bool { return sheet.Kit[i].What < sheet.Kit[j].What })
	sheet.Drinks = drink.With(t, larder)
	sheet.Cautions = append(append(cautions(t.Brief), advised(t, larder)...), said...)
	return sheet
}

// says puts a step into words; what is to be cut is begun, because nobody likes to make the first cut.
func (s *Step) says(begin bool) {
	how := say.Word(food.FormByID(s.Form).Says())
	code, with := "step.pieces", []say.Value{say.N(s.Pieces), say.Grams(s.Grams), how}
	switch {
	case food.InVessel(s.Form):
		code, with = "step.bowl", []say.Value{say.Grams(s.Grams), how}
	case food.Has(s.Form, food.AsItComes) && begin:
		code, with = "step.begun", []say.Value{say.N(s.Pieces), how}
	case food.Has(s.Form, food.AsItComes|food.Curled|food.NotEaten):
		code, with = "step.whole", []say.Value{say.N(s.Pieces), how}
	case s.Grams < lightG:
		code, with = "step.few", []say.Value{say.N(s.Pieces), how}
	}
	s.Says, s.part = say.That(code, with...), say.Part(code, with...)
	if s.Groups > 1 {
		s.Says = s.Says.Then("step.places", say.N(s.Groups))
		s.part = say.Part("step.in", s.part, say.N(s.Groups))
	}
	s.Says = s.onStand.says(s.Says, s.Groups, "step.stand", "step.stand.some")
	s.Says = s.onPlate.says(s.Says, s.Groups, "step.raised", "step.raised.some")
}

// advised names what on a tray is commonly advised against for guests who are pregnant or of weak
// immunity, where some are, and that infants get no honey.
func advised(t *tray.Tray, larder *food.Larder) (out []say.Text) {
	var foods []say.Value
	honey := false
	for _, id := range t.Foods() {
		f, ok := larder.Get(id)
		if !ok {
			continue
		}
		if is := diet.Advised(f); is != "" {
			foods = append(foods, say.Part("care.advised", say.Food(f.Name), say.Word(is)))
		}
		honey = honey || diet.IsHoney(f)
	}
	if t.Brief.Frail() > 0 && len(foods) > 0 {
		out = append(out, say.That("care.frail", say.All(foods...)))
	}
	if t.Part != nil && t.Part.Apart {
		out = append(out, say.That("care.apart", say.Word(t.Part.Who)))
	}
	if t.Brief.Guests.Infants > 0 && honey {
		out = append(out, say.That("care.honey"))
	}
	return out
}

// cautions are the usual ones; local rules and the packs' own labels decide.
func cautions(b brief.Brief) []say.Text {
	_, hold := safety.HoldingTime(b)
	out := []say.Text{hold, say.That("care.hands"), say.That("care.labels")}
	if len(b.Diets) > 0 {
		out = append(out, say.That("care.avoid"))
	}
	if b.Young() {
		out = append(out, say.That("care.young"))
	}
	return append(out, say.That("care.greens"))
}
