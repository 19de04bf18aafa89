// Package pick chooses a balanced set of foods for a brief: textures, milks,
// flavours and colours against each other, in season, within what guests avoid.
package pick

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/bite"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/portion"
)

// Choice is one picked food with the form it is to be laid in, and why.
type Choice struct {
	Food   *food.Food
	Form   string            // that it, or most of it, is laid in
	Forms  []brief.Portioned // where it is laid in several, as the host asked
	Grams  float64           // as the host asked, or 0
	Vessel string            // as the host asked, or ""
	Pinned bool
	Packed bool // the host has packs of it, and Grams is what they give
	Liked  bool // a guest by name likes it
	Why    string
}

// Under is what the food will lie on, where the brief says; its zero value where it does not.
type Under struct {
	Colour string   // of the board or its liner
	CM2    float64  // that food can lie on, of all boards together
	Only   []string // foods that may be chosen, where plates are made from one basket; nil for all
	Bought []string // foods that other trays of the job buy, where buying is bounded
	Haste  int      // how far handwork is saved, 0 for not at all to MostHaste
}

// MostHaste is as far as handwork can be saved by what is chosen.
const MostHaste = 4

// Pick chooses foods for the brief, by the worth of the whole: what each food is
// by itself, what it brings that the rest does not, and that every group of guests
// finds the parts of a plate (food.Parts). It begins greedily
// and exchanges foods until no single exchange is better. under is what it
// will all lie on, as far as that is known.
//
// A list of foods in the brief is the whole choice. Pins are on the tray whatever
// else is, bans never; if one that is asked for breaks what guests avoid, that is
// an error that says so.
func Pick(b brief.Brief, larder *food.Larder, under Under) ([]Choice, error) {
	p := picker{brief: b, larder: larder, at: diet.TableOf(b), haste: under.Haste}
	for _, asked := range []struct {
		field, why string
		wants      []brief.Want
	}{{"foods", "asked for in the brief", b.Foods}, {"pins", "pinned", b.Pins}} {
		for i, w := range asked.wants {
			if err := p.ask(w, asked.why); err != nil {
				return nil, fault.In(fmt.Sprintf("%s[%d]", asked.field, i), err)
			}
		}
	}
	if err := p.usePacks(); err != nil {
		return nil, err
	}
	if len(b.Foods) > 0 {
		return p.chosen, nil // the host's own list is the whole list
	}
	kinds := KindsFor(b, under)
	shares := portion.Shares(b, portion.WithMeat)
	f := newCandidates(b, larder, under, kinds, shares)
	if under.Haste > 1 {
		f.classic = min(f.classic, inHaste) // what is quick comes before what is expected
	}
	s := f.empty()
	fixed := map[int]bool{}
	for _, c := range p.chosen {
		i := f.by[c.Food.ID]
		f.put(s, i, 1)
		fixed[i] = true
	}
	if most, few := b.BuysAtMost(); few {
		f.fromWhatIsThere(b, s, kinds, shares, most, under.Bought)
	} else {
		f.choose(b, s, fixed, kinds)
	}
	if len(s.on) == 0 {
		if b.Buys != nil {
			return nil, fault.Bad("buys_at_most", "nothing that suits these guests is there already; list your packs, or let some foods be bought")
		}
		return nil, gives(b, larder)
	}
	slices.SortFunc(s.on, func(i, j int) int { return i - j }) // in the order of the larder, shelf by shelf
	foods, _ := f.on(s)
	inBite := tellBites(bite.Of(foods, b), larder)
	why := make([]string, len(s.on))
	for k, i := range slices.Clone(s.on) {
		f.put(s, i, -1)
		why[k] = f.why(s, i, inBite[f.cands[i].food.ID])
		f.put(s, i, 1)
	}
	slices.SortFunc(s.on, func(i, j int) int { return i - j })
	for _, c := range food.Categories {
		for k, i := range s.on {
			if f.cands[i].food.Category == c && !fixed[i] {
				p.take(f.cands[i].food, p.form(f.cands[i].food), brief.Want{}, false, why[k])
				p.chosen[len(p.chosen)-1].Liked = len(f.cands[i].likedBy) > 0
			}
		}
	}
	return p.chosen, nil
}

// choose makes a choice of as many kinds as are wanted.
func (f *candidates) choose(b brief.Brief, s *stats, fixed map[int]bool, kinds map[food.Category]int) {
	f.fill(s, kinds, fixed)
	f.complete(s, kinds)
	if len(s.on) == 0 {
		return
	}
	f.settle(s, fixed)
	least := f.vary(s, fixed, b.ChoiceSeed())
	f.complete(s, kinds)
	core := f.cover(b, s, fixed, kinds)
	f.obey(b, s, fixed, core)
	broken, played := f.broken(b, s), f.played(s, core)
	for f.worth(s.on) < least && f.nearer(s, fixed, func() bool { return f.broken(b, s) <= broken && f.played(s, core) >= played }) {
	}
	f.toCuisine(b, s, fixed, core)
	f.toBites(b, s, fixed, core)
	f.toPeople(b, s, fixed)
	f.trim(s, fixed)
}

// ask takes a food that was asked for.
func (p *picker) ask(w brief.Want, why string) error {
	f, ok := p.larder.Get(w.Food)
	if !ok {
		return fault.Bad("", "there is no food %.60q in the larder", w.Food)
	}
	if p.has(f.ID) {
		return nil
	}
	avoided, a := diet.Avoiding(p.at.Off, f)
	if avoided == diet.Avoided {
		return fault.Bad("", "%s contains %s, which guests of this brief avoid; take it off the list or change the diet", f.Name, a)
	}
	if avoided == diet.Traces {
		why += fmt.Sprintf("; it may contain %s, which guests avoid, so read its label", a)
	}
	form := w.MainForm()
	if form == "" {
		form = p.form(f)
	}
	for _, part := range append([]brief.Portioned{{Form: form}}, w.Forms...) {
		if !f.Fits(part.Form) {
			return fault.Bad("form", "%s cannot be laid as %.40q; it can be %s", f.Name, part.Form, formList(f))
		}
	}
	p.take(f, form, w, true, why)
	return nil
}

func formList(f *food.Food) string {
	var ids []string
	for _, s := range f.Ways() {
		ids = append(ids, s.Form)
	}
	return strings.Join(ids, ", ")
}

type picker struct {
	brief  brief.Brief
	larder *food.Larder
	at     diet.Table
	haste  int
	chosen []Choice
}

func (p *picker) take(f *food.Food, form string, w brief.Want, pinned bool, why string) {
	p.chosen = append(p.chosen, Choice{Food: f, Form: form, Forms: w.Forms, Grams: w.Grams, Vessel: w.Vessel, Pinned: pinned, Why: why})
}

func (p *picker) has(id string) bool {
	return slices.ContainsFunc(p.chosen, func(c Choice) bool { return c.Food.ID == id })
}

// forms are those that a food is laid in unasked: its entry's, and a wedge begun where the house serves it so.
func (p *picker) forms(f *food.Food) []food.Spec {
	if p.brief.HouseRules().HardCheese == "begun" && !p.brief.Plates() {
		if s, ok := f.Spec("begun"); ok {
			return append([]food.Spec{s}, f.Forms...)
		}
	}
	return f.Forms
}

// form prefers one that the tray does not show yet, in the food's own order, so
// that slices, heaps, folds and rows mix, unless a house rule speaks for another.
func (p *picker) form(f *food.Food) string {
	best, least := f.Forms[0].Form, 1<<30
	rules := p.brief.HouseRules()
	noMeat := slices.Contains(p.at.Off, "meat") || slices.Contains(p.at.Off, "animal") || rules.Vegetarians == "shapes"
	for i, s := range p.forms(f) {
		if food.Has(s.Form, food.OnFood) && len(f.Forms) > 1 {
			continue // it wants something under it, so only who asks for it gets it
		}
		n := i
		if p.brief.Plates() && !forOne(f, s) {
			n += 20
		}
		for _, c := range p.chosen {
			if c.Form == s.Form && c.Food.Category == f.Category {
				n += 2
			}
		}
		if food.Has(s.Form, food.Winding) && !slices.ContainsFunc(p.chosen, func(c Choice) bool { return food.Has(c.Form, food.Winding) }) {
			n -= 2 // a line that leads the eye, where there is none yet
		}
		switch filled := p.filled(f); {
		case food.Tiny(s) && (filled || !s.FillsGaps()):
			n += 2 // rather in a vessel
		case s.FillsGaps() && !filled:
			n -= 4 // something small lies open, and fills the gaps between all the rest
		}
		if !portion.IsBite(f, s) || p.at.Suffers(f, s.Form) != "" {
			n += 50
		}
		if p.at.NotAs(f, s.Form) {
			n += 100 // what a child could choke on is worse than what weeps
		}
		n += 4 * ruled(rules, f, s.Form)
		if p.haste > 0 { // a form that takes twice as long is as bad as one that is there twice already
			n += int(math.Min(8, 2*s.Seconds/math.Max(.5, s.MassG)/math.Max(.02, quickest(f, p.at))-2)) * p.haste
		}
		if noMeat && f.StandsIn() == s.Form {
			n -= 3
		}
		if p.brief.Young() && f.Category == food.Cheese && food.Has(s.Form, food.AsItComes|food.Begun) {
			n += 2 // children do not cut
		}
		if n < least {
			best, least = s.Form, n
		}
	}
	return best
}

// filled reports whether something small lies open already that fills the gaps as a food would: of its own kind, or two.
func (p *picker) filled(f *food.Food) bool {
	n := 0
	for _, c := range p.chosen {
		if p.fillsGaps(c) {
			if n++; c.Food.Category == f.Category {
				return true
			}
		}
	}
	return n > 1
}

// fillsGaps reports whether what was chosen lies open in pieces that go into the gaps between other things.
func (p *picker) fillsGaps(c Choice) bool {
	s, ok := c.Food.Spec(c.Form)
	return ok && s.FillsGaps()
}

// quickest is the least handwork that a gram of a food takes in any of the forms of its entry that suit the table, seconds.
func quickest(f *food.Food, at diet.Table) float64 {
	least := math.Inf(1)
	for _, s := range f.Forms {
		if s.MassG > 0 && !food.Has(s.Form, food.OnFood) && !at.NotAs(f, s.Form) {
			least = math.Min(least, s.Seconds/s.MassG)
		}
	}
	if math.IsInf(least, 1) {
		return 0
	}
	return least
}

// ruled is above zero for a form that a house rule speaks against, below for one it asks for.
func ruled(r brief.Rules, f *food.Food, form string) int {
	if f.Category == food.Cheese {
		switch {
		case r.SoftRound == "whole" && f.Firmness == "soft" && food.Has(form, food.AsItComes), r.HardCheese == "broken" && (f.Firmness == "hard" || f.Firmness == "firm") && food.Has(form, food.Broken),
			r.HardCheese == "begun" && food.Has(form, food.Begun):
			return -1
		case r.HardCheese == "cut" && f.Firmness == "hard" && food.Has(form, food.Broken):
			return 1
		}
	}
	if f.Category == food.Fruit && r.Grapes == "plucked" && food.Has(form, food.Bunched) {
		return 1
	}
	return 0
}

// milkOf says what a cheese is made of.
func milkOf(f *food.Food) string {
	if f.Milk == "plant" {
		return "made without milk"
	}
	return "made with " + f.MilkSays()
}

// worthOpening is how many grams in the cupboard make a food worth picking for them.
const worthOpening = 60

// telling is how strong an affinity between foods must be to count as a pair or a clash.
const telling = .55
