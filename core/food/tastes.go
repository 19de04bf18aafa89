package food

import (
	"slices"

	"happytray/core/spell"
)

// alike is how well a text has to fit a food for somebody's taste to be of it: the whole of what was said stands in one of its names.
const alike = .69

// kindWords are the kinds of food as guests say them.
var kindWords = map[string]Category{"cheese": Cheese, "meat": Meat, "fruit": Fruit, "vegetable": Vegetable, "nut": Nut, "dip": Dip, "pickle": Brined, "cracker": Cracker, "sweet": Sweet}

// Taste is the foods that somebody means who likes or dislikes a text: all that go by such a name, of such a kind, and,
// where holding counts, all that hold it.
func (l *Larder) Taste(text string, holding bool) []string {
	var out []string
	all := l.All()
	if f, ok := l.Get(text); ok {
		return []string{f.ID}
	}
	for _, h := range l.rank(text) {
		if h.score >= alike {
			out = append(out, all[h.food].ID)
		}
	}
	words := stemsOf(text)
	if len(words) != 1 {
		return out
	}
	kind, isKind := kindWords[words[0]]
	held := slices.IndexFunc(Avoidable, func(w string) bool { return stem(spell.Fold(w)) == words[0] })
	for i := range all {
		f := &all[i]
		if slices.Contains(out, f.ID) || f.Category == NotFood {
			continue
		}
		if isKind && f.Category == kind || holding && held >= 0 && f.Holds(Avoidable[held]) {
			out = append(out, f.ID)
		}
	}
	return out
}
