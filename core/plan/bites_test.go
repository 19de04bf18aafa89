package plan

import (
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

// Two or three bites to a board, of foods that lie on it; where some guests avoid something there is one for them.
func TestBoardsHaveBites(t *testing.T) {
	few, without, jobs := 0, 0, 0
	larder := food.BuiltIn()
	for k := range 96 {
		b := brief.Brief{Guests: brief.Guests{Adults: []int{4, 6, 8, 10, 12, 16, 20, 30}[k%8]}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k % 5}
		if k%2 == 1 {
			b.Diets = []brief.Diet{{Who: "two", Count: 2, Avoid: [][]string{{"meat"}, {"gluten"}, {"milk"}, {"pork", "alcohol"}}[k/2%4]}}
		}
		j, err := FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		jobs++
		if len(j.Bites) < 2 {
			few++
		}
		on := map[string]bool{}
		for _, tr := range j.Trays {
			for _, e := range tr.Elements {
				on[e.Food] = true
			}
		}
		served := false
		for _, x := range j.Bites {
			all := true
			for _, id := range x.Foods {
				f, ok := larder.Get(id)
				if !ok || !on[id] {
					t.Errorf("%d: %s is not on the board (%s)", k, id, x.Name)
					continue
				}
				all = all && (len(b.Diets) == 0 || diet.CanEat(b.Diets[0].Avoid, f))
			}
			served = served || all
			if len(x.Foods) < 3 || len(x.Foods) > 4 || slices.Contains(x.Foods[1:], x.Foods[0]) || x.Why == "" {
				t.Errorf("%d: %+v", k, x)
			}
		}
		if !served {
			without++
		}
	}
	t.Logf("%d of %d jobs have fewer than two bites, %d none for those who avoid something", few, jobs, without)
	if few > jobs/12 || without > jobs/12 {
		t.Errorf("%d of %d jobs have fewer than two bites, %d none for those who avoid something", few, jobs, without)
	}
}
