package plan_test

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/plan"
	"happytray/core/shop"
)

// Boards of a set differ where the host says so: each has its own soft cheese, one is without nuts, and the rest is shared.
func TestBoardsOfASetThatDiffer(t *testing.T) {
	b, err := brief.Read([]byte(`{"guests":{"adults":18},"occasion":"grazing","boards":[{"id":"round-40-marble","pins":["brie"]},{"id":"round-48-walnut","pins":["young-goat-round"],"bans":["almonds","walnuts"]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if len(j.Trays) != 2 {
		t.Fatalf("%d boards", len(j.Trays))
	}
	has := func(i int, id string) bool { return slices.Contains(j.Trays[i].Foods(), id) }
	if !has(0, "soft-white-round") || has(1, "soft-white-round") || !has(1, "young-goat-round") || has(0, "young-goat-round") || has(1, "almonds") || has(1, "walnuts") {
		t.Errorf("%v and %v", j.Trays[0].Foods(), j.Trays[1].Foods())
	}
	both := 0
	for _, id := range j.Trays[0].Foods() {
		if has(1, id) {
			both++
		}
	}
	if both < 8 {
		t.Errorf("only %d foods are shared", both)
	}
	if len(j.Brief.Pins) != 0 {
		t.Errorf("the brief pins %v now", j.Brief.Pins)
	}
}

// A board laid alike for several tables is planned for one of them, bought for all, and safe for whoever sits there.
func TestBoardsAlike(t *testing.T) {
	b, err := brief.Read([]byte(`{"guests":{"adults":50},"copies":5,"diets":[{"who":"no nuts","count":1,"avoid":["nuts"]}],"pins":[{"food":"cheddar","grams":1000}]}`))
	if err != nil {
		t.Fatal(err)
	}
	j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	if len(j.Trays) != 1 || j.Trays[0].Copies() != 5 || j.Trays[0].Part.Guests.Adults != 10 || holds(j.Trays[0], "nuts") {
		t.Fatalf("%d boards, %+v", len(j.Trays), j.Trays[0].Part)
	}
	for _, l := range shop.NewBasket(j, larder).Lines {
		if l.Food == "orange-block" && (l.OnTrayG+l.ReserveG < 950 || l.OnTrayG+l.ReserveG > 1050) {
			t.Errorf("%.0f g of cheddar in all", l.OnTrayG+l.ReserveG)
		}
	}
}

func TestBadBoards(t *testing.T) {
	for raw, want := range map[string]string{
		`{"guests":{"adults":4},"copies":5}`:                                                                      "more than the 4 guests",
		`{"guests":{"adults":4},"copies":-1}`:                                                                     "copies",
		`{"guests":{"adults":4},"copies":2,"serving":"plates"}`:                                                   "copies",
		`{"guests":{"adults":4},"boards":["round-40-marble",{"id":"round-48-walnut","pins":["zzqq"]}]}`:           "boards[1].pins[0]",
		`{"guests":{"adults":4},"boards":["round-40-marble",{"id":"round-48-walnut","pins":["a"],"bans":["a"]}]}`: "take it off one of the lists",
	} {
		b, err := brief.Read([]byte(raw))
		if err == nil {
			_, err = plan.FromBrief(b, larder, board.BuiltInCabinet())
		}
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v, should say %s", raw, err, want)
		}
	}
}
