package tray

import (
	"math"
	"reflect"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
)

func TestPlatesBeside(t *testing.T) {
	larder := food.BuiltIn()
	for name, c := range map[string]struct {
		reserve []Reserve
		want    Plates
	}{
		"nothing waits":         {nil, Plates{}},
		"no crackers wait":      {[]Reserve{{Food: "red-grapes", Grams: 200}}, Plates{}},
		"what is gone":          {[]Reserve{{Food: "round-crackers"}}, Plates{}},
		"a handful":             {[]Reserve{{Food: "round-crackers", Grams: 40}}, Plates{1, 180, []string{"round-crackers"}, 40}},
		"two kinds on one":      {[]Reserve{{Food: "round-crackers", Grams: 100}, {Food: "red-grapes", Grams: 90}, {Food: "baguette-toasts", Grams: 80}}, Plates{1, 240, []string{"round-crackers", "baguette-toasts"}, 180}},
		"half of it on plates":  {[]Reserve{{Food: "round-crackers", Grams: 2000}}, Plates{4, 300, []string{"round-crackers"}, 2000}},
		"two lines of one food": {[]Reserve{{Food: "round-crackers", Grams: 100}, {Food: "round-crackers", Grams: 80}}, Plates{1, 240, []string{"round-crackers"}, 180}},
		"nothing of the larder": {[]Reserve{{Food: "no-such-food", Grams: 90}}, Plates{}},
	} {
		if got := (&Tray{Reserve: c.reserve}).Beside(larder); !reflect.DeepEqual(got, c.want) {
			t.Errorf("%s: %+v, not %+v", name, got, c.want)
		}
	}
}

// What stands beside a board lies on its plates, clear of the board and of each other, and is no more than there is.
func TestPlatesAreLaid(t *testing.T) {
	larder := food.BuiltIn()
	for name, c := range map[string]struct {
		shape   string
		w, h    float64
		reserve []Reserve
		below   bool
	}{
		"an oval":           {"oval", 560, 380, []Reserve{{Food: "round-crackers", Form: "shingle", Grams: 120}, {Food: "baguette-toasts", Form: "shingle", Grams: 90}}, false},
		"a plank":           {"plank", 900, 200, []Reserve{{Food: "oatcakes", Form: "stack", Grams: 200}}, true},
		"sticks":            {"round", 400, 400, []Reserve{{Food: "breadsticks", Form: "upright", Grams: 60}, {Food: "round-crackers", Grams: 40}}, false},
		"too much for two":  {"rectangle", 600, 400, []Reserve{{Food: "round-crackers", Grams: 3000}}, false},
		"a handful":         {"rectangle", 600, 400, []Reserve{{Food: "baguette-toasts", Form: "arc", Grams: 40}}, false},
		"no form of theirs": {"rectangle", 600, 400, []Reserve{{Food: "round-crackers", Form: "melted", Grams: 90}}, false},
	} {
		b, err := board.Make(board.Request{Shape: c.shape, LengthMM: c.w, WidthMM: c.h})
		if err != nil {
			t.Fatal(name, err)
		}
		tr := &Tray{Board: &b, Reserve: c.reserve}
		p := tr.Beside(larder)
		laid := p.Laid(tr, larder)
		if len(laid) != p.Count {
			t.Fatalf("%s: %d plates laid of %d", name, len(laid), p.Count)
		}
		box, grams := b.Outline.Bounds(), 0.0
		for i, q := range laid {
			grams += q.Grams
			if len(q.Pieces) == 0 {
				t.Errorf("%s: plate %d is empty", name, i)
			}
			if clear := math.Max(q.At.X-box.Max.X, q.At.Y-box.Max.Y) - q.AcrossMM/2; clear < 20 {
				t.Errorf("%s: plate %d stands %.0f mm from the board", name, i, clear)
			}
			if below := q.At.X < box.Max.X; below != c.below {
				t.Errorf("%s: plate %d stands at %v", name, i, q.At)
			}
			for _, o := range laid[:i] {
				if o.At.Dist(q.At) < q.AcrossMM {
					t.Errorf("%s: plates stand in each other", name)
				}
			}
			for _, pc := range q.Pieces {
				f, _ := larder.Get(pc.Food)
				s, ok := f.Spec(pc.Form)
				if !ok {
					t.Fatalf("%s: %s has no form %s", name, pc.Food, pc.Form)
				}
				for _, corner := range s.Outline(pc.Food, pc.Variant).Turn(pc.TurnDeg) {
					if far := corner.Add(pc.At).Len(); far > q.AcrossMM/2+s.L*.12 {
						t.Fatalf("%s: %s reaches %.0f mm from the middle of a plate of %.0f", name, pc.Food, far, q.AcrossMM)
					}
				}
			}
		}
		for i, q := range laid { // a ring that ends half way looks as if somebody had been there
			if bare := widestBare(q); bare > math.Max(50, 480/float64(len(q.Pieces))) {
				t.Errorf("%s: the rim of plate %d is bare over %.0f degrees", name, i, bare)
			}
		}
		if grams > p.Grams*1.06+5 || c.shape != "round" && grams < p.Grams*.3 {
			t.Errorf("%s: %.0f g lie on the plates, of %.0f", name, grams, p.Grams)
		}
	}
}

// widestBare is the widest part of a plate's outermost ring on which nothing lies, degrees from middle to middle of two pieces.
func widestBare(q Plate) float64 {
	far := 0.0
	for _, p := range q.Pieces {
		far = math.Max(far, p.At.Len())
	}
	var at []float64
	for _, p := range q.Pieces {
		if p.At.Len() > far-12 {
			at = append(at, math.Mod(p.At.Degrees()+720, 360))
		}
	}
	slices.Sort(at)
	widest := 360 + at[0] - at[len(at)-1]
	for i := range at[1:] {
		widest = math.Max(widest, at[i+1]-at[i])
	}
	return widest
}

// What a guest avoids lies on no plate with what that guest may have.
func TestPlatesKeepDietsApart(t *testing.T) {
	larder := food.BuiltIn()
	b, err := board.Make(board.Request{Shape: "oval", LengthMM: 560, WidthMM: 380})
	if err != nil {
		t.Fatal(err)
	}
	both := []Reserve{{Food: "rice-crackers", Form: "shingle", Grams: 60}, {Food: "round-crackers", Form: "shingle", Grams: 90}, {Food: "baguette-toasts", Form: "shingle", Grams: 60}}
	for name, c := range map[string]struct {
		avoid   []string
		reserve []Reserve
		plates  int
	}{
		"nobody avoids any":     {nil, both, 1},
		"two without gluten":    {[]string{"gluten"}, both, 2},
		"all of it is avoided":  {[]string{"gluten"}, both[1:], 1},
		"none of it is avoided": {[]string{"fish"}, both[:1], 1},
	} {
		tr := &Tray{Board: &b, Reserve: c.reserve}
		tr.Brief.Guests.Adults = 9
		if c.avoid != nil {
			tr.Brief.Diets = []brief.Diet{{Who: "two", Count: 2, Avoid: c.avoid}}
		}
		laid := tr.Beside(larder).Laid(tr, larder)
		if len(laid) != c.plates {
			t.Errorf("%s: %d plates, not %d", name, len(laid), c.plates)
		}
		for _, q := range laid {
			may := 0
			for _, id := range q.Foods {
				if f, _ := larder.Get(id); diet.CanEat(c.avoid, f) {
					may++
				}
			}
			if c.avoid != nil && may > 0 && may < len(q.Foods) {
				t.Errorf("%s: %v lie on one plate", name, q.Foods)
			}
		}
	}
}
