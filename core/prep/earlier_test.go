package prep

import (
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan/plantest"
)

// A table for two hundred by four people with the evening before: nothing is out of the cold for too long and nothing is made too early,
// because what keeps is made ready the evening before, one thing after the other; without that evening the day says what is wrong.
func TestTwoHundredByFourWithTheEveningBefore(t *testing.T) {
	if testing.Short() {
		t.Skip("lays a table for two hundred")
	}
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 200}, Occasion: "grazing", Month: 12, ServeAt: "2026-12-05T19:00:00Z", ReadyBy: "2026-12-05T16:00:00Z", Sessions: []brief.Session{
		{From: "2026-12-04T17:00:00Z", To: "2026-12-04T19:30:00Z"}, {From: "2026-12-05T08:00:00Z", To: "2026-12-05T12:00:00Z"}, {From: "2026-12-05T12:30:00Z", To: "2026-12-05T16:00:00Z"}}}
	for _, id := range []string{"soft-white-round", "mountain-wheel", "orange-block", "aged-hard", "mozzarella-balls", "sheep-blue", "goat-pyramid", "wide-sausage", "smoked-ham", "paprika-sausage", "sausage-sticks", "fig-jam", "chickpea-dip", "fruit-chutney", "gherkins", "artichokes", "pepper-olives", "red-grapes", "green-grapes", "apple", "pear", "mandarin", "cherry-tomatoes", "carrot-sticks", "pepper-sticks", "dried-cranberries", "prunes", "cashews", "hazelnuts", "macadamias", "round-crackers", "baguette-toasts", "breadsticks", "oatcakes", "milk-chocolate", "wrapped-chocolates", "rosemary", "salad-leaves"} { // whatever is chosen of itself
		b.Foods = append(b.Foods, brief.Want{Food: id})
	}
	j := plantest.Laid(t, b)
	wrong := func(d Day) (out []string) {
		for _, c := range d.Cautions {
			if says := c.String(); strings.Contains(says, "With these hands") || strings.Contains(says, "too early") {
				out = append(out, says)
			}
		}
		return out
	}
	longest := func(d Day) (most float64) {
		for _, tr := range d.Trays {
			for _, o := range tr.Out {
				most = max(most, o.Minutes)
			}
		}
		return most
	}
	d, err := Plan(j, larder, Options{People: 4, Ovens: 1})
	if err != nil {
		t.Fatal(err)
	}
	if bad := wrong(d); len(bad) > 0 || longest(d) > 120 {
		t.Errorf("out of the cold for up to %g minutes; %v", longest(d), bad)
	}
	eve, kinds := 0.0, map[string]bool{}
	for _, k := range d.Tasks {
		if k.Who == "" || !at(t, k.Starts).Before(at(t, "2026-12-04T23:00:00Z")) {
			continue
		}
		eve += k.Minutes
		kinds[k.Kind] = true
		f, ok := larder.Get(k.Food)
		if at(t, k.Starts).Before(at(t, b.Sessions[0].From)) || at(t, k.Ends).After(at(t, b.Sessions[0].To)) {
			t.Errorf("%s from %s to %s is not in the evening's hours", k.ID, k.Starts, k.Ends)
		}
		if ok && (f.Needs(food.Softens) || f.Needs(food.Wilts) || f.Needs(food.Browns)) {
			t.Errorf("%s the evening before: %s does not keep", k.ID, f.Name)
		}
	}
	if eve < 60 || eve > .8*4*150 || !kinds[Fold] || kinds[Lay] {
		t.Errorf("%.0f minutes of hands in the evening, of %v", eve, kinds)
	}
	j.Brief.Sessions = b.Sessions[2:]
	without, err := Plan(j, larder, Options{People: 4, Ovens: 1})
	if err != nil || longest(without) <= longest(d) {
		t.Errorf("without the evening %g minutes, with it %g: %v", longest(without), longest(d), err)
	}
}
