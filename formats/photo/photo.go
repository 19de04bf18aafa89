// Package photo finds the main colours in a photograph of a food, and makes a
// small one of it to keep. It takes PNG and JPEG within bounds.
package photo

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png" // registers the format
	"math"

	"golang.org/x/image/draw"

	"happytray/core/colour"
	"happytray/core/fault"
)

// Bounds of a picture from outside.
const (
	MaxBytes  = 12 << 20
	MaxPixels = 40_000_000
	minSide   = 8
)

// sampled is about how many pixels the colours are found from, spread evenly.
const sampled = 20000

// Picture is what a photograph comes to.
type Picture struct {
	Width, Height int
	Colours       []colour.Swatch // three to five, largest first; fewer in a plain picture
	img           image.Image
	held          int // how the camera was: its orientation
}

// PixelsOf is how many pixels a picture has, found without decoding them; 0 where it is none.
func PixelsOf(b []byte) int64 {
	c, _, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil {
		return 0
	}
	return int64(c.Width) * int64(c.Height)
}

// Read decodes a picture and finds its main colours. Its size is looked at before
// a pixel is decoded. What is see-through does not count.
func Read(b []byte) (*Picture, error) {
	if len(b) > MaxBytes {
		return nil, fault.Bad("", "the picture is larger than %d MB; take a smaller one", MaxBytes>>20)
	}
	c, kind, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil || kind != "png" && kind != "jpeg" {
		return nil, fault.Bad("", "this is no PNG or JPEG picture")
	}
	if c.Width < minSide || c.Height < minSide {
		return nil, fault.Bad("", "the picture measures %d × %d; it should have at least %d pixels each way", c.Width, c.Height, minSide)
	}
	if int64(c.Width)*int64(c.Height) > MaxPixels {
		return nil, fault.Bad("", "the picture has %d million pixels; at most %d million can be looked at", int64(c.Width)*int64(c.Height)/1_000_000, MaxPixels/1_000_000)
	}
	if deep(c.ColorModel) && int64(c.Width)*int64(c.Height) > MaxPixels/2 { // twice the memory
		return nil, fault.Bad("", "the picture has 16 bits to a colour and more than %d million pixels; save it with 8", MaxPixels/2_000_000)
	}
	img, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		return nil, fault.Bad("", "the picture is cut short or damaged; save it again")
	}
	p := &Picture{Width: c.Width, Height: c.Height, img: img, held: orientationOf(b, kind)}
	if sideways(p.held) {
		p.Width, p.Height = p.Height, p.Width
	}
	px := pixels(img)
	if len(px) == 0 {
		return nil, fault.Bad("", "the picture is see-through all over")
	}
	p.Colours = colour.Main(px)
	return p, nil
}

func deep(m color.Model) bool {
	return m == color.NRGBA64Model || m == color.RGBA64Model || m == color.Gray16Model
}

// pixels are about as many as sampled, spread evenly.
func pixels(img image.Image) []colour.Lab {
	b := img.Bounds()
	step := max(1, int(math.Sqrt(float64(b.Dx())*float64(b.Dy())/sampled)))
	out := make([]colour.Lab, 0, sampled*2)
	for y := b.Min.Y + step/2; y < b.Max.Y; y += step {
		for x := b.Min.X + step/2; x < b.Max.X; x += step {
			r, g, bl, a := img.At(x, y).RGBA()
			if a < 0x8000 {
				continue
			}
			k := 1 / float64(a)
			out = append(out, colour.FromRGB(float64(r)*k, float64(g)*k, float64(bl)*k))
		}
	}
	return out
}

// keptSide is the longer side of a picture that is kept, pixels.
const keptSide = 900

// LargeSide is the longer side of a picture in which something is to be measured, pixels.
const LargeSide = 1600

// Small is the picture as a JPEG to keep, at most 900 pixels on its longer side
// and without whatever else the file said.
func (p *Picture) Small() ([]byte, error) { return p.Fit(keptSide) }

// Fit is the same with at most so many pixels on its longer side.
func (p *Picture) Fit(side int) ([]byte, error) {
	k := math.Min(1, float64(side)/float64(max(p.Width, p.Height)))
	size := p.img.Bounds()
	w, h := max(1, int(float64(size.Dx())*k)), max(1, int(float64(size.Dy())*k))
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	draw.Draw(out, out.Bounds(), image.White, image.Point{}, draw.Src)
	draw.ApproxBiLinear.Scale(out, out.Bounds(), p.img, p.img.Bounds(), draw.Over, nil)
	var b bytes.Buffer
	if err := jpeg.Encode(&b, turned(out, p.held), &jpeg.Options{Quality: 82}); err != nil {
		return nil, err
	}
	return b.Bytes(), nil
}
