// Package clocktest is the clock of tests: the same day whenever they run, or the one that HT_TEST_NOW names
// where what depends on the clock is tried on other days (make test-days).
package clocktest

import (
	"fmt"
	"os"
	"time"

	"happytray/clock"
)

// Usual is when tests begin where nobody says otherwise: a Wednesday in autumn.
const Usual = "2026-10-14T10:30:00Z"

// Now is the time of the tests.
var Now = clock.From(begin())

func begin() time.Time {
	text := os.Getenv("HT_TEST_NOW")
	if text == "" {
		text = Usual
	}
	at, err := clock.Parse(text)
	if err != nil {
		panic(fmt.Sprintf("HT_TEST_NOW is %q: %v", text, err))
	}
	return at
}
