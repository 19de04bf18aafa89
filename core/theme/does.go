package theme

import (
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/core/say"
)

// named is how many foods are told of what a theme looks for and leaves out.
const named = 6

// Does says what a theme does to a choice, a sentence for each; nil for one that is a name only.
func (t *Theme) Does(larder *food.Larder) (out []say.Text) {
	if t == nil || t.NameOnly {
		return nil
	}
	told := func(code string, ids []string) {
		var names []string
		for _, id := range ids {
			if f, ok := larder.Get(id); ok && len(names) < named {
				name, _, _ := strings.Cut(f.Name, ",")
				names = append(names, say.Lower(name))
			}
		}
		if len(names) > 0 {
			out = append(out, say.That(code, say.Word(strings.Join(names, ", "))))
		}
	}
	told("theme.looks", t.Belongs)
	told("theme.leaves", t.Alien)
	if len(t.Origins) > 0 {
		out = append(out, say.That("theme.from", say.All(say.Words(t.Origins)...)))
	}
	if len(t.Leads) > 0 {
		out = append(out, say.That("theme.fish"))
	}
	var more, less, none []say.Value
	for _, c := range food.Categories {
		times, tilted := t.Tilt[string(c)]
		switch word := say.Group(string(c)); {
		case !tilted:
		case times == 0:
			none = append(none, word)
		case times > 1:
			more = append(more, word)
		case times < 1:
			less = append(less, word)
		}
	}
	for _, s := range []struct {
		code string
		of   []say.Value
	}{{"theme.more", more}, {"theme.less", less}, {"theme.without", none}} {
		if len(s.of) > 0 {
			out = append(out, say.That(s.code, say.All(s.of...)))
		}
	}
	var places []say.Value
	for _, r := range food.Roles {
		if slices.Contains(t.Without, r.ID) {
			places = append(places, say.Word(r.Says))
		}
	}
	if len(places) > 0 {
		out = append(out, say.That("theme.no place", say.Any(places...)))
	}
	switch t.Shape() {
	case "round":
		out = append(out, say.That("theme.round"))
	case "rectangle":
		out = append(out, say.That("theme.rectangle"))
	}
	var drinks []say.Value
	for _, d := range t.Drinks() {
		drinks = append(drinks, say.Word(d))
	}
	if len(drinks) > 0 {
		out = append(out, say.That("theme.drinks", say.Any(drinks...)))
	}
	if len(t.Off) > 0 {
		out = append(out, say.That("theme.custom", say.Word(t.Called), say.Word(say.Or(t.Off))))
	}
	return out
}

// Offered names the themes of a month in a hemisphere, "" for the northern: its season and its feasts.
func Offered(month int, hemisphere string) (out []string) {
	for _, t := range BuiltIn {
		m := month
		if t.Season && hemisphere == "south" && month > 0 {
			m = (month+5)%12 + 1
		}
		if slices.Contains(t.Months, m) {
			out = append(out, t.Name)
		}
	}
	return out
}
