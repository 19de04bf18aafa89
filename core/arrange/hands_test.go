package arrange

import (
	"context"
	"math"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
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
		tr := lay(t, planned(t, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6, Occasion: "grazing"}), Options{Seed: uint64(guests), Effort: 5}).Tray
		loose, row, trail, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, kind(food.KindTrail)), pick(tr, bowl)
		locked := pick(tr, func(e *tray.Element) bool { return e.Vessel != "" && e.ID != cup })
		if locked != "" {
			at(tr, locked).Locked = true
		}
		whole := pick(tr, func(e *tray.Element) bool { return e.Form == "cut-round" })
		acts := []Act{
			{Kind: "swap", Element: cup, Other: row}, {Kind: "swap", Element: loose, Other: cup},
			{Kind: "split", Element: loose}, {Kind: "split", Element: row}, {Kind: "split", Element: trail},
			{Kind: "duplicate", Element: loose}, {Kind: "duplicate", Element: cup}, {Kind: "duplicate", Element: whole},
			{Kind: "amount", Element: loose, Count: 3}, {Kind: "amount", Element: row, Count: 3}, {Kind: "amount", Element: trail, Count: 3},
			{Kind: "amount", Element: row, Count: len(at(tr, row).Pieces) + 2}, {Kind: "amount", Element: loose, Count: len(at(tr, loose).Pieces) + 6},
			{Kind: "vessel", Element: cup, Vessel: &larger}, {Kind: "lift", Element: cup, LiftMM: 25},
			{Kind: "open", Element: row, Open: 1.4}, {Kind: "open", Element: row, Open: .8},
		}
		box := tr.Board.FoodZone.Bounds()
		for range 2 {
			line := []geom.Point{}
			for k := range 6 {
				line = append(line, geom.Pt(box.Min.X+box.W()*(.15+.14*float64(k)), box.Min.Y+box.H()*(.2+.6*r.Float64())))
			}
			acts = append(acts, Act{Kind: "bend", Element: trail, Path: line})
		}
		given := tr.Clone()
		for _, a := range acts {
			if a.Element == "" || a.Kind == "swap" && a.Other == "" {
				continue
			}
			room, err := ByHand(context.Background(), tr, larder, a)
			if err != nil {
				if !strings.Contains(err.Error(), "ml") { // a bowl that is too small says so
					t.Errorf("%d guests, %s %s: %v", guests, a.Kind, a.Element, err)
				}
				continue
			}
			if rev := review.Of(room.Tray, larder); !rev.Legal() {
				t.Errorf("%d guests, %s %s: not legal: %v", guests, a.Kind, a.Element, rev.Findings[0])
			}
			f := at(tr, a.Element).Food
			was, now := tr.GramsOf(f), room.Tray.GramsOf(f)
			adds := a.Kind == "duplicate" || a.Kind == "amount" || a.Kind == "bend"
			if now < was-.2 || !adds && math.Abs(now-was) > .2 {
				t.Errorf("%d guests, %s %s: %.1f g of %.1f", guests, a.Kind, a.Element, now, was)
			}
			if locked != "" && !liesAlike(at(tr, locked), at(room.Tray, locked)) {
				t.Errorf("%s %s: what is locked moved", a.Kind, a.Element)
			}
			if !reflect.DeepEqual(tr, given) {
				t.Fatalf("%s %s changed the tray that was given", a.Kind, a.Element)
			}
		}
	}
}

// What an act is meant to do, it does.
func TestActsDoWhatTheySay(t *testing.T) {
	tr := laidFor(t, 14)
	ctx := context.Background()
	do := func(a Act) *tray.Tray {
		t.Helper()
		room, err := ByHand(ctx, tr, larder, a)
		if err != nil {
			t.Fatalf("%s: %v", a.Kind, err)
		}
		return room.Tray
	}
	loose, row, trail, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, kind(food.KindTrail)), pick(tr, bowl)
	now := do(Act{Kind: "swap", Element: cup, Other: row})
	if d := boxOf(at(now, cup).Pieces).Centre().Dist(boxOf(at(tr, row).Pieces).Centre()); d > 25 {
		t.Errorf("the bowl lies %.0f mm from where the row lay", d)
	}
	n := len(at(tr, loose).Pieces)
	now = do(Act{Kind: "split", Element: loose})
	half := now.Elements[len(now.Elements)-1]
	if half.Food != at(tr, loose).Food || half.Count+at(now, loose).Count != n || half.Count < n/2 {
		t.Errorf("%d pieces split into %d and %d", n, at(now, loose).Count, half.Count)
	}
	back, err := ByHand(ctx, now, larder, Act{Kind: "join", Element: loose, Other: half.ID})
	if err != nil || at(back.Tray, loose).Count != n || back.Tray.Find(half.ID) >= 0 {
		t.Errorf("joined again: %v", err)
	}
	now = do(Act{Kind: "amount", Element: row, Count: 3})
	held := 0
	for _, r := range now.Reserve {
		if r.Food == at(tr, row).Food {
			held += r.Count
		}
	}
	if at(now, row).Count != 3 || held < len(at(tr, row).Pieces)-3 {
		t.Errorf("%d lie, %d in reserve of %d", at(now, row).Count, held, len(at(tr, row).Pieces))
	}
	again, err := ByHand(ctx, now, larder, Act{Kind: "amount", Element: row, Count: 5})
	if err != nil || at(again.Tray, row).Count != 5 || math.Abs(again.Tray.GramsOf(at(tr, row).Food)-tr.GramsOf(at(tr, row).Food)) > .3 {
		t.Errorf("two more from reserve: %v", err)
	}
	now = do(Act{Kind: "lift", Element: cup, LiftMM: 30})
	if z := at(now, cup).Pieces[0].ZMM; z != 30 {
		t.Errorf("it stands %v mm high", z)
	}
	wide := boxOf(at(tr, row).Pieces)
	now = do(Act{Kind: "open", Element: row, Open: 1.5})
	if box := boxOf(at(now, row).Pieces); math.Hypot(box.W(), box.H()) < 1.1*math.Hypot(wide.W(), wide.H()) {
		t.Errorf("opened it is %v, was %v", box, wide)
	}
	zone := tr.Board.FoodZone.Bounds()
	line := []geom.Point{geom.Pt(zone.Min.X+110, zone.Min.Y+110), geom.Pt(zone.Centre().X, zone.Max.Y-110), geom.Pt(zone.Max.X-110, zone.Min.Y+110)}
	now = do(Act{Kind: "bend", Element: trail, Path: line})
	first := at(now, trail).Pieces[0].At
	if first.Dist(line[0]) > 60 {
		t.Errorf("it begins at %v, the line at %v", first, line[0])
	}
}

func TestActsThatCannotBeDone(t *testing.T) {
	tr := laidFor(t, 10)
	loose, row, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, bowl)
	tiny := board.Vessel{ID: "tiny", Name: "Tiny", DiameterMM: 30, HeightMM: 20, CapacityML: 2, Colour: "#445566", Material: "ceramic"}
	for _, a := range []Act{
		{}, {Kind: "fly", Element: cup}, {Kind: "swap", Element: "no-such", Other: cup}, {Kind: "swap", Element: cup}, {Kind: "swap", Element: cup, Other: cup},
		{Kind: "join", Element: cup, Other: row}, {Kind: "split", Element: cup}, {Kind: "amount", Element: row}, {Kind: "amount", Element: row, Count: 1 << 40},
		{Kind: "amount", Element: cup, Count: 3000}, {Kind: "vessel", Element: cup}, {Kind: "vessel", Element: row, Vessel: &tiny}, {Kind: "vessel", Element: cup, Vessel: &tiny},
		{Kind: "lift", Element: row, LiftMM: 20}, {Kind: "lift", Element: cup, LiftMM: -1}, {Kind: "lift", Element: cup, LiftMM: math.NaN()}, {Kind: "lift", Element: cup, LiftMM: 900},
		{Kind: "circle", Element: cup, Deg: math.Inf(1)}, {Kind: "open", Element: row, Open: 0}, {Kind: "open", Element: loose, Open: 1.2}, {Kind: "open", Element: row, Open: math.NaN()},
		{Kind: "bend", Element: row}, {Kind: "bend", Element: pick(tr, kind(food.KindTrail)), Path: []geom.Point{{X: math.NaN()}, {X: 1}}},
		{Kind: "bend", Element: pick(tr, kind(food.KindTrail)), Path: []geom.Point{{X: 10, Y: 10}, {X: 11, Y: 10}}},
	} {
		if room, err := ByHand(context.Background(), tr, larder, a); err == nil {
			t.Errorf("%+v was done, %d moved", a, len(room.Moved))
		} else if len(err.Error()) < 15 {
			t.Errorf("%+v: %v", a, err)
		}
	}
}

// What is locked is not changed by a hand, but it may be duplicated; and no act makes more pieces than a tray is worked
// with quickly.
func TestActsKeepTheirBounds(t *testing.T) {
	tr := laidFor(t, 10)
	loose, row, cup := pick(tr, kind(food.KindLoose)), pick(tr, kind(food.KindRow)), pick(tr, bowl)
	for _, id := range []string{loose, row} {
		if _, err := ByHand(context.Background(), tr, larder, Act{Kind: "amount", Element: id, Count: 2000}); err == nil || !strings.Contains(err.Error(), "pieces") {
			t.Errorf("%s: 2,000 pieces: %v", id, err)
		}
	}
	for _, a := range []Act{{Kind: "split", Element: row}, {Kind: "amount", Element: row, Count: 3}, {Kind: "circle", Element: row, Deg: 20}, {Kind: "open", Element: row, Open: 1.2}, {Kind: "lift", Element: cup, LiftMM: 20}} {
		at(tr, a.Element).Locked = true
		if _, err := ByHand(context.Background(), tr, larder, a); err == nil || !strings.Contains(err.Error(), "locked") {
			t.Errorf("%s of what is locked: %v", a.Kind, err)
		}
	}
	if _, err := ByHand(context.Background(), tr, larder, Act{Kind: "swap", Element: loose, Other: cup}); err == nil || !strings.Contains(err.Error(), "locked") {
		t.Errorf("swapped with what is locked: %v", err)
	}
	if _, err := ByHand(context.Background(), tr, larder, Act{Kind: "duplicate", Element: row}); err != nil {
		t.Errorf("a second one of what is locked: %v", err)
	}
}

// The next vessel is a larger one that holds what stands there, and after the largest the smallest that does.
func TestNextVessel(t *testing.T) {
	tr := laidFor(t, 10)
	cup := pick(tr, bowl)
	vessels := board.BuiltInCabinet().Vessels()
	seen := map[string]bool{}
	for range vessels {
		v, err := NextVessel(tr, larder, cup, vessels)
		if err != nil {
			t.Fatal(err)
		}
		if v.ID == at(tr, cup).Vessel {
			t.Fatal("it stays where it is")
		}
		room, err := ByHand(context.Background(), tr, larder, Act{Kind: "vessel", Element: cup, Vessel: v})
		if err != nil {
			t.Fatalf("%s is offered and does not hold it: %v", v.Name, err)
		}
		seen[v.ID] = true
		tr = room.Tray
	}
	if len(seen) < 3 {
		t.Errorf("only %v", seen)
	}
	if _, err := NextVessel(tr, larder, pick(tr, kind(food.KindRow)), vessels); err == nil {
		t.Error("a vessel for a row")
	}
	if _, err := NextVessel(tr, larder, cup, nil); err == nil {
		t.Error("no vessels")
	}
}
