package colour

import (
	"math"
	"math/rand/v2"
	"slices"
)

// Swatch is a colour and how much of a picture is near it, 0 to 1.
type Swatch struct {
	Colour Lab
	Part   float64 // 0 to 1 of what was looked at
}

// Main finds the main colours of a set of pixels, at most five and three at least
// where there are so many, largest first: k-means in CIELAB (Lloyd 1982) from
// spread starts (Arthur & Vassilvitskii 2007), clusters nearer than a difference
// of 9 taken together and specks of less than three parts in a hundred left to
// their neighbours. The same pixels give the same colours.
func Main(pixels []Lab) []Swatch {
	if len(pixels) == 0 {
		return nil
	}
	const k = 8
	r := rand.New(rand.NewPCG(1, 2))
	middles := []Lab{pixels[r.IntN(len(pixels))]}
	dist := make([]float64, len(pixels))
	for i := range dist {
		dist[i] = math.Inf(1)
	}
	for len(middles) < k {
		sum, last := 0.0, middles[len(middles)-1]
		for i, p := range pixels {
			dist[i] = math.Min(dist[i], square(p, last))
			sum += dist[i]
		}
		if sum < 1e-9 {
			break // fewer colours than that
		}
		at, pick := r.Float64()*sum, len(pixels)-1
		for i, d := range dist {
			if at -= d; at <= 0 {
				pick = i
				break
			}
		}
		middles = append(middles, pixels[pick])
	}
	of := make([]int, len(pixels))
	count := make([]float64, len(middles))
	for round := range 25 {
		moved := false
		sums := make([]Lab, len(middles))
		clear(count)
		for i, p := range pixels {
			best, d := 0, math.Inf(1)
			for m, c := range middles {
				if e := square(p, c); e < d {
					best, d = m, e
				}
			}
			moved = moved || of[i] != best || round == 0
			of[i] = best
			sums[best].L, sums[best].A, sums[best].B = sums[best].L+p.L, sums[best].A+p.A, sums[best].B+p.B
			count[best]++
		}
		for m := range middles {
			if n := count[m]; n > 0 {
				middles[m] = Lab{sums[m].L / n, sums[m].A / n, sums[m].B / n}
			}
		}
		if !moved {
			break
		}
	}
	var all []Swatch
	for m, c := range middles {
		if count[m] > 0 {
			all = append(all, Swatch{c, count[m] / float64(len(pixels))})
		}
	}
	all = joined(all)
	slices.SortStableFunc(all, func(a, b Swatch) int {
		switch {
		case a.Part > b.Part:
			return -1
		case a.Part < b.Part:
			return 1
		}
		return 0
	})
	return all
}

// What is nearer than alike is taken together while more than three are left,
// what is nearer than the same always is; a part below speck goes to its nearest.
const (
	alike    = 9.0
	theSame  = 2.3 // about the difference that is just told apart
	speck    = .03
	fewest   = 3
	atMost   = 5
	speckPay = .3 // specks count as nearer than they are, so that they go first
)

// joined takes together what is nearly one colour, and gives specks to the
// nearest, until at most five are left.
func joined(all []Swatch) []Swatch {
	for len(all) > 1 {
		bi, bj, least, order := 0, 0, 0.0, math.Inf(1)
		for i := range all {
			for j := range i {
				d := Difference(all[i].Colour, all[j].Colour)
				rank := d
				if min(all[i].Part, all[j].Part) < speck {
					rank *= speckPay
				}
				if rank < order {
					bi, bj, least, order = i, j, d, rank
				}
			}
		}
		small := min(all[bi].Part, all[bj].Part) < speck
		if len(all) <= atMost && least >= theSame && (len(all) <= fewest || !small && least >= alike) {
			break
		}
		a, b := all[bi], all[bj]
		n := a.Part + b.Part
		all[bj] = Swatch{a.Colour.Mix(b.Colour, b.Part/n), n}
		all = slices.Delete(all, bi, bi+1)
	}
	return all
}

func square(a, b Lab) float64 {
	l, x, y := a.L-b.L, a.A-b.A, a.B-b.B
	return l*l + x*x + y*y
}
