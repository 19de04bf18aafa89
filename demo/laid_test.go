package demo

import (
	"bytes"
	"compress/gzip"
	"context"
	"flag"
	"io"
	"os"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/search"
)

var update = flag.Bool("update", false, "lay the demo world's jobs anew and pack them")

// The boards that the demo world opens with are those that the search lays for its briefs, each tray from a seed of its own.
func TestLaidAsTheSearchLays(t *testing.T) {
	larder := food.BuiltIn()
	for _, one := range []struct {
		name, title string
		of          func(time.Time) brief.Brief
		search.Options
	}{
		{"first-firing", "First firing at the new kiln", FirstFiring, search.Options{Seed: 7, Effort: 24}},
		{"night-watch", "Night-sky watch", NightWatch, search.Options{Seed: 7, Effort: 16}},
		{"seed-swap", "Seed swap", SeedSwap, search.Options{Seed: 11, Effort: 8}},
	} {
		j, err := planned(one.title, one.of, made, larder)
		if err != nil {
			t.Fatal(err)
		}
		o := one.Options
		for i, tr := range j.Trays {
			res, err := search.Lay(context.Background(), tr, larder, o)
			if err != nil {
				t.Fatal(err)
			}
			res.Tray.Seed = o.Seed
			j.Trays[i] = res.Tray
			o.Seed++
		}
		raw, err := j.Write()
		if err != nil {
			t.Fatal(err)
		}
		file := "laid/" + one.name + ".tray.json.gz"
		if *update {
			var packed bytes.Buffer
			z, _ := gzip.NewWriterLevel(&packed, gzip.BestCompression)
			if _, err := z.Write(raw); err != nil {
				t.Fatal(err)
			}
			if err := z.Close(); err != nil {
				t.Fatal(err)
			}
			if err := os.WriteFile(file, packed.Bytes(), 0o644); err != nil {
				t.Fatal(err)
			}
			continue
		}
		f, err := os.Open(file)
		if err != nil {
			t.Fatal(err)
		}
		defer f.Close()
		z, err := gzip.NewReader(f)
		if err != nil {
			t.Fatal(err)
		}
		was, err := io.ReadAll(z)
		if err != nil {
			t.Fatal(err)
		}
		if !bytes.Equal(was, raw) {
			t.Errorf("%s is laid in another way now: go test ./demo -run LaidAs -update, then make shots", one.name)
		}
	}
}
