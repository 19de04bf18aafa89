package repair

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/search"
	"happytray/core/tray"
)

// anew lays all loose food anew round what stands, several times from other beginnings.
func anew(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	for n := range ofMany(anewTries, t) {
		out = append(out, candidate{"laid the loose food anew round what stands", func(ctx context.Context) *tray.Tray {
			return search.LayAnew(ctx, t, larder, func(int) bool { return true }, nil, seedOf(f, n))
		}})
	}
	return out
}

// nearby exchanges a loose heap of the finding, or the one that lies nearest to it, with another, and
// lays what lies round both anew.
func nearby(t *tray.Tray, larder *food.Larder, f review.Finding, partner *partners) (out []candidate) {
	var mine []int
	for _, id := range f.Elements {
		if k := t.Find(id); k >= 0 && movable(&t.Elements[k]) && t.Elements[k].Kind() == food.KindLoose {
			mine = append(mine, k)
		}
	}
	if len(mine) == 0 {
		for _, k := range nearestTo(t, f.At, 8) {
			if t.Elements[k].Kind() == food.KindLoose {
				mine = append(mine, k)
				break
			}
		}
	}
	for _, a := range mine[:min(2, len(mine))] {
		with := partner.of(a, nearTries)
		for n := range min(len(with), nearTries) {
			b := with[n]
			near := [2]geom.Rect{pack.BoxOf(t.Elements[a].Pieces).Grow(10), pack.BoxOf(t.Elements[b].Pieces).Grow(10)}
			begin := map[int]geom.Point{}
			for i := range t.Elements {
				begin[i] = t.Elements[i].Pose().At()
			}
			begin[a], begin[b] = begin[b], begin[a]
			says := "exchanged the " + nameOf(t, larder, a) + " and the " + nameOf(t, larder, b) + ", and laid what lies round them anew"
			out = append(out, candidate{says, func(ctx context.Context) *tray.Tray {
				return search.LayAnew(ctx, t, larder, func(i int) bool {
					box := pack.BoxOf(t.Elements[i].Pieces)
					return box.Meets(near[0]) || box.Meets(near[1])
				}, begin, seedOf(f, n))
			}})
		}
	}
	return out[:min(len(out), ofMany(nearTries, t))]
}

// otherwise are the checks that another form helps with.
var otherwise = []string{"service.started", "service.cutroom", "spread.size", "spread.kind", "flow.follow", "care.roll", "fit.overlap"}

// reforms gives what the finding is about other forms that its food can take, and lays the loose
// food round them anew.
func reforms(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	if !slices.Contains(otherwise, f.Check) {
		return nil
	}
	for _, id := range f.Elements {
		k := t.Find(id)
		if k < 0 || !movable(&t.Elements[k]) || t.Elements[k].Vessel != "" {
			continue
		}
		fd, ok := larder.Get(t.Elements[k].Food)
		if !ok {
			continue
		}
		for _, s := range fd.Ways() {
			if s.Form == t.Elements[k].Form || !pack.Takes(s.Form) || food.Has(s.Form, food.AsItComes) || len(out) == formTries {
				continue
			}
			says := "laid the " + nameOf(t, larder, k) + " another way, " + food.FormByID(s.Form).Says()
			out = append(out, candidate{says, func(ctx context.Context) *tray.Tray {
				e, err := pack.Reform(t, larder, id, s.Form)
				if err != nil || !e.Placed {
					return nil
				}
				c := t.Clone()
				c.Elements[k] = e
				near := pack.BoxOf(e.Pieces).Union(pack.BoxOf(t.Elements[k].Pieces)).Grow(10)
				return search.LayAnew(ctx, c, larder, func(i int) bool { return i != k && pack.BoxOf(c.Elements[i].Pieces).Meets(near) }, nil, seedOf(f, k))
			}})
		}
	}
	return out
}

// seedOf is another beginning for each finding and try.
func seedOf(f review.Finding, n int) uint64 {
	return food.Seed(f.Check, strings.Join(f.Elements, " ")) ^ uint64(n)*0x9e3779b97f4a7c15
}

// farther are the checks that some of a food elsewhere helps with.
var farther = []string{"service.reach", "colour.spread", "colour.repeat", "spread.category", "pairs.near"}

// fewestApart is how many pieces a heap or a row has so that half of it is one still.
const fewestApart = 6

// halved parts heaps and rows of the finding in two, and lays the other half across the tray, or by
// what it goes well with.
func halved(t *tray.Tray, larder *food.Larder, f review.Finding) (out []candidate) {
	if !slices.Contains(farther, f.Check) {
		return nil
	}
	centre := t.Board.FoodZone.Centroid()
	for n, id := range f.Elements {
		k := t.Find(id)
		if k < 0 || !movable(&t.Elements[k]) || t.Elements[k].Vessel != "" || t.Elements[k].Count < fewestApart {
			continue
		}
		loose := t.Elements[k].Kind() == food.KindLoose
		if !loose && t.Elements[k].Kind() != food.KindRow {
			continue
		}
		to := centre.Mul(2).Sub(t.Elements[k].Pose().At())
		if f.Check == "pairs.near" && len(f.Elements) > 1 {
			if o := t.Find(f.Elements[1-min(n, 1)]); o >= 0 {
				to = t.Elements[o].Pose().At()
			}
		}
		out = append(out, candidate{"parted the " + nameOf(t, larder, k) + ", half of it across the tray", func(ctx context.Context) *tray.Tray {
			c, half := halve(t, larder, k)
			if half < 0 {
				return nil
			}
			begin := map[int]geom.Point{}
			for i := range c.Elements {
				begin[i] = c.Elements[i].Pose().At()
			}
			begin[half] = to
			if !loose {
				begin = nil
			}
			return search.LayAnew(ctx, c, larder, func(int) bool { return true }, begin, seedOf(f, n))
		}})
	}
	return out[:min(len(out), ofMany(halveTries, t))]
}

// halve makes two elements of one, each with about half of its pieces, both waiting to be laid; the
// number of the new one, or -1 where the tray has no room for one more.
func halve(t *tray.Tray, larder *food.Larder, k int) (*tray.Tray, int) {
	fd, ok := larder.Get(t.Elements[k].Food)
	if !ok || len(t.Elements) >= tray.MaxElements {
		return nil, -1
	}
	spec, ok := fd.Spec(t.Elements[k].Form)
	if !ok {
		return nil, -1
	}
	c := t.Clone()
	half := c.Elements[k]
	half.Count /= 2
	half.Grams = round.Tenth(spec.MassG * float64(half.Count))
	for n := 2; c.Find(half.ID) >= 0; n++ {
		half.ID = fmt.Sprintf("%s-%d", half.Food, n)
	}
	e := &c.Elements[k]
	e.Count -= half.Count
	e.Grams = round.Tenth(e.Grams - half.Grams)
	e.Placed, e.Pieces, e.Path = false, nil, nil
	half.Placed, half.Pieces, half.Path = false, nil, nil
	c.Elements = append(c.Elements, half)
	return c, len(c.Elements) - 1
}

// standing exchanges what stands, of the finding, with others of about its size, where nothing else
// that stands is in their way, and lays the loose food anew.
func standing(t *tray.Tray, larder *food.Larder, f review.Finding, with *partners) (out []candidate) {
	bare := t.Clone()
	for i := range bare.Elements {
		if e := &bare.Elements[i]; e.Kind() == food.KindLoose || e.Kind() == food.KindGarnish {
			e.Placed, e.Pieces = false, nil
		}
	}
	live := review.NewLive(bare, larder)
	seen := map[[2]int]bool{}
	for _, id := range f.Elements {
		k := t.Find(id)
		if k < 0 || !movable(&t.Elements[k]) || t.Elements[k].Kind() == food.KindLoose {
			continue
		}
		for _, o := range with.of(k, 40) {
			if seen[[2]int{o, k}] || len(out) == ofMany(standTries, t) {
				continue
			}
			seen[[2]int{k, o}] = true
			a, b := t.Elements[k].Pose(), t.Elements[o].Pose()
			for _, to := range [2][2]geom.Pose{{{X: b.X, Y: b.Y, Turn: a.Turn}, {X: a.X, Y: a.Y, Turn: b.Turn}}, {{X: b.X, Y: b.Y, Turn: b.Turn}, {X: a.X, Y: a.Y, Turn: a.Turn}}} {
				live.Move(k, to[0])
				live.Move(o, to[1])
				fits := live.Fits()
				live.Set(k, bare.Elements[k])
				live.Set(o, bare.Elements[o])
				if !fits {
					continue
				}
				says := "exchanged the " + nameOf(t, larder, k) + " and the " + nameOf(t, larder, o)
				out = append(out, candidate{says, func(ctx context.Context) *tray.Tray {
					c := t.Clone()
					c.Elements[k].MoveTo(to[0])
					c.Elements[o].MoveTo(to[1])
					begin := map[int]geom.Point{}
					for i := range c.Elements {
						begin[i] = c.Elements[i].Pose().At()
					}
					return search.LayAnew(ctx, c, larder, func(int) bool { return true }, begin, seedOf(f, k))
				}})
				break
			}
		}
	}
	return out
}
