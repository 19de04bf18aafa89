package photo

import (
	"bytes"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"runtime"
	"strings"
	"testing"
	"time"

	"happytray/core/colour"
	"happytray/core/fault"
)

// board is a picture of a red disc on a wooden ground with a green corner.
func board(w, h int) *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.NRGBA{0xb9, 0x8f, 0x5f, 255}
			dx, dy := float64(x)/float64(w)-.5, float64(y)/float64(h)-.5
			if dx*dx+dy*dy < .08 {
				c = color.NRGBA{0xc2, 0x2a, 0x30, 255}
			} else if dx > .3 && dy > .3 {
				c = color.NRGBA{0x4c, 0x6a, 0x2e, 255}
			}
			img.SetNRGBA(x, y, c)
		}
	}
	return img
}

func encoded(t testing.TB, img image.Image, asJPEG bool) []byte {
	t.Helper()
	var b bytes.Buffer
	var err error
	if asJPEG {
		err = jpeg.Encode(&b, img, &jpeg.Options{Quality: 90})
	} else {
		err = png.Encode(&b, img)
	}
	if err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestMainColoursOfAPicture(t *testing.T) {
	for _, asJPEG := range []bool{false, true} {
		p, err := Read(encoded(t, board(600, 400), asJPEG))
		if err != nil {
			t.Fatal(err)
		}
		if len(p.Colours) != 3 {
			t.Fatalf("%d colours: %v", len(p.Colours), p.Colours)
		}
		for i, hex := range []string{"#b98f5f", "#c22a30", "#4c6a2e"} {
			if d := colour.Difference(p.Colours[i].Colour, colour.Must(hex)); d > 3 {
				t.Errorf("jpeg %v: colour %d is %s, want near %s", asJPEG, i, p.Colours[i].Colour.Hex(), hex)
			}
		}
		small, err := p.Small()
		if err != nil {
			t.Fatal(err)
		}
		c, kind, err := image.DecodeConfig(bytes.NewReader(small))
		if err != nil || kind != "jpeg" || c.Width != 600 {
			t.Errorf("kept as %s %dx%d, %v", kind, c.Width, c.Height, err)
		}
	}
}

func TestSeeThroughDoesNotCount(t *testing.T) {
	img := board(200, 200)
	for i := 3; i < len(img.Pix); i += 4 {
		if img.Pix[i-3] == 0xb9 {
			img.Pix[i] = 0
		}
	}
	p, err := Read(encoded(t, img, false))
	if err != nil || colour.Difference(p.Colours[0].Colour, colour.Must("#c22a30")) > 3 {
		t.Errorf("%v, %v", p, err)
	}
	if _, err := Read(encoded(t, image.NewNRGBA(image.Rect(0, 0, 50, 50)), false)); err == nil {
		t.Error("a picture of nothing was taken")
	}
}

// claims is a PNG that says it is w x h, and holds no pixels.
func claims(w, h uint32, depth byte) []byte {
	ihdr := append([]byte("IHDR"), make([]byte, 13)...)
	binary.BigEndian.PutUint32(ihdr[4:], w)
	binary.BigEndian.PutUint32(ihdr[8:], h)
	ihdr[12], ihdr[13] = depth, 6
	b := []byte("\x89PNG\r\n\x1a\n\x00\x00\x00\x0d")
	b = append(b, ihdr...)
	return binary.BigEndian.AppendUint32(b, crc32.ChecksumIEEE(ihdr))
}

func TestHostilePictures(t *testing.T) {
	good := encoded(t, board(400, 300), true)
	for name, c := range map[string]struct {
		b    []byte
		says string
	}{
		"nothing":       {nil, "no PNG or JPEG"},
		"words":         {[]byte("hello"), "no PNG or JPEG"},
		"a GIF":         {[]byte("GIF89a\x10\x00\x10\x00\x00\x00\x00"), "no PNG or JPEG"},
		"a bomb":        {claims(60000, 60000, 8), "million pixels"},
		"a long bomb":   {claims(1<<30, 9, 8), "million pixels"},
		"a deep bomb":   {claims(6000, 5000, 16), "16 bits"},
		"only a header": {claims(300, 300, 8), "cut short"},
		"truncated":     {good[:len(good)/2], "cut short"},
		"tiny":          {encoded(t, board(4, 4), false), "at least"},
		"heavy":         {make([]byte, MaxBytes+1), "MB"},
	} {
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		start := time.Now()
		p, err := Read(c.b)
		took := time.Since(start)
		runtime.ReadMemStats(&after)
		var bad *fault.Error
		if p != nil || !errors.As(err, &bad) || !strings.Contains(bad.Says, c.says) {
			t.Errorf("%s: %v, want %q", name, err, c.says)
		}
		if took > time.Second || after.TotalAlloc-before.TotalAlloc > 20<<20 {
			t.Errorf("%s took %v and %d MB to refuse", name, took, (after.TotalAlloc-before.TotalAlloc)>>20)
		}
	}
}

func FuzzRead(f *testing.F) {
	f.Add(encoded(f, board(20, 16), true))
	f.Add(encoded(f, board(20, 16), false))
	f.Add(claims(40, 40, 8))
	f.Fuzz(func(t *testing.T, b []byte) {
		if c, _, err := image.DecodeConfig(bytes.NewReader(b)); err == nil && c.Width*c.Height > 4_000_000 {
			return // sound, and slow to try thousands of times
		}
		p, err := Read(b)
		if err == nil && (len(p.Colours) < 1 || len(p.Colours) > 5) {
			t.Fatalf("%d colours", len(p.Colours))
		}
	})
}

func BenchmarkRead12Megapixels(b *testing.B) {
	raw := encoded(b, board(4000, 3000), true)
	b.ReportAllocs()
	for b.Loop() {
		if _, err := Read(raw); err != nil {
			b.Fatal(err)
		}
	}
}
