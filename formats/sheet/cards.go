package sheet

import (
	"fmt"
	"math"
	"sort"
	"strings"
	"time"

	"happytray/core/access"
	"happytray/core/drink"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/price"
	"happytray/core/say"
	"happytray/core/tray"
)

// caution stands on every card: no card is a promise.
const caution = "The labels of the packs decide what is in it. Please ask."

// Cards are a card to stand for every food that is more than garnish: its name, its milk, its allergens; and one of
// the best bites, and one of drinks. They are cut out and folded in the middle.
func Cards(j *job.Job, larder *food.Larder, on string) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	var foods []*food.Food
	seen := map[string]bool{}
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			f, ok := larder.Get(id)
			if !ok || seen[id] || f.Category == food.NotFood || f.Category == food.Garnish {
				continue
			}
			seen[id] = true
			foods = append(foods, f)
		}
	}
	if len(foods) == 0 {
		return nil, fault.Bad("elements", "there is nothing on the trays to write a card for")
	}
	rank := func(f *food.Food) int {
		for i, c := range food.Categories {
			if f.Category == c {
				return i
			}
		}
		return len(food.Categories)
	}
	sort.SliceStable(foods, func(a, b int) bool { return rank(foods[a]) < rank(foods[b]) })
	p := newPage(w, h, j.Title, made)
	const cardW, cardH = 88.0, 50.0 // of one half
	across, down := int((w-10)/cardW), int((h-10)/(2*cardH))
	n := 0
	place := func() (x, y float64) {
		at := n % (across * down)
		if at == 0 {
			p.AddPage()
		}
		n++
		x = (w-float64(across)*cardW)/2 + float64(at%across)*cardW
		y = (h-float64(down)*2*cardH)/2 + float64(at/across)*2*cardH
		p.SetDrawColor(faint, faint, faint)
		p.SetLineWidth(.15)
		p.Rect(x, y, cardW, 2*cardH, "D")
		p.SetDashPattern([]float64{1.5, 1.5}, 0)
		p.Line(x, y+cardH, x+cardW, y+cardH)
		p.SetDashPattern([]float64{}, 0)
		return x, y
	}
	for _, f := range foods {
		x, y := place()
		front := func(y float64) { nameCard(p, f, x, y, cardW, cardH) }
		p.TransformBegin() // the far half stands on its head, so that it reads from behind when it is folded
		p.TransformRotate(180, x+cardW/2, y+cardH/2)
		front(y)
		p.TransformEnd()
		front(y + cardH)
	}
	if bites := bestBites(foods); len(bites) > 0 {
		x, y := place()
		listCard(p, "Best bites", bites, x, y+cardH, cardW)
	}
	if len(j.Trays) > 0 {
		var lines []string
		for _, d := range drink.With(j.Trays[0], larder) {
			lines = append(lines, say.Upper(d.Name)+": "+d.Why)
		}
		if len(lines) > 0 {
			x, y := place()
			listCard(p, "To drink with it", lines, x, y+cardH, cardW)
		}
	}
	for n, t := range j.Trays { // for who carries it in
		x, y := place()
		listCard(p, "For the room", roomLines(n, len(j.Trays), t), x, y+cardH, cardW)
	}
	return p.bytes()
}

// sideWords says a side of a tray as who looks at its plan does.
var sideWords = map[string]string{"top": "the far side of the plan", "bottom": "the near side of the plan", "left": "its left", "right": "its right"}

// roomLines tell which tray it is, how it is turned and from where guests take.
func roomLines(n, of int, t *tray.Tray) (out []string) {
	which := "The tray"
	if of > 1 {
		which = fmt.Sprintf("Tray %d of %d", n+1, of)
	}
	if t.Board == nil {
		return []string{which + " has no board yet."}
	}
	out = append(out, fmt.Sprintf("%s: %s.", which, t.Board.Name))
	if t.Part.Whose() != "" {
		out = append(out, "For "+t.Part.Whose()+".")
	}
	if side, ok := sideWords[t.Board.Front]; ok {
		out = append(out, "Its front is "+side+": it faces the room.")
	} else {
		out = append(out, "It has no front: turn it as the table likes.")
	}
	var sides []string
	for _, s := range access.StandAt(t.Brief, t.Board) {
		sides = append(sides, sideWords[s])
	}
	if len(sides) > 0 && len(sides) < 4 {
		out = append(out, "Guests stand at "+strings.Join(sides, " and ")+": keep that side free.")
	} else {
		out = append(out, "Guests reach it from all round: keep every side free.")
	}
	return append(out, "Tools in, stones' dish and napkins beside it; out of the sun.")
}

func nameCard(p page, f *food.Food, x, y, w, h float64) {
	mid := x + w/2
	for points := 17.0; ; points-- {
		p.letters(points, true)
		if lines := p.wrapped(f.Name, w-10, 2); len(lines) < 2 || points <= 12 {
			for i, l := range lines {
				p.centred(mid, y+14+float64(i)*points*.42, l)
			}
			break
		}
	}
	p.letters(9.5, false)
	var about []string
	if f.Category == food.Cheese {
		if f.Milk != "" && f.Milk != "none" {
			about = append(about, f.Milk+"’s milk")
		}
		about = append(about, []string{"", "mild", "gentle", "full", "strong", "very strong"}[min(5, max(0, f.Strength))])
	}
	if len(about) > 0 {
		p.centred(mid, y+28, strings.Trim(strings.Join(about, ", "), ", "))
	}
	p.letters(9, true)
	contains := "No main allergen is listed for it; see the label"
	if len(f.Allergens) > 0 {
		contains = "Contains " + strings.Join(f.Allergens, ", ")
	}
	p.centred(mid, y+34.5, p.fitted(contains, w-8))
	p.letters(7.5, false)
	if len(f.MayContain) > 0 {
		p.centred(mid, y+39, p.fitted("May contain traces of "+strings.Join(f.MayContain, ", "), w-8))
	}
	p.letters(6.5, false)
	p.centred(mid, y+h-4, caution)
}

func listCard(p page, title string, lines []string, x, y, w float64) {
	p.letters(13, true)
	p.centred(x+w/2, y+9, title)
	p.letters(8, false)
	at := y + 15
	for _, l := range lines {
		for i, part := range p.wrapped(l, w-12, 3) {
			indent := 6.0
			if i > 0 {
				indent = 8
			}
			p.write(x+indent, at, part)
			at += 3.7
		}
		at += .8
		if at > y+46 {
			return
		}
	}
}

// mostBites is how many bites a card tells: more is a list that nobody reads.
const mostBites = 4

// bestBites are what of these foods goes best together, each food at most once: the strongest pairs of the pairing
// rules, on a plain cracker where there is one.
func bestBites(foods []*food.Food) (out []string) {
	cracker := ""
	for _, f := range foods {
		if f.Category == food.Cracker && (cracker == "" || f.Strength < 2 && strings.Contains(strings.ToLower(f.Name), "plain")) {
			cracker = ", on " + strings.ToLower(f.Name)
		}
	}
	type pair struct {
		a, b  *food.Food
		worth float64
	}
	var all []pair
	for i, a := range foods {
		for _, b := range foods[i+1:] {
			if a.Category == b.Category || a.Category == food.Cracker || b.Category == food.Cracker {
				continue
			}
			if worth, _ := food.Affinity(a, b); worth >= .6 {
				all = append(all, pair{a, b, worth + (a.Liking+b.Liking)/10})
			}
		}
	}
	sort.SliceStable(all, func(i, j int) bool { return all[i].worth > all[j].worth })
	used := map[string]bool{}
	for _, q := range all {
		if used[q.a.ID] || used[q.b.ID] || len(out) == mostBites {
			continue
		}
		used[q.a.ID], used[q.b.ID] = true, true
		short := func(f *food.Food) string { s, _, _ := strings.Cut(f.Name, ","); return strings.ToLower(s) }
		says := fmt.Sprintf("%s, then %s", strings.ToUpper(short(q.a)[:1])+short(q.a)[1:], short(q.b))
		if q.a.Category == food.Cheese || q.a.Category == food.Meat {
			says += cracker
		}
		out = append(out, says)
	}
	return out
}

// Money is how amounts are written: the code of a currency, or none, and the digits of its smaller coin.
type Money struct {
	Currency string
	Digits   int
}

func (m Money) write(minor int) string {
	s := fmt.Sprintf("%.*f", m.Digits, float64(minor)/math.Pow10(m.Digits))
	if m.Currency != "" {
		s += " " + m.Currency
	}
	return s
}

// Quote is what a client gets: what is served, to how many, and the price; the reckoning behind it stays in the house.
func Quote(j *job.Job, larder *food.Larder, q price.Quote, m Money, on string) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	p := newPage(w, h, j.Title, made)
	p.AddPage()
	const margin = 22.0
	p.letters(20, true)
	p.write(margin, margin+8, p.fitted(j.Title, w-2*margin))
	p.letters(10, false)
	y := margin + 16
	served := ""
	if at, ok := j.Brief.ServeTime(time.UTC); ok {
		served = at.Format("Monday 2 January 2006, 15:04") // as it is written, in its own zone
	}
	for _, l := range []string{j.Brief.Host, served, j.Brief.Place, fmt.Sprintf("%d guests", q.Guests)} {
		if l != "" {
			p.write(margin, y, p.fitted(l, w-2*margin))
			y += 5
		}
	}
	y += 6
	var names []string
	seen := map[string]bool{}
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			if f, ok := larder.Get(id); ok && !seen[id] && f.Category != food.NotFood {
				seen[id] = true
				names = append(names, strings.ToLower(f.Name))
			}
		}
	}
	for _, l := range p.wrapped("On the tray: "+strings.Join(names, "; ")+".", w-2*margin, 14) {
		p.write(margin, y, l)
		y += 4.8
	}
	y += 7
	right := w - margin
	row := func(name, money string, bold bool) {
		p.letters(12, bold)
		p.write(margin, y, name)
		p.write(right-p.GetStringWidth(money), y, money)
		y += 7.5
	}
	p.SetLineWidth(.3)
	p.Line(margin, y-6, right, y-6)
	row("In all", m.write(q.Total), true)
	row("For each guest", m.write(q.PerHead), false)
	with := "Food, work and packaging"
	for _, l := range q.Lines {
		if l.Name == "Delivery" {
			with = "Food, work, packaging and delivery"
		}
	}
	p.letters(9, false)
	p.write(margin, y+2, with+" are in the price.")
	p.letters(8, false)
	for _, l := range p.wrapped("Tell us of allergies and diets before the day. What the labels of the packs say decides what is in the food.", w-2*margin, 3) {
		p.write(margin, h-margin, l)
	}
	return p.bytes()
}
