package learn

import "testing"

// An evening of the other half of the year counts less, and December and January are neighbours.
func TestSeasonsTurnWithTheYear(t *testing.T) {
	for _, c := range []struct {
		date  string
		month int
		whole bool
	}{
		{"2026-06-10", 0, true}, {"2026-06-10", 6, true}, {"2026-06-10", 9, true}, {"2026-06-10", 3, true}, {"2026-06-10", 10, false}, {"2026-06-10", 2, false}, {"2026-06-10", 12, false},
		{"2026-12-20", 1, true}, {"2026-12-20", 3, true}, {"2026-12-20", 4, false}, {"2026-12-20", 9, true}, {"2026-12-20", 8, false}, {"2026-12-20", 6, false},
		{"2026-01-05", 12, true}, {"2026-01-05", 10, true}, {"2026-01-05", 9, false}, {"2026-01-05", 4, true}, {"2026-01-05", 5, false},
	} {
		got := (Options{Month: c.month}).weight(&Record{Date: c.date})
		if (got == 1) != c.whole || got != 1 && got != unlike {
			t.Errorf("an evening of %s, asked in month %d, counts %v", c.date, c.month, got)
		}
	}
	if got := (Options{Month: 12, Occasion: "meal"}).weight(&Record{Date: "2026-06-01", Occasion: "nibble"}); got != unlike*unlike {
		t.Errorf("of another season and occasion: %v", got)
	}
}
