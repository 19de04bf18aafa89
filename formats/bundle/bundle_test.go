package bundle

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"io/fs"
	"slices"
	"strings"
	"testing"
	"time"
)

var made = time.Date(2026, 11, 27, 5, 0, 0, 0, time.UTC)

func TestRoundTrip(t *testing.T) {
	files := []File{{"jobs/1/job.tray.json", "application/json", []byte(`{"format":"happytray/1"}`)}, {"jobs/1/photos/a.jpg", "image/jpeg", bytes.Repeat([]byte{0xff, 7}, 900)}, {"empty.json", "application/json", nil}}
	var one, two bytes.Buffer
	if err := Write(&one, files, made); err != nil {
		t.Fatal(err)
	}
	_ = Write(&two, files, made)
	if !bytes.Equal(one.Bytes(), two.Bytes()) {
		t.Error("other bytes for the same files")
	}
	m, got, err := Read(one.Bytes())
	if err != nil || !m.Made.Equal(made) || len(got) != 3 {
		t.Fatal(m, err)
	}
	for i, f := range got {
		if f.Path != files[i].Path || f.Media != files[i].Media || !bytes.Equal(f.Data, files[i].Data) {
			t.Errorf("%s came back as %s, %d bytes", files[i].Path, f.Path, len(f.Data))
		}
	}
	if err := Write(&one, []File{{Path: "../out.json"}}, made); err == nil {
		t.Error("a path that leads out is written")
	}
}

// entry is a file of a zip made by hand.
type entry struct {
	name string
	data []byte
	mode fs.FileMode
}

func zipped(t testing.TB, entries ...entry) []byte {
	t.Helper()
	var b bytes.Buffer
	z := zip.NewWriter(&b)
	for _, e := range entries {
		h := &zip.FileHeader{Name: e.name, Method: zip.Deflate}
		if e.mode != 0 {
			h.SetMode(e.mode)
		}
		w, err := z.CreateHeader(h)
		if err != nil {
			t.Fatal(err)
		}
		_, _ = w.Write(e.data)
	}
	_ = z.Close()
	return b.Bytes()
}

// listing is a manifest of files.
func listing(files ...entry) entry {
	m := Manifest{Format: Format, Made: made, Files: []Entry{}}
	for _, f := range files {
		sum := sha256.Sum256(f.data)
		m.Files = append(m.Files, Entry{f.name, "application/json", len(f.data), hex.EncodeToString(sum[:])})
	}
	raw, _ := json.Marshal(m)
	return entry{name: "manifest.json", data: raw}
}

func TestHostileZips(t *testing.T) {
	good := entry{name: "a.json", data: []byte("{}")}
	whole := zipped(t, listing(good), good)
	if _, _, err := Read(whole); err != nil {
		t.Fatal(err)
	}
	path := func(name string) []byte {
		e := entry{name: name, data: []byte("{}")}
		return zipped(t, listing(e), e)
	}
	bomb := entry{name: "bomb.json", data: make([]byte, maxFile+1)}
	half := entry{name: "half.json", data: make([]byte, maxFile-1)}
	many := []entry{}
	for i := range 8 {
		h := half
		h.name = string(rune('a'+i)) + ".json"
		many = append(many, h)
	}
	link := entry{name: "a.json", data: []byte("/etc/passwd"), mode: fs.ModeSymlink | 0o777}
	changed := bytes.Clone(whole)
	other := entry{name: "a.json", data: []byte("[]")}
	for name, c := range map[string]struct {
		raw  []byte
		says string
	}{
		"nothing":               {nil, "no zip"},
		"text":                  {[]byte("hello"), "no zip"},
		"half of it":            {changed[:len(changed)/2], "no zip"},
		"no manifest":           {zipped(t, good), "no manifest"},
		"another format":        {zipped(t, entry{name: "manifest.json", data: []byte(`{"format":"other/3","files":[]}`)}), "its format"},
		"a manifest of words":   {zipped(t, entry{name: "manifest.json", data: []byte("files: all")}), "manifest.json"},
		"more than listed":      {zipped(t, listing(good), good, entry{name: "b.json"}), "lists 1 files and the zip holds 2"},
		"less than listed":      {zipped(t, listing(good, other), good), "lists 2 files"},
		"listed by other names": {zipped(t, listing(entry{name: "c.json"}), good), "not in the zip"},
		"listed twice":          {zipped(t, listing(good, good), good, entry{name: "b.json", data: []byte("{}")}), "listed twice"},
		"twice in the zip":      {zipped(t, listing(good), good, good), "twice"},
		"changed":               {zipped(t, listing(good), other), "changed or damaged"},
		"a way out":             {path("../a.json"), "no path inside"},
		"a way out within":      {path("a/../../b.json"), "no path inside"},
		"from the root":         {path("/etc/cron.d/a"), "no path inside"},
		"backslashes":           {path(`..\a.json`), "no path inside"},
		"a drive":               {path("c:a.json"), "no path inside"},
		"a long name":           {path(strings.Repeat("a", 300)), "no path inside"},
		"signs":                 {path("a\x01.json"), "no path inside"},
		"a link":                {zipped(t, listing(link), link), "link"},
		"a bomb":                {zipped(t, listing(bomb), bomb), "too large"},
		"many halves":           {zipped(t, slices.Concat([]entry{listing(many...)}, many)...), "too large"},
	} {
		_, _, err := Read(c.raw)
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, should say %q", name, err, c.says)
		}
	}
	// a header that says less than there is
	lying := bytes.Clone(zipped(t, listing(bomb), bomb))
	for i := 0; i+46 < len(lying); i++ {
		if bytes.Equal(lying[i:i+4], []byte("PK\x01\x02")) && bytes.Equal(lying[i+46:i+46+9], []byte("bomb.json")) {
			copy(lying[i+24:i+28], []byte{2, 0, 0, 0})
		}
	}
	if _, _, err := Read(lying); err == nil {
		t.Error("a header that lies is believed")
	}
}

func FuzzRead(f *testing.F) {
	good := entry{name: "a.json", data: []byte("{}")}
	f.Add(zipped(f, listing(good), good))
	f.Add(zipped(f, good))
	f.Fuzz(func(t *testing.T, raw []byte) {
		_, files, err := Read(raw)
		for _, x := range files {
			if err == nil && checkPath(x.Path) != nil {
				t.Errorf("%q is let in", x.Path)
			}
		}
	})
}
