package photo

import (
	"bytes"
	"image"
	"time"

	"github.com/bep/imagemeta"
)

// upright is the orientation of a picture that lies as it was seen (Exif 2.32, tag 0x0112: 1 to 8).
const upright = 1

// orientationOf reads how a camera was held from what a JPEG says of itself; upright where it says nothing of sense.
func orientationOf(b []byte, kind string) int {
	if kind != "jpeg" {
		return upright
	}
	out := upright
	_, err := imagemeta.Decode(imagemeta.Options{R: bytes.NewReader(b), ImageFormat: imagemeta.JPEG, Sources: imagemeta.EXIF, Timeout: time.Second,
		ShouldHandleTag: func(t imagemeta.TagInfo) bool { return t.Tag == "Orientation" && t.Namespace == "IFD0" },
		HandleTag: func(t imagemeta.TagInfo) error {
			if v, ok := t.Value.(uint16); ok && v >= 1 && v <= 8 {
				out = int(v)
			}
			return nil
		}})
	if err != nil {
		return upright // the picture itself is sound; what stands beside it is not needed
	}
	return out
}

// sideways reports whether an orientation changes width and height.
func sideways(orientation int) bool { return orientation >= 5 }

// turned is a picture as it was seen through the camera.
func turned(in *image.RGBA, orientation int) *image.RGBA {
	if orientation == upright {
		return in
	}
	w, h := in.Rect.Dx(), in.Rect.Dy()
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	if sideways(orientation) {
		out = image.NewRGBA(image.Rect(0, 0, h, w))
	}
	for y := range h {
		for x := range w {
			tx, ty := x, y
			switch orientation {
			case 2:
				tx = w - 1 - x
			case 3:
				tx, ty = w-1-x, h-1-y
			case 4:
				ty = h - 1 - y
			case 5:
				tx, ty = y, x
			case 6:
				tx, ty = h-1-y, x
			case 7:
				tx, ty = h-1-y, w-1-x
			case 8:
				tx, ty = y, w-1-x
			}
			out.SetRGBA(tx, ty, in.RGBAAt(x, y))
		}
	}
	return out
}
