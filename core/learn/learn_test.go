package learn_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/learn"
)

func of(t testing.TB, records []learn.Record) learn.Learnt {
	t.Helper()
	l, err := learn.Fit(records, learn.Options{})
	if err != nil {
		t.Fatal(err)
	}
	return l
}

// evening is one on which a crowd ate so much of each food's share; known tells whether somebody noted when a dish was
// emptied. What is laid is the share times laid.
func evening(n int, crowd string, taste map[string]float64, laid func(food string) float64, known bool, rng *rand.Rand, noise float64) learn.Record {
	r := learn.Record{Date: fmt.Sprintf("2026-%02d-%02d", 1+n%12, 1+n%28), Crowd: crowd, Guests: brief.Guests{Adults: 20}, LastedMin: 120}
	for i := range len(taste) {
		id := fmt.Sprint("food", i)
		const share = 12.0
		would := 20 * share * taste[id] * math.Exp(noise*rng.NormFloat64()-noise*noise/2)
		there := 20 * share * laid(id)
		f := learn.Remains{Food: id, ShareG: share, LaidG: there, LeftG: math.Max(0, there-would)}
		if would >= there && known {
			at := 120 * there / would
			f.GoneAtMin = &at
		}
		r.Foods = append(r.Foods, f)
	}
	return r
}

func tastes(rng *rand.Rand, n int) map[string]float64 {
	out := map[string]float64{}
	for i := range n {
		out[fmt.Sprint("food", i)] = math.Exp(.45 * rng.NormFloat64())
	}
	return out
}

// wrong is the mean error of factors against the truth.
func wrong(l []learn.Factor, truth map[string]float64) float64 {
	sum := 0.0
	for _, f := range l {
		sum += math.Abs(f.Factor/truth[f.Food] - 1)
	}
	return sum / float64(len(l))
}

// Simulated crowds with a known taste are known within six evenings: whether what they would have eaten was always
// there, it was noted when it ran out, or it was not and more was laid each time as was learnt.
func TestConverges(t *testing.T) {
	for name, c := range map[string]struct {
		known, follows bool
		first          float64
	}{"enough of all": {false, false, 3}, "noted when it ran out": {true, false, 1}, "not noted, but laid as learnt": {false, true, 1}} {
		worst, all := 0.0, 0.0
		const crowds = 12
		for n := range crowds {
			rng := rand.New(rand.NewPCG(7, uint64(n)))
			truth := tastes(rng, 20)
			var records []learn.Record
			learnt := learn.Learnt{}
			for k := range 6 {
				laid := func(id string) float64 {
					f, ok := learnt.FactorOf("the club", id)
					if !c.follows || !ok {
						return c.first
					}
					return f.Factor * 1.15
				}
				records = append(records, evening(k, "the club", truth, laid, c.known, rng, .25))
				learnt = of(t, records)
			}
			if len(learnt.Crowds) != 1 || len(learnt.Foods) != 20 || learnt.Foods[0].Evenings != 6 {
				t.Fatalf("%d crowds, %d foods", len(learnt.Crowds), len(learnt.Foods))
			}
			e, everybody := wrong(learnt.Crowds[0].Foods, truth), wrong(learnt.Foods, truth)
			worst, all = math.Max(worst, math.Max(e, everybody)), all+e
		}
		t.Logf("%s: wrong by %.3f in the mean, %.3f at worst", name, all/crowds, worst)
		if all/crowds > .15 || worst > .2 {
			t.Errorf("%s: wrong by %.3f in the mean, %.3f at worst", name, all/crowds, worst)
		}
	}
}

// What was emptied says more than what was left, and less than nothing of how much more.
func TestEmptiedIsALowerBound(t *testing.T) {
	at := func(laid, left float64, gone *float64) learn.Factor {
		r := learn.Record{Date: "2026-05-01", Guests: brief.Guests{Adults: 10}, LastedMin: 120, Foods: []learn.Remains{{Food: "figs", ShareG: 10, LaidG: laid, LeftG: left, GoneAtMin: gone}}}
		return of(t, []learn.Record{r}).Foods[0]
	}
	sixty := 60.0
	emptied, just, much, noted := at(100, 0, nil), at(100, 3, nil), at(300, 0, nil), at(100, 0, &sixty)
	if emptied.Factor <= just.Factor || emptied.Factor < 1.05 {
		t.Errorf("emptied %v, all but three grams eaten %v", emptied.Factor, just.Factor)
	}
	if emptied.SD <= just.SD {
		t.Errorf("a lower bound is surer (%v) than an amount (%v)", emptied.SD, just.SD)
	}
	if noted.Factor <= emptied.Factor || noted.Factor < 1.4 || noted.SD >= emptied.SD*1.5 {
		t.Errorf("gone after half of the evening %v, emptied some time %v", noted, emptied)
	}
	if little := at(20, 0, nil); little.Factor > emptied.Factor || little.Factor < 1 {
		t.Errorf("a fifth of the share emptied says %v, all of it %v", little.Factor, emptied.Factor)
	}
	if much.Factor != 2 {
		t.Errorf("three times the share emptied on one evening: %v, not held to twice", much.Factor)
	}
}

// Whatever one evening was like, no share more than doubles or halves.
func TestOneEveningHalvesOrDoubles(t *testing.T) {
	rng := rand.New(rand.NewPCG(1, 2))
	for range 400 {
		laid := math.Exp(8 * rng.Float64())
		f := learn.Remains{Food: "x", ShareG: math.Exp(5 * rng.Float64()), LaidG: laid, LeftG: laid * math.Max(0, rng.Float64()*1.3-.3)}
		if f.LeftG < .01*laid {
			f.LeftG = 0
			if at := rng.Float64() * 90; rng.IntN(2) == 0 {
				f.GoneAtMin = &at
			}
		}
		l := of(t, []learn.Record{{Date: "2026-01-02", Crowd: "c", Guests: brief.Guests{Adults: 1 + rng.IntN(50)}, LastedMin: 90, Foods: []learn.Remains{f}}})
		for _, got := range []learn.Factor{l.Foods[0], l.Crowds[0].Foods[0]} {
			if got.Factor < .5 || got.Factor > 2 || math.IsNaN(got.SD) {
				t.Fatalf("%+v teaches %+v", f, got)
			}
		}
	}
}

// Taking a record away undoes exactly what it did, and the order of records does not matter.
func TestUndo(t *testing.T) {
	rng := rand.New(rand.NewPCG(3, 3))
	taste := tastes(rng, 8)
	var records []learn.Record
	for k := range 9 {
		records = append(records, evening(k, []string{"a", "b", ""}[k%3], taste, func(string) float64 { return 1.4 }, k%2 == 0, rng, .3))
	}
	before := of(t, records[:8])
	with := of(t, records)
	if reflect.DeepEqual(before, with) {
		t.Error("the ninth evening taught nothing")
	}
	if got := of(t, slices.Clone(records)[:8]); !reflect.DeepEqual(before, got) {
		t.Error("not the same without it")
	}
	turned := slices.Clone(records)
	slices.Reverse(turned)
	if !reflect.DeepEqual(of(t, turned), with) {
		t.Error("the order of records matters")
	}
}

// A reason that hinders says little; a strange evening counts less; a crowd with a short memory is near everybody, and
// one with a long memory near itself.
func TestWhatCounts(t *testing.T) {
	one := func(crowd string, n int, left float64, reasons ...string) learn.Record {
		return learn.Record{Date: fmt.Sprintf("2026-03-%02d", n), Crowd: crowd, Guests: brief.Guests{Adults: 10}, LastedMin: 120,
			Foods: []learn.Remains{{Food: "nuts", ShareG: 20, LaidG: 400, LeftG: left, Reasons: reasons}}}
	}
	free, hindered := of(t, []learn.Record{one("", 1, 350)}).Foods[0], of(t, []learn.Record{one("", 1, 350, "out_of_reach")}).Foods[0]
	if free.Factor > .6 || hindered.Factor < .8 || !strings.Contains(hindered.Because[0], "out of reach, which says little about liking") {
		t.Errorf("left because nobody reached it: %+v; left: %+v", hindered, free)
	}
	var usual []learn.Record
	for n := range 5 {
		usual = append(usual, one("", n+1, 200)) // one share each
	}
	odd := append(slices.Clone(usual), one("", 9, 395))
	if a, b := of(t, usual).Foods[0].Factor, of(t, odd).Foods[0].Factor; b < .85*a {
		t.Errorf("one strange evening after five moves %v to %v", a, b)
	}
	var all []learn.Record
	for n := range 6 {
		all = append(all, one("many", n+1, 100), one("others", n+1, 100)) // one and a half
	}
	short := of(t, append(slices.Clone(all), one("new", 20, 320)))
	for n := range 6 {
		all = append(all, one("new", 10+n, 320)) // four tenths
	}
	long := of(t, all)
	s, _ := short.FactorOf("new", "nuts")
	l, _ := long.FactorOf("new", "nuts")
	if !(l.Factor < s.Factor && s.Factor < 1.3) || l.Factor > .6 || s.Factor < .5 {
		t.Errorf("after one evening %v, after six %v", s.Factor, l.Factor)
	}
	if f, ok := long.FactorOf("never met", "nuts"); !ok || f.Factor != long.Foods[0].Factor {
		t.Errorf("a crowd never met: %+v", f)
	}
	if _, ok := long.FactorOf("new", "unheard of"); ok {
		t.Error("a food never met is known")
	}
}

func TestBecause(t *testing.T) {
	at := 45.0
	r := learn.Record{Date: "2026-03-05", Crowd: "Saltmere potters", Guests: brief.Guests{Adults: 10}, LastedMin: 90, Foods: []learn.Remains{
		{Food: "a", ShareG: 10, LaidG: 100, LeftG: 60, Reasons: []string{"Too strong"}}, {Food: "b", ShareG: 10, LaidG: 100}, {Food: "c", ShareG: 10, LaidG: 100, GoneAtMin: &at}, {Food: "d", ShareG: 10, LaidG: 0}}}
	l := of(t, []learn.Record{r})
	if len(l.Foods) != 3 {
		t.Fatalf("%d foods: what was not laid says nothing", len(l.Foods))
	}
	for i, want := range []string{"5 March 2026, Saltmere potters: 60 of 100 g were left, too strong; it moves it by -", "all 100 g were eaten, and perhaps more would have been; it moves it by +", "100 g were gone after 45 of 90 minutes; it moves it by +"} {
		if !strings.Contains(l.Foods[i].Because[0], want) {
			t.Errorf("%q, want %q", l.Foods[i].Because[0], want)
		}
	}
}

func TestBadRecords(t *testing.T) {
	for name, c := range map[string]struct{ in, says string }{
		"no JSON":             {`{`, "JSON"},
		"no day":              {`{"records":[{"date":"soon","guests":{"adults":3},"lasted_min":60,"foods":[]}]}`, "records[0].date"},
		"nobody":              {`{"records":[{"date":"2026-01-01","guests":{"adults":0},"lasted_min":60,"foods":[]}]}`, "guests"},
		"no time":             {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":0,"foods":[]}]}`, "lasted_min"},
		"more left than laid": {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":10,"left_g":12}]}]}`, "foods[0].left_g"},
		"gone, yet left":      {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":10,"left_g":4,"gone_at_min":5}]}]}`, "gone_at_min"},
		"gone after the end":  {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":10,"left_g":0,"gone_at_min":65}]}]}`, "gone_at_min"},
		"no food":             {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"share_g":5,"laid_g":10,"left_g":0}]}]}`, "foods[0].food"},
		"less than nothing":   {`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":-10,"left_g":0}]}]}`, "laid_g"},
	} {
		if _, err := learn.Read([]byte(c.in)); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, should say %q", name, err, c.says)
		}
	}
	if l := of(t, nil); len(l.Foods) != 0 || len(l.Crowds) != 0 {
		t.Errorf("%+v", l)
	}
	if raw, _ := json.Marshal(of(t, nil)); string(raw) != `{"foods":[],"crowds":[]}` {
		t.Errorf("%s", raw)
	}
	got, err := learn.Read([]byte(`{"records":[{"date":"2026-01-01","crowd":"c","guests":{"adults":1},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":10,"left_g":10,"gone_at_min":null,"reasons":[]}]}]}`))
	if err != nil || len(got) != 1 || of(t, got).Foods[0].Factor >= 1 {
		t.Errorf("one guest who ate nothing: %v", err)
	}
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"figs","share_g":5,"laid_g":10,"left_g":4,"gone_at_min":null}]}]}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		records, err := learn.Read(raw)
		if err != nil {
			return
		}
		l, err := learn.Fit(records, learn.Options{})
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range l.Foods {
			if !(f.Factor >= .125 && f.Factor <= 8) || math.IsNaN(f.SD) {
				t.Fatalf("%+v", f)
			}
		}
	})
}

// A year of a busy house: 200 evenings of 25 foods.
func BenchmarkYear(b *testing.B) {
	rng := rand.New(rand.NewPCG(1, 1))
	taste := tastes(rng, 25)
	var records []learn.Record
	for n := range 200 {
		records = append(records, evening(n, fmt.Sprint("crowd", n%9), taste, func(string) float64 { return 1.3 }, n%2 == 0, rng, .3))
	}
	b.ResetTimer()
	for range b.N {
		of(b, records)
	}
}
