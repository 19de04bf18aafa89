// Package drink suggests what to drink with a tray, by rules over what lies on it. It knows general
// kinds only, and always one without alcohol first. docs/drinks.md says where the rules come from.
package drink

import (
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/theme"
	"happytray/core/tray"
)

// Drink is one suggestion.
type Drink struct {
	Name    string `json:"name"`
	Alcohol bool   `json:"alcohol"`
	Why     string `json:"why"` // a sentence, with the foods that ask for it
}

// Most is how many drinks a card names.
const Most = 3

// virtue is what a drink does for food; a kind has some of each, 0 to 1.
type virtue int

const (
	bubbles virtue = iota // scrape fat and salt off the tongue
	acid                  // cuts fat, and stands beside what is sour
	sweet                 // tames salt, mould and heat
	light                 // leaves the young and the mild their taste
	depth                 // stands up to what is aged, nutty or cured
	malt                  // roasted and bready: goes with smoke and bread
	fruit                 // goes with fruit, and with smoke
	tannin                // wants fat and meat, swamps what is soft, bitters what is hot
	virtues
)

// kind is a general kind of drink.
type kind struct {
	name    string
	alcohol bool
	hot     bool // for the cold
	young   bool // children drink it, and nothing in it keeps them awake
	has     [virtues]float64
}

var kinds = []kind{
	{"cloudy apple juice", false, false, true, [virtues]float64{acid: .5, sweet: .6, light: .5, fruit: .9}},
	{"pear juice with sparkling water", false, false, true, [virtues]float64{bubbles: .8, acid: .3, sweet: .55, light: .7, fruit: .8}},
	{"sharp lemonade", false, false, true, [virtues]float64{bubbles: .6, acid: 1, sweet: .4, light: .8, fruit: .3}},
	{"tonic water with herbs", false, false, false, [virtues]float64{bubbles: 1, acid: .6, sweet: .25, light: .7}},
	{"cold black tea with lemon", false, false, false, [virtues]float64{acid: .55, depth: .6, tannin: .5, light: .3}},
	{"cold green tea", false, false, false, [virtues]float64{acid: .2, light: .95, tannin: .25}},
	{"alcohol-free malt drink", false, false, false, [virtues]float64{bubbles: .6, sweet: .4, depth: .7, malt: 1}},
	{"dark grape juice", false, false, true, [virtues]float64{acid: .4, sweet: .85, depth: .75, fruit: .9, tannin: .3}},
	{"ginger lemonade", false, false, true, [virtues]float64{bubbles: .7, acid: .7, sweet: .6, depth: .35, fruit: .3}},
	{"berry cordial with water", false, false, true, [virtues]float64{acid: .55, sweet: .5, light: .8, fruit: 1}},
	{"orange juice with sparkling water", false, false, true, [virtues]float64{bubbles: .5, acid: .75, sweet: .55, light: .5, fruit: .7}},
	{"hot spiced apple juice", false, true, true, [virtues]float64{acid: .4, sweet: .7, depth: .6, fruit: .9}},
	{"coffee or strong tea", false, true, false, [virtues]float64{depth: .9, tannin: .6, malt: .6}},

	{"dry sparkling wine", true, false, false, [virtues]float64{bubbles: 1, acid: .85, light: .7}},
	{"crisp dry white wine", true, false, false, [virtues]float64{acid: 1, light: .9, fruit: .3}},
	{"off-dry aromatic white wine", true, false, false, [virtues]float64{acid: .6, sweet: .55, light: .5, fruit: .8}},
	{"full, aged white wine", true, false, false, [virtues]float64{acid: .5, depth: .8, fruit: .4}},
	{"light red wine", true, false, false, [virtues]float64{acid: .55, light: .4, depth: .45, fruit: .75, tannin: .3}},
	{"full red wine", true, false, false, [virtues]float64{acid: .4, depth: 1, fruit: .5, tannin: 1}},
	{"sweet dessert wine", true, false, false, [virtues]float64{acid: .45, sweet: 1, depth: .65, fruit: .8}},
	{"fortified sweet wine", true, false, false, [virtues]float64{sweet: .95, depth: 1, fruit: .6, tannin: .3}},
	{"wheat beer", true, false, false, [virtues]float64{bubbles: .8, acid: .3, sweet: .25, light: .75, malt: .5, fruit: .4}},
	{"dark malty beer", true, false, false, [virtues]float64{bubbles: .5, sweet: .35, depth: .8, malt: 1}},
	{"dry cider", true, false, false, [virtues]float64{bubbles: .7, acid: .8, light: .55, fruit: .8}},
}

// need is one thing that food asks of a drink.
type need struct {
	of    virtue
	how   float64 // a gram of such food asks for so much of it; below zero it is spoilt by it
	usual float64 // share of a usual board that asks for it, the mean of 96 plans
	says  string  // what the drink does for it
	when  func(f *food.Food) bool
}

func has(f *food.Food, flavour string) bool { return slices.Contains(f.Flavours, flavour) }

func isCheese(f *food.Food, firm ...string) bool {
	return f.Category == food.Cheese && (len(firm) == 0 || slices.Contains(firm, f.Firmness))
}

// needs are the rules, by opposites and by weight (docs/craft.md, What to drink with it).
var needs = []need{
	{bubbles, 1, 0.11, "its bubbles lift the fat and salt of", func(f *food.Food) bool {
		return isCheese(f, "soft") || f.Category == food.Meat && f.Wetness == food.Oily || f.Category == food.Nut && has(f, "salty")
	}},
	{acid, .8, 0.22, "its sharpness cuts through", func(f *food.Food) bool {
		return f.Category == food.Meat && (has(f, "salty") || f.Wetness == food.Oily) || isCheese(f, "soft", "semi") || f.Holds("fish")
	}},
	{acid, .6, 0.22, "it is sharp enough to stand beside", func(f *food.Food) bool {
		return f.Category == food.Brined || has(f, "sour") && f.Category != food.Sweet
	}},
	{sweet, 2.2, 0.023, "its sweetness tames", func(f *food.Food) bool { return isCheese(f) && f.Smells && has(f, "salty") }},
	{sweet, .9, 0.08, "it is sweet enough for", func(f *food.Food) bool {
		return f.Category == food.Sweet || f.Category == food.Dip && food.SweetDip(f)
	}},
	{sweet, .8, 0.037, "its sweetness softens the heat of", func(f *food.Food) bool { return has(f, "spicy") }},
	{light, 1, 0.13, "it is light enough for", func(f *food.Food) bool {
		return isCheese(f, "fresh") || f.Category == food.Vegetable || f.Holds("fish") || isCheese(f) && f.Strength == 1
	}},
	{depth, 1.2, 0.11, "it has the depth for", func(f *food.Food) bool {
		return isCheese(f, "hard") || isCheese(f) && f.Strength >= 4 || f.Category == food.Nut || f.Category == food.Meat && has(f, "umami")
	}},
	{malt, 1.3, 0.05, "its malt goes with", func(f *food.Food) bool { return has(f, "smoky") && !f.Holds("fish") }},
	{malt, .5, 0.13, "it tastes of the bread that comes with", func(f *food.Food) bool { return f.Category == food.Cracker && !has(f, "sweet") }},
	{acid, .3, 0.012, "it freshens the mouth after", func(f *food.Food) bool { return f.Category == food.Cracker && f.Wetness != food.Crisp }},
	{fruit, .5, 0.2, "its fruit goes with", func(f *food.Food) bool { return f.Category == food.Fruit || f.Category == food.Dried }},
	{fruit, .5, 0.052, "its fruit softens the smoke of", func(f *food.Food) bool { return has(f, "smoky") }},
	{tannin, .7, 0.021, "its grip wants", func(f *food.Food) bool { return f.Category == food.Meat && f.Holds("beef") || isCheese(f, "hard") }},
	{tannin, -1.6, 0.097, "", func(f *food.Food) bool { return isCheese(f, "soft", "fresh") }},
	{tannin, -1.6, 0.11, "", func(f *food.Food) bool { return has(f, "spicy") || f.Holds("fish") || f.Category == food.Brined }},
	{sweet, -.5, 0.164, "", func(f *food.Food) bool { return f.Category == food.Vegetable || f.Category == food.Brined }},
	{depth, -.5, 0.044, "", func(f *food.Food) bool { return isCheese(f, "fresh") }},
}

// With suggests two or three drinks for a tray: the one without alcohol that suits most of it first,
// then what suits best of what that leaves. Where children come the first is one that they drink. Where guests avoid alcohol, or most are children, none of
// them has any. Nothing where there is no food.
func With(t *tray.Tray, larder *food.Larder) []Drink {
	asks, all := asked(t, larder)
	if all == 0 {
		return []Drink{}
	}
	sober, young := Sober(t.Brief), t.Brief.Guests.Children > 0
	hot, theirs := t.Brief.Warmth() <= 8, theme.ForBrief(t.Brief).Drinks()
	left := make([]float64, len(needs)) // of each need, how much is not met yet
	for n := range needs {
		left[n] = 1
	}
	out := []Drink{}
	taken := map[string]bool{}
	for k := range Most {
		best, most, because := -1, .02, -1
		if k < 2 {
			most = math.Inf(-1) // two at least, though the second adds little
		}
		for i := range kinds {
			d := &kinds[i]
			if taken[d.name] || d.alcohol && (sober || k == 0) || k > 0 && !sober && k == 1 && !d.alcohol || d.hot && !hot || k == 0 && young && !d.young {
				continue
			}
			v, top, why := 0.0, 0.0, -1
			for n := range needs {
				met := asks[n].share * needs[n].how * d.has[needs[n].of] * own(asks[n].share, needs[n].usual)
				if needs[n].how > 0 {
					met *= left[n]
				}
				v += met
				if needs[n].says != "" && met > top {
					top, why = met, n
				}
			}
			if hot && d.hot {
				v *= 1.3
			}
			if slices.Contains(theirs, d.name) {
				v += ofTheme * math.Max(0, v)
			}
			if v > most && why >= 0 {
				best, most, because = i, v, why
			}
		}
		if best < 0 || because < 0 {
			break
		}
		d := &kinds[best]
		taken[d.name] = true
		for n := range needs {
			left[n] *= 1 - .7*d.has[needs[n].of]
		}
		out = append(out, Drink{Name: d.name, Alcohol: d.alcohol, Why: say.Upper(needs[because].says) + " " + say.And(asks[because].foods) + "."})
	}
	return out
}

// ofTheme is how much more a drink counts that belongs to the theme, times what it does for the food.
const ofTheme = 1.5

// own is how much a need counts for a board that has more or less of what asks for it than is usual: what nearly every
// board asks for tells none from the other.
func own(share, usual float64) float64 { return math.Max(.15, math.Min(4, math.Pow(share/usual, 3))) }

// Sober reports whether no drink with alcohol is named for a brief: guests avoid it, most of them
// are children, or its feast is kept without.
func Sober(b brief.Brief) bool {
	if t := theme.ForBrief(b); t != nil && slices.Contains(t.Off, "alcohol") {
		return true
	}
	return b.MostlyYoung() || slices.ContainsFunc(b.Diets, func(d brief.Diet) bool { return slices.Contains(d.Avoid, "alcohol") })
}

// ask is how much of the tray asks for something, and what of it, the most first.
type ask struct {
	share float64
	foods []string
}

// asked weighs a tray by its needs: a food counts by the root of its grams, for a little of what is
// strong is tasted as well.
func asked(t *tray.Tray, larder *food.Larder) ([]ask, float64) {
	type portion struct {
		f      *food.Food
		weight float64
	}
	var on []portion
	all := 0.0
	for _, id := range t.Foods() {
		f, ok := larder.Get(id)
		if !ok || f.Category == food.NotFood || f.Category == food.Garnish {
			continue
		}
		w := math.Sqrt(math.Max(0, t.GramsOf(id)))
		on = append(on, portion{f, w})
		all += w
	}
	slices.SortStableFunc(on, func(a, b portion) int {
		switch {
		case a.weight > b.weight:
			return -1
		case a.weight < b.weight:
			return 1
		}
		return 0
	})
	asks := make([]ask, len(needs))
	for n := range needs {
		for _, p := range on {
			if !needs[n].when(p.f) || all == 0 {
				continue
			}
			asks[n].share += p.weight / all
			if len(asks[n].foods) < 2 {
				asks[n].foods = append(asks[n].foods, "the "+strings.ToLower(p.f.Name))
			}
		}
	}
	return asks, all
}
