package main

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"gonum.org/v1/gonum/optimize"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

// builder lays elements one after the other where they are legal. It judges with the
// review itself, so that it plays by the same rules.
type builder struct {
	t    *tray.Tray
	laid []laid
	zone geom.Outline
}

type laid struct {
	e    int
	body geom.Body
}

func newBuilder(t *tray.Tray) *builder {
	b := &builder{t: t.Clone(), zone: t.Board.FoodZone}
	for i := range b.t.Elements {
		e := &b.t.Elements[i]
		e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
	}
	return b
}

// try lays element i at a pose, if it is legal there.
func (b *builder) try(i int, at geom.Pose) bool {
	e, err := pack.Put(b.t, larder, b.t.Elements[i].ID, at)
	if err != nil || !e.Placed {
		return false
	}
	bodies := make([]laid, len(e.Pieces))
	for k := range e.Pieces {
		o := e.Pieces[k].Outline
		for _, p := range o {
			if !b.zone.Contains(p) {
				return false
			}
		}
		bodies[k] = laid{i, geom.NewBody(o)}
		for _, keep := range b.t.Board.Keepouts {
			if geom.SharedArea(keep, bodies[k].body.Hull) > .2 {
				return false
			}
		}
		for j := range b.laid {
			other := &b.laid[j]
			if !other.body.Box.Meets(bodies[k].body.Box) {
				continue
			}
			if d, _ := geom.Penetration(&bodies[k].body, &other.body); d > review.Touch(&e, &b.t.Elements[other.e])*.85 {
				return false
			}
		}
	}
	if e.Kind() != food.KindGarnish {
		b.laid = append(b.laid, bodies...)
	}
	b.t.Elements[i] = e
	return true
}

func (b *builder) anywhere(r *rand.Rand) geom.Pose {
	box := b.zone.Bounds()
	for {
		p := geom.Pt(box.Min.X+r.Float64()*box.W(), box.Min.Y+r.Float64()*box.H())
		if b.zone.Contains(p) {
			return geom.Pose{X: p.X, Y: p.Y, Turn: r.Float64() * 360}
		}
	}
}

// random is random legal placement: elements in any order, each at the first of 200
// random poses where it is legal; the best of as many such trays as the time holds.
func random(t *tray.Tray, seconds float64, seed uint64) *tray.Tray {
	r := rand.New(rand.NewPCG(seed, 1))
	end := time.Now().Add(time.Duration(seconds * float64(time.Second)))
	var best *tray.Tray
	score := -1.0
	for best == nil || time.Now().Before(end) {
		b := newBuilder(t)
		for _, i := range r.Perm(len(t.Elements)) {
			for range 200 {
				if b.try(i, b.anywhere(r)) {
					break
				}
			}
			if best != nil && time.Now().After(end) {
				return best
			}
		}
		if s := review.NewLive(b.t, larder).Score(); s > score {
			best, score = b.t, s
		}
	}
	return best
}

// greedy lays the largest first, each at the legal spot nearest to the middle, on a
// grid of 8 mm in four turns; with time left it begins again from other corners and
// keeps the best.
func greedy(t *tray.Tray, seconds float64, seed uint64) *tray.Tray {
	r := rand.New(rand.NewPCG(seed, 2))
	end := time.Now().Add(time.Duration(seconds * float64(time.Second)))
	order := make([]int, len(t.Elements))
	size := make([]float64, len(order))
	for i := range order {
		order[i] = i
		e := &t.Elements[i]
		f, _ := larder.Get(e.Food)
		spec, _ := f.Spec(e.Form)
		size[i] = food.FootprintMM2(spec, e.Count)
		if v, ok := t.Vessel(e.Vessel); ok {
			size[i] = v.Footprint().Area()
		}
	}
	slices.SortStableFunc(order, func(a, b int) int {
		switch {
		case size[a] > size[b]:
			return -1
		case size[a] < size[b]:
			return 1
		}
		return 0
	})
	box := t.Board.FoodZone.Bounds()
	from := t.Board.FoodZone.Centroid()
	var best *tray.Tray
	score := -1.0
	for best == nil || time.Now().Before(end) {
		var spots []geom.Point
		for y := box.Min.Y + 4; y < box.Max.Y; y += 8 {
			for x := box.Min.X + 4; x < box.Max.X; x += 8 {
				spots = append(spots, geom.Pt(x, y))
			}
		}
		slices.SortStableFunc(spots, func(a, b geom.Point) int {
			switch da, db := a.Dist(from), b.Dist(from); {
			case da < db:
				return -1
			case da > db:
				return 1
			}
			return 0
		})
		b := newBuilder(t)
		for _, i := range order {
		search:
			for _, p := range spots {
				for turn := 0.0; turn < 180; turn += 45 {
					if b.try(i, geom.Pose{X: p.X, Y: p.Y, Turn: turn}) {
						break search
					}
				}
				if best != nil && time.Now().After(end) {
					return best
				}
			}
			if best == nil && time.Now().After(end) {
				break // what is laid by now counts
			}
		}
		if s := review.NewLive(b.t, larder).Score(); s > score {
			best, score = b.t, s
		}
		from = geom.Pt(box.Min.X+r.Float64()*box.W(), box.Min.Y+r.Float64()*box.H())
	}
	return best
}

// cmaes searches the poses of the anchors with a general-purpose optimiser, covariance
// matrix adaptation (Hansen and Ostermeier 2001) from gonum, on the same review with
// overlaps and overhang as a penalty, for two thirds of the time; then the arranger
// lays everything else round them once.
func cmaes(t *tray.Tray, seconds float64, seed uint64) *tray.Tray {
	start := time.Now()
	b := newBuilder(t)
	mid := t.Board.FoodZone.Centroid()
	box := t.Board.FoodZone.Bounds()
	var anchors []int
	for i := range b.t.Elements {
		e := &b.t.Elements[i]
		if e.Kind() != food.KindAnchor {
			continue
		}
		if put, err := pack.Put(b.t, larder, e.ID, geom.Pose{X: mid.X, Y: mid.Y}); err == nil && put.Placed {
			b.t.Elements[i] = put
			anchors = append(anchors, i)
		}
	}
	if len(anchors) > 0 {
		live := review.NewLive(b.t, larder)
		pose := func(x []float64, k int) geom.Pose {
			return geom.Pose{X: mid.X + x[3*k]*box.W()/2, Y: mid.Y + x[3*k+1]*box.H()/2, Turn: geom.NormalTurn(x[3*k+2] * 180)}
		}
		objective := func(x []float64) float64 {
			for k, i := range anchors {
				p := pose(x, k)
				if math.Abs(p.X)+math.Abs(p.Y) > 1e5 || math.IsNaN(p.X+p.Y+p.Turn) {
					return 1e6
				}
				live.Move(i, p)
			}
			rev := live.Totals()
			depth, _ := rev.Value("fit.overlap")
			out, _ := rev.Value("fit.inside")
			sum := 0.0
			for _, g := range review.Groups {
				sum += rev.Groups[g.Name] * g.Weight
			}
			return -sum/10 + 5*depth + out/20
		}
		x := make([]float64, 3*len(anchors))
		r := rand.New(rand.NewPCG(seed, 3))
		for i := range x {
			x[i] = r.Float64()*1.2 - .6
		}
		res, _ := optimize.Minimize(optimize.Problem{Func: objective}, x, &optimize.Settings{
			Runtime: time.Duration(seconds * .6 * float64(time.Second)), Concurrent: 1,
			Converger: &optimize.FunctionConverge{Absolute: 1e-9, Iterations: 100000},
		}, &optimize.CmaEsChol{InitStepSize: .4, Src: rand.NewPCG(seed, 4)})
		if res != nil {
			x = res.X
		}
		b = newBuilder(t)
		for k, i := range anchors { // what overlaps after all is left to the arranger
			if b.try(i, pose(x, k)) {
				b.t.Elements[i].Locked = true
			}
		}
	}
	left := math.Max(.05, seconds-time.Since(start).Seconds())
	got, err := search.Lay(context.Background(), b.t, larder, search.Options{Seconds: left, Effort: 1, Seed: seed, Workers: 1})
	if err != nil {
		panic(err)
	}
	return got.Tray
}
