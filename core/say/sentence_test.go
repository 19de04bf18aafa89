package say

import (
	"encoding/json"
	"math"
	"regexp"
	"strconv"
	"strings"
	"testing"
)

func TestSentencesAreSaidInTheUnitsThatAreSet(t *testing.T) {
	us := Units{Inches: true, Ounces: true, Fahrenheit: true}
	for _, c := range []struct {
		s             Sentence
		metric, other string
	}{
		{New("fit.gap", MM(52)), "A bare patch 52 mm across draws the eye here. A small heap or a few more crackers would close it.", "A bare patch 2 in across draws the eye here. A small heap or a few more crackers would close it."},
		{New("fit.inside", Food("Soft white round"), CM2(3.26)), "The soft white round lies over the edge by 3.3 cm². Move it in.", "The soft white round lies over the edge by 0.5 sq in. Move it in."},
		{New("fit.inside", Food("Red grapes"), CM2(32.6)), "The red grapes lie over the edge by 33 cm². Move them in.", "The red grapes lie over the edge by 5.1 sq in. Move them in."},
		{New("fit.inside", Bowl("Red grapes"), CM2(1)), "The bowl of red grapes lies over the edge by 1 cm². Move it in.", "The bowl of red grapes lies over the edge by 0.2 sq in. Move it in."},
		{New("service.share", Word("three without milk"), Grams(46), Grams(1240)), "For each of three without milk there are 46 g, where 1.2 kg are usual. Add more of what they can eat.", "For each of three without milk there are 1.6 oz, where 2.7 lb are usual. Add more of what they can eat."},
		{New("care.heat.melts", Food("Dark chocolate"), Celsius(31)), "The dark chocolate melts at 31 °C. Put it in a bowl with a lid, or take something that keeps.", "The dark chocolate melts at 88 °F. Put it in a bowl with a lid, or take something that keeps."},
		{New("care.hold", Minutes(190), Minutes(120)), "What perishes would be out of the cold for 3 h 10 min, warming up and evening together, and may be for 2 h. Keep a half cold and change the board in time. Local food rules come first.", ""},
		{New("flow.curve", Food("Wide dry sausage"), N(3)), "The trail of wide dry sausage is broken or kinked in 3 places. Close the gaps.", ""},
		{New("flow.curve", Food("Wide dry sausage"), N(1)), "The trail of wide dry sausage is broken or kinked in 1 place. Close the gap.", ""},
		{New("flow.follow", Food("Batons"), Food("Honey"), Degrees(28)), "The batons stand across the honey. Turn them by 28° so that they follow it.", ""},
		{New("spread.category", Group("nut"), Word("left")), "Nearly all the nuts are on the left. Guests across the tray would like some too.", ""},
		{New("service.kinds", Percent(61), Group("cheese"), Percent(25)), "61 % of it is cheese, where about 25 % is usual: less of it, and more of the rest.", ""},
		{New("flow.span", Share(.34), Food("Ham")), "Trails reach along a third of the tray. Stretch the trail of ham to the far end.", ""},
		{New("care.roll", N(1), Food("Blueberries")), "One of the blueberries near the edge has nothing to hold it and may roll off. Tuck it behind something.", ""},
		{New("care.roll", N(12), Food("Blueberries")), "12 of the blueberries near the edge have nothing to hold them and may roll off. Tuck them behind something.", ""},
		{New("fit.placed", N(3), N(24)), "Three of 24 groups are not on the board yet.", ""},
		{New("colour.rim", Word("orange"), Food("Batons")), "The batons are nearly the colour of the orange bowl beside them and hardly show. Another bowl, or something bright between them, would help.", ""},
		{New("no.such"), "no.such", ""},
	} {
		if got := (Units{}).Put(c.s); got != c.metric {
			t.Errorf("%q\n, not %q", got, c.metric)
		}
		if got := us.Put(c.s); c.other != "" && got != c.other {
			t.Errorf("%q\n, not %q", got, c.other)
		}
	}
}

// Every place of every sentence names a value that can be filled, in their order without a gap, and nothing
// that was found clumsy before comes again.
func TestSentencesAreWhole(t *testing.T) {
	places := regexp.MustCompile(`\{(\d)(:[^{}|]*\|[^{}]*)?\}`)
	for code, template := range Codes() {
		rest := places.ReplaceAllString(template, "")
		if strings.ContainsAny(rest, "{}%|") {
			t.Errorf("%s: a place that is none in %q", code, template)
		}
		most, seen := 0, map[string]bool{}
		for _, m := range places.FindAllStringSubmatch(template, -1) {
			n, _ := strconv.Atoi(m[1])
			most = max(most, n)
			if m[2] == "" {
				seen[m[1]] = true
			}
		}
		if len(seen) != most {
			t.Errorf("%s: of %d values %d are said", code, most, len(seen))
		}
		if _, whole := judging[code]; whole && !strings.HasSuffix(template, ".") || strings.Contains(template, "  ") || strings.Contains(template, "stutter") {
			t.Errorf("%s: %q", code, template)
		}
	}
	if len(Codes()) < 50 {
		t.Errorf("only %d sentences", len(Codes()))
	}
}

func TestSentencesAreDataInJSON(t *testing.T) {
	raw, err := json.Marshal(New("care.wetdry", Food("Figs"), MM(4.237), Bowl("Honey"), Word("milk"), N(2)))
	if want := `{"code":"care.wetdry","with":[{"food":"Figs"},{"mm":4.2},{"bowl":"Honey"},{"word":"milk"},{"n":2}]}`; err != nil || string(raw) != want {
		t.Errorf("%s, %v", raw, err)
	}
	if raw, _ := json.Marshal(New("care.ground")); string(raw) != `{"code":"care.ground"}` {
		t.Errorf("%s", raw)
	}
	if raw, err := json.Marshal(New("fit.gap", MM(math.NaN()))); err != nil || string(raw) != `{"code":"fit.gap","with":[{"mm":null}]}` {
		t.Errorf("what is no number: %s, %v", raw, err)
	}
}

func TestUnits(t *testing.T) {
	us := Units{Inches: true, Ounces: true}
	for _, c := range []struct{ got, want string }{
		{Units{}.Length(45), "45 mm"}, {Units{}.Length(612), "61 cm"}, {us.Length(45), "1.8 in"}, {us.Length(612), "24 in"},
		{Units{}.Mass(46), "46 g"}, {Units{}.Mass(1240), "1.2 kg"}, {us.Mass(46), "1.6 oz"}, {us.Mass(1240), "2.7 lb"}, {us.Mass(453.6), "1 lb"},
	} {
		if c.got != c.want {
			t.Errorf("%q, not %q", c.got, c.want)
		}
	}
}
