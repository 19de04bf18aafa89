package sheet

import (
	"fmt"
	"math"
	"sort"
	"strings"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/core/tray"
)

// mark is an element on the mat: its number in the order of hands, its name and count.
type mark struct {
	number int
	name   string
	count  int
	at     geom.Point
	turn   float64
	rigid  bool

	element string
}

// piece is one outline on the mat; later ones hide what they lie on.
type piece struct {
	outline geom.Outline
	loose   bool
	layer   int
	z       float64
}

// mat is a tray as the mat shows it.
type mat struct {
	title  string
	t      *tray.Tray
	pieces []piece
	marks  []mark
	box    geom.Rect
	traced bool           // only what is marked out, in thick lines
	lines  [][]geom.Point // that trails follow
}

// matOf reads a tray; what does not lie on it is not on the mat.
func matOf(title string, t *tray.Tray, larder *food.Larder) (mat, error) {
	if t.Board == nil {
		return mat{}, fault.Bad("board", "there is no mat without a board")
	}
	p := mat{title: title, t: t, box: t.Board.Outline.Bounds()}
	number, held := map[string]int{}, map[string]bool{} // held: its place is held open
	for _, s := range prep.Order(t, larder).Steps {
		for _, id := range s.Elements {
			number[id], held[id] = s.Number, s.Held
		}
	}
	for i := range t.Elements {
		e := &t.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 {
			continue
		}
		loose := e.Kind() == food.KindLoose && e.Vessel == ""
		largest, area := 0, 0.0
		for k := range e.Pieces {
			q := &e.Pieces[k]
			p.pieces = append(p.pieces, piece{q.Outline, loose, e.Layer, q.ZMM})
			p.box = p.box.Union(q.Outline.Bounds())
			if a := q.Outline.Area(); a > area {
				largest, area = k, a
			}
		}
		name := e.Food
		if f, ok := larder.Get(e.Food); ok {
			name, _, _ = strings.Cut(f.Name, ",")
		}
		at := e.Pieces[largest].Outline.Centroid()
		if len(e.Pieces) > 2 { // the middle one of a row, or of a heap
			mid := geom.Point{}
			for k := range e.Pieces {
				mid = mid.Add(e.Pieces[k].Outline.Centroid().Mul(1 / float64(len(e.Pieces))))
			}
			near := math.Inf(1)
			for k := range e.Pieces {
				if c := e.Pieces[k].Outline.Centroid(); c.Dist(mid) < near {
					near, at = c.Dist(mid), c
				}
			}
		}
		if held[e.ID] {
			name += ", last"
		}
		p.marks = append(p.marks, mark{number[e.ID], name, e.Count, at, e.TurnDeg, !loose, e.ID})
	}
	sort.SliceStable(p.pieces, func(a, b int) bool {
		x, y := p.pieces[a], p.pieces[b]
		return x.layer < y.layer || x.layer == y.layer && x.z < y.z
	})
	sort.SliceStable(p.marks, func(a, b int) bool { return p.marks[a].number < p.marks[b].number })
	return p, nil
}

const (
	nameMM   = 2.5 // height of the names' letters
	circleMM = 3.6 // radius of the numbers
	chalkMM  = 1   // as wide as chalk draws
	frontMM  = 9   // outside the board, for the mark of the front
)

// Mat is the laid tray in outlines, exactly as large as it is, to slip under a liner: on one page as large as the
// board, or in pages of a paper that overlap by a centimetre and say how they are put together.
func Mat(title string, t *tray.Tray, larder *food.Larder, on string) ([]byte, error) {
	m, err := matOf(title, t, larder)
	if err != nil {
		return nil, err
	}
	return m.printed(on)
}

// Tracing is what is marked out on a board or a sheet of paper before anything is laid, full size, to be drawn through with chalk: bowls
// and cheeses in thick outlines, and of each trail the line that it follows. It is printed as the mat is.
func Tracing(title string, t *tray.Tray, larder *food.Larder, on string) ([]byte, error) {
	m, err := matOf(title, t, larder)
	if err != nil {
		return nil, err
	}
	m.traced, m.pieces, m.marks = true, nil, nil
	full, _ := matOf(title, t, larder)
	named := map[string]mark{}
	for _, k := range full.marks {
		named[k.element] = k
	}
	for i := range t.Elements {
		e := &t.Elements[i]
		switch {
		case !e.Placed || len(e.Pieces) == 0:
			continue
		case e.Vessel != "" || e.Kind() == food.KindAnchor:
			for k := range e.Pieces {
				m.pieces = append(m.pieces, piece{outline: e.Pieces[k].Outline, layer: e.Layer, z: e.Pieces[k].ZMM})
			}
		case e.Kind() == food.KindTrail && len(e.Pieces) > 1:
			var along []geom.Point
			for k := range e.Pieces {
				along = append(along, e.Pieces[k].Outline.Centroid())
			}
			m.lines = append(m.lines, along)
		default:
			continue
		}
		m.marks = append(m.marks, named[e.ID])
	}
	if len(m.marks) == 0 {
		return nil, fault.Bad("elements", "there is no bowl, cheese or trail on the board to mark out")
	}
	return m.printed(on)
}

// printed is the mat on one page as large as the board, or in pages of a paper.
func (m mat) printed(on string) ([]byte, error) {
	title := m.title
	pw, ph, err := size(on)
	if err != nil {
		return nil, err
	}
	if on == "whole" {
		box := m.box.Grow(marginMM + frontMM)
		p := newPage(box.W(), box.H()+footMM, title, made)
		p.AddPage()
		m.draw(p, geom.Pt(-box.Min.X, -box.Min.Y))
		p.checkLine(marginMM, box.H()+footMM-5)
		return p.bytes()
	}
	box := m.box.Grow(frontMM)
	c := cut(box, pw, ph)
	if c.across*c.down > MostPages {
		return nil, fault.Bad("paper", "would take %d pages; choose a3 or whole", c.across*c.down)
	}
	p := newPage(c.w, c.h, title, made)
	for y := range c.down {
		for x := range c.across {
			p.AddPage()
			from := geom.Pt(box.Min.X+float64(x)*c.stepX, box.Min.Y+float64(y)*c.stepY)
			p.ClipRect(marginMM, marginMM, c.innerW, c.innerH, false)
			m.within(geom.Rect{Min: from, Max: from.Add(geom.Pt(c.innerW, c.innerH))}).draw(p, geom.Pt(marginMM-from.X, marginMM-from.Y))
			p.ClipEnd()
			m.joins(p, c, x, y)
			p.checkLine(marginMM, c.h-marginMM-2)
			p.letters(8, true)
			name := fmt.Sprintf("%s of %s", pageName(x, y), pageName(c.across-1, c.down-1))
			p.write(c.w-marginMM-p.GetStringWidth(name), c.h-marginMM-1.2, name)
			p.letters(7, false)
			p.write(marginMM, marginMM-3, p.fitted(title, 120))
		}
	}
	return p.bytes()
}

// within is the plan with only what shows in a part of it.
func (m mat) within(part geom.Rect) mat {
	out := m
	out.pieces = nil
	for _, q := range m.pieces {
		if q.outline.Bounds().Meets(part) {
			out.pieces = append(out.pieces, q)
		}
	}
	return out
}

// joins marks where a page is cut, and with which others it is put together.
func (m mat) joins(p page, c tiles, x, y int) {
	p.SetDrawColor(faint, faint, faint)
	p.SetLineWidth(.15)
	p.SetDashPattern([]float64{2, 2}, 0)
	left, top, right, bottom := float64(marginMM), float64(marginMM), marginMM+c.innerW, marginMM+c.innerH
	p.letters(6, false)
	if x+1 < c.across {
		p.Line(right-overlapMM, top, right-overlapMM, bottom)
		p.write(right-overlapMM+1, top+4, "cut; "+pageName(x+1, y)+" on top")
	}
	if y+1 < c.down {
		p.Line(left, bottom-overlapMM, right, bottom-overlapMM)
		p.write(left+2, bottom-overlapMM+4, "cut; "+pageName(x, y+1)+" on top")
	}
	p.SetDashPattern([]float64{}, 0)
	p.SetDrawColor(ink, ink, ink)
	for _, q := range []geom.Point{{X: left, Y: top}, {X: right, Y: top}, {X: left, Y: bottom}, {X: right, Y: bottom}} {
		p.Line(q.X-4, q.Y, q.X+4, q.Y)
		p.Line(q.X, q.Y-4, q.X, q.Y+4)
	}
}

// draw puts the tray on a page, moved by a vector.
func (m mat) draw(p page, by geom.Point) {
	p.SetDrawColor(ink, ink, ink)
	p.SetLineWidth(.5)
	p.outline(m.t.Board.Outline, by, "D")
	p.SetDrawColor(faint, faint, faint)
	p.SetLineWidth(.2)
	for _, o := range append(append([]geom.Outline{}, m.t.Board.Keepouts...), m.t.Board.Wells...) {
		p.outline(o, by, "D")
	}
	p.SetFillColor(255, 255, 255)
	for _, q := range m.pieces {
		p.SetLineWidth(.3)
		p.SetDrawColor(ink, ink, ink)
		if q.loose {
			p.SetLineWidth(.12)
			p.SetDrawColor(faint, faint, faint)
		}
		if m.traced {
			p.SetLineWidth(chalkMM)
		}
		p.outline(q.outline, by, "FD")
	}
	p.SetLineWidth(chalkMM)
	p.SetDashPattern([]float64{6, 3}, 0)
	for _, line := range m.lines {
		for i := 1; i < len(line); i++ {
			a, b := line[i-1].Add(by), line[i].Add(by)
			p.Line(a.X, a.Y, b.X, b.Y)
		}
	}
	p.SetDashPattern([]float64{}, 0)
	m.front(p, by)
	m.names(p, by)
}

// names writes the numbers, and the names beside them where there is room: no two upon each other.
func (m mat) names(p page, by geom.Point) {
	var taken []geom.Rect
	free := func(r geom.Rect) bool {
		for _, o := range taken {
			if r.Meets(o) {
				return false
			}
		}
		return true
	}
	circle := func(c geom.Point) geom.Rect {
		return geom.Rect{Min: geom.Pt(c.X-circleMM, c.Y-circleMM), Max: geom.Pt(c.X+circleMM, c.Y+circleMM)}
	}
	places := make([]geom.Point, len(m.marks))
	for i, k := range m.marks {
		places[i] = k.at
		for turn := 0; !free(circle(places[i])) && turn < 24; turn++ {
			places[i] = k.at.Add(geom.Polar(2+1.2*float64(turn), 137.5*float64(turn)))
		}
		taken = append(taken, circle(places[i]))
	}
	for i, k := range m.marks {
		c := places[i].Add(by)
		p.SetDrawColor(ink, ink, ink)
		p.SetFillColor(255, 255, 255)
		p.SetLineWidth(.25)
		p.Circle(c.X, c.Y, circleMM, "FD")
		if k.rigid { // which way it is turned
			a, b := geom.Polar(circleMM, k.turn), geom.Polar(circleMM+2, k.turn)
			p.SetLineWidth(.5)
			p.Line(c.X+a.X, c.Y+a.Y, c.X+b.X, c.Y+b.Y)
		}
		p.letters(7.5, true)
		p.centred(c.X, c.Y+.95, fmt.Sprint(k.number))
		says := k.name
		if k.count > 1 {
			says += fmt.Sprintf(" × %d", k.count)
		}
		p.letters(nameMM/.3528, false)
		w := p.GetStringWidth(printable(says))
		for _, off := range []geom.Point{{X: -w / 2, Y: circleMM + nameMM}, {X: -w / 2, Y: -circleMM - 1}, {X: circleMM + 1, Y: .9}, {X: -circleMM - 1 - w, Y: .9}, {X: -w / 2, Y: circleMM + 2*nameMM + .6}, {X: -w / 2, Y: -circleMM - nameMM - 1.6}} {
			at := places[i].Add(off)
			r := geom.Rect{Min: geom.Pt(at.X-.4, at.Y-nameMM), Max: geom.Pt(at.X+w+.4, at.Y+.7)}
			if !free(r) {
				continue
			}
			taken = append(taken, r)
			at = at.Add(by)
			p.SetAlpha(.78, "Normal")
			p.Rect(at.X-.4, at.Y-nameMM+.2, w+.8, nameMM+.6, "F")
			p.SetAlpha(1, "Normal")
			p.write(at.X, at.Y, says)
			break
		}
	}
}

// front marks the side at which the tray has its front.
func (m mat) front(p page, by geom.Point) {
	side := m.t.Board.Front
	if side == "" {
		side = m.t.Brief.Front
	}
	box := m.t.Board.Outline.Bounds()
	mid := box.Centre()
	at := map[string]geom.Point{"bottom": {X: mid.X, Y: box.Max.Y + 4}, "top": {X: mid.X, Y: box.Min.Y - 4}, "left": {X: box.Min.X - 4, Y: mid.Y}, "right": {X: box.Max.X + 4, Y: mid.Y}}
	c, ok := at[side]
	if !ok {
		c, side = at["bottom"], ""
	}
	in := mid.Sub(c).Unit()
	tip, across := c.Add(in.Mul(3)).Add(by), in.Normal().Mul(2.4)
	c = c.Add(by)
	p.SetFillColor(ink, ink, ink)
	p.outline(geom.Outline{tip, c.Add(across), c.Sub(across)}, geom.Point{}, "F")
	says := "front"
	if side == "" {
		says = "this side to you" // seen from all round
	}
	p.letters(7, true)
	out := c.Sub(in.Mul(2.6))
	p.centred(out.X, out.Y+1, says)
}

// MatSVG is the mat as SVG in real millimetres.
func MatSVG(title string, t *tray.Tray, larder *food.Larder) ([]byte, error) {
	m, err := matOf(title, t, larder)
	if err != nil {
		return nil, err
	}
	box := m.box.Grow(marginMM + frontMM)
	h := box.H() + footMM
	var b strings.Builder
	n := func(v float64) string { return strings.TrimRight(strings.TrimRight(fmt.Sprintf("%.2f", v), "0"), ".") }
	path := func(o geom.Outline) string {
		var s strings.Builder
		for i, q := range o {
			c := "L"
			if i == 0 {
				c = "M"
			}
			s.WriteString(c + n(q.X) + " " + n(q.Y))
		}
		return s.String() + "Z"
	}
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" width="%smm" height="%smm" viewBox="%s %s %s %s" fill="none" stroke="#222" stroke-linejoin="round" font-family="sans-serif"><title>%s</title>`,
		n(box.W()), n(h), n(box.Min.X), n(box.Min.Y), n(box.W()), n(h), escape(title))
	fmt.Fprintf(&b, `<path class="board" stroke-width=".5" d="%s"/>`, path(t.Board.Outline))
	for _, o := range append(append([]geom.Outline{}, t.Board.Keepouts...), t.Board.Wells...) {
		fmt.Fprintf(&b, `<path stroke="#969696" stroke-width=".2" d="%s"/>`, path(o))
	}
	for _, q := range m.pieces {
		style := `stroke-width=".3"`
		if q.loose {
			style = `stroke="#969696" stroke-width=".12"`
		}
		fmt.Fprintf(&b, `<path class="piece" fill="#fff" %s d="%s"/>`, style, path(q.outline))
	}
	for _, k := range m.marks {
		fmt.Fprintf(&b, `<g><title>%s</title><circle cx="%s" cy="%s" r="%s" fill="#fff" stroke-width=".25"/><text x="%s" y="%s" font-size="2.7" text-anchor="middle" fill="#222" stroke="none">%d</text></g>`,
			escape(k.name+", "+say.Count(k.count, "piece")), n(k.at.X), n(k.at.Y), n(circleMM), n(k.at.X), n(k.at.Y+.95), k.number)
	}
	y, x := box.Max.Y+footMM-5, box.Min.X+marginMM
	fmt.Fprintf(&b, `<path class="check" stroke-width=".3" d="M%s %sh100"/><text x="%s" y="%s" font-size="2.4" fill="#222" stroke="none">100 mm</text></svg>`, n(x), n(y), n(x+102), n(y+.8))
	return []byte(b.String()), nil
}

func escape(s string) string {
	return strings.NewReplacer("&", "&amp;", "<", "&lt;", ">", "&gt;", `"`, "&quot;").Replace(printable(s))
}
