package app

import (
	"context"
	"slices"

	"happytray/app/estimate"
	"happytray/core/bite"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/edit"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/core/round"
	"happytray/core/shop"
)

// Outlook is what follows from a brief.
func (a *App) Outlook(ctx context.Context, b brief.Brief) (estimate.Estimate, error) {
	h, err := a.House(ctx)
	if err != nil {
		return estimate.Estimate{}, err
	}
	a.remember(ctx, &b)
	a.teach(ctx, &b)
	zone := a.now().Location()
	if s, err := a.Settings(ctx); err == nil {
		zone = s.Location()
	}
	out, err := estimate.FromBrief(b, h.Larder, h.Cabinet, a.now().In(zone))
	return spoken(ctx, a, out), err
}

// Replan plans a job's brief again, keeping in place what it leaves as it was; foods
// that were swapped take the places of those they stand for.
func (a *App) Replan(ctx context.Context, old *job.Job) (*job.Job, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	if len(old.Brief.Foods) == 0 { // they are chosen, so what was before counts
		a.remember(ctx, &old.Brief)
	}
	a.teachAgain(ctx, old)
	planned, err := plan.Replan(old, h.Larder, h.Cabinet)
	if err != nil {
		return nil, err
	}
	forget(planned)
	larder := planned.Larder(h.Larder)
	for i, now := range planned.Trays {
		if i >= len(old.Trays) {
			break
		}
		if gone, come, ok := edit.Substituted(old.Trays[i], now); ok {
			if err := edit.Substitute(ctx, old.Trays[i], now, larder, gone, come); err != nil {
				return nil, err
			}
		}
	}
	planned.Says = spoken(ctx, a, planned.Says)
	return planned, nil
}

// OnTray is a food in a form that is on a tray already.
type OnTray struct{ Food, Form string }

// Kinds is how many foods of a category a brief wants and has.
type Kinds struct {
	Category   food.Category
	Want, Have int
}

// Objection is what speaks against a food for a brief.
type Objection struct {
	Food        string
	Avoided     string // what it holds that is avoided, or ""
	Traces      string // of what is avoided, that may be in it, or ""
	OutOfSeason bool
	OutOfStock  bool
}

// Choice is the foods that a brief comes to, or that are on its trays, and how balanced
// they are.
type Choice struct {
	Chosen   []pick.Choice
	Sides    []pick.Side
	Needs    []pick.Need
	Servings []pick.Serving
	Kinds    []Kinds
	Shelves  []Objection
	Bites    []bite.Bite
	Says     []string // what is other than the last time, and what is to be known of the choice
	Apart    bool     // a plate apart for some guests would leave much to the others
	LowCarb  bool     // somebody wants little carbohydrate
}

// Choose picks the foods of a brief, or, where on is given, looks at those.
func (a *App) Choose(ctx context.Context, b brief.Brief, on []OnTray) (Choice, error) {
	h, err := a.House(ctx)
	if err != nil {
		return Choice{}, err
	}
	a.remember(ctx, &b)
	b = plan.ForBoard(b) // what guests with a plate apart avoid stays on the others' board
	b = plan.Counted(b, h.Larder)
	larder, under := h.Larder.Besides(b.PackStock()), plan.Under(b, h.Cabinet)
	var out Choice
	if on != nil {
		for _, o := range on {
			if f, ok := larder.Get(o.Food); ok {
				out.Chosen = append(out.Chosen, pick.Choice{Food: f, Form: o.Form})
			}
		}
		out.Chosen = pick.Explain(b, larder, under, out.Chosen)
	} else if out.Chosen, err = plan.Choose(b, h.Larder, h.Cabinet); err != nil {
		return Choice{}, err
	}
	foods := make([]*food.Food, len(out.Chosen))
	have := map[food.Category]int{}
	for i, ch := range out.Chosen {
		foods[i] = ch.Food
		have[ch.Food.Category]++
	}
	out.Sides = pick.Balance(b, foods, larder)
	out.Needs = pick.Needs(b, out.Sides, foods, larder, under, 3)
	out.Servings = pick.Servings(b, foods)
	out.Bites = bite.Of(foods, b)
	out.Says = pick.Remembered(b, foods, larder)
	for _, s := range append(plan.SayForSome(b, larder), plan.SayFrail(b, foods)...) {
		out.Says = append(out.Says, spoken(ctx, a, s).String())
	}
	out.Apart = len(plan.ForSome(b, larder)) > 0
	out.LowCarb = slices.ContainsFunc(b.Diets, func(d brief.Diet) bool { return slices.Contains(d.Avoid, food.LowCarb) })
	want := pick.KindsFor(b, under)
	if _, few := b.BuysAtMost(); few { // nobody misses what is not to be bought
		want, out.Needs = have, nil
	}
	for _, cat := range food.Categories {
		if want[cat]+have[cat] > 0 {
			out.Kinds = append(out.Kinds, Kinds{cat, want[cat], have[cat]})
		}
	}
	off := b.OffTheTray()
	for _, f := range larder.All() {
		s := Objection{Food: f.ID, OutOfSeason: !f.InSeason(b.SeasonMonth(), b.Hemisphere), OutOfStock: larder.OutOfStock(f.ID)}
		switch v, word := diet.Avoiding(off, &f); v {
		case diet.Avoided:
			s.Avoided = word
		case diet.Traces:
			s.Traces = word
		}
		out.Shelves = append(out.Shelves, s)
	}
	return out, nil
}

// Basket is packs and money of a planned job, with the coming jobs that could take what
// stays over.
func (a *App) Basket(ctx context.Context, j *job.Job) (shop.Basket, error) {
	h, err := a.House(ctx)
	if err != nil {
		return shop.Basket{}, err
	}
	larder := j.Larder(h.Larder)
	b := shop.NewBasket(j, larder)
	b.Minutes = prep.Minutes(j, larder)
	day := j.Brief.ServeDay()
	coming, err := a.needsAfter(ctx, day)
	if err != nil {
		return b, err
	}
	b.PassOn(day, coming, larder)
	return spoken(ctx, a, b), nil
}

// Amounts is the basket that a brief comes to.
func (a *App) Amounts(ctx context.Context, b brief.Brief) (shop.Basket, error) {
	h, err := a.House(ctx)
	if err != nil {
		return shop.Basket{}, err
	}
	j, err := plan.FromBrief(b, h.Larder, h.Cabinet)
	if err != nil {
		return shop.Basket{}, err
	}
	larder := j.Larder(h.Larder)
	out := shop.NewBasket(j, larder)
	out.Minutes = prep.Minutes(j, larder)
	return spoken(ctx, a, out), nil
}

// ReadPacks reads a list of packs, one in a line, and says which lines name no food of the larder.
func (a *App) ReadPacks(ctx context.Context, text string) (packs []brief.Pack, unknown []string, err error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, nil, err
	}
	return plan.ReadPacks(text, h.Larder)
}

// Quote is the price of a planned job at the house's rates.
func (a *App) Quote(ctx context.Context, j *job.Job) (price.Quote, error) {
	h, err := a.House(ctx)
	if err != nil {
		return price.Quote{}, err
	}
	s, err := a.Settings(ctx) // at rates that were only guessed there is no price
	if err != nil {
		return price.Quote{}, err
	}
	trays := 0
	for _, one := range j.Trays {
		trays += one.Copies()
	}
	larder := j.Larder(h.Larder)
	o := Kitchen{}.options(s)
	o.Pace = a.paceFor(ctx, s)
	day, err := prep.LabourOf(j, larder, o)
	if err != nil { // more work than one day's plan takes
		day = prep.Labour{HandMin: prep.Minutes(j, larder)}
	}
	return price.NewQuote(shop.NewBasket(j, larder), price.Work(day), trays, j.Brief.Guests.Total(), j.Brief.Travels.Yes, s.Rates.forQuote()).Taxed(s.Seller.TaxPct), nil
}

// Substitutes names foods that can take another's place under a brief, nearest first.
// form is the one it is laid in; "" for its first.
func (a *App) Substitutes(ctx context.Context, b brief.Brief, id, form string, on []string, most int) ([]pick.Substitute, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	f, ok := h.Larder.Get(id)
	if !ok {
		return nil, noFood("food", id)
	}
	if form == "" {
		form = f.Forms[0].Form
	}
	var there []*food.Food
	for _, id := range on {
		if o, ok := h.Larder.Get(id); ok {
			there = append(there, o)
		}
	}
	out := pick.Substitutes(b, f, form, there, h.Larder, most)
	for i := range out {
		out[i].Near = round.To(out[i].Near, 3)
	}
	return out, nil
}
