// Package food holds what a tray is made of: foods, the forms they can take,
// and the pieces a form lays out. Sizes are mm, masses g, prices minor units of
// the currency the larder is kept in.
package food

import (
	"bytes"
	"embed"
	"encoding/json"
	"fmt"
	"sort"
	"strings"
	"sync"

	"happytray/core/colour"
)

// Category is the role a food plays on a tray.
type Category string

const (
	Cheese    Category = "cheese"
	Meat      Category = "meat"
	Dip       Category = "dip"
	Brined    Category = "brined"
	Fruit     Category = "fruit"
	Vegetable Category = "vegetable"
	Dried     Category = "dried fruit"
	Nut       Category = "nut"
	Cracker   Category = "cracker"
	Sweet     Category = "sweet"
	Garnish   Category = "garnish"
)

// Categories in the order a larder is read.
var Categories = []Category{Cheese, Meat, Dip, Brined, Fruit, Vegetable, Dried, Nut, Cracker, Sweet, Garnish}

// Wetness says what a food does to its neighbours.
type Wetness string

const (
	Crisp Wetness = "crisp"
	Dry   Wetness = "dry"
	Moist Wetness = "moist"
	Oily  Wetness = "oily"
	Juicy Wetness = "juicy"
	Runny Wetness = "runny"
)

// Wets reports whether the food softens a crisp neighbour.
func (w Wetness) Wets() bool { return w == Juicy || w == Runny }

// Pack is one size the food is sold in.
type Pack struct {
	Grams float64 `json:"grams"`
	Price int     `json:"price"` // minor units
}

// Food is one entry of the larder.
type Food struct {
	ID        string   `json:"id"`
	Name      string   `json:"name"`
	Category  Category `json:"category"`
	Colour    string   `json:"colour"` // outside, as it looks on a board, #rrggbb
	Cut       string   `json:"cut"`    // cut face; the same as Colour when left out
	Density   float64  `json:"density"`
	Wetness   Wetness  `json:"wetness"`
	Firmness  string   `json:"firmness,omitempty"` // cheese: fresh, soft, semi, firm, hard
	Milk      string   `json:"milk,omitempty"`
	Strength  int      `json:"strength"` // 1 mild to 5 strong
	Flavours  []string `json:"flavours"`
	Texture   string   `json:"texture"` // creamy, chewy, crunchy, crumbly, juicy, soft
	Rolls     bool     `json:"rolls,omitempty"`
	Smells    bool     `json:"smells,omitempty"`
	Stone     bool     `json:"stone,omitempty"`
	Allergens []string `json:"allergens"`
	Diet      []string `json:"diet"`   // what the avoid list of a brief names: meat, pork, beef, animal, rennet, alcohol
	Season    []int    `json:"season"` // months in the northern hemisphere; empty: all year
	Packs     []Pack   `json:"packs"`
	KeepsDays int      `json:"keeps_days"`
	WarmUpMin int      `json:"warm_up_min"`
	Tool      string   `json:"tool"`
	Liking    float64  `json:"liking"` // 0 to 1, how many guests take some
	Choking   bool     `json:"choking,omitempty"`
	Pairs     []string `json:"pairs"`
	Forms     []Spec   `json:"forms"`
}

// Spec is one form a food can take, with its own true size. For a form that
// falls into pieces the sizes and the mass are those of one piece.
type Spec struct {
	Form    string  `json:"form"`
	Shape   string  `json:"shape"`
	L       float64 `json:"l"` // mm
	W       float64 `json:"w"` // mm
	H       float64 `json:"h"` // mm
	MassG   float64 `json:"mass_g"`
	Seconds float64 `json:"seconds"`         // handwork for one piece
	Pitch   float64 `json:"pitch,omitempty"` // mm of line one piece takes in a row or trail
	N       int     `json:"n,omitempty"`     // pieces of a whole, such as eighths
	Solid   float64 `json:"solid,omitempty"` // share of its box that is food, when not that of the shape
	Group   int     `json:"group,omitempty"` // pieces that make one generous group
}

// One file for each category, in data/<category>.json.
//
//go:embed data/*.json
var data embed.FS

// Larder is a set of foods by id.
type Larder struct {
	foods []Food
	byID  map[string]int
}

// BuiltIn is the larder that ships with the product.
var BuiltIn = sync.OnceValue(func() *Larder {
	l := &Larder{byID: map[string]int{}}
	for _, c := range Categories {
		file := "data/" + strings.ReplaceAll(string(c), " ", "-") + ".json"
		raw, err := data.ReadFile(file)
		if err == nil {
			err = l.read(raw)
		}
		if err != nil {
			panic("built-in larder, " + file + ": " + err.Error()) // embedded at build time; the tests read it
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
		if f.Cut == "" {
			f.Cut = f.Colour
		}
		if err := f.check(); err != nil {
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

func (f *Food) check() error {
	if f.ID == "" || f.Name == "" {
		return fmt.Errorf("needs an id and a name")
	}
	known := false
	for _, c := range Categories {
		known = known || c == f.Category
	}
	if !known {
		return fmt.Errorf("unknown category %q", f.Category)
	}
	for _, c := range []string{f.Colour, f.Cut} {
		if _, err := colour.Parse(c); err != nil {
			return err
		}
	}
	if len(f.Forms) == 0 || len(f.Packs) == 0 {
		return fmt.Errorf("needs at least one form and one pack")
	}
	for _, p := range f.Packs {
		if p.Grams <= 0 || p.Price <= 0 {
			return fmt.Errorf("a pack needs grams and a price")
		}
	}
	for _, s := range f.Forms {
		if FormByID(s.Form) == nil {
			return fmt.Errorf("unknown form %q", s.Form)
		}
		if s.L <= 0 || s.W <= 0 || s.H <= 0 || s.MassG <= 0 {
			return fmt.Errorf("form %q needs sizes and a mass above zero", s.Form)
		}
		if !knownShape(s.Shape) {
			return fmt.Errorf("form %q: unknown shape %q", s.Form, s.Shape)
		}
	}
	return nil
}

// All lists the foods in larder order; the slice is not to be changed.
func (l *Larder) All() []Food { return l.foods }

// Get finds a food by id.
func (l *Larder) Get(id string) (*Food, bool) {
	i, ok := l.byID[id]
	if !ok {
		return nil, false
	}
	return &l.foods[i], true
}

// IDs lists all ids in alphabetical order.
func (l *Larder) IDs() []string {
	ids := make([]string, 0, len(l.foods))
	for _, f := range l.foods {
		ids = append(ids, f.ID)
	}
	sort.Strings(ids)
	return ids
}

// Spec finds the food's entry for a form.
func (f *Food) Spec(form string) (Spec, bool) {
	for _, s := range f.Forms {
		if s.Form == form {
			return s, true
		}
	}
	return Spec{}, false
}

// InSeason reports whether the food is in season in the month (1 to 12) of the
// hemisphere ("north" or "south"); a food without months always is.
func (f *Food) InSeason(month int, hemisphere string) bool {
	if len(f.Season) == 0 || month == 0 {
		return true
	}
	if hemisphere == "south" {
		month = (month+5)%12 + 1
	}
	for _, m := range f.Season {
		if m == month {
			return true
		}
	}
	return false
}

// Breaks names the first of the avoided things the food contains, or "".
// Words are the 14 allergens and meat, pork, beef, animal, rennet, alcohol.
func (f *Food) Breaks(avoid []string) string {
	for _, a := range avoid {
		for _, has := range f.Allergens {
			if has == a {
				return a
			}
		}
		for _, has := range f.Diet {
			if has == a {
				return a
			}
		}
	}
	return ""
}

// SurfaceColour is the colour that a form of the food shows from above: the cut
// face for whatever is sliced or cut open, the outside otherwise.
func (f *Food) SurfaceColour(s Spec) string {
	switch s.Form {
	case "whole", "cut-round", "drift", "cluster", "sprig", "scatter", "bowl":
		return f.Colour
	}
	return f.Cut
}
