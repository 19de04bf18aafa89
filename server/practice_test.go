package server

import (
	"fmt"
	"net/http"
	"strings"
	"sync"
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
	for _, kind := range []string{"find", "amount", "order", "pair", "diet", "tool", "season", "board", "keep", "why"} {
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
	if a := d.ask("GET", "/api/v1/practice/sheet?seed=7&level=3&paper=letter", nil); a.status != http.StatusOK || !strings.HasPrefix(string(a.body), "%PDF-") {
		t.Errorf("the sheet: %d %.80s", a.status, a.body)
	}
	for _, bad := range []string{"level=3", "seed=1&level=9", "seed=1&level=1&paper=napkin"} {
		if a := d.ask("GET", "/api/v1/practice/sheet?"+bad, nil); a.status != http.StatusBadRequest {
			t.Errorf("%s: %d %.80s", bad, a.status, a.body)
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

// A class puts its points side by side: nothing of it is lost when all do so at once, and it does not grow without end.
func TestPracticeResults(t *testing.T) {
	d := open(t, db.DSN())
	type results struct{ Results [][]int }
	const class = 20
	var wg sync.WaitGroup
	for n := range class {
		wg.Go(func() {
			if a := d.ask("POST", "/api/v1/practice/results", fmt.Appendf(nil, `{"set":"find.3.1,pair.2.2","points":[%d,50]}`, n)); a.status != http.StatusOK {
				t.Errorf("%d: %d %s", n, a.status, a.body)
			}
		})
	}
	wg.Wait()
	var all results
	d.ask("GET", "/api/v1/practice/results?set=find.3.1,pair.2.2", nil).into(t, &all)
	seen := map[int]bool{}
	for _, r := range all.Results {
		seen[r[0]] = true
	}
	if len(all.Results) != class || len(seen) != class {
		t.Errorf("%d results of %d, %d of them different", len(all.Results), class, len(seen))
	}
	for range 45 {
		d.ask("POST", "/api/v1/practice/results", []byte(`{"set":"tool.1.1","points":[100]}`)).into(t, &all)
	}
	if len(all.Results) != 40 {
		t.Errorf("%d results are kept of one set", len(all.Results))
	}
	if d.ask("GET", "/api/v1/practice/results?set=none.1.1", nil).into(t, &all); len(all.Results) != 0 {
		t.Errorf("a set that nobody did: %v", all.Results)
	}
	for _, bad := range []string{`{"set":"find.3.1","points":[1,2]}`, `{"set":"","points":[1]}`, `{"set":"find.3.1","points":[101]}`, `{"set":"find.3.1","points":[]}`} {
		if a := d.ask("POST", "/api/v1/practice/results", []byte(bad)); a.status < 400 || a.status > 499 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
}
