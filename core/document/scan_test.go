package document

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"
)

// FuzzScan holds the scanner against the validator of encoding/json and the count of
// brackets.
func FuzzScan(f *testing.F) {
	for _, s := range []string{`{}`, `[]`, ``, ` `, `{`, `[`, `]`, `{]`, `[}`, `{"a"}`, `{"a":}`, `{"a":1,}`, `[1,]`, `[,1]`, `{"a":1 "b":2}`, `[1 2]`, `{} {}`, `1 2`,
		` { "a" : [ 1 , { "b" : "}" } ] , "c\"d" : "x\\" } `, `"\u00e9\n"`, `"\x"`, `"\u00g0"`, `"\u00`, `"`, `"\`, "\"\x01\"", `01`, `-`, `-0`, `1.`, `.5`, `1e`, `1E+9`, `1e-`, `1.5e3`, `+1`,
		`tru`, `true`, `falsey`, `null`, `nul`, `NaN`, `{"a":{"a":{}},"b":[]}`, `{1:2}`, `["a":1]`, `[[]]`, `[[],[]]`, `{"":""}`,
		strings.Repeat("[", MaxDepth) + strings.Repeat("]", MaxDepth), strings.Repeat("[", MaxDepth+1) + strings.Repeat("]", MaxDepth+1), strings.Repeat(`{"a":[`, 16) + strings.Repeat("]}", 16)} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, b []byte) {
		if got, want := scan(b), json.Valid(b) && depth(b) == nil; got != want && sameText(b) {
			t.Errorf("%q: %v, want %v", b, got, want)
		}
	})
}

// sameText leaves out what is no UTF-8, which is looked at before.
func sameText(b []byte) bool { return bytes.Equal(b, bytes.ToValidUTF8(b, nil)) }

func BenchmarkSound(b *testing.B) {
	doc := []byte(`{"elements":[` + strings.Repeat(`{"id":"walnuts","x":412.25,"pieces":[{"outline":[[12.5,-3],[14.25,8.75],[2,9]],"colour":"#7a5230","locked":false}]},`, 5000) + `{}]}`)
	b.SetBytes(int64(len(doc)))
	for b.Loop() {
		if err := Sound(doc); err != nil {
			b.Fatal(err)
		}
	}
}
