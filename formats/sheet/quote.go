package sheet

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/price"
	"happytray/core/safety"
	"happytray/core/say"
)

// Money is how amounts are written: the code of a currency, or none, and the digits of its smaller coin.
type Money struct {
	Currency string
	Digits   int
}

// Write is so much money, in minor units, as people write it.
func (m Money) Write(minor int) string {
	s := fmt.Sprintf("%.*f", m.Digits, float64(minor)/math.Pow10(m.Digits))
	if m.Currency != "" {
		s += " " + m.Currency
	}
	return s
}

// Letterhead is what stands at the head of a quote; what is empty is left out.
type Letterhead struct {
	Seller price.Seller
	Number string
	Date   time.Time // of the quote; the zero time for none
}

// kindTitles are the kinds of food as a client reads them, in the order in which they are told.
var kindTitles = []struct {
	of    food.Category
	title string
}{{food.Cheese, "Cheese"}, {food.Meat, "Meat and fish"}, {food.Dip, "Spreads and dips"}, {food.Brined, "Olives and pickles"}, {food.Fruit, "Fruit"}, {food.Vegetable, "Vegetables"},
	{food.Cracker, "Bread and crackers"}, {food.Dried, "Dried fruit"}, {food.Nut, "Nuts and seeds"}, {food.Sweet, "Sweets"}, {food.Garnish, "Herbs and flowers"}}

const quoteMargin = 20.0

// Quote is the page that a client keeps: who asks, for what, the board as it is planned, what comes by kinds, whom it heeds, and the
// price; the reckoning behind it stays in the house.
func Quote(j *job.Job, larder *food.Larder, q price.Quote, m Money, head Letterhead, on string) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	p := newPage(w, h, j.Title, made)
	p.AddPage()
	y := p.letterhead(head, w)
	y = p.occasion(j, q, y, w)
	foot := p.quoteFoot(j.Brief, head, w, h)
	prices := pricesOf(q, m)
	foot -= 7.2*float64(len(prices)) + 12
	if y, err = p.boards(j, larder, y, w, math.Min(78, (foot-y)*.45)); err != nil {
		return nil, err
	}
	p.whatComes(j, larder, y, w, foot)
	p.prices(prices, q, foot+6, w)
	return p.bytes()
}

// letterhead writes who asks on the left, and number and days on the right; where to go on below.
func (p page) letterhead(head Letterhead, w float64) float64 {
	y := quoteMargin
	p.letters(14, true)
	p.write(quoteMargin, y+4, p.fitted(head.Seller.Name, w/2))
	left := y + 10
	p.letters(9, false)
	for n, l := range strings.Split(head.Seller.Address, "\n") {
		if l = strings.TrimSpace(l); l != "" && n < 5 {
			p.write(quoteMargin, left, p.fitted(l, w/2))
			left += 4.2
		}
	}
	right := y + 4
	aside := func(s string, bold bool) {
		p.letters(9, bold)
		p.write(w-quoteMargin-p.GetStringWidth(s), right, s)
		right += 4.6
	}
	p.letters(14, true)
	p.write(w-quoteMargin-p.GetStringWidth("Quote"), right, "Quote")
	right += 6
	if head.Number != "" {
		aside("No. "+head.Number, false)
	}
	if !head.Date.IsZero() {
		aside(head.Date.Format("2 January 2006"), false)
		if days := head.Seller.ValidDays; days > 0 {
			aside("valid until "+head.Date.AddDate(0, 0, days).Format("2 January 2006"), true)
		}
	}
	y = math.Max(left, right) + 1
	p.SetLineWidth(.3)
	p.Line(quoteMargin, y, w-quoteMargin, y)
	return y + 9
}

// occasion writes for whom, when, where and for how many.
func (p page) occasion(j *job.Job, q price.Quote, y, w float64) float64 {
	p.letters(18, true)
	for _, l := range p.wrapped(j.Title, w-2*quoteMargin, 2) {
		p.write(quoteMargin, y, l)
		y += 7.5
	}
	p.letters(10, false)
	served := ""
	if at, ok := j.Brief.ServeTime(time.UTC); ok {
		served = at.Format("Monday 2 January 2006, 15:04") // as it is written, in its own zone
	}
	var parts []string
	for _, s := range []string{j.Brief.Host, served, j.Brief.Place, say.Count(q.Guests, "guest")} {
		if s != "" {
			parts = append(parts, s)
		}
	}
	for _, l := range p.wrapped(strings.Join(parts, "; "), w-2*quoteMargin, 2) {
		p.write(quoteMargin, y, l)
		y += 4.8
	}
	return y + 2
}

// boards draws up to three boards beside each other, to one scale.
func (p page) boards(j *job.Job, larder *food.Larder, y, w, high float64) (float64, error) {
	const most, gap = 3, 6.0
	var mats []mat
	wide, tall := 0.0, 0.0
	for _, t := range j.Trays {
		if t.Board == nil || len(mats) == most {
			continue
		}
		if m, err := matOf(j.Title, t, larder); err == nil {
			mats = append(mats, m)
			wide, tall = wide+m.box.W(), math.Max(tall, m.box.H())
		}
	}
	if len(mats) == 0 || high < 20 {
		return y, nil
	}
	k := math.Min((w-2*quoteMargin-gap*float64(len(mats)-1))/wide, high/tall)
	x := (w - wide*k - gap*float64(len(mats)-1)) / 2
	for _, m := range mats {
		m.marks = nil // no numbers: it is looked at, not laid by
		if err := m.pictured(p, larder, k, geom.Pt(x-m.box.Min.X*k, y-m.box.Min.Y*k)); err != nil {
			return y, err
		}
		x += m.box.W()*k + gap
	}
	y += tall*k + 4
	p.SetTextColor(ink, ink, ink)
	p.letters(7.5, false)
	p.centred(w/2, y, "As it is planned; what the season and the market bring may change a piece or two.")
	return y + 7, nil
}

// whatComes lists the foods by kinds, in letters as large as fit.
func (p page) whatComes(j *job.Job, larder *food.Larder, y, w, bottom float64) {
	by := map[food.Category][]string{}
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			if f, ok := larder.Get(id); ok && !slices.Contains(by[f.Category], say.Lower(f.Name)) {
				by[f.Category] = append(by[f.Category], say.Lower(f.Name))
			}
		}
	}
	const label = 38.0
	for points := 10.0; ; points -= .5 {
		line, at := points*.3528*1.3, y
		type row struct {
			title string
			lines []string
		}
		var rows []row
		for _, kind := range kindTitles {
			if foods := by[kind.of]; len(foods) > 0 {
				p.letters(points, false)
				rows = append(rows, row{kind.title, p.wrapped(strings.Join(foods, "; "), w-2*quoteMargin-label, 6)})
				at += line * float64(len(rows[len(rows)-1].lines))
			}
		}
		if at > bottom && points > 5 {
			continue
		}
		for _, r := range rows {
			p.letters(points, true)
			p.write(quoteMargin, y, r.title)
			p.letters(points, false)
			for _, l := range r.lines {
				p.write(quoteMargin+label, y, l)
				y += line
			}
		}
		return
	}
}

// pricesOf are the lines of what is to be paid, the sum last.
func pricesOf(q price.Quote, m Money) [][2]string {
	rows := [][2]string{{fmt.Sprintf("%s, %s each", say.Count(q.Guests, "guest"), m.Write(q.PerHead)), m.Write(q.Total)}}
	if q.Tax > 0 {
		rows = append(rows, [2]string{fmt.Sprintf("Tax, %.4g %%", q.TaxPct), m.Write(q.Tax)})
	}
	return append(rows, [2]string{"To pay", m.Write(q.Pays)})
}

func (p page) prices(rows [][2]string, q price.Quote, y, w float64) {
	p.SetDrawColor(ink, ink, ink)
	p.SetLineWidth(.3)
	p.Line(quoteMargin, y-6, w-quoteMargin, y-6)
	for i, r := range rows {
		p.letters(11.5, i == len(rows)-1)
		p.write(quoteMargin, y, r[0])
		p.write(w-quoteMargin-p.GetStringWidth(r[1]), y, r[1])
		y += 7.2
	}
	with := "Food, work and packaging"
	if slices.ContainsFunc(q.Lines, func(l price.Line) bool { return l.Name == "Delivery" }) {
		with = "Food, work, packaging and delivery"
	}
	p.letters(8.5, false)
	p.write(quoteMargin, y-1, with+" are in the price.")
}

// quoteFoot writes whom it heeds, the usual cautions and the terms at the foot of the page; where they begin.
func (p page) quoteFoot(b brief.Brief, head Letterhead, w, h float64) float64 {
	var lines []string
	p.letters(8, false)
	add := func(s string, most int) { lines = append(lines, p.wrapped(s, w-2*quoteMargin, most)...) }
	var heeded []string
	for _, d := range b.Diets {
		if who := strings.TrimSpace(d.Who); len(d.Avoid) > 0 {
			if who == "" {
				who = "some guests"
			}
			if d.Count > 0 {
				who = fmt.Sprintf("%s (%d)", who, d.Count)
			}
			heeded = append(heeded, who+" without "+say.And(d.Avoid))
		}
	}
	if len(heeded) > 0 {
		add("Included: "+strings.Join(heeded, "; ")+".", 3)
	}
	_, hold := safety.HoldingTime(b)
	add("Tell us of allergies and diets before the day. What the labels of the packs say decides what is in the food. "+hold.String(), 3)
	if head.Seller.Terms != "" {
		add(strings.Join(strings.Fields(head.Seller.Terms), " "), 5)
	}
	const line = 3.9
	top := h - quoteMargin - line*float64(len(lines)-1)
	for i, l := range lines {
		p.write(quoteMargin, top+line*float64(i), l)
	}
	return top - 6
}
