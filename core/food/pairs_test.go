package food

import (
	"encoding/json"
	"slices"
	"testing"
)

func TestNamedPairs(t *testing.T) {
	var rows []namedRow
	if err := json.Unmarshal(pairsData, &rows); err != nil {
		t.Fatal(err)
	}
	larder := BuiltIn()
	seen := map[[2]string]bool{}
	for _, row := range rows {
		if row.Strength < .7 || row.Strength > 1 || len(row.Why) < 10 || len(row.Why) > 60 {
			t.Errorf("%v with %v: strength %v, why %q", row.Of, row.With, row.Strength, row.Why)
		}
		for _, a := range row.Of {
			for _, b := range row.With {
				f, known := larder.Get(a)
				g, both := larder.Get(b)
				if !known || !both || a == b {
					t.Errorf("%s and %s: one of them is no food", a, b)
					continue
				}
				key := [2]string{min(a, b), max(a, b)}
				if seen[key] {
					t.Errorf("%s and %s stand there twice", a, b)
				}
				seen[key] = true
				if slices.Contains(f.Clashes, b) || slices.Contains(g.Clashes, a) {
					t.Errorf("%s and %s are said to clash", a, b)
				}
				worth, why := Affinity(f, g)
				if back, _ := Affinity(g, f); worth < row.Strength || why != row.Why || back != worth {
					t.Errorf("%s and %s: %v and %v back, %q", a, b, worth, back, why)
				}
			}
		}
	}
	if len(seen) < 200 {
		t.Errorf("%d pairs are named", len(seen))
	}
}
