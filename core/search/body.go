package search

import (
	"math"
	"math/rand/v2"
	"sync"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// body is an anchor, a bowl or a row while its place is sought: its pieces as a
// few convex hulls that move together.
type body struct {
	e       int // index of its element
	food    *food.Food
	spec    food.Spec
	kind    food.Kind
	vessel  *board.Vessel
	wetness food.Wetness
	n       int // pieces
	bend    float64
	host    int     // for an arc, the body it hugs, or -1
	angle   float64 // for an arc, where on its host's rim, degrees
	site    geom.Point
	spoke   bool // a row that wants to point to the middle
	fixed   bool // locked: never moved
	mirror  bool // on a mirrored tray: it has its answer in twin, or lies on the middle line
	twin    int

	*footprint
	footprints *sync.Map // formKey to *form, shared by all layouts of a search
	lab        colour.Lab

	pose   geom.Pose
	world  []geom.Body // the hulls on the board, or nil until asked for
	on     []pack.Disc // discs on the board
	free   []pack.Disc // cutting room on the board
	middle geom.Point  // mean of the discs on the board
}

// gapMM is the air left between rigid things, so that rounding never makes them overlap.
const gapMM = .4

func (s *composer) newBody(i int, r *rand.Rand) body {
	e := &s.Given.Elements[i]
	f, _ := s.Larder.Get(e.Food)
	spec, _ := f.Spec(e.Form)
	b := body{e: i, food: f, spec: spec, kind: e.Kind(), wetness: e.Wetness, n: e.Count, host: -1, footprints: &s.footprints, lab: colour.Must(f.SurfaceColour(spec))}
	if v, ok := s.Given.Vessel(e.Vessel); ok {
		b.vessel = &v
	}
	if b.kind == food.KindRow {
		b.bend = []float64{0, 0, 260, 420}[r.IntN(4)]
	}
	if e.Locked && e.Placed && len(e.Pieces) > 0 {
		b.fixed = true
		b.pose = e.Pose()
		b.footprint = &footprint{}
		for _, p := range e.Pieces {
			back := make(geom.Outline, len(p.Outline))
			for k, q := range p.Outline {
				back[k] = b.pose.Inverse(q)
			}
			b.hulls = append(b.hulls, back.Hull())
			b.height = math.Max(b.height, p.ZMM+p.HeightMM)
		}
		b.finish()
		b.move(b.pose)
		return b
	}
	b.shape()
	return b
}

// footprint is what a body's pieces come to for one count and bend; shared, never changed.
type footprint struct {
	pieces    []food.Piece
	hulls     []geom.Outline
	room      geom.Outline
	reach     float64
	height    float64
	weight    float64
	discs     []pack.Disc
	roomDiscs []pack.Disc
}

type footprintKey struct {
	food, form, vessel string
	n, bend            int
	hugs               bool
}

// shape lays the pieces for the body's count and bend and gathers them into hulls.
func (b *body) shape() {
	key := footprintKey{food: b.food.ID, form: b.spec.Form, n: b.n, bend: int(math.Round(b.bend * 2)), hugs: b.host >= 0}
	if b.vessel != nil {
		key.vessel = b.vessel.ID
	}
	if b.footprints != nil {
		if f, ok := b.footprints.Load(key); ok {
			b.footprint = f.(*footprint)
			b.move(b.pose)
			return
		}
	}
	f := &footprint{}
	laid := food.FormByID(b.spec.Form)
	if bender, ok := laid.(food.Bender); ok {
		f.pieces = bender.Bend(b.food.ID, b.spec, b.n, float64(key.bend)/2)
	} else {
		f.pieces = laid.Lay(b.food.ID, b.spec, b.n)
	}
	if len(f.pieces) > 0 && b.kind == food.KindRow && b.host < 0 {
		var c geom.Point
		for _, p := range f.pieces {
			c = c.Add(p.At())
		}
		c = c.Mul(1 / float64(len(f.pieces)))
		for i := range f.pieces {
			f.pieces[i].X -= c.X
			f.pieces[i].Y -= c.Y
		}
	}
	chunk := max(1, (len(f.pieces)+3)/4)
	if food.Has(b.spec.Form, food.CutInPlace) {
		chunk = len(f.pieces)
	}
	var group geom.Outline
	for i, p := range f.pieces {
		o := b.spec.Outline(b.food.ID, p.Variant)
		h := p.Height
		if b.vessel != nil {
			o, h = b.vessel.Footprint(), b.vessel.HeightMM
		}
		group = append(group, p.ApplyAll(o)...)
		f.height = math.Max(f.height, p.Z+h)
		if (i+1)%chunk == 0 || i == len(f.pieces)-1 {
			f.hulls = append(f.hulls, group.Hull().Inset(-gapMM/2))
			group = nil
		}
	}
	if face, ok := food.CutFace(b.food, b.spec); ok {
		f.room = review.CutRoom(face)
	}
	f.finish()
	if b.footprints != nil {
		b.footprints.Store(key, f)
	}
	b.footprint = f
	b.move(b.pose)
}

func (f *footprint) finish() {
	area := 0.0
	discs := 6
	if len(f.hulls) > 2 { // a row is many already
		discs = 3
	}
	for _, h := range f.hulls {
		area += h.Area()
		for _, p := range h {
			f.reach = math.Max(f.reach, p.Len())
		}
		f.discs = append(f.discs, pack.DiscsIn(h, discs)...)
	}
	f.weight = area * (10 + f.height)
	if f.room != nil {
		f.roomDiscs = pack.DiscsIn(f.room.Hull(), 6)
	}
}

// move puts the body at a pose.
func (b *body) move(to geom.Pose) {
	b.pose, b.world = to, nil
	b.on = placeDiscs(b.discs, to)
	b.free = placeDiscs(b.roomDiscs, to)
	b.middle = to.At()
	if len(b.on) > 0 {
		var c geom.Point
		for _, q := range b.on {
			c = c.Add(q.At)
		}
		b.middle = c.Mul(1 / float64(len(b.on)))
	}
}

func placeDiscs(discs []pack.Disc, to geom.Pose) []pack.Disc {
	if len(discs) == 0 {
		return nil
	}
	out := make([]pack.Disc, len(discs)) // plans share the old ones
	sin, cos := math.Sincos(to.Turn * math.Pi / 180)
	for i, q := range discs {
		out[i] = pack.Disc{At: geom.Point{X: to.X + q.At.X*cos - q.At.Y*sin, Y: to.Y + q.At.X*sin + q.At.Y*cos}, R: q.R}
	}
	return out
}

// showpiecePull is what it costs a showpiece to stand a half diagonal away from the middle.
const showpiecePull = 1.5

// showpiece reports whether it is the hollowed fruit or vegetable to which the eye goes first.
func (b *body) showpiece() bool { return b.vessel != nil && b.vessel.Material == board.Hollowed }

// firm is the body's hulls on the board.
func (b *body) firm() []geom.Body {
	if b.world == nil {
		b.world = make([]geom.Body, len(b.hulls))
		for i, h := range b.hulls {
			b.world[i] = geom.ConvexBody(b.pose.ApplyAll(h))
		}
	}
	return b.world
}

// hug puts an arc round its host.
func (b *body) hug(host *body) {
	r := host.reach + b.spec.L/2 + 1.5
	if math.Abs(r-b.bend) > .5 {
		b.bend = r
		b.shape()
	}
	at := host.pose.At().Add(geom.Polar(r, b.angle))
	b.move(geom.Pose{X: at.X, Y: at.Y, Turn: geom.NormalTurn(b.angle + 90)})
}

// depth is how deep two bodies overlap, mm, and the way out for a.
func depth(a, b *body) (float64, geom.Point) {
	if a.pose.At().Dist(b.pose.At()) > a.reach+b.reach {
		return 0, geom.Point{}
	}
	worst, away := 0.0, geom.Point{}
	fa, fb := a.firm(), b.firm()
	for i := range fa {
		for j := range fb {
			if d, n := geom.Deeper(&fa[i], &fb[j], worst); d > worst {
				worst, away = d, n
			}
		}
	}
	return worst, away
}

// discDepth is the depth by discs: quick, and a little less than the true one.
func discDepth(a, b []pack.Disc) float64 {
	worst := 0.0
	for i := range a {
		for j := range b {
			worst = deeper(&a[i], &b[j], worst)
		}
	}
	return worst
}

// deeper is how deep two discs lie in each other, where that is more than so much.
func deeper(a, b *pack.Disc, than float64) float64 {
	dx, dy, r := a.At.X-b.At.X, a.At.Y-b.At.Y, a.R+b.R-than
	if d2 := dx*dx + dy*dy; r > 0 && d2 < r*r {
		return than + (r - math.Sqrt(d2))
	}
	return than
}

// roomDepth is how deep b stands in a's cutting room.
func roomDepth(a, b *body) float64 {
	if a.room == nil || b.height <= 12 {
		return 0
	}
	return discDepth(a.free, b.on)
}

// write writes the body's pieces into its element.
func (b *body) write(e *tray.Element) {
	if b.fixed {
		return
	}
	pose := geom.Pose{X: round.Hundredth(b.pose.X), Y: round.Hundredth(b.pose.Y), Turn: round.Hundredth(geom.NormalTurn(b.pose.Turn))}
	e.Placed = true
	e.X, e.Y, e.TurnDeg = pose.X, pose.Y, pose.Turn
	e.Pieces = tray.LayOut(b.food, b.spec, b.vessel, pose, b.pieces)
	e.Path = nil
}
