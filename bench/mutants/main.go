// Command mutants asks whether the tests would notice: it changes one thing at a time in the packages that are named,
// runs the tests of the package it is in, and lists the changes that no test minded.
//
//	go run ./mutants -n 50 -seed 3 -also ../core ../core/diet ../core/learn
//
// What the tests of its own package let through, those of the packages named by -also may notice: core holds a dozen
// whole jobs.
// Which places are changed follows from the seed; no file is touched, the compiler is given the changed one as an
// overlay. A change that does not compile is none, and another is drawn. What survives is read by a person: it is a
// test that is missing, or a change that makes no difference (a bound on work, an order that does not matter).
package main

import (
	"bytes"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"go/ast"
	"go/format"
	"go/parser"
	"go/token"
	"log"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"time"
)

// mutant is one change of one place.
type mutant struct {
	file string
	pos  token.Position
	says string // what it was, and what it is instead
	make func() (undo func())
}

// swaps are the operators that take each other's places.
var swaps = map[token.Token]token.Token{
	token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ, token.GEQ: token.GTR, token.EQL: token.NEQ,
	token.NEQ: token.EQL, token.LAND: token.LOR, token.LOR: token.LAND, token.ADD: token.SUB, token.SUB: token.ADD,
	token.MUL: token.QUO, token.QUO: token.MUL, token.REM: token.MUL,
}

// source is a file that was read, with what may be changed in it.
type source struct {
	path    string
	set     *token.FileSet
	file    *ast.File
	mutants []mutant
}

func read(path string) (*source, error) {
	set := token.NewFileSet()
	f, err := parser.ParseFile(set, path, nil, parser.ParseComments|parser.SkipObjectResolution)
	if err != nil {
		return nil, err
	}
	s := &source{path: path, set: set, file: f}
	ast.Inspect(f, s.visit)
	return s, nil
}

func (s *source) add(at token.Pos, says string, change func() func()) {
	s.mutants = append(s.mutants, mutant{s.path, s.set.Position(at), says, change})
}

func (s *source) visit(n ast.Node) bool {
	switch n := n.(type) {
	case *ast.GenDecl: // tables and constants are data, which other tests hold
		return false
	case *ast.BinaryExpr:
		to, ok := swaps[n.Op]
		if lit, is := n.X.(*ast.BasicLit); ok && (!is || lit.Kind != token.STRING) {
			was := n.Op
			s.add(n.OpPos, was.String()+" -> "+to.String(), func() func() { n.Op = to; return func() { n.Op = was } })
		}
	case *ast.UnaryExpr:
		if n.Op == token.NOT {
			was := n.X
			s.add(n.OpPos, "! left out", func() func() { n.X = &ast.UnaryExpr{Op: token.NOT, X: was}; return func() { n.X = was } })
		}
	case *ast.BasicLit:
		if n.Kind != token.INT && n.Kind != token.FLOAT {
			return true
		}
		v, err := strconv.ParseFloat(n.Value, 64)
		if err != nil {
			return true
		}
		was, to := n.Value, strconv.FormatFloat(v*2, 'g', -1, 64)
		if v < 4 && n.Kind == token.INT {
			to = strconv.Itoa(int(v) + 1)
		}
		s.add(n.Pos(), was+" -> "+to, func() func() { n.Value = to; return func() { n.Value = was } })
	case *ast.ReturnStmt:
		if len(n.Results) == 1 {
			if id, ok := n.Results[0].(*ast.Ident); ok && (id.Name == "true" || id.Name == "false") {
				was, to := id.Name, map[string]string{"true": "false", "false": "true"}[id.Name]
				s.add(n.Pos(), "return "+was+" -> "+to, func() func() { id.Name = to; return func() { id.Name = was } })
			}
		}
	case *ast.BranchStmt:
		if to := map[token.Token]token.Token{token.CONTINUE: token.BREAK, token.BREAK: token.CONTINUE}[n.Tok]; to != token.ILLEGAL && n.Label == nil {
			was := n.Tok
			s.add(n.Pos(), was.String()+" -> "+to.String(), func() func() { n.Tok = to; return func() { n.Tok = was } })
		}
	case *ast.IfStmt:
		was := n.Cond
		s.add(n.Pos(), "if ... -> if never", func() func() {
			n.Cond = &ast.BinaryExpr{X: &ast.ParenExpr{X: was}, Op: token.LAND, Y: ast.NewIdent("false")}
			return func() { n.Cond = was }
		})
	}
	return true
}

// errNotCompiled is what a change comes to that is no program.
var errNotCompiled = errors.New("does not compile")

// survives runs the tests of a package, and of others in directories named after it, with one file changed, and
// reports whether they pass.
func survives(s *source, m mutant, within time.Duration, also []string) (bool, error) {
	undo := m.make()
	var text bytes.Buffer
	err := format.Node(&text, s.set, s.file)
	undo()
	if err != nil {
		return false, errNotCompiled
	}
	dir, err := os.MkdirTemp("", "mutant")
	if err != nil {
		return false, err
	}
	defer os.RemoveAll(dir)
	changed := filepath.Join(dir, filepath.Base(s.path))
	overlay := filepath.Join(dir, "overlay.json")
	spec, err := json.Marshal(map[string]map[string]string{"Replace": {s.path: changed}})
	if err != nil {
		return false, err
	}
	if err := errors.Join(os.WriteFile(changed, text.Bytes(), 0o644), os.WriteFile(overlay, spec, 0o644)); err != nil {
		return false, err
	}
	run := func(in string, args ...string) ([]byte, error) {
		c := exec.Command("go", append([]string{"test", "-vet=off", "-overlay", overlay}, args...)...)
		c.Dir = in
		return c.CombinedOutput()
	}
	own := filepath.Dir(s.path)
	if out, err := run(own, "-run", "^$", "."); err != nil {
		if bytes.Contains(out, []byte("[build failed]")) || bytes.Contains(out, []byte("[setup failed]")) {
			return false, errNotCompiled
		}
		return false, nil // it falls over before it begins
	}
	for _, in := range append([]string{own}, also...) {
		if _, err := run(in, "-count=1", "-failfast", "-timeout", within.String(), "."); err != nil {
			return false, nil
		}
	}
	return true, nil
}

func main() {
	n := flag.Int("n", 50, "how many changes")
	seed := flag.Uint64("seed", 1, "which")
	within := flag.Duration("within", 5*time.Minute, "a test that takes longer has noticed")
	also := flag.String("also", "", "directories of packages whose tests are asked, too, with commas between")
	flag.Parse()
	var sources []*source
	for _, dir := range flag.Args() {
		files, err := filepath.Glob(filepath.Join(dir, "*.go"))
		if err != nil {
			log.Fatal(err)
		}
		for _, f := range files {
			if strings.HasSuffix(f, "_test.go") || strings.HasSuffix(f, ".gen.go") {
				continue
			}
			path, err := filepath.Abs(f)
			if err != nil {
				log.Fatal(err)
			}
			s, err := read(path)
			if err != nil {
				log.Fatal(err)
			}
			if len(s.mutants) > 0 {
				sources = append(sources, s)
			}
		}
	}
	all := 0
	for _, s := range sources {
		all += len(s.mutants)
	}
	if all == 0 {
		log.Fatal("there is nothing to change; name directories of packages")
	}
	rng := rand.New(rand.NewPCG(*seed, 0))
	tried, killed := 0, 0
	for draws := 0; tried < *n && draws < *n*4; draws++ {
		k := rng.IntN(all)
		for _, s := range sources {
			if k >= len(s.mutants) {
				k -= len(s.mutants)
				continue
			}
			m := s.mutants[k]
			began := time.Now()
			lives, err := survives(s, m, *within, strings.FieldsFunc(*also, func(r rune) bool { return r == ',' }))
			if errors.Is(err, errNotCompiled) {
				break
			}
			if err != nil {
				log.Fatal(err)
			}
			tried++
			if lives {
				fmt.Printf("SURVIVED %s:%d:%d  %s\n", m.file, m.pos.Line, m.pos.Column, m.says)
			} else {
				killed++
			}
			log.Printf("%d of %d, %d killed, %s", tried, *n, killed, time.Since(began).Round(time.Second))
			break
		}
	}
	fmt.Printf("%d changes of %d that could be made, %d noticed: %.0f %%\n", tried, all, killed, 100*float64(killed)/float64(max(1, tried)))
}
