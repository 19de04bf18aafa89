package food

import (
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/colour"
	"happytray/core/geom"
)

func TestBuiltInLarderIsComplete(t *testing.T) {
	l := BuiltIn()
	if n := len(l.All()); n < 150 {
		t.Errorf("%d foods, want at least 150", n)
	}
	known := map[string]bool{}
	for _, w := range strings.Fields("gluten crustaceans egg fish peanuts soy milk nuts celery mustard sesame sulphites lupin molluscs meat pork beef animal rennet alcohol") {
		known[w] = true
	}
	perCategory, perForm := map[Category]int{}, map[string]int{}
	for _, f := range l.All() {
		perCategory[f.Category]++
		for _, s := range f.Forms {
			perForm[s.Form]++
		}
		if len(f.Flavours) == 0 || f.Texture == "" || f.Wetness == "" || f.KeepsDays < 1 || f.Liking <= 0 || f.Liking > 1 {
			t.Errorf("%s lacks a flavour, texture, wetness, days kept or liking", f.ID)
		}
		if f.Category == Cheese && (f.Firmness == "" || f.Milk == "" || f.Strength < 1) {
			t.Errorf("%s: a cheese needs firmness, milk and strength", f.ID)
		}
		if c := colour.Must(f.Colour); c.L < 5 || c.L > 98 {
			t.Errorf("%s: colour %s is too dark or too pale to be food", f.ID, f.Colour)
		}
		for _, p := range f.Pairs {
			if _, ok := l.Get(p); !ok || p == f.ID {
				t.Errorf("%s pairs with %s, which is not in the larder", f.ID, p)
			}
		}
		for _, w := range append(slices.Clone(f.Allergens), f.Diet...) {
			if !known[w] {
				t.Errorf("%s: %q is no allergen and no diet word", f.ID, w)
			}
		}
		if has := func(w string) bool { return slices.Contains(f.Diet, w) }; (has("pork") || has("beef")) && !has("meat") || has("meat") && !has("animal") || has("rennet") && !has("animal") {
			t.Errorf("%s: diet %v contradicts itself", f.ID, f.Diet)
		}
		if slices.Contains(f.Allergens, "milk") && !slices.Contains(f.Diet, "animal") {
			t.Errorf("%s holds milk and nothing animal", f.ID)
		}
		for _, m := range f.Season {
			if m < 1 || m > 12 {
				t.Errorf("%s: month %d", f.ID, m)
			}
		}
	}
	for _, c := range Categories {
		if perCategory[c] == 0 {
			t.Errorf("no food in category %s", c)
		}
	}
	if len(perForm) < 14 {
		t.Errorf("%d forms in use, want at least 14: %v", len(perForm), perForm)
	}
}

// The mass of a piece must follow from its size: volume x density within a quarter.
func TestMassFollowsFromSize(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Forms {
			got := s.VolumeML() * f.Density
			if ratio := s.MassG / got; ratio < .75 || ratio > 1.25 {
				t.Errorf("%s as %s: %.1f g but %.1f ml x %.2f = %.1f g", f.ID, s.Form, s.MassG, s.VolumeML(), f.Density, got)
			}
		}
	}
}

func TestOutlinesAreSound(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Forms {
			for v := range Variants {
				o := s.Outline(f.ID, v)
				if err := o.Check(); err != nil {
					t.Errorf("%s %s %d: %v", f.ID, s.Form, v, err)
				}
				if n := len(o); n < 3 || n > 32 {
					t.Errorf("%s %s: %d points", f.ID, s.Form, n)
				}
				reach := 0.0
				for _, p := range o {
					reach = math.Max(reach, p.Len())
				}
				if lim := math.Max(s.L, s.W) * 1.12; s.Shape != "sector" && reach > lim {
					t.Errorf("%s %s reaches %.0f mm from its origin, size %.0f", f.ID, s.Form, reach, lim)
				}
			}
		}
	}
}

func TestLayGivesEveryPiece(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Forms {
			form := FormByID(s.Form)
			for _, n := range []int{1, 2, 7, 30} {
				ps := form.Lay(f.ID, s, n)
				want := n
				if s.Form == "bowl" {
					want = 1
				}
				if len(ps) != want {
					t.Errorf("%s as %s: %d pieces for %d", f.ID, s.Form, len(ps), n)
				}
				for _, p := range ps {
					if !p.At().Finite() || p.Height <= 0 {
						t.Fatalf("%s as %s: piece %+v", f.ID, s.Form, p)
					}
				}
			}
			if FootprintMM2(s, 12) < FootprintMM2(s, 6) {
				t.Errorf("%s as %s: twelve take less room than six", f.ID, s.Form)
			}
		}
	}
}

func TestRowLength(t *testing.T) {
	s := Spec{Form: "shingle", Shape: "disc", L: 60, W: 60, H: 4, Pitch: 20}
	ps := Shingle{}.Bend("x", s, 8, 0)
	var box geom.Rect
	for i, p := range ps {
		b := p.ApplyAll(geom.Ellipse(30, 30, 48)).Bounds()
		if i == 0 {
			box = b
		}
		box = box.Union(b)
	}
	if want := RowLength(8, 20, 60); math.Abs(box.W()-want) > .01 {
		t.Errorf("row is %.2f long, want %.2f", box.W(), want)
	}
	// bent round a circle, every piece keeps its distance from the middle
	for _, p := range (Arc{}).Bend("x", s, 6, 80) {
		if d := p.At().Dist(geom.Pt(0, 80)); math.Abs(d-80) > 1e-9 {
			t.Errorf("piece lies %.2f from the middle, want 80", d)
		}
	}
}

func TestCutRoundKeepsItsWedgesApart(t *testing.T) {
	f, _ := BuiltIn().Get("soft-white-round")
	s, _ := f.Spec("cut-round")
	var bodies []geom.Body
	for _, p := range (CutRound{}).Lay(f.ID, s, 8) {
		bodies = append(bodies, geom.NewBody(p.ApplyAll(s.Outline(f.ID, p.Variant))))
	}
	for i := range bodies {
		for j := range i {
			if g := geom.Gap(&bodies[i], &bodies[j], 1e9); g < 2 {
				t.Errorf("wedges %d and %d are %.2f mm apart, want 2 to 3", j, i, g)
			}
		}
	}
}

func TestRosetteSlices(t *testing.T) {
	for _, c := range []struct{ glass, slice, want float64 }{{45, 45, 21}, {65, 45, 30}, {75, 80, 18}} {
		if n := SlicesInRosette(c.glass, c.slice, 3); n != int(c.want) {
			t.Errorf("glass %v, slice %v: %d slices, want %v", c.glass, c.slice, n, c.want)
		}
	}
	f, _ := BuiltIn().Get("fennel-sausage")
	s, _ := f.Spec("rosette")
	if b := s.Outline(f.ID, 3).Bounds(); b.W() < 62 {
		t.Errorf("the rosette is %.0f mm wide, smaller than its glass", b.W())
	}
}

func TestSeasonFlipsWithHemisphere(t *testing.T) {
	f, _ := BuiltIn().Get("figs")
	for _, c := range []struct {
		month int
		hemi  string
		want  bool
	}{{9, "north", true}, {3, "north", false}, {3, "south", true}, {9, "south", false}, {0, "north", true}} {
		if got := f.InSeason(c.month, c.hemi); got != c.want {
			t.Errorf("figs in month %d, %s: %v", c.month, c.hemi, got)
		}
	}
}

func TestBreaks(t *testing.T) {
	l := BuiltIn()
	for _, c := range []struct {
		id    string
		avoid []string
		want  string
	}{{"almonds", []string{"nuts"}, "nuts"}, {"aged-hard", []string{"meat", "rennet"}, "rennet"}, {"carrot-sticks", []string{"animal", "gluten"}, ""}} {
		f, _ := l.Get(c.id)
		if got := f.Breaks(c.avoid); got != c.want {
			t.Errorf("%s against %v: %q, want %q", c.id, c.avoid, got, c.want)
		}
	}
}

func TestReadLarderRefuses(t *testing.T) {
	good := `[{"id":"a","name":"A","category":"nut","colour":"#aa8844","density":1,"wetness":"dry","flavours":["mild"],"texture":"soft","allergens":[],"diet":[],"season":[],"packs":[{"grams":100,"price":100}],"keeps_days":3,"warm_up_min":0,"tool":"","liking":0.5,"pairs":[],"strength":1,"forms":[{"form":"drift","shape":"oval","l":20,"w":10,"h":8,"mass_g":1,"seconds":1}]}]`
	if _, err := ReadLarder([]byte(good)); err != nil {
		t.Fatal(err)
	}
	for name, edit := range map[string][2]string{
		"unknown form":  {`"drift"`, `"juggle"`},
		"bad colour":    {`#aa8844`, `brown`},
		"zero size":     {`"l":20`, `"l":0`},
		"no such field": {`"id":"a"`, `"idd":"a"`},
		"category":      {`"nut"`, `"gravel"`},
		"free pack":     {`"price":100`, `"price":0`},
		"shape":         {`"oval"`, `"cloud"`},
	} {
		if _, err := ReadLarder([]byte(strings.Replace(good, edit[0], edit[1], 1))); err == nil {
			t.Errorf("%s was accepted", name)
		}
	}
}
