package geom

import (
	"encoding/json"
	"math"
	"math/rand/v2"
	"slices"
	"testing"
)

func TestOutlineMeasures(t *testing.T) {
	cases := []struct {
		name   string
		o      Outline
		area   float64
		centre Point
		convex bool
	}{
		{"box", Box(40, 20, 0), 800, Pt(0, 0), true},
		{"moved box", Box(40, 20, 0).Move(Pt(7, -3)), 800, Pt(7, -3), true},
		{"L", Outline{{0, 0}, {20, 0}, {20, 10}, {10, 10}, {10, 30}, {0, 30}}, 400, Pt(7.5, 12.5), false},
		{"triangle", Outline{{0, 0}, {30, 0}, {0, 30}}, 450, Pt(10, 10), true},
	}
	for _, c := range cases {
		if a := c.o.Area(); math.Abs(a-c.area) > 1e-6 {
			t.Errorf("%s: area %v, want %v", c.name, a, c.area)
		}
		if g := c.o.Centroid(); g.Dist(c.centre) > 1e-6 {
			t.Errorf("%s: centroid %v, want %v", c.name, g, c.centre)
		}
		if c.o.Convex() != c.convex {
			t.Errorf("%s: convex is %v", c.name, c.o.Convex())
		}
		if h := c.o.Hull(); !h.Convex() || h.Area() < c.area-1e-6 {
			t.Errorf("%s: hull %v", c.name, h)
		}
	}
	if a := Circle(50, 32).Area(); a < math.Pi*2500 || a > math.Pi*2500*1.01 {
		t.Errorf("circle area %v", a)
	}
}

func TestOutlineCheck(t *testing.T) {
	cases := []struct {
		name string
		o    Outline
		want error
	}{
		{"empty", nil, ErrFewPoints},
		{"line", Outline{{0, 0}, {1, 0}}, ErrFewPoints},
		{"flat", Outline{{0, 0}, {1, 0}, {2, 0}}, ErrNoArea},
		{"bow tie", Outline{{0, 0}, {10, 10}, {12, 0}, {0, 9}}, ErrCrossing},
		{"nan", Outline{{0, 0}, {math.NaN(), 0}, {2, 2}}, ErrNotNumber},
		{"inf", Outline{{0, 0}, {math.Inf(1), 0}, {2, 2}}, ErrNotNumber},
		{"long", make(Outline, 513), ErrManyPoints},
		{"good", Box(10, 10, 3), nil},
	}
	for _, c := range cases {
		if err := c.o.Check(); err != c.want {
			t.Errorf("%s: %v, want %v", c.name, err, c.want)
		}
	}
}

func TestPenetration(t *testing.T) {
	box := NewBody(Box(20, 20, 0))
	for _, c := range []struct {
		name  string
		o     Outline
		depth float64
	}{
		{"apart", Box(20, 20, 0).Move(Pt(30, 0)), 0},
		{"touching", Box(20, 20, 0).Move(Pt(20, 0)), 0},
		{"three deep", Box(20, 20, 0).Move(Pt(17, 2)), 3},
		{"in the same place", Box(20, 20, 0), 20},
		{"inside", Box(6, 6, 0), 13},
		{"the other way round", Outline{{10, 10}, {10, -10}, {-10, -10}, {-10, 10}}.Move(Pt(17, 2)), 3},
		{"notch holds it", Outline{{-30, -30}, {30, -30}, {30, 30}, {-30, 30}, {-30, 11}, {12, 11}, {12, -11}, {-30, -11}}, 0},
	} {
		b := NewBody(c.o)
		if d, _ := Penetration(&box, &b); math.Abs(d-c.depth) > 1e-6 {
			t.Errorf("%s: depth %v, want %v", c.name, d, c.depth)
		}
	}
}

// Moving a by the depth along the axis must always part two convex outlines.
func TestPenetrationParts(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 500 {
		a := Ellipse(5+r.Float64()*20, 5+r.Float64()*20, 3+r.IntN(12)).Turn(r.Float64() * 360)
		b := Ellipse(5+r.Float64()*20, 5+r.Float64()*20, 3+r.IntN(12)).Move(Pt(r.Float64()*30-15, r.Float64()*30-15))
		ba, bb := NewBody(a), NewBody(b)
		d, axis := Penetration(&ba, &bb)
		moved := NewBody(a.Move(axis.Mul(d + 1e-6)))
		if left, _ := Penetration(&moved, &bb); left > 1e-6 {
			t.Fatalf("still %v deep after moving by %v", left, d)
		}
		if d > 1e-9 && SharedArea(a, b) == 0 {
			t.Fatalf("depth %v without a shared area", d)
		}
	}
}

func TestSharedAreaAndInset(t *testing.T) {
	if a := SharedArea(Box(20, 20, 0), Box(20, 20, 0).Move(Pt(10, 10))); math.Abs(a-100) > 1e-6 {
		t.Errorf("shared area %v", a)
	}
	in := Box(100, 60, 0).Inset(10)
	if math.Abs(in.Area()-80*40) > 1e-6 {
		t.Errorf("inset area %v", in.Area())
	}
	if got := Box(10, 10, 0).Inset(8); got != nil {
		t.Errorf("an inset wider than the outline gave %v", got)
	}
}

func TestPoseInverse(t *testing.T) {
	p := Pose{12, -7, 33}
	q := Pt(3, 4)
	if back := p.Inverse(p.Apply(q)); back.Dist(q) > 1e-9 {
		t.Errorf("came back as %v", back)
	}
	in := Pose{5, 1, 20}
	if a, b := p.Then(in).Apply(q), p.Apply(in.Apply(q)); a.Dist(b) > 1e-9 {
		t.Errorf("composed %v, one after the other %v", a, b)
	}
}

func TestDistanceFieldIsExact(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 4))
	for range 40 {
		g := Grid{Cell: 1, W: 3 + r.IntN(20), H: 3 + r.IntN(20)}
		blocked := make([]bool, g.Cells())
		for i := range blocked {
			blocked[i] = r.Float64() < .1
		}
		edge := r.IntN(2) == 0
		win := Window{0, 0, g.W, g.H}
		got, scratch := make([]int32, g.Cells()), make([]int32, g.Cells())
		g.DistanceField(got, scratch, win, blocked, edge)
		for y := 0; y < g.H; y++ {
			for x := 0; x < g.W; x++ {
				want := Far
				if edge {
					d := min(x+1, y+1, g.W-x, g.H-y)
					want = d * d
				}
				for j := 0; j < g.H; j++ {
					for i := 0; i < g.W; i++ {
						if blocked[j*g.W+i] {
							want = min(want, (x-i)*(x-i)+(y-j)*(y-j))
						}
					}
				}
				if g := int(got[y*g.W+x]); g != want && !(want == Far && g > 1<<20) {
					t.Fatalf("cell %d,%d: %d, want %d (edge %v)", x, y, g, want, edge)
				}
			}
		}
	}
}

func TestSpansCountArea(t *testing.T) {
	g := NewGrid(Rect{Pt(-60, -60), Pt(60, 60)}, 1, 0)
	for _, o := range []Outline{Circle(40, 24), Box(61, 33, 4).Turn(20), {{0, 0}, {20, 0}, {20, 10}, {10, 10}, {10, 30}, {0, 30}}} {
		n := 0
		g.Spans(o, func(y, x0, x1 int) { n += x1 - x0 })
		if a := o.Area(); math.Abs(float64(n)-a) > .03*a+4 {
			t.Errorf("raster area %d, true area %.0f", n, a)
		}
	}
}

func TestPointJSON(t *testing.T) {
	b, err := json.Marshal(Outline{{1.005, -0.001}, {2, 3.14159}})
	if err != nil || string(b) != "[[1,0],[2,3.14]]" && string(b) != "[[1.01,0],[2,3.14]]" {
		t.Errorf("%s, %v", b, err)
	}
	var p Point
	for _, bad := range []string{`[1]`, `[1,2,3]`, `"x"`, `{"x":1}`, `[1,"2"]`} {
		if json.Unmarshal([]byte(bad), &p) == nil {
			t.Errorf("%s was taken for a point", bad)
		}
	}
	if _, err := json.Marshal(Pt(math.NaN(), 0)); err == nil {
		t.Error("NaN was written")
	}
}

// Whatever Rows calls inside is inside, and it calls most of what is.
func TestRowsAreSafe(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 9))
	for _, o := range []Outline{Ellipse(300, 200, 64), Box(500, 300, 40), Ellipse(200, 200, 6), Circle(150, 32)} {
		rows := NewRows(o, 128)
		inside, said := 0, 0
		for range 4000 {
			w, h := 5+r.Float64()*60, 5+r.Float64()*60
			box := Rect{Pt(r.Float64()*700-350, r.Float64()*500-250), Point{}}
			box.Max = box.Min.Add(Pt(w, h))
			in := true
			for _, p := range []Point{box.Min, box.Max, Pt(box.Min.X, box.Max.Y), Pt(box.Max.X, box.Min.Y)} {
				in = in && o.Contains(p)
			}
			if in {
				inside++
			}
			if rows.Holds(box) {
				said++
				if !in {
					t.Fatalf("%v is called inside", box)
				}
			}
		}
		if said < inside*8/10 || inside == 0 {
			t.Errorf("%d of %d boxes inside are called so", said, inside)
		}
	}
}

func TestGapBetweenOutlines(t *testing.T) {
	a := NewBody(Box(20, 20, 0))
	for _, c := range []struct {
		at   Point
		want float64
	}{{Pt(30, 0), 10}, {Pt(0, -45), 25}, {Pt(23, 24), 5}, {Pt(20, 0), 0}, {Pt(10, 10), 0}, {Pt(19.7, 0), 0}, {Pt(19.4, 12), 0}, {Pt(20.3, 0), .3}} {
		b := NewBody(Box(20, 20, 0).Move(c.at))
		if g := Gap(&a, &b, 100); math.Abs(g-c.want) > 1e-9 {
			t.Errorf("at %v: %v, want %v", c.at, g, c.want)
		}
		if g := BoxGap(a.Box, b.Box); math.Abs(g-c.want) > 1e-9 {
			t.Errorf("boxes at %v: %v, want %v", c.at, g, c.want)
		}
	}
	far := NewBody(Box(20, 20, 0).Move(Pt(500, 0)))
	if g := Gap(&a, &far, 30); g <= 30 {
		t.Errorf("far away: %v", g)
	}
}

func TestOutlineJSON(t *testing.T) {
	for doc, want := range map[string]int{`[]`: 0, `null`: 0, ` [ [1 , 2] , [3,-4.5e1],[0,0] ] `: 3, `[[1,2]]`: 1} {
		var o Outline
		if err := json.Unmarshal([]byte(doc), &o); err != nil || len(o) != want {
			t.Errorf("%s: %v, %v", doc, o, err)
		}
	}
	for _, doc := range []string{`{}`, `"x"`, `5`, `[1,2]`, `[[1]]`, `[[1,2,3]]`, `[[1,"2"]]`, `[[1,null]]`, `[[1,2],3]`, `[[1e999,0]]`, `[null]`} {
		var o Outline
		if err := json.Unmarshal([]byte(doc), &o); err == nil {
			t.Errorf("%s was taken for %v", doc, o)
		}
	}
	b, err := json.Marshal(struct{ O Outline }{nil})
	if err != nil || string(b) != `{"O":[]}` {
		t.Errorf("%s %v", b, err)
	}
	if _, err := json.Marshal(Outline{{math.Inf(1), 0}}); err == nil {
		t.Error("an endless outline was written")
	}
}

// Both ways of finding spans agree but for cells whose middles lie on the edge.
func TestSpansAgree(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	g := NewGrid(Rect{Pt(0, 0), Pt(120, 90)}, 2.3, 4)
	for range 300 {
		n := 3 + r.IntN(9)
		o := make(Outline, n)
		at := Pt(r.Float64()*140-10, r.Float64()*110-10) // some reach beyond the grid
		for i := range o {
			o[i] = at.Add(Polar(4+r.Float64()*40, float64(i)*360/float64(n)))
		}
		var two, many = map[[2]int]bool{}, map[[2]int]bool{}
		mark := func(m map[[2]int]bool) func(y, x0, x1 int) {
			return func(y, x0, x1 int) {
				for x := x0; x < x1; x++ {
					m[[2]int{x, y}] = true
				}
			}
		}
		g.Spans(o, mark(two))
		g.spansOfMany(o, mark(many))
		for c := range many {
			if !two[c] && o.EdgeDistance(g.Centre(c[0], c[1])) > 1e-6 {
				t.Fatalf("cell %v of %v is left out", c, o)
			}
			delete(two, c)
		}
		for c := range two {
			if o.EdgeDistance(g.Centre(c[0], c[1])) > 1e-6 {
				t.Fatalf("cell %v of %v is not inside", c, o)
			}
		}
	}
}

// No edge is left out that is the nearest to a point close by.
func TestEdgesNear(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 8))
	o := Ellipse(120, 70, 40)
	for range 400 {
		p := Pt(r.Float64()*300-150, r.Float64()*200-100)
		q := p.Add(Polar(r.Float64()*10, r.Float64()*360))
		near := o.EdgesNear(p, 20)
		if a, b := near.Distance(q), o.EdgeDistance(q); math.Abs(a-b) > 1e-9 {
			t.Fatalf("%v: %v by the edges near %v, %v by all", q, a, p, b)
		}
	}
}

// A stadium, whose corners meet in a point, has that point once; where an outline has one twice, its inset bends one way
// all the same.
func TestInsetOfDoubledPoints(t *testing.T) {
	stadium := Capsule(150, 58)
	doubled := append(slices.Clone(stadium), stadium[0])
	doubled = slices.Insert(doubled, 9, doubled[9], doubled[9])
	for name, o := range map[string]Outline{"stadium": stadium, "doubled": doubled} {
		in := o.Inset(10)
		if !in.Convex() {
			t.Errorf("the inset of a %s is dented: %v", name, in)
		}
		for _, p := range in {
			if d := stadium.EdgeDistance(p); math.Abs(d-10) > .3 {
				t.Errorf("%s: a point of the inset is %.2f mm from the edge", name, d)
			}
		}
	}
	for i, p := range stadium {
		if p.Dist(stadium[(i+1)%len(stadium)]) < .01 {
			t.Errorf("the stadium has %v twice", p)
		}
	}
}
