package photo

import (
	"bytes"
	"encoding/binary"
	"image"
	"image/color"
	"image/jpeg"
	"testing"
)

// held is a JPEG that says how the camera was held: an Exif part with that one tag, as a phone writes it.
func held(t testing.TB, img image.Image, orientation uint16) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, &jpeg.Options{Quality: 95}); err != nil {
		t.Fatal(err)
	}
	exif := []byte("Exif\x00\x00MM\x00\x2a\x00\x00\x00\x08\x00\x01")
	exif = append(exif, 0x01, 0x12, 0x00, 0x03, 0, 0, 0, 1)
	exif = binary.BigEndian.AppendUint16(exif, orientation)
	exif = append(exif, 0, 0, 0, 0, 0, 0)
	part := binary.BigEndian.AppendUint16([]byte{0xff, 0xe1}, uint16(len(exif)+2))
	raw := b.Bytes()
	return append(append(append([]byte{}, raw[:2]...), append(part, exif...)...), raw[2:]...)
}

// A picture is kept as it was seen, however the camera was held, and says nothing else any more.
func TestHeldSideways(t *testing.T) {
	img := image.NewNRGBA(image.Rect(0, 0, 80, 40))
	for y := range 40 {
		for x := range 80 {
			c := color.NRGBA{40, 60, 160, 255}
			if x < 40 && y < 20 {
				c = color.NRGBA{220, 40, 30, 255}
			}
			img.SetNRGBA(x, y, c)
		}
	}
	// where the red corner comes to lie: x, y as shares
	for orientation, red := range map[uint16][2]float64{1: {.25, .25}, 2: {.75, .25}, 3: {.75, .75}, 4: {.25, .75}, 5: {.25, .25}, 6: {.75, .25}, 7: {.75, .75}, 8: {.25, .75}} {
		p, err := Read(held(t, img, orientation))
		if err != nil {
			t.Fatal(err)
		}
		if side := orientation >= 5; (p.Width == 40) != side || (p.Height == 80) != side {
			t.Errorf("%d: %d × %d", orientation, p.Width, p.Height)
		}
		small, err := p.Small()
		if err != nil {
			t.Fatal(err)
		}
		if bytes.Contains(small, []byte("Exif")) {
			t.Errorf("%d: it still says how it was taken", orientation)
		}
		got, err := jpeg.Decode(bytes.NewReader(small))
		if err != nil {
			t.Fatal(err)
		}
		b := got.Bounds()
		at := func(x, y float64) bool {
			r, _, bl, _ := got.At(int(x*float64(b.Dx())), int(y*float64(b.Dy()))).RGBA()
			return r > bl
		}
		for _, q := range [][2]float64{{.25, .25}, {.75, .25}, {.25, .75}, {.75, .75}} {
			if at(q[0], q[1]) != (q == red) {
				t.Errorf("%d: red at %v is %v", orientation, q, at(q[0], q[1]))
			}
		}
	}
	for _, nonsense := range []uint16{0, 9, 65535} {
		if p, err := Read(held(t, img, nonsense)); err != nil || p.Width != 80 {
			t.Errorf("%d: %v", nonsense, err)
		}
	}
}
