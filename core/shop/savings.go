package shop

import (
	"cmp"
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/round"
	"happytray/core/say"
)

// Saving is one change that makes the basket cheaper, and what it costs in balance.
type Saving struct {
	Food    string   `json:"food"`
	Instead string   `json:"instead,omitempty"` // the food to take in its place
	Form    string   `json:"form,omitempty"`
	Grams   float64  `json:"grams,omitempty"` // the amount to set, where the change is to take less
	Saves   int      `json:"saves"`           // minor units at the till, all effects counted
	Loss    float64  `json:"loss"`            // of balance, in points of liking; below 0 it wins
	Loses   string   `json:"loses"`           // the loss in words
	Says    say.Text `json:"says"`
}

// tried bounds how many changes are planned through to know what they really save.
const tried = 9

// lossFloor keeps a change that loses nothing from beating everything by a cent.
const lossFloor = .25

// Savings finds up to n changes to a planned job that save most for least loss of
// balance: a cheaper food of the same role, a little less of what just needs one
// more pack, or leaving a food out. Each is planned through, so that what it saves
// is what the till would say; no two concern the same food. Foods that are pinned
// stay.
func Savings(j *job.Job, larder *food.Larder, cabinet *board.Cabinet, n int) []Saving {
	basket := NewBasket(j, larder)
	b := j.Brief
	b.Foods = plan.Wants(j)
	var foods []*food.Food
	for _, w := range b.Foods {
		if f, ok := larder.Get(w.Food); ok {
			foods = append(foods, f)
		}
	}
	pinned := map[string]bool{}
	for _, w := range j.Brief.Pins {
		pinned[w.Food] = true
	}
	scale := pick.NewScale(b, larder, plan.Under(b, cabinet), foods)
	type change struct {
		Saving
		guess float64
		with  []brief.Want
	}
	var all []change
	edit := func(id string, to func(w brief.Want) []brief.Want) []brief.Want {
		var out []brief.Want
		for _, w := range b.Foods {
			if w.Food == id {
				out = append(out, to(w)...)
				continue
			}
			out = append(out, w)
		}
		return out
	}
	for _, l := range basket.Lines {
		f, ok := larder.Get(l.Food)
		if !ok || l.BasketCost == 0 || pinned[l.Food] {
			continue
		}
		need := l.OnTrayG + l.ReserveG
		buy := (need - l.CupboardG) / l.Yield
		if less := fewerPacks(larder.PacksOf(f), buy, l.BasketCost); less > .65*buy {
			grams := math.Floor(less*l.Yield + l.CupboardG)
			_, _, cost := food.Cover(larder.PacksOf(f), less)
			all = append(all, change{Saving{Food: l.Food, Grams: grams, Loss: .6 * (1 - grams/need) * f.Liking,
				Says: say.That("saving.less", say.Grams(grams), say.Food(f.Name), say.Grams(need))},
				float64(l.BasketCost - cost), edit(l.Food, func(w brief.Want) []brief.Want { w.Grams = grams; return []brief.Want{w} })})
		}
		form := ""
		for _, w := range b.Foods {
			if w.Food == l.Food {
				form = w.Form
			}
		}
		for _, s := range pick.Substitutes(b, f, form, foods, larder, 4) {
			cost := larder.CostOf(s.Food, s.Food.BoughtFor(s.Form, need*f.EatenShare()/s.Food.EatenShare()), b.ServeDay())
			if cost >= l.BasketCost {
				continue
			}
			in := s
			all = append(all, change{Saving{Food: l.Food, Instead: s.Food.ID, Form: s.Form, Loss: .3*(1-s.Near) - scale.Change(l.Food, s.Food.ID),
				Says: say.That("saving.instead", say.Food(s.Food.Name), say.Food(f.Name))},
				float64(l.BasketCost - cost), edit(l.Food, func(w brief.Want) []brief.Want { return []brief.Want{{Food: in.Food.ID, Form: in.Form}} })})
		}
		if len(foods) > 3 {
			all = append(all, change{Saving{Food: l.Food, Loss: -scale.Change(l.Food, ""), Says: say.That("saving.without", say.Food(f.Name))},
				float64(l.BasketCost), edit(l.Food, func(brief.Want) []brief.Want { return nil })})
		}
	}
	worth := func(saves, loss float64) float64 { return saves / (math.Max(0, loss) + lossFloor) }
	slices.SortStableFunc(all, func(x, y change) int { return cmp.Compare(worth(y.guess, y.Loss), worth(x.guess, x.Loss)) })
	var sure []Saving
	for _, c := range all[:min(tried, len(all))] {
		nb := j.Brief
		nb.Foods = c.with
		changed := *j
		changed.Brief = nb
		next, err := plan.Replan(&changed, larder, cabinet)
		if err != nil {
			continue
		}
		if c.Saves = basket.BasketCost - NewBasket(next, larder).BasketCost; c.Saves > 0 {
			sure = append(sure, c.Saving)
		}
	}
	slices.SortStableFunc(sure, func(x, y Saving) int {
		return cmp.Compare(worth(float64(y.Saves), y.Loss), worth(float64(x.Saves), x.Loss))
	})
	out := []Saving{}
	for _, s := range sure {
		same := func(o Saving) bool { return o.Food == s.Food || s.Instead != "" && o.Instead == s.Instead }
		if len(out) < n && !slices.ContainsFunc(out, same) {
			s.Loss = round.Hundredth(s.Loss)
			s.Loses = loses(s.Loss)
			out = append(out, s)
		}
	}
	return out
}

// fewerPacks is the most grams, in whole ones, that cost less than the packs for need
// do, down to three fifths of it; or 0. What packs cost never falls as more is needed,
// so the place where it rises is found by halving.
func fewerPacks(packs []food.Pack, need float64, cost int) float64 {
	low, high := math.Ceil(.6*need), math.Ceil(need)
	if low >= high {
		return 0
	}
	if _, _, c := food.Cover(packs, low); c >= cost {
		return 0
	}
	for high-low > 1 { // low costs less, high does not
		mid := math.Floor((low + high) / 2)
		if _, _, c := food.Cover(packs, mid); c < cost {
			low = mid
		} else {
			high = mid
		}
	}
	return low
}

// loses says a loss of balance in words.
func loses(loss float64) string {
	switch {
	case loss <= .05:
		return "nothing lost"
	case loss < .3:
		return "a little balance lost"
	}
	return "balance lost"
}
