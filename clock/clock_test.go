package clock

import (
	"testing"
	"time"
)

func TestAClockRunsFromWhereItIsSet(t *testing.T) {
	at, err := Parse("2028-02-29T23:50:00+02:00")
	if err != nil {
		t.Fatal(err)
	}
	now := From(at)
	one := now()
	time.Sleep(2 * time.Millisecond)
	two := now()
	if d := one.Sub(at); d < 0 || d > time.Second || one.Location() != time.UTC {
		t.Errorf("set to %v it shows %v", at, one)
	}
	if !two.After(one) {
		t.Errorf("%v, then %v: it stands still", one, two)
	}
	for _, text := range []string{"", "tomorrow", "2026-10-14", "2026-13-01T10:00:00Z"} {
		if _, err := Parse(text); err == nil {
			t.Errorf("%q was taken for a time", text)
		}
	}
}
