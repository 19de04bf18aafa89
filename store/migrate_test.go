package store

import (
	"context"
	"database/sql"
	"fmt"
	"strings"
	"testing"

	"github.com/pressly/goose/v3"

	"happytray/store/localdb"
)

// newest is the schema that this program writes.
const newest = 6

// Each older schema with data in it is brought up to date, and nothing of it is lost.
func TestUpgradeFromEachOlderSchema(t *testing.T) {
	server, err := localdb.Start(context.Background(), home+"/older", localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer server.Stop()
	for from := int64(1); from < newest; from++ {
		db := empty(t, server)
		p := upTo(t, db, from)
		fill(t, db, from)
		if from == 4 { // packing was broken off after a few, and the step before is done again
			if err := packJob(context.Background(), db, 1, "job-b"); err != nil {
				t.Fatal(err)
			}
			repeat(t, db, p, 4)
		}
		db.Close()
		s, err := Open(context.Background(), server.DSN(), Options{})
		if err != nil {
			t.Errorf("from schema %d: %v", from, err)
			continue
		}
		look(t, s, from)
		s.Close()
	}
}

func empty(t *testing.T, server *localdb.Server) *sql.DB {
	t.Helper()
	db, err := sql.Open("mysql", server.DSN()+"?parseTime=true")
	if err != nil {
		t.Fatal(err)
	}
	rows, err := db.Query("SHOW TABLES")
	if err != nil {
		t.Fatal(err)
	}
	var all []string
	for rows.Next() {
		var n string
		if err := rows.Scan(&n); err != nil {
			t.Fatal(err)
		}
		all = append(all, n)
	}
	if len(all) > 0 {
		conn, err := db.Conn(context.Background())
		if err != nil {
			t.Fatal(err)
		}
		defer conn.Close()
		for _, q := range []string{"SET foreign_key_checks = 0", "DROP TABLE " + strings.Join(all, ", ")} {
			if _, err := conn.ExecContext(context.Background(), q); err != nil {
				t.Fatal(err)
			}
		}
	}
	return db
}

func upTo(t *testing.T, db *sql.DB, version int64) *goose.Provider {
	t.Helper()
	p, err := provider(db)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(context.Background(), version); err != nil {
		t.Fatal(err)
	}
	return p
}

// repeat does a step again that is done already.
func repeat(t *testing.T, db *sql.DB, p *goose.Provider, version int64) {
	t.Helper()
	if _, err := db.Exec("DELETE FROM goose_db_version WHERE version_id = ?", version); err != nil {
		t.Fatal(err)
	}
	if _, err := p.UpTo(context.Background(), version); err != nil {
		t.Fatal(err)
	}
}

// documents are what a job's revisions held; the third was made from the first.
func documents() (out []string) {
	base := strings.Repeat(`{"id":"figs","outline":[[12.5,30],[14,31.25]]},`, 400)
	for i := range 70 {
		out = append(out, fmt.Sprintf(`{"title":"Job %d",%s"n":%d}`, i+1, base, i+1))
	}
	return out
}

// fill puts data into an older schema, in its own words.
func fill(t *testing.T, db *sql.DB, schema int64) {
	t.Helper()
	do := func(q string, args ...any) {
		t.Helper()
		if _, err := db.Exec(q, args...); err != nil {
			t.Fatalf("schema %d: %v: %s", schema, err, q)
		}
	}
	studio, is := "", ""
	if schema >= 4 {
		studio, is = "studio, ", "1, "
	}
	for _, id := range []string{"job-a", "job-b"} {
		do("INSERT INTO jobs ("+studio+"id, title, host, place, serve_at, summary, head, archived_at, created_at, updated_at) VALUES ("+is+"?, 'Job 70', 'Odile', 'Quay', '2031-05-02 19:00:00', '{\"guests\":9}', 70, NULL, NOW(3), NOW(3))", id)
		for i, d := range documents() {
			parent := i
			if i == 2 {
				parent = 1
			}
			if schema < 5 {
				do("INSERT INTO revisions ("+studio+"job_id, number, parent, says, document, created_at) VALUES ("+is+"?, ?, ?, 'moved', ?, NOW(3))", id, i+1, parent, d)
			} else {
				packed, err := pack([]byte(d), nil)
				if err != nil {
					t.Fatal(err)
				}
				do("INSERT INTO revisions (studio, job_id, number, parent, says, packed, created_at) VALUES (1, ?, ?, ?, 'moved', ?, NOW(3))", id, i+1, parent, packed)
			}
		}
	}
	do("INSERT INTO facts (" + studio + "name, value) VALUES (" + is + "'settings', '{\"currency\":\"EUR\"}')")
	if schema >= 2 {
		do("INSERT INTO things (" + studio + "kind, id, document, put_away, version, updated_at) VALUES (" + is + "'food', 'kelp', '{\"id\":\"kelp\"}', 1, 1, NOW(3))")
		do("INSERT INTO lots (" + studio + "food, best_before, grams) VALUES (" + is + "'kelp', '2031-01-01', 50)")
		do("INSERT INTO pictures (" + studio + "food, media, data) VALUES (" + is + "'kelp', 'image/jpeg', 'x')")
	}
	if schema >= 3 {
		do("INSERT INTO feeds (" + studio + "address, document, left_out, tried_at) VALUES (" + is + "'http://shop', '{}', '', NOW(3))")
		do("INSERT INTO ticks (" + studio + "list, food) VALUES (" + is + "'job:job-a', 'kelp')")
	}
}

func look(t *testing.T, s *Store, from int64) {
	t.Helper()
	ctx := context.Background()
	bad := func(what string, args ...any) {
		t.Helper()
		t.Errorf("from schema %d: "+what, append([]any{from}, args...)...)
	}
	jobs, err := s.Jobs(ctx, Query{})
	if err != nil || len(jobs) != 2 || jobs[0].Title != "Job 70" || jobs[0].ServeAt == nil || jobs[0].Summary == "" {
		bad("%+v, %v", jobs, err)
		return
	}
	for _, j := range jobs {
		for i, want := range documents() {
			if r, err := s.Revision(ctx, j.ID, int64(i+1)); err != nil || r.Document != want {
				bad("%s, revision %d: %v", j.ID, i+1, err)
			}
		}
	}
	asked := false
	j, err := s.Undo(ctx, "job-a", 70, func(document string) (Heading, error) {
		asked = true
		return Heading{Title: document[10:16], Summary: "{}"}, nil
	})
	if err != nil || !asked || j.Title != "Job 69" || j.Head != 69 {
		bad("undo: %+v, %v", j, err)
	}
	if j, err = s.Save(ctx, "job-a", 69, Heading{Title: "Job 71"}, `{"title":"Job 71"}`, "changed"); err != nil || j.Head != 71 {
		bad("save: %+v, %v", j, err)
	}
	if v, err := s.Fact(ctx, "settings"); err != nil || v != `{"currency":"EUR"}` {
		bad("settings %q, %v", v, err)
	}
	version, things, lots, err := s.House(ctx, 0)
	if err != nil || version < 1 || from >= 2 && (len(things) != 1 || !things[0].PutAway || len(lots) != 1 || lots[0].Grams != 50) {
		bad("house %d %v %v, %v", version, things, lots, err)
	}
	if from >= 2 {
		if p, err := s.Picture(ctx, "kelp"); err != nil || string(p.Data) != "x" {
			bad("picture %q, %v", p.Data, err)
		}
	}
	if from >= 3 {
		if f, err := s.Feed(ctx, "http://shop"); err != nil || f.Document != "{}" {
			bad("feed %+v, %v", f, err)
		}
		if l, err := s.Ticks(ctx, "job:job-a"); err != nil || len(l) != 1 {
			bad("ticks %v, %v", l, err)
		}
	}
}
