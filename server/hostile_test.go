package server

import (
	"bytes"
	"context"
	"fmt"
	"net/url"
	"strings"
	"testing"
	"time"

	"happytray/store"
)

// hostile are bodies that are no request for anything, or one that asks for too much.
func hostile(tray string) map[string]string {
	deep := func(open, close string, n int) string {
		return strings.Repeat(open, n) + "1" + strings.Repeat(close, n)
	}
	many := func(one string, n int) string { return "[" + strings.TrimSuffix(strings.Repeat(one+",", n), ",") + "]" }
	return map[string]string{
		"nothing":             ``,
		"blanks":              "  \n ",
		"no JSON":             `{"guests":`,
		"two documents":       `{}{}`,
		"a list":              `[]`,
		"a text":              `"guests"`,
		"null":                `null`,
		"a number":            `1e999`,
		"no UTF-8":            "{\"title\":\"\xff\xfe\",\"brief\":{\"guests\":{\"adults\":2}}}",
		"a nought byte":       `{"title":"a\u0000b","brief":{"guests":{"adults":2}}}`,
		"deep lists":          deep("[", "]", 5000),
		"deep objects":        deep(`{"a":`, "}", 5000),
		"deep in a brief":     `{"brief":{"guests":{"adults":2},"theme":` + deep(`{"a":`, "}", 200) + `}}`,
		"no guests":           `{"guests":{"adults":0}}`,
		"too many guests":     `{"guests":{"adults":1000000000000}}`,
		"guests as text":      `{"guests":{"adults":"lots"}}`,
		"fewer than nobody":   `{"guests":{"adults":-3}}`,
		"half a guest":        `{"guests":{"adults":2.5}}`,
		"not a number":        `{"guests":{"adults":NaN}}`,
		"unknown occasion":    `{"guests":{"adults":2},"occasion":"` + strings.Repeat("x", 5000) + `"}`,
		"unknown allergen":    `{"guests":{"adults":2},"diets":[{"avoid":["gravel"]}]}`,
		"a long list":         `{"guests":{"adults":2},"bans":` + many(`"figs"`, 5000) + `}`,
		"wild tilt":           `{"guests":{"adults":2},"tilt":{"cheese":1e300}}`,
		"a board of no size":  `{"guests":{"adults":2},"board":{"shape":"round","length_mm":0}}`,
		"a crossing board":    `{"guests":{"adults":2},"board":{"outline":[[0,0],[400,300],[400,0],[0,300]]}}`,
		"a board of points":   `{"guests":{"adults":2},"board":{"outline":` + many(`[1,1]`, 20000) + `}}`,
		"another format":      strings.Replace(tray, `"happytray/1"`, `"happytray/9"`, 1),
		"an element twice":    strings.Replace(tray, `"elements":[`, `"elements":[`+firstElement(tray)+`,`, 1),
		"a board of a planet": strings.Replace(tray, `"outline":[[`, `"outline":[[1e12,`, 1),
		"pieces beyond":       strings.Replace(tray, `"z_mm":0`, `"z_mm":1e9`, 1),
		"an unknown food":     strings.Replace(tray, `"food":"`, `"food":"moon-`, 1),
		"a script for an id":  strings.Replace(tray, `"id":"`, `"id":"<script>alert(1)</script>`+strings.Repeat("x", 90), 1),
		"packs of nothing":    strings.Replace(tray, `"packs":[{"grams":`, `"packs":[{"grams":-`, 1),
	}
}

func firstElement(tray string) string {
	i := strings.Index(tray, `"elements":[`) + len(`"elements":[`)
	depth := 0
	for k := i; k < len(tray); k++ {
		switch tray[k] {
		case '{', '[':
			depth++
		case '}', ']':
			if depth--; depth == 0 {
				return tray[i : k+1]
			}
		}
	}
	return "{}"
}

// Whatever comes from outside is answered soon, with a sentence, and changes nothing.
func TestHostileInput(t *testing.T) {
	d := open(t, db.DSN())
	st, err := store.Open(context.Background(), db.DSN(), store.Options{Patience: unhurried})
	if err != nil {
		t.Fatal(err)
	}
	defer st.Close()
	j := d.make("Stands as it is", `{"guests":{"adults":5}}`)
	tr := string(file(t, laid(t, 5)))
	before, jobs := state(t, st)

	cases := 0
	try := func(method, path, body string, header ...string) {
		t.Helper()
		cases++
		began := time.Now()
		a := d.ask(method, path, []byte(body), header...)
		if took := time.Since(began); took > 3*time.Second {
			t.Errorf("%s %.80s with %.60q took %v", method, path, body, took)
		}
		if a.status < 400 || a.status >= 500 || !bytes.Contains(a.body, []byte(`"title":`)) {
			t.Errorf("%s %.80s with %.60q: %d %.200s", method, path, body, a.status, a.body)
		}
		if bytes.Contains(a.body, []byte("<script>")) {
			t.Errorf("%s %.80s gives a script back: %.300s", method, path, a.body)
		}
	}
	briefs := []string{"outlook", "plan", "amounts"}
	trays := []string{"replan", "review", "scene", "basket", "prep", "savings", "quote", "arrange"}
	others := []string{"choice", "substitutes", "mend", "jobs/" + j.Id + "/edits", "jobs", "foods", "boards"}
	for name, body := range hostile(tr) {
		ofTray := strings.Contains(body, `"elements"`)
		for _, p := range briefs {
			if !ofTray {
				try("POST", "/api/v1/"+p, body)
			}
		}
		for _, p := range trays {
			try("POST", "/api/v1/"+p, body)
		}
		for _, p := range others {
			if name != "a crossing board" || p != "boards" {
				try("POST", "/api/v1/"+p, body)
			}
		}
		try("PUT", "/api/v1/jobs/"+j.Id, body, "If-Match", `"1"`)
		try("PUT", "/api/v1/settings", body)
		try("PUT", "/api/v1/foods/honey", body, "If-Match", "0")
	}
	for _, id := range []string{"", "nope", "../../etc/passwd", "%00", "'; DROP TABLE jobs; --", strings.Repeat("x", 36), strings.Repeat("x", 3000), "\xff\xfe", "<script>alert(1)</script>"} {
		for _, p := range []string{"/api/v1/jobs/%s/revisions", "/api/v1/jobs/%s/tray.svg", "/api/v1/foods/%s/picture.svg", "/api/v1/foods/%s/photo", "/api/v1/boards/%s/picture.svg"} {
			try("GET", fmt.Sprintf(p, url.PathEscape(id)), "")
		}
	}
	for _, q := range []string{"which=someday", "after=nope", "text=" + strings.Repeat("x", 500), "which=%00"} {
		try("GET", "/api/v1/jobs?"+q, "")
	}
	for _, q := range []string{"week=soon", "week=2026-13-45", "job=nope", "", "week=%ff"} {
		try("GET", "/api/v1/shopping?"+q, "")
	}
	for _, m := range []string{"text/plain", "application/xml", "multipart/form-data; boundary=x", "image/gif"} {
		try("POST", "/api/v1/plan", `{"guests":{"adults":2}}`, "Content-Type", m)
	}
	for _, match := range []string{"", "x", "-1", `"9999999999999999999"`, `"77"`} {
		try("PUT", "/api/v1/jobs/"+j.Id, tr, "If-Match", match)
	}
	for _, svg := range []string{"", "<svg", `<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0 L1e9 1e9 Z"/></svg>`, `<!DOCTYPE x [<!ENTITY a "b">]><svg>&a;</svg>`, strings.Repeat("<g>", 20000)} {
		try("POST", "/api/v1/boards/outline", svg, "Content-Type", "image/svg+xml")
	}
	for _, csv := range []string{"", "\x00\x01", "id;name\n\"", strings.Repeat("a,", 100000)} {
		try("POST", "/api/v1/larder/import?apply=true&version=1", csv, "Content-Type", "text/csv")
	}
	for _, png := range []string{"", "\x89PNG\r\n\x1a\n", "\xff\xd8\xff\xe0 no picture", strings.Repeat("x", 100000)} {
		try("POST", "/api/v1/colours", png, "Content-Type", "image/png")
	}
	for _, m := range []string{"TRACE", "PATCH", "PROPFIND"} {
		try(m, "/api/v1/jobs", "")
	}
	if cases < 600 {
		t.Errorf("%d cases", cases)
	}
	if after, now := state(t, st); after != before || now != jobs {
		t.Errorf("the house went from %d to %d, jobs from %q to %q", before, after, jobs, now)
	}
	if a := d.ask("GET", "/healthz", nil); a.status != 200 {
		t.Errorf("health after it: %d", a.status)
	}
}

func state(t *testing.T, st *store.Store) (house int64, jobs string) {
	t.Helper()
	house, err := st.HouseVersion(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	list, err := st.Jobs(context.Background(), store.Query{})
	if err != nil {
		t.Fatal(err)
	}
	for _, j := range list {
		jobs += fmt.Sprint(j.ID, j.Head, " ")
	}
	return house, jobs
}
