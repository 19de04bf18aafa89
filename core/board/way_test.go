package board

import (
	"testing"

	"happytray/core/geom"
)

// Along a long board from the left, down one that stands upright from the far side, round a round one clockwise from the near
// side; in the midst of a round one nothing has a turn.
func TestTheWayOfGuests(t *testing.T) {
	make := func(shape string, l, w float64) Board {
		b, err := Make(Request{Shape: shape, LengthMM: l, WidthMM: w})
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	for _, c := range []struct {
		b     Board
		way   string
		order []geom.Point // in the order of the way, from the middle, as shares of half the size
	}{
		{make("rectangle", 600, 300), WayAlong, []geom.Point{geom.Pt(-.8, .5), geom.Pt(-.2, -.5), geom.Pt(.7, 0)}},
		{make("rectangle", 300, 600), WayDown, []geom.Point{geom.Pt(.5, -.8), geom.Pt(-.5, 0), geom.Pt(0, .8)}},
		{make("round", 400, 0), WayRound, []geom.Point{geom.Pt(-.1, .7), geom.Pt(-.7, 0), geom.Pt(0, -.7), geom.Pt(.7, 0), geom.Pt(.1, .7)}},
	} {
		if got := c.b.Way(); got != c.way || WaySays[got] == "" {
			t.Errorf("%s: %s", c.way, got)
		}
		box, last := c.b.FoodZone.Bounds(), -1.0
		for _, p := range c.order {
			share, ok := c.b.Along(box.Centre().Add(geom.Pt(p.X*box.W()/2, p.Y*box.H()/2)))
			if !ok || share <= last || share < 0 || share > 1 {
				t.Errorf("%s: %v lies at %v after %v", c.way, p, share, last)
			}
			last = share
		}
	}
	round := make("round", 400, 0)
	if _, ok := round.Along(round.FoodZone.Centroid()); ok {
		t.Error("the middle of a round board has a turn")
	}
}
