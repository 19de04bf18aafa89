package shop

import (
	"cmp"
	"maps"
	"math"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/recipe"
	"happytray/core/round"
	"happytray/core/say"
)

// Needs is what one job asks for of each food, grams as bought, beyond the packs that its host has.
type Needs struct {
	Job   string             `json:"job"` // id
	Title string             `json:"title"`
	Day   string             `json:"day"`             // of serving, 2026-11-30, or ""
	Grams map[string]float64 `json:"grams"`           // by food, as bought: with peel, rind and crust
	Makes map[string]float64 `json:"makes,omitempty"` // by food, grams that are made in the house
	Cut   map[string]Cut     `json:"cut,omitempty"`   // by food, how it is asked for at a counter
	Hulls map[string]int     `json:"hulls,omitempty"` // what is bought to be hollowed out, by what it is: a little squash
	Off   []string           `json:"off"`             // what no food on its trays may contain
	Avoid []string           `json:"avoid,omitempty"` // every word that a guest avoids
	Table *diet.Table        `json:"table,omitempty"` // what else its guests' food has to suit; nil in what was kept before this was
}

// NeedsOf adds up all trays of a job and their reserve.
func NeedsOf(j *job.Job, larder *food.Larder) Needs {
	at := diet.TableOf(j.Brief)
	n := Needs{Title: j.Title, Day: j.Brief.ServeDay(), Grams: map[string]float64{}, Off: at.Off, Avoid: j.Brief.Avoided(), Table: &at}
	add := func(id, form string, g float64) {
		if f, ok := larder.Get(id); ok && f.Category != food.NotFood && g > 0 {
			n.Grams[id] += f.BoughtFor(form, g)
			if cut, ok := cutFor(f, form, g); ok {
				if n.Cut == nil {
					n.Cut = map[string]Cut{}
				}
				n.Cut[id] = n.Cut[id].and(cut)
			}
		}
	}
	for _, one := range j.Trays {
		times := float64(one.Copies())
		for _, e := range one.Elements {
			add(e.Food, e.Form, e.Grams*times)
			if v, ok := one.Vessel(e.Vessel); ok && v.HollowedFrom() != "" {
				if n.Hulls == nil {
					n.Hulls = map[string]int{}
				}
				n.Hulls[v.HollowedFrom()] += one.Copies()
			}
		}
		for _, r := range one.Reserve {
			add(r.Food, r.Form, r.Grams*times)
		}
	}
	for id, g := range n.Grams { // once, or what is rounded adds up to a pack more
		n.Grams[id] = round.Tenth(g)
	}
	for id, g := range j.Brief.PackG() { // the host has it
		if n.Grams[id] = round.Tenth(n.Grams[id] - g); n.Grams[id] <= 0 {
			delete(n.Grams, id)
		}
	}
	for id, g := range n.Grams {
		if _, made := recipe.For(j.Brief, id); made {
			if n.Makes == nil {
				n.Makes = map[string]float64{}
			}
			n.Makes[id] = g
			delete(n.Grams, id)
		}
	}
	return n
}

// Section is a part of a shop with what is bought there.
type Section struct {
	Name  string `json:"name"`
	Stop  string `json:"stop,omitempty"` // the shop, where it is bought at several
	Items []Item `json:"items"`
	Cost  int    `json:"cost"` // minor units
}

// Item is one food on a shopping list.
type Item struct {
	Food       string   `json:"food"`
	Name       string   `json:"name"`
	NeedG      float64  `json:"need_g"`
	CupboardG  float64  `json:"cupboard_g"`
	Packs      []Packs  `json:"packs"`
	Cost       int      `json:"cost"` // of its packs, minor units
	LeftG      float64  `json:"left_g"`
	For        []string `json:"for"` // titles of the jobs, in time order
	OutOfStock bool     `json:"out_of_stock"`
	Labelled   string   `json:"labelled,omitempty"` // what its label has to say, for guests who come
	Cut        Cut      `json:"cut,omitzero"`       // how it is asked for at a counter
	Loose      bool     `json:"loose,omitempty"`    // a part of what is made in the house: so much of it, however it is sold
	Drained    bool     `json:"drained,omitempty"`  // it comes in brine, whey or oil: packs are told by what is in them without

	In    []string    `json:"in,omitempty"`    // the packs of several foods that hold some of it
	Holds []food.Held `json:"holds,omitempty"` // what a pack of several foods holds; nil for one food

	buy   float64 // grams, beyond the cupboard
	holds []say.Value
}

// Buys says which packs are bought: 2 × 125 g (40 g is in the cupboard).
func (it Item) Buys() say.Text {
	var packs []say.Value
	for _, p := range it.Packs {
		packs = append(packs, say.Part("pack", say.N(p.Count), say.Grams(p.Grams)))
	}
	what := say.That("buy.packs", say.All(packs...))
	switch {
	case it.Loose:
		what = say.That("buy.loose", say.Grams(it.NeedG))
	case len(packs) == 0 && len(it.In) > 0:
		what = say.That("buy.in_mixed", say.Word(say.And(it.In)))
	case len(packs) == 0:
		what = say.That("buy.none")
	case it.CupboardG >= 1:
		what = what.Then("buy.cupboard", say.Grams(it.CupboardG))
	}
	if len(packs) > 0 && len(it.In) > 0 {
		what = what.Then("buy.mixed", say.Word(say.And(it.In)))
	}
	if len(it.holds) > 0 {
		what = what.Then("buy.holds", say.All(it.holds...))
	}
	if it.Drained && len(packs) > 0 {
		what = what.Then("buy.drained")
	}
	if says := it.Cut.Says(); len(packs) > 0 && len(it.In) == 0 && !says.IsZero() {
		what = what.Then("buy.counter").Also(says)
	}
	if it.Labelled != "" {
		what = what.Then("buy.labelled", say.Word(it.Labelled))
	}
	if it.OutOfStock {
		what = what.Then("buy.out")
	}
	return what
}

// List is what to buy for one job or for several.
type List struct {
	Sections []Section `json:"sections"`
	Cost     int       `json:"cost"`             // minor units
	Items    int       `json:"items"`            // foods to buy
	Stops    []StopSum `json:"stops,omitempty"`  // the shops it is bought at, where more than one was looked at
	Says     say.Text  `json:"says,omitzero"`    // why at these shops
	Besides  say.Text  `json:"besides,omitzero"` // what is bought that is no food, and has no price here
	Saves    int       `json:"saves,omitempty"`  // over all of it at one shop, less what the way counts, minor units
}

// sectionOf is where a food stands in a shop. What keeps for weeks once opened
// stands among the jars.
func sectionOf(f *food.Food) string {
	switch f.Category {
	case food.Cheese:
		return "Cheese counter"
	case food.Meat:
		return "Cold cuts"
	case food.Fruit, food.Vegetable, food.Garnish:
		return "Fruit, vegetables and herbs"
	case food.Cracker:
		return "Bread and crackers"
	case food.Dried, food.Nut:
		return "Dried fruit and nuts"
	case food.Sweet:
		return "Sweets"
	case food.Brined:
		return "Jars and tins"
	}
	if f.KeepsDays >= 21 {
		return "Jars and tins"
	}
	return "Chilled"
}

// mixedSection is where packs of several foods stand on a list.
const (
	mixedSection = "Packs of several foods"
	makeSection  = "To make in the house"
)

// Sections are the parts of a shop in the order one walks through it: what keeps
// first, what must stay cold last.
var Sections = []string{mixedSection, makeSection, "Dried fruit and nuts", "Jars and tins", "Bread and crackers", "Sweets", "Fruit, vegetables and herbs", "Cheese counter", "Cold cuts", "Chilled"}

// Buy makes the list for jobs at one shop, whose prices the larder has.
func Buy(jobs []Needs, larder *food.Larder, stock food.Stock) List {
	return BuyAt(jobs, larder, stock, nil, 0)
}

// BuyAt makes the list for jobs: of each food the needs of all are added up, what
// stands in the cupboard and is still good on a job's day is used for it first, the
// oldest for the earliest job, and packs for the rest are bought together, at the stops where all of it costs least
// when each further stop counts as much as perStop, minor units. Without stops the larder's own packs are bought.
func BuyAt(jobs []Needs, larder *food.Larder, stock food.Stock, stops []Stop, perStop int) List {
	jobs = slices.Clone(jobs)
	slices.SortStableFunc(jobs, func(a, b Needs) int { return cmp.Compare(dayKey(a.Day), dayKey(b.Day)) })
	items := itemsOf(jobs, larder, stock)
	needs, avoided := map[string]float64{}, []string{}
	for _, it := range items {
		needs[it.Food] = it.buy
	}
	for _, j := range jobs {
		avoided = append(avoided, j.Off...)
		avoided = append(avoided, j.Avoid...)
	}
	hulls := map[string]int{}
	for _, j := range jobs {
		for what, n := range j.Hulls {
			hulls[what] += n
		}
	}
	if len(stops) == 0 {
		stops = []Stop{{Larder: larder}}
	}
	at := split(needs, stops, perStop, diet.MayShare(avoided, larder))
	out := List{Sections: []Section{}, Items: len(items), Stops: at.sums(stops), Says: at.says, Saves: at.saves}
	for _, what := range slices.Sorted(maps.Keys(hulls)) {
		out.Besides = out.Besides.Then("buy.hull", say.N(hulls[what]), say.Word(what))
	}
	for k := range at.stops {
		by := map[string]*Section{}
		section := func(name string) *Section {
			if by[name] == nil {
				by[name] = &Section{Name: name, Stop: stops[at.stops[k]].Name}
			}
			return by[name]
		}
		filled := at.filled[k]
		for _, it := range items {
			if at.of[it.Food] != k {
				continue
			}
			f, _ := larder.Get(it.Food)
			it.buyFrom(stops[at.stops[k]].Larder, filled)
			s := section(sectionOf(f))
			s.Items = append(s.Items, it)
		}
		if parts := partsOf(jobs); k == 0 && len(parts) > 0 {
			out.Items += len(parts)
			section(makeSection).Items = parts
		}
		for _, m := range filled.Mixed {
			s := section(mixedSection)
			s.Items = append(s.Items, mixedItem(m, larder))
		}
		for _, name := range Sections {
			s := by[name]
			if s == nil {
				continue
			}
			slices.SortFunc(s.Items, func(a, b Item) int { return strings.Compare(a.Name, b.Name) })
			for _, it := range s.Items {
				s.Cost += it.Cost
			}
			out.Cost += s.Cost
			out.Sections = append(out.Sections, *s)
		}
	}
	return out
}

// itemsOf is what jobs need of each food, and what of it the cupboard has, in the larder's order; nothing is bought yet.
func itemsOf(jobs []Needs, larder *food.Larder, stock food.Stock) (out []Item) {
	add := func(f *food.Food) {
		it := Item{Food: f.ID, Name: f.Name, Packs: []Packs{}, For: []string{}, Drained: f.Needs(food.Drain)}
		lots := slices.Clone(stock[f.ID])
		slices.SortStableFunc(lots, func(a, b food.Lot) int { return cmp.Compare(dayKey(a.BestBefore), dayKey(b.BestBefore)) })
		for _, j := range jobs {
			need := j.Grams[f.ID]
			if need <= 0 {
				continue
			}
			it.NeedG += need
			it.For = append(it.For, j.Title)
			it.Cut = it.Cut.and(j.Cut[f.ID])
			if label := diet.Labelled(j.Off, f); label != "" {
				it.Labelled = label
			}
			for i := range lots {
				if lots[i].BestBefore == "" || j.Day == "" || lots[i].BestBefore >= j.Day {
					g := math.Min(need, lots[i].Grams)
					lots[i].Grams -= g
					need -= g
					it.CupboardG += g
				}
			}
		}
		if it.NeedG <= 0 {
			return
		}
		if it.buy = it.NeedG - it.CupboardG; it.buy < .05 {
			it.buy = 0
		}
		it.NeedG, it.CupboardG = round.Tenth(it.NeedG), round.Tenth(it.CupboardG)
		out = append(out, it)
	}
	seen := map[string]bool{}
	all := larder.All()
	for i := range all {
		seen[all[i].ID] = true
		add(&all[i])
	}
	for _, j := range jobs { // what was put away since is still bought for the jobs that use it
		for _, id := range slices.Sorted(maps.Keys(j.Grams)) {
			if f, ok := larder.Get(id); ok && !seen[id] {
				seen[id] = true
				add(f)
			}
		}
	}
	return out
}

// buyFrom takes what was bought of a food at a shop onto its item. Packs of several foods stand on the list by themselves, with
// their money.
func (it *Item) buyFrom(shop *food.Larder, filled food.Filled) {
	got, ok := filled.Of[it.Food]
	if !ok {
		return
	}
	it.Packs, it.Cost = got.Packs, 0
	for _, p := range got.Packs {
		it.Cost += p.Price * p.Count
	}
	it.In = holding(filled.Mixed, it.Food)
	it.LeftG = round.Tenth(math.Max(0, got.Grams-it.buy))
	it.OutOfStock = shop.OutOfStock(it.Food)
}

// partsOf are the things that what is made in the house is made of, for all jobs together. They are bought loose, and ticked off by
// their names.
func partsOf(jobs []Needs) (out []Item) {
	at := map[string]int{}
	for _, j := range jobs {
		for _, id := range slices.Sorted(maps.Keys(j.Makes)) {
			r, ok := recipe.Of(id)
			if !ok {
				continue
			}
			for _, p := range r.Bought(j.Makes[id]) {
				n, met := at[p.Name]
				if !met {
					n = len(out)
					at[p.Name] = n
					out = append(out, Item{Food: "part: " + p.Name, Name: say.Upper(p.Name), Packs: []Packs{}, For: []string{}, Loose: true})
				}
				it := &out[n]
				it.NeedG, it.Cost = round.Tenth(it.NeedG+p.Grams), it.Cost+p.Cost
				if !slices.Contains(it.For, j.Title) {
					it.For = append(it.For, j.Title)
				}
			}
		}
	}
	return out
}

// mixedItem is a pack of several foods on a list. It is ticked off by its name.
func mixedItem(m MixedPacks, larder *food.Larder) Item {
	it := Item{Food: "mixed: " + m.Name, Name: m.Name, For: []string{}, Cost: m.Price * m.Count, Holds: m.Holds}
	each := 0.0
	for _, h := range m.Holds {
		each += h.Grams
		f, _ := larder.Get(h.Food)
		it.holds = append(it.holds, say.Part("buy.held", say.Grams(h.Grams), say.Food(f.Name)))
	}
	it.NeedG = round.Tenth(each * float64(m.Count))
	it.Packs = []Packs{{Grams: each, Price: m.Price, Count: m.Count}}
	return it
}

// dayKey puts what has no day after everything that has.
func dayKey(day string) string {
	if day == "" {
		return "9999"
	}
	return day
}

// NextJob is a coming job that a remainder could go into.
type NextJob struct {
	Job   string `json:"job"`
	Title string `json:"title"`
	Says  string `json:"says"`
}

// suits reports whether a job's guests may be given a food unasked.
func (n *Needs) suits(f *food.Food) bool {
	at := diet.Table{}
	if n.Table != nil {
		at = *n.Table
	}
	at.Off = n.Off
	v, _ := at.For(f)
	return v == diet.Fine
}

// NextUse is the first coming job that can take what stays over of a food opened on
// day: one that has the food on its list anyway, or else one whose guests can eat
// it, served before the food is past its days. ok is false when there is none.
func NextUse(f *food.Food, day string, coming []Needs) (NextJob, bool) {
	coming = slices.Clone(coming)
	slices.SortStableFunc(coming, func(a, b Needs) int { return cmp.Compare(a.Day, b.Day) })
	var maybe *Needs
	for i := range coming {
		n := &coming[i]
		days, ok := brief.Days(day, n.Day)
		if !ok || days <= 0 || days > f.KeepsDays {
			continue
		}
		if n.Grams[f.ID] > 0 {
			return NextJob{n.Job, n.Title, "it is on its list"}, true
		}
		if maybe == nil && n.suits(f) {
			maybe = n
		}
	}
	if maybe != nil {
		return NextJob{maybe.Job, maybe.Title, "its guests can eat it"}, true
	}
	return NextJob{}, false
}
