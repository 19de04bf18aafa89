package food

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"happytray/core/spell"
)

// What people type, and the foods that may rightly come first. Names are looked for by their id.
const typed = `
brie, camembert, soft white cheese, bloomy rind, whole brie, bries: soft-white-round
cheddar, mature cheddar, red leicester, cheddar cubes, chedder, colby: orange-block
gouda, edam, havarti, monterey jack, goda: mild-loaf
old gouda, aged gouda, mimolette: old-wheel
emmental, emmenthal, swiss cheese, maasdam, emental: holey-wheel
parmesan, parmigiano, parmigiano reggiano, grana padano, parmesean, hard cheese: aged-hard garden-hard
gruyere, gruyère, comté, comte, mountain cheese, alpine cheese, beaufort: mountain-wheel
feta, feta cheese, fetta: brined-white
mozzarella, mozarella, bocconcini, mozzarella balls, mozzarella pearls: mozzarella-balls
buffalo mozzarella, mozzarella di bufala, bufala: buffalo-ball
halloumi, haloumi, grilling cheese, squeaky cheese: squeaky-sticks
goat cheese, goats cheese, goat's cheese, chevre, chèvre: fresh-goat-log
blue cheese, stilton, danish blue, bleu cheese: blue-wedge
gorgonzola, creamy blue, gorgonzolla: creamy-blue
roquefort: sheep-blue
manchego, pecorino, sheep's cheese, sheep cheese: sheep-wedge
taleggio, munster, washed rind: washed-square
raclette, fontina: washed-wheel
smoked cheese, smoked gouda: smoked-round
string cheese, cheese sticks: pulled-sticks
brunost, brown cheese: brown-whey
cream cheese, cottage cheese, quark, ricotta: fresh-curd
pepper jack: pepper-block
vegan cheese, vegan cheddar, vegan brie, vegan feta, vegan blue cheese: cashew-round oat-block almond-log plant-blue
salami, salame, sliced salami, salamis: wide-sausage
prosciutto, proscuitto, parma ham, serrano ham, jamon, jamón, dry-cured ham, prosciuto: air-dried-ham
chorizo, chorizzo, pepperoni, chorizos: paprika-sausage
mortadella, mortadela, bologna: cooked-sausage
bresaola, bresola, dried beef: air-dried-beef
speck, black forest ham: juniper-ham
ham, cooked ham, ham slices: smoked-ham
turkey, sliced turkey, turkey breast: smoked-turkey
roast beef, cold roast beef: roast-beef
pate, pâté, liver pate, liverwurst: coarse-pate
terrine, country pate, pâté de campagne: country-terrine
rillettes, pork rillettes: potted-pork
duck rillettes: potted-duck
smoked salmon, lox, salmon: smoked-salmon
fennel salami, finocchiona: fennel-sausage
venison, venison salami: venison-sausage
cabanossi, kabanos, salami sticks: sausage-sticks
saucisson: pepper-sausage
vegan salami, vegan ham: plant-coins garden-slices
hummus, houmous, humus, hommus, hummous: chickpea-dip
guacamole, guac, guacamole dip: avocado-dip
tzatziki, tsatziki, raita: yoghurt-dip
tapenade, olive tapenade: olive-spread
aioli, garlic mayo, mayonnaise, mayo: garlic-cream
mustard, wholegrain mustard, whole grain mustard, dijon: grainy-mustard
muhammara, red pepper dip: red-pepper-dip
ranch, ranch dip: herb-dip
honey, clear honey, runny honey: honey
fig jam, fig preserve: fig-jam
apricot jam: apricot-jam
onion chutney, caramelised onion chutney, caramelized onion chutney, onion marmalade: onion-jam
chilli jam, chili jam, sweet chilli jam, pepper jelly: chilli-jam
lemon curd: lemon-curd
cherry jam: cherry-jam
caramel sauce, dulce de leche: salted-caramel
cornichons, cornichon, gherkins, gherkin, pickles, cornishons: gherkins
olives, green olives, olive, pitted olives: green-olives
black olives, kalamata olives, kalamata, kalamatas: dark-olives
stuffed olives: almond-olives
capers, caperberries, caper berries: caper-berries
artichokes, artichoke hearts: artichokes
sun-dried tomatoes, sundried tomatoes, sun dried tomato: dried-tomatoes
pickled onions, silverskin onions: pickled-onions
grapes, red grapes, black grapes, grape, seedless grapes, green grapes, white grapes: red-grapes green-grapes
strawberries, strawberry, strawbery, fresh strawberries: strawberries
raspberries, raspberry, rasberries: raspberries
blackberries, blackberry: blackberries
blueberries, blueberry, bluberries: blueberries
figs, fig, fresh figs: figs
apple, apples, apple slices, sliced apple: apple
pear, pears: pear
clementines, mandarin, satsumas, tangerine: mandarin
plums, plum: plum
nectarines: nectarine
melon, cantaloupe, cantaloup: melon
pomegranate, pomegranate seeds: pomegranate
kiwi, kiwis, kiwi fruit: kiwi
pineapple, pineaple: pineapple
cherries, cherry: cherries
physalis, cape gooseberries: cape-gooseberries
passion fruit, passionfruit: passion-fruit
orange, oranges, orange slices: orange-rounds
redcurrants, red currants: redcurrants
cherry tomatoes, tomatoes, tomato, cherry tomatos: cherry-tomatoes
cucumber, cucumbers, cucmber: cucumber
carrots, carrot sticks, carrot: carrot-sticks
peppers, red pepper, bell pepper, capsicum: pepper-sticks
radishes, radish: radishes
celery, celery sticks: celery
sugar snap peas, mangetout, sugar snaps: sugar-peas
cauliflower, cauliflour: cauliflower
courgette, zucchini, zuchini: courgette-ribbons
beetroot, beets: marinated-beet beet-rose
chicory, endive, endives: endive
asparagus: asparagus
edamame: edamame
roasted peppers: roast-pepper-folds
kohlrabi: kohlrabi-folds
aubergine, eggplant: aubergine-rolls
almonds, almond, roasted almonds: almonds
walnuts, walnut: walnuts
pecans, pecan nuts: pecans
cashews, cashew nuts: cashews
pistachios, pistachio, pistacchio: pistachios
hazelnuts, hazelnut: hazelnuts
peanuts, salted peanuts: roasted-peanuts
macadamia nuts, macadamias: macadamias
brazil nuts: brazil-nuts
candied pecans: candied-pecans
pumpkin seeds, pepitas: pumpkin-seeds
nuts: almonds pecans cashews walnuts hazelnuts
dried apricots, apricots dried: dried-apricots
dates, medjool dates, medjool: dates
raisins, sultanas: raisins golden-raisins
cranberries, dried cranberries: dried-cranberries
prunes: prunes
dried figs: dried-figs
dried mango: mango-strips
banana chips: banana-chips
crackers, butter crackers: round-crackers
water biscuits, water crackers: water-biscuits
breadsticks, grissini, bread sticks, breadstick: breadsticks
pretzels, mini pretzels: small-pretzels
rice crackers, rice cakes: rice-crackers
oat biscuits, digestives: oat-biscuits
crispbread, rye crackers, rye crispbread: rye-crisps
tortilla chips, nachos: corn-chips
pita chips, pitta chips: pita-chips
sourdough, bread, sliced bread: sourdough-slices
cheese straws: cheese-straws
seed crackers, seeded crackers: seed-crackers
chocolate, dark chocolate, dark chocolate squares: dark-chocolate
milk chocolate: milk-chocolate
white chocolate: white-chocolate
fudge: fudge
caramels, toffees: caramels
nougat: nougat
brownies, brownie: brownie-cubes
macarons, macaroons: almond-shells
shortbread: shortbread
marshmallows, marshmallow: marshmallows
truffles, chocolate truffles: truffles
popcorn: caramel-popcorn
amaretti: almond-biscuits
quince paste, membrillo, quince jelly: fruit-jellies
meringues: meringues
rosemary, fresh rosemary, rosemary sprigs: rosemary
thyme: thyme
mint, fresh mint, mint leaves: mint
basil, basil leaves: basil
sage: sage
dill: dill
edible flowers, pansies, violas: edible-violas
rose petals: rose-petals
`

// Of the words that people use for food 97 in a hundred find a right one first.
func TestPeopleFindWhatTheyMean(t *testing.T) {
	asked, right := 0, 0
	for line := range strings.Lines(strings.TrimSpace(typed)) {
		words, ids, _ := strings.Cut(strings.TrimSpace(line), ": ")
		for w := range strings.SplitSeq(words, ", ") {
			asked++
			found := BuiltIn().Find(w)
			if len(found) > 0 && slices.Contains(strings.Fields(ids), found[0].ID) {
				right++
				continue
			}
			first := "nothing"
			if len(found) > 0 {
				first = found[0].ID
			}
			t.Logf("%q finds %s, not %s", w, first, ids)
		}
	}
	t.Logf("%d of %d", right, asked)
	if asked < 300 || float64(right) < .97*float64(asked) {
		t.Errorf("%d of %d find what is meant", right, asked)
	}
}

func TestMeant(t *testing.T) {
	for text, want := range map[string]string{"brie": "soft-white-round", "Camembert": "soft-white-round", "soft-white-round": "soft-white-round", "proscuitto": "air-dried-ham", "Jamón": "air-dried-ham", "grapes red": "red-grapes",
		"fresh figs": "figs", "": "", "xyzzy": "", "che": "", "something nice": "", "cornichon": "gherkins", "<b>brie</b>": "", strings.Repeat("brie ", 4000): ""} {
		f, ok := BuiltIn().Meant(text)
		if got := ""; ok {
			if got = f.ID; got != want {
				t.Errorf("%.30q means %s, not %q", text, got, want)
			}
		} else if want != "" {
			t.Errorf("%.30q means nothing, not %s", text, want)
		}
	}
}

// Every entry has names that people use, and no two foods are called the same.
func TestAlso(t *testing.T) {
	called := map[string]string{}
	for _, f := range BuiltIn().All() {
		if n := len(f.Also); n < 3 || n > 15 {
			t.Errorf("%s has %d other names", f.ID, n)
		}
		own := map[string]bool{}
		for _, name := range append([]string{f.Name}, f.Also...) {
			key := strings.Join(stemsOf(name), " ")
			if own[key] && spell.Fold(name) != spell.Fold(f.Name) {
				continue // singular and plural
			}
			own[key] = true
			if by, twice := called[key]; twice && by != f.ID {
				t.Errorf("%q is %s and %s", name, by, f.ID)
			}
			called[key] = f.ID
		}
	}
}

func ExampleLarder_Find() {
	for _, f := range BuiltIn().Find("mozarella")[:2] {
		fmt.Println(f.Name)
	}
	// Output:
	// Mozzarella balls
	// Buffalo mozzarella
}

// fiveThousand is a larder of so many foods, by copies of the built-in ones under other names.
func fiveThousand() *Larder {
	var foods []Food
	built := BuiltIn().All()
	for i := 0; len(foods) < 5000; i++ {
		f := built[i%len(built)]
		f.ID = fmt.Sprintf("%s-%d", f.ID, i)
		f.Name = fmt.Sprintf("%s %d", f.Name, i)
		foods = append(foods, f)
	}
	return BuiltIn().With(foods)
}

func BenchmarkFind5000(b *testing.B) {
	l := fiveThousand()
	l.Find("brie")
	for _, text := range []string{"chedd", "mozarella", "soft white", "che"} {
		b.Run(text, func(b *testing.B) {
			for b.Loop() {
				l.Find(text)
			}
		})
	}
}
