package search_test

import (
	"context"
	"reflect"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/plan/plantest"
	"happytray/core/search"
	"happytray/core/tray"
)

// Trays that are laid beside each other are what each would be alone, on any number of cores; the time given is for all.
func TestSeveralAreWhatEachWouldBe(t *testing.T) {
	trays := []*tray.Tray{plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 5}}), plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 4}, Month: 6}), plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Month: 11})}
	alone := make([]*tray.Tray, len(trays))
	for i := range trays {
		res, err := search.Lay(t.Context(), trays[i], plantest.Larder, search.Options{Seed: 7 + uint64(i), Effort: 2, Workers: 1})
		if err != nil {
			t.Fatal(err)
		}
		alone[i] = res.Tray
	}
	for _, cores := range []int{1, 2, 3} {
		got, err := search.Several(t.Context(), trays, plantest.Larder, search.Options{Seed: 7, Effort: 2, Workers: cores})
		if err != nil {
			t.Fatal(err)
		}
		for i := range trays {
			alone[i].Seed = got[i].Tray.Seed
			if got[i].Tray.Seed != 7+uint64(i) || !reflect.DeepEqual(alone[i], got[i].Tray) {
				t.Errorf("tray %d on %d cores is not what it is alone", i, cores)
			}
		}
	}
	began := time.Now()
	if _, err := search.Several(t.Context(), trays, plantest.Larder, search.Options{Seconds: .6}); err != nil || time.Since(began) > 3*time.Second {
		t.Errorf("six tenths of a second took %v: %v", time.Since(began), err)
	}
	trays[1] = &tray.Tray{}
	if _, err := search.Several(t.Context(), trays, plantest.Larder, search.Options{Effort: 1}); err == nil {
		t.Error("a tray without a board is laid")
	}
	stopped, stop := context.WithCancel(t.Context())
	stop()
	if got, err := search.Several(stopped, trays[:1], plantest.Larder, search.Options{Effort: 1}); err != nil || got[0].Tray == nil {
		t.Errorf("stopped before it began: %v", err)
	}
}
