package learn

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"
	"time"

	"happytray/core/prep"
)

var noon = time.Date(2031, 3, 4, 12, 0, 0, 0, time.UTC)

func clock(minutes float64) time.Time {
	return noon.Add(time.Duration(minutes * float64(time.Minute)))
}

// dayOf is tasks one after the other by the same hands: kinds and minutes.
func dayOf(who string, from float64, work ...any) (out []prep.Task) {
	for i := 0; i < len(work); i += 2 {
		m := work[i+1].(float64)
		out = append(out, prep.Task{ID: fmt.Sprint(who, "-", i/2), Kind: work[i].(string), Minutes: m, Who: who,
			Starts: clock(from).Format(time.RFC3339), Ends: clock(from + m).Format(time.RFC3339)})
		from += m
	}
	return out
}

func TestStintsLieBetweenTicks(t *testing.T) {
	d := prep.Day{Tasks: dayOf("1", 0, prep.SetUp, 4., prep.Fold, 6., prep.Cube, 4., prep.Fold, 2., prep.Lay, 10.)}
	ticks := map[string]time.Time{
		"1-0": clock(5),               // nothing before it: when it began nobody knows
		"1-1": clock(14),              // 9 for 6
		"1-2": clock(20),              // with the next in one go: 6 for 6
		"1-3": clock(20).Add(8 * 1e9), // a thumb goes down the list
		"1-4": clock(95),              // they had supper
		"2-9": clock(30),              // of no task
	}
	got := StintsOf(d, ticks)
	want := []Stint{{prep.Fold, 6, 9}, {prep.Cube, 4, 4}, {prep.Fold, 2, 2}}
	if len(got) != len(want) {
		t.Fatalf("%v, not %v", got, want)
	}
	for i := range want {
		if got[i].Kind != want[i].Kind || got[i].Planned != want[i].Planned || math.Abs(got[i].Took-want[i].Took) > .15 {
			t.Errorf("%v, not %v", got[i], want[i])
		}
	}
	if got := StintsOf(d, nil); got == nil || len(got) != 0 {
		t.Errorf("of a day that nobody ticked: %v", got)
	}
}

func TestWaitingIsNoWork(t *testing.T) {
	d := prep.Day{Tasks: append(dayOf("1", 0, prep.Fold, 6.), dayOf("1", 40, prep.Lay, 30.)...)}
	d.Tasks[1].ID = "late"
	if got := StintsOf(d, map[string]time.Time{"1-0": clock(6), "late": clock(70)}); len(got) != 0 {
		t.Errorf("from the one to the other there was a pause: %v", got)
	}
	two := prep.Day{Tasks: append(dayOf("1", 0, prep.Fold, 6., prep.Lay, 6.), dayOf("2", 0, prep.Cube, 6., prep.Slice, 6.)...)}
	got := StintsOf(two, map[string]time.Time{"1-0": clock(6), "1-1": clock(12), "2-0": clock(7), "2-1": clock(16)})
	if len(got) != 2 || got[0] != (Stint{prep.Lay, 6, 6}) || got[1] != (Stint{prep.Slice, 6, 9}) {
		t.Errorf("each pair of hands by itself: %v", got)
	}
}

func TestPaceIsDrawnTowardsTheDataWhileStintsAreFew(t *testing.T) {
	days := func(n int, ratio float64) (out [][]Stint) {
		for range n {
			out = append(out, []Stint{{prep.Fold, 5, 5 * ratio}, {prep.Fold, 8, 8 * ratio}})
		}
		return out
	}
	if got := PaceOf(days(1, 2)); len(got) != 0 {
		t.Errorf("two stints say nothing yet: %v", got)
	}
	before := 1.0
	for _, n := range []int{2, 4, 10, 100} {
		got := PaceOf(days(n, 1.5))
		if len(got) != 1 || got[0].Kind != prep.Fold || got[0].Factor <= before || got[0].Factor > 1.5 || got[0].Stints != 2*n || got[0].Days != n {
			t.Fatalf("%d days: %+v after %g", n, got, before)
		}
		before = got[0].Factor
	}
	if want := math.Pow(1.5, 200/206.); math.Abs(before-want) > .01 {
		t.Errorf("after a hundred days %g, not %g", before, want)
	}
	if got := PaceOf(days(50, 1.02)); len(got) != 0 {
		t.Errorf("hardly a difference is none: %v", got)
	}
	if got := PaceOf(days(50, 30)); len(got) != 1 || got[0].Factor != mostPace {
		t.Errorf("it is bounded: %v", got)
	}
}

// A few stints in which the telephone rang move the median little, where a mean would follow them.
func TestPaceHeedsNoStrangeStints(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	var days [][]Stint
	for n := range 30 {
		took := 6 * 1.3 * math.Exp(.15*r.NormFloat64())
		if n%6 == 0 {
			took = 23
		}
		days = append(days, []Stint{{prep.Cube, 6, took}, {"dancing", 6, 6}, {prep.Lay, math.NaN(), 1}})
	}
	got := PaceOf(days)
	if len(got) != 1 || math.Abs(got[0].Factor-1.27) > .08 || got[0].Low >= got[0].Factor+.1 || got[0].High < got[0].Factor {
		t.Errorf("%+v", got)
	}
}
