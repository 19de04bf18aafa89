// Package brief holds what the host says: who comes, when, where, what they do
// not eat, and how the house likes it done.
package brief

import (
	"encoding/json"
	"math"
	"slices"
	"time"

	"happytray/core/board"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Brief is the whole note. Only Guests is required; where there are Packs, not even these: it is for as many as they carry.
type Brief struct {
	Guests        Guests             `json:"guests"`
	Occasion      string             `json:"occasion,omitempty"`      // nibble (default), grazing or meal
	Course        string             `json:"course,omitempty"`        // both (default), savoury or sweet
	Besides       string             `json:"besides,omitempty"`       // what else is served: nothing (default), some or plenty
	ServeAt       string             `json:"serve_at,omitempty"`      // RFC 3339, or without a zone
	LastsMinutes  float64            `json:"lasts_minutes,omitempty"` // how long guests graze; 0 for as long as the occasion usually does
	ReadyBy       string             `json:"ready_by,omitempty"`      // by when all is laid and chilled but for what is finished at the end, written like ServeAt; "" as the house does it
	Sessions      []Session          `json:"sessions,omitempty"`      // hours in which somebody works, in the order of time; none: whenever it is needed
	Sittings      []Sitting          `json:"sittings,omitempty"`      // further times at which the same boards are served, in the order of time
	OvenTaken     []Session          `json:"oven_taken,omitempty"`    // hours in which others have the oven, in the order of time
	Place         string             `json:"place,omitempty"`
	TemperatureC  *float64           `json:"temperature_c,omitempty"` // where the tray stands
	Host          string             `json:"host,omitempty"`
	Note          string             `json:"note,omitempty"`
	Month         int                `json:"month,omitempty"`      // 1 to 12; 0 where nobody says
	Hemisphere    string             `json:"hemisphere,omitempty"` // north (default) or south
	Diets         []Diet             `json:"diets,omitempty"`
	Theme         *Theme             `json:"theme,omitempty"`
	Budget        float64            `json:"budget,omitempty"`           // minor units, in all
	PerGuest      float64            `json:"budget_per_guest,omitempty"` // minor units; counts where Budget is not set
	MinutesAtMost float64            `json:"minutes_at_most,omitempty"`  // of handwork, cutting and laying, in all; 0 for as many as it takes
	Travels       Travels            `json:"travels,omitzero"`
	RoadCold      string             `json:"road_cold,omitempty"`    // how the food travels: in a cool box (default), or open, out of the cold
	FridgeThere   string             `json:"fridge_there,omitempty"` // whether there is a fridge where it is served: yes or no; "" where nobody knows
	Photographed  string             `json:"photographed,omitempty"` // from above, or at a slant; "" for not
	Front         string             `json:"front,omitempty"`
	Access        []string           `json:"access,omitempty"` // sides that guests stand at; none: all round
	Rules         *Rules             `json:"rules,omitempty"`
	Foods         []Want             `json:"foods,omitempty"`        // the whole list, where the host gives one
	Pins          []Want             `json:"pins,omitempty"`         // on the tray whatever else is picked
	Bans          []string           `json:"bans,omitempty"`         // foods that are not to be picked
	Packs         []Pack             `json:"packs,omitempty"`        // what the host has already, and wants on the tray
	Makes         []string           `json:"makes,omitempty"`        // foods that are made in the house and not bought, where there is a recipe
	Buys          *int               `json:"buys_at_most,omitempty"` // foods that may be bought beside what is there; none said: three where there are packs, else as many as it takes
	Tilt          map[string]float64 `json:"tilt,omitempty"`         // by category, how much more (above 1) or less of it than usual; the whole stays the same
	Choice        int                `json:"choice,omitempty"`       // which of the choices of foods that suit; 0 for the one that follows from the brief
	Leaning       string             `json:"leaning,omitempty"`      // what a choice is made for: liked, season or new; "" for a bit of each
	Had           *Memory            `json:"had,omitempty"`          // what was on the trays before, so that this one is another
	Crowd         string             `json:"crowd,omitempty"`        // who is fed, where it is not the host: what they eat is remembered by it
	Learnt        []Learnt           `json:"learnt,omitempty"`       // what evenings before have taught of foods for them
	People        []Person           `json:"people,omitempty"`       // guests with a name, among those who come
	Serving       string             `json:"serving,omitempty"`      // shared (default) or plates, one for each guest
	PlateApart    bool               `json:"plate_apart,omitempty"`  // guests with an allergy get a covered plate of their own, so that the others keep theirs
	Board         *board.Request     `json:"board,omitempty"`
	Boards        []board.Request    `json:"boards,omitempty"`       // a set that shares the food; counts before Board
	Copies        int                `json:"copies,omitempty"`       // tables, or courses, that each get such a board; 0 or 1 for one
	WaveMinutes   int                `json:"wave_minutes,omitempty"` // after which each copy follows the one before it, out of the cold; 0 where all come at once
	Extra         document.Extra     `json:"-"`
}

type plainBrief Brief

func (b *Brief) UnmarshalJSON(raw []byte) (err error) {
	b.Extra, err = document.ReadObject(raw, (*plainBrief)(b))
	return err
}

func (b Brief) MarshalJSON() ([]byte, error) { return document.WriteObject(plainBrief(b), b.Extra) }

// Read reads a brief from JSON and checks it.
func Read(raw []byte) (Brief, error) {
	var b Brief
	if err := document.Read(raw, &b); err != nil {
		return Brief{}, err
	}
	return b, b.Check()
}

// Theme is a name, a palette, a landscape that the food comes from, or all of them.
type Theme struct {
	Name    string         `json:"name,omitempty"`
	Palette []string       `json:"palette,omitempty"`
	Region  string         `json:"region,omitempty"`
	Belongs []string       `json:"belongs,omitempty"` // foods that make it
	Alien   []string       `json:"alien,omitempty"`   // foods that break it: never chosen unasked
	Garnish []string       `json:"garnish,omitempty"`
	Liner   string         `json:"liner,omitempty"` // where a board wants one, #rrggbb
	Extra   document.Extra `json:"-"`
}

type plainTheme Theme

func (t Theme) MarshalJSON() ([]byte, error) { return document.WriteObject(plainTheme(t), t.Extra) }

// UnmarshalJSON reads a name, a list of colours, or an object with both.
func (t *Theme) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &t.Name)
	}
	if len(raw) > 0 && raw[0] == '[' {
		return json.Unmarshal(raw, &t.Palette)
	}
	t.Extra, err = document.ReadObject(raw, (*plainTheme)(t))
	return err
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
		return fault.Bad("", "should be true or false, or the minutes on the road")
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

// ServeDay is the day of serving as it is written, 2026-11-30, or "" where none is set.
func (b Brief) ServeDay() string {
	if at, ok := b.ServeTime(time.UTC); ok {
		return at.Format(time.DateOnly)
	}
	return ""
}

// ServeTime is the serving minute; ok is false when none is set. A time that is written
// without a zone is meant in zone, which is the house's.
func (b Brief) ServeTime(zone *time.Location) (at time.Time, ok bool) {
	return readTime(b.ServeAt, zone)
}

// SeasonMonth is the month to shop in, 1 to 12, or 0 when nothing says.
func (b Brief) SeasonMonth() int {
	if b.Month > 0 {
		return b.Month
	}
	if t, ok := b.ServeTime(time.UTC); ok {
		return int(t.Month())
	}
	return 0
}

// usualMinutes is how long guests graze at each occasion (docs/craft.md, Shares).
var usualMinutes = map[string]float64{"nibble": 60, "grazing": 150, "meal": 120}

// Lasts is how long guests graze, minutes.
func (b Brief) Lasts() float64 {
	if b.LastsMinutes > 0 {
		return b.LastsMinutes
	}
	return usualMinutes[b.For()]
}

// UsualMinutes is how long guests graze at such an occasion when nothing is said.
func (b Brief) UsualMinutes() float64 { return usualMinutes[b.For()] }

// Hot is where food law commonly halves the time out of the fridge (docs/craft.md, Time and care).
const Hot = 32.0

// Warmth is the temperature where the tray stands; a room's when nothing is said.
func (b Brief) Warmth() float64 {
	if b.TemperatureC != nil {
		return *b.TemperatureC
	}
	return 20
}

// Money is the budget in all, minor units; 0 for none.
func (b Brief) Money() float64 {
	if b.Budget > 0 {
		return b.Budget
	}
	return b.PerGuest * float64(b.Guests.Total())
}

// Plates reports whether each guest gets one of their own.
func (b Brief) Plates() bool { return b.Serving == "plates" }

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

// Count is how many guests of the brief the diet is of; a diet without a count is everybody's.
func (b Brief) Count(d Diet) int {
	if d.Count == 0 {
		return b.Guests.Total()
	}
	return d.Count
}

// Avoided lists every word that any guest avoids, in the larder's order.
func (b Brief) Avoided() []string {
	var out []string
	for _, a := range food.Avoidable {
		if slices.ContainsFunc(b.Diets, func(d Diet) bool { return slices.Contains(d.Avoid, a) }) || a == food.Advised && b.Guests.Frail > 0 {
			out = append(out, a)
		}
	}
	return out
}

// OffTheTray lists what no food on this tray may contain. An allergen that any
// guest avoids stays off altogether, because pieces touch on a shared tray; meat
// and the other diet words stay off when at least half of the guests avoid them,
// and are kept apart otherwise. Little carbohydrate is a wish of theirs, and keeps nothing off.
func (b Brief) OffTheTray() []string {
	count := map[string]int{}
	for _, d := range b.Diets {
		for _, a := range d.Avoid {
			count[a] += b.Count(d)
		}
	}
	count[food.Advised] += b.Guests.Frail
	if b.HouseRules().Pregnant == "off" && b.Frail() > 0 {
		count[food.Advised] = b.Guests.Total()
	}
	var off []string
	for _, a := range food.Avoidable {
		if n := count[a]; n > 0 && a != food.LowCarb && (IsAllergen(a) || 2*n >= b.Guests.Total()) {
			off = append(off, a)
		}
	}
	return off
}

// KeptApart lists what some guests avoid and what is kept apart for them on a shared
// tray, as the house does it: meat, pork or beef, and what pregnant guests are advised against, less what stays off altogether.
func (b Brief) KeptApart() []string {
	off := b.OffTheTray()
	var out []string
	if b.Frail() > 0 && !slices.Contains(off, food.Advised) {
		out = append(out, food.Advised)
	}
	if v := b.HouseRules().Vegetarians; v != "" && v != "apart" {
		return out
	}
	for _, w := range []string{"meat", "pork", "beef"} {
		if slices.ContainsFunc(b.Diets, func(d Diet) bool { return slices.Contains(d.Avoid, w) }) && !slices.Contains(off, w) {
			out = append(out, w)
		}
	}
	return out
}

// MostlyYoung reports whether most of the guests are children.
func (b Brief) MostlyYoung() bool { return 2*b.Guests.Children > b.Guests.Total() }

// Young reports whether children come, so that choking cautions are shown.
func (b Brief) Young() bool { return b.Guests.Children > 0 }

// IsDay reports whether a text is a day, written 2026-11-30.
func IsDay(day string) bool {
	_, err := time.Parse(time.DateOnly, day)
	return err == nil
}

// Days is how many days lie between two days written 2026-11-30; ok is false when
// one of them is not a day.
func Days(from, to string) (days int, ok bool) {
	a, errA := time.Parse(time.DateOnly, from)
	b, errB := time.Parse(time.DateOnly, to)
	if errA != nil || errB != nil {
		return 0, false
	}
	return int(math.Round(b.Sub(a).Hours() / 24)), true
}

// Week is the first and the last day of the week, Monday to Sunday, that a day is in.
func Week(day string) (first, last string, ok bool) {
	d, err := time.Parse(time.DateOnly, day)
	if err != nil {
		return "", "", false
	}
	monday := d.AddDate(0, 0, -(int(d.Weekday())+6)%7)
	return monday.Format(time.DateOnly), monday.AddDate(0, 0, 6).Format(time.DateOnly), true
}
