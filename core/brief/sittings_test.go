package brief

import (
	"strings"
	"testing"
	"time"
)

func TestSittingsThatMakeNoSense(t *testing.T) {
	b := Brief{Guests: Guests{Adults: 8}, ServeAt: "2031-06-04T12:00", LastsMinutes: 60}
	with := func(s ...Sitting) Brief {
		c := b
		c.Sittings = s
		return c
	}
	good := with(Sitting{ServeAt: "2031-06-04T14:00"}, Sitting{ServeAt: "2031-06-04T19:00", LastsMinutes: 30})
	if err := good.Check(); err != nil {
		t.Fatal(err)
	}
	open := good.Open(time.UTC)
	if len(open) != 3 || open[1][1].Format("15:04") != "15:00" || open[2][1].Format("15:04") != "19:30" {
		t.Errorf("%v", open)
	}
	unsaid := with(Sitting{ServeAt: "2031-06-04T14:00"})
	unsaid.ServeAt = ""
	waves := with(Sitting{ServeAt: "2031-06-04T14:00"})
	waves.Copies, waves.WaveMinutes = 2, 60
	for says, bad := range map[string]Brief{
		"serve_at": unsaid, "wave_minutes": waves,
		"2026-11-27T20:00":       with(Sitting{ServeAt: "tonight"}),
		"half an hour after":     with(Sitting{ServeAt: "2031-06-04T13:10"}),
		"in the day after":       with(Sitting{ServeAt: "2031-06-06T13:10"}),
		"at most 5":              with(make([]Sitting, 6)...),
		"lasts_minutes":          with(Sitting{ServeAt: "2031-06-04T14:00", LastsMinutes: -5}),
		"ended (15:00) at least": with(Sitting{ServeAt: "2031-06-04T14:00"}, Sitting{ServeAt: "2031-06-04T13:40"}),
	} {
		if err := bad.Check(); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", says, err)
		}
	}
}
