package food

// Trait is something that holds of a form whatever food is laid in it. What is decided by how a food lies asks for
// a trait, so that a new form says once what it is.
type Trait uint32

// The traits of forms.
const (
	OnFood       Trait = 1 << iota // it lies upon another food, never on the board itself
	AsItComes                      // nothing is cut off it
	CutInPlace                     // a round that was cut and keeps its shape
	OnPick                         // it is eaten off a pick of its own
	InDish                         // it wants a vessel
	StandsOut                      // of its vessel, upright
	Spooned                        // it is taken with a spoon or a knife, not with fingers
	RoundAVessel                   // laid in a ring about one
	Crossed                        // piled crosswise, so that it holds
	Curled                         // slices wound to a flower
	Drapes                         // it lies over its neighbours a little
	Hugs                           // bent round what it lies against
	Winding                        // a long line through the tray
	CutSmall                       // so that nobody chokes on a whole one
	KeepsStone                     // stones stay in it
	Broken                         // into lumps
	Bunched                        // grapes on their stalk
	Heaped                         // a loose, scattered pile
	Halved                         // and turned up to show the cut
	NotEaten                       // it stands there to be looked at
	Begun                          // cut into, with slices lying on it, for a knife to go on
	Opened                         // sliced nearly through: a guest pulls a slice off
	StoodUp                        // a whole fruit stood up in slices: it keeps its core
	Strewn                         // by the pinch, over whatever suits it
	Tucked                         // greens with their ends hidden
)

var traits = map[string]Trait{
	"topping": OnFood, "sprig": Tucked, "strewn": OnFood | Strewn, "drizzled": OnFood, "begun": Begun, "whole": AsItComes | KeepsStone, "cut-round": CutInPlace, "cut-round-12": CutInPlace, "cut-round-16": CutInPlace, "skewer": OnPick,
	"bowl": InDish | Spooned, "pot": InDish | Spooned, "upright": InDish | StandsOut, "flower": InDish | StandsOut,
	"ring": RoundAVessel, "criss-cross": Crossed, "rosette": Curled, "arc": Hugs,
	"trail": Winding | Drapes, "ribbon": Drapes, "half-fold-fan": Drapes,
	"halves": CutSmall | Halved, "quarters": CutSmall | Halved, "fanned": Halved | Opened, "stood": Opened | StoodUp, "slices": CutSmall, "drift": KeepsStone | Heaped, "tumble": Broken, "cluster": Bunched, "prop": NotEaten,
}

// Has reports whether a form has a trait; one that is not known has none.
func Has(form string, t Trait) bool { return traits[form]&t != 0 }

// Is reports whether it is laid in a form that has a trait.
func (s Spec) Is(t Trait) bool { return Has(s.Form, t) }

// InVessel reports whether a form wants a vessel to stand in.
func InVessel(form string) bool { return Has(form, InDish) }
