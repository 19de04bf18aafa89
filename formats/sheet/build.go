package sheet

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/art/paint"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/core/tool"
	"happytray/core/tray"
)

// Build is one page to lay a tray by: the tray drawn, a number on each thing, and the steps in their order, in units.
func Build(title string, t *tray.Tray, larder *food.Larder, on string, u say.Units) ([]byte, error) {
	if on == "whole" {
		on = "a3"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	m, err := matOf(title, t, larder)
	if err != nil {
		return nil, err
	}
	sheet := say.In(prep.Order(t, larder), u)
	if len(sheet.Steps) == 0 {
		return nil, fault.Bad("elements", "there is nothing to build; choose foods and lay the tray first")
	}
	p := newPage(w, h, title, made)
	p.AddPage()
	const margin = 14.0
	p.letters(18, true)
	p.write(margin, margin+6, p.fitted(title, w-2*margin))
	p.letters(9, false)
	p.write(margin, margin+12, p.fitted(fmt.Sprintf("%s; %s by hand in %d steps", boardSays(t, u), minutesSay(sheet.Minutes), len(sheet.Steps)), w-2*margin))

	// the tray, as large as leaves room for the steps
	room := geom.Rect{Min: geom.Pt(margin, margin+17), Max: geom.Pt(w-margin, margin+17+(h-2*margin)*.43)}
	k := math.Min(room.W()/m.box.W(), room.H()/m.box.H())
	by := geom.Pt(room.Centre().X-m.box.Centre().X*k, room.Min.Y-m.box.Min.Y*k)
	if err := m.pictured(p, larder, k, by); err != nil {
		return nil, err
	}
	y := room.Min.Y + m.box.H()*k + 9
	steps(p, sheet, toolsOf(t, larder), margin, y, w-margin, h-margin)
	return p.bytes()
}

func boardSays(t *tray.Tray, u say.Units) string {
	b := t.Board.Outline.Bounds()
	return t.Board.Called() + ", " + u.Size(b.W(), b.H())
}

func minutesSay(m float64) string {
	if m < 60 {
		return fmt.Sprintf("%.0f minutes", m)
	}
	return fmt.Sprintf("%d h %02d min", int(m)/60, int(m)%60)
}

// toolsOf says what guests take with, tool by tool, and what of the tray each is for.
func toolsOf(t *tray.Tray, larder *food.Larder) (out []string) {
	for _, n := range tool.Needs(t, larder) {
		var foods []string
		for _, e := range n.Elements {
			if f, ok := larder.Get(e.Food); ok && !slices.Contains(foods, say.Lower(f.Name)) {
				foods = append(foods, say.Lower(f.Name))
			}
		}
		out = append(out, say.Upper(n.Name)+": "+strings.Join(foods, "; "))
	}
	return out
}

// line is one of the list of steps: of a heading, of a step's beginning, or of what follows it.
type line struct {
	heading bool
	number  string // of a step, on its first line
	text    string
}

// listed breaks the steps into lines under what they are part of; a step is at most so many lines.
func (p page) listed(s prep.Sheet, tools []string, width float64, most int) (out []line) {
	part := ""
	for _, step := range s.Steps {
		if now := step.Part.String(); now != part {
			part = now
			out = append(out, line{heading: true, text: part})
		}
		says := step.Title + ": " + step.Says.String()
		if step.Held {
			says += " (hold its place open; it is laid at the end)"
		}
		for n, l := range p.wrapped(says, width, most) {
			number := ""
			if n == 0 {
				number = fmt.Sprint(step.Number)
			}
			out = append(out, line{number: number, text: l})
		}
	}
	if len(tools) > 0 {
		out = append(out, line{heading: true, text: "Tools, at the very end"})
	}
	for _, says := range tools {
		for n, l := range p.wrapped(says, width, most) {
			number := ""
			if n == 0 {
				number = " "
			}
			out = append(out, line{number: number, text: l})
		}
	}
	return out
}

// steps writes the steps in two columns, each with a box to tick, in letters as large as all of them allow.
func steps(p page, s prep.Sheet, tools []string, left, top, right, bottom float64) {
	const gap, indent = 8.0, 12.0
	width := (right - left - gap) / 2
	for points := 11.5; ; points -= .5 {
		high := points * .3528 * 1.28
		each := int((bottom - top) / high)
		p.letters(points, false)
		most := 3
		if points <= 5 {
			most = 1
		}
		lines := p.listed(s, tools, width-indent, most)
		half := min(each, max((len(lines)+1)/2, 1))
		for half < len(lines) && half < each && lines[half].number == "" && !lines[half].heading { // a step stays together
			half++
		}
		for half > 1 && half < len(lines) && lines[half].number == "" && !lines[half].heading { // where it does not fit it begins the next column
			half--
		}
		for half > 1 && lines[half-1].heading { // and a heading goes with what it is of
			half--
		}
		if len(lines)-half > each && points > 4 {
			continue
		}
		for n, l := range lines[:min(len(lines), half+each)] {
			x, at := left, n
			if n >= half {
				x, at = left+width+gap, n-half
			}
			y := top + float64(at+1)*high
			switch {
			case l.heading:
				p.letters(points*.86, true)
				p.SetTextColor(faint-50, faint-50, faint-50)
				p.write(x, y, l.text)
				p.SetTextColor(ink, ink, ink)
				continue
			case l.number != "":
				side := points * .26
				p.SetLineWidth(.2)
				p.Rect(x, y-side, side, side, "D")
				p.letters(points, true)
				p.write(x+4.6, y, l.number)
			}
			p.letters(points, false)
			p.write(x+indent, y, l.text)
		}
		return
	}
}

// pictured puts the tray as it is drawn on a screen where k and by put the mat's box, and the mat's numbers on it.
func (m mat) pictured(p page, larder *food.Larder, k float64, by geom.Point) error {
	wide := m.t.Board.Outline.Bounds().W() * k
	picture, box, err := paint.Tray(m.t, larder, min(mostDots, int(math.Ceil(wide*dotsPerMM))))
	if err != nil {
		return err
	}
	at := box.Min.Mul(k).Add(by)
	if err := p.picture(picture, at.X, at.Y, box.W()*k); err != nil {
		return err
	}
	p.SetDrawColor(255, 255, 255)
	for _, mk := range m.marks {
		c := mk.at.Mul(k).Add(by)
		p.SetFillColor(31, 78, 158)
		p.SetLineWidth(.35)
		p.Circle(c.X, c.Y, 2.3, "FD")
		p.SetTextColor(255, 255, 255)
		p.letters(6.5, true)
		p.centred(c.X, c.Y+.8, fmt.Sprint(mk.number))
	}
	p.SetTextColor(ink, ink, ink)
	p.SetDrawColor(ink, ink, ink)
	return nil
}
