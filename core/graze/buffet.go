package graze

import (
	"math"
	"math/bits"
	"slices"

	"happytray/core/access"
	"happytray/core/amount"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/portion"
	"happytray/core/tray"
)

// buffet is what the same guests eat from, made ready once for all evenings: one tray, or several that they share.
type buffet struct {
	p       *parameters
	brief   brief.Brief
	copies  int // of it that there are, each with guests of its own
	minutes float64
	dishes  []dish
	foods   []served // the foods on it
	spots   []spot
	laid    []int // spots from which something can be reached
	groups  []group
	people  int
	trays   []int // their numbers in the job
	kinds   []food.Category
}

// dish is an element as guests find it: so many helpings of one size, some of which can be taken from each spot.
type dish struct {
	tray, element int
	on            int // which of the buffet's trays it lies on
	food          int // in foods
	form          string
	kind          int // in kinds
	helping       float64
	helpings      int
	laid          float64
	heaps         []heap // those that fewest spots reach first: they are taken from first
	noTool, uncut bool
	messy         bool
	beside        bool      // it stands beside the board from the start: crackers for which there is no room on it
	far           []float64 // by spot, how far a guest reaches for the nearest of it, mm
}

// heap is the part of a dish that the same spots can reach.
type heap struct {
	from     spots // as bits
	helpings int
}

// spots are bits: each stands for one of the spots before a tray.
type spots uint64

// mostSpots is how many fit into them; a longer board has guests farther apart.
const mostSpots = 64

// served is a food on the buffet.
type served struct {
	food   *food.Food
	kind   int
	liking float64 // as was learnt
	learnt float64 // factor on its share
	laid   float64
	laidAt []int  // dishes
	eats   []bool // by group
}

// spot is where a guest stands: before a side of a tray.
type spot struct {
	tray   int
	bit    int // among those of its tray
	side   string
	word   string // how the side is called
	at     geom.Point
	inward geom.Point
	// what can be reached from there: dishes, and how gladly each is taken against the others of its kind
	near []offer
}

// offer is a dish in reach of a spot. Those of a spot are in the order of their kinds.
type offer struct {
	dish, food, kind int
	pull             float64
}

// group is the guests who avoid the same things.
type group struct {
	who   string
	count int
	wants []float64 // grams of each kind for one of its guests of middling hunger
	eats  int       // foods that they eat
}

// newBuffet makes trays ready that the same guests eat from. There may be nothing on them.
func newBuffet(trays []*tray.Tray, numbers []int, larder *food.Larder, p *parameters) *buffet {
	b := &buffet{p: p, brief: trays[0].Brief, copies: trays[0].Copies(), minutes: trays[0].Brief.Lasts(), trays: numbers}
	for n, t := range trays {
		b.stand(n, t)
	}
	foods := map[string]int{}
	for n, t := range trays {
		for i := range t.Elements {
			e := &t.Elements[i]
			f, ok := larder.Get(e.Food)
			if !ok || f.Category == food.Garnish || f.Category == food.NotFood || e.Grams <= 0 {
				continue
			}
			k, met := foods[f.ID]
			if !met {
				k = len(b.foods)
				foods[f.ID] = k
				learnt, _ := b.brief.Eats(f.ID)
				b.foods = append(b.foods, served{food: f, kind: b.kindOf(f.Category), learnt: learnt, liking: learnt * math.Max(.05, f.Liking)})
			}
			d := b.lay(n, t, e, f)
			d.tray, d.on, d.element, d.food, d.kind = numbers[n], n, i, k, b.foods[k].kind
			b.foods[k].laidAt = append(b.foods[k].laidAt, len(b.dishes))
			b.foods[k].laid += d.laid
			b.dishes = append(b.dishes, d)
		}
	}
	for n, t := range trays {
		b.besides(n, numbers[n], t, larder)
	}
	b.offers()
	b.invite()
	return b
}

// besides adds the crackers and bread that stand beside a tray from the start, within everybody's reach.
func (b *buffet) besides(n, number int, t *tray.Tray, larder *food.Larder) {
	var all spots
	for k := range b.spots {
		if b.spots[k].tray == n {
			all |= 1 << b.spots[k].bit
		}
	}
	for _, r := range t.Reserve {
		f, ok := larder.Get(r.Food)
		if !ok || f.Category != food.Cracker || r.Grams <= 0 || all == 0 {
			continue
		}
		spec, _ := f.Spec(r.Form)
		e := tray.Element{Food: r.Food, Form: r.Form, Grams: r.Grams, Count: r.Count, Wetness: f.Wetness}
		d := dish{form: r.Form, laid: r.Grams, helping: b.helping(&e, spec), far: make([]float64, len(b.spots)), beside: true, tray: number, on: n}
		d.helpings = max(1, int(math.Round(r.Grams/d.helping)))
		d.helping = r.Grams / float64(d.helpings)
		d.heaps = []heap{{all, d.helpings}}
		d.food = slices.IndexFunc(b.foods, func(s served) bool { return s.food.ID == f.ID })
		if d.food < 0 {
			d.food = len(b.foods)
			learnt, _ := b.brief.Eats(f.ID)
			b.foods = append(b.foods, served{food: f, kind: b.kindOf(f.Category), learnt: learnt, liking: learnt * math.Max(.05, f.Liking)})
		}
		d.kind = b.foods[d.food].kind
		b.foods[d.food].laid += d.laid
		b.dishes = append(b.dishes, d)
	}
}

func (b *buffet) kindOf(c food.Category) int {
	if i := slices.Index(b.kinds, c); i >= 0 {
		return i
	}
	b.kinds = append(b.kinds, c)
	return len(b.kinds) - 1
}

// stand finds the spots before a tray's sides.
func (b *buffet) stand(n int, t *tray.Tray) {
	if t.Board == nil {
		return
	}
	box := t.Board.FoodZone.Bounds()
	bit := 0
	for _, side := range access.StandAt(t.Brief, t.Board) {
		long, from, along, inward := box.W(), box.Min, geom.Pt(1, 0), geom.Pt(0, 1)
		switch side {
		case "bottom":
			from, inward = geom.Pt(box.Min.X, box.Max.Y), geom.Pt(0, -1)
		case "left":
			long, along, inward = box.H(), geom.Pt(0, 1), geom.Pt(1, 0)
		case "right":
			long, from, along, inward = box.H(), geom.Pt(box.Max.X, box.Min.Y), geom.Pt(0, 1), geom.Pt(-1, 0)
		}
		most := max(1, mostSpots/4-1)
		count := min(most, max(1, int(math.Round(long/b.p.stand))))
		for k := range count {
			if bit < mostSpots {
				b.spots = append(b.spots, spot{tray: n, bit: bit, side: side, word: t.Board.SideWord(side), at: from.Add(along.Mul((float64(k) + .5) * long / float64(count))), inward: inward})
				bit++
			}
		}
	}
}

// far is how far a guest at a spot reaches for a point, mm: straight in, and sideways what lies beyond the room before
// the guest.
func (b *buffet) far(s *spot, p geom.Point, wide float64) float64 {
	by := p.Sub(s.at)
	in := math.Max(0, by.Dot(s.inward))
	aside := math.Max(0, math.Abs(by.Dot(geom.Pt(-s.inward.Y, s.inward.X)))-wide)
	return math.Hypot(in, aside)
}

// lay makes an element ready: its helpings, and from where each is reached.
func (b *buffet) lay(n int, t *tray.Tray, e *tray.Element, f *food.Food) dish {
	spec, _ := f.Spec(e.Form)
	d := dish{form: e.Form, laid: e.Grams, helping: b.helping(e, spec), far: make([]float64, len(b.spots))}
	for k := range d.far {
		d.far[k] = math.Inf(1)
	}
	d.helpings = max(1, int(math.Round(e.Grams/d.helping)))
	d.helping = e.Grams / float64(d.helpings)
	d.noTool = f.Tool == "" && wantsTool(e, f, spec)
	_, face := food.CutFace(f, spec)
	d.uncut = face && food.Has(e.Form, food.AsItComes) && !begun(t, e) && !(f.Category == food.Cheese && t.Rules.Begins())
	d.messy = e.Wetness == food.Crisp && e.Vessel == "" && besideWet(t, e)
	if !e.Placed || t.Board == nil || len(e.Pieces) == 0 {
		return d // it waits beside the board
	}
	each := map[spots]int{}
	var order []spots
	parts := e.Pieces
	if e.Vessel != "" || amount.OneByOne(spec) {
		parts = parts[:1]
	}
	for _, piece := range parts {
		var from spots
		for k := range b.spots {
			s := &b.spots[k]
			if s.tray != n {
				continue
			}
			far := b.reachOf(s, piece, t, len(parts) == 1)
			d.far[k] = math.Min(d.far[k], far)
			if far < b.p.reachMost {
				from |= 1 << s.bit
			}
		}
		if each[from] == 0 {
			order = append(order, from)
		}
		each[from]++
	}
	slices.SortStableFunc(order, func(a, c spots) int { return bits.OnesCount64(uint64(a)) - bits.OnesCount64(uint64(c)) })
	left, pieces := d.helpings, len(parts)
	for _, from := range order { // in whole helpings, so that they add up
		h := int(math.Round(float64(left*each[from]) / float64(pieces)))
		left, pieces = left-h, pieces-each[from]
		if h > 0 {
			d.heaps = append(d.heaps, heap{from, h})
		}
	}
	return d
}

// reachOf is how far a guest at a spot reaches for a piece: for the nearest of what is cut from or dipped into, for the
// middle of what is taken whole.
func (b *buffet) reachOf(s *spot, piece tray.Piece, t *tray.Tray, near bool) float64 {
	if t.Board.Turns { // it is brought round
		return t.Board.FoodZone.EdgeDistance(piece.Outline.Bounds().Centre())
	}
	box := t.Board.FoodZone.Bounds()
	long := box.W()
	if s.inward.X != 0 {
		long = box.H()
	}
	wide := math.Max(b.p.stand, long/float64(max(1, b.along(s)))) / 2
	if !near {
		return b.far(s, piece.Outline.Bounds().Centre(), wide)
	}
	least := math.Inf(1)
	for _, q := range piece.Outline {
		least = math.Min(least, b.far(s, q, wide))
	}
	return least
}

// along counts the spots on the side of one.
func (b *buffet) along(s *spot) (n int) {
	for i := range b.spots {
		if b.spots[i].tray == s.tray && b.spots[i].side == s.side {
			n++
		}
	}
	return n
}

// helping is what is taken at a time, g.
func (b *buffet) helping(e *tray.Element, spec food.Spec) float64 {
	mass := spec.MassG
	switch {
	case e.Vessel != "" && (mass <= 0 || food.InVessel(e.Form) && e.Count <= 1):
		return b.p.spoon
	case mass <= 0:
		return b.p.bite
	case amount.OneByOne(spec) && e.Vessel == "" || mass > 40:
		return math.Min(mass, b.p.cut)
	}
	return mass * math.Max(1, math.Round(b.p.bite/mass))
}

// wantsTool reports whether a dish is not taken with fingers: what is cut, runny or in a bowl, and by its kind nuts,
// which without a spoon are hardly eaten, and what is brined or oily (docs/craft.md, Kit).
func wantsTool(e *tray.Element, f *food.Food, spec food.Spec) bool {
	_, face := food.CutFace(f, spec)
	return face || food.InVessel(e.Form) || e.Wetness == food.Runny || f.Category == food.Nut || f.Category == food.Brined
}

// begun reports whether something of a food lies there cut already.
func begun(t *tray.Tray, e *tray.Element) bool {
	return slices.ContainsFunc(t.Elements, func(o tray.Element) bool { return o.Food == e.Food && !food.Has(o.Form, food.AsItComes) })
}

// besideWet reports whether a dish touches something that softens it.
func besideWet(t *tray.Tray, e *tray.Element) bool {
	box := geom.Rect{}
	for i, p := range e.Pieces {
		if b := p.Outline.Bounds(); i == 0 {
			box = b
		} else {
			box = box.Union(b)
		}
	}
	for i := range t.Elements {
		o := &t.Elements[i]
		if o.ID == e.ID || !o.Wetness.Wets() || o.Vessel != "" || !o.Placed {
			continue
		}
		for _, q := range o.Pieces {
			near := q.Outline.Bounds().Grow(touching)
			if !near.Meets(box) {
				continue
			}
			for _, p := range e.Pieces {
				if near.Meets(p.Outline.Bounds()) {
					return true
				}
			}
		}
	}
	return false
}

// touching is how near is as good as touching, mm.
const touching = 4.0

// ease is how gladly something is reached for.
func (p *parameters) ease(far float64) float64 {
	switch {
	case far <= p.reachEasy:
		return 1
	case far <= p.reach:
		return 1 - (1-p.reachEase)*(far-p.reachEasy)/(p.reach-p.reachEasy)
	case far < p.reachMost:
		return p.reachEase * (p.reachMost - far) / (p.reachMost - p.reach)
	}
	return 0
}

// offers reckons what each spot offers: every food by its liking among those of its kind, and its dishes by what lies
// in each and how easily it is reached.
func (b *buffet) offers() {
	for k := range b.spots {
		s := &b.spots[k]
		liking := make([]float64, len(b.kinds))
		ofFood := make([]float64, len(b.foods))
		ease := make([]float64, len(b.dishes))
		for i := range b.dishes {
			d := &b.dishes[i]
			reached := 0
			for _, h := range d.heaps {
				if d.on == s.tray && h.from&(1<<s.bit) != 0 {
					reached += h.helpings
				}
			}
			if reached == 0 {
				continue
			}
			ease[i] = b.p.ease(d.far[k]) * float64(reached) * d.helping
			if d.messy {
				ease[i] *= b.p.messy
			}
			ofFood[d.food] += ease[i]
		}
		for f := range b.foods {
			if ofFood[f] > 0 {
				liking[b.foods[f].kind] += b.foods[f].liking
			}
		}
		for i := range b.dishes {
			d := &b.dishes[i]
			if ease[i] > 0 {
				s.near = append(s.near, offer{i, d.food, d.kind, ease[i] / ofFood[d.food] * b.foods[d.food].liking / liking[d.kind]})
			}
		}
		if len(s.near) > 0 {
			b.laid = append(b.laid, k)
		}
		slices.SortStableFunc(s.near, func(a, c offer) int { return a.kind - c.kind })
	}
}

// invite reckons who comes and what one of each group wants of each kind: the shares of the brief, those of kinds that
// are missing moved to the others as amounts are planned.
func (b *buffet) invite() {
	all := 0
	groups := b.brief.Groups()
	for _, g := range groups {
		all += g.Count
	}
	for _, g := range groups {
		if g.Count == 0 {
			continue
		}
		out := group{who: g.Who, count: g.Count, wants: make([]float64, len(b.kinds))}
		meat := portion.WithoutMeat
		there := make([]bool, len(b.kinds))
		dips, sweet := 0.0, 0.0 // by liking
		plain, learnt := make([]float64, len(b.kinds)), make([]float64, len(b.kinds))
		for i := range b.foods {
			f := &b.foods[i]
			eats := diet.CanEat(g.Avoid, f.food)
			f.eats = append(f.eats, eats)
			if !eats {
				continue
			}
			out.eats++
			there[f.kind] = true
			plain[f.kind] += f.liking / f.learnt
			learnt[f.kind] += f.liking
			if f.food.Category == food.Dip {
				dips += f.liking
				if food.SweetDip(f.food) {
					sweet += f.liking
				}
			}
			if f.food.Category == food.Meat {
				if f.food.Holds("meat") {
					meat = portion.WithMeat
				} else if meat != portion.WithMeat {
					meat = portion.StandIn
				}
			}
		}
		shares := portion.SharesOf(b.brief, b.brief.Guests.Appetites()*float64(g.Count)/float64(all), meat)
		whole, have := 0.0, 0.0
		for _, c := range food.Categories {
			whole += shares[c]
			if k := slices.Index(b.kinds, c); k >= 0 && there[k] {
				have += shares[c]
			}
		}
		if have > 0 {
			lift := math.Min(portion.MostLift, whole/have)
			for k, c := range b.kinds {
				if there[k] { // of each food what was learnt
					out.wants[k] = shares[c] * lift / float64(g.Count) * learnt[k] / plain[k]
				}
				if c == food.Dip && sweet > 0 { // nobody eats jam because there is no other dip
					part := out.wants[k] * sweet / dips
					out.wants[k] -= math.Max(0, part-b.p.sweetSpread)
				}
			}
		}
		b.groups = append(b.groups, out)
		b.people += g.Count
	}
}
