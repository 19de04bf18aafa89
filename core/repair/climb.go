package repair

import (
	"context"
	"math"
	"slices"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/tray"
)

// climbs are walks of small moves of what a finding is about and of what lies nearest to it.
func climbs(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	var who []int
	for _, id := range f.Elements {
		if k := t.Find(id); k >= 0 && movable(&t.Elements[k]) && len(who) < 3 {
			who = append(who, k)
		}
	}
	says := "moved what lies here a little"
	if len(who) > 0 {
		says = "moved the " + nameOf(t, larder, who[0]) + " and what lies round it a little"
	}
	for _, k := range nearestTo(t, f.At, 6) {
		if !slices.Contains(who, k) {
			who = append(who, k)
		}
	}
	if len(who) == 0 {
		return nil
	}
	way := wayFor(t, f)
	for n := range climbTries {
		only := who
		if n%2 == 0 && len(who) > 3 { // what the finding is about alone
			only = who[:3]
		}
		out = append(out, candidate{says, func(ctx context.Context) *tray.Tray {
			return climb(ctx, t, larder, only, way, ofMany(climbSteps, t), seedOf(f, 31+n))
		}})
	}
	return out
}

// wayFor is the way that helps with a finding, by element: towards what it goes well with, away from
// what it is too like, across the tray where it is all on one side.
func wayFor(t *tray.Tray, f review.Finding) map[int]geom.Point {
	out := map[int]geom.Point{}
	centre := t.Board.FoodZone.Centroid()
	for n, id := range f.Elements {
		k := t.Find(id)
		if k < 0 {
			continue
		}
		at := t.Elements[k].Pose().At()
		switch {
		case f.Check == "service.reach" || f.Check == "colour.spread" || f.Check == "spread.category" || f.Check == "spread.weight":
			out[k] = centre.Sub(at).Unit()
		case len(f.Elements) < 2:
		default: // findings of two things name them side by side
			if n^1 >= len(f.Elements) {
				continue
			}
			o := t.Find(f.Elements[n^1])
			if o < 0 || o == k {
				continue
			}
			away := at.Sub(t.Elements[o].Pose().At()).Unit()
			if f.Check == "pairs.near" {
				away = away.Mul(-1)
			}
			out[k] = away
		}
	}
	return out
}

// climb moves and turns elements a little, half of the time the way that helps, the loose neighbours
// giving way, and keeps each step that leaves the tray legal, or as it was, and raises its total; nil
// where none does.
func climb(ctx context.Context, t *tray.Tray, larder *food.Larder, who []int, way map[int]geom.Point, steps int, seed uint64) *tray.Tray {
	r := food.Rand(seed)
	at, live := t, review.NewLive(t, larder)
	rev := live.Totals()
	follow := func(from, to *tray.Tray) { // live goes along, with what differs
		for i := range to.Elements {
			if !pack.LiesAlike(&from.Elements[i], &to.Elements[i]) {
				live.Set(i, to.Elements[i])
			}
		}
	}
	for range steps {
		if ctx.Err() != nil {
			return nil
		}
		k := who[int(math.Floor(float64(len(who))*r.Float64()*r.Float64()))] // what the finding is about before the rest
		pose := at.Elements[k].Pose()
		to := pose
		if turns := at.Elements[k].Kind() != food.KindLoose && r.IntN(3) == 0; turns {
			to.Turn += []float64{8, -8, 20, -20, 45, -45}[r.IntN(6)]
		} else {
			by := geom.Polar(2+14*r.Float64(), 360*r.Float64())
			if known, ok := way[k]; ok && r.IntN(2) == 0 {
				by = geom.Polar(by.Len(), known.Degrees()+60*(r.Float64()-.5))
			}
			to.X, to.Y = to.X+by.X, to.Y+by.Y
		}
		c := trial{moves: []move{{k, to}}}.made(ctx, at, larder)
		if len(onBoard(c)) < len(onBoard(t)) {
			continue
		}
		follow(at, c)
		if rev.Legal() && !live.Fits() { // on a full tray many steps end here, and the whole is not judged for it
			follow(c, at)
			continue
		}
		if now := live.Totals(); now.Score > rev.Score && (now.Legal() || !rev.Legal()) {
			at, rev = c, now
		} else {
			follow(c, at)
		}
	}
	if at == t {
		return nil
	}
	return at
}

// settle walks from a change on: what was changed, and what lies nearest to it, is moved a little until the total has its
// own again. What was changed comes first.
func settle(ctx context.Context, was, t *tray.Tray, larder *food.Larder, f review.Finding) *tray.Tray {
	var who []int
	for i := range t.Elements {
		if (i >= len(was.Elements) || !pack.LiesAlike(&was.Elements[i], &t.Elements[i])) && movable(&t.Elements[i]) {
			who = append(who, i)
		}
	}
	for _, k := range nearestTo(t, f.At, 6) {
		if !slices.Contains(who, k) {
			who = append(who, k)
		}
	}
	if len(who) == 0 {
		return nil
	}
	return climb(ctx, t, larder, who, nil, ofMany(settleSteps, t), seedOf(f, 77))
}
