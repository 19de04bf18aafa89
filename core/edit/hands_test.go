package edit

import (
	"context"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/tray"
)

func pick(t *tray.Tray, want func(e *tray.Element) bool) string {
	for i := range t.Elements {
		if e := &t.Elements[i]; e.Placed && len(e.Pieces) > 0 && want(e) {
			return e.ID
		}
	}
	return ""
}

func at(t *tray.Tray, id string) *tray.Element { return &t.Elements[t.Find(id)] }

func kind(k food.Kind) func(e *tray.Element) bool {
	return func(e *tray.Element) bool { return e.Vessel == "" && e.Kind() == k && len(e.Pieces) > 3 }
}
func bowl(e *tray.Element) bool { return e.Vessel != "" }

// Whatever a hand does, the rest makes room: the tray fits afterwards, no gram is lost, what is locked stays, and
// the tray that was given is left as it was.
func TestEveryActLeavesATrayThatFits(t *testing.T) {
	larger := board.Vessel{ID: "large", Name: "Large bowl", DiameterMM: 112, HeightMM: 50, CapacityML: 400, Colour: "#445566", Material: "ceramic"}
	r := rand.New(rand.NewPCG(3, 9))
	for _, guests := range []int{8, 15, 24} {
		if testing.Short() && guests > 8 {
			break
		}
		tr := plantest.Lay(t, plantest.Planned(t, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6, Occasion: "grazing"}), search.Options{Seed: uint64(guests), Effort: 5}).Tray
		loose, row, trail, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, kind(food.KindTrail)), pick(tr, bowl)
		locked := pick(tr, func(e *tray.Element) bool { return e.Vessel != "" && e.ID != cup })
		if locked != "" {
			at(tr, locked).Locked = true
		}
		whole := pick(tr, func(e *tray.Element) bool { return e.Form == "cut-round" })
		acts := []Command{
			{Kind: Swap, IDs: []string{cup, row}}, {Kind: Swap, IDs: []string{loose, cup}},
			{Kind: Pile, IDs: []string{loose}}, {Kind: Lean, IDs: []string{row}}, {Kind: Split, IDs: []string{loose}}, {Kind: Split, IDs: []string{row}}, {Kind: Split, IDs: []string{trail}},
			{Kind: Duplicate, IDs: []string{loose}}, {Kind: Duplicate, IDs: []string{cup}}, {Kind: Duplicate, IDs: []string{whole}},
			{Kind: Amount, IDs: []string{loose}, Count: 3}, {Kind: Amount, IDs: []string{row}, Count: 3}, {Kind: Amount, IDs: []string{trail}, Count: 3},
			{Kind: Amount, IDs: []string{row}, Count: len(at(tr, row).Pieces) + 2}, {Kind: Amount, IDs: []string{loose}, Count: len(at(tr, loose).Pieces) + 6},
			{Kind: Vessel, IDs: []string{cup}, Vessel: &larger}, {Kind: Lift, IDs: []string{cup}, LiftMM: 25},
			{Kind: Open, IDs: []string{row}, Open: 1.4}, {Kind: Open, IDs: []string{row}, Open: .8},
		}
		box := tr.Board.FoodZone.Bounds()
		for range 2 {
			line := []geom.Point{}
			for k := range 6 {
				line = append(line, geom.Pt(box.Min.X+box.W()*(.15+.14*float64(k)), box.Min.Y+box.H()*(.2+.6*r.Float64())))
			}
			acts = append(acts, Command{Kind: Bend, IDs: []string{trail}, Path: line})
		}
		given := tr.Clone()
		for _, a := range acts {
			if slices.Contains(a.IDs, "") {
				continue
			}
			room, err := Apply(context.Background(), tr, plantest.Larder, a)
			if err != nil {
				if !strings.Contains(err.Error(), "ml") { // a bowl that is too small says so
					t.Errorf("%d guests, %s %s: %v", guests, a.Kind, a.IDs[0], err)
				}
				continue
			}
			if rev := review.Judge(room.Tray, plantest.Larder); !rev.Legal() {
				t.Errorf("%d guests, %s %s: not legal: %v", guests, a.Kind, a.IDs[0], rev.Findings[0])
			}
			plantest.OneOnTheOther(t, string(a.Kind), room.Tray)
			f := at(tr, a.IDs[0]).Food
			was, now := tr.GramsOf(f), room.Tray.GramsOf(f)
			adds := a.Kind == Duplicate || a.Kind == Amount || a.Kind == Bend
			if now < was-.2 || !adds && math.Abs(now-was) > .2 {
				t.Errorf("%d guests, %s %s: %.1f g of %.1f", guests, a.Kind, a.IDs[0], now, was)
			}
			if locked != "" && !pack.LiesAlike(at(tr, locked), at(room.Tray, locked)) {
				t.Errorf("%s %s: what is locked moved", a.Kind, a.IDs[0])
			}
			if !reflect.DeepEqual(tr, given) {
				t.Fatalf("%s %s changed the tray that was given", a.Kind, a.IDs[0])
			}
		}
	}
}

// What an act is meant to do, it does.
func TestActsDoWhatTheySay(t *testing.T) {
	tr := plantest.LaidFor(t, 14)
	ctx := context.Background()
	do := func(a Command) *tray.Tray {
		t.Helper()
		room, err := Apply(ctx, tr, plantest.Larder, a)
		if err != nil {
			t.Fatalf("%s: %v", a.Kind, err)
		}
		return room.Tray
	}
	loose, row, trail, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, kind(food.KindTrail)), pick(tr, bowl)
	now := do(Command{Kind: Swap, IDs: []string{cup, row}})
	if d := pack.BoxOf(at(now, cup).Pieces).Centre().Dist(pack.BoxOf(at(tr, row).Pieces).Centre()); d > 25 {
		t.Errorf("the bowl lies %.0f mm from where the row lay", d)
	}
	n := len(at(tr, loose).Pieces)
	now = do(Command{Kind: Split, IDs: []string{loose}})
	half := now.Elements[len(now.Elements)-1]
	if half.Food != at(tr, loose).Food || half.Count+at(now, loose).Count != n || half.Count < n/2 {
		t.Errorf("%d pieces split into %d and %d", n, at(now, loose).Count, half.Count)
	}
	back, err := Apply(ctx, now, plantest.Larder, Command{Kind: Join, IDs: []string{loose, half.ID}})
	if err != nil || at(back.Tray, loose).Count != n || back.Tray.Find(half.ID) >= 0 {
		t.Errorf("joined again: %v", err)
	}
	now = do(Command{Kind: Pile, IDs: []string{loose}})
	wasWide, isWide, up := pack.BoxOf(at(tr, loose).Pieces), pack.BoxOf(at(now, loose).Pieces), 0
	for _, p := range at(now, loose).Pieces {
		if p.ZMM > .5*p.HeightMM {
			up++
		}
	}
	if len(at(now, loose).Pieces) != n || up < n/4 || isWide.W()*isWide.H() > wasWide.W()*wasWide.H() {
		t.Errorf("%d of %d pieces lie upon others, on %.0f by %.0f mm of %.0f by %.0f", up, n, isWide.W(), isWide.H(), wasWide.W(), wasWide.H())
	}
	now = do(Command{Kind: Amount, IDs: []string{row}, Count: 3})
	held := 0
	for _, r := range now.Reserve {
		if r.Food == at(tr, row).Food {
			held += r.Count
		}
	}
	if at(now, row).Count != 3 || held < len(at(tr, row).Pieces)-3 {
		t.Errorf("%d lie, %d in reserve of %d", at(now, row).Count, held, len(at(tr, row).Pieces))
	}
	again, err := Apply(ctx, now, plantest.Larder, Command{Kind: Amount, IDs: []string{row}, Count: 5})
	if err != nil || at(again.Tray, row).Count != 5 || math.Abs(again.Tray.GramsOf(at(tr, row).Food)-tr.GramsOf(at(tr, row).Food)) > .3 {
		t.Errorf("two more from reserve: %v", err)
	}
	now = do(Command{Kind: Lift, IDs: []string{cup}, LiftMM: 30})
	if z := at(now, cup).Pieces[0].ZMM; z != 30 {
		t.Errorf("it stands %v mm high", z)
	}
	if k := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Placed && e.Vessel == "" && e.Kind() == food.KindAnchor }); k >= 0 {
		id := tr.Elements[k].ID
		if now = do(Command{Kind: Lift, IDs: []string{id}, LiftMM: 60}); at(now, id).RaisedMM() != 60 {
			t.Errorf("the %s stands %v mm high", id, at(now, id).RaisedMM())
		}
	} else {
		t.Error("no cheese stands on it")
	}
	wide := pack.BoxOf(at(tr, row).Pieces)
	now = do(Command{Kind: Open, IDs: []string{row}, Open: 1.5})
	if box := pack.BoxOf(at(now, row).Pieces); math.Hypot(box.W(), box.H()) < 1.1*math.Hypot(wide.W(), wide.H()) {
		t.Errorf("opened it is %v, was %v", box, wide)
	}
	zone := tr.Board.FoodZone.Bounds()
	line := []geom.Point{geom.Pt(zone.Min.X+110, zone.Min.Y+110), geom.Pt(zone.Centre().X, zone.Max.Y-110), geom.Pt(zone.Max.X-110, zone.Min.Y+110)}
	now = do(Command{Kind: Bend, IDs: []string{trail}, Path: line})
	first := at(now, trail).Pieces[0].At
	if first.Dist(line[0]) > 60 {
		t.Errorf("it begins at %v, the line at %v", first, line[0])
	}
}

func TestActsThatCannotBeDone(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	loose, row, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, bowl)
	tiny := board.Vessel{ID: "tiny", Name: "Tiny", DiameterMM: 30, HeightMM: 20, CapacityML: 2, Colour: "#445566", Material: "ceramic"}
	for _, a := range []Command{
		{}, {Kind: "fly", IDs: []string{cup}}, {Kind: Swap, IDs: []string{"no-such", cup}}, {Kind: Swap, IDs: []string{cup}}, {Kind: Swap, IDs: []string{cup, cup}},
		{Kind: Join, IDs: []string{cup, row}}, {Kind: Split, IDs: []string{cup}}, {Kind: Amount, IDs: []string{row}}, {Kind: Amount, IDs: []string{row}, Count: 1 << 40},
		{Kind: Amount, IDs: []string{cup}, Count: 3000}, {Kind: Vessel, IDs: []string{cup}}, {Kind: Vessel, IDs: []string{row}, Vessel: &tiny}, {Kind: Vessel, IDs: []string{cup}, Vessel: &tiny},
		{Kind: Lift, IDs: []string{row}, LiftMM: 20}, {Kind: Lift, IDs: []string{cup}, LiftMM: -1}, {Kind: Lift, IDs: []string{cup}, LiftMM: math.NaN()}, {Kind: Lift, IDs: []string{cup}, LiftMM: 900},
		{Kind: Circle, IDs: []string{cup}, Deg: math.Inf(1)}, {Kind: Open, IDs: []string{row}, Open: 0}, {Kind: Open, IDs: []string{loose}, Open: 1.2}, {Kind: Open, IDs: []string{row}, Open: math.NaN()},
		{Kind: Pile, IDs: []string{row}}, {Kind: Pile, IDs: []string{cup}}, {Kind: Lean, IDs: []string{cup}}, {Kind: HideFoot, IDs: []string{row}}, {Kind: HideFoot, IDs: []string{loose}}, {Kind: Bend, IDs: []string{row}}, {Kind: Bend, IDs: []string{pick(tr, kind(food.KindTrail))}, Path: []geom.Point{{X: math.NaN()}, {X: 1}}},
		{Kind: Bend, IDs: []string{pick(tr, kind(food.KindTrail))}, Path: []geom.Point{{X: 10, Y: 10}, {X: 11, Y: 10}}},
	} {
		if room, err := Apply(context.Background(), tr, plantest.Larder, a); err == nil {
			t.Errorf("%+v was done, %d moved", a, len(room.Moved))
		} else if len(err.Error()) < 15 {
			t.Errorf("%+v: %v", a, err)
		}
	}
}

// What is locked is not changed by a hand, but it may be duplicated; and no act makes more pieces than a tray is worked
// with quickly.
func TestActsKeepTheirBounds(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	loose, row, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, bowl)
	for _, id := range []string{loose, row} {
		if _, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: Amount, IDs: []string{id}, Count: 2000}); err == nil || !strings.Contains(err.Error(), "pieces") {
			t.Errorf("%s: 2,000 pieces: %v", id, err)
		}
	}
	for _, a := range []Command{{Kind: Split, IDs: []string{row}}, {Kind: Amount, IDs: []string{row}, Count: 3}, {Kind: Circle, IDs: []string{row}, Deg: 20}, {Kind: Open, IDs: []string{row}, Open: 1.2}, {Kind: Lift, IDs: []string{cup}, LiftMM: 20}} {
		at(tr, a.IDs[0]).Locked = true
		if _, err := Apply(context.Background(), tr, plantest.Larder, a); err == nil || !strings.Contains(err.Error(), "locked") {
			t.Errorf("%s of what is locked: %v", a.Kind, err)
		}
	}
	if _, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: Swap, IDs: []string{loose, cup}}); err == nil || !strings.Contains(err.Error(), "locked") {
		t.Errorf("swapped with what is locked: %v", err)
	}
	if _, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: Duplicate, IDs: []string{row}}); err != nil {
		t.Errorf("a second one of what is locked: %v", err)
	}
}

// The next vessel is a larger one that holds what stands there, and after the largest the smallest that does.
func TestNextVessel(t *testing.T) {
	tr := plantest.LaidFor(t, 10)
	cup := pick(tr, bowl)
	vessels := board.BuiltInCabinet().Vessels()
	seen := map[string]bool{}
	for range vessels {
		v, err := NextVessel(tr, plantest.Larder, cup, vessels)
		if err != nil {
			t.Fatal(err)
		}
		if v.ID == at(tr, cup).Vessel {
			t.Fatal("it stays where it is")
		}
		room, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: Vessel, IDs: []string{cup}, Vessel: v})
		if err != nil {
			t.Fatalf("%s is offered and does not hold it: %v", v.Name, err)
		}
		seen[v.ID] = true
		tr = room.Tray
	}
	if len(seen) < 3 {
		t.Errorf("only %v", seen)
	}
	if _, err := NextVessel(tr, plantest.Larder, pick(tr, kind(food.KindRow)), vessels); err == nil {
		t.Error("a vessel for a row")
	}
	if _, err := NextVessel(tr, plantest.Larder, cup, nil); err == nil {
		t.Error("no vessels")
	}
}
