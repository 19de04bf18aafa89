package art

import (
	"context"
	"encoding/xml"
	"errors"
	"io"
	"math"
	"regexp"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/search"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

var gradient = regexp.MustCompile(`url\(#([^)]+)\)`)

var hex = regexp.MustCompile("#[0-9a-f]{6}")

// wellFormed reads a whole SVG document and counts its elements.
func wellFormed(t *testing.T, name, svg string) map[string]int {
	t.Helper()
	d := xml.NewDecoder(strings.NewReader(svg))
	n := map[string]int{}
	for {
		tok, err := d.Token()
		if errors.Is(err, io.EOF) {
			return n
		}
		if err != nil {
			t.Fatalf("%s: %v", name, err)
		}
		if e, ok := tok.(xml.StartElement); ok {
			said := map[string]bool{}
			for _, a := range e.Attr { // a browser draws nothing of a document that says an attribute twice
				if said[a.Name.Local] {
					t.Errorf("%s: <%s> says %s twice", name, e.Name.Local, a.Name.Local)
				}
				said[a.Name.Local] = true
			}
			n[e.Name.Local]++
			for _, a := range e.Attr {
				if strings.Contains(a.Value, "NaN") || strings.Contains(a.Value, "Inf") {
					t.Fatalf("%s: %s has %s=%q", name, e.Name.Local, a.Name.Local, a.Value)
				}
				if a.Name.Local == "href" && !strings.HasPrefix(a.Value, "#") {
					t.Fatalf("%s reaches outside: %q", name, a.Value)
				}
			}
		}
	}
}

// Every built-in food has a drawing with some work in it, in each of its forms.
func TestEveryFormIsDrawn(t *testing.T) {
	all := larder.All()
	for i := range all {
		f := &all[i]
		for _, s := range f.Forms {
			svg := Portion(f, s.Form)
			n := wellFormed(t, f.ID+" "+s.Form, svg)
			if marks := n["path"] + n["circle"] + n["ellipse"]; marks < 8 {
				t.Errorf("%s as %s is drawn with %d marks only", f.ID, s.Form, marks)
			}
			tones := map[string]bool{}
			for _, c := range hex.FindAllString(svg, -1) {
				tones[c] = true
			}
			if len(tones) < 4 {
				t.Errorf("%s as %s is flat: %d tones", f.ID, s.Form, len(tones))
			}
		}
	}
}

func TestDrawingIsTheSameEveryTime(t *testing.T) {
	f, _ := larder.Get("figs")
	defs := map[string]string{}
	first := sprite(0, f, f.Forms[0], 2, defs)
	for range 3 {
		again := map[string]string{}
		if Sprite(f, f.Forms[0], 2, again) != first || len(again) != len(defs) {
			t.Fatal("the same piece looks different, or has lost its gradients")
		}
	}
	// a food of the same name in another colour is another drawing
	green := *f
	green.Colour, green.Cut = "#3a7d2c", "#c9e59a"
	if Sprite(&green, f.Forms[0], 2, map[string]string{}) == first {
		t.Error("a changed colour was not drawn")
	}
}

func laid(tb testing.TB, guests int) *tray.Tray {
	tb.Helper()
	t, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 11}, larder, board.BuiltInCabinet())
	if err != nil {
		tb.Fatal(err)
	}
	res, err := search.Lay(context.Background(), t.Trays[0], larder, search.Options{Effort: 1})
	if err != nil {
		tb.Fatal(err)
	}
	return res.Tray
}

func TestTrayHoldsEveryPiece(t *testing.T) {
	tr := laid(t, 8)
	n := wellFormed(t, "tray", Tray(`A "title" with <marks> & more`, tr, larder))
	pieces := 0
	for _, e := range tr.Elements {
		pieces += len(e.Pieces)
	}
	if n["use"] != 2*pieces { // each with its shadow
		t.Errorf("%d uses for %d pieces", n["use"], pieces)
	}
}

func TestSceneMatchesTray(t *testing.T) {
	tr := laid(t, 8)
	s := Compose(tr, larder)
	count := make([]int, len(tr.Elements))
	last := -1.0
	for b, band := range s.Bands {
		top := 0.0
		for _, p := range band.Pieces {
			count[p.Element]++
			d := s.Drawings[p.Use]
			if d.SVG == "" || d.Shade == "" {
				t.Fatalf("band %d uses %s, which is not drawn", b, p.Use)
			}
			for _, ref := range gradient.FindAllStringSubmatch(d.SVG, -1) {
				if s.Defs[ref[1]] == "" {
					t.Fatalf("%s uses gradient %s, which is not there", p.Use, ref[1])
				}
			}
			top = max(top, p.Shift)
		}
		if len(band.Pieces) > 0 && b < 3 && top < last {
			t.Errorf("band %d is lower than the one below it", b)
		}
		last = max(last, top)
	}
	for i, e := range tr.Elements {
		if count[i] != len(e.Pieces) {
			t.Errorf("%s: %d of %d pieces drawn", e.ID, count[i], len(e.Pieces))
		}
	}
	if empty := Compose(&tray.Tray{}, larder); empty.Board != "" || empty.Bands == nil {
		t.Errorf("a tray without a board gives %+v", empty)
	}
}

func TestEveryBoardIsDrawn(t *testing.T) {
	for _, b := range board.BuiltIn() {
		wellFormed(t, b.ID, "<svg>"+Board(&b)+"</svg>")
	}
	for _, m := range board.Materials {
		b, err := board.Make(board.Request{Shape: "paddle", LengthMM: 500, WidthMM: 240, Material: m, RimMM: 12})
		if err != nil {
			t.Fatal(err)
		}
		b.Liner = "#efe9da"
		if n := wellFormed(t, m, "<svg>"+Board(&b)+"</svg>"); n["path"] < 5 {
			t.Errorf("%s is drawn with %d paths", m, n["path"])
		}
	}
}

func BenchmarkCompose(b *testing.B) {
	tr := laid(b, 26)
	b.ReportAllocs()
	for b.Loop() {
		Compose(tr, larder)
	}
}

// From afar a tray keeps every piece, and is drawn with less than half of the marks.
func TestFromAfar(t *testing.T) {
	tr := laid(t, 12)
	near, afar := Tray("Kiln", tr, larder), TrayFrom(FromAfar, "Kiln", tr, larder)
	marks := func(svg string) int {
		n := 0
		for _, tag := range []string{"<path", "<circle", "<ellipse", "<use"} {
			n += strings.Count(svg, tag)
		}
		return n
	}
	if marks(afar) > marks(near)/2 {
		t.Errorf("%d marks from afar, %d near by", marks(afar), marks(near))
	}
	if a, b := strings.Count(afar, "<use"), strings.Count(near, "<use")/2; a != b || a == 0 { // near by each has a shadow of its own
		t.Errorf("%d pieces from afar, %d near by", a, b)
	}
	for _, d := range []struct {
		path string
		want float64
	}{{"M0 0L4 3L1 -1Z", 4}, {"M-1.5 2C3 2 3 9 0 9Z", 7}, {"M0 0l4 3", math.Inf(1)}} {
		if got := across(d.path); got != d.want {
			t.Errorf("%s reaches %v, want %v", d.path, got, d.want)
		}
	}
}
