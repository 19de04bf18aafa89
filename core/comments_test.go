package core

import (
	"go/ast"
	"go/parser"
	"go/token"
	"go/types"
	"io/fs"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
)

// what the standard library asks for is explained there
var known = []string{"MarshalJSON", "UnmarshalJSON", "Error", "Unwrap", "String", "Len", "Less", "Swap", "Push", "Pop"}

// a name that ends with its unit needs no comment that says it
var unitInName = regexp.MustCompile(`(MM2?|CM2?|ML|[a-z]G|Grams|Deg|Minutes|Min|Secs|Seconds|Days|Litres|Months?|Pct)$`)

// Who reads a package by its names alone learns what each of them is, and each number its unit or its range.
func TestPublicNamesAreExplained(t *testing.T) {
	names, numbers := 0, 0
	packages := map[string][]*ast.File{}
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ParseComments)
		packages[filepath.Dir(path)] = append(packages[filepath.Dir(path)], f)
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	for dir, files := range packages {
		asked := slices.Concat(known, interfaceMethods(files))
		for _, f := range files {
			for _, d := range f.Decls {
				switch d := d.(type) {
				case *ast.FuncDecl:
					if d.Name.IsExported() && ofExported(d) && !(d.Recv != nil && slices.Contains(asked, d.Name.Name)) {
						names++
						if d.Doc == nil {
							t.Errorf("%s: %s has no comment", dir, d.Name.Name)
						}
					}
				case *ast.GenDecl:
					n, m := explained(t, dir, d)
					names, numbers = names+n, numbers+m
				}
			}
		}
	}
	if names < 500 || numbers < 200 {
		t.Errorf("looked at %d names and %d numbers only", names, numbers)
	}
}

// explained looks at types, variables and constants, and at the members of structs that are numbers or places.
func explained(t *testing.T, dir string, d *ast.GenDecl) (names, numbers int) {
	for _, s := range d.Specs {
		switch s := s.(type) {
		case *ast.ValueSpec:
			for _, n := range s.Names {
				if !n.IsExported() {
					continue
				}
				names++
				if d.Doc == nil && s.Doc == nil && s.Comment == nil {
					t.Errorf("%s: %s has no comment", dir, n.Name)
				}
			}
		case *ast.TypeSpec:
			if !s.Name.IsExported() {
				continue
			}
			names++
			if d.Doc == nil && s.Doc == nil {
				t.Errorf("%s: %s has no comment", dir, s.Name.Name)
			}
			st, ok := s.Type.(*ast.StructType)
			if !ok {
				continue
			}
			for _, m := range st.Fields.List {
				if !measured(types.ExprString(m.Type)) {
					continue
				}
				for _, n := range m.Names {
					if !n.IsExported() {
						continue
					}
					numbers++
					// the comment of a type of one line holds for its few members
					said := m.Doc != nil || m.Comment != nil || unitInName.MatchString(n.Name) || len(st.Fields.List) == 1 && (d.Doc != nil || s.Doc != nil)
					if !said {
						t.Errorf("%s: %s.%s says no unit and no range", dir, s.Name.Name, n.Name)
					}
				}
			}
		}
	}
	return names, numbers
}

func measured(typ string) bool {
	for _, kind := range []string{"float64", "int", "int64", "Point", "Duration"} {
		if strings.HasSuffix(typ, kind) {
			return true
		}
	}
	return false
}

func ofExported(d *ast.FuncDecl) bool {
	if d.Recv == nil {
		return true
	}
	typ := d.Recv.List[0].Type
	if star, ok := typ.(*ast.StarExpr); ok {
		typ = star.X
	}
	id, ok := typ.(*ast.Ident)
	return !ok || id.IsExported()
}

func interfaceMethods(files []*ast.File) (out []string) {
	for _, f := range files {
		ast.Inspect(f, func(n ast.Node) bool {
			if i, ok := n.(*ast.InterfaceType); ok {
				for _, m := range i.Methods.List {
					for _, name := range m.Names {
						out = append(out, name.Name)
					}
				}
			}
			return true
		})
	}
	return out
}
