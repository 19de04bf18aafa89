package diet

import (
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
)

// Every food of the larder against each of the 14 allergens and all diet words: what is in it is avoided, what may be in
// it is a trace, and only the rest can be eaten.
func TestAvoidingEveryWord(t *testing.T) {
	larder := food.BuiltIn()
	all := larder.All()
	avoided, traces := 0, 0
	for _, w := range append(slices.Clone(food.Allergens), food.DietWords...) {
		for i := range all {
			f := &all[i]
			want := Fine
			if slices.Contains(f.MayContain, w) || !f.Certain(w) {
				want = Traces
			}
			if f.Holds(w) {
				want = Avoided
			}
			got, word := Avoiding([]string{"nothing of this", w}, f)
			if got != want || (want == Fine) != (word == "") || want != Fine && word != w {
				t.Errorf("%s and %s: %v %q, want %v", f.ID, w, got, word, want)
			}
			if CanEat([]string{w}, f) != (want == Fine) {
				t.Errorf("%s can be eaten by who avoids %s: %v", f.ID, w, want != Fine)
			}
			switch want {
			case Avoided:
				avoided++
			case Traces:
				traces++
			}
		}
	}
	if avoided < 300 || traces < 100 {
		t.Errorf("only %d avoided and %d traces were looked at", avoided, traces)
	}
}

// Of several verdicts the gravest holds, each with its word, and a table that is kept says the same when it is read again.
func TestTheGravestHolds(t *testing.T) {
	hot := 33.0
	plain := brief.Brief{Guests: brief.Guests{Adults: 8}}
	with := func(change func(b *brief.Brief)) brief.Brief {
		b := plain
		change(&b)
		return b
	}
	noMilk := []brief.Diet{{Count: 1, Avoid: []string{"milk"}}}
	for _, c := range []struct {
		name, food string
		b          brief.Brief
		want       Verdict
		word       string
	}{
		{"nobody minds", "soft-white-round", plain, Fine, ""},
		{"a guest without milk", "soft-white-round", with(func(b *brief.Brief) { b.Diets = noMilk }), Avoided, "milk"},
		{"pregnant guests", "soft-white-round", with(func(b *brief.Brief) { b.Guests.Frail = 2 }), AdvisedAgainst, "a soft mould-ripened cheese"},
		{"pregnant guests in the heat", "soft-white-round", with(func(b *brief.Brief) { b.Guests.Frail, b.TemperatureC = 2, &hot }), DoesNotKeep, "runs"},
		{"children and almonds", "almonds", with(func(b *brief.Brief) { b.Guests.Children = 2 }), NotForChildren, "children"},
		{"children, almonds and a guest without nuts", "almonds", with(func(b *brief.Brief) {
			b.Guests.Children, b.Diets = 2, []brief.Diet{{Count: 1, Avoid: []string{"nuts"}}}
		}), Avoided, "nuts"},
		{"honey and an infant", "honey", with(func(b *brief.Brief) { b.Guests.Children, b.Guests.Infants = 1, 1 }), NotForChildren, "children"},
		{"honey and a child", "honey", with(func(b *brief.Brief) { b.Guests.Children = 1 }), Fine, ""},
	} {
		f, ok := food.BuiltIn().Get(c.food)
		if !ok {
			t.Fatal(c.food)
		}
		if v, word := For(c.b, f); v != c.want || word != c.word {
			t.Errorf("%s: %v %q, want %v %q", c.name, v, word, c.want, c.word)
		}
	}
}

func BenchmarkFor(b *testing.B) {
	all := food.BuiltIn().All()
	at := TableOf(brief.Brief{Guests: brief.Guests{Adults: 8, Children: 2}, Diets: []brief.Diet{{Count: 2, Avoid: []string{"gluten", "nuts"}}}})
	for n := range b.N {
		at.For(&all[n%len(all)])
	}
}
