package table

import (
	"encoding/csv"
	"strings"
	"testing"

	"happytray/core/say"
	"happytray/core/shop"
)

var someList = shop.List{Cost: 1250, Items: 2, Sections: []shop.Section{{Name: "Jars and tins", Cost: 1250, Items: []shop.Item{
	{Food: "honey", Name: "=Honey, \"wild\"", NeedG: 350.5, CupboardG: 100, Packs: []shop.Packs{{Grams: 250, Price: 500, Count: 2}, {Grams: 100, Price: 250, Count: 1}}, Cost: 1250, For: []string{"A", "B"}, OutOfStock: true},
	{Food: "figs", Name: "Figs", NeedG: 40, CupboardG: 40, For: []string{"A"}},
}}}}

func TestListAsCSV(t *testing.T) {
	var b strings.Builder
	if err := WriteList(&b, someList, Options{Comma: ';', DecimalComma: true, Digits: 2}); err != nil {
		t.Fatal(err)
	}
	r := csv.NewReader(strings.NewReader(b.String()))
	r.Comma = ';'
	rows, err := r.ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	want := [][]string{
		{"section", "food", "name", "need_g", "cupboard_g", "packs", "pack_g", "price", "cost", "for"},
		{"Jars and tins", "honey", "'=Honey, \"wild\"", "350,5", "100", "2", "250", "5,00", "10,00", "A, B"},
		{"Jars and tins", "honey", "'=Honey, \"wild\"", "350,5", "100", "1", "100", "2,50", "2,50", "A, B"},
		{"Jars and tins", "figs", "Figs", "40", "40", "", "", "", "", "A"},
	}
	if len(rows) != len(want) {
		t.Fatalf("%q", rows)
	}
	for i := range want {
		if strings.Join(rows[i], "|") != strings.Join(want[i], "|") {
			t.Errorf("line %d is %q, want %q", i, rows[i], want[i])
		}
	}
}

func TestListAsText(t *testing.T) {
	got := ListText("For Friday", someList, map[string]bool{"figs": true}, "EUR", 2, say.Units{})
	for _, want := range []string{"For Friday\n", "\nJARS AND TINS\n", "[ ] =Honey, \"wild\": 2 × 250 g and 1 × 100 g (100 g is in the cupboard), sold out today\n", "[x] Figs: all of it is in the cupboard\n", "About 12.50 EUR\n"} {
		if !strings.Contains(got, want) {
			t.Errorf("no %q in\n%s", want, got)
		}
	}
}
