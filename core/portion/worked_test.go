package portion

import (
	"math"
	"os"
	"strconv"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// The twenty briefs of docs/briefs.md, worked out by hand there, come out the same here.
func TestWorkedBriefs(t *testing.T) {
	page, err := os.ReadFile("../../docs/briefs.md")
	if err != nil {
		t.Fatal(err)
	}
	columns := []food.Category{food.Cheese, food.Meat, food.Cracker, food.Fruit, food.Vegetable, food.Brined, food.Dip, food.Nut, food.Dried, food.Sweet}
	kinds := map[string]Meatless{"with": WithMeat, "stand-in": StandIn, "without": WithoutMeat}
	worked := 0
	for _, line := range strings.Split(string(page), "\n") {
		cells := strings.Split(strings.Trim(line, "| "), " | ")
		if !strings.HasPrefix(line, "| `{") || len(cells) != 5+len(columns) {
			continue
		}
		worked++
		b, err := brief.Read([]byte(strings.Trim(cells[0], "`")))
		if err != nil {
			t.Errorf("%s: %v", cells[0], err)
			continue
		}
		number := func(i int) float64 {
			v, err := strconv.ParseFloat(cells[i], 64)
			if err != nil {
				t.Errorf("%s: %v", line, err)
			}
			return v
		}
		if got := b.Guests.Appetites(); got != number(3) {
			t.Errorf("%s: %v appetites, worked out as %v", cells[0], got, number(3))
		}
		kind, known := kinds[cells[1]]
		if !known {
			t.Errorf("%s: %q", cells[0], cells[1])
		}
		shares := Shares(b, kind)
		if got := sum(shares); math.Abs(got-number(4)) > .51 {
			t.Errorf("%s: %.1f g in all, worked out as %v", cells[0], got, number(4))
		}
		for i, c := range columns {
			if math.Abs(shares[c]-number(5+i)) > .51 {
				t.Errorf("%s: %.1f g of %s, worked out as %v", cells[0], shares[c], c, number(5+i))
			}
		}
	}
	if worked != 20 {
		t.Errorf("%d briefs are worked out, not 20", worked)
	}
}
