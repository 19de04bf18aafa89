package tray

import (
	"encoding/json"
	"errors"
	"strconv"

	"happytray/core/document"
	"happytray/core/geom"
)

// Elements and pieces are read and written without reflection: a large tray holds
// thousands of pieces, and unknown members of each survive.

// UnmarshalJSON reads an element; one that lies somewhere need not say so.
func (e *Element) UnmarshalJSON(b []byte) error {
	e.Placed = true
	extra, err := document.Walk(b, e.member)
	if e.Extra = extra; len(e.Pieces) == 0 {
		e.Placed = false
	}
	return err
}

func (e *Element) member(name string, raw []byte) (known bool, err error) {
	switch name {
	case "id":
		return true, document.Text(raw, &e.ID)
	case "food":
		return true, document.Text(raw, &e.Food)
	case "form":
		return true, document.Text(raw, &e.Form)
	case "category":
		return true, document.Text(raw, (*string)(&e.Category))
	case "grams":
		return true, document.Float(raw, &e.Grams)
	case "count":
		return true, json.Unmarshal(raw, &e.Count)
	case "vessel":
		return true, document.Text(raw, &e.Vessel)
	case "placed":
		return true, json.Unmarshal(raw, &e.Placed)
	case "x":
		return true, document.Float(raw, &e.X)
	case "y":
		return true, document.Float(raw, &e.Y)
	case "turn_deg":
		return true, document.Float(raw, &e.TurnDeg)
	case "path":
		return true, json.Unmarshal(raw, &e.Path)
	case "layer":
		return true, json.Unmarshal(raw, &e.Layer)
	case "locked":
		return true, json.Unmarshal(raw, &e.Locked)
	case "colour":
		return true, document.Text(raw, &e.Colour)
	case "wetness":
		return true, document.Text(raw, (*string)(&e.Wetness))
	case "pieces":
		return true, document.List(raw, &e.Pieces, func(p *Piece, raw []byte) error { return p.UnmarshalJSON(raw) })
	}
	return false, nil
}

// AppendJSON writes the element behind what b holds.
func (e *Element) AppendJSON(b []byte) ([]byte, error) {
	b = append(b, `{"id":`...)
	b = document.AppendText(b, e.ID)
	b = append(b, `,"food":`...)
	b = document.AppendText(b, e.Food)
	b = append(b, `,"form":`...)
	b = document.AppendText(b, e.Form)
	b = append(b, `,"category":`...)
	b = document.AppendText(b, string(e.Category))
	b = append(b, `,"grams":`...)
	b = document.AppendFloat(b, e.Grams)
	b = append(b, `,"count":`...)
	b = strconv.AppendInt(b, int64(e.Count), 10)
	if e.Vessel != "" {
		b = append(b, `,"vessel":`...)
		b = document.AppendText(b, e.Vessel)
	}
	b = append(b, `,"placed":`...)
	b = strconv.AppendBool(b, e.Placed)
	b = append(b, `,"x":`...)
	b = document.AppendFloat(b, e.X)
	b = append(b, `,"y":`...)
	b = document.AppendFloat(b, e.Y)
	b = append(b, `,"turn_deg":`...)
	b = document.AppendFloat(b, e.TurnDeg)
	if len(e.Path) > 0 {
		b = append(b, `,"path":`...)
		b = geom.Outline(e.Path).AppendJSON(b)
	}
	b = append(b, `,"layer":`...)
	b = strconv.AppendInt(b, int64(e.Layer), 10)
	b = append(b, `,"locked":`...)
	b = strconv.AppendBool(b, e.Locked)
	b = append(b, `,"colour":`...)
	b = document.AppendText(b, e.Colour)
	b = append(b, `,"wetness":`...)
	b = document.AppendText(b, string(e.Wetness))
	b = append(b, `,"pieces":[`...)
	var err error
	for i := range e.Pieces {
		if i > 0 {
			b = append(b, ',')
		}
		if b, err = e.Pieces[i].appendJSON(b); err != nil {
			return nil, err
		}
	}
	return document.AppendExtra(append(b, "]}"...), e.Extra)
}

// MarshalJSON writes the element.
func (e Element) MarshalJSON() ([]byte, error) { return e.AppendJSON(nil) }

// UnmarshalJSON reads a piece and checks it, which is the larger part of checking a tray.
func (p *Piece) UnmarshalJSON(b []byte) (err error) {
	if p.Extra, err = document.Walk(b, p.member); err == nil {
		err = p.check()
	}
	return err
}

func (p *Piece) member(name string, raw []byte) (known bool, err error) {
	switch name {
	case "outline":
		return true, p.Outline.UnmarshalJSON(raw)
	case "z_mm":
		return true, document.Float(raw, &p.ZMM)
	case "height_mm":
		return true, document.Float(raw, &p.HeightMM)
	case "colour":
		return true, document.Text(raw, &p.Colour)
	case "at":
		return true, p.At.UnmarshalJSON(raw)
	case "turn_deg":
		return true, document.Float(raw, &p.TurnDeg)
	case "variant":
		return true, json.Unmarshal(raw, &p.Variant)
	}
	return false, nil
}

var errNumbers = errors.New("a piece must have ordinary numbers")

func (p *Piece) appendJSON(b []byte) ([]byte, error) {
	if sum := p.ZMM + p.HeightMM + p.TurnDeg; !p.Outline.Finite() || !p.At.Finite() || sum-sum != 0 {
		return nil, errNumbers
	}
	b = append(b, `{"outline":`...)
	b = p.Outline.AppendJSON(b)
	b = append(b, `,"z_mm":`...)
	b = document.AppendFloat(b, p.ZMM)
	b = append(b, `,"height_mm":`...)
	b = document.AppendFloat(b, p.HeightMM)
	b = append(b, `,"colour":`...)
	b = document.AppendText(b, p.Colour)
	b = append(b, `,"at":`...)
	b = p.At.AppendJSON(b)
	b = append(b, `,"turn_deg":`...)
	b = document.AppendFloat(b, p.TurnDeg)
	b = append(b, `,"variant":`...)
	b = strconv.AppendInt(b, int64(p.Variant), 10)
	return document.AppendExtra(append(b, '}'), p.Extra)
}

// MarshalJSON writes the piece.
func (p Piece) MarshalJSON() ([]byte, error) { return p.appendJSON(nil) }

type plainReserve Reserve

// UnmarshalJSON reads what is held back.
func (r *Reserve) UnmarshalJSON(b []byte) (err error) {
	r.Extra, err = document.ReadObject(b, (*plainReserve)(r))
	return err
}

// MarshalJSON writes what is held back.
func (r Reserve) MarshalJSON() ([]byte, error) { return document.WriteObject(plainReserve(r), r.Extra) }
