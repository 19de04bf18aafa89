package food

import "math"

// NeedsPitch reports whether the form laps its pieces at a pitch of its own.
func NeedsPitch(form string) bool {
	switch form {
	case "shingle", "fan", "arc", "coins", "half-fold-fan", "slices", "trail", "ring", "triangles", "rings":
		return true
	}
	return false
}

// shapeOf is the shape of a piece in forms that leave no choice.
var shapeOf = map[string]string{"cut-round": "sector", "trail": "fold", "flower": "fold", "half-fold-fan": "halffold", "rolls": "cylinder", "ribbon": "gathered",
	"stack": "edge", "skewer": "skewer", "petals": "petal", "topping": "spoon", "pot": "vessel", "slices": "crescent", "halves": "half", "quarters": "crescent",
	"triangles": "triangle", "rings": "loop", "fanned": "opened", "stood": "stood", "begun": "begun", "strewn": "strewn", "drizzled": "thread"}

// Begin is a sound spec for a form the food does not have yet, to be set to its
// own sizes: those of its first form, with the shape, pitch, group and mass that
// the new one asks for (mass = volume x density).
func (f *Food) Begin(form string) Spec {
	base := f.Forms[0]
	s := Spec{Form: form, Shape: base.Shape, L: base.L, W: base.W, H: base.H, Seconds: base.Seconds, Group: max(1, base.Group)}
	if shape, fixed := shapeOf[form]; fixed {
		s.Shape = shape
	} else if base.Shape == "sector" || base.Shape == "vessel" && !InVessel(form) {
		s.Shape = "disc"
	}
	if s.Shape == "sector" {
		s.N, s.W = 8, s.L
	}
	if s.Shape == "vessel" {
		s.L, s.W, s.H = 72, 72, 36
	}
	if NeedsPitch(form) {
		s.Pitch = math.Max(1, math.Round(s.W*.4))
	}
	s.MassG = math.Max(.05, math.Min(5000, math.Round(s.VolumeML()*f.Density*10)/10))
	return s
}

// closed are the forms that no food can begin with: what they look like follows from how the food is cut otherwise.
var closed = map[string]bool{"rosette": true, "begun": true, "stood": true, "wound": true, "cut-round-12": true, "cut-round-16": true}

// Others lists the forms a food does not have yet, each as it would begin.
func (f *Food) Others() []Spec {
	var out []Spec
	for _, form := range forms {
		if _, has := f.listed(form.ID()); has {
			continue
		}
		if s, ok := f.opened(form.ID()); ok {
			out = append(out, s)
		} else if (form.ID() == "prop") == (f.Category == NotFood) && !closed[form.ID()] {
			out = append(out, f.Begin(form.ID()))
		}
	}
	return out
}
