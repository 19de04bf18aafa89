package server

import (
	"go/parser"
	"go/token"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/getkin/kin-openapi/openapi3"
)

// what handlers may name of the house besides app: how documents are read, faults and numbers, and the kinds of
// data that requests and answers are made of
var named = []string{"happytray/app", "happytray/app/estimate", "happytray/app/template", "happytray/server/api", "happytray/clock",
	"happytray/core/document", "happytray/core/fault", "happytray/core/round",
	"happytray/core/board", "happytray/core/brief", "happytray/core/edit", "happytray/core/food", "happytray/core/geom", "happytray/core/job", "happytray/core/tray"}

// Handlers translate; what is worked out is worked out in app.
func TestHandlersReachAppAlone(t *testing.T) {
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	read := 0
	for _, d := range files {
		if !strings.HasSuffix(d.Name(), ".go") || strings.HasSuffix(d.Name(), "_test.go") {
			continue
		}
		f, err := parser.ParseFile(token.NewFileSet(), d.Name(), nil, parser.ImportsOnly)
		if err != nil {
			t.Fatal(err)
		}
		read++
		for _, imp := range f.Imports {
			if path := strings.Trim(imp.Path.Value, `"`); strings.HasPrefix(path, "happytray/") && !slices.Contains(named, path) {
				t.Errorf("%s imports %s; let app do it", d.Name(), path)
			}
		}
	}
	if read < 15 {
		t.Errorf("only %d files were read", read)
	}
}

// An operation that says no bounds is found when the server starts.
func TestEveryOperationSaysItsBounds(t *testing.T) {
	doc, err := openapi3.NewLoader().LoadFromData([]byte(`{"openapi":"3.0.3","info":{"title":"t","version":"1"},"paths":{"/x":{"get":{"operationId":"x","responses":{"200":{"description":"y"}}}}}}`))
	if err != nil {
		t.Fatal(err)
	}
	if _, err := boundsOf(doc); err == nil || !strings.Contains(err.Error(), "GET /x") {
		t.Errorf("an operation without bounds: %v", err)
	}
	doc, err = readContract()
	if err != nil {
		t.Fatal(err)
	}
	all, err := boundsOf(doc)
	if err != nil || len(all) < 100 {
		t.Fatalf("%d operations, %v", len(all), err)
	}
	for op, want := range map[string]bounds{"edit": {15, 256, false}, "arrange": {180, 8192, true}, "enter": {15, 4, false}, "bringIn": {60, 48 << 10, false}, "addPhoto": {60, 12 << 10, false}} {
		if all[op] != want {
			t.Errorf("%s: %+v, not %+v", op, all[op], want)
		}
	}
	if all["enter"].BodyKB<<10 != strangersBody {
		t.Error("what strangers may send is bounded twice, and unlike")
	}
}
