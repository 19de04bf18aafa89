// Package paint makes pictures in dots of what art draws, for paper and for whoever knows no SVG.
package paint

import (
	"bytes"
	"image"
	"image/color"
	"image/draw"
	"image/jpeg"
	"math"
	"regexp"
	"strings"

	"github.com/srwiley/rasterx"

	"happytray/art"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// MostDots bounds a picture, dots.
const MostDots = 6_000_000

// The shadows of a board and of what lies on it: how far they fall, mm, how far their edges are blurred, mm, and how much of
// what lies below they take away. They are those of a scene on a screen.
const (
	boardRight, boardDown = 3.0, 5.0
	boardSoft, boardDark  = 7.0, .3
	pieceSoft, pieceDark  = 1.9, .42
	slope                 = 1.15 // down for each mm to the right
	shade                 = "#2e1a0d"
)

// Tray paints a tray on white, so many dots wide, as what art.Tray draws looks on a screen; box is what it shows, mm.
func Tray(t *tray.Tray, larder *food.Larder, wide int) (picture *image.RGBA, box geom.Rect, err error) {
	s := art.Compose(t, larder)
	if t.Board == nil {
		return nil, box, fault.Bad("board", "there is no board to paint")
	}
	box = geom.Rect{Min: geom.Pt(s.Box[0], s.Box[1]), Max: geom.Pt(s.Box[0]+s.Box[2], s.Box[1]+s.Box[3])}
	on, err := sheet(box, wide)
	if err != nil {
		return nil, box, err
	}
	p := newPainter(on, float64(wide)/box.W(), box.Min)
	edge, err := read(`<path d="`+s.Edge+`" fill="`+shade+`"/>`, nil)
	if err != nil {
		return nil, box, err
	}
	board, err := read(s.Board, nil)
	if err != nil {
		return nil, box, err
	}
	p.shadow(boardSoft, boardDark, func(p painter) { p.put(edge, geom.Pt(boardRight, boardDown), 0) })
	p.within(edge, func(p painter) { p.put(board, geom.Point{}, 0) })
	drawings, shades := map[string]*drawing{}, map[string]*drawing{}
	for id, d := range s.Drawings {
		if drawings[id], err = read(d.SVG, s.Defs); err == nil {
			shades[id], err = read(`<path d="`+d.Shade+`" fill="`+shade+`"/>`, nil)
		}
		if err != nil {
			return nil, box, err
		}
	}
	for _, band := range s.Bands {
		if len(band.Pieces) == 0 {
			continue
		}
		p.shadow(pieceSoft, pieceDark, func(p painter) {
			for _, x := range band.Pieces {
				p.put(shades[x.Use], geom.Pt(x.X+x.Shift, x.Y+x.Shift*slope), x.Turn)
			}
		})
		for _, x := range band.Pieces {
			p.put(drawings[x.Use], geom.Pt(x.X, x.Y), x.Turn)
		}
	}
	for _, x := range s.Tools {
		d, err := read(x.SVG, nil)
		if err != nil {
			return nil, box, err
		}
		at, falls := geom.Pt(x.X, x.Y), math.Min(6.5, x.ZMM/7+1.5)
		p.shadow(pieceSoft, pieceDark, func(p painter) { p.put(d, at.Add(geom.Pt(falls, falls*slope)), x.TurnDeg) })
		p.put(d, at, x.TurnDeg)
	}
	return on, box, nil
}

// painter puts drawings in mm onto a picture in dots.
type painter struct {
	on    *image.RGBA
	dots  float64    // for a mm
	from  geom.Point // that lies in the picture's corner, mm
	brush *rasterx.Dasher
}

func newPainter(on *image.RGBA, dots float64, from geom.Point) painter {
	return painter{on, dots, from, rasterx.NewDasher(on.Bounds().Dx(), on.Bounds().Dy(), newScanner(on))}
}

// put paints a drawing at a place, turned by degrees round its origin.
func (p painter) put(d *drawing, at geom.Point, turn float64) {
	d.draw(p.brush, rasterx.Identity.Scale(p.dots, p.dots).Translate(at.X-p.from.X, at.Y-p.from.Y).Rotate(turn*math.Pi/180))
}

// aside is an empty picture as large as the painter's.
func (p painter) aside(paint func(p painter)) *image.RGBA {
	on := image.NewRGBA(p.on.Bounds())
	paint(newPainter(on, p.dots, p.from))
	return on
}

// covered is how much of each dot of a picture is painted, whatever colour it is: a mask for which there is a quick way.
func covered(on *image.RGBA) *image.Alpha {
	mask := image.NewAlpha(on.Bounds())
	for i := range mask.Pix {
		mask.Pix[i] = on.Pix[4*i+3]
	}
	return mask
}

// shadow darkens by what is painted, blurred by so many mm: it is painted small, and drawn out again.
func (p painter) shadow(soft, dark float64, paint func(p painter)) {
	size := p.on.Bounds()
	k := math.Max(1, 1.2*soft*p.dots)
	small := image.NewRGBA(image.Rect(0, 0, int(math.Ceil(float64(size.Dx())/k)), int(math.Ceil(float64(size.Dy())/k))))
	paint(newPainter(small, p.dots/k, p.from))
	mask := drawnOut(covered(small), k, size)
	draw.DrawMask(p.on, size, image.NewUniform(color.NRGBA{0x2e, 0x1a, 0x0d, uint8(dark * 255)}), image.Point{}, mask, image.Point{}, draw.Over)
}

// drawnOut makes a mask k times larger and cuts it to a size, each dot in a straight line between the four of the small one
// round it. The general way, through pictures in colours, took half of the time in which a tray is painted.
func drawnOut(small *image.Alpha, k float64, size image.Rectangle) *image.Alpha {
	const whole = 256 // parts of a step from one dot of the small mask to the next
	wide, high := small.Rect.Dx(), small.Rect.Dy()
	// between is which two dots of so many the n-th lies between, and how far it is from the first
	between := func(n, dots int) (first, second, part int) {
		at := int(((float64(n)+.5)/k - .5) * whole)
		first, part = at/whole, at%whole
		if at < 0 {
			return 0, 0, 0
		}
		return min(first, dots-1), min(first+1, dots-1), part
	}
	type place struct{ first, second, part int }
	along := make([]place, size.Dx())
	for x := range along {
		along[x].first, along[x].second, along[x].part = between(x, wide)
	}
	large, row := image.NewAlpha(size), make([]int, wide)
	for y := range size.Dy() {
		up, low, part := between(y, high)
		above, below := small.Pix[up*small.Stride:], small.Pix[low*small.Stride:]
		for x := range row {
			row[x] = int(above[x])*(whole-part) + int(below[x])*part
		}
		out := large.Pix[y*large.Stride:]
		for x, at := range along {
			out[x] = uint8((row[at.first]*(whole-at.part) + row[at.second]*at.part + whole*whole/2) / (whole * whole))
		}
	}
	return large
}

// within paints what does not go beyond an outline.
func (p painter) within(outline *drawing, paint func(p painter)) {
	mask := covered(p.aside(func(p painter) { p.put(outline, geom.Point{}, 0) }))
	draw.DrawMask(p.on, p.on.Bounds(), p.aside(paint), image.Point{}, mask, image.Point{}, draw.Over)
}

// named finds the gradients that a drawing is filled with.
var named = regexp.MustCompile(`url\(#([^)]+)\)`)

// read reads a drawing with what it needs of its sheet's gradients.
func read(svg string, defs map[string]string) (*drawing, error) {
	var doc strings.Builder
	doc.WriteString(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><defs>`)
	met := map[string]bool{}
	for _, m := range named.FindAllStringSubmatch(svg, -1) {
		if !met[m[1]] {
			met[m[1]] = true
			doc.WriteString(defs[m[1]])
		}
	}
	doc.WriteString("</defs>" + svg + "</svg>")
	return parsed(doc.String())
}

// Portion paints a food in one of its forms on white, so many dots wide and high.
func Portion(f *food.Food, form string, wide int) (*image.RGBA, error) {
	on, err := sheet(geom.Rect{Max: geom.Pt(1, 1)}, wide)
	if err != nil {
		return nil, err
	}
	d, err := parsed(art.Portion(f, form))
	if err != nil {
		return nil, err
	}
	newPainter(on, float64(wide)/d.view.W(), d.view.Min).put(d, geom.Point{}, 0)
	return on, nil
}

// JPEG is a picture as a file.
func JPEG(picture image.Image) ([]byte, error) {
	var b bytes.Buffer
	err := jpeg.Encode(&b, picture, &jpeg.Options{Quality: 88})
	return b.Bytes(), err
}

// sheet is white and as high as what it shows wants.
func sheet(box geom.Rect, wide int) (*image.RGBA, error) {
	if wide < 1 || box.W() <= 0 {
		return nil, fault.Bad("width", "should be 1 dot or more")
	}
	high := math.Ceil(float64(wide) * box.H() / box.W())
	if !(float64(wide)*high <= MostDots) {
		return nil, fault.Bad("width", "a picture has %d dots at most", MostDots)
	}
	on := image.NewRGBA(image.Rect(0, 0, wide, max(1, int(high))))
	draw.Draw(on, on.Bounds(), image.White, image.Point{}, draw.Src)
	return on, nil
}
