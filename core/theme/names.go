package theme

import (
	"cmp"
	"slices"
	"strings"
	"sync"
	"unicode"

	"happytray/core/spell"
)

// plain is a name as it is compared: small letters without accents, marks and the words that say nothing.
func plain(name string) string {
	words := strings.FieldsFunc(strings.ReplaceAll(spell.Fold(name), "'", ""), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) })
	words = slices.DeleteFunc(words, func(w string) bool {
		return slices.Contains([]string{"a", "an", "the", "and", "for", "of", "s", "our", "my", "party", "night", "evening", "board", "theme", "style"}, w)
	})
	return strings.Join(words, " ")
}

// fewestLetters has a name in which a slip is forgiven: shorter ones are soon another word.
const fewestLetters = 5

// Named is the theme that a name means: its own or an everyday word for it, with or without "party" and "evening" behind
// it, accents, and one slip of the finger in a word of five letters and more.
func Named(name string) (Theme, bool) {
	want := plain(name)
	if want == "" { // nothing but words that say nothing
		want = strings.ToLower(strings.TrimSpace(name))
	}
	if want == "" {
		return Theme{}, false
	}
	x := index()
	for _, w := range []string{want, strings.ToLower(strings.TrimSpace(name))} {
		if at, ok := x.exact[w]; ok {
			return BuiltIn[at], true
		}
	}
	for k, known := range x.words {
		if min(len(want), len(known)) >= fewestLetters && spell.OneSlip(want, known) {
			return BuiltIn[x.of[k]], true
		}
	}
	return Theme{}, false
}

// nameIndex is every word for a theme, as it is compared, with the theme's place in BuiltIn.
type nameIndex struct {
	exact map[string]int
	words []string
	of    []int
}

var index = sync.OnceValue(func() nameIndex {
	x := nameIndex{exact: map[string]int{}}
	for i, t := range BuiltIn {
		for _, known := range append([]string{t.Name}, t.Also...) {
			for _, w := range []string{plain(known), strings.ToLower(known)} {
				if _, taken := x.exact[w]; w != "" && !taken {
					x.exact[w] = i
					x.words, x.of = append(x.words, w), append(x.of, i)
				}
			}
		}
	}
	return x
})

// Nearest names the n themes whose names are most like one that is not known: by the pairs of letters that they share
// (Dice 1945).
func Nearest(name string, n int) []string {
	type scored struct {
		name string
		like float64
	}
	want := pairs(plain(name))
	var all []scored
	for _, t := range BuiltIn {
		best := 0.0
		for _, known := range append([]string{t.Name}, t.Also...) {
			best = max(best, dice(want, pairs(plain(known))))
		}
		all = append(all, scored{t.Name, best})
	}
	slices.SortStableFunc(all, func(a, b scored) int { return cmp.Compare(b.like, a.like) })
	var out []string
	for _, s := range all[:min(n, len(all))] {
		out = append(out, s.name)
	}
	return out
}

// pairs counts the pairs of neighbouring letters of a name.
func pairs(s string) map[string]int {
	out, letters := map[string]int{}, []rune(s)
	for i := 1; i < len(letters); i++ {
		out[string(letters[i-1:i+1])]++
	}
	return out
}

func dice(a, b map[string]int) float64 {
	same, all := 0, 0
	for p, n := range a {
		same += min(n, b[p])
		all += n
	}
	for _, n := range b {
		all += n
	}
	return 2 * float64(same) / float64(max(1, all))
}
