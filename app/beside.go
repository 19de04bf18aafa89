package app

import (
	"bytes"
	"context"
	"encoding/json"
	"image"
	"image/jpeg"
	"math"

	"happytray/core/fault"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/formats/overhead"
)

// PhotoCheck is a photograph of a tray from above, held against its plan.
type PhotoCheck struct {
	Width   int            `json:"width"` // of the photograph, px
	Height  int            `json:"height"`
	Corners [][2]float64   `json:"corners"` // of the board's box in it, from the upper left of the plan clockwise
	Found   bool           `json:"found"`   // or given; a guess to be dragged where not
	Says    []string       `json:"says"`
	Seen    []PhotoElement `json:"seen"`
}

// PhotoElement is how one element is found in it.
type PhotoElement struct {
	Element string    `json:"element"`
	Food    string    `json:"food"`
	Planned string    `json:"planned"`
	Photo   string    `json:"photo"`
	Off     float64   `json:"off"`
	Alike   float64   `json:"alike"`
	Moved   []float64 `json:"moved,omitempty"` // mm
}

// comparedMM is how fine a photograph is held against the plan, px for a mm, and straightPX how wide it is shown.
const (
	comparedMM = 1.0
	straightPX = 1400.0
	// mostCompared bounds the board that is compared, px in all.
	mostCompared = 4_000_000
)

// cornersFact is where it is kept where the corners of a board lie in a photograph.
func cornersFact(photo string) string { return "corners/" + photo }

// photographOf decodes a kept photograph and finds the tray that it is of.
func (a *App) photographOf(ctx context.Context, id, photo string, which int) (image.Image, *tray.Tray, savedJob, error) {
	p, err := a.store.Photo(ctx, id, photo)
	if err != nil {
		return nil, nil, savedJob{}, err
	}
	h, err := a.House(ctx)
	if err != nil {
		return nil, nil, savedJob{}, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err != nil {
		return nil, nil, savedJob{}, err
	}
	t := now.tray()
	if t.Board == nil {
		return nil, nil, now, fault.Bad("tray", "choose a board first")
	}
	img, err := jpeg.Decode(bytes.NewReader(p.Data)) // written by this program
	return img, t, now, err
}

// BesidePlan holds a photograph against the plan by its corners: given ones, those kept before, or those that are found.
// The corners are kept with the photograph.
func (a *App) BesidePlan(ctx context.Context, id, photo string, which int, given [][]float64) (PhotoCheck, error) {
	img, t, now, err := a.photographOf(ctx, id, photo, which)
	if err != nil {
		return PhotoCheck{}, err
	}
	size := img.Bounds()
	out := PhotoCheck{Width: size.Dx(), Height: size.Dy(), Says: []string{}, Seen: []PhotoElement{}, Found: true}
	box := t.Board.Outline.Bounds()
	if box.W()*box.H()*comparedMM*comparedMM > mostCompared {
		return PhotoCheck{}, fault.Bad("tray", "the board is too large to be compared as a whole")
	}
	var c overhead.Corners
	switch kept, err := a.corners(ctx, photo); {
	case given != nil:
		for i := range c {
			c[i] = geom.Pt(given[i][0], given[i][1])
		}
	case err != nil:
		return PhotoCheck{}, err
	case kept != nil:
		c = *kept
	default:
		if c, err = overhead.FindCorners(img); err != nil { // somebody has to show them
			w, h := float64(size.Dx()), float64(size.Dy())
			out.Found = false
			out.Corners = [][2]float64{{.1 * w, .1 * h}, {.9 * w, .1 * h}, {.9 * w, .9 * h}, {.1 * w, .9 * h}}
			out.Says = append(out.Says, "The corners of the board are not to be seen clearly. Drag them to where they are.")
			return out, nil
		}
	}
	straight, err := overhead.Straighten(img, c, box.W(), box.H(), comparedMM)
	if err != nil {
		return PhotoCheck{}, err
	}
	seen, err := overhead.Compare(straight, comparedMM, t)
	if err != nil {
		return PhotoCheck{}, err
	}
	if err := a.keepCorners(ctx, photo, c); err != nil {
		return PhotoCheck{}, err
	}
	name := func(element string) string {
		if k := t.Find(element); k >= 0 {
			if f, ok := now.larder.Get(t.Elements[k].Food); ok {
				return f.Name
			}
		}
		return element
	}
	for _, p := range c {
		out.Corners = append(out.Corners, [2]float64{round.Tenth(p.X), round.Tenth(p.Y)})
	}
	out.Says = append(out.Says, overhead.Says(seen, name)...)
	for _, s := range seen {
		one := PhotoElement{Element: s.Element, Food: t.Elements[t.Find(s.Element)].Food, Planned: s.Planned, Photo: s.Photo, Off: s.Off, Alike: s.Alike}
		if s.Moved != nil {
			one.Moved = []float64{s.Moved.X, s.Moved.Y}
		}
		out.Seen = append(out.Seen, one)
	}
	return out, nil
}

// StraightPhoto is a photograph by its kept corners, as if taken from straight above.
func (a *App) StraightPhoto(ctx context.Context, id, photo string, which int) ([]byte, error) {
	img, t, _, err := a.photographOf(ctx, id, photo, which)
	if err != nil {
		return nil, err
	}
	c, err := a.corners(ctx, photo)
	if err != nil {
		return nil, err
	}
	if c == nil {
		return nil, fault.Bad("corners", "show first where the corners of the board are")
	}
	box := t.Board.Outline.Bounds()
	straight, err := overhead.Straighten(img, *c, box.W(), box.H(), straightPX/math.Max(box.W(), box.H()))
	if err != nil {
		return nil, err
	}
	var b bytes.Buffer
	err = jpeg.Encode(&b, straight, &jpeg.Options{Quality: 84})
	return b.Bytes(), err
}

func (a *App) corners(ctx context.Context, photo string) (*overhead.Corners, error) {
	kept, err := a.store.Fact(ctx, cornersFact(photo))
	if err != nil || kept == "" {
		return nil, err
	}
	var c overhead.Corners
	if err := json.Unmarshal([]byte(kept), &c); err != nil {
		return nil, nil // they are found anew
	}
	return &c, nil
}

func (a *App) keepCorners(ctx context.Context, photo string, c overhead.Corners) error {
	raw, err := json.Marshal(c)
	if err != nil {
		return err
	}
	return a.store.SetFact(ctx, cornersFact(photo), string(raw))
}
