package main

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/review"
)

// The command line is a contract that other people's scripts rely on, so it is
// tested as they use it: as a program.
var program string

func TestMain(m *testing.M) {
	os.Exit(func() int {
		dir, err := os.MkdirTemp("", "ht-cli")
		if err != nil {
			fmt.Fprintln(os.Stderr, err)
			return 1
		}
		defer os.RemoveAll(dir)
		program = filepath.Join(dir, "happytray")
		if out, err := exec.Command("go", "build", "-o", program, ".").CombinedOutput(); err != nil {
			fmt.Fprintf(os.Stderr, "%s\n%v\n", out, err)
			return 1
		}
		return m.Run()
	}())
}

// run gives the program its input and returns what it says and how it ends.
func run(t *testing.T, in []byte, args ...string) (out, says []byte, exit int) {
	t.Helper()
	cmd := exec.Command(program, args...)
	cmd.Stdin = bytes.NewReader(in)
	cmd.Env = append(os.Environ(), "HAPPYTRAY_DB=nobody:none@tcp(127.0.0.1:1)/none") // none of these needs a database
	if len(args) > 0 && (args[0] == "backup" || args[0] == "restore") {              // of the private one
		cmd.Env = append(os.Environ(), "HAPPYTRAY_DB=")
	}
	var o, e bytes.Buffer
	cmd.Stdout, cmd.Stderr = &o, &e
	err := cmd.Run()
	var ended *exec.ExitError
	if errors.As(err, &ended) {
		return o.Bytes(), e.Bytes(), ended.ExitCode()
	}
	if err != nil {
		t.Fatal(err)
	}
	return o.Bytes(), e.Bytes(), 0
}

func must(t *testing.T, in []byte, args ...string) []byte {
	t.Helper()
	out, says, exit := run(t, in, args...)
	if exit != 0 {
		t.Fatalf("%v ended with %d: %s", args, exit, says)
	}
	return out
}

// schema is the published one for tray files.
func schema(t *testing.T) *jsonschema.Schema {
	t.Helper()
	s, err := jsonschema.NewCompiler().Compile("../../docs/formats/tray.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	return s
}

func keeps(t *testing.T, s *jsonschema.Schema, name string, file []byte) {
	t.Helper()
	v, err := jsonschema.UnmarshalJSON(bytes.NewReader(file))
	if err != nil {
		t.Fatalf("%s: %v", name, err)
	}
	if err := s.Validate(v); err != nil {
		t.Errorf("%s is off the schema: %v", name, err)
	}
}

func TestPipeline(t *testing.T) {
	s := schema(t)
	for name, brief := range map[string]string{
		"twelve":     `{"guests":{"adults":12}}`,
		"paddle":     `{"guests":{"adults":7,"children":2},"occasion":"grazing","board":{"shape":"paddle","length_mm":520,"width_mm":280,"rim_mm":10},"month":7}`,
		"vegetarian": `{"guests":{"adults":9},"diets":[{"who":"all","avoid":["meat","rennet"]},{"who":"two","count":2,"avoid":["gluten"]}],"board":"round-48-walnut","travels":40}`,
		"props":      `{"guests":{"adults":6},"foods":["glass-candle","figs","soft-white-round",{"food":"honey","vessel":"squash-bowl"},{"food":"fig-jam","form":"topping"},{"food":"breadsticks","form":"upright"},{"food":"rose-petals"}]}`,
		"own board":  `{"guests":{"adults":5},"board":{"outline":[[0,0],[420,30],[460,300],[200,340],[10,260]]},"foods":["figs","honey",{"food":"soft-white-round","form":"whole"}],"mood":"blue"}`,
	} {
		planned := must(t, []byte(brief), "plan")
		keeps(t, s, name+", planned", planned)
		laid := must(t, planned, "arrange", "--seed", "1", "--effort", "3")
		keeps(t, s, name+", laid", laid)
		var rev struct {
			Score    *float64
			Groups   map[string]float64
			Checks   []struct{ ID, Unit string }
			Findings []struct {
				Check, Severity, Says string
				Elements              []string
				At                    []float64
			}
		}
		if err := json.Unmarshal(must(t, laid, "review"), &rev); err != nil {
			t.Fatal(err)
		}
		if rev.Score == nil || *rev.Score <= 40 || len(rev.Groups) < 5 || len(rev.Checks) < 10 {
			t.Errorf("%s: %+v", name, rev)
		}
		for _, f := range rev.Findings {
			if f.Says == "" || len(f.At) != 2 || f.Severity == "stop" {
				t.Errorf("%s: finding %+v", name, f)
			}
		}
		if svg := must(t, laid, "export", "--as", "svg"); !bytes.HasPrefix(svg, []byte("<svg")) || !bytes.Contains(svg, []byte(`mm"`)) {
			t.Errorf("%s: %.60s", name, svg)
		}
		var day struct {
			ServeAt     string  `json:"serve_at"`
			BeginAt     string  `json:"begin_at"`
			LateMinutes float64 `json:"late_minutes"`
			People      int
			Tasks       []struct{ ID, Kind, Says, Starts, Ends, Who, Earliest, Latest string }
			Kit         []struct {
				What  string
				Count int
			}
			Cautions []string
		}
		if err := json.Unmarshal(must(t, laid, "prep", "--people", "2"), &day); err != nil {
			t.Fatal(err)
		}
		if day.ServeAt == "" || day.BeginAt >= day.ServeAt || day.People != 2 || len(day.Tasks) < 12 || len(day.Kit) < 5 || len(day.Cautions) < 4 || day.LateMinutes != 0 {
			t.Errorf("%s: a day of %d tasks from %s to %s", name, len(day.Tasks), day.BeginAt, day.ServeAt)
		}
		for _, sheet := range []string{"mat", "build", "cards", "markers", "quote"} {
			if out := must(t, laid, "export", "--as", "pdf", "--sheet", sheet, "--paper", "a3"); !bytes.HasPrefix(out, []byte("%PDF-")) || !bytes.HasSuffix(bytes.TrimSpace(out), []byte("%%EOF")) {
				t.Errorf("%s: %s is %.20q", name, sheet, out)
			}
		}
		if out := must(t, laid, "export", "--as", "ics"); bytes.Count(out, []byte("BEGIN:VEVENT")) < 12 {
			t.Errorf("%s: %.60q", name, out)
		}
		if out := must(t, laid, "export", "--as", "csv"); bytes.Count(out, []byte("\r\n")) < 12 {
			t.Errorf("%s: %.60q", name, out)
		}
	}
}

// A job of several boards is laid whole, keeps to the schema, and each tray is judged and drawn.
func TestSeveralTrays(t *testing.T) {
	plan := must(t, []byte(`{"guests":{"adults":14},"boards":["rectangle-52-ash","round-40-marble"]}`), "plan")
	laid := must(t, plan, "arrange", "--effort", "1", "--seed", "3")
	keeps(t, schema(t), "several trays", laid)
	whole, err := job.Read(laid, food.BuiltIn())
	if err != nil || len(whole.Trays) != 2 {
		t.Fatalf("%d trays, %v", len(whole.Trays), err)
	}
	for i, one := range whole.Trays {
		placed := 0
		for _, e := range one.Elements {
			if e.Placed {
				placed++
			}
		}
		if placed < len(one.Elements)*3/4 {
			t.Errorf("tray %d: %d of %d are laid", i+1, placed, len(one.Elements))
		}
	}
	type judged struct {
		Tray   int
		Score  float64
		Groups map[string]float64
	}
	var all []judged
	var second judged
	if err := errors.Join(json.Unmarshal(must(t, laid, "review"), &all), json.Unmarshal(must(t, laid, "review", "--tray", "2"), &second)); err != nil {
		t.Fatal(err)
	}
	if len(all) != 2 || all[0].Tray != 1 || all[1].Tray != 2 || maps.Equal(all[0].Groups, all[1].Groups) || all[1].Score != second.Score || !maps.Equal(all[1].Groups, second.Groups) {
		t.Errorf("both trays: %+v, the second alone %+v", all, second)
	}
	if svg := must(t, laid, "export", "--as", "svg", "--tray", "2"); !bytes.HasPrefix(svg, []byte("<svg")) {
		t.Errorf("%.40s", svg)
	}
	if _, says, exit := run(t, laid, "review", "--tray", "3"); exit != 2 || len(says) == 0 {
		t.Errorf("a third tray: %d, %s", exit, says)
	}
}

// Another seed is another choice, the same one the same; what a plan has to say comes on the
// error stream and stands in the file.
func TestPlanSeedAndSays(t *testing.T) {
	brief := []byte(`{"guests":{"adults":12},"month":9,"occasion":"grazing","budget":3000}`)
	if !bytes.Equal(must(t, brief, "plan", "--seed", "7"), must(t, brief, "plan", "--seed", "7")) {
		t.Error("a seed gives two plans")
	}
	if bytes.Equal(must(t, brief, "plan", "--seed", "7"), must(t, brief, "plan", "--seed", "8")) {
		t.Error("two seeds give one plan")
	}
	out, says, exit := run(t, brief, "plan")
	var file struct{ Says []string }
	if err := json.Unmarshal(out, &file); err != nil || exit != 0 {
		t.Fatal(err, exit)
	}
	if len(file.Says) != 1 || !strings.Contains(file.Says[0], "Over the budget by") || !strings.Contains(string(says), file.Says[0]) {
		t.Errorf("the file says %q, the error stream %q", file.Says, says)
	}
	if _, says, exit := run(t, brief, "plan", "--seed", "many"); exit != 2 || len(says) == 0 {
		t.Errorf("a seed that is no number: %d, %s", exit, says)
	}
}

func TestSameBytes(t *testing.T) {
	planned := must(t, []byte(`{"guests":{"adults":6}}`), "plan")
	if !bytes.Equal(planned, must(t, []byte(`{"guests":{"adults":6}}`), "plan")) {
		t.Error("a brief gives two plans")
	}
	a := must(t, planned, "arrange", "--seed", "5", "--effort", "6")
	if !bytes.Equal(a, must(t, planned, "arrange", "--seed", "5", "--effort", "6", "--seconds", "500")) {
		t.Error("a seed gives two trays")
	}
	// what was laid is not made worse by laying it again
	score := func(file []byte) float64 {
		var r struct{ Score float64 }
		if err := json.Unmarshal(must(t, file, "review"), &r); err != nil {
			t.Fatal(err)
		}
		return r.Score
	}
	if again := must(t, a, "arrange", "--seed", "6", "--effort", "1"); score(again) < score(a) {
		t.Errorf("%v became %v", score(a), score(again))
	}
}

func TestBasket(t *testing.T) {
	type line struct {
		Food   string  `json:"food"`
		Want   float64 `json:"want_g"`
		There  float64 `json:"cupboard_g"`
		Yield  float64 `json:"yield"`
		Bought float64 `json:"bought_g"`
		Packs  []struct {
			Grams        float64
			Price, Count int
		}
		Used   int     `json:"used_cost"`
		Basket int     `json:"basket_cost"`
		Left   float64 `json:"left_g"`
	}
	var got struct {
		Lines  []line
		Used   int `json:"used_cost"`
		Basket int `json:"basket_cost"`
	}
	planned := must(t, []byte(`{"guests":{"adults":14},"boards":["rectangle-52-ash","round-40-marble"]}`), "plan")
	dec := json.NewDecoder(bytes.NewReader(must(t, planned, "basket")))
	dec.DisallowUnknownFields() // to the letter
	if err := dec.Decode(&got); err != nil {
		t.Fatal(err)
	}
	whole, err := job.Read(planned, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	want := map[string]float64{}
	for _, one := range whole.Trays {
		for _, e := range one.Elements {
			if e.Category != food.NotFood { // a dish for stones is not bought
				want[e.Food] += e.Grams
			}
		}
		for _, r := range one.Reserve {
			want[r.Food] += r.Grams
		}
	}
	used, basket := 0, 0
	for _, l := range got.Lines {
		cost, bought := 0, 0.0
		for _, p := range l.Packs {
			cost += p.Price * p.Count
			bought += p.Grams * float64(p.Count)
		}
		used, basket = used+l.Used, basket+l.Basket
		if math.Abs(l.Want-want[l.Food]) > .15 || cost != l.Basket || math.Abs(bought-l.Want/l.Yield-l.Left) > .3 || bought != l.Bought || l.Yield <= 0 || l.Yield > 1 || l.Bought*l.Yield < l.Want-1e-6 || l.Used > l.Basket || l.There != 0 {
			t.Errorf("%+v, wanted %.1f g", l, want[l.Food])
		}
	}
	if len(got.Lines) != len(want) || used != got.Used || basket != got.Basket || basket == 0 {
		t.Errorf("%d lines of %d, %d of %d used, %d of %d in the basket", len(got.Lines), len(want), got.Used, used, got.Basket, basket)
	}

	// packs under 5 g, by which an answer once never came
	own := bytes.Replace(planned, []byte(`"packs":[{"grams":`), []byte(`"packs":[{"grams":1,"price":3},{"grams":`), 1)
	if bytes.Equal(own, planned) {
		t.Fatal("no pack to change")
	}
	must(t, own, "basket")
	if _, says, exit := run(t, []byte(`{"guests":{"adults":2}}`), "basket"); exit != 1 || len(says) == 0 {
		t.Errorf("a brief is no tray: %d, %s", exit, says)
	}
	if _, _, exit := run(t, planned, "basket", "now"); exit != 2 {
		t.Errorf("a stray word: %d", exit)
	}
}

func TestFoodsAreListed(t *testing.T) {
	var foods []struct {
		ID, Name, Category string
		Forms              []struct{ Form string }
	}
	if err := json.Unmarshal(must(t, nil, "foods"), &foods); err != nil {
		t.Fatal(err)
	}
	forms, categories := map[string]bool{}, map[string]bool{}
	for _, f := range foods {
		categories[f.Category] = true
		for _, s := range f.Forms {
			forms[s.Form] = true
		}
	}
	if len(foods) < 180 || len(forms) < 31 || len(categories) != 12 {
		t.Errorf("%d foods in %d forms of %d categories", len(foods), len(forms), len(categories))
	}
}

// The larder's own files, and the listing made of them, keep to the published schema.
func TestLarderKeepsToItsSchema(t *testing.T) {
	s, err := jsonschema.NewCompiler().Compile("../../docs/formats/larder.schema.json")
	if err != nil {
		t.Fatal(err)
	}
	files, err := filepath.Glob("../../core/food/data/*.json")
	if err != nil || len(files) < 12 {
		t.Fatalf("%d files, %v", len(files), err)
	}
	for _, file := range files {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		keeps(t, s, file, raw)
	}
	keeps(t, s, "foods", must(t, nil, "foods"))
	if s.Validate([]any{map[string]any{"id": "x"}}) == nil {
		t.Error("the schema takes a food with nothing in it")
	}
}

// The forecast of a laid tray, twice the same for a seed, another one for another.
func TestGraze(t *testing.T) {
	laid := must(t, must(t, []byte(`{"guests":{"adults":8},"diets":[{"who":"Bas","count":1,"avoid":["milk"]}]}`), "plan"), "arrange", "--seconds", ".3")
	var f struct {
		Evenings, Guests int
		Elements         []struct {
			ID, Food string
			LaidG    float64                         `json:"laid_g"`
			EatenG   struct{ P10, P50, P90 float64 } `json:"eaten_g"`
			Why      []string
		}
		Groups []struct {
			Who     string
			Count   int
			WantedG float64 `json:"wanted_g"`
		}
		Looks []struct{ Minute float64 }
	}
	one := must(t, laid, "graze", "--evenings", "50", "--seed", "3")
	if err := json.Unmarshal(one, &f); err != nil {
		t.Fatal(err)
	}
	if f.Evenings != 50 || f.Guests != 8 || len(f.Elements) < 8 || len(f.Groups) != 2 || f.Groups[0].Count != 1 || f.Groups[1].WantedG < 1000 || len(f.Looks) != 3 {
		t.Errorf("%+v", f)
	}
	if !bytes.Equal(one, must(t, laid, "graze", "--seed", "3", "--evenings", "50")) {
		t.Error("the same seed gives other bytes")
	}
	if bytes.Equal(one, must(t, laid, "graze", "--seed", "4", "--evenings", "50")) {
		t.Error("another seed gives the same bytes")
	}
}

// Records teach; foods and reasons that nobody knows are told of and count all the same.
func TestLearn(t *testing.T) {
	in := []byte(`{"records":[{"date":"2026-03-05","occasion":"nibble","crowd":"Saltmere potters","guests":{"adults":10,"children":2},"lasted_min":90,"foods":[
		{"food":"red-grapes","share_g":10,"laid_g":200,"left_g":120,"gone_at_min":null,"reasons":["too_sour"]},
		{"food":"moon-cheese","share_g":10,"laid_g":100,"left_g":0,"gone_at_min":40,"reasons":["haunted"]}]}]}`)
	out, says, exit := run(t, in, "learn")
	if exit != 0 || !strings.Contains(string(says), "does not know moon-cheese") || !strings.Contains(string(says), "haunted") {
		t.Fatalf("%d %s", exit, says)
	}
	type factor struct {
		Food       string
		Factor, SD float64
		Evenings   int
		Because    []string
	}
	var l struct {
		Foods  []factor
		Crowds []struct {
			Crowd string
			Foods []factor
		}
	}
	if err := json.Unmarshal(out, &l); err != nil {
		t.Fatal(err)
	}
	if len(l.Foods) != 2 || l.Foods[0].Food != "moon-cheese" || l.Foods[0].Factor <= 1 || l.Foods[1].Factor >= 1 || len(l.Crowds) != 1 || len(l.Crowds[0].Foods) != 2 || len(l.Foods[1].Because) != 1 {
		t.Errorf("%+v", l)
	}
	if out, says, exit := run(t, []byte(`{"records":[]}`), "learn", "--month", "3", "--occasion", "meal"); exit != 0 || strings.TrimSpace(string(out)) != `{"foods":[],"crowds":[]}` || len(says) > 0 {
		t.Errorf("no records: %d %s %s", exit, out, says)
	}
}

func TestHowItEnds(t *testing.T) {
	planned := string(must(t, []byte(`{"guests":{"adults":3}}`), "plan"))
	for _, c := range []struct {
		in   string
		args []string
		exit int
		says string
	}{
		{"", nil, 2, ""},
		{"", []string{"dance"}, 2, "dance"},
		{"", []string{"plan", "now"}, 2, "now"},
		{"", []string{"arrange", "--fast"}, 2, "fast"},
		{"", []string{"arrange", "--seconds", "soon"}, 2, "seconds"},
		{planned, []string{"export", "--as", "gif"}, 2, "gif"},
		{planned, []string{"export", "--as", "pdf", "--sheet", "poster"}, 2, "sheet"},
		{planned, []string{"export", "--as", "pdf", "--paper", "napkin"}, 2, "paper"},
		{planned, []string{"export", "--as", "svg", "--sheet", "cards"}, 2, "mat"},
		{planned, []string{"export", "--slant", "left", "--crop", "1:1"}, 2, "slant"},
		{planned, []string{"export", "--crop", "7:1"}, 1, "crop"},
		{"", []string{"learn"}, 1, "JSON"},
		{`{"records":[]}`, []string{"learn", "--month", "13"}, 2, "month"},
		{`{"records":[{"date":"2026-01-01","guests":{"adults":3},"lasted_min":60,"foods":[{"food":"red-grapes","share_g":5,"laid_g":10,"left_g":12}]}]}`, []string{"learn"}, 1, "records[0].foods[0].left_g"},
		{planned, []string{"graze", "--evenings", "0"}, 1, "evenings"},
		{planned, []string{"graze", "--evenings", "some"}, 2, "evenings"},
		{"", []string{"graze"}, 1, "JSON"},
		{planned, []string{"prep", "--people", "0"}, 1, "people"},
		{planned, []string{"prep", "--people", "some"}, 2, "people"},
		{planned, []string{"prep", "--ovens", "-1"}, 1, "ovens"},
		{planned, []string{"prep", "--now", "soon"}, 2, "now"},
		{strings.Replace(planned, `"guests":`, `"serve_at":"tea time","guests":`, 1), []string{"prep"}, 1, "serve_at"},
		{"", []string{"prep"}, 1, "JSON"},
		{"", []string{"plan"}, 1, "JSON"},
		{"{", []string{"plan"}, 1, "JSON"},
		{`{"guests":{"adults":0}}`, []string{"plan"}, 1, "guests"},
		{`{"guests":{"adults":4},"board":"nowhere"}`, []string{"plan"}, 1, "board.id"},
		{`{"guests":{"adults":4},"diets":[{"avoid":["fun"]}]}`, []string{"plan"}, 1, "diets[0].avoid[0]"},
		{"{}", []string{"review"}, 1, "format"},
		{"[]", []string{"arrange"}, 1, "object"},
		{planned, []string{"arrange", "--style", "tower"}, 1, "style"},
		{planned, []string{"arrange", "--seconds", "-1"}, 1, "seconds"},
		{planned, []string{"arrange", "--seconds", "NaN"}, 1, "seconds"},
		{planned, []string{"arrange", "--effort", "-1"}, 1, "effort"},
		{strings.Replace(planned, `"grams":`, `"grams":-`, 1), []string{"review"}, 1, "elements[0].grams"},
		{strings.Repeat("[", 9000), []string{"review"}, 1, "deeper"},
		{`{"format":"happytray/1","title":"` + strings.Repeat("x", 9<<20) + `"}`, []string{"review"}, 1, "larger"},
	} {
		out, says, exit := run(t, []byte(c.in), c.args...)
		if exit != c.exit || !strings.Contains(string(says), c.says) || len(says) == 0 {
			t.Errorf("%v < %.40q ended with %d, want %d, and said %q", c.args, c.in, exit, c.exit, says)
		}
		if len(out) > 0 {
			t.Errorf("%v: half an answer: %.80q", c.args, out)
		}
		if bytes.Contains(says, []byte("goroutine")) {
			t.Errorf("%v: %s", c.args, says)
		}
	}
}

// Three ways are a list of trays, each sound; the review names a fix where one move mends.
func TestProposalsAndFixes(t *testing.T) {
	plan := must(t, []byte(`{"guests":{"adults":6}}`), "plan")
	var ways []json.RawMessage
	if err := json.Unmarshal(must(t, plan, "arrange", "--proposals", "3", "--effort", "1"), &ways); err != nil || len(ways) != 3 {
		t.Fatalf("%d ways, %v", len(ways), err)
	}
	for i, w := range ways {
		var rev struct {
			Score    float64
			Findings []struct {
				Severity string
				Fix      *struct {
					Element string
					Gain    float64
				}
			}
		}
		if err := json.Unmarshal(must(t, w, "review"), &rev); err != nil || rev.Score <= 40 {
			t.Errorf("way %d scores %v, %v", i, rev.Score, err)
		}
		for _, f := range rev.Findings {
			if f.Fix != nil && (f.Fix.Gain <= 0 || f.Fix.Element == "") {
				t.Errorf("way %d: %+v", i, f.Fix)
			}
		}
	}
}

// put lays an element where it is told to, with the rest making room: the tray fits, and no gram is lost.
func TestPutMakesRoom(t *testing.T) {
	laid := must(t, must(t, []byte(`{"guests":{"adults":9},"month":10}`), "plan"), "arrange", "--seed", "3", "--seconds", "1")
	before, err := job.Read(laid, food.BuiltIn())
	if err != nil {
		t.Fatal(err)
	}
	for i, e := range before.Trays[0].Elements {
		if !e.Placed || i%4 != 0 {
			continue
		}
		raw := must(t, laid, "put", "--element", e.ID, "--x", "190", "--y", "150", "--turn", "15")
		after, err := job.Read(raw, food.BuiltIn())
		if err != nil {
			t.Fatal(err)
		}
		now := after.Trays[0]
		if !review.Judge(now, food.BuiltIn()).Fits() {
			t.Errorf("%s was put down, and the tray does not fit", e.ID)
		}
		for _, o := range before.Trays[0].Elements {
			if a, b := before.Trays[0].GramsOf(o.Food), now.GramsOf(o.Food); math.Abs(a-b) > .11 {
				t.Errorf("%s was put down, and of %s %g g of %g are left", e.ID, o.Food, b, a)
			}
		}
	}
	for _, bad := range [][]string{{"put"}, {"put", "--element", "honey", "--x", "1"}, {"put", "--element", "honey", "--x", "1e9", "--y", "2"}} {
		if _, says, exit := run(t, laid, bad...); exit != 2 || len(says) == 0 {
			t.Errorf("%v: exit %d, %q", bad, exit, says)
		}
	}
	if _, says, exit := run(t, laid, "put", "--element", "no-such", "--x", "1", "--y", "2"); exit != 1 || !strings.Contains(string(says), "no-such") {
		t.Errorf("exit %d, %q", exit, says)
	}
}

// Exercises come with their solutions, the same for a seed; what is planted is what the review command finds.
func TestPractice(t *testing.T) {
	for _, kind := range []string{"find", "amount", "order", "pair", "diet"} {
		one := must(t, nil, "practice", "--kind", kind, "--seed", "7", "--level", "3")
		if !bytes.Equal(one, must(t, nil, "practice", "--kind", kind, "--seed", "7", "--level", "3")) {
			t.Errorf("%s: the same seed gives other bytes", kind)
		}
		var e struct {
			Kind     string
			Asks     string
			Tray     json.RawMessage
			Solution struct {
				Faults []struct {
					Check    string
					Elements []string
				}
				Order, Right []string
				Values       []struct{ Is float64 }
			}
		}
		if err := json.Unmarshal(one, &e); err != nil || e.Kind != kind || e.Asks == "" {
			t.Fatalf("%s: %v, %.200s", kind, err, one)
		}
		if n := len(e.Solution.Faults) + len(e.Solution.Order) + len(e.Solution.Right) + len(e.Solution.Values); n == 0 {
			t.Errorf("%s has no solution: %.300s", kind, one)
		}
		if kind != "find" {
			continue
		}
		var rev struct{ Findings []struct{ Check string } }
		if err := json.Unmarshal(must(t, e.Tray, "review"), &rev); err != nil {
			t.Fatal(err)
		}
		if len(rev.Findings) != 3 || len(e.Solution.Faults) != 3 {
			t.Errorf("%d planted, %d found", len(e.Solution.Faults), len(rev.Findings))
		}
	}
	if pdf := must(t, nil, "practice", "--seed", "7", "--level", "3", "--paper", "a4"); !bytes.HasPrefix(pdf, []byte("%PDF-")) {
		t.Errorf("%.60s is no sheet", pdf)
	}
	for _, bad := range [][]string{{"--kind", "chess"}, {"--kind", "find", "--level", "9"}, {"--kind", "pair", "--paper", "a4"}} {
		if _, says, exit := run(t, nil, append([]string{"practice"}, bad...)...); exit != 1 || len(says) == 0 {
			t.Errorf("%v: %d, %s", bad, exit, says)
		}
	}
}
