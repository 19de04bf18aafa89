package theme

import (
	"slices"
	"strings"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
)

func TestWhatAThemeDoes(t *testing.T) {
	of := func(name string) *Theme { return ForBrief(brief.Brief{Theme: &brief.Theme{Name: name}}) }
	tell := func(name string) string {
		var out []string
		for _, s := range of(name).Does(food.BuiltIn()) {
			out = append(out, s.String())
		}
		return strings.Join(out, " ")
	}
	for name, want := range map[string][]string{
		"afternoon tea": {"looks for small scones", "leaves out peppered salami", "More than usual of fruit and sweets.", "Without pickles and olives."},
		"italian":       {"Most cheese and meat comes from Italy."},
		"seaside":       {"Fish leads, meat follows."},
		"iftar":         {"For iftar nothing with pork or alcohol is chosen"},
	} {
		for _, w := range want {
			if got := tell(name); !strings.Contains(got, w) {
				t.Errorf("%s: %q does not say %q", name, got, w)
			}
		}
	}
	if got := tell("moon dust"); got != "" || (*Theme)(nil).Does(food.BuiltIn()) != nil {
		t.Errorf("a name only does %q", got)
	}
}

// Shares of a theme give way to those of the host.
func TestTilts(t *testing.T) {
	tea := brief.Brief{Theme: &brief.Theme{Name: "tea time"}}
	if got := Tilts(tea); got["sweet"] != 3 || got["brined"] != 0 {
		t.Errorf("%v", got)
	}
	tea.Tilt = map[string]float64{"brined": 1}
	if got := Tilts(tea); got["sweet"] != 3 || got["brined"] != 1 || len(tea.Tilt) != 1 {
		t.Errorf("%v of %v", got, tea.Tilt)
	}
	if got := Tilts(brief.Brief{Tilt: tea.Tilt}); len(got) != 1 {
		t.Errorf("%v", got)
	}
}

func TestOffered(t *testing.T) {
	if got := Offered(12, ""); !slices.Contains(got, "midwinter feast") || slices.Contains(got, "picnic") {
		t.Errorf("in December: %v", got)
	}
	if got := Offered(12, "south"); !slices.Contains(got, "picnic") || !slices.Contains(got, "midwinter feast") || slices.Contains(got, "snow") {
		t.Errorf("in December, in the south: %v", got)
	}
	if got := Offered(0, "south"); len(got) != 0 {
		t.Errorf("of no month: %v", got)
	}
	for _, th := range BuiltIn {
		for c, times := range th.Tilt {
			if !slices.Contains(food.Categories, food.Category(c)) || times < 0 || times > 3 {
				t.Errorf("%s has %s %v times", th.Name, c, times)
			}
		}
		for _, m := range th.Months {
			if m < 1 || m > 12 {
				t.Errorf("%s in month %d", th.Name, m)
			}
		}
		if th.Hour != "" && (len(th.Hour) != 5 || th.Hour[2] != ':' || th.Hour < "06:00" || th.Hour > "23:00") {
			t.Errorf("%s at %s", th.Name, th.Hour)
		}
		for _, from := range th.Origins {
			if !slices.Contains(food.Origins, from) {
				t.Errorf("%s from %s", th.Name, from)
			}
		}
	}
}

// What a theme asks for beyond food is of themes that there are, and said on the Brief.
func TestThemesAskForBoardsAndDrinks(t *testing.T) {
	for name := range asked {
		th := ForBrief(brief.Brief{Theme: &brief.Theme{Name: name}})
		if th.NameOnly || th.Name != name {
			t.Errorf("%s is no theme", name)
		}
	}
	says := ""
	for _, s := range ForBrief(brief.Brief{Theme: &brief.Theme{Name: "high tea"}}).Does(food.BuiltIn()) {
		says += s.String() + " "
	}
	if !strings.Contains(says, "On a round board, where one suits.") || !strings.Contains(says, "To drink: cold black tea with lemon or coffee or strong tea.") {
		t.Error(says)
	}
}

// What a theme has no place for is said, and is a role that boards have.
func TestAThemeSaysWhatItDoesWithout(t *testing.T) {
	n := 0
	for _, th := range BuiltIn {
		for _, id := range th.Without {
			n++
			k := slices.IndexFunc(food.Roles, func(r food.Role) bool { return r.ID == id })
			if k < 0 {
				t.Fatalf("%s does without %q, which is no role", th.Name, id)
			}
			if th.Wants(food.Roles[k], nil) {
				t.Errorf("%s wants %s all the same", th.Name, id)
			}
			if !slices.ContainsFunc(th.Does(food.BuiltIn()), func(s say.Text) bool { return strings.Contains(s.String(), food.Roles[k].Says) }) {
				t.Errorf("%s does not say that it has no %s", th.Name, id)
			}
		}
	}
	if n == 0 {
		t.Error("no theme does without anything")
	}
}
