// Package clock is the one clock of the product, which can be set: a rehearsal of an evening, a picture and a test begin
// at the minute they are about, and time runs on from there.
package clock

import "time"

// From is a clock that shows at now, in UTC, and runs.
func From(at time.Time) func() time.Time {
	began := time.Now()
	at = at.UTC()
	return func() time.Time { return at.Add(time.Since(began)) }
}

// Parse reads what a clock is set to, RFC 3339.
func Parse(text string) (time.Time, error) { return time.Parse(time.RFC3339, text) }
