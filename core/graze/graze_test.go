package graze_test

import (
	"context"
	"encoding/json"
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

// one is a tray of a board with dishes put on it by hand, for so many grown-ups.
func one(guests int, access []string, longMM, wideMM float64, dishes ...tray.Element) *job.Job {
	zone := geom.Outline{{X: 0, Y: 0}, {X: longMM, Y: 0}, {X: longMM, Y: wideMM}, {X: 0, Y: wideMM}}
	b := brief.Brief{Guests: brief.Guests{Adults: guests}, Access: access}
	t := &tray.Tray{Brief: b, Board: &board.Board{ID: "b", Outline: zone, FoodZone: zone, Access: access}}
	t.Elements = dishes
	return &job.Job{Title: "One", Brief: b, Trays: []*tray.Tray{t}}
}

// cubes are grams of a food in pieces in a heap about a place.
func cubes(id, foodID string, grams float64, at geom.Point, larder *food.Larder) tray.Element {
	f, _ := larder.Get(foodID)
	spec, _ := f.Spec("tumble")
	e := tray.Element{ID: id, Food: foodID, Form: "tumble", Category: f.Category, Grams: grams, Count: int(math.Round(grams / spec.MassG)), Placed: true, X: at.X, Y: at.Y, Wetness: f.Wetness}
	for k := range e.Count {
		p := geom.Pt(at.X+float64(k%8)*8-32, at.Y+float64(k/8%8)*8-32)
		e.Pieces = append(e.Pieces, tray.Piece{Outline: geom.Outline{p, p.Add(geom.Pt(8, 0)), p.Add(geom.Pt(8, 8)), p.Add(geom.Pt(0, 8))}, HeightMM: 12})
	}
	return e
}

func of(t testing.TB, j *job.Job, larder *food.Larder, o graze.Options) graze.Forecast {
	t.Helper()
	f, err := graze.Simulate(context.Background(), j, larder, o)
	if err != nil {
		t.Fatal(err)
	}
	return f
}

var everywhere = []string{"top", "right", "bottom", "left"}

// share is what one grown-up takes of a cheese where nothing else is served at a nibble: 40 g and half of the meat that there is
// none of, and as much more as is eaten of the others where kinds are missing.
const share = (40 + 30.0/2) * 1.6

func near(got, want, part float64) bool { return math.Abs(got-want) <= part*math.Abs(want) }

// Limits that can be worked out by hand.
func TestLimits(t *testing.T) {
	larder := food.BuiltIn()
	const guests = 20
	enough := guests * share * 2
	middle := geom.Pt(250, 200)
	sum := func(f graze.Forecast) (eaten float64) {
		for _, e := range f.Elements {
			eaten += e.EatenG.P50
		}
		return eaten
	}
	t.Run("one food in everyone's reach", func(t *testing.T) {
		f := of(t, one(guests, everywhere, 500, 400, cubes("a", "orange-block", enough, middle, larder)), larder, graze.Options{})
		if got := sum(f); !near(got, guests*share, .03) {
			t.Errorf("%.0f g are eaten, the brief's share is %.0f", got, guests*share)
		}
		if len(f.Groups) != 1 || !near(f.Groups[0].WantedG, guests*share, .001) || !near(f.Groups[0].GotG.P50, guests*share, .03) || f.Groups[0].Count != guests {
			t.Errorf("%+v", f.Groups)
		}
	})
	t.Run("twice the food", func(t *testing.T) {
		once := of(t, one(guests, everywhere, 500, 400, cubes("a", "orange-block", enough, middle, larder)), larder, graze.Options{})
		twice := of(t, one(guests, everywhere, 500, 400, cubes("a", "orange-block", 2*enough, middle, larder)), larder, graze.Options{})
		if !near(sum(once), sum(twice), .01) {
			t.Errorf("%.0f g are eaten of so much, %.0f of twice that", sum(once), sum(twice))
		}
	})
	t.Run("just in reach, and just beyond", func(t *testing.T) {
		for far, some := range map[float64]bool{430: true, 540: true, 650: false, 760: false} { // from the front to the middle of the heap, mm
			f := of(t, one(guests, []string{"bottom"}, 500, 900, cubes("a", "orange-block", enough, geom.Pt(250, 900-far), larder)), larder, graze.Options{})
			if got := sum(f); (got > 1) != some {
				t.Errorf("%.0f mm away %.0f g are eaten", far, got)
			}
		}
	})
	t.Run("too little", func(t *testing.T) {
		f := of(t, one(guests, everywhere, 500, 400, cubes("a", "orange-block", guests*share/4, middle, larder)), larder, graze.Options{})
		e := f.Elements[0]
		if e.GoneAtMin == nil || e.GoneShare < .8 || e.GoneAtMin.P50 > 40 || e.EatenG.P90 > e.LaidG+.1 || f.Groups[0].Without < guests*.6 {
			t.Errorf("%+v %+v", e, f.Groups)
		}
	})
	t.Run("out of reach", func(t *testing.T) {
		f := of(t, one(guests, []string{"bottom"}, 500, 1200, cubes("near", "orange-block", enough, geom.Pt(250, 1100), larder), cubes("far", "old-wheel", enough, geom.Pt(250, 100), larder)), larder, graze.Options{})
		for _, e := range f.Elements {
			if e.ID == "far" && (e.EatenG.P90 != 0 || e.GoneAtMin != nil || !strings.Contains(strings.Join(e.Why, " "), "Nobody reaches it")) {
				t.Errorf("%+v", e)
			}
			if e.ID == "near" && !near(e.EatenG.P50, guests*share, .05) {
				t.Errorf("%+v", e)
			}
		}
	})
	t.Run("a drift of nuts without a spoon, against the wall", func(t *testing.T) {
		f, _ := larder.Get("walnuts")
		bare := *f
		bare.ID, bare.Tool = "bare-walnuts", ""
		own := larder.With([]food.Food{bare})
		e := cubes("nuts", "orange-block", 600, geom.Pt(250, 1000), larder)
		e.Food, e.Form, e.Category = bare.ID, bare.Forms[0].Form, food.Nut
		got := of(t, one(guests, []string{"bottom", "top"}, 500, 1200, e, cubes("cheese", "orange-block", enough, geom.Pt(250, 1000), larder)), own, graze.Options{})
		for _, x := range got.Elements {
			if says := strings.Join(x.Why, " "); x.ID == "nuts" && (!strings.Contains(says, "no tool") || !strings.Contains(says, "only reached from the front")) {
				t.Errorf("%q", x.Why)
			}
		}
	})
	t.Run("no tool", func(t *testing.T) {
		dip := func(tool string) float64 {
			f, _ := larder.Get("chickpea-dip")
			bare := *f
			bare.ID, bare.Tool = "bare-dip", tool
			bowl := tray.Element{ID: "bowl", Food: bare.ID, Form: "bowl", Category: food.Dip, Vessel: "v", Grams: 2000, Count: 1, Placed: true, X: 250, Y: 200, Wetness: food.Moist,
				Pieces: []tray.Piece{{Outline: geom.Circle(80, 24).Move(geom.Pt(250, 200)), HeightMM: 40}}}
			j := one(guests, everywhere, 500, 400, bowl)
			j.Trays[0].Vessels = []board.Vessel{{ID: "v", Name: "Bowl", CapacityML: 4000}}
			with := of(t, j, larder.With([]food.Food{bare}), graze.Options{})
			if tool == "" && !strings.Contains(strings.Join(with.Elements[0].Why, " "), "no tool") {
				t.Errorf("%q", with.Elements[0].Why)
			}
			return mean(with)
		}
		whole, without, stated := dip("spoon"), dip(""), parameter("no_tool_share")
		if !near(without, stated*whole, .08) {
			t.Errorf("without a tool %.0f g of %.0f, the stated share is %.2f", without, whole, stated)
		}
	})
}

// mean is what is eaten in the mean, by what is left.
func mean(f graze.Forecast) float64 {
	laid := 0.0
	for _, e := range f.Elements {
		laid += e.LaidG
	}
	return laid - f.Waste.Grams
}

func parameter(name string) float64 {
	for _, p := range graze.Parameters() {
		if p.Name == name {
			return p.Value
		}
	}
	return math.NaN()
}

// On laid trays of all kinds: nothing is eaten that is not there, quantiles are in order, what is left and what is
// eaten add up, nobody gets what they avoid, and the same seed gives the same bytes on any number of cores.
func TestForecasts(t *testing.T) {
	temp := 12.0
	for name, b := range map[string]brief.Brief{
		"nibble":  {Guests: brief.Guests{Adults: 18}},
		"diets":   {Guests: brief.Guests{Adults: 9}, Diets: []brief.Diet{{Who: "two", Count: 2, Avoid: []string{"gluten"}}, {Avoid: []string{"meat"}}}},
		"large":   {Guests: brief.Guests{Adults: 44, Children: 6}, Occasion: "grazing", TemperatureC: &temp},
		"one":     {Guests: brief.Guests{Adults: 1}},
		"plates":  {Guests: brief.Guests{Children: 12}, Serving: "plates"},
		"by wall": {Guests: brief.Guests{Adults: 16}, Access: []string{"bottom"}},
	} {
		j := plantest.Laid(t, b)
		larder := j.Larder(food.BuiltIn())
		f := of(t, j, larder, graze.Options{Evenings: 200, Seed: 5, Workers: 1})
		again := of(t, j, larder, graze.Options{Evenings: 200, Seed: 5, Workers: 3})
		one, _ := json.Marshal(f)
		other, _ := json.Marshal(again)
		if string(one) != string(other) {
			t.Errorf("%s: other bytes on three goroutines", name)
		}
		if f.Guests != b.Guests.Total() || f.Minutes != b.Lasts() {
			t.Errorf("%s: %d guests, %v minutes", name, f.Guests, f.Minutes)
		}
		eaten := 0.0
		for _, e := range f.Elements {
			r := e.EatenG
			if r.P10 < 0 || r.P10 > r.P50 || r.P50 > r.P90 || r.P90 > e.LaidG+.11 || math.Abs(r.P50+e.LeftG.P50-e.LaidG) > e.LaidG*.15+2 {
				t.Errorf("%s: %+v", name, e)
			}
			if g := e.GoneAtMin; g != nil && (g.P10 < 0 || g.P90 > f.Minutes || g.P10 > g.P90) {
				t.Errorf("%s: gone %+v", name, g)
			}
			eaten += r.P50
			if len(e.Looks) != len(f.Looks) {
				t.Errorf("%s: %d looks at %s", name, len(e.Looks), e.ID)
			}
			for k, l := range e.Looks {
				if l.LeftShare < 0 || l.LeftShare > 1 || k > 0 && l.LeftShare > e.Looks[k-1].LeftShare {
					t.Errorf("%s: %s looks %+v", name, e.ID, e.Looks)
				}
			}
		}
		if len(f.Elements) == 0 || eaten == 0 {
			t.Errorf("%s: nothing is eaten", name)
		}
		last := 1.0
		for _, l := range f.Looks {
			if l.LeftShare > last || l.LeftShare < 0 {
				t.Errorf("%s: looks %+v", name, f.Looks)
			}
			last = l.LeftShare
		}
		all := 0.0
		for _, s := range f.Crowd {
			all += s.Share
		}
		if math.Abs(all-1) > .01 {
			t.Errorf("%s: the crowd %+v", name, f.Crowd)
		}
		wanted, got := 0.0, 0.0
		for _, g := range f.Groups {
			wanted, got = wanted+g.WantedG, got+g.GotG.P50
		}
		if got > wanted*1.15 || got < wanted*.4 {
			t.Errorf("%s: wanted %.0f, got %.0f", name, wanted, got)
		}
		t.Logf("%s: wanted %.0f got %.0f, waste %.0f g %d, looks %v", name, wanted, got, f.Waste.Grams, f.Waste.Cost, f.Looks)
	}
}

func TestNobodyEatsWhatTheyAvoid(t *testing.T) {
	larder := food.BuiltIn()
	j := one(10, everywhere, 500, 400, cubes("a", "orange-block", 4000, geom.Pt(250, 200), larder))
	j.Brief.Diets = []brief.Diet{{Who: "four", Count: 4, Avoid: []string{"milk"}}}
	j.Trays[0].Brief.Diets = j.Brief.Diets
	f := of(t, j, larder, graze.Options{})
	if len(f.Groups) != 2 || f.Groups[0].GotG.P90 != 0 || !near(f.Groups[1].GotG.P50, 6*share, .05) {
		t.Errorf("%+v", f.Groups)
	}
	if !strings.Contains(strings.Join(f.Elements[0].Why, " "), "4 of 10 guests do not eat it (four)") {
		t.Errorf("%q", f.Elements[0].Why)
	}
}

// A long table of many boards that share their guests is reached along all of it.
func TestManyBoards(t *testing.T) {
	larder := food.BuiltIn()
	j := one(30, everywhere, 1500, 400)
	first := j.Trays[0]
	j.Trays = nil
	for n := range 24 {
		c := *first
		c.Part = &tray.Part{Number: n + 1, Of: 24, Guests: j.Brief.Guests, Share: 1. / 24}
		if n == 23 {
			c.Elements = []tray.Element{cubes("a", "orange-block", 30*share*2, geom.Pt(700, 200), larder)}
		}
		j.Trays = append(j.Trays, &c)
	}
	f := of(t, j, larder, graze.Options{Evenings: 200})
	if f.Guests != 30 || len(f.Elements) != 1 || f.Elements[0].EatenG.P50 < 30*share*.5 {
		t.Errorf("of the last of 24 boards %+v is eaten by %d", f.Elements, f.Guests)
	}
}

func TestWhatCannotBeForeseen(t *testing.T) {
	larder := food.BuiltIn()
	empty := one(6, everywhere, 500, 400)
	f := of(t, empty, larder, graze.Options{Evenings: 10})
	if len(f.Elements) != 0 || f.Waste.Grams != 0 || len(f.Groups) != 1 {
		t.Errorf("nothing on the board: %+v", f)
	}
	waiting := cubes("a", "orange-block", 500, geom.Pt(0, 0), larder)
	waiting.Placed, waiting.Pieces = false, nil
	f = of(t, one(6, everywhere, 500, 400, waiting), larder, graze.Options{Evenings: 10})
	if f.Elements[0].EatenG.P90 != 0 || !slices.Contains(f.Elements[0].Why, "It waits beside the board.") {
		t.Errorf("%+v", f.Elements)
	}
	f = of(t, one(6, []string{}, 500, 400, cubes("a", "orange-block", 500, geom.Pt(250, 200), larder)), larder, graze.Options{Evenings: 10})
	if f.Elements[0].EatenG.P90 != 0 || !slices.Contains(f.Elements[0].Why, "Guests stand at no side of its board.") {
		t.Errorf("no sides: %+v", f.Elements)
	}
	for says, o := range map[string]graze.Options{"minus one": {Evenings: -1}, "a million": {Evenings: 1_000_000}} {
		if _, err := graze.Simulate(context.Background(), empty, larder, o); err == nil || !strings.Contains(err.Error(), "evenings") {
			t.Errorf("%s: %v", says, err)
		}
	}
	if _, err := graze.Simulate(context.Background(), one(500, everywhere, 500, 400), larder, graze.Options{Evenings: 20_000}); err == nil || !strings.Contains(err.Error(), "8000 at most") {
		t.Errorf("ten million guests: %v", err)
	}
	ctx, stop := context.WithCancel(context.Background())
	stop()
	if _, err := graze.Simulate(ctx, empty, larder, graze.Options{}); err != context.Canceled {
		t.Errorf("stopped: %v", err)
	}
}

// 1,000 evenings of 40 guests and 40 elements: under a second on two cores (docs/speed.md).
func BenchmarkThousandEvenings(b *testing.B) {
	j := plantest.Laid(b, brief.Brief{Guests: brief.Guests{Adults: 40}, Occasion: "grazing"})
	larder := j.Larder(food.BuiltIn())
	n := 0
	for _, t := range j.Trays {
		n += len(t.Elements)
	}
	b.ResetTimer()
	b.ReportAllocs()
	for range b.N {
		of(b, j, larder, graze.Options{})
	}
	b.ReportMetric(float64(n), "elements")
}

// A whole cheese is begun before guests come, and then more of it is eaten than where the house leaves the first cut to them.
func TestABegunCheeseIsEaten(t *testing.T) {
	larder := food.BuiltIn()
	eaten := func(begin string) float64 {
		round := geom.Outline{{X: 150, Y: 150}, {X: 250, Y: 150}, {X: 250, Y: 250}, {X: 150, Y: 250}}
		e := tray.Element{ID: "round", Food: "soft-white-round", Form: "whole", Category: food.Cheese, Grams: 250, Count: 1, Placed: true, X: 200, Y: 200,
			Wetness: food.Moist, Pieces: []tray.Piece{{Outline: round, HeightMM: 30}}}
		j := one(6, everywhere, 400, 400, e)
		j.Trays[0].Rules.FirstSlice = begin
		return e.Grams - of(t, j, larder, graze.Options{Evenings: 200, Seed: 3}).Elements[0].LeftG.P50
	}
	if begun, whole := eaten(""), eaten("left"); begun <= 1.05*whole {
		t.Errorf("%v g of a begun cheese, %v g of one that is not", begun, whole)
	}
}

// What is in a box is told when it is worth going for: nobody goes for a pinch.
func TestNobodyGoesForAPinch(t *testing.T) {
	larder := food.BuiltIn()
	told := func(boxed float64) []graze.TopUp {
		j := one(20, []string{"bottom", "top"}, 500, 300, cubes("c", "orange-block", 90, geom.Pt(250, 150), larder))
		j.Trays[0].Reserve = []tray.Reserve{{Food: "orange-block", Form: "tumble", Grams: boxed, Count: 1}}
		return of(t, j, larder, graze.Options{Seed: 1}).TopUp
	}
	if got := told(200); len(got) != 1 || got[0].Grams != 200 {
		t.Errorf("of 200 g in the box %v is told", got)
	}
	if got := told(12); len(got) != 0 {
		t.Errorf("of 12 g in the box %v is told", got)
	}
}
