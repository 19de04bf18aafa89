package food

import "testing"

// A food added in one line looks like its nearest, says so, checks, and is given to nobody who avoids anything.
func TestHasty(t *testing.T) {
	l := BuiltIn()
	for _, c := range []struct {
		name              string
		kind              Category
		piece, pack, long float64
		like              string
	}{
		{"Nettle cheddar", Cheese, 0, 220, 0, "green-herb-block"}, {"Old harbour cheddar", Cheese, 0, 0, 0, "orange-block"},
		{"Gooseberry chutney", Dip, 0, 0, 0, "fruit-chutney"},
		{"Wonder beans", Nut, .4, 150, 0, "roasted-chickpeas"},
		{"Long crackers", Cracker, 9, 180, 120, "round-crackers"},
	} {
		f, err := l.Hasty(c.name, c.kind, c.piece, c.pack, c.long)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		f.ID = "own"
		if err := f.Check(); err != nil {
			t.Errorf("%s: %v", c.name, err)
		}
		if f.Like != c.like && c.piece == 0 {
			t.Errorf("%s is like %s, not %s", c.name, f.Like, c.like)
		}
		if c.piece > 0 && f.Forms[0].MassG != c.piece || c.pack > 0 && (len(f.Packs) != 1 || f.Packs[0].Grams != c.pack) || c.long > 0 && max(f.Forms[0].L, f.Forms[0].W) != c.long {
			t.Errorf("%s: %+v in %v", c.name, f.Forms[0], f.Packs)
		}
		for _, a := range append(append([]string{Advised}, Allergens...), DietWords...) {
			if f.MayHold([]string{a}) != a && !f.Holds(a) {
				t.Errorf("%s without %s: nobody has read its label", c.name, a)
			}
		}
		if ratio := f.Forms[0].MassG / (f.Forms[0].VolumeML() * f.Density); ratio < .75 || ratio > 1.25 {
			t.Errorf("%s weighs %.2f of what its size says", c.name, ratio)
		}
	}
	for _, bad := range []struct {
		kind  Category
		piece float64
	}{{"gravel", 0}, {Cheese, -1}, {Cheese, 1e9}} {
		if _, err := l.Hasty("x", bad.kind, bad.piece, 0, 0); err == nil {
			t.Errorf("%s of %v g is added", bad.kind, bad.piece)
		}
	}
}
