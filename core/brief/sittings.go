package brief

import (
	"fmt"
	"time"

	"happytray/core/fault"
)

// Sitting is a further time at which the same boards are served; between two they are covered and in the cold.
type Sitting struct {
	ServeAt      string  `json:"serve_at"`                // written like that of the brief
	LastsMinutes float64 `json:"lasts_minutes,omitempty"` // how long guests graze; 0 for as long as the first time
}

// The bounds of sittings: how many there are beside the first, how long after the first the last one begins at most, and how long a
// board is in the cold between two at least.
const (
	maxSittings  = 5
	mostSittings = 24 * time.Hour
	LeastBetween = 30 * time.Minute
)

// Open are the times from when to when the boards stand open to guests, the first one first; none where nobody says when it is served.
func (b Brief) Open(zone *time.Location) (out [][2]time.Time) {
	serve, ok := b.ServeTime(zone)
	if !ok {
		return nil
	}
	lasts := func(minutes float64) time.Duration {
		if minutes <= 0 {
			minutes = b.Lasts()
		}
		return time.Duration(minutes * float64(time.Minute))
	}
	out = append(out, [2]time.Time{serve, serve.Add(lasts(0))})
	for _, s := range b.Sittings {
		at, ok := readTime(s.ServeAt, zone)
		if !ok {
			continue
		}
		out = append(out, [2]time.Time{at, at.Add(lasts(s.LastsMinutes))})
	}
	return out
}

func (b Brief) checkSittings() error {
	if len(b.Sittings) == 0 {
		return nil
	}
	if len(b.Sittings) > maxSittings {
		return fault.Bad("sittings", "at most %d beside the first", maxSittings)
	}
	if _, served := b.ServeTime(time.UTC); !served {
		return fault.Bad("sittings", "say when it is served first, too (serve_at)")
	}
	if b.WaveMinutes > 0 {
		return fault.Bad("sittings", "are for boards that come back; boards that follow each other (wave_minutes) do not")
	}
	for i, s := range b.Sittings {
		field := fmt.Sprintf("sittings[%d]", i)
		if _, ok := readTime(s.ServeAt, time.UTC); !ok {
			return fault.Bad(field+".serve_at", "write the time as 2026-11-27T20:00")
		}
		if s.LastsMinutes != 0 {
			if err := fault.Between(field+".lasts_minutes", s.LastsMinutes, 10, 24*60, " minutes"); err != nil {
				return err
			}
		}
	}
	open := b.Open(time.UTC)
	for i := 1; i < len(open); i++ {
		field := fmt.Sprintf("sittings[%d].serve_at", i-1)
		if open[i][0].Sub(open[i-1][1]) < LeastBetween {
			return fault.Bad(field, "should be half an hour after the one before it has ended (%s) at least: the board is covered and chilled between them", open[i-1][1].Format("15:04"))
		}
		if open[i][0].Sub(open[0][0]) > mostSittings {
			return fault.Bad(field, "should be in the day after it is first served")
		}
	}
	return nil
}
