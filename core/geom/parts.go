package geom

// convexParts cuts a simple outline into convex parts, each a list of its points' numbers in order: ears are clipped
// (Meisters 1975), and triangles joined again over the diagonals that are not needed (Hertel and Mehlhorn 1983), so that
// there are at most four times as many parts as there need be. An outline that cannot be cut, because it crosses itself,
// is nil.
func convexParts(o Outline) [][]int {
	n := len(o)
	left := make([]int, 0, n) // in an order that turns left, so that every sign is known
	for i := range o {
		left = append(left, i)
	}
	if o.SignedArea() < 0 {
		for i, j := 0, n-1; i < j; i, j = i+1, j-1 {
			left[i], left[j] = left[j], left[i]
		}
	}
	turn := func(a, b, c int) float64 { return o[b].Sub(o[a]).Cross(o[c].Sub(o[b])) }
	var parts [][]int
	for len(left) > 3 {
		cut := -1
		for k := range left {
			m := len(left)
			a, b, c := left[(k+m-1)%m], left[k], left[(k+1)%m]
			t := turn(a, b, c)
			if t < 0 {
				continue
			}
			if t == 0 { // on a straight line, or back on itself: it holds no area
				cut = k
				break
			}
			free := true
			for _, p := range left {
				if p != a && p != b && p != c && o[p] != o[a] && o[p] != o[b] && o[p] != o[c] && turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0 {
					free = false
					break
				}
			}
			if free {
				cut = k
				break
			}
		}
		if cut < 0 {
			return nil
		}
		m := len(left)
		a, b, c := left[(cut+m-1)%m], left[cut], left[(cut+1)%m]
		if turn(a, b, c) > 0 {
			parts = append(parts, []int{a, b, c})
		}
		left = append(left[:cut], left[cut+1:]...)
	}
	if turn(left[0], left[1], left[2]) > 0 {
		parts = append(parts, []int{left[0], left[1], left[2]})
	}
	return joinParts(o, parts)
}

// joinParts joins convex parts over a side that two share, as long as what comes of it is convex.
func joinParts(o Outline, parts [][]int) [][]int {
	for again := true; again; {
		again = false
		for i := 0; i < len(parts) && !again; i++ {
			for j := i + 1; j < len(parts) && !again; j++ {
				if one := joined(o, parts[i], parts[j]); one != nil {
					parts[i] = one
					parts = append(parts[:j], parts[j+1:]...)
					again = true
				}
			}
		}
	}
	return parts
}

// joined is two parts taken together over a side that they share, or nil where that is not convex, or they share none.
func joined(o Outline, p, q []int) []int {
	for i := range p {
		a, b := p[i], p[(i+1)%len(p)]
		for j := range q {
			if q[j] != b || q[(j+1)%len(q)] != a {
				continue
			}
			var one []int
			for k := range len(p) { // from b all round to a
				one = append(one, p[(i+1+k)%len(p)])
			}
			for k := 2; k < len(q); k++ { // and what q has beyond a, back to b
				one = append(one, q[(j+k)%len(q)])
			}
			for k := range one {
				u, v, w := o[one[k]], o[one[(k+1)%len(one)]], o[one[(k+2)%len(one)]]
				if v.Sub(u).Cross(w.Sub(v)) < -1e-9 {
					return nil
				}
			}
			return one
		}
	}
	return nil
}

// Parts are the convex parts that a body consists of, the body itself where it is convex.
func (b *Body) Parts() []Body {
	if b.convex {
		return []Body{*b}
	}
	if b.parts == nil { // it crosses itself: its hull is the most it can cover
		return []Body{ConvexBody(b.Hull)}
	}
	out := make([]Body, len(b.parts))
	for i, part := range b.parts {
		o := make(Outline, len(part))
		for k, n := range part {
			o[k] = b.Outline[n]
		}
		out[i] = ConvexBody(o)
	}
	return out
}

// Shared is the area in mm2 that a body shares with an outline; both may be concave.
func (b *Body) Shared(o Outline) float64 {
	if b.convex {
		return SharedArea(o, b.Outline)
	}
	area := 0.0
	for _, p := range b.Parts() {
		area += SharedArea(o, p.Outline)
	}
	return area
}
