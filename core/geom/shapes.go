package geom

import "math"

// Ellipse is a polygon of n points with half axes rx and ry round the origin.
func Ellipse(rx, ry float64, n int) Outline {
	o := make(Outline, n)
	for i := range o {
		s, c := math.Sincos(2 * math.Pi * float64(i) / float64(n))
		o[i] = Point{rx * c, ry * s}
	}
	return o
}

// Circle is a polygon of n points that lies just round the circle of radius r,
// so that nothing placed outside it can touch the true circle.
func Circle(r float64, n int) Outline {
	k := r / math.Cos(math.Pi/float64(n))
	return Ellipse(k, k, n)
}

// Box is a w x h rectangle round the origin with corners rounded by radius.
func Box(w, h, radius float64) Outline {
	radius = math.Min(radius, math.Min(w, h)/2)
	if radius <= 0 {
		return Outline{{-w / 2, -h / 2}, {w / 2, -h / 2}, {w / 2, h / 2}, {-w / 2, h / 2}}
	}
	steps := 4
	if radius > 30 {
		steps = 8
	}
	var o Outline
	for q, c := range []Point{{1, 1}, {-1, 1}, {-1, -1}, {1, -1}} {
		for i := 0; i <= steps; i++ {
			a := float64(q)*90 + 90*float64(i)/float64(steps)
			o = append(o, Point{c.X * (w/2 - radius), c.Y * (h/2 - radius)}.Add(Polar(radius, a)))
		}
	}
	return o.distinct() // where a side is no longer than its corners, two of them meet
}

// Sector is a pie piece of radius r with its tip at the origin, from angle a to
// b degrees, with the rind in steps of at most nine degrees.
func Sector(r, a, b float64) Outline {
	n := int(math.Ceil((b - a) / 9))
	o := Outline{{0, 0}}
	for i := 0; i <= n; i++ {
		o = append(o, Polar(r, a+(b-a)*float64(i)/float64(n)))
	}
	return o
}

// Capsule is a stadium of the given length and width along x.
func Capsule(length, width float64) Outline { return Box(length, width, width/2) }

// Move is the outline shifted by d.
func (o Outline) Move(d Point) Outline {
	out := make(Outline, len(o))
	for i, p := range o {
		out[i] = p.Add(d)
	}
	return out
}

// Scale is the outline with all coordinates multiplied by k.
func (o Outline) Scale(k float64) Outline {
	out := make(Outline, len(o))
	for i, p := range o {
		out[i] = p.Mul(k)
	}
	return out
}

// Turn is the outline turned round the origin by deg degrees.
func (o Outline) Turn(deg float64) Outline { return Pose{Turn: deg}.ApplyAll(o) }
