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
		if f.Needs(food.Perishable) && (late.Do != ThrowAway || late.Days != 0 || !strings.Contains(late.Says, "however good it looks")) {
			t.Errorf("%s stood out for two and a half hours: %+v", f.ID, late)
		}
		if fresh.Do != ThrowAway && (fresh.Days < 1 || fresh.Do == Keep && fresh.Days > max(1, f.KeepsDays)) {
			t.Errorf("%s keeps %d days once opened: %+v", f.ID, f.KeepsDays, fresh)
		}
		if f.Needs(food.Perishable) && fresh.Days > 14 {
			t.Errorf("%s: %+v", f.ID, fresh)
		}
		if fresh.Says == "" {
			t.Errorf("%s: nothing is said", f.ID)
		}
	}
	honey, _ := larder.Get("honey")
	if a := AdviseOn(honey, 80, 300, 120); a.Do != Keep || a.Days < 100 {
		t.Errorf("honey: %+v", a)
	}
	if a := AdviseOn(honey, 3, 30, 120); a.Do != ThrowAway {
		t.Errorf("three grams: %+v", a)
	}
}
