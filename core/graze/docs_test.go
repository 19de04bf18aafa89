package graze_test

import (
	"flag"
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"

	"happytray/core/graze"
)

var update = flag.Bool("update", false, "write docs/graze.md anew")

// The page of the forecast lists every number as it is.
func TestDocs(t *testing.T) {
	const page, mark = "../../docs/graze.md", "<!-- parameters -->\n"
	raw, err := os.ReadFile(page)
	if err != nil {
		t.Fatal(err)
	}
	var b strings.Builder
	b.WriteString("| | | | where it comes from |\n|---|---|---|---|\n")
	for _, p := range graze.Parameters() {
		fmt.Fprintf(&b, "| `%s` | %s | %s | %s |\n", p.Name, strings.TrimSpace(strconv.FormatFloat(p.Value, 'f', -1, 64)+" "+p.Unit), p.Says, p.From)
	}
	before, _, ok := strings.Cut(string(raw), mark)
	want := before + mark + b.String()
	if !ok {
		t.Fatal("the page has no place for the numbers")
	}
	if *update {
		if err := os.WriteFile(page, []byte(want), 0o644); err != nil {
			t.Fatal(err)
		}
	} else if want != string(raw) {
		t.Error("docs/graze.md is out of date: go test ./core/graze -update")
	}
}
