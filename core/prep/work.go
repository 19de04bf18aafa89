package prep

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"happytray/core/brief"
	"happytray/core/card"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/recipe"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/schedule"
	"happytray/core/tool"
	"happytray/core/tray"
)

// Kinds of work, in the order in which a food goes through them.
const (
	SetUp   = "set-up" // boards, knives, gloves and cloths are put out, bowls are washed
	Line    = "line"   // a board gets its liner
	Mark    = "mark"   // where things will stand is marked out on the board
	GetOut  = "get-out"
	WashDry = "wash"
	Drip    = "drip" // what is washed or drained is left by itself
	Drain   = "drain"
	Peel    = "peel"
	Unwrap  = "unwrap"
	Trim    = "trim" // seeds, cores, rinds and ends
	Stone   = "stone"
	Slice   = "slice"
	Cube    = "cube"
	Fold    = "fold"
	Thread  = "thread" // on picks
	Snip    = "snip"   // clusters, sprigs
	Lemon   = "lemon"  // into water with lemon
	Heat    = "heat"
	Make    = "make" // what the house makes itself: a dip is blended, nuts are spread on a sheet
	Cool    = "cool"
	Portion = "portion" // into bowls
	Chill   = "chill"   // covered, and back into the cold until it is wanted
	Box     = "box"     // the reserve, into its boxes
	Cards   = "cards"
	Pack    = "pack" // the kit
	Lay     = "lay"
	Tools   = "tools"   // what guests take with is put in
	Refresh = "refresh" // a board that is served again: wiped, and what does not bear the cold laid anew
	Load    = "load"
	Drive   = "drive"
	Unload  = "unload"
)

// HandKinds are the kinds of work whose minutes are those of hands and may be learnt: the road, the oven and what goes on by itself
// take what they take.
var HandKinds = []string{SetUp, Line, Mark, GetOut, WashDry, Drain, Peel, Unwrap, Trim, Stone, Slice, Cube, Fold, Thread, Snip, Lemon, Make, Portion, Chill, Box, Cards, Pack, Lay, Tools, Refresh, Load, Unload}

// ahead tells, form by form, what kind of handwork it is and how much of it can be done before anything is laid,
// as a share of the seconds of the form; the rest is setting it down. What is not named goes from its pack to the
// board. The shares are reckoned from what hands do: a rosette is turned on its glass and only set down, a folded
// trail is folded ahead but stood up on the board, crackers are only laid.
var ahead = map[string]struct {
	kind  string
	share float64
	code  string // of what is said
}{
	"cut-round": {Slice, .7, "cut.round"}, "cut-round-12": {Slice, .7, "cut.round"}, "cut-round-16": {Slice, .7, "cut.round"}, "begun": {Slice, .75, "cut.begun"},
	"triangles": {Slice, .75, "cut.triangles"}, "rings": {Slice, .75, "cut.rings"}, "fanned": {Slice, .8, "cut.fanned"}, "stood": {Slice, .8, "cut.stood"}, "shingle": {Slice, .75, "cut.slices"}, "fan": {Slice, .75, "cut.slices"}, "arc": {Slice, .75, "cut.slices"},
	"ring": {Slice, .75, "cut.slices"}, "coins": {Slice, .75, "cut.coins"}, "slices": {Slice, .75, "cut.slices"}, "slab": {Slice, .7, "cut.slab"},
	"halves": {Slice, .75, "cut.halves"}, "quarters": {Slice, .8, "cut.quarters"}, "whole": {Slice, .6, "cut.begin"}, "batons": {Slice, .75, "cut.sticks"}, "criss-cross": {Slice, .6, "cut.sticks"},
	"upright": {Slice, .7, "cut.sticks"}, "tumble": {Cube, .8, "cut.lumps"},
	"trail": {Fold, .7, "cut.trail"}, "half-fold-fan": {Fold, .65, "cut.fan"}, "ribbon": {Fold, .75, "cut.ribbon"}, "rolls": {Fold, .8, "cut.rolls"}, "wound": {Fold, .85, "cut.wound"},
	"rosette": {Fold, .92, "cut.rosette"}, "flower": {Fold, .85, "cut.flower"},
	"skewer": {Thread, .9, "cut.skewer"}, "cluster": {Snip, .6, "cut.cluster"}, "sprig": {Snip, .4, "cut.sprig"}, "petals": {Snip, .4, "cut.petals"},
	"bowl": {Portion, .7, "task.fill"}, "pot": {Portion, .8, "task.fill"}, "topping": {Portion, 0, ""}, "strewn": {Portion, 0, ""}, "drizzled": {Portion, 0, ""},
}

// readied is the kind of handwork that makes a food ready in a form ahead of laying, the share of the form's seconds
// that it is, and the code of what is said of it; no kind where it goes from its pack to the board. Whole fruit is for looks, and only
// whole cheese is begun.
func readied(f *food.Food, s food.Spec) (kind string, share float64, code string) {
	a, known := ahead[s.Form]
	if !known || a.share == 0 || s.Seconds < handmade && a.kind != Portion || food.Has(s.Form, food.AsItComes) && f.Category != food.Cheese {
		return "", 0, ""
	}
	return a.kind, a.share, a.code
}

// readied is the same as the house does it: where nothing is begun, a whole cheese is only unwrapped.
func (w *worker) readied(f *food.Food, s food.Spec) (kind string, share float64, code string) {
	if food.Has(s.Form, food.AsItComes) && !w.j.Brief.HouseRules().Begins() {
		return "", 0, ""
	}
	return readied(f, s)
}

// handmade is the least seconds a piece takes for its form to be handwork and not just laid from the pack.
const handmade = 1.8

// Minutes before serving that work may be done at most, and why (docs/craft.md, Time and care).
const (
	earlyMin   = 26 * 60 // what keeps covered and cold till the next day: hard cheese cut, meat folded, fruit washed and dried, dips portioned
	heatMin    = 360     // what is toasted, grilled or baked
	cutMin     = 240     // softer cheese cut and wrapped; everything that is laid
	driesMin   = 90      // aged cheese dries where it is cut
	weepsMin   = 90      // juicy fruit weeps
	brownsMin  = 75      // apples and pears, even with lemon
	crispMin   = 45      // crackers and bread on the board go soft
	wiltsMin   = 40      // herbs and flowers
	toppingMin = 30
	warmMin    = 35 // cheese that is grilled or fried is laid warm
	asideMin   = 12 // by when what is no laying is done: the last minutes are the tray's
	standsMin  = safety.GuestsPart
)

// Seconds of work that no form says. Each is a plain kitchen estimate for one pair of hands.
const (
	setUpSecs, vesselSecs    = 240, 30
	lineSecs                 = 90
	markSecs                 = 90
	getOutSecs               = 20
	chillSecs                = 45
	washSecs, washGramSecs   = 30, .1
	dripSecs                 = 600
	drainSecs, drainGramSecs = 30, .06
	peelGramSecs             = .25
	stoneSecs                = 3 // a piece
	unwrapSecs, eggSecs      = 4, 20
	trimSecs, trimGramSecs   = 20, .15
	hollowSecs               = 300 // a squash, half a melon: washed, cut open, scooped out, wiped dry
	seedGramSecs             = .5
	panPieces, icedSecs      = 12, 60 // in a pan or a pot at once; lifted into iced water and patted dry
	lemonSecs                = 40
	coolSecs                 = 600
	boxSecs, boxGramSecs     = 25, .02
	cardsSecs, cardSecs      = 60, 12 // printed, cut out and folded
	packSecs                 = 180
	toolSecs                 = 6
	plateSecs                = 60  // crackers are fanned on it
	besideMM                 = 600 // how far from the board it stands at most
	loadSecs, unloadSecs     = 300, 300
	loadTraySecs             = 90
	sheetPieces              = 24 // on a baking sheet
	mostPart                 = 600
	leastBoxG                = 10 // less is a cook's bite and no reserve
)

// work is one task before it has its time.
type work struct {
	id, kind, food, form string
	says                 say.Text
	tool                 string
	count                int
	grams                float64
	seconds              int
	hands                int
	ovenC                int
	hob                  bool
	after                []string
	elements             []string
	from, by             int // seconds from serving; schedule.Any for no bound
	tray                 int // from 1; 0 for none of them
	late                 bool
	wet                  food.Wetness // of what is worked on, as it lies on the tray
	of                   []int        // the jobs of a day that it is for
	base                 string       // its name within its job
	sitting              int          // that it is for, of boards that are served again; 0 for the first
	wave                 int          // of boards that follow each other, that it is for; 0 for the first, or all
	within               int          // seconds after it by which what comes after it should begin: it is out of the cold meanwhile
	lead                 int          // seconds right before it in which what is fetched for it is fetched
	boxes                bool         // what was made ready for one tray leaves the cold
	again                bool         // it was out before
	part                 int          // of several steps of a kind that a food takes, from 1; 0 for the first
	rest                 int          // seconds that what comes after it waits at least
	finish               bool         // it is for what is finished where and when it is served
	round                int          // that it belongs to
}

// portion is how much of a food in a form there is over all trays, the reserve with it.
type portion struct {
	food     *food.Food
	spec     food.Spec
	pieces   int
	grams    float64
	reserveG float64
	vessels  int
	hollowed int    // of them, those that are cut from a fruit or vegetable
	from     string // which, as one buys it
	elements []string
	open     bool         // some of it lies in no vessel
	wet      food.Wetness // the wettest of it, as it lies on the trays; its food's where none does
}

// worker collects the work of a job.
type worker struct {
	j      *job.Job
	larder *food.Larder
	easing
	zone       *time.Location // of a time that is written without one
	pace       map[string]float64
	mostInHand int // seconds that are left to the guests at most: none where it is late
	works      []work
	chill      map[string]bool     // of foods in a form, by StepName: those that go back into the cold between being made ready and being laid
	final      map[string]bool     // of foods in a form, by StepName: those that are laid at last on boards that are ready ahead, and made ready right before
	last       map[string][]string // of a food in a form: what must be done before it is laid
	leave      int                 // seconds before serving at which the trays must be laid but for what is finished at last: ready to go, or to be chilled; 0 where all is laid at once
	arrive     int                 // seconds before serving at which the road ends
	road       int                 // seconds; 0 where the trays stay
	sooner     map[int]int         // by tray, from 1, how much sooner than the last one it is laid and chilled, seconds: one after the other
	inHand     int                 // seconds between the last hand and the guests
	ready      int                 // seconds before serving at which laid trays are covered and chilled; 0 where they are not
	takes      int                 // seconds before serving at which chilled trays leave the cold
	hold       float64
	hasty      bool             // it is late
	rinds      bool             // some stay on that nobody eats
	trips      [tripCount]*trip // what is got out together
	says       []say.Text
}

func (w *worker) add(t work) string {
	if t.hands > 0 {
		if pace, learnt := w.pace[t.kind]; learnt {
			t.seconds = int(math.Round(float64(t.seconds) * pace))
		}
		t.seconds = max(1, t.seconds)
	}
	w.works = append(w.works, t)
	return t.id
}

func minutes(m float64) int { return -int(math.Round(m * 60)) }

// portions are the foods of a job in their forms, in the order in which they are first met.
func (w *worker) portions() []*portion {
	var out []*portion
	at := map[string]*portion{}
	of := func(foodID, form string) *portion {
		f, ok := w.larder.Get(foodID)
		if !ok || f.Category == food.NotFood || w.off[foodID] {
			return nil
		}
		key := StepName(foodID, form)
		p := at[key]
		if p == nil {
			f = w.j.Brief.HouseRules().Served(f)
			p = &portion{food: f, wet: f.Wetness}
			p.spec, _ = f.Spec(form)
			p.spec.Form = form
			at[key] = p
			out = append(out, p)
		}
		return p
	}
	for _, t := range w.j.Trays {
		times := t.Copies()
		for i := range t.Elements {
			e := &t.Elements[i]
			p := of(e.Food, e.Form)
			if p == nil {
				continue
			}
			if len(p.elements) == 0 {
				p.wet = e.Wetness
			}
			p.wet = wetter(p.wet, e.Wetness)
			p.pieces += e.Count * times
			p.grams += e.Grams * float64(times)
			p.elements = append(p.elements, e.ID)
			if e.Vessel != "" {
				p.vessels += times
				if v, ok := t.Vessel(e.Vessel); ok && v.HollowedFrom() != "" {
					p.hollowed, p.from = p.hollowed+times, v.HollowedFrom()
				}
			} else {
				p.open = true
			}
		}
	}
	for _, t := range w.j.Trays {
		for _, r := range t.Reserve {
			if r.Grams <= 0 {
				continue
			}
			form := r.Form
			for _, p := range out { // it is made ready as what lies on the tray is
				if p.food.ID == r.Food && (form == "" || at[StepName(r.Food, form)] == nil) {
					form = p.spec.Form
					break
				}
			}
			if p := of(r.Food, form); p != nil {
				g := r.Grams * float64(t.Copies())
				p.grams += g
				p.reserveG += g
				if p.spec.MassG > 0 && !food.InVessel(form) {
					p.pieces += int(math.Ceil(g / p.spec.MassG))
				}
			}
		}
	}
	return out
}

// wetter is the wetter of two.
func wetter(a, b food.Wetness) food.Wetness {
	if slices.Index(food.Wetnesses, string(b)) > slices.Index(food.Wetnesses, string(a)) {
		return b
	}
	return a
}

// makeReady adds what is done to a food in a form before it is laid.
func (w *worker) makeReady(p *portion) {
	f, key := p.food, StepName(p.food.ID, p.spec.Form)
	last := w.finishes(p) // its own minutes count, not those of the trays that are chilled
	w.final[key] = last && w.ready > 0
	begun := len(w.works)
	defer func() {
		for i := begun; i < len(w.works); i++ {
			w.works[i].finish = last
		}
	}()
	name, comes := say.Food(f.Name), say.Food(comesAs(f))
	id := func(kind string) string { return kind + "-" + f.ID + "-" + p.spec.Form }
	var before []string
	step := func(t work) {
		t.id, t.food, t.form, t.elements, t.grams = id(t.kind), f.ID, p.spec.Form, p.elements, math.Round(p.grams)
		if t.part > 0 {
			t.id += fmt.Sprint("-", t.part)
		}
		t.wet = p.wet
		if t.count == 0 {
			t.count = max(1, p.pieces)
		}
		t.after = before
		if t.from == 0 {
			t.from = minutes(earlyMin)
		}
		if w.boxed() && w.chill[key] && t.kind != Chill { // much of it, one thing after the other
			t.within = soonest
		}
		before = w.parted(t)
	}
	where := "task.cupboard"
	if f.Needs(food.Cold) {
		where = "task.fridge"
	}
	before = []string{SetUp}
	r, here := recipe.For(w.j.Brief, f.ID)
	out := work{kind: GetOut, seconds: getOutSecs, hands: 1, count: 1, says: say.That(where, comes)}
	if here { // it is not there yet
		out.says = gettingOut(f)
	}
	out.within = sameStretch
	if f.Needs(food.Perishable) || f.Needs(food.Wilts) {
		out.within = longTrip
	}
	if (w.leave == 0 || last) && !w.chill[key] { // what travels warms up where it is served
		out.by = minutes(float64(w.warmUp(f)))
	}
	step(out)
	way := w.trips[w.tripFor(f, key, last && w.atLast(&work{kind: GetOut, food: f.ID}))]
	got := fetched{of: f.Category, out: before}
	made := len(w.works)
	defer func() {
		got.first = w.firstAfter(made, f, p.spec.Form)
		for _, k := range w.works[made:] {
			got.seconds += k.seconds * k.hands
		}
		way.foods = append(way.foods, got)
	}()
	if here {
		w.makeIt(r, p, step)
		plain := *f // what was bought to be eaten as it is would be drained, or heated
		plain.Handling = slices.DeleteFunc(slices.Clone(f.Handling), func(h string) bool {
			return h != food.Cold && h != food.Perishable && h != food.Browns
		})
		plain.Heat = nil
		f = &plain
	}
	if f.Needs(food.Wash) {
		step(work{kind: WashDry, seconds: washSecs + int(washGramSecs*p.grams), hands: 1, says: washed(comes, f, p)})
		step(work{kind: Drip, seconds: dripSecs, says: say.That("task.dry", comes)})
	}
	if f.Needs(food.Drain) {
		step(work{kind: Drain, seconds: drainSecs + int(drainGramSecs*p.grams), hands: 1, tool: "sieve", says: say.That("task.drain", name, say.Grams(p.grams))})
		t := work{kind: Drip, seconds: dripSecs, says: say.That("task.drip", name)}
		if f.Needs(food.Wash) { // it dripped once already
			t.kind = Cool
		}
		step(t)
	}
	peeled := f.Needs(food.Peel) && (!food.Has(p.spec.Form, food.AsItComes) || f.ID == "pineapple")
	if peeled {
		step(work{kind: Peel, seconds: int(peelGramSecs * f.BoughtFor(p.spec.Form, p.grams)), hands: 1, tool: peelTool(f), says: say.That("task.peel", comes)}) // all of it, with what is not eaten
	}
	if f.Needs(food.Unwrap) {
		step(work{kind: Unwrap, seconds: unwrapSecs * max(1, p.pieces), hands: 1, says: say.That("task.unwrap", say.N(p.pieces), name)})
	}
	for _, off := range food.Trims {
		if off == food.Derind && f.Needs(off) && w.j.Brief.HouseRules().Rinds == "on" {
			w.rinds = true
			continue
		}
		if off == food.Core && food.Has(p.spec.Form, food.StoodUp) { // what is stood up keeps it
			continue
		}
		if f.Needs(off) && f.YieldAs(p.spec.Form) < 1 {
			bought := f.BoughtFor(p.spec.Form, p.grams)
			step(work{kind: Trim, seconds: trimSecs + int(trimSecsOf(f, off)*bought), hands: 1, tool: trimTool(off), says: say.That(takenOff[off], comes, say.Grams(bought), say.Grams(p.grams))})
		}
	}
	if f.Needs(food.StoneOut) && !food.Has(p.spec.Form, food.KeepsStone) {
		step(work{kind: Stone, seconds: stoneSecs * max(1, p.pieces), hands: 1, tool: "small knife", says: say.That("task.stone", comes)})
	}
	kind, share, code := w.readied(f, p.spec)
	if f.ReadyAs != "" && f.ComesAs == f.ReadyAs && kind == Slice { // it was bought ready
		kind, share = "", 0
	}
	if food.Has(p.spec.Form, food.StandsOut) && f.Threaded() { // it stands as it is threaded
		kind, code = Thread, "cut.skewer"
	}
	hand := p.spec.Seconds * float64(p.pieces)
	if food.InVessel(p.spec.Form) {
		hand = p.spec.Seconds * math.Max(1, float64(p.pieces))
	}
	h := f.Heat
	first := h != nil && (h.How == "boil" || h.How == "bake" || kind == Fold) // an egg is boiled and then halved, an aubergine is sliced, grilled and then rolled
	if first {
		if kind == Fold {
			step(work{kind: Slice, seconds: int(hand * share / 2), hands: 1, tool: toolFor(f, Slice), says: say.That("cut.slices", comes, say.N(p.pieces))})
		}
		w.heat(p, &before)
		if h.How == "boil" && f.Holds("egg") {
			step(work{kind: Peel, seconds: eggSecs * max(1, p.pieces/2), hands: 1, says: say.That("task.shell", comes)})
		}
		comes = name
	}
	if kind != "" && kind != Portion {
		from := minutes(earlyMin)
		switch {
		case f.Needs(food.Dries) && !w.chill[key]: // covered it does not dry
			from = minutes(driesMin)
		case f.Needs(food.Browns):
			from = minutes(brownsMin)
		case p.wet == food.Juicy && f.Category == food.Fruit:
			from = minutes(weepsMin)
		case f.Category == food.Cheese && f.Firmness != "firm" && f.Firmness != "hard":
			from = minutes(cutMin)
		}
		step(work{kind: kind, seconds: int(hand * share), hands: 1, tool: toolFor(f, kind), from: from, says: cutting(f, comes, code, p.pieces, p.spec.L)})
		if f.Needs(food.Browns) {
			step(work{kind: Lemon, seconds: lemonSecs, hands: 1, from: from, says: say.That("task.lemon", name)})
		}
	}
	if h != nil && !first && !warm(f) {
		w.heat(p, &before)
	}
	if p.hollowed > 0 {
		step(work{kind: Trim, seconds: hollowSecs * p.hollowed, hands: 1, count: p.hollowed, tool: "small knife and spoon", from: minutes(heatMin), says: say.That("task.hollow", say.N(p.hollowed), say.Word(p.from))})
	}
	if kind == Portion {
		step(work{kind: Portion, seconds: int(hand * share), hands: 1, count: max(1, p.vessels), tool: "spoon", says: say.That("task.fill", say.N(max(1, p.vessels)), name)})
	}
	box := before
	if w.chill[key] && w.boxed() && !last { // it comes out tray by tray
		step(work{kind: Chill, seconds: chillSecs, hands: 1, count: len(w.j.Trays), rest: 60 * inCold, tool: "film, or lids", by: minutes(float64(w.coverBy(last))), says: say.That("task.chill-boxes", name)})
	} else if w.chill[key] {
		step(work{kind: Chill, seconds: chillSecs, hands: 1, count: 1, rest: 60 * inCold, tool: "film, or lids", by: minutes(float64(w.coverBy(last))), says: say.That("task.chill", name)})
		again := work{id: again + "-" + f.ID + "-" + p.spec.Form, kind: GetOut, food: f.ID, form: p.spec.Form, elements: p.elements, grams: math.Round(p.grams), wet: p.wet,
			seconds: getOutSecs, hands: 1, count: 1, again: true, after: before, from: minutes(w.hold - standsMin), says: say.That("task.again", name)}
		if w.leave == 0 || last {
			again.by = minutes(float64(w.outAt(f)))
		}
		before = []string{w.add(again)}
	}
	if warm(f) { // last of all, and laid as it comes from the pan
		w.heat(p, &before)
	}
	if p.reserveG >= leastBoxG {
		w.add(work{id: id(Box), kind: Box, food: f.ID, form: p.spec.Form, seconds: boxSecs + int(boxGramSecs*p.reserveG), hands: 1, count: 1, grams: math.Round(p.reserveG), after: box,
			tool: "lidded box", from: minutes(earlyMin), by: minutes(asideMin), says: say.That("task.box", say.Grams(p.reserveG), name)})
	}
	w.last[key] = before
}

// The trips of a day: for what is chilled again before it is laid, and with it all that does not perish; for the rest, which is all where
// nothing is chilled; and for what is laid at last, when the board is out again.
const (
	tripForRest = iota
	tripForSoon
	tripForLast
	tripCount
)

func (w *worker) tripFor(f *food.Food, key string, last bool) int {
	switch {
	case last:
		return tripForLast
	case len(w.chill) > 0 && (w.chill[key] || !f.Needs(food.Perishable)):
		return tripForSoon
	}
	return tripForRest
}

// trip is a way to the fridge and the cupboard.
type trip struct{ foods []fetched }

// fetched is a food that is got out on a trip.
type fetched struct {
	of      food.Category
	out     []string // the getting out
	first   []int    // the first work on it, by its places among the works
	seconds int      // of hands, for all that is done to it
}

// firstAfter are the works on a food from a place on that wait for nothing but its getting out.
func (w *worker) firstAfter(made int, f *food.Food, form string) (out []int) {
	for i := made; i < len(w.works); i++ {
		k := &w.works[i]
		if k.hands > 0 && len(k.after) == 1 && k.after[0] == GetOut+"-"+f.ID+"-"+form {
			out = append(out, i)
		}
	}
	return out
}

// longTrip is for how long what is got out together is worked on at most, seconds: beyond that the last of it would have stood
// about for too long when its turn comes, so that each kind is fetched by itself, and of a large kind each food.
const longTrip = 40 * 60

// mostLead is for how long before what is fetched is worked on somebody fetches it at most, seconds.
const mostLead = 300

// mostTogether is how much work, seconds of hands, what is got out together may be: less where it stands about once more for each of
// many boards.
func (w *worker) mostTogether() int {
	if w.boxed() {
		return longTrip / 3 * w.people
	}
	return longTrip * w.people
}

// together has everything of a trip got out before any of it is worked on, where that is no more work than most, seconds of hands.
func (t *trip) together(works []work, most int) {
	kinds := map[food.Category]*trip{}
	all := 0
	for _, f := range t.foods {
		if kinds[f.of] == nil {
			kinds[f.of] = &trip{}
		}
		kinds[f.of].foods = append(kinds[f.of].foods, f)
		all += f.seconds
	}
	switch {
	case all <= most:
	case len(kinds) > 1:
		for _, k := range kinds {
			k.together(works, most)
		}
		return
	default:
		for _, f := range t.foods {
			for _, i := range f.first {
				works[i].lead = getOutSecs
			}
		}
		return
	}
	var out []string
	for _, f := range t.foods {
		out = append(out, f.out...)
	}
	for _, f := range t.foods {
		for _, i := range f.first {
			works[i].lead = min(mostLead, getOutSecs*len(out))
			works[i].after = append(slices.Clone(works[i].after), out...)
			slices.Sort(works[i].after)
			works[i].after = slices.Compact(works[i].after)
		}
	}
}

// sameStretch is how long before it is worked on anything is got out at most, seconds: not the evening before.
const sameStretch = 3 * 3600

// inCold is how long before it is got out again what is chilled goes into the cold at the latest, minutes: sooner it
// would only have been carried to and fro.
const inCold = 30

// again begins the names of tasks that get out what was chilled.
const again = "out-again"

// warmUp is how long before serving a food leaves the fridge, minutes: as its entry says, or as the house does it
// with all cheese and meat.
func (w *worker) warmUp(f *food.Food) int {
	warm := int(safety.WarmUp(w.j.Brief, f, w.hold))
	if w.warmMin > 0 {
		warm = min(warm, w.warmMin)
	}
	return warm
}

// outAt is how long before serving what was chilled leaves the fridge again, minutes: all of it in one trip, where the hours
// that food may stand out are the usual ones, and where they are short each when it is time.
func (w *worker) outAt(f *food.Food) int {
	if w.hold < usualHold {
		return w.warmUp(f)
	}
	return w.longest()
}

// coverBy is by how long before serving what is chilled goes into the cold, minutes: all of it in one go.
func (w *worker) coverBy(last bool) int {
	if w.leave > 0 && !last { // it warms up later
		return inCold
	}
	return w.longest() + inCold
}

// longest is the longest time before serving that anything that is chilled warms up, minutes.
func (w *worker) longest() (at int) {
	for key := range w.chill {
		id, _, _ := strings.Cut(key, "/")
		if f, ok := w.larder.Get(id); ok {
			at = max(at, w.warmUp(f))
		}
	}
	return at
}

// usualHold is how long perishable food usually may stand out, minutes.
const usualHold = 120

// takenOff are the words of food.Trims as tasks.
var takenOff = map[string]string{food.SeedOut: "task.seed", food.Core: "task.core", food.Derind: "task.derind", food.Skin: "task.skin", food.Hull: "task.hull", food.Trim: "task.trim"}

// trimSecsOf is how long it takes to take something off a gram of a food as it is bought, seconds: where the seeds are what is eaten
// they are knocked out one by one, about three minutes for a pomegranate.
func trimSecsOf(f *food.Food, off string) float64 {
	if off == food.SeedOut && f.Tool == "small spoon" {
		return seedGramSecs
	}
	return trimGramSecs
}

// trimTool is what something is taken off with.
func trimTool(off string) string {
	if off == food.Derind {
		return "flat chisel"
	}
	return "small knife"
}

// comesAs is what a food is called as it comes, before anything is done to it.
func comesAs(f *food.Food) string {
	if f.ComesAs != "" {
		return f.ComesAs
	}
	return uncut(raw(f.Name))
}

// raw is the name of a food before it is cooked, where its name says how that is done.
func raw(name string) string {
	for _, done := range []string{"Toasted ", "Roasted ", "Grilled ", "Fried ", "Blanched ", "Boiled "} {
		if rest, ok := strings.CutPrefix(name, done); ok {
			return rest
		}
	}
	return name
}

// heat adds what is cooked: sheet by sheet in the oven, which takes no hands meanwhile, or on the hob, which does.
func (w *worker) heat(p *portion, before *[]string) {
	f, h := p.food, p.food.Heat
	cooks := map[string]string{"toast": "Toast", "roast": "Roast", "grill": "Grill", "fry": "Fry", "blanch": "Blanch", "boil": "Boil", "bake": "Bake"}[h.How]
	name := say.Food(comesAs(f))
	if h.OvenC > 0 && w.ovens < 1 {
		w.says = append(w.says, say.That("day.no-oven", say.Food(f.Name)))
		return
	}
	secs := int(math.Round(h.Minutes * 60))
	var done []string
	if h.How == "bake" {
		done = append(done, w.add(work{id: fmt.Sprintf("%s-%s-%s", Heat, f.ID, p.spec.Form), kind: Heat, food: f.ID, form: p.spec.Form, seconds: secs, ovenC: h.OvenC, count: 1, after: *before, elements: p.elements,
			tool: "baking sheet", from: minutes(heatMin), says: say.That("task.bake", name, say.Minutes(h.Minutes), say.Celsius(float64(h.OvenC)))}))
	} else if h.OvenC > 0 {
		sheets := max(1, (p.pieces+sheetPieces-1)/sheetPieces)
		left := p.pieces
		for n := range sheets {
			pieces := left / (sheets - n)
			left -= pieces
			id := fmt.Sprintf("%s-%s-%s", Heat, f.ID, p.spec.Form)
			if sheets > 1 {
				id += fmt.Sprintf("-%d", n+1)
			}
			done = append(done, w.add(work{id: id, kind: Heat, food: f.ID, form: p.spec.Form, seconds: secs, ovenC: h.OvenC, count: pieces, after: *before, elements: p.elements,
				tool: "baking sheet", from: minutes(heatMin), says: say.That("task.oven", say.Word(cooks), name, say.N(pieces), say.Minutes(h.Minutes), say.Celsius(float64(h.OvenC)))}))
		}
	} else {
		tool, from, batches := "pan", minutes(heatMin), max(1, (p.pieces+panPieces-1)/panPieces)
		if h.How == "boil" || h.How == "blanch" { // all of it at once
			tool, batches = "pot", 1
		}
		if warm(f) {
			from = minutes(warmMin) - secs*batches
		}
		heat := work{id: fmt.Sprintf("%s-%s-%s", Heat, f.ID, p.spec.Form), kind: Heat, food: f.ID, form: p.spec.Form, seconds: secs * batches, hands: 1, hob: true, count: max(1, p.pieces), after: *before,
			elements: p.elements, tool: tool, from: from, says: say.That("task.hob", say.Word(cooks), name, say.Minutes(h.Minutes))}
		if batches > 1 {
			heat.says = heat.says.Then("task.batches", say.N(batches), say.N(panPieces))
		}
		done = append(done, w.add(heat))
	}
	if warm(f) {
		*before = done
		return
	}
	if h.How == "blanch" {
		*before = []string{w.add(work{id: fmt.Sprintf("%s-%s-%s-hot", Cool, f.ID, p.spec.Form), kind: Cool, food: f.ID, form: p.spec.Form, seconds: icedSecs, hands: 1, count: max(1, p.pieces), after: done, elements: p.elements, from: minutes(heatMin),
			tool: "slotted spoon", says: say.That("task.iced", name)})}
		return
	}
	id := fmt.Sprintf("%s-%s-%s-hot", Cool, f.ID, p.spec.Form)
	*before = []string{w.add(work{id: id, kind: Cool, food: f.ID, form: p.spec.Form, seconds: coolSecs, count: 1, after: done, elements: p.elements, from: minutes(heatMin), says: say.That("task.cool", name)})}
}

// warm reports whether a food is laid as it comes from the pan: cheese that is grilled or fried goes hard when it cools.
func warm(f *food.Food) bool {
	return f.Heat != nil && f.Category == food.Cheese && (f.Heat.How == "grill" || f.Heat.How == "fry")
}

// parted adds a task, in parts where it is long and there are several who can share it; their names.
func (w *worker) parted(t work) []string {
	parts := 1
	if t.hands > 0 && w.people > 1 && t.seconds > mostPart {
		parts = min(w.people, (t.seconds+mostPart-1)/mostPart, max(1, t.count))
	}
	if parts == 1 {
		return []string{w.add(t)}
	}
	var ids []string
	seconds, count := t.seconds, t.count
	for n := range parts {
		q := t
		q.id = fmt.Sprintf("%s-%d", t.id, n+1)
		q.seconds, q.count = seconds/(parts-n), count/(parts-n)
		seconds, count = seconds-q.seconds, count-q.count
		q.says = t.says.Then("task.part", say.N(q.count), say.N(n+1), say.N(parts))
		ids = append(ids, w.add(q))
	}
	return ids
}

// peelTool is what a food is peeled with.
func peelTool(f *food.Food) string {
	switch {
	case f.ID == "mandarin":
		return "fingers"
	case f.Category == food.Vegetable:
		return "peeler"
	}
	return "small knife"
}

// toolFor is what a kind of handwork is done with, as the craft names it.
func toolFor(f *food.Food, kind string) string {
	switch {
	case kind == Slice && f.Category == food.Cheese && f.Firmness == "soft":
		return "holed blade"
	case kind == Cube && f.Firmness == "hard":
		return "pointed blade"
	case kind == Slice && f.Category == food.Cheese, kind == Cube && f.Category == food.Cheese:
		return "cheese knife"
	case kind == Slice || kind == Cube:
		return "kitchen knife"
	case kind == Fold:
		return "clean hands or gloves"
	case kind == Thread:
		return "picks"
	case kind == Snip:
		return "scissors"
	}
	return ""
}

// layTray adds the laying of one tray in its order: a step waits for its food to be ready, for what it lies on or
// against, and for the step but one before it, so that two can lay at one tray and no more.
func (w *worker) layTray(n int, t *tray.Tray) {
	sheet := Order(t, w.larder)
	times := float64(t.Copies())
	prefix := fmt.Sprintf("%s-%d-", Lay, n+1)
	ids := map[int][]string{}
	lined := ""
	if t.Board != nil && t.Board.Liner != "" {
		lined = w.add(work{id: fmt.Sprintf("%s-%d", Line, n+1), kind: Line, seconds: int(lineSecs * times), hands: 1, count: t.Copies(), after: []string{SetUp}, from: minutes(earlyMin), by: -w.leave - w.sooner[n+1], tray: n + 1,
			tool: "food-grade liner", says: w.lines(n)})
	}
	var first []string // what is done to the board before anything lies on it
	if lined != "" {
		first = append(first, lined)
	}
	if w.j.Brief.HouseRules().Begin == "marked" {
		after := append([]string{SetUp}, first...)
		first = append(first, w.add(work{id: fmt.Sprintf("%s-%d", Mark, n+1), kind: Mark, seconds: markSecs * t.Copies(), hands: 1, count: t.Copies(), after: after, from: minutes(earlyMin), by: -w.leave - w.sooner[n+1], tray: n + 1,
			says: say.That("task.mark")}))
	}
	boxes := w.boxesOut(n, t)
	order := map[bool][][]string{} // of what is laid at home and, where the tray travels, of what is laid on the spot
	onSpot := map[int]bool{}
	cheese := map[bool][][]string{}
	for _, s := range sheet.Steps {
		f, ok := w.larder.Get(s.Food)
		if !ok || w.off[s.Food] {
			continue
		}
		secs := 0
		for _, id := range s.Elements {
			secs += w.laySecs(f, &t.Elements[t.Find(id)]) * t.Copies()
		}
		waves := w.waves(t)
		if waves > 1 { // each board's own
			s.Pieces, s.Grams, s.Groups = max(1, s.Pieces/waves), s.Grams/float64(waves), max(1, s.Groups/waves)
			s.says(false)
		}
		k := work{id: prefix + s.Food + "-" + s.Form, kind: Lay, food: s.Food, form: s.Form, seconds: max(1, secs), hands: 1, count: max(1, s.Pieces*waves), grams: s.Grams * float64(waves), elements: s.Elements, tray: n + 1,
			from: minutes(cutMin), by: -w.leave, says: say.That("task.lay", say.Food(f.Name), s.part)}
		k.after = append(k.after, w.last[StepName(s.Food, s.Form)]...)
		if len(k.after) == 0 {
			k.after = []string{SetUp}
		}
		k.after = append(k.after, first...)
		for _, need := range s.After {
			k.after = append(k.after, ids[need.Step]...)
			k.late = k.late || onSpot[need.Step]
		}
		k.wet = t.Elements[t.Find(s.Elements[0])].Wetness
		for _, id := range s.Elements {
			k.wet = wetter(k.wet, t.Elements[t.Find(id)].Wetness)
		}
		w.window(&k, f, t.Elements[t.Find(s.Elements[0])].Vessel != "")
		if boxes != "" && w.chill[StepName(s.Food, s.Form)] && !(k.late && w.ready > 0) {
			k.after = append(k.after, boxes)
		}
		onSpot[s.Number] = k.late && w.leave > 0
		inVessel := t.Elements[t.Find(s.Elements[0])].Vessel != ""
		if (f.Category == food.Fruit || f.Category == food.Vegetable) && !inVessel { // nothing juicy waits under hands that still carry cheese
			for _, c := range cheese[onSpot[s.Number]] {
				k.after = append(k.after, c...)
			}
		}
		laid := order[onSpot[s.Number]]
		if len(laid) > 1 {
			k.after = append(k.after, laid[len(laid)-2]...)
		}
		slices.Sort(k.after)
		k.after = slices.Compact(k.after)
		if waves > 1 && k.late {
			k = w.inWaves(k, t)
		} else if waves > 1 {
			k.says = k.says.Then("task.each", say.N(waves))
		}
		ids[s.Number] = w.parted(k)
		if f.Category == food.Cheese && !inVessel {
			cheese[onSpot[s.Number]] = append(cheese[onSpot[s.Number]], ids[s.Number])
		}
		order[onSpot[s.Number]] = append(laid, ids[s.Number])
	}
	w.setTools(n, t, slices.Concat(slices.Concat(order[false]...), slices.Concat(order[true]...)))
}

// setTools adds that the tools are put in when all is laid, where it is served.
func (w *worker) setTools(n int, t *tray.Tray, laid []string) {
	var elements []string
	count := 0
	for _, need := range tool.Needs(t, w.larder) {
		count++
		for _, e := range need.Elements {
			elements = append(elements, e.ID)
		}
	}
	if count == 0 || len(laid) == 0 {
		return
	}
	waves := w.waves(t)
	k := work{id: trayTask(Tools, n+1), kind: Tools, seconds: toolSecs * count * t.Copies() / waves, hands: 1, count: count * t.Copies() / waves, after: laid, elements: elements, tray: n + 1, late: true,
		from: minutes(toppingMin), by: -w.inHand}
	k.says = say.That("task.tools", say.N(count))
	if p := t.Beside(w.larder); p.Count > 0 { // from the first minute, and within reach
		k.says = k.says.Then("task.beside", say.N(p.Count), say.MM(besideMM))
		k.seconds += plateSecs * p.Count * t.Copies() / waves
	}
	if w.road > 0 {
		k.from = max(k.from, -w.arrive)
		k.after = append(slices.Clone(laid), Unload)
	} else if w.ready > 0 {
		k.from = max(k.from, -w.takes)
		k.after = append(slices.Clone(laid), trayTask(takeOut, n+1))
	}
	for v := 1; v < waves; v++ {
		q := k
		q.id, q.wave = fmt.Sprintf("%s-w%d", k.id, v+1), v
		q.from, q.by = k.from+w.waveAt(v), w.waveAt(v)-justBefore
		q.after = append(slices.Clone(laid), waveTask(n+1, v))
		q.says = k.says.Then("task.wave", say.N(v+1), say.N(waves))
		w.add(q)
	}
	w.add(k)
}

// window bounds when a food is laid: what goes soft, wilts or weeps late, on the spot where the tray travels, and what
// perishes within its hours.
func (w *worker) window(k *work, f *food.Food, inVessel bool) {
	stands := minutes(w.hold - standsMin)
	switch {
	case f.Needs(food.Softens):
		k.late, k.from = true, minutes(crispMin)
	case f.Needs(food.Wilts):
		k.late, k.from = true, minutes(wiltsMin)
	case warm(w.j.Brief.HouseRules().Served(f)):
		k.late, k.from = true, minutes(warmMin)
	case food.Has(k.form, food.OnFood):
		k.late, k.from = true, minutes(toppingMin)
	case k.wet == food.Juicy && f.Category == food.Fruit && !inVessel:
		k.late, k.from = k.late || w.tooLong(weepsMin), minutes(weepsMin)
	case f.Needs(food.Browns) && !inVessel && w.tooLong(brownsMin):
		k.late, k.from = true, minutes(brownsMin)
	case f.Needs(food.Perishable):
		k.from = stands
	}
	switch {
	case w.leave == 0:
		k.by = -w.inHand
	case k.late: // finished where and when it is served
		k.by = -w.inHand
		if w.road > 0 {
			k.from = max(k.from, -w.arrive)
			k.after = append(k.after, Unload)
		} else if w.ready > 0 {
			k.from = max(k.from, -w.takes)
			k.after = append(k.after, trayTask(takeOut, k.tray))
		}
	default:
		k.by -= w.sooner[k.tray]
		k.from -= w.leave + w.sooner[k.tray] // its minutes before serving become minutes before leaving, or being chilled
	}
}

// lines is how the lining of a board is said.
func (w *worker) lines(n int) say.Text {
	if len(w.j.Trays) > 1 {
		return say.That("task.lines", say.N(n+1))
	}
	return say.That("task.line")
}

// cutting is how it is said that a food is cut, folded or threaded into so many pieces of long mm. What is called by its
// cut already is got ready.
func cutting(f *food.Food, comes say.Value, code string, pieces int, long float64) say.Text {
	name := uncut(f.Name)
	head, _, _ := strings.Cut(name, ",")
	for _, cut := range []string{"slices", "rounds", "rolls", "ribbons", "coins", "sticks", "leaves"} {
		if f.ComesAs == "" && strings.HasSuffix(head, cut) && code != "cut.begin" {
			code, comes = "cut.ready", say.Food(name)
		}
	}
	switch {
	case strings.HasSuffix(f.ComesAs, ", sliced"):
		code, comes = "cut.ready", say.Food(name)
	case code == "cut.lumps" && f.DrawnAs["any"] == "floret":
		code = "cut.florets"
	}
	with := []say.Value{comes, say.N(pieces), say.MM(long)}
	return say.That(code, with[:say.Places(code)]...)
}

// uncut is the name of a food without what is done to it here: beetroot, sliced thin; melon and grape on a pick.
func uncut(name string) string {
	for _, done := range []string{", sliced", ", folded", " on a pick"} {
		name, _, _ = strings.Cut(name, done)
	}
	return name
}

// washed is how washing is said: of what weighs next to nothing by its pieces.
func washed(name say.Value, f *food.Food, p *portion) say.Text {
	if p.grams < lightG && p.pieces > 1 && say.Many(f.Name) {
		return say.That("task.rinse", name, say.N(p.pieces))
	}
	if p.grams < 1 {
		return say.That("task.wash.pinch", name)
	}
	return say.That("task.wash", name, say.Grams(f.BoughtFor(p.spec.Form, p.grams))) // with its peel and stalks
}

// lightG is what nobody weighs, g: flowers, a few leaves.
const lightG = 5

// collect is all the work of a job.
func (w *worker) collect() {
	w.last, w.final = map[string][]string{}, map[string]bool{}
	w.hold, _ = safety.HoldingTime(w.j.Brief)
	vessels := 0
	for _, t := range w.j.Trays {
		vessels += len(t.Vessels) * t.Copies()
	}
	w.times()
	says := say.That("task.set-up")
	if w.j.Brief.HouseRules().Gloves == "none" {
		says = say.That("task.set-up-bare")
	}
	w.add(work{id: SetUp, kind: SetUp, seconds: setUpSecs + vesselSecs*vessels, hands: 1, count: 1, from: minutes(earlyMin + 60), by: 0, says: says})
	for n := range w.trips {
		w.trips[n] = &trip{}
	}
	for _, p := range w.portions() {
		w.makeReady(p)
	}
	earlier := w.inEarlierHours()
	if w.hold >= usualHold && !w.hasty { // where the hours are short each comes out when it is wanted
		for _, t := range w.trips {
			t.together(w.works, w.mostTogether())
		}
	}
	for n, t := range w.j.Trays {
		w.layTray(n, t)
	}
	w.chillTrays()
	w.sitAgain()
	w.sundries()
	for i := range w.works {
		w.shift(&w.works[i])
		if by, is := earlier[w.works[i].id]; is {
			w.works[i].by = min(w.works[i].by, by)
		}
	}
}

// usualRoad is how long a tray travels where the host says only that it does, minutes.
const usualRoad = 30

func road(b brief.Brief) int {
	switch {
	case !b.Travels.Yes:
		return 0
	case b.Travels.Minutes > 0:
		return int(math.Round(b.Travels.Minutes * 60))
	}
	return usualRoad * 60
}

// sundries are the cards, the kit, and the road.
func (w *worker) sundries() {
	var laid []string
	if cards := card.For(w.j, w.larder).Count(); cards > 0 {
		w.add(work{id: Cards, kind: Cards, seconds: cardsSecs + cardSecs*cards, hands: 1, count: cards, from: minutes(24 * 60), tool: "card and pen", by: minutes(asideMin), says: say.That("task.cards", say.N(cards))})
	}
	pack := w.add(work{id: Pack, kind: Pack, seconds: packSecs, hands: 1, count: 1, from: minutes(24 * 60), by: minutes(asideMin), says: say.That("task.kit")})
	if w.road == 0 {
		return
	}
	for _, k := range w.works {
		if k.kind == Lay && !k.late || k.kind == Box || k.kind == Portion || k.kind == GetOut && k.food == "" {
			laid = append(laid, k.id)
		}
	}
	load := w.add(work{id: Load, kind: Load, seconds: loadSecs + loadTraySecs*len(w.j.Trays), hands: 1, count: len(w.j.Trays), after: append(laid, pack), from: schedule.Any, by: -w.arrive - w.road,
		says: say.That("task.load")})
	drive := w.add(work{id: Drive, kind: Drive, seconds: w.road, hands: 1, count: 1, after: []string{load}, from: schedule.Any, by: -w.arrive, says: say.That("task.road", say.Minutes(float64(w.road/60)))})
	w.add(work{id: Unload, kind: Unload, seconds: unloadSecs, hands: 1, count: len(w.j.Trays), after: []string{drive}, from: schedule.Any, by: -w.arrive + unloadSecs, says: say.That("task.unload")})
}
