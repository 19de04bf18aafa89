package lens

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/adjacency"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/say"
	"happytray/core/tray"
)

// familyColours stand for the families of colour.
var familyColours = map[string]string{"white": "#f6f3ea", "cream": "#e6d3a6", "yellow": "#ecc531", "orange": "#e08a2b", "red": "#b92f2a", "pink": "#e58f93",
	"purple": "#6a3f78", "green": "#5f8f3a", "brown": "#8a5a34", "dark": "#33291f"}

// kindColours stand for the categories of food.
var kindColours = map[food.Category]string{"cheese": "#f0dc9a", "meat": "#b5403a", "dip": "#e7b98c", "brined": "#87923c", "fruit": "#d9667f", "vegetable": "#5f9a4a",
	"dried fruit": "#c9772f", "nut": "#8a5a34", "cracker": "#d8b27a", "sweet": "#5b3a4d", "garnish": "#3f6e3a", "prop": "#8d8d86"}

func (s *seeing) families() {
	s.view.Title, s.view.Says = "Colour families", say.That("lens.colours")
	s.each(func(e *tray.Element, fd *food.Food) {
		family := colour.Must(e.Colour).Family()
		s.tint(e, familyColours[family], family)
	})
	s.view.Number = say.That("lens.families", say.Figure(len(s.view.Key)))
	if v, ok := s.check("colour.repeat"); ok {
		s.view.Number = s.view.Number.Then("lens.accents", say.Word(fmt.Sprintf("%.1f", v)))
	}
}

func (s *seeing) kinds() {
	s.view.Title, s.view.Says = "Kinds of food", say.That("lens.kinds")
	s.each(func(e *tray.Element, fd *food.Food) { s.tint(e, kindColours[e.Category], string(e.Category)) })
	s.view.Number = say.That("lens.count", say.Figure(len(s.view.Key)))
	if v, ok := s.check("spread.category"); ok {
		s.view.Number = s.view.Number.Then("lens.middle", percent(v))
	}
}

// besideMM is how near neighbours lie to be seen as touching, mm.
const besideMM = 8

// seen shows the tray as an eye of some vision sees it, and which neighbours run together for it that do not for others.
func (s *seeing) seen(v colour.Vision, title, says string) {
	s.view.Vision, s.view.Title, s.view.Says = &v, title, say.Plain(says)
	var all []*tray.Element
	s.each(func(e *tray.Element, _ *food.Food) { all = append(all, e) })
	boxes, shapes := make([]geom.Rect, len(all)), make([][]geom.Body, len(all))
	for i, e := range all {
		boxes[i], shapes[i] = box(e), bodies(e)
	}
	n := 0
	for i, a := range all {
		for j, b := range all[:i] {
			ca, cb := colour.Must(a.Colour), colour.Must(b.Colour)
			if a.Food == b.Food || geom.BoxGap(boxes[i], boxes[j]) > besideMM || colour.Difference(ca, cb) < 14 || colour.Difference(ca.Seen(v), cb.Seen(v)) > 8 {
				continue
			}
			if _, at, to, ok := nearest(shapes[i], shapes[j], besideMM); ok {
				n++
				s.view.Lines = append(s.view.Lines, Line{Path: []geom.Point{at.Round(), to.Round()}, Bad: true, Says: say.That("lens.two", say.Word(s.name(a)), say.Word(s.name(b)))})
			}
		}
	}
	s.view.Number = say.That("lens.borders", say.Figure(n))
	if n == 1 {
		s.view.Number = say.That("lens.border")
	}
}

func (s *seeing) name(e *tray.Element) string {
	f, _ := s.larder.Get(e.Food)
	return say.Lower(f.Name)
}

func (s *seeing) wet() {
	s.view.Title, s.view.Says = "Wet and crisp", say.That("lens.wet", say.MM(adjacency.WetBesideCrisp))
	type thing struct {
		e   *tray.Element
		box geom.Rect
		b   []geom.Body
	}
	var wet, crisp []thing
	s.each(func(e *tray.Element, fd *food.Food) {
		switch {
		case e.Vessel != "":
			s.quiet(e, "#b9b3a6", "in a bowl")
		case e.Wetness.Wets():
			s.tint(e, "#2f7f8a", "wets")
			wet = append(wet, thing{e, box(e), bodies(e)})
		case e.Wetness == food.Crisp:
			s.tint(e, "#e0b04a", "crisp")
			crisp = append(crisp, thing{e, box(e), bodies(e)})
		default:
			s.quiet(e, "#d9d2c3", string(e.Wetness))
		}
	})
	n, least := 0, math.Inf(1)
	for _, w := range wet {
		for _, c := range crisp {
			if geom.BoxGap(w.box, c.box) > 60 {
				continue
			}
			gap, at, to, ok := nearest(w.b, c.b, 60)
			if !ok {
				continue
			}
			least = math.Min(least, gap)
			if gap < adjacency.WetBesideCrisp {
				n++
				s.view.Lines = append(s.view.Lines, Line{Path: []geom.Point{at.Round(), to.Round()}, Bad: true, Says: say.That("lens.pair", say.Word(s.name(w.e)), say.Word(s.name(c.e)), say.MM(gap))})
			}
		}
	}
	switch {
	case n > 0:
		s.view.Number = say.That("lens.near", say.Figure(n))
	case math.IsInf(least, 1):
		s.view.Number = say.That("lens.none")
	default:
		s.view.Number = say.That("lens.apart", say.MM(least))
	}
}

// heightSteps are the heights that are told apart, mm, with their tints from low to high.
var heightSteps = []struct {
	to   float64
	hex  string
	says say.Text
}{{12, "#efe6d2", say.That("lens.under", say.MM(12))}, {25, "#dcc089", between(12, 25)}, {40, "#c08a4a", between(25, 40)}, {60, "#8e4f2c", between(40, 60)}, {math.Inf(1), "#54241a", say.That("lens.over", say.MM(60))}}

func between(from, to float64) say.Text { return say.That("lens.between", say.MM(from), say.MM(to)) }

// tallMM is what stands out among what lies flat, mm.
const tallMM = 40

func (s *seeing) height() {
	from := review.LooksFrom(s.t.Board.Front, s.t.Board.Access)
	s.view.Title, s.view.Says = "Height", say.That("lens.middling")
	if len(from) == 1 {
		s.view.Says = say.That("lens.back")
	}
	most, name := 0.0, ""
	s.each(func(e *tray.Element, fd *food.Food) {
		high := 0.0
		for _, p := range e.Pieces {
			high = math.Max(high, p.ZMM+p.HeightMM)
		}
		if high > most {
			most, name = high, s.name(e)
		}
		for _, step := range heightSteps {
			if high <= step.to {
				if s.tinted(e, step.hex, step.says); high <= tallMM {
					s.view.Tints[len(s.view.Tints)-1].Quiet = true
				}
				break
			}
		}
	})
	s.view.Number = say.That("lens.tallest", say.MM(most), say.Word(name))
	if v, ok := s.check("height.sight"); ok {
		s.view.Number = s.view.Number.Then("lens.hidden", percent(v))
	}
}

func (s *seeing) allergens(word string) error {
	known := slices.DeleteFunc(slices.Clone(food.Avoidable), func(w string) bool { return w == food.LowCarb }) // a wish, not something to look out for
	if word != "" {
		if err := fault.OneOf("word", word, known...); err != nil {
			return err
		}
	}
	count := map[string]int{}
	s.each(func(_ *tray.Element, fd *food.Food) {
		for _, w := range known {
			if !diet.CanEat([]string{w}, fd) {
				count[w]++
			}
		}
	})
	for _, w := range known {
		if count[w] > 0 {
			s.view.Words = append(s.view.Words, w)
		}
	}
	if word == "" { // what a guest avoids comes first, else what most things hold
		for _, d := range s.t.Brief.Diets {
			for _, w := range d.Avoid {
				if word == "" && slices.Contains(known, w) {
					word = w
				}
			}
		}
		for _, w := range s.view.Words {
			if word == "" || len(s.t.Brief.Diets) == 0 && count[w] > count[word] {
				word = w
			}
		}
	}
	s.view.Title, s.view.Word = "Allergens and diets", word
	s.view.Says = say.That("lens.holds", say.Word(word))
	if word == "" {
		s.view.Says = say.That("lens.free")
	}
	holds, may := 0, 0
	near := math.Inf(1)
	var with, without [][]geom.Body
	s.each(func(e *tray.Element, fd *food.Food) {
		v, _ := diet.Avoiding([]string{word}, fd)
		switch v {
		case diet.Avoided:
			s.tint(e, "#a83a2a", "holds "+word)
			holds++
			with = append(with, bodies(e))
			return
		case diet.Traces:
			s.tint(e, "#dd9a5b", "may hold traces of "+word)
			may++
		default:
			s.quiet(e, "#dcd7ca", "not by its entry")
		}
		if e.Vessel == "" {
			without = append(without, bodies(e))
		}
	})
	for _, a := range with {
		for _, b := range without {
			if gap, _, _, ok := nearest(a, b, 80); ok {
				near = math.Min(near, gap)
			}
		}
	}
	s.view.Number = say.That("lens.things", say.Figure(holds))
	if may > 0 {
		s.view.Number = s.view.Number.Then("lens.traces", say.Figure(may))
	}
	if !math.IsInf(near, 1) && holds > 0 {
		s.view.Number = s.view.Number.Then("lens.from", say.MM(near))
	}
	return nil
}
