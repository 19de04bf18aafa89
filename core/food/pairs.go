package food

import (
	_ "embed"
	"encoding/json"
	"sync"
)

//go:embed pairs.json
var pairsData []byte

// Named is what two foods that people eat together are to each other: the classics of the table, by name.
type Named struct {
	Strength float64 // up to 1, made for each other
	Why      string  // in a few words that go on from a sentence
}

// namedRow is some foods, each of which goes with each of others for one reason.
type namedRow struct {
	Of       []string `json:"of"`
	With     []string `json:"with"`
	Strength float64  `json:"strength"`
	Why      string   `json:"why"`
}

// namedPairs are the classics by one food and the other, both ways round.
var namedPairs = sync.OnceValue(func() map[string]map[string]Named {
	var rows []namedRow
	if err := json.Unmarshal(pairsData, &rows); err != nil {
		panic("pairs.json: " + err.Error()) // embedded at build time; the tests read it
	}
	out := map[string]map[string]Named{}
	note := func(a, b string, n Named) {
		if out[a] == nil {
			out[a] = map[string]Named{}
		}
		out[a][b] = n
	}
	for _, row := range rows {
		for _, a := range row.Of {
			for _, b := range row.With {
				note(a, b, Named{row.Strength, row.Why})
				note(b, a, Named{row.Strength, row.Why})
			}
		}
	}
	return out
})

// NamedPair is the classic that two foods make, in any order.
func NamedPair(a, b *Food) (Named, bool) {
	n, ok := namedPairs()[a.ID][b.ID]
	return n, ok
}
