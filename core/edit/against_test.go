package edit

import (
	"context"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/say"
	"happytray/core/tray"
)

// gapTo is how far apart two elements lie, mm.
func gapTo(a, b *tray.Element) float64 {
	best := 1e9
	for i := range a.Pieces {
		for k := range b.Pieces {
			p, q := geom.NewBody(a.Pieces[i].Outline), geom.NewBody(b.Pieces[k].Outline)
			best = min(best, geom.Gap(&p, &q, 1e9))
		}
	}
	return best
}

// What is leaned comes to lie against its neighbour, higher where it laps over it, and nothing is lost or where it may not be.
func TestLean(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	row := tr.Find(pick(tr, kind(food.KindRow)))
	moved := tr.Clone()
	e := &moved.Elements[row]
	// nothing but a bowl beside it, some way off
	cup := moved.Find(pick(tr, bowl))
	for i := range moved.Elements {
		if i != row && i != cup {
			moved.Elements[i].Placed, moved.Elements[i].Pieces = false, nil
		}
	}
	c := moved.Board.FoodZone.Bounds().Centre()
	e.MoveTo(geom.Pose{X: c.X, Y: c.Y - 60, Turn: 0})
	moved.Elements[cup].MoveTo(geom.Pose{X: c.X, Y: c.Y + 50, Turn: 0})
	before := gapTo(e, &moved.Elements[cup])
	if before < 5 || before > leansFrom {
		t.Fatalf("the row lies %.0f mm from the bowl", before)
	}
	r, err := Apply(context.Background(), moved, plantest.Larder, Command{Kind: Lean, IDs: []string{e.ID}})
	if err != nil {
		t.Fatal(err)
	}
	if gap := gapTo(&r.Tray.Elements[row], &r.Tray.Elements[cup]); gap > .3 {
		t.Errorf("leaned, the row lies %.1f mm from the bowl (%.1f before)", gap, before)
	}
	if !pack.Legal(r.Tray, plantest.Larder) {
		t.Error("leaned, something lies where it may not")
	}
	if r.Says != "leaned the "+nameOf(t, e.Food)+" on its neighbour" {
		t.Error(r.Says)
	}
	// pressed again it stays where it leans, rather than shoving what it leans on
	again, err := Apply(context.Background(), r.Tray, plantest.Larder, Command{Kind: Lean, IDs: []string{e.ID}})
	if err != nil || len(again.Moved) > 0 || again.Tray.Elements[row].Pose() != r.Tray.Elements[row].Pose() {
		t.Errorf("leaned twice: %v, %+v", err, again.Moved)
	} else if again.Says != "the "+nameOf(t, e.Food)+" leans on its neighbour already" {
		t.Error(again.Says)
	}
	r.Tray.Elements[cup].Placed, r.Tray.Elements[cup].Pieces = false, nil
	if _, err := Apply(context.Background(), r.Tray, plantest.Larder, Command{Kind: Lean, IDs: []string{e.ID}}); err == nil {
		t.Error("it leans on nothing")
	}
}

func nameOf(t *testing.T, id string) string {
	t.Helper()
	return say.Lower(mustFood(t, id).Name)
}

// Round a bowl that stands bare small food of the reserve is laid: only there, its grams out of the reserve, its heap the same.
func TestHideFoot(t *testing.T) {
	tr := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 10}, Month: 9, Foods: []brief.Want{{Food: "honey"}, {Food: "blueberries", Grams: 300}, {Food: "orange-block", Grams: 200}, {Food: "round-crackers", Grams: 60}}}).Trays[0]
	cup, berries := tr.Find(pick(tr, bowl)), -1
	for i := range tr.Elements {
		if tr.Elements[i].Food == "blueberries" && tr.Elements[i].Placed {
			berries = i
		}
	}
	if berries < 0 {
		t.Fatal("no blueberries lie there")
	}
	// half of the berries wait, and nothing lies near the bowl
	at := tr.Elements[cup].Pieces[0].Outline
	e := &tr.Elements[berries]
	var stay []tray.Piece
	for _, p := range e.Pieces {
		if at.EdgeDistance(p.At) > 45 && len(stay) < 20 {
			stay = append(stay, p)
		}
	}
	if len(stay) < 3 {
		t.Skip("all berries lie round the bowl")
	}
	spec, _ := mustFood(t, "blueberries").Spec(e.Form)
	gone := len(e.Pieces) - len(stay)
	e.Pieces, e.Count = stay, len(stay)
	e.Grams -= float64(gone) * spec.MassG
	pack.Recentre(e)
	tr.Reserve = append(tr.Reserve, tray.Reserve{Food: "blueberries", Form: e.Form, Grams: float64(gone+40) * spec.MassG, Count: gone + 40})
	for i := range tr.Elements {
		if i != cup && i != berries {
			tr.Elements[i].Placed, tr.Elements[i].Pieces = false, nil
		}
	}
	had := tr.GramsOf("blueberries")
	r, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: HideFoot, IDs: []string{tr.Elements[cup].ID}})
	if err != nil {
		t.Fatal(err)
	}
	now := &r.Tray.Elements[berries]
	if len(now.Pieces) < len(stay)+6 {
		t.Errorf("%d berries came round the bowl", len(now.Pieces)-len(stay))
	}
	for _, p := range now.Pieces[len(stay):] {
		if d := at.EdgeDistance(p.At); d > 34 {
			t.Errorf("a berry lies %.0f mm from the bowl", d)
		}
	}
	if g := r.Tray.GramsOf("blueberries"); g < had-.5 || g > had+.5 {
		t.Errorf("%.1f g of berries are %.1f", had, g)
	}
	if !pack.Legal(r.Tray, plantest.Larder) {
		t.Error("something lies where it may not")
	}
}

func mustFood(t *testing.T, id string) *food.Food {
	t.Helper()
	f, ok := plantest.Larder.Get(id)
	if !ok {
		t.Fatal("no", id)
	}
	return f
}
