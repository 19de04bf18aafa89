package sheet

import (
	"cmp"
	"fmt"
	"strings"

	"happytray/art/paint"
	"happytray/core/access"
	"happytray/core/card"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/say"
	"happytray/core/tray"
)

// caution stands on every card: no card is a promise.
const caution = "The labels of the packs decide what is in it. Please ask."

// Cards are a card to stand for every food that is more than garnish: its name, its milk, what is in it; one of the best
// bites, one of drinks, one for each guest who has a plate by name, and one for who carries a board in (card.For). They are cut out and folded in the middle.
func Cards(j *job.Job, larder *food.Larder, on string) ([]byte, error) {
	if on == "whole" {
		on = "a4"
	}
	w, h, err := size(on)
	if err != nil {
		return nil, err
	}
	set := card.For(j, larder)
	if len(set.Foods) == 0 {
		return nil, fault.Bad("elements", "there is nothing on the boards to write a card for")
	}
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
	forms := formsOf(j)
	for _, f := range set.Foods {
		x, y := place()
		drawing, err := paint.Portion(f, forms[f.ID], int(drawingMM*dotsPerMM))
		if err != nil {
			return nil, err
		}
		folded(p, x, y, cardW, cardH, func(y float64) {
			err = cmp.Or(err, p.picture(drawing, x+3.5, y+(cardH-drawingMM)/2-3, drawingMM))
			foodCard(p, f, set.Over[f.ID], set.Labels[f.ID], set.Made[f.ID], x, y, cardW, cardH)
		})
		if err != nil {
			return nil, err
		}
	}
	for _, n := range set.Names {
		x, y := place()
		folded(p, x, y, cardW, cardH, func(y float64) { guestCard(p, n, x, y, cardW, cardH) })
	}
	if len(set.Bites) > 0 {
		x, y := place()
		listCard(p, "Best bites", set.Bites, x, y+cardH, cardW)
	}
	for _, lines := range set.Turns {
		x, y := place()
		listCard(p, "Taste in this order", lines, x, y+cardH, cardW)
	}
	if len(set.Drinks) > 0 {
		x, y := place()
		listCard(p, "To drink with it", set.Drinks, x, y+cardH, cardW)
	}
	for n, t := range j.Trays { // for who carries it in
		x, y := place()
		listCard(p, "For the room", roomLines(n, len(j.Trays), t), x, y+cardH, cardW)
	}
	return p.bytes()
}

// drawingMM is how large the drawing on the front of a card is; its words begin beside it.
const drawingMM = 20.0

// formsOf is in what form each food lies first.
func formsOf(j *job.Job) map[string]string {
	out := map[string]string{}
	for _, t := range j.Trays {
		for i := range t.Elements {
			if e := &t.Elements[i]; out[e.Food] == "" {
				out[e.Food] = e.Form
			}
		}
	}
	return out
}

// sideWords says a side of a tray as who looks at its plan does.
var sideWords = map[string]string{"top": "the upper side of the plan", "bottom": "the lower side of the plan", "left": "its left", "right": "its right"}

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
	if t.Board.Turns {
		out = append(out, "It turns: leave room for it all round, and show the first guests.")
	} else if len(sides) > 0 && len(sides) < 4 {
		out = append(out, "Guests stand at "+strings.Join(sides, " and ")+": keep that side free.")
	} else {
		out = append(out, "Guests reach it from all round: keep every side free.")
	}
	if t.Part != nil && t.Part.Apart {
		out = append(out, "Keep it covered, with tools of its own, until they take from it.")
	}
	return append(out, "Put in the tools and napkins beside it; keep out of the sun.")
}

// folded draws both halves of a card: the far one stands on its head, so that it reads from behind when it is folded.
func folded(p page, x, y, w, h float64, half func(y float64)) {
	p.TransformBegin()
	p.TransformRotate(180, x+w/2, y+h/2)
	half(y)
	p.TransformEnd()
	half(y + h)
}

// guestCard stands at somebody's own plate.
func guestCard(p page, n card.Name, x, y, w, h float64) {
	mid := x + w/2
	for points := 26.0; ; points-- {
		p.letters(points, true)
		if p.GetStringWidth(n.Who) <= w-12 || points <= 12 {
			p.centred(mid, y+20, p.fitted(n.Who, w-12))
			break
		}
	}
	p.letters(8, false)
	for i, l := range p.wrapped(strings.Join(n.Foods, ", "), w-12, 3) {
		p.centred(mid, y+28+float64(i)*3.5, l)
	}
	if len(n.Avoids) > 0 {
		p.letters(8.5, true)
		p.centred(mid, y+h-8.5, p.fitted("Avoids "+say.And(n.Avoids), w-8))
	}
	p.letters(6.5, false)
	p.centred(mid, y+h-4, caution)
}

func foodCard(p page, f *food.Food, over []*food.Food, label string, made []string, x, y, w, h float64) {
	x, w = x+drawingMM, w-drawingMM
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
	t := card.TextOf(f, over...)
	if t.About != "" {
		p.centred(mid, y+26, p.fitted(t.About, w-8))
	}
	p.letters(9, true)
	p.centred(mid, y+31.5, p.fitted(t.Contains, w-8))
	p.letters(7.5, false)
	if label != "" {
		label = "From packs labelled " + label + " only"
	}
	of := ""
	if len(made) > 0 {
		of = "Made here of " + say.And(made)
	}
	lines := 0
	for _, l := range []string{of, t.Over, t.Traces, t.Holds, label} {
		if l != "" {
			p.centred(mid, y+34.8+float64(lines)*3.15, p.fitted(l, w-8))
			lines++
		}
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
