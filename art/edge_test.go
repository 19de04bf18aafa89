package art

import (
	"math"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/geom"
)

// walk follows path data of M, L, C and Z and gives points along it, close together.
func walk(t *testing.T, d string) (out geom.Outline) {
	t.Helper()
	numbers := regexp.MustCompile(`-?[0-9.]+`)
	at := geom.Point{}
	for _, part := range regexp.MustCompile(`[MLCZ][^MLCZ]*`).FindAllString(d, -1) {
		var v []float64
		for _, n := range numbers.FindAllString(part, -1) {
			x, err := strconv.ParseFloat(n, 64)
			if err != nil {
				t.Fatal(err)
			}
			v = append(v, x)
		}
		switch part[0] {
		case 'M', 'L':
			at = geom.Pt(v[0], v[1])
			out = append(out, at)
		case 'C':
			p := []geom.Point{at, geom.Pt(v[0], v[1]), geom.Pt(v[2], v[3]), geom.Pt(v[4], v[5])}
			for k := 1; k <= 16; k++ {
				u := float64(k) / 16
				w := 1 - u
				out = append(out, p[0].Mul(w*w*w).Add(p[1].Mul(3*w*w*u)).Add(p[2].Mul(3*w*u*u)).Add(p[3].Mul(u*u*u)))
			}
			at = p[3]
		}
	}
	return out
}

// A round board is round, however near one looks.
func TestRoundEdgesAreRound(t *testing.T) {
	for _, r := range []float64{130, 240, 400} {
		o := geom.Ellipse(r, r, 64)
		worst := 0.0
		for _, p := range walk(t, edge(o)) {
			worst = math.Max(worst, math.Abs(p.Len()-r))
		}
		corners := 0.0
		for i, p := range o {
			corners = math.Max(corners, r-p.Add(o[(i+1)%len(o)]).Mul(.5).Len())
		}
		if worst > .02 || corners < .1 {
			t.Errorf("radius %.0f: the edge is %.3f mm off, straight sides would be %.3f", r, worst, corners)
		}
	}
}

// Corners stay corners and long sides straight: no edge strays from its outline.
func TestEdgesKeepToTheirOutlines(t *testing.T) {
	for _, b := range board.BuiltIn() {
		d := edge(b.Outline)
		off := 0.0
		for _, p := range walk(t, d) {
			if !b.Outline.Contains(p) {
				off = math.Max(off, b.Outline.EdgeDistance(p))
			}
		}
		if off > 1.2 {
			t.Errorf("%s bulges by %.2f mm", b.ID, off)
		}
	}
	square := geom.Outline{geom.Pt(0, 0), geom.Pt(400, 0), geom.Pt(400, 300), geom.Pt(0, 300)}
	if d := edge(square); strings.Contains(d, "C") || d != poly(square) && !strings.HasPrefix(d, "M0 0L400 0") {
		t.Errorf("a square's edge is %s", d)
	}
	if d := edge(geom.Ellipse(200, 200, 6)); strings.Contains(d, "C") {
		t.Errorf("a hexagon's edge is %s", d)
	}
}
