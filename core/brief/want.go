package brief

import (
	"encoding/json"
	"fmt"
	"math"
	"slices"

	"happytray/core/document"
	"happytray/core/fault"
)

// Want names one food that must be on the tray, with its form and amount where
// the host has said so.
type Want struct {
	Food   string         `json:"food"`           // its id, or what people call it
	Name   string         `json:"name,omitempty"` // what the host calls it, where that is not its name in the larder
	Form   string         `json:"form,omitempty"`
	Forms  []Portioned    `json:"forms,omitempty"` // where it lies in several: triangles .6, lumps .4
	On     []string       `json:"on,omitempty"`    // the foods that it goes over, where its form lies on others; empty: what suits it
	Grams  float64        `json:"grams,omitempty"`
	EachG  float64        `json:"each_g,omitempty"` // grams for each appetite, where grams are not set
	Vessel string         `json:"vessel,omitempty"` // where a form stands in one
	Extra  document.Extra `json:"-"`
}

// Portioned is a form that a part of a food is laid in.
type Portioned struct {
	Form  string  `json:"form"`
	Share float64 `json:"share"` // of its grams, above 0 and below 1
}

// MaxPortioned bounds the forms that one food lies in.
const MaxPortioned = 3

// MaxOn bounds the foods that one is strewn or drizzled over.
const MaxOn = 12

// MainForm is the form that most of it lies in; "" where none was asked for.
func (w Want) MainForm() string {
	form, most := w.Form, 0.0
	for _, p := range w.Forms {
		if p.Share > most {
			form, most = p.Form, p.Share
		}
	}
	return form
}

// check bounds what is asked of one food.
func (w Want) check(at string) error {
	if len(w.Forms) > MaxPortioned {
		return fault.Bad(at+".forms", "at most %d forms of one food", MaxPortioned)
	}
	if len(w.On) > MaxOn {
		return fault.Bad(at+".on", "at most %d foods", MaxOn)
	}
	for i, on := range w.On {
		if err := fault.Text(fmt.Sprintf("%s.on[%d]", at, i), on, 80); err != nil {
			return err
		}
	}
	if len(w.Forms) == 0 {
		return nil
	}
	if w.Form != "" {
		return fault.Bad(at+".forms", "say form or forms, not both")
	}
	sum := 0.0
	for i, p := range w.Forms {
		in := fmt.Sprintf("%s.forms[%d]", at, i)
		if slices.ContainsFunc(w.Forms[:i], func(o Portioned) bool { return o.Form == p.Form }) {
			return fault.Bad(in, "%.40q is listed twice", p.Form)
		}
		if !(p.Share > 0 && p.Share <= 1) {
			return fault.Bad(in+".share", "above 0 and at most 1")
		}
		sum += p.Share
	}
	if math.Abs(sum-1) > .011 {
		return fault.Bad(at+".forms", "the shares come to %.3g, and should come to 1", sum)
	}
	return nil
}

// MaxEachG bounds what an appetite is given of one food, grams.
const MaxEachG = 2000.0

// Weighed is the brief with the grams of what is asked for by the appetite.
func (b Brief) Weighed() Brief {
	weigh := func(wants []Want) []Want {
		if !slices.ContainsFunc(wants, func(w Want) bool { return w.Grams == 0 && w.EachG > 0 }) {
			return wants
		}
		out := slices.Clone(wants)
		for i, w := range out {
			if w.Grams == 0 && w.EachG > 0 {
				out[i].Grams = math.Max(1, math.Round(w.EachG*b.Guests.Appetites()*10)/10)
			}
		}
		return out
	}
	b.Foods, b.Pins = weigh(b.Foods), weigh(b.Pins)
	return b
}

type plainWant Want

// UnmarshalJSON reads a food's id, or an object with food, form and grams.
func (w *Want) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &w.Food)
	}
	w.Extra, err = document.ReadObject(raw, (*plainWant)(w))
	if id, ok := w.Extra["id"]; ok && err == nil && w.Food == "" { // the food may be called id, as the larder calls it
		delete(w.Extra, "id")
		err = json.Unmarshal(id, &w.Food)
	}
	return err
}

func (w Want) MarshalJSON() ([]byte, error) { return document.WriteObject(plainWant(w), w.Extra) }

// GoesOver lists the ids of the foods that the host wants one to go over; none where nothing was said.
func (b Brief) GoesOver(id string) []string {
	for _, list := range [][]Want{b.Pins, b.Foods} {
		for _, w := range list {
			if w.Food == id && len(w.On) > 0 {
				return w.On
			}
		}
	}
	return nil
}
