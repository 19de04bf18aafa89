package server

import (
	"fmt"
	"net/http"
	"strings"
	"testing"
)

// The practice room over HTTP: the path, an exercise without its solution, its mark with it; bad answers are told.
func TestPracticeRoom(t *testing.T) {
	d := open(t, db.DSN())
	var path struct{ Rules []struct{ ID, Says string } }
	d.ask("GET", "/api/v1/practice", nil).into(t, &path)
	if len(path.Rules) < 55 {
		t.Errorf("%d rules", len(path.Rules))
	}
	for _, kind := range []string{"find", "amount", "order", "pair", "diet", "tool", "season", "board", "keep"} {
		asked := fmt.Sprintf(`{"kind":%q,"seed":11,"level":2`, kind)
		a := d.ask("POST", "/api/v1/practice", []byte(asked+"}"))
		var e struct {
			Asks    string
			Choices []struct{ ID string }
			Guesses []struct{ ID string }
		}
		if a.into(t, &e); strings.Contains(string(a.body), `"solution"`) || e.Asks == "" {
			t.Errorf("%s: %.300s", kind, a.body)
		}
		answer := `{}`
		if kind == "order" {
			var ids []string
			for _, c := range e.Choices {
				ids = append(ids, fmt.Sprintf("%q", c.ID))
			}
			answer = `{"order":[` + strings.Join(ids, ",") + `]}`
		}
		var m struct {
			Points   *float64
			Grades   map[string]int
			Solution struct{ Because []any }
		}
		if d.ask("POST", "/api/v1/practice/marks", []byte(asked+`,"answer":`+answer+`}`)).into(t, &m); m.Points == nil || len(m.Grades) == 0 || m.Solution.Because == nil {
			t.Errorf("%s: %+v", kind, m)
		}
	}
	for _, bad := range []string{
		`{"kind":"chess","seed":1,"level":1,"answer":{}}`,
		`{"kind":"find","seed":1,"level":9,"answer":{}}`,
		`{"kind":"find","seed":-1,"level":1,"answer":{}}`,
		`{"kind":"pair","seed":1,"level":1,"answer":{"chosen":["of another exercise"]}}`,
		`{"kind":"order","seed":1,"level":1,"answer":{"order":["once"]}}`,
		`{"kind":"find","seed":1,"level":1,"answer":{"taps":[` + strings.Repeat("[1,1],", 9999) + `[1,1]]}}`,
	} {
		if a := d.ask("POST", "/api/v1/practice/marks", []byte(bad)); a.status < http.StatusBadRequest || a.status >= http.StatusInternalServerError {
			t.Errorf("%.80s: %d %s", bad, a.status, a.body)
		}
	}
}
