// Package overhead straightens a photograph of a tray that was taken from above, more or less: its corners are found or
// given, the picture is drawn as if seen from straight above, and it is held against the plan element by element.
package overhead

import (
	"image"
	"image/color"
	"math"

	"happytray/core/fault"
	"happytray/core/geom"
)

// Corners are where the corners of the board's box lie in a photograph, px, from the upper left clockwise as the plan
// shows it.
type Corners [4]geom.Point

// Check holds corners against sense: inside of a picture or a little beyond, the right way round, and no line.
func (c Corners) Check(w, h int) error {
	for i, p := range c {
		if !(p.X > -float64(w) && p.X < 2*float64(w) && p.Y > -float64(h) && p.Y < 2*float64(h)) {
			return fault.Bad("corners", "corner %d lies far outside of the photograph", i+1)
		}
	}
	for i := range c {
		a, b, d := c[i], c[(i+1)%4], c[(i+2)%4]
		if b.Sub(a).X*d.Sub(b).Y-b.Sub(a).Y*d.Sub(b).X <= 16 {
			return fault.Bad("corners", "they should lie clockwise from the upper left, none of them between two others")
		}
	}
	return nil
}

// Plane maps places on the board, mm from its box's upper left, to a photograph, px: a homography (Hartley & Zisserman,
// Multiple View Geometry, section 4.1; four points determine it).
type Plane [9]float64

// PlaneOf is the plane in which a board of so many mm lies between its corners.
func PlaneOf(c Corners, wide, high float64) (Plane, error) {
	from := [4]geom.Point{{X: 0, Y: 0}, {X: wide, Y: 0}, {X: wide, Y: high}, {X: 0, Y: high}}
	var m [8][9]float64
	for i := range from {
		x, y, u, v := from[i].X, from[i].Y, c[i].X, c[i].Y
		m[2*i] = [9]float64{x, y, 1, 0, 0, 0, -u * x, -u * y, u}
		m[2*i+1] = [9]float64{0, 0, 0, x, y, 1, -v * x, -v * y, v}
	}
	for k := range m { // Gauss, with the largest of a column first
		best := k
		for i := k + 1; i < 8; i++ {
			if math.Abs(m[i][k]) > math.Abs(m[best][k]) {
				best = i
			}
		}
		m[k], m[best] = m[best], m[k]
		if math.Abs(m[k][k]) < 1e-12 {
			return Plane{}, fault.Bad("corners", "they lie in a line")
		}
		for i := range m {
			if i == k {
				continue
			}
			f := m[i][k] / m[k][k]
			for j := k; j < 9; j++ {
				m[i][j] -= f * m[k][j]
			}
		}
	}
	var p Plane
	for k := range m {
		p[k] = m[k][8] / m[k][k]
	}
	p[8] = 1
	return p, nil
}

// At is where a place on the board is seen.
func (p Plane) At(q geom.Point) geom.Point {
	w := p[6]*q.X + p[7]*q.Y + p[8]
	return geom.Pt((p[0]*q.X+p[1]*q.Y+p[2])/w, (p[3]*q.X+p[4]*q.Y+p[5])/w)
}

// Straighten draws the board as seen from straight above, so many px for a mm.
func Straighten(img image.Image, c Corners, wide, high, perMM float64) (*image.NRGBA, error) {
	b := img.Bounds()
	if err := c.Check(b.Dx(), b.Dy()); err != nil {
		return nil, err
	}
	p, err := PlaneOf(c, wide, high)
	if err != nil {
		return nil, err
	}
	out := image.NewNRGBA(image.Rect(0, 0, max(1, int(math.Round(wide*perMM))), max(1, int(math.Round(high*perMM)))))
	src := newSampler(img)
	for y := range out.Rect.Dy() {
		for x := range out.Rect.Dx() {
			at := p.At(geom.Pt((float64(x)+.5)/perMM, (float64(y)+.5)/perMM))
			r, g, bl := src.at(at.X-.5, at.Y-.5)
			out.SetNRGBA(x, y, color.NRGBA{round8(r), round8(g), round8(bl), 255})
		}
	}
	return out, nil
}

func round8(v float64) uint8 { return uint8(math.Min(255, math.Max(0, math.Round(v)))) }

// sampler reads a picture between its pixels.
type sampler struct {
	w, h int
	pix  []float32 // three for each pixel
}

func newSampler(img image.Image) *sampler {
	b := img.Bounds()
	s := &sampler{b.Dx(), b.Dy(), make([]float32, 3*b.Dx()*b.Dy())}
	for y := range s.h {
		for x := range s.w {
			r, g, bl, _ := img.At(b.Min.X+x, b.Min.Y+y).RGBA()
			k := 3 * (y*s.w + x)
			s.pix[k], s.pix[k+1], s.pix[k+2] = float32(r)/257, float32(g)/257, float32(bl)/257
		}
	}
	return s
}

// at is the colour at a place, pixels counted by their middles; beyond the edge the edge goes on.
func (s *sampler) at(x, y float64) (r, g, b float64) {
	x, y = math.Min(float64(s.w-1), math.Max(0, x)), math.Min(float64(s.h-1), math.Max(0, y))
	x0, y0 := min(int(x), max(0, s.w-2)), min(int(y), max(0, s.h-2))
	fx, fy := x-float64(x0), y-float64(y0)
	x1, y1 := min(x0+1, s.w-1), min(y0+1, s.h-1)
	var out [3]float64
	for k := range out {
		a, c := float64(s.pix[3*(y0*s.w+x0)+k]), float64(s.pix[3*(y0*s.w+x1)+k])
		d, e := float64(s.pix[3*(y1*s.w+x0)+k]), float64(s.pix[3*(y1*s.w+x1)+k])
		out[k] = (a*(1-fx)+c*fx)*(1-fy) + (d*(1-fx)+e*fx)*fy
	}
	return out[0], out[1], out[2]
}
