package art

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"happytray/core/fault"
	"happytray/core/geom"
	"happytray/core/tray"
)

// Crops are the sides of a frame, across to down, in which a camera straight above shows a tray.
var Crops = []string{"1:1", "4:5", "2:3", "3:2", "16:9"}

// Cropped is the frame of given sides that lies wholly on the board and is as large as can be; of several
// as large the one in which most of the foods lie, and then the one nearest the middle.
func Cropped(t *tray.Tray, sides string) (geom.Rect, error) {
	if err := fault.OneOf("crop", sides, Crops...); err != nil {
		return geom.Rect{}, err
	}
	if t.Board == nil {
		return geom.Rect{}, fault.Bad("board", "choose a board before laying the tray")
	}
	across, down, _ := strings.Cut(sides, ":")
	w, _ := strconv.ParseFloat(across, 64)
	h, _ := strconv.ParseFloat(down, 64)
	outline := t.Board.Outline
	box := outline.Bounds()
	const fine = 24
	best, foods, off := 0.0, -1, 0.0
	var frame geom.Rect
	for i := 0; i <= fine; i++ {
		for j := 0; j <= fine; j++ {
			c := geom.Pt(box.Min.X+box.W()*float64(i)/fine, box.Min.Y+box.H()*float64(j)/fine)
			low, high := 0.0, math.Max(box.W()/w, box.H()/h)
			for range 14 {
				if mid := (low + high) / 2; holds(outline, c, w*mid/2, h*mid/2) {
					low = mid
				} else {
					high = mid
				}
			}
			if low < best*.995 || low == 0 {
				continue
			}
			r := geom.Rect{Min: geom.Pt(c.X-w*low/2, c.Y-h*low/2), Max: geom.Pt(c.X+w*low/2, c.Y+h*low/2)}
			n, d := foodsIn(t, r), c.Dist(box.Centre())
			if low > best*1.005 || n > foods || n == foods && d < off {
				best, foods, off, frame = math.Max(best, low), n, d, r
			}
		}
	}
	if best == 0 {
		return geom.Rect{}, fmt.Errorf("no frame of %s lies on the board", sides)
	}
	return frame, nil
}

// holds reports whether an outline holds a box of half sides w and h round c.
func holds(o geom.Outline, c geom.Point, w, h float64) bool {
	const along = 6
	for i := -along; i <= along; i++ {
		s := float64(i) / along
		for _, q := range [4]geom.Point{{X: w * s, Y: h}, {X: w * s, Y: -h}, {X: w, Y: h * s}, {X: -w, Y: h * s}} {
			// a hair's breadth inwards, so that a frame may end at the board's own edge
			if !o.Contains(c.Add(q.Mul(1 - 1e-6))) {
				return false
			}
		}
	}
	return true
}

// foodsIn counts the elements whose middle lies in a frame.
func foodsIn(t *tray.Tray, r geom.Rect) (n int) {
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Placed && r.Contains(e.Pose().At()) {
			n++
		}
	}
	return n
}
