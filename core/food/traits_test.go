package food

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// Traits are of forms that there are, and say of them what is so.
func TestTraits(t *testing.T) {
	for form := range traits {
		if FormByID(form) == nil {
			t.Errorf("%q has traits and is no form", form)
		}
	}
	for _, c := range []struct {
		of    Trait
		forms []string
	}{
		{OnFood, []string{"topping", "strewn", "drizzled"}}, {Strewn, []string{"strewn"}}, {Begun, []string{"begun"}}, {AsItComes, []string{"whole"}}, {InDish, []string{"bowl", "pot", "upright", "flower"}}, {StandsOut, []string{"upright", "flower"}},
		{OnPick, []string{"skewer"}}, {Tucked, []string{"sprig"}}, {Drapes, []string{"trail", "ribbon", "half-fold-fan"}}, {CutSmall, []string{"halves", "quarters", "slices"}}, {KeepsStone, []string{"whole", "drift"}},
		{Winding, []string{"trail"}}, {CutInPlace, []string{"cut-round", "cut-round-12", "cut-round-16"}}, {NotEaten, []string{"prop"}}, {Spooned, []string{"bowl", "pot"}},
	} {
		var has []string
		for _, f := range Forms() {
			if Has(f.ID(), c.of) {
				has = append(has, f.ID())
			}
		}
		slices.Sort(has)
		slices.Sort(c.forms)
		if !slices.Equal(has, c.forms) {
			t.Errorf("trait %b: %v, not %v", c.of, has, c.forms)
		}
	}
	if Has("statue", ^Trait(0)) {
		t.Error("a form that is none has traits")
	}
	// what winds is laid as a trail, what stands in a dish as an anchor
	for _, f := range Forms() {
		if Has(f.ID(), Winding) != (f.Kind() == KindTrail) || Has(f.ID(), InDish) && f.Kind() != KindAnchor {
			t.Errorf("%s is a %s", f.ID(), f.Kind())
		}
	}
}

// Outside of this package nobody asks for a form by its name where a trait says what is meant.
func TestFormsAreAskedByTraits(t *testing.T) {
	few := 3 // a bowl of something runny to put a topping on, and how a half fold lies
	asked := 0
	for _, dir := range []string{"..", "../../app"} {
		err := filepath.WalkDir(dir, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || strings.HasPrefix(path, "../food/") {
				return err
			}
			f, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
			if err != nil {
				return err
			}
			ast.Inspect(f, func(n ast.Node) bool {
				b, ok := n.(*ast.BinaryExpr)
				if !ok || b.Op != token.EQL && b.Op != token.NEQ {
					return true
				}
				lit, ok := b.Y.(*ast.BasicLit)
				if !ok || lit.Kind != token.STRING {
					return true
				}
				if name, err := strconv.Unquote(lit.Value); err == nil && FormByID(name) != nil {
					if sel, ok := b.X.(*ast.SelectorExpr); ok && sel.Sel.Name == "Form" {
						asked++
					}
				}
				return true
			})
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if asked > few {
		t.Errorf("forms are asked for by name %d times; ask for a trait", asked)
	}
}
