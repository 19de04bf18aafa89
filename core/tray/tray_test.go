package tray

import (
	"encoding/json"
	"errors"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
)

func square(x, y, side float64) geom.Outline {
	return geom.Outline{geom.Pt(x, y), geom.Pt(x+side, y), geom.Pt(x+side, y+side), geom.Pt(x, y+side)}
}

// two is a tray of almonds that lie and of honey in a cup that waits.
func two() *Tray {
	return &Tray{
		Board:   &board.Board{ID: "b", Colour: "#8a5a35", Material: "wood", Name: "B", Outline: square(0, 0, 400), FoodZone: square(10, 10, 380)},
		Vessels: []board.Vessel{{ID: "cup", Name: "Cup", Material: "ceramic", CapacityML: 90, Colour: "#ffffff", DiameterMM: 70, HeightMM: 45}},
		Elements: []Element{
			{ID: "e1", Food: "almonds", Form: "drift", Grams: 40, Count: 2, Placed: true, X: 100, Y: 100, Path: []geom.Point{geom.Pt(90, 100), geom.Pt(110, 100)},
				Pieces: []Piece{{Outline: square(95, 95, 10), HeightMM: 9, At: geom.Pt(100, 100)}, {Outline: square(120, 95, 10), HeightMM: 9, At: geom.Pt(125, 100), TurnDeg: 350}}},
			{ID: "e2", Food: "honey", Form: "bowl", Grams: 90, Count: 1, Vessel: "cup", Pieces: []Piece{}},
		},
		Reserve: []Reserve{{Food: "almonds", Form: "drift", Grams: 15, Count: 1}, {Food: "walnuts", Form: "drift", Grams: 20, Count: 5}},
	}
}

func TestMoveTo(t *testing.T) {
	e := &two().Elements[0]
	e.MoveTo(geom.Pose{X: 200, Y: 150, Turn: 90})
	// what lay 25 mm to the right of the middle lies 25 mm below it now
	if p := e.Pieces[1]; p.At != geom.Pt(200, 175) || p.TurnDeg != 80 {
		t.Errorf("the second piece lies at %v, turned %v", p.At, p.TurnDeg)
	}
	if e.Path[0] != geom.Pt(200, 140) || e.X != 200 || e.TurnDeg != 90 {
		t.Errorf("path %v, pose %v", e.Path, e.Pose())
	}
}

// A tray that was copied does not change when the copy does, and many moves leave no trace
// beyond the rounding of one.
func TestMoveToThereAndBack(t *testing.T) {
	was, r := two(), rand.New(rand.NewPCG(3, 4))
	c := was.Clone()
	e := &c.Elements[0]
	for range 40 {
		e.MoveTo(geom.Pose{X: r.Float64() * 300, Y: r.Float64() * 300, Turn: r.Float64() * 720})
	}
	if want := two().Elements[0].Pieces[1].Outline; !slices.Equal(was.Elements[0].Pieces[1].Outline, want) {
		t.Errorf("the tray that was copied moved along: %v", was.Elements[0].Pieces[1].Outline)
	}
	e.MoveTo(geom.Pose{X: 100, Y: 100})
	for i, p := range e.Pieces {
		if d := p.At.Dist(was.Elements[0].Pieces[i].At); d > .4 {
			t.Errorf("piece %d came back %.2f mm off", i, d)
		}
		if got := math.Abs(p.Outline.Area()); math.Abs(got-100) > 1 {
			t.Errorf("piece %d is %.1f mm2, was 100", i, got)
		}
	}
}

func TestWhatIsOnIt(t *testing.T) {
	tr := two()
	if got := tr.Foods(); !slices.Equal(got, []string{"almonds", "honey", "walnuts"}) {
		t.Error(got)
	}
	if g := tr.GramsOf("almonds"); g != 55 {
		t.Errorf("%v g of almonds", g)
	}
	if tr.Find("e2") != 1 || tr.Find("e3") != -1 {
		t.Error("found what is not there, or not what is")
	}
	if _, ok := tr.Vessel("grail"); ok {
		t.Error("there is no grail")
	}
	if tr.Elements[1].Kind() != food.FormByID("bowl").Kind() || (&Element{Form: "tower"}).Kind() != food.KindLoose {
		t.Error("kinds")
	}
}

func TestPart(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, Budget: 100, Diets: []brief.Diet{{Who: "two", Count: 2, Avoid: []string{"milk"}}}}
	var none *Part
	if got := none.BriefOf(b); got.Budget != 100 || len(got.Diets) != 1 {
		t.Errorf("%+v", got)
	}
	p := &Part{Guests: brief.Guests{Adults: 2}, Copies: 3}
	if got := p.BriefOf(b); got.Budget != 20 || got.Guests.Adults != 2 || got.Diets != nil {
		t.Errorf("two of ten: %+v", got)
	}
	if (&Tray{}).Copies() != 1 || (&Tray{Part: p}).Copies() != 3 || (&Tray{Part: &Part{}}).Copies() != 1 {
		t.Error("copies")
	}
	for field, p := range map[string]*Part{"part.number": {Number: 41}, "part.of": {Of: -1}, "part.copies": {Copies: 2001}, "part.share": {Share: 1.5}, "part.who": {Who: strings.Repeat("w", 81)}, "part.guests": {}} {
		var bad *fault.Error
		if err := p.check(); !errors.As(err, &bad) || bad.Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// What the file says beside what is known comes out as it went in, and nothing else does.
func TestElementKeepsWhatItDoesNotKnow(t *testing.T) {
	raw := `{"id":"e1","food":"almonds","form":"drift","category":"nut","grams":12,"count":1,"placed":true,"x":100,"y":100,"turn_deg":0,"layer":6,"locked":false,"colour":"#a5713e","wetness":"dry",` +
		`"pieces":[{"outline":[[95,95],[105,95],[105,105]],"z_mm":0,"height_mm":9,"colour":"#a5713e","gilded":true}],"mood":{"of":"the sea"}}`
	var e Element
	if err := json.Unmarshal([]byte(raw), &e); err != nil {
		t.Fatal(err)
	}
	out, err := json.Marshal(e)
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []string{`"mood":{"of":"the sea"}`, `"gilded":true`, `"wetness":"dry"`} {
		if !strings.Contains(string(out), want) {
			t.Errorf("%s is lost: %s", want, out)
		}
	}
	var waits Element
	if err := json.Unmarshal([]byte(`{"id":"e2","pieces":[]}`), &waits); err != nil || waits.Placed {
		t.Errorf("%v: what has no pieces is not placed", err)
	}
}

func TestCheck(t *testing.T) {
	larder := food.BuiltIn()
	for _, c := range []struct {
		field string
		spoil func(*Tray)
	}{
		{"", func(*Tray) {}},
		{"elements[0].id", func(t *Tray) { t.Elements[0].ID = "" }},
		{"elements[1].id", func(t *Tray) { t.Elements[1].ID = "e1" }},
		{"elements[0].food", func(t *Tray) { t.Elements[0].Food = "moonstone" }},
		{"elements[0].form", func(t *Tray) { t.Elements[0].Form = "tower" }},
		{"elements[1].vessel", func(t *Tray) { t.Elements[1].Vessel = "" }},
		{"elements[0].wetness", func(t *Tray) { t.Elements[0].Wetness = "soaking" }},
		{"elements[0].grams", func(t *Tray) { t.Elements[0].Grams = math.NaN() }},
		{"elements[0].x", func(t *Tray) { t.Elements[0].X = math.Inf(1) }},
		{"elements[0].path[1]", func(t *Tray) { t.Elements[0].Path[1].X = 1e7 }},
		{"elements[0].colour", func(t *Tray) { t.Elements[0].Colour = "brownish" }},
		{"vessels[0].diameter_mm", func(t *Tray) { t.Vessels[0].DiameterMM = 0 }},
		{"reserve[1].food", func(t *Tray) { t.Reserve[1].Food = "air" }},
	} {
		tr := two()
		c.spoil(tr)
		err := tr.Check(larder)
		var bad *fault.Error
		if c.field == "" {
			if err != nil {
				t.Error(err)
			} else if got := tr.Elements[0].Wetness; got != "" {
				t.Errorf("a look at it says that the almonds are %q", got)
			} else if tr.Complete(larder); tr.Elements[0].Wetness == "" {
				t.Error("nobody says how wet the almonds are")
			} else if got := tr.Elements[0].Wetness; got != food.Dry && got != food.Oily {
				t.Errorf("almonds that do not say how wet they are are %q", got)
			}
			continue
		}
		if !errors.As(err, &bad) || bad.Field != c.field || bad.Says == "" {
			t.Errorf("%s: %v", c.field, err)
		}
	}
}
