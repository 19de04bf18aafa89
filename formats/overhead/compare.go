package overhead

import (
	"fmt"
	"image"
	"image/color"
	"math"

	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// Seen is how one element of a plan is found in a straightened photograph.
type Seen struct {
	Element string      `json:"element"`
	Planned string      `json:"planned"` // its colour, #rrggbb
	Photo   string      `json:"photo"`   // what is seen there, light evened out
	Off     float64     `json:"off"`     // CIEDE2000 between the two
	Alike   float64     `json:"alike"`   // the share of it that looks as planned
	Moved   *geom.Point `json:"moved"`   // by how much it lies elsewhere, mm, where that is clear; nil otherwise
}

// What is alike, and what is clear.
const (
	alike     = 13.0 // in Lab, lightness counted by half: lighter than any light that was not evened out, less than most foods differ by
	departed  = .5   // of an element that looks as planned; under it, it is told of
	clearly   = .72  // of it that looks as planned where it lies now
	searchMM  = 90.0
	coarseMM  = 5.0
	mostLooks = 260 // pixels of an element that are looked at
)

// Compare holds a straightened photograph, so many px for a mm, against the plan: element by element, those that lie
// elsewhere than they were planned with where. Light that falls unevenly is evened out first, by a plane through how
// much brighter or darker all that is planned came out.
func Compare(straight *image.NRGBA, perMM float64, t *tray.Tray) ([]Seen, error) {
	if t.Board == nil {
		return nil, fault.Bad("board", "choose a board before laying the tray")
	}
	w, h := straight.Rect.Dx(), straight.Rect.Dy()
	from := t.Board.Outline.Bounds().Min
	px := func(o geom.Outline) geom.Outline { return o.Move(from.Mul(-1)).Scale(perMM) }
	owner := make([]int32, w*h)
	for i := range owner {
		owner[i] = -2
	}
	plan := make([]color.NRGBA, w*h)
	for _, p := range Patches(t, nil) {
		c := RGB(p.Colour)
		Fill(px(p.Outline), w, h, func(x, y int, cover uint8) {
			if cover > 127 {
				owner[y*w+x], plan[y*w+x] = int32(p.Element), c
			}
		})
	}
	even := evened(straight, owner, plan)
	lab, want := make([]colour.Lab, w*h), make([]colour.Lab, w*h)
	known := map[color.NRGBA]colour.Lab{}
	for i := range lab {
		lab[i] = even(i%w, i/w)
		c, ok := known[plan[i]]
		if !ok {
			c = colour.FromRGB(float64(plan[i].R)/255, float64(plan[i].G)/255, float64(plan[i].B)/255)
			known[plan[i]] = c
		}
		want[i] = c
	}
	v := view{w, h, perMM, owner, lab, want}
	masks := make([][]int32, len(t.Elements))
	for i, o := range owner {
		if o >= 0 {
			masks[o] = append(masks[o], int32(i))
		}
	}
	var out []Seen
	for i := range t.Elements {
		if len(masks[i]) < 12 {
			continue // nothing of it was to be seen
		}
		look := thinned(masks[i])
		is, should := mean(lab, look), mean(want, look)
		s := Seen{Element: t.Elements[i].ID, Planned: should.Hex(), Photo: is.Hex(), Off: round.Tenth(colour.Difference(is, should))}
		s.Alike = round.Hundredth(v.alike(look, 0, 0))
		if s.Alike < departed {
			s.Moved = v.search(look, i)
		}
		out = append(out, s)
	}
	return out, nil
}

// view is a straightened photograph beside the plan, pixel by pixel.
type view struct {
	w, h  int
	perMM float64
	owner []int32 // whose it is in the plan; -1 the board's, -2 nobody's
	lab   []colour.Lab
	want  []colour.Lab
}

func mean(lab []colour.Lab, at []int32) (out colour.Lab) {
	n := float64(len(at))
	for _, k := range at {
		out.L, out.A, out.B = out.L+lab[k].L/n, out.A+lab[k].A/n, out.B+lab[k].B/n
	}
	return out
}

// thinned keeps some pixels of a mask, spread evenly.
func thinned(mask []int32) []int32 {
	if len(mask) <= mostLooks {
		return mask
	}
	out := make([]int32, 0, mostLooks)
	for k := range mostLooks {
		out = append(out, mask[k*len(mask)/mostLooks])
	}
	return out
}

func unlike(a, b colour.Lab) float64 {
	l := (a.L - b.L) / 2
	return math.Sqrt(l*l + (a.A-b.A)*(a.A-b.A) + (a.B-b.B)*(a.B-b.B))
}

// alike is how much of a mask, looked for so many pixels away, looks as it was planned.
func (v *view) alike(mask []int32, dx, dy int) float64 {
	n := 0
	for _, k := range mask {
		x, y := int(k)%v.w+dx, int(k)/v.w+dy
		if x >= 0 && y >= 0 && x < v.w && y < v.h && unlike(v.lab[y*v.w+x], v.want[k]) < alike {
			n++
		}
	}
	return float64(n) / float64(len(mask))
}

// search looks for where an element lies instead: not where something that looks like it was planned.
func (v *view) search(mask []int32, own int) *geom.Point {
	w, h, perMM := v.w, v.h, v.perMM
	step := max(1, int(math.Round(coarseMM*perMM)))
	most := int(searchMM * perMM)
	best, bx, by := 0.0, 0, 0
	worth := func(dx, dy int) float64 {
		n := 0.0
		for _, k := range mask {
			x, y := int(k)%w+dx, int(k)/w+dy
			if x < 0 || y < 0 || x >= w || y >= h || unlike(v.lab[y*w+x], v.want[k]) >= alike {
				continue
			}
			if o := v.owner[y*w+x]; o >= 0 && int(o) != own && unlike(v.want[y*w+x], v.want[k]) < alike {
				n += .2 // that may be another heap of the same
				continue
			}
			n++
		}
		return n/float64(len(mask)) - 1e-4*math.Hypot(float64(dx), float64(dy))/perMM
	}
	for dy := -most; dy <= most; dy += step {
		for dx := -most; dx <= most; dx += step {
			if much := worth(dx, dy); much > best {
				best, bx, by = much, dx, dy
			}
		}
	}
	for reach := step; reach >= 1; reach /= 2 {
		for again := true; again; {
			again = false
			for _, d := range [4][2]int{{reach, 0}, {-reach, 0}, {0, reach}, {0, -reach}} {
				if much := worth(bx+d[0], by+d[1]); much > best {
					best, bx, by, again = much, bx+d[0], by+d[1], true
				}
			}
		}
	}
	if best < clearly || math.Hypot(float64(bx), float64(by)) < 6*perMM {
		return nil
	}
	at := geom.Pt(math.Round(float64(bx)/perMM), math.Round(float64(by)/perMM))
	return &at
}

// evened evens out the light: for each of red, green and blue how much brighter the photograph is than the plan, as a
// plane over the board by least squares, twice, the second time without what lies far off the first.
func evened(img *image.NRGBA, owner []int32, plan []color.NRGBA) func(x, y int) colour.Lab {
	w := img.Rect.Dx()
	var gains [3]light
	for k := range gains {
		for pass := range 3 {
			var n, sx, sy, sxx, sxy, syy, sv, sxv, syv float64
			for i := 0; i < len(owner); i += 7 {
				if owner[i] < 0 {
					continue
				}
				c := plan[i]
				want := float64([3]uint8{c.R, c.G, c.B}[k])
				got := float64(img.Pix[4*i+k])
				if want < 30 || got < 4 {
					continue
				}
				v, x, y := math.Log(got/want), float64(i%w), float64(i/w)
				if pass > 0 && math.Abs(v-gains[k].at(i%w, i/w)) > [3]float64{0, .35, .15}[pass] {
					continue
				}
				n, sx, sy, sxx, sxy, syy = n+1, sx+x, sy+y, sxx+x*x, sxy+x*y, syy+y*y
				sv, sxv, syv = sv+v, sxv+x*v, syv+y*v
			}
			if n < 50 {
				continue
			}
			mx, my, mv := sx/n, sy/n, sv/n
			xx, xy, yy := sxx-n*mx*mx, sxy-n*mx*my, syy-n*my*my
			xv, yv := sxv-n*mx*mv, syv-n*my*mv
			l := light{a: mv}
			if det := xx*yy - xy*xy; det > 1e-6 {
				l.b, l.c = (xv*yy-yv*xy)/det, (yv*xx-xv*xy)/det
			}
			l.a = mv - l.b*mx - l.c*my
			gains[k] = l
		}
	}
	return func(x, y int) colour.Lab {
		i := 4 * (y*w + x)
		var v [3]float64
		for k := range v {
			v[k] = math.Min(1, float64(img.Pix[i+k])/255/math.Exp(gains[k].at(x, y)))
		}
		return colour.FromRGB(v[0], v[1], v[2])
	}
}

// Says tells of what departs from the plan; name calls an element.
func Says(seen []Seen, name func(element string) string) (out []string) {
	for _, s := range seen {
		switch {
		case s.Moved != nil:
			out = append(out, fmt.Sprintf("%s lies %.0f mm from where it was planned, %s.", name(s.Element), math.Hypot(s.Moved.X, s.Moved.Y), way(*s.Moved)))
		case s.Alike < departed/2:
			out = append(out, fmt.Sprintf("%s is not to be seen where it was planned: something lies over it, or it was left out.", name(s.Element)))
		}
	}
	return out
}

// way says a direction as who stands at the front would.
func way(d geom.Point) string {
	aside, along := "", ""
	if math.Abs(d.X) > .4*math.Abs(d.Y) {
		aside = map[bool]string{true: "right", false: "left"}[d.X > 0]
	}
	if math.Abs(d.Y) > .4*math.Abs(d.X) {
		along = map[bool]string{true: "nearer", false: "farther"}[d.Y > 0]
	}
	switch {
	case aside != "" && along != "":
		return "to the " + aside + " and " + along
	case aside != "":
		return "to the " + aside
	}
	return along
}
