package brief

import (
	"fmt"
	"time"

	"happytray/core/fault"
)

// Session is hours in which somebody works; times as ServeAt is written.
type Session struct {
	From string `json:"from"`
	To   string `json:"to"`
}

// InHand is the quarter of an hour between the last hand and the guests that a house has, where nobody says otherwise.
const InHand = 15 * time.Minute

// Bounds of what is made ready ahead.
const (
	mostAhead    = 48 * time.Hour // that a laid board waits in the cold, or anybody works, before serving
	maxSessions  = 12
	leastSession = 10 * time.Minute
)

// readTime reads a time as it is written in a brief; one without a zone is meant in zone, which is the house's.
func readTime(s string, zone *time.Location) (at time.Time, ok bool) {
	for _, layout := range []string{time.RFC3339, "2006-01-02T15:04:05", "2006-01-02T15:04", "2006-01-02 15:04", time.DateOnly} {
		if t, err := time.ParseInLocation(layout, s, zone); err == nil {
			return t, true
		}
	}
	return time.Time{}, false
}

// ReadyAhead is how long before it is served everything is ready but for what is finished at the end: as the brief says, or as the
// house does it, a quarter of an hour where neither does.
func (b Brief) ReadyAhead(zone *time.Location) time.Duration {
	serve, ok := b.ServeTime(zone)
	if ready, said := readTime(b.ReadyBy, zone); said && ok {
		return max(0, serve.Sub(ready))
	}
	at := func(hour int) time.Time {
		return time.Date(serve.Year(), serve.Month(), serve.Day(), hour, 0, 0, 0, serve.Location())
	}
	switch rule := b.HouseRules().Ready; {
	case rule == "hours":
		return 150 * time.Minute
	case rule == "morning" && ok && serve.Sub(at(10)) > 0:
		return max(InHand, serve.Sub(at(10)))
	case rule == "evening" && ok:
		return serve.Sub(at(19).AddDate(0, 0, -1))
	}
	return InHand
}

// Working are the sessions of a brief, in the order of time.
func (b Brief) Working(zone *time.Location) [][2]time.Time { return hoursOf(b.Sessions, zone) }

// OvenTakenAt are the hours in which others have the oven, in the order of time.
func (b Brief) OvenTakenAt(zone *time.Location) [][2]time.Time { return hoursOf(b.OvenTaken, zone) }

func hoursOf(hours []Session, zone *time.Location) (out [][2]time.Time) {
	for _, s := range hours {
		from, ok := readTime(s.From, zone)
		to, also := readTime(s.To, zone)
		if ok && also {
			out = append(out, [2]time.Time{from, to})
		}
	}
	return out
}

// checkReady bounds by when all is ready, and who works when.
func (b Brief) checkReady() error {
	serve, served := b.ServeTime(time.UTC)
	if b.ReadyBy != "" {
		ready, ok := readTime(b.ReadyBy, time.UTC)
		switch {
		case !ok:
			return fault.Bad("ready_by", "write the time as 2026-11-27T17:00")
		case !served:
			return fault.Bad("ready_by", "say when it is served, too (serve_at)")
		case ready.After(serve):
			return fault.Bad("ready_by", "should be before it is served")
		case serve.Sub(ready) > mostAhead:
			return fault.Bad("ready_by", "should be two days before serving at most: what is laid does not keep longer")
		}
	}
	if err := checkHours("sessions", b.Sessions, serve, served); err != nil {
		return err
	}
	return checkHours("oven_taken", b.OvenTaken, serve, served)
}

// checkHours bounds hours of a member before serving, which lie in the order of time.
func checkHours(member string, hours []Session, serve time.Time, served bool) error {
	if len(hours) > maxSessions {
		return fault.Bad(member, "at most %d", maxSessions)
	}
	var before time.Time
	for i, s := range hours {
		field := fmt.Sprintf("%s[%d]", member, i)
		from, ok := readTime(s.From, time.UTC)
		to, also := readTime(s.To, time.UTC)
		switch {
		case !ok:
			return fault.Bad(field+".from", "write the time as 2026-11-27T08:00")
		case !also:
			return fault.Bad(field+".to", "write the time as 2026-11-27T12:00")
		case to.Sub(from) < leastSession:
			return fault.Bad(field, "should end ten minutes after it begins at least")
		case i > 0 && from.Before(before):
			return fault.Bad(field, "should begin when the one before it has ended: list them in the order of time")
		case served && from.After(serve):
			return fault.Bad(field, "begins after serving")
		case served && serve.Sub(from) > 2*mostAhead:
			return fault.Bad(field, "should be in the four days before serving")
		}
		before = to
	}
	return nil
}
