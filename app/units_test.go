package app

import (
	"strings"
	"testing"

	"happytray/core/review"
	"happytray/core/say"
)

// A house that measures in inches and weighs in ounces is told so, and the sentence as it was is there beside it.
func TestFindingsAreShownInTheHousesUnits(t *testing.T) {
	for _, c := range []struct {
		length, mass string
		want         say.Units
	}{{"cm", "g", say.Units{}}, {"in", "g", say.Units{Inches: true}}, {"cm", "oz", say.Units{Ounces: true}}, {"in", "oz", say.Units{Inches: true, Ounces: true, Fahrenheit: true}}} {
		s := usualSettings()
		if s.Length, s.Mass = c.length, c.mass; s.Units() != c.want {
			t.Errorf("%s and %s: %+v", c.length, c.mass, s.Units())
		}
	}
	gap := say.New("fit.gap", say.MM(52))
	r := review.Review{Findings: []review.Finding{{Check: "fit.gap", Says: say.Units{}.Put(gap), Sentence: gap, Places: []review.Place{{Sentence: gap}, {Sentence: gap}}}}}
	us := r.Shown(say.Units{Inches: true})
	f := us.Findings[0]
	if !strings.Contains(f.Shown, "2 in across") || !strings.Contains(f.Shown, "One more like it.") || !strings.Contains(f.Places[1].Shown, "2 in") || !strings.Contains(f.Says, "52 mm") {
		t.Errorf("%+v", f)
	}
	if r.Findings[0].Shown != "" || r.Findings[0].Places[0].Shown != "" {
		t.Error("the review that others hold was changed")
	}
	if m := r.Shown(say.Units{}); m.Findings[0].Shown != "" {
		t.Error("the usual units are shown twice")
	}
}
