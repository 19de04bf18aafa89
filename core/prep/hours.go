package prep

import (
	"fmt"
	"slices"
	"time"

	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/schedule"
)

// coldOut tells when each food of a job that was cold leaves the fridge for the last time: when it is got out, where
// that is within the hours that it may stand out with some left for the guests; else it goes back, and leaves it again
// as long before serving as it wants to warm up. It answers with the second at which what perishes must go.
func (d *kitchenDay) coldOut(to *Day, n int, p schedule.Plan, when func(int) string) int {
	w := d.jobs[n]
	serve := d.off(n)
	stands := int(w.hold * 60)
	bound := serve - (stands - 60*standsMin)
	out, laid := map[string]int{}, map[string]bool{}
	var foods []string
	for i, k := range d.works {
		f, ok := w.larder.Get(k.food)
		if !slices.Contains(k.of, n) || !ok || !f.Needs(food.Cold) || f.WarmUpMin == 0 && !f.Needs(food.Perishable) {
			continue
		}
		switch k.kind {
		case GetOut:
			if was, met := out[k.food]; !met || p.Start[i] < was {
				out[k.food] = p.Start[i]
			}
		case Lay:
			if !laid[k.food] {
				laid[k.food] = true
				foods = append(foods, k.food)
			}
		}
	}
	first := serve
	for _, id := range foods {
		f, _ := w.larder.Get(id)
		at, begun := out[id]
		if !begun { // it was got out already, and may have been as early as it bears
			first = min(first, bound)
			continue
		}
		says := "when it is got out"
		if at < bound || w.leave > 0 { // it goes back into the cold, or travels in it
			warm := w.warmUp(f)
			at, says = serve-60*warm, fmt.Sprintf("%d minutes to warm up", warm)
			if warm == 0 {
				says = "served cold"
			}
		}
		first = min(first, at)
		c := ColdOut{Food: id, At: when(at), Says: says}
		if len(d.booked) > 1 {
			c.Job = d.booked[n].ID
		}
		to.ColdOut = append(to.ColdOut, c)
	}
	return first + stands
}

// tooEarly says of what is done earlier than it bears, because hands or ovens are too few for its window.
func (d *kitchenDay) tooEarly(p schedule.Plan) (out []say.Text) {
	worst := map[string]int{}
	juicy := map[string]bool{} // as it lies there
	var foods []*food.Food
	for i, k := range d.works {
		if k.from == schedule.Any || p.Start[i] >= k.from || k.food == "" {
			continue
		}
		f, ok := d.jobs[k.of[0]].larder.Get(k.food)
		if !ok {
			continue
		}
		if _, met := worst[k.food]; !met {
			foods = append(foods, f)
		}
		worst[k.food] = max(worst[k.food], k.from-p.Start[i])
		juicy[k.food] = juicy[k.food] || k.wet == food.Juicy
	}
	for _, f := range foods {
		if worst[f.ID] < 60 {
			continue
		}
		m := (worst[f.ID] + 59) / 60
		code := "day.warm"
		switch {
		case f.Needs(food.Softens):
			code = "day.soft"
		case f.Needs(food.Wilts):
			code = "day.wilt"
		case f.Needs(food.Browns):
			code = "day.brown"
		case juicy[f.ID]:
			code = "day.weep"
		}
		out = append(out, say.That(code, say.Food(f.Name), say.N(m)))
	}
	return out
}

// notKept says which tasks could not begin when somebody had put them: what comes after them, or other work of these
// hands, wants them earlier.
func (d *kitchenDay) notKept(p schedule.Plan) (out []say.Text) {
	for i, k := range d.works {
		to, ok := d.o.Pins[k.id]
		if !ok {
			continue
		}
		if early := int(to.Sub(d.base)/time.Second) - p.Start[i]; early >= 60 {
			out = append(out, say.That("day.not-kept", say.Word(k.says.String()), say.Word(to.In(d.base.Location()).Format("15:04")), say.N((early+30)/60)))
		}
	}
	return out
}
