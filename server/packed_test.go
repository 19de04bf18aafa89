package server

import (
	"bytes"
	"compress/gzip"
	"testing"
	"testing/fstest"
)

// A file of which only packed copies are there is what they hold, under its own name; one that is damaged is an error.
func TestPagesOfPackedCopiesAlone(t *testing.T) {
	var gz bytes.Buffer
	w := gzip.NewWriter(&gz)
	if _, err := w.Write([]byte("let tray = 1")); err != nil {
		t.Fatal(err)
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	files := fstest.MapFS{"assets/lay-1.js.gz": {Data: gz.Bytes()}, "index.html": {Data: []byte("<p>")}, "index.html.gz": {Data: gz.Bytes()}}
	s, err := readPages(files)
	if err != nil {
		t.Fatal(err)
	}
	p := s.files["assets/lay-1.js"]
	if p == nil || string(p.data) != "let tray = 1" || !bytes.Equal(p.gz, gz.Bytes()) || !p.lasting || p.media == "" {
		t.Errorf("%+v", p)
	}
	if string(s.files["index.html"].data) != "<p>" || len(s.files) != 2 {
		t.Errorf("%d files: %+v", len(s.files), s.files["index.html"])
	}
	files["assets/lay-1.js.gz"] = &fstest.MapFile{Data: gz.Bytes()[:9]}
	if _, err := readPages(files); err == nil {
		t.Error("a damaged file was taken")
	}
}
