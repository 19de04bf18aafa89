package brief

import (
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"happytray/core/fault"
)

func TestReadBrief(t *testing.T) {
	b, err := Read([]byte(`{"guests":{"adults":12,"children":3},"occasion":"grazing","serve_at":"2026-11-27T19:00","board":"oval-62-walnut",
		"foods":["honey",{"food":"figs","grams":200},{"id":"almonds"}],"theme":["#112233"],"travels":45,"diets":[{"who":"two","count":2,"avoid":["nuts","meat"]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	if b.Guests.Total() != 15 || b.Guests.Appetites() != 13.5 || b.For() != "grazing" || b.SeasonMonth() != 11 || b.Board.ID != "oval-62-walnut" {
		t.Errorf("%+v", b)
	}
	if len(b.Foods) != 3 || b.Foods[0].Food != "honey" || b.Foods[1].Grams != 200 || b.Foods[2].Food != "almonds" {
		t.Errorf("foods %+v", b.Foods)
	}
	if !b.Travels.Yes || b.Travels.Minutes != 45 || b.Theme.Palette[0] != "#112233" || !b.Young() {
		t.Errorf("%+v", b)
	}
}

// A brief written again reads as the same brief, with what this version does not know.
func TestBriefSurvives(t *testing.T) {
	for _, doc := range []string{
		`{"guests":{"adults":5,"children":0}}`,
		`{"guests":{"adults":5,"children":1,"light":2},"mood":"blue","diets":[{"who":"a","count":1,"avoid":["egg"],"sure":true}],"theme":{"name":"sea","palette":["#0a0b0c"],"from":"a postcard"}}`,
		`{"guests":{"adults":5,"children":0},"travels":90,"foods":[{"food":"figs","colour":"green"}],"board":{"shape":"round","length_mm":300,"owner":"Bas"},"rules":{"crackers":"on","salt":1}}`,
		`{"guests":{"adults":5,"children":0},"travels":true}`,
	} {
		b, err := Read([]byte(doc))
		if err != nil {
			t.Fatalf("%s: %v", doc, err)
		}
		out, err := json.Marshal(b)
		if err != nil {
			t.Fatal(err)
		}
		var want, got map[string]any
		if json.Unmarshal([]byte(doc), &want) != nil || json.Unmarshal(out, &got) != nil {
			t.Fatal("not JSON")
		}
		w, _ := json.Marshal(want)
		g, _ := json.Marshal(got)
		if string(w) != string(g) {
			t.Errorf("%s\nbecame\n%s", w, g)
		}
	}
}

func TestBadBriefs(t *testing.T) {
	const g = `"guests":{"adults":4}`
	for _, c := range []struct{ doc, field string }{
		{`{}`, "guests"},
		{`{"guests":{"adults":0,"children":0}}`, "guests"},
		{`{"guests":{"adults":-3}}`, "guests"},
		{`{"guests":{"adults":2000,"children":1}}`, "guests"},
		{`{"guests":{"adults":2001}}`, "guests"},
		{`{"guests":{"adults":9223372036854775807,"children":9223372036854775807}}`, "guests"},
		{`{"guests":{"adults":4.5}}`, "guests.adults"},
		{`{"guests":"many"}`, "guests"},
		{`{` + g + `,"occasion":"feast"}`, "occasion"},
		{`{` + g + `,"serve_at":"tomorrow"}`, "serve_at"},
		{`{` + g + `,"month":13}`, "month"},
		{`{` + g + `,"hemisphere":"east"}`, "hemisphere"},
		{`{` + g + `,"budget":-1}`, "budget"},
		{`{` + g + `,"front":"inside"}`, "front"},
		{`{` + g + `,"travels":"far"}`, "travels"},
		{`{` + g + `,"travels":1e9}`, "travels"},
		{`{` + g + `,"diets":[{"avoid":["cake"]}]}`, "diets[0].avoid[0]"},
		{`{` + g + `,"diets":[{"count":9,"avoid":[]}]}`, "diets[0].count"},
		{`{` + g + `,"diets":[{"who":"` + strings.Repeat("x", 81) + `","avoid":[]}]}`, "diets[0].who"},
		{`{` + g + `,"theme":["blue"]}`, "theme.palette[0]"},
		{`{` + g + `,"rules":{"crackers":"inside"}}`, "rules.crackers"},
		{`{` + g + `,"foods":["honey","honey"]}`, "foods[1]"},
		{`{` + g + `,"foods":[{"food":"honey","grams":-1}]}`, "foods[0].grams"},
		{`{` + g + `,"board":{"shape":"dodo"}}`, "board.shape"},
		{`{` + g + `,"board":{"shape":"round","length_mm":5}}`, "board.length_mm"},
		{`{` + g + `,"board":{"shape":"round","length_mm":-300}}`, "board.length_mm"},
		{`{` + g + `,"board":{"shape":"rectangle","length_mm":4000,"width_mm":300}}`, "board.length_mm"},
		{`{` + g + `,"board":{"shape":"outline","outline":[]}}`, "board.outline"},
		{`{` + g + `,"board":{"outline":[[0,0],[1,"x"]]}}`, "board.outline[1]"},
		{`{` + g + `,"foods":["honey",{"food":3}]}`, "foods[1].food"},
		{`{` + g + `,"board":{"shape":"outline","outline":[[0,0],[300,300],[300,0],[0,290]]}}`, "board.outline"},
		{`{` + g + `,"board":{"outline":[[0,0],[1,0],[1,1]]}}`, "board.outline"},
		{`{` + g + `,"note":"` + strings.Repeat("x", 2001) + `"}`, "note"},
		{`{` + g + `,"makes":["honey","` + strings.Repeat("x", 81) + `"]}`, "makes[1]"},
		{`{` + g + `,"makes":[` + strings.Repeat(`"honey",`, mostMakes) + `"honey"]}`, "makes"},
	} {
		_, err := Read([]byte(c.doc))
		var bad *fault.Error
		if !errors.As(err, &bad) {
			t.Errorf("%.90s was taken: %v", c.doc, err)
			continue
		}
		if bad.Field != c.field || bad.Says == "" {
			t.Errorf("%.90s: %s, want field %s", c.doc, bad, c.field)
		}
	}
}

func TestOffTheTray(t *testing.T) {
	b := Brief{Guests: Guests{Adults: 10}, Diets: []Diet{{Count: 1, Avoid: []string{"nuts"}}, {Count: 4, Avoid: []string{"meat"}}, {Count: 1, Avoid: []string{"meat", "alcohol"}}}}
	if got := b.OffTheTray(); !slices.Equal(got, []string{"nuts", "meat"}) {
		t.Errorf("%v: an allergen of one guest, and meat for half of them", got)
	}
	all := Brief{Guests: Guests{Adults: 10}, Diets: []Diet{{Avoid: []string{"alcohol"}}}} // no count: everybody
	if got := all.OffTheTray(); !slices.Equal(got, []string{"alcohol"}) {
		t.Errorf("%v", got)
	}
}

// FuzzBrief: whatever comes, it is taken and written again, or refused with a field and a sentence.
func FuzzBrief(f *testing.F) {
	f.Add([]byte(`{"guests":{"adults":12}}`))
	f.Add([]byte(`{"guests":{"adults":2,"children":9},"diets":[{"avoid":["gluten"]}],"theme":"sea","travels":3,"board":{"shape":"oval","length_mm":500},"foods":["figs",{"food":"honey","form":"bowl"}]}`))
	f.Add([]byte(`{"guests":{"adults":1e3},"board":{"outline":[[0,0],[1e5,0],[5,7]]}}`))
	f.Add([]byte(`[[[[]]]]`))
	f.Add([]byte(`null`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		b, err := Read(raw)
		if err != nil {
			var bad *fault.Error
			if !errors.As(err, &bad) || bad.Says == "" {
				t.Fatalf("refused without a sentence: %v", err)
			}
			return
		}
		out, err := json.Marshal(b)
		if err != nil {
			t.Fatal(err)
		}
		again, err := Read(out)
		if err != nil {
			t.Fatalf("%s was written as %s, which is refused: %v", raw, out, err)
		}
		if twice, _ := json.Marshal(again); string(twice) != string(out) {
			t.Fatalf("%s became %s", out, twice)
		}
	})
}

func TestServeDay(t *testing.T) {
	for at, want := range map[string]string{"": "", "2026-11-30T23:50": "2026-11-30", "2026-11-30T23:50:00+01:00": "2026-11-30", "soon": ""} {
		if got := (Brief{ServeAt: at}).ServeDay(); got != want {
			t.Errorf("%q is served on %q, want %q", at, got, want)
		}
	}
}

func TestRulesOfTheReviewAreBounded(t *testing.T) {
	for raw, field := range map[string]string{
		`{"guests":{"adults":2},"rules":{"gaps":"wide"}}`:                                 "rules.gaps",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.gap":{"weight":-1}}}}`:            "rules.checks.fit.gap.weight",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.gap":{"weight":1e9}}}}`:           "rules.checks.fit.gap.weight",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.gap":{"good":1e99}}}}`:            "rules.checks.fit.gap.good",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.cover":{"good":0.5,"bad":0.5}}}}`: "rules.checks.fit.cover",
		`{"guests":{"adults":2},"rules":{"checks":{"fit.cover":{"good":"much"}}}}`:        "rules.checks.good",
	} {
		_, err := Read([]byte(raw))
		var bad *fault.Error
		if !errors.As(err, &bad) || bad.Field != field {
			t.Errorf("%s: %v, want the field %s", raw, err, field)
		}
	}
	ok, err := Read([]byte(`{"guests":{"adults":2},"rules":{"gaps":"airy","checks":{"fit.gap":{"good":30,"weight":0}}}}`))
	if err != nil || ok.Rules.Gaps != "airy" || *ok.Rules.Checks["fit.gap"].Good != 30 || ok.Rules.Checks["fit.gap"].Bad != nil {
		t.Errorf("%+v %v", ok.Rules, err)
	}
}

// A time without a zone is meant in the house's, one with a zone in its own.
func TestServingTimeIsMeantInTheZoneOfTheHouse(t *testing.T) {
	east := time.FixedZone("east", 9*3600)
	for _, c := range []struct{ written, utc string }{
		{"2026-11-30T19:00", "2026-11-30T10:00:00Z"},
		{"2026-11-30T19:00:30", "2026-11-30T10:00:30Z"},
		{"2026-11-30 19:00", "2026-11-30T10:00:00Z"},
		{"2026-11-30", "2026-11-29T15:00:00Z"},
		{"2026-11-30T19:00:00Z", "2026-11-30T19:00:00Z"},
		{"2026-11-30T19:00:00+02:00", "2026-11-30T17:00:00Z"},
	} {
		at, ok := Brief{ServeAt: c.written}.ServeTime(east)
		if !ok || at.UTC().Format(time.RFC3339) != c.utc {
			t.Errorf("%s: %v", c.written, at)
		}
		if day := (Brief{ServeAt: c.written}).ServeDay(); day != "2026-11-30" {
			t.Errorf("%s: on %s", c.written, day)
		}
	}
	if _, ok := (Brief{ServeAt: "tomorrow"}).ServeTime(east); ok {
		t.Error("tomorrow is no time")
	}
}
