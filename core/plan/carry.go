package plan

import (
	"maps"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/say"
)

// MostCarried bounds the guests that packs are reckoned for.
const MostCarried = 2000

// Carried is how many guests the brief's packs and what may be bought beside them make a board for, at least one: as
// many as still find nine tenths of what these kinds of food can give a guest. Of one kind a guest eats little more than
// twice the usual (pick.MostOfKind); the kinds that are wholly missing are bought, as far as buying goes.
func Carried(b brief.Brief, larder *food.Larder) int {
	have := ready(b, larder)
	few, limited := b.BuysAtMost()
	if !limited {
		few = len(food.Categories)
	}
	each := portion.SharesOf(b, 1, portion.WithMeat)
	per := 0.0
	var missing []float64
	for _, c := range food.Categories {
		if each[c] > 0 && have[c] == 0 {
			missing = append(missing, each[c])
		}
		per += each[c]
	}
	for range min(few, len(missing)) {
		most := 0
		for i, g := range missing {
			if g > missing[most] {
				most = i
			}
		}
		per -= missing[most]
		missing[most] = 0
	}
	finds := func(n float64) float64 { // the part of what a guest usually eats of these kinds
		g := 0.0
		for _, c := range food.Categories {
			g += math.Min(have[c]/n, pick.MostOfKind*each[c])
		}
		return math.Min(1, g/math.Max(per, 1))
	}
	enough := .9 * finds(.01)
	lo, hi := 1, MostCarried
	for lo < hi {
		if mid := (lo + hi + 1) / 2; finds(float64(mid)) >= enough {
			lo = mid
		} else {
			hi = mid - 1
		}
	}
	return lo
}

// ready is what the packs of a brief give, grams of each kind as it is eaten.
func ready(b brief.Brief, larder *food.Larder) map[food.Category]float64 {
	have := map[food.Category]float64{}
	off := b.OffTheTray()
	for id, g := range b.PackG() {
		if f, ok := larder.Get(id); ok && !kept(off, f) {
			have[f.Category] += g * f.YieldAs(f.Forms[0].Form) * f.EatenShare()
		}
	}
	return have
}

// kept reports whether a food stays in its pack, because guests avoid what is in it.
func kept(off []string, f *food.Food) bool {
	v, _ := diet.Avoiding(off, f)
	return v == diet.Avoided
}

// Counted is a brief that says who comes: where it leaves that to its packs, as many grown-ups as they carry.
func Counted(b brief.Brief, larder *food.Larder) brief.Brief {
	if b.ByPacks() {
		b.Guests.Adults = Carried(b, larder)
	}
	return b
}

// fewer is how far below the guests what packs carry may be before it is worth a word, as a share of them.
const fewer = .85

// sayPacks says for how many the packs are, and what becomes of too much.
func sayPacks(j *job.Job, larder *food.Larder) []say.Text {
	b := j.Brief
	if len(b.Packs) == 0 {
		return nil
	}
	carried, code := Carried(b, larder), "packs.carry"
	if few, _ := b.BuysAtMost(); few == 0 {
		code = "packs.alone"
	}
	says := say.That(code, say.N(carried))
	if float64(carried) < fewer*b.Guests.Appetites() {
		says = says.Then("packs.short", say.N(b.Guests.Total()))
	}
	grams, _ := needed(j, larder)
	left, off := 0.0, b.OffTheTray()
	there := b.PackG()
	var avoided []string
	for _, id := range slices.Sorted(maps.Keys(there)) {
		f, _ := larder.Get(id)
		switch rest := there[id] - grams[id]; {
		case f != nil && kept(off, f):
			avoided = append(avoided, f.Name)
		case rest > worthSaying:
			left += rest
		}
	}
	if left > 0 {
		says = says.Then("packs.over", say.Grams(left))
	}
	if len(avoided) > 0 {
		says = says.Then("packs.avoided", say.All(say.Foods(avoided)...))
	}
	return []say.Text{says}
}

// worthSaying is from how much of a food on it is told that it stays in its packs, grams.
const worthSaying = 25.0
