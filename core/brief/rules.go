package brief

import "happytray/core/wire"

// Rules are the house rules: choices between schools of the craft. The zero
// value is the craft's default.
type Rules struct {
	Symmetry    string     `json:"symmetry,omitempty"`    // free (default) or mirrored
	Crackers    string     `json:"crackers,omitempty"`    // some (default), on or beside
	Greenery    string     `json:"greenery,omitempty"`    // sparing (default) or none
	Style       string     `json:"style,omitempty"`       // a style of laying, or "" for the board's own
	SoftRound   string     `json:"soft_round,omitempty"`  // cut (default) and kept in its round, or whole
	HardCheese  string     `json:"hard_cheese,omitempty"` // cut (default), or broken into rough lumps
	Olives      string     `json:"olives,omitempty"`      // pitted (default) or stones, which want a dish
	Grapes      string     `json:"grapes,omitempty"`      // clusters (default) or plucked
	Vegetarians string     `json:"vegetarians,omitempty"` // apart (default) on the same tray, separate trays, or shapes that stand in for meat
	Extra       wire.Extra `json:"-"`
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
	}{
		{"symmetry", r.Symmetry, []string{"free", "mirrored"}},
		{"crackers", r.Crackers, []string{"some", "on", "beside"}},
		{"greenery", r.Greenery, []string{"sparing", "none"}},
		{"style", r.Style, Styles},
		{"soft_round", r.SoftRound, []string{"cut", "whole"}},
		{"hard_cheese", r.HardCheese, []string{"cut", "broken"}},
		{"olives", r.Olives, []string{"pitted", "stones"}},
		{"grapes", r.Grapes, []string{"clusters", "plucked"}},
		{"vegetarians", r.Vegetarians, []string{"apart", "separate", "shapes"}},
	} {
		if c.v == "" {
			continue
		}
		if err := wire.OneOf(c.field, c.v, c.allowed...); err != nil {
			return err
		}
	}
	return nil
}
