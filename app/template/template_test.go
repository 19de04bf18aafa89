package template_test

import (
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/app/template"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
)

var larder = food.BuiltIn()

// A choice that is kept serves another head count in the same proportions, and another table without
// what its guests avoid.
func TestAChoiceIsUsedAgain(t *testing.T) {
	cabinet := board.BuiltInCabinet()
	first, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 10}, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	k := template.FromJob(first, larder)
	k.Name = "The autumn one"
	if err := k.Check(template.Choice); err != nil {
		t.Fatal(err)
	}
	if len(k.Foods) < 12 || k.Guests != 12 || k.Occasion != "grazing" {
		t.Fatalf("%+v", k)
	}
	grams := func(b brief.Brief) map[string]float64 {
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			t.Fatal(err)
		}
		out := map[string]float64{}
		for _, one := range j.Trays {
			for _, id := range one.Foods() {
				out[id] += one.GramsOf(id)
			}
		}
		if len(j.Brief.Foods) > 0 && j.Brief.Foods[0].Grams != 0 {
			t.Error("the brief that is kept holds grams, not what is for an appetite")
		}
		return out
	}
	other, says := template.Apply(k, brief.Brief{Guests: brief.Guests{Adults: 30}, Occasion: "nibble", Month: 10}, larder)
	if len(says) != 1 || !strings.Contains(says[0], "12") || !strings.Contains(says[0], "30") {
		t.Errorf("says %q", says)
	}
	small, large := grams(brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 10, Foods: other.Foods}), grams(other)
	for _, p := range k.Foods {
		f, _ := larder.Get(p.Food)
		spec, _ := f.Spec(p.Form)
		if want := 30 * p.EachG; math.Abs(large[p.Food]-want) > math.Max(30, spec.MassG*8+.1*want) {
			t.Errorf("%s: %.0f g for 30, want about %.0f", p.Food, large[p.Food], want)
		}
		if small[p.Food] > large[p.Food]+.5 {
			t.Errorf("%s: %.0f g for 12 and %.0f g for 30", p.Food, small[p.Food], large[p.Food])
		}
	}
	milkless, says := template.Apply(k, brief.Brief{Guests: brief.Guests{Adults: 12}, Occasion: "grazing", Month: 10, Diets: []brief.Diet{{Count: 1, Avoid: []string{"milk", "nuts"}}}}, larder)
	for _, w := range milkless.Foods {
		f, _ := larder.Get(w.Food)
		if f.Breaks([]string{"milk", "nuts"}) != "" || f.MayHold([]string{"milk", "nuts"}) != "" {
			t.Errorf("%s for guests who avoid milk and nuts", f.ID)
		}
	}
	if len(milkless.Foods) < 8 || !slices.ContainsFunc(says, func(s string) bool { return strings.Contains(s, "instead") }) {
		t.Errorf("%d foods are left; %q", len(milkless.Foods), says)
	}
	if _, err := plan.FromBrief(milkless, larder, cabinet); err != nil {
		t.Error(err)
	}
	pinned, _ := template.Apply(k, brief.Brief{Guests: brief.Guests{Adults: 12}, Month: 10, Pins: []brief.Want{{Food: "candied-orange"}}}, larder)
	if grams(pinned)["candied-orange"] == 0 {
		t.Error("what the host pinned went for the kept choice")
	}
	gone, says := template.Apply(template.Template{Foods: []template.Portion{{Food: "no-such-food", EachG: 20}}}, brief.Brief{Guests: brief.Guests{Adults: 4}}, larder)
	if len(gone.Foods) != 0 || len(says) != 2 {
		t.Errorf("%v %q", gone.Foods, says)
	}
}

func TestWhatIsKeptIsChecked(t *testing.T) {
	long := strings.Repeat("x", 3000)
	for _, c := range []struct {
		kind  string
		k     template.Template
		field string
	}{
		{template.Idea, template.Template{Name: "Rust and linen", Note: "On a market stall.", Palette: []string{"#a05a3c", "#efe8d9"}}, ""},
		{template.Theme, template.Template{Name: "Kiln night", Palette: []string{"#7f8f98"}, Belongs: []string{"blueberries"}, Liner: "#201c1a"}, ""},
		{"shelf", template.Template{Name: "x"}, "kind"},
		{template.Idea, template.Template{Name: "  "}, "name"},
		{template.Idea, template.Template{Name: long}, "name"},
		{template.Idea, template.Template{Name: "x", Note: long}, "note"},
		{template.Idea, template.Template{Name: "x", Palette: []string{"blueish"}}, "palette[0]"},
		{template.Theme, template.Template{Name: "x"}, "palette"},
		{template.Theme, template.Template{Name: "x", Region: "the moon"}, "region"},
		{template.Theme, template.Template{Name: "x", Region: "alpine", Liner: "wood"}, "liner"},
		{template.Theme, template.Template{Name: "x", Belongs: []string{long}}, "belongs[0]"},
		{template.Choice, template.Template{Name: "x"}, "foods"},
		{template.Choice, template.Template{Name: "x", Foods: []template.Portion{{Food: "honey", EachG: -1}}}, "foods[0].each_g"},
		{template.Choice, template.Template{Name: "x", Foods: []template.Portion{{Food: long, EachG: 1}}}, "foods[0].food"},
	} {
		err := c.k.Check(c.kind)
		if (err == nil) != (c.field == "") || err != nil && !strings.Contains(err.Error(), c.field) {
			t.Errorf("%s %+v: %v, want %q", c.kind, c.k.Name, err, c.field)
		}
	}
}
