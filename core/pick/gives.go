package pick

import (
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/theme"
)

// gives is the answer where no food is left: which single thing, let go of, opens
// most of the larder again.
func gives(b brief.Brief, larder *food.Larder) error {
	if !slices.ContainsFunc(food.Categories, func(c food.Category) bool { t, set := b.Tilt[string(c)]; return !set || t > 0 }) {
		return fault.Bad("tilt", "every kind of food is set to nothing; let at least one of them be")
	}
	off, th := b.OffTheTray(), theme.ForBrief(b)
	count := func(off, bans []string) int {
		n := 0
		at := diet.TableOf(b)
		at.Off = off
		all := larder.All()
		for i := range all {
			if suits(b, th, at, larder, &all[i]) && !slices.Contains(bans, all[i].ID) {
				n++
			}
		}
		return n
	}
	if n := count(off, nil); n > 0 {
		return fault.Bad("bans", "every food that the guests can eat is banned; without the bans there would be %s", say.Count(n, "food"))
	}
	best, most := "", 0
	for _, a := range off {
		if n := count(slices.DeleteFunc(slices.Clone(off), func(w string) bool { return w == a }), b.Bans); n > most {
			best, most = a, n
		}
	}
	if best != "" {
		return fault.Bad("diets", "nothing in the larder is left once %s are taken out; a tray of its own for those who avoid %s would open %s for the others", list(off), best, say.Count(most, "food"))
	}
	return fault.Bad("diets", "nothing in the larder is left once %s are taken out; lay trays of their own for the diets, or add foods to the larder", list(off))
}

func list(words []string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	return strings.Join(words[:len(words)-1], ", ") + " and " + words[len(words)-1]
}
