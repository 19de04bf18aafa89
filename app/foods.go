package app

import (
	"context"
	"encoding/json"
	"fmt"
	"strings"
	"time"
	"unicode"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/store"
)

// Hasty is what is said of a food that is added in one line (food.Larder.Hasty).
type Hasty struct {
	Kind                  food.Category
	PieceG, PackG, LongMM float64
}

// NewFood makes a food of the house's own under a name: a copy of another, one that somebody adds in one line, or one of
// which nothing is known yet. However many are made at once under one name, each gets an id.
func (a *App) NewFood(ctx context.Context, name, from string, in *Hasty) (id string, err error) {
	h, err := a.fresh(ctx)
	if err != nil {
		return "", err
	}
	f := food.Blank()
	if in != nil {
		if f, err = h.All.Hasty(name, in.Kind, in.PieceG, in.PackG, in.LongMM); err != nil {
			return "", err
		}
	}
	if from != "" {
		of, ok := h.All.Get(from)
		if !ok {
			return "", fault.Bad("from", "there is no food %.60q; choose one of the larder to begin with", from)
		}
		f = *of
	}
	f.Name = name
	n := &store.NewEntry{Kind: store.KindFood, IDs: idsFor(name, func(id string) bool { return h.knows(store.KindFood, id) }),
		Make: func(id string) (string, error) {
			f.ID = id
			if err := f.Check(); err != nil {
				return "", err
			}
			raw, err := json.Marshal(f)
			return string(raw), err
		}}
	_, err = a.store.ChangeHouse(ctx, store.Change{New: n})
	return n.ID, err
}

// mostIDs bounds how many names are tried for one thing.
const mostIDs = 2000

// idsFor are ids made of a name, the plain one first, without those that are taken.
func idsFor(name string, taken func(string) bool) func(yield func(string) bool) {
	base := idOf(name)
	return func(yield func(string) bool) {
		for n := range mostIDs {
			id := base
			if n > 0 {
				id = fmt.Sprintf("%s-%d", base, n+1)
			}
			if !taken(id) && !yield(id) {
				return
			}
		}
	}
}

// idOf makes an id of a name: small letters, digits and hyphens, at most 48.
func idOf(name string) string {
	var b strings.Builder
	for _, r := range strings.ToLower(name) {
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9':
			b.WriteRune(r)
		case unicode.IsSpace(r) || r == '-' || r == '_' || r == ',':
			if n := b.Len(); n > 0 && b.String()[n-1] != '-' {
				b.WriteByte('-')
			}
		}
		if b.Len() >= 48 {
			break
		}
	}
	if base := strings.Trim(b.String(), "-"); base != "" {
		return base
	}
	return "mine"
}

// SaveFood keeps a food as it is given; of a built-in one only what differs. version is
// the one the caller saw.
func (a *App) SaveFood(ctx context.Context, f food.Food, version int64) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	if err := f.Check(); err != nil {
		return err
	}
	if !h.knows(store.KindFood, f.ID) {
		return store.ErrNotFound
	}
	t, err := h.thingOf(&f)
	if err != nil {
		return err
	}
	t.Version = version
	_, err = a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}})
	return err
}

// thingOf is how a food is kept: of a built-in one only what differs.
func (h *House) thingOf(f *food.Food) (store.Entry, error) {
	t := h.thing(store.KindFood, f.ID)
	var raw json.RawMessage
	var err error
	if base, builtIn := h.builtIn.Get(f.ID); builtIn {
		raw, _, err = food.Difference(base, f)
	} else {
		raw, err = json.Marshal(f)
	}
	t.Document = string(raw)
	return t, err
}

// ChangedMembers names the members of a food that differ from the built-in one's.
func (h *House) ChangedMembers(id string) []string {
	if h.State(store.KindFood, id).Mine != "changed" {
		return []string{}
	}
	return food.ChangedMembers(json.RawMessage(h.thing(store.KindFood, id).Document))
}

// ErrOwn is told where something of the house's own is to be handed back.
var ErrOwn = fault.Bad("id", "this food is your own, and there is no built-in one to hand it back to; put it away instead")

// HandFoodBack gives up the changes to a built-in food.
func (a *App) HandFoodBack(ctx context.Context, id string) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	switch {
	case !h.knows(store.KindFood, id):
		return store.ErrNotFound
	case !h.shipped(store.KindFood, id):
		return ErrOwn
	}
	t := h.thing(store.KindFood, id)
	if t.Document == "" {
		return nil
	}
	t.Document = ""
	_, err = a.store.ChangeHouse(ctx, store.Change{Things: []store.Entry{t}})
	return err
}

// KeepsUntil is the day until which a lot of a food that is opened today keeps, by the house's calendar.
func (a *App) KeepsUntil(ctx context.Context, f *food.Food) (string, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return "", err
	}
	return a.now().In(s.Location()).AddDate(0, 0, f.KeepsDays).Format(time.DateOnly), nil
}

// SaveStock keeps what the cupboard holds of a food, out of what it held when it was looked at, seen: store.ErrConflict
// where it holds something else by now. Where seen is nil nobody has looked.
func (a *App) SaveStock(ctx context.Context, id string, lots, seen []food.Lot) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	if !h.knows(store.KindFood, id) {
		return store.ErrNotFound
	}
	keep := []store.Lot{}
	days := map[string]bool{}
	for i, l := range lots {
		at := fmt.Sprintf("lots[%d].best_before", i)
		if l.BestBefore != "" && !brief.IsDay(l.BestBefore) {
			return fault.Bad(at, "should be a day such as 2026-11-30, or empty")
		}
		if days[l.BestBefore] {
			return fault.Bad(at, "two lots have the same day; take them together")
		}
		days[l.BestBefore] = true
		if l.Grams > 0 {
			keep = append(keep, store.Lot{Food: id, Grams: l.Grams, BestBefore: l.BestBefore})
		}
	}
	_, err = a.store.ChangeHouse(ctx, store.Change{Lots: map[string]store.LotsOf{id: func(was []store.Lot) ([]store.Lot, error) {
		if seen != nil && !sameLots(was, seen) {
			return nil, store.ErrConflict
		}
		return keep, nil
	}}})
	return err
}

// sameLots reports whether the cupboard holds what was seen there, in whatever order.
func sameLots(was []store.Lot, seen []food.Lot) bool {
	by := map[string]float64{}
	for _, l := range was {
		by[l.BestBefore] = l.Grams
	}
	for _, l := range seen {
		if g, ok := by[l.BestBefore]; !ok || g != l.Grams {
			return false
		}
		delete(by, l.BestBefore)
	}
	return len(by) == 0
}

// SavePhoto keeps a photograph of a food, a small JPEG; without data it throws it away.
func (a *App) SavePhoto(ctx context.Context, id string, jpeg []byte) error {
	h, err := a.fresh(ctx)
	if err != nil {
		return err
	}
	if !h.knows(store.KindFood, id) {
		return store.ErrNotFound
	}
	_, err = a.store.ChangeHouse(ctx, store.Change{Picture: &store.Picture{Food: id, Media: "image/jpeg", Data: jpeg}})
	return err
}

// Shelf is the foods of a category that a search found: at most so many, of Total.
type Shelf struct {
	Category food.Category
	Total    int
	Foods    []*food.Food
}

// Shelves is what a search of the larder found.
type Shelves struct {
	Total   int
	Traces  int // foods left out because traces of what is to be without may be in them
	Shelves []Shelf
}

// Search looks through the larder, or through what is put away, shelf by shelf.
func (h *House) Search(q food.Query, away bool, perShelf int) Shelves {
	larder := h.Larder
	if away {
		larder = h.All
	}
	of := func(f *food.Food) bool { return !away || h.State(store.KindFood, f.ID).PutAway }
	var out Shelves
	if len(q.Without) > 0 {
		with := q
		with.Without = nil
		for _, f := range larder.Search(with) {
			if v, _ := diet.Avoiding(q.Without, f); v == diet.Traces && of(f) {
				out.Traces++
			}
		}
	}
	at := map[food.Category]int{}
	for i, cat := range food.Categories {
		at[cat] = i
		out.Shelves = append(out.Shelves, Shelf{Category: cat})
	}
	for _, f := range larder.Search(q) {
		if !of(f) {
			continue
		}
		shelf := &out.Shelves[at[f.Category]]
		shelf.Total++
		out.Total++
		if len(shelf.Foods) < perShelf {
			shelf.Foods = append(shelf.Foods, f)
		}
	}
	return out
}

// Meant is a food that people mean by some words. Called is what a job shows it as if it is taken by them, where they
// are another name of it; "" else.
type Meant struct {
	Food   *food.Food
	Called string
}

// Find lists at most so many foods that are meant by a text, best first, without those put away.
func (h *House) Find(text string, most int) []Meant {
	called := ""
	meant, ok := h.Larder.Meant(text)
	if ok {
		called = plan.Called(text, meant)
	}
	var out []Meant
	for _, f := range h.Larder.Find(text) {
		if len(out) == most {
			break
		}
		one := Meant{Food: f}
		if ok && f.ID == meant.ID {
			one.Called = called
		}
		out = append(out, one)
	}
	return out
}
