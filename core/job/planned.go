package job

import (
	"bytes"
	"encoding/json"

	"happytray/core/food"
)

// Planned is a food as it was when its job was planned, so that trays stay what
// they were when the larder changes, and can be read where its foods are unknown.
// It is written as it was read, but for white space.
type Planned struct {
	food.Food
	raw json.RawMessage
}

func (k *Planned) UnmarshalJSON(b []byte) error {
	var tight bytes.Buffer
	if err := json.Compact(&tight, b); err != nil {
		return err
	}
	k.raw = tight.Bytes()
	return json.Unmarshal(b, &k.Food)
}

func (k Planned) MarshalJSON() ([]byte, error) {
	if k.raw != nil {
		return k.raw, nil
	}
	return json.Marshal(k.Food)
}

// Larder is the larder that the job was planned with: its own foods over those of base.
func (j *Job) Larder(base *food.Larder) *food.Larder {
	if len(j.Foods) == 0 {
		return base
	}
	foods := make([]food.Food, len(j.Foods))
	for i := range j.Foods {
		foods[i] = j.Foods[i].Food
	}
	return base.With(foods)
}

// NoteFoods notes the foods that the job's trays use, on them and in reserve, as they are in
// the larder.
func (j *Job) NoteFoods(larder *food.Larder) {
	j.Foods = nil
	seen := map[string]bool{}
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			if f, ok := larder.Get(id); ok && !seen[id] {
				seen[id] = true
				j.Foods = append(j.Foods, Planned{Food: *f})
			}
		}
	}
}

// GramsOf adds up what all trays and their reserve hold of each food, grams as laid; props are none.
func (j *Job) GramsOf() map[string]float64 {
	out := map[string]float64{}
	for _, t := range j.Trays {
		times := float64(t.Copies())
		for _, e := range t.Elements {
			if e.Category != food.NotFood {
				out[e.Food] += e.Grams * times
			}
		}
		for _, r := range t.Reserve {
			out[r.Food] += r.Grams * times
		}
	}
	return out
}
