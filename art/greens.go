package art

import (
	"math"

	"happytray/core/geom"
)

// Greens and flowers, tucked in and strewn at last.

func rosemary(p *pen, s subject) {
	l := s.spec.L
	p.line("M"+f(-l*.5)+" 1Q0 "+f(p.between(-4, 3))+" "+f(l*.42)+" 0", "#6b5a3c", 1.6)
	n := 30
	for i := range n {
		t := float64(i)/float64(n) - .46
		x := t * l
		long := 8.5 * (1.15 - math.Abs(t)*.8)
		for _, side := range []float64{-1, 1} {
			a := side * p.between(32, 58)
			q := geom.Pt(x, p.between(-.8, .8))
			e := q.Add(geom.Polar(long*p.between(.75, 1.1), a))
			p.line("M"+xy(q)+"L"+xy(e), tone(s.out, p.between(-15, 8), 0), 1.5)
			p.line("M"+xy(q)+"L"+xy(q.Lerp(e, .8)), tone(s.out, 20, 0), .35, "opacity", ".6")
		}
	}
}

func thyme(p *pen, s subject) {
	l := s.spec.L
	for k := range 3 {
		y := (float64(k) - 1) * 4
		p.line("M"+f(-l*.48)+" 0Q"+f(-l*.1)+" "+f(y)+" "+f(l*(.46-.08*float64(k)))+" "+f(y*1.4), "#7b6547", .8)
		for i := range 9 {
			t := float64(i)/9 + .08
			at := geom.Pt(-l*.4+t*l*.86, y*t*1.25)
			for _, side := range []float64{-1, 1} {
				p.oval(at.Add(geom.Pt(0, side*1.9)), 2.1, 1, side*p.between(20, 55), tone(s.out, p.between(-10, 10), 0))
			}
		}
	}
}

func mint(p *pen, s subject) {
	r := s.spec.L / 2
	for ring, n := range []int{4, 4, 2} {
		for i := range n {
			a := float64(i)*360/float64(n) + float64(ring)*45 + p.between(-9, 9)
			long := r * []float64{.98, .74, .42}[ring]
			tip := geom.Polar(long, a)
			// round, blunt leaves in crossed pairs
			d := "M0 0C" + xy(geom.Polar(long*.5, a-66)) + " " + xy(geom.Polar(long*.98, a-36)) + " " + xy(tip) +
				"C" + xy(geom.Polar(long*.98, a+36)) + " " + xy(geom.Polar(long*.5, a+66)) + " 0 0Z"
			p.path(d, p.radial(.4, .4, .8, tone(s.out, 12, 3), 0, tone(s.out, 0, 0), .6, tone(s.out, -12, 0), 1), "stroke", tone(s.out, -20, 0), "stroke-width", ".35")
			p.line("M0 0L"+xy(tip.Mul(.9)), tone(s.out, 18, 3), .5, "opacity", ".7")
			for k := 1; k < 4; k++ {
				q := tip.Mul(float64(k) * .24)
				for _, side := range []float64{-34, 34} {
					p.line("M"+xy(q)+"L"+xy(q.Add(geom.Polar(long*.2, a+side))), tone(s.out, -13, 0), .3, "opacity", ".6")
				}
			}
		}
	}
}

// parsley is a sprig of cut leaves on a stem: three at its end and two pairs below, curled and toothed.
func parsley(p *pen, s subject) {
	l, w := s.spec.L, s.spec.W
	p.line("M"+f(-l*.5)+" "+f(p.between(-2, 2))+"Q"+f(-l*.2)+" "+f(p.between(-3, 3))+" "+f(l*.24)+" 0", tone(s.out, 14, 6), 1.6)
	for _, leaf := range []struct{ x, y, r, turn float64 }{{-.16, .3, .42, 75}, {-.14, -.3, .42, -75}, {.1, .28, .5, 45}, {.12, -.28, .5, -45}, {.26, 0, .62, 0}} {
		at := geom.Pt(leaf.x*l, leaf.y*w)
		p.line("M"+f(at.X-l*.08)+" 0L"+xy(at), tone(s.out, 12, 5), 1)
		for k, a := range []float64{-52, 52, 0} { // its three lobes, the middle one on top
			r := leaf.r * w * []float64{.78, .78, .92}[k]
			mid := at.Add(geom.Polar(r*.5, leaf.turn+a+p.between(-8, 8)))
			p.path(p.blob(mid, r*.74, r*.56, leaf.turn+a, 13, .2), p.radial(.4, .35, .8, tone(s.out, 13, 3), 0, tone(s.out, 0, 0), .6, tone(s.out, -13, 0), 1), "stroke", tone(s.out, -22, 0), "stroke-width", ".4")
			p.line("M"+xy(at)+"L"+xy(mid.Add(geom.Polar(r*.4, leaf.turn+a))), tone(s.out, 20, 4), .45, "opacity", ".7")
			for range 3 { // curls
				q := mid.Add(geom.Polar(r*p.between(.1, .45), p.between(0, 360)))
				p.line("M"+xy(q)+"q1 -1.6 2.4 -.6", tone(s.out, -18, 0), .45, "opacity", ".6")
			}
		}
	}
}

func viola(p *pen, s subject) {
	r := s.spec.L / 2
	a0 := p.between(0, 360)
	for i, a := range []float64{-55, 55, -125, 125, 180} {
		c := s.out
		if i >= 2 {
			c = lab("#8a6fd0")
		}
		if i == 4 {
			c = lab("#f2cf4a")
		}
		at := geom.Polar(r*.46, a0+a)
		p.path(p.blob(at, r*.5, r*.44, a0+a, 10, .09), p.radial(.4, .35, .8, tone(c, 14, 0), 0, tone(c, 0, 0), .6, tone(c, -12, 0), 1), "stroke", tone(c, -18, 0), "stroke-width", ".3")
		for _, d := range []float64{-9, 0, 9} {
			p.line("M"+xy(geom.Polar(r*.14, a0+a+d))+"L"+xy(geom.Polar(r*.42, a0+a+d)), "#2c1748", .4, "opacity", ".6")
		}
	}
	p.dot(geom.Pt(0, 0), r*.13, "#f6dd6a")
}
