package prep

import (
	"strings"
	"testing"

	"happytray/core/food"
)

// What stood out too long is thrown away; what keeps is kept for no longer than it keeps.
func TestAdvice(t *testing.T) {
	larder := food.BuiltIn()
	for _, id := range larder.IDs() {
		f, _ := larder.Get(id)
		if f.Category == food.NotFood || f.Category == food.Garnish {
			continue
		}
		fresh, late := AdviseOn(f, 100, 60, 120), AdviseOn(f, 100, 150, 120)
		if f.Needs(food.Perishable) && (late.Do != ThrowAway || late.Days != 0 || !strings.Contains(late.Says.String(), "however good it looks")) {
			t.Errorf("%s stood out for two and a half hours: %+v", f.ID, late)
		}
		if fresh.Do != ThrowAway && (fresh.Days < 1 || fresh.Do == Keep && fresh.Days > max(1, f.KeepsDays)) {
			t.Errorf("%s keeps %d days once opened: %+v", f.ID, f.KeepsDays, fresh)
		}
		// what was among guests keeps no longer than cut produce, a dip or a cheese does, whatever its pack would
		for _, c := range []struct {
			of   bool
			most int
		}{{f.Category == food.Fruit || f.Category == food.Vegetable, 2}, {f.Category == food.Brined, 5}, {f.Category == food.Dip, 7}, {f.Needs(food.Perishable), 7}, {true, 30}} {
			if c.of && fresh.Days > c.most {
				t.Errorf("%s is to keep for %d days, %d at most: %+v", f.ID, fresh.Days, c.most, fresh)
			}
		}
		if fresh.Says.IsZero() {
			t.Errorf("%s: nothing is said", f.ID)
		}
	}
	honey, _ := larder.Get("honey")
	if a := AdviseOn(honey, 80, 300, 120); a.Do != Keep || a.Days != 7 || strings.Contains(a.Says.String(), "Cold") {
		t.Errorf("honey: %+v", a)
	}
	if a := AdviseOn(honey, 3, 30, 120); a.Do != ThrowAway {
		t.Errorf("three grams: %+v", a)
	}
}
