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
	if a := d.ask("PUT", "/api/v1/settings", []byte(`{"rules":{"bowls":"few","first_slice":"left"}}`)); a.status != 200 || !strings.Contains(string(a.body), `"bowls":"few"`) {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for _, bad := range []string{`{"rules":{"bowls":"none"}}`, `{"rules":{"style":"zigzag"}}`, `{"rules":{"warm_up_min":999}}`} {
		if a := d.ask("PUT", "/api/v1/settings", []byte(bad)); a.status != 422 || !strings.Contains(string(a.body), "rules.") {
			t.Errorf("%s: %d %s", bad, a.status, a.body)
		}
	}
	if got := rules("after", `{"guests":{"adults":5}}`); !strings.Contains(got, `"bowls":"few"`) || !strings.Contains(got, `"first_slice":"left"`) {
		t.Error(got)
	}
	if got := rules("other", `{"guests":{"adults":5},"rules":{"bowls":"many"}}`); !strings.Contains(got, `"bowls":"many"`) || strings.Contains(got, `"first_slice"`) {
		t.Error(got)
	}

	// a crowd, or a host, may have a way of its own
	if a := d.ask("PUT", "/api/v1/settings", []byte(`{"ways":[{"crowd":"Lighthouse keepers","rules":{"bowls":"many"}},{"crowd":"Moss","rules":{"heat":"all"}}]}`)); a.status != 200 || !strings.Contains(string(a.body), "Lighthouse keepers") {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for brief, want := range map[string]string{
		`{"guests":{"adults":5},"crowd":"lighthouse keepers","host":"Moss"}`: `"rules":{"bowls":"many"}`,
		`{"guests":{"adults":5},"crowd":"Strangers","host":"Moss"}`:          `"rules":{"heat":"all"}`,
		`{"guests":{"adults":5},"crowd":"Strangers"}`:                        `"first_slice":"left"`,
		`{"guests":{"adults":5},"host":"Moss","rules":{"bowls":"few"}}`:      `"rules":{"bowls":"few"}`,
	} {
		if got := rules("theirs", brief); !strings.Contains(got, want) {
			t.Errorf("%s: %s", brief, got)
		}
	}
	for _, bad := range []string{`{"ways":[{"crowd":"","rules":{}}]}`, `{"ways":[{"crowd":"A","rules":{}},{"crowd":" a","rules":{}}]}`, `{"ways":[{"crowd":"A","rules":{"bowls":"none"}}]}`} {
		if a := d.ask("PUT", "/api/v1/settings", []byte(bad)); a.status != 422 || !strings.Contains(string(a.body), "ways") {
			t.Errorf("%s: %d %s", bad, a.status, a.body)
		}
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

// A list of packs is read as it is written, what is not known is said, and a brief with packs is for as many as they carry.
func TestPacksAreReadAndCounted(t *testing.T) {
	own, _ := ownDatabase(t, "packs")
	d := open(t, own.DSN())
	var read api.PacksRead
	d.ask("POST", "/api/v1/packs", []byte(`{"text":"2 x 200 g brie, olives 180 g\nxyzzy 3 g"}`)).into(t, &read)
	if len(read.Packs) != 2 || read.Packs[0].Count != 2 || read.Packs[0].Grams != 200 || read.Packs[1].Grams != 180 || len(read.Unknown) != 1 {
		t.Errorf("%+v", read)
	}
	var out api.Outlook
	d.ask("POST", "/api/v1/outlook", []byte(`{"packs":[{"food":"brie","grams":200,"count":2},{"food":"salami","grams":200}]}`)).into(t, &out)
	if out.Carries < 3 || out.Carries > 12 || out.Appetites != float64(out.Carries) {
		t.Errorf("carries %d, for %.1f portions", out.Carries, out.Appetites)
	}
	for _, body := range []string{`{"text":"` + strings.Repeat("brie,", 2000) + `"}`, `{"text":5}`, `{}`} {
		if a := d.ask("POST", "/api/v1/packs", []byte(body)); a.status < 400 || a.status > 499 {
			t.Errorf("%.30s: %d", body, a.status)
		}
	}
}
