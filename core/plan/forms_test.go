package plan

import (
	"math"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
)

// A food laid in two forms has its shares in each, and as much in all as in one.
func TestOneFoodInTwoForms(t *testing.T) {
	larder, cabinet := food.BuiltIn(), board.BuiltInCabinet()
	b := brief.Brief{Guests: brief.Guests{Adults: 16}, Foods: []brief.Want{
		{Food: "goat-wheel", Forms: []brief.Portioned{{Form: "triangles", Share: .6}, {Form: "tumble", Share: .4}}},
		{Food: "soft-white-round"}, {Food: "round-crackers"}, {Food: "red-grapes"}, {Food: "almonds"}}}
	j, err := FromBrief(b, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	g := map[string]float64{}
	all := 0.0
	for _, one := range j.Trays {
		for _, e := range one.Elements {
			if e.Food == "goat-wheel" {
				g[e.Form] += e.Grams
				all += e.Grams
			}
		}
		for _, r := range one.Reserve {
			if r.Food == "goat-wheel" {
				g[r.Form] += r.Grams
				all += r.Grams
			}
		}
	}
	if all == 0 || math.Abs(g["triangles"]/all-.6) > .06 || math.Abs(g["tumble"]/all-.4) > .06 {
		t.Errorf("%.0f g in triangles and %.0f g in lumps", g["triangles"], g["tumble"])
	}
	one := b
	one.Foods = append([]brief.Want{{Food: "goat-wheel", Form: "triangles"}}, b.Foods[1:]...)
	k, err := FromBrief(one, larder, cabinet)
	if err != nil {
		t.Fatal(err)
	}
	whole := 0.0
	for _, e := range k.Trays[0].Elements {
		if e.Food == "goat-wheel" {
			whole += e.Grams
		}
	}
	for _, r := range k.Trays[0].Reserve {
		if r.Food == "goat-wheel" {
			whole += r.Grams
		}
	}
	if math.Abs(all/whole-1) > .06 {
		t.Errorf("%.0f g in two forms, %.0f in one", all, whole)
	}
	again, err := Replan(j, larder, cabinet) // and it stays so
	if err != nil || len(again.Brief.Foods[0].Forms) != 2 {
		t.Errorf("planned again it lies in %+v: %v", again.Brief.Foods[0].Forms, err)
	}
	if w := Wants(j)[0]; w.Form != "" && len(w.Forms) > 0 {
		t.Errorf("it is asked for as %q and in %v", w.Form, w.Forms)
	}
}

// What cannot be meant by forms is said, and nothing is planned.
func TestFormsThatCannotBe(t *testing.T) {
	for _, c := range []struct {
		w    brief.Want
		says string
	}{
		{brief.Want{Food: "goat-wheel", Forms: []brief.Portioned{{Form: "triangles", Share: .6}, {Form: "tumble", Share: .6}}}, "come to"},
		{brief.Want{Food: "goat-wheel", Forms: []brief.Portioned{{Form: "triangles", Share: .6}, {Form: "triangles", Share: .4}}}, "twice"},
		{brief.Want{Food: "goat-wheel", Forms: []brief.Portioned{{Form: "triangles", Share: 1.5}, {Form: "tumble", Share: -.5}}}, "above 0"},
		{brief.Want{Food: "goat-wheel", Forms: []brief.Portioned{{Form: "trail", Share: 1}}}, "cannot be laid"},
		{brief.Want{Food: "goat-wheel", Form: "fan", Forms: []brief.Portioned{{Form: "tumble", Share: 1}}}, "not both"},
		{brief.Want{Food: "goat-wheel", Form: "statue"}, "cannot be laid"},
		{brief.Want{Food: "honey", Form: "drizzled", On: []string{"gravel of the moon"}}, "gravel"},
	} {
		_, err := FromBrief(brief.Brief{Guests: brief.Guests{Adults: 8}, Pins: []brief.Want{c.w}}, food.BuiltIn(), board.BuiltInCabinet())
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%+v: %v", c.w, err)
		}
	}
}

// A house that serves hard cheese as a wedge begun gets wedges, each with a knife's room.
func TestAWedgeBegunIsAHouseRule(t *testing.T) {
	begun := 0
	for seed := range 6 {
		b := brief.Brief{Guests: brief.Guests{Adults: 14}, Choice: seed, Rules: &brief.Rules{HardCheese: "begun"}}
		j, err := FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for _, e := range j.Trays[0].Elements {
			if e.Form == "begun" {
				begun++
			}
		}
	}
	if begun < 4 {
		t.Errorf("%d wedges begun on six boards", begun)
	}
}
