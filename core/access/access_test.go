package access

import (
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/geom"
)

// Nobody stands at the ends of a long board unless the brief says so.
func TestWhereGuestsStand(t *testing.T) {
	all := []string{"top", "right", "bottom", "left"}
	for _, c := range []struct {
		name       string
		long, wide float64
		board      []string
		brief      []string
		want       []string
	}{
		{"a square", 400, 400, all, nil, all},
		{"nearly twice as long", 700, 400, all, nil, all},
		{"a long one", 720, 400, all, nil, []string{"top", "bottom"}},
		{"a long one on its end", 400, 900, all, nil, []string{"right", "left"}},
		{"a long one whose sides are named", 900, 400, all, []string{"left"}, all},
		{"a long one against a wall", 900, 400, []string{"bottom", "left"}, nil, []string{"bottom", "left"}},
	} {
		b := &board.Board{FoodZone: geom.Box(c.long, c.wide, 0), Access: c.board}
		if got := StandAt(brief.Brief{Access: c.brief}, b); !slices.Equal(got, c.want) {
			t.Errorf("%s: %v, want %v", c.name, got, c.want)
		}
	}
}
