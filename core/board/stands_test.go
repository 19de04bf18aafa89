package board

import (
	"slices"
	"testing"

	"happytray/core/geom"
)

// Every tier of a stand is a board of the cabinet that nobody gets unasked, smaller the higher it is, and nothing lies at its post.
func TestStands(t *testing.T) {
	cabinet := BuiltInCabinet()
	for _, s := range Stands() {
		last := 1e9
		for _, id := range s.Boards {
			b, ok := cabinet.Board(id)
			if !ok {
				t.Fatalf("%s: there is no board %s", s.ID, id)
			}
			if err := b.Check(); err != nil {
				t.Errorf("%s: %v", id, err)
			}
			if a := b.UsableMM2(); a >= last {
				t.Errorf("%s: %s is no smaller than the tier below it", s.ID, id)
			} else {
				last = a
			}
			middle := b.Outline.Bounds().Centre()
			if !slices.ContainsFunc(b.Keepouts, func(o geom.Outline) bool { return o.Contains(middle) }) {
				t.Errorf("%s: food lies where the post stands", id)
			}
			if slices.ContainsFunc(cabinet.Usual(), func(u Board) bool { return u.ID == id }) {
				t.Errorf("%s is chosen unasked", id)
			}
		}
		got := OfStands([]Request{{ID: "slate"}, {ID: s.ID, Liner: "#ffffff"}})
		if len(got) != 1+len(s.Boards) || got[0].ID != "slate" || got[1].ID != s.Boards[0] || got[1].Liner != "#ffffff" {
			t.Errorf("%s stands for %+v", s.ID, got)
		}
	}
}
