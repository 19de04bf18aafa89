package app

import (
	"errors"
	"strings"
	"testing"

	"happytray/core/fault"
	"happytray/core/food"
)

// What a brief's rules mean for those who follow them is checked where they are read.
func TestRulesAreCheckedByThoseWhoFollowThem(t *testing.T) {
	for doc, field := range map[string]string{
		`{"guests":{"adults":2}}`:                                                "",
		`{"guests":{"adults":2},"rules":{"style":"wheel"}}`:                      "",
		`{"guests":{"adults":2},"rules":{"style":"heap"}}`:                       "rules.style",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.gap":{"weight":2}}}}`:    "",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.beauty":{"weight":2}}}}`: "rules.checks",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.gap":{"weight":-2}}}}`:   "rules.checks.fit.gap.weight",
		`{"guests":{"adults":0},"rules":{"style":"heap"}}`:                       "guests",
	} {
		_, err := ReadBrief([]byte(doc))
		var bad *fault.Error
		if (err == nil) != (field == "") || errors.As(err, &bad) && bad.Field != field {
			t.Errorf("%s: %v, want %q", doc, err, field)
		}
	}
	tray := `{"format":"happytray/1","title":"t","brief":{"guests":{"adults":2}},"board":null,"vessels":[],"elements":[],"reserve":[],"rules":{"style":"STYLE"},"seed":1}`
	if _, err := ReadJob([]byte(strings.Replace(tray, "STYLE", "heap", 1)), food.BuiltIn()); err == nil {
		t.Error("a tray in a heap was read")
	}
	if _, err := ReadJob([]byte(strings.Replace(tray, "STYLE", "meadow", 1)), food.BuiltIn()); err != nil {
		t.Error(err)
	}
}
