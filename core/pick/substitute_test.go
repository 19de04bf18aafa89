package pick

import (
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

func names(subs []Substitute) []string {
	var out []string
	for _, s := range subs {
		out = append(out, s.Food.ID)
	}
	return out
}

func TestSubstitutesByHand(t *testing.T) {
	l := food.BuiltIn()
	for _, c := range []struct {
		id, form string
		brief    brief.Brief
		has      []string // among the first five
		not      []string // anywhere among thirty
	}{
		{"red-grapes", "cluster", brief.Brief{Month: 10}, []string{"green-grapes", "blackberries"}, []string{"red-grapes", "cherry-tomatoes"}},
		{"mountain-wheel", "shingle", brief.Brief{}, []string{"holey-wheel", "sheep-wedge"}, []string{"honey"}},
		{"almonds", "drift", brief.Brief{Diets: []brief.Diet{{Avoid: []string{"nuts"}}}}, nil, []string{"pecans", "cashews", "roasted-chickpeas"}}, // traces of nuts may be in what is roasted beside them
		{"wide-sausage", "trail", brief.Brief{Diets: []brief.Diet{{Avoid: []string{"meat"}}}}, []string{"garden-slices", "roast-pepper-folds"}, []string{"beef-sausage"}},
		{"aged-hard", "tumble", brief.Brief{Diets: []brief.Diet{{Avoid: []string{"rennet"}}}}, []string{"garden-hard"}, []string{"old-wheel"}},
		{"fig-jam", "bowl", brief.Brief{}, []string{"berry-compote", "cherry-jam"}, nil},
	} {
		f, _ := l.Get(c.id)
		c.brief.Guests = brief.Guests{Adults: 8}
		got := names(Substitutes(c.brief, f, c.form, nil, l, 30))
		for _, id := range c.has {
			if k := slices.Index(got, id); k < 0 || k > 4 {
				t.Errorf("%s: %s is not among the first of %v", c.id, id, got[:min(6, len(got))])
			}
		}
		for _, id := range c.not {
			if slices.Contains(got, id) {
				t.Errorf("%s: %s is offered", c.id, id)
			}
		}
	}
}

// Whatever is swapped: a substitute keeps every diet, is not on the tray yet, can
// be laid as it says, and the list is in order.
func TestSubstitutesKeepTheDiet(t *testing.T) {
	l := food.BuiltIn()
	all := l.All()
	for k, avoid := range [][]string{nil, {"gluten"}, {"milk", "animal"}, {"meat", "rennet"}, {"nuts", "peanuts", "sesame"}} {
		b := brief.Brief{Guests: brief.Guests{Adults: 6}, Month: 1 + k*2}
		if avoid != nil {
			b.Diets = []brief.Diet{{Avoid: avoid}}
		}
		off := b.OffTheTray()
		for i := range all {
			f := &all[i]
			on := []*food.Food{&all[(i+1)%len(all)], &all[(i+2)%len(all)]}
			last := 2.0
			for _, s := range Substitutes(b, f, f.Forms[len(f.Forms)-1].Form, on, l, 12) {
				if bad := s.Food.Breaks(off); bad != "" {
					t.Errorf("%s for %s holds %s", s.Food.ID, f.ID, bad)
				}
				if s.Food.ID == f.ID || s.Food == on[0] || s.Food == on[1] {
					t.Errorf("%s for %s is there already", s.Food.ID, f.ID)
				}
				if _, ok := s.Food.Spec(s.Form); !ok {
					t.Errorf("%s cannot be laid as %s", s.Food.ID, s.Form)
				}
				if s.Near > last || s.Near < 0 || s.Near > 1 || s.Why == "" {
					t.Errorf("%s for %s: %v after %v, %q", s.Food.ID, f.ID, s.Near, last, s.Why)
				}
				last = s.Near
			}
		}
	}
}

func BenchmarkSubstitutes(b *testing.B) {
	l := food.BuiltIn()
	f, _ := l.Get("mountain-wheel")
	br := brief.Brief{Guests: brief.Guests{Adults: 20}, Month: 11}
	for b.Loop() {
		Substitutes(br, f, "shingle", nil, l, 3)
	}
}

// At a feast that keeps pork and alcohol off nothing of it is offered in place of what is there.
func TestSubstitutesKeepACustom(t *testing.T) {
	b := brief.Brief{Guests: brief.Guests{Adults: 8}, Month: 6, Theme: &brief.Theme{Name: "Eid"}}
	for _, id := range []string{"roast-chicken", "beef-sausage", "grainy-mustard", "honey"} {
		f, _ := larder.Get(id)
		for _, s := range Substitutes(b, f, f.Forms[0].Form, nil, larder, 12) {
			if held := s.Food.Breaks([]string{"pork", "alcohol"}); held != "" && f.Breaks([]string{"pork", "alcohol"}) == "" {
				t.Errorf("%s for %s holds %s", s.Food.ID, id, held)
			}
		}
	}
}
