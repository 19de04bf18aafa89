package lens

import (
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
	"happytray/core/plan"
	"happytray/core/search"
	"happytray/core/tray"
)

var larder = food.BuiltIn()

// on is a tray with foods put down by hand, each at a place.
func on(t testing.TB, length, width float64, foods map[string]geom.Point) *tray.Tray {
	t.Helper()
	b, err := board.Make(board.Request{Shape: "rectangle", LengthMM: length, WidthMM: width})
	if err != nil {
		t.Fatal(err)
	}
	tr := &tray.Tray{Board: &b}
	for id, at := range foods {
		f, ok := larder.Get(id)
		if !ok {
			t.Fatalf("no %s", id)
		}
		spec := f.Forms[0]
		e := tray.Element{ID: id, Food: id, Form: spec.Form, Category: f.Category, Count: 6, Grams: 6 * spec.MassG, Colour: f.SurfaceColour(spec), Wetness: f.Wetness, Layer: food.Layer(f, spec)}
		if food.InVessel(spec.Form) {
			v := board.BuiltInCabinet().Vessels()[3]
			e.Vessel, tr.Vessels = v.ID, append(tr.Vessels, v)
		}
		tr.Elements = append(tr.Elements, e)
		put, err := pack.Put(tr, larder, id, geom.Pose{X: at.X, Y: at.Y})
		if err != nil {
			t.Fatal(err)
		}
		tr.Elements[len(tr.Elements)-1] = put
	}
	return tr
}

func look(t testing.TB, tr *tray.Tray, lens, word string) View {
	t.Helper()
	v, err := Apply(tr, larder, lens, word)
	if err != nil {
		t.Fatalf("%s: %v", lens, err)
	}
	return v
}

func tintOf(v View, id string) string {
	for _, t := range v.Tints {
		if t.Element == id {
			return t.Says.String()
		}
	}
	return ""
}

func TestWetAndCrisp(t *testing.T) {
	near := look(t, on(t, 500, 300, map[string]geom.Point{"pineapple": geom.Pt(120, 150), "round-crackers": geom.Pt(230, 150)}), "wet", "")
	far := look(t, on(t, 500, 300, map[string]geom.Point{"pineapple": geom.Pt(90, 150), "round-crackers": geom.Pt(400, 150)}), "wet", "")
	if tintOf(near, "pineapple") != "wets" || tintOf(near, "round-crackers") != "crisp" {
		t.Errorf("tints: %v", near.Tints)
	}
	if len(near.Lines) != 1 || !near.Lines[0].Bad || near.Number.String() != "1 pair too near" {
		t.Errorf("side by side: %v, %q", near.Lines, near.Number)
	}
	if len(far.Lines) != 0 || strings.Contains(far.Number.String(), "too near") {
		t.Errorf("far apart: %v, %q", far.Lines, far.Number)
	}
}

func TestAllergens(t *testing.T) {
	tr := on(t, 500, 300, map[string]geom.Point{"almonds": geom.Pt(120, 150), "round-crackers": geom.Pt(330, 150), "blueberries": geom.Pt(220, 230)})
	v := look(t, tr, "allergens", "nuts")
	if tintOf(v, "almonds") != "holds nuts" || tintOf(v, "blueberries") != "not by its entry" || !strings.HasPrefix(v.Number.String(), "1 thing") {
		t.Errorf("nuts: %v, %q", v.Tints, v.Number)
	}
	if !strings.Contains(v.Says.String(), "labels of your packs decide") {
		t.Errorf("it does not defer to the labels: %q", v.Says)
	}
	tr.Brief.Diets = []brief.Diet{{Who: "Ilka", Count: 1, Avoid: []string{"gluten"}}}
	if v = look(t, tr, "allergens", ""); v.Word != "gluten" || tintOf(v, "round-crackers") != "holds gluten" {
		t.Errorf("a guest avoids gluten, and %q is shown: %v", v.Word, v.Tints)
	}
	if _, err := Apply(tr, larder, "allergens", "dust"); err == nil {
		t.Error("dust")
	}
	plain := look(t, on(t, 300, 200, map[string]geom.Point{"blueberries": geom.Pt(120, 100)}), "allergens", "")
	if plain.Word != "" || len(plain.Words) != 0 {
		t.Errorf("blueberries: %q of %v", plain.Word, plain.Words)
	}
}

func TestReach(t *testing.T) {
	tr := on(t, 1500, 340, map[string]geom.Point{"soft-white-round": geom.Pt(150, 170), "blueberries": geom.Pt(1300, 170)})
	tr.Board.Access = []string{"left", "right"}
	v := look(t, tr, "reach", "")
	if len(v.Areas) != 2 || tintOf(v, "soft-white-round") != "out of somebody's reach" {
		t.Errorf("%d areas, %v", len(v.Areas), v.Tints)
	}
	small := look(t, on(t, 400, 300, map[string]geom.Point{"soft-white-round": geom.Pt(150, 170)}), "reach", "")
	if len(small.Areas) != 0 || tintOf(small, "soft-white-round") != "within reach of every side" {
		t.Errorf("on a small board: %v, %v", small.Areas, small.Tints)
	}
}

func TestGapsHeightAndFlow(t *testing.T) {
	tr := on(t, 400, 300, map[string]geom.Point{"soft-white-round": geom.Pt(80, 150), "wide-sausage": geom.Pt(260, 220)})
	v := look(t, tr, "gaps", "")
	if len(v.Discs) == 0 || !v.Discs[0].Bad || v.Discs[0].R < 60 || v.Discs[0].At.X < 120 {
		t.Errorf("the widest gap: %v", v.Discs)
	}
	for i := 1; i < len(v.Discs); i++ {
		if v.Discs[i].R > v.Discs[i-1].R {
			t.Errorf("disc %d is wider than the one before", i)
		}
	}
	if h := look(t, tr, "height", ""); tintOf(h, "soft-white-round") == tintOf(h, "wide-sausage") || !strings.HasPrefix(h.Number.String(), "up to") {
		t.Errorf("height: %v, %q", h.Tints, h.Number)
	}
	if f := look(t, tr, "flow", ""); len(f.Lines) != 1 || !f.Lines[0].Ends || len(f.Lines[0].Path) < 3 {
		t.Errorf("flow: %v", f.Lines)
	}
}

func TestColoursRunTogether(t *testing.T) {
	tr := on(t, 500, 300, map[string]geom.Point{"cherry-tomatoes": geom.Pt(150, 150), "cucumber": geom.Pt(215, 150), "blueberries": geom.Pt(400, 150)})
	if v := look(t, tr, "families", ""); tintOf(v, "cherry-tomatoes") != "red" || tintOf(v, "cucumber") != "green" || len(v.Key) < 3 {
		t.Errorf("families: %v", v.Tints)
	}
	for _, l := range []string{"grey", "without-red", "without-green", "without-blue"} {
		v := look(t, tr, l, "")
		if v.Vision == nil || len(v.Tints) != 0 {
			t.Errorf("%s: %v", l, v.Vision)
		}
	}
}

// Every lens shows something of a laid tray, in one line and with its number, and is the same each time.
func TestEveryLens(t *testing.T) {
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 6, Occasion: "grazing"}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	res, err := search.Lay(t.Context(), j.Trays[0], larder, search.Options{Seed: 3, Effort: 3})
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range Lenses {
		v := look(t, res.Tray, l, "")
		if v.Title == "" || v.Says.IsZero() || v.Number.String() == "" || strings.Contains(v.Says.String(), "\n") {
			t.Errorf("%s says too little: %q, %q, %q", l, v.Title, v.Says, v.Number)
		}
		if v.Vision == nil && len(v.Tints)+len(v.Lines)+len(v.Discs)+len(v.Areas) == 0 {
			t.Errorf("%s shows nothing", l)
		}
		n := 0
		for _, k := range v.Key {
			n += k.Count
		}
		if n != len(v.Tints) {
			t.Errorf("%s: %d in the legend, %d tinted", l, n, len(v.Tints))
		}
	}
	if _, err := Apply(res.Tray, larder, "x-ray", ""); err == nil {
		t.Error("x-ray")
	}
	bare := res.Tray.Clone()
	bare.Board = nil
	if _, err := Apply(bare, larder, "gaps", ""); err == nil {
		t.Error("no board")
	}
}

// What lies beyond reach is untouched, and it is said why; what lies near is eaten.
func TestEaten(t *testing.T) {
	tr := on(t, 700, 1200, map[string]geom.Point{"orange-block": {X: 350, Y: 1100}, "aged-hard": {X: 350, Y: 120}})
	tr.Brief = brief.Brief{Guests: brief.Guests{Adults: 8}}
	tr.Board.Access = []string{"bottom"}
	v := look(t, tr, "eaten", "")
	if got := tintOf(v, "aged-hard"); got != "untouched" {
		t.Errorf("out of reach: %s", got)
	}
	if got := tintOf(v, "orange-block"); got != "eaten" && got != "gone early" {
		t.Errorf("near: %s", got)
	}
	if len(v.Discs) != 1 || !strings.Contains(v.Discs[0].Says.String(), "Nobody reaches it") || !strings.Contains(v.Number.String(), "g left") {
		t.Errorf("%+v %s", v.Discs, v.Number)
	}
	tr.Brief.Guests.Adults = 0
	if _, err := Apply(tr, larder, "eaten", ""); err == nil || !strings.Contains(err.Error(), "guests") {
		t.Errorf("nobody comes: %v", err)
	}
}

func BenchmarkLenses(b *testing.B) {
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 24}, Month: 6, Occasion: "grazing"}, larder, board.BuiltInCabinet())
	if err != nil {
		b.Fatal(err)
	}
	res, err := search.Lay(b.Context(), j.Trays[0], larder, search.Options{Seed: 3, Effort: 2})
	if err != nil {
		b.Fatal(err)
	}
	for i := 0; b.Loop(); i++ {
		look(b, res.Tray, Lenses[i%len(Lenses)], "")
	}
}

func TestBitesLens(t *testing.T) {
	near := map[string]geom.Point{"soft-white-round": geom.Pt(150, 150), "fig-jam": geom.Pt(270, 150), "round-crackers": geom.Pt(150, 280), "gherkins": geom.Pt(480, 60)}
	v := look(t, on(t, 600, 400, near), "bites", "")
	if v.Number.String() != "1 of 1 bites lie together" || len(v.Lines) != 2 || v.Lines[0].Bad {
		t.Errorf("%s, %+v", v.Number, v.Lines)
	}
	if got := tintOf(v, "fig-jam"); !strings.HasPrefix(got, "Brie with fig jam") || tintOf(v, "gherkins") != "in no bite" {
		t.Errorf("fig jam: %s, gherkins: %s", got, tintOf(v, "gherkins"))
	}
	near["fig-jam"] = geom.Pt(520, 320)
	v = look(t, on(t, 600, 400, near), "bites", "")
	if v.Number.String() != "0 of 1 bites lie together" || !v.Lines[0].Bad && !v.Lines[1].Bad {
		t.Errorf("far apart: %s, %+v", v.Number, v.Lines)
	}
}
