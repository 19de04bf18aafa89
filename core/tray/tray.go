// Package tray is one planned surface: a board, vessels and elements with their poses
// and pieces, for some of a job's guests. Package job says how trays are kept in a file.
package tray

import (
	"slices"

	"happytray/core/bite"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
)

// Bounds of a tray from outside.
const (
	MaxElements = 400
	MaxPieces   = 20000
	MaxReach    = 10000 // mm from the origin
)

// Tray is one planned surface.
type Tray struct {
	Brief    brief.Brief    // as it is for the guests that this tray is for
	Board    *board.Board   // nil while only briefed
	Vessels  []board.Vessel // none twice
	Elements []Element
	Reserve  []Reserve
	Rules    brief.Rules
	Seed     uint64         // of its layouts and of what looks cut by hand
	Order    []string       // of hands as it is wished, steps as food/form; what is not named keeps its usual place
	Part     *Part          // of the job's guests, where it has several trays
	Extra    document.Extra // members of its file that this version does not know
}

// Element is one placed unit: a food, a form and an amount.
type Element struct {
	ID       string         `json:"id"`
	Food     string         `json:"food"`
	Form     string         `json:"form"`
	Category food.Category  `json:"category"`
	Grams    float64        `json:"grams"`
	Count    int            `json:"count"` // pieces laid, or in the vessel
	Vessel   string         `json:"vessel,omitempty"`
	Placed   bool           `json:"placed"`
	X        float64        `json:"x"` // mm
	Y        float64        `json:"y"` // mm
	TurnDeg  float64        `json:"turn_deg"`
	Path     []geom.Point   `json:"path,omitempty"` // of a trail, board coordinates
	Layer    int            `json:"layer"`          // 0 to 100; higher lies above
	Locked   bool           `json:"locked"`
	Colour   string         `json:"colour"`
	Wetness  food.Wetness   `json:"wetness"` // as it lies there; its food's unless the file says otherwise, as of fruit that was dried off
	Pieces   []Piece        `json:"pieces"`
	Extra    document.Extra `json:"-"`
}

// Piece is a closed polygon in board coordinates with its height. At, TurnDeg and Variant
// say how its drawing lies; a reader may ignore them.
type Piece struct {
	Outline  geom.Outline   `json:"outline"`
	ZMM      float64        `json:"z_mm"` // of its underside above the board
	HeightMM float64        `json:"height_mm"`
	Colour   string         `json:"colour"`
	At       geom.Point     `json:"at"` // where its drawing's middle lies, board coordinates in mm
	TurnDeg  float64        `json:"turn_deg"`
	Variant  int            `json:"variant"` // of its drawing, 0 and up
	Extra    document.Extra `json:"-"`
}

// Alike reports whether an element is and lies as another.
func (e *Element) Alike(o *Element) bool {
	return e.Food == o.Food && e.Form == o.Form && e.Grams == o.Grams && e.Count == o.Count && e.Vessel == o.Vessel && e.Pose() == o.Pose() && e.Placed == o.Placed && e.Locked == o.Locked &&
		slices.Equal(e.Path, o.Path) && slices.EqualFunc(e.Pieces, o.Pieces, func(p, q Piece) bool {
		return p.At == q.At && p.TurnDeg == q.TurnDeg && p.ZMM == q.ZMM && p.Variant == q.Variant && slices.Equal(p.Outline, q.Outline)
	})
}

// StandMM is from how high on, mm, a thing stands on a stand or an upturned bowl, and no longer on a small plate or a lid.
const StandMM = 30.0

// RaisedMM is how high above the board what stands is set, on something under it; 0 for what lies.
func (e *Element) RaisedMM() float64 {
	if e.Vessel == "" && e.Kind() != food.KindAnchor || len(e.Pieces) == 0 {
		return 0
	}
	least := e.Pieces[0].ZMM
	for _, p := range e.Pieces[1:] {
		least = min(least, p.ZMM)
	}
	return least
}

// Reserve is food held back for topping up.
type Reserve struct {
	Food  string         `json:"food"`
	Form  string         `json:"form"`
	Grams float64        `json:"grams"`
	Count int            `json:"count"` // pieces
	Why   string         `json:"why"`
	Extra document.Extra `json:"-"`
}

// Foods lists the ids of the foods on the tray and in its reserve, each once, in order.
func (t *Tray) Foods() []string {
	var out []string
	seen := map[string]bool{}
	add := func(id string) {
		if !seen[id] {
			seen[id] = true
			out = append(out, id)
		}
	}
	for i := range t.Elements {
		add(t.Elements[i].Food)
	}
	for i := range t.Reserve {
		add(t.Reserve[i].Food)
	}
	return out
}

// Bites are those that the foods of its elements make, for whom it is laid.
func (t *Tray) Bites(larder *food.Larder) []bite.Bite {
	var foods []*food.Food
	seen := map[string]bool{}
	for i := range t.Elements {
		if f, ok := larder.Get(t.Elements[i].Food); ok && !seen[f.ID] {
			seen[f.ID] = true
			foods = append(foods, f)
		}
	}
	return bite.Of(foods, t.Brief)
}

// Find is the index of the element with the id, or -1.
func (t *Tray) Find(id string) int {
	for i := range t.Elements {
		if t.Elements[i].ID == id {
			return i
		}
	}
	return -1
}

// Vessel finds a vessel of this tray by id.
func (t *Tray) Vessel(id string) (board.Vessel, bool) {
	for _, v := range t.Vessels {
		if v.ID == id {
			return v, true
		}
	}
	return board.Vessel{}, false
}

// Pose is where the element's origin lies.
func (e *Element) Pose() geom.Pose { return geom.Pose{X: e.X, Y: e.Y, Turn: e.TurnDeg} }

// Kind is the kind of the element's form.
func (e *Element) Kind() food.Kind {
	if f := food.FormByID(e.Form); f != nil {
		return f.Kind()
	}
	return food.KindLoose
}

// MoveTo carries the element with all its pieces to a new pose.
func (e *Element) MoveTo(to geom.Pose) {
	from := e.Pose()
	turn := to.Turn - from.Turn
	move := func(p geom.Point) geom.Point {
		rel := geom.Pose{Turn: turn}.Apply(p.Sub(from.At()))
		return to.At().Add(rel).Round()
	}
	pieces := make([]Piece, len(e.Pieces)) // the old slice may be shared
	for i, p := range e.Pieces {
		o := make(geom.Outline, len(p.Outline))
		for j, q := range p.Outline {
			o[j] = move(q)
		}
		p.Outline, p.At = o, move(p.At)
		p.TurnDeg = round.Hundredth(geom.NormalTurn(p.TurnDeg + turn))
		pieces[i] = p
	}
	e.Pieces = pieces
	path := make([]geom.Point, len(e.Path))
	for i, p := range e.Path {
		path[i] = move(p)
	}
	e.Path = path
	at := to.At().Round()
	e.X, e.Y, e.TurnDeg = at.X, at.Y, round.Hundredth(geom.NormalTurn(to.Turn))
}

// LayOut puts the pieces of a form, laid round its origin, onto the board.
func LayOut(f *food.Food, s food.Spec, vessel *board.Vessel, pose geom.Pose, pieces []food.Piece) []Piece {
	out := make([]Piece, 0, len(pieces))
	for _, p := range pieces {
		at := pose.Then(p.Pose)
		var o geom.Outline
		height := p.Height
		if vessel != nil {
			o, height = vessel.Footprint(), vessel.HeightMM
			if food.Has(s.Form, food.StandsOut) { // it stands out of its vessel
				height = max(height, s.H, s.L)
			}
		} else {
			o = s.Outline(f.ID, p.Variant)
		}
		out = append(out, Piece{Outline: at.ApplyAll(o).Round(), ZMM: round.Hundredth(p.Z), HeightMM: round.Hundredth(height),
			Colour: f.SurfaceColour(s), At: at.At().Round(), TurnDeg: round.Hundredth(at.Turn), Variant: p.Variant})
	}
	return out
}

// Clone is a copy that shares no element, piece list or reserve with t; the
// outlines inside are shared and never changed in place.
func (t *Tray) Clone() *Tray {
	c := *t
	c.Elements = slices.Clone(t.Elements)
	for i := range c.Elements {
		c.Elements[i].Pieces = slices.Clone(c.Elements[i].Pieces)
	}
	c.Reserve, c.Vessels = slices.Clone(t.Reserve), slices.Clone(t.Vessels)
	return &c
}
