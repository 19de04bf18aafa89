package art

import (
	"encoding/xml"
	"errors"
	"fmt"
	"io"
	"regexp"
	"strings"
	"testing"

	"happytray/core/tray"
)

// The plates beside a board are in its picture, whole and with all that they are drawn of; a picture of food alone, and what is
// printed with numbers on it, shows the board.
func TestPlatesAreInThePicture(t *testing.T) {
	tr := laid(t, 12)
	tr.Reserve = []tray.Reserve{{Food: "round-crackers", Form: "shingle", Grams: 140}, {Food: "baguette-toasts", Form: "arc", Grams: 90}}
	s := Compose(tr, larder)
	if len(s.Plates) != 1 || len(s.Plates[0].Pieces) < 30 {
		t.Fatalf("%d plates: %+v", len(s.Plates), s.Plates)
	}
	whole, err := Picture("Whole", tr, larder, false, "")
	if err != nil {
		t.Fatal(err)
	}
	cropped, err := Picture("Cropped", tr, larder, false, "1:1")
	if err != nil {
		t.Fatal(err)
	}
	crackers := func(doc string) int { return strings.Count(doc, `href="#p-s-round-crackers`) }
	if crackers(whole) < 15 || crackers(cropped) > 0 || crackers(Tray("Printed", tr, larder)) > 0 {
		t.Errorf("crackers on plates: %d in the picture, %d where it is cropped, %d where it is printed", crackers(whole), crackers(cropped), crackers(Tray("", tr, larder)))
	}
	var x, y, w, h float64
	if _, err := fmt.Sscanf(whole[strings.Index(whole, "viewBox"):], "viewBox=\"%f %f %f %f", &x, &y, &w, &h); err != nil {
		t.Fatal(err)
	}
	p := s.Plates[0]
	if r := p.AcrossMM / 2; p.At.X-r < x || p.At.X+r > x+w || p.At.Y-r < y || p.At.Y+r > y+h {
		t.Errorf("a plate at %v is cut off by %v %v %v %v", p.At, x, y, w, h)
	}
	for name, doc := range map[string]string{"the picture": whole, "a plate": p.SVG} {
		ids := map[string]bool{}
		for _, m := range regexp.MustCompile(` id="([^"]+)"`).FindAllStringSubmatch(doc, -1) {
			if ids[m[1]] {
				t.Errorf("%s has %s twice", name, m[1])
			}
			ids[m[1]] = true
		}
		for _, m := range regexp.MustCompile(`(?:href="#|url\(#)([^")]+)`).FindAllStringSubmatch(doc, -1) {
			if !ids[m[1]] && !strings.HasPrefix(m[1], "board-") {
				t.Errorf("%s has no %s", name, m[1])
			}
		}
		for d := xml.NewDecoder(strings.NewReader(doc)); ; {
			if _, err := d.Token(); errors.Is(err, io.EOF) {
				break
			} else if err != nil {
				t.Fatalf("%s: %v", name, err)
			}
		}
	}
	tr.Reserve = nil
	if s := Compose(tr, larder); len(s.Plates) != 0 {
		t.Errorf("%d plates where all of it lies on the board", len(s.Plates))
	}
}
