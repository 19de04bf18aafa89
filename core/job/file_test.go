package job_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"reflect"
	"strings"
	"testing"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
)

var larder = food.BuiltIn()

// small is a sound tray file to take apart; %s marks where a test puts its own.
const small = `{"format":"happytray/1","title":"t","brief":{"guests":{"adults":4,"children":0}},
 "board":{"id":"b","name":"B","outline":[[0,0],[400,0],[400,300],[0,300]],"food_zone":[[8,8],[392,8],[392,292],[8,292]],"keepouts":[],"wells":[],"rim_mm":0,"colour":"#8a5a35","material":"wood","food_safe":true,"liner":"","front":"none","access":["top"]},
 "vessels":[{"id":"cup","name":"Cup","diameter_mm":60,"height_mm":40,"capacity_ml":80,"colour":"#ffffff","material":"glass"}],
 "elements":[
  {"id":"e1","food":"almonds","form":"drift","category":"nut","grams":12,"count":1,"placed":true,"x":100,"y":100,"turn_deg":0,"layer":6,"locked":false,"colour":"#a5713e","wetness":"crisp",
   "pieces":[{"outline":[[95,95],[105,95],[105,105],[95,105]],"z_mm":0,"height_mm":9,"colour":"#a5713e","at":[100,100],"turn_deg":0,"variant":0}]},
  {"id":"e2","food":"honey","form":"bowl","category":"dip","grams":90,"count":1,"vessel":"cup","placed":false,"x":0,"y":0,"turn_deg":0,"layer":0,"locked":false,"colour":"#d99a2b","wetness":"runny","pieces":[]}],
 "reserve":[{"food":"almonds","form":"drift","grams":5,"count":4,"why":"more"}],"rules":{},"seed":7}`

func TestReadAndWrite(t *testing.T) {
	tr, err := job.Read([]byte(small), larder)
	if err != nil {
		t.Fatal(err)
	}
	if tr.Trays[0].Find("e2") != 1 || tr.Trays[0].Find("no") != -1 || tr.Trays[0].Elements[0].Kind() != food.KindLoose {
		t.Errorf("%+v", tr.Trays[0].Elements)
	}
	if v, ok := tr.Trays[0].Vessel("cup"); !ok || v.DiameterMM != 60 {
		t.Error("the cup is lost")
	}
}

// Members that this version does not know survive in every object.
func TestUnknownMembersSurvive(t *testing.T) {
	doc := small
	for _, at := range []string{`"format":`, `"guests":{`, `"id":"b",`, `"id":"cup",`, `"id":"e1",`, `"z_mm":0,`, `"why":"more"`, `"rules":{`, `"adults":4,`} {
		mine := `"x_` + fmt.Sprint(len(doc)) + `":{"of":[1,"two",null]}`
		switch at[len(at)-1] {
		case '{':
			after := strings.Index(doc, at) + len(at)
			if doc[after] == '}' {
				doc = doc[:after] + mine + doc[after:]
			} else {
				doc = doc[:after] + mine + "," + doc[after:]
			}
		default:
			doc = strings.Replace(doc, at, mine+","+at, 1)
		}
	}
	tr, err := job.Read([]byte(doc), larder)
	if err != nil {
		t.Fatal(err)
	}
	out, err := tr.Write()
	if err != nil {
		t.Fatal(err)
	}
	var a, b any
	if json.Unmarshal([]byte(doc), &a) != nil || json.Unmarshal(out, &b) != nil {
		t.Fatal("not JSON")
	}
	if !reflect.DeepEqual(a, b) {
		t.Errorf("%v\nbecame\n%v", a, b)
	}
}

func TestBadTrays(t *testing.T) {
	swap := func(old, with string) string {
		if !strings.Contains(small, old) {
			panic(old)
		}
		return strings.Replace(small, old, with, 1)
	}
	for _, c := range []struct{ name, doc, field string }{
		{"another format", swap("happytray/1", "happytray/9"), "format"},
		{"no board", swap(`"board":{"id":"b"`, `"board":null,"was":{"id":"b"`), "board"},
		{"bad brief", swap(`"adults":4`, `"adults":-4`), "brief.guests"},
		{"empty outline", swap(`[[0,0],[400,0],[400,300],[0,300]]`, `[]`), "board.outline"},
		{"crossing outline", swap(`[[0,0],[400,0],[400,300],[0,300]]`, `[[0,0],[400,300],[400,0],[0,290]]`), "board.outline"},
		{"tiny board", swap(`[[0,0],[400,0],[400,300],[0,300]]`, `[[0,0],[40,0],[40,30],[0,30]]`), "board.outline"},
		{"zone beyond the board", swap(`[392,292],[8,292]`, `[392,900],[8,900]`), "board.food_zone"},
		{"negative rim", swap(`"rim_mm":0`, `"rim_mm":-1`), "board.rim_mm"},
		{"colour", swap(`"colour":"#8a5a35"`, `"colour":"brown"`), "board.colour"},
		{"side", swap(`"access":["top"]`, `"access":["under"]`), "board.access"},
		{"flat vessel", swap(`"diameter_mm":60`, `"diameter_mm":0`), "vessels[0].diameter_mm"},
		{"nameless vessel", swap(`"id":"cup"`, `"id":""`), "vessels[0].id"},
		{"unknown food", swap(`"food":"almonds"`, `"food":"moonstone"`), "elements[0].food"},
		{"unknown form", swap(`"form":"drift"`, `"form":"tower"`), "elements[0].form"},
		{"wrong category", swap(`"category":"nut"`, `"category":"cheese"`), "elements[0].category"},
		{"unknown wetness", swap(`"wetness":"crisp"`, `"wetness":"soaking"`), "elements[0].wetness"},
		{"negative grams", swap(`"grams":12`, `"grams":-12`), "elements[0].grams"},
		{"negative count", swap(`"count":1,"placed":true`, `"count":-1,"placed":true`), "elements[0].count"},
		{"duplicate id", swap(`"id":"e2"`, `"id":"e1"`), "elements[1].id"},
		{"unknown vessel", swap(`"vessel":"cup"`, `"vessel":"grail"`), "elements[1].vessel"},
		{"bowl without vessel", swap(`"vessel":"cup",`, ``), "elements[1].vessel"},
		{"far away", swap(`"x":100`, `"x":1e7`), "elements[0].x"},
		{"not a number", swap(`"x":100`, `"x":"left"`), "elements[0].x"},
		{"endless", swap(`"x":100`, `"x":1e999`), "elements[0].x"},
		{"layer", swap(`"layer":6`, `"layer":-6`), "elements[0].layer"},
		{"piece of two points", swap(`[[95,95],[105,95],[105,105],[95,105]]`, `[[95,95],[105,95]]`), "elements[0].pieces[0].outline"},
		{"piece with a word", swap(`[[95,95],[105,95],[105,105],[95,105]]`, `[[95,95],[105,"x"],[105,105]]`), "elements[0].pieces[0].outline[1]"},
		{"piece in the ground", swap(`"z_mm":0`, `"z_mm":-3`), "elements[0].pieces[0].z_mm"},
		{"tall piece", swap(`"height_mm":9`, `"height_mm":900`), "elements[0].pieces[0].height_mm"},
		{"variant", swap(`"variant":0`, `"variant":99`), "elements[0].pieces[0].variant"},
		{"reserve of nothing", swap(`"reserve":[{"food":"almonds"`, `"reserve":[{"food":"air"`), "reserve[0].food"},
		{"rules", swap(`"rules":{}`, `"rules":{"symmetry":"heap"}`), "rules.symmetry"},
		{"negative seed", swap(`"seed":7`, `"seed":-7`), "seed"},
		{"too many elements", swap(`"elements":[`, `"elements":[`+strings.Repeat(`{"id":"z","food":"almonds","form":"drift"},`, 401)), "elements"},
		{"null element", swap(`"elements":[`, `"elements":[null,`), "elements[0].id"},
		{"elements is a text", swap(`"elements":[`, `"elements":"none","was":[`), "elements"},
		{"long title", swap(`"title":"t"`, `"title":"`+strings.Repeat("t", 161)+`"`), "title"},
	} {
		_, err := job.Read([]byte(c.doc), larder)
		var bad *fault.Error
		if !errors.As(err, &bad) {
			t.Errorf("%s: was taken (%v)", c.name, err)
			continue
		}
		if bad.Field != c.field || bad.Says == "" {
			t.Errorf("%s: %v, want field %s", c.name, bad, c.field)
		}
	}
	many := strings.Repeat(`{"outline":[[95,95],[105,95],[105,105]],"z_mm":0,"height_mm":9,"colour":"#a5713e"},`, 20001)
	if _, err := job.Read([]byte(swap(`"pieces":[{`, `"pieces":[`+many+`{`)), larder); err == nil {
		t.Error("20,002 pieces were taken")
	}
}

func TestMoveToIsRigid(t *testing.T) {
	tr, err := job.Read(laid(t), larder)
	if err != nil {
		t.Fatal(err)
	}
	for _, e := range tr.Trays[0].Elements {
		if !e.Placed {
			continue
		}
		was := e
		e.MoveTo(geom.Pose{X: e.X + 31.5, Y: e.Y - 12, Turn: e.TurnDeg + 57})
		for k := range e.Pieces {
			if math.Abs(e.Pieces[k].Outline.Area()-was.Pieces[k].Outline.Area()) > .05*was.Pieces[k].Outline.Area()+1 {
				t.Errorf("%s: piece %d changed its size", e.ID, k)
			}
			if d0, d1 := was.Pieces[0].At.Dist(was.Pieces[k].At), e.Pieces[0].At.Dist(e.Pieces[k].At); math.Abs(d0-d1) > .05 {
				t.Errorf("%s: pieces moved against each other by %v", e.ID, d1-d0)
			}
		}
		e.MoveTo(was.Pose())
		for k := range e.Pieces {
			if e.Pieces[k].At.Dist(was.Pieces[k].At) > .05 {
				t.Errorf("%s: piece %d did not come back", e.ID, k)
			}
		}
	}
}

func TestCloneIsApart(t *testing.T) {
	tr, _ := job.Read([]byte(small), larder)
	c := tr.Clone()
	c.Trays[0].Elements[0].Pieces[0].ZMM = 99
	c.Trays[0].Elements[0].X = 5
	c.Trays[0].Reserve[0].Grams = 0
	c.Trays[0].Vessels[0].Name = "no"
	if tr.Trays[0].Elements[0].Pieces[0].ZMM != 0 || tr.Trays[0].Elements[0].X != 100 || tr.Trays[0].Reserve[0].Grams != 5 || tr.Trays[0].Vessels[0].Name != "Cup" {
		t.Error("a clone writes into its tray")
	}
}

// FuzzRead: whatever comes, it is read and written again the same, or refused
// with a sentence; nothing crashes or hangs.
func FuzzRead(f *testing.F) {
	f.Add([]byte(small))
	f.Add([]byte(strings.Replace(small, `"board":{"id":"b"`, `"board":null,"was":{"id":"b"`, 1)))
	f.Add([]byte(`{"format":"happytray/1","brief":{"guests":{"adults":1}},"elements":[]}`))
	f.Add([]byte(`{"elements":[{"pieces":[{"outline":[[1,2],[3,4],[5,6]]}]}]}`))
	f.Add([]byte(`null`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		tr, err := job.Read(raw, larder)
		if err != nil {
			var bad *fault.Error
			if !errors.As(err, &bad) || bad.Says == "" {
				t.Fatalf("refused without a sentence: %v", err)
			}
			return
		}
		out, err := tr.Write()
		if err != nil {
			t.Fatal(err)
		}
		again, err := job.Read(out, larder)
		if err != nil {
			t.Fatalf("written as %s, which is refused: %v", out, err)
		}
		twice, err := again.Write()
		if err != nil || string(twice) != string(out) {
			t.Fatalf("%s became %s (%v)", out, twice, err)
		}
	})
}
