package brief

import (
	"slices"
	"strings"

	"happytray/core/document"
	"happytray/core/food"
)

// Guests counts who comes. Light and hearty eaters are among the adults.
type Guests struct {
	Adults   int            `json:"adults"`                      // heads
	Children int            `json:"children"`                    // heads
	Light    int            `json:"light,omitempty"`             // of the adults, who eat three quarters
	Hearty   int            `json:"hearty,omitempty"`            // of the adults, who eat a quarter more
	Infants  int            `json:"infants,omitempty"`           // under one year, among the children
	Frail    int            `json:"pregnant_or_frail,omitempty"` // pregnant, or of weak immunity
	Extra    document.Extra `json:"-"`
}

type plainGuests Guests

func (g *Guests) UnmarshalJSON(raw []byte) (err error) {
	g.Extra, err = document.ReadObject(raw, (*plainGuests)(g))
	return err
}

func (g Guests) MarshalJSON() ([]byte, error) { return document.WriteObject(plainGuests(g), g.Extra) }

// Total is everybody.
func (g Guests) Total() int { return g.Adults + g.Children }

// Appetites counts a child as half an adult, a light eater as three quarters and
// a hearty one as five quarters (docs/craft.md, Shares).
func (g Guests) Appetites() float64 {
	return float64(g.Adults) + .5*float64(g.Children) - .25*float64(g.Light) + .25*float64(g.Hearty)
}

// Diet is a group of guests and what they avoid. Count zero means everybody.
type Diet struct {
	Who   string         `json:"who,omitempty"`
	Count int            `json:"count,omitempty"` // guests
	Avoid []string       `json:"avoid"`
	Extra document.Extra `json:"-"`
}

type plainDiet Diet

func (d *Diet) UnmarshalJSON(raw []byte) (err error) {
	d.Extra, err = document.ReadObject(raw, (*plainDiet)(d))
	for i, w := range d.Avoid {
		d.Avoid[i] = AvoidWord(w)
	}
	return err
}

// spelt are other ways that people spell what a guest avoids.
var spelt = map[string]string{"gelatin": "gelatine", "fowl": "poultry", "eggs": "egg", "peanut": "peanuts", "nut": "nuts", "tree nuts": "nuts", "soya": "soy", "sulfites": "sulphites", "mollusks": "molluscs", "dairy": "milk", "wheat": "gluten", "seafood": "shellfish", "honeys": "honey", "low carb": "low-carb", "low carbohydrate": "low-carb", "keto": "low-carb"}

// AvoidWord is a word for what a guest avoids as the larder writes it; one that is not known is left as it is.
func AvoidWord(word string) string {
	w := strings.ToLower(strings.TrimSpace(strings.NewReplacer("-", " ", "_", " ").Replace(word)))
	if known, ok := spelt[w]; ok {
		return known
	}
	if slices.Contains(food.Avoidable, w) {
		return w
	}
	return word
}

func (d Diet) MarshalJSON() ([]byte, error) { return document.WriteObject(plainDiet(d), d.Extra) }

// Allergens and DietWords are what a guest may avoid, as the larder names it.
var (
	Allergens = food.Allergens
	DietWords = food.DietWords
)

// IsAllergen reports whether word is one of the 14.
func IsAllergen(word string) bool {
	for _, a := range Allergens {
		if a == word {
			return true
		}
	}
	return false
}
