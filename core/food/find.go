package food

import (
	"cmp"
	"slices"
	"strings"
	"unicode"

	"happytray/core/spell"
)

// Find lists the foods that people mean by a text, best first: by their names and by what else they are called, in
// any order of words, without marks on letters, in the singular or the plural, with one slip of the finger in a word
// of four letters or more. What is found only by what is known of a food, such as its category or its milk, comes last.
func (l *Larder) Find(text string) []*Food {
	found := l.rank(text)
	all := l.All()
	out := make([]*Food, len(found))
	for i, h := range found {
		out[i] = &all[h.food]
	}
	return out
}

// Meant is the food that a text means, where it is one: its id, or its name or another name of it in full, but for
// a slip. What was typed only begins a name, or is one of several things, means none.
func (l *Larder) Meant(text string) (*Food, bool) {
	if f, ok := l.Get(strings.TrimSpace(text)); ok {
		return f, true
	}
	found := l.rank(text)
	if len(found) == 0 || found[0].score < inFull {
		return nil, false
	}
	return &l.All()[found[0].food], true
}

// How well a word of a text fits a word of a name, from the same to a part of it, and what all words of a text
// found in full make together (inFull).
const (
	same   = 1.0
	begins = .8
	slip   = .7
	within = .45
	known  = .2 // the word is nothing that the food is called, but says what it is

	inFull = .9
)

// named is a food that a text means, and how well.
type named struct {
	food   int // in Larder.All
	score  float64
	liking float64
}

// phrase is one name of a food, as words of the vocabulary.
type phrase struct {
	food  int32
	worth float32 // of the names of a food the first count most
	words []int32
}

// nameIndex is the names of a larder's foods, ready to be searched.
type nameIndex struct {
	vocabulary []string
	phrases    []phrase
	facts      [][]int32 // by food: what else is known of it
}

// names is the index of the larder, made when it is first asked for.
func (l *Larder) names() *nameIndex {
	if l.same {
		return l.under.names()
	}
	l.once.Do(func() { l.index = newIndex(l.All()) })
	return l.index
}

func newIndex(foods []Food) *nameIndex {
	x := &nameIndex{facts: make([][]int32, len(foods))}
	at := map[string]int32{}
	word := func(w string) int32 {
		i, ok := at[w]
		if !ok {
			i = int32(len(x.vocabulary))
			at[w] = i
			x.vocabulary = append(x.vocabulary, w)
		}
		return i
	}
	for i := range foods {
		f := &foods[i]
		seen := map[string]bool{}
		call := func(name string, worth float32) {
			stems := stemsOf(name)
			if key := strings.Join(stems, " "); len(stems) == 0 || seen[key] {
				return
			} else {
				seen[key] = true
			}
			p := phrase{food: int32(i), worth: worth}
			for _, w := range stems {
				p.words = append(p.words, word(w))
			}
			x.phrases = append(x.phrases, p)
			if len(stems) == 2 { // whole grain is wholegrain, too
				x.phrases = append(x.phrases, phrase{food: int32(i), worth: worth - .01, words: []int32{word(stems[0] + stems[1])}})
			}
		}
		call(f.Name, 1)
		for k, name := range f.Also {
			call(name, .995-.001*float32(k))
		}
		call(strings.ReplaceAll(f.ID, "-", " "), .97)
		call(f.ComesAs, .95)
		facts := append([]string{string(f.Category), f.Milk, f.Firmness, f.Region, f.Texture}, f.Flavours...)
		for _, s := range f.Forms {
			facts = append(facts, s.Form)
		}
		for _, fact := range facts {
			for _, w := range stemsOf(fact) {
				x.facts[i] = append(x.facts[i], word(w))
			}
		}
	}
	return x
}

// rank scores the foods that a text means, best first; of equals the better liked comes first, and then the order
// of the larder.
func (l *Larder) rank(text string) []named {
	if len(text) > maxFind {
		text = text[:maxFind]
	}
	asked := stemsOf(text)
	if len(asked) == 0 || len(asked) > maxWords {
		return nil
	}
	x := l.names()
	fits := make([][]float32, len(asked)) // by word asked for and word of the vocabulary
	for i, a := range asked {
		fits[i] = x.fit(a, i == len(asked)-1)
	}
	optional := make([]bool, len(asked))
	must := 0
	for i, a := range asked {
		if optional[i] = adjectives[a]; !optional[i] {
			must++
		}
	}
	if must == 0 { // a text of nothing else means what it says
		clear(optional)
		must = len(asked)
	}
	all := l.All()
	best := make([]float64, len(all))
	part := make([]float32, len(all)*len(asked)) // of each food and word asked for, how well anything that it is called fits
	for _, p := range x.phrases {
		sum, n, found := 0.0, 0, 0
		for i := range asked {
			fit := float32(0)
			for _, w := range p.words {
				fit = max(fit, fits[i][w])
			}
			if fit > 0 {
				n++
				at := int(p.food)*len(asked) + i
				part[at] = max(part[at], fit)
				if !optional[i] {
					found++
				}
				sum += float64(fit)
			}
		}
		if found < must {
			continue
		}
		covered := float64(min(n, len(p.words))) / float64(len(p.words))
		score := sum / float64(n) * (.7 + .3*covered) * (.9 + .1*float64(n)/float64(len(asked))) * float64(p.worth)
		best[p.food] = max(best[p.food], score)
	}
	var out []named
	for i := range all {
		score := best[i]
		if score == 0 { // by several of its names, or by what is known of it
			score = x.loosely(i, part[i*len(asked):(i+1)*len(asked)], fits, optional)
		}
		if score > 0 {
			out = append(out, named{i, score, all[i].Liking})
		}
	}
	slices.SortFunc(out, func(a, b named) int {
		switch {
		case a.score != b.score:
			return cmp.Compare(b.score, a.score)
		case a.liking != b.liking:
			return cmp.Compare(b.liking, a.liking)
		}
		return a.food - b.food
	})
	return out
}

// loosely is the score of a food of which no one name holds all that was asked for.
func (x *nameIndex) loosely(i int, part []float32, fits [][]float32, optional []bool) float64 {
	sum, n := 0.0, 0
	for k := range fits {
		fit := part[k] / 2
		for _, w := range x.facts[i] {
			if fits[k][w] >= begins {
				fit = max(fit, known)
			}
		}
		if fit == 0 && !optional[k] {
			return 0
		}
		if fit > 0 {
			sum += float64(fit)
			n++
		}
	}
	if n == 0 {
		return 0
	}
	return sum / float64(n) * .6
}

// fit is how well a word that was asked for fits each word of the vocabulary. Slips are looked for only where no
// word is the same; last says that it may not be written to its end yet.
func (x *nameIndex) fit(asked string, last bool) []float32 {
	out := make([]float32, len(x.vocabulary))
	exact := false
	for i, w := range x.vocabulary {
		switch {
		case w == asked:
			out[i], exact = same, true
		case strings.HasPrefix(w, asked) && (last || len(asked) >= 3):
			out[i] = begins
		case len(asked) >= 4 && strings.Contains(w, asked):
			out[i] = within
		}
	}
	if exact || len(asked) < 4 {
		return out
	}
	for i, w := range x.vocabulary {
		if out[i] < slip && (spell.OneSlip(asked, w) || last && len(asked) >= 6 && len(w) > len(asked) && spell.OneSlip(asked, w[:len(asked)])) {
			out[i] = slip
		}
	}
	// what is one slip away from a whole word is meant by it
	for i, w := range x.vocabulary {
		if out[i] == slip && spell.OneSlip(asked, w) {
			out[i] = .92
		}
	}
	return out
}

// Bounds of a text that is looked for: what is longer is no name.
const (
	maxFind  = 200
	maxWords = 12
)

// adjectives say how a food is, and need not stand in its name.
var adjectives = func() map[string]bool {
	out := map[string]bool{}
	for _, w := range strings.Fields("fresh ripe sliced slice slices chopped cubed diced whole small large big little mini baby organic good nice plain homemade local raw some any pack jar tin bag bunch piece pieces of the a an and or with in on for our my style type kind") {
		out[stem(w)] = true
	}
	return out
}()

// stemsOf are the words of a text, folded and in the singular.
func stemsOf(text string) []string {
	words := strings.FieldsFunc(spell.Fold(text), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsNumber(r) && r != '\'' })
	out := words[:0]
	for _, w := range words {
		if w = stem(strings.TrimSuffix(strings.Trim(w, "'"), "'s")); w != "" {
			out = append(out, w)
		}
	}
	return out
}

// irregular are plurals and spellings that no rule finds.
var irregular = map[string]string{"leaves": "leaf", "halves": "half", "loaves": "loaf", "knives": "knife", "yoghurt": "yogurt", "yoghourt": "yogurt", "chilli": "chili", "chile": "chili", "chillies": "chili", "pitta": "pita", "tomatos": "tomato", "doughnut": "donut", "grey": "gray"}

// stem is a word in the singular, as it is spelt on both sides of the Atlantic.
func stem(w string) string {
	w = strings.ReplaceAll(w, "'", "")
	if s, ok := irregular[w]; ok {
		return s
	}
	n := len(w)
	switch {
	case n > 4 && strings.HasSuffix(w, "ies"):
		w = w[:n-3] + "y"
	case n > 4 && (strings.HasSuffix(w, "oes") || strings.HasSuffix(w, "ches") || strings.HasSuffix(w, "shes") || strings.HasSuffix(w, "xes") || strings.HasSuffix(w, "sses")):
		w = w[:n-2]
	case n > 3 && strings.HasSuffix(w, "s") && !strings.HasSuffix(w, "ss") && !strings.HasSuffix(w, "us") && !strings.HasSuffix(w, "is"):
		w = w[:n-1]
	}
	if strings.HasSuffix(w, "ized") {
		w = w[:len(w)-4] + "ised"
	}
	if s, ok := irregular[w]; ok {
		return s
	}
	return w
}
