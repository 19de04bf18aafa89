package review

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// value is one check's measured value; it must have been measured.
func value(t *testing.T, tr *tray.Tray, check string) float64 {
	t.Helper()
	v, ok := Judge(tr, larder).Value(check)
	if !ok {
		t.Fatalf("%s was not measured", check)
	}
	return v
}

// slab puts one piece of a food as a box of true size w x h at a place, so that
// measures can be worked out by hand.
func slab(tr *tray.Tray, id string, w, h, x, y, tall float64) {
	f, _ := larder.Get(id)
	e := tray.Element{ID: id + "-" + string(rune('a'+len(tr.Elements))), Food: id, Form: f.Forms[0].Form, Category: f.Category, Count: 1, Grams: 10, Placed: true,
		X: x, Y: y, Wetness: f.Wetness, Colour: f.Colour,
		Pieces: []tray.Piece{{Outline: geom.Box(w, h, 0).Move(geom.Pt(x, y)), HeightMM: tall, Colour: f.Colour, At: geom.Pt(x, y)}}}
	tr.Elements = append(tr.Elements, e)
}

func TestInsideMeasuresTheAreaBeyond(t *testing.T) {
	zone := table().Board.FoodZone.Bounds()
	for _, out := range []float64{0, 3, 10, 25} {
		tr := table()
		slab(tr, "almonds", 50, 40, zone.Max.X-25+out, 200, 10)
		if got := value(t, tr, "fit.inside"); math.Abs(got-40*out) > 1 {
			t.Errorf("%v mm over the edge: %v mm2, want %v", out, got, 40*out)
		}
	}
	// a keep-out counts as beyond
	paddle := table()
	b, err := board.Make(board.Request{Shape: "paddle", LengthMM: 600, WidthMM: 300})
	if err != nil {
		t.Fatal(err)
	}
	paddle.Board = &b
	at := b.Keepouts[0].Centroid()
	slab(paddle, "almonds", 30, 20, at.X, at.Y, 10)
	if got := value(t, paddle, "fit.inside"); got < 590 {
		t.Errorf("on the handle: %v mm2 beyond, want 600 and the keep-out", got)
	}
}

// The table of allowed overlaps, form by form: just within, just beyond.
func TestAllowedOverlaps(t *testing.T) {
	for _, c := range []struct {
		a, fa, b, fb string
		may          float64
	}{
		{"honey", "bowl", "fig-jam", "bowl", 1},
		{"honey", "bowl", "almonds", "drift", 1},
		{"almonds", "drift", "red-grapes", "cluster", 2},
		{"wide-sausage", "trail", "almonds", "drift", 6},
		{"air-dried-ham", "ribbon", "orange-block", "tumble", 6},
		{"round-crackers", "arc", "orange-block", "batons", 3},
		{"round-crackers", "arc", "almonds", "drift", 3},
		{"wide-sausage", "trail", "honey", "bowl", 4},
		{"strawberries", "halves", "round-crackers", "arc", 1}, // wet on crisp
		{"rosemary", "sprig", "honey", "bowl", math.Inf(1)},
	} {
		el := func(id, form string) *tray.Element {
			f, _ := larder.Get(id)
			e := &tray.Element{Food: id, Form: form, Wetness: f.Wetness}
			if form == "bowl" {
				e.Vessel = "dip-bowl"
			}
			return e
		}
		if got := Touch(el(c.a, c.fa), el(c.b, c.fb)); got != c.may {
			t.Errorf("%s and %s may overlap %v mm, want %v", c.a, c.b, got, c.may)
		}
		if x, y := Touch(el(c.a, c.fa), el(c.b, c.fb)), Touch(el(c.b, c.fb), el(c.a, c.fa)); x != y {
			t.Errorf("%s on %s is %v, the other way %v", c.a, c.b, x, y)
		}
	}
	for _, over := range []float64{-2, .5, .9, 1.5, 8} {
		tr := table()
		slab(tr, "almonds", 40, 40, 200, 200, 10)
		slab(tr, "honey", 40, 40, 240-over, 200, 10)
		want := math.Max(0, over-1) // one touches, nothing allowed beyond 1 mm for a whole anchor
		if got := value(t, tr, "fit.overlap"); math.Abs(got-want) > .05 {
			t.Errorf("%v mm into each other: %v, want %v", over, got, want)
		}
	}
}

// A slit narrower than 8 mm counts as covered, a wider one does not, on boards of every
// size and wherever the cells of the raster fall.
func TestSlitsCloseAtEightMillimetres(t *testing.T) {
	for _, size := range []float64{.7, 1, 1.2, 1.5, 1.8} {
		b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: 600 * size, WidthMM: 400 * size})
		if err != nil {
			t.Fatal(err)
		}
		long, n := 300*size, 24
		covered := func(gap float64) float64 { // mm2, the mean of many places
			sum := 0.0
			for k := range n {
				x, tr := 300*size+float64(k)*.37, table()
				tr.Board = &b
				slab(tr, "almonds", 200*size, long, x-(200*size+gap)/2, 200*size, 10)
				slab(tr, "aged-hard", 200*size, long, x+(200*size+gap)/2, 200*size, 10)
				sum += value(t, tr, "fit.cover") * tr.Board.FoodZone.Area()
			}
			return sum / float64(n)
		}
		none := covered(0)
		for _, c := range []struct{ gap, least, most float64 }{{3, .9, 1.1}, {6, .9, 1.1}, {11, -.1, .4}, {14, -.1, .1}} {
			if share := (covered(c.gap) - none) / (c.gap * long); share < c.least || share > c.most {
				t.Errorf("board of %.0f mm: %.2f of a %v mm slit is covered, want %v to %v", 600*size, share, c.gap, c.least, c.most)
			}
		}
	}
}

// The largest bare disc is found where it is.
func TestGapIsMeasured(t *testing.T) {
	tr := table()
	z := tr.Board.FoodZone.Bounds()
	// four slabs leave a bare square of 80 mm in the middle
	w, h := (z.W()-80)/2, z.H()
	slab(tr, "almonds", w, h, z.Min.X+w/2, 200, 10)
	slab(tr, "aged-hard", w, h, z.Max.X-w/2, 200, 10)
	slab(tr, "orange-block", 80, (h-80)/2, 300, z.Min.Y+(h-80)/4, 10)
	slab(tr, "round-crackers", 80, (h-80)/2, 300, z.Max.Y-(h-80)/4, 10)
	r := Judge(tr, larder)
	gap, _ := r.Value("fit.gap")
	if math.Abs(gap-80) > 6 {
		t.Errorf("the bare square of 80 mm is measured as %v", gap)
	}
	for _, f := range r.Findings {
		if f.Check == "fit.gap" && f.At.Dist(geom.Pt(300, 200)) > 8 {
			t.Errorf("it is said to be at %v", f.At)
		}
	}
}

// Two things of one size, one left and one right: in balance. Both left: not.
func TestBalanceFollowsTheMiddle(t *testing.T) {
	both := func(x1, x2 float64) (category, weight float64) {
		tr := table()
		slab(tr, "orange-block", 60, 60, x1, 200, 20)
		slab(tr, "aged-hard", 60, 60, x2, 200, 20)
		r := Judge(tr, larder)
		category, _ = r.Value("spread.category")
		weight, _ = r.Value("spread.weight")
		return
	}
	c, w := both(150, 450)
	if c > .02 || w > .12 {
		t.Errorf("balanced: category %v, weight %v", c, w)
	}
	half := math.Hypot(table().Board.FoodZone.Bounds().W(), table().Board.FoodZone.Bounds().H()) / 2
	c, _ = both(100, 160)
	if want := (300 - 130) / half; math.Abs(c-want) > .02 {
		t.Errorf("both left: category %v, want %v", c, want)
	}
}

func TestColourOfNeighbours(t *testing.T) {
	pair := func(a, b string, gap float64) float64 {
		tr := table()
		slab(tr, a, 80, 80, 200, 200, 15)
		slab(tr, b, 80, 80, 280+gap, 200, 15)
		v, ok := Judge(tr, larder).Value("colour.neighbour")
		if !ok {
			return -1
		}
		return v
	}
	if v := pair("soft-white-round", "dark-chocolate", 2); v < 30 {
		t.Errorf("white beside dark: %v", v)
	}
	if v := pair("almonds", "pecans", 2); v > 20 {
		t.Errorf("brown beside brown: %v", v)
	}
	if v := pair("almonds", "pecans", 20); v != -1 {
		t.Errorf("20 mm apart they are neighbours still: %v", v)
	}
}

// A surface that is not known to be fit for food asks for a liner, and for nothing
// once it has one.
func TestUnfitSurfaceAsksForALiner(t *testing.T) {
	for _, c := range []struct {
		safe  bool
		liner string
		want  int
	}{{true, "", 0}, {false, "", 1}, {false, "#efe8d9", 0}, {true, "#efe8d9", 0}} {
		tr := table()
		tr.Board.FoodSafe, tr.Board.Liner = c.safe, c.liner
		put(tr, "almonds", "drift", 5, 200, 200, 0)
		n := 0
		for _, f := range Judge(tr, larder).Findings {
			if f.Check == "care.ground" {
				n++
			}
		}
		if n != c.want {
			t.Errorf("safe %v, liner %q: %d findings, want %d", c.safe, c.liner, n, c.want)
		}
	}
}

func TestRimKeepsRollingThingsOn(t *testing.T) {
	for rim, found := range map[float64]bool{0: true, 15: false} {
		tr := table()
		tr.Board.RimMM = rim
		put(tr, "red-grapes", "cluster", 1, 30, 200, 0)
		if got := has(Judge(tr, larder), "care.roll"); got != found {
			t.Errorf("rim %v: %v", rim, got)
		}
	}
}

// A finding said twice about the same two foods is said once, with its places.
func TestAlikeNeighboursAreGathered(t *testing.T) {
	tr := table()
	for _, y := range []float64{100, 200, 300} {
		slab(tr, "red-grapes", 80, 80, 200, y, 15)
		slab(tr, "blackberries", 80, 80, 284, y, 15)
	}
	n := 0
	for _, f := range Judge(tr, larder).Findings {
		if f.Check == "colour.neighbour" {
			n++
			if len(f.Elements) != 2 {
				t.Errorf("%+v", f)
			}
		}
	}
	if n > 1 {
		t.Errorf("the same two foods are named %d times", n)
	}
}

// Whatever lies where: scores stay within bounds, gates hold, the score alone is
// the score of the whole review, every sentence is one.
func TestReviewOfAnything(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 22))
	foods := larder.All()
	for range 60 {
		tr := table()
		tr.Brief = brief.Brief{Guests: brief.Guests{Adults: 5, Children: r.IntN(2)}, Diets: []brief.Diet{{Avoid: []string{brief.Allergens[r.IntN(14)]}}}}
		for range r.IntN(14) {
			f := foods[r.IntN(len(foods))]
			s := f.Forms[r.IntN(len(f.Forms))]
			n := 1 + r.IntN(12)
			if food.FormByID(s.Form).Kind() == food.KindAnchor {
				n = max(1, s.N)
			}
			put(tr, f.ID, s.Form, n, r.Float64()*640-20, r.Float64()*440-20, r.Float64()*360)
			tr.Elements[len(tr.Elements)-1].Placed = r.IntN(6) > 0
		}
		live := NewLive(tr, larder)
		rev := live.Review()
		if rev.Score < 0 || rev.Score > 100 || math.IsNaN(rev.Score) || live.Score() != rev.Score {
			t.Fatalf("score %v, alone %v", rev.Score, live.Score())
		}
		if !rev.Legal() && rev.Score > GateScore {
			t.Fatalf("a gate fails at %v", rev.Score)
		}
		worst := 0
		for _, c := range rev.Checks {
			if c.Score < 0 || c.Score > 1 || math.IsNaN(c.Value) || c.Unit == "" {
				t.Fatalf("%+v", c)
			}
		}
		for _, f := range rev.Findings {
			if !strings.HasSuffix(f.Says, ".") || strings.Contains(f.Says, "%!") || strings.Contains(f.Says, "NaN") || !f.At.Finite() {
				t.Fatalf("%+v", f)
			}
			o, known := rank[groupOf(f.Check)]
			if !known {
				o = len(rank)
			}
			if o++; f.Severity == Stop {
				o = 0
			}
			if o < worst {
				t.Fatalf("%s comes after what is less bad", f.Check)
			} else {
				worst = o
			}
			for _, id := range f.Elements {
				if tr.Find(id) < 0 {
					t.Fatalf("%s names %s", f.Check, id)
				}
			}
		}
	}
	if rev := Judge(&tray.Tray{}, larder); rev.Score != 0 || rev.Findings == nil {
		t.Errorf("a tray without a board: %+v", rev)
	}
}

// Heaps thrown on one spot, as large as a file may hold, are still judged, and
// soon: comparing every piece with every other would take minutes.
func TestEverythingOnOneSpot(t *testing.T) {
	tr := table()
	for range tray.MaxElements {
		slab(tr, "almonds", 20, 20, 300, 200, 9)
		e := &tr.Elements[len(tr.Elements)-1]
		e.ID = fmt.Sprintf("e%d", len(tr.Elements))
		for len(e.Pieces) < tray.MaxPieces/tray.MaxElements {
			e.Pieces = append(e.Pieces, e.Pieces[0])
		}
	}
	start := time.Now()
	rev := Judge(tr, larder)
	if took := time.Since(start); took > 30*time.Second {
		t.Errorf("it took %v", took)
	}
	if rev.Legal() || len(rev.Findings) == 0 || len(rev.Findings) > MostFindings {
		t.Errorf("legal: %v, %d findings", rev.Legal(), len(rev.Findings))
	}
}

// A bowl is seen by its contents and by its rim: which of the two runs into a neighbour is what the
// finding says, and the ground is what the rim stands on.
func TestBowlsAreSeenByContentsAndRim(t *testing.T) {
	bowl := func(food, vessel string) *tray.Tray {
		tr := table()
		slab(tr, food, 80, 80, 200, 200, 34)
		e := &tr.Elements[0]
		e.Form, e.Vessel = "bowl", vessel
		slab(tr, "brined-white", 120, 120, 301, 200, 16)
		return tr
	}
	says := func(tr *tray.Tray) string {
		for _, f := range Judge(tr, larder).Findings {
			if f.Check == "colour.neighbour" {
				return f.Says
			}
		}
		return ""
	}
	if s := says(bowl("beetroot-dip", "great-bowl")); !strings.Contains(s, " of the white bowl beside it and hardly ") && !strings.Contains(s, " of the cream bowl beside it and hardly ") {
		t.Errorf("a white bowl beside a pale cheese: %q", s)
	}
	if s := says(bowl("yoghurt-dip", "ink-bowl")); s != "" {
		t.Errorf("a dark rim parts them, and it says %q", s)
	}
	if s := says(bowl("beetroot-dip", "ink-bowl")); s != "" {
		t.Errorf("nothing is alike, and it says %q", s)
	}
	pale, dark := bowl("yoghurt-dip", "great-bowl"), bowl("yoghurt-dip", "ink-bowl")
	for _, tr := range []*tray.Tray{pale, dark} {
		tr.Board.Liner = "#ece8df"
		tr.Elements = tr.Elements[:1]
	}
	if a, b := value(t, pale, "colour.ground"), value(t, dark, "colour.ground"); a >= 5 || b < 20 {
		t.Errorf("white rim on white paper %.0f, dark rim %.0f", a, b)
	}
}

// On a board that turns, what lies on one side only is reached from all; what lies farther in than an arm reaches is not.
func TestATurningBoardIsReachedAllRound(t *testing.T) {
	value := func(turns bool, x float64) float64 {
		tr := table()
		tr.Board.Outline, tr.Board.FoodZone = geom.Circle(650, 48).Move(geom.Pt(650, 650)), geom.Circle(640, 48).Move(geom.Pt(650, 650))
		tr.Board.Turns = turns
		box(tr, "red-grapes", "drift", 60, 60, x, 650, 18)
		v, ok := Judge(tr, larder).Value("service.reach")
		if !ok {
			t.Fatal("nothing is measured")
		}
		return v
	}
	if standing, turned := value(false, 120), value(true, 120); standing > .5 || turned != 1 {
		t.Errorf("at the left rim %v reach it, %v when it turns", standing, turned)
	}
	if v := value(true, 650); v != 0 {
		t.Errorf("in the middle of a board of 130 cm %v reach it", v)
	}
}
