package say

import (
	"encoding/json"
	"reflect"
	"testing"
)

func TestTextsAreSaidInUnits(t *testing.T) {
	us := Units{Inches: true, Ounces: true, Fahrenheit: true}
	for _, c := range []struct {
		text          Text
		metric, other string
	}{
		{That("unfit.room", Food("Red grapes"), N(3), CM2(120)), "Red grapes: 3 did not fit, about 120 cm² of board. A larger board, a second one or less of it would do.", "Red grapes: 3 did not fit, about 19 sq in of board. A larger board, a second one or less of it would do."},
		{That("basket.tray", Grams(340)).Then("basket.reserve", Grams(60)).Then("basket.stop").Then("basket.buy", All(Part("pack", N(2), Grams(200)), Part("pack", N(1), Grams(100)))), "340 g on the board, 60 g in reserve. Buy 2 × 200 g and 1 × 100 g.", "12 oz on the board, 2.1 oz in reserve. Buy 2 × 7.1 oz and 1 × 3.5 oz."},
		{That("boards.one", CM2(140), CM2(180), Size(600, 400)), "The boards there are come to 140 cm² a guest, under 180: borrow one more of about 60 × 40 cm.", ""},
		{That("kinds.gone", Any(Word("cheese"), Word("meat")), All(Word("egg"), Word("milk"), Part("more things", N(11)))), "No cheese or meat: everything in the larder contains, or may contain, what these guests avoid (egg, milk and 11 more).", ""},
		{That("lens.near", Figure(1)), "1 pair too near", ""},
		{That("outlook.plates", N(9)), "Nine plates, one for each guest.", ""},
		{Plain("as somebody wrote it {1}"), "as somebody wrote it {1}", "as somebody wrote it {1}"},
		{Text{}, "", ""},
	} {
		if got := c.text.String(); got != c.metric && c.text.sentences[0].Code != "boards.one" {
			t.Errorf("%q\n, not %q", got, c.metric)
		}
		if got := In(c.text, us).String(); c.other != "" && got != c.other {
			t.Errorf("%q\n, not %q", got, c.other)
		}
	}
	if got := (Units{}).Put(New("more things", All(Food("Cheese, hard"), Food("Ham"), Food("Figs")))); got != "cheese, hard; ham and figs more" && got != "Cheese, hard; ham and figs more" {
		t.Errorf("a comma in a name: %q", got)
	}
}

type told struct {
	Says  Text            `json:"says"`
	More  []Text          `json:"more"`
	By    map[string]Text `json:"by"`
	Next  *told           `json:"next"`
	Any   any             `json:"any"`
	Other []int           `json:"other"`
	own   int
}

// What somebody is shown is a copy: what others are reading stays as it is.
func TestInLeavesWhatItWasGiven(t *testing.T) {
	gap := That("lens.gap", MM(254))
	was := told{Says: gap, More: []Text{gap}, By: map[string]Text{"a": gap}, Next: &told{Says: gap}, Any: []Text{gap}, Other: []int{1}, own: 7}
	now := In(was, Units{Inches: true})
	for _, s := range []Text{now.Says, now.More[0], now.By["a"], now.Next.Says, now.Any.([]Text)[0]} {
		if s.String() != "10 in bare" {
			t.Errorf("%q", s)
		}
	}
	for _, s := range []Text{was.Says, was.More[0], was.By["a"], was.Next.Says, was.Any.([]Text)[0]} {
		if s.String() != "25 cm bare" {
			t.Errorf("it was changed: %q", s)
		}
	}
	if now.own != 7 || now.Other[0] != 1 || In[any](nil, Units{Inches: true}) != nil || In(told{}, Units{Inches: true}).Next != nil {
		t.Errorf("%+v", now)
	}
	if same := In(was, Units{}); !reflect.DeepEqual(same, was) {
		t.Error("in the usual units it is another")
	}
}

func TestTextsAreWordsInJSON(t *testing.T) {
	raw, err := json.Marshal(struct {
		Says []Text `json:"says"`
	}{[]Text{That("lens.gap", MM(30)), Plain("as it was")}})
	if err != nil || string(raw) != `{"says":["30 mm bare","as it was"]}` {
		t.Fatalf("%s, %v", raw, err)
	}
	var back struct{ Says []Text }
	if err := json.Unmarshal(raw, &back); err != nil || len(back.Says) != 2 || back.Says[0].String() != "30 mm bare" {
		t.Errorf("%v, %v", back, err)
	}
	if err := json.Unmarshal([]byte(`{"Says":[7]}`), &back); err == nil {
		t.Error("a number is no text")
	}
}

func FuzzTexts(f *testing.F) {
	f.Add("lens.gap", 12.5, "a")
	f.Add("no such", -1e300, "{1:a|b}")
	f.Fuzz(func(t *testing.T, code string, n float64, word string) {
		text := That(code, MM(n), Word(word), All(Word(word), Grams(n))).Then("basket.stop")
		if _, err := json.Marshal(In(text, Units{Inches: true})); err != nil {
			t.Error(err)
		}
	})
}
