package store

import (
	"context"
	"errors"
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"strings"
	"testing"
	"time"
)

// another is a Store for another studio in the same database.
func another(t *testing.T, studio int) *Store {
	t.Helper()
	s, err := Open(context.Background(), server.DSN(), Options{Studio: studio})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}

// What one studio keeps another neither sees nor changes, though all names are the same.
func TestStudiosAreApart(t *testing.T) {
	ctx := context.Background()
	a, b := another(t, 71), another(t, 72)
	must := func(err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
	}
	j, err := a.Create(ctx, Heading{Title: "Ours"}, `{"a":1}`, "")
	must(err)
	j, err = a.Save(ctx, j.ID, 1, Heading{Title: "Ours"}, `{"a":2}`, "")
	must(err)
	now := time.Now().UTC().Truncate(time.Millisecond)
	for s, own := range map[*Store]string{a: "a", b: "b"} {
		must(s.SetFact(ctx, "settings", own))
		must(s.Tick(ctx, "list", own, true))
		must(s.SaveFeed(ctx, Feed{Address: "http://shop", Document: own, ReadAt: &now, TriedAt: now}))
		_, err := s.ChangeHouse(ctx, Change{Things: []Entry{{Kind: KindFood, ID: "kelp", Document: own}}, Lots: map[string]LotsOf{"kelp": JustThese([]Lot{{Grams: float64(len(own))}})}, Picture: &Picture{Food: "kelp", Data: []byte(own)}})
		must(err)
	}
	_, err = b.ChangeHouse(ctx, Change{Lots: map[string]LotsOf{"kelp": JustThese(nil)}, Picture: &Picture{Food: "kelp"}})
	must(err)
	must(b.Tick(ctx, "list", "a", false))

	if jobs, err := b.Jobs(ctx, Query{}); err != nil || len(jobs) != 0 {
		t.Errorf("%d jobs of others, %v", len(jobs), err)
	}
	for name, err := range map[string]error{
		"job":      second(b.Job(ctx, j.ID)),
		"head":     first(b.Head(ctx, j.ID)),
		"revision": first(b.Revision(ctx, j.ID, 1)),
		"save":     first(b.Save(ctx, j.ID, 2, Heading{}, `{}`, "")),
		"undo":     first(b.Undo(ctx, j.ID, 2, nil)),
		"redo":     first(b.Redo(ctx, j.ID, 2, nil)),
		"archive":  b.Archive(ctx, j.ID, true),
	} {
		if !errors.Is(err, ErrNotFound) {
			t.Errorf("%s of another studio's job: %v", name, err)
		}
	}
	if h, err := b.History(ctx, j.ID, 0, 9); err != nil || len(h) != 0 {
		t.Errorf("%d revisions, %v", len(h), err)
	}
	if undo, redo, err := b.Steps(ctx, Revision{JobID: j.ID, Number: 1}); err != nil || undo || redo {
		t.Errorf("%v %v %v", undo, redo, err)
	}
	if v, err := a.Fact(ctx, "settings"); err != nil || v != "a" {
		t.Errorf("settings %q, %v", v, err)
	}
	if f, err := a.Feed(ctx, "http://shop"); err != nil || f.Document != "a" {
		t.Errorf("feed %q, %v", f.Document, err)
	}
	if l, err := a.Ticks(ctx, "list"); err != nil || len(l) != 1 || l[0] != "a" {
		t.Errorf("ticks %v, %v", l, err)
	}
	_, things, lots, err := a.House(ctx, 0)
	if err != nil || len(things) != 1 || things[0].Document != "a" || len(lots) != 1 {
		t.Errorf("%v %v %v", things, lots, err)
	}
	if p, err := a.Picture(ctx, "kelp"); err != nil || string(p.Data) != "a" {
		t.Errorf("picture %q, %v", p.Data, err)
	}
	if has, err := b.HasPicture(ctx, "kelp"); has || err != nil {
		t.Errorf("%v %v", has, err)
	}
	if j, err := a.Undo(ctx, j.ID, 2, nil); err != nil || j.Head != 1 {
		t.Errorf("their own: %d %v", j.Head, err)
	}
}

func first[T any](_ T, err error) error          { return err }
func second[T, U any](_ T, _ U, err error) error { return err }

// SQL that is written out passes by the one place that keeps a query to its studio.
func TestNoQueryPassesByTheStudio(t *testing.T) {
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	looked := 0
	for _, f := range files {
		if !strings.HasSuffix(f.Name(), ".go") || strings.HasSuffix(f.Name(), "_test.go") || f.Name() == "migrate.go" { // the schema is all studios'
			continue
		}
		looked++
		tree, err := parser.ParseFile(token.NewFileSet(), f.Name(), nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		ast.Inspect(tree, func(n ast.Node) bool {
			if call, ok := n.(*ast.CallExpr); ok {
				if sel, ok := call.Fun.(*ast.SelectorExpr); ok {
					switch sel.Sel.Name {
					case "Exec", "Raw", "Table", "ExecContext", "QueryContext", "QueryRowContext":
						t.Errorf("%s calls %s", f.Name(), sel.Sel.Name)
					}
				}
			}
			return true
		})
	}
	if looked < 6 {
		t.Errorf("looked at %d files", looked)
	}
}
