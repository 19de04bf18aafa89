package server

import (
	"regexp"
	"strings"
	"testing"

	"happytray/app"
)

// A house that measures in inches and ounces is told everything so: what follows from a brief, amounts, the day's work,
// what a lens sees, what is bought, on screen and on paper. The file of a job is the same either way.
func TestTheHouseIsToldInItsUnits(t *testing.T) {
	_, st := ownDatabase(t, "units")
	d := openApp(t, app.New(st, app.Options{}), Options{})
	metric := regexp.MustCompile(`\d (g|kg|mm|cm|cm²|°C)\b`)
	j := d.make("In inches", `{"guests":{"adults":9}}`)
	laid := file(t, laid(t, 9))
	at := "/api/v1/jobs/" + j.Id
	if a := d.ask("PUT", at, laid, "If-Match", `"1"`); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	questions := []struct {
		name, method, path string
		body               []byte
		says               string // in the usual units
	}{
		{"outlook", "POST", "/api/v1/outlook", []byte(`{"guests":{"adults":9},"temperature_c":3,"access":["bottom"],"board":{"shape":"rectangle","length_mm":520,"width_mm":860}}`), "°C"},
		{"basket", "POST", "/api/v1/basket", laid, " g on the board"},
		{"prep", "POST", "/api/v1/prep", laid, " g, "},
		{"lens", "POST", "/api/v1/lens", []byte(`{"lens":"height","tray":` + string(laid) + `}`), "up to "},
		{"reach", "POST", "/api/v1/lens", []byte(`{"lens":"reach","tray":` + string(laid) + `}`), "An arm reaches 45 cm"},
		{"day", "GET", at + "/day", nil, " g, "},
		{"shopping", "GET", "/api/v1/shopping/export?as=text&job=" + j.Id, nil, " g"},
	}
	said := regexp.MustCompile(`"(says|number|explanation|holding)":"((?:[^"\\]|\\.)*)"|"(says|cautions)":\[((?:"(?:[^"\\]|\\.)*",?)*)\]`)
	words := func(raw []byte) string {
		all := said.FindAllString(string(raw), -1)
		if len(all) == 0 {
			return string(raw)
		}
		return strings.Join(all, "\n")
	}
	for _, q := range questions {
		a := d.ask(q.method, q.path, q.body)
		if a.status != 200 || !strings.Contains(words(a.body), q.says) {
			t.Errorf("%s, %d: nothing of %q in %.600s", q.name, a.status, q.says, words(a.body))
		}
	}
	if a := d.ask("PUT", "/api/v1/settings", []byte(`{"length":"in","mass":"oz"}`)); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for _, q := range questions {
		a := d.ask(q.method, q.path, q.body)
		for _, line := range strings.Split(words(a.body), "\n") {
			if a.status != 200 || metric.MatchString(line) {
				t.Errorf("%s, %d: %q", q.name, a.status, line)
			}
		}
	}
}
