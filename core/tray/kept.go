package tray

import (
	"bytes"
	"encoding/json"

	"happytray/core/food"
)

// Kept is a food as it was when the tray was planned, so that a tray stays what
// it was when the larder changes, and can be read where its foods are unknown.
// It is written exactly as it was read.
type Kept struct {
	food.Food
	raw json.RawMessage
}

func (k *Kept) UnmarshalJSON(b []byte) error {
	k.raw = bytes.Clone(b)
	return json.Unmarshal(b, &k.Food)
}

func (k Kept) MarshalJSON() ([]byte, error) {
	if k.raw != nil {
		return k.raw, nil
	}
	return json.Marshal(k.Food)
}

// Larder is the larder this tray was planned with: its own foods over those of base.
func (t *Tray) Larder(base *food.Larder) *food.Larder {
	if len(t.Foods) == 0 {
		return base
	}
	foods := make([]food.Food, len(t.Foods))
	for i := range t.Foods {
		foods[i] = t.Foods[i].Food
	}
	return base.With(foods)
}

// Keep notes the foods that the tray's elements and reserve use, as they are in
// the larder.
func (t *Tray) Keep(larder *food.Larder) {
	t.Foods = nil
	seen := map[string]bool{}
	keep := func(id string) {
		if f, ok := larder.Get(id); ok && !seen[id] {
			seen[id] = true
			t.Foods = append(t.Foods, Kept{Food: *f})
		}
	}
	for i := range t.Elements {
		keep(t.Elements[i].Food)
	}
	for i := range t.Reserve {
		keep(t.Reserve[i].Food)
	}
}
