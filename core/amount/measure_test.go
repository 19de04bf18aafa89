package amount

import (
	"math"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
)

func measure(t *testing.T, id, form string, n int, glass float64) Measure {
	t.Helper()
	f, ok := food.BuiltIn().Get(id)
	if !ok {
		t.Fatalf("no food %s", id)
	}
	m, _, ok := MeasureForm(f, form, n, glass, nil, board.BuiltInCabinet())
	if !ok {
		t.Fatalf("%s cannot be %s", id, form)
	}
	return m
}

// Every form grows with its pieces, weighs what its pieces weigh, and says what a
// pack yields.
func TestEveryFormMeasures(t *testing.T) {
	for _, f := range food.BuiltIn().All() {
		for _, s := range f.Forms {
			few, many := measure(t, f.ID, s.Form, 6, 0), measure(t, f.ID, s.Form, 12, 0)
			if few.Pieces != 6 || math.Abs(few.MassG-6*s.MassG) > 0.06 && s.Form != "rosette" {
				t.Errorf("%s %s: six pieces of %.2f g weigh %.1f", f.ID, s.Form, s.MassG, few.MassG)
			}
			if few.LengthMM <= 0 || few.AcrossMM <= 0 || few.HeightMM <= 0 {
				t.Errorf("%s %s has no size: %+v", f.ID, s.Form, few)
			}
			if many.LengthMM*many.AcrossMM < few.LengthMM*few.AcrossMM-1 || many.HeightMM < few.HeightMM && !food.InVessel(s.Form) {
				t.Errorf("%s %s: twelve (%v x %v) take less than six (%v x %v)", f.ID, s.Form, many.LengthMM, many.AcrossMM, few.LengthMM, few.AcrossMM)
			}
			if (few.Vessel != nil) != food.InVessel(s.Form) {
				t.Errorf("%s %s: vessel %v", f.ID, s.Form, few.Vessel)
			}
			if len(few.Yields) != len(f.Packs) {
				t.Errorf("%s %s: %d yields for %d packs", f.ID, s.Form, len(few.Yields), len(f.Packs))
			}
			for _, y := range few.Yields {
				if s.Shape == "vessel" {
					continue
				}
				if y.Pieces < 1 && y.PackG == f.Packs[len(f.Packs)-1].Grams {
					t.Errorf("%s: the largest pack of %.0f g yields no piece as %s, which weighs %.0f g", f.ID, y.PackG, s.Form, s.MassG)
				}
				if got := float64(y.Pieces)*s.MassG + y.LeftG; s.Form != "rosette" && math.Abs(got-y.PackG*f.YieldAs(s.Form)) > .1 {
					t.Errorf("%s %s: %d pieces and %.1f g are not the pack's %.0f g", f.ID, s.Form, y.Pieces, y.LeftG, y.PackG)
				}
			}
		}
	}
}

func TestMeasuresByHand(t *testing.T) {
	// eleven slices at a pitch of 17 mm, the last one its whole width
	if m := measure(t, "mountain-wheel", "shingle", 11, 0); math.Abs(m.LengthMM-(10*17+43)) > 4 {
		t.Errorf("row of eleven is %.0f mm long, want about 213", m.LengthMM)
	}
	// three layers round a glass of 65 mm, each slice half a slice on: ceil(pi 65 / 22.5) = 10 a layer
	if m := measure(t, "fennel-sausage", "rosette", 1, 65); m.Slices != 30 || m.LengthMM < 63 || m.LengthMM > 68 {
		t.Errorf("rosette on a small wine glass: %+v", m)
	}
	small, large := measure(t, "fennel-sausage", "rosette", 1, 45), measure(t, "fennel-sausage", "rosette", 1, 75)
	if small.Slices != 21 || large.Slices != 33 || small.MassG >= large.MassG || small.Minutes >= large.Minutes || small.LengthMM >= large.LengthMM {
		t.Errorf("shot glass %+v, wine glass %+v", small, large)
	}
	// the round keeps its diameter, and a little for the cuts and the pulled wedge
	if m := measure(t, "soft-white-round", "cut-round", 8, 0); m.LengthMM < 114 || m.LengthMM > 134 {
		t.Errorf("cut round is %.0f mm", m.LengthMM)
	}
	// nine sticks in three layers of three: as long as a stick, three high
	if m := measure(t, "orange-block", "criss-cross", 9, 0); math.Abs(m.LengthMM-60) > 3 || math.Abs(m.AcrossMM-60) > 3 || m.HeightMM != 30 {
		t.Errorf("criss-cross: %+v", m)
	}
	// crackers on edge: a dozen of 4 mm with half a millimetre between
	if m := measure(t, "round-crackers", "stack", 12, 0); m.AcrossMM > 58 || m.LengthMM < 58 || m.LengthMM > 68 {
		t.Errorf("stack: %+v", m)
	}
	// ten slices bent round a bowl 72 mm across: every piece clears the rim, none
	// lies farther out than its own length, and they go no more than once round
	for _, c := range []struct {
		form, vessel string
	}{{"arc", "dip-bowl"}, {"arc", "great-bowl"}, {"ring", "great-bowl"}} {
		v, _ := board.BuiltInCabinet().Vessel(c.vessel)
		f, _ := food.BuiltIn().Get("baguette-toasts")
		m, spec, ok := MeasureForm(f, c.form, 10, 0, &v, board.BuiltInCabinet())
		if !ok || m.Around == nil || len(m.Laid) != 10 {
			t.Fatalf("%s round %s: %v", c.form, c.vessel, m.Around)
		}
		for _, p := range m.Laid {
			d := p.At().Dist(m.Middle)
			if near := d - spec.L/2; near < v.Across()/2-.01 || c.form == "arc" && near > v.Across()/2+8 {
				t.Errorf("%s round %s: a slice lies %.1f mm from the middle", c.form, c.vessel, d)
			}
		}
	}
	// breadsticks in a cup stand as high as they are long
	if m := measure(t, "breadsticks", "upright", 9, 0); m.Vessel == nil || m.HeightMM != 180 || m.LengthMM > 100 {
		t.Errorf("upright: %+v", m)
	}
	// what one bowl cannot hold takes several, and their room
	one, many := measure(t, "honey", "bowl", 1, 0), measure(t, "honey", "bowl", 12, 0)
	if one.Bowls != 1 || many.Bowls < 2 || float64(many.Bowls)*many.Vessel.CapacityML*.9*1.4 < many.MassG || many.AreaCM2 <= many.Vessel.Footprint().Area()/100 {
		t.Errorf("one: %d bowls; twelve: %d of %v ml for %v g on %v cm2", one.Bowls, many.Bowls, many.Vessel.CapacityML, many.MassG, many.AreaCM2)
	}
	if _, _, ok := MeasureForm(&food.Food{}, "whole", 1, 0, nil, board.BuiltInCabinet()); ok {
		t.Error("a food without forms was measured")
	}
}

func BenchmarkMeasureForm(b *testing.B) {
	all := food.BuiltIn().All()
	cabinet := board.BuiltInCabinet()
	forms := 0
	for b.Loop() {
		f := &all[forms%len(all)]
		s := f.Forms[forms%len(f.Forms)]
		forms++
		if _, _, ok := MeasureForm(f, s.Form, 60, 0, nil, cabinet); !ok {
			b.Fatal("no form")
		}
	}
}
