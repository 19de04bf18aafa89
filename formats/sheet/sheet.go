// Package sheet writes what a stylist prints of a tray as PDF, in true millimetres, with embedded fonts and text
// that can be selected: the full-size mat, the build sheet, cards and the quote; and the mat as SVG.
package sheet

import (
	"bytes"
	"crypto/sha256"
	"fmt"
	"image"
	"math"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"happytray/art/paint"
	"happytray/core/fault"
	"happytray/core/geom"
)

// Papers are the sizes, and whole for one page as large as the board.
var Papers = []string{"a4", "a3", "letter", "whole"}

// paper is a page upright, mm.
var paper = map[string][2]float64{"a4": {210, 297}, "a3": {297, 420}, "letter": {215.9, 279.4}}

// MostPages bounds a mat.
const MostPages = 400

// Inks of what is printed.
const (
	ink   = 34
	faint = 150
)

const font = "go"

// page is a PDF being written; lengths are mm, from the upper left.
type page struct{ *fpdf.Fpdf }

func newPage(w, h float64, title string, made time.Time) page {
	p := page{fpdf.NewCustom(&fpdf.InitType{UnitStr: "mm", Size: fpdf.SizeType{Wd: w, Ht: h}})}
	p.AddUTF8FontFromBytes(font, "", goregular.TTF)
	p.AddUTF8FontFromBytes(font, "B", gobold.TTF)
	p.SetMargins(0, 0, 0)
	p.SetAutoPageBreak(false, 0)
	p.SetCreationDate(made) // the same tray gives the same bytes
	p.SetModificationDate(made)
	p.SetCatalogSort(true)
	p.SetTitle(title, true)
	p.SetCreator("Happy Tray", true)
	p.SetLineJoinStyle("round")
	p.SetDrawColor(ink, ink, ink)
	p.SetTextColor(ink, ink, ink)
	return p
}

// made is what a sheet says of when it was made: a day that is the same each time.
var made = time.Date(2000, 1, 1, 0, 0, 0, 0, time.UTC)

func (p page) bytes() ([]byte, error) {
	var b bytes.Buffer
	if err := p.Output(&b); err != nil {
		return nil, err
	}
	return b.Bytes(), nil
}

// Dots for each mm of what is painted (about 180 to the inch), and the widest picture.
const (
	dotsPerMM = 7
	mostDots  = 1800
)

// picture puts a picture so wide at a place, as high as it is.
func (p page) picture(of image.Image, x, y, wide float64) error {
	raw, err := paint.JPEG(of)
	if err != nil {
		return err
	}
	name := fmt.Sprintf("%x", sha256.Sum256(raw))
	how := fpdf.ImageOptions{ImageType: "JPEG"}
	p.RegisterImageOptionsReader(name, how, bytes.NewReader(raw))
	p.ImageOptions(name, x, y, wide, 0, false, how, 0, "")
	return p.Error()
}

// letters sets the size of letters, in points, and whether they are bold.
func (p page) letters(points float64, bold bool) {
	style := ""
	if bold {
		style = "B"
	}
	p.SetFont(font, style, points)
}

// write puts a line of text with its baseline at a place; what the font has no sign for is left out.
func (p page) write(x, y float64, s string) { p.Text(x, y, printable(s)) }

func (p page) centred(x, y float64, s string) {
	s = printable(s)
	p.Text(x-p.GetStringWidth(s)/2, y, s)
}

// fitted is a text cut to a width, with three dots where it was.
func (p page) fitted(s string, width float64) string {
	s = printable(s)
	if p.GetStringWidth(s) <= width {
		return s
	}
	r := []rune(s)
	for len(r) > 1 && p.GetStringWidth(string(r)+"…") > width {
		r = r[:len(r)-1]
	}
	return strings.TrimSpace(string(r)) + "…"
}

// wrapped breaks a text into lines of a width, at most so many.
func (p page) wrapped(s string, width float64, most int) (out []string) {
	for _, word := range strings.Fields(printable(s)) {
		n := len(out) - 1
		if n >= 0 && p.GetStringWidth(out[n]+" "+word) <= width {
			out[n] += " " + word
			continue
		}
		if len(out) == most {
			out[n] = p.fitted(out[n]+" "+word+" …", width)
			return out
		}
		out = append(out, p.fitted(word, width))
	}
	return out
}

// printable leaves out what is no letter, and what lies beyond the signs that a font of 16 bits holds.
func printable(s string) string {
	return strings.Map(func(r rune) rune {
		if r < ' ' || r > 0xffff || r == 0x7f {
			return -1
		}
		return r
	}, s)
}

// outline draws a closed polygon moved by a vector; style is D for its line, F for its area, or both.
func (p page) outline(o geom.Outline, by geom.Point, style string) {
	points := make([]fpdf.PointType, len(o))
	for i, q := range o {
		points[i] = fpdf.PointType{X: q.X + by.X, Y: q.Y + by.Y}
	}
	p.Polygon(points, style)
}

// checkLine is 100 mm long, to be measured on what was printed.
func (p page) checkLine(x, y float64) {
	p.SetDrawColor(ink, ink, ink)
	p.SetLineWidth(.3)
	p.Line(x, y, x+100, y)
	for i := 0; i <= 100; i += 10 {
		h := 1.2
		if i%50 == 0 {
			h = 2.4
		}
		p.Line(x+float64(i), y-h/2, x+float64(i), y+h/2)
	}
	p.letters(6.5, false)
	p.write(x+102, y+.8, "100 mm: measure it, and print at actual size if it is not")
}

// size is the paper of a name.
func size(name string) (w, h float64, err error) {
	if err := fault.OneOf("paper", name, Papers...); err != nil {
		return 0, 0, err
	}
	s := paper[name]
	return s[0], s[1], nil
}

// tiles is how a box is cut into pages: how many across and down, and how far from each to the next.
type tiles struct {
	w, h           float64 // of the paper as it is turned
	across, down   int
	stepX, stepY   float64
	innerW, innerH float64 // of what is printed on each
}

const (
	marginMM  = 10 // that no printer reaches
	footMM    = 9  // for the check line and the page's name
	overlapMM = 10 // that two pages share
)

// cut is the way to cut a box into pages of a paper that takes fewest.
func cut(box geom.Rect, w, h float64) tiles {
	best := tiles{}
	for _, s := range [][2]float64{{w, h}, {h, w}} {
		t := tiles{w: s[0], h: s[1], innerW: s[0] - 2*marginMM, innerH: s[1] - 2*marginMM - footMM}
		t.stepX, t.stepY = t.innerW-overlapMM, t.innerH-overlapMM
		t.across = max(1, int(math.Ceil((box.W()-overlapMM)/t.stepX-1e-9)))
		t.down = max(1, int(math.Ceil((box.H()-overlapMM)/t.stepY-1e-9)))
		if best.across == 0 || t.across*t.down < best.across*best.down {
			best = t
		}
	}
	return best
}

func pageName(x, y int) string { return fmt.Sprintf("%c%d", 'A'+y%26, x+1) }
