// Package theme holds the themes that a board may have: what belongs to each, its colours, and what breaks it.
package theme

import (
	"maps"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/food"
)

// Theme is what an occasion's theme asks of its foods. Colours are #rrggbb, foods are ids of the
// built-in larder; one that a larder does not have is passed over.
type Theme struct {
	Name     string
	Called   string // as the brief has it
	Palette  []string
	Regions  []string           // landscapes that its food comes from
	Origins  []string           // countries or regions, of a cuisine: most of its cheese and meat is from there
	Leads    []string           // what leads its meats, as words that they hold: fish
	Tilt     map[string]float64 // by category, its share times so much; 0 for none
	Hour     string             // when it usually is, "15:30"
	Months   []int              // in which its season or feast falls, in the north
	Season   bool               // its months are those of a season, half a year off in the south
	Belongs  []string           // foods that make it
	Alien    []string           // foods that break it: never chosen unasked
	Without  []string           // roles of a board (food.Roles) that it has no place for
	Garnish  []string
	Liner    string   // where a board wants one
	Also     []string // everyday words for it
	Off      []string // what is kept off where the feast has such a custom: words that a guest may avoid
	NameOnly bool     // the brief's theme is a name that says nothing
}

// Themes that a brief may name. Palettes are of colours that food has; what belongs and what does
// not is the look and the story of each, by our own judgement.
var BuiltIn = append([]Theme{
	{Name: "harvest", Season: true, Months: []int{9, 10, 11}, Also: []string{"autumn", "fall", "thanksgiving", "friendsgiving", "harvest festival", "october", "november", "pumpkin"}, Palette: []string{"#c8742a", "#8a3b1e", "#e0b04a", "#5a1a3c"}, Liner: "#efe0c2",
		Belongs: []string{"apple", "pear", "figs", "red-grapes", "plum", "walnuts", "pecans", "aged-hard", "orange-block", "mountain-wheel", "old-wheel", "sourdough-slices", "walnut-toasts", "apple-rings", "dried-figs", "onion-jam", "venison-sausage"},
		Alien:   []string{"pineapple", "passion-fruit", "melon", "mango-strips", "marshmallows"}, Garnish: []string{"sage", "rosemary", "thyme"}},
	{Name: "first frost", Season: true, Months: []int{1, 2}, Also: []string{"winter", "january", "february", "winter evening"}, Palette: []string{"#f4f1ea", "#b9c4cc", "#5d6f7a", "#6b2740"}, Liner: "#f2f2ee",
		Belongs: []string{"soft-white-round", "goat-pyramid", "ash-goat-log", "blue-wedge", "creamy-blue", "blueberries", "red-grapes", "pear", "walnuts", "white-chocolate", "meringues", "charcoal-crackers", "smoked-duck", "juniper-ham", "endive"},
		Alien:   []string{"strawberries", "melon", "mango-strips", "pineapple"}, Garnish: []string{"rosemary", "sage"}},
	{Name: "midwinter feast", Months: []int{12}, Also: []string{"christmas", "xmas", "noel", "yule", "advent", "boxing day", "christmas eve", "christmas day", "festive", "holidays", "holiday party"}, Palette: []string{"#7a1626", "#1f4a34", "#c9a24a", "#f4ecd8"}, Liner: "#f3ead6",
		Belongs: []string{"dried-cranberries", "mandarin", "persimmon", "smoked-salmon", "smoked-ham", "pastry-pate", "potted-duck", "blue-wedge", "old-wheel", "pecans", "candied-pecans", "candied-orange", "truffles", "dates", "shortbread", "cherry-jam"},
		Alien:   []string{"melon", "strawberries", "nectarine", "corn-chips"}, Garnish: []string{"rosemary", "thyme"}},
	{Name: "spring garden", Season: true, Months: []int{3, 4, 5}, Also: []string{"spring", "easter", "april", "may day", "garden lunch"}, Palette: []string{"#9cc46a", "#f2b8c6", "#f7e9a8", "#f6f3ea"}, Liner: "#f7f5ea",
		Belongs: []string{"asparagus", "radishes", "sugar-peas", "cucumber", "edamame", "fresh-goat-log", "fresh-curd", "green-herb-block", "young-goat-round", "herb-dip", "avocado-dip", "lemon-curd", "strawberries", "roast-beef", "smoked-turkey"},
		Alien:   []string{"prunes", "smoked-duck", "charcoal-crackers", "candied-orange"}, Garnish: []string{"edible-violas", "mint", "chive-flowers"}},
	{Name: "picnic", Season: true, Months: []int{6, 7, 8}, Hour: "12:30", Also: []string{"summer", "garden party", "park", "july", "beach", "camping", "pool party"}, Palette: []string{"#d8352a", "#f2d04a", "#7fb04a", "#f6efe0"}, Liner: "#f6f0e2",
		Belongs: []string{"cherry-tomatoes", "strawberries", "cherries", "pulled-sticks", "orange-block", "sausage-sticks", "wide-sausage", "breadsticks", "small-pretzels", "corn-chips", "gherkins", "carrot-sticks", "brownie-cubes", "pastry-pate"},
		Alien:   []string{"washed-square", "blue-wedge", "sheep-blue", "meringues", "truffles"}, Without: []string{"blue"}, Garnish: []string{"mint", "basil"}},
	{Name: "harbour", Leads: []string{"fish", "crustaceans", "molluscs"}, Also: []string{"harbor", "seafood", "fish", "coast", "seaside", "sea", "nautical", "sailing", "regatta"}, Palette: []string{"#3b4468", "#e8e4d8", "#c9d6d8", "#e08a6a"}, Regions: []string{"atlantic", "northern"}, Liner: "#eef0ec",
		Belongs: []string{"smoked-salmon", "trout-spread", "gherkins", "caper-berries", "radishes", "cucumber", "rye-crisps", "washed-wheel", "brined-white", "blueberries", "pickled-onions", "caraway-block"},
		Alien:   []string{"pineapple", "marshmallows", "mango-strips"}, Without: []string{"sweet spread", "dark and sweet"}, Garnish: []string{"dill", "chive-flowers"}},
	{Name: "orchard", Season: true, Months: []int{9, 10}, Also: []string{"apple day", "cider", "fruit"}, Palette: []string{"#c23a2e", "#d9b44a", "#8ba84a", "#f0d9b0"}, Liner: "#f3ecd8",
		Belongs: []string{"apple", "pear", "plum", "cherries", "apricots", "nectarine", "apple-rings", "dried-apricots", "dried-cherries", "apricot-jam", "cherry-jam", "honey", "hazelnuts", "walnuts", "mountain-wheel", "creamy-blue"},
		Alien:   []string{"dark-olives", "mango-strips", "pineapple", "passion-fruit"}, Garnish: []string{"mint", "thyme"}},
	{Name: "meadow flowers", Also: []string{"flowers", "floral", "botanical", "meadow"}, Palette: []string{"#c9a0d0", "#f2d24a", "#f4f0e4", "#8fb86a"}, Liner: "#f6f4e8",
		Belongs: []string{"honey", "fresh-goat-log", "young-goat-round", "soft-white-round", "raspberries", "blueberries", "cucumber", "meringues", "lemon-curd", "white-chocolate", "almond-shells", "yellow-pepper"},
		Alien:   []string{"dark-olives", "smoked-duck", "pickled-onions"}, Garnish: []string{"edible-violas", "borage-stars", "marigold-petals", "rose-petals", "chive-flowers"}},
	{Name: "dusk and smoke", Months: []int{10, 11}, Also: []string{"halloween", "bonfire", "bonfire night", "all hallows", "smoky", "campfire"}, Palette: []string{"#2b2420", "#6a3a2a", "#b0753a", "#5a1a3c"}, Liner: "#4a3a30",
		Belongs: []string{"smoked-round", "plant-smoked", "smoked-ham", "juniper-ham", "smoked-duck", "paprika-sausage", "smoked-seeds", "prunes", "blackberries", "red-grapes", "dark-chocolate", "charcoal-crackers", "onion-jam", "dried-figs", "old-wheel", "smoked-carrot"},
		Alien:   []string{"fresh-curd", "marshmallows", "meringues", "lemon-curd"}, Garnish: []string{"rosemary", "sage", "thyme"}},
	{Name: "black and gold", Months: []int{12, 1}, Hour: "21:00", Also: []string{"new year", "new year's eve", "new years", "hogmanay", "gala", "casino", "golden"}, Palette: []string{"#201c1a", "#c9a24a", "#e8cf86", "#4a3a24"}, Liner: "#2a2622",
		Belongs: []string{"charcoal-crackers", "dark-olives", "prunes", "blackberries", "red-grapes", "ash-goat-log", "honey", "aged-hard", "orange-block", "caramels", "dark-chocolate", "bitter-chocolate", "honeycomb", "dried-apricots", "golden-raisins", "almonds", "cape-gooseberries"},
		Alien:   []string{"marshmallows", "beetroot-dip", "radishes"}, Garnish: []string{"marigold-petals", "thyme"}},
	{Name: "hearts", Months: []int{2}, Hour: "19:30", Also: []string{"valentine", "valentine's day", "galentines", "date night", "love", "romance", "romantic"}, Palette: []string{"#c22a3a", "#f2a7b5", "#f8efe8", "#5d1420"}, Liner: "#faf1ee",
		Belongs: []string{"strawberries", "raspberries", "cherries", "dried-cranberries", "soft-white-round", "cooked-sausage", "air-dried-ham", "berry-compote", "almond-shells", "truffles", "milk-chocolate", "beetroot-dip", "radishes", "redcurrants"},
		Alien:   []string{"washed-square", "pickled-onions", "sheep-blue", "garlic-cream"}, Garnish: []string{"rose-petals", "mint"}},
	{Name: "snow", Season: true, Months: []int{1, 12}, Also: []string{"white", "white party", "all white"}, Palette: []string{"#fbfaf6", "#e9e4da", "#f3ead6", "#dfe3e2"}, Liner: "#e4e8ea",
		Belongs: []string{"soft-white-round", "fresh-goat-log", "brined-white", "mozzarella-balls", "fresh-curd", "macadamias", "cashews", "white-chocolate", "meringues", "endive", "cauliflower", "pear", "rice-crackers", "water-biscuits", "vanilla-cream", "smoked-turkey"},
		Alien:   []string{"dark-olives", "charcoal-crackers", "beetroot-dip"}, Without: []string{"dark and sweet"}, Garnish: []string{"rosemary", "dill"}},
	{Name: "school's out", Tilt: map[string]float64{"vegetable": 1.3, "fruit": 1.3, "brined": .5}, Hour: "15:00", Also: []string{"kids", "children", "child's birthday", "kids birthday", "children's party", "school party", "playdate"}, Palette: []string{"#f2c23a", "#e2553a", "#6fae4a", "#f09a3a"}, Liner: "#f7efd8",
		Belongs: []string{"pulled-sticks", "mild-loaf", "orange-block", "cherry-tomatoes", "cucumber", "carrot-sticks", "pepper-sticks", "yellow-pepper", "strawberries", "green-grapes", "small-pretzels", "corn-chips", "milk-chocolate", "brownie-cubes", "chickpea-dip", "cooked-sausage"},
		Alien:   []string{"blue-wedge", "washed-square", "sheep-blue", "grainy-mustard", "coarse-pate", "caper-berries"}, Without: []string{"blue", "aged"}, Garnish: []string{"mint"}},
	{Name: "tea time", Tilt: map[string]float64{"sweet": 3, "fruit": 1.2, "brined": 0, "meat": .5, "cheese": .6}, Hour: "15:30", Also: []string{"afternoon tea", "high tea", "tea party", "tea", "cream tea"}, Palette: []string{"#e9d3b0", "#d8a9b4", "#f6efe0", "#a85a3a"}, Liner: "#f8f1e6",
		Belongs: []string{"scones", "shortbread", "lemon-curd", "vanilla-cream", "oat-biscuits", "strawberries", "raspberries", "cucumber", "smoked-salmon", "almond-biscuits", "almond-shells", "fudge", "apricot-jam", "fresh-curd", "mild-loaf", "fruit-toasts"},
		Alien:   []string{"pepper-sausage", "paprika-sausage", "wide-sausage", "beef-sausage", "fennel-sausage", "venison-sausage", "sausage-sticks", "pickled-onions", "corn-chips", "garlic-cream"}, Without: []string{"dry sausage", "blue"}, Garnish: []string{"rose-petals", "mint", "edible-violas"}},
}, usual...)

// ForBrief is the theme of a brief: a built-in one by its name, with the brief's own colours,
// landscape and foods before its own, or just those; nil where there is none.
func ForBrief(b brief.Brief) *Theme {
	if b.Theme == nil {
		return nil
	}
	out := Theme{Name: b.Theme.Name}
	if t, ok := Named(b.Theme.Name); ok {
		out = t
	}
	if out.Called = strings.TrimSpace(b.Theme.Name); out.Called == "" {
		out.Called = out.Name
	}
	if len(b.Theme.Palette) > 0 {
		out.Palette = b.Theme.Palette
	}
	if b.Theme.Region != "" {
		out.Regions = []string{b.Theme.Region}
	}
	for _, own := range []struct {
		of   *[]string
		from []string
	}{{&out.Belongs, b.Theme.Belongs}, {&out.Alien, b.Theme.Alien}, {&out.Garnish, b.Theme.Garnish}} {
		if len(own.from) > 0 {
			*own.of = own.from
		}
	}
	if b.Theme.Liner != "" {
		out.Liner = b.Theme.Liner
	}
	out.NameOnly = out.Name != "" && len(out.Palette) == 0 && len(out.Regions) == 0 && len(out.Belongs) == 0
	return &out
}

// Tilts is what shares of a brief are times what is usual, by category: what its theme asks for, and over that what the
// host does.
func Tilts(b brief.Brief) map[string]float64 {
	t := ForBrief(b)
	if t == nil || len(t.Tilt) == 0 {
		return b.Tilt
	}
	out := maps.Clone(t.Tilt)
	maps.Copy(out, b.Tilt)
	return out
}

// Kin reports whether a food is of the theme's cuisine, or what leads it; every food is where a theme has neither.
func (t *Theme) Kin(f *food.Food) bool {
	switch {
	case t == nil:
		return true
	case len(t.Origins) > 0:
		return slices.ContainsFunc(f.Origin, func(from string) bool { return slices.Contains(t.Origins, from) })
	case len(t.Leads) > 0 && f.Category == food.Meat:
		return slices.ContainsFunc(t.Leads, f.Holds)
	}
	return true
}

// OfItsOwn reports whether a theme wants most foods of a category from its own: all cheese and meat of a cuisine
// together, or the meats of a theme that something leads.
func (t *Theme) OfItsOwn(c food.Category) bool {
	switch {
	case t == nil:
		return false
	case len(t.Origins) > 0:
		return c == food.Cheese || c == food.Meat
	}
	return len(t.Leads) > 0 && c == food.Meat
}

// Wants reports whether a role of a board has a place under the theme, among the foods that may be chosen: it does not
// speak against it, and where it wants most of a kind from its own, some food of its own plays the role. Every role that
// some food plays has one where there is no theme.
func (t *Theme) Wants(r food.Role, foods []*food.Food) bool {
	if t != nil && slices.Contains(t.Without, r.ID) {
		return false
	}
	return slices.ContainsFunc(foods, func(f *food.Food) bool {
		k, _ := f.RoleOf()
		return k >= 0 && food.Roles[k].ID == r.ID && (!t.OfItsOwn(r.Category) || t.Kin(f))
	})
}
