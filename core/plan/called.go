package plan

import (
	"fmt"
	"math"
	"regexp"
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
	if b.Packs, err = packs(b.Packs, larder, renamed); err != nil {
		return b, nil, err
	}
	for i, p := range b.People {
		for _, of := range []struct {
			field string
			words []string
		}{{"likes", p.Likes}, {"dislikes", p.Dislikes}} {
			for k, w := range of.words {
				if len(larder.Taste(w, of.field == "dislikes")) == 0 {
					return b, nil, fault.Bad(fmt.Sprintf("people[%d].%s[%d]", i, of.field, k), "%s", unknown(w, larder))
				}
			}
		}
	}
	b.Bans = slices.Clone(b.Bans)
	for i, text := range b.Bans {
		if f, ok := larder.Meant(text); ok {
			b.Bans[i] = f.ID
		}
	}
	if b.Rules != nil {
		rules := *b.Rules
		rules.Eats = slices.Clone(rules.Eats)
		for i, text := range rules.Eats {
			if f, ok := larder.Meant(text); ok {
				rules.Eats[i] = f.ID
			}
		}
		b.Rules = &rules
	}
	b.Boards = slices.Clone(b.Boards)
	for i := range b.Boards {
		r := &b.Boards[i]
		for _, list := range []struct {
			field string
			foods *[]string
		}{{"pins", &r.Pins}, {"bans", &r.Bans}} {
			*list.foods = slices.Clone(*list.foods)
			for k, text := range *list.foods {
				f, ok := larder.Meant(text)
				if !ok {
					return b, nil, fault.Bad(fmt.Sprintf("boards[%d].%s[%d]", i, list.field, k), "%s", unknown(text, larder))
				}
				(*list.foods)[k] = f.ID
			}
		}
	}
	foods := make([]food.Food, 0, len(renamed))
	take := func(id string) {
		if f, ok := renamed[id]; ok {
			foods = append(foods, f)
			delete(renamed, id)
		}
	}
	for _, w := range append(slices.Clone(b.Foods), b.Pins...) {
		take(w.Food)
	}
	for _, p := range b.Packs {
		take(p.Food)
	}
	return b, larder.With(foods), b.Check()
}

// packs are the host's packs by the ids of their foods, each with its size; what goes by another name, or is
// larger or smaller as a whole than in the larder, is noted in renamed.
func packs(list []brief.Pack, larder *food.Larder, renamed map[string]food.Food) ([]brief.Pack, error) {
	out := slices.Clone(list)
	for i := range out {
		p := &out[i]
		f, ok := larder.Get(p.Food)
		if !ok {
			if f, ok = larder.Meant(p.Food); !ok {
				return nil, fault.Bad(fmt.Sprintf("packs[%d]", i), "%s", unknown(p.Food, larder))
			}
			if p.Name == "" {
				p.Name = Called(p.Food, f)
			}
			p.Food = f.ID
		}
		if f.Category == food.NotFood {
			return nil, fault.Bad(fmt.Sprintf("packs[%d]", i), "%s is no food; list it with what stands on the board", f.Name)
		}
		if p.Grams == 0 {
			if p.Grams = smallest(larder.PacksOf(f)); p.Grams == 0 {
				return nil, fault.Bad(fmt.Sprintf("packs[%d].grams", i), "say what a pack of %s weighs", f.Name)
			}
		}
		g, known := renamed[f.ID]
		if !known {
			if g = *f; p.Name != "" {
				g.Name = p.Name
			}
		}
		least := p.Grams
		for _, o := range out[:i] {
			if o.Food == p.Food {
				least = math.Min(least, o.Grams)
			}
		}
		g.Forms = f.Forms
		g, same := g.InPack(least)
		if !same || g.Name != f.Name {
			renamed[g.ID] = g
		}
	}
	return out, nil
}

// MaxPackList bounds the text of a list of packs, bytes.
const MaxPackList = 8000

// ReadPacks reads a list of packs, one in a line, and says which lines name no food of the larder.
func ReadPacks(text string, larder *food.Larder) (out []brief.Pack, unknown []string, err error) {
	if len(text) > MaxPackList {
		return nil, nil, fault.Bad("text", "at most %d letters; send the list in parts", MaxPackList)
	}
	for _, line := range packLines(text) {
		p := brief.ReadPack(line)
		if p.Food == "" {
			continue
		}
		read, err := packs([]brief.Pack{p}, larder, map[string]food.Food{})
		if err != nil || read[0].Grams > brief.MaxPackG || read[0].Count > brief.MaxPackCount {
			unknown = append(unknown, strings.TrimSpace(line))
			continue
		}
		out = append(out, read[0])
		if len(out)+len(unknown) > brief.MaxPacks {
			return nil, nil, fault.Bad("text", "at most %d rows of packs", brief.MaxPacks)
		}
	}
	return out, unknown, nil
}

// decimals are amounts with a comma in them: 1,5 kg.
var decimals = regexp.MustCompile(`(\d),(\d)`)

// packLines parts a list into its lines. Commas part it as well, but not a food from what it weighs.
func packLines(text string) (out []string) {
	for _, line := range strings.FieldsFunc(text, func(r rune) bool { return r == '\n' || r == ';' }) {
		waits := ""
		for _, part := range strings.Split(decimals.ReplaceAllString(line, "$1.$2"), ",") {
			if brief.ReadPack(waits).Food != "" && brief.ReadPack(part).Food != "" {
				out = append(out, waits)
				waits = ""
			}
			waits += " " + part
		}
		out = append(out, waits)
	}
	return out
}

// smallest is the least that a food is sold in, grams; 0 where it is not sold.
func smallest(packs []food.Pack) (g float64) {
	for _, p := range packs {
		if g == 0 || p.Grams < g {
			g = p.Grams
		}
	}
	return g
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
