package app

import (
	"context"
	"encoding/json"
	"math"
	"time"

	"happytray/core/fault"
	"happytray/core/prep"
	"happytray/core/say"
	"happytray/core/weighing"
	"happytray/store"
)

// Pan is that of a simulated scale: what lies on it can be said.
type Pan interface {
	Put(grams float64)
	On() float64
}

// ScaleReading is what the bench scale shows.
type ScaleReading struct {
	There     bool    `json:"there"` // the house has a scale
	Simulated bool    `json:"simulated"`
	Grams     float64 `json:"grams"`
	Steady    bool    `json:"steady"`
	Over      bool    `json:"over"`
	Says      string  `json:"says"` // why there is no reading
}

// readWithin bounds how long a reading is waited for.
const readWithin = 3 * time.Second

// Scale is the newest reading of the bench scale.
func (a *App) Scale(ctx context.Context) ScaleReading {
	if a.scale == nil {
		return ScaleReading{Says: "No scale is set up. Write the weights by hand."}
	}
	ctx, done := context.WithTimeout(ctx, readWithin)
	defer done()
	out := ScaleReading{There: true, Simulated: a.pan != nil}
	r, err := a.scale.Read(ctx)
	if err != nil {
		out.Says = say.Upper(err.Error())
		return out
	}
	out.Grams, out.Steady, out.Over = r.Grams, r.Steady, r.Over
	return out
}

// TareScale sets the scale to nought.
func (a *App) TareScale(ctx context.Context) error {
	if a.scale == nil {
		return store.ErrNotFound
	}
	ctx, done := context.WithTimeout(ctx, readWithin)
	defer done()
	if err := a.scale.Tare(ctx); err != nil {
		return fault.Bad("scale", "%s", err.Error())
	}
	return nil
}

// mostOnPan is what can be laid on a simulated scale, g.
const mostOnPan = 20_000

// LoadScale lays so much more on the simulated scale, or takes it off.
func (a *App) LoadScale(more float64) error {
	if a.pan == nil {
		return store.ErrNotFound
	}
	if math.IsNaN(more) || math.Abs(more) > mostOnPan {
		return fault.Bad("grams", "should be between -%d and %d g", mostOnPan, mostOnPan)
	}
	a.pan.Put(math.Min(mostOnPan, math.Max(0, a.pan.On()+more)))
	return nil
}

// Weighed is what a food in a form weighed, and when.
type Weighed struct {
	Food  string    `json:"food"`
	Form  string    `json:"form"`
	Grams float64   `json:"grams"`
	At    time.Time `json:"at"`
}

// mostWeighed bounds what is kept of a job.
const mostWeighed = 300

func weighedFact(job string) string { return "weighed/" + job }

func readWeighed(kept string) (out []Weighed, err error) {
	out = []Weighed{}
	if kept != "" {
		err = json.Unmarshal([]byte(kept), &out)
	}
	return out, err
}

// Weights lists what was weighed for a job, in the order in which it was first.
func (a *App) Weights(ctx context.Context, id string) ([]Weighed, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return nil, err
	}
	kept, err := a.store.Fact(ctx, weighedFact(id))
	if err != nil {
		return nil, err
	}
	return readWeighed(kept)
}

// Portions are what is weighed out for a job as it is saved.
func (a *App) Portions(ctx context.Context, id string) ([]prep.Weighing, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	now, err := a.savedTray(ctx, id, 0, h)
	if err != nil {
		return nil, err
	}
	return prep.Weighings(now.reading.Job, now.larder), nil
}

// TakeWeights keeps a job with the amounts that were weighed out as its next revision, and tells what changed:
// nothing is kept where all was right.
func (a *App) TakeWeights(ctx context.Context, id string) ([]string, error) {
	list, err := a.Weights(ctx, id)
	if err != nil {
		return nil, err
	}
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	now, err := a.savedTray(ctx, id, 0, h)
	if err != nil {
		return nil, err
	}
	weights := make([]weighing.Weight, len(list))
	for i, w := range list {
		weights[i] = weighing.Weight{Food: w.Food, Form: w.Form, Grams: w.Grams}
	}
	j, says, err := weighing.AsWeighed(ctx, now.reading.Job, now.larder, weights)
	if err != nil || len(says) == 0 {
		return says, err
	}
	raw, err := j.Write()
	if err != nil {
		return nil, err
	}
	_, _, err = a.SaveJob(ctx, id, now.revision, raw, "amounts as weighed out")
	return says, err
}

// SetWeight records what a food in a form weighs; nought takes the record away.
func (a *App) SetWeight(ctx context.Context, id string, w Weighed) error {
	if err := fault.First(func() error { return fault.Text("food", w.Food, 80) }, func() error { return fault.Text("form", w.Form, 40) },
		func() error { return fault.Between("grams", w.Grams, 0, 100_000, " g") }); err != nil {
		return err
	}
	if w.Food == "" {
		return fault.Bad("food", "say which food it is")
	}
	if _, err := a.store.Head(ctx, id); err != nil {
		return err
	}
	w.At = a.now().UTC().Truncate(time.Second)
	return a.store.ChangeFact(ctx, weighedFact(id), func(was string) (string, error) {
		list, err := readWeighed(was)
		if err != nil {
			return "", err
		}
		out := []Weighed{}
		met := false
		for _, o := range list {
			if o.Food != w.Food || o.Form != w.Form {
				out = append(out, o)
			} else if met = true; w.Grams > 0 {
				out = append(out, w)
			}
		}
		if !met && w.Grams > 0 {
			out = append(out, w)
		}
		if len(out) > mostWeighed {
			return "", fault.Bad("food", "no job has so many foods")
		}
		raw, err := json.Marshal(out)
		return string(raw), err
	})
}
