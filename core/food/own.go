package food

import (
	"bytes"
	"encoding/json"
	"fmt"
	"maps"
	"slices"
	"sync"
)

// Own is what a user made of one food. Where the id is that of a food in the
// larder below, Document holds only the members that differ from it; otherwise
// it is a whole food.
type Own struct {
	ID       string
	Document json.RawMessage
	PutAway  bool
}

// Mine is the larder with what a user made of it: changed and own foods, without
// those put away, which Get still finds for the trays that use them. An entry
// that no longer makes a sound food, such as a change to what a release has
// altered, is left out and reported; the built-in food then stands as shipped.
func (l *Larder) Mine(own []Own) (*Larder, []error) {
	var foods []Food
	var faults []error
	away := map[string]bool{}
	for _, o := range own {
		if o.PutAway {
			away[o.ID] = true
		}
		f, differs, err := l.Made(o)
		if err != nil {
			faults = append(faults, err)
		} else if differs {
			foods = append(foods, f)
		}
	}
	return l.With(foods).Without(away), faults
}

// Made is the food that an entry makes of this larder's; differs is false where
// the food stands as it is.
func (l *Larder) Made(o Own) (f Food, differs bool, err error) {
	base, builtIn := l.Get(o.ID)
	if builtIn && len(o.Document) == 0 {
		return *base, false, nil
	}
	if f, err = changed(base, o.Document); err == nil && f.ID != o.ID {
		err = fmt.Errorf("the food is kept as %q", f.ID)
	}
	if err == nil {
		err = f.Check()
	}
	if err != nil {
		return f, false, fmt.Errorf("%s: %w", o.ID, err)
	}
	return f, true, nil
}

// changed is base with the members of a document in place of its own.
func changed(base *Food, document json.RawMessage) (Food, error) {
	var f Food
	if base == nil {
		return f, json.Unmarshal(document, &f)
	}
	members, err := membersOf(base)
	if err != nil {
		return f, err
	}
	if err := json.Unmarshal(document, &members); err != nil { // replaces members, keeps the rest
		return f, err
	}
	raw, err := json.Marshal(members)
	if err != nil {
		return f, err
	}
	return f, json.Unmarshal(raw, &f)
}

func membersOf(f *Food) (map[string]json.RawMessage, error) {
	raw, err := json.Marshal(f)
	if err != nil {
		return nil, err
	}
	members := map[string]json.RawMessage{}
	return members, json.Unmarshal(raw, &members)
}

// Difference is the members of a changed food that differ from base, as a
// document for Own, and their names in order; nil where nothing differs. A member
// that was there and is left out becomes null.
func Difference(base, mine *Food) (json.RawMessage, []string, error) {
	was, err := membersOf(base)
	if err != nil {
		return nil, nil, err
	}
	is, err := membersOf(mine)
	if err != nil {
		return nil, nil, err
	}
	out := map[string]json.RawMessage{}
	for name, v := range is {
		if !bytes.Equal(v, was[name]) {
			out[name] = v
		}
	}
	for name := range was {
		if _, kept := is[name]; !kept {
			out[name] = json.RawMessage("null")
		}
	}
	if len(out) == 0 {
		return nil, nil, nil
	}
	raw, err := json.Marshal(out)
	return raw, ChangedMembers(raw), err
}

// ChangedMembers names the members that a document of Own holds, in order.
func ChangedMembers(document json.RawMessage) []string {
	members := map[string]json.RawMessage{}
	if json.Unmarshal(document, &members) != nil {
		return nil
	}
	return slices.Sorted(maps.Keys(members))
}

// Without hides foods from All and Search; Get still finds them.
func (l *Larder) Without(ids map[string]bool) *Larder {
	if len(ids) == 0 {
		return l
	}
	out := &Larder{under: l, byID: map[string]int{}}
	out.all = sync.OnceValue(func() []Food {
		var list []Food
		for _, f := range l.All() {
			if !ids[f.ID] {
				list = append(list, f)
			}
		}
		return list
	})
	return out
}

// Lot is grams of a food in the cupboard, best before a day written 2026-11-30,
// or "" for as long as it keeps.
type Lot struct {
	Grams      float64 `json:"grams"`
	BestBefore string  `json:"best_before"`
}

// Stock is what the cupboard holds of each food, by id.
type Stock map[string][]Lot

// Stocked is the larder with what stands in its cupboard.
func (l *Larder) Stocked(s Stock) *Larder {
	return &Larder{under: l, byID: map[string]int{}, all: l.All, same: true, stock: s}
}

// Besides is the larder with something beside what stands in its cupboard: the packs that a host has.
func (l *Larder) Besides(s Stock) *Larder {
	if len(s) == 0 {
		return l
	}
	return &Larder{under: l, byID: map[string]int{}, all: l.All, same: true, besides: s}
}

// OnHand is the grams of a food in the cupboard, and of what stands beside it, that are still good on a day, or
// at all where the day is "".
func (l *Larder) OnHand(id, day string) (g float64) {
	for ; l != nil; l = l.under {
		g += l.besides.OnHand(id, day)
		if l.stock != nil {
			return g + l.stock.OnHand(id, day)
		}
	}
	return g
}

// Good is the stock without what is past its day.
func (s Stock) Good(day string) Stock {
	out := Stock{}
	for id, lots := range s {
		for _, l := range lots {
			if l.BestBefore == "" || l.BestBefore >= day {
				out[id] = append(out[id], l)
			}
		}
	}
	return out
}

// OnHand is the grams of a food that are still good on a day.
func (s Stock) OnHand(id, day string) float64 {
	g := 0.0
	for _, l := range s[id] {
		if l.BestBefore == "" || day == "" || l.BestBefore >= day {
			g += l.Grams
		}
	}
	return g
}
