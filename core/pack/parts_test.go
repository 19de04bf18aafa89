package pack

import (
	"cmp"
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	planning "happytray/core/plan"
	"happytray/core/tray"
)

func TestZoneKnowsItsDepth(t *testing.T) {
	paddle := Made(t, board.Request{Shape: "paddle", LengthMM: 500, WidthMM: 260})
	z := NewZone(paddle)
	handle := paddle.Keepouts[0].Centroid()
	if z.ExactDepth(handle) > 0 {
		t.Error("the handle is called free")
	}
	if z.ExactDepth(z.Centre) < 60 || math.Abs(z.Depth(z.Centre)-z.ExactDepth(z.Centre)) > z.Grid.Cell*1.5 {
		t.Errorf("the middle is %v deep, by the raster %v", z.ExactDepth(z.Centre), z.Depth(z.Centre))
	}
	if z.Depth(geom.Pt(-900, -900)) > -30 {
		t.Error("far outside is called near")
	}
	small, large := geom.NewBody(geom.Circle(30, 16).Move(z.Centre)), geom.NewBody(geom.Circle(200, 16).Move(z.Centre))
	if !z.Holds(&small) || z.Holds(&large) {
		t.Error("what fits does not, or the other way")
	}
	onHandle := geom.NewBody(geom.Circle(20, 16).Move(handle))
	if z.Holds(&onHandle) {
		t.Error("a bowl stands on the handle")
	}
	edge := z.Pull(geom.Pt(z.Centre.X, z.Box.Max.Y), 4)
	if in := z.Inward(edge); in.Dot(z.Centre.Sub(edge)) <= 0 {
		t.Errorf("inward at %v points to %v", edge, in)
	}
}

// A trail is set along its line at about its pitch, turned with it, and begins
// again beyond what is in the way.
func TestTrailFollowsAndBreaks(t *testing.T) {
	f, _ := foods.Get("wide-sausage")
	spec, _ := f.Spec("trail")
	bowl := board.Vessels()[2]
	tr := &tray.Tray{Board: Made(t, board.Request{Shape: "rectangle", LengthMM: 800, WidthMM: 300}), Vessels: []board.Vessel{bowl},
		Elements: []tray.Element{{ID: "trail", Food: f.ID, Form: "trail", Count: 40}, {ID: "bowl", Food: "honey", Form: "bowl", Vessel: bowl.ID, Count: 1}}}
	s := NewProblem(tr, foods)
	honey, _ := foods.Get("honey")
	hs, _ := honey.Spec("bowl")
	at := geom.Pose{X: 400, Y: 150}
	s.Given.Elements[1].Pieces = tray.LayOut(honey, hs, &bowl, at, []food.Piece{{Height: bowl.HeightMM}})
	s.Given.Elements[1].Placed = true
	l := NewLayout(s, s.Given.Clone())
	l.AddElement(1)
	line := []geom.Point{{X: 60, Y: 150}, {X: 250, Y: 150}, {X: 400, Y: 150}, {X: 550, Y: 150}, {X: 740, Y: 150}}
	n := l.SetAlong(0, f, spec, line)
	left, right := 0, 0
	for i, p := range l.Tray.Elements[0].Pieces {
		if math.Abs(p.At.Y-150) > 4 {
			t.Errorf("piece %d lies at %v, off the line", i, p.At)
		}
		if d := geom.NormalTurn(p.TurnDeg + 90); math.Min(d, 360-d) > 12 {
			t.Errorf("piece %d is turned %v against the line", i, d)
		}
		if p.At.X < 400 {
			left++
		} else {
			right++
		}
		if p.At.Dist(at.At()) < bowl.DiameterMM/2-2 {
			t.Errorf("piece %d lies in the bowl", i)
		}
	}
	if n < 20 || left < 6 || right < 6 {
		t.Errorf("%d pieces, %d before the bowl and %d beyond", n, left, right)
	}
}

// The band makes way for what stands on its line.
func TestBandKeepsClear(t *testing.T) {
	tr := &tray.Tray{Board: Made(t, board.Request{Shape: "rectangle", LengthMM: 800, WidthMM: 400}), Elements: []tray.Element{{ID: "x", Food: "honey", Form: "bowl"}}}
	l := NewLayout(NewProblem(tr, foods), tr)
	post := geom.Circle(40, 24).Move(geom.Pt(400, 185))
	l.add(0, geom.NewBody(post))
	var wish []geom.Point
	for x := 60.0; x <= 740; x += 20 {
		wish = append(wish, geom.Pt(x, 200))
	}
	near := math.Inf(1)
	for _, p := range l.band(wish, 40) {
		near = math.Min(near, p.Dist(geom.Pt(400, 185))-40)
	}
	if near < 12 {
		t.Errorf("the line passes %.0f mm from the post, half its width is 20", near)
	}
}

// Shares of the free room come out as large as the elements want.
func TestSharesHaveTheirAreas(t *testing.T) {
	tr := plannedFor(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Board: &board.Request{Shape: "rectangle", LengthMM: 500, WidthMM: 350},
		Foods: []brief.Want{{Food: "almonds", Grams: 150}, {Food: "red-grapes", Grams: 300}, {Food: "dried-apricots", Grams: 160}, {Food: "blackberries", Grams: 120}}})
	l := NewLayout(NewProblem(tr, foods), tr.Clone())
	var elems []int
	for i := range tr.Elements {
		elems = append(elems, i)
	}
	rs := newRegions(l, elems, false, food.Rand(2))
	rs.relax(context.Background(), 60)
	area := make([]float64, len(elems))
	for i := range rs.at {
		area[rs.label[rs.free[i]]]++
	}
	for k := range elems {
		if off := math.Abs(area[k]-rs.want[k]) / rs.want[k]; off > .2 {
			t.Errorf("%s has %.0f cells, wants %.0f", tr.Elements[elems[k]].ID, area[k], rs.want[k])
		}
	}
	// what is full of other things leaves nothing to share
	l.add(0, geom.NewBody(tr.Board.Outline))
	if none := newRegions(l, elems, false, food.Rand(2)); len(none.free) != 0 {
		t.Errorf("%d cells are free under a lid", len(none.free))
	}
}

func TestNearNamesEachOnce(t *testing.T) {
	tr := plannedFor(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	l := NewLayout(NewProblem(tr, foods), tr)
	big := geom.NewBody(geom.Box(300, 200, 0).Move(geom.Pt(180, 120)))
	l.add(0, big)
	l.add(1, geom.NewBody(geom.Box(10, 10, 0).Move(geom.Pt(-500, -500)))) // beyond the board
	count := map[int]int{}
	l.near(big.Box, func(o *placed) bool { count[o.element]++; return true })
	if count[0] != 1 || count[1] != 0 {
		t.Errorf("%v", count)
	}
	l.near(geom.Rect{Min: geom.Pt(-510, -510), Max: geom.Pt(-490, -490)}, func(o *placed) bool { count[o.element]++; return true })
	if count[1] != 1 {
		t.Errorf("what lies beyond the board is lost: %v", count)
	}
}

// The rows of a power diagram name the site of least power distance, as trying all does.
func TestDiagramNamesTheNearest(t *testing.T) {
	r := rand.New(rand.NewPCG(12, 13))
	for range 60 {
		n := 1 + r.IntN(30)
		sites, power := make([]geom.Point, n), make([]float64, n)
		for k := range sites {
			sites[k], power[k] = geom.Pt(float64(r.IntN(40))*12, r.Float64()*300), r.Float64()*9000
		}
		out := r.IntN(n + 1) // takes no part
		d := newDiagram(sites, power, func(s int) bool { return s != out })
		for y := 2.0; y < 300; y += 37 {
			d.row(y)
			hint := 0
			for x := 1.0; x < 480; x += 3 {
				away := func(s int) float64 { return math.Pow(sites[s].Dist(geom.Pt(x, y)), 2) - power[s] }
				best := -1
				for s := range sites {
					if s != out && (best < 0 || away(s) < away(best)) {
						best = s
					}
				}
				var got int
				if got, hint = d.at(x, hint); best >= 0 && away(got) > away(best)+1e-6 {
					t.Fatalf("at %v, %v site %d, %v away; %d is %v", x, y, got, away(got), best, away(best))
				}
			}
		}
	}
}

// A berry near the edge is tucked where two things hold it, or away from the edge; on a
// tray with a rim it may lie where it is.
func TestRoundThingsAreHeld(t *testing.T) {
	for _, c := range []struct {
		name  string
		rim   float64
		walls bool // a corner of walls within reach
		y     float64
		moved bool
	}{{"between two walls", 0, true, 25, true}, {"farther in", 0, false, 25, true}, {"out of reach", 0, false, 12, false}, {"behind a rim", 20, true, 25, false}} {
		tr := plannedFor(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Board: &board.Request{Shape: "rectangle", LengthMM: 500, WidthMM: 350, RimMM: c.rim},
			Foods: []brief.Want{{Food: "blueberries", Grams: 60}, {Food: "almonds", Grams: 60}}})
		k := 0
		for i := range tr.Elements {
			if tr.Elements[i].Food == "blueberries" {
				k = i
			}
		}
		l := NewLayout(NewProblem(tr, foods), tr.Clone())
		if c.walls {
			l.add(1-min(1, k), geom.NewBody(geom.Box(60, 8, 0).Move(geom.Pt(250, 46))))
			l.add(1-min(1, k), geom.NewBody(geom.Box(8, 30, 0).Move(geom.Pt(262, 28))))
		}
		rs := newRaster(l, []int{k})
		f, _ := foods.Get("blueberries")
		spec, _ := f.Spec(tr.Elements[k].Form)
		shapes := []geom.Outline{spec.Outline(f.ID, 0)}
		from := geom.Pt(240, c.y)
		particles := []particle{newParticle(0, k, 0, shapes, from, false)}
		rs.steadyAll(context.Background(), particles)
		g := &particles[0]
		if moved := g.at != from; moved != c.moved {
			t.Errorf("%s: moved %v, to %v", c.name, moved, g.at)
		} else if moved && (!rs.steady(particles, 0) || !rs.legal(particles, 0)) {
			t.Errorf("%s: it lies at %v, steady %v, legal %v", c.name, g.at, rs.steady(particles, 0), rs.legal(particles, 0))
		}
	}
}

// Where large pieces find no room, their region is not left bare: what is small takes it.
func TestNarrowPlacesAreNotLeftBare(t *testing.T) {
	tr := plannedFor(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Board: &board.Request{Shape: "rectangle", LengthMM: 460, WidthMM: 300},
		Foods: []brief.Want{{Food: "pomegranate", Grams: 500}, {Food: "almonds", Grams: 200}, {Food: "blackberries", Grams: 200}}})
	l := NewLayout(NewProblem(tr, foods), tr.Clone())
	var loose []int
	for i := range l.Tray.Elements {
		e := &l.Tray.Elements[i]
		e.Placed, e.Pieces = false, []tray.Piece{}
		if e.Kind() == food.KindLoose {
			loose = append(loose, i)
		}
	}
	for y := 50.0; y < 300; y += 58 { // corridors of 50 mm; half a pomegranate is 80 across
		l.add(len(l.Tray.Elements)-1, geom.NewBody(geom.Box(460, 8, 0).Move(geom.Pt(230, y))))
	}
	l.Fill(context.Background(), loose, false, food.Rand(4))
	for corridor := range 5 {
		y0, y1 := 54+58*float64(corridor)-58, 46+58*float64(corridor)
		reached, widest := 0.0, 0.0 // from left to right
		var boxes []geom.Rect
		for _, e := range l.Tray.Elements {
			for _, q := range e.Pieces {
				if box := q.Outline.Bounds(); box.Max.Y > y0 && box.Min.Y < y1 {
					boxes = append(boxes, box)
				}
			}
		}
		slices.SortFunc(boxes, func(a, b geom.Rect) int { return cmp.Compare(a.Min.X, b.Min.X) })
		for _, box := range append(boxes, geom.Rect{Min: geom.Pt(460, 0), Max: geom.Pt(460, 0)}) {
			widest, reached = math.Max(widest, box.Min.X-reached), math.Max(reached, box.Max.X)
		}
		if widest > 90 {
			t.Errorf("corridor %d is bare over %.0f mm", corridor, widest)
		}
	}
}

func Made(t *testing.T, r board.Request) *board.Board {
	t.Helper()
	b, err := board.Make(r)
	if err != nil {
		t.Fatal(err)
	}
	return &b
}

var foods = food.BuiltIn()

// plannedFor is a tray that is not laid yet.
func plannedFor(tb testing.TB, b brief.Brief) *tray.Tray {
	tb.Helper()
	j, err := planning.FromBrief(b, foods, board.BuiltInCabinet())
	if err != nil {
		tb.Fatal(err)
	}
	return j.Trays[0]
}
