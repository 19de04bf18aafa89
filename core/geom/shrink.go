package geom

import "math"

// Shrink is the outline moved inwards by d mm. Where Inset would cross itself, as
// in narrow necks and behind tight corners, it is the longest line along which
// the distance to the edge is d, found on a grid (marching squares, Lorensen &
// Cline 1987) to about a tenth of a millimetre; what lies in other parts of a
// falling-apart outline is left out. It is empty where nothing is left.
func (o Outline) Shrink(d float64) Outline {
	if d <= 0 || len(o) < 3 {
		return o
	}
	if in := o.Inset(d); o.shrunkBy(in, d) {
		return in
	}
	return simplify(o.level(d), .15)
}

// shrunkBy reports whether in lies wholly d inside o, whole and in one piece.
func (o Outline) shrunkBy(in Outline, d float64) bool {
	if in.Check() != nil || in.SignedArea()*o.SignedArea() <= 0 {
		return false
	}
	for _, p := range in {
		if !o.Contains(p) || o.EdgeDistance(p) < d-.05 {
			return false
		}
	}
	return true
}

// level is the longest closed line of points d inside the outline.
func (o Outline) level(d float64) Outline {
	var best Outline
	most := 0.0
	for _, line := range levels(o.Bounds(), func(p Point) float64 {
		v := o.EdgeDistance(p)
		if !o.Contains(p) {
			v = -v
		}
		return v - d
	}) {
		if a := line.Area(); a > most {
			most, best = a, line
		}
	}
	return canonical(best)
}

// levels are the closed lines along which a depth is zero, in and round a box (marching squares); what is deep lies to the
// right of each, so those round holes turn the other way.
func levels(box Rect, deep func(Point) float64) (lines []Outline) {
	cell := math.Max(1.2, math.Max(box.W(), box.H())/260)
	nx, ny := int(box.W()/cell)+3, int(box.H()/cell)+3
	at := func(i, j int) Point { return Pt(box.Min.X+(float64(i)-1)*cell, box.Min.Y+(float64(j)-1)*cell) }
	depth := make([]float64, nx*ny)
	for j := range ny {
		for i := range nx {
			depth[j*nx+i] = deep(at(i, j))
		}
	}
	// each cell's line segments, from crossing to crossing; a crossing is named by
	// the grid edge it lies on, so that segments join exactly
	type edge struct{ i, j, dir int } // dir 0: to the right, 1: down
	cross := func(e edge) Point {
		a, b := depth[e.j*nx+e.i], 0.0
		p, q := at(e.i, e.j), Point{}
		if e.dir == 0 {
			b, q = depth[e.j*nx+e.i+1], at(e.i+1, e.j)
		} else {
			b, q = depth[(e.j+1)*nx+e.i], at(e.i, e.j+1)
		}
		return p.Lerp(q, a/(a-b))
	}
	next := map[edge]edge{}
	for j := range ny - 1 {
		for i := range nx - 1 {
			in := func(di, dj int) bool { return depth[(j+dj)*nx+i+di] > 0 }
			top, right, bottom, left := edge{i, j, 0}, edge{i + 1, j, 1}, edge{i, j + 1, 0}, edge{i, j, 1}
			k := 0
			for b, c := range [4]bool{in(0, 0), in(1, 0), in(1, 1), in(0, 1)} {
				if c {
					k |= 1 << b
				}
			}
			// the inside lies to the right of every segment
			switch k {
			case 1:
				next[top] = left
			case 2:
				next[right] = top
			case 3:
				next[right] = left
			case 4:
				next[bottom] = right
			case 5:
				next[top], next[bottom] = left, right
			case 6:
				next[bottom] = top
			case 7:
				next[bottom] = left
			case 8:
				next[left] = bottom
			case 9:
				next[top] = bottom
			case 10:
				next[right], next[left] = top, bottom
			case 11:
				next[right] = bottom
			case 12:
				next[left] = right
			case 13:
				next[top] = right
			case 14:
				next[left] = top
			}
		}
	}
	for len(next) > 0 {
		var line Outline
		var start edge
		for e := range next { // any: every line is walked once
			start = e
			break
		}
		for e := start; ; {
			n, ok := next[e]
			if !ok {
				break
			}
			delete(next, e)
			line = append(line, cross(e))
			e = n
		}
		lines = append(lines, line)
	}
	return lines
}

// canonical begins an outline at its lowest point in x, then y, so that it does
// not depend on where a walk began.
func canonical(o Outline) Outline {
	k := 0
	for i, p := range o {
		if p.X < o[k].X || p.X == o[k].X && p.Y < o[k].Y {
			k = i
		}
	}
	return append(append(Outline{}, o[k:]...), o[:k]...)
}

// simplify drops points that lie within tol of the line through those kept
// (Douglas & Peucker 1973), and keeps at most 512.
func simplify(o Outline, tol float64) Outline {
	if len(o) < 4 {
		return o
	}
	for {
		far := 0 // the outline is cut into two open lines at its two ends
		for i, p := range o {
			if p.Dist(o[0]) > o[far].Dist(o[0]) {
				far = i
			}
		}
		keep := make([]bool, len(o)+1)
		ring := append(append(Outline{}, o...), o[0])
		keep[0], keep[far], keep[len(o)] = true, true, true
		thin(ring, 0, far, tol, keep)
		thin(ring, far, len(o), tol, keep)
		var out Outline
		for i, p := range o {
			if keep[i] {
				out = append(out, p)
			}
		}
		if len(out) <= 512 {
			return out
		}
		tol *= 1.6
	}
}

// Simplify drops points that lie within tol mm of the line through those kept.
func (o Outline) Simplify(tol float64) Outline { return simplify(o, tol) }

// thin marks the points of line[a..b] that are needed; it keeps its own stack,
// because a line from outside may be long.
func thin(line Outline, a, b int, tol float64, keep []bool) {
	stack := [][2]int{{a, b}}
	for len(stack) > 0 {
		s := stack[len(stack)-1]
		stack = stack[:len(stack)-1]
		worst, at := tol, -1
		for i := s[0] + 1; i < s[1]; i++ {
			if d := line[i].Dist(nearestOnSegment(line[i], line[s[0]], line[s[1]])); d > worst {
				worst, at = d, i
			}
		}
		if at >= 0 {
			keep[at] = true
			stack = append(stack, [2]int{s[0], at}, [2]int{at, s[1]})
		}
	}
}
