// Package edit is what hands do to a laid tray, as data: a command names the act, what it is done to and
// where to; Apply does it and lets everything else make room; a Session follows a hand that carries something,
// and keeps, when it is put down, what was shown last. Nothing here saves or draws.
package edit

import (
	"math"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/geom"
)

// Kind is what a hand does.
type Kind string

// The kinds of commands.
const (
	Move      Kind = "move"      // carry to a pose, or lay there what waits beside the board
	Lay       Kind = "lay"       // wherever there is room
	TakeOff   Kind = "take-off"  // the board, to wait beside it
	Lock      Kind = "lock"      // nothing moves it
	Unlock    Kind = "unlock"    //
	Form      Kind = "form"      // lay its food in another form
	Swap      Kind = "swap"      // two change places
	Duplicate Kind = "duplicate" // the same again beside it
	Split     Kind = "split"     // two groups of one
	Join      Kind = "join"      // one group of two
	Amount    Kind = "amount"    // so many pieces
	Vessel    Kind = "vessel"    // into another vessel
	Lift      Kind = "lift"      // a vessel upon something
	Circle    Kind = "circle"    // round what it hugs
	Open      Kind = "open"      // a row or fan, or close it
	Bend      Kind = "bend"      // a trail along another line
	Pile      Kind = "pile"      // loose food drawn together, two deep
	Lean      Kind = "lean"      // against what is nearest, lapping over it as far as it may
	HideFoot  Kind = "hide-foot" // small food of the reserve round a bowl or a cheese, where board shows
)

// Kinds are all of them.
var Kinds = []Kind{Move, Lay, TakeOff, Lock, Unlock, Form, Swap, Duplicate, Split, Join, Amount, Vessel, Lift, Circle, Open, Bend, Pile, Lean, HideFoot}

// Command is one thing that a hand does to a tray.
type Command struct {
	Kind  Kind
	IDs   []string   // elements; of several, the one that the hand has hold of first
	To    *geom.Pose // move: where the first is put, mm and degrees; the others go as it does
	Hugs  bool       // move: drawn against what it comes near to
	Alone bool       // move, form: nothing else makes room

	Form   string        // form: its id
	Count  int           // amount: pieces
	Vessel *board.Vessel // vessel: into which
	LiftMM float64       // lift: how high it is to stand on what is under it
	Deg    float64       // circle: how far round, degrees
	Open   float64       // open: how much farther apart its pieces come, as a factor
	Path   []geom.Point  // bend: the line, mm
}

// mostLaid is for how many things room is looked for at once: each costs as much as a small search.
const mostLaid = 20

// mostMM is how far from the origin of the board's coordinates anything may be put.
const mostMM = 10_000

// check bounds what came from outside; what an act wants besides is said by the act.
func (c Command) check() error {
	kinds := make([]string, len(Kinds))
	for i, k := range Kinds {
		kinds[i] = string(k)
	}
	if err := fault.OneOf("kind", string(c.Kind), kinds...); err != nil {
		return err
	}
	want := 1
	switch c.Kind {
	case Swap, Join:
		want = 2
	}
	if len(c.IDs) < want {
		if want == 2 {
			return fault.Bad("ids", "choose two things")
		}
		return fault.Bad("ids", "say what it is done to")
	}
	seen := map[string]bool{}
	for _, id := range c.IDs {
		if seen[id] {
			return fault.Bad("ids", "%.60q is named twice", id)
		}
		seen[id] = true
	}
	switch c.Kind {
	case Move, TakeOff, Lock, Unlock, Lay:
	default:
		if len(c.IDs) > want {
			return fault.Bad("ids", "this is done to one thing at a time")
		}
	}
	if c.Kind == Lay && len(c.IDs) > mostLaid {
		return fault.Bad("ids", "room is looked for %d things at a time; lay the whole tray instead", mostLaid)
	}
	if c.Kind == Move {
		if c.To == nil {
			return fault.Bad("to", "say where it is put")
		}
		for _, v := range []float64{c.To.X, c.To.Y, c.To.Turn} {
			if math.IsNaN(v) || math.Abs(v) > mostMM {
				return fault.Bad("to", "should lie within %d mm of the board", mostMM)
			}
		}
	}
	return nil
}
