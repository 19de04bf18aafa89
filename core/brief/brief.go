// Package brief holds what the host says: who comes, when, where, what they do
// not eat, and how the house likes it done.
package brief

import (
	"encoding/json"
	"fmt"
	"time"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/wire"
)

// Guests counts who comes.
type Guests struct {
	Adults   int        `json:"adults"`
	Children int        `json:"children"`
	Extra    wire.Extra `json:"-"`
}

type plainGuests Guests

func (g *Guests) UnmarshalJSON(raw []byte) (err error) {
	g.Extra, err = wire.ReadObject(raw, (*plainGuests)(g))
	return err
}

func (g Guests) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainGuests(g), g.Extra) }

// Total is everybody.
func (g Guests) Total() int { return g.Adults + g.Children }

// Appetites counts a child as half an adult.
func (g Guests) Appetites() float64 { return float64(g.Adults) + .5*float64(g.Children) }

// Diet is a group of guests and what they avoid. Count zero means everybody.
type Diet struct {
	Who   string     `json:"who,omitempty"`
	Count int        `json:"count,omitempty"`
	Avoid []string   `json:"avoid"`
	Extra wire.Extra `json:"-"`
}

type plainDiet Diet

func (d *Diet) UnmarshalJSON(raw []byte) (err error) {
	d.Extra, err = wire.ReadObject(raw, (*plainDiet)(d))
	return err
}

func (d Diet) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainDiet(d), d.Extra) }

// Allergens and DietWords are what a guest may avoid, as the larder names it.
var (
	Allergens = food.Allergens
	DietWords = food.DietWords
)

// IsAllergen reports whether word is one of the 14.
func IsAllergen(word string) bool {
	for _, a := range Allergens {
		if a == word {
			return true
		}
	}
	return false
}

// Want names one food that must be on the tray, with its form and amount where
// the host has said so.
type Want struct {
	Food   string     `json:"food"`
	Form   string     `json:"form,omitempty"`
	Grams  float64    `json:"grams,omitempty"`
	Vessel string     `json:"vessel,omitempty"` // where a form stands in one
	Extra  wire.Extra `json:"-"`
}

type plainWant Want

// UnmarshalJSON reads a food's id, or an object with food, form and grams.
func (w *Want) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &w.Food)
	}
	w.Extra, err = wire.ReadObject(raw, (*plainWant)(w))
	if id, ok := w.Extra["id"]; ok && err == nil && w.Food == "" { // the food may be called id, as the larder calls it
		delete(w.Extra, "id")
		err = json.Unmarshal(id, &w.Food)
	}
	return err
}

func (w Want) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainWant(w), w.Extra) }

// Theme is a name, a palette, or both.
type Theme struct {
	Name    string     `json:"name,omitempty"`
	Palette []string   `json:"palette,omitempty"`
	Extra   wire.Extra `json:"-"`
}

type plainTheme Theme

func (t Theme) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainTheme(t), t.Extra) }

// UnmarshalJSON reads a name, a list of colours, or an object with both.
func (t *Theme) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &t.Name)
	}
	if len(raw) > 0 && raw[0] == '[' {
		return json.Unmarshal(raw, &t.Palette)
	}
	t.Extra, err = wire.ReadObject(raw, (*plainTheme)(t))
	return err
}

// Rules are the house rules: choices between schools of the craft. The zero
// value is the craft's default.
type Rules struct {
	Symmetry string     `json:"symmetry,omitempty"` // free (default) or mirrored
	Crackers string     `json:"crackers,omitempty"` // some (default), on or beside
	Greenery string     `json:"greenery,omitempty"` // sparing (default) or none
	Style    string     `json:"style,omitempty"`    // a style of laying, or "" for the board's own
	Extra    wire.Extra `json:"-"`
}

type plainRules Rules

func (r *Rules) UnmarshalJSON(raw []byte) (err error) {
	r.Extra, err = wire.ReadObject(raw, (*plainRules)(r))
	return err
}

func (r Rules) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainRules(r), r.Extra) }

// Styles of laying a tray.
var Styles = []string{"corners", "winding", "mirrored", "wheel", "meadow"}

// Check bounds house rules that came from outside.
func (r Rules) Check() error {
	for _, c := range []struct {
		field, v string
		allowed  []string
	}{{"symmetry", r.Symmetry, []string{"free", "mirrored"}}, {"crackers", r.Crackers, []string{"some", "on", "beside"}},
		{"greenery", r.Greenery, []string{"sparing", "none"}}, {"style", r.Style, Styles}} {
		if c.v == "" {
			continue
		}
		if err := wire.OneOf(c.field, c.v, c.allowed...); err != nil {
			return err
		}
	}
	return nil
}

// Travels says whether the tray goes on the road, and for how many minutes
// where the host has said so.
type Travels struct {
	Yes     bool
	Minutes float64
}

// UnmarshalJSON reads true, false, null or a number of minutes.
func (t *Travels) UnmarshalJSON(raw []byte) error {
	*t = Travels{}
	if json.Unmarshal(raw, &t.Yes) == nil {
		return nil
	}
	if err := json.Unmarshal(raw, &t.Minutes); err != nil {
		return wire.Bad("", "should be true or false, or the minutes on the road")
	}
	t.Yes = t.Minutes > 0
	return nil
}

// MarshalJSON writes what was read: the minutes, or yes or no.
func (t Travels) MarshalJSON() ([]byte, error) {
	if t.Minutes > 0 {
		return json.Marshal(t.Minutes)
	}
	return json.Marshal(t.Yes)
}

// Brief is the whole note. Only Guests is required.
type Brief struct {
	Guests     Guests         `json:"guests"`
	Occasion   string         `json:"occasion,omitempty"` // nibble (default), grazing or meal
	ServeAt    string         `json:"serve_at,omitempty"` // RFC 3339, or without a zone
	Place      string         `json:"place,omitempty"`
	Host       string         `json:"host,omitempty"`
	Note       string         `json:"note,omitempty"`
	Month      int            `json:"month,omitempty"`
	Hemisphere string         `json:"hemisphere,omitempty"` // north (default) or south
	Diets      []Diet         `json:"diets,omitempty"`
	Theme      *Theme         `json:"theme,omitempty"`
	Budget     float64        `json:"budget,omitempty"` // minor units, in all
	Travels    Travels        `json:"travels,omitzero"`
	Front      string         `json:"front,omitempty"`
	Rules      *Rules         `json:"rules,omitempty"`
	Foods      []Want         `json:"foods,omitempty"`
	Board      *board.Request `json:"board,omitempty"`
	Extra      wire.Extra     `json:"-"`
}

type plainBrief Brief

func (b *Brief) UnmarshalJSON(raw []byte) (err error) {
	b.Extra, err = wire.ReadObject(raw, (*plainBrief)(b))
	return err
}

func (b Brief) MarshalJSON() ([]byte, error) { return wire.WriteObject(plainBrief(b), b.Extra) }

// Read reads a brief from JSON and checks it.
func Read(raw []byte) (Brief, error) {
	var b Brief
	if err := wire.Read(raw, &b); err != nil {
		return Brief{}, err
	}
	return b, b.Check()
}

// Check bounds a brief that came from outside.
func (b Brief) Check() error {
	if b.Guests.Adults < 0 || b.Guests.Children < 0 {
		return wire.Bad("guests", "nobody can be fewer than nought")
	}
	if b.Guests.Adults > 2000 || b.Guests.Children > 2000 || b.Guests.Total() < 1 || b.Guests.Total() > 2000 {
		return wire.Bad("guests", "say how many guests come, between 1 and 2000")
	}
	if b.Occasion != "" {
		if err := wire.OneOf("occasion", b.Occasion, "nibble", "grazing", "meal"); err != nil {
			return err
		}
	}
	if b.ServeAt != "" {
		if _, ok := b.ServeTime(); !ok {
			return wire.Bad("serve_at", "write the time as 2026-11-27T19:00")
		}
	}
	if b.Month < 0 || b.Month > 12 {
		return wire.Bad("month", "should be between 1 and 12")
	}
	if b.Hemisphere != "" {
		if err := wire.OneOf("hemisphere", b.Hemisphere, "north", "south"); err != nil {
			return err
		}
	}
	if len(b.Diets) > 20 {
		return wire.Bad("diets", "at most 20 groups of guests")
	}
	for i, d := range b.Diets {
		at := fmt.Sprintf("diets[%d]", i)
		if d.Count < 0 || d.Count > b.Guests.Total() {
			return wire.Bad(at+".count", "should be between 0 and the number of guests, %d", b.Guests.Total())
		}
		if len(d.Avoid) > 30 {
			return wire.Bad(at+".avoid", "at most 30 things")
		}
		if err := wire.Text(at+".who", d.Who, 80); err != nil {
			return err
		}
		for j, a := range d.Avoid {
			if err := wire.OneOf(fmt.Sprintf("%s.avoid[%d]", at, j), a, append(append([]string(nil), Allergens...), DietWords...)...); err != nil {
				return err
			}
		}
	}
	if b.Theme != nil {
		if err := wire.Text("theme.name", b.Theme.Name, 80); err != nil {
			return err
		}
		if len(b.Theme.Palette) > 12 {
			return wire.Bad("theme.palette", "at most 12 colours")
		}
		for i, c := range b.Theme.Palette {
			if _, err := colour.Parse(c); err != nil {
				return wire.Bad(fmt.Sprintf("theme.palette[%d]", i), "%s", err.Error())
			}
		}
	}
	if err := wire.Between("travels", b.Travels.Minutes, 0, 10080, " minutes"); err != nil {
		return err
	}
	if err := wire.Between("budget", b.Budget, 0, 1e9, ""); err != nil {
		return err
	}
	if b.Front != "" {
		if err := wire.OneOf("front", b.Front, "none", "top", "right", "bottom", "left"); err != nil {
			return err
		}
	}
	for _, c := range []struct {
		field, v string
		most     int
	}{{"place", b.Place, 160}, {"host", b.Host, 160}, {"note", b.Note, 2000}} {
		if err := wire.Text(c.field, c.v, c.most); err != nil {
			return err
		}
	}
	if b.Rules != nil {
		if err := b.Rules.Check(); err != nil {
			return wire.In("rules", err)
		}
	}
	if len(b.Foods) > 120 {
		return wire.Bad("foods", "at most 120 foods")
	}
	seen := map[string]bool{}
	for i, w := range b.Foods {
		at := fmt.Sprintf("foods[%d]", i)
		if err := wire.Text(at, w.Food, 80); err != nil {
			return err
		}
		if seen[w.Food] {
			return wire.Bad(at, "%.60q is listed twice", w.Food)
		}
		seen[w.Food] = true
		if err := wire.Between(at+".grams", w.Grams, 0, 1e6, " g"); err != nil {
			return err
		}
	}
	if b.Board != nil {
		if err := wire.Text("board.id", b.Board.ID, 80); err != nil {
			return err
		}
	}
	if b.Board != nil && !b.Board.Zero() && !b.Board.Named() { // whether a named board exists, a cabinet knows
		if _, err := board.Make(*b.Board); err != nil {
			return wire.In("board", err)
		}
	}
	return nil
}

// ServeDay is the day of serving, written 2026-11-30, or "" where none is set.
func (b Brief) ServeDay() string {
	if at, ok := b.ServeTime(); ok {
		return at.Format("2006-01-02")
	}
	return ""
}

// ServeTime is the serving minute; ok is false when none is set. The zone is
// kept as written, and missing zones mean local time.
func (b Brief) ServeTime() (time.Time, bool) {
	for _, layout := range []string{time.RFC3339, "2006-01-02T15:04:05", "2006-01-02T15:04", "2006-01-02 15:04", "2006-01-02"} {
		if t, err := time.Parse(layout, b.ServeAt); err == nil {
			return t, true
		}
	}
	return time.Time{}, false
}

// SeasonMonth is the month to shop in, 1 to 12, or 0 when nothing says.
func (b Brief) SeasonMonth() int {
	if b.Month > 0 {
		return b.Month
	}
	if t, ok := b.ServeTime(); ok {
		return int(t.Month())
	}
	return 0
}

// For is the occasion with its default.
func (b Brief) For() string {
	if b.Occasion == "" {
		return "nibble"
	}
	return b.Occasion
}

// HouseRules are the brief's rules, or the defaults.
func (b Brief) HouseRules() Rules {
	if b.Rules != nil {
		return *b.Rules
	}
	return Rules{}
}

// OffTheTray lists what no food on this tray may contain. An allergen that any
// guest avoids stays off altogether, because pieces touch on a shared tray; meat
// and the other diet words stay off when at least half of the guests avoid them,
// and are kept apart otherwise.
func (b Brief) OffTheTray() []string {
	count := map[string]int{}
	for _, d := range b.Diets {
		n := d.Count
		if n == 0 {
			n = b.Guests.Total()
		}
		for _, a := range d.Avoid {
			count[a] += n
		}
	}
	var off []string
	for _, a := range append(append([]string(nil), Allergens...), DietWords...) {
		if n := count[a]; n > 0 && (IsAllergen(a) || 2*n >= b.Guests.Total()) {
			off = append(off, a)
		}
	}
	return off
}

// Young reports whether children come, so that choking cautions are shown.
func (b Brief) Young() bool { return b.Guests.Children > 0 }
