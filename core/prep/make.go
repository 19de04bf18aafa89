package prep

import (
	"math"
	"strings"

	"happytray/core/food"
	"happytray/core/recipe"
	"happytray/core/say"
)

// makeIt adds the steps by which the house makes a food itself. They come before it is filled, cut or laid, and no sooner than its
// recipe lets it.
func (w *worker) makeIt(r *recipe.Recipe, p *portion, step func(work)) {
	name := say.Food(unmade(p.food.Name))
	from := max(minutes(earlyMin), minutes(60*r.AheadH))
	for n, s := range r.Steps {
		seconds := int(math.Round(60 * (s.Minutes + s.Per100G*p.grams/100)))
		k := work{seconds: seconds, from: from, count: 1, says: making(s.Do, name, p.grams)}
		switch {
		case s.OvenC > 0:
			k.kind, k.ovenC = Heat, s.OvenC
			if w.ovens == 0 {
				k.ovenC, k.hands, k.hob = 0, 1, true // in a pan, watched
			}
		case s.ByItself:
			k.kind = Cool
		default:
			k.kind, k.hands, k.tool = Make, 1, r.Tool
		}
		k.part = n // each has a name of its own
		step(k)
	}
	if r.Caution != "" {
		w.says = append(w.says, say.That("named", say.Word(p.food.Name), say.Word(r.Caution)))
	}
	w.says = appendUnsaid(w.says, say.That("day.made"))
}

// unmade is the name of a food without what is done to it here: nobody roasts roasted almonds.
func unmade(name string) string { return say.Upper(strings.TrimPrefix(name, "Roasted ")) }

// gettingOut is how the getting out of what a food is made of is said.
func gettingOut(f *food.Food) say.Text {
	if raw := unmade(f.Name); raw != f.Name {
		return say.That("make.raw", say.Food(raw))
	}
	return say.That("make.out", say.Food(f.Name))
}

// making is how a step of a recipe is said.
func making(do string, name say.Value, grams float64) say.Text {
	g := say.Grams(grams)
	switch do {
	case "drain":
		return say.That("make.drain", name)
	case "blend":
		return say.That("make.blend", name, g)
	case "mash":
		return say.That("make.mash", name, g)
	case "grate":
		return say.That("make.grate", name)
	case "drip":
		return say.That("make.drip", name)
	case "stir":
		return say.That("make.stir", name, g)
	case "pluck":
		return say.That("make.pluck", name)
	case "trim":
		return say.That("make.trim", name)
	case "roast":
		return say.That("make.roast", name)
	case "spread":
		return say.That("make.spread", name)
	case "rub":
		return say.That("make.rub", name)
	case "chop":
		return say.That("make.chop", name, g)
	case "simmer":
		return say.That("make.simmer", name)
	}
	return say.That("make.cool", name)
}
