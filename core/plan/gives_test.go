package plan_test

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/plan"
	"happytray/core/say"
)

// Wishes that take whole kinds from the tray, or all of a theme, are answered with what gives.
func TestWhatFallsAwayIsSaid(t *testing.T) {
	fourteen := brief.Allergens
	for _, c := range []struct {
		b    brief.Brief
		says []string // of one sentence
	}{
		{brief.Brief{Guests: brief.Guests{Adults: 10}, Diets: []brief.Diet{{Count: 1, Avoid: fourteen}}}, []string{"No cheese", "11 more", "the guest who avoids it", "foods more"}},
		{brief.Brief{Guests: brief.Guests{Adults: 10}, Diets: []brief.Diet{{Avoid: fourteen}}}, []string{"No cheese", "these guests avoid"}},
		{brief.Brief{Guests: brief.Guests{Adults: 10}, Theme: &brief.Theme{Name: "sea", Belongs: []string{"smoked-salmon", "trout-spread"}}, Diets: []brief.Diet{{Avoid: []string{"fish"}}}}, []string{"theme", "sea", "colours"}},
		{brief.Brief{Guests: brief.Guests{Adults: 12}, Budget: 1}, []string{"Over the budget by far", "times as much"}},
	} {
		j, err := plan.FromBrief(c.b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Error(err)
			continue
		}
		said := slices.ContainsFunc(j.Says, func(s say.Text) bool {
			return !slices.ContainsFunc(c.says, func(w string) bool { return !strings.Contains(s.String(), w) })
		})
		if !said {
			t.Errorf("%+v: says %q, want one with %q", c.b.Diets, j.Says, c.says)
		}
	}
	plain, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 10}, Theme: &brief.Theme{Name: "harbour"}, Diets: []brief.Diet{{Count: 1, Avoid: []string{"nuts"}}}}, larder, board.BuiltInCabinet())
	if err != nil || len(plain.Says) > 0 {
		t.Errorf("%v: nothing falls away, and it says %q", err, plain.Says)
	}
}
