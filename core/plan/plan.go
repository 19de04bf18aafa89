// Package plan turns a brief into a job whose trays wait to be laid: foods picked, amounts
// reckoned, boards chosen, food shared out; and plans again around what lies already.
package plan

import (
	"fmt"
	"slices"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/theme"
	"happytray/core/tray"
)

// Full is the share of a board's food zone that planned footprints may take;
// the rest is the air between groups that packing never closes.
const Full = .95

// airy is the same where the house leaves a little air.
const airy = .86

// Stiff is the share that bowls, whole things, rows and trails may take of it:
// they cannot be squeezed, so loose food must have room to close the gaps round them.
const Stiff = .7

// crackersOn is how much of the crackers is laid on the board, first choice
// first: a few on and the rest beside is the house's default.
var crackersOn = map[string][]float64{"": {.8, .7, .6, .5, .42, .35}, "some": {.8, .7, .6, .5, .42, .35}, "on": {1}, "beside": {0}}

// FromBrief picks, portions and chooses boards for a brief, and returns a job whose elements
// are not placed yet. What the boards cannot carry is in reserve. The food may be shared
// out over several trays: boards that share fairly, a plate for each guest, or a tray of
// its own for those who eat no meat. A budget is kept where the larder's prices allow it;
// what did not work out, the job says.
func FromBrief(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet) (*job.Job, error) {
	return plan(b, larder, cabinet, nil)
}

// plan is Of; where the brief names no board, those of before are taken again if they suit.
func plan(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet, last map[string][]board.Board) (*job.Job, error) {
	if err := b.Check(); err != nil {
		return nil, err
	}
	for i, w := range append(slices.Clone(b.Foods), b.Pins...) {
		if _, ok := cabinet.Vessel(w.Vessel); !ok && w.Vessel != "" {
			field := fmt.Sprintf("foods[%d].vessel", i)
			if i >= len(b.Foods) {
				field = fmt.Sprintf("pins[%d].vessel", i-len(b.Foods))
			}
			return nil, fault.Bad(field, "there is no bowl %.60q; leave it out to have one chosen", w.Vessel)
		}
	}
	b, larder, err := called(b, larder)
	if err != nil {
		return nil, err
	}
	if b, err = onTiers(b); err != nil {
		return nil, err
	}
	b = Counted(b, larder)
	asked := b
	b = onBoards(b.Weighed())
	named := larder
	larder = larder.Besides(b.PackStock())
	noted := larder
	larder, cabinet = underLid(b, larder, cabinet)
	j, err := inTime(b, larder, func(haste int) (*job.Job, error) {
		return within(b, larder, func(money, lean float64) (*job.Job, error) {
			j := &job.Job{Title: title(b), Brief: asked}
			all := parts(b)
			only, err := basketOf(b, larder, cabinet, money, haste)
			if err != nil {
				return nil, err
			}
			var bought []string
			for _, p := range all {
				made, says, err := planPart(b, p, all, larder, cabinet, last[p.Who], thrift{money, lean, haste, only, bought})
				if err != nil {
					return nil, err
				}
				j.Trays = append(j.Trays, made...)
				bought = append(bought, buys(b, made, larder)...)
				j.Says = append(j.Says, says...)
			}
			return j, nil
		})
	})
	if err != nil {
		return nil, err
	}
	if len(j.Trays) > 1 {
		for i, t := range j.Trays {
			t.Part.Number, t.Part.Of = i+1, len(j.Trays)
		}
	}
	if ok, _ := fits(j); !ok {
		return tables(asked, j, named, cabinet, last)
	}
	j.Says = append(sayPacks(j, larder), j.Says...)
	j.NoteFoods(noted)
	return j, nil
}

// thrift is how far a plan saves.
type thrift struct {
	money float64 // that foods are picked as if the budget were, minor units or 0
	lean  float64 // all amounts that nobody set are so much of what they would be
	haste int     // of handwork, as pick.Under

	only   []string // foods that plates are made from; nil for all
	bought []string // foods that the trays before buy, where buying is bounded
}

// basketOf is the foods that the plates of guests with a name are made from, by id: chosen once, for all of them; nil where
// nobody has a plate of their own by name.
func basketOf(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet, money float64, haste int) ([]string, error) {
	if !b.Plates() || len(b.People) == 0 || len(b.Foods) > 0 {
		return nil, nil
	}
	on, err := under(b, cabinet)
	if err != nil {
		return nil, err
	}
	on.Haste, on.CM2 = haste, 0 // the board is one plate, and they are many
	b.Budget = money
	chosen, err := pick.Pick(b, larder, on)
	ids := []string{}
	for _, c := range chosen {
		ids = append(ids, c.Food.ID)
	}
	return ids, err
}

// onBoards is a brief that pins, too, what single boards of its set ask for.
func onBoards(b brief.Brief) brief.Brief {
	b.Pins = slices.Clone(b.Pins)
	for _, r := range b.Boards {
		for _, id := range r.Pins {
			asked := func(w brief.Want) bool { return w.Food == id }
			if !slices.ContainsFunc(b.Pins, asked) && !slices.ContainsFunc(b.Foods, asked) {
				b.Pins = append(b.Pins, brief.Want{Food: id})
			}
		}
	}
	return b
}

// buys are the foods of some trays that have to be bought, where the brief bounds how many.
func buys(b brief.Brief, trays []*tray.Tray, larder *food.Larder) (out []string) {
	if _, few := b.BuysAtMost(); !few {
		return nil
	}
	for _, t := range trays {
		for _, id := range t.Foods() {
			if larder.OnHand(id, b.ServeDay()) == 0 && !slices.Contains(out, id) {
				out = append(out, id)
			}
		}
	}
	return out
}

// planPart plans the trays of one part of the table: one, or as many as there are
// boards to share its food.
func planPart(b brief.Brief, p tray.Part, all []tray.Part, larder *food.Larder, cabinet *board.Cabinet, last []board.Board, save thrift) ([]*tray.Tray, []say.Text, error) {
	whole := p.Of == 0 // nobody is parted from the rest
	theirs := briefOf(b, p, all, larder)
	on, err := under(theirs, cabinet)
	if err != nil {
		return nil, nil, err
	}
	on.Haste, on.Only, on.Bought = save.haste, save.only, save.bought
	wants := theirs
	wants.Budget = save.money
	chosen, err := pick.Pick(wants, larder, on)
	if err != nil {
		return nil, nil, err
	}
	chosen = forTakers(theirs, chosen)
	reckon := func(chosen []pick.Choice) []amount.Amount {
		return inPacks(theirs, chosen, save.lean, larder)
	}
	amounts := reckon(chosen)
	surfaces, says, err := chooseBoards(theirs, inForms(amounts), cabinet, last)
	if err != nil {
		return nil, nil, err
	}
	if most := bowlsFor(surfaces, b.HouseRules()); !b.Plates() {
		amounts = fewerBowls(theirs, amounts, most)
		if fewer := leaveOut(theirs, chosen, amounts, most); len(fewer) < len(chosen) {
			chosen = fewer
			amounts = fewerBowls(theirs, reckon(chosen), most)
		}
	}
	amounts = withShowpiece(theirs, withFillers(theirs, inForms(amounts), surfaces), surfaces, cabinet)
	th := theme.ForBrief(b)
	if th != nil && th.NameOnly && (p.Of == 0 || p.Who == all[0].Who) {
		says = append(says, say.That("theme.unknown", say.Word(th.Called), say.Word(say.And(theme.Nearest(th.Called, 3)))))
	}
	if th != nil && len(th.Off) > 0 && (p.Of == 0 || p.Who == all[0].Who) {
		says = append(says, say.That("theme.custom", say.Word(th.Called), say.Word(say.Or(th.Off))))
	}
	if p.Of == 0 || p.Who == all[0].Who {
		says = append(says, sayCuisine(th, chosen)...)
	}
	if dish, ok := stoneDish(theirs, chosen, larder, dishesFor(surfaces)); ok {
		amounts = append(amounts, dish)
	}
	says = append(says, falls(theirs, chosen, larder, on)...)
	if p.Of == 0 || p.Who == all[0].Who {
		says = append(says, avoidedTheme(theirs, th, larder)...)
	}
	var out []*tray.Tray
	shares := shareOut(amounts, surfaces, byTier(amounts, surfaces, b.Boards))
	for i, share := range shares {
		if i > 0 && surfaces[i].ID == surfaces[i-1].ID && surfaces[i].ID != "" && share.like(shares[i-1]) { // as the one beside it
			out = append(out, out[i-1].Clone())
			part := *out[i-1].Part
			out[i].Part = &part
			continue
		}
		t := &tray.Tray{Rules: b.HouseRules(), Seed: 1}
		surface := surfaces[i]
		turn(&surface, b)
		if th != nil && th.Liner != "" && surface.Liner != "" {
			surface.Liner = th.Liner
		}
		t.Board = &surface
		if !whole || len(surfaces) > 1 {
			part := p
			if len(surfaces) > 1 {
				part.Share = share.of
			}
			t.Part = &part
		}
		t.Brief = t.Part.BriefOf(b)
		lay(t, theirs, share.amounts, cabinet)
		out = append(out, t)
	}
	if isStand(surfaces) {
		besideStand(out)
	}
	return out, says, nil
}

// reckoned is a choice with its amounts; lean is the part of them that the money leaves.
func reckoned(b brief.Brief, chosen []pick.Choice, lean float64) []amount.Amount {
	amounts := amount.Apportion(b, chosen)
	for i, a := range amounts {
		if a.Choice.Grams > 0 {
			continue
		}
		whole := wholeOf(a)
		if whole == 0 {
			amounts[i].Grams *= lean
			continue
		}
		if b.Plates() || a.Parts { // far more than is eaten: laid in parts, as on a plate
			if parted, ok := divisible(a); ok {
				amounts[i] = parted
			}
		}
	}
	return amounts
}

// stoneDish is a dish for each board where what was chosen leaves stones or shells behind. A host's own
// list is the whole list, and beside plates it stands on the table.
func stoneDish(b brief.Brief, chosen []pick.Choice, larder *food.Larder, boards int) (amount.Amount, bool) {
	dish, ok := larder.Get(safety.StoneDish)
	stones := slices.ContainsFunc(chosen, func(c pick.Choice) bool { return safety.LeavesStones(c.Food) })
	has := slices.ContainsFunc(chosen, func(c pick.Choice) bool { return c.Food.ID == safety.StoneDish })
	if !ok || !stones || has || b.Plates() || len(b.Foods) > 0 || slices.Contains(b.Bans, safety.StoneDish) || len(dish.Forms) == 0 {
		return amount.Amount{}, false
	}
	c := pick.Choice{Food: dish, Form: dish.Forms[0].Form, Why: "for stones and shells"}
	return amount.Amount{Choice: c, Grams: dish.Forms[0].MassG * float64(boards), Why: say.That("amount.stones")}, true
}

// briefOf is the brief of one of the parts of the table. Where the table is parted,
// what is asked for by name but avoided by this part is left to the others, and an
// amount that is set is shared out over the guests who can eat it.
func briefOf(b brief.Brief, p tray.Part, all []tray.Part, larder *food.Larder) brief.Brief {
	theirs := p.BriefOf(b)
	if p.Of == 0 {
		return theirs
	}
	verdict := func(q tray.Part, f *food.Food) diet.Verdict {
		v, _ := diet.Avoiding(q.BriefOf(b).OffTheTray(), f)
		return v
	}
	// what was asked for goes to those who can eat it; to all who do not avoid it, where for each of them traces may be in it
	least := func(f *food.Food) diet.Verdict {
		if slices.ContainsFunc(all, func(q tray.Part) bool { return verdict(q, f) == diet.Fine }) {
			return diet.Fine
		}
		return diet.Traces
	}
	own := func(wants []brief.Want) (out []brief.Want) {
		for _, w := range wants {
			f, ok := larder.Get(w.Food)
			eats := func(q tray.Part) bool { return !ok || verdict(q, f) <= least(f) }
			if !eats(p) {
				continue
			}
			if w.Grams > 0 {
				eaters := 0.0
				for _, q := range all {
					if eats(q) {
						eaters += q.Guests.Appetites() * float64(max(1, q.Copies))
					}
				}
				w.Grams *= p.Guests.Appetites() / eaters
			}
			out = append(out, w)
		}
		return out
	}
	theirs.Foods, theirs.Pins = own(theirs.Foods), own(theirs.Pins)
	theirs.Packs = nil
	for _, pack := range b.Packs { // grams of packs are shared out as set amounts are
		for _, w := range own([]brief.Want{{Food: pack.Food, Grams: pack.Grams}}) {
			pack.Grams = w.Grams
			theirs.Packs = append(theirs.Packs, pack)
		}
	}
	return theirs
}

// Choose picks the foods of all parts of the table, each once.
func Choose(b brief.Brief, larder *food.Larder, cabinet *board.Cabinet) ([]pick.Choice, error) {
	var out []pick.Choice
	seen := map[string]bool{}
	b = onBoards(Counted(b, larder))
	larder = larder.Besides(b.PackStock())
	all := parts(b)
	only, err := basketOf(b, larder, cabinet, b.Money(), 0)
	if err != nil {
		return nil, err
	}
	for _, p := range all {
		theirs := briefOf(b, p, all, larder)
		under := Under(theirs, cabinet)
		under.Only = only
		for _, c := range out {
			if larder.OnHand(c.Food.ID, b.ServeDay()) == 0 {
				under.Bought = append(under.Bought, c.Food.ID)
			}
		}
		chosen, err := pick.Pick(theirs, larder, under)
		if err != nil {
			return nil, err
		}
		for _, c := range chosen {
			if !seen[c.Food.ID] {
				seen[c.Food.ID] = true
				out = append(out, c)
			}
		}
	}
	return out, nil
}

// turn sets a board down as the brief says: where its front is, and from which
// sides guests reach it. A tray that is photographed at a slant has a front.
func turn(surface *board.Board, b brief.Brief) {
	if surface.Turns { // it has no front, and is reached from wherever guests stand
		return
	}
	if b.Photographed == "slant" {
		surface.Front = "bottom"
	}
	if b.Front != "" {
		surface.Front = b.Front
	}
	if len(b.Access) > 0 {
		surface.Access = slices.Clone(b.Access)
	}
}

// under is what the food will lie on, where the brief names boards.
func under(b brief.Brief, cabinet *board.Cabinet) (pick.Under, error) {
	requests, at := b.Boards, "boards[%d]"
	if len(requests) == 0 && b.Board != nil && !b.Board.Zero() {
		requests, at = []board.Request{*b.Board}, "board"
	}
	var out pick.Under
	for i, r := range requests {
		made, err := cabinet.Make(r)
		if err != nil {
			if at != "board" {
				at = fmt.Sprintf(at, i)
			}
			return pick.Under{}, fault.In(at, err)
		}
		if i == 0 {
			out.Colour = made.Ground()
		}
		out.CM2 += made.UsableMM2() / 100
	}
	return out, nil
}

// Under is what the brief's food will lie on; its zero value where no board is named or it is
// not there.
func Under(b brief.Brief, cabinet *board.Cabinet) pick.Under {
	out, _ := under(b, cabinet)
	return out
}

func title(b brief.Brief) string {
	n := b.Guests.Total()
	what := map[string]string{"nibble": "Nibbles", "grazing": "Grazing", "meal": "A meal"}[b.For()]
	if b.Course == "sweet" {
		what = "Dessert"
	}
	return fmt.Sprintf("%s for %d", what, n)
}
