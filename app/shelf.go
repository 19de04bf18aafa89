package app

import (
	"context"
	"encoding/json"
	"maps"
	"slices"
	"strings"

	"happytray/app/template"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/job"
	"happytray/store"
)

// SavedTemplate is one thing that was kept, of its kind, with what is known of it besides.
type SavedTemplate struct {
	Kind string
	template.Template
	PutAway bool
	Version int64
}

// mostKept bounds how many things of a kind lie on the shelf, and photoPrefix tells photographs of
// ideas from those of foods.
const (
	mostKept    = 500
	photoPrefix = "idea:"
)

// onShelf reads what is kept; what cannot be read is passed over and logged.
func (a *App) onShelf(h *House, kind, id string) (SavedTemplate, bool) {
	t, ok := h.things[kind][id]
	if !ok || t.Document == "" {
		return SavedTemplate{}, false
	}
	out := SavedTemplate{Kind: kind, PutAway: t.PutAway, Version: t.Version}
	if err := json.Unmarshal([]byte(t.Document), &out.Template); err != nil {
		a.log.Error("something on the shelf cannot be read", "kind", kind, "id", id, "error", err)
		return SavedTemplate{}, false
	}
	return out, true
}

// Shelf lists what is kept, kind by kind, by name; with what is put away.
func (a *App) Shelf(ctx context.Context) ([]SavedTemplate, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	out := []SavedTemplate{}
	for _, kind := range template.Kinds {
		first := len(out)
		for _, id := range slices.Sorted(maps.Keys(h.things[kind])) {
			if k, ok := a.onShelf(h, kind, id); ok {
				out = append(out, k)
			}
		}
		slices.SortStableFunc(out[first:], func(x, y SavedTemplate) int {
			return strings.Compare(strings.ToLower(x.Name), strings.ToLower(y.Name))
		})
	}
	return out, nil
}

// SaveTemplate puts something new on the shelf, under the first id that its name gives. The choice of a job
// is taken from it.
func (a *App) SaveTemplate(ctx context.Context, kind string, k template.Template, of *job.Job) (SavedTemplate, error) {
	h, err := a.fresh(ctx)
	if err != nil {
		return SavedTemplate{}, err
	}
	if of != nil {
		from := template.FromJob(of, of.Larder(h.Larder))
		k.Foods, k.Guests, k.Occasion = from.Foods, from.Guests, from.Occasion
	}
	if err := k.Check(kind); err != nil {
		return SavedTemplate{}, err
	}
	if k.Laid != nil {
		if _, err := a.LaidTray(ctx, *k.Laid); err != nil {
			return SavedTemplate{}, err
		}
	}
	if len(h.things[kind])-len(h.away(kind)) >= mostKept {
		return SavedTemplate{}, fault.Bad("name", "%d lie on the shelf already; take some off it first", mostKept)
	}
	n := &store.NewEntry{Kind: kind, IDs: idsFor(k.Name, func(string) bool { return false }), Make: func(id string) (string, error) {
		k.ID = id
		raw, err := json.Marshal(k)
		return string(raw), err
	}}
	version, err := a.store.ChangeHouse(ctx, store.Change{New: n})
	return SavedTemplate{Kind: kind, Template: k, Version: version}, err
}

// ChangeKept keeps a thing on the shelf anew; version is the one the caller saw. The foods of a choice
// stay as they were kept.
func (a *App) ChangeKept(ctx context.Context, kind, id string, k template.Template, version int64) (SavedTemplate, error) {
	h, err := a.fresh(ctx)
	if err != nil {
		return SavedTemplate{}, err
	}
	was, ok := a.onShelf(h, kind, id)
	if !ok {
		return SavedTemplate{}, store.ErrNotFound
	}
	k.ID, k.Photo, k.Laid = id, was.Photo, was.Laid
	if kind == template.Choice {
		k.Foods, k.Guests, k.Occasion = was.Foods, was.Guests, was.Occasion
	}
	if err := k.Check(kind); err != nil {
		return SavedTemplate{}, err
	}
	raw, err := json.Marshal(k)
	if err != nil {
		return SavedTemplate{}, err
	}
	t := h.thing(kind, id)
	t.Document, t.Version = string(raw), version
	now, err := a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}})
	return SavedTemplate{Kind: kind, Template: k, PutAway: t.PutAway, Version: now}, err
}

// UseChoice is a brief with a kept choice for its foods, and what was done for it.
func (a *App) UseChoice(ctx context.Context, id string, b brief.Brief) (brief.Brief, []string, error) {
	h, err := a.House(ctx)
	if err != nil {
		return b, nil, err
	}
	k, ok := a.onShelf(h, template.Choice, id)
	if !ok {
		return b, nil, store.ErrNotFound
	}
	if err := b.Check(); err != nil {
		return b, nil, fault.In("brief", err)
	}
	out, says := template.Apply(k.Template, b, h.Larder)
	return out, says, nil
}

// SaveIdeaPhoto keeps the picture of an idea, made small; without data it is thrown away.
func (a *App) SaveIdeaPhoto(ctx context.Context, id string, jpeg []byte) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	k, ok := a.onShelf(h, template.Idea, id)
	if !ok {
		return store.ErrNotFound
	}
	k.Photo = len(jpeg) > 0
	raw, err := json.Marshal(k.Template)
	if err != nil {
		return err
	}
	t := h.thing(template.Idea, id)
	t.Document = string(raw)
	_, err = a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}, Picture: &store.Picture{Food: photoPrefix + id, Media: "image/jpeg", Data: jpeg}})
	return err
}

// IdeaPhoto is the picture of an idea.
func (a *App) IdeaPhoto(ctx context.Context, id string) (store.Picture, error) {
	return a.store.Picture(ctx, photoPrefix+id)
}
