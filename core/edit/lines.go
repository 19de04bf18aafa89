package edit

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/round"
)

// circle moves a thing round what it hugs.
func (h *hand) circle(deg float64) error {
	if math.IsNaN(deg) || math.Abs(deg) > 360 {
		return fault.Bad("deg", "should be between -360 and 360 degrees")
	}
	host := pack.HostOf(h.t, h.k)
	if host < 0 {
		return fault.Bad("element", "%s: no bowl or cheese lies beside it; bring it to one first", h.food.Name)
	}
	c := pack.BoxOf(h.t.Elements[host].Pieces).Centre()
	h.e.MoveTo(pack.TurnedRound(h.e.Pose(), c, deg))
	return nil
}

// open draws the pieces of a row or fan apart, or closes them, as they would be laid with another pitch.
func (h *hand) open(by float64) error {
	if by < .4 || by > 2.5 || math.IsNaN(by) {
		return fault.Bad("open", "should be between 0.4 and 2.5")
	}
	if (h.e.Kind() != food.KindRow && h.e.Kind() != food.KindTrail) || len(h.e.Pieces) < 2 {
		return fault.Bad("element", "%s: not a row or a fan", h.food.Name)
	}
	ps := slices.Clone(h.e.Pieces)
	mid := (len(ps) - 1) / 2
	steps := make([]geom.Pose, len(ps)) // of each from the one before, in its own directions
	for i := 1; i < len(ps); i++ {
		a := geom.Pose{X: ps[i-1].At.X, Y: ps[i-1].At.Y, Turn: ps[i-1].TurnDeg}
		at := a.Inverse(ps[i].At)
		turn := math.Mod(ps[i].TurnDeg-ps[i-1].TurnDeg+540, 360) - 180
		steps[i] = geom.Pose{X: at.X * by, Y: at.Y * by, Turn: turn * by}
	}
	poses := make([]geom.Pose, len(ps))
	poses[mid] = geom.Pose{X: ps[mid].At.X, Y: ps[mid].At.Y, Turn: ps[mid].TurnDeg}
	for i := mid + 1; i < len(ps); i++ {
		poses[i] = poses[i-1].Then(steps[i])
	}
	for i := mid - 1; i >= 0; i-- { // backwards: the pose from which the step leads to the next
		turn := poses[i+1].Turn - steps[i+1].Turn
		back := geom.Pose{Turn: turn}.Apply(geom.Pt(steps[i+1].X, steps[i+1].Y))
		poses[i] = geom.Pose{X: poses[i+1].X - back.X, Y: poses[i+1].Y - back.Y, Turn: geom.NormalTurn(turn)}
	}
	for i := range ps {
		was := geom.Pose{X: ps[i].At.X, Y: ps[i].At.Y, Turn: ps[i].TurnDeg}
		o := make(geom.Outline, len(ps[i].Outline))
		for n, q := range ps[i].Outline {
			o[n] = poses[i].Apply(was.Inverse(q)).Round()
		}
		ps[i].Outline, ps[i].At, ps[i].TurnDeg = o, poses[i].At().Round(), round.Hundredth(geom.NormalTurn(poses[i].Turn))
	}
	h.e.Pieces, h.e.Path = ps, nil
	return nil
}

// bend lays a trail along another line: as many pieces as lie along it at their pitch, more of them from reserve
// where it is longer; fewer, and the others go there, where it is shorter.
func (h *hand) bend(path []geom.Point) error {
	if h.e.Kind() != food.KindTrail {
		return fault.Bad("element", "%s: not a trail", h.food.Name)
	}
	if len(path) < 2 || len(path) > 200 {
		return fault.Bad("path", "should have 2 to 200 points")
	}
	long := 0.0
	box := h.t.Board.Outline.Bounds().Grow(500)
	for i, q := range path {
		if !box.Contains(q) { // nor what is no number
			return fault.Bad(fmt.Sprintf("path[%d]", i), "lies far beside the board")
		}
		if i > 0 {
			long += q.Dist(path[i-1])
		}
	}
	if long < h.spec.Pitch*2 {
		return fault.Bad("path", "is too short for a trail; draw it longer")
	}
	spare := 0
	for _, r := range h.t.Reserve {
		if r.Food == h.e.Food && r.Form == h.e.Form {
			spare += r.Count
		}
	}
	was, each := h.e.Count, h.e.Grams/float64(max(1, h.e.Count))
	want := max(2, min(int(long/h.spec.Pitch), was+spare, mostOfOne))
	bare := h.t.Clone()
	l := pack.NewLayout(&pack.Problem{Given: bare, Larder: h.larder, Zone: pack.NewZone(bare.Board)}, bare)
	for i := range bare.Elements { // it passes what will not make room
		if e := &bare.Elements[i]; i != h.k && e.Locked && e.Placed && e.Kind() != food.KindGarnish {
			l.AddElement(i)
		}
	}
	bare.Elements[h.k].Count = want
	line := make([]geom.Point, 0, 64) // evenly, so that the direction at each point is that of the line
	for i := range 64 {
		q, _ := pack.PointAlong(path, long*float64(i)/63)
		line = append(line, l.Zone.Pull(q, h.spec.L/2))
	}
	n := l.SetAlong(h.k, h.food, h.spec, line)
	if n < 2 {
		return fault.Bad("path", "takes no pieces; keep it on the board")
	}
	h.e.Pieces = bare.Elements[h.k].Pieces
	h.e.Path = nil
	for _, q := range line {
		h.e.Path = append(h.e.Path, q.Round())
	}
	h.weigh(n, each)
	pack.Recentre(h.e)
	h.e.TurnDeg = 0
	return nil
}
