package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/formats/table"
	"happytray/server/api"
)

// manyRows is a file of n own foods, each in one form.
func manyRows(tb testing.TB, n int, name string) []byte {
	tb.Helper()
	base := food.BuiltIn().All()
	foods := make([]food.Food, n)
	for i := range foods {
		f := base[i%len(base)]
		f.ID, f.Name, f.Forms = fmt.Sprintf("%s-%d", name, i), fmt.Sprintf("%s, lot %d", f.Name, i), f.Forms[:1]
		foods[i] = f
	}
	empty, err := food.ReadLarder([]byte("[]"))
	if err != nil {
		tb.Fatal(err)
	}
	var b bytes.Buffer
	if err := table.Write(&b, table.Larder, empty.With(foods), nil, table.Options{}); err != nil {
		tb.Fatal(err)
	}
	return b.Bytes()
}

// Looking at a file of 5,000 rows and taking it, over HTTP, into the database;
// then searching the larder of so many foods. They are put away in the end.
func BenchmarkImport5000(b *testing.B) {
	d := open(b, db.DSN())
	n := 0
	for b.Loop() {
		n++
		file := manyRows(b, 5000, fmt.Sprintf("bench%d", n))
		var r api.ImportReport
		d.ask("POST", "/api/v1/larder/import", file, "Content-Type", "text/csv").into(b, &r)
		d.ask("POST", fmt.Sprintf("/api/v1/larder/import?apply=true&version=%d", r.Version), file, "Content-Type", "text/csv").into(b, &r)
		if !r.Applied || r.Added != 5000 {
			b.Fatalf("%+v", r)
		}
	}
}

func BenchmarkSearchOf5000(b *testing.B) {
	d := open(b, db.DSN())
	var r api.ImportReport
	file := manyRows(b, 5000, "searched")
	d.ask("POST", "/api/v1/larder/import", file, "Content-Type", "text/csv").into(b, &r)
	d.ask("POST", fmt.Sprintf("/api/v1/larder/import?apply=true&version=%d", r.Version), file, "Content-Type", "text/csv").into(b, &r)
	words := []string{"s", "sm", "smo", "smok", "smoked"}
	d.ask("GET", "/api/v1/larder/search?text=s", nil) // reads the house
	i := 0
	for b.Loop() {
		i++
		if a := d.ask("GET", "/api/v1/larder/search?text="+words[i%len(words)], nil); a.status != 200 {
			b.Fatal(a.status)
		}
	}
}

// A slider of the amounts as the screen asks for it: the list of foods and the
// board are given, the basket comes back.
func BenchmarkAmounts(b *testing.B) {
	d := open(b, db.DSN())
	larder := food.BuiltIn()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 40}, Month: 11}, larder, board.BuiltInCabinet())
	if err != nil {
		b.Fatal(err)
	}
	br := j.Brief
	br.Foods, br.Board = plan.Wants(j), &board.Request{ID: j.Trays[0].Board.ID}
	n := 0
	for b.Loop() {
		n++
		br.Tilt = map[string]float64{"cheese": float64(n%40) / 20}
		raw, err := json.Marshal(br)
		if err != nil {
			b.Fatal(err)
		}
		if a := d.ask("POST", "/api/v1/amounts", raw); a.status != 200 {
			b.Fatalf("%d %s", a.status, a.body)
		}
	}
}
