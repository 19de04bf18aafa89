// Package tool says what guests take the food of a board with, and where each tool lies: in its bowl, before the face that it cuts, on
// the heap that it serves. Tools are set last, over what is laid, and follow from it; nobody moves them by hand.
package tool

import (
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// Picks is what stands ready for all that is taken with a pick; it lies on no board.
const Picks = "picks"

// Need is a tool that a board wants, and what is taken with it, the largest first.
type Need struct {
	Name     string
	Elements []*tray.Element
}

// Needs are the tools of a board, in the order in which what they are for lies in it: one for each bowl and each cut face, one for all
// open heaps of a kind and never one for meat and the rest; where the house wants it each food has its own. Bites on or for picks
// are Picks, once.
func Needs(t *tray.Tray, larder *food.Larder) (out []Need) {
	at := map[string]int{}
	for i := range t.Elements {
		e := &t.Elements[i]
		f, ok := larder.Get(e.Food)
		if !ok || f.Tool == "" || f.Category == food.NotFood || food.Has(e.Form, food.OnPick) {
			continue
		}
		name, share := f.Tool, e.ID // a bowl, and what is cut, have a tool each
		switch {
		case f.Tool == Picks || Bitten(f, e):
			name, share = Picks, Picks
		case e.Vessel == "" && !cutAtTable(e.Form):
			share = f.Tool + " for " + string(f.Category)
			if t.Brief.HouseRules().Tools == "each" {
				share = f.ID
			}
		}
		n, met := at[share]
		if !met {
			n = len(out)
			at[share] = n
			out = append(out, Need{Name: name})
		}
		out[n].Elements = append(out[n].Elements, e)
	}
	for i := range out {
		slices.SortStableFunc(out[i].Elements, func(a, b *tray.Element) int { return int(b.Grams) - int(a.Grams) })
	}
	return out
}

// cutAtTable reports whether guests cut a food in its form themselves.
func cutAtTable(form string) bool {
	return food.Has(form, food.AsItComes|food.Begun|food.CutInPlace)
}

// Bitten reports whether cheese lies there cut in bites: in cubes or sticks it wants no knife, a pick will do.
func Bitten(f *food.Food, e *tray.Element) bool {
	return f.Category == food.Cheese && e.Vessel == "" && !cutAtTable(e.Form)
}

// Size is how long a tool is, how wide its head is and how long, and how thick it lies, mm. They are those of usual serving tools.
type Size struct{ Long, Wide, Head, High float64 }

var sizes = map[string]Size{
	"spreader":             {145, 18, 62, 8},
	"small spoon":          {115, 22, 34, 10},
	"spoon":                {150, 32, 48, 12},
	"slotted spoon":        {160, 34, 52, 12},
	"scoop":                {92, 38, 52, 22},
	"dipper":               {140, 22, 36, 20},
	"fork":                 {128, 15, 44, 8},
	"tongs":                {155, 28, 155, 20},
	"flat chisel":          {150, 36, 60, 10},
	"spade blade":          {140, 34, 58, 10},
	"narrow pointed blade": {165, 16, 85, 10},
	"holed blade":          {185, 24, 105, 10},
}

// SizeOf is the size of a tool by its name, of a spoon where it is a house's own.
func SizeOf(name string) Size {
	if s, known := sizes[name]; known {
		return s
	}
	return sizes["spoon"]
}

// Placed is a tool where it lies on a board.
type Placed struct {
	Name     string       `json:"name"`
	Elements []string     `json:"elements"` // what is taken with it
	X        float64      `json:"x"`        // of its tip, mm
	Y        float64      `json:"y"`        // mm
	TurnDeg  float64      `json:"turn_deg"` // from its tip to its end
	LongMM   float64      `json:"long_mm"`
	Outline  geom.Outline `json:"outline"` // on the board, mm
	ZMM      float64      `json:"z_mm"`    // how high what it rests on stands
}

// On are the tools of a board where they lie; what is not laid has none, and picks stand beside it.
func On(t *tray.Tray, larder *food.Larder) []Placed {
	if t.Board == nil {
		return nil
	}
	field := newField(t)
	out := []Placed{}
	for _, n := range Needs(t, larder) {
		i := slices.IndexFunc(n.Elements, func(e *tray.Element) bool { return e.Placed && len(e.Pieces) > 0 })
		if i < 0 || n.Name == Picks {
			continue
		}
		e, size := n.Elements[i], SizeOf(n.Name)
		f, _ := larder.Get(e.Food)
		best, cost := pose{}, math.Inf(1)
		for _, p := range poses(t, f, e, size) {
			if c := p.slant + field.cost(p, size, e.ID); c < cost {
				best, cost = p, c
			}
		}
		field.tools = append(field.tools, handle{best, size})
		one := Placed{Name: n.Name, X: round.Hundredth(best.tip.X), Y: round.Hundredth(best.tip.Y), TurnDeg: round.Hundredth(best.turn), LongMM: size.Long, Outline: outline(best, size), ZMM: round.Tenth(field.rests(best, size))}
		for _, e := range n.Elements {
			one.Elements = append(one.Elements, e.ID)
		}
		out = append(out, one)
	}
	return out
}

// pose is where a tool lies: its tip, and the way from it to its end, degrees; slant is how much worse it is for itself.
type pose struct {
	tip   geom.Point
	turn  float64
	slant float64
}

// handle is a tool that lies already.
type handle struct {
	pose
	size Size
}

// onIt is how much worse it is that a knife lies on its cheese than in the room before it: it slips.
const onIt = 6.0

// ways is how many directions are tried.
const ways = 24

// poses are the ways in which a tool may lie for what it is for.
func poses(t *tray.Tray, f *food.Food, e *tray.Element, size Size) (out []pose) {
	if v, ok := t.Vessel(e.Vessel); ok { // across its bowl, the handle over the rim
		box := v.Footprint().Bounds()
		r := math.Min(box.W(), box.H()) / 2
		for i := range ways {
			turn := float64(i) * 360 / ways
			out = append(out, pose{tip: e.Pose().At().Sub(geom.Polar(math.Min(.35*r, size.Long/4), turn)), turn: turn})
		}
		return out
	}
	s, _ := f.Spec(e.Form)
	if face, cut := food.CutFace(f, s); cut { // in the room that a knife has before the face, along it
		p := e.Pose()
		at, dir := p.Apply(face.At), face.Dir+e.TurnDeg
		for _, off := range []float64{.3, .5, .75} {
			for _, side := range []float64{90, -90} {
				mid := at.Add(geom.Polar(face.Need*off, dir))
				out = append(out, pose{tip: mid.Sub(geom.Polar(size.Long/2, dir+side)), turn: dir + side, slant: 4 * math.Abs(off-.5)})
			}
		}
		for i := range ways { // or on it, where that room is not low
			out = append(out, pose{tip: at.Sub(geom.Polar(size.Head/3, dir)), turn: float64(i) * 360 / ways, slant: onIt})
		}
		return out
	}
	mid := middle(e)
	for k := range e.Pieces { // its tip on a piece, the largest heap's middle first
		c := e.Pieces[k].Outline.Centroid()
		if k%max(1, len(e.Pieces)/4) != 0 {
			continue
		}
		for i := range ways {
			out = append(out, pose{tip: c, turn: float64(i) * 360 / ways, slant: c.Dist(mid) / 10})
		}
	}
	return out
}

func middle(e *tray.Element) (mid geom.Point) {
	for k := range e.Pieces {
		mid = mid.Add(e.Pieces[k].Outline.Centroid().Mul(1 / float64(len(e.Pieces))))
	}
	return mid
}

// field is how high what is laid on a board stands.
type field struct {
	t     *tray.Tray
	cells map[[2]int][]piece // by squares of cellMM
	tools []handle
}

const cellMM = 30.0

func cellOf(p geom.Point) [2]int {
	return [2]int{int(math.Floor(p.X / cellMM)), int(math.Floor(p.Y / cellMM))}
}

type piece struct {
	of  string
	o   geom.Outline
	box geom.Rect
	top float64 // mm
}

func newField(t *tray.Tray) *field {
	f := &field{t: t, cells: map[[2]int][]piece{}}
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed {
			continue
		}
		for k := range e.Pieces {
			p := &e.Pieces[k]
			q := piece{e.ID, p.Outline, p.Outline.Bounds(), p.ZMM + p.HeightMM}
			from, to := cellOf(q.box.Min), cellOf(q.box.Max)
			for x := from[0]; x <= to[0]; x++ {
				for y := from[1]; y <= to[1]; y++ {
					f.cells[[2]int{x, y}] = append(f.cells[[2]int{x, y}], q)
				}
			}
		}
	}
	return f
}

// top is how high what is not of an element stands at a point, mm.
func (f *field) top(p geom.Point, but string) (high float64) {
	in := f.cells[cellOf(p)]
	for i := range in {
		q := &in[i]
		if q.of != but && q.top > high && p.X >= q.box.Min.X && p.X <= q.box.Max.X && p.Y >= q.box.Min.Y && p.Y <= q.box.Max.Y && q.o.Contains(p) {
			high = q.top
		}
	}
	return high
}

// What a tool lies over is hidden, and what is high tips it; over the edge its handle is knocked off in passing; and two tools
// that cross are not taken up one by one. How much each counts, a mm of height in a sample being 1.
const (
	overEdge  = 25.0
	crossing  = 40.0
	crossMM   = 16.0 // as near as two handles come
	hidesOver = .8   // of what is low
	samples   = 9
)

func (f *field) cost(p pose, size Size, of string) (cost float64) {
	for i := range samples {
		q := p.tip.Add(geom.Polar(size.Long*float64(i)/(samples-1), p.turn))
		if h := f.top(q, of); h > 0 {
			cost += hidesOver + h/4
		}
		if !f.t.Board.Outline.Contains(q) {
			cost += overEdge
		}
		for _, o := range f.tools {
			if segment(q, o) < crossMM {
				cost += crossing
			}
		}
	}
	return cost
}

// segment is how far a point lies from another tool, mm.
func segment(p geom.Point, o handle) float64 {
	along := geom.Polar(1, o.turn)
	d := p.Sub(o.tip)
	at := math.Max(0, math.Min(o.size.Long, d.X*along.X+d.Y*along.Y))
	return p.Dist(o.tip.Add(along.Mul(at)))
}

// rests is how high what a tool lies on stands, mm.
func (f *field) rests(p pose, size Size) (high float64) {
	for i := range samples {
		high = math.Max(high, f.top(p.tip.Add(geom.Polar(size.Long*float64(i)/(samples-1), p.turn)), ""))
	}
	return high
}

// outline is a tool's on the board, a box with its tip and end.
func outline(p pose, size Size) geom.Outline {
	along, side := geom.Polar(size.Long, p.turn), geom.Polar(size.Wide/2, p.turn+90)
	o := geom.Outline{p.tip.Sub(side), p.tip.Add(along).Sub(side), p.tip.Add(along).Add(side), p.tip.Add(side)}
	for i := range o {
		o[i] = geom.Pt(round.Hundredth(o[i].X), round.Hundredth(o[i].Y))
	}
	return o
}
