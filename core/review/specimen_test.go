package review

import (
	"flag"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/tray"
)

// specimen is one check on two trays built by hand: one that just passes, and one
// that just fails and says so.
type specimen struct {
	check      string
	pass, fail func(t *tray.Tray)
}

// box lays one piece of a food as a box of true size, under a form of its own choice.
func box(t *tray.Tray, id, form string, w, h, x, y, tall float64) {
	f, _ := larder.Get(id)
	e := tray.Element{ID: fmt.Sprintf("%s-%d", id, len(t.Elements)), Food: id, Form: form, Category: f.Category, Count: 1, Grams: 10, Placed: true,
		X: x, Y: y, Wetness: f.Wetness, Colour: f.Colour,
		Pieces: []tray.Piece{{Outline: geom.Box(w, h, 0).Move(geom.Pt(x, y)), HeightMM: tall, Colour: f.Colour, At: geom.Pt(x, y)}}}
	t.Elements = append(t.Elements, e)
}

// line lays n folds of a trail along a straight line, with steps of the given lengths.
func line(t *tray.Tray, x, y float64, steps ...float64) {
	put(t, "wide-sausage", "trail", len(steps)+1, 0, 0, 0)
	e := &t.Elements[len(t.Elements)-1]
	for k := range e.Pieces {
		p := &e.Pieces[k]
		p.Outline = p.Outline.Move(geom.Pt(x, y).Sub(p.At))
		p.At = geom.Pt(x, y)
		if k < len(steps) {
			x += steps[k]
		}
	}
}

func steps(n int, of float64) []float64 {
	out := make([]float64, n)
	for i := range out {
		out[i] = of
	}
	return out
}

// cloth covers the whole zone with boxes of a pattern of foods, two rows of three.
func cloth(t *tray.Tray, foods ...string) {
	z := t.Board.FoodZone.Bounds()
	w, h := z.W()/3, z.H()/2
	for i, id := range foods {
		box(t, id, "drift", w, h, z.Min.X+w*(float64(i%3)+.5), z.Min.Y+h*(float64(i/3)+.5), 14)
	}
}

// quarters lays nuts, grapes and a bowl of the given heights in every quarter.
func quarters(t *tray.Tray, nuts, grapes, bowl float64) {
	for _, at := range []geom.Point{geom.Pt(150, 110), geom.Pt(450, 110), geom.Pt(150, 290), geom.Pt(450, 290)} {
		box(t, "almonds", "drift", 70, 90, at.X-80, at.Y, nuts)
		box(t, "red-grapes", "drift", 70, 90, at.X, at.Y, grapes)
		box(t, "honey", "bowl", 70, 70, at.X+80, at.Y, bowl)
	}
}

func guests(t *tray.Tray, adults, children int, diets ...brief.Diet) {
	t.Brief.Guests = brief.Guests{Adults: adults, Children: children}
	t.Brief.Diets = diets
}

var specimens = []specimen{
	{"fit.inside",
		func(t *tray.Tray) { put(t, "honey", "bowl", 1, 46, 200, 0) },
		func(t *tray.Tray) { put(t, "honey", "bowl", 1, 40, 200, 0) }},
	{"fit.overlap",
		func(t *tray.Tray) {
			put(t, "honey", "bowl", 1, 260, 200, 0)
			put(t, "fig-jam", "bowl", 1, 333, 200, 0)
		},
		func(t *tray.Tray) {
			put(t, "honey", "bowl", 1, 260, 200, 0)
			put(t, "fig-jam", "bowl", 1, 322, 200, 0)
		}},
	{"fit.cover",
		func(t *tray.Tray) {
			cloth(t, "almonds", "red-grapes", "orange-block", "green-olives", "aged-hard", "blueberries")
		},
		func(t *tray.Tray) {
			for i := range 35 { // everywhere a little too thin
				box(t, []string{"almonds", "red-grapes", "orange-block"}[i%3], "drift", 62, 56, 55+float64(i%7)*80, 52+float64(i/7)*74, 14)
			}
		}},
	{"fit.gap",
		func(t *tray.Tray) {
			z := t.Board.FoodZone.Bounds()
			box(t, "almonds", "drift", z.W()/2-6, z.H(), z.Min.X+z.W()/4-3, 200, 14)
			box(t, "orange-block", "tumble", z.W()/2-6, z.H(), z.Max.X-z.W()/4+3, 200, 14)
		},
		func(t *tray.Tray) {
			z := t.Board.FoodZone.Bounds()
			box(t, "almonds", "drift", z.W()/2-24, z.H(), z.Min.X+z.W()/4-12, 200, 14)
			box(t, "orange-block", "tumble", z.W()/2-24, z.H(), z.Max.X-z.W()/4+12, 200, 14)
		}},
	{"fit.lid",
		func(t *tray.Tray) {
			t.Board.LidMM = 40
			put(t, "honey", "bowl", 1, 300, 200, 0)
		},
		func(t *tray.Tray) {
			t.Board.LidMM = 40
			put(t, "honey", "bowl", 1, 300, 200, 0)
			for k := range t.Elements[0].Pieces {
				t.Elements[0].Pieces[k].ZMM = 20
			}
		}},
	{"fit.placed",
		func(t *tray.Tray) { put(t, "honey", "bowl", 1, 300, 200, 0) },
		func(t *tray.Tray) {
			put(t, "honey", "bowl", 1, 300, 200, 0)
			put(t, "fig-jam", "bowl", 1, 100, 200, 0)
			t.Elements[1].Placed, t.Elements[1].Pieces = false, nil
		}},
	{"colour.neighbour",
		func(t *tray.Tray) {
			box(t, "dark-chocolate", "tumble", 100, 100, 240, 200, 12)
			box(t, "dried-apricots", "drift", 100, 100, 342, 200, 12)
		},
		func(t *tray.Tray) {
			box(t, "dark-chocolate", "tumble", 100, 100, 240, 200, 12)
			box(t, "prunes", "drift", 100, 100, 342, 200, 12)
		}},
	{"colour.ground",
		func(t *tray.Tray) { t.Board.Liner = "#f4efe4"; box(t, "red-grapes", "drift", 200, 120, 300, 200, 18) },
		func(t *tray.Tray) {
			t.Board.Liner = "#f4efe4"
			box(t, "soft-white-round", "tumble", 200, 120, 300, 200, 18)
		}},
	{"colour.repeat",
		func(t *tray.Tray) {
			cloth(t, "almonds", "almonds", "almonds", "almonds", "almonds", "almonds")
			for i, x := range []float64{100, 300, 500} {
				box(t, "raspberries", "drift", 60, 40, x, 100+float64(i%2)*200, 20)
			}
		},
		func(t *tray.Tray) {
			cloth(t, "almonds", "almonds", "almonds", "almonds", "almonds", "almonds")
			box(t, "raspberries", "drift", 60, 100, 100, 100, 20)
		}},
	{"colour.spread",
		func(t *tray.Tray) {
			box(t, "raspberries", "drift", 80, 80, 100, 100, 20)
			box(t, "raspberries", "drift", 80, 80, 500, 300, 20)
		},
		func(t *tray.Tray) {
			box(t, "raspberries", "drift", 80, 80, 100, 100, 20)
			box(t, "raspberries", "drift", 80, 80, 200, 300, 20)
		}},
	{"spread.category",
		func(t *tray.Tray) {
			box(t, "orange-block", "tumble", 80, 80, 120, 200, 20)
			box(t, "aged-hard", "tumble", 80, 80, 480, 200, 20)
		},
		func(t *tray.Tray) {
			box(t, "orange-block", "tumble", 80, 80, 420, 100, 20)
			box(t, "aged-hard", "tumble", 80, 80, 520, 300, 20)
		}},
	{"spread.weight",
		func(t *tray.Tray) {
			box(t, "orange-block", "whole", 90, 90, 160, 200, 40)
			box(t, "aged-hard", "whole", 90, 90, 440, 200, 40)
		},
		func(t *tray.Tray) {
			box(t, "orange-block", "whole", 90, 90, 380, 200, 40)
			box(t, "aged-hard", "whole", 90, 90, 500, 200, 40)
		}},
	{"spread.kind",
		func(t *tray.Tray) {
			box(t, "almonds", "drift", 80, 80, 200, 200, 14)
			box(t, "red-grapes", "drift", 80, 80, 282, 200, 18)
			box(t, "almonds", "drift", 80, 80, 364, 200, 14)
		},
		func(t *tray.Tray) {
			box(t, "almonds", "drift", 80, 80, 240, 200, 14)
			box(t, "almonds", "drift", 80, 80, 322, 200, 14)
		}},
	{"spread.size",
		func(t *tray.Tray) {
			box(t, "orange-block", "whole", 90, 90, 200, 200, 40)
			box(t, "almonds", "drift", 40, 40, 268, 200, 14)
			box(t, "aged-hard", "whole", 90, 90, 336, 200, 40)
		},
		func(t *tray.Tray) {
			box(t, "orange-block", "whole", 90, 90, 250, 200, 40)
			box(t, "aged-hard", "whole", 90, 90, 344, 200, 40)
		}},
	{"spread.mirror",
		func(t *tray.Tray) {
			t.Rules.Symmetry = "mirrored"
			cloth(t, "almonds", "red-grapes", "almonds", "orange-block", "green-olives", "orange-block")
		},
		func(t *tray.Tray) {
			t.Rules.Symmetry = "mirrored"
			cloth(t, "almonds", "red-grapes", "orange-block", "orange-block", "green-olives", "blueberries")
		}},
	{"flow.span",
		func(t *tray.Tray) { line(t, 70, 200, steps(31, 15)...) },
		func(t *tray.Tray) { line(t, 80, 200, steps(10, 15)...) }},
	{"flow.curve",
		func(t *tray.Tray) { line(t, 60, 200, steps(30, 15)...) },
		func(t *tray.Tray) {
			line(t, 60, 200, 15, 15, 60, 15, 15, 60, 15, 15, 60, 15, 15, 60, 15, 15)
		}},
	{"flow.follow",
		func(t *tray.Tray) { put(t, "round-crackers", "arc", 9, 300, 46, 0) },
		func(t *tray.Tray) { put(t, "round-crackers", "arc", 9, 300, 46, 32) }},
	{"flow.tasting",
		func(t *tray.Tray) {
			t.Rules.Tasting = "cheese"
			for i, id := range []string{"mozzarella-balls", "soft-white-round", "mountain-wheel", "old-wheel", "blue-wedge"} {
				box(t, id, "tumble", 60, 60, 90+float64(i)*105, 200, 20)
			}
		},
		func(t *tray.Tray) {
			t.Rules.Tasting = "cheese"
			for i, id := range []string{"mozzarella-balls", "blue-wedge", "mountain-wheel", "old-wheel", "soft-white-round"} {
				box(t, id, "tumble", 60, 60, 90+float64(i)*105, 200, 20)
			}
		}},
	{"pairs.near",
		func(t *tray.Tray) {
			put(t, "blue-wedge", "whole", 1, 220, 200, 0)
			put(t, "honey", "bowl", 1, 220, 270, 0)
		},
		func(t *tray.Tray) {
			put(t, "blue-wedge", "whole", 1, 120, 200, 0)
			put(t, "honey", "bowl", 1, 480, 200, 0)
		}},
	{"pairs.bites",
		func(t *tray.Tray) {
			put(t, "soft-white-round", "whole", 1, 220, 200, 0)
			put(t, "fig-jam", "bowl", 1, 330, 160, 0)
			put(t, "round-crackers", "arc", 9, 300, 260, 0)
		},
		func(t *tray.Tray) {
			put(t, "soft-white-round", "whole", 1, 120, 200, 0)
			put(t, "fig-jam", "bowl", 1, 200, 100, 0)
			put(t, "round-crackers", "arc", 9, 480, 260, 0)
		}},
	{"pairs.apart",
		func(t *tray.Tray) {
			guests(t, 11, 0, brief.Diet{Count: 1, Avoid: []string{"meat"}})
			put(t, "wide-sausage", "trail", 9, 160, 200, 0)
			box(t, "orange-block", "tumble", 80, 80, 400, 200, 20)
		},
		func(t *tray.Tray) {
			guests(t, 11, 0, brief.Diet{Count: 1, Avoid: []string{"meat"}})
			put(t, "wide-sausage", "trail", 9, 220, 200, 0)
			box(t, "orange-block", "tumble", 80, 80, 360, 200, 20)
		}},
	{"height.sight",
		func(t *tray.Tray) {
			t.Board.Front = "bottom"
			box(t, "honey", "bowl", 120, 60, 300, 130, 60)
			box(t, "almonds", "drift", 100, 50, 300, 220, 14)
		},
		func(t *tray.Tray) {
			t.Board.Front = "bottom"
			box(t, "honey", "bowl", 120, 60, 300, 220, 60)
			box(t, "almonds", "drift", 100, 50, 300, 160, 14)
		}},
	{"height.relief",
		func(t *tray.Tray) { quarters(t, 12, 26, 45) },
		func(t *tray.Tray) { quarters(t, 12, 26, 36) }},
	{"service.cutroom",
		func(t *tray.Tray) {
			put(t, "fresh-goat-log", "whole", 1, 200, 200, 0)
			put(t, "honey", "bowl", 1, 360, 200, 0)
		},
		func(t *tray.Tray) {
			put(t, "fresh-goat-log", "whole", 1, 200, 200, 0)
			put(t, "honey", "bowl", 1, 330, 200, 0)
		}},
	{"service.reach",
		func(t *tray.Tray) {
			box(t, "red-grapes", "drift", 60, 60, 100, 200, 18)
			box(t, "red-grapes", "drift", 60, 60, 500, 200, 18)
		},
		func(t *tray.Tray) { box(t, "red-grapes", "drift", 60, 60, 80, 200, 18) }},
	{"eaten.reach",
		func(t *tray.Tray) {
			deepen(t)
			box(t, "red-grapes", "drift", 60, 60, 300, 700, 18)
		},
		func(t *tray.Tray) {
			deepen(t)
			box(t, "red-grapes", "drift", 60, 60, 300, 300, 18)
			box(t, "orange-block", "tumble", 60, 60, 300, 700, 18)
		}},
	{"service.tool",
		func(t *tray.Tray) { put(t, "honey", "bowl", 1, 300, 200, 0) },
		func(t *tray.Tray) {
			put(t, "spoonless", "bowl", 1, 300, 200, 0)
			put(t, "spoonless-too", "bowl", 1, 200, 200, 0)
		}},
	{"service.started",
		func(t *tray.Tray) {
			put(t, "washed-square", "whole", 1, 220, 200, 0)
			box(t, "washed-square", "shingle", 40, 40, 330, 150, 20)
		},
		func(t *tray.Tray) { put(t, "washed-square", "whole", 1, 300, 200, 0) }},
	{"care.wetdry",
		func(t *tray.Tray) {
			box(t, "strawberries", "halves", 80, 80, 240, 200, 20)
			box(t, "round-crackers", "stack", 60, 60, 335.5, 200, 20)
		},
		func(t *tray.Tray) {
			box(t, "strawberries", "halves", 80, 80, 240, 200, 20)
			box(t, "round-crackers", "stack", 60, 60, 333, 200, 20)
		}},
	{"care.roll",
		func(t *tray.Tray) {
			put(t, "red-grapes", "cluster", 1, 30, 200, 0)
			put(t, "honey", "bowl", 1, 46, 152, 0)
			put(t, "fig-jam", "bowl", 1, 46, 248, 0)
		},
		func(t *tray.Tray) { put(t, "red-grapes", "cluster", 1, 30, 200, 0) }},
	{"care.allergen",
		func(t *tray.Tray) {
			guests(t, 8, 0, brief.Diet{Avoid: []string{"gluten"}})
			put(t, "almonds", "drift", 9, 300, 200, 0)
		},
		func(t *tray.Tray) {
			guests(t, 8, 0, brief.Diet{Avoid: []string{"nuts"}})
			put(t, "almonds", "drift", 9, 300, 200, 0)
		}},
	{"care.ground",
		func(t *tray.Tray) {
			t.Board.FoodSafe, t.Board.Liner = false, "#f4efe4"
			put(t, "almonds", "drift", 9, 300, 200, 0)
		},
		func(t *tray.Tray) {
			t.Board.FoodSafe, t.Board.Liner = false, ""
			put(t, "almonds", "drift", 9, 300, 200, 0)
		}},
	{"care.garnish",
		func(t *tray.Tray) { put(t, "rosemary", "sprig", 3, 300, 200, 0) },
		func(t *tray.Tray) { put(t, "ivy-leaves", "sprig", 3, 300, 200, 0) }},
	{"care.stone",
		func(t *tray.Tray) {
			put(t, "pistachios", "drift", 20, 240, 200, 0)
			put(t, "stone-dish", "prop", 1, 360, 200, 0)
		},
		func(t *tray.Tray) { put(t, "pistachios", "drift", 20, 240, 200, 0) }},
	{"care.child",
		func(t *tray.Tray) { guests(t, 8, 0); put(t, "red-grapes", "cluster", 9, 300, 200, 0) },
		func(t *tray.Tray) { guests(t, 8, 2); put(t, "red-grapes", "cluster", 9, 300, 200, 0) }},
	{"care.heat",
		func(t *tray.Tray) {
			heat := 33.0
			t.Brief.TemperatureC = &heat
			put(t, "almonds", "drift", 20, 300, 200, 0)
		},
		func(t *tray.Tray) {
			heat := 33.0
			t.Brief.TemperatureC = &heat
			put(t, "dark-chocolate", "tumble", 12, 200, 200, 0)
			put(t, "soft-white-round", "cut-round", 8, 400, 200, 0)
		}},
	{"care.rim",
		func(t *tray.Tray) { rimmed(t, 20) },
		func(t *tray.Tray) { rimmed(t, 0) }},
	{"care.hold",
		func(t *tray.Tray) { t.Brief.LastsMinutes = 100; put(t, "smoked-ham", "ribbon", 5, 300, 200, 0) },
		func(t *tray.Tray) { t.Brief.LastsMinutes = 150; put(t, "smoked-ham", "ribbon", 5, 300, 200, 0) }},
	{"service.share",
		func(t *tray.Tray) { guests(t, 8, 0); spread(t, 400) },
		func(t *tray.Tray) { guests(t, 8, 0, brief.Diet{Count: 3, Avoid: []string{"animal"}}); spread(t, 400) }},
	{"service.kinds",
		func(t *tray.Tray) { guests(t, 8, 0); spread(t, 400) },
		func(t *tray.Tray) { guests(t, 8, 0); spread(t, 2400) }},
	{"service.dipper",
		func(t *tray.Tray) {
			put(t, "chickpea-dip", "bowl", 1, 200, 200, 0)
			put(t, "carrot-sticks", "batons", 9, 400, 200, 0)
		},
		func(t *tray.Tray) {
			put(t, "chickpea-dip", "bowl", 1, 200, 200, 0)
			put(t, "red-grapes", "drift", 9, 400, 200, 0)
		}},
	{"service.bite",
		func(t *tray.Tray) { put(t, "apple", "slices", 9, 300, 200, 0) },
		func(t *tray.Tray) { put(t, "apple", "whole", 1, 300, 200, 0) }},
	{"service.season",
		func(t *tray.Tray) {
			asked(t, "strawberries")
			t.Brief.Month = 6
			put(t, "strawberries", "drift", 9, 300, 200, 0)
		},
		func(t *tray.Tray) {
			asked(t, "strawberries")
			t.Brief.Month = 12
			put(t, "strawberries", "drift", 9, 300, 200, 0)
		}},
	{"service.budget",
		func(t *tray.Tray) { t.Brief.Budget = 500; put(t, "almonds", "drift", 40, 300, 200, 0) },
		func(t *tray.Tray) { t.Brief.Budget = 200; put(t, "almonds", "drift", 40, 300, 200, 0) }},
	{"spread.double",
		func(t *tray.Tray) {
			asked(t, "pepper-sticks")
			put(t, "pepper-sticks", "batons", 9, 200, 200, 0)
			put(t, "figs", "halves", 7, 400, 200, 0)
		},
		func(t *tray.Tray) {
			asked(t, "pepper-sticks")
			put(t, "pepper-sticks", "batons", 9, 200, 200, 0)
			put(t, "yellow-pepper", "batons", 9, 400, 200, 0)
		}},
	{"fit.board",
		func(t *tray.Tray) { named(t, 8) },
		func(t *tray.Tray) { named(t, 4) }},
}

func asked(t *tray.Tray, food string) { t.Brief.Pins = []brief.Want{{Food: food}} }

// rimmed puts round things on a board that was asked for and goes on the road.
func rimmed(t *tray.Tray, rim float64) {
	t.Board.RimMM = rim
	t.Brief.Board = &board.Request{ID: "rectangle-60-cherry"}
	t.Brief.Travels = brief.Travels{Yes: true}
	put(t, "red-grapes", "drift", 9, 300, 200, 0)
}

// named is a board that so many guests asked for.
func named(t *tray.Tray, n int) {
	guests(t, n, 0)
	t.Brief.Board = &board.Request{ID: "rectangle-60-cherry"}
	put(t, "red-grapes", "drift", 9, 300, 200, 0)
}

// spread puts down six kinds, with so many grams of cheese.
func spread(t *tray.Tray, cheese float64) {
	for i, e := range []struct {
		food, form string
		grams      float64
	}{{"mild-loaf", "tumble", cheese}, {"smoked-ham", "ribbon", 300}, {"round-crackers", "shingle", 230}, {"red-grapes", "drift", 260}, {"cucumber", "coins", 200}, {"almonds", "drift", 150}} {
		put(t, e.food, e.form, 5, 110+190*float64(i%3), 110+190*float64(i/3), 0)
		t.Elements[len(t.Elements)-1].Grams = e.grams
	}
}

// specimenLarder is the built-in larder with what no sound larder has.
func specimenLarder() *food.Larder {
	jam, _ := larder.Get("fig-jam")
	herb, _ := larder.Get("rosemary")
	one, two, ivy := *jam, *jam, *herb
	one.ID, one.Name, one.Tool = "spoonless", "Spoonless jam", ""
	two.ID, two.Name, two.Tool = "spoonless-too", "Plum jam without a spoon", ""
	ivy.ID, ivy.Name = "ivy-leaves", "Garden ivy"
	return larder.With([]food.Food{one, two, ivy})
}

// Every check has a tray that just passes and one that just fails; the one scores
// better than the other, and the failing one is told in a sentence.
func TestEveryCheckPassesAndFails(t *testing.T) {
	before := larder
	larder = specimenLarder()
	defer func() { larder = before }()
	seen := map[string]bool{}
	for _, s := range specimens {
		seen[s.check] = true
		good, bad := table(), table()
		s.pass(good)
		s.fail(bad)
		pass, fail := Judge(good, larder), Judge(bad, larder)
		ps, pok := scoreOf(pass, s.check)
		fs, fok := scoreOf(fail, s.check)
		if s.check == "care.child" && !pok {
			ps, pok = 1, true // without children it is not asked
		}
		if !pok || !fok || ps < .99 || fs >= .99 {
			t.Errorf("%s: passing scores %v (%v), failing %v (%v)", s.check, ps, pok, fs, fok)
		}
		told := ""
		for _, f := range fail.Findings {
			if f.Check == s.check {
				told = f.Says
			}
		}
		if told == "" || !strings.HasSuffix(told, ".") || len(told) < 30 {
			t.Errorf("%s fails and says %q", s.check, told)
		}
		for _, f := range pass.Findings {
			if f.Check == s.check && ps == 1 {
				t.Errorf("%s passes and still says %q", s.check, f.Says)
			}
		}
	}
	for _, r := range shipped {
		if !seen[r.ID] {
			t.Errorf("%s has no specimen", r.ID)
		}
	}
}

func scoreOf(r Review, check string) (float64, bool) {
	for _, c := range r.Checks {
		if c.ID == check {
			return c.Score, true
		}
	}
	return 0, false
}

var update = flag.Bool("update", false, "write the pictures of docs/review.md anew")

// The pictures in docs are of these very trays. With -update they are drawn anew.
func TestPicturesAreOfTheSpecimens(t *testing.T) {
	before := larder
	larder = specimenLarder()
	defer func() { larder = before }()
	page, err := os.ReadFile("../../docs/review.md")
	if err != nil && !*update {
		t.Fatal(err)
	}
	for _, s := range specimens {
		good, bad := table(), table()
		s.pass(good)
		s.fail(bad)
		picture := pictureOf(good, bad, s.check)
		file := filepath.Join("..", "..", "docs", "review", s.check+".svg")
		if *update {
			if err := os.MkdirAll(filepath.Dir(file), 0o755); err != nil {
				t.Fatal(err)
			}
			if err := os.WriteFile(file, []byte(picture), 0o644); err != nil {
				t.Fatal(err)
			}
		}
		if on, err := os.ReadFile(file); err != nil || string(on) != picture {
			t.Errorf("%s is not the picture of its specimen (go test ./core/review -update)", file)
		}
		r := ruleOf(s.check)
		for _, want := range []string{"review/" + s.check + ".svg", "`" + s.check + "`", fmt.Sprintf("%g .. %g %s", r.Good, r.Bad, r.Unit), r.About} {
			if !strings.Contains(string(page), want) {
				t.Errorf("docs/review.md does not say %q of %s", want, s.check)
			}
		}
	}
}

func ruleOf(id string) *Rule {
	for i := range shipped {
		if shipped[i].ID == id {
			return &shipped[i]
		}
	}
	return nil
}

// pictureOf draws both trays side by side in outlines, with what the check found.
func pictureOf(good, bad *tray.Tray, check string) string {
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1240 440" font-family="sans-serif" font-size="17">`+"\n")
	for k, tr := range []*tray.Tray{good, bad} {
		rev := Judge(tr, larder)
		v, ok := rev.Value(check)
		word, ink := "passes", "#3d6b45"
		if k == 1 {
			word, ink = "fails", "#9b3b2a"
		}
		label := word
		if ok {
			label = fmt.Sprintf("%s: %g %s", word, v, ruleOf(check).Unit)
		}
		fmt.Fprintf(&b, `<g transform="translate(%d 30)"><path d="%s" fill="%s" stroke="#8a7356" stroke-width="2"/><path d="%s" fill="none" stroke="#8a7356" stroke-dasharray="6 5"/>`+"\n",
			10+k*620, pathOf(tr.Board.Outline), tr.Board.Ground(), pathOf(tr.Board.FoodZone))
		live := NewLive(tr, larder)
		for i := range live.elems {
			if live.elems[i].hasFace {
				fmt.Fprintf(&b, `<path d="%s" fill="#fff" fill-opacity=".35" stroke="#fff" stroke-dasharray="4 4"/>`+"\n", pathOf(live.elems[i].room))
			}
		}
		for i := range tr.Elements {
			e := &tr.Elements[i]
			for _, p := range e.Pieces {
				colour := p.Colour
				if v, ok := tr.Vessel(e.Vessel); ok {
					colour = v.Colour
				}
				fmt.Fprintf(&b, `<path d="%s" fill="%s" stroke="#3b2f24" stroke-opacity=".6"/>`+"\n", pathOf(p.Outline), colour)
			}
		}
		for _, f := range rev.Findings {
			if f.Check != check {
				continue
			}
			places := f.Places
			if len(places) == 0 {
				places = []Place{{At: f.At}}
			}
			for _, p := range places {
				fmt.Fprintf(&b, `<circle cx="%.0f" cy="%.0f" r="26" fill="none" stroke="#fff" stroke-width="7"/><circle cx="%.0f" cy="%.0f" r="26" fill="none" stroke="#c23b22" stroke-width="4"/>`+"\n", p.At.X, p.At.Y, p.At.X, p.At.Y)
			}
		}
		fmt.Fprintf(&b, `</g><text x="%d" y="20" fill="%s" font-weight="bold">%s</text>`+"\n", 14+k*620, ink, label)
	}
	b.WriteString("</svg>\n")
	return b.String()
}

func pathOf(o geom.Outline) string {
	var b strings.Builder
	for i, p := range o {
		cmd := "L"
		if i == 0 {
			cmd = "M"
		}
		fmt.Fprintf(&b, "%s%g %g", cmd, math.Round(p.X*2)/2, math.Round(p.Y*2)/2)
	}
	return b.String() + "Z"
}

// deepen makes a tray's board so deep that its far end lies beyond reach of the one side that guests stand at.
func deepen(t *tray.Tray) {
	b := *t.Board
	b.Outline = geom.Outline{{X: 0, Y: 0}, {X: 600, Y: 0}, {X: 600, Y: 1000}, {X: 0, Y: 1000}}
	b.FoodZone, b.Access = b.Outline, []string{"bottom"}
	t.Board = &b
}
