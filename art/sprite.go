package art

import (
	"fmt"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// Key names one drawing: a food in a form and variant, or in a vessel.
type Key struct {
	Food, Form, Vessel string
	Variant            int
}

// ID is the drawing's id inside a sheet: letters, digits and hyphens. A vessel of a file
// may be called anything, so it goes by a number.
func (k Key) ID() string {
	if k.Vessel != "" {
		return fmt.Sprintf("v-%x-%s", food.Seed(k.Vessel)>>16, k.Food)
	}
	return fmt.Sprintf("s-%s-%s-%d", k.Food, k.Form, k.Variant)
}

// subject is what a drawing function is given.
type subject struct {
	food    *food.Food
	spec    food.Spec
	outline geom.Outline // round the origin, its turn baked in
	turn    float64      // that turn
	out     colour.Lab   // outside
	cut     colour.Lab   // cut face
}

// Sprite draws one piece round its origin and returns the SVG fragment; the
// gradients it needs are added to defs.
func Sprite(f *food.Food, s food.Spec, variant int, defs map[string]string) string {
	return spriteFrom(0, f, s, variant, defs)
}

func spriteFrom(least Least, f *food.Food, s food.Spec, variant int, defs map[string]string) string {
	return remembered(fmt.Sprintf("%v|%s", least, spriteKey{*f, s.Form, variant}.key()), defs, func(defs map[string]string) string {
		return sprite(least, f, s, variant, defs)
	})
}

// spriteKey is everything a sprite depends on.
type spriteKey struct {
	food    food.Food
	form    string
	variant int
}

func (k spriteKey) key() string {
	s, _ := k.food.Spec(k.form)
	return fmt.Sprintf("%s|%s|%d|%s|%s|%s|%v", k.food.ID, k.form, k.variant, k.food.Category, k.food.Colour, k.food.Cut, s)
}

func sprite(least Least, f *food.Food, s food.Spec, variant int, defs map[string]string) string {
	p := newPen(defs, least, f.ID, s.Form, string(rune('a'+variant)))
	sub := subject{food: f, spec: s, outline: s.Outline(f.ID, variant), turn: s.Turned(f.ID, variant), out: colour.Must(f.Colour), cut: colour.Must(f.Cut)}
	// no two pieces are quite the same tone
	lift := p.between(-2.2, 2.2)
	sub.out.L += lift
	sub.cut.L += lift
	if own, ok := byFood[f.ID+" "+s.Shape]; ok {
		own(p, sub)
	} else if form, ok := byForm[s.Shape]; ok {
		form(p, sub)
	} else if own, ok := byFood[f.ID]; ok {
		own(p, sub)
	} else if common, ok := byShape[string(f.Category)+" "+s.Shape]; ok {
		common(p, sub)
	} else if common, ok := byShape[s.Shape]; ok {
		common(p, sub)
	} else {
		plain(p, sub)
	}
	return p.String()
}

// plain is any food that has no drawing of its own.
func plain(p *pen, s subject) { p.body(smooth(s.outline), p.lit(s.cut), s.cut) }

type drawing func(p *pen, s subject)

// byFood draws foods that are known by their own signs, in one shape or in all.
var byFood map[string]drawing

// byForm draws shapes that look alike whatever they are made of.
var byForm map[string]drawing

// byShape draws the rest by category and shape.
var byShape map[string]drawing

func init() { // in init because drawings of bowls look foods up again
	byForm = map[string]drawing{"spoon": spoonful, "skewer": skewer, "edge": onEdge, "petal": petal}
	byFood = map[string]drawing{
		"figs oval": wholeFig, "figs crescent": fruitSlice, "apple oval": wholeFruit, "pear oval": wholePear, "mandarin oval": wholeCitrus, "pomegranate oval": wholePomegranate,
		"pomegranate half": pomegranateHalf, "passion-fruit": passionHalf, "apricots half": stoneHalf, "nectarine half": stoneHalf, "plum half": stoneHalf, "pear half": pearHalf,
		"kiwi disc": kiwi, "kiwi half": kiwi, "orange-rounds": citrusRound, "pineapple": pineapple, "redcurrants": currants, "melon wedge": melonWedge,
		"mini-peppers half": pepperHalf, "mini-peppers oval": wholePepper, "endive": endive, "asparagus": asparagus, "edamame": pod, "sugar-peas": pod, "aubergine-rolls": grilledRoll,
		"cherry-tomatoes half": tomatoHalf, "cucumber gathered": ribbon,
		"cooked-sausage rose": rosette, "air-dried-ham cylinder": roll, "coarse-pate slab": terrineSlab, "country-terrine slab": terrineSlab, "pastry-pate": pastrySlab,
		"smoked-salmon gathered": salmon, "sausage-sticks": sausageStick,
		"pepper-block": pepperCube, "caraway-block": carawayCube, "green-herb-block": herbCube, "holey-wheel": eyedWheel, "pistachios spoon": choppedGreen, "goat-pyramid": pyramid, "plant-blue": blueWedge, "buffalo-ball": curd,
		"apple-rings": appleRing, "banana-chips": bananaChip, "sourdough-slices": breadSlice, "cheese-straws": straw, "wafer-rolls": wafer, "fruit-toasts": toast,
		"almond-shells disc": shell, "almond-shells edge": shellOnEdge, "marshmallows": marshmallow, "truffles": truffle, "honeycomb": honeycomb, "caramel-popcorn": popcorn,
		"dill": fronds, "borage-stars": star, "chive-flowers": pompom,
		"little-gourd": gourd, "glass-candle": candle, "name-stand": nameStand, "knife-rest": knifeRest, "stone-dish": stoneDish, "pear-wood-tag": woodTag,
		"ash-goat-log": goatLog, "almond-log": goatLog, "creamy-blue": blueWedge, "sheep-blue": blueWedge, "milk-chocolate": chocolate, "white-chocolate": chocolate,
		"walnut-toasts": toast, "juniper-ham": ham, "candied-pecans": pecan, "basil": mint, "dried-cherries": wrinkled, "raisins": wrinkled,
		"golden-raisins": wrinkled, "prunes": apricot, "shortbread": biscuitBar, "cape-gooseberries": grape, "cherries": cherry, "cauliflower": floret,
		"soft-white-round": bloomy, "fresh-goat-log": goatLog, "blue-wedge": blueWedge, "washed-square": washedSquare,
		"aged-hard": crumbled, "air-dried-ham": ham, "cooked-sausage": speckledSausage, "fennel-sausage": fineSausage,
		"red-grapes": grape, "green-grapes": grape, "blackberries": drupelets, "raspberries": drupelets, "blueberries": blueberry,
		"strawberries": strawberry, "figs": figHalf, "mandarin": mandarin, "cherry-tomatoes": tomato, "cucumber": cucumber,
		"radishes": radish, "dried-apricots": apricot, "dates": date, "dried-cranberries": wrinkled, "almonds": almond, "pecans": pecan,
		"walnuts": walnut, "cashews": cashew, "pistachios": pistachio, "round-crackers": roundCracker, "seed-crackers": seededCracker,
		"baguette-toasts": toast, "small-pretzels": pretzel, "rice-crackers": riceCracker, "dark-chocolate": chocolate,
		"fruit-jellies": jelly, "almond-biscuits": biscuit, "rosemary": rosemary, "thyme": thyme, "mint": mint, "edible-violas": viola,
		"green-olives": olive, "dark-olives": olive, "gherkins": gherkin, "mozzarella-balls": curd,
	}
	byShape = map[string]drawing{
		"sector": bloomy, "cracker disc": roundCracker, "cracker slab": seededCracker, "cracker triangle": chip, "vegetable disc": rootSlice,
		"vegetable fold": foldedLeaf, "vegetable rose": leafRose, "vegetable halffold": foldedLeaf, "vegetable gathered": ribbon,
		"dried fruit half": apricot, "dried fruit slab": stick, "sweet half": biscuit, "nut half": pecan, "nut oval": nut, "brined half": petalHalf, "leaf": leaf,
		"meat slab": smokedSlab, "meat box": terrine,
		"cheese triangle": wheelSlice, "cheese disc": smokedSlice, "box": cube, "slab": stick, "cylinder": roll, "fold": foldedSlice,
		"halffold": halfFold, "gathered": gathered, "disc": coin, "rose": rosette, "crescent": fruitSlice, "lump": crumbled,
		"cracker cylinder": breadstick, "oval": pebble, "half": pebble,
	}
}

// KeyOf is the drawing of one piece of an element.
func KeyOf(e *tray.Element, piece int) Key {
	if e.Vessel != "" {
		return Key{Food: e.Food, Form: e.Form, Vessel: e.Vessel}
	}
	return Key{Food: e.Food, Form: e.Form, Variant: e.Pieces[piece].Variant % food.Variants}
}
