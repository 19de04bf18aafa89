package document

import (
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"
	"unicode/utf8"

	"happytray/core/fault"
)

type inner struct {
	A int `json:"a"`
}

type outer struct {
	Name string  `json:"name"`
	In   inner   `json:"in"`
	List []inner `json:"list"`
	Ok   bool    `json:"ok"`
	V    float64 `json:"v"`
}

func TestReadSaysWhatIsWrong(t *testing.T) {
	for _, c := range []struct {
		name, doc, field, says string
	}{
		{"not json", `{"name":`, "", "not JSON"},
		{"two documents", `{} {}`, "", "not JSON"},
		{"empty", ``, "", "not JSON"},
		{"text for a number", `{"in":{"a":"x"}}`, "in.a", "a whole number"},
		{"fraction for a whole number", `{"in":{"a":1.5}}`, "in.a", "a whole number"},
		{"number for a text", `{"name":4}`, "name", "a text"},
		{"object for a list", `{"list":{}}`, "list", "a list"},
		{"list for an object", `{"in":[]}`, "in", "an object"},
		{"text for a yes", `{"ok":"yes"}`, "ok", "true or false"},
		{"no number at all", `{"v":NaN}`, "", "not JSON"},
		{"too large a number", `{"v":1e999}`, "v", "a number"},
		{"not UTF-8", "{\"name\":\"\xc0\"}", "", "not UTF-8"},
		{"deep", strings.Repeat("[", 40) + strings.Repeat("]", 40), "", "deeper than 32"},
		{"deep objects", strings.Repeat(`{"a":`, 40) + "1" + strings.Repeat("}", 40), "", "deeper than 32"},
		{"large", `{"name":"` + strings.Repeat("x", MaxBytes) + `"}`, "", "larger than 8 MB"},
	} {
		var v outer
		err := Read([]byte(c.doc), &v)
		var bad *fault.Error
		if !errors.As(err, &bad) {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		if bad.Field != c.field || !strings.Contains(bad.Says, c.says) {
			t.Errorf("%s: %q says %q, want %q with %q", c.name, bad.Field, bad.Says, c.field, c.says)
		}
		if c.name != "large" && c.name != "deep" && c.name != "deep objects" {
			continue
		}
		if Sound([]byte(c.doc)) == nil {
			t.Errorf("%s is called sound", c.name)
		}
	}
	var v outer
	if err := Read([]byte(`{"name":"a [ { \" b","in":{"a":3}}`), &v); err != nil || v.In.A != 3 {
		t.Errorf("a sound document: %+v, %v", v, err)
	}
}

func TestExtraSurvives(t *testing.T) {
	doc := `{"name":"n","zebra":[1, {"deep":null}],"Apple\u00e9":"x","in":{"a":1},"list":null,"ok":false,"v":0}`
	var o outer
	extra, err := ReadObject([]byte(doc), &o)
	if err != nil || len(extra) != 2 || o.Name != "n" {
		t.Fatalf("%v %v", extra, err)
	}
	out, err := WriteObject(o, extra)
	if err != nil {
		t.Fatal(err)
	}
	var a, b any
	if json.Unmarshal([]byte(doc), &a) != nil || json.Unmarshal(out, &b) != nil || fmt.Sprint(a) != fmt.Sprint(b) {
		t.Errorf("%s became %s", doc, out)
	}
	if out, err = WriteObject(struct{}{}, Extra{"k": json.RawMessage("1")}); err != nil || string(out) != `{"k":1}` {
		t.Errorf("%s %v", out, err)
	}
}

// FuzzMembers holds the walk over an object's members against encoding/json.
func FuzzMembers(f *testing.F) {
	for _, s := range []string{`{}`, `{"a":1}`, ` { "a" : [1,{"b":"}"}] , "c\"d" : "x\\" ,"e":null,"f":-1.5e3 }`, `null`, `{"a":{"a":{}},"b":[]}`, `{"a":1,"a":2}`, `[1]`, `"x"`, `{"":""}`} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if !json.Valid([]byte(s)) || !utf8.ValidString(s) {
			return
		}
		var want map[string]json.RawMessage
		if json.Unmarshal([]byte(s), &want) != nil {
			want = nil // not an object
		}
		got := map[string]string{}
		n, err := members([]byte(s), func(name string, i int) int {
			end := value([]byte(s), i)
			got[name] = s[i:end]
			return end
		})
		if err != nil || strings.TrimSpace(s[n:]) != "" {
			t.Fatalf("%s: %d bytes, %v", s, n, err)
		}
		if !slices.Equal(slices.Sorted(maps.Keys(got)), slices.Sorted(maps.Keys(want))) {
			t.Fatalf("%s: members %v, want %v", s, got, want)
		}
		for k, v := range want {
			if strings.TrimSpace(string(v)) != strings.TrimSpace(got[k]) {
				t.Fatalf("%s: %q is %s, want %s", s, k, got[k], v)
			}
		}
	})
}
