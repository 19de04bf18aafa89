package board

import (
	"encoding/json"
	"math"
	"strings"
	"testing"

	"happytray/core/geom"
)

func TestBuiltInBoards(t *testing.T) {
	seen := map[string]bool{}
	for _, b := range BuiltIn() {
		if err := b.Check(); err != nil {
			t.Errorf("%s: %v", b.ID, err)
		}
		if seen[b.ID] {
			t.Errorf("%s is listed twice", b.ID)
		}
		seen[b.ID] = true
		for _, p := range b.FoodZone {
			if !b.Outline.Contains(p) {
				t.Errorf("%s: the food zone leaves the board at %v", b.ID, p)
				break
			}
		}
		if u := b.UsableMM2() / b.Outline.Area(); u < .55 || u > .99 {
			t.Errorf("%s: %.0f %% of the board is for food", b.ID, 100*u)
		}
	}
	for _, v := range Vessels() {
		if err := v.Check(); err != nil {
			t.Errorf("%s: %v", v.ID, err)
		}
		if seen[v.ID] {
			t.Errorf("%s is listed twice", v.ID)
		}
		seen[v.ID] = true
		// the inside is smaller than the outside, but a bowl is no brick
		if box := v.Footprint().Area() * v.HeightMM / 1000; v.CapacityML > .8*box || v.CapacityML < .35*box {
			t.Errorf("%s holds %.0f ml in %.0f ml", v.ID, v.CapacityML, box)
		}
		if c := v.Footprint().Centroid(); c.Len() > .1 || len(v.Footprint()) > 32 || !v.Footprint().Convex() {
			t.Errorf("%s: centre %v, %d points", v.ID, c, len(v.Footprint()))
		}
		if v.Across() < 40 || v.Across() > 160 {
			t.Errorf("%s is %v mm across", v.ID, v.Across())
		}
	}
	shapes, usual := map[string]bool{}, map[string]bool{}
	wells, holes, lined := 0, 0, 0
	for _, b := range BuiltIn() {
		shapes[strings.SplitN(b.ID, "-", 2)[0]] = true
		wells += len(b.Wells)
		holes += len(b.Keepouts)
		if !b.FoodSafe {
			if lined++; b.Liner == "" {
				t.Errorf("%s is not fit for food and has no liner", b.ID)
			}
		}
		for _, w := range b.Wells {
			for _, p := range w {
				if !b.FoodZone.Contains(p) {
					t.Errorf("%s: a well leaves the food zone", b.ID)
					break
				}
			}
		}
	}
	for _, want := range []string{"round", "rectangle", "oval", "paddle", "plank", "half", "hexagon", "turntable", "plate", "run"} {
		if !shapes[want] {
			t.Errorf("there is no %s", want)
		}
	}
	if len(BuiltIn()) < 16 || wells < 2 || holes < 3 || lined < 1 {
		t.Errorf("%d boards, %d wells, %d keep-outs, %d lined", len(BuiltIn()), wells, holes, lined)
	}
	for _, b := range Usual() {
		usual[b.ID] = true
	}
	if usual["paddle-50-olive"] || usual["plate-24"] || !usual["round-48-walnut"] || len(usual) < 10 {
		t.Errorf("chosen unasked: %v", usual)
	}
	if len(Vessels()) < 24 {
		t.Errorf("%d vessels", len(Vessels()))
	}
	for id, round := range map[string]bool{"dip-bowl": true, "eight-side": true, "boat": false, "trough": false, "square-dish": false} {
		for _, v := range Vessels() {
			if v.ID == id && v.Round() != round {
				t.Errorf("%s: round is %v", id, v.Round())
			}
		}
	}
}

func TestMakeEveryShape(t *testing.T) {
	for _, shape := range Shapes {
		for _, size := range []float64{100, 480, 3000} {
			r := Request{Shape: shape, LengthMM: size, WidthMM: math.Max(100, size*.6)}
			if shape == "figure" {
				r.Figure = "b"
			}
			if shape == "outline" {
				r.Outline = geom.Outline{{X: 0, Y: 0}, {X: size, Y: 0}, {X: size, Y: size}, {X: size / 2, Y: size * .8}, {X: 0, Y: size}}
			}
			b, err := Make(r)
			if err != nil {
				t.Errorf("%s %v: %v", shape, size, err)
				continue
			}
			box := b.Outline.Bounds()
			if box.Min.Len() > .1 {
				t.Errorf("%s does not start at (0, 0): %v", shape, box.Min)
			}
			if shape == "round" || shape == "rectangle" || shape == "paddle" {
				if math.Abs(box.W()-size) > 1 {
					t.Errorf("%s is %.0f long, asked for %.0f", shape, box.W(), size)
				}
			}
		}
	}
}

func TestMakeRefuses(t *testing.T) {
	for name, raw := range map[string]string{
		"no such id":                 `"gold-plate"`,
		"no shape":                   `{"length_mm":400}`,
		"strange":                    `{"shape":"dodo","length_mm":400}`,
		"no letter":                  `{"shape":"figure","length_mm":400}`,
		"two letters":                `{"shape":"figure","figure":"OK","length_mm":400}`,
		"a letter that is not drawn": `{"shape":"figure","figure":"Ø","length_mm":400}`,
		"too small":                  `{"shape":"round","length_mm":50}`,
		"negative":                   `{"shape":"rectangle","length_mm":-400,"width_mm":300}`,
		"too large":                  `{"shape":"oval","length_mm":4000,"width_mm":300}`,
		"crossing":                   `{"shape":"outline","outline":[[0,0],[400,400],[450,0],[0,390]]}`,
		"empty":                      `{"shape":"outline","outline":[]}`,
		"sliver":                     `{"shape":"outline","outline":[[0,0],[400,400],[401,400]]}`,
		"rim":                        `{"shape":"round","length_mm":400,"rim_mm":-3}`,
		"colour":                     `{"shape":"round","length_mm":400,"colour":"brown"}`,
		"colour attack":              `{"shape":"round","length_mm":400,"colour":"\"/><script>"}`,
	} {
		var r Request
		if err := json.Unmarshal([]byte(raw), &r); err != nil {
			continue
		}
		if b, err := Make(r); err == nil {
			t.Errorf("%s was made: %s", name, b.Name)
		}
	}
}
