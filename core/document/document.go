// Package document reads JSON from outside within bounds, keeps what it does not know of
// it, and finds the very member that is at fault.
package document

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"reflect"
	"slices"
	"strings"
	"sync"
	"unicode/utf8"

	"happytray/core/fault"
)

// MaxBytes and MaxDepth bound every document that comes from outside.
const (
	MaxBytes = 8 << 20
	MaxDepth = 32
)

// Read decodes one JSON document into v, after checking that it is Sound.
func Read(b []byte, v any) error {
	if err := Sound(b); err != nil {
		return err
	}
	if err := json.Unmarshal(b, v); err != nil {
		return Locate(b, v, err)
	}
	return nil
}

// Locate names the innermost member of a document that is at fault, where decoding it
// into what v points to failed with err.
func Locate(b []byte, v any, err error) error { return locate(b, reflect.TypeOf(v).Elem(), err) }

// locate finds the innermost value that cannot be decoded into its part of t,
// and names it by its path. It is only asked once something is wrong, and looks
// at each level of the document once.
func locate(b []byte, t reflect.Type, err error) error {
	for t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	b = b[min(len(b), space(b, 0)):]
	try := func(raw []byte, t reflect.Type, path string) error {
		if e := json.Unmarshal(raw, reflect.New(t).Interface()); e != nil {
			return fault.In(path, locate(raw, t, e))
		}
		return nil
	}
	var inner error
	switch {
	case len(b) > 0 && b[0] == '{' && t.Kind() == reflect.Struct && json.Valid(b):
		_, _ = members(b, func(name string, i int) int {
			end := value(b, i)
			if f, ok := field(t, name); ok && inner == nil {
				inner = try(b[i:end], f.Type, name)
			}
			return end
		})
	case len(b) > 0 && b[0] == '[' && t.Kind() == reflect.Slice && json.Valid(b):
		for i, raw := range items(b) {
			if inner = try(raw, t.Elem(), fmt.Sprintf("[%d]", i)); inner != nil {
				break
			}
		}
	}
	if inner != nil {
		return inner
	}
	return explain(err)
}

func field(t reflect.Type, name string) (reflect.StructField, bool) {
	for i := range t.NumField() {
		tag, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		if tag != "-" && strings.EqualFold(tag, name) {
			return t.Field(i), true
		}
	}
	return reflect.StructField{}, false
}

// items lists the values of a well-formed JSON list.
func items(b []byte) [][]byte {
	var out [][]byte
	for i := space(b, 1); i < len(b) && b[i] != ']'; i = space(b, i) {
		if b[i] == ',' {
			i = space(b, i+1)
		}
		end := value(b, i)
		out = append(out, b[i:end])
		i = end
	}
	return out
}

// Sound reports whether b is one JSON document within the bounds of size and depth. Its
// faults are fault.Error, Unreadable.
func Sound(b []byte) error {
	var err error
	switch {
	case len(b) > MaxBytes:
		err = fault.Bad("", "the document is larger than %d MB", MaxBytes>>20)
	case utf8.Valid(b) && scan(b):
		return nil
	default:
		if err = depth(b); err == nil {
			var v json.RawMessage
			err = explain(json.Unmarshal(b, &v))
		}
	}
	var own *fault.Error
	if errors.As(err, &own) {
		own.Unreadable = true
	}
	return err
}

func depth(b []byte) error {
	if !utf8.Valid(b) {
		return fault.Bad("", "the document is not UTF-8 text")
	}
	d, inString, escaped := 0, false, false
	for _, c := range b {
		switch {
		case escaped:
			escaped = false
		case inString:
			escaped = c == '\\'
			inString = c != '"'
		case c == '"':
			inString = true
		case c == '{' || c == '[':
			if d++; d > MaxDepth {
				return fault.Bad("", "the document is nested deeper than %d levels", MaxDepth)
			}
		case c == '}' || c == ']':
			d--
		}
	}
	return nil
}

func explain(err error) error {
	if err == nil {
		return nil
	}
	var own *fault.Error
	if errors.As(err, &own) {
		return own
	}
	var typ *json.UnmarshalTypeError
	if errors.As(err, &typ) {
		return fault.Bad(typ.Field, "this should be %s, not %s", kindWord(typ.Type), typ.Value)
	}
	var syn *json.SyntaxError
	if errors.As(err, &syn) {
		return fault.Bad("", "this is not JSON (at byte %d): %s", syn.Offset, syn.Error())
	}
	return fault.Bad("", "this cannot be read: %s", strings.TrimPrefix(err.Error(), "json: "))
}

func kindWord(t reflect.Type) string {
	switch t.Kind() {
	case reflect.Int, reflect.Int64, reflect.Uint64, reflect.Uint8:
		return "a whole number"
	case reflect.Float64:
		return "a number"
	case reflect.String:
		return "a text"
	case reflect.Bool:
		return "true or false"
	case reflect.Slice, reflect.Array:
		return "a list"
	}
	return "an object"
}

// Extra holds the members of an object that this version does not know, so that
// they survive a round trip.
type Extra map[string]json.RawMessage

// Names lists what is not known, in order.
func (e Extra) Names() []string { return slices.Sorted(maps.Keys(e)) }

// Names lists the members that a struct, or a pointer to one, is known by.
func Names(v any) []string {
	t := reflect.TypeOf(v)
	for t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	return slices.Clone(names(t))
}

// ReadObject decodes b into known (a pointer to a struct without its own
// UnmarshalJSON) and returns the members that the struct has no field for.
func ReadObject(b []byte, known any) (Extra, error) {
	if err := json.Unmarshal(b, known); err != nil {
		return nil, explain(err)
	}
	var extra Extra
	have := names(reflect.TypeOf(known).Elem())
	_, err := members(b, func(name string, i int) int {
		end := value(b, i)
		for _, n := range have {
			if n == name || strings.EqualFold(n, name) { // as encoding/json matches them
				return end
			}
		}
		if extra == nil {
			extra = Extra{}
		}
		extra[name] = append(json.RawMessage(nil), b[i:end]...)
		return end
	})
	return extra, err
}

// members walks the members of the object that well-formed text begins with, and returns
// how many bytes it takes. member is given where a value begins and returns where it ends;
// a negative number stops the walk.
func members(b []byte, member func(name string, from int) (end int)) (int, error) {
	i := space(b, 0)
	if i >= len(b) || b[i] != '{' {
		return value(b, i), nil // null: no members
	}
	for i = space(b, i+1); i < len(b) && b[i] != '}'; i = space(b, i) {
		if b[i] == ',' {
			i = space(b, i+1)
		}
		end := value(b, i)
		name := string(b[i+1 : max(i+1, end-1)])
		if strings.IndexByte(name, '\\') >= 0 {
			if err := json.Unmarshal(b[i:end], &name); err != nil {
				return 0, explain(err)
			}
		}
		i = space(b, space(b, end)+1) // past the colon
		if i = member(name, i); i < 0 {
			return 0, nil
		}
	}
	return min(len(b), i+1), nil
}

// space is the index of the next byte that is not white space.
func space(b []byte, i int) int {
	for i < len(b) && (b[i] == ' ' || b[i] == '\n' || b[i] == '\t' || b[i] == '\r') {
		i++
	}
	return i
}

// turns says what a byte outside of texts does to the depth.
var turns = [256]int8{'{': 1, '[': 1, '}': -1, ']': -1, '"': 2}

// value is the index just behind the well-formed JSON value that begins at i.
func value(b []byte, i int) int {
	if i >= len(b) {
		return len(b)
	}
	switch b[i] {
	case '"':
		return text(b, i)
	case '{', '[':
	default: // a number or a word ends where something else begins
		for i < len(b) && b[i] > ' ' && b[i] != ',' && b[i] != '}' && b[i] != ']' && b[i] != ':' {
			i++
		}
		return i
	}
	for depth := 0; i < len(b); i++ {
		switch turns[b[i]] {
		case 1:
			depth++
		case -1:
			if depth--; depth == 0 {
				return i + 1
			}
		case 2:
			i = text(b, i) - 1
		}
	}
	return len(b)
}

// text is the index just behind the text that begins at i.
func text(b []byte, i int) int {
	for i++; i < len(b); i++ {
		n := bytes.IndexByte(b[i:], '"')
		if n < 0 {
			return len(b)
		}
		i += n
		slashes := 0
		for k := i - 1; b[k] == '\\'; k-- {
			slashes++
		}
		if slashes%2 == 0 {
			return i + 1
		}
	}
	return len(b)
}

// WriteObject encodes known and appends the unknown members in order of name.
func WriteObject(known any, extra Extra) ([]byte, error) {
	b, err := json.Marshal(known)
	if err != nil || len(extra) == 0 {
		return b, err
	}
	keys := extra.Names()
	var out bytes.Buffer
	out.Write(b[:len(b)-1])
	for i, k := range keys {
		if i > 0 || len(b) > 2 {
			out.WriteByte(',')
		}
		name, _ := json.Marshal(k)
		out.Write(name)
		out.WriteByte(':')
		if err := json.Compact(&out, extra[k]); err != nil {
			return nil, err
		}
	}
	out.WriteByte('}')
	return out.Bytes(), nil
}

var nameCache sync.Map // reflect.Type -> []string

func names(t reflect.Type) []string {
	if v, ok := nameCache.Load(t); ok {
		return v.([]string)
	}
	var out []string
	for i := range t.NumField() {
		tag, _, _ := strings.Cut(t.Field(i).Tag.Get("json"), ",")
		if tag != "" && tag != "-" {
			out = append(out, tag)
		}
	}
	nameCache.Store(t, out)
	return out
}
