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
	return fmt.Sprintf("%s|%s|%d|%s|%s|%s|%v|%v|%v", k.food.ID, k.form, k.variant, k.food.Category, k.food.Colour, k.food.Cut, k.food.DrawnAs, s, isRound(&k.food))
}

func sprite(least Least, f *food.Food, s food.Spec, variant int, defs map[string]string) string {
	p := newPen(defs, least, f.ID, s.Form, string(rune('a'+variant)))
	sub := subject{food: f, spec: s, outline: s.Outline(f.ID, variant), turn: s.Turned(f.ID, variant), out: colour.Must(f.Colour), cut: colour.Must(f.Cut)}
	// no two pieces are quite the same tone
	lift := p.between(-2.2, 2.2)
	sub.out.L += lift
	sub.cut.L += lift
	if own, ok := byName[drawnAs(f, s.Shape)]; ok {
		own(p, sub)
	} else if form, ok := byForm[s.Shape]; ok {
		form(p, sub)
	} else if own, ok := byName[drawnAs(f, food.AnyShape)]; ok && !lapped(f, s) {
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

// lapped reports whether slices of a vegetable are made into something that does not look like the slice: a rose, a fold.
func lapped(f *food.Food, s food.Spec) bool {
	return f.Category == food.Vegetable && (s.Shape == "rose" || s.Shape == "fold")
}

// drawnAs is the name of the drawing that shows a food in a shape. Foods that were kept
// before they named any are drawn as the built-in one of their id.
func drawnAs(f *food.Food, shape string) string {
	if f.DrawnAs == nil {
		if like, ok := food.BuiltIn().Get(f.ID); ok {
			f = like
		}
	}
	return f.DrawnAs[shape]
}

// plain is any food that has no drawing of its own.
func plain(p *pen, s subject) { p.body(smooth(s.outline), p.lit(s.cut), s.cut) }

type drawing func(p *pen, s subject)

// byName are the drawings that foods name in drawn_as, being known by their own signs.
var byName map[string]drawing

// byForm draws shapes that look alike whatever they are made of.
var byForm map[string]drawing

// byShape draws the rest by category and shape.
var byShape map[string]drawing

func init() { // in init because drawings of bowls look foods up again
	byForm = map[string]drawing{"spoon": spoonful, "skewer": skewer, "edge": onEdge, "petal": petal,
		"begun": begunWedge, "opened": pressedOpen, "stood": stoodFan, "loop": loopRing, "strewn": pinch, "thread": drizzle}
	byName = map[string]drawing{
		"almond":            almond,
		"apple ring":        appleRing,
		"apricot":           apricot,
		"asparagus":         asparagus,
		"baby corn":         babyCorn,
		"bagel":             bagel,
		"banana chip":       bananaChip,
		"bay leaf":          leafBlade,
		"biscuit":           biscuit,
		"biscuit bar":       biscuitBar,
		"bloomy":            bloomy,
		"blue wedge":        blueWedge,
		"blueberry":         blueberry,
		"bread roll":        bunRoll,
		"bread slice":       breadSlice,
		"candle":            candle,
		"caraway cube":      carawayCube,
		"cashew":            cashew,
		"cherry":            cherry,
		"chocolate":         chocolate,
		"chopped green":     choppedGreen,
		"citrus round":      citrusRound,
		"cookie":            cookie,
		"cranberry cube":    cranberryCube,
		"cream block":       creamBlock,
		"croissant":         croissant,
		"crumbled":          crumbled,
		"cucumber":          cucumber,
		"curd":              curd,
		"currants":          currants,
		"daisy":             daisy,
		"date":              date,
		"dipped strawberry": dippedStrawberry,
		"drupelets":         drupelets,
		"egg half":          eggHalf,
		"endive":            endive,
		"eyed wheel":        eyedWheel,
		"fig half":          figHalf,
		"fine sausage":      fineSausage,
		"floret":            floret,
		"focaccia":          focaccia,
		"fronds":            fronds,
		"fruit slice":       fruitSlice,
		"gherkin":           gherkin,
		"goat log":          goatLog,
		"gourd":             gourd,
		"grape":             grape,
		"grape half":        grapeHalf,
		"grilled roll":      grilledRoll,
		"ham":               ham,
		"herb cube":         herbCube,
		"honeycomb":         honeycomb,
		"jelly":             jelly,
		"kiwi":              kiwi,
		"knife rest":        knifeRest,
		"lemon wedge":       lemonWedge,
		"mandarin":          mandarin,
		"marshmallow":       marshmallow,
		"melon wedge":       melonWedge,
		"mint":              mint,
		"parsley":           parsley,
		"name stand":        nameStand,
		"olive":             olive,
		"passion half":      passionHalf,
		"pastry slab":       pastrySlab,
		"pear half":         pearHalf,
		"pecan":             pecan,
		"peel":              peel,
		"pepper cube":       pepperCube,
		"pepper half":       pepperHalf,
		"pepper strip":      pepperStrip,
		"pineapple":         pineapple,
		"piped":             piped,
		"pistachio":         pistachio,
		"pistachio kernel":  pistachioKernel,
		"pod":               pod,
		"pomegranate half":  pomegranateHalf,
		"pompom":            pompom,
		"popcorn":           popcorn,
		"prawn":             prawn,
		"pretzel":           pretzel,
		"pyramid":           pyramid,
		"radish":            radish,
		"ribbon":            ribbon,
		"rice cracker":      riceCracker,
		"roast slice":       roastSlice,
		"roll":              roll,
		"rosemary":          rosemary,
		"rosette":           rosette,
		"round cracker":     roundCracker,
		"salad leaf":        leafBlade,
		"salmon":            salmon,
		"salmon roll":       salmonRoll,
		"sausage roll":      sausageRoll,
		"sausage stick":     sausageStick,
		"seeded cracker":    seededCracker,
		"shell":             shell,
		"shell on edge":     shellOnEdge,
		"small pie":         smallPie,
		"nasturtium":        nasturtium,
		"speckled sausage":  speckledSausage,
		"star":              star,
		"star fruit":        starFruit,
		"stone dish":        stoneDish,
		"stone half":        stoneHalf,
		"straw":             straw,
		"sugared":           sugared,
		"strawberry":        strawberry,
		"terrine slab":      terrineSlab,
		"thyme":             thyme,
		"toast":             toast,
		"tomato":            tomato,
		"tomato half":       tomatoHalf,
		"truffle":           truffle,
		"truffle cube":      truffleCube,
		"viola":             viola,
		"wafer":             wafer,
		"waffle":            waffle,
		"walnut":            walnut,
		"washed square":     washedSquare,
		"whole citrus":      wholeCitrus,
		"whole fig":         wholeFig,
		"whole fruit":       wholeFruit,
		"whole pear":        wholePear,
		"whole pepper":      wholePepper,
		"whole pomegranate": wholePomegranate,
		"wood tag":          woodTag,
		"wound stick":       woundStick,
		"wrapped":           wrappedSweet,
		"wrinkled":          wrinkled,
	}
	byShape = map[string]drawing{
		"sector": bloomy, "cracker disc": roundCracker, "cracker slab": seededCracker, "cracker triangle": chip, "vegetable disc": rootSlice,
		"vegetable fold": foldedLeaf, "vegetable rose": leafRose, "vegetable halffold": foldedLeaf, "vegetable gathered": ribbon,
		"dried fruit half": apricot, "dried fruit slab": leathery, "sweet half": biscuit, "nut half": pecan, "nut oval": nut, "brined half": petalHalf, "leaf": leaf,
		"meat slab": smokedSlab, "meat triangle": terrine, "meat box": terrine,
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
