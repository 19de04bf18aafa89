package pick

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/portion"
)

// MostOfKind is how much of one kind a guest eats at most, times the usual, where there is more of it than of the others.
const MostOfKind = 2.25

// tooMuch is how much more than usual is laid in all where a host has more than that, times what the guests usually eat.
const tooMuch = 1.15

// noRest is up to how many times that all of a kind is laid, rather than a rest of it kept.
const noRest = 1.25

// ofMissing is what a purchase is worth for bringing a kind that is wholly missing, for all that guests eat, in points of liking.
const ofMissing = 12.0

// toCarry is what the first bread or cracker is worth beside what wants something under it.
const toCarry = 1.5

// another is what a second food of a kind that is there already is worth less, where little is bought.
const another = -1.0

// usePacks takes what the host has packs of, each with all of its packs that the table eats.
func (p *picker) usePacks() error {
	for i, pack := range p.brief.Packs {
		if len(p.brief.Foods) > 0 && !p.has(pack.Food) {
			continue // the host's own list is the whole list
		}
		if f, ok := p.larder.Get(pack.Food); slices.Contains(p.brief.Bans, pack.Food) || ok && p.keeps(f) {
			continue // it stays in its pack
		}
		if err := p.ask(brief.Want{Food: pack.Food, Name: pack.Name}, "there already, in packs"); err != nil {
			return fault.In(fmt.Sprintf("packs[%d]", i), err)
		}
	}
	there := p.brief.PackG()
	of := map[food.Category]float64{}
	for i := range p.chosen {
		c := &p.chosen[i]
		if g := there[c.Food.ID]; g > 0 && c.Grams == 0 {
			c.Packed = true
			c.Form = packed(p, c.Food, c.Form, g)
			c.Grams = g * c.Food.YieldAs(c.Form)
			of[c.Food.Category] += c.Grams * c.Food.EatenShare()
		}
	}
	shares := portion.Shares(p.brief, portion.WithMeat)
	most := mostOfEach(of, shares)
	for i := range p.chosen {
		if c := &p.chosen[i]; c.Packed {
			if all := of[c.Food.Category]; all > noRest*most*shares[c.Food.Category] && shares[c.Food.Category] > 0 {
				c.Grams *= most * shares[c.Food.Category] / all
			}
			c.Grams = pieces(c.Food, c.Form, c.Grams)
		}
	}
	return nil
}

// keeps reports whether guests avoid what is in a food.
func (p *picker) keeps(f *food.Food) bool {
	v, _ := diet.Avoiding(p.at.Off, f)
	return v == diet.Avoided
}

// packed is the form that so many grams of a food, as bought, are laid in: its own, unless that comes only in wholes
// that are more than there is.
func packed(p *picker, f *food.Food, form string, bought float64) string {
	fits := func(form string) bool {
		s, ok := f.Spec(form)
		return ok && (food.WholeG(s) <= bought*f.YieldAs(form)+.5 || food.Has(form, food.CutInPlace))
	}
	if fits(form) {
		return form
	}
	for _, s := range f.Forms {
		if !food.Has(s.Form, food.OnFood) && fits(s.Form) && !p.at.NotAs(f, s.Form) {
			return s.Form
		}
	}
	return form
}

// pieces is grams in whole pieces, so that rounding never asks for more than there is; of what has no pieces, and of
// less than one, in whole grams.
func pieces(f *food.Food, form string, grams float64) float64 {
	s, ok := f.Spec(form)
	if !ok || s.MassG <= 0 || s.Shape == "vessel" || grams < s.MassG {
		return math.Floor(math.Max(1, grams-.5)) // bowls are weighed to a tenth
	}
	n := math.Floor(grams/s.MassG + 1e-9)
	if per := float64(max(3, s.N)); food.Has(form, food.CutInPlace) && math.Mod(n, per) == per-1 {
		n-- // a round that lacks one piece is laid whole
	}
	return n * s.MassG
}

// mostOfEach is how many times its usual share each kind may be, so that all of them together are no more than the
// table eats, and at most MostOfKind.
func mostOfEach(of, shares map[food.Category]float64) float64 {
	usual, all := 0.0, 0.0
	for _, c := range food.Categories {
		usual += shares[c]
		all += of[c]
	}
	if all <= tooMuch*usual {
		return MostOfKind
	}
	lo, hi := 0.0, MostOfKind
	for range 40 {
		mid, sum := (lo+hi)/2, 0.0
		for _, c := range food.Categories {
			sum += math.Min(of[c], mid*shares[c])
		}
		if sum > tooMuch*usual {
			hi = mid
		} else {
			lo = mid
		}
	}
	return lo
}

// fromWhatIsThere adds to a choice what stands in the cupboard, as many kinds as are wanted, and then the few foods that
// may be bought, those first that bring a kind that is missing. bought are foods that other trays of the job buy anyway.
func (f *candidates) fromWhatIsThere(b brief.Brief, s *stats, kinds map[food.Category]int, shares map[food.Category]float64, most int, bought []string) {
	have, grams, usual := map[food.Category]int{}, map[food.Category]float64{}, 0.0
	there := b.PackG()
	for _, i := range s.on {
		c := &f.cands[i]
		have[c.food.Category]++
		grams[c.food.Category] += there[c.food.ID] * c.food.YieldAs(c.food.Forms[0].Form)
	}
	for _, c := range food.Categories {
		usual += shares[c]
	}
	free := func(i int) bool { return f.cands[i].here || slices.Contains(bought, f.cands[i].food.ID) }
	take := func(i int) {
		f.put(s, i, 1)
		have[f.cands[i].food.Category]++
	}
	best := func(suits func(i int) bool, worth func(i int) float64) int {
		at, top := -1, math.Inf(-1)
		for i := range f.cands {
			c := f.cands[i].food.Category
			if slices.Contains(s.on, i) || have[c] >= kinds[c] || !suits(i) {
				continue
			}
			if v := worth(i); v > top {
				at, top = i, v
			}
		}
		return at
	}
	itself := func(i int) float64 { return f.marginal(s, i) }
	for {
		i := best(free, itself)
		if i < 0 {
			break
		}
		take(i)
	}
	kind := func(c food.Category) float64 {
		v := ofMissing * math.Max(0, shares[c]-grams[c]) / math.Max(1, usual) / float64(1+have[c])
		if c == food.Cracker && have[c] == 0 && have[food.Cheese]+have[food.Meat]+have[food.Dip] > 0 {
			v += toCarry
		}
		if have[c] > 0 {
			v += another
		}
		return v
	}
	skip := b.ChoiceSeed() // who chooses again is offered the next best of a kind
	for range most - len(bought) {
		buys := func(i int) bool { return !free(i) && !f.cands[i].notNow }
		i := best(buys, func(i int) float64 { return f.marginal(s, i) + kind(f.cands[i].food.Category) })
		if i < 0 {
			break
		}
		of := f.cands[i].food.Category
		passed := []int{}
		for range skip % turnsOfKind {
			passed = append(passed, i)
			next := best(func(j int) bool { return buys(j) && f.cands[j].food.Category == of && !slices.Contains(passed, j) }, itself)
			if next < 0 {
				break
			}
			i = next
		}
		take(i)
	}
}

// turnsOfKind is how many foods of a kind take turns where somebody chooses again.
const turnsOfKind = 5
