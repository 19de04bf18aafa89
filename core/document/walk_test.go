package document

import (
	"encoding/json"
	"math"
	"testing"
)

func FuzzNumbersAndTexts(f *testing.F) {
	f.Add(1.5, "plain")
	f.Add(1e-9, "é <b> & \"x\" \\")
	f.Add(math.Copysign(0, -1), "\u2028\x01")
	f.Add(1e21, "")
	f.Add(123456.789e-12, "🧀")
	f.Fuzz(func(t *testing.T, v float64, s string) {
		if !math.IsNaN(v) && !math.IsInf(v, 0) {
			want, _ := json.Marshal(v)
			if got := AppendFloat(nil, v); string(got) != string(want) {
				t.Errorf("%v is written %s, want %s", v, got, want)
			}
			var back float64
			if err := Float(want, &back); err != nil || back != v {
				t.Errorf("%s is read as %v, %v", want, back, err)
			}
		}
		want, _ := json.Marshal(s)
		if got := AppendText(nil, s); string(got) != string(want) {
			t.Errorf("%q is written %s, want %s", s, got, want)
		}
		var back, std string
		if err := Text(want, &back); err != nil || json.Unmarshal(want, &std) != nil || back != std {
			t.Errorf("%s is read as %q, want %q, %v", want, back, std, err)
		}
	})
}

func TestWalkTellsWhatIsNoObject(t *testing.T) {
	none := func(string, []byte) (bool, error) { return true, nil }
	for _, doc := range []string{`[]`, `"x"`, `4`, `true`} {
		if _, err := Walk([]byte(doc), none); err == nil {
			t.Errorf("%s is taken for an object", doc)
		}
	}
	for _, doc := range []string{`{}`, ` null`, `{"a":1}`} {
		if _, err := Walk([]byte(doc), none); err != nil {
			t.Errorf("%s: %v", doc, err)
		}
	}
	var v float64
	for raw, ok := range map[string]bool{`1`: true, `null`: true, `"1"`: false, `[1]`: false, `1e999`: false, `true`: false} {
		if err := Float([]byte(raw), &v); (err == nil) != ok {
			t.Errorf("%s as a number: %v", raw, err)
		}
	}
	var s string
	for raw, ok := range map[string]bool{`"1"`: true, `null`: true, `1`: false, `{}`: false} {
		if err := Text([]byte(raw), &s); (err == nil) != ok {
			t.Errorf("%s as a text: %v", raw, err)
		}
	}
}
