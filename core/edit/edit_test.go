package edit

import (
	"context"
	"errors"
	"fmt"
	"math"
	"reflect"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/tray"
)

func laid(t testing.TB, guests int) *tray.Tray {
	return plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6}).Trays[0]
}

func pose(t *tray.Tray, id string, dx, dy, turn float64) *geom.Pose {
	p := t.Elements[t.Find(id)].Pose()
	return &geom.Pose{X: p.X + dx, Y: p.Y + dy, Turn: p.Turn + turn}
}

// What was shown under the hand is what lies there when it is put down: what is held where it was drawn, and
// what stands where it had made room, wherever all found room.
func TestCommitKeepsWhatWasShown(t *testing.T) {
	kept, seen, pieces, same, far, half := 0, 0, 0, 0, 0, 0 // every second element of a tray: the other half of the next one
	one := func(tr *tray.Tray) {
		for i := range tr.Elements {
			e := &tr.Elements[i]
			flows := e.Kind() == food.KindLoose && e.Vessel == "" // on until it lies well
			if !e.Placed || e.Kind() == food.KindGarnish || (i+half)%2 == 0 || testing.Short() && flows {
				continue
			}
			for n, by := range []geom.Point{geom.Pt(35, 10), geom.Pt(-60, 45), geom.Pt(4, -90)} {
				c := Command{Kind: Move, IDs: []string{e.ID}, Hugs: n == 1}
				s, err := NewSession(tr, plantest.Larder, c)
				if err != nil {
					t.Fatal(err)
				}
				shown := s.Preview(t.Context(), *pose(tr, e.ID, by.X, by.Y, 0))
				got, err := s.Commit(t.Context())
				if err != nil {
					t.Fatal(err)
				}
				if again, err := s.Commit(t.Context()); err != nil || again.Tray != got.Tray {
					t.Error("put down where it was seen to rest it comes to something else")
				}
				if !review.Judge(onBoard(got.Tray), plantest.Larder).Legal() {
					t.Errorf("%s by %v ends on something", e.ID, by)
				}
				if plantest.OneOnTheOther(t, e.ID, got.Tray); flows {
					continue
				}
				if seen++; len(shown.Stuck)+len(got.Lifted) > 0 || missing(tr, got.Tray) {
					continue
				}
				kept++
				for k, was := range shown.Elements {
					if was.Kind() == food.KindLoose && was.Vessel == "" {
						continue
					}
					now := got.Tray.Elements[k]
					for p := range was.Pieces {
						pieces++
						if d := was.Pieces[p].At.Dist(now.Pieces[p].At); d > 12 {
							far++
							t.Logf("%s by %v: piece %d of %s was shown %.1f mm from where it lies", e.ID, by, p, was.ID, d)
						} else if d < .1 {
							same++
						}
					}
				}
				if at := got.Tray.Elements[i].Pose(); at.At().Dist(shown.At.At()) > .02 || math.Abs(at.Turn-shown.At.Turn) > .02 {
					t.Errorf("%s was shown at %v and lies at %v", e.ID, shown.At, at)
				}
			}
		}
	}
	for k, guests := range []int{6, 8, 10, 12, 14, 18, 8, 10, 14, 20, 24, 9} { // a few boards say little: one that is full counts a third
		if half = k; k%5 == 0 || !testing.Short() {
			one(plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 6, Choice: k / 6}).Trays[0])
		}
	}
	t.Logf("%d pieces, %d where they were shown, %d farther than 12 mm from there", pieces, same, far)
	if float64(same) < .8*float64(pieces) || float64(far) > .01*float64(pieces) {
		t.Errorf("of %d pieces only %d lie where they were shown, and %d farther than 12 mm from there", pieces, same, far)
	}
	least := seen * 2 / 3
	if testing.Short() { // three boards, one of them full
		least = seen / 2
	}
	if kept < least || seen < 20 {
		t.Errorf("only %d of %d puttings-down had room for everything", kept, seen)
	}
}

func missing(a, b *tray.Tray) bool {
	for i := range a.Elements {
		if len(a.Elements[i].Pieces) > len(b.Elements[i].Pieces) {
			return true
		}
	}
	return false
}

// every command there is, on a laid tray
func commands(tr *tray.Tray) map[string]Command {
	bowl, row, trail, heap := pick(tr, bowl), pick(tr, kind(food.KindRow)), pick(tr, kind(food.KindTrail)), pick(tr, kind(food.KindLoose))
	piled := pick(tr, func(e *tray.Element) bool { // one that lies closely enough
		_, err := Apply(context.Background(), tr, plantest.Larder, Command{Kind: Pile, IDs: []string{e.ID}})
		return kind(food.KindLoose)(e) && err == nil
	})
	mid := tr.Board.FoodZone.Centroid()
	larger, _ := board.BuiltInCabinet().Vessels(), 0
	biggest := larger[0]
	for _, v := range larger {
		if v.CapacityML > biggest.CapacityML {
			biggest = v
		}
	}
	out := map[string]Command{
		"a bowl moved":         {Kind: Move, IDs: []string{bowl}, To: pose(tr, bowl, 30, -20, 0)},
		"a heap moved":         {Kind: Move, IDs: []string{heap}, To: pose(tr, heap, 30, -20, 0), Hugs: true},
		"two moved":            {Kind: Move, IDs: []string{bowl, heap}, To: pose(tr, bowl, -15, 12, 10)},
		"moved and no room":    {Kind: Move, IDs: []string{bowl}, To: pose(tr, bowl, 30, 0, 30), Alone: true},
		"over the edge":        {Kind: Move, IDs: []string{bowl}, To: &geom.Pose{X: -400, Y: mid.Y}},
		"taken off":            {Kind: TakeOff, IDs: []string{bowl, heap}},
		"locked":               {Kind: Lock, IDs: []string{bowl}},
		"swapped":              {Kind: Swap, IDs: []string{bowl, heap}},
		"a heap duplicated":    {Kind: Duplicate, IDs: []string{heap}},
		"a heap piled up":      {Kind: Pile, IDs: []string{piled}},
		"a heap split":         {Kind: Split, IDs: []string{heap}},
		"more of a heap":       {Kind: Amount, IDs: []string{heap}, Count: tr.Elements[tr.Find(heap)].Count + 3},
		"into the largest":     {Kind: Vessel, IDs: []string{bowl}, Vessel: &biggest},
		"a bowl raised":        {Kind: Lift, IDs: []string{bowl}, LiftMM: 15},
		"a form that it takes": {Kind: Form, IDs: []string{heap}, Form: otherForm(tr, heap)},
	}
	if row != "" {
		out["a row opened"] = Command{Kind: Open, IDs: []string{row}, Open: 1.1}
	}
	if trail != "" {
		c := tr.Elements[tr.Find(trail)]
		out["a trail bent"] = Command{Kind: Bend, IDs: []string{trail}, Path: []geom.Point{geom.Pt(c.X-90, c.Y), geom.Pt(c.X, c.Y+25), geom.Pt(c.X+90, c.Y)}}
	}
	return out
}

func otherForm(tr *tray.Tray, id string) string {
	e := tr.Elements[tr.Find(id)]
	f, _ := plantest.Larder.Get(e.Food)
	for i := range f.Forms {
		if form := f.Forms[i].Form; form != e.Form && !food.InVessel(form) && form != "topping" {
			return form
		}
	}
	return e.Form
}

// Whoever has the tray as it was, and what a command changed, has the tray as it is; the tray that was given
// stays as it is; the same command gives the same tray.
func TestWhatChangedMakesTheTray(t *testing.T) {
	tr := laid(t, 12)
	for name, c := range commands(tr) {
		t.Run(name, func(t *testing.T) {
			given := tr.Clone()
			got, err := Apply(t.Context(), tr, plantest.Larder, c)
			if err != nil {
				t.Fatal(err)
			}
			if !reflect.DeepEqual(given, tr) {
				t.Error("the tray that was given is changed")
			}
			if len(got.Changed)+len(got.Gone) == 0 {
				t.Fatal("nothing has changed")
			}
			patched := []tray.Element{}
			for _, e := range tr.Elements {
				if slices.Contains(got.Gone, e.ID) {
					continue
				}
				if slices.Contains(got.Changed, e.ID) {
					e = got.Tray.Elements[got.Tray.Find(e.ID)]
				}
				patched = append(patched, e)
			}
			for _, id := range got.Changed {
				if tr.Find(id) < 0 {
					patched = append(patched, got.Tray.Elements[got.Tray.Find(id)])
				}
			}
			if !reflect.DeepEqual(patched, got.Tray.Elements) {
				t.Error("what is told to have changed does not make the tray")
			}
			if again, err := Apply(t.Context(), tr, plantest.Larder, c); err != nil || !reflect.DeepEqual(again, got) {
				t.Errorf("done again it comes to something else: %v", err)
			}
			if c.Kind != Lock && !c.Alone && !review.Judge(onBoard(got.Tray), plantest.Larder).Legal() {
				t.Errorf("something lies on something else now: %v", review.Judge(onBoard(got.Tray), plantest.Larder).Findings[0].Says)
			}
			if c.Kind != Lock && !c.Alone {
				plantest.OneOnTheOther(t, name, got.Tray)
			}
			if got.Says == "" || strings.Contains(got.Says, "%!") {
				t.Errorf("said as %q", got.Says)
			}
			t.Log(got.Says)
		})
	}
}

func onBoard(t *tray.Tray) *tray.Tray {
	c := t.Clone()
	c.Elements = slices.DeleteFunc(c.Elements, func(e tray.Element) bool { return !e.Placed })
	return c
}

func TestTakenOffAndLaidAgain(t *testing.T) {
	tr := laid(t, 8)
	bowl := pick(tr, bowl)
	off, err := Apply(t.Context(), tr, plantest.Larder, Command{Kind: TakeOff, IDs: []string{bowl}})
	if err != nil {
		t.Fatal(err)
	}
	e := off.Tray.Elements[off.Tray.Find(bowl)]
	if e.Placed || len(e.Pieces) != 0 || e.Grams != tr.Elements[tr.Find(bowl)].Grams {
		t.Errorf("after it was taken off it is %+v", e)
	}
	back, err := Apply(t.Context(), off.Tray, plantest.Larder, Command{Kind: Lay, IDs: []string{bowl}})
	if err != nil || len(back.NoRoom) > 0 || !back.Tray.Elements[back.Tray.Find(bowl)].Placed {
		t.Errorf("it is not laid where it had room: %v %v", back.NoRoom, err)
	}
	to := pose(tr, bowl, 3, 3, 0)
	there, err := Apply(t.Context(), off.Tray, plantest.Larder, Command{Kind: Move, IDs: []string{bowl}, To: to})
	if err != nil || !strings.HasPrefix(there.Says, "laid the ") {
		t.Errorf("laid from beside the board: %q, %v", there.Says, err)
	}
	if at := there.Tray.Elements[there.Tray.Find(bowl)].Pose(); at.At().Dist(to.At()) > 1+there.DrawnInMM {
		t.Errorf("it was put at %v and lies at %v, drawn in %.1f mm", *to, at, there.DrawnInMM)
	}
}

func TestWhatIsLockedStays(t *testing.T) {
	tr := laid(t, 8)
	bowl, heap := pick(tr, bowl), pick(tr, kind(food.KindLoose))
	tr.Elements[tr.Find(bowl)].Locked = true
	for _, c := range []Command{
		{Kind: Move, IDs: []string{bowl}, To: pose(tr, bowl, 20, 0, 0)},
		{Kind: Move, IDs: []string{bowl}, To: pose(tr, bowl, 20, 0, 0), Alone: true},
		{Kind: TakeOff, IDs: []string{bowl}},
		{Kind: Form, IDs: []string{bowl}, Form: "pile"},
		{Kind: Swap, IDs: []string{heap, bowl}},
		{Kind: Lift, IDs: []string{bowl}, LiftMM: 15},
	} {
		if _, err := Apply(t.Context(), tr, plantest.Larder, c); err == nil || !strings.Contains(err.Error(), "locked") {
			t.Errorf("%s of what is locked: %v", c.Kind, err)
		}
	}
	both, err := Apply(t.Context(), tr, plantest.Larder, Command{Kind: TakeOff, IDs: []string{bowl, heap}})
	if err != nil || !both.Tray.Elements[tr.Find(bowl)].Placed || both.Tray.Elements[tr.Find(heap)].Placed {
		t.Errorf("of two only the one that is not locked comes off: %v", err)
	}
	free, err := Apply(t.Context(), tr, plantest.Larder, Command{Kind: Unlock, IDs: []string{bowl}})
	if err != nil || free.Tray.Elements[tr.Find(bowl)].Locked {
		t.Errorf("unlocked it is still locked: %v", err)
	}
}

func TestCommandsThatCannotBeDone(t *testing.T) {
	tr := laid(t, 6)
	bowl, heap := pick(tr, bowl), pick(tr, kind(food.KindLoose))
	nan := math.NaN()
	for _, tc := range []struct {
		c     Command
		field string
	}{
		{Command{}, "kind"},
		{Command{Kind: "melt", IDs: []string{bowl}}, "kind"},
		{Command{Kind: Move, To: &geom.Pose{}}, "ids"},
		{Command{Kind: Move, IDs: []string{bowl}}, "to"},
		{Command{Kind: Move, IDs: []string{bowl}, To: &geom.Pose{X: nan}}, "to"},
		{Command{Kind: Move, IDs: []string{bowl}, To: &geom.Pose{Turn: math.Inf(1)}}, "to"},
		{Command{Kind: Move, IDs: []string{bowl}, To: &geom.Pose{X: 1e6}}, "to"},
		{Command{Kind: Move, IDs: []string{"nothing"}, To: &geom.Pose{}}, "ids"},
		{Command{Kind: Move, IDs: []string{bowl, bowl}, To: &geom.Pose{}}, "ids"},
		{Command{Kind: Lay, IDs: strings.Fields("a b c d e f g h i j k l m n o p q r s t u")}, "ids"},
		{Command{Kind: Swap, IDs: []string{bowl}}, "ids"},
		{Command{Kind: Swap, IDs: []string{bowl, heap, "x"}}, "ids"},
		{Command{Kind: Amount, IDs: []string{heap}}, "count"},
		{Command{Kind: Vessel, IDs: []string{bowl}}, "vessel"},
		{Command{Kind: Vessel, IDs: []string{heap}}, "element"},
		{Command{Kind: Lift, IDs: []string{bowl}, LiftMM: 900}, "lift_mm"},
		{Command{Kind: Open, IDs: []string{heap}, Open: 1.1}, "element"},
		{Command{Kind: Bend, IDs: []string{heap}}, "element"},
		{Command{Kind: Form, IDs: []string{heap}, Form: "statue"}, "form"},
		{Command{Kind: Circle, IDs: []string{bowl}, Deg: 1e9}, "deg"},
	} {
		_, err := Apply(t.Context(), tr, plantest.Larder, tc.c)
		var f *fault.Error
		if !errors.As(err, &f) || f.Field != tc.field {
			t.Errorf("%+v: %v", tc.c, err)
		}
	}
	if _, err := Apply(t.Context(), &tray.Tray{}, plantest.Larder, Command{Kind: TakeOff, IDs: []string{"x"}}); err == nil {
		t.Error("done without a board")
	}
	ended, stop := context.WithCancel(t.Context())
	stop()
	if _, err := Apply(ended, tr, plantest.Larder, Command{Kind: Move, IDs: []string{bowl}, To: pose(tr, bowl, 20, 0, 0)}); !errors.Is(err, context.Canceled) {
		t.Errorf("what has no more time is not told so: %v", err)
	}
	if _, err := NewSession(tr, plantest.Larder, Command{Kind: Lift, IDs: []string{bowl}}); err == nil {
		t.Error("a session of a lift")
	}
}

func TestSaysHowMuchMadeRoom(t *testing.T) {
	tr := laid(t, 10)
	bowl := pick(tr, bowl)
	d := doing{was: tr, larder: plantest.Larder, c: Command{Kind: Move, IDs: []string{bowl}}}
	name := d.name(bowl)
	heap := pick(tr, kind(food.KindLoose))
	for _, tc := range []struct {
		moved, lifted []string
		want          string
	}{
		{nil, nil, "moved the " + name},
		{[]string{heap}, nil, fmt.Sprintf("moved the %s; the %s made room", name, d.name(heap))},
		{[]string{heap, bowl, "x"}, []string{heap}, fmt.Sprintf("moved the %s; 3 things made room; no room for the %s", name, d.name(heap))},
	} {
		d.Displaced = Displaced{Moved: tc.moved, Lifted: tc.lifted}
		if got := d.says(); got != tc.want {
			t.Errorf("%q, not %q", got, tc.want)
		}
	}
}
