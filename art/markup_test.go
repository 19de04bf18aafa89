package art

import (
	"encoding/xml"
	"go/ast"
	"go/parser"
	"go/token"
	"io"
	"os"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/tray"
)

// sound walks a document as XML and lists its elements.
func sound(t *testing.T, name, svg string) map[string]int {
	t.Helper()
	out := map[string]int{}
	dec := xml.NewDecoder(strings.NewReader(svg))
	for {
		tok, err := dec.Token()
		if err == io.EOF {
			return out
		}
		if err != nil {
			t.Fatalf("%s: %v: %.300s", name, err, svg)
		}
		if e, ok := tok.(xml.StartElement); ok {
			out[e.Name.Local]++
			for _, a := range e.Attr {
				if strings.HasPrefix(a.Name.Local, "on") {
					t.Errorf("%s: an attribute %s", name, a.Name.Local)
				}
			}
		}
	}
}

// Whatever things are called in a file, their names stay names.
func TestNamesAreNoMarkup(t *testing.T) {
	wicked := `"><script>alert(1)</script><x y='&` + "\x00\x1f"
	v, _ := board.BuiltInCabinet().Vessel("dip-bowl")
	v.ID, v.Name = wicked, wicked
	b := board.BuiltIn()[0]
	b.ID, b.Name, b.Material = wicked, wicked, "ceramic"
	f, _ := food.BuiltIn().Get("honey")
	spec, _ := f.Spec("bowl")
	tr := &tray.Tray{Board: &b, Vessels: []board.Vessel{v},
		Elements: []tray.Element{{ID: wicked, Food: f.ID, Form: spec.Form, Vessel: wicked, Placed: true, Count: 1, Pieces: []tray.Piece{{Outline: v.Footprint()}}}}}
	docs := map[string]string{"tray": Tray(wicked, tr, food.BuiltIn()), "board": BoardAlone(&b), "vessel": VesselAlone(v), "portion": Portion(f, "bowl")}
	for name, svg := range docs {
		if got := sound(t, name, svg); got["script"]+got["x"] > 0 || got["svg"] != 1 {
			t.Errorf("%s holds %v", name, got)
		}
	}
	if !strings.Contains(docs["tray"], "data-element=") || !strings.Contains(docs["tray"], "&lt;script&gt;") {
		t.Error("the names are gone altogether")
	}
	s := Compose(tr, food.BuiltIn())
	for id := range s.Drawings {
		if strings.Trim(id, "abcdefghijklmnopqrstuvwxyz0123456789-") != "" {
			t.Errorf("a drawing's id is %q", id)
		}
	}
}

// Tags are made in one place.
func TestTagsAreWrittenInOnePlace(t *testing.T) {
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	for _, file := range files {
		if !strings.HasSuffix(file.Name(), ".go") || strings.HasSuffix(file.Name(), "_test.go") || file.Name() == "markup.go" {
			continue
		}
		tree, err := parser.ParseFile(token.NewFileSet(), file.Name(), nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		ast.Inspect(tree, func(n ast.Node) bool {
			switch n := n.(type) {
			case *ast.BasicLit:
				if n.Kind == token.STRING && strings.ContainsAny(n.Value, "<>") {
					t.Errorf("%s writes %s by hand", file.Name(), n.Value)
				}
			case *ast.CallExpr:
				if sel, ok := n.Fun.(*ast.SelectorExpr); ok && (sel.Sel.Name == "Fprintf" || sel.Sel.Name == "Fprint") {
					t.Errorf("%s prints by hand", file.Name())
				}
			}
			return true
		})
	}
}
