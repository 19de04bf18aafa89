// Package lens looks at a tray in one respect at a time: its colour families, in grey, as the colour-blind see it, wet
// and crisp, height, reach, allergens and diets, flow, gaps, pairs, kinds, what is eaten. A lens tells what to tint and to draw over
// the tray, in one line what is to be seen, and its number.
package lens

import (
	"slices"

	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/say"
	"happytray/core/tray"
)

// View is what a lens shows of a tray. Places are mm on the board.
type View struct {
	Lens   string         `json:"lens"`
	Title  string         `json:"title"`
	Says   say.Text       `json:"says"`   // one line: what is to be seen
	Number say.Text       `json:"number"` // what it comes to, with its unit
	Vision *colour.Vision `json:"vision,omitempty"`
	Tints  []Tint         `json:"tints"` // an element each
	Key    []Key          `json:"key"`
	Lines  []Line         `json:"lines"`
	Discs  []Disc         `json:"discs"`
	Areas  []Area         `json:"areas"`
	Words  []string       `json:"words"` // what it may be asked about, as the allergens that are on the tray
	Word   string         `json:"word,omitempty"`
}

// Tint is how an element is tinted, and the word that says what that means.
type Tint struct {
	Element string   `json:"element"`
	Colour  string   `json:"colour"`
	Says    say.Text `json:"says"`
	Quiet   bool     `json:"quiet"` // not what the lens is looking for: it is told by the legend alone
}

// Key is one colour of the legend.
type Key struct {
	Colour string   `json:"colour"`
	Says   say.Text `json:"says"`
	Count  int      `json:"count"` // elements of this colour
}

// Line is drawn over the tray; bad ones are to be mended.
type Line struct {
	Path []geom.Point `json:"path"` // board coordinates, mm
	Bad  bool         `json:"bad"`
	Says say.Text     `json:"says"`
	Ends bool         `json:"ends"` // it has a direction: its end is marked
}

// Disc is drawn over the tray.
type Disc struct {
	At   geom.Point `json:"at"` // board coordinates, mm
	R    float64    `json:"r"`  // radius, mm
	Bad  bool       `json:"bad"`
	Says say.Text   `json:"says"`
}

// Area is drawn over the tray.
type Area struct {
	Outline geom.Outline `json:"outline"`
	Bad     bool         `json:"bad"`
	Says    say.Text     `json:"says"`
}

// Lenses lists what there is to look through, in the order of their keys.
var Lenses = []string{"families", "grey", "without-green", "wet", "height", "reach", "allergens", "flow", "gaps", "pairs", "kinds", "without-red", "without-blue", "eaten", "bites", "tasting"}

// seeing is a tray being looked at.
type seeing struct {
	t      *tray.Tray
	larder *food.Larder
	review review.Review
	view   View
	keys   map[string]int
}

// Apply looks at a tray through a lens; word is what it is asked about, where it may be asked.
func Apply(t *tray.Tray, larder *food.Larder, lens, word string) (View, error) {
	if err := fault.OneOf("lens", lens, Lenses...); err != nil {
		return View{}, err
	}
	if t.Board == nil {
		return View{}, fault.Bad("board", "choose a board before laying the tray")
	}
	s := &seeing{t: t, larder: larder, review: review.Judge(t, larder), keys: map[string]int{},
		view: View{Lens: lens, Tints: []Tint{}, Key: []Key{}, Lines: []Line{}, Discs: []Disc{}, Areas: []Area{}, Words: []string{}}}
	switch lens {
	case "families":
		s.families()
	case "grey":
		s.seen(colour.Grey, "Without its colours", "Where light lies beside light the tray goes flat: neighbours should differ in lightness, too")
	case "without-green":
		s.seen(colour.WithoutGreen, "Without green cones", "One man in twenty sees it so. What runs together here is told apart by shape alone")
	case "without-red":
		s.seen(colour.WithoutRed, "Without red cones", "One man in a hundred sees it so, reds dark. What runs together here is told apart by shape alone")
	case "without-blue":
		s.seen(colour.WithoutBlue, "Without blue cones", "Few see it so. What runs together here is told apart by shape alone")
	case "wet":
		s.wet()
	case "height":
		s.height()
	case "reach":
		s.reach()
	case "allergens":
		if err := s.allergens(word); err != nil {
			return View{}, err
		}
	case "flow":
		s.flow()
	case "gaps":
		s.gaps()
	case "pairs":
		s.pairs()
	case "bites":
		s.bites()
	case "tasting":
		s.tasting()
	case "kinds":
		s.kinds()
	case "eaten":
		if err := s.eaten(); err != nil {
			return View{}, err
		}
	}
	slices.SortStableFunc(s.view.Key, func(a, b Key) int { return b.Count - a.Count })
	return s.view, nil
}

// each calls f with every element that lies on the board, and its food.
func (s *seeing) each(f func(e *tray.Element, fd *food.Food)) {
	for i := range s.t.Elements {
		e := &s.t.Elements[i]
		if fd, ok := s.larder.Get(e.Food); ok && e.Placed && len(e.Pieces) > 0 {
			f(e, fd)
		}
	}
}

// quiet tints an element that is not what the lens is looking for.
func (s *seeing) quiet(e *tray.Element, hex, says string) {
	s.tint(e, hex, says)
	s.view.Tints[len(s.view.Tints)-1].Quiet = true
}

// tint tints an element, with a word of the data's.
func (s *seeing) tint(e *tray.Element, hex, word string) { s.tinted(e, hex, say.Plain(word)) }

// tinted tints an element, and counts it in the legend.
func (s *seeing) tinted(e *tray.Element, hex string, says say.Text) {
	s.view.Tints = append(s.view.Tints, Tint{Element: e.ID, Colour: hex, Says: says})
	k, ok := s.keys[says.String()]
	if !ok {
		k = len(s.view.Key)
		s.keys[says.String()] = k
		s.view.Key = append(s.view.Key, Key{Colour: hex, Says: says})
	}
	s.view.Key[k].Count++
}

// check is the value of one of the review's checks, and whether it was measured.
func (s *seeing) check(id string) (float64, bool) {
	for _, c := range s.review.Checks {
		if c.ID == id {
			return c.Value, true
		}
	}
	return 0, false
}

func percent(v float64) say.Value { return say.Percent(100 * v) }

// bodies are the pieces of an element, ready for gaps.
func bodies(e *tray.Element) []geom.Body {
	out := make([]geom.Body, len(e.Pieces))
	for i := range e.Pieces {
		out[i] = geom.NewBody(e.Pieces[i].Outline)
	}
	return out
}

// nearest is the gap between two elements where it is under most, mm, and the middles of the pieces that are nearest.
func nearest(a, b []geom.Body, most float64) (gap float64, at, to geom.Point, ok bool) {
	gap = most
	for i := range a {
		for j := range b {
			if geom.BoxGap(a[i].Box, b[j].Box) >= gap {
				continue
			}
			if d := geom.Gap(&a[i], &b[j], gap); d < gap {
				gap, at, to, ok = d, a[i].Box.Centre(), b[j].Box.Centre(), true
			}
		}
	}
	return gap, at, to, ok
}

// box is the box round an element's pieces.
func box(e *tray.Element) geom.Rect {
	r := e.Pieces[0].Outline.Bounds()
	for i := range e.Pieces {
		r = r.Union(e.Pieces[i].Outline.Bounds())
	}
	return r
}
