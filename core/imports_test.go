// Package core holds the craft. This test keeps it pure.
package core

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

// small libraries for colours and letters that the core may use: pure sums and tables
var allowed = []string{"github.com/lucasb-eyer/go-colorful", "golang.org/x/text/runes", "golang.org/x/text/transform", "golang.org/x/text/unicode/norm"}

// parts of the standard library that reach outside: a pure core asks nobody
// for the time, the disk, the net or the environment
var impure = []string{"net", "os", "database/sql", "log", "syscall", "os/exec", "os/signal", "html/template", "text/template", "plugin"}

func TestCoreIsPure(t *testing.T) {
	files := 0
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		files++
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, imp := range f.Imports {
			name, err := strconv.Unquote(imp.Path.Value)
			if err != nil {
				return err
			}
			if !pure(name) {
				t.Errorf("%s imports %s, which does not belong in the core", path, name)
			}
		}
		return nil
	})
	if err != nil || files < 20 {
		t.Errorf("looked at %d files: %v", files, err)
	}
	for _, name := range []string{"net/http", "os", "happytray/server", "gorm.io/gorm", "github.com/gin-gonic/gin"} {
		if pure(name) {
			t.Errorf("%s would be let in", name)
		}
	}
}

func pure(name string) bool {
	if strings.HasPrefix(name, "happytray/") {
		return strings.HasPrefix(name, "happytray/core/")
	}
	if strings.Contains(strings.SplitN(name, "/", 2)[0], ".") { // not the standard library
		for _, a := range allowed {
			if name == a || strings.HasPrefix(name, a+"/") {
				return true
			}
		}
		return false
	}
	for _, i := range impure {
		if name == i || strings.HasPrefix(name, i+"/") {
			return false
		}
	}
	return true
}

// Nothing in the core but the search's time limit may look at the clock.
func TestClockIsReadInOnePlaceOnly(t *testing.T) {
	reads := []string{"Now", "Since", "Until", "After", "AfterFunc", "Tick", "NewTicker", "NewTimer", "Sleep", "Local"}
	found := 0
	inspect(t, func(path string, n ast.Node) {
		if sel, ok := n.(*ast.SelectorExpr); ok && slices.Contains(reads, sel.Sel.Name) {
			if pkg, ok := sel.X.(*ast.Ident); ok && pkg.Name == "time" {
				found++
				if path != filepath.Join("search", "run.go") {
					t.Errorf("%s reads the clock: time.%s", path, sel.Sel.Name)
				}
			}
		}
	})
	if found == 0 {
		t.Error("nobody reads the clock, not even the search")
	}
}

// inspect walks the syntax of every file of the core that is no test.
func inspect(t *testing.T, see func(path string, n ast.Node)) {
	t.Helper()
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
		if err != nil {
			return err
		}
		ast.Inspect(f, func(n ast.Node) bool {
			see(path, n)
			return true
		})
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}

// A panic in a goroutine ends the process, so they are started in one place, which
// hands panics on to the caller.
func TestGoroutinesAreStartedInOnePlace(t *testing.T) {
	found := 0
	inspect(t, func(path string, n ast.Node) {
		starts := false
		switch n := n.(type) {
		case *ast.GoStmt:
			starts = true
		case *ast.SelectorExpr:
			starts = n.Sel.Name == "Go" || n.Sel.Name == "AfterFunc"
		}
		if starts {
			found++
			if path != filepath.Join("workers", "workers.go") {
				t.Errorf("%s starts a goroutine", path)
			}
		}
	})
	if found != 1 {
		t.Errorf("goroutines are started %d times", found)
	}
}

// order is the house's: what stands in a line may import what stands in the lines before
// it, and nothing of its own line or after.
var order = [][]string{
	{"fault", "say", "spell", "workers", "round"},
	{"geom", "colour"},
	{"document"},
	{"food", "board"},
	{"brief"},
	{"diet"},
	{"safety", "adjacency", "access", "theme", "bite"},
	{"portion"},
	{"pick"},
	{"amount"},
	{"tray"},
	{"job", "drink", "tool", "recipe"},
	{"card"},
	{"plan", "graze"},
	{"shop", "review", "schedule"},
	{"prep"}, // knows no arranger
	{"price", "pack", "lens"},
	{"search"},
	{"edit"},
	{"repair"},
	{"weighing", "plan/plantest"}, // plantest lays jobs for tests alone
	{"learn"},
	{"evening"},
	{"practice"}, // knows all of the craft, and nothing knows it
}

func TestNothingLooksBack(t *testing.T) {
	rank := map[string]int{}
	for i, line := range order {
		for _, name := range line {
			rank[name] = i
		}
	}
	seen := map[string]bool{}
	_ = filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		room := filepath.Dir(path)
		own, ok := rank[room]
		if !ok {
			t.Errorf("core/%s has no place in the order", room)
		}
		seen[room] = true
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, imp := range f.Imports {
			if other, ours := strings.CutPrefix(strings.Trim(imp.Path.Value, `"`), "happytray/core/"); ours && rank[other] >= own {
				t.Errorf("%s imports core/%s, which stands after it", path, other)
			}
		}
		return nil
	})
	if len(seen) != len(rank) {
		t.Errorf("%d rooms of %d are there", len(seen), len(rank))
	}
}
