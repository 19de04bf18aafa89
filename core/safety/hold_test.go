package safety

import (
	"strings"
	"testing"

	"happytray/core/brief"
)

// The hour begins above 32 degrees, not at them.
func TestHoldChangesAboveTheLimit(t *testing.T) {
	for warm, want := range map[float64]float64{-5: 120, 20: 120, 31.9: 120, 32: 120, 32.1: 60, 40: 60} {
		got, says := HoldingTime(brief.Brief{TemperatureC: &warm})
		if got != want || !strings.Contains(says.String(), "Local food rules come first") {
			t.Errorf("at %v degrees %v minutes: %s", warm, got, says)
		}
	}
}
