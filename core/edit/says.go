package edit

import (
	"fmt"

	"happytray/core/say"
)

// says is what was done, in words for the history.
func (d *doing) says() string {
	out := d.act()
	switch n := len(d.Moved); {
	case n == 1:
		out += "; the " + d.name(d.Moved[0]) + " made room"
	case n > 1:
		out += fmt.Sprintf("; %d things made room", n)
	}
	if n := len(d.Lifted); n > 0 {
		out += fmt.Sprintf("; no room for %s", d.some(d.Lifted))
	}
	return out
}

func (d *doing) act() string {
	it := d.some(d.c.IDs)
	switch d.c.Kind {
	case Move:
		if !d.was.Elements[d.was.Find(d.c.IDs[0])].Placed {
			return "laid " + it
		}
		return "moved " + it
	case Lay:
		return "laid " + it
	case TakeOff:
		return "took " + it + " off the board"
	case Lock:
		return "locked " + it
	case Unlock:
		return "unlocked " + it
	case Form:
		return "laid " + it + " in another form"
	case Swap:
		return "swapped the " + d.name(d.c.IDs[0]) + " and the " + d.name(d.c.IDs[1])
	case Duplicate:
		return "duplicated " + it
	case Split:
		return "split " + it
	case Join:
		return "joined the " + d.name(d.c.IDs[0])
	case Amount:
		return fmt.Sprintf("%d of %s", d.c.Count, it)
	case Vessel:
		return "put " + it + " into another bowl"
	case Lift:
		if d.c.LiftMM > 0 {
			return "raised " + it
		}
		return "set " + it + " down"
	case Circle:
		return "moved " + it + " round its neighbour"
	case Open:
		if d.c.Open < 1 {
			return "closed " + it
		}
		return "opened " + it
	case Bend:
		return "bent " + it
	case Pile:
		return "piled up " + it
	case Lean:
		if k := d.was.Find(d.c.IDs[0]); d.now.Elements[k].Pose() == d.was.Elements[k].Pose() {
			return it + " leans on its neighbour already"
		}
		return "leaned " + it + " on its neighbour"
	case HideFoot:
		return "hid the foot of " + it
	}
	return "changed " + it
}

// some are elements by their foods' names, or how many they are.
func (d *doing) some(ids []string) string {
	if len(ids) == 1 {
		return "the " + d.name(ids[0])
	}
	return say.Count(len(ids), "thing")
}

func (d *doing) name(id string) string {
	if f, ok := d.larder.Get(d.was.Elements[d.was.Find(id)].Food); ok {
		return say.Lower(f.Name)
	}
	return id
}
