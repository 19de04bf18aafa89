package plan

import (
	"fmt"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
)

// called is the brief with the ids of the foods that it asks for and bans by what people call them, and the larder in
// which those that are asked for go by what the host calls them: who asks for camembert reads of camembert on list,
// card and quote.
func called(b brief.Brief, larder *food.Larder) (brief.Brief, *food.Larder, error) {
	renamed := map[string]food.Food{}
	wants := func(field string, list []brief.Want) ([]brief.Want, error) {
		out := make([]brief.Want, 0, len(list))
		for i := range list {
			w := list[i]
			f, ok := larder.Get(w.Food)
			if !ok {
				if f, ok = larder.Meant(w.Food); !ok {
					return nil, fault.Bad(fmt.Sprintf("%s[%d]", field, i), "%s", unknown(w.Food, larder))
				}
				if w.Name == "" {
					w.Name = Called(w.Food, f)
				}
				w.Food = f.ID
				if slices.ContainsFunc(list, func(o brief.Want) bool { return o.Food == f.ID }) || slices.ContainsFunc(out, func(o brief.Want) bool { return o.Food == f.ID }) {
					continue // brie and camembert are one entry: once is enough
				}
			}
			w.On = slices.Clone(w.On)
			for k, text := range w.On {
				on, ok := larder.Meant(text)
				if !ok {
					return nil, fault.Bad(fmt.Sprintf("%s[%d].on[%d]", field, i, k), "%s", unknown(text, larder))
				}
				w.On[k] = on.ID
			}
			if w.Name != "" && w.Name != f.Name {
				g := *f
				g.Name = w.Name
				renamed[g.ID] = g
			}
			out = append(out, w)
		}
		return out, nil
	}
	var err error
	if b.Foods, err = wants("foods", b.Foods); err != nil {
		return b, nil, err
	}
	if b.Pins, err = wants("pins", b.Pins); err != nil {
		return b, nil, err
	}
	b.Bans = slices.Clone(b.Bans)
	for i, text := range b.Bans {
		if f, ok := larder.Meant(text); ok {
			b.Bans[i] = f.ID
		}
	}
	foods := make([]food.Food, 0, len(renamed))
	for _, w := range append(slices.Clone(b.Foods), b.Pins...) {
		if f, ok := renamed[w.Food]; ok {
			foods = append(foods, f)
			delete(renamed, w.Food)
		}
	}
	return b, larder.With(foods), b.Check()
}

// Called is what a job shows a food as that the host asked for by a text: the text, where it is another name of the
// food; "" where it is its own.
func Called(text string, f *food.Food) string {
	text = strings.TrimSpace(text)
	if text == f.ID || strings.EqualFold(text, f.Name) || strings.ContainsAny(text, "<>{}\n\r\t") {
		return ""
	}
	return capital(text)
}

// unknown says that there is no such food, and which may be meant.
func unknown(text string, larder *food.Larder) string {
	says := "there is no food " + quoted(text) + " in the larder"
	if found := larder.Find(text); len(found) > 0 {
		return says + "; did you mean " + found[0].Name + "? If not, add it to the larder with its kind and what a piece weighs"
	}
	return says + "; add it to the larder with its kind and what a piece weighs, or choose another"
}

func quoted(s string) string {
	if utf8.RuneCountInString(s) > 60 {
		s = string([]rune(s)[:60])
	}
	return `"` + s + `"`
}

func capital(s string) string {
	r, n := utf8.DecodeRuneInString(s)
	return string(unicode.ToUpper(r)) + s[n:]
}
