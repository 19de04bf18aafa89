package food

import (
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"testing"

	"happytray/core/fault"
)

// A release that changes a built-in food changes everything but what the user
// changed.
func TestReleaseKeepsWhatTheUserChanged(t *testing.T) {
	old := BuiltIn()
	honey, _ := old.Get("honey")
	mine := *honey
	mine.Liking, mine.Tool = .2, "wooden dipper"
	doc, members, err := Difference(honey, &mine)
	if err != nil || !slices.Equal(members, []string{"liking", "tool"}) {
		t.Fatalf("%v %v", members, err)
	}
	released := *honey
	released.Name, released.Liking, released.Packs = "Flower honey", .9, []Pack{{Grams: 300, Price: 600}}
	l, faults := old.With([]Food{released}).Mine([]Own{{ID: "honey", Document: doc}})
	f, _ := l.Get("honey")
	if len(faults) != 0 || f.Name != "Flower honey" || f.Packs[0].Grams != 300 || f.Liking != .2 || f.Tool != "wooden dipper" {
		t.Errorf("%v %+v", faults, f)
	}
	if again, _, _ := Difference(honey, honey); again != nil {
		t.Errorf("nothing changed and yet %s", again)
	}
}

// A member that is left out of the changed food, such as a caution taken off,
// stays off.
func TestMembersCanBeTakenOff(t *testing.T) {
	petals, _ := BuiltIn().Get("rose-petals")
	mine := *petals
	mine.Caution, mine.Region = "", ""
	doc, _, err := Difference(petals, &mine)
	if err != nil {
		t.Fatal(err)
	}
	l, faults := BuiltIn().Mine([]Own{{ID: "rose-petals", Document: doc}})
	if f, _ := l.Get("rose-petals"); f.Caution != "" || f.Region != "" || len(faults) != 0 {
		t.Errorf("%q %q %v", f.Caution, f.Region, faults)
	}
}

func TestMineHidesAndReports(t *testing.T) {
	base := BuiltIn()
	whole, err := json.Marshal(func() Food { f := Blank(); f.ID, f.Name = "stall-nuts", "Stall nuts"; return f }())
	if err != nil {
		t.Fatal(err)
	}
	l, faults := base.Mine([]Own{
		{ID: "almonds", PutAway: true},
		{ID: "stall-nuts", Document: whole},
		{ID: "gone-bad", Document: json.RawMessage(`{"id":"gone-bad"}`)},
		{ID: "walnuts", Document: json.RawMessage(`{"liking":7}`)},
		{ID: "pecans", Document: json.RawMessage(`not json`)},
		{ID: "cashews", Document: json.RawMessage(`{"id":"other"}`)},
	})
	if len(faults) != 4 {
		t.Errorf("%d faults: %v", len(faults), faults)
	}
	ids := l.IDs()
	if slices.Contains(ids, "almonds") || !slices.Contains(ids, "stall-nuts") || slices.Contains(ids, "gone-bad") {
		t.Error("the shelves are not as they were made")
	}
	if _, ok := l.Get("almonds"); !ok {
		t.Error("what was put away cannot be found by the trays that use it")
	}
	if f, _ := l.Get("walnuts"); f.Liking > 1 {
		t.Error("a change that makes no sound food was taken")
	}
	if n := len(l.Search(Query{Text: "almonds roasted"})); n != 0 {
		t.Errorf("what was put away is found %d times", n)
	}
}

func TestCheckNamesTheMember(t *testing.T) {
	for field, spoil := range map[string]func(f *Food){
		"id":              func(f *Food) { f.ID = "Not An Id" },
		"name":            func(f *Food) { f.Name = "  " },
		"category":        func(f *Food) { f.Category = "gravel" },
		"colour":          func(f *Food) { f.Colour = "red" },
		"density":         func(f *Food) { f.Density = 0 },
		"wetness":         func(f *Food) { f.Wetness = "" },
		"texture":         func(f *Food) { f.Texture = "slippery" },
		"firmness":        func(f *Food) { f.Category, f.Milk = Cheese, "cow" },
		"flavours":        func(f *Food) { f.Flavours = nil },
		"flavours[1]":     func(f *Food) { f.Flavours = []string{"mild", "loud"} },
		"allergens[0]":    func(f *Food) { f.Allergens = []string{"dust"} },
		"diet[0]":         func(f *Food) { f.Diet = []string{"nuts"} },
		"strength":        func(f *Food) { f.Strength = 6 },
		"carb_g":          func(f *Food) { f.CarbG = 101 },
		"season[0]":       func(f *Food) { f.Season = []int{13} },
		"season_south[1]": func(f *Food) { f.SeasonSouth = []int{1, 0} },
		"packs[0].price":  func(f *Food) { f.Packs = []Pack{{Grams: 5}} },
		"packs[0].grams":  func(f *Food) { f.Packs = []Pack{{Price: 5}} },
		"packs":           func(f *Food) { f.Packs = make([]Pack, 20) },
		"keeps_days":      func(f *Food) { f.KeepsDays = 0 },
		"warm_up_min":     func(f *Food) { f.WarmUpMin = -1 },
		"liking":          func(f *Food) { f.Liking = 1.2 },
		"pairs[0]":        func(f *Food) { f.Pairs = []string{"NO"} },
		"clashes":         func(f *Food) { f.Clashes = make([]string, 100) },
		"tool":            func(f *Food) { f.Tool = strings.Repeat("x", 300) },
		"region":          func(f *Food) { f.Region = "moon" },
		"rind":            func(f *Food) { f.Rind = "thick" },
		"forms":           func(f *Food) { f.Forms = nil },
		"forms[0].form":   func(f *Food) { f.Forms = []Spec{{Form: "juggle", Shape: "oval", L: 9, W: 9, H: 9, MassG: 1}} },
		"forms[0].shape":  func(f *Food) { f.Forms[0].Shape = "cloud" },
		"forms[0].l":      func(f *Food) { f.Forms[0].L = 5000 },
		"forms[0].mass_g": func(f *Food) { f.Forms[0].MassG = 0 },
		"forms[1].form":   func(f *Food) { f.Forms = append(f.Forms, f.Forms[0]) },
		"forms[0].n":      func(f *Food) { f.Forms[0].Form, f.Forms[0].Shape = "cut-round", "sector" },
	} {
		f := Blank()
		f.ID = "test-food"
		if err := f.Check(); err != nil {
			t.Fatalf("a blank food is not sound: %v", err)
		}
		f.Forms = slices.Clone(f.Forms)
		spoil(&f)
		var bad *fault.Error
		if err := f.Check(); !errors.As(err, &bad) || bad.Field != field || bad.Says == "" {
			t.Errorf("%s: %v", field, err)
		}
	}
}

func TestStockOnHand(t *testing.T) {
	s := Stock{"honey": {{Grams: 100}, {Grams: 40, BestBefore: "2026-11-20"}, {Grams: 5, BestBefore: "2026-12-01"}}}
	for _, c := range []struct {
		day  string
		want float64
	}{{"", 145}, {"2026-11-19", 145}, {"2026-11-20", 145}, {"2026-11-21", 105}, {"2027-01-01", 100}} {
		if got := s.OnHand("honey", c.day); got != c.want {
			t.Errorf("on %q: %v g, want %v", c.day, got, c.want)
		}
	}
	if s.OnHand("figs", "") != 0 {
		t.Error("figs out of nothing")
	}
}

func TestDietsFollowFromWhatIsKnown(t *testing.T) {
	for id, want := range map[string]string{
		"almonds":       "vegan, vegetarian, without pork, without alcohol, low in carbohydrate",
		"aged-hard":     "without pork, without alcohol, low in carbohydrate", // animal rennet is not vegetarian
		"garden-hard":   "vegetarian, without pork, without alcohol, low in carbohydrate",
		"air-dried-ham": "without alcohol, low in carbohydrate",
		"honey":         "vegetarian, without pork, without alcohol",
	} {
		f, _ := BuiltIn().Get(id)
		if got := strings.Join(f.Diets(), ", "); got != want {
			t.Errorf("%s: %s, want %s", id, got, want)
		}
	}
}
