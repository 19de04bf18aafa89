package review

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/say"
)

// What is alike is one finding with its places; what costs the guests most comes first; what stops
// the tray stands before all, and nothing of it is dropped.
func TestFindingsAreGathered(t *testing.T) {
	f := func(check, severity string, worth float64, id string) Finding {
		return Finding{Check: check, Severity: severity, Elements: []string{id}, Sentence: say.New("about "+id, say.Word(id)), worth: worth}
	}
	got := gather([]Finding{
		f("colour.neighbour", Mend, 9, "a"), f("care.wetdry", Mend, 1, "b"), f("fit.gap", Mend, 5, "c"), f("service.tool", Note, 1, "d"),
		f("colour.neighbour", Mend, 12, "e"), f("colour.neighbour", Note, 1, "f"), f("care.wetdry", Mend, 2, "g"), f("care.wetdry", Mend, 1.5, "b"), f("fit.overlap", Stop, 1, "h"),
	})
	var order []string
	for _, x := range got {
		order = append(order, x.Check+" "+x.Severity)
	}
	want := []string{"fit.overlap stop", "care.wetdry mend", "service.tool note", "fit.gap mend", "colour.neighbour mend", "colour.neighbour note"}
	if !slices.Equal(order, want) {
		t.Fatalf("%v, want %v", order, want)
	}
	wet := got[1]
	if wet.Says != "about g Two more like it." || len(wet.Places) != 3 || wet.Places[0].Says != "about g" || !slices.Equal(wet.Elements, []string{"g", "b"}) {
		t.Errorf("%+v", wet)
	}
	if len(got[0].Places) != 0 || got[4].Says != "about e One more like it." {
		t.Errorf("%+v", got)
	}
	var many []Finding
	for i := range 40 {
		many = append(many, f("colour."+string(rune('a'+i)), []string{Mend, Stop}[i%2], float64(i), "x"))
	}
	if out := gather(many); len(out) != 20 || slices.ContainsFunc(out, func(x Finding) bool { return x.Severity != Stop }) {
		t.Errorf("of 20 that stop and 20 others %d are left", len(out))
	}
}

// Over trays with things anywhere: no sentence is said twice, at most a dozen are said.
func TestNothingIsSaidTwice(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 9))
	foods := []string{"almonds", "soft-white-round", "strawberries", "round-crackers", "wide-sausage", "red-grapes", "honey"}
	for range 40 {
		tr := table()
		for range 4 + r.IntN(40) {
			slab(tr, foods[r.IntN(len(foods))], 30+r.Float64()*60, 30+r.Float64()*40, 40+r.Float64()*520, 40+r.Float64()*320, 20)
			e := &tr.Elements[len(tr.Elements)-1]
			e.ID += strings.Repeat("x", len(tr.Elements))
		}
		rev := Judge(tr, larder)
		seen, stops := map[string]bool{}, 0
		for _, f := range rev.Findings {
			if strings.ContainsAny(f.Says, "{}") || f.Says == f.Sentence.Code {
				t.Errorf("%s says %q", f.Check, f.Says)
			}
			if seen[f.Check+f.Severity] || seen[f.Says] {
				t.Errorf("%s is said twice: %s", f.Check, f.Says)
			}
			seen[f.Check+f.Severity], seen[f.Says] = true, true
			if f.Severity == Stop {
				stops++
			}
		}
		if len(rev.Findings) > max(MostFindings, stops) {
			t.Errorf("%d findings", len(rev.Findings))
		}
	}
}

// Nobody stands at the ends of a plank, unless the brief says that they do.
func TestEndsOfALongBoard(t *testing.T) {
	plank := func(access ...string) float64 {
		tr := table()
		made, err := board.Make(board.Request{Shape: "plank", LengthMM: 1500, WidthMM: 340})
		if err != nil {
			t.Fatal(err)
		}
		tr.Board = &made
		tr.Brief.Access = access
		slab(tr, "red-grapes", 60, 60, 80, 170, 18)
		v, ok := Judge(tr, larder).Value("service.reach")
		if !ok {
			t.Fatal("reach was not measured")
		}
		return v
	}
	if v := plank(); v != 1 {
		t.Errorf("from its long sides %.2f is within reach", v)
	}
	if v := plank("top", "right", "bottom", "left"); v >= 1 {
		t.Errorf("guests stand at the ends, and %.2f is within reach", v)
	}
}
