package tool

import (
	"fmt"
	"math"
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

// Each bowl that wants a tool has its own in it, what is cut a knife beside it or on it, heaps of a kind one; tools are as large as they
// are and hardly cross.
func TestWhereToolsLie(t *testing.T) {
	crossed, all := 0, 0
	for _, b := range []brief.Brief{{Guests: brief.Guests{Adults: 6}, Month: 3}, {Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 6}, {Guests: brief.Guests{Adults: 20}, Month: 10, Choice: 3}} {
		tr := plantest.Laid(t, b).Trays[0]
		placed := On(tr, larder)
		if len(placed) < 3 {
			t.Fatalf("%d tools for %d", len(placed), b.Guests.Adults)
		}
		for i, p := range placed {
			all++
			size := SizeOf(p.Name)
			if a, want := p.Outline.Area(), size.Long*size.Wide; math.Abs(a-want) > .02*want {
				t.Errorf("the %s is %.0f mm2, not %.0f", p.Name, a, want)
			}
			at := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.ID == p.Elements[0] })
			if at < 0 || !tr.Elements[at].Placed {
				t.Fatalf("the %s is for %s", p.Name, p.Elements[0])
			}
			e := &tr.Elements[at]
			tip := geom.Pt(p.X, p.Y)
			if v, bowl := tr.Vessel(e.Vessel); bowl {
				if box := v.Footprint().Bounds(); tip.Dist(e.Pose().At()) > math.Max(box.W(), box.H())/2 {
					t.Errorf("the %s for %s lies beside its bowl", p.Name, e.Food)
				}
			} else {
				near := math.Inf(1)
				for k := range e.Pieces {
					o := e.Pieces[k].Outline
					for n := range 21 {
						q := tip.Add(geom.Polar(size.Long*float64(n)/20, p.TurnDeg))
						if o.Contains(q) {
							near = 0
						}
						near = math.Min(near, o.EdgeDistance(q))
					}
				}
				if near > 70 {
					t.Errorf("the %s for %s lies %.0f mm from it", p.Name, e.Food, near)
				}
			}
			for _, o := range placed[:i] {
				for n := range 9 {
					if segment(geom.Pt(p.X, p.Y).Add(geom.Polar(size.Long*float64(n)/8, p.TurnDeg)), handle{pose{geom.Pt(o.X, o.Y), o.TurnDeg, 0}, SizeOf(o.Name)}) < 8 {
						crossed++
						break
					}
				}
			}
		}
		if again := On(tr, larder); fmt.Sprint(again) != fmt.Sprint(placed) {
			t.Error("asked again they lie elsewhere")
		}
	}
	if crossed*8 > all {
		t.Errorf("of %d tools %d cross another", all, crossed)
	}
}

func TestWhoSharesATool(t *testing.T) {
	el := func(id, of, form, vessel string, grams float64) tray.Element {
		return tray.Element{ID: id, Food: of, Form: form, Vessel: vessel, Grams: grams}
	}
	tr := &tray.Tray{Elements: []tray.Element{
		el("a", "air-dried-ham", "trail", "", 80), el("b", "smoked-ham", "trail", "", 120), el("c", "honey", "bowl", "v1", 60), el("d", "fig-jam", "bowl", "v2", 60),
		el("e", "orange-block", "tumble", "", 100), el("f", "green-olives", "skewer", "", 50), el("g", "soft-white-round", "whole", "", 200),
	}}
	names := map[string]string{}
	for _, n := range Needs(tr, larder) {
		for _, e := range n.Elements {
			names[e.ID] = n.Name
		}
	}
	if names["a"] != "tongs" || names["b"] != "tongs" || names["c"] != "dipper" || names["d"] == "" || names["e"] != Picks || names["g"] == "" || names["g"] == Picks {
		t.Errorf("%v", names)
	}
	if _, own := names["f"]; own {
		t.Error("what is on picks wants a tool")
	}
	count := func() (n int) {
		for _, need := range Needs(tr, larder) {
			if need.Name == "tongs" {
				n++
				if need.Elements[0].ID != "b" && len(need.Elements) == 2 {
					t.Error("the largest is not the first")
				}
			}
		}
		return n
	}
	if count() != 1 {
		t.Errorf("%d tongs for two heaps of meat", count())
	}
	tr.Brief.Rules = &brief.Rules{Tools: "each"}
	if count() != 2 {
		t.Errorf("%d tongs where each has its own", count())
	}
	if On(tr, larder) != nil {
		t.Error("tools lie on no board")
	}
}

func BenchmarkOn(b *testing.B) {
	tr := plantest.Laid(b, brief.Brief{Guests: brief.Guests{Adults: 20}, Occasion: "grazing", Month: 6}).Trays[0]
	for b.Loop() {
		On(tr, larder)
	}
}
