package food

import (
	"slices"
	"testing"
)

// Forms are open by shape and firmness, whether an entry lists them or not, and closed to what hands cannot do.
func TestFormsAreOpenByShapeAndFirmness(t *testing.T) {
	for _, c := range []struct {
		form      string
		fits, not []string
	}{
		{"rolls", []string{"wide-sausage", "beef-sausage", "cooked-sausage", "smoked-ham", "air-dried-ham"}, []string{"pepper-sausage", "radishes", "round-crackers", "country-terrine", "fennel-sausage"}},
		{"flower", []string{"wide-sausage", "cucumber", "radishes", "courgette-ribbons", "fennel-sausage"}, []string{"pepper-sausage", "apple", "orange-rounds", "smoked-round"}},
		{"rosette", []string{"cucumber", "courgette-ribbons", "wide-sausage", "smoked-ham"}, []string{"radishes", "paprika-sausage", "kiwi", "round-crackers"}},
		{"ring", []string{"pepper-sausage", "cucumber", "kiwi", "sheep-wedge", "gf-bread", "oatcakes", "smoked-round"}, []string{"almonds", "soft-white-round", "honey", "air-dried-ham"}},
		{"arc", []string{"pepper-sausage", "cucumber", "apple", "orange-block", "pear"}, []string{"almonds", "breadsticks", "aged-hard"}},
		{"triangles", []string{"orange-block", "garden-block", "country-terrine", "coarse-pate", "mountain-wheel"}, []string{"aged-hard", "seed-crackers", "soft-white-round", "honey"}},
		{"begun", []string{"mountain-wheel", "aged-hard", "old-wheel", "orange-block", "goat-wheel"}, []string{"soft-white-round", "blue-wedge", "brined-white", "smoked-round", "wide-sausage", "squeaky-sticks"}},
		{"tumble", []string{"blue-wedge", "sheep-blue", "creamy-blue", "sheep-wedge", "goat-wheel"}, []string{"soft-white-round", "fresh-goat-log", "wide-sausage", "round-crackers"}},
		{"shingle", []string{"blue-wedge", "sheep-blue", "cucumber"}, []string{"soft-white-round", "brined-white", "almonds"}},
		{"coins", []string{"fresh-goat-log", "ash-goat-log", "almond-log"}, []string{"cream-cheese-block", "soft-white-round", "blue-wedge"}},
		{"batons", []string{"mountain-wheel", "goat-wheel", "green-herb-block"}, []string{"blue-wedge", "aged-hard", "brined-white", "smoked-round"}},
		{"cut-round-12", []string{"soft-white-round", "young-goat-round", "thistle-sheep"}, []string{"mountain-wheel", "washed-square"}},
		{"cut-round-16", []string{"soft-white-round"}, []string{"young-goat-round", "thistle-sheep"}},
		{"quarters", []string{"red-grapes", "strawberries", "cherry-tomatoes", "blackberries"}, []string{"cherries", "almonds", "green-olives", "apple", "blueberries"}},
		{"fanned", []string{"pear", "strawberries", "gherkins"}, []string{"apple", "apricots", "green-olives", "plum", "nectarine", "mini-peppers"}},
		{"stood", []string{"pear"}, []string{"apple", "plum", "strawberries", "mandarin", "pineapple", "pomegranate"}},
		{"rings", []string{"pepper-sticks", "yellow-pepper", "mini-peppers"}, []string{"cucumber", "celery"}},
		{"strewn", []string{"pomegranate", "pumpkin-seeds", "pistachio-kernels", "dried-cranberries", "thyme", "marigold-petals", "dill"}, []string{"apple", "walnuts", "honey", "bay", "salad-leaves", "aged-hard"}},
		{"drizzled", []string{"honey", "hot-honey", "balsamic-syrup", "maple-syrup"}, []string{"fig-jam", "chickpea-dip", "almonds"}},
		{"upright", []string{"sausage-sticks", "baby-corn", "squeaky-sticks"}, []string{"almonds", "aged-hard"}},
	} {
		for _, id := range c.fits {
			if f, ok := BuiltIn().Get(id); !ok || !f.Fits(c.form) {
				t.Errorf("%s cannot be laid as %s", id, c.form)
			}
		}
		for _, id := range c.not {
			if f, ok := BuiltIn().Get(id); ok && f.Fits(c.form) {
				t.Errorf("%s can be laid as %s", id, c.form)
			}
		}
	}
}

// Every form that a food fits is one that its own entry could list, weighs what its size says, takes line and room, and
// is told apart from the listed ones.
func TestOpenedFormsAreSound(t *testing.T) {
	opened := 0
	for _, f := range BuiltIn().All() {
		ways := f.Ways()
		if !slices.EqualFunc(ways[:len(f.Forms)], f.Forms, Spec.Same) {
			t.Fatalf("%s: its own forms are not first", f.ID)
		}
		g := f
		g.Forms = ways
		if err := g.Check(); err != nil {
			t.Errorf("%s: %v", f.ID, err)
		}
		for _, s := range ways[len(f.Forms):] {
			opened++
			if again, ok := f.Spec(s.Form); !ok || !again.Same(s) {
				t.Errorf("%s as %s is not the same twice", f.ID, s.Form)
			}
			if y := f.YieldAs(s.Form); y > 1 || y < .3 {
				t.Errorf("%s as %s yields %v", f.ID, s.Form, y)
			}
			if FootprintMM2(s, 6) <= 0 && !Has(s.Form, OnFood) {
				t.Errorf("%s as %s takes no room", f.ID, s.Form)
			}
		}
	}
	if opened < 200 {
		t.Errorf("%d forms are open that no entry lists", opened)
	}
}

// A wedge begun is a small one with four slices, with its knife's room beyond the slices; a round cut finer weighs the
// same; triangles are half a slab.
func TestOpenedFormsAreTheSizeHandsMake(t *testing.T) {
	get := func(id, form string) (*Food, Spec) {
		f, _ := BuiltIn().Get(id)
		s, ok := f.Spec(form)
		if !ok {
			t.Fatalf("%s is not laid as %s", id, form)
		}
		return f, s
	}
	for _, id := range []string{"mountain-wheel", "aged-hard", "orange-block", "goat-wheel"} {
		f, s := get(id, "begun")
		if s.MassG < 90 || s.MassG > 220 || s.N != begunSlices {
			t.Errorf("%s begun weighs %.0f g with %d slices", id, s.MassG, s.N)
		}
		face, ok := CutFace(f, s)
		if !ok || face.Need != 80 || face.At.Y < s.W*.4 {
			t.Errorf("%s begun is cut at %+v", id, face)
		}
	}
	_, eight := get("soft-white-round", "cut-round")
	_, sixteen := get("soft-white-round", "cut-round-16")
	if whole := eight.MassG * 8; sixteen.MassG*16 != whole {
		t.Errorf("a round weighs %v g in eighths and %v in sixteenths", whole, sixteen.MassG*16)
	}
	slab, _ := BuiltIn().Get("country-terrine")
	whole, _ := slab.Spec("slab")
	_, half := get("country-terrine", "triangles")
	if d := half.MassG - whole.MassG/2; d > .3 || d < -.3 {
		t.Errorf("half of a slab of %v g weighs %v", whole.MassG, half.MassG)
	}
	for _, id := range []string{"honey", "balsamic-syrup"} { // craft: 2 to 3 g on 100 cm2
		if _, s := get(id, "drizzled"); s.MassG < 2 || s.MassG > 3 {
			t.Errorf("%s is drizzled by %v g", id, s.MassG)
		}
	}
}

// What hands cut varies by about a fifth in size, covers the same, and what is baked or grown does not vary so.
func TestHandCutPiecesVary(t *testing.T) {
	spread := func(id, form string) (least, most, mean float64) {
		f, _ := BuiltIn().Get(id)
		s, _ := f.Spec(form)
		least = 1e9
		for v := range Variants {
			b := s.Outline(f.ID, v).Turn(-s.Turned(f.ID, v)).Bounds()
			k := b.W() / s.L
			least, most, mean = min(least, k), max(most, k), mean+k*k/Variants
		}
		return least, most, mean
	}
	for _, c := range [][2]string{{"orange-block", "batons"}, {"mountain-wheel", "shingle"}, {"orange-block", "tumble"}, {"sheep-wedge", "triangles"}} {
		least, most, mean := spread(c[0], c[1])
		if least > .93 || most < 1.07 || most > 1.13 || mean < .96 || mean > 1.04 {
			t.Errorf("%s as %s: from %.2f to %.2f of its length, %.2f of its area", c[0], c[1], least, most, mean)
		}
	}
	for _, c := range [][2]string{{"round-crackers", "shingle"}, {"dark-chocolate", "tumble"}, {"wide-sausage", "trail"}} {
		if least, most, _ := spread(c[0], c[1]); most-least > .08 {
			t.Errorf("%s as %s: from %.2f to %.2f of its length", c[0], c[1], least, most)
		}
	}
}
