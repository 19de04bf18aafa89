package art

import (
	"encoding/xml"
	"io"
	"slices"
	"strings"
	"testing"

	"happytray/core/geom"
	"happytray/core/tray"
)

// drawnPieces reads a document to its end, and counts the elements that its groups name.
func drawnPieces(t *testing.T, doc string) map[string]int {
	t.Helper()
	named := map[string]int{}
	ids := map[string]bool{}
	var used []string
	d := xml.NewDecoder(strings.NewReader(doc))
	for {
		tok, err := d.Token()
		if err == io.EOF {
			break
		}
		if err != nil {
			t.Fatal(err)
		}
		if e, ok := tok.(xml.StartElement); ok {
			for _, a := range e.Attr {
				switch {
				case a.Name.Local == "data-element":
					named[a.Value]++
				case a.Name.Local == "id":
					ids[a.Value] = true
				case a.Name.Local == "href":
					used = append(used, strings.TrimPrefix(a.Value, "#"))
				case strings.HasPrefix(a.Value, "url(#"):
					used = append(used, strings.TrimSuffix(strings.TrimPrefix(a.Value, "url(#"), ")"))
				}
			}
		}
	}
	for _, id := range used {
		if !ids[id] {
			t.Errorf("%s is used and not there", id)
		}
	}
	return named
}

// From every side all that lies on the tray is drawn, the far things first, and nothing reaches out of the picture.
func TestSlantFromEverySide(t *testing.T) {
	tr := laid(t, 12)
	docs := map[string]bool{}
	for _, side := range Sides {
		doc, err := Slant("At a slant & more", tr, larder, side, side == "left")
		if err != nil {
			t.Fatal(err)
		}
		docs[doc] = true
		named := drawnPieces(t, doc)
		for i := range tr.Elements {
			if e := &tr.Elements[i]; e.Placed && named[e.ID] != len(e.Pieces) {
				t.Errorf("from the %s: %d of %d pieces of %s", side, named[e.ID], len(e.Pieces), e.ID)
			}
		}
		again, _ := Slant("At a slant & more", tr, larder, side, side == "left")
		if again != doc {
			t.Errorf("from the %s it is drawn otherwise each time", side)
		}
		if has := strings.Contains(doc, "<text"); has != (side == "left") {
			t.Errorf("from the %s: names %v", side, has)
		}
	}
	if len(docs) != len(Sides) {
		t.Error("two sides look alike")
	}
	if _, err := Slant("", tr, larder, "above", false); err == nil {
		t.Error("from above")
	}
	bare := tr.Clone()
	bare.Board = nil
	if _, err := Slant("", bare, larder, "left", false); err == nil {
		t.Error("no board")
	}
}

// What is nearer is drawn later, and a bowl stands as high as it is.
func TestSlantPutsNearBeforeFar(t *testing.T) {
	tr := laid(t, 12)
	v := slanted{t: tr, larder: larder, middle: tr.Board.Outline.Bounds().Centre()}
	all := v.solids()
	for i := 1; i < len(all); i++ {
		if all[i].depth < all[i-1].depth {
			t.Fatalf("%s is drawn before %s, which is farther", all[i].element, all[i-1].element)
		}
	}
	if q := project(geom.Pt(10, 0), 100); q.Y > -70 || q.Y < -80 || q.X != 10 { // cos 40 of its height
		t.Errorf("100 mm up it is seen at %v", q)
	}
	bowls := 0
	for _, s := range all {
		if e := tr.Elements[tr.Find(s.element)]; e.Vessel != "" {
			bowls++
			if s.kind != prism || s.taper >= 1 || s.high < 20 {
				t.Errorf("the bowl %s: %+v", s.element, s)
			}
		}
	}
	if bowls == 0 {
		t.Error("no bowl")
	}
}

// Every food is named once at least, and no two names stand upon each other.
func TestNamesOnATray(t *testing.T) {
	tr := laid(t, 12)
	doc, err := Picture("Named", tr, larder, true, "")
	if err != nil {
		t.Fatal(err)
	}
	drawnPieces(t, doc)
	for i := range tr.Elements {
		e := &tr.Elements[i]
		fd, _ := larder.Get(e.Food)
		says, _, _ := strings.Cut(fd.Name, ",")
		if e.Placed && e.Kind() != "garnish" && !strings.Contains(doc, ">"+strings.ReplaceAll(says, "'", "&#39;")+"<") {
			t.Errorf("%s is not named", says)
		}
	}
	if strings.Contains(Tray("Plain", tr, larder), "<text") {
		t.Error("names where none are wanted")
	}
}

func BenchmarkSlant(b *testing.B) {
	tr := laid(b, 26)
	for b.Loop() {
		if _, err := Slant("", tr, larder, "bottom", false); err != nil {
			b.Fatal(err)
		}
	}
}

// What is set up high stands on something, that is drawn before it, and its own sides begin up there.
func TestWhatStandsHighIsDrawnOnSomething(t *testing.T) {
	tr := laid(t, 12)
	drawn := func(mm float64) (feet int, low float64) {
		k := slices.IndexFunc(tr.Elements, func(e tray.Element) bool { return e.Vessel != "" && e.Placed })
		id := tr.Elements[k].ID
		for n := range tr.Elements[k].Pieces {
			tr.Elements[k].Pieces[n].ZMM = mm
		}
		v := slanted{t: tr, larder: larder, middle: tr.Board.Outline.Bounds().Centre()}
		low = -1
		for _, s := range v.solids() {
			switch {
			case s.element != id:
			case s.kind == footed:
				if feet++; low >= 0 || s.low != 0 || s.high != mm {
					t.Errorf("at %v mm it stands on %+v", mm, s)
				}
			case low < 0:
				low = s.low
			}
		}
		if _, err := Slant("High", tr, larder, "bottom", true); err != nil {
			t.Fatal(err)
		}
		return feet, low
	}
	for mm, want := range map[float64][2]float64{0: {0, 0}, 15: {0, 0}, 60: {1, 60}} {
		if feet, low := drawn(mm); float64(feet) != want[0] || low != want[1] {
			t.Errorf("%v mm high: %d stands, its side begins at %v", mm, feet, low)
		}
	}
}

// The plates beside a board stand beside it at a slant, too: behind it or before it, whole and pressed as it is.
func TestPlatesStandBesideASlantedBoard(t *testing.T) {
	tr := laid(t, 12)
	tr.Reserve = append(tr.Reserve, tray.Reserve{Food: "round-crackers", Form: "shingle", Grams: 400, Count: 100, Why: tray.KeptCrisp})
	plates := platesBeside(tr, larder)
	if len(plates) == 0 {
		t.Fatal("no plates")
	}
	for _, side := range Sides {
		v := slanted{t: tr, larder: larder, turn: turnOf[side], middle: tr.Board.Outline.Bounds().Centre()}
		behind, before, used := v.plates(plates, map[string]string{})
		far := 0
		for _, p := range plates {
			if v.seen(p.At).Y < 0 {
				far++
			}
		}
		press := "scale(1 " + f(press) + ")"
		if n := strings.Count(behind, press); n != far || strings.Count(before, press) != len(plates)-far || len(used) == 0 {
			t.Errorf("from the %s %d of %d stand behind, %d before, drawn of %d", side, n, len(plates), strings.Count(before, press), len(used))
		}
		doc, err := Slant("Beside", tr, larder, side, false)
		if err != nil || !strings.Contains(doc, behind) || !strings.Contains(doc, before) {
			t.Errorf("from the %s they are left out: %v", side, err)
		}
	}
}
