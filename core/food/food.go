// Package food holds what a tray is made of: foods, the forms they can take,
// and the pieces a form lays out. Sizes are mm, masses g, prices minor units of
// the currency the larder is kept in.
package food

import "slices"

// Category is the role a food plays on a tray.
type Category string

// The categories: what guests see as kinds of food. Each has a share of its own in the amounts.
const (
	Cheese    Category = "cheese"
	Meat      Category = "meat"
	Dip       Category = "dip"
	Brined    Category = "brined"
	Fruit     Category = "fruit"
	Vegetable Category = "vegetable"
	Dried     Category = "dried fruit"
	Nut       Category = "nut"
	Cracker   Category = "cracker"
	Sweet     Category = "sweet"
	Garnish   Category = "garnish"
	NotFood   Category = "prop" // stands on the tray and is not eaten
)

// Categories in the order a larder is read.
var Categories = []Category{Cheese, Meat, Dip, Brined, Fruit, Vegetable, Dried, Nut, Cracker, Sweet, Garnish, NotFood}

// Wetness says what a food does to its neighbours.
type Wetness string

// From what the wet softens to what wets others.
const (
	Crisp Wetness = "crisp" // goes soft beside what is wet
	Dry   Wetness = "dry"
	Moist Wetness = "moist" // damp, but gives nothing off
	Oily  Wetness = "oily"  // marks paper and wood
	Juicy Wetness = "juicy" // gives off juice where it is cut
	Runny Wetness = "runny" // flows, and wants a vessel
)

// Wets reports whether the food softens a crisp neighbour.
func (w Wetness) Wets() bool { return w == Juicy || w == Runny }

// Pack is one size the food is sold in.
type Pack struct {
	Grams float64 `json:"grams"`
	Price int     `json:"price"` // minor units
}

// Food is one entry of the larder. Lists hold words of the vocabulary in
// words.go; months are 1 to 12.
type Food struct {
	ID          string             `json:"id"`
	Name        string             `json:"name"`
	Also        []string           `json:"also,omitempty"`     // what else people call it, and look for it by
	ComesAs     string             `json:"comes_as,omitempty"` // what is bought, where something is made of it: a baguette for toasts
	Like        string             `json:"like,omitempty"`     // the food that it looks and behaves like, where it was added in haste and nobody has said more: its label is not read yet
	Category    Category           `json:"category"`
	Colour      string             `json:"colour"`  // outside, as it looks on a board, #rrggbb
	Cut         string             `json:"cut"`     // cut face; the same as Colour when left out
	Density     float64            `json:"density"` // g/ml
	Wetness     Wetness            `json:"wetness"`
	Firmness    string             `json:"firmness,omitempty"` // cheese only
	Milk        string             `json:"milk,omitempty"`
	SetWith     string             `json:"set_with,omitempty"` // cheese: what curdles it; animal rennet where nothing is said
	Rind        string             `json:"rind,omitempty"`     // cheese: edible, inedible, or none
	Strength    int                `json:"strength"`           // 1 mild to 5 strong
	Flavours    []string           `json:"flavours"`
	Texture     string             `json:"texture"`
	Rolls       bool               `json:"rolls,omitempty"`
	Smells      bool               `json:"smells,omitempty"`
	Stone       bool               `json:"stone,omitempty"`
	Stem        bool               `json:"stem,omitempty"`
	Shell       bool               `json:"shell,omitempty"`
	Casing      bool               `json:"casing,omitempty"`  // a skin that is peeled off before eating
	MadeOf      string             `json:"made_of,omitempty"` // what such a food usually is made of: what its allergens and diet words rest on
	Allergens   []string           `json:"allergens"`
	MayContain  []string           `json:"may_contain,omitempty"`  // allergens that traces of may be in it, from where it is usually made
	Diet        []string           `json:"diet"`                   // what the avoid list of a brief names
	Perhaps     []string           `json:"perhaps,omitempty"`      // diet words that some of its kind hold: only the label tells
	Advised     []string           `json:"advised,omitzero"`       // why pregnant guests and those of weak immunity are commonly advised against it; empty where they are not, nil where nobody has said
	CarbG       float64            `json:"carb_g"`                 // carbohydrate in 100 g
	Eaten       Share              `json:"eaten,omitempty"`        // share of what lies there that is eaten: less stones, shells and pods; not said, all of it
	Origin      []string           `json:"origin,omitempty"`       // countries or regions that it is known to come from; none for what is made everywhere
	Region      string             `json:"region,omitempty"`       // where such food comes from, broadly; a way of pairing
	Season      []int              `json:"season"`                 // months in the northern hemisphere in which it is at its best; empty: alike all year
	AllYear     bool               `json:"all_year,omitempty"`     // in the shops in the other months, too
	SeasonSouth []int              `json:"season_south,omitempty"` // where half a year's shift would be wrong
	Packs       []Pack             `json:"packs"`
	KeepsDays   int                `json:"keeps_days"` // once opened
	WarmUpMin   int                `json:"warm_up_min"`
	StandsMin   int                `json:"stands_min,omitempty"` // minutes that it may be out of the cold where that is longer than the house's hours; 0 for those
	Handling    []string           `json:"handling,omitempty"`   // what is done to it before it is laid, and what it does not bear; handling.go
	ReadyAs     string             `json:"ready_as,omitempty"`   // how it is bought where nothing is heated; empty where it cannot be
	Heat        *Heat              `json:"heat,omitempty"`       // how it is cooked, where it is
	Tool        string             `json:"tool"`
	Liking      float64            `json:"liking"`                 // 0 to 1, how many guests take some
	Occasions   []string           `json:"occasions,omitempty"`    // where it is at home; it is not chosen unasked elsewhere. Empty: everywhere
	YoungLiking float64            `json:"young_liking,omitempty"` // 0 to 1, how many children do; 0 where it follows from the rest
	Classic     map[string]float64 `json:"classic,omitempty"`      // how much people expect it on a board, 0 to 1, by the role that it plays there (classic.go)
	Choking     bool               `json:"choking,omitempty"`
	Melts       bool               `json:"melts,omitempty"`   // loses its shape on a hot day
	Caution     string             `json:"caution,omitempty"` // what is to be said beside it
	Pairs       []string           `json:"pairs"`             // foods it is well known to go with; pairing.go has the rules
	Clashes     []string           `json:"clashes,omitempty"`
	Forms       []Spec             `json:"forms"`

	// DrawnAs names the drawings that show it, by shape, or by AnyShape for those not named.
	// What is not named there is drawn as its category and shape are.
	DrawnAs map[string]string `json:"drawn_as,omitempty"`
}

// AnyShape stands in DrawnAs for every shape that is not named.
const AnyShape = "any"

// Spec is one form a food can take, with its own true size. For a form that
// falls into pieces the sizes and the mass are those of one piece.
type Spec struct {
	Form    string  `json:"form"`
	Shape   string  `json:"shape"`
	L       float64 `json:"l"` // mm
	W       float64 `json:"w"` // mm
	H       float64 `json:"h"` // mm
	MassG   float64 `json:"mass_g"`
	Seconds float64 `json:"seconds"`            // handwork for one piece
	Yield   Share   `json:"yield,omitempty"`    // share of what is bought that is left when it is cut so; not said, all of it
	Chokes  *bool   `json:"chokes,omitempty"`   // whether a small child can choke on it so, where that is not as for the food
	Pitch   float64 `json:"pitch,omitempty"`    // mm of line one piece takes in a row or trail
	N       int     `json:"n,omitempty"`        // pieces of a whole, such as eighths
	Solid   float64 `json:"solid,omitempty"`    // share of its box that is food, when not that of the shape
	Group   int     `json:"group,omitempty"`    // pieces that make one generous group
	SliceMM float64 `json:"slice_mm,omitempty"` // of a rosette or flower: how wide one slice is
}

// Same reports whether two specs say the same of how pieces look and lie: all but what is lost when they are cut and
// whether a child can choke on them.
func (s Spec) Same(o Spec) bool {
	s.Chokes, o.Chokes, s.Yield, o.Yield = nil, nil, 0, 0
	return s == o
}

// Spec is how a food lies in a form: as its entry says, or, where it lists no such form, as its shape and firmness let
// it be laid (fits.go); ok is false where they do not.
func (f *Food) Spec(form string) (s Spec, ok bool) {
	for i := range f.Forms {
		if f.Forms[i].Form == form {
			return f.Forms[i], true
		}
	}
	return f.opened(form)
}

// Season is what a month is to a food.
type Season int

// Seasons: what is sold all year can still be at its best in some months.
const (
	AllYear Season = iota // in the shops, as it is all year
	AtBest                // its months
	NotNow                // out of season: hardly to be had, or not worth having
)

// Threaded reports whether it is eaten off a pick of its own, however it is laid.
func (f *Food) Threaded() bool {
	return slices.ContainsFunc(f.Forms, func(s Spec) bool { return s.Is(OnPick) })
}

// SeasonIn tells what a month (1 to 12) of a hemisphere ("north" or "south") is to the food;
// month 0, where nobody said when, is AllYear.
func (f *Food) SeasonIn(month int, hemisphere string) Season {
	months := f.Months(hemisphere)
	switch {
	case month == 0 || len(months) == 0:
		return AllYear
	case slices.Contains(months, month):
		return AtBest
	case f.AllYear:
		return AllYear
	}
	return NotNow
}

// InSeason reports whether the food is to be had in the month, at its best or as all year.
func (f *Food) InSeason(month int, hemisphere string) bool {
	return f.SeasonIn(month, hemisphere) != NotNow
}

// Months lists the months in which the food is at its best in a hemisphere; empty is alike all year.
func (f *Food) Months(hemisphere string) []int {
	if hemisphere != "south" {
		return f.Season
	}
	if len(f.SeasonSouth) > 0 {
		return f.SeasonSouth
	}
	out := make([]int, len(f.Season))
	for i, m := range f.Season {
		out[i] = (m+5)%12 + 1
	}
	slices.Sort(out)
	return out
}

// ChokesAs reports whether a small child can choke on the food as it lies in a form: what its form says, and else
// what is said of the food, but for what is cut small.
func (f *Food) ChokesAs(form string) bool {
	if s, ok := f.Spec(form); ok && s.Chokes != nil {
		return *s.Chokes
	}
	return f.Choking && !Has(form, CutSmall)
}

// Certain reports whether it is known whether the food holds what a diet word names: of some kinds only the label tells,
// whether a curd is set with rennet or a breadstick made with lard.
func (f *Food) Certain(word string) bool {
	if len(f.Perhaps) == 0 {
		return true
	}
	perhaps := Food{Diet: f.Perhaps, Allergens: []string{}, Advised: []string{}, Category: f.Category, Milk: "plant", CarbG: f.CarbG}
	return !perhaps.Holds(word) || word == LowCarb
}

// MayHold names the first of the avoided things that may be in the food, as traces or as some of its kind hold it, or
// "". It says nothing of what the food contains.
func (f *Food) MayHold(avoid []string) string {
	for _, a := range avoid {
		if f.Like != "" && a != LowCarb && slices.Contains(Avoidable, a) && !f.Holds(a) {
			return a // nobody has read its label
		}
		if slices.Contains(f.MayContain, a) || !f.Certain(a) && !f.Holds(a) {
			return a
		}
	}
	return ""
}

// Breaks names the first of the avoided things the food contains, or "".
func (f *Food) Breaks(avoid []string) string {
	for _, a := range avoid {
		if f.Holds(a) {
			return a
		}
	}
	return ""
}

// Holds reports whether the food contains what a brief may avoid: one of the 14
// allergens or a diet word. What follows from the rest of the entry counts although
// its list leaves it out: cheese of an animal's milk is set with animal rennet unless
// the entry says how else, pork, beef, poultry, game, fish, shellfish and gelatine are meat,
// and what comes from an animal is animal.
func (f *Food) Holds(word string) bool {
	if slices.Contains(f.Allergens, word) || slices.Contains(f.Diet, word) {
		return true
	}
	any := func(words ...string) bool { return slices.ContainsFunc(words, f.Holds) }
	switch word {
	case "rennet":
		return f.Category == Cheese && f.Milk != "plant" && (f.SetWith == "" || f.SetWith == "rennet")
	case "meat":
		return any("pork", "beef", "poultry", "game", "fish", "shellfish", "gelatine")
	case Advised:
		return len(f.Advisories()) > 0
	case LowCarb:
		return !f.LowInCarb()
	case "shellfish":
		return any("crustaceans", "molluscs")
	case "animal":
		return any("meat", "milk", "egg", "rennet", "honey", "raw milk")
	}
	return false
}

// Vegan and Vegetarian follow from the diet words; rennet counts, and what only the label tells is not certain.
func (f *Food) Vegan() bool { return f.suits("animal", "meat", "rennet") }

func (f *Food) suits(without ...string) bool {
	return f.Like == "" && f.Breaks(without) == "" && !slices.ContainsFunc(without, func(w string) bool { return !f.Certain(w) })
}

// Vegetarian reports whether the food holds neither meat nor animal rennet.
func (f *Food) Vegetarian() bool { return f.suits("meat", "rennet") }

// Diets lists the diets a food suits, by what is known of it.
func (f *Food) Diets() []string {
	out := []string{}
	for _, d := range []struct {
		word string
		is   bool
	}{{"vegan", f.Vegan()}, {"vegetarian", f.Vegetarian()}, {"without pork", f.suits("pork")}, {"without alcohol", f.suits("alcohol")}, {"low in carbohydrate", f.LowInCarb()}} {
		if d.is {
			out = append(out, d.word)
		}
	}
	return out
}

// SurfaceColour is the colour that a form of the food shows from above: the cut
// face for whatever is sliced or cut open, the outside otherwise.
func (f *Food) SurfaceColour(s Spec) string {
	switch s.Form {
	case "whole", "cut-round", "cut-round-12", "cut-round-16", "drift", "cluster", "sprig", "scatter", "petals", "topping", "strewn", "drizzled", "prop":
		return f.Colour
	}
	if InVessel(s.Form) {
		return f.Colour
	}
	return f.Cut
}

// Blank is a food to begin with: nothing is known of it but that it lies in a
// drift of small pieces.
func Blank() Food {
	return Food{Name: "New food", Category: Nut, Colour: "#b98a5a", Cut: "#b98a5a", Density: .9, Wetness: Dry, Strength: 1, Flavours: []string{"mild"}, Texture: "soft",
		Allergens: []string{}, Diet: []string{}, Season: []int{}, Packs: []Pack{}, KeepsDays: 7, Liking: .5, Pairs: []string{},
		Forms: []Spec{{Form: "drift", Shape: "oval", L: 20, W: 16, H: 14, MassG: 2.1, Seconds: .3, Group: 18}}}
}
