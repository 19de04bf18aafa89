package document

import (
	"encoding/json"
	"math"
	"strconv"
	"strings"
	"unicode/utf8"
)

// Walk gives the members of a JSON object that is known to be well formed to member, which
// says whether it knows them, and returns those it does not. Names are matched as
// encoding/json matches them, letters' size aside. It looks at no byte more than twice,
// where nested decoding looks at each once a level.
func Walk(b []byte, member func(name string, raw []byte) (known bool, err error)) (Extra, error) {
	_, extra, err := Object(b, func(name string, rest []byte) (int, error) {
		raw := First(rest)
		known, err := member(name, raw)
		if !known {
			return 0, err
		}
		return len(raw), err
	})
	return extra, err
}

// Object walks the object that well-formed text begins with, as Walk does, and returns how
// many bytes it takes. member is given all that follows, reads a value from its head and
// returns how many bytes that takes; 0 where it does not know the name.
func Object(b []byte, member func(name string, rest []byte) (n int, err error)) (n int, extra Extra, err error) {
	from := space(b, 0)
	if from < len(b) && b[from] != '{' && b[from] != 'n' {
		return 0, nil, explain(json.Unmarshal(b[from:value(b, from)], &struct{}{}))
	}
	var wrong error
	n, err = members(b, func(name string, i int) int {
		n, err := member(name, b[i:])
		if lower := strings.ToLower(name); n == 0 && err == nil && lower != name {
			n, err = member(lower, b[i:])
		}
		if err != nil {
			wrong = err
			return -1
		}
		if n == 0 {
			raw := First(b[i:])
			if extra == nil {
				extra = Extra{}
			}
			extra[name] = append(json.RawMessage(nil), raw...)
			n = len(raw)
		}
		return i + n
	})
	if wrong != nil {
		err = explain(wrong)
	}
	return n, extra, err
}

// First is the value that well-formed text begins with.
func First(b []byte) []byte { return b[:value(b, 0)] }

// List reads a well-formed JSON list, each item by read; null is an empty one.
func List[T any](b []byte, into *[]T, read func(item *T, raw []byte) error) error {
	_, err := ListFrom(b[space(b, 0):], into, func(item *T, rest []byte) (int, error) {
		raw := First(rest)
		return len(raw), read(item, raw)
	})
	return err
}

// ListFrom reads the list that well-formed text begins with, each item by read, which
// returns how many bytes the item takes, and returns how many the list takes.
func ListFrom[T any](b []byte, into *[]T, read func(item *T, rest []byte) (n int, err error)) (int, error) {
	if len(b) == 0 || b[0] != '[' {
		raw := First(b)
		return len(raw), json.Unmarshal(raw, into)
	}
	*into = []T{}
	i := space(b, 1)
	for b[i] != ']' {
		if b[i] == ',' {
			i = space(b, i+1)
		}
		var item T
		n, err := read(&item, b[i:])
		if err != nil {
			return 0, err
		}
		*into = append(*into, item)
		i = space(b, i+n)
	}
	return i + 1, nil
}

// Float reads a number without reflection.
func Float(raw []byte, into *float64) error {
	if len(raw) > 0 && (raw[0] == '-' || raw[0] >= '0' && raw[0] <= '9') {
		if v, err := strconv.ParseFloat(string(raw), 64); err == nil {
			*into = v
			return nil
		}
	}
	return json.Unmarshal(raw, into)
}

// Text reads a text without reflection.
func Text(raw []byte, into *string) error {
	if len(raw) > 1 && raw[0] == '"' {
		inside := raw[1 : len(raw)-1]
		for _, c := range inside {
			if c == '\\' || c < ' ' {
				return json.Unmarshal(raw, into)
			}
		}
		*into = string(inside)
		return nil
	}
	return json.Unmarshal(raw, into)
}

// AppendFloat writes a number as encoding/json does.
func AppendFloat(b []byte, v float64) []byte {
	abs, format := math.Abs(v), byte('f')
	if abs != 0 && (abs < 1e-6 || abs >= 1e21) {
		format = 'e'
	}
	b = strconv.AppendFloat(b, v, format, -1, 64)
	if n := len(b); format == 'e' && n >= 4 && b[n-4] == 'e' && b[n-3] == '-' && b[n-2] == '0' { // e-09 as e-9
		b[n-2] = b[n-1]
		b = b[:n-1]
	}
	return b
}

// AppendText writes a text as encoding/json does.
func AppendText(b []byte, s string) []byte {
	for i := range len(s) {
		if c := s[i]; c < ' ' || c >= utf8.RuneSelf || strings.IndexByte(`"\<>&`, c) >= 0 {
			raw, _ := json.Marshal(s) // a text can always be written
			return append(b, raw...)
		}
	}
	b = append(b, '"')
	b = append(b, s...)
	return append(b, '"')
}

// AppendExtra writes unknown members behind those that are known and takes the place of
// the closing brace that b ends with.
func AppendExtra(b []byte, extra Extra) ([]byte, error) {
	if len(extra) == 0 {
		return b, nil
	}
	raw, err := WriteObject(struct{}{}, extra)
	if err != nil {
		return nil, err
	}
	b = b[:len(b)-1]
	if b[len(b)-1] != '{' {
		b = append(b, ',')
	}
	return append(b, raw[1:]...), nil
}
