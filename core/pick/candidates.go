package pick

import (
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/theme"
)

// The weights of a choice, in points of liking: what every guest takes is worth
// one, and a milk that is not on the tray yet a fifth of that. They are data.
const (
	atBest         = .22
	outOfSeason    = -.6
	fromCupboard   = .5
	inTheme        = 2  // in the very colour of a theme's palette; less, the farther from it
	thePalette     = 15 // how far from it counts, CIEDE2000
	ofRegion       = .5
	ofItsOwn       = 1.2 // of the theme's cuisine, or what leads its meats
	belongs        = 1.8
	onGround       = -.12 // nearly the colour of the board or liner
	newColour      = .18
	sameColour     = -.07
	underPalette   = .3 // times the same where a theme has colours of its own
	forTheLens     = 3  // times the worth of colours on a tray that is photographed
	sameTexture    = -.08
	newMilk        = .32
	newFirmness    = .22
	sameFirmness   = -.15
	thirdStrong    = -.3
	leadingLine    = .3
	pairWith       = .04
	clashWith      = -.08
	newFlavour     = .06
	something      = .25  // one food that is new to the cautious
	forGroup       = 24.0 // a part that a group of guests would go without
	standInShape   = .3
	notForAll      = -.3  // for each group of guests that cannot eat it, of kinds that most of can be for everybody
	dear           = -.15 // at twice the usual price of its kind
	overBudget     = -10  // at twice the budget
	stonesForYoung = -.5
	strongForYoung = -.8
	unused         = -5   // for a table of none: what of a food's packs stays over costs as much as is usual for one food of its kind
	smallTable     = 10   // appetites: from so many on packs are used up anyway
	tooLarge       = -.45 // a whole, for each time more than roomyWhole that it is of what a food of its kind would be
	farTooLarge    = -3   // a cheese that cannot be laid in parts and is more than mostOfCheese of all cheese
	mostOfCheese   = .4
	roomyWhole     = 1.25
	onTheRoad      = -.1
	inTheHeat      = -.2
	nearDouble     = -.45 // two that guests take for one: both grapes, two pale soft cheeses
	slow           = -.4  // what takes longWork to make ready, where handwork is saved
	longWork       = 120  // seconds
	pleaser        = .35  // one of the first few that everybody takes
	pleasers       = 5    // how many of them a tray wants
	expected       = .7   // a role that nothing on the tray plays yet (food.Roles), on a first choice
	toldExpected   = .5   // the same, as a reason: what stands in the cupboard says more
	moreExpected   = .3   // how much people expect the food in its role, from not at all to most
)

// What a choice leans to, in points of liking, for a food that is all of it.
const (
	forLiked  = 2.6
	forSeason = .8
	forNew    = 1.2
)

// What was on trays before counts against a food, by the house rule for variety.
var (
	hadLast   = map[string]float64{"": -.25, "some": -.25, "strong": -.6}
	hadLately = map[string]float64{"": -.12, "some": -.12, "strong": -.3}
)

// cand is one food that may be picked, with what the weighing asks of it.
type cand struct {
	food     *food.Food
	base     float64 // of itself, whatever else is on the tray
	why      string  // what speaks most for it by itself, and how much
	whyWorth float64
	family   int
	texture  int
	milk     int // of cheese, or -1
	firmness int // of cheese, or -1
	flavours uint16
	strong   bool
	leads    bool
	isNew    bool
	part     food.Part
	eats     uint32 // groups of guests that can eat it, a bit each
	cost     float64
	look     colour.Lab
	noise    float64 // what a seed adds to it, so that equals take turns
	pleases  bool    // a crowd-pleaser
	role     int     // that it plays, in food.Roles, or -1
	prior    float64 // how much people expect it in that role
	likedBy  []int   // people whose favourite it is
	doubles  []int   // candidates that guests would take for the same
	last     bool    // the host had it on the last tray
	notNow   bool    // out of season
	awake    bool    // it never rests: it stands in the cupboard
	here     bool    // enough of it to be worth opening stands in the cupboard
}

// candidates is what a choice is made from.
type candidates struct {
	cands   []cand
	by      map[string]int // food to candidate
	of      map[food.Category][]int
	palate  *food.Palate
	groups  []brief.Group
	people  []brief.Person
	rare    [][food.PartCount]bool // fewer than a third of what plays a part suits the group
	budget  float64
	seen    float64 // how much colours count: more where the tray is photographed
	classic float64 // how much what people expect counts: less with each choice after the first
	varied  float64 // how much noise counts: 0 where the very worth is asked for
}

// stats are the counts of a choice that its worth follows from.
type stats struct {
	on       []int // candidates on the tray
	family   [16]int
	texture  [2 * 16]int // by category's cheese or not, so that textures are told apart within a role
	milk     [8]int
	firmness [8]int
	flavour  [16]int
	strong   int
	leads    int
	isNew    int
	pleases  int
	role     []int                 // foods that play each of food.Roles
	part     [][food.PartCount]int // by group and part
	favours  []int                 // favourites, by the people whose they are
	cost     float64
}

func newCandidates(b brief.Brief, larder *food.Larder, under Under, kinds map[food.Category]int, shares map[food.Category]float64) *candidates {
	f := &candidates{by: map[string]int{}, of: map[food.Category][]int{}, groups: b.Groups(), people: b.People, budget: b.Money(), seen: 1, classic: classicOf(b)}
	if b.Photographed != "" {
		f.seen = forTheLens
	}
	at, banned := diet.TableOf(b), map[string]bool{}
	for _, id := range b.Bans {
		banned[id] = true
	}
	pinned := map[string]bool{}
	for _, w := range append(slices.Clone(b.Pins), b.Foods...) {
		pinned[w.Food] = true
	}
	th := theme.ForBrief(b)
	by := tastesOf(b, larder)
	w := newWeigher(b, larder, under, kinds, shares, f.groups)
	if len(w.palette) > 0 && b.Photographed == "" {
		f.seen = underPalette
	}
	all := larder.All()
	var foods []*food.Food
	for i := range all {
		g := &all[i]
		if !pinned[g.ID] && (banned[g.ID] || by.offputting(b, g.ID) > mostDislike || under.Only != nil && !slices.Contains(under.Only, g.ID) || larder.OutOfStock(g.ID) || !suits(b, th, at, larder, g)) {
			continue
		}
		f.by[g.ID] = len(f.cands)
		f.of[g.Category] = append(f.of[g.Category], len(f.cands))
		c := w.weigh(g)
		c.base += disliked * by.offputting(b, g.ID)
		c.likedBy = by.likes[g.ID]
		c.base += f.classic * moreExpected * (c.prior - .5)
		f.cands = append(f.cands, c)
		foods = append(foods, g)
	}
	f.palate = food.NewPalate(foods)
	f.findDoubles()
	f.rare = make([][food.PartCount]bool, len(f.groups))
	for g := range f.groups {
		for k, p := range food.Parts {
			can, all := 0, 0
			for i := range f.cands {
				if f.cands[i].part&p.Part != 0 {
					all++
					can += int(f.cands[i].eats >> g & 1)
				}
			}
			f.rare[g][k] = 3*can < all
		}
	}
	return f
}

// suits reports whether a food may be picked unasked for the brief, at its table. Traces are the host's to decide, with
// the label in hand; what pregnant guests are advised against is said, and left to the host, too.
func suits(b brief.Brief, th *theme.Theme, at diet.Table, larder *food.Larder, f *food.Food) bool {
	rules := b.HouseRules()
	switch verdict, _ := at.For(f); {
	case f.Category == food.NotFood:
		return false
	case alien(th, f) || !atHome(b, th, f):
		return false
	case !rules.Heats(f) && f.ReadyAs == "":
		return false // nothing is cooked unasked
	case f.IsStandIn() && !wantsStandIns(b, f):
		return false
	case verdict > diet.AdvisedAgainst:
		return false
	case f.Category == food.Brined && f.Stone && rules.Olives != "stones":
		return false // pitted, so that no guest is surprised
	case b.Plates() && !forPlate(f):
		return false
	case !slices.ContainsFunc(f.Forms, func(s food.Spec) bool { return !food.Has(s.Form, food.OnFood) && portion.IsBite(f, s) }):
		return false // there is nothing of it that guests can eat as it lies
	case b.Course == "sweet":
		return larder.ForDessert(f)
	case b.Course == "savoury":
		return !larder.DessertOnly(f)
	}
	return f.Category == food.Sweet || !larder.DessertOnly(f)
}

// atHome reports whether a food that is only for some occasions is at home at this table: croissants at breakfast.
func atHome(b brief.Brief, t *theme.Theme, f *food.Food) bool {
	is := func(occasion string) bool { return slices.Contains(f.Occasions, occasion) }
	switch {
	case len(f.Occasions) == 0, is("dessert") && b.Course == "sweet", is("children") && b.Guests.Children > 0,
		is("rennet-free") && slices.ContainsFunc(b.Diets, func(d brief.Diet) bool { return slices.Contains(d.Avoid, "rennet") }):
		return true
	}
	return t != nil && (slices.Contains(t.Belongs, f.ID) || slices.Contains(t.Garnish, f.ID) || slices.ContainsFunc(f.Occasions, func(o string) bool { return strings.Contains(strings.ToLower(t.Name), o) }))
}

// wantsStandIns reports whether somebody at the table eats what stands in for cheese or meat because they do not eat that.
func wantsStandIns(b brief.Brief, f *food.Food) bool {
	instead := []string{"animal", "milk"}
	if f.Category == food.Meat {
		if b.HouseRules().Vegetarians == "shapes" {
			return true
		}
		instead = []string{"animal", "meat"}
	}
	return slices.ContainsFunc(b.Diets, func(d brief.Diet) bool {
		return slices.ContainsFunc(d.Avoid, func(w string) bool { return slices.Contains(instead, w) })
	})
}

// classicOf is how much what people expect counts in a choice: all of it in the first one for a brief, and less with
// each that is asked for after it; four fifths under a theme, half of it where something new is wanted, and little on a dessert board, which has
// a core of its own.
func classicOf(b brief.Brief) float64 {
	steps := []float64{1, .6, .35, .15, 0}
	v := steps[max(0, min(b.Choice, len(steps)-1))]
	if b.Theme != nil {
		v *= .8 // the theme leads
	}
	if b.Leaning == "new" {
		v /= 2
	}
	if b.Course == "sweet" {
		v /= 4
	}
	return v
}

// fromWhere says that a food is what its theme asks for: from Italy, or fish.
func fromWhere(t *theme.Theme, f *food.Food) string {
	for _, from := range f.Origin {
		if slices.Contains(t.Origins, from) {
			if from == "Alps" || from == "Levant" || from == "Netherlands" {
				return "from the " + from
			}
			if from == "Nordic" {
				return "from the north"
			}
			return "from " + from
		}
	}
	return "what " + t.Called + " is about"
}

// alien reports whether a food breaks the brief's theme.
func alien(t *theme.Theme, f *food.Food) bool {
	return t != nil && (slices.Contains(t.Alien, f.ID) || !diet.CanEat(t.Off, f))
}

// largest is what one piece on a single plate may weigh, grams.
const largest = 40

// forPlate reports whether a food comes in a form that is a portion for one.
func forPlate(f *food.Food) bool {
	return slices.ContainsFunc(f.Forms, func(s food.Spec) bool { return forOne(f, s) })
}

func forOne(f *food.Food, s food.Spec) bool {
	if food.InVessel(s.Form) {
		return f.Category == food.Dip
	}
	return !food.Has(s.Form, food.OnFood) && !food.Has(s.Form, food.RoundAVessel) && s.MassG <= largest && math.Max(s.L, s.W) <= 130
}

// weigher weighs foods one by one.
type weigher struct {
	b       brief.Brief
	larder  *food.Larder
	haste   int
	at      diet.Table
	off     []string
	month   int
	day     string
	palette []colour.Lab
	theme   *theme.Theme // nil for none
	ground  *colour.Lab
	usual   map[food.Category]float64 // price of a gram in the middle of its kind
	kinds   map[food.Category]int
	each    map[food.Category]float64 // grams of one food of a kind
	groups  []brief.Group
	shapes  bool
	young   float64 // share of the guests that are children
}

func newWeigher(b brief.Brief, larder *food.Larder, under Under, kinds map[food.Category]int, shares map[food.Category]float64, groups []brief.Group) *weigher {
	w := &weigher{b: b, larder: larder, haste: under.Haste, at: diet.TableOf(b), kinds: kinds, off: b.OffTheTray(), month: b.SeasonMonth(), day: b.ServeDay(), groups: groups,
		usual: map[food.Category]float64{}, each: map[food.Category]float64{}}
	w.young = float64(b.Guests.Children) / float64(b.Guests.Total())
	w.shapes = b.HouseRules().Vegetarians == "shapes" || slices.Contains(w.off, "meat") || slices.Contains(w.off, "animal")
	if w.theme = theme.ForBrief(b); w.theme != nil {
		for _, hex := range w.theme.Palette {
			if c, err := colour.Parse(hex); err == nil {
				w.palette = append(w.palette, c)
			}
		}
	}
	if c, err := colour.Parse(under.Colour); err == nil {
		w.ground = &c
	}
	prices := map[food.Category][]float64{}
	all := larder.All()
	for i := range all {
		if p := larder.ReadyPrice(&all[i]); p > 0 {
			prices[all[i].Category] = append(prices[all[i].Category], p)
		}
	}
	for c, list := range prices {
		slices.Sort(list)
		w.usual[c] = list[len(list)/2]
	}
	for c, g := range shares {
		w.each[c] = g / float64(max(1, kinds[c]))
	}
	return w
}

// stays is the money for what of a food's packs stays over, as a share of what a food of its kind usually costs the table;
// of what keeps for weeks the half.
func (w *weigher) stays(f *food.Food) float64 {
	need := f.BoughtFor(f.Forms[0].Form, w.each[f.Category]/f.EatenShare())
	usual := w.usual[f.Category] * w.each[f.Category]
	_, bought, cost := food.Cover(w.larder.PacksOf(f), need)
	if usual <= 0 || bought <= 0 {
		return 0
	}
	share := float64(cost) * math.Max(0, 1-need/bought) / usual
	if f.KeepsDays >= keepsWeeks {
		share /= 2
	}
	if w.b.HouseRules().EatsAnyway(f.ID) {
		share *= eatenAnyway
	}
	return share
}

// eatenAnyway is what of a rest that the house eats anyway is felt as one: it is more of it at once than it would have bought.
const eatenAnyway = .25

// keepsWeeks is from how many days on what stays over is eaten some other time.
const keepsWeeks = 21

func index(list []string, word string) int { return max(0, slices.Index(list, word)) }

func (w *weigher) weigh(f *food.Food) cand {
	look := colour.Must(f.Colour)
	c := cand{food: f, base: portion.Liking(w.b, f), why: byNature(f), whyWorth: leastTold, look: look, family: index(colour.Families, look.Family()),
		texture: index(food.Textures, f.Texture), milk: -1, firmness: -1, strong: f.Category == food.Cheese && f.Strength >= 4,
		isNew: w.young < .5 && (f.Liking <= .55 || f.Strength >= 4) && (f.Category == food.Cheese || f.Category == food.Meat || f.Category == food.Dip), part: f.PartOf()}
	add := func(points float64, because string) {
		c.base += points
		if points > c.whyWorth && because != "" {
			c.why, c.whyWorth = because, points
		}
	}
	c.role, c.prior = f.RoleOf()
	if f.Category == food.Cheese {
		c.milk, c.firmness = index(food.Milks, f.Milk), index(food.Firmnesses, f.Firmness)
		c.texture += len(food.Textures)
	}
	for _, fl := range f.Flavours {
		c.flavours |= 1 << index(food.Flavours, fl)
	}
	if f.Category == food.Meat {
		_, c.leads = f.Spec("trail")
	}
	for i, g := range w.groups {
		if diet.CanEat(g.Avoid, f) {
			c.eats |= 1 << i
		} else if f.Category != food.Cheese && f.Category != food.Meat {
			add(notForAll, "")
		}
	}
	season := f.SeasonIn(w.month, w.b.Hemisphere)
	switch season {
	case food.AtBest:
		add(atBest, "at its best this month")
	case food.NotNow:
		c.notNow = true
		add(outOfSeason, "")
	}
	c.pleases = portion.IsWanted(f)
	switch w.b.Leaning {
	case "liked":
		add(forLiked*(f.Liking-.5), "what everybody takes")
	case "season":
		if season == food.AtBest {
			add(forSeason, "at its best this month")
		}
	case "new":
		if f.Liking < portion.Sought {
			add(forNew*(portion.Sought-f.Liking)+.1, "something new for the curious")
		}
	}
	if had := w.b.Had; had != nil {
		variety := w.b.HouseRules().Variety
		if slices.Contains(had.Last, f.ID) {
			c.last = true
			add(hadLast[variety], "")
		}
		if slices.Contains(had.Lately, f.ID) {
			add(hadLately[variety], "")
		}
	}
	hand := w.larder.OnHand(f.ID, w.day)
	if hand >= worthOpening {
		c.awake, c.here = true, true
		add(fromCupboard, "you already have some")
	}
	if w.haste > 0 {
		add(slow*float64(w.haste)*math.Min(2, quickest(f, w.at)*w.each[f.Category]/longWork), "")
	}
	nearest := math.Inf(1)
	for _, p := range w.palette {
		nearest = math.Min(nearest, colour.Difference(p, look))
	}
	if nearest < thePalette {
		c.awake = true
		add(inTheme*(1-.4*nearest/thePalette), inThemeColours)
	}
	if t := w.theme; t != nil {
		if slices.Contains(t.Regions, f.Region) {
			add(ofRegion, "from the theme’s region")
		}
		if len(t.Origins)+len(t.Leads) > 0 && t.OfItsOwn(f.Category) && t.Kin(f) {
			add(ofItsOwn, fromWhere(t, f))
		}
		if slices.Contains(t.Belongs, f.ID) || slices.Contains(t.Garnish, f.ID) {
			c.awake = true
			add(belongs, "belongs to "+t.Called)
		}
	}
	if w.ground != nil && !food.InVessel(f.Forms[0].Form) && colour.Difference(*w.ground, look) < 10 {
		add(onGround, "")
	}
	if w.shapes && f.StandsIn() != "" {
		add(standInShape, "takes the shape of a cold cut, without meat")
	}
	if appetites := w.b.Guests.Appetites(); appetites < smallTable && hand == 0 {
		add(unused*(1-appetites/smallTable)*math.Min(3, w.stays(f)), "")
	}
	price := w.larder.ReadyPrice(f)
	if usual := w.usual[f.Category]; usual > 0 && price > usual {
		add(dear*math.Min(1.5, price/usual-1), "")
	}
	if whole, each := food.WholeG(f.Forms[0]), w.each[f.Category]; each > 0 && whole > roomyWhole*each && !food.Divisible(f, f.Forms[0]) {
		add(tooLarge*math.Min(2, whole/each-roomyWhole), "")
		if n := w.kinds[f.Category]; f.Category == food.Cheese && n >= 3 && whole > mostOfCheese*each*float64(n) {
			add(farTooLarge, "")
		}
	}
	need := math.Max(0, f.BoughtFor(f.Forms[0].Form, w.each[f.Category]/f.EatenShare())-hand)
	for i, p := range w.larder.PacksOf(f) { // about what the till would say for a usual amount
		if v := math.Ceil(need/p.Grams) * float64(p.Price); i == 0 || v < c.cost {
			c.cost = v
		}
	}
	if f.Stone && w.b.Young() {
		add(stonesForYoung, "")
	}
	if f.Strength >= 4 { // children leave what is strong
		add(strongForYoung*w.young, "")
	}
	if w.b.Travels.Yes && f.Wetness == food.Juicy {
		add(onTheRoad, "")
	}
	if w.b.Warmth() >= 28 && (f.Category == food.Cheese && (f.Firmness == "soft" || f.Firmness == "fresh") || f.Category == food.Sweet && f.Wetness != food.Crisp && f.Texture != "chewy") {
		add(inTheHeat, "")
	}
	return c
}

// worth of the n-th of a kind: the first is new, later ones repeat, less and less so.
func repeat(n int, fresh, again float64) float64 {
	if n == 0 {
		return fresh
	}
	return again * float64(min(n, 3))
}

func (f *candidates) empty() *stats {
	return &stats{part: make([][food.PartCount]int, len(f.groups)), favours: make([]int, len(f.people)), role: make([]int, len(food.Roles))}
}

// because is what speaks most for a food, still without its words.
type because int

// leastTold is what speaks for a food at least before it is told; less and it is told by its nature.
const leastTold = .1

// inThemeColours is a reason that many foods of a board have alike.
const inThemeColours = "in the theme's colours"

const (
	byItself because = iota
	byColour
	byMilk
	byFirmness
	byLine
	byNovelty
	byPairing
	byGroup
	byRole
	byPerson
)

// marginal is what candidate i adds to a choice that it is not in. The worth of a
// choice is the sum of these in any order, so a swap can be judged by what leaves
// and what comes.
func (f *candidates) marginal(s *stats, i int) float64 {
	v, _, _ := f.weigh(s, i)
	return v
}

// weigh is marginal with what speaks most for the candidate: a partner of its on
// the tray, a group of guests and a part of their plate.
func (f *candidates) weigh(s *stats, i int) (v float64, most because, which int) {
	c := &f.cands[i]
	v = c.base + f.varied*c.noise
	top := c.whyWorth
	add := func(points float64, why because, n int) {
		v += points
		if points > top {
			top, most, which = points, why, n
		}
	}
	add(f.seen*repeat(s.family[c.family], newColour, sameColour), byColour, 0)
	v += repeat(s.texture[c.texture], 0, sameTexture)
	if c.milk >= 0 {
		if s.milk[c.milk] == 0 {
			add(newMilk, byMilk, 0)
		}
		add(repeat(s.firmness[c.firmness], newFirmness, sameFirmness), byFirmness, 0)
	}
	if c.strong && s.strong > 1 {
		v += thirdStrong
	}
	if c.leads && s.leads == 0 {
		add(leadingLine, byLine, 0)
	}
	if c.isNew && s.isNew == 0 {
		add(something, byNovelty, 0)
	}
	for k := range food.Flavours {
		if c.flavours&(1<<k) != 0 && s.flavour[k] == 0 {
			v += newFlavour
		}
	}
	if c.role >= 0 && s.role[c.role] == 0 {
		v += f.classic * expected
		if points := f.classic * toldExpected * c.prior; points > top {
			top, most, which = points, byRole, c.role
		}
	}
	if c.pleases && s.pleases < pleasers {
		v += pleaser
	}
	for _, p := range c.likedBy {
		points := nextOfOnes
		if s.favours[p] == 0 {
			points = firstOfOnes
		}
		add(points, byPerson, p)
	}
	for _, o := range c.doubles {
		if slices.Contains(s.on, o) {
			v += nearDouble
		}
	}
	paired, partner, best := 0, 0, float32(0)
	for _, o := range s.on {
		switch a := f.palate.Affinities(o)[i]; {
		case a >= telling:
			v += pairWith
			if paired++; a > best {
				best, partner = a, o
			}
		case a <= -telling:
			v += clashWith
		}
	}
	if p := pairWith * float64(paired); p > top {
		top, most, which = p, byPairing, partner
	}
	for g := range f.groups {
		if c.eats&(1<<g) == 0 {
			continue
		}
		for k, p := range food.Parts {
			if c.part&p.Part != 0 && s.part[g][k] == 0 {
				v += forGroup
				if f.rare[g][k] && forGroup > top { // worth saying that this one does
					top, most, which = forGroup, byGroup, g*len(food.Parts)+k
				}
			}
		}
	}
	if f.budget > 0 {
		v += overBudget * (math.Max(0, s.cost+c.cost-f.budget) - math.Max(0, s.cost-f.budget)) / f.budget
	}
	return v, most, which
}

// byNature is what speaks for a food where nothing else does.
func byNature(f *food.Food) string {
	switch {
	case f.Category == food.Garnish:
		return "fresh green to finish"
	case portion.IsSought(f):
		return "well liked"
	case len(f.Flavours) == 0 || f.Flavours[0] == "mild":
		return "something mild beside the rest"
	}
	return "something " + map[bool]string{true: "savoury", false: f.Flavours[0]}[f.Flavours[0] == "umami"] + " beside the rest"
}

// withArticle is a word with a or an before it.
func withArticle(word string) string {
	if strings.ContainsRune("aeiou", rune(word[0])) {
		return "an " + word
	}
	return "a " + word
}

// firmnessSays is a firmness as it is said of a cheese.
func firmnessSays(firmness string) string {
	if firmness == "semi" {
		return "semi-soft"
	}
	return firmness
}

// why says what speaks most for a candidate beside the rest of the choice.
// inBite is what the bite says that it is in, or "": it is told where nothing but its looks or its neighbours speaks for it.
func (f *candidates) why(s *stats, i int, inBite string) string {
	c := &f.cands[i]
	_, most, which := f.weigh(s, i)
	if ofItself := most == byItself && (c.whyWorth <= leastTold || c.why == inThemeColours); inBite != "" && (ofItself || most == byColour || most == byPairing || most == byFirmness || most == byLine) {
		return inBite
	}
	switch most {
	case byColour:
		return "adds " + withArticle(colour.Families[c.family]) + " colour, which is missing"
	case byMilk:
		return milkOf(c.food) + "; nothing else here is"
	case byFirmness:
		return "the only " + firmnessSays(c.food.Firmness) + " cheese"
	case byLine:
		return "folds into a line that leads the eye"
	case byNovelty:
		return "something new for the curious"
	case byPairing:
		return "goes well with the " + strings.ToLower(f.cands[which].food.Name)
	case byPerson:
		return f.people[which].Name + " likes it"
	case byRole:
		return food.Roles[which].Says + ": " + food.Roles[which].Why
	case byGroup:
		return food.Parts[which%len(food.Parts)].Says + " for " + f.groups[which/len(food.Parts)].Who
	}
	return c.why
}

// put adds candidate i to the choice, or with n -1 takes it out again.
func (f *candidates) put(s *stats, i, n int) {
	c := &f.cands[i]
	if n > 0 {
		s.on = append(s.on, i)
	} else {
		s.on = slices.DeleteFunc(s.on, func(o int) bool { return o == i })
	}
	s.family[c.family] += n
	s.texture[c.texture] += n
	if c.milk >= 0 {
		s.milk[c.milk] += n
		s.firmness[c.firmness] += n
	}
	for k := range food.Flavours {
		if c.flavours&(1<<k) != 0 {
			s.flavour[k] += n
		}
	}
	if c.strong {
		s.strong += n
	}
	if c.leads {
		s.leads += n
	}
	if c.isNew {
		s.isNew += n
	}
	if c.pleases {
		s.pleases += n
	}
	if c.role >= 0 {
		s.role[c.role] += n
	}
	for _, p := range c.likedBy {
		s.favours[p] += n
	}
	for g := range f.groups {
		for k, p := range food.Parts {
			if c.eats&(1<<g) != 0 && c.part&p.Part != 0 {
				s.part[g][k] += n
			}
		}
	}
	s.cost += float64(n) * c.cost
}

// best is the candidate of a category that adds most to the choice, or -1. What is out of season
// and what guests would take for something that is there already comes only where there is
// nothing else.
func (f *candidates) best(s *stats, c food.Category) (int, float64) {
	best, most, last := -1, math.Inf(-1), false
	for _, i := range f.of[c] {
		if slices.Contains(s.on, i) {
			continue
		}
		unwished := f.cands[i].notNow || slices.ContainsFunc(f.cands[i].doubles, func(o int) bool { return slices.Contains(s.on, o) })
		if unwished && best >= 0 && !last {
			continue
		}
		if v := f.marginal(s, i); v > most+1e-9 || last && !unwished {
			best, most, last = i, v, unwished
		}
	}
	return best, most
}

// fill adds to a choice, category by category, whatever adds most, until there are as many kinds
// as are wanted or nothing is left.
func (f *candidates) fill(s *stats, kinds map[food.Category]int, fixed map[int]bool) {
	have := map[food.Category]int{}
	for i := range fixed {
		have[f.cands[i].food.Category]++
	}
	for _, c := range food.Categories {
		for range kinds[c] - have[c] {
			i, _ := f.best(s, c)
			if i < 0 {
				break
			}
			f.put(s, i, 1)
		}
	}
}

// complete adds, beyond the kinds that are wanted, what a group of guests would go without: where
// pins fill a category with what they avoid, they get something of their own.
func (f *candidates) complete(s *stats, kinds map[food.Category]int) {
	for g := range f.groups {
		for k, p := range food.Parts {
			if s.part[g][k] > 0 {
				continue
			}
			best, most := -1, math.Inf(-1)
			for i := range f.cands {
				c := &f.cands[i]
				if c.part&p.Part == 0 || c.eats>>g&1 == 0 || kinds[c.food.Category] == 0 || slices.Contains(s.on, i) {
					continue
				}
				v := f.marginal(s, i)
				if c.notNow {
					v += rested
				}
				if v > most {
					best, most = i, v
				}
			}
			if best >= 0 {
				f.put(s, best, 1)
			}
		}
	}
}

// rounds bounds the exchange; a choice settles in two or three.
const rounds = 8

// settle exchanges foods for better ones of their category, one at a time, until
// none is better: first the greedy choice, then the best single swaps. fixed ones stay.
func (f *candidates) settle(s *stats, fixed map[int]bool) {
	for range rounds {
		changed := false
		for _, i := range slices.Clone(s.on) {
			if fixed[i] {
				continue
			}
			f.put(s, i, -1)
			had := f.marginal(s, i)
			j, v := f.best(s, f.cands[i].food.Category)
			if j >= 0 && j != i && v > had+1e-6 {
				f.put(s, j, 1)
				changed = true
			} else {
				f.put(s, i, 1)
			}
		}
		if !changed {
			return
		}
	}
}

// trim leaves out foods, one by one, as long as the choice is worth more without
// one: within a tight budget each kind costs a pack of its own. One of each
// category stays.
func (f *candidates) trim(s *stats, fixed map[int]bool) {
	for f.budget > 0 && s.cost > f.budget {
		have := map[food.Category]int{}
		for _, i := range s.on {
			have[f.cands[i].food.Category]++
		}
		worst, least := -1, 0.0
		for _, i := range slices.Clone(s.on) {
			if fixed[i] || have[f.cands[i].food.Category] < 2 {
				continue
			}
			f.put(s, i, -1)
			if v := f.marginal(s, i); v < least {
				worst, least = i, v
			}
			f.put(s, i, 1)
		}
		if worst < 0 {
			return
		}
		f.put(s, worst, -1)
	}
}
