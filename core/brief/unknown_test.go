package brief

import (
	"strings"
	"testing"
)

func TestUnknownMembersAreNamed(t *testing.T) {
	b, err := Read([]byte(`{"guests":{"adults":4,"childern":2},"sweet":true,"Serve At":"x","ocasion":"meal","mood":"blue",
		"diets":[{"avoid":[],"numbr":1},{"avoid":[]}],"rules":{"stlye":"wheel"},"foods":["figs",{"food":"honey","gramms":20}],"theme":{"pallette":["#112233"]}}`))
	if err != nil {
		t.Fatal(err)
	}
	var got []string
	for _, u := range b.Unknown() {
		got = append(got, u.Path+"="+u.Meant)
	}
	want := "Serve At=serve_at mood= ocasion=occasion sweet=course guests.childern=guests.children diets[0].numbr= theme.pallette=theme.palette rules.stlye=rules.style foods[1].gramms=foods[1].grams"
	if s := strings.Join(got, " "); s != want {
		t.Errorf("%s\nwant %s", s, want)
	}
	if s := (UnknownMember{"sweet", "course"}).Says(); !strings.Contains(s, `"sweet"`) || !strings.Contains(s, `did you mean "course"?`) {
		t.Error(s)
	}
	if len((Brief{Guests: Guests{Adults: 2}}).Unknown()) != 0 {
		t.Error("something is unknown of nothing")
	}
}

// With two faults the same one is named every time.
func TestTheSameFaultIsNamed(t *testing.T) {
	for range 30 {
		_, err := Read([]byte(`{"guests":{"adults":4},"rules":{"checks":{"z":{"weight":-1},"k":{"weight":-1},"a":{"weight":-1}}}}`))
		if err == nil || !strings.HasPrefix(err.Error(), "rules.checks.a.weight") {
			t.Fatalf("%v", err)
		}
		if _, err = Read([]byte(`{"guests":{"adults":4},"tilt":{"stone":1,"moon":1,"cheese":9}}`)); err == nil || !strings.Contains(err.Error(), "cheese") {
			t.Fatalf("%v", err)
		}
	}
}
