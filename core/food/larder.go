package food

import (
	"archive/zip"
	"bytes"
	_ "embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"sort"
	"strings"
	"sync"
)

// One file for each category, data/<category>.json, packed by make generate (scripts/packlarder): as text they are a third
// of a megabyte of the program.
//
//go:embed data.zip
var packed []byte

// Larder is a set of foods by id. One made by With lies over another, which it
// leaves as it is.
type Larder struct {
	under   *Larder
	stock   Stock  // what stands in the cupboard, where this one says so
	besides Stock  // what stands beside the cupboard of the one below
	market  Market // what a shop offers, where this one says so
	foods   []Food
	byID    map[string]int
	all     func() []Food
	same    bool // the foods are those of the larder below
	once    sync.Once
	index   *nameIndex
}

// With is the larder with more foods in it; one of the same id takes the place
// of the old. The foods are not checked again.
func (l *Larder) With(foods []Food) *Larder {
	if len(foods) == 0 {
		return l
	}
	out := &Larder{under: l, foods: foods, byID: make(map[string]int, len(foods))}
	for i := range foods {
		out.byID[foods[i].ID] = i
	}
	out.all = sync.OnceValue(func() []Food {
		list := make([]Food, 0, len(l.All())+len(foods))
		seen := map[string]bool{}
		for _, f := range l.All() {
			if i, own := out.byID[f.ID]; own {
				f = foods[i]
			}
			seen[f.ID] = true
			list = append(list, f)
		}
		for i := range foods {
			if !seen[foods[i].ID] && out.byID[foods[i].ID] == i {
				list = append(list, foods[i])
			}
		}
		return list
	})
	return out
}

// BuiltIn is the larder that ships with the product.
var BuiltIn = sync.OnceValue(func() *Larder {
	l := &Larder{byID: map[string]int{}}
	data, err := zip.NewReader(bytes.NewReader(packed), int64(len(packed)))
	if err != nil {
		panic("built-in larder: " + err.Error()) // embedded at build time; the tests read it
	}
	for _, c := range Categories {
		file := "data/" + strings.ReplaceAll(string(c), " ", "-") + ".json"
		raw, err := fs.ReadFile(data, file)
		if err == nil {
			err = l.read(raw)
		}
		if err != nil {
			panic("built-in larder, " + file + ": " + err.Error())
		}
	}
	return l
})

// ReadLarder reads a larder from JSON and checks every entry.
func ReadLarder(b []byte) (*Larder, error) {
	l := &Larder{byID: map[string]int{}}
	return l, l.read(b)
}

func (l *Larder) read(b []byte) error {
	dec := json.NewDecoder(bytes.NewReader(b))
	dec.DisallowUnknownFields()
	var foods []Food
	if err := dec.Decode(&foods); err != nil {
		return err
	}
	for i := range foods {
		f := &foods[i]
		if err := f.Check(); err != nil {
			return fmt.Errorf("food %q: %w", f.ID, err)
		}
		if _, twice := l.byID[f.ID]; twice {
			return fmt.Errorf("food %q is listed twice", f.ID)
		}
		l.byID[f.ID] = len(l.foods)
		l.foods = append(l.foods, *f)
	}
	return nil
}

// All lists the foods in larder order; the slice is not to be changed.
func (l *Larder) All() []Food {
	if l.under != nil {
		return l.all()
	}
	return l.foods
}

// Get finds a food by id.
func (l *Larder) Get(id string) (*Food, bool) {
	if i, ok := l.byID[id]; ok {
		return &l.foods[i], true
	}
	if l.under != nil {
		return l.under.Get(id)
	}
	return nil, false
}

// IDs lists all ids in alphabetical order.
func (l *Larder) IDs() []string {
	all := l.All()
	ids := make([]string, 0, len(all))
	for i := range all {
		ids = append(ids, all[i].ID)
	}
	sort.Strings(ids)
	return ids
}
