package food

import "slices"

// Part says what a food is to somebody who looks for something to eat on a tray.
type Part uint8

const (
	Protein      Part = 1 << iota // cheese, meat or what stands in for it, nuts, pulses
	CheesePart                    // cheese, or what stands for it
	CrispPart                     // something that crunches
	SweetOrFresh                  // fruit, vegetables, sweets
	TreatPart                     // a sweet: where the others have one, nobody goes without
)

// PartCount is how many parts there are.
const PartCount = 5

// PartWords is a part and how it is said.
type PartWords struct {
	Part Part
	Says string
}

// Besides reports whether the part is missed only where others at the table find it: a tray may
// do without cheese or sweets, but not for some.
func (p PartWords) Besides() bool { return p.Part == CheesePart || p.Part == TreatPart }

// Parts of every guest's plate, in the order they are named, and their words.
var Parts = [PartCount]PartWords{{Protein, "a protein"}, {CheesePart, "a cheese"}, {CrispPart, "something crisp"},
	{SweetOrFresh, "something sweet or fresh"}, {TreatPart, "a sweet"}}

// PartOf tells which of the parts a food can play.
func (f *Food) PartOf() Part {
	var p Part
	if in(f, Cheese, Meat, Nut) || f.Category == Dip && !has(f, "sweet") && f.CarbG >= 10 {
		p |= Protein // a savoury dip with some starch to it is made of pulses
	}
	if f.Category == Cheese {
		p |= CheesePart
	}
	if f.Category == Sweet {
		p |= TreatPart
	}
	if f.Category != Garnish && (f.Wetness == Crisp || f.Texture == "crunchy") {
		p |= CrispPart
	}
	if in(f, Fruit, Vegetable, Dried, Sweet) {
		p |= SweetOrFresh
	}
	return p
}

// ForDessert reports whether a food belongs on a sweet tray: fruit, nuts that are
// not salted, sweets, sweet dips that no meat is named with, sweet or plain
// biscuits, mild fresh cheeses, and garnish that is not bitter.
func (l *Larder) ForDessert(f *Food) bool {
	switch f.Category {
	case Sweet, Fruit, Dried:
		return has(f, "sweet") || !has(f, "salty")
	case Nut:
		return !has(f, "salty") && !has(f, "smoky") && !has(f, "spicy")
	case Dip:
		return l.sweetDip(f) && !has(f, "spicy") && !l.namedWith(f, Meat)
	case Cracker:
		return has(f, "sweet") && !has(f, "salty")
	case Cheese:
		return f.Strength <= 2 && has(f, "mild") && !has(f, "salty") && !f.Smells && !has(f, "smoky") && (f.Firmness == "fresh" || f.Firmness == "soft")
	case Garnish:
		return !has(f, "bitter") && !has(f, "spicy") && !l.namedWith(f, Meat)
	case NotFood:
		return true
	}
	return false
}

// DessertOnly reports whether a food would look lost among cheese and sausage:
// sweets, and sweet dips that no cheese is named with.
func (l *Larder) DessertOnly(f *Food) bool {
	return f.Category == Sweet || l.sweetDip(f) && !l.namedWith(f, Cheese)
}

// sweetDip is a dip that is mostly sugar.
func (l *Larder) sweetDip(f *Food) bool { return f.Category == Dip && has(f, "sweet") && f.CarbG >= 15 }

func (l *Larder) namedWith(f *Food, c Category) bool {
	return slices.ContainsFunc(f.Pairs, func(id string) bool {
		g, ok := l.Get(id)
		return ok && g.Category == c
	})
}

// meatForms are the shapes that sausage and ham are laid in.
var meatForms = []string{"trail", "half-fold-fan", "ribbon", "rolls", "rosette", "flower"}

// StandsIn is the form in which a food without meat takes the shape of one, or "".
func (f *Food) StandsIn() string {
	if f.Holds("meat") || !in(f, Vegetable, Meat) {
		return ""
	}
	for _, s := range f.Forms {
		if slices.Contains(meatForms, s.Form) || f.Category == Meat {
			return s.Form
		}
	}
	return ""
}
