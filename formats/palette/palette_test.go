package palette

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"happytray/core/fault"
)

func TestRead(t *testing.T) {
	for _, c := range []struct {
		doc, name string
		want      []string
	}{
		{"GIMP Palette\nName: Glaze\nColumns: 3\n#\n 59  68 104\tdeep\n255 0 7\n", "Glaze", []string{"#3b4468", "#ff0007"}},
		{"\xef\xbb\xbfGIMP Palette\r\n# made by hand\r\n\r\n1 2 3 name of it\r\n1 2 3 again\r\n", "", []string{"#010203"}},
		{"GIMP Palette\n0 0 0", "", []string{"#000000"}},
	} {
		p, err := Read([]byte(c.doc))
		if err != nil || p.Name != c.name || !slices.Equal(p.Colours, c.want) {
			t.Errorf("%q: %+v, %v", c.doc, p, err)
		}
	}
	for _, c := range []struct{ doc, field string }{
		{"", ""}, {"Palette\n1 2 3", "line 1"}, {"GIMP Palette\n", ""}, {"GIMP Palette\n1 2", "line 2"}, {"GIMP Palette\n1 2 256", "line 2"},
		{"GIMP Palette\n\n-1 2 3", "line 3"}, {"GIMP Palette\n1 2 x", "line 2"}, {"GIMP Palette\n\xff\xfe", ""}, {strings.Repeat("x", MaxBytes+1), ""},
	} {
		_, err := Read([]byte(c.doc))
		var bad *fault.Error
		if !errors.As(err, &bad) || bad.Field != c.field || bad.Says == "" {
			t.Errorf("%.40q: %v", c.doc, err)
		}
	}
}

// FuzzRead: what is read is written and read as the same; the rest is refused with a sentence.
func FuzzRead(f *testing.F) {
	f.Add([]byte("GIMP Palette\nName: Glaze\nColumns: 3\n#\n 59  68 104\tdeep\n255 0 7\n"))
	f.Add([]byte("GIMP Palette\nName:\n1 2 3\nName: b\n4 5 6"))
	f.Fuzz(func(t *testing.T, raw []byte) {
		p, err := Read(raw)
		if err != nil {
			var bad *fault.Error
			if !errors.As(err, &bad) || bad.Says == "" {
				t.Fatalf("refused without a sentence: %v", err)
			}
			return
		}
		again, err := Read(Write(p))
		if err != nil || !slices.Equal(p.Colours, again.Colours) || again.Name != strings.Join(strings.Fields(p.Name), " ") {
			t.Fatalf("%+v became %+v, %v", p, again, err)
		}
	})
}
