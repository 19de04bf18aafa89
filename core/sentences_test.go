package core

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"happytray/core/say"
)

// speaks are the functions and methods whose first argument is the code of a sentence, the others what it is of; here
// and add stand for them in rooms that say much.
var speaks = []string{"New", "That", "Part", "Then", "here", "add"}

// Every sentence that is said is one that there is, of as many values as it has places for; and every one that there is
// is said somewhere.
func TestWhatIsSaidIsThere(t *testing.T) {
	codes := say.Codes()
	said := map[string]bool{"verbatim": true, "colour.spread": true, "spread.category": true} // the last by the names of their checks
	calls := 0
	for _, root := range []string{".", "../app"} {
		err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || strings.HasPrefix(path, "say/") {
				return err
			}
			f, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
			if err != nil {
				return err
			}
			ast.Inspect(f, func(n ast.Node) bool {
				switch n := n.(type) {
				case *ast.BasicLit: // a code may be chosen before it is said
					if text, err := strconv.Unquote(n.Value); err == nil && codes[text] != "" {
						said[text] = true
					}
				case *ast.CallExpr:
					name, code := spoken(n)
					if name == "" {
						return true
					}
					calls++
					for _, c := range code {
						said[c] = true
						words, ok := codes[c]
						if !ok {
							t.Errorf("%s: there is no sentence %q", path, c)
						} else if want := places(words); n.Ellipsis == token.NoPos && name != "here" && len(n.Args)-1 != want {
							t.Errorf("%s: %q has places for %d, and is said of %d", path, c, want, len(n.Args)-1)
						}
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
	for c := range codes {
		if !said[c] {
			t.Errorf("nobody says %q", c)
		}
	}
	if calls < 100 {
		t.Errorf("only %d sentences are said", calls)
	}
}

// spoken is by which of speaks a call says something, and the codes that it may say; "" for another call, or where the
// code is chosen elsewhere.
func spoken(call *ast.CallExpr) (name string, codes []string) {
	switch f := call.Fun.(type) {
	case *ast.Ident:
		name = f.Name
	case *ast.SelectorExpr:
		name = f.Sel.Name
		if pkg, ok := f.X.(*ast.Ident); name != "Then" && (!ok || pkg.Name != "say") {
			return "", nil
		}
	}
	if !slices.Contains(speaks, name) || len(call.Args) == 0 {
		return "", nil
	}
	first := call.Args[0]
	if lit, ok := first.(*ast.BasicLit); ok && lit.Kind == token.STRING {
		code, err := strconv.Unquote(lit.Value)
		if err != nil || (name == "add" || name == "here") && !strings.Contains(code, ".") { // another add
			return "", nil
		}
		if codes = []string{code}; name == "here" { // once, or in so many places
			codes = append(codes, code+"s")
		}
		return name, codes
	}
	// what becomes of a food stands in the middle of a code
	var parts []string
	for {
		sum, ok := first.(*ast.BinaryExpr)
		if !ok {
			break
		}
		parts = append([]string{textOf(sum.Y)}, parts...)
		first = sum.X
	}
	if head := textOf(first); head != "" && len(parts) > 0 {
		for _, becomes := range []string{"melts", "runs", "weeps"} {
			codes = append(codes, head+becomes+strings.Join(parts, ""))
		}
		return name, codes
	}
	return "", nil
}

func textOf(e ast.Expr) string {
	if lit, ok := e.(*ast.BasicLit); ok {
		text, _ := strconv.Unquote(lit.Value)
		return text
	}
	return ""
}

var place = regexp.MustCompile(`\{(\d)`)

// places is how many values a sentence has places for.
func places(words string) (n int) {
	for _, m := range place.FindAllStringSubmatch(words, -1) {
		at, _ := strconv.Atoi(m[1])
		n = max(n, at)
	}
	return n
}
