package diet

import (
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// Heat and road are hard on food beyond their limits, and not at them.
func TestHarshBeyondTheLimits(t *testing.T) {
	for _, c := range []struct {
		warm, road float64
		heat, long bool
	}{{20, 0, false, false}, {28, 30, false, false}, {28.1, 30.1, true, true}, {35, 10, true, false}, {2, 90, false, true}} {
		at := TableOf(brief.Brief{TemperatureC: &c.warm, Travels: brief.Travels{Yes: true, Minutes: c.road}})
		if heat, road := at.Harsh(); heat != c.heat || road != c.long {
			t.Errorf("%v degrees and %v minutes: %v %v", c.warm, c.road, heat, road)
		}
	}
	melts := &food.Food{Melts: true, Forms: []food.Spec{{Form: "tumble"}, {Form: "bowl"}}}
	at := Table{WarmthC: 28.1}
	if at.Suffers(melts, "tumble") != "melts" || at.Suffers(melts, "bowl") != "" || (Table{WarmthC: 28}).Suffers(melts, "tumble") != "" {
		t.Error("chocolate in the heat")
	}
	if v, _ := at.For(melts); v != Fine { // there is a form in which it keeps
		t.Errorf("with a bowl it is %v", v)
	}
	melts.Forms = melts.Forms[:1]
	if v, becomes := at.For(melts); v != DoesNotKeep || becomes != "melts" {
		t.Errorf("without one it is %v %q", v, becomes)
	}
}
