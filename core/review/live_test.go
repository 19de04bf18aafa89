package review

import (
	"math/rand/v2"
	"reflect"
	"testing"

	"happytray/core/brief"
	"happytray/core/geom"
	"happytray/core/tray"
)

// follow makes moves as a byte string says: which element, where, whether it is taken off, laid again or put back to where
// it was, and whether the review is asked for in between.
func follow(t *testing.T, tr *tray.Tray, moves []byte) {
	live := NewLive(tr, larder)
	r := rand.New(rand.NewPCG(21, uint64(len(moves))))
	for n := 0; n+2 < len(moves) && n < 90; n += 3 {
		i := int(moves[n]) % len(tr.Elements)
		switch e := live.Tray().Elements[i]; {
		case moves[n+1]%7 == 0:
			e.Placed, e.Pieces = false, nil
			live.Set(i, e)
		case moves[n+1]%7 == 1:
			live.Set(i, tr.Elements[i])
		case !e.Placed:
			live.Set(i, tr.Elements[i])
		default:
			live.Move(i, geom.Pose{X: float64(moves[n+1]) * 2.6, Y: float64(moves[n+2]) * 1.8, Turn: r.Float64() * 360})
		}
		switch moves[n+2] % 5 {
		case 0:
			live.Totals()
		case 1:
			if got, want := live.Fits(), NewLive(live.Tray(), larder).Fits(); got != want {
				t.Fatalf("after %d moves following says that all fits: %v, from scratch %v", n/3, got, want)
			}
		}
	}
	got, want := live.Review(), Judge(live.Tray(), larder)
	if !reflect.DeepEqual(got, want) {
		for k := range want.Checks {
			if got.Checks[k] != want.Checks[k] {
				t.Errorf("following says %+v, from scratch %+v", got.Checks[k], want.Checks[k])
			}
		}
		t.Fatalf("after %d moves the findings differ", len(moves)/3)
	}
}

// FuzzLive: whatever is moved, taken off and laid again in whatever order, following
// equals a review from scratch exactly, on every kind of tray.
func FuzzLive(f *testing.F) {
	f.Add([]byte{3, 100, 50, 3, 7, 0, 9, 200, 120}, byte(0))
	f.Add([]byte{0, 14, 50, 0, 1, 1, 1, 80, 80, 2, 81, 80}, byte(1))
	f.Add([]byte{7, 255, 255, 7, 0, 0, 7, 9, 9, 6, 9, 9}, byte(2))
	f.Add([]byte{3, 30, 32, 4, 33, 36, 5, 36, 30, 3, 29, 35, 4, 36, 31}, byte(3))
	f.Add([]byte("the olives go where the grapes were"), byte(3))
	f.Fuzz(func(t *testing.T, moves []byte, kind byte) {
		tr := crowded(14)
		switch kind % 4 {
		case 1:
			tr.Rules.Symmetry = "mirrored"
		case 2:
			tr.Board.Front = "bottom"
			tr.Board.Access = []string{"bottom"}
		case 3:
			tr.Brief.Diets = []brief.Diet{{Count: 1, Avoid: []string{"meat"}}}
			tr.Brief.Guests.Children = 2
		}
		follow(t, tr, moves)
	})
}

// House rules move thresholds and weights, but no gate.
func TestHouseRulesMoveTheChecks(t *testing.T) {
	bare := func(rules brief.Rules) *tray.Tray {
		tr := table()
		specimens[2].fail(tr) // everywhere a little too thin
		tr.Rules = rules
		return tr
	}
	num := func(v float64) *float64 { return &v }
	closed, airy := Judge(bare(brief.Rules{}), larder), Judge(bare(brief.Rules{Gaps: "airy"}), larder)
	if airy.Groups["fit"] <= closed.Groups["fit"] {
		t.Errorf("a house that leaves air scores %v, one that closes gaps %v", airy.Groups["fit"], closed.Groups["fit"])
	}
	if closed.Checks[2].Value != airy.Checks[2].Value {
		t.Error("the rule moved what is measured, not what it is worth")
	}
	moved := Judge(bare(brief.Rules{Checks: map[string]brief.CheckRule{"fit.cover": {Good: num(.5), Bad: num(.2)}, "fit.gap": {Weight: num(0)}}}), larder)
	if s, _ := scoreOf(moved, "fit.cover"); s != 1 {
		t.Errorf("cover is good from a half in this house, and scores %v", s)
	}
	if moved.Groups["fit"] != 100 {
		t.Errorf("the gap weighs nothing, and fit is %v", moved.Groups["fit"])
	}
	over := table()
	specimens[1].fail(over)
	over.Rules.Checks = map[string]brief.CheckRule{"fit.overlap": {Good: num(50), Bad: num(90), Weight: num(0)}}
	if r := Judge(over, larder); r.Legal() || r.Score > GateScore {
		t.Errorf("a house moved a gate away: %v", r.Score)
	}
	all := map[string]brief.CheckRule{}
	for _, id := range CheckIDs() {
		all[id] = brief.CheckRule{Weight: num(0)}
	}
	if r := Judge(bare(brief.Rules{Checks: all}), larder); r.Score != 0 && !(r.Score > 0) {
		t.Errorf("nothing weighs anything: %v", r.Score)
	}
	for rules, ok := range map[string]bool{"fit.gap": true, "fit.gasp": false, "": false} {
		if err := CheckRules(brief.Rules{Checks: map[string]brief.CheckRule{rules: {}}}); (err == nil) != ok {
			t.Errorf("%q: %v", rules, err)
		}
	}
}
