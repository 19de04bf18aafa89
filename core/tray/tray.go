// Package tray is the plan: a brief, a board, vessels and elements with their
// poses and pieces. It reads and writes the tray file, which is described in
// docs/formats/tray.schema.json.
package tray

import (
	"encoding/json"
	"fmt"
	"math"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
)

// Format names the file format and its version.
const Format = "happytray/1"

// Bounds of a tray from outside.
const (
	MaxElements = 400
	MaxPieces   = 20000
	MaxReach    = 10000 // mm from the origin
)

// Tray is one planned surface.
type Tray struct {
	Format   string         `json:"format"`
	Title    string         `json:"title"`
	Brief    brief.Brief    `json:"brief"`
	Board    *board.Board   `json:"board"` // nil while only briefed
	Vessels  []board.Vessel `json:"vessels"`
	Elements []Element      `json:"elements"`
	Reserve  []Reserve      `json:"reserve"`
	Foods    []Kept         `json:"foods,omitempty"` // as they were when this tray was planned
	Rules    brief.Rules    `json:"rules"`
	Seed     uint64         `json:"seed"`
	Part     *Part          `json:"part,omitempty"`    // of the table, where the job has several trays
	Further  []Tray         `json:"further,omitempty"` // the job's other trays, kept with its first
	Extra    document.Extra `json:"-"`
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
	Y        float64        `json:"y"`
	TurnDeg  float64        `json:"turn_deg"`
	Path     []geom.Point   `json:"path,omitempty"` // of a trail, board coordinates
	Layer    int            `json:"layer"`
	Locked   bool           `json:"locked"`
	Colour   string         `json:"colour"`
	Wetness  food.Wetness   `json:"wetness"`
	Pieces   []Piece        `json:"pieces"`
	Extra    document.Extra `json:"-"`
}

// Piece is a closed polygon in board coordinates with its height. Art, Variant,
// At and TurnDeg say how to draw it; a reader may ignore them.
type Piece struct {
	Outline  geom.Outline   `json:"outline"`
	ZMM      float64        `json:"z_mm"`
	HeightMM float64        `json:"height_mm"`
	Colour   string         `json:"colour"`
	At       geom.Point     `json:"at"`
	TurnDeg  float64        `json:"turn_deg"`
	Variant  int            `json:"variant"`
	Extra    document.Extra `json:"-"`
}

// Reserve is food held back for topping up.
type Reserve struct {
	Food  string         `json:"food"`
	Form  string         `json:"form"`
	Grams float64        `json:"grams"`
	Count int            `json:"count"`
	Why   string         `json:"why"`
	Extra document.Extra `json:"-"`
}

type (
	plainTray    Tray
	plainElement Element
	plainPiece   Piece
	plainReserve Reserve
)

func (t *Tray) UnmarshalJSON(b []byte) (err error) {
	t.Extra, err = document.ReadObject(b, (*plainTray)(t))
	return err
}
func (t Tray) MarshalJSON() ([]byte, error) {
	if t.Vessels == nil {
		t.Vessels = []board.Vessel{}
	}
	if t.Elements == nil {
		t.Elements = []Element{}
	}
	if t.Reserve == nil {
		t.Reserve = []Reserve{}
	}
	return document.WriteObject(plainTray(t), t.Extra)
}
func (e *Element) UnmarshalJSON(b []byte) (err error) {
	e.Placed = true // a file need not say so
	e.Extra, err = document.ReadObject(b, (*plainElement)(e))
	if len(e.Pieces) == 0 {
		e.Placed = false
	}
	return err
}
func (e Element) MarshalJSON() ([]byte, error) {
	if e.Pieces == nil {
		e.Pieces = []Piece{}
	}
	return document.WriteObject(plainElement(e), e.Extra)
}
func (p *Piece) UnmarshalJSON(b []byte) (err error) {
	p.Extra, err = document.ReadObject(b, (*plainPiece)(p))
	return err
}
func (p Piece) MarshalJSON() ([]byte, error) { return document.WriteObject(plainPiece(p), p.Extra) }
func (r *Reserve) UnmarshalJSON(b []byte) (err error) {
	r.Extra, err = document.ReadObject(b, (*plainReserve)(r))
	return err
}
func (r Reserve) MarshalJSON() ([]byte, error) { return document.WriteObject(plainReserve(r), r.Extra) }

// Read reads a tray file and checks it against its bounds and the larder.
func Read(raw []byte, larder *food.Larder) (*Tray, error) {
	var t Tray
	if err := document.Read(raw, &t); err != nil {
		return nil, err
	}
	if err := t.Check(larder); err != nil {
		return nil, err
	}
	return &t, nil
}

// Write writes the tray file.
func (t *Tray) Write() ([]byte, error) { return json.Marshal(t) }

// Check reports the first thing in the tray that cannot be worked with.
func (t *Tray) Check(larder *food.Larder) error {
	base := larder
	if len(t.Foods) > MaxElements {
		return fault.Bad("foods", "at most %d foods", MaxElements)
	}
	for i := range t.Foods {
		if err := t.Foods[i].Check(); err != nil {
			return fault.In(fmt.Sprintf("foods[%d]", i), err)
		}
	}
	larder = t.Larder(larder)
	if err := t.checkParts(base); err != nil {
		return err
	}
	if t.Format != Format {
		return fault.Bad("format", "should be %q, not %.40q", Format, t.Format)
	}
	if err := fault.Text("title", t.Title, 160); err != nil {
		return err
	}
	if err := t.Brief.Check(); err != nil {
		return fault.In("brief", err)
	}
	if err := t.Rules.Check(); err != nil {
		return fault.In("rules", err)
	}
	if t.Board != nil {
		if err := t.Board.Check(); err != nil {
			return fault.In("board", err)
		}
	} else if len(t.Elements) > 0 {
		return fault.Bad("board", "a tray with elements needs a board")
	}
	if len(t.Vessels) > MaxElements {
		return fault.Bad("vessels", "at most %d vessels", MaxElements)
	}
	vessels := map[string]bool{}
	for i, v := range t.Vessels {
		at := fmt.Sprintf("vessels[%d]", i)
		if err := v.Check(); err != nil {
			return fault.In(at, err)
		}
		if vessels[v.ID] {
			return fault.Bad(at+".id", "%.60q is used twice", v.ID)
		}
		vessels[v.ID] = true
	}
	if len(t.Elements) > MaxElements {
		return fault.Bad("elements", "at most %d elements", MaxElements)
	}
	ids, pieces := map[string]bool{}, 0
	for i := range t.Elements {
		e := &t.Elements[i]
		at := fmt.Sprintf("elements[%d]", i)
		if ids[e.ID] {
			return fault.Bad(at+".id", "%.60q is used twice", e.ID)
		}
		ids[e.ID] = true
		if e.Vessel != "" && !vessels[e.Vessel] {
			return fault.Bad(at+".vessel", "there is no vessel %.60q on this tray", e.Vessel)
		}
		if err := e.check(larder); err != nil {
			return fault.In(at, err)
		}
		if pieces += len(e.Pieces); pieces > MaxPieces {
			return fault.Bad(at+".pieces", "a tray may have at most %d pieces", MaxPieces)
		}
	}
	if len(t.Reserve) > MaxElements {
		return fault.Bad("reserve", "at most %d entries", MaxElements)
	}
	for i, r := range t.Reserve {
		at := fmt.Sprintf("reserve[%d]", i)
		if _, ok := larder.Get(r.Food); !ok {
			return fault.Bad(at+".food", "there is no food %.60q in the larder", r.Food)
		}
		if err := fault.Between(at+".grams", r.Grams, 0, 1e7, " g"); err != nil {
			return err
		}
		if r.Count < 0 || r.Count > 1e8 {
			return fault.Bad(at+".count", "should be between 0 and 100000000")
		}
		if err := fault.Text(at+".why", r.Why, 400); err != nil {
			return err
		}
	}
	return nil
}

func (e *Element) check(larder *food.Larder) error {
	if e.ID == "" {
		return fault.Bad("id", "an element needs an id")
	}
	if err := fault.Text("id", e.ID, 80); err != nil {
		return err
	}
	f, ok := larder.Get(e.Food)
	if !ok {
		return fault.Bad("food", "there is no food %.60q in the larder", e.Food)
	}
	if _, ok := f.Spec(e.Form); !ok {
		return fault.Bad("form", "%s cannot be laid as %.40q", f.Name, e.Form)
	}
	if food.InVessel(e.Form) && e.Vessel == "" {
		return fault.Bad("vessel", "what is laid as %s needs a vessel", e.Form)
	}
	if e.Category != "" && e.Category != f.Category {
		return fault.Bad("category", "%s is %s, not %.40q", f.Name, f.Category, string(e.Category))
	}
	if err := fault.Between("grams", e.Grams, 0, 1e6, " g"); err != nil {
		return err
	}
	if e.Count < 0 || e.Count > MaxPieces {
		return fault.Bad("count", "should be between 0 and %d", MaxPieces)
	}
	for _, v := range []struct {
		field string
		v     float64
	}{{"x", e.X}, {"y", e.Y}, {"turn_deg", e.TurnDeg}} {
		if err := fault.Between(v.field, v.v, -MaxReach, MaxReach, ""); err != nil {
			return err
		}
	}
	if e.Layer < 0 || e.Layer > 100 {
		return fault.Bad("layer", "should be between 0 and 100")
	}
	if len(e.Path) > 400 {
		return fault.Bad("path", "at most 400 points")
	}
	for i, p := range e.Path {
		if math.Abs(p.X) > MaxReach || math.Abs(p.Y) > MaxReach {
			return fault.Bad(fmt.Sprintf("path[%d]", i), "lies too far from the board")
		}
	}
	if e.Colour != "" {
		if _, err := colour.Parse(e.Colour); err != nil {
			return fault.Bad("colour", "%s", err.Error())
		}
	}
	for i := range e.Pieces {
		p := &e.Pieces[i]
		at := fmt.Sprintf("pieces[%d]", i)
		if len(p.Outline) > 64 {
			return fault.Bad(at+".outline", "at most 64 points")
		}
		if err := p.Outline.Check(); err != nil {
			return fault.Bad(at+".outline", "%s", err.Error())
		}
		for _, q := range p.Outline {
			if math.Abs(q.X) > MaxReach || math.Abs(q.Y) > MaxReach {
				return fault.Bad(at+".outline", "lies too far from the board")
			}
		}
		if err := fault.Between(at+".z_mm", p.ZMM, 0, 500, " mm"); err != nil {
			return err
		}
		if err := fault.Between(at+".height_mm", p.HeightMM, 0, 500, " mm"); err != nil {
			return err
		}
		if p.Colour != "" {
			if _, err := colour.Parse(p.Colour); err != nil {
				return fault.Bad(at+".colour", "%s", err.Error())
			}
		}
		if p.Variant < 0 || p.Variant >= 64 {
			return fault.Bad(at+".variant", "should be between 0 and 63")
		}
	}
	return nil
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
		p.TurnDeg = round2(geom.NormalTurn(p.TurnDeg + turn))
		pieces[i] = p
	}
	e.Pieces = pieces
	path := make([]geom.Point, len(e.Path))
	for i, p := range e.Path {
		path[i] = move(p)
	}
	e.Path = path
	at := to.At().Round()
	e.X, e.Y, e.TurnDeg = at.X, at.Y, round2(geom.NormalTurn(to.Turn))
}

func round2(v float64) float64 { return math.Round(v*100) / 100 }

// Place puts the pieces of a form, laid round its origin, onto the board.
func Place(f *food.Food, s food.Spec, vessel *board.Vessel, pose geom.Pose, pieces []food.Piece) []Piece {
	out := make([]Piece, 0, len(pieces))
	for _, p := range pieces {
		at := pose.Then(p.Pose)
		var o geom.Outline
		height := p.Height
		if vessel != nil {
			o, height = vessel.Footprint(), vessel.HeightMM
			if s.Form == "upright" || s.Form == "flower" { // it stands out of its vessel
				height = max(height, s.H, s.L)
			}
		} else {
			o = s.Outline(f.ID, p.Variant)
		}
		out = append(out, Piece{Outline: at.ApplyAll(o).Round(), ZMM: round2(p.Z), HeightMM: round2(height),
			Colour: f.SurfaceColour(s), At: at.At().Round(), TurnDeg: round2(at.Turn), Variant: p.Variant})
	}
	return out
}

// Clone is a copy that shares no element, piece list or reserve with t; the
// outlines inside are shared and never changed in place.
func (t *Tray) Clone() *Tray {
	c := *t
	c.Elements = append([]Element(nil), t.Elements...)
	for i := range c.Elements {
		c.Elements[i].Pieces = append([]Piece(nil), c.Elements[i].Pieces...)
	}
	c.Reserve = append([]Reserve(nil), t.Reserve...)
	c.Vessels = append([]board.Vessel(nil), t.Vessels...)
	c.Further = nil
	for i := range t.Further {
		c.Further = append(c.Further, *t.Further[i].Clone())
	}
	return &c
}
