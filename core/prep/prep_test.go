package prep

import (
	"fmt"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/plan"
	"happytray/core/shop"
	"happytray/core/tray"
)

// A prop is kit and not food, and what is to be said of a food is said.
func TestPropsAreKit(t *testing.T) {
	larder := food.BuiltIn()
	tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 5}, Foods: []brief.Want{{Food: "figs"}, {Food: "glass-candle"}, {Food: "rose-petals"}}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	s := Order(tr.Trays[0], larder)
	kit := 0
	for _, k := range s.Kit {
		if k.What == "candle in a glass" {
			kit = k.Count
		}
	}
	said := fmt.Sprint(s.Cautions)
	if kit != 1 || !strings.Contains(said, "flame") || !strings.Contains(said, "florist") {
		t.Errorf("%d candles in the kit; cautions: %s", kit, said)
	}
	for _, l := range shop.NewBasket(tr, larder).Lines {
		if l.Food == "glass-candle" {
			t.Error("the candle is bought with the food")
		}
	}
}

func TestOrderCoversEveryElementOnce(t *testing.T) {
	larder := food.BuiltIn()
	tr, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 14, Children: 3}, Diets: []brief.Diet{{Who: "one", Count: 1, Avoid: []string{"gluten"}}}}, larder, board.BuiltInCabinet())
	if err != nil {
		t.Fatal(err)
	}
	sheet := Order(tr.Trays[0], larder)
	seen, pieces := map[string]bool{}, 0
	last := -1
	for i, s := range sheet.Steps {
		if s.Number != i+1 || s.Says.IsZero() || s.Minutes <= 0 {
			t.Errorf("step %+v", s)
		}
		pieces += s.Pieces
		for _, id := range s.Elements {
			if seen[id] {
				t.Errorf("%s comes twice", id)
			}
			seen[id] = true
			e := &tr.Trays[0].Elements[tr.Trays[0].Find(id)]
			f, _ := larder.Get(e.Food)
			if r := layingRank(f, e, ""); r < last {
				t.Errorf("%s of rank %d comes after rank %d", id, r, last)
			} else {
				last = r
			}
		}
	}
	want := 0
	for _, e := range tr.Trays[0].Elements {
		want += e.Count
	}
	if sheet.Begin != sheet.Minutes+sheet.ColdOut || sheet.Minutes < 5 || sheet.ColdOut < 15 {
		t.Errorf("begin %v min before serving, %v of handwork, %v to warm up", sheet.Begin, sheet.Minutes, sheet.ColdOut)
	}
	if len(seen) != len(tr.Trays[0].Elements) || pieces != want {
		t.Errorf("%d of %d elements, %d of %d pieces", len(seen), len(tr.Trays[0].Elements), pieces, want)
	}
	all := fmt.Sprint(sheet.Cautions)
	for _, word := range []string{"two hours", "children", "Labels", "avoid"} {
		if !strings.Contains(all, word) {
			t.Errorf("no caution speaks of %q", word)
		}
	}
	for _, k := range sheet.Kit {
		if k.What == "plate" && k.Count != 22 {
			t.Errorf("%d plates for 17 guests, want 22", k.Count)
		}
	}
}

// Who is pregnant or of weak immunity is told what is commonly advised against, by its name; an
// infant gets no honey. Nobody else is told.
func TestAdviceForTheFrail(t *testing.T) {
	made := func(g brief.Guests) string {
		b := brief.Brief{Guests: g, Foods: []brief.Want{{Food: "soft-white-round"}, {Food: "orange-block"}, {Food: "air-dried-ham"}, {Food: "honey"}}}
		j, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		return fmt.Sprint(Order(j.Trays[0], food.BuiltIn()).Cautions)
	}
	says := made(brief.Guests{Adults: 6, Children: 1, Infants: 1, Frail: 1})
	for _, want := range []string{"brie (a soft mould-ripened cheese)", "dry-cured ham", "(a raw cured meat)", "none for a child under one year", "commonly advised against"} {
		if !strings.Contains(strings.ToLower(says), strings.ToLower(want)) {
			t.Errorf("nothing of %q in %s", want, says)
		}
	}
	if strings.Contains(says, "cheddar") || strings.Contains(made(brief.Guests{Adults: 6}), "commonly advised") {
		t.Error("it is said of what nobody is advised against, or to nobody")
	}
}

// What comes only whole is begun: the review does not ask for it, because the step does.
func TestWholeCheeseIsBegun(t *testing.T) {
	f, _ := food.BuiltIn().Get("fresh-goat-log")
	tr := &tray.Tray{Elements: []tray.Element{{ID: "log", Food: f.ID, Form: "whole", Category: f.Category, Grams: 150, Count: 1}}}
	if s := Order(tr, food.BuiltIn()).Steps[0].Says; !strings.Contains(s.String(), "a slice or two cut") {
		t.Errorf("%q", s)
	}
	tr.Rules.FirstSlice = "left"
	if s := Order(tr, food.BuiltIn()).Steps[0].Says; strings.Contains(s.String(), "cut") {
		t.Errorf("the house leaves the first cut to its guests: %q", s)
	}
}

// Where only some of a food are set up, the step says how many; two heights are two things to stand on.
func TestAStepSaysHowManyAreSetUp(t *testing.T) {
	of := func(ups ...float64) string {
		tr := &tray.Tray{Brief: brief.Brief{Guests: brief.Guests{Adults: 14}}}
		for n, up := range ups {
			tr.Elements = append(tr.Elements, tray.Element{ID: fmt.Sprint("e", n), Food: "soft-white-round", Form: "whole", Count: 1, Grams: 90, Placed: true, Pieces: []tray.Piece{{ZMM: up, HeightMM: 31}}})
		}
		return Order(tr, food.BuiltIn()).Steps[0].Says.String()
	}
	for want, said := range map[string]string{
		"in 3 places, 1 of them set 70 mm up on a stand": of(0, 70, 0),
		"in 2 places, set 70 mm up on a stand":           of(70, 70),
		"2 of them set 15 mm up on a small plate":        of(15, 15, 0),
		"rock, 1 of them set 15 mm up on a small plate":  of(15, 60, 0),
	} {
		if !strings.Contains(said, want) {
			t.Errorf("%q is not in %q", want, said)
		}
	}
	if said := of(0, 0); strings.Contains(said, "set ") {
		t.Errorf("nothing is set up: %q", said)
	}
}

// What is set up high is set up by a step, and what it stands on is in the kit.
func TestWhatStandsHighStandsOnSomething(t *testing.T) {
	larder := food.BuiltIn()
	for mm, want := range map[float64][2]string{0: {}, 15: {"small plate or a lid", "small plate or lid, 15 mm high, to set something on"}, 70: {"a stand or an upturned bowl", "steady stand or upturned bowl, 70 mm high, to set something on"}} {
		job, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 14}, Foods: []brief.Want{{Food: "soft-white-round"}, {Food: "wide-sausage"}, {Food: "red-grapes"}}}, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		tr := job.Trays[0]
		for i := range tr.Elements {
			if e := &tr.Elements[i]; e.Food == "soft-white-round" {
				e.Placed, e.Pieces = true, []tray.Piece{{ZMM: mm, HeightMM: 31}, {ZMM: mm, HeightMM: 31}}
			}
		}
		s := Order(tr, larder)
		said, things := "", []string{}
		for _, st := range s.Steps {
			if st.Food == "soft-white-round" {
				said = fmt.Sprint(st.Says)
			}
		}
		for _, k := range kitOf(job, larder) {
			if strings.Contains(k.What, "to set something on") {
				things = append(things, k.What)
			}
		}
		if want[1] == "" {
			if strings.Contains(said, "set ") || len(things) > 0 {
				t.Errorf("on the board: %q, %v", said, things)
			}
		} else if !strings.Contains(said, want[0]) || len(things) != 1 || things[0] != want[1] {
			t.Errorf("%v mm high: %q, %v", mm, said, things)
		}
	}
}
