// Package camera is a simulated camera over a tray: it takes photographs that are slightly tilted and unevenly lit, of a
// tray on which some things were laid elsewhere than planned.
package camera

import (
	"image"
	"image/color"
	"math"
	"math/rand/v2"

	"happytray/core/geom"
	"happytray/core/tray"
	"happytray/formats/overhead"
)

// Shot is how a photograph is taken. The zero value is straight above in even light.
type Shot struct {
	Wide   int                   // px of the photograph; 1600 where 0
	Tilt   float64               // how far the corners are off, as a share of the board's side; .05 is a hand held
	Uneven float64               // how much darker one corner is than the other; .3 is a window on one side
	Noise  float64               // standard deviation of each colour, of 255
	Moved  map[string]geom.Point // elements that lie elsewhere, mm
	Seed   uint64
}

// ground is the table.
var ground = color.NRGBA{214, 209, 199, 255}

// Take takes a photograph; it answers with where the corners of the board's box are in it, too.
func Take(t *tray.Tray, s Shot) (*image.NRGBA, overhead.Corners, error) {
	if s.Wide == 0 {
		s.Wide = 1600
	}
	rng := rand.New(rand.NewPCG(s.Seed, 3))
	box := t.Board.Outline.Bounds()
	const margin = .12
	scale := float64(s.Wide) * (1 - 2*margin) / box.W()
	tall := int(box.H()*scale + 2*margin*float64(s.Wide))
	left, top := margin*float64(s.Wide), margin*float64(s.Wide)
	c := overhead.Corners{{X: left, Y: top}, {X: left + box.W()*scale, Y: top}, {X: left + box.W()*scale, Y: top + box.H()*scale}, {X: left, Y: top + box.H()*scale}}
	for i := range c {
		c[i] = c[i].Add(geom.Pt(s.Tilt*box.W()*scale*(2*rng.Float64()-1), s.Tilt*box.H()*scale*(2*rng.Float64()-1)))
	}
	plane, err := overhead.PlaneOf(c, box.W(), box.H())
	if err != nil {
		return nil, c, err
	}
	img := image.NewNRGBA(image.Rect(0, 0, s.Wide, tall))
	for i := range img.Pix {
		img.Pix[i] = [4]uint8{ground.R, ground.G, ground.B, 255}[i%4]
	}
	for _, p := range overhead.Patches(t, s.Moved) {
		seen := make(geom.Outline, len(p.Outline))
		for k, q := range p.Outline {
			seen[k] = plane.At(q.Sub(box.Min))
		}
		col := overhead.RGB(p.Colour)
		overhead.Fill(seen, s.Wide, tall, func(x, y int, cover uint8) {
			i := img.PixOffset(x, y)
			for k, v := range [3]uint8{col.R, col.G, col.B} {
				img.Pix[i+k] = uint8((int(img.Pix[i+k])*(255-int(cover)) + int(v)*int(cover)) / 255)
			}
		})
	}
	for y := range tall {
		for x := range s.Wide {
			dim := 1 - s.Uneven*(.6*float64(x)/float64(s.Wide)+.4*float64(y)/float64(tall))
			i := img.PixOffset(x, y)
			for k := range 3 {
				v := float64(img.Pix[i+k])*dim + s.Noise*rng.NormFloat64()
				img.Pix[i+k] = uint8(math.Min(255, math.Max(0, v)))
			}
		}
	}
	return img, c, nil
}
