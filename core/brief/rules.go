package brief

import (
	"cmp"
	"fmt"
	"maps"
	"slices"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Rules are the house rules: choices between schools of the craft. The zero
// value is the craft's default.
type Rules struct {
	Symmetry    string `json:"symmetry,omitempty"`    // free (default) or mirrored
	Tasting     string `json:"tasting,omitempty"`     // laid mild to strong along the way of guests: none (default), cheese, meat or both
	Crackers    string `json:"crackers,omitempty"`    // some (default), on or beside
	Greenery    string `json:"greenery,omitempty"`    // sparing (default), generous or none
	Showpiece   string `json:"showpiece,omitempty"`   // a hollowed fruit or vegetable with a dip in it: where it suits (default), always or none
	Rinds       string `json:"rinds,omitempty"`       // that nobody eats: off (default) before a cheese is cut, or on
	Style       string `json:"style,omitempty"`       // a style of laying, or "" for the board's own
	SoftRound   string `json:"soft_round,omitempty"`  // cut (default) and kept in its round, or whole
	Heat        string `json:"heat,omitempty"`        // what is heated unasked: none (default), toast, or all
	Bowls       string `json:"bowls,omitempty"`       // how many stand on a board: usual (default), few or many
	FirstSlice  string `json:"first_slice,omitempty"` // of a whole cheese: cut before guests come (default), or left to them
	Begin       string `json:"begin,omitempty"`       // what is laid first: bowls (default), cheese, meat, or everything is marked out before
	HardCheese  string `json:"hard_cheese,omitempty"` // cut (default), broken into rough lumps, or a wedge begun
	Olives      string `json:"olives,omitempty"`      // pitted (default) or stones, which want a dish
	Grapes      string `json:"grapes,omitempty"`      // clusters (default) or plucked
	Vegetarians string `json:"vegetarians,omitempty"` // apart (default) on the same tray, separate trays, or shapes that stand in for meat
	Pregnant    string `json:"pregnant,omitempty"`    // what pregnant guests are advised against stands apart (default), or off the tray altogether
	Variety     string `json:"variety,omitempty"`     // how much being like the trays before counts against a choice: some (default), none or strong
	WarmUpMin   int    `json:"warm_up_min,omitempty"` // minutes that all cheese and meat warms up before serving; 0 for as long as each wants
	Ready       string `json:"ready,omitempty"`       // by when a board is laid: usual (default), a quarter of an hour before serving, hours before, that morning, or the evening before
	Hours       string `json:"hours,omitempty"`       // that perishable food may be out of the cold: two (default), four in one go, or two-and-four
	DryHours    string `json:"dry_hours,omitempty"`   // of aged hard cheese and dry sausage: the same as all that perishes (default), or longer, as their entries say
	Gloves      string `json:"gloves,omitempty"`      // some (default), for cheese and meat, all, or none: clean hands, washed often
	Tools       string `json:"tools,omitempty"`       // that stand ready for guests: a handful (default), shared by what is of a kind, or each food its own
	Gaps        string `json:"gaps,omitempty"`        // closed (default), or airy: a little air left

	// EachG is the grams of a kind for a grown-up at a grazing party, by category, where the house serves otherwise than
	// is usual; for nibbles and meals the same times what is usual there.
	EachG map[string]float64 `json:"each_g,omitempty"`

	// Eats are foods that the house eats anyway: what of their packs stays over is no loss.
	Eats []string `json:"eats,omitempty"`

	// Checks moves thresholds and weights of the review's checks, by their ids.
	Checks map[string]CheckRule `json:"checks,omitempty"`
	Extra  document.Extra       `json:"-"`
}

// CheckRule moves one check of the review; what is left out stays as shipped. Gates
// keep their thresholds, and so does a check whose good and bad value would be one.
type CheckRule struct {
	Good   *float64 `json:"good,omitempty"`   // the value that scores full marks
	Bad    *float64 `json:"bad,omitempty"`    // the value that scores none
	Weight *float64 `json:"weight,omitempty"` // in its group, as Rule.Weight of the review
}

type plainRules Rules

// firstSliceWas is how first_slice was written when it was called begin.
var firstSliceWas = map[string]string{"slice": "cut", "none": "left"}

func (r *Rules) UnmarshalJSON(raw []byte) (err error) {
	r.Extra, err = document.ReadObject(raw, (*plainRules)(r))
	if was, ok := firstSliceWas[r.Begin]; ok {
		r.Begin = ""
		r.FirstSlice = cmp.Or(r.FirstSlice, was)
	}
	return err
}

func (r Rules) MarshalJSON() ([]byte, error) { return document.WriteObject(plainRules(r), r.Extra) }

const (
	maxChecks = 60  // of the review, that a house moves
	mostEachG = 400 // g of one kind for a grown-up
	maxEats   = 100 // foods that a house eats anyway
)

// Check bounds house rules that came from outside. Whether a style and a check exist, those
// who follow them know.
func (r Rules) Check() error {
	for _, c := range []struct {
		field, v string
		allowed  []string
	}{
		{"symmetry", r.Symmetry, []string{"free", "mirrored"}},
		{"tasting", r.Tasting, []string{"none", "cheese", "meat", "both"}},
		{"crackers", r.Crackers, []string{"some", "on", "beside"}},
		{"greenery", r.Greenery, []string{"sparing", "generous", "none"}},
		{"showpiece", r.Showpiece, []string{"suits", "always", "none"}},
		{"rinds", r.Rinds, []string{"off", "on"}},
		{"soft_round", r.SoftRound, []string{"cut", "whole"}},
		{"heat", r.Heat, []string{"none", "toast", "all"}},
		{"bowls", r.Bowls, []string{"usual", "few", "many"}},
		{"first_slice", r.FirstSlice, []string{"cut", "left"}},
		{"begin", r.Begin, []string{"bowls", "cheese", "meat", "marked"}},
		{"hard_cheese", r.HardCheese, []string{"cut", "broken", "begun"}},
		{"olives", r.Olives, []string{"pitted", "stones"}},
		{"grapes", r.Grapes, []string{"clusters", "plucked"}},
		{"variety", r.Variety, []string{"some", "none", "strong"}},
		{"gaps", r.Gaps, []string{"closed", "airy"}},
		{"ready", r.Ready, []string{"usual", "hours", "morning", "evening"}},
		{"hours", r.Hours, []string{"two", "four", "two-and-four"}},
		{"dry_hours", r.DryHours, []string{"same", "longer"}},
		{"tools", r.Tools, []string{"handful", "each"}},
		{"gloves", r.Gloves, []string{"some", "all", "none"}},
		{"pregnant", r.Pregnant, []string{"apart", "off"}},
		{"vegetarians", r.Vegetarians, []string{"apart", "separate", "shapes"}},
	} {
		if c.v == "" {
			continue
		}
		if err := fault.OneOf(c.field, c.v, c.allowed...); err != nil {
			return err
		}
	}
	if err := fault.Text("style", r.Style, 40); err != nil {
		return err
	}
	if err := fault.Between("warm_up_min", float64(r.WarmUpMin), 0, 120, " minutes"); err != nil {
		return err
	}
	for _, c := range slices.Sorted(maps.Keys(r.EachG)) {
		if !slices.Contains(food.Categories, food.Category(c)) || food.Category(c) == food.Garnish || food.Category(c) == food.NotFood {
			return fault.Bad("each_g", "there is no kind of food called %.40q", c)
		}
		if err := fault.Between("each_g."+c, r.EachG[c], 0, mostEachG, " g"); err != nil {
			return err
		}
	}
	if len(r.Eats) > maxEats {
		return fault.Bad("eats", "at most %d foods", maxEats)
	}
	for i, id := range r.Eats {
		if err := fault.Text(fmt.Sprintf("eats[%d]", i), id, 80); err != nil {
			return err
		}
	}
	if len(r.Checks) > maxChecks {
		return fault.Bad("checks", "at most %d checks", maxChecks)
	}
	for _, id := range slices.Sorted(maps.Keys(r.Checks)) {
		if err := fault.Text("checks", id, 40); err != nil {
			return err
		}
		at := "checks." + id
		for _, v := range []struct {
			field     string
			v         *float64
			low, high float64
		}{{".good", r.Checks[id].Good, -1e4, 1e4}, {".bad", r.Checks[id].Bad, -1e4, 1e4}, {".weight", r.Checks[id].Weight, 0, 10}} {
			if v.v == nil {
				continue
			}
			if err := fault.Between(at+v.field, *v.v, v.low, v.high, ""); err != nil {
				return err
			}
		}
		if c := r.Checks[id]; c.Good != nil && c.Bad != nil && *c.Good == *c.Bad {
			return fault.Bad(at, "good and bad should differ")
		}
	}
	return nil
}

// Begins reports whether the first slice of a whole cheese is cut before guests come.
func (r Rules) Begins() bool { return r.FirstSlice != "left" }

// EatsAnyway reports whether what stays over of a food is eaten in the house without being planned for.
func (r Rules) EatsAnyway(id string) bool { return slices.Contains(r.Eats, id) }

// Heats reports whether the house heats a food unasked; what is not heated needs no leave.
func (r Rules) Heats(f *food.Food) bool {
	return f.Heat == nil || r.Heat == "all" || r.Heat == "toast" && f.Heat.How == "toast"
}

// Served is the food as the house serves it: bought ready where it does not heat it and it can be had so.
func (r Rules) Served(f *food.Food) *food.Food {
	if r.Heats(f) {
		return f
	}
	return f.Unheated()
}
