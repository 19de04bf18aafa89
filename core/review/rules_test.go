package review

import "testing"

// From a value on that is good enough little is said, whichever way is better.
func TestEnough(t *testing.T) {
	at := func(v float64) *float64 { return &v }
	for _, c := range []struct {
		r    Rule
		v    float64
		want bool
	}{
		{Rule{Good: .97, Bad: .84, Enough: at(.96)}, .97, true},
		{Rule{Good: .97, Bad: .84, Enough: at(.96)}, .96, true},
		{Rule{Good: .97, Bad: .84, Enough: at(.96)}, .95, false},
		{Rule{Good: 14, Bad: 36, Enough: at(20)}, 19, true}, // here less is better
		{Rule{Good: 14, Bad: 36, Enough: at(20)}, 20, true},
		{Rule{Good: 14, Bad: 36, Enough: at(20)}, 21, false},
		{Rule{Good: 1, Bad: 0}, 1, true},
		{Rule{Good: 1, Bad: 0}, .5, false},
	} {
		if got := c.r.enough(c.v); got != c.want {
			t.Errorf("%v .. %v, enough from %v: %v is %v", c.r.Good, c.r.Bad, c.r.Enough, c.v, got)
		}
	}
}
