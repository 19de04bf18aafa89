package main

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/shop"
	"happytray/core/theme"
	"happytray/core/tray"
)

// plainBriefs are tables without diets through the year, half of them with a theme.
func plainBriefs(n int) (out []brief.Brief) {
	r := rand.New(rand.NewPCG(120, 12))
	for range n {
		b := brief.Brief{Guests: brief.Guests{Adults: 4 + r.IntN(28)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)]}
		if r.IntN(2) == 0 {
			b.Theme = &brief.Theme{Name: theme.BuiltIn[r.IntN(len(theme.BuiltIn))].Name}
		}
		out = append(out, b)
	}
	return out
}

// stylist counts what somebody who lays boards would look at first.
func stylist(row func(what, figure string, args ...any)) {
	const briefs = 120
	var core, coreThemed, plain, themed, light, firm, bold, four, flat, sweet, standIn, heat, round, bowls, most, several, small int
	var largest, pickle float64
	for _, b := range plainBriefs(briefs) {
		j := planned(b)
		have, plays := map[food.Category]int{}, map[int]bool{}
		is := func(of func(f *food.Food) bool) bool {
			for _, id := range foods(j) {
				if f, _ := larder.Get(id); of(f) {
					return true
				}
			}
			return false
		}
		for _, id := range foods(j) {
			f, _ := larder.Get(id)
			have[f.Category]++
			role, _ := f.RoleOf()
			plays[role] = true
		}
		cheese := func(of func(f *food.Food) bool) func(f *food.Food) bool {
			return func(f *food.Food) bool { return f.Category == food.Cheese && of(f) }
		}
		if have[food.Cheese] >= 3 {
			light += count(!is(cheese(func(f *food.Food) bool { return f.Firmness == "soft" || f.Firmness == "fresh" })))
			firm += count(!is(cheese(func(f *food.Food) bool { return f.Firmness == "firm" || f.Firmness == "hard" })))
		}
		if have[food.Cheese] >= 4 {
			four++
			bold += count(!is(cheese(func(f *food.Food) bool { return f.Strength >= 4 || f.Classic["blue"] > 0 })))
		}
		flat += count(!is((*food.Food).FlatBread))
		sweet += count(have[food.Dip] >= 2 && !is(func(f *food.Food) bool { return f.Category == food.Dip && !food.SweetDip(f) }))
		standIn += count(is((*food.Food).IsStandIn))
		heat += count(is(func(f *food.Food) bool { return b.HouseRules().Served(f).Heat != nil }))
		th, whole := theme.ForBrief(b), true
		allowed := allowedUnder(th)
		for k, role := range food.Roles {
			if have[role.Category] > 0 && th.Wants(role, allowed) {
				have[role.Category]--
				whole = whole && plays[k]
			}
		}
		if b.Theme == nil {
			plain, core = plain+1, core+count(whole)
		} else {
			themed, coreThemed = themed+1, coreThemed+count(whole)
		}
		share, head := ofItsKind(j, b)
		largest, pickle = max(largest, share), max(pickle, head)
		round += count(share > .5)
		for _, t := range j.Trays {
			n, of, rows := 0, map[string]int{}, map[string]int{}
			for _, e := range t.Elements {
				if e.Vessel != "" {
					n++
					of[e.Food]++
				}
				if e.Category == food.Cracker && food.FormByID(e.Form).Kind() == food.KindRow {
					rows[e.Food] += e.Count
				}
			}
			for id, pieces := range rows {
				beside := slices.ContainsFunc(t.Reserve, func(r tray.Reserve) bool { return r.Food == id })
				small += count(pieces < 8 && beside)
			}
			for _, k := range of {
				several += count(k > 1)
			}
			bowls, most = bowls+n, max(most, n)
		}
	}
	row("120 briefs without diets: first choices that cover their core, without and with a theme", "%d of %d, %d of %d", core, plain, coreThemed, themed)
	row("three cheeses and more: none soft or fresh, none firm or hard; four and more: none blue or strong", "%d, %d; %d of %d", light, firm, bold, four)
	row("no flat bread; two dips, all sweet; stand-ins that nobody asked for; something to heat", "%d; %d; %d; %d", flat, sweet, standIn, heat)
	row("largest cheese over all cheese: boards over one half, most; most of one pickle for a guest, g", "%d, %.2f; %.1f", round, largest, pickle)
	row("bowls on a board: mean, most; foods in several bowls of one; fewer than eight of a cracker, the rest beside", "%.1f, %d; %d; %d", float64(bowls)/briefs, most, several, small)
}

// table counts what a choice comes to for the host: its bites, what a cuisine has of its own, what of the money is not
// eaten, and how far handwork is saved where it has to be.
func table(row func(what, figure string, args ...any)) {
	bites, few := 0, 0
	for _, b := range plainBriefs(120) {
		j := planned(b)
		bites += len(j.Bites)
		few += count(len(j.Bites) < 2)
	}
	row("bites of 120 plans: mean; fewer than two", "%.1f; %d", float64(bites)/120, few)
	for _, name := range []string{"italian", "french", "spanish", "greek", "alpine", "nordic", "levantine"} {
		th, _ := theme.Named(name)
		own, all := 0.0, 0.0
		for k := range 12 {
			b := brief.Brief{Guests: brief.Guests{Adults: []int{4, 8, 12, 24}[k%4]}, Month: 1 + k, Choice: k / 4, Theme: &brief.Theme{Name: name}}
			for id, g := range planned(b).GramsOf() {
				if f, _ := larder.Get(id); f.Category == food.Cheese || f.Category == food.Meat {
					all += g
					if th.Kin(f) {
						own += g
					}
				}
			}
		}
		row("cheese and meat of twelve "+name+" boards from there, by weight", "%.2f", own/all)
	}
	for _, guests := range []int{4, 8, 12} {
		paid, used := 0, 0
		for k := range 24 {
			basket := shop.NewBasket(planned(brief.Brief{Guests: brief.Guests{Adults: guests}, Month: 1 + k%12, Occasion: []string{"nibble", "grazing", "meal"}[k%3], Choice: k / 12}), larder)
			paid, used = paid+basket.BasketCost, used+basket.UsedCost
		}
		row(fmt.Sprintf("money of the basket that %d guests do not eat", guests), "%.0f %%", 100-100*float64(used)/float64(paid))
	}
}

// allowedUnder are the foods that a theme neither bans nor, as a feast, keeps off.
func allowedUnder(th *theme.Theme) (foods []*food.Food) {
	for k := range larder.All() {
		if f := &larder.All()[k]; th == nil || !slices.Contains(th.Alien, f.ID) && diet.CanEat(th.Off, f) {
			foods = append(foods, f)
		}
	}
	return foods
}

func count(is bool) int {
	if is {
		return 1
	}
	return 0
}

// ofItsKind is the part that the largest cheese has of all cheese, where there are three and more, and the most that a
// guest gets of one pickle, g.
func ofItsKind(j *job.Job, b brief.Brief) (share, head float64) {
	all, kinds := 0.0, 0
	for id, g := range j.GramsOf() {
		if f, _ := larder.Get(id); f.Category == food.Cheese {
			all += g
			kinds++
		} else if f.Category == food.Brined {
			head = max(head, g/float64(b.Guests.Total()))
		}
	}
	for id, g := range j.GramsOf() {
		if f, _ := larder.Get(id); f.Category == food.Cheese && kinds >= 3 {
			share = max(share, g/all)
		}
	}
	return share, head
}

// printed are choices as one reads them: every food of a board with its grams.
func printed(n int) {
	for k, b := range plainBriefs(n) {
		name := "no theme"
		if b.Theme != nil {
			name = b.Theme.Name
		}
		fmt.Printf("%d. %s for %d in month %d, %s\n", k+1, b.Occasion, b.Guests.Total(), b.Month, name)
		for _, t := range planned(b).Trays {
			for _, e := range t.Elements {
				in := e.Form
				fmt.Printf("   %s %.0f g (%s)", e.Food, e.Grams, in)
			}
		}
		fmt.Println()
	}
}
