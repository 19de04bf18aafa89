package food

import (
	"fmt"
	"slices"
	"testing"
)

func ids(fs []*Food) []string {
	var out []string
	for _, f := range fs {
		out = append(out, f.ID)
	}
	return out
}

func TestSearch(t *testing.T) {
	l := BuiltIn()
	for _, c := range []struct {
		name  string
		q     Query
		first string   // must come first
		has   []string // must be there
		not   []string // must not
	}{
		{name: "nothing asked", q: Query{}, has: []string{"soft-white-round", "little-gourd"}},
		{name: "begins before holds", q: Query{Text: "honey"}, first: "honey", has: []string{"honeycomb"}, not: []string{"fig-jam"}},
		{name: "letters left out", q: Query{Text: "sheeps blue"}, first: "sheep-blue"},
		{name: "words in any order", q: Query{Text: "blue sheep"}, first: "sheep-blue"},
		{name: "by flavour", q: Query{Text: "smoky cheese"}, has: []string{"smoked-round", "squeaky-sticks"}, not: []string{"smoked-ham"}},
		{name: "by form", q: Query{Form: "rosette"}, has: []string{"beet-rose", "fennel-sausage", "smoked-ham"}, not: []string{"smoked-turkey", "radishes"}},
		{name: "shelf", q: Query{Category: Nut}, has: []string{"almonds"}, not: []string{"almond-log"}},
		{name: "without nuts", q: Query{Category: Nut, Without: []string{"nuts", "peanuts"}}, not: []string{"almonds", "roasted-peanuts", "pumpkin-seeds"}}, // of nuts traces may be in the seeds
		{name: "without milk", q: Query{Category: Nut, Without: []string{"milk"}}, has: []string{"pumpkin-seeds", "almonds"}},
		{name: "rennet counts", q: Query{Category: Cheese, Without: []string{"rennet"}}, has: []string{"garden-hard"}, not: []string{"aged-hard"}},
		{name: "in season", q: Query{Category: Fruit, Month: 9, Hemisphere: "north"}, has: []string{"figs", "pineapple"}, not: []string{"strawberries"}},
		{name: "in season, south", q: Query{Category: Fruit, Month: 3, Hemisphere: "south"}, has: []string{"figs"}, not: []string{"strawberries"}},
		{name: "colour, nearest first", q: Query{Colour: "#b8321f"}, has: []string{"roast-pepper-folds", "cherry-tomatoes"}, not: []string{"blueberries", "mint"}},
		{name: "colour of the cut", q: Query{Colour: "#93b03e", Category: Fruit}, has: []string{"kiwi"}},
		{name: "milk and firmness", q: Query{Milk: "goat", Firmness: "fresh"}, has: []string{"fresh-goat-log"}, not: []string{"young-goat-round", "brined-white"}},
		{name: "no such thing", q: Query{Text: "gravel"}},
		{name: "no such colour", q: Query{Colour: "blue"}},
	} {
		got := ids(l.Search(c.q))
		if c.first != "" && (len(got) == 0 || got[0] != c.first) {
			t.Errorf("%s: first is %v, want %s", c.name, got[:min(3, len(got))], c.first)
		}
		for _, id := range c.has {
			if !slices.Contains(got, id) {
				t.Errorf("%s: %s is missing from %v", c.name, id, got[:min(8, len(got))])
			}
		}
		for _, id := range c.not {
			if slices.Contains(got, id) {
				t.Errorf("%s: %s is among %d", c.name, id, len(got))
			}
		}
	}
	if got := l.Search(Query{Text: "gravel"}); len(got) != 0 {
		t.Errorf("gravel finds %v", ids(got))
	}
}

// Many is a larder of n foods made from the built-in ones, for benchmarks.
func many(n int) *Larder {
	base := BuiltIn().All()
	foods := make([]Food, 0, n)
	for i := range n {
		f := base[i%len(base)]
		f.ID, f.Name = fmt.Sprintf("%s-%d", f.ID, i), fmt.Sprintf("%s of lot %d", f.Name, i)
		foods = append(foods, f)
	}
	return BuiltIn().With(foods)
}

func BenchmarkSearch5000(b *testing.B) {
	l := many(5000)
	l.All()
	for name, q := range map[string]Query{"text": {Text: "smo"}, "colour": {Colour: "#b8321f"}, "all": {Text: "a", Month: 6, Without: []string{"nuts", "meat"}, Colour: "#e0c080"}} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				l.Search(q)
			}
		})
	}
}
