package backup

import (
	"bytes"
	"context"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"github.com/klauspost/compress/zstd"

	"happytray/store"
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

func access(t *testing.T, s *localdb.Server) Access {
	t.Helper()
	a, err := AccessTo(s.DSN())
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// everything is all that a store holds, as one text.
func everything(t *testing.T, st *store.Store) string {
	t.Helper()
	ctx := context.Background()
	var b strings.Builder
	jobs, err := st.Jobs(ctx, store.Query{})
	if err != nil {
		t.Fatal(err)
	}
	for _, j := range jobs {
		fmt.Fprintln(&b, j.ID, j.Title, j.Head, j.Summary, j.ServeAt)
		for n := int64(1); n <= j.Head; n++ {
			r, err := st.Revision(ctx, j.ID, n)
			if err != nil {
				t.Fatal(err)
			}
			fmt.Fprintln(&b, r.Parent, r.Says, r.Title, r.Document)
		}
	}
	version, things, lots, err := st.House(ctx, 0)
	if err != nil {
		t.Fatal(err)
	}
	fmt.Fprintln(&b, version, things, lots)
	for _, f := range []string{"settings", "none"} {
		v, err := st.Fact(ctx, f)
		fmt.Fprintln(&b, v, err)
	}
	p, err := st.Picture(ctx, "kelp")
	fmt.Fprintf(&b, "%x %v", p.Data, err)
	return b.String()
}

func TestABackupIsReadIntoAnEmptyDatabase(t *testing.T) {
	ctx := context.Background()
	st, err := store.Open(ctx, server.DSN(), store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer st.Close()
	for k := range 3 {
		j, err := st.Create(ctx, store.Heading{Title: fmt.Sprintf("Käse 🧀 %d", k), Summary: "{}"}, strings.Repeat(`{"x":"'\\;--"}`, 50), "made")
		if err != nil {
			t.Fatal(err)
		}
		for i := range 20 {
			if j, err = st.Save(ctx, j.ID, j.Head, store.Heading{Title: "é", Summary: "{}"}, fmt.Sprintf(`%s{"n":%d}`, strings.Repeat(`{"x":1}`, 60), i), "moved"); err != nil {
				t.Fatal(err)
			}
		}
	}
	if err := st.SetFact(ctx, "settings", `{"currency":"EUR"}`); err != nil {
		t.Fatal(err)
	}
	if _, err := st.ChangeHouse(ctx, store.Change{Lots: map[string]store.LotsOf{"kelp": store.JustThese([]store.Lot{{Grams: 12.5}})}, Things: []store.Entry{{Kind: store.KindFood, ID: "kelp", Document: "{}"}},
		Picture: &store.Picture{Food: "kelp", Media: "image/jpeg", Data: []byte{0, 1, 2, 0xff, '\'', '\\', '\n'}}}); err != nil {
		t.Fatal(err)
	}
	want := everything(t, st)
	file := filepath.Join(home, "harbour.backup")
	if err := Write(ctx, access(t, server), file); err != nil {
		t.Fatal(err)
	}
	if err := Write(ctx, access(t, server), file); err == nil || !strings.Contains(err.Error(), "already") {
		t.Errorf("over one that is there: %v", err)
	}
	if err := Read(ctx, access(t, server), file); err == nil || !strings.Contains(err.Error(), "not empty") {
		t.Errorf("into a database that is used: %v", err)
	}

	fresh, err := localdb.Start(ctx, filepath.Join(home, "fresh"), localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer fresh.Stop()
	raw, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	for name, b := range map[string][]byte{"half": raw[:len(raw)/2], "none": []byte("PK\x03\x04"), "empty": {}} {
		bad := filepath.Join(home, name)
		if err := os.WriteFile(bad, b, 0o600); err != nil {
			t.Fatal(err)
		}
		if err := Read(ctx, access(t, fresh), bad); err == nil {
			t.Errorf("%s was read", name)
		}
	}
	if err := Read(ctx, access(t, fresh), filepath.Join(home, "nowhere")); err == nil {
		t.Error("a file that is not there was read")
	}
	if err := Read(ctx, access(t, fresh), file); err != nil {
		t.Fatal(err)
	}
	again, err := store.Open(ctx, fresh.DSN(), store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer again.Close()
	if got := everything(t, again); got != want {
		t.Errorf("%d bytes became %d", len(want), len(got))
	}
	left, _ := filepath.Glob(filepath.Join(home, ".backup-*"))
	if len(left) > 0 {
		t.Errorf("%v is left", left)
	}
}

// A file that looks like a backup runs no program and reads no file, and one that breaks off in the middle leaves nothing.
func TestAMadeUpBackupDoesNothing(t *testing.T) {
	ctx := context.Background()
	fresh, err := localdb.Start(ctx, filepath.Join(home, "made-up"), localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer fresh.Stop()
	a := access(t, fresh)
	ran, secret := filepath.Join(home, "ran"), filepath.Join(home, "secret.sql")
	if err := os.WriteFile(secret, []byte("CREATE TABLE told (x INT);"), 0o600); err != nil {
		t.Fatal(err)
	}
	for name, lines := range map[string]string{
		"a command of the shell":     "\\! touch " + ran + "\n",
		"the same by its name":       "system touch " + ran + "\n",
		"a file of this machine":     "\\. " + secret + "\n",
		"the same by its name, too":  "source " + secret + "\n",
		"what is written elsewhere":  "tee " + ran + "\nSELECT 1;\n",
		"a table, and then nonsense": "CREATE TABLE jobs (x INT);\nINSERT INTO jobs VALUES (1);\nCREATE VIEW seen AS SELECT * FROM jobs;\nNONSENSE;\n",
	} {
		file := filepath.Join(home, "made-up.backup")
		var b bytes.Buffer
		z, err := zstd.NewWriter(&b)
		if err != nil {
			t.Fatal(err)
		}
		fmt.Fprint(z, begins, lines, ends, " on 2026-11-30\n")
		if err := z.Close(); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, b.Bytes(), 0o600); err != nil {
			t.Fatal(err)
		}
		if err := Read(ctx, a, file); err == nil {
			t.Errorf("%s was read", name)
		}
		if _, err := os.Stat(ran); err == nil {
			t.Errorf("%s ran", name)
			os.Remove(ran)
		}
		if left, err := ask(ctx, a, "SHOW TABLES"); err != nil || left != "" {
			t.Errorf("%s left %q, %v", name, left, err)
		}
	}
}

func TestAddresses(t *testing.T) {
	for source, want := range map[string]Access{
		"u:p@tcp(127.0.0.1:3311)/x": {Host: "127.0.0.1", Port: 3311, User: "u", Password: "p", Database: "x"},
		"u:p@unix(/tmp/s)/x":        {Socket: "/tmp/s", User: "u", Password: "p", Database: "x"},
	} {
		if got, err := AccessTo(source); err != nil || got != want {
			t.Errorf("%s: %+v, %v", source, got, err)
		}
	}
	if _, err := AccessTo("nonsense"); err == nil {
		t.Error("nonsense was read")
	}
	if err := Write(context.Background(), Access{Host: "127.0.0.1", Port: 1, Database: "x"}, filepath.Join(home, "gone")); err == nil {
		t.Error("nobody there, and it was backed up")
	}
}
