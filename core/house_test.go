package core

import (
	"bytes"
	"flag"
	"fmt"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"slices"
	"sort"
	"strings"
	"testing"
)

var update = flag.Bool("update", false, "draw docs/house.svg anew")

// outer are the rooms around the core, those above may use those below.
var outer = [][]string{{"cmd"}, {"server"}, {"app"}, {"demo", "store", "devices", "formats", "art"}, {"app/template", "app/estimate"}}

// docs/house.svg shows the rooms as they are: lines are what a room builds on, but for what it has by way of others
// and for the small parts at the foot, which everybody uses.
func TestThePictureOfTheHouseIsTrue(t *testing.T) {
	lines := slices.Clone(outer)
	for i := len(order) - 1; i >= 0; i-- {
		var line []string
		for _, name := range order[i] {
			if !strings.HasSuffix(name, "test") {
				line = append(line, "core/"+name)
			}
		}
		lines = append(lines, line)
	}
	uses := map[string]map[string]bool{}
	for _, line := range lines {
		for _, room := range line {
			uses[room] = imports(t, filepath.Join("..", room))
		}
	}
	got := draw(lines, uses)
	const path = "../docs/house.svg"
	if *update {
		if err := os.WriteFile(path, got, 0o644); err != nil {
			t.Fatal(err)
		}
	}
	is, err := os.ReadFile(path)
	if err != nil || !bytes.Equal(is, got) {
		t.Errorf("docs/house.svg is not the house as it is: go test ./core -run House -update (%v)", err)
	}
	if !uses["core/edit"]["core/pack"] || uses["core/geom"]["core/food"] || !uses["app"]["store"] {
		t.Error("the rooms were not read")
	}
}

// imports are the rooms that a room's files build on, tests aside.
func imports(t *testing.T, dir string) map[string]bool {
	t.Helper()
	out := map[string]bool{}
	err := filepath.WalkDir(dir, func(path string, d fs.DirEntry, err error) error {
		own := path != dir && slices.ContainsFunc(outer, func(line []string) bool { return slices.Contains(line, strings.TrimPrefix(path, "../")) })
		if d != nil && d.IsDir() && (own || strings.HasSuffix(path, "test")) { // a room of its own, helpers of tests
			return fs.SkipDir
		}
		if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return err
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, imp := range f.Imports {
			parts := strings.Split(strings.TrimPrefix(strings.Trim(imp.Path.Value, `"`), "happytray/"), "/")
			if (parts[0] == "core" || parts[0] == "app") && len(parts) > 1 {
				out[parts[0]+"/"+parts[1]] = true
			} else {
				out[parts[0]] = true
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// draw sets the rooms in lines and joins each with what it builds on directly.
func draw(lines [][]string, uses map[string]map[string]bool) []byte {
	const wide, high, down, width = 96, 26, 58, 760
	at := map[string][2]int{}
	for row, line := range lines {
		for i, room := range line {
			at[room] = [2]int{width/2 + (2*i-len(line)+1)*(wide+14)/2, 30 + row*down}
		}
	}
	all := map[string]map[string]bool{} // what a room builds on, by way of others too
	var below func(room string) map[string]bool
	below = func(room string) map[string]bool {
		if done, ok := all[room]; ok {
			return done
		}
		all[room] = map[string]bool{} // it may not come round to itself
		for to := range uses[room] {
			if _, ok := at[to]; ok && to != room {
				all[room][to] = true
				for more := range below(to) {
					all[room][more] = true
				}
			}
		}
		return all[room]
	}
	reach := func(from, to string) bool {
		for via := range uses[from] {
			if _, ok := at[via]; ok && via != from && via != to && below(via)[to] {
				return true
			}
		}
		return false
	}
	var b bytes.Buffer
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" font-family="sans-serif" font-size="12">`+"\n", width, 20+len(lines)*down)
	fmt.Fprintf(&b, `<rect width="100%%" height="100%%" fill="#fbf8f1"/><rect x="8" y="%d" width="%d" height="%d" rx="10" fill="#efe6d2"/><text x="20" y="%d" fill="#6b5a3a">core: pure, deterministic for a seed</text>`+"\n",
		30+len(outer)*down-high, width-16, (len(lines)-len(outer))*down, 30+len(outer)*down-high+16)
	lowest := 30 + (len(lines)-1)*down
	rooms := make([]string, 0, len(at))
	for room := range at {
		rooms = append(rooms, room)
	}
	sort.Strings(rooms)
	for _, from := range rooms {
		for _, to := range rooms {
			if !uses[from][to] || from == to || at[to][1] == lowest || reach(from, to) {
				continue // everybody uses the lowest ones
			}
			a, z := at[from], at[to]
			fmt.Fprintf(&b, `<path d="M%d %dC%d %d %d %d %d %d" fill="none" stroke="#b9a67c"/>`+"\n", a[0], a[1]+high/2, a[0], a[1]+down/2, z[0], z[1]-down/2, z[0], z[1]-high/2)
		}
	}
	for _, room := range rooms {
		p := at[room]
		fmt.Fprintf(&b, `<rect x="%d" y="%d" width="%d" height="%d" rx="6" fill="#fff" stroke="#6b5a3a"/><text x="%d" y="%d" text-anchor="middle" fill="#2e2a22">%s</text>`+"\n",
			p[0]-wide/2, p[1]-high/2, wide, high, p[0], p[1]+4, strings.TrimPrefix(room, "core/"))
	}
	b.WriteString("</svg>\n")
	return b.Bytes()
}
