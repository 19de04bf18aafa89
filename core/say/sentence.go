package say

import (
	"encoding/json"
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Sentence is something that the product says, as data: which sentence it is, and what it is of. It is put into
// words in one place for each language (english.go), in the units that somebody has set.
type Sentence struct {
	Code string  `json:"code"`
	With []Value `json:"with,omitempty"`
}

// New is a sentence of some values, in the order in which its words name them.
func New(code string, with ...Value) Sentence { return Sentence{code, with} }

// Places is how many values a sentence is of; 0 for one that there is not.
func Places(code string) (n int) {
	words := english[code]
	for i := 0; i+1 < len(words); i++ {
		if at := words[i+1]; words[i] == '{' && at >= '1' && at <= '9' {
			n = max(n, int(at-'0'))
		}
	}
	return n
}

// Value is one thing that a sentence is of. In JSON it is a member named by its kind: {"mm": 12.5}.
type Value struct {
	kind   kind
	text   string
	number float64
	of     []Value // of several, or of a part of a sentence
}

type kind string

const (
	food    kind = "food"
	bowl    kind = "bowl"
	group   kind = "group"
	word    kind = "word"
	count   kind = "n"
	figured kind = "figure"
	mm      kind = "mm"
	cm2     kind = "cm2"
	grams   kind = "g"
	percent kind = "percent"
	share   kind = "share"
	degrees kind = "degrees"
	minutes kind = "minutes"
	celsius kind = "celsius"
	size    kind = "size"
	both    kind = "and"
	either  kind = "or"
	clause  kind = "part"
)

// Food is a food by its name, and Bowl the same in a bowl.
func Food(name string) Value { return Value{kind: food, text: name} }

// Bowl is a food that stands in a vessel.
func Bowl(name string) Value { return Value{kind: bowl, text: name} }

// Group is a kind of food, by its word in the data, or a family of colours.
func Group(id string) Value { return Value{kind: group, text: id} }

// Word is what stands in the data as a word already: an allergen, a colour, whose guests.
func Word(text string) Value { return Value{kind: word, text: text} }

// N is a number of things.
func N(n int) Value { return Value{kind: count, number: float64(n)} }

// Figure is a number of things that is said in figures wherever it stands.
func Figure(n int) Value { return Value{kind: figured, number: float64(n)} }

// MM is a length in mm, CM2 an area in cm², Grams a mass in g.
func MM(v float64) Value { return Value{kind: mm, number: v} }

// CM2 is an area in cm².
func CM2(v float64) Value { return Value{kind: cm2, number: v} }

// Grams is a mass in g.
func Grams(v float64) Value { return Value{kind: grams, number: v} }

// Percent is a part in hundredths, and Share one that is said in words: a third.
func Percent(v float64) Value { return Value{kind: percent, number: v} }

// Share is a part from 0 to 1.
func Share(v float64) Value { return Value{kind: share, number: v} }

// Degrees is an angle, Celsius how warm it is, Minutes how long.
func Degrees(v float64) Value { return Value{kind: degrees, number: v} }

// Celsius is how warm it is.
func Celsius(v float64) Value { return Value{kind: celsius, number: v} }

// Minutes is a length of time.
func Minutes(v float64) Value { return Value{kind: minutes, number: v} }

// Size is the length and the width of something, mm.
func Size(long, wide float64) Value { return Value{kind: size, of: []Value{MM(long), MM(wide)}} }

// All is several things of which each is meant, and Any several of which one will do.
func All(of ...Value) Value { return Value{kind: both, of: of} }

// Any is several things of which one will do.
func Any(of ...Value) Value { return Value{kind: either, of: of} }

// Words is several words, to be listed.
func Words(texts []string) []Value { return valued(texts, Word) }

// Foods is several foods by their names, to be listed.
func Foods(names []string) []Value { return valued(names, Food) }

func valued(texts []string, of func(string) Value) []Value {
	out := make([]Value, len(texts))
	for i, t := range texts {
		out[i] = of(t)
	}
	return out
}

// Part is a part of a sentence that has words of its own, by its code.
func Part(code string, with ...Value) Value { return Value{kind: clause, text: code, of: with} }

func (v Value) worded() bool {
	return v.kind == food || v.kind == bowl || v.kind == group || v.kind == word
}

// MarshalJSON writes {"mm": 12.5}, numbers to the tenth; null for what is no number.
func (v Value) MarshalJSON() ([]byte, error) {
	switch {
	case v.worded():
		return json.Marshal(map[string]string{string(v.kind): v.text})
	case v.kind == clause:
		return json.Marshal(map[string]Sentence{string(v.kind): {v.text, v.of}})
	case v.of != nil:
		return json.Marshal(map[string][]Value{string(v.kind): v.of})
	}
	if math.IsNaN(v.number) || math.IsInf(v.number, 0) { // a review is not lost over one figure
		return json.Marshal(map[string]any{string(v.kind): nil})
	}
	return json.Marshal(map[string]float64{string(v.kind): math.Round(10*v.number) / 10})
}

// many reports whether a verb that goes with it is that of several.
func (v Value) many() bool {
	switch v.kind {
	case food:
		return Many(v.text)
	case group:
		return groups[v.text].many
	case count, figured:
		return v.number != 1
	case both:
		return len(v.of) > 1 || len(v.of) == 1 && v.of[0].many()
	}
	return false
}

// Units are those in which somebody wants to be spoken to. The zero value speaks as kitchens with scales in grams
// do: cm, g, °C.
type Units struct {
	Inches, Ounces, Fahrenheit bool
}

// Metric reports whether they are the usual ones.
func (u Units) Metric() bool { return u == Units{} }

// Put puts a sentence into words, with a capital where it begins with what it is of. One of an unknown code is said by
// its code, so that it is found.
func (u Units) Put(s Sentence) string {
	if strings.HasPrefix(english[s.Code], "{") && s.Code != verbatim {
		return Upper(u.words(s, true))
	}
	return u.words(s, true)
}

// words fills the places of a sentence, or of a part of one, which does not begin.
func (u Units) words(s Sentence, begins bool) string {
	template, ok := english[s.Code]
	if !ok {
		return s.Code
	}
	var b strings.Builder
	for {
		open := strings.IndexByte(template, '{')
		if open < 0 {
			b.WriteString(template)
			return b.String()
		}
		b.WriteString(template[:open])
		rest := template[open+1:]
		end := strings.IndexByte(rest, '}')
		u.place(&b, rest[:end], s.With, begins)
		template = rest[end+1:]
	}
}

// place fills a place: {1} is the first value, {1:lies|lie} the verb that goes with it.
func (u Units) place(b *strings.Builder, place string, with []Value, begins bool) {
	number, forms, chosen := strings.Cut(place, ":")
	n, err := strconv.Atoi(number)
	if err != nil || n < 1 || n > len(with) {
		b.WriteString("{" + place + "}")
		return
	}
	v := with[n-1]
	switch n := int(v.number); {
	case begins && !chosen && v.kind == count && b.Len() == 0 && n >= 0 && n < len(small): // no sentence begins with a figure
		b.WriteString(small[n])
		return
	case !chosen:
		b.WriteString(u.value(v))
		return
	}
	one, several, _ := strings.Cut(forms, "|")
	if v.many() {
		b.WriteString(several)
	} else {
		b.WriteString(one)
	}
}

func (u Units) value(v Value) string {
	switch v.kind {
	case food:
		return strings.ToLower(v.text)
	case bowl:
		return "bowl of " + strings.ToLower(v.text)
	case group:
		if g, ok := groups[v.text]; ok {
			return g.says
		}
		return v.text
	case word:
		return v.text
	case count, figured:
		return strconv.Itoa(int(v.number))
	case mm:
		return u.Length(v.number)
	case cm2:
		if u.Inches {
			return figure(v.number/6.4516, 1) + " sq in"
		}
		return figure(v.number, 1) + " cm²"
	case grams:
		return u.Mass(v.number)
	case percent:
		return fmt.Sprintf("%.0f %%", v.number)
	case share:
		return part(v.number)
	case degrees:
		return fmt.Sprintf("%.0f°", v.number)
	case celsius:
		if u.Fahrenheit {
			return fmt.Sprintf("%.0f °F", v.number*1.8+32)
		}
		return fmt.Sprintf("%.0f °C", v.number)
	case minutes:
		return Hours(v.number)
	case size:
		return u.Size(v.of[0].number, v.of[1].number)
	case both, either:
		return u.list(v)
	case clause:
		return u.words(Sentence{v.text, v.of}, false)
	}
	return ""
}

// list is several things as one says them; where one of them has a comma in its name, semicolons part them.
func (u Units) list(v Value) string {
	things := make([]string, len(v.of))
	between := ", "
	for i, one := range v.of {
		if things[i] = u.value(one); strings.Contains(things[i], ",") {
			between = "; "
		}
	}
	last := len(things) - 1
	if last < 1 {
		return strings.Join(things, "")
	}
	word := " and "
	if v.kind == either {
		word = " or "
	}
	return strings.Join(things[:last], between) + word + things[last]
}

// Size is a length and a width, mm, as one says them: 90 × 60 cm; 35.4 × 23.6 in.
func (u Units) Size(long, wide float64) string {
	if u.Inches {
		return figure(long/25.4, 1) + " × " + figure(wide/25.4, 1) + " in"
	}
	return fmt.Sprintf("%.0f × %.0f cm", long/10, wide/10)
}

// figure is a number with a digit after the point where it is small.
func figure(v float64, below float64) string {
	if v < 10*below {
		return strconv.FormatFloat(math.Round(10*v)/10, 'f', -1, 64)
	}
	return strconv.FormatFloat(math.Round(v), 'f', -1, 64)
}

// Length is a length in mm as one says it: 45 mm, and from ten centimetres on 61 cm; 1.8 in.
func (u Units) Length(mm float64) string {
	if u.Inches {
		return figure(mm/25.4, 1) + " in"
	}
	return Length(mm)
}

// Mass is a mass in g as one says it: 46 g, 1.2 kg; 1.6 oz, 2.6 lb.
func (u Units) Mass(g float64) string {
	switch {
	case u.Ounces && g >= 16*28.349523125:
		return figure(g/453.59237, 10) + " lb"
	case u.Ounces:
		return figure(g/28.349523125, 1) + " oz"
	case g >= 1000:
		return strconv.FormatFloat(math.Round(g/100)/10, 'f', 1, 64) + " kg"
	}
	return fmt.Sprintf("%.0f g", g)
}
