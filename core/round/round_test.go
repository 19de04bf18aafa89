package round

import "testing"

func TestRounded(t *testing.T) {
	for _, c := range []struct{ got, want float64 }{
		{Tenth(1.25), 1.3}, {Tenth(-1.25), -1.3}, {Tenth(.04), 0},
		{Hundredth(2.006), 2.01}, {Hundredth(-.004), 0},
		{To(3.14159, 0), 3}, {To(3.14159, 3), 3.142}, {To(1250, -2), 1300},
	} {
		if c.got != c.want {
			t.Errorf("%v, not %v", c.got, c.want)
		}
	}
}
