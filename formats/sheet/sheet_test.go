package sheet

import (
	"bytes"
	"encoding/xml"
	"fmt"
	"io"
	"math"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/ledongthuc/pdf"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/core/say"
	"happytray/core/shop"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

const point = 25.4 / 72 // mm

// read is a PDF as a reader that is not the writer's sees it: of each page its size, its paths and its text, mm from
// the upper left.
type read struct {
	w, h  float64
	paths []geom.Outline
	lines [][2]geom.Point
	text  string
}

func readPDF(t *testing.T, raw []byte) (out []read) {
	t.Helper()
	r, err := pdf.NewReader(bytes.NewReader(raw), int64(len(raw)))
	if err != nil {
		t.Fatal(err)
	}
	for n := 1; n <= r.NumPage(); n++ {
		p := r.Page(n)
		box := p.V.Key("MediaBox")
		if box.Len() == 0 { // that of all pages
			box = p.V.Key("Parent").Key("MediaBox")
		}
		q := read{w: box.Index(2).Float64() * point, h: box.Index(3).Float64() * point}
		body := p.V.Key("Contents").Reader()
		content, err := io.ReadAll(body)
		if err != nil {
			t.Fatal(err)
		}
		q.paths, q.lines = pathsIn(string(content), q.h)
		text, err := p.GetPlainText(nil)
		if err != nil {
			t.Fatal(err)
		}
		q.text = text
		out = append(out, q)
	}
	return out
}

// pathsIn follows the operators m, l, h and those that paint of a content stream.
func pathsIn(content string, height float64) (paths []geom.Outline, lines [][2]geom.Point) {
	var now geom.Outline
	var stack []float64
	for _, line := range strings.Split(content, "\n") {
		stack = stack[:0]
		for _, f := range strings.Fields(line) {
			if v, err := strconv.ParseFloat(f, 64); err == nil {
				stack = append(stack, v)
				continue
			}
			at := func() geom.Point {
				return geom.Pt(stack[len(stack)-2]*point, height-stack[len(stack)-1]*point)
			}
			switch f {
			case "m":
				now = geom.Outline{at()}
			case "l":
				now = append(now, at())
			case "c", "v", "y": // round, and not looked at
				now = nil
			case "S", "s", "f", "B", "b", "f*", "B*":
				switch {
				case len(now) == 2:
					lines = append(lines, [2]geom.Point{now[0], now[1]})
				case len(now) > 2:
					if now[0].Dist(now[len(now)-1]) < .01 {
						now = now[:len(now)-1]
					}
					paths = append(paths, now)
				}
				now = nil
			}
			stack = stack[:0]
		}
	}
	return paths, lines
}

// farthest is how far the points of one outline lie from those of another that is as long, mm.
func farthest(a, b geom.Outline) float64 {
	if len(a) != len(b) {
		return math.Inf(1)
	}
	worst := 0.0
	for i := range a {
		worst = math.Max(worst, a[i].Dist(b[i]))
	}
	return worst
}

// found is the path that an outline, moved by a vector, is drawn as, and how far off it is.
func found(paths []geom.Outline, o geom.Outline, by geom.Point) (best float64) {
	best = math.Inf(1)
	for _, p := range paths {
		best = math.Min(best, farthest(p, o.Move(by)))
	}
	return best
}

func hundred(lines [][2]geom.Point) bool {
	for _, l := range lines {
		if math.Abs(l[0].Dist(l[1])-100) < .02 {
			return true
		}
	}
	return false
}

// On one page as large as the board every piece lies where it lies on the tray, to a tenth of a millimetre, and is
// drawn over what lies under it.
func TestMatIsTrue(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 14}})
	one := j.Trays[0]
	raw, err := Mat(j.Title, one, larder, "whole")
	if err != nil {
		t.Fatal(err)
	}
	pages := readPDF(t, raw)
	if len(pages) != 1 {
		t.Fatalf("%d pages", len(pages))
	}
	p := pages[0]
	var by geom.Point
	for _, o := range p.paths { // the board's outline says where the tray lies on the page
		if len(o) == len(one.Board.Outline) {
			by = o[0].Sub(one.Board.Outline[0])
			break
		}
	}
	if d := found(p.paths, one.Board.Outline, by); d > .05 {
		t.Fatalf("the board is %.2f mm off", d)
	}
	pieces := 0
	for i := range one.Elements {
		for k := range one.Elements[i].Pieces {
			pieces++
			if d := found(p.paths, one.Elements[i].Pieces[k].Outline, by); d > .1 {
				t.Errorf("%s, piece %d: %.2f mm off", one.Elements[i].ID, k, d)
			}
		}
	}
	if pieces < 60 || !hundred(p.lines) {
		t.Errorf("%d pieces, a line of 100 mm: %v", pieces, hundred(p.lines))
	}
	for _, s := range prep.Order(one, larder).Steps {
		name, _, _ := strings.Cut(s.Title, ",")
		laid := func(id string) bool { k := one.Find(id); return k >= 0 && one.Elements[k].Placed }
		if !slices.ContainsFunc(s.Elements, laid) { // it waits beside the board
			continue
		}
		if !strings.Contains(strings.ReplaceAll(p.text, "\x19", "’"), name) { // the reader keeps half of an apostrophe
			t.Errorf("%s is not named on the mat", name)
		}
	}
	if !bytes.Contains(raw, []byte("/FontFile2")) || bytes.Contains(raw, []byte("/BaseFont /Helvetica")) {
		t.Error("the letters are not in the file")
	}
	again, _ := Mat(j.Title, one, larder, "whole")
	if !bytes.Equal(raw, again) {
		t.Error("another file of the same tray")
	}
}

// Put together page by page, a mat in pages is the tray: every corner of every piece is on a page, where it belongs,
// and neighbours share a centimetre.
func TestMatInPages(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 9}})
	one := j.Trays[0]
	for _, on := range []string{"a4", "a3", "letter"} {
		raw, err := Mat(j.Title, one, larder, on)
		if err != nil {
			t.Fatal(err)
		}
		pages := readPDF(t, raw)
		m, _ := matOf(j.Title, one, larder)
		box := m.box.Grow(frontMM)
		w, h, _ := size(on)
		c := cut(box, w, h)
		if len(pages) != c.across*c.down {
			t.Fatalf("%s: %d pages, want %d by %d", on, len(pages), c.across, c.down)
		}
		if c.stepX+overlapMM != c.innerW || c.innerW > w+h {
			t.Errorf("%s: %+v", on, c)
		}
		for i := range one.Elements {
			for k := range one.Elements[i].Pieces {
				o := one.Elements[i].Pieces[k].Outline
				for _, corner := range o {
					seen := false
					for n, p := range pages {
						by := geom.Pt(marginMM-box.Min.X-float64(n%c.across)*c.stepX, marginMM-box.Min.Y-float64(n/c.across)*c.stepY)
						q := corner.Add(by)
						if q.X < marginMM || q.Y < marginMM || q.X > marginMM+c.innerW || q.Y > marginMM+c.innerH {
							continue
						}
						seen = true
						if d := found(p.paths, o, by); d > .1 {
							t.Fatalf("%s: page %d: %s is %.2f mm off", on, n+1, one.Elements[i].ID, d)
						}
						break
					}
					if !seen {
						t.Fatalf("%s: a corner of %s is on no page", on, one.Elements[i].ID)
					}
				}
			}
		}
		for n, p := range pages {
			if math.Abs(p.w*p.h-w*h) > 1 || !hundred(p.lines) || !strings.Contains(p.text, "of ") {
				t.Errorf("%s, page %d: %.1f by %.1f mm, a line of 100 mm: %v", on, n+1, p.w, p.h, hundred(p.lines))
			}
		}
	}
}

func TestMatAsSVG(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 6}})
	one := j.Trays[0]
	raw, err := MatSVG("<A & B>", one, larder)
	if err != nil {
		t.Fatal(err)
	}
	var doc struct {
		Width, Height string `xml:",attr"`
		W             string `xml:"width,attr"`
		Box           string `xml:"viewBox,attr"`
		Title         string `xml:"title"`
		Paths         []struct {
			D     string `xml:"d,attr"`
			Class string `xml:"class,attr"`
		} `xml:"path"`
	}
	if err := xml.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	if w, _, _ := strings.Cut(doc.W, "mm"); !strings.Contains(doc.Box, " "+w+" ") || doc.Title != "<A & B>" {
		t.Errorf("%s wide, %s, %q", doc.W, doc.Box, doc.Title)
	}
	pieces := map[string]bool{}
	for _, p := range doc.Paths {
		if p.Class == "piece" {
			pieces[p.D] = true
		}
	}
	for i := range one.Elements {
		for k := range one.Elements[i].Pieces {
			o := one.Elements[i].Pieces[k].Outline
			d := fmt.Sprintf("M%s %s", strconv.FormatFloat(math.Round(o[0].X*100)/100, 'f', -1, 64), strconv.FormatFloat(math.Round(o[0].Y*100)/100, 'f', -1, 64))
			hit := false
			for have := range pieces {
				hit = hit || strings.HasPrefix(have, d)
			}
			if !hit {
				t.Errorf("%s, piece %d is not on it", one.Elements[i].ID, k)
			}
		}
	}
}

func TestBuildCardsQuote(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 16}, Occasion: "grazing", Host: "Odile Marrow", ServeAt: "2026-11-30T19:00:00+01:00", Place: "Saltmere quay"}
	j := plantest.Laid(t, b)
	j.Title = "First firing – at the new kiln \U0001F9C0"
	one := j.Trays[0]
	build, err := Build(j.Title, one, larder, "a4", say.Units{})
	if err != nil {
		t.Fatal(err)
	}
	pages := readPDF(t, build)
	if len(pages) != 1 || bytes.Count(build, []byte("/Subtype /Image")) != 1 {
		t.Fatalf("%d pages, %d pictures", len(pages), bytes.Count(build, []byte("/Subtype /Image")))
	}
	for _, part := range []string{"Bowls", "Cheese", "Meat", "Crackers and bread", "Greens", "Tools, at the very end"} {
		if !strings.Contains(pages[0].text, part) {
			t.Errorf("no heading %q", part)
		}
	}
	inches, err := Build(j.Title, one, larder, "letter", say.Units{Inches: true, Ounces: true, Fahrenheit: true})
	if err != nil {
		t.Fatal(err)
	}
	if metric, other := strings.Join(strings.Fields(pages[0].text), " "), strings.Join(strings.Fields(readPDF(t, inches)[0].text), " "); !strings.Contains(metric, " cm") || !strings.Contains(metric, " g, ") ||
		!strings.Contains(other, " in;") || !strings.Contains(other, " oz, ") || strings.Contains(other, " cm") || strings.Contains(other, " g, ") {
		t.Errorf("in inches and ounces the sheet says %q, else %q", other, metric)
	}
	for _, s := range prep.Order(one, larder).Steps {
		if !strings.Contains(strings.ReplaceAll(pages[0].text, "\n", " "), s.Title[:min(4, len(s.Title))]) {
			t.Errorf("no step of %s", s.Title)
		}
	}
	cards, err := Cards(j, larder, "a4")
	if err != nil {
		t.Fatal(err)
	}
	all := ""
	for _, p := range readPDF(t, cards) {
		all += p.text
	}
	foods := 0
	for _, id := range one.Foods() {
		f, _ := larder.Get(id)
		if f.Category == food.Garnish || f.Category == food.NotFood {
			continue
		}
		foods++
		for _, a := range f.Allergens {
			if !strings.Contains(all, a) {
				t.Errorf("%s: nothing of %s", id, a)
			}
		}
	}
	if n := strings.Count(all, "labels of the packs decide"); n != 2*foods {
		t.Errorf("%d cautions on %d cards of two sides", n, foods)
	}
	for _, never := range []string{"free from", "safe for", "allergen-free"} {
		if strings.Contains(strings.ToLower(all), never) {
			t.Errorf("a card says %q", never)
		}
	}
	if strings.Count(all, "For the room") != len(j.Trays) || !strings.Contains(all, one.Board.Name) || !strings.Contains(all, "Guests") {
		t.Error("no card for the room")
	}
	if !strings.Contains(all, "Best bites") || !strings.Contains(all, " with ") || !strings.Contains(all, "To drink with it") {
		t.Error("no best bites, or nothing to drink")
	}
	q := price.NewQuote(shop.NewBasket(j, larder), price.Work{HandMin: prep.Minutes(j, larder)}, 1, 16, false, price.Usual)
	head := Letterhead{price.Seller{Name: "Tern & Tallow", Address: "Quay 4\nSaltmere", ValidDays: 14, Terms: "Half is due when it is ordered."}, "ab12-3", time.Date(2026, 11, 2, 9, 0, 0, 0, time.UTC)}
	q = q.Taxed(12.5)
	for _, paper := range []string{"a4", "letter"} {
		quote, err := Quote(j, larder, q, Money{"EUR", 2}, head, paper)
		if err != nil {
			t.Fatal(err)
		}
		if pages := readPDF(t, quote); len(pages) != 1 {
			t.Errorf("a quote on %s takes %d pages", paper, len(pages))
		}
	}
	quote, err := Quote(j, larder, q, Money{"EUR", 2}, head, "a4")
	if err != nil {
		t.Fatal(err)
	}
	text := readPDF(t, quote)[0].text
	for _, want := range []string{"Tern & Tallow", "Saltmere", "No. ab12-3", "2 November 2026", "valid until 16 November 2026", "Cheese", "Tax, 12.5 %", "Half is due", "Local food rules come first", fmt.Sprintf("%.2f EUR", float64(q.Pays)/100), "Monday 30 November 2026, 19:00", "Odile Marrow", "16 guests", fmt.Sprintf("%.2f EUR", float64(q.Total)/100)} {
		if !strings.Contains(text, want) {
			t.Errorf("no %q on the quote", want)
		}
	}
	if strings.Contains(text, "Margin") {
		t.Error("the client sees the margin")
	}
}

// Each cheese of each board has a marker, and each is cut out at its size.
func TestMarkers(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 14}, Copies: 2})
	raw, err := Markers(j, larder, "a4")
	if err != nil {
		t.Fatal(err)
	}
	pages := readPDF(t, raw)
	cheeses := 0
	for _, id := range j.Trays[0].Foods() {
		f, _ := larder.Get(id)
		if f.Category != food.Cheese {
			continue
		}
		cheeses++
		if first := strings.Fields(f.Name)[0]; !strings.Contains(pages[0].text, first) {
			t.Errorf("no marker of %s", f.Name)
		}
	}
	if n := strings.Count(pages[0].text, "Labels of the packs decide"); len(pages) != 1 || cheeses == 0 || n != 2*cheeses {
		t.Errorf("%d markers of %d cheeses for two tables, on %d pages", n, cheeses, len(pages))
	}
	if _, err := Markers(&job.Job{Trays: []*tray.Tray{{}}}, larder, "a4"); err == nil {
		t.Error("markers of nothing")
	}
}

func TestSheetsThatCannotBe(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 4}})
	if _, err := Mat("x", j.Trays[0], larder, "napkin"); err == nil {
		t.Error("printed on a napkin")
	}
	if _, err := Mat("x", &tray.Tray{}, larder, "a4"); err == nil {
		t.Error("a mat without a board")
	}
	if _, err := Build("x", &tray.Tray{Board: j.Trays[0].Board}, larder, "a4", say.Units{}); err == nil {
		t.Error("nothing is built")
	}
	if _, err := Cards(&job.Job{Trays: []*tray.Tray{{}}}, larder, "a4"); err == nil {
		t.Error("cards of nothing")
	}
	// the longest board there is, on the smallest paper
	b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: 3000, WidthMM: 1000})
	if err != nil {
		t.Fatal(err)
	}
	raw, err := Mat("A run", &tray.Tray{Board: &b}, larder, "a4")
	if err != nil {
		t.Fatal(err)
	}
	if n := len(readPDF(t, raw)); n < 60 || n > 90 {
		t.Errorf("three metres take %d pages", n)
	}
}

func BenchmarkMat(b *testing.B) {
	j := plantest.Laid(b, brief.Brief{Guests: brief.Guests{Adults: 19}, Occasion: "grazing", Month: 6})
	one := j.Trays[0]
	for _, on := range []string{"a4", "whole"} {
		b.Run(on, func(b *testing.B) {
			for range b.N {
				if _, err := Mat("Sixty things", one, larder, on); err != nil {
					b.Fatal(err)
				}
			}
			b.ReportMetric(float64(len(one.Elements)), "elements")
		})
	}
}

// A shopping list has a box and a line for each food, on as many pages as it takes, and what it comes to.
func TestShopping(t *testing.T) {
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 60}, Occasion: "meal"}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	list := shop.Buy([]shop.Needs{shop.NeedsOf(j, larder)}, larder, nil)
	for len(list.Sections) < 30 { // a week of jobs
		list.Sections = append(list.Sections, list.Sections...)
	}
	done := map[string]bool{list.Sections[0].Items[0].Food: true}
	raw, err := Shopping("For the week of 2026-11-23 to 2026-11-29", list, done, Money{"EUR", 2}, "a4", say.Units{})
	if err != nil {
		t.Fatal(err)
	}
	pages := readPDF(t, raw)
	text, boxes := "", 0
	for _, p := range pages {
		text += strings.ReplaceAll(p.text, "\n", " ")
	}
	if len(pages) < 2 {
		t.Errorf("%d pages for %d parts of a shop", len(pages), len(list.Sections))
	}
	items := 0
	for _, s := range list.Sections {
		for _, it := range s.Items {
			items++
			if !strings.Contains(text, string([]rune(it.Name)[:4])) {
				t.Errorf("no %s", it.Name)
			}
		}
	}
	if want := fmt.Sprintf("%.2f EUR", float64(list.Cost)/100); !strings.Contains(text, want) {
		t.Errorf("it does not come to %s", want)
	}
	boxes = strings.Count(text, " g") // each line says its packs
	if boxes < items/2 {
		t.Errorf("%d packs for %d foods", boxes, items)
	}
	empty, err := Shopping("Nothing", shop.List{}, nil, Money{"EUR", 2}, "letter", say.Units{})
	if err != nil || !strings.Contains(readPDF(t, empty)[0].text, "nothing to buy") {
		t.Error(err)
	}
	if _, err := Shopping("x", list, nil, Money{}, "a7", say.Units{}); err == nil {
		t.Error("a paper that there is not")
	}
}

// A tracing shows bowls and cheeses where they lie and nothing that is loose.
func TestTracing(t *testing.T) {
	j := plantest.Laid(t, brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 6})
	one := j.Trays[0]
	raw, err := Tracing(j.Title, one, larder, "whole")
	if err != nil {
		t.Fatal(err)
	}
	page := readPDF(t, raw)[0]
	by := geom.Pt(marginMM+frontMM-one.Board.Outline.Bounds().Min.X, marginMM+frontMM-one.Board.Outline.Bounds().Min.Y)
	marked, loose := 0, 0
	for i := range one.Elements {
		e := &one.Elements[i]
		if !e.Placed || len(e.Pieces) == 0 {
			continue
		}
		off := found(page.paths, e.Pieces[0].Outline, by)
		switch {
		case e.Vessel != "" || e.Kind() == food.KindAnchor:
			marked++
			if off > .2 {
				t.Errorf("%s lies %.1f mm off", e.ID, off)
			}
		case e.Kind() == food.KindLoose:
			loose++
			if off < .2 {
				t.Errorf("%s is on it", e.ID)
			}
		}
	}
	if marked < 3 || loose < 3 {
		t.Errorf("%d are marked out, %d are loose", marked, loose)
	}
	bare := *one
	bare.Elements = nil
	if _, err := Tracing(j.Title, &bare, larder, "a4"); err == nil {
		t.Error("traced nothing")
	}
}
