package core

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"math"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/shop"
	"happytray/core/tray"
)

// Whether guests may have a food is asked of core/diet alone: what a food holds, and what traces may be in it, are looked
// at together or one of them is forgotten.
func TestOnlyDietAsksWhatGuestsAvoid(t *testing.T) {
	looked := 0
	for _, root := range []string{".", "../app", "../server", "../cmd", "../formats", "../demo"} {
		err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
				return err
			}
			if room := filepath.ToSlash(filepath.Dir(path)); room == "food" || room == "diet" {
				return nil
			}
			f, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
			if err != nil {
				return err
			}
			looked++
			ast.Inspect(f, func(n ast.Node) bool {
				if s, ok := n.(*ast.SelectorExpr); ok && (s.Sel.Name == "Breaks" || s.Sel.Name == "MayHold") {
					t.Errorf("%s asks %s itself: diet.Avoiding, diet.CanEat or diet.For says it", path, s.Sel.Name)
				}
				return true
			})
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if looked < 150 {
		t.Errorf("looked at %d files", looked)
	}
}

// For every allergen and every food that may hold traces of it: nobody who says what guests can eat says it of that food.
func TestNobodyServesTraces(t *testing.T) {
	larder := food.BuiltIn()
	all := larder.All()
	asked := 0
	for _, w := range food.Allergens {
		b := brief.Brief{Guests: brief.Guests{Adults: 10}, Diets: []brief.Diet{{Who: "one", Count: 1, Avoid: []string{w}}}}
		found := larder.Search(food.Query{Without: []string{w}})
		for i := range all {
			f := &all[i]
			if !slices.Contains(f.MayContain, w) {
				continue
			}
			asked++
			name := f.ID + " without " + w
			if slices.ContainsFunc(found, func(g *food.Food) bool { return g.ID == f.ID }) {
				t.Errorf("%s: the larder's filter lets it through", name)
			}
			if _, ok := shop.NextUse(f, "2026-11-30", []shop.Needs{{Job: "next", Day: "2026-12-01", Off: []string{w}}}); ok && f.KeepsDays > 0 {
				t.Errorf("%s: what stays over is passed on", name)
			}
			if s := pick.Servings(b, []*food.Food{f}); s[0].Foods != 0 || s[1].Foods != 1 {
				t.Errorf("%s: the choice counts it for %d and %d", name, s[0].Foods, s[1].Foods)
			}
			for _, sub := range pick.Substitutes(b, f, f.Forms[0].Form, nil, larder, 8) {
				if g := sub.Food; slices.Contains(g.MayContain, w) || g.Holds(w) {
					t.Errorf("%s: %s takes its place", name, g.ID)
				}
			}
			if f.Category == food.Garnish || f.Category == food.NotFood {
				continue
			}
			if got := amount.FoundBy(b, map[string]float64{f.ID: 900}, larder); got[0].FindsG != 0 || got[1].FindsG != math.Round(100*f.EatenShare()) {
				t.Errorf("%s: %v g for who avoids it, %v for the others", name, got[0].FindsG, got[1].FindsG)
			}
		}
	}
	if asked < 100 {
		t.Errorf("only %d traces were asked after", asked)
	}
}

// A guest who avoids what may be in all there is eats nothing, as it is foreseen.
func TestTracesAreForeseenToStay(t *testing.T) {
	larder := food.BuiltIn()
	b := brief.Brief{Guests: brief.Guests{Adults: 6}, Diets: []brief.Diet{{Who: "all", Avoid: []string{"nuts"}}}}
	all := larder.All()
	i := slices.IndexFunc(all, func(f food.Food) bool {
		return slices.Contains(f.MayContain, "nuts") && f.Category == food.Dried
	})
	if i < 0 {
		t.Skip("no dried fruit may hold nuts")
	}
	f := &all[i]
	bo, _ := board.BuiltInCabinet().Board("round-48-walnut")
	j := &job.Job{Brief: b, Trays: []*tray.Tray{{Brief: b, Board: &bo, Elements: []tray.Element{{ID: "a", Food: f.ID, Form: f.Forms[0].Form, Category: f.Category, Grams: 200, Count: 20, Placed: true}}}}}
	j.NoteFoods(larder)
	got, err := graze.Simulate(t.Context(), j, larder, graze.Options{Evenings: 20, Seed: 1})
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range got.Elements {
		if e.LeftG.P10 < 199 {
			t.Errorf("%s: %v g are foreseen to be left of 200", f.ID, e.LeftG.P10)
		}
	}
}
