package camera_test

import (
	"bytes"
	"context"
	"image"
	"image/jpeg"
	"math"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan"
	"happytray/core/search"
	"happytray/core/tray"
	"happytray/formats/overhead"
	"happytray/standin/camera"
)

func laid(t testing.TB) *tray.Tray {
	t.Helper()
	j, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 12}, Board: &board.Request{Shape: "rectangle", LengthMM: 620, WidthMM: 420, Colour: "#744a2b"}}, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	res, err := search.Lay(context.Background(), j.Trays[0], j.Larder(food.BuiltIn()), search.Options{Seed: 1, Effort: 2})
	if err != nil {
		t.Fatal(err)
	}
	return res.Tray
}

// asJPEG is a photograph as a phone keeps it.
func asJPEG(t testing.TB, img image.Image) image.Image {
	t.Helper()
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, &jpeg.Options{Quality: 85}); err != nil {
		t.Fatal(err)
	}
	out, err := jpeg.Decode(&b)
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// Corners are found within 2 mm of where they are, and the straightened picture shows every place within 1.5 mm.
func TestCornersAndStraightening(t *testing.T) {
	tr := laid(t)
	box := tr.Board.Outline.Bounds()
	for seed := range uint64(12) {
		img, truth, err := camera.Take(tr, camera.Shot{Tilt: .05, Uneven: .3, Noise: 3, Seed: seed})
		if err != nil {
			t.Fatal(err)
		}
		shot := asJPEG(t, img)
		found, err := overhead.FindCorners(shot)
		if err != nil {
			t.Errorf("shot %d: %v", seed, err)
			continue
		}
		mm := box.W() / truth[1].Sub(truth[0]).Len()
		for i := range truth {
			if off := found[i].Sub(truth[i]).Len() * mm; off > 2 {
				t.Errorf("shot %d: corner %d is %.1f mm off", seed, i+1, off)
			}
		}
		// where places of the board come to lie by the corners that were found
		is, err := overhead.PlaneOf(found, box.W(), box.H())
		if err != nil {
			t.Fatal(err)
		}
		was, _ := overhead.PlaneOf(truth, box.W(), box.H())
		worst := 0.0
		for x := 0.0; x <= box.W(); x += 40 {
			for y := 0.0; y <= box.H(); y += 40 {
				worst = math.Max(worst, is.At(geom.Pt(x, y)).Sub(was.At(geom.Pt(x, y))).Len()*mm)
			}
		}
		if worst > 1.5 {
			t.Errorf("shot %d: places are up to %.1f mm off", seed, worst)
		}
	}
}

// looksLike reports whether something of nearly the colour of an element was planned round a place.
func looksLike(tr *tray.Tray, e *tray.Element, at geom.Point) bool {
	for i := range tr.Elements {
		o := &tr.Elements[i]
		if o.ID == e.ID || colour.Difference(colour.Must(o.Colour), colour.Must(e.Colour)) > 14 {
			continue
		}
		for n := range o.Pieces {
			if o.Pieces[n].At.Dist(at) < 45 {
				return true
			}
		}
	}
	return false
}

// What was moved is named, with where it lies now; what was not is not.
func TestMovedPiecesAreNamed(t *testing.T) {
	tr := laid(t)
	box := tr.Board.Outline.Bounds()
	var movable []*tray.Element
	for i := range tr.Elements {
		if e := &tr.Elements[i]; e.Placed && e.Vessel != "" {
			movable = append(movable, e)
		}
	}
	if len(movable) < 2 {
		t.Skip("no bowls on this tray")
	}
	named, wrongly, trials := 0, 0, 0
	for k, e := range movable {
		to, clear := geom.Point{}, false
		for _, way := range []geom.Point{{X: 40, Y: 24}, {X: -40, Y: 24}, {X: 40, Y: -24}, {X: -40, Y: -24}} {
			there := e.Pieces[0].Outline.Move(way)
			on := !slices.ContainsFunc(there, func(q geom.Point) bool { return !tr.Board.FoodZone.Contains(q) })
			if !clear && on && !looksLike(tr, e, e.Pose().At().Add(way)) { // what hangs over the edge is not seen whole
				to, clear = way, true
			}
		}
		if !clear || trials == 2 {
			continue // jam among raisins is not to be seen
		}
		img, _, err := camera.Take(tr, camera.Shot{Tilt: .04, Uneven: .25, Noise: 3, Moved: map[string]geom.Point{e.ID: to}, Seed: uint64(k)})
		if err != nil {
			t.Fatal(err)
		}
		shot := asJPEG(t, img)
		c, err := overhead.FindCorners(shot)
		if err != nil {
			t.Fatal(err)
		}
		straight, err := overhead.Straighten(shot, c, box.W(), box.H(), 1)
		if err != nil {
			t.Fatal(err)
		}
		seen, err := overhead.Compare(straight, 1, tr)
		if err != nil {
			t.Fatal(err)
		}
		trials++
		for _, s := range seen {
			if s.Moved == nil {
				continue
			}
			if s.Element != e.ID {
				wrongly++
				t.Logf("%s is said to lie %v elsewhere (alike %v)", s.Element, *s.Moved, s.Alike)
				continue
			}
			if s.Moved.Sub(to).Len() > 6 {
				t.Errorf("%s was moved by %v and is found %v away", e.ID, to, *s.Moved)
			}
			named++
		}
		says := overhead.Says(seen, func(id string) string { return id })
		if !strings.Contains(strings.Join(says, "\n"), e.ID+" lies ") {
			t.Errorf("%s: %q", e.ID, says)
		}
	}
	if trials == 0 || named < trials || wrongly > 0 {
		t.Errorf("%d of %d are named, %d wrongly", named, trials, wrongly)
	}
}

// An untouched tray departs from its plan nowhere.
func TestAsPlanned(t *testing.T) {
	tr := laid(t)
	box := tr.Board.Outline.Bounds()
	img, c, err := camera.Take(tr, camera.Shot{Tilt: .05, Uneven: .3, Noise: 3, Seed: 7})
	if err != nil {
		t.Fatal(err)
	}
	straight, err := overhead.Straighten(asJPEG(t, img), c, box.W(), box.H(), 1)
	if err != nil {
		t.Fatal(err)
	}
	seen, err := overhead.Compare(straight, 1, tr)
	if err != nil || len(seen) < 10 {
		t.Fatal(len(seen), err)
	}
	if says := overhead.Says(seen, func(id string) string { return id }); len(says) > 0 {
		t.Errorf("%q", says)
	}
}

func TestWhatIsNoTray(t *testing.T) {
	plain := image.NewNRGBA(image.Rect(0, 0, 300, 200))
	for i := range plain.Pix {
		plain.Pix[i] = 180
	}
	for name, img := range map[string]image.Image{"nothing but a table": plain, "a stamp": image.NewNRGBA(image.Rect(0, 0, 8, 8))} {
		if _, err := overhead.FindCorners(img); err == nil || !strings.Contains(err.Error(), "drag them") {
			t.Errorf("%s: %v", name, err)
		}
	}
	for name, c := range map[string]overhead.Corners{
		"a line":    {{X: 0, Y: 0}, {X: 10, Y: 0}, {X: 20, Y: 0}, {X: 30, Y: 0}},
		"backwards": {{X: 0, Y: 0}, {X: 0, Y: 100}, {X: 100, Y: 100}, {X: 100, Y: 0}},
		"far out":   {{X: 0, Y: 0}, {X: 1e6, Y: 0}, {X: 1e6, Y: 100}, {X: 0, Y: 100}},
		"nowhere":   {{X: math.NaN(), Y: 0}, {X: 100, Y: 0}, {X: 100, Y: 100}, {X: 0, Y: 100}},
	} {
		if _, err := overhead.Straighten(plain, c, 100, 100, 1); err == nil || !strings.Contains(err.Error(), "corner") {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func BenchmarkStraightenAndCompare(b *testing.B) {
	tr := laid(b)
	box := tr.Board.Outline.Bounds()
	img, c, err := camera.Take(tr, camera.Shot{Tilt: .05, Uneven: .3, Noise: 3, Seed: 7})
	if err != nil {
		b.Fatal(err)
	}
	b.ResetTimer()
	for range b.N {
		straight, err := overhead.Straighten(img, c, box.W(), box.H(), 1)
		if err != nil {
			b.Fatal(err)
		}
		if _, err := overhead.Compare(straight, 1, tr); err != nil {
			b.Fatal(err)
		}
	}
}
