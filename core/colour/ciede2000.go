package colour

import "math"

// Difference is the CIEDE2000 colour difference between two colours with unit
// weights (Sharma, Wu and Dalal, "The CIEDE2000 color-difference formula",
// Color Research and Application 30(1), 2005). About 2 is just noticeable.
func Difference(p, q Lab) float64 {
	const rad = math.Pi / 180
	pow25 := math.Pow(25, 7)
	cm := (math.Hypot(p.A, p.B) + math.Hypot(q.A, q.B)) / 2
	cm7 := math.Pow(cm, 7)
	g := .5 * (1 - math.Sqrt(cm7/(cm7+pow25)))
	a1, a2 := (1+g)*p.A, (1+g)*q.A
	c1, c2 := math.Hypot(a1, p.B), math.Hypot(a2, q.B)
	h1, h2 := hue(a1, p.B), hue(a2, q.B)

	dl, dc := q.L-p.L, c2-c1
	dh := 0.0
	if c1*c2 != 0 {
		dh = h2 - h1
		if dh > 180 {
			dh -= 360
		} else if dh < -180 {
			dh += 360
		}
	}
	dH := 2 * math.Sqrt(c1*c2) * math.Sin(dh/2*rad)

	lm, cmp := (p.L+q.L)/2, (c1+c2)/2
	hm := h1 + h2
	if c1*c2 != 0 {
		switch {
		case math.Abs(h1-h2) <= 180:
			hm /= 2
		case h1+h2 < 360:
			hm = (hm + 360) / 2
		default:
			hm = (hm - 360) / 2
		}
	}
	t := 1 - .17*math.Cos((hm-30)*rad) + .24*math.Cos(2*hm*rad) +
		.32*math.Cos((3*hm+6)*rad) - .20*math.Cos((4*hm-63)*rad)
	dTheta := 30 * math.Exp(-math.Pow((hm-275)/25, 2))
	cmp7 := math.Pow(cmp, 7)
	rc := 2 * math.Sqrt(cmp7/(cmp7+pow25))
	l50 := (lm - 50) * (lm - 50)
	sl := 1 + .015*l50/math.Sqrt(20+l50)
	sc := 1 + .045*cmp
	sh := 1 + .015*cmp*t
	rt := -math.Sin(2*dTheta*rad) * rc
	x, y, z := dl/sl, dc/sc, dH/sh
	return math.Sqrt(x*x + y*y + z*z + rt*y*z)
}

func hue(a, b float64) float64 {
	if a == 0 && b == 0 {
		return 0
	}
	h := math.Atan2(b, a) * 180 / math.Pi
	if h < 0 {
		h += 360
	}
	return h
}
