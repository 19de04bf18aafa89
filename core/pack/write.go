package pack

import (
	"context"
	"slices"

	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// write puts the bodies where they have come to; what is still stuck is lifted. It lists what was.
func (p *solver) write(ctx context.Context) (lifted []string) {
	off := map[int]bool{}
	for { // the one that stands in most goes first: the others may be free then
		worst, most := -1, tolerance
		for i := range p.bodies {
			if !p.stuck(i) {
				continue
			}
			deep := p.inside(&p.bodies[i]).Len()
			p.near(i, false, func(j int) bool {
				if d, _, _, _ := p.overlap(i, j); d > deep {
					deep = d
				}
				return true
			})
			if deep > most {
				worst, most = i, deep
			}
		}
		if worst < 0 {
			break
		}
		p.bodies[worst].gone = true
	}
	p.again(ctx)
	folds := map[int][]int{} // of a trail that are gone
	for i := range p.bodies {
		l := &p.bodies[i]
		e := &p.t.Elements[l.e]
		switch {
		case l.gone && l.piece < 0: // a row in two halves is lifted whole
			off[l.e] = true
		case l.gone:
			folds[l.e] = append(folds[l.e], l.piece)
		case !l.hasMoved():
		case l.part != [2]int{}:
			for n := l.part[0]; n < l.part[1]; n++ {
				q := &e.Pieces[n]
				q.Outline, q.At, q.TurnDeg = l.outlines[n-l.part[0]].Outline.Round(), l.imageOf(q.At).Round(), round.Hundredth(geom.NormalTurn(q.TurnDeg+l.turned))
			}
		case l.piece < 0:
			pose := e.Pose()
			at := l.imageOf(pose.At())
			e.MoveTo(geom.Pose{X: at.X, Y: at.Y, Turn: pose.Turn + l.turned})
		default:
			q := &e.Pieces[l.piece]
			q.Outline, q.At, q.TurnDeg = l.outlines[0].Outline.Round(), l.imageOf(q.At).Round(), round.Hundredth(geom.NormalTurn(q.TurnDeg+l.turned))
		}
	}
	for i := range p.t.Elements {
		e := &p.t.Elements[i]
		if gone := folds[i]; len(gone) > 0 {
			if 3*len(gone) > len(e.Pieces) {
				off[i] = true
			} else {
				p.dropFolds(i, gone)
			}
		}
		if off[i] {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
			lifted = append(lifted, e.ID)
		}
	}
	return lifted
}

// dropFolds takes folds out of a trail; what is taken out is for topping up.
func (p *solver) dropFolds(i int, gone []int) {
	e := &p.t.Elements[i]
	each := e.Grams / float64(max(1, e.Count))
	stay := make([]tray.Piece, 0, len(e.Pieces))
	for n, q := range e.Pieces {
		if !slices.Contains(gone, n) {
			stay = append(stay, q)
		}
	}
	e.Pieces = stay
	e.Count -= len(gone)
	e.Grams = round.Tenth(each * float64(e.Count))
	p.t.Reserve = append(p.t.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Grams: round.Tenth(each * float64(len(gone))), Count: len(gone), Why: NoRoom})
}

// windows are the boxes in which something was moved, before and after.
func (p *solver) windows(was *tray.Tray) (out []geom.Rect) {
	for i := range p.bodies {
		if l := &p.bodies[i]; l.hasMoved() || l.gone {
			if out = append(out, l.box); l.e < len(was.Elements) && len(was.Elements[l.e].Pieces) > 0 {
				out = append(out, BoxOf(was.Elements[l.e].Pieces))
			}
		}
	}
	return out
}
