package say

import (
	"encoding/json"
	"reflect"
	"slices"
	"strings"
	"sync"
)

// Text is one or several sentences on their way to somebody. In JSON and as a string it is in words, in the units
// that it was put into (In), else in those of the zero Units.
type Text struct {
	sentences []Sentence
	units     Units
}

// That is a text of one sentence.
func That(code string, with ...Value) Text { return Text{sentences: []Sentence{New(code, with...)}} }

// Plain is a text whose words are given: what a person wrote, or the data hold.
func Plain(words string) Text {
	if words == "" {
		return Text{}
	}
	return Text{sentences: []Sentence{{Code: verbatim, With: []Value{Word(words)}}}}
}

// verbatim is the code of what is said as it stands.
const verbatim = "verbatim"

// Then is the text with another sentence after it.
func (t Text) Then(code string, with ...Value) Text {
	t.sentences = append(t.sentences[:len(t.sentences):len(t.sentences)], New(code, with...))
	return t
}

// Plus is the text with the numbers of things and the grams of another added to its own, sentence by sentence, as far
// as they say the same: what is done for two jobs in one.
func (t Text) Plus(o Text) Text {
	out := Text{sentences: slices.Clone(t.sentences), units: t.units}
	for i := range out.sentences {
		if i < len(o.sentences) && o.sentences[i].Code == out.sentences[i].Code {
			out.sentences[i].With = plus(out.sentences[i].With, o.sentences[i].With)
		}
	}
	return out
}

func plus(a, b []Value) []Value {
	out := slices.Clone(a)
	for i := range out {
		if i >= len(b) || b[i].kind != out[i].kind {
			continue
		}
		switch out[i].kind {
		case count, figured, grams:
			out[i].number += b[i].number
		case clause:
			if out[i].text == b[i].text {
				out[i].of = plus(out[i].of, b[i].of)
			}
		}
	}
	return out
}

// Also is the text with what another says after it.
func (t Text) Also(o Text) Text {
	t.sentences = append(t.sentences[:len(t.sentences):len(t.sentences)], o.sentences...)
	return t
}

// In is the text in units.
func (t Text) In(u Units) Text {
	t.units = u
	return t
}

// IsZero reports whether nothing is said.
func (t Text) IsZero() bool { return len(t.sentences) == 0 }

// Sentences is what the text says, as data.
func (t Text) Sentences() []Sentence { return t.sentences }

// String is the text in words. A part that begins with a comma or the like follows without a space.
func (t Text) String() string {
	var b strings.Builder
	for _, s := range t.sentences {
		words := t.units.Put(s)
		if b.Len() > 0 && words != "" && !strings.ContainsRune(",;:.", rune(words[0])) {
			b.WriteByte(' ')
		}
		b.WriteString(words)
	}
	return b.String()
}

// MarshalJSON writes the words.
func (t Text) MarshalJSON() ([]byte, error) { return json.Marshal(t.String()) }

// UnmarshalJSON reads words as they were written; what they were of is not known any more.
func (t *Text) UnmarshalJSON(raw []byte) error {
	var words string
	if err := json.Unmarshal(raw, &words); err != nil {
		return err
	}
	*t = Plain(words)
	return nil
}

// In is v with every text in it put into units. What has none is v itself; the rest is copied as far as the texts
// are, so that v, which others may be reading, stays as it is.
func In[T any](v T, u Units) T {
	if u.Metric() {
		return v
	}
	in := reflect.ValueOf(&v).Elem()
	if !speaks(in.Type()) {
		return v
	}
	var out T
	reflect.ValueOf(&out).Elem().Set(put(in, u))
	return out
}

var textType = reflect.TypeFor[Text]()

// known are types by whether texts may be in them.
var known sync.Map

// speaks reports whether texts may be in values of a type. What an interface holds is asked when it is met.
func speaks(t reflect.Type) bool {
	if is, ok := known.Load(t); ok {
		return is.(bool)
	}
	is := searched(t, map[reflect.Type]bool{})
	known.Store(t, is)
	return is
}

func searched(t reflect.Type, seen map[reflect.Type]bool) bool {
	if t == textType {
		return true
	}
	if seen[t] {
		return false
	}
	seen[t] = true
	switch t.Kind() {
	case reflect.Interface:
		return true
	case reflect.Pointer, reflect.Slice, reflect.Array, reflect.Map:
		return searched(t.Elem(), seen)
	case reflect.Struct:
		for i := range t.NumField() {
			if f := t.Field(i); f.IsExported() && searched(f.Type, seen) {
				return true
			}
		}
	}
	return false
}

// put is a copy of a value with its texts in units.
func put(v reflect.Value, u Units) reflect.Value {
	t := v.Type()
	if t == textType {
		text := v.Interface().(Text)
		text.units = u
		return reflect.ValueOf(text)
	}
	if !speaks(t) {
		return v
	}
	switch t.Kind() {
	case reflect.Interface, reflect.Pointer:
		if v.IsNil() {
			return v
		}
		if t.Kind() == reflect.Interface {
			return put(v.Elem(), u)
		}
		out := reflect.New(t.Elem())
		out.Elem().Set(put(v.Elem(), u))
		return out
	case reflect.Slice:
		if v.IsNil() {
			return v
		}
		out := reflect.MakeSlice(t, v.Len(), v.Len())
		for i := range v.Len() {
			out.Index(i).Set(put(v.Index(i), u))
		}
		return out
	case reflect.Map:
		if v.IsNil() {
			return v
		}
		out := reflect.MakeMapWithSize(t, v.Len())
		for it := v.MapRange(); it.Next(); {
			out.SetMapIndex(it.Key(), put(it.Value(), u))
		}
		return out
	case reflect.Struct, reflect.Array:
		out := reflect.New(t).Elem()
		out.Set(v)
		if t.Kind() == reflect.Array {
			for i := range v.Len() {
				out.Index(i).Set(put(v.Index(i), u))
			}
			return out
		}
		for i := range t.NumField() {
			if t.Field(i).IsExported() {
				out.Field(i).Set(put(v.Field(i), u))
			}
		}
		return out
	}
	return v
}

// Of is a text of a sentence that was made elsewhere.
func Of(s Sentence) Text { return Text{sentences: []Sentence{s}} }
