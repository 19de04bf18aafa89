package table

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"strings"
	"testing"
	"time"

	"happytray/core/fault"
	"happytray/core/food"
)

var stock = food.Stock{"honey": {{Grams: 180}, {Grams: 90.5, BestBefore: "2027-01-31"}}, "almonds": {{Grams: 300, BestBefore: "2026-12-24"}}}

// own is the built-in larder with foods whose texts are hard to write down.
func own(t testing.TB) *food.Larder {
	t.Helper()
	f, _ := food.BuiltIn().Get("grainy-mustard")
	odd := *f
	odd.ID, odd.Name, odd.Caution = "odd-mustard", `=HYPERLINK("x") "hot", very`, "two\nlines; with\ta tab, and 'quotes'"
	quoted := *f
	quoted.ID, quoted.Name, quoted.Tool = "quoted", "'=1+1", "-spoon"
	for _, x := range []*food.Food{&odd, &quoted} {
		if err := x.Check(); err != nil {
			t.Fatal(err)
		}
	}
	return food.BuiltIn().With([]food.Food{odd, quoted})
}

func written(t testing.TB, tab Table, l *food.Larder, s food.Stock, o Options) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := Write(&b, tab, l, s, o); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func read(t testing.TB, b []byte, l *food.Larder, s food.Stock) *Import {
	t.Helper()
	in, err := Read(b, l, s, 2)
	if err != nil {
		t.Fatal(err)
	}
	return in
}

func TestExportThenImportChangesNothing(t *testing.T) {
	l := own(t)
	for _, tab := range Tables {
		for _, o := range []Options{{Digits: 2}, {Comma: ';', DecimalComma: true, Digits: 2}, {Comma: '\t', BOM: true, Digits: 2}, {BOM: true, DecimalComma: true, Digits: 2}} {
			b := written(t, tab, l, stock, o)
			in := read(t, b, l, stock)
			if in.Table != tab {
				t.Fatalf("%s was taken for %s", tab, in.Table)
			}
			if len(in.Foods)+len(in.Stock) != 0 || in.Count[Same] != len(in.Lines) || len(in.Lines) < 3 || len(in.Ignored) != 0 {
				t.Errorf("%s %+v: %v, %d foods and %d lots change, %v ignored", tab, o, in.Count, len(in.Foods), len(in.Stock), in.Ignored)
				for _, ln := range in.Lines {
					if ln.What != Same {
						t.Log(ln)
						break
					}
				}
			}
		}
	}
}

// A larder written whole and read into an empty one is the same larder.
func TestExportIntoAnEmptyLarder(t *testing.T) {
	l := own(t)
	empty, err := food.ReadLarder([]byte("[]"))
	if err != nil {
		t.Fatal(err)
	}
	in := read(t, written(t, Larder, l, nil, Options{}), empty, nil)
	if len(in.Foods) != len(l.All()) {
		t.Fatalf("%d foods of %d, %v", len(in.Foods), len(l.All()), in.Count)
	}
	packed := read(t, written(t, Packs, l, nil, Options{Digits: 2}), empty.With(in.Foods), nil)
	again := empty.With(in.Foods).With(packed.Foods)
	for _, f := range l.All() {
		g, ok := again.Get(f.ID)
		if !ok {
			t.Errorf("%s is lost", f.ID)
			continue
		}
		if d, members, _ := food.Difference(&f, g); d != nil {
			t.Errorf("%s differs in %v", f.ID, members)
		}
	}
}

func TestNoCellIsAFormula(t *testing.T) {
	for _, tab := range Tables {
		b := written(t, tab, own(t), food.Stock{"odd-mustard": {{Grams: 5}}}, Options{Digits: 2})
		rows, err := csv.NewReader(bytes.NewReader(b)).ReadAll()
		if err != nil {
			t.Fatal(err)
		}
		for _, row := range rows {
			for _, c := range row {
				if c != "" && strings.ContainsAny(c[:1], "=+-@\t\r") {
					t.Errorf("%s: the cell %q would be reckoned", tab, c)
				}
			}
		}
	}
}

func TestImportSaysWhatBecomesOfEachLine(t *testing.T) {
	l := food.BuiltIn()
	for _, c := range []struct {
		name, file string
		want       []string // what becomes of each line
		says       string   // of the first refused
		check      func(t *testing.T, in *Import)
	}{
		{name: "liking, by semicolon and decimal comma", file: "id;liking\nhoney;0,9\nalmonds;0,70\n", want: []string{Changed, Same},
			check: func(t *testing.T, in *Import) {
				if f := in.Foods[0]; f.Liking != .9 || f.Name != "Honey" || len(f.Forms) == 0 {
					t.Errorf("%+v", f)
				}
			}},
		{name: "a new food", file: "id,name,category,colour,texture,flavours,form,shape,l_mm,w_mm,h_mm,mass_g,seconds,density\n" +
			"market-nuts,Market nuts,nut,#a9763c,crunchy,sweet mild,drift,oval,22,14,12,1.9,0.3,0.98\n", want: []string{Added},
			check: func(t *testing.T, in *Import) {
				if f := in.Foods[0]; f.Name != "Market nuts" || f.Forms[0].L != 22 || len(f.Flavours) != 2 {
					t.Errorf("%+v", f)
				}
			}},
		{name: "another form for a food", file: "id,form,shape,l_mm,w_mm,h_mm,mass_g\nhoney,topping,spoon,30,26,8,3.6\nhoney,bowl,,,,,\n", want: []string{Changed, Same}},
		{name: "the same food said twice over", file: "id,name,form\nhoney,Honey,bowl\nhoney,Heather honey,topping\n", want: []string{Same, Refused}, says: "line 2 says"},
		{name: "ragged", file: "id,name,liking\nhoney,Honey\nalmonds,Roasted almonds,0.5\n", want: []string{Refused, Changed}, says: "has 2 cells where the first line has 3"},
		{name: "an unknown category", file: "id,category\nhoney,gravel\n", want: []string{Refused}, says: "category"},
		{name: "a liking of two", file: "id,liking\nhoney,2\n", want: []string{Refused}, says: "liking"},
		{name: "no number", file: "id,liking\nhoney,lots\n", want: []string{Refused}, says: "not a number"},
		{name: "thousands", file: "id;density\nhoney;1.234,5\n", want: []string{Refused}, says: "thousands"},
		{name: "a new food with nothing in it", file: "id,name\nnew-thing,New thing\n", want: []string{Refused}, says: "category"},
		{name: "an id with spaces", file: "id,name\nNew Thing,New thing\n", want: []string{Refused}, says: "small letters"},
		{name: "packs", file: "food,grams,price\nhoney,250,5.20\nhoney,1000,\"14,90\"\nhoney,250,5.201\nmoon,1,1\n", want: nil, says: "smallest coin"},
		{name: "stock", file: "food,grams,best_before\nhoney,180,\nhoney,0,2027-01-31\nalmonds,120,2027-02-01\nalmonds,1,soon\n", want: []string{Same, Changed, Added, Refused}, says: "2026-11-30",
			check: func(t *testing.T, in *Import) {
				if len(in.Stock["honey"]) != 1 || len(in.Stock["almonds"]) != 2 {
					t.Errorf("%+v", in.Stock)
				}
			}},
		{name: "a formula that was defused", file: "id,name\nhoney,'=Honey\n", want: []string{Changed},
			check: func(t *testing.T, in *Import) {
				if in.Foods[0].Name != "=Honey" {
					t.Errorf("named %q", in.Foods[0].Name)
				}
			}},
		{name: "a quoted break and a column of somebody else", file: "id,caution,shelf\r\nhoney,\"one\r\ntwo\",left\r\n", want: []string{Changed},
			check: func(t *testing.T, in *Import) {
				if in.Foods[0].Caution != "one\ntwo" || len(in.Ignored) != 1 {
					t.Errorf("%q, ignored %v", in.Foods[0].Caution, in.Ignored)
				}
			}},
	} {
		t.Run(c.name, func(t *testing.T) {
			in := read(t, []byte(c.file), l, stock)
			if c.want != nil {
				var got []string
				for _, ln := range in.Lines {
					got = append(got, ln.What)
				}
				if fmt.Sprint(got) != fmt.Sprint(c.want) {
					t.Errorf("%v, want %v: %+v", got, c.want, in.Lines)
				}
			}
			if c.says != "" {
				said := ""
				for _, ln := range in.Lines {
					if ln.What == Refused {
						said = ln.Says
						break
					}
				}
				if !strings.Contains(said, c.says) {
					t.Errorf("says %q, want %q in it", said, c.says)
				}
			}
			if c.check != nil && !t.Failed() {
				c.check(t, in)
			}
			if f, _ := l.Get("honey"); f.Name != "Honey" {
				t.Fatal("reading changed the larder")
			}
		})
	}
}

func TestFilesThatAreNoTable(t *testing.T) {
	long := "id,liking\n" + strings.Repeat("honey,0.5\n", 200_000)
	for name, c := range map[string]struct{ file, says string }{
		"empty":          {" \n ", "empty"},
		"utf-16":         {"\xff\xfei\x00d\x00", "UTF-16"},
		"latin-1":        {"id,name\nhoney,Cr\xe8me\n", "line 2"},
		"zero byte":      {"id,name\nhoney,a\x00b\n", "zero byte"},
		"other columns":  {"colour,of,nothing\n1,2,3\n", "first line"},
		"column twice":   {"id,name,name\nhoney,a,b\n", "twice"},
		"open quotation": {"id,name\nhoney,\"never closed\n", "quotation"},
		"stray quote":    {"id,name\nhoney,a\"b\n", "quotation"},
		"rows":           {long, "20000 rows"},
		"bytes":          {"id,name\n" + strings.Repeat("x", MaxBytes), "MB"},
	} {
		start := time.Now()
		in, err := Read([]byte(c.file), food.BuiltIn(), stock, 2)
		var bad *fault.Error
		if in != nil || !errors.As(err, &bad) || !strings.Contains(bad.Says, c.says) {
			t.Errorf("%s: %v, want %q", name, err, c.says)
		}
		if d := time.Since(start); d > time.Second {
			t.Errorf("%s took %v to refuse", name, d)
		}
	}
}

func FuzzRead(f *testing.F) {
	for _, tab := range Tables {
		var b bytes.Buffer
		l, _ := food.ReadLarder([]byte("[]"))
		first := food.BuiltIn().All()[:2]
		if err := Write(&b, tab, l.With(first), stock, Options{}); err != nil {
			f.Fatal(err)
		}
		f.Add(b.Bytes())
	}
	f.Add([]byte("id;liking\nhoney;0,9\n"))
	f.Add([]byte("food\tgrams\tbest_before\nhoney\t1e9\t2027-13-01\n"))
	f.Fuzz(func(t *testing.T, b []byte) {
		in, err := Read(b, food.BuiltIn(), stock, 2)
		if err != nil {
			return
		}
		n := 0
		for _, c := range in.Count {
			n += c
		}
		if n != len(in.Lines) {
			t.Fatalf("%v for %d lines", in.Count, len(in.Lines))
		}
		for i := range in.Foods {
			if err := in.Foods[i].Check(); err != nil {
				t.Fatalf("%s came through unsound: %v", in.Foods[i].ID, err)
			}
		}
	})
}

// many is n own foods in one form each.
func many(n int) []food.Food {
	base := food.BuiltIn().All()
	out := make([]food.Food, n)
	for i := range out {
		f := base[i%len(base)]
		f.ID, f.Name, f.Forms = fmt.Sprintf("own-%d", i), fmt.Sprintf("%s, lot %d", f.Name, i), f.Forms[:1]
		out[i] = f
	}
	return out
}

func BenchmarkRead5000(b *testing.B) {
	empty, _ := food.ReadLarder([]byte("[]"))
	file := written(b, Larder, empty.With(many(5000)), nil, Options{})
	b.SetBytes(int64(len(file)))
	for b.Loop() {
		if in := read(b, file, food.BuiltIn(), nil); in.Count[Added] != 5000 {
			b.Fatal(in.Count)
		}
	}
}
