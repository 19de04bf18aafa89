package core

import (
	"context"
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"regexp"
	"slices"
	"strings"
	"testing"
	"unicode"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/card"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/plan/plantest"
	"happytray/core/practice"
	"happytray/core/prep"
	"happytray/core/review"
	"happytray/core/search"
	"happytray/core/shop"
)

// wrongWords is what no sentence says, and what it is.
var wrongWords = []struct {
	is *regexp.Regexp
	as string
}{
	{regexp.MustCompile(`(^|[^\d.,:])1 (pieces|slices|guests|minutes|hours|kinds|boards|bowls|packs|folds|things|places|people|children|adults|portions|places|tools|knives)\b`), "one of several"},
	{regexp.MustCompile(`(^|[^\d.,:])0 (g|ml|kg|pieces|min|minutes|mm|cm|guests)\b`), "none of it"},
	{regexp.MustCompile(`\b(mixed|plant|none)['’]s\b`), "no animal's"},
	{regexp.MustCompile(`\(\s*\)|\[\s*\]|“\s*”`), "nothing in brackets"},
	{regexp.MustCompile(`\{\d|%!|\bNaN\b|\bInf\b|\bundefined\b|\bnull\b|<nil>`), "a value that was not put in"},
	{regexp.MustCompile(`(?i)\b(the|a|an|of|and|or|with|in|to|on|for|is|are|from|by|than) (the )?(the|an?|of|and|or|is|are|than)\b(?: (?:the|of|and|or|is|are)\b)`), "words in a row"},
	{regexp.MustCompile(`  |\s[,.;:!?](\s|$)|,,|;;|\.\.(\s|$)|[,;]\s*$`), "stray marks"},
	{regexp.MustCompile(`(?i)\ba [aeiou][a-z]`), "a for an"},
	{regexp.MustCompile(`(?i)\ban [bcdfgjklmnpqrstvwxyz][a-z]`), "an for a"},
	{regexp.MustCompile(`\b(sieve|appetite|appetites|landscape)\b`), "a word of the program"},
}

// aThough are words that begin with a vowel and are spoken with a consonant, or the other way round.
var aThough = regexp.MustCompile(`(?i)\b(a (one|once|uni|use|usual|euro|ewe)|an (hour|honest|heir|herb\b))`)

// twice reports whether a word stands twice in a row.
func twice(text string) string {
	words := strings.FieldsFunc(text, func(r rune) bool { return !unicode.IsLetter(r) && r != '\'' && r != '’' && r != '-' })
	for n := 1; n < len(words); n++ {
		if strings.EqualFold(words[n], words[n-1]) && len(words[n]) > 1 && strings.Contains(strings.ToLower(text), strings.ToLower(words[n-1]+" "+words[n])) {
			return words[n]
		}
	}
	return ""
}

// wrongIn says what is wrong with a sentence; "" where nothing is.
func wrongIn(text string) string {
	plain := aThough.ReplaceAllString(text, "one")
	for _, w := range wrongWords {
		if hit := w.is.FindString(plain); hit != "" {
			return fmt.Sprintf("%s (%q)", w.as, hit)
		}
	}
	if w := twice(text); w != "" {
		return fmt.Sprintf("%q twice", w)
	}
	if text != strings.TrimSpace(text) {
		return "space about it"
	}
	// the same name on both sides of an and
	parts := strings.Split(strings.ToLower(text), " and ")
	for n := 1; n < len(parts); n++ {
		left, right := strings.Fields(parts[n-1]), strings.Fields(strings.TrimPrefix(parts[n], "the "))
		for k := 1; k <= min(5, len(left), len(right)); k++ {
			if name := strings.Join(left[len(left)-k:], " "); len(name) > 4 && name == strings.Trim(strings.Join(right[:k], " "), ",.;:") && name != "again" {
				return "a name beside itself"
			}
		}
	}
	return ""
}

// saying are the members of answers that hold what is read by people.
var saying = []string{"says", "why", "explanation", "cautions", "asks", "name", "title", "kit", "advice", "lines", "because", "how", "text", "unlaid", "unfit", "reason"}

// treeOf is what an answer is once it was sent as JSON.
func treeOf(t *testing.T, what any) (tree any) {
	t.Helper()
	raw, err := json.Marshal(what)
	if err != nil {
		t.Fatal(err)
	}
	if err := json.Unmarshal(raw, &tree); err != nil {
		t.Fatal(err)
	}
	return tree
}

// sentencesIn are the texts of an answer that people read, each with where it stands.
func sentencesIn(t *testing.T, what any) map[string]string {
	t.Helper()
	tree := treeOf(t, what)
	out := map[string]string{}
	var walk func(at string, read bool, v any)
	walk = func(at string, read bool, v any) {
		switch v := v.(type) {
		case map[string]any:
			for k, w := range v {
				walk(at+"."+k, slices.Contains(saying, k) || read && k != "id" && k != "kind" && k != "code", w)
			}
		case []any:
			for _, w := range v {
				walk(at, read, w)
			}
		case string:
			if read && strings.Contains(v, " ") {
				out[v] = at
			}
		}
	}
	walk("", false, tree)
	return out
}

// spokenBrief is a made-up brief with all that changes what is said.
func spokenBrief(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 1 + r.IntN(14)}, Month: r.IntN(13), Occasion: []string{"", "nibble", "grazing", "meal"}[r.IntN(4)], Besides: []string{"", "some", "plenty"}[r.IntN(3)]}
	if r.IntN(3) == 0 {
		b.Guests.Children = 1 + r.IntN(4)
	}
	if r.IntN(6) == 0 {
		b.Guests.Frail = 1
	}
	if r.IntN(2) == 0 {
		b.ServeAt = fmt.Sprintf("2026-%02d-%02dT%02d:00:00Z", 1+r.IntN(12), 1+r.IntN(28), 11+r.IntN(10))
	}
	if r.IntN(4) == 0 {
		c := []float64{16, 24, 31, 35}[r.IntN(4)]
		b.TemperatureC = &c
	}
	for range r.IntN(3) {
		words := append(slices.Clone(brief.Allergens), brief.DietWords...)
		b.Diets = append(b.Diets, brief.Diet{Who: "some", Count: 1, Avoid: []string{words[r.IntN(len(words))]}})
	}
	switch r.IntN(8) {
	case 0:
		b.Serving = "plates"
	case 1:
		b.Rules = &brief.Rules{Olives: "stones", Greenery: "generous", Tasting: "both"}
	case 2:
		b.Rules = &brief.Rules{SoftRound: "whole", FirstSlice: "left"}
	case 3:
		b.Pins = []brief.Want{{Food: "brie"}}
	}
	return b
}

// All that is said of a hundred made-up jobs - the plan, amounts, list, quote's basket, work, cards, findings, what does not fit,
// savings - reads as somebody would say it: nothing of one "pieces", of "0 g", of an empty bracket or a name beside itself.
func TestASentenceIsSaidAsSomebodyWouldSayIt(t *testing.T) {
	r := rand.New(rand.NewPCG(28, 11))
	larder, cabinet := food.BuiltIn(), board.BuiltInCabinet()
	all, jobs := map[string]string{}, 0
	take := func(what string, v any) {
		for text, at := range sentencesIn(t, v) {
			all[text] = what + at
		}
	}
	for range plantest.Cases(100) {
		b := spokenBrief(r)
		j, err := plan.FromBrief(b, larder, cabinet)
		if err != nil {
			all[err.Error()] = "refusal"
			continue
		}
		jobs++
		for n := range j.Trays[:1] {
			res, err := search.Lay(context.Background(), j.Trays[n], larder, search.Options{Seed: uint64(jobs), Effort: 1})
			if err != nil {
				t.Fatal(err)
			}
			j.Trays[n] = res.Tray
			take("unfit", res.Unfit)
			take("review", review.Judge(res.Tray, larder))
			take("order", prep.Order(res.Tray, larder))
		}
		take("job", j.Says)
		take("whys", strung(plan.Whys(j, larder)))
		take("basket", shop.NewBasket(j, larder))
		take("list", shop.Buy([]shop.Needs{shop.NeedsOf(j, larder)}, larder, food.Stock{}))
		if day, err := prep.Plan(j, larder, prep.Options{People: 1 + r.IntN(3), Ovens: 1}); err == nil {
			take("day", day)
		}
		cards := card.For(j, larder)
		take("cards", map[string]any{"lines": cards.Bites, "says": cards.Turns, "text": cards.Drinks, "how": cards.Labels})
		if jobs%10 == 0 {
			take("savings", shop.Savings(j, larder, cabinet, 6))
		}
	}
	for _, kind := range practice.Kinds {
		for seed := range uint64(plantest.Cases(12)) {
			e, err := practice.Make(kind, seed, 1+int(seed)%practice.MostLevel, larder, cabinet)
			if err != nil {
				t.Fatal(err)
			}
			e.File, e.Brief = nil, nil
			e.Solution.Laid = nil
			take("practice "+kind, e)
		}
	}
	wrong := 0
	for text, at := range all {
		if w := wrongIn(text); w != "" {
			wrong++
			if wrong <= 60 {
				t.Errorf("%s: %q: %s", at, text, w)
			}
		}
	}
	t.Logf("%d sentences of %d jobs, %d wrong", len(all), jobs, wrong)
	if len(all) < 2000 {
		t.Errorf("only %d sentences were read", len(all))
	}
}

func strung[T fmt.Stringer](of map[string]T) map[string][]string {
	out := map[string][]string{"says": {}}
	for _, v := range of {
		out["says"] = append(out["says"], v.String())
	}
	return out
}

// What is wrong is found, and what only looks so is not.
func TestWrongWordsAreFound(t *testing.T) {
	for _, text := range []string{"1 pieces of blue wedge", "Wash the borage flowers, 0 g, and dry them", "mixed's milk", "Add () here", "the {1} is gone", "a apple", "an board",
		"the round wheat crackers and the round wheat crackers are both large", "lies in in a bowl", "Take it out .", "wanted;", "by the walnuts and walnuts", "NaN g"} {
		if wrongIn(text) == "" {
			t.Errorf("%q is let through", text)
		}
	}
	for _, text := range []string{"11 pieces of blue wedge", "10 g of borage flowers", "It is 2.0 g", "an hour before", "a one-sided board", "Brie and honey lie together", "The grapes lie by the walnuts and the grapes"} {
		if w := wrongIn(text); w != "" {
			t.Errorf("%q: %s", text, w)
		}
	}
}
