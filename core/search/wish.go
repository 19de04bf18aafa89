package search

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/say"
	"happytray/core/tray"
)

// missing is the board area, mm2, that what a layout leaves out would take.
func missing(unfit []Unfit) (mm2 float64) {
	for _, u := range unfit {
		mm2 += u.AreaCM2 * 100
	}
	return mm2
}

// crumbs is the share of the board below which nobody misses what was left out.
const crumbs = .012

// WouldFit answers a wish that a board cannot take: the least changes with which
// everything is laid, each tried before it is told. The smallest bowl that makes the
// room when it stands beside the board, and by how much the board would have to be
// larger. It is empty when hardly anything is missing, and says so when nothing helps.
func WouldFit(ctx context.Context, t *tray.Tray, larder *food.Larder, unfit []Unfit) []say.Text {
	if t.Board == nil || missing(unfit) < crumbs*t.Board.UsableMM2() {
		return nil
	}
	whole := pack.TakeBack(t, larder)
	for i := range whole.Elements {
		if e := &whole.Elements[i]; !e.Locked {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		}
	}
	works := func(c *tray.Tray) bool {
		res, err := Lay(ctx, c, larder, Options{Effort: 3, Seed: t.Seed})
		return err == nil && ctx.Err() == nil && missing(res.Unfit) < crumbs*c.Board.UsableMM2()
	}
	var out []say.Text
	for _, k := range bowlsBySize(whole, missing(unfit)) {
		c := whole.Clone()
		e := c.Elements[k]
		c.Elements = slices.Delete(c.Elements, k, k+1)
		if works(c) {
			f, _ := larder.Get(e.Food)
			out = append(out, say.That("fits.without", say.Food(f.Name)))
			break
		}
	}
	for _, k := range []float64{1.04, 1.08, 1.13, 1.2, 1.3, 1.45, 1.7} {
		if whole.Board.UsableMM2()*(k*k-1) < .4*missing(unfit) {
			continue
		}
		c := whole.Clone()
		larger := scaled(*whole.Board, k)
		c.Board = &larger
		if works(c) {
			box := larger.Outline.Bounds()
			out = append(out, say.That("fits.larger", say.Size(box.W(), box.H()), say.Percent(100*(k*k-1))))
			break
		}
		if ctx.Err() != nil {
			break
		}
	}
	if len(out) == 0 && ctx.Err() == nil {
		out = append(out, say.That("fits.never"))
	}
	return out
}

// bowlsBySize lists the bowls that take about as much room as is missing, or more, the
// smallest first, and at most three.
func bowlsBySize(t *tray.Tray, need float64) (out []int) {
	area := func(i int) float64 {
		if v, ok := t.Vessel(t.Elements[i].Vessel); ok && !t.Elements[i].Locked {
			return v.Footprint().Area()
		}
		return 0
	}
	for i := range t.Elements {
		if a := area(i); a > .7*need {
			out = append(out, i)
		}
	}
	slices.SortStableFunc(out, func(a, b int) int { return cmp.Compare(area(a), area(b)) })
	return out[:min(3, len(out))]
}

// scaled is a board k times as long and as wide.
func scaled(b board.Board, k float64) board.Board {
	origin := b.Outline.Bounds().Min
	grow := func(o geom.Outline) geom.Outline {
		out := make(geom.Outline, len(o))
		for i, p := range o {
			out[i] = origin.Add(p.Sub(origin).Mul(k)).Round()
		}
		return out
	}
	all := func(os []geom.Outline) []geom.Outline {
		out := make([]geom.Outline, len(os))
		for i, o := range os {
			out[i] = grow(o)
		}
		return out
	}
	b.Outline, b.FoodZone, b.Keepouts, b.Wells = grow(b.Outline), grow(b.FoodZone), all(b.Keepouts), all(b.Wells)
	b.Name = fmt.Sprintf("%s, %.0f %% larger", b.Name, math.Round(100*(k*k-1)))
	return b
}
