package store

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
)

func TestPackAndUnpack(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 5))
	random := make([]byte, 40000)
	for i := range random {
		random[i] = byte(r.Uint32())
	}
	text := bytes.Repeat([]byte(`{"id":"figs","x":12.5,"outline":[[1,2],[3,4]]},`), 900)
	edited := slices.Concat(text[:20000], []byte(`"moved":true`), text[20040:])
	for name, c := range map[string]struct{ document, base []byte }{
		"alone":            {text, nil},
		"nothing":          {nil, nil},
		"nothing any more": {nil, text},
		"from nothing":     {text, nil},
		"the same":         {text, text},
		"one edit":         {edited, text},
		"the edit back":    {text, edited},
		"longer":           {append(slices.Clone(text), text...), text},
		"shorter":          {text[:1000], text},
		"only the end":     {text[2000:], text},
		"overlapping ends": {[]byte("aaaa"), []byte("aaaaaaa")},
		"something else":   {random, text},
		"random, edited":   {append(slices.Clone(random), 'x'), random},
	} {
		packed, err := pack(c.document, c.base)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		got, err := unpack(packed, c.base)
		if err != nil || !bytes.Equal(got, c.document) {
			t.Errorf("%s: %d bytes of %d came back, %v", name, len(got), len(c.document), err)
		}
		if len(c.base) > 0 && name == "one edit" && len(packed) > 200 {
			t.Errorf("%s takes %d bytes", name, len(packed))
		}
	}
	if _, err := pack(make([]byte, mostDocument+1), nil); err == nil {
		t.Error("a document beyond the bound was packed")
	}
}

func FuzzUnpack(f *testing.F) {
	base := bytes.Repeat([]byte("walnut board "), 50)
	good, _ := pack([]byte("walnut board, oiled"), base)
	f.Add(good)
	f.Add([]byte{})
	f.Add([]byte{0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 1, 0})
	f.Fuzz(func(t *testing.T, packed []byte) {
		if out, err := unpack(packed, base); err == nil && len(out) > mostDocument+2*len(base) {
			t.Errorf("%d bytes", len(out))
		}
	})
}

func TestBasesLeanOnFew(t *testing.T) {
	bases := map[int64][]int64{1: nil}
	for n := int64(2); n < 200; n++ {
		steps := int(n-1) % wholeEvery
		if steps == 0 {
			steps = wholeEvery
		}
		b := basesOf(n-1, bases[n-1], steps)
		bases[n] = b
		if len(b) > 6 {
			t.Errorf("revision %d leans on %v", n, b)
		}
		if len(b) == 0 {
			if (n-1)%wholeEvery != 0 {
				t.Errorf("revision %d is whole", n)
			}
			continue
		}
		last := b[len(b)-1]
		if fmt.Sprint(bases[last]) != fmt.Sprint(b[:len(b)-1]) || len(bases[b[0]]) != 0 {
			t.Errorf("revision %d leans on %v, and %d on %v", n, b, last, bases[last])
		}
	}
}
