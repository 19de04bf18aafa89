// Package board describes what food is laid on: boards with their food zone and
// regions, and the vessels that stand on them. Lengths are mm, y runs down.
package board

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"
	"strings"

	"happytray/core/colour"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/geom"
)

// Board is a surface as a tray file keeps it.
type Board struct {
	ID       string         `json:"id"`
	Name     string         `json:"name"`
	Outline  geom.Outline   `json:"outline"`
	FoodZone geom.Outline   `json:"food_zone"`
	Keepouts []geom.Outline `json:"keepouts"`
	Wells    []geom.Outline `json:"wells"`
	RimMM    float64        `json:"rim_mm"`
	LidMM    float64        `json:"lid_mm,omitempty"` // how high food may stand under the lid it is closed with; 0 for none
	Colour   string         `json:"colour"`
	Material string         `json:"material"`
	FoodSafe bool           `json:"food_safe"`
	Liner    string         `json:"liner"`           // colour of the liner, or ""
	Front    string         `json:"front"`           // none, top, right, bottom or left
	Access   []string       `json:"access"`          // sides that guests stand at
	Turns    bool           `json:"turns,omitempty"` // it stands on a pivot: what somebody wants comes round to them
	Extra    document.Extra `json:"-"`
}

type plainBoard Board

func (b *Board) UnmarshalJSON(raw []byte) (err error) {
	b.FoodSafe = true // unless the file says otherwise
	b.Extra, err = document.ReadObject(raw, (*plainBoard)(b))
	return err
}

func (b Board) MarshalJSON() ([]byte, error) { return document.WriteObject(plainBoard(b), b.Extra) }

// Shapes of board that can be asked for by name.
var Shapes = []string{"rectangle", "round", "oval", "paddle", "plank", "half-round", "hexagon", "ring", "heart", "tree", "star", "figure", "outline"}

// Materials a board can be drawn in.
var Materials = []string{"wood", "slate", "marble", "ceramic", "metal", "glass", "chalkboard", "paper", "card"}

var sides = []string{"top", "right", "bottom", "left"}

// Request asks for a board by shape and size, as a brief does.
type Request struct {
	ID          string         `json:"id,omitempty"`
	Name        string         `json:"name,omitempty"`
	Shape       string         `json:"shape,omitempty"`
	LengthMM    float64        `json:"length_mm,omitempty"`
	WidthMM     float64        `json:"width_mm,omitempty"`
	RimMM       float64        `json:"rim_mm,omitempty"`
	LidMM       float64        `json:"lid_mm,omitempty"` // how high food may stand under its lid; 0 for none
	Colour      string         `json:"colour,omitempty"`
	Material    string         `json:"material,omitempty"`
	Figure      string         `json:"figure,omitempty"` // of the shape figure: a letter or a digit
	Outline     geom.Outline   `json:"outline,omitempty"`
	Holes       []geom.Outline `json:"holes,omitempty"`         // in the outline's own coordinates; nothing is laid there
	NotFoodSafe bool           `json:"not_food_safe,omitempty"` // it then wants a liner
	Liner       string         `json:"liner,omitempty"`         // its colour
	Turns       bool           `json:"turns,omitempty"`         // it stands on a pivot
	Pins        []string       `json:"pins,omitempty"`          // foods of a set's that lie on this board, and only on boards that say so
	Bans        []string       `json:"bans,omitempty"`          // foods of a set's that do not lie on this board
	Extra       document.Extra `json:"-"`
}

type plainRequest Request

func (r Request) MarshalJSON() ([]byte, error) { return document.WriteObject(plainRequest(r), r.Extra) }

// UnmarshalJSON reads a board's id, or an object with its shape and size.
func (r *Request) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &r.ID)
	}
	r.Extra, err = document.ReadObject(raw, (*plainRequest)(r))
	return err
}

// Zero reports whether nothing was asked for.
func (r Request) Zero() bool { return r.ID == "" && r.Shape == "" && len(r.Outline) == 0 }

// MaxRegions bounds a board's keep-outs and its wells.
const MaxRegions = 40

// LeastLid and MostLid bound the room under a lid, mm: under less only slices lie, over more nobody calls it a lid.
const (
	LeastLid = 20
	MostLid  = 300
)

const margin = 8 // mm between a board's edge and its food zone: room to lift it

// Named reports whether the request only names a board, which then comes from a
// Cabinet.
func (r Request) Named() bool { return r.ID != "" && r.Shape == "" && len(r.Outline) == 0 }

// Called is a board's name without the size that one made to measure has in it, for where that is said besides, in
// whatever units.
func (b *Board) Called() string {
	parts := strings.Split(b.Name, ", ")
	return strings.Join(slices.DeleteFunc(parts, func(p string) bool { return strings.Contains(p, " × ") }), ", ")
}

// Make builds a board of any shape by its dimensions, or a built-in one by id.
func Make(r Request) (Board, error) { return BuiltInCabinet().Make(r) }

func build(r Request) (Board, error) {
	if r.Shape == "" && len(r.Outline) > 0 {
		r.Shape = "outline"
	}
	if err := fault.OneOf("shape", r.Shape, Shapes...); err != nil {
		return Board{}, err
	}
	l, w := r.LengthMM, r.WidthMM
	switch r.Shape {
	case "outline":
	case "round", "hexagon":
		if l == 0 {
			l = w
		}
		w = l
	case "ring", "star":
		if w == 0 {
			w = l
		}
	case "heart":
		if w == 0 {
			w = .92 * l
		}
	case "tree":
		if w == 0 {
			w = 1.3 * l
		}
	case "figure":
		if w == 0 {
			w = 1.4 * l
		}
	case "half-round":
		if w == 0 {
			w = l / 2
		}
	}
	if r.Shape != "outline" {
		if w == 0 && l > 0 {
			w = l * .66
		}
		for _, v := range []struct {
			field string
			mm    float64
		}{{"length_mm", l}, {"width_mm", w}} {
			if err := fault.Between(v.field, v.mm, 100, 3000, " mm"); err != nil {
				return Board{}, err
			}
		}
	}
	if err := fault.Between("rim_mm", r.RimMM, 0, 100, " mm"); err != nil {
		return Board{}, err
	}
	b := Board{ID: r.ID, RimMM: r.RimMM, LidMM: r.LidMM, Colour: r.Colour, Material: r.Material, FoodSafe: !r.NotFoodSafe, Liner: r.Liner, Turns: r.Turns,
		Front: "none", Access: append([]string(nil), sides...), Keepouts: []geom.Outline{}, Wells: []geom.Outline{}}
	if b.ID == "" {
		b.ID = fmt.Sprintf("own-%s", r.Shape)
	}
	if b.Material == "" {
		b.Material = "wood"
	}
	if b.Colour == "" {
		b.Colour = "#8a5a35"
	}
	edge := float64(margin)
	if b.RimMM > 0 {
		edge = 12 // the rim itself
	}
	edge = math.Min(edge, math.Min(l, w)*.06+.5)
	switch r.Shape {
	case "rectangle", "plank":
		b.Outline = geom.Box(l, w, math.Min(28, math.Min(l, w)*.12))
	case "oval":
		b.Outline = geom.Ellipse(l/2, w/2, 64)
	case "round":
		b.Outline = geom.Ellipse(l/2, l/2, 64)
	case "hexagon":
		b.Outline = geom.Ellipse(l/2, l/2, 6)
	case "half-round":
		for i := 0; i <= 32; i++ {
			p := geom.Polar(1, 180+float64(i)*180/32)
			b.Outline = append(b.Outline, geom.Pt(p.X*l/2, p.Y*w+w/2))
		}
	case "ring":
		b.Outline, b.Keepouts = ring(l, w)
	case "heart":
		b.Outline = heart(l, w)
	case "tree":
		b.Outline = fir(l, w)
	case "star":
		b.Outline = star(l, w)
	case "figure":
		o, holes, ok := figure(r.Figure, l, w)
		if !ok {
			return Board{}, fault.Bad("figure", "should be one letter from A to Z or one digit")
		}
		b.Outline, b.Keepouts = o, append(b.Keepouts, holes...)
	case "paddle":
		// the handle takes the last quarter of the length, 90 mm at least where there is room
		h := math.Max(l*.24, math.Min(90, l*.3))
		body := geom.Box(l-h, w, math.Min(60, w*.28)).Move(geom.Pt(-h/2, 0))
		hw := math.Min(60, w*.3)
		x0 := l/2 - h
		b.Outline = withHandle(body, x0, l/2, hw)
		b.FoodZone = body.Inset(edge)
		handle := geom.Box(h, hw, hw*.45).Move(geom.Pt(l/2-h/2, 0))
		b.Keepouts = []geom.Outline{handle}
	case "outline":
		if err := r.Outline.Check(); err != nil {
			return Board{}, fault.Bad("outline", "%s", err.Error())
		}
		box := r.Outline.Bounds()
		if box.W() < 100 || box.H() < 100 || box.W() > 3000 || box.H() > 3000 {
			return Board{}, fault.Bad("outline", "a board should measure between 100 and 3000 mm each way")
		}
		edge = margin
		c := box.Centre()
		b.Outline = r.Outline.Move(c.Mul(-1))
		l, w = box.W(), box.H()
		if len(r.Holes) > MaxRegions {
			return Board{}, fault.Bad("holes", "at most %d holes", MaxRegions)
		}
		for i, h := range r.Holes {
			if err := h.Check(); err != nil {
				return Board{}, fault.Bad(fmt.Sprintf("holes[%d]", i), "%s", err.Error())
			}
			b.Keepouts = append(b.Keepouts, h.Move(c.Mul(-1)))
		}
		b.FoodZone = b.Outline.Shrink(edge)
	}
	switch {
	case b.FoodZone != nil:
	case slices.Contains(shaped, r.Shape):
		b.FoodZone = b.Outline.Shrink(edge)
	default:
		b.FoodZone = b.Outline.Inset(edge)
	}
	if len(b.FoodZone) < 3 || b.FoodZone.Check() != nil {
		return Board{}, fault.Bad("outline", "the board is too narrow to lay food on")
	}
	// Boards lie with their upper left corner at (0, 0), as rulers read.
	shift := b.Outline.Bounds().Min.Mul(-1)
	b.Outline, b.FoodZone = b.Outline.Move(shift).Round(), b.FoodZone.Move(shift).Round()
	for i := range b.Keepouts {
		b.Keepouts[i] = b.Keepouts[i].Move(shift).Round()
	}
	b.Name = r.Name
	if b.Name == "" {
		name := title[r.Shape]
		if r.Shape == "figure" {
			name = "Letter " + strings.ToUpper(r.Figure)
			if r.Figure[0] <= '9' {
				name = "Digit " + r.Figure
			}
		}
		b.Name = fmt.Sprintf("%s, %.0f × %.0f cm", name, l/10, w/10)
	}
	return b, b.Check()
}

var title = map[string]string{"rectangle": "Rectangle", "round": "Round", "oval": "Oval", "paddle": "Paddle",
	"plank": "Plank", "half-round": "Half-round", "hexagon": "Hexagon", "ring": "Ring", "heart": "Heart", "tree": "Tree", "star": "Star", "figure": "Figure", "outline": "Own outline"}

// shaped are those with corners and notches, whose food zone is not their outline moved in point by point.
var shaped = []string{"heart", "tree", "star", "figure"}

// withHandle joins a handle hw wide, from x0 to x1, to the right side of a box
// made by geom.Box, which starts below that side's middle and ends above it.
func withHandle(box geom.Outline, x0, x1, hw float64) geom.Outline {
	out := append(append(geom.Outline(nil), box...), geom.Pt(x0, -hw/2))
	var tip geom.Outline
	for _, p := range geom.Box(hw*2, hw, hw*.45).Move(geom.Pt(x1-hw, 0)) {
		if p.X > x1-hw {
			tip = append(tip, p)
		}
	}
	half := len(tip) / 2 // lower corner first, then the upper one
	out = append(append(out, tip[half:]...), tip[:half]...)
	return append(out, geom.Pt(x0, hw/2))
}

// Check bounds a board that came from outside.
func (b Board) Check() error {
	if err := fault.Text("id", b.ID, 80); err != nil {
		return err
	}
	if err := fault.Text("name", b.Name, 120); err != nil {
		return err
	}
	if err := b.Outline.Check(); err != nil {
		return fault.Bad("outline", "%s", err.Error())
	}
	box := b.Outline.Bounds()
	if math.Min(box.W(), box.H()) < 86 || // a hexagon 100 mm long is 86.6 wide
		math.Max(box.W(), box.H()) > 3001 {
		return fault.Bad("outline", "a board should measure between 100 and 3000 mm each way")
	}
	if err := b.FoodZone.Check(); err != nil {
		return fault.Bad("food_zone", "%s", err.Error())
	}
	if z, o := b.FoodZone.Bounds(), box.Grow(1); z.Min.X < o.Min.X || z.Min.Y < o.Min.Y || z.Max.X > o.Max.X || z.Max.Y > o.Max.Y {
		return fault.Bad("food_zone", "the food zone reaches beyond the board")
	}
	for i, list := range [][]geom.Outline{b.Keepouts, b.Wells} {
		name := []string{"keepouts", "wells"}[i]
		if len(list) > MaxRegions {
			return fault.Bad(name, "at most %d regions", MaxRegions)
		}
		for i, o := range list {
			if err := o.Check(); err != nil {
				return fault.Bad(fmt.Sprintf("%s[%d]", name, i), "%s", err.Error())
			}
		}
	}
	if err := fault.Between("rim_mm", b.RimMM, 0, 100, " mm"); err != nil {
		return err
	}
	if b.LidMM != 0 {
		if err := fault.Between("lid_mm", b.LidMM, LeastLid, MostLid, " mm, or left out where there is no lid"); err != nil {
			return err
		}
	}
	for i, c := range []string{b.Colour, b.Liner} {
		field := []string{"colour", "liner"}[i]
		if field == "liner" && c == "" {
			continue
		}
		if _, err := colour.Parse(c); err != nil {
			return fault.Bad(field, "%s", err.Error())
		}
	}
	if err := fault.OneOf("material", b.Material, Materials...); err != nil {
		return err
	}
	if b.Front != "" {
		if err := fault.OneOf("front", b.Front, append([]string{"none"}, sides...)...); err != nil {
			return err
		}
	}
	if len(b.Access) > 4 {
		return fault.Bad("access", "a board has four sides")
	}
	for _, s := range b.Access {
		if err := fault.OneOf("access", s, sides...); err != nil {
			return err
		}
	}
	return nil
}

// Ground is the colour that shows between the food: the liner's, or the board's.
func (b Board) Ground() string {
	if b.Liner != "" {
		return b.Liner
	}
	return b.Colour
}

// UsableMM2 is the food zone's area without its keep-outs.
func (b Board) UsableMM2() float64 {
	a := b.FoodZone.Area()
	for _, k := range b.Keepouts {
		hole := geom.NewBody(k)
		a -= hole.Shared(b.FoodZone)
	}
	return math.Max(0, a)
}
