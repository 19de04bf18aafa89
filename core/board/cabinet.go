package board

import (
	"sort"
	"sync"

	"happytray/core/fault"
)

// Cabinet is the boards and vessels there are to choose from: the built-in ones
// and the user's own.
type Cabinet struct {
	boards  []Board
	usual   []Board // what may be chosen unasked
	vessels []Vessel
	away    []Vessel // put away: only those who name one get it
}

// BuiltInCabinet holds what ships with the product.
var BuiltInCabinet = sync.OnceValue(func() *Cabinet {
	return &Cabinet{boards: BuiltIn(), usual: Usual(), vessels: Vessels()}
})

// With is the cabinet with more boards and vessels in it; one of the same id
// takes the place of the old.
func (c *Cabinet) With(boards []Board, vessels []Vessel) *Cabinet {
	if len(boards)+len(vessels) == 0 {
		return c
	}
	out := &Cabinet{boards: merged(c.boards, boards, boardID), usual: merged(c.usual, boards, boardID), vessels: merged(c.vessels, vessels, vesselID), away: c.away}
	sort.SliceStable(out.vessels, func(i, j int) bool { return out.vessels[i].CapacityML < out.vessels[j].CapacityML })
	return out
}

// Without is the cabinet with some boards and vessels put away: they are not
// chosen unasked any more, but a brief that names one still gets it.
func (c *Cabinet) Without(boards, vessels map[string]bool) *Cabinet {
	if len(boards)+len(vessels) == 0 {
		return c
	}
	out := &Cabinet{boards: c.boards, usual: left(c.usual, boards, boardID), vessels: left(c.vessels, vessels, vesselID), away: c.away}
	for _, v := range c.vessels {
		if vessels[v.ID] {
			out.away = append(out.away, v)
		}
	}
	return out
}

// Low is the cabinet without vessels that stand higher than so many mm: nothing else goes under a lid.
func (c *Cabinet) Low(mm float64) *Cabinet {
	low := func(all []Vessel) (out []Vessel) {
		for _, v := range all {
			if v.HeightMM <= mm {
				out = append(out, v)
			}
		}
		return out
	}
	return &Cabinet{boards: c.boards, usual: c.usual, vessels: low(c.vessels), away: low(c.away)}
}

func left[T any](all []T, gone map[string]bool, id func(T) string) []T {
	var out []T
	for _, v := range all {
		if !gone[id(v)] {
			out = append(out, v)
		}
	}
	return out
}

func boardID(b Board) string   { return b.ID }
func vesselID(v Vessel) string { return v.ID }

func merged[T any](old, more []T, id func(T) string) []T {
	at := map[string]int{}
	out := append([]T(nil), old...)
	for i, v := range out {
		at[id(v)] = i
	}
	for _, v := range more {
		if i, have := at[id(v)]; have {
			out[i] = v
			continue
		}
		at[id(v)] = len(out)
		out = append(out, v)
	}
	return out
}

// Boards lists every board; the slice is the caller's own.
func (c *Cabinet) Boards() []Board { return append([]Board(nil), c.boards...) }

// Usual lists the boards that may be chosen for a brief unasked, the user's own
// among them.
func (c *Cabinet) Usual() []Board { return append([]Board(nil), c.usual...) }

// Vessels lists every vessel, smallest first.
func (c *Cabinet) Vessels() []Vessel { return append([]Vessel(nil), c.vessels...) }

// Board finds a board by id.
func (c *Cabinet) Board(id string) (Board, bool) {
	for _, b := range c.boards {
		if b.ID == id {
			return b, true
		}
	}
	return Board{}, false
}

// Vessel finds a vessel by id.
func (c *Cabinet) Vessel(id string) (Vessel, bool) {
	for _, list := range [][]Vessel{c.vessels, c.away} {
		for _, v := range list {
			if v.ID == id {
				return v, true
			}
		}
	}
	return Vessel{}, false
}

// Make builds the board that was asked for: one of the cabinet by id, with
// another liner where one is named, or any shape by its dimensions.
func (c *Cabinet) Make(r Request) (Board, error) {
	if r.Named() {
		if b, ok := c.Board(r.ID); ok {
			if r.Liner != "" {
				b.Liner = r.Liner
			}
			return b, b.Check()
		}
		return Board{}, fault.Bad("id", "there is no board %.60q; leave it out to have one chosen", r.ID)
	}
	return build(r)
}
