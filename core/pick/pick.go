// Package pick chooses a balanced set of foods for a brief: textures, milks,
// flavours and colours against each other, in season, within what guests avoid.
package pick

import (
	"fmt"
	"sort"
	"strings"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/wire"
)

// Choice is one picked food with the form it is to be laid in, and why.
type Choice struct {
	Food   *food.Food
	Form   string
	Grams  float64 // as the host asked, or 0
	Vessel string  // as the host asked, or ""
	Pinned bool
	Why    string
}

// Kinds is how many foods of each category a tray for so many appetites carries
// (craft section 7: three cheeses and two meats for up to eight, five and three
// for more, up to seven cheeses on a spread; odd counts look better).
func Kinds(appetites float64, off []string, rules brief.Rules) map[food.Category]int {
	step := func(small, middle, large, spread int) int {
		switch {
		case appetites < 5:
			return small
		case appetites <= 10:
			return middle
		case appetites <= 30:
			return large
		}
		return spread
	}
	k := map[food.Category]int{
		food.Cheese: step(2, 3, 5, 7), food.Meat: step(1, 2, 3, 3), food.Dip: step(1, 2, 2, 3),
		food.Brined: step(1, 1, 2, 2), food.Fruit: step(2, 3, 3, 5), food.Vegetable: step(1, 1, 1, 2),
		food.Dried: step(1, 1, 2, 2), food.Nut: step(1, 1, 2, 3), food.Cracker: step(1, 2, 3, 3),
		food.Sweet: step(0, 1, 1, 2), food.Garnish: step(1, 2, 2, 2),
	}
	for _, a := range off {
		if a == "meat" || a == "animal" {
			k[food.Vegetable] += k[food.Meat] // its share goes to what can stand in for it
			k[food.Dip]++
			k[food.Meat] = 0
			break
		}
	}
	if rules.Greenery == "none" {
		k[food.Garnish] = 0
	}
	return k
}

// Pick chooses foods for the brief. Foods the host asked for come first and are
// never dropped; if one breaks what guests avoid, that is an error that says so.
func Pick(b brief.Brief, larder *food.Larder) ([]Choice, error) {
	off := b.OffTheTray()
	p := picker{brief: b, larder: larder, off: off, month: b.SeasonMonth(), day: b.ServeDay()}
	for i, w := range b.Foods {
		at := fmt.Sprintf("foods[%d]", i)
		f, ok := larder.Get(w.Food)
		if !ok {
			return nil, wire.Bad(at, "there is no food %.60q in the larder", w.Food)
		}
		if a := f.Breaks(off); a != "" {
			return nil, wire.Bad(at, "%s contains %s, which guests of this brief avoid; take it off the list or change the diet", f.Name, a)
		}
		form := w.Form
		if form == "" {
			form = p.form(f)
		} else if _, ok := f.Spec(form); !ok {
			return nil, wire.Bad(at+".form", "%s cannot be laid as %.40q; it can be %s", f.Name, form, formList(f))
		}
		p.take(f, form, w.Grams, true, "asked for in the brief")
		p.chosen[len(p.chosen)-1].Vessel = w.Vessel
	}
	if len(b.Foods) > 0 {
		return p.chosen, nil // the host's own list is the whole list
	}
	kinds := Kinds(b.Guests.Appetites(), off, b.HouseRules())
	for _, c := range food.Categories {
		for range kinds[c] {
			f, why := p.best(c)
			if f == nil {
				break
			}
			p.take(f, p.form(f), 0, false, why)
		}
	}
	if len(p.chosen) == 0 {
		return nil, wire.Bad("diets", "nothing in the larder is left once everything that guests avoid is taken out; loosen a diet or add foods")
	}
	return p.chosen, nil
}

func formList(f *food.Food) string {
	var ids []string
	for _, s := range f.Forms {
		ids = append(ids, s.Form)
	}
	return strings.Join(ids, ", ")
}

type picker struct {
	brief  brief.Brief
	larder *food.Larder
	off    []string
	month  int
	day    string // of serving, 2026-11-30, or ""
	chosen []Choice
}

func (p *picker) take(f *food.Food, form string, grams float64, pinned bool, why string) {
	p.chosen = append(p.chosen, Choice{Food: f, Form: form, Grams: grams, Pinned: pinned, Why: why})
}

// form prefers one that the tray does not show yet, in the food's own order, so
// that slices, heaps, folds and rows mix.
func (p *picker) form(f *food.Food) string {
	best, least := f.Forms[0].Form, 1<<30
	for i, s := range f.Forms {
		if s.Form == "topping" && len(f.Forms) > 1 {
			continue // it wants something under it, so only who asks for it gets it
		}
		n := i
		for _, c := range p.chosen {
			if c.Form == s.Form && c.Food.Category == f.Category {
				n += 2
			}
		}
		if p.brief.Young() && f.Category == food.Cheese && s.Form == "whole" {
			n += 2 // children do not cut
		}
		if n < least {
			best, least = s.Form, n
		}
	}
	return best
}

func (p *picker) best(c food.Category) (*food.Food, string) {
	type scored struct {
		f   *food.Food
		v   float64
		why string
	}
	var all []scored
	foods := p.larder.All()
	for i := range foods {
		f := &foods[i]
		if f.Category != c || f.Breaks(p.off) != "" || p.has(f.ID) {
			continue
		}
		if p.brief.Young() && f.Choking && c == food.Nut {
			continue // whole nuts can choke small children
		}
		v, why := p.score(f)
		all = append(all, scored{f, v, why})
	}
	if len(all) == 0 {
		return nil, ""
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].v > all[j].v })
	return all[0].f, all[0].why
}

func (p *picker) has(id string) bool {
	for _, c := range p.chosen {
		if c.Food.ID == id {
			return true
		}
	}
	return false
}

// milkOf says what a cheese is made of.
func milkOf(f *food.Food) string {
	if f.Milk == "plant" {
		return "made without milk"
	}
	return f.Milk + "'s milk"
}

// leads reports whether a trail is on the tray already.
func (p *picker) leads() bool {
	for _, c := range p.chosen {
		if c.Form == "trail" {
			return true
		}
	}
	return false
}

// worthOpening is how many grams in the cupboard make a food worth picking for them.
const worthOpening = 60

// telling is how strong an affinity between foods must be to count as a pair or a clash.
const telling = .55

// score weighs one candidate against what is already chosen. The weights are
// points of liking: a new milk or firmness is worth more than a little liking.
func (p *picker) score(f *food.Food) (float64, string) {
	v, why := f.Liking, "well liked"
	most := .1 // the reason told is the one that weighs most
	add := func(points float64, because string) {
		v += points
		if points > most {
			most, why = points, because
		}
	}
	if p.month > 0 && len(f.Season) > 0 {
		if f.InSeason(p.month, p.brief.Hemisphere) {
			add(.15, "in season")
		} else {
			add(-.35, "")
		}
	}
	if p.larder.OnHand(f.ID, p.day) >= worthOpening {
		add(.2, "stands in the cupboard")
	}
	family := colour.Must(f.Colour).Family()
	sameColour, sameTexture, sameMilk, sameFirm, paired, clashes := 0, 0, 0, 0, 0, 0
	newFlavour := len(f.Flavours) > 0
	strong := 0
	for _, c := range p.chosen {
		if colour.Must(c.Food.Colour).Family() == family {
			sameColour++
		}
		if c.Food.Category == f.Category {
			if c.Food.Texture == f.Texture {
				sameTexture++
			}
			if c.Food.Milk == f.Milk {
				sameMilk++
			}
			if c.Food.Firmness == f.Firmness {
				sameFirm++
			}
			if c.Food.Strength >= 4 {
				strong++
			}
		}
		switch worth, _ := food.Affinity(f, c.Food); {
		case worth >= telling:
			paired++
		case worth <= -telling:
			clashes++
		}
	}
	if sameColour == 0 {
		add(.18, "brings "+family+", which the tray lacks")
	} else {
		add(-.07*float64(min(sameColour, 3)), "")
	}
	add(-.08*float64(sameTexture), "")
	if f.Category == food.Cheese {
		if sameMilk == 0 {
			add(.2, milkOf(f)+", not on the tray yet")
		}
		if sameFirm == 0 {
			add(.22, "a "+f.Firmness+" cheese, not on the tray yet")
		} else {
			add(-.15*float64(sameFirm), "")
		}
		if f.Strength >= 4 && strong > 1 {
			add(-.3, "")
		}
	}
	if f.Category == food.Meat {
		if _, folds := f.Spec("trail"); folds && !p.leads() {
			add(.3, "folds into a line that leads the eye")
		}
	}
	add(-.08*float64(min(clashes, 3)), "")
	if paired > 0 {
		add(.09*float64(min(paired, 3)), "goes well with what is chosen")
	}
	if newFlavour {
		for _, fl := range f.Flavours {
			seen := false
			for _, c := range p.chosen {
				for _, g := range c.Food.Flavours {
					seen = seen || g == fl
				}
			}
			if !seen {
				add(.06, "")
			}
		}
	}
	if t := p.brief.Theme; t != nil && len(t.Palette) > 0 {
		near := 1e9
		for _, hex := range t.Palette {
			near = min(near, colour.Difference(colour.Must(hex), colour.Must(f.Colour)))
		}
		if near < 20 {
			add(.2, "in the theme's colours")
		}
	}
	if f.Stone && p.brief.Young() {
		add(-.5, "")
	}
	if p.brief.Travels.Yes && f.Wetness == food.Juicy {
		add(-.1, "")
	}
	return v, why
}
