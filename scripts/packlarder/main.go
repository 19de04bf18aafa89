// Command packlarder packs the files of the larder into core/food/data.zip, which the program carries. It is run by
// make generate.
package main

import (
	"archive/zip"
	"bytes"
	"compress/flate"
	"io"
	"log"
	"maps"
	"os"
	"path/filepath"
)

func main() {
	if err := os.Chdir("core/food"); err != nil {
		log.Fatal("run it where the repository begins: ", err)
	}
	files, err := filepath.Glob("data/*.json")
	if err != nil || len(files) == 0 {
		log.Fatal("no files of the larder in core/food/data")
	}
	want := map[string][]byte{}
	var out bytes.Buffer
	z := zip.NewWriter(&out)
	z.RegisterCompressor(zip.Deflate, func(w io.Writer) (io.WriteCloser, error) { return flate.NewWriter(w, flate.BestCompression) })
	for _, file := range files {
		name := filepath.ToSlash(file)
		if want[name], err = os.ReadFile(file); err != nil {
			log.Fatal(err)
		}
		w, err := z.Create(name)
		if err == nil {
			_, err = w.Write(want[name])
		}
		if err != nil {
			log.Fatal(err)
		}
	}
	if err := z.Close(); err != nil {
		log.Fatal(err)
	}
	if maps.EqualFunc(want, current(), bytes.Equal) {
		return // another version of the packer packs otherwise: what holds the same stays as it is
	}
	if err := os.WriteFile("data.zip", out.Bytes(), 0o644); err != nil {
		log.Fatal(err)
	}
}

// current is what data.zip holds, by name; nil where there is none.
func current() map[string][]byte {
	z, err := zip.OpenReader("data.zip")
	if err != nil {
		return nil
	}
	defer z.Close()
	out := map[string][]byte{}
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			return nil
		}
		raw, err := io.ReadAll(r)
		if err != nil {
			return nil
		}
		out[f.Name] = raw
	}
	return out
}
