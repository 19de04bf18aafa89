package food

import (
	"archive/zip"
	"bytes"
	"io/fs"
	"math"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"happytray/core/colour"
	"happytray/core/geom"
)

func TestBuiltInLarderIsComplete(t *testing.T) {
	l := BuiltIn()
	if n := len(l.All()); n < 180 {
		t.Errorf("%d foods, want at least 180", n)
	}
	perCategory, perForm := map[Category]int{}, map[string]int{}
	for _, f := range l.All() {
		perCategory[f.Category]++
		for _, s := range f.Ways() {
			perForm[s.Form]++
		}
		if f.Category == NotFood {
			if f.Caution == "" {
				t.Errorf("%s is not eaten and says no caution", f.ID)
			}
			continue
		}
		if f.Liking <= 0 || f.Region == "" {
			t.Errorf("%s lacks liking or region", f.ID)
		}
		if len(f.Packs) < 2 {
			t.Errorf("%s comes in one size of pack only", f.ID)
		}
		for i, p := range f.Packs {
			if i > 0 && (p.Grams <= f.Packs[i-1].Grams || float64(p.Price)/p.Grams > float64(f.Packs[i-1].Price)/f.Packs[i-1].Grams*1.02) {
				t.Errorf("%s: the larger pack is no larger or dearer by weight: %+v", f.ID, f.Packs)
			}
		}
		if f.Category == Cheese && f.Rind == "" {
			t.Errorf("%s: a cheese needs its rind, or none", f.ID)
		}
		if (f.Milk == "plant") != (f.Category == Cheese && !slices.Contains(f.Allergens, "milk")) {
			t.Errorf("%s: milk %q and allergens %v contradict each other", f.ID, f.Milk, f.Allergens)
		}
		for _, id := range f.Clashes {
			if _, ok := l.Get(id); !ok || slices.Contains(f.Pairs, id) {
				t.Errorf("%s clashes with %s, which it pairs with or which is unknown", f.ID, id)
			}
		}
		for _, hemi := range []string{"north", "south"} {
			if len(f.Season) > 0 && len(f.Months(hemi)) == 0 {
				t.Errorf("%s is never in season in the %s", f.ID, hemi)
			}
		}
		if c := colour.Must(f.Colour); c.L < 5 || c.L > 98 {
			t.Errorf("%s: colour %s is too dark or too pale to be food", f.ID, f.Colour)
		}
		for _, p := range f.Pairs {
			if _, ok := l.Get(p); !ok || p == f.ID {
				t.Errorf("%s pairs with %s, which is not in the larder", f.ID, p)
			}
		}
		if has := func(w string) bool { return slices.Contains(f.Diet, w) }; (has("pork") || has("beef")) && !has("meat") || has("meat") && !has("animal") || has("rennet") && !has("animal") {
			t.Errorf("%s: diet %v contradicts itself", f.ID, f.Diet)
		}
		if slices.Contains(f.Allergens, "milk") && !slices.Contains(f.Diet, "animal") {
			t.Errorf("%s holds milk and nothing animal", f.ID)
		}
	}
	for _, c := range Categories {
		if perCategory[c] == 0 {
			t.Errorf("no food in category %s", c)
		}
	}
	for _, form := range Forms() {
		if perForm[form.ID()] == 0 {
			t.Errorf("no food can be laid as %s", form.ID())
		}
	}
	plant, dessert, standIn := 0, 0, 0
	for _, f := range l.All() {
		if f.Milk == "plant" || strings.Contains(f.Name, "plant-based") {
			plant++
		}
		if f.Category == Sweet {
			dessert++
		}
		for _, s := range f.Forms {
			if f.Category == Vegetable && slices.Contains([]string{"trail", "rosette", "ribbon", "rolls", "half-fold-fan", "flower"}, s.Form) {
				standIn++
				break
			}
		}
	}
	if plant < 6 || dessert < 12 || standIn < 5 {
		t.Errorf("%d plant-based foods, %d sweet ones, %d vegetables in the shapes of meat", plant, dessert, standIn)
	}
}

// The mass of a piece must follow from its size: volume x density within a quarter.
func TestMassFollowsFromSize(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Ways() {
			got := s.VolumeML() * f.Density
			if ratio := s.MassG / got; ratio < .75 || ratio > 1.25 {
				t.Errorf("%s as %s: %.1f g but %.1f ml x %.2f = %.1f g", f.ID, s.Form, s.MassG, s.VolumeML(), f.Density, got)
			}
		}
	}
}

func TestOutlinesAreSound(t *testing.T) {
	for _, f := range BuiltIn().All() {
		for _, s := range f.Ways() {
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
		for _, s := range f.Ways() {
			form := FormByID(s.Form)
			for _, n := range []int{1, 2, 7, 30} {
				ps := form.Lay(f.ID, s, n)
				want := n
				if InVessel(s.Form) {
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
			if FootprintMM2(s, 12) < FootprintMM2(s, 6) && s.Form != "criss-cross" {
				t.Errorf("%s as %s: twelve take less room than six", f.ID, s.Form)
			}
		}
	}
}

func TestRowLength(t *testing.T) {
	s := Spec{Form: "shingle", Shape: "disc", L: 60, W: 60, H: 4, Pitch: 20}
	ps := bender("shingle").Bend("x", s, 8, 0)
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
	for _, p := range bender("arc").Bend("x", s, 6, 80) {
		if d := p.At().Dist(geom.Pt(0, 80)); math.Abs(d-80) > 1e-9 {
			t.Errorf("piece lies %.2f from the middle, want 80", d)
		}
	}
}

func TestCutRoundKeepsItsWedgesApart(t *testing.T) {
	f, _ := BuiltIn().Get("soft-white-round")
	s, _ := f.Spec("cut-round")
	var bodies []geom.Body
	for _, p := range FormByID("cut-round").Lay(f.ID, s, 8) {
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

		"markup in a name":     {`"name":"A"`, `"name":"A","also":["<b>brie</b>"]`},
		"an empty other name":  {`"name":"A"`, `"name":"A","also":[" "]`},
		"thousands of names":   {`"name":"A"`, `"name":"A","also":["` + strings.Repeat(`x","`, 10000) + `x"]`},
		"a name of a page":     {`"name":"A"`, `"name":"A","also":["` + strings.Repeat("brie ", 4000) + `"]`},
		"nothing is left":      {`"l":20`, `"yield":0,"l":20`},
		"more than was bought": {`"l":20`, `"yield":1.2,"l":20`},
		"a slip of a yield":    {`"l":20`, `"yield":0.01,"l":20`},
		"nothing is eaten":     {`"liking":0.5`, `"liking":0.5,"eaten":0`},
		"eaten twice":          {`"liking":0.5`, `"liking":0.5,"eaten":2`},
		"pairs with itself":    {`"pairs":[]`, `"pairs":["a"]`},
		"holds and may hold":   {`"allergens":[]`, `"allergens":["nuts"],"may_contain":["nuts"]`},
		"plants with rennet":   {`"diet":[]`, `"diet":["rennet"],"category":"cheese","firmness":"soft","milk":"plant","rind":"none"`},
		"set with two things":  {`"diet":[]`, `"diet":["rennet"],"category":"cheese","firmness":"soft","milk":"cow","set_with":"thistle","rind":"none"`},
		"no such advice":       {`"diet":[]`, `"diet":[],"advised":["because"]`},
		"raw milk of no milk":  {`"allergens":[],"diet":[]`, `"allergens":["nuts"],"diet":["raw milk"]`},
	} {
		if _, err := ReadLarder([]byte(strings.Replace(good, edit[0], edit[1], 1))); err == nil {
			t.Errorf("%s was accepted", name)
		}
	}
}

func bender(form string) Bender { return FormByID(form).(Bender) }

// What the program carries is what the files say.
func TestTheLarderIsPackedAsItIsWritten(t *testing.T) {
	files, _ := filepath.Glob("data/*.json")
	z, err := zip.NewReader(bytes.NewReader(packed), int64(len(packed)))
	if err != nil || len(files) != len(z.File) || len(files) != len(Categories) {
		t.Fatalf("%d files, %d categories: %v", len(files), len(Categories), err)
	}
	for _, file := range files {
		written, _ := os.ReadFile(file)
		if got, err := fs.ReadFile(z, filepath.ToSlash(file)); err != nil || !bytes.Equal(got, written) {
			t.Errorf("%s is packed otherwise: run make generate (%v)", file, err)
		}
	}
}

// What goes into the narrowest pockets is small and lies open, and is no crumb.
func TestWhatFillsGaps(t *testing.T) {
	for id, want := range map[string]bool{"raisins": true, "dried-cranberries": true, "roasted-peanuts": true, "pistachio-kernels": true, "coated-raisins": true, "blueberries": true,
		"pumpkin-seeds": false, "mixed-seeds": false, "walnuts": false, "dried-apricots": false, "red-grapes": false, "honey": false, "rosemary": false} {
		f, ok := BuiltIn().Get(id)
		if !ok || f.FillsGaps() != want {
			t.Errorf("%s fills gaps: %v, want %v", id, !want, want)
		}
	}
}
