package job

import (
	"bytes"
	"encoding/json"
	"slices"

	"happytray/core/bite"
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
	base = base.Besides(j.Brief.PackStock())
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
// the larder, and the bites that they make.
func (j *Job) NoteFoods(larder *food.Larder) {
	j.Foods, j.Bites = nil, j.BitesNow(larder)
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

// BitesNow are the bites that the foods on the job's trays make, tray by tray; of those round the same two foods the first.
func (j *Job) BitesNow(larder *food.Larder) []bite.Bite {
	var out []bite.Bite
	for _, t := range j.Trays {
		for _, b := range t.Bites(larder) {
			if !slices.ContainsFunc(out, func(o bite.Bite) bool { return slices.Equal(o.Foods[:2], b.Foods[:2]) }) {
				out = append(out, b)
			}
		}
	}
	return out
}

// bitesLeft are the bites as planned of which all foods are there still: foods are taken off and exchanged by hand.
func (j *Job) bitesLeft() []bite.Bite {
	if len(j.Bites) == 0 {
		return nil
	}
	on := map[string]bool{}
	for _, t := range j.Trays {
		for i := range t.Elements {
			on[t.Elements[i].Food] = true
		}
	}
	return slices.DeleteFunc(slices.Clone(j.Bites), func(b bite.Bite) bool {
		return slices.ContainsFunc(b.Foods, func(id string) bool { return !on[id] })
	})
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
