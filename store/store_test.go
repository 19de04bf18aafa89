package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"happytray/store/dbtest"
	"happytray/store/localdb"
)

var (
	server *localdb.Server
	home   string
)

func TestMain(m *testing.M) {
	os.Exit(dbtest.Main(m, func(s *localdb.Server, dir string) { server, home = s, dir }))
}

func open(t testing.TB) *Store {
	t.Helper()
	s, err := Open(context.Background(), server.DSN(), Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

func TestSaveUndoRedo(t *testing.T) {
	s, ctx := open(t), context.Background()
	j, err := s.Create(ctx, Heading{Title: "First firing"}, `{"n":1}`, "made")
	if err != nil {
		t.Fatal(err)
	}
	for n := 2; n <= 4; n++ {
		if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "First firing"}, fmt.Sprintf(`{"n":%d}`, n), "moved"); err != nil {
			t.Fatal(err)
		}
	}
	doc := func() string {
		_, r, err := s.Job(ctx, j.ID)
		if err != nil {
			t.Fatal(err)
		}
		return r.Document
	}
	steps := []struct {
		do   func(context.Context, string, int64, HeadingOf) (Job, error)
		want string
	}{{s.Undo, `{"n":3}`}, {s.Undo, `{"n":2}`}, {s.Redo, `{"n":3}`}, {s.Undo, `{"n":2}`}, {s.Undo, `{"n":1}`}, {s.Redo, `{"n":2}`}}
	for i, st := range steps {
		if j, err = st.do(ctx, j.ID, j.Head, nil); err != nil || doc() != st.want {
			t.Fatalf("step %d: %s, %v, want %s", i, doc(), err, st.want)
		}
	}
	// a new save after going back starts a branch; nothing old is lost
	if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "x"}, `{"n":9}`, "branch"); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Redo(ctx, j.ID, j.Head, nil); !errors.Is(err, ErrNothing) {
		t.Errorf("redo after a new save: %v", err)
	}
	if j, err = s.Undo(ctx, j.ID, j.Head, nil); err != nil || doc() != `{"n":2}` {
		t.Errorf("undo of the branch gives %s", doc())
	}
	h, err := s.History(ctx, j.ID, 0, 50)
	if err != nil || len(h) != 5 {
		t.Errorf("%d revisions, %v; want all 5", len(h), err)
	}
}

func TestConflictWritesNothing(t *testing.T) {
	s, ctx := open(t), context.Background()
	j, _ := s.Create(ctx, Heading{Title: "a"}, `1`, "")
	if _, err := s.Save(ctx, j.ID, 1, Heading{Title: "b"}, `2`, ""); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Save(ctx, j.ID, 1, Heading{Title: "c"}, `3`, ""); !errors.Is(err, ErrConflict) {
		t.Errorf("stale save: %v", err)
	}
	got, r, _ := s.Job(ctx, j.ID)
	if got.Title != "b" || r.Document != "2" {
		t.Errorf("after the refused save: %s %s", got.Title, r.Document)
	}
	if _, err := s.Save(ctx, "nope", 1, Heading{}, `3`, ""); !errors.Is(err, ErrNotFound) {
		t.Errorf("unknown job: %v", err)
	}
}

func TestRacingSaversOneWins(t *testing.T) {
	s, ctx := open(t), context.Background()
	j, _ := s.Create(ctx, Heading{Title: "race"}, `0`, "")
	var wg sync.WaitGroup
	var mu sync.Mutex
	won := 0
	for i := range 12 {
		wg.Add(1)
		go func() {
			defer wg.Done()
			_, err := s.Save(ctx, j.ID, 1, Heading{Title: "race"}, fmt.Sprint(i), "")
			if err == nil {
				mu.Lock()
				won++
				mu.Unlock()
			} else if !errors.Is(err, ErrConflict) {
				t.Errorf("saver %d: %v", i, err)
			}
		}()
	}
	wg.Wait()
	if won != 1 {
		t.Errorf("%d savers won, want one", won)
	}
}

func TestJobsInTimeOrderAndArchive(t *testing.T) {
	s, ctx := open(t), context.Background()
	at := func(d int) *time.Time { v := time.Date(2031, 5, d, 19, 0, 0, 0, time.UTC); return &v }
	b, _ := s.Create(ctx, Heading{Title: "later", ServeAt: at(9)}, `1`, "")
	a, _ := s.Create(ctx, Heading{Title: "sooner", ServeAt: at(2)}, `1`, "")
	order := func() (ids []string) {
		jobs, err := s.Jobs(ctx, Query{})
		if err != nil {
			t.Fatal(err)
		}
		for _, j := range jobs {
			if j.ID == a.ID || j.ID == b.ID {
				ids = append(ids, j.Title)
			}
		}
		return ids
	}
	if got := strings.Join(order(), " "); got != "sooner later" {
		t.Errorf("order %q", got)
	}
	if err := s.Archive(ctx, a.ID, true); err != nil || len(order()) != 1 {
		t.Errorf("after putting away: %v %v", order(), err)
	}
	if err := s.Archive(ctx, a.ID, false); err != nil || len(order()) != 2 {
		t.Errorf("after taking out: %v %v", order(), err)
	}
}

func TestFourByteTextSurvives(t *testing.T) {
	s, ctx := open(t), context.Background()
	j, err := s.Create(ctx, Heading{Title: "Käse 🧀 für alle"}, `"🧀"`, "")
	if err != nil {
		t.Fatal(err)
	}
	got, r, err := s.Job(ctx, j.ID)
	if err != nil || got.Title != "Käse 🧀 für alle" || r.Document != `"🧀"` {
		t.Errorf("%q %q %v", got.Title, r.Document, err)
	}
}

func TestNewerSchemaIsRefused(t *testing.T) {
	s := open(t)
	if _, err := s.sql.Exec("INSERT INTO goose_db_version (version_id, is_applied) VALUES (9999, 1)"); err != nil {
		t.Fatal(err)
	}
	defer s.sql.Exec("DELETE FROM goose_db_version WHERE version_id = 9999")
	if _, err := Open(context.Background(), server.DSN(), Options{}); !errors.Is(err, ErrNewer) {
		t.Errorf("opening a newer schema: %v", err)
	}
}

func TestUserHasNoGlobalRights(t *testing.T) {
	db, err := sql.Open("mysql", server.DSN())
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	if _, err := db.Exec("CREATE DATABASE elsewhere"); err == nil {
		t.Error("the schema's user may make databases")
	}
	if _, err := db.Exec("SELECT COUNT(*) FROM mysql.global_priv"); err == nil {
		t.Error("the schema's user may read the server's users")
	}
	for _, who := range []string{"root:@tcp", "anybody:@tcp"} {
		other, _ := sql.Open("mysql", strings.Replace(server.DSN(), strings.Split(server.DSN(), "@tcp")[0]+"@tcp", who, 1))
		if other.Ping() == nil {
			t.Errorf("%s gets in without a password", who)
		}
		other.Close()
	}
}

func TestLostDatabaseIsSaidAndComesBack(t *testing.T) {
	dir := filepath.Join(home, "other")
	db, err := localdb.Start(context.Background(), dir, localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	s, err := Open(context.Background(), db.DSN(), Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	j, err := s.Create(context.Background(), Heading{Title: "kept"}, `1`, "")
	if err != nil {
		t.Fatal(err)
	}
	if err := db.Stop(); err != nil {
		t.Fatal(err)
	}
	if _, _, err := s.Job(context.Background(), j.ID); !errors.Is(err, ErrDown) {
		t.Errorf("with the database gone: %v", err)
	}
	db, err = localdb.Start(context.Background(), dir, localdb.Options{Port: db.Port})
	if err != nil {
		t.Fatal(err)
	}
	defer db.Stop()
	if got, _, err := s.Job(context.Background(), j.ID); err != nil || got.Title != "kept" {
		t.Errorf("after it came back: %v %v", got, err)
	}
}

// A copy that is killed leaves its database server running; the next start must
// take the data over, not talk to the one or fight with it.
func TestOrphanIsTakenOver(t *testing.T) {
	ctx := context.Background()
	dir := filepath.Join(home, "orphan")
	first, err := localdb.Start(ctx, dir, localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	s, err := Open(ctx, first.DSN(), Options{})
	if err != nil {
		t.Fatal(err)
	}
	j, err := s.Create(ctx, Heading{Title: "kept"}, `1`, "")
	if err != nil {
		t.Fatal(err)
	}
	s.Close()
	first.Abandon()
	second, err := localdb.Start(ctx, dir, localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer second.Stop()
	if s, err = Open(ctx, second.DSN(), Options{}); err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	if got, _, err := s.Job(ctx, j.ID); err != nil || got.Title != "kept" {
		t.Errorf("after the takeover: %v %v", got, err)
	}
}

// Several copies set up at the same moment on one machine must not disturb each other.
func TestSeveralAreSetUpAtOnce(t *testing.T) {
	var wg sync.WaitGroup
	for i := range 3 {
		wg.Add(1)
		go func() {
			defer wg.Done()
			s, err := localdb.Start(context.Background(), filepath.Join(home, fmt.Sprintf("at-once-%d", i)), localdb.Options{})
			if err != nil {
				t.Error(err)
				return
			}
			if err := s.Stop(); err != nil {
				t.Error(err)
			}
		}()
	}
	wg.Wait()
}

func TestLocalServerRefusals(t *testing.T) {
	if _, err := localdb.Start(context.Background(), filepath.Join(home, "db"), localdb.Options{}); err == nil || !strings.Contains(err.Error(), "second copy") {
		t.Errorf("second copy: %v", err)
	}
	half := filepath.Join(home, "half")
	os.MkdirAll(filepath.Join(half, "data"), 0o700)
	os.WriteFile(filepath.Join(half, "data", "ibdata1"), []byte("x"), 0o600)
	if _, err := localdb.Start(context.Background(), half, localdb.Options{}); err == nil || !strings.Contains(err.Error(), "half made") {
		t.Errorf("half-made data: %v", err)
	}
	if _, err := Open(context.Background(), "nonsense", Options{}); err == nil {
		t.Error("a nonsense address was opened")
	}
	if _, err := Open(context.Background(), "u:p@tcp(127.0.0.1:1)/x", Options{}); !errors.Is(err, ErrDown) {
		t.Errorf("nobody there: %v", err)
	}
}
