package server

import (
	"context"
	"fmt"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/review"
	"happytray/core/theme"
)

// The contract tells the browser the words of the craft, and they are those of the core.
func TestTheContractsWordsAreTheCores(t *testing.T) {
	doc, err := readContract()
	if err != nil {
		t.Fatal(err)
	}
	if err := doc.Validate(context.Background()); err != nil {
		t.Fatal(err)
	}
	var groups []string
	for _, g := range review.Groups {
		groups = append(groups, g.Name)
	}
	var themes []string
	for _, t := range theme.BuiltIn {
		themes = append(themes, t.Name)
	}
	for name, want := range map[string]any{"Allergen": food.Allergens, "DietWord": food.DietWords, "Advisory": food.Advisories, "Category": food.Categories, "Wetness": food.Wetnesses, "Firmness": food.Firmnesses,
		"Milk": food.Milks, "Setting": food.Settings, "Rind": food.Rinds, "Texture": food.Textures, "Flavour": food.Flavours, "Region": food.Regions, "Style": brief.Styles, "ThemeName": themes, "ReviewGroup": groups} {
		s := doc.Components.Schemas[name]
		if s == nil || fmt.Sprint(s.Value.Enum) != fmt.Sprint(want) {
			t.Errorf("the contract's %s are %v, the core's %v", name, s.Value.Enum, want)
		}
	}
}
