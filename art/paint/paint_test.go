package paint

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"math"
	"testing"

	"github.com/srwiley/rasterx"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

func labAt(p image.Image, x, y int) colour.Lab {
	r, g, b, _ := p.At(x, y).RGBA()
	const digits = "0123456789abcdef"
	hex := []byte{'#'}
	for _, v := range []uint32{r >> 8, g >> 8, b >> 8} {
		hex = append(hex, digits[v>>4], digits[v&15])
	}
	return colour.Must(string(hex))
}

// What lies somewhere is painted there in about its colour, and beyond the board's edge there is nothing but its shadow.
func TestATrayIsPaintedWhereItsPiecesLie(t *testing.T) {
	tr := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 6}).Trays[0]
	const wide = 700
	p, box, err := Tray(tr, larder, wide)
	if err != nil {
		t.Fatal(err)
	}
	if size := p.Bounds(); size.Dx() != wide || math.Abs(float64(size.Dy())-wide*box.H()/box.W()) > 1 {
		t.Errorf("%v for %v", size, box)
	}
	k := wide / box.W()
	seen, near := 0, 0
	for i := range tr.Elements {
		e := &tr.Elements[i]
		if !e.Placed || e.Vessel != "" || e.Kind() != food.KindLoose {
			continue
		}
		for n := range e.Pieces {
			at := e.Pieces[n].Outline.Centroid().Sub(box.Min).Mul(k)
			c, err := colour.Parse(e.Pieces[n].Colour)
			if err != nil {
				t.Fatal(err)
			}
			seen++
			if colour.Difference(labAt(p, int(at.X), int(at.Y)), c) < 30 {
				near++
			}
		}
	}
	if seen < 20 || near < seen*3/4 {
		t.Errorf("of %d pieces %d have about their colour", seen, near)
	}
	for _, at := range []image.Point{{}, {X: wide - 1}, {X: 0, Y: p.Bounds().Dy() - 1}} {
		if c := labAt(p, at.X, at.Y); c.L < 90 {
			t.Errorf("at %v is %v", at, c)
		}
	}
	again, _, err := Tray(tr, larder, wide)
	if err != nil || !bytes.Equal(again.Pix, p.Pix) {
		t.Errorf("painted twice it is not the same: %v", err)
	}
	raw, err := JPEG(p)
	if err != nil {
		t.Fatal(err)
	}
	if back, err := jpeg.Decode(bytes.NewReader(raw)); err != nil || back.Bounds() != p.Bounds() {
		t.Errorf("read back: %v", err)
	}
}

func TestWhatCannotBePainted(t *testing.T) {
	tr := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 4}}).Trays[0]
	for _, wide := range []int{-1, 0, 1 << 20} {
		if _, _, err := Tray(tr, larder, wide); err == nil {
			t.Errorf("painted %d dots wide", wide)
		}
	}
	if _, _, err := Tray(&tray.Tray{}, larder, 100); err == nil {
		t.Error("painted without a board")
	}
}

func TestEveryPortionIsPainted(t *testing.T) {
	for _, id := range larder.IDs() {
		f, _ := larder.Get(id)
		p, err := Portion(f, f.Forms[0].Form, 40)
		if err != nil {
			t.Errorf("%s: %v", f.ID, err)
			continue
		}
		marked := 0
		for i := 0; i < len(p.Pix); i += 4 {
			if p.Pix[i] < 250 || p.Pix[i+1] < 250 || p.Pix[i+2] < 250 {
				marked++
			}
		}
		if marked < 60 {
			t.Errorf("of %s %d of 1,600 dots are painted", f.ID, marked)
		}
	}
}

// Filling only where a path is gives what filling over the whole picture gives.
func TestFillingWhereAPathIs(t *testing.T) {
	doc := `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 80"><defs><radialGradient id="g" cx=".4" cy=".3" r=".8"><stop offset="0" stop-color="#ffcc44"/><stop offset="1" stop-color="#772211"/></radialGradient></defs>
<path d="M10 10L60 14L40 60Z" fill="#336699" opacity=".6"/><circle cx="70" cy="50" r="24" fill="url(#g)"/><path d="M-30 70L140 60" stroke="#222" stroke-width="3" fill="none"/><path d="M200 200L220 200L210 230Z" fill="#f00"/></svg>`
	d, err := parsed(doc)
	if err != nil {
		t.Fatal(err)
	}
	ours, theirs := image.NewRGBA(image.Rect(0, 0, 200, 160)), image.NewRGBA(image.Rect(0, 0, 200, 160))
	newPainter(ours, 2, geom.Point{}).put(d, geom.Point{}, 0)
	d.draw(rasterx.NewDasher(200, 160, rasterx.NewScannerGV(200, 160, theirs, theirs.Bounds())), rasterx.Identity.Scale(2, 2))
	most, marked := 0, 0
	for i := range ours.Pix {
		off := int(ours.Pix[i]) - int(theirs.Pix[i])
		most = max(most, off, -off)
		if theirs.Pix[i] > 0 {
			marked++
		}
	}
	if most > 3 || marked < 10_000 {
		t.Errorf("up to %d of 255 apart, %d marked", most, marked)
	}
}

func BenchmarkTray(b *testing.B) {
	tr := plantest.Laid(b, brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 6}).Trays[0]
	for b.Loop() {
		if _, _, err := Tray(tr, larder, 1270); err != nil {
			b.Fatal(err)
		}
	}
}

// A mask drawn out is nowhere darker or lighter than the small one, and lies where it lay: its middle stays its middle.
func TestAMaskIsDrawnOut(t *testing.T) {
	small := image.NewAlpha(image.Rect(0, 0, 9, 7))
	for i := range small.Pix {
		small.Pix[i] = 90
	}
	const k = 3.7
	size := image.Rect(0, 0, 33, 25)
	for i, a := range drawnOut(small, k, size).Pix {
		if a != 90 {
			t.Fatalf("dot %d of an even mask is %d", i, a)
		}
	}
	clear(small.Pix)
	small.SetAlpha(5, 2, color.Alpha{A: 200})
	large := drawnOut(small, k, size)
	sum, x, y := 0.0, 0.0, 0.0
	for py := range size.Dy() {
		for px := range size.Dx() {
			a := float64(large.AlphaAt(px, py).A)
			sum, x, y = sum+a, x+a*(float64(px)+.5), y+a*(float64(py)+.5)
		}
	}
	if x, y := x/sum/k, y/sum/k; math.Abs(x-5.5) > .05 || math.Abs(y-2.5) > .05 {
		t.Errorf("what lay at 5.5, 2.5 lies at %.2f, %.2f", x, y)
	}
	if sum < 200*k*k*.97 || sum > 200*k*k*1.03 {
		t.Errorf("%.0f of darkness became %.0f", 200*k*k, sum)
	}
}
