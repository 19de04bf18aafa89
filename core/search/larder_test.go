package search_test

import (
	"fmt"
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
)

// Every food in each of its forms can be planned and laid legally by itself
// among a few others.
func TestEveryFormLiesLegally(t *testing.T) {
	if testing.Short() {
		t.Skip("the properties of generated briefs cover its paths")
	}
	all := plantest.Larder.All()
	for i, form := range food.Forms() {
		var pick *food.Food
		for k := range all { // another food for each form, so that many are tried
			f := &all[(k+i*17)%len(all)]
			if _, ok := f.Spec(form.ID()); ok {
				pick = f
				break
			}
		}
		foods := []brief.Want{{Food: pick.ID, Form: form.ID()}}
		for _, id := range []string{"soft-white-round", "almonds", "round-crackers", "red-grapes"} {
			if id != pick.ID {
				foods = append(foods, brief.Want{Food: id})
			}
		}
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 7}, Foods: foods})
		res := plantest.Lay(t, tr, search.Options{Seed: 3, Effort: 2})
		if rev := review.Judge(res.Tray, plantest.Larder); !rev.Legal() {
			t.Errorf("%s as %s: %+v", pick.ID, form.ID(), rev.Findings[0])
		}
		placed := false
		for _, e := range res.Tray.Elements {
			placed = placed || e.Food == pick.ID && e.Placed
		}
		if !placed && form.Kind() != food.KindTrail {
			t.Errorf("%s as %s was not laid", pick.ID, form.ID())
		}
	}
}

// A topping lies on a soft cheese before a dip, wholly on it, and waits where
// there is nothing to put it on.
func TestToppingLiesOnWhatItSuits(t *testing.T) {
	tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Foods: []brief.Want{{Food: "soft-white-round"}, {Food: "herb-dip"}, {Food: "almonds"}, {Food: "fig-jam", Form: "topping", Grams: 5}}})
	res := plantest.Lay(t, tr, search.Options{Seed: 1, Effort: 2})
	got := false
	for _, e := range res.Tray.Elements {
		if e.Form != "topping" {
			continue
		}
		got = e.Placed
		for _, p := range e.Pieces {
			c := p.At
			on := ""
			for _, o := range res.Tray.Elements {
				var pts geom.Outline
				for _, q := range o.Pieces {
					pts = append(pts, q.Outline...)
				}
				if o.ID != e.ID && len(pts) > 2 && pts.Hull().Contains(c) && o.Layer < 2 {
					on = o.Food
					if p.ZMM < o.Pieces[0].HeightMM {
						t.Errorf("the jam lies at %v mm inside a cheese of %v", p.ZMM, o.Pieces[0].HeightMM)
					}
				}
			}
			if on != "soft-white-round" {
				t.Errorf("the jam lies on %q", on)
			}
		}
	}
	if !got {
		t.Error("the jam was not laid")
	}
	bare := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 6}, Foods: []brief.Want{{Food: "almonds"}, {Food: "red-grapes"}, {Food: "fig-jam", Form: "topping"}}})
	for _, e := range plantest.Lay(t, bare, search.Options{Seed: 1, Effort: 1}).Tray.Elements {
		if e.Form == "topping" && e.Placed {
			t.Error("jam lies where there is nothing to put it on")
		}
	}
}

// Boards of one's own, bent and with holes, are laid as legally as any.
func TestOwnOutlinesAreLaid(t *testing.T) {
	if testing.Short() {
		t.Skip("the properties of generated briefs cover its paths")
	}
	star := geom.Outline{}
	for i := range 14 {
		star = append(star, geom.Polar([]float64{260, 150}[i%2], float64(i)*360/14))
	}
	wavy := geom.Outline{}
	for i := range 120 {
		wavy = append(wavy, geom.Polar(190+18*math.Sin(float64(i)*3*math.Pi/180*7), float64(i)*3))
	}
	for name, r := range map[string]board.Request{
		"an L":                 {Outline: geom.Outline{{X: 0, Y: 0}, {X: 520, Y: 0}, {X: 520, Y: 200}, {X: 220, Y: 200}, {X: 220, Y: 460}, {X: 0, Y: 460}}},
		"a star":               {Outline: star},
		"a scalloped edge":     {Outline: wavy},
		"a hole in the middle": {Outline: geom.Box(480, 340, 30), Holes: []geom.Outline{geom.Circle(60, 24)}},
		"a bent hole":          {Outline: geom.Box(520, 360, 10).Move(geom.Pt(260, 180)), Holes: []geom.Outline{{{X: 200, Y: 100}, {X: 320, Y: 100}, {X: 320, Y: 130}, {X: 230, Y: 130}, {X: 230, Y: 240}, {X: 200, Y: 240}}}},
	} {
		tr := plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: 7}, Board: &r})
		res := plantest.Lay(t, tr, search.Options{Seed: 2, Effort: 3})
		rev := review.Judge(res.Tray, plantest.Larder)
		if !rev.Legal() {
			t.Errorf("%s: not legal: %+v", name, rev.Findings[0])
		}
		laid := 0
		for _, e := range res.Tray.Elements {
			if e.Placed {
				laid++
			}
			for _, p := range e.Pieces {
				for _, h := range tr.Board.Keepouts {
					if e.Kind() != food.KindGarnish && h.Contains(p.At) {
						t.Errorf("%s: %s lies over a hole", name, e.ID)
					}
				}
			}
		}
		if share := float64(laid) / float64(len(res.Tray.Elements)); share < .6 {
			t.Errorf("%s: only %s laid", name, fmt.Sprintf("%d of %d", laid, len(res.Tray.Elements)))
		}
	}
}
