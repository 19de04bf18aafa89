package server

import (
	"strings"
	"testing"

	"happytray/server/api"
)

// The house's way is kept in the settings; new jobs begin with it, those that say otherwise and those that are there do not.
func TestTheHousesWayBeginsABrief(t *testing.T) {
	own, _ := ownDatabase(t, "way")
	d := open(t, own.DSN())
	rules := func(title, brief string) string {
		t.Helper()
		a := d.ask("POST", "/api/v1/jobs", []byte(`{"title":"`+title+`","brief":`+brief+`}`))
		if a.status != 201 {
			t.Fatalf("%d %s", a.status, a.body)
		}
		return string(a.body)
	}
	if got := rules("before", `{"guests":{"adults":5}}`); strings.Contains(got, `"bowls"`) {
		t.Error(got)
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(`{"rules":{"bowls":"few","begin":"none"}}`)); a.status != 200 || !strings.Contains(string(a.body), `"bowls":"few"`) {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for _, bad := range []string{`{"rules":{"bowls":"none"}}`, `{"rules":{"style":"zigzag"}}`, `{"rules":{"warm_up_min":999}}`} {
		if a := d.ask("PUT", "/api/v1/settings", []byte(bad)); a.status != 422 || !strings.Contains(string(a.body), "rules.") {
			t.Errorf("%s: %d %s", bad, a.status, a.body)
		}
	}
	if got := rules("after", `{"guests":{"adults":5}}`); !strings.Contains(got, `"bowls":"few"`) || !strings.Contains(got, `"begin":"none"`) {
		t.Error(got)
	}
	if got := rules("other", `{"guests":{"adults":5},"rules":{"bowls":"many"}}`); !strings.Contains(got, `"bowls":"many"`) || strings.Contains(got, `"begin"`) {
		t.Error(got)
	}
}

// A theme says what it does, one that is not known which are nearest, and the month has its own.
func TestWhatAThemeIsToldToDo(t *testing.T) {
	own, _ := ownDatabase(t, "theme")
	d := open(t, own.DSN())
	told := func(brief string) (out api.ThemeTold) {
		t.Helper()
		d.ask("POST", "/api/v1/theme", []byte(brief)).into(t, &out)
		return out
	}
	if got := told(`{"guests":{"adults":5},"theme":"high tea"}`); !got.Known || got.Name != "tea time" || got.Hour != "15:30" || len(got.Does) < 4 {
		t.Errorf("%+v", got)
	}
	if got := told(`{"guests":{"adults":5},"theme":"moon dust"}`); got.Known || len(got.Nearest) != 3 || len(got.Does) != 0 {
		t.Errorf("%+v", got)
	}
	if got := told(`{"guests":{"adults":5},"month":12}`); got.Known || len(got.Offered) == 0 || got.Nearest == nil || got.Does == nil {
		t.Errorf("%+v", got)
	}
}
