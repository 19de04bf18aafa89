package worklist

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"io"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"github.com/emersion/go-ical"

	"happytray/core/prep"
	"happytray/core/say"
)

func day(serve time.Time) prep.Day {
	at := func(min int) string { return serve.Add(time.Duration(min) * time.Minute).Format(time.RFC3339) }
	return prep.Day{ServeAt: at(0), Tasks: []prep.Task{
		{ID: "fold-ham-ribbon", Kind: "fold", Food: "ham", Says: say.Plain("30 pieces of ham, gathered; =1+1, \"so\"\nand so"), Count: 30, Minutes: 12.5, Starts: at(-150), Ends: at(-137), Who: "1", Tool: "clean hands", Uses: []string{}, After: []string{"set-up"}, Critical: true},
		{ID: "heat-toasts-arc", Kind: "heat", Food: "toasts", Says: say.Plain("Toast – größer, 18 pieces, " + strings.Repeat("long ", 40)), Count: 18, Minutes: 8, Starts: at(-60), Ends: at(-52), Uses: []string{"oven 180"}, After: []string{}},
	}}
}

// events reads a calendar with a parser that is not the writer's, by UID.
func events(t *testing.T, raw []byte) map[string]ical.Event {
	t.Helper()
	c, err := ical.NewDecoder(bytes.NewReader(raw)).Decode()
	if err != nil {
		t.Fatal(err)
	}
	out := map[string]ical.Event{}
	for _, e := range c.Events() {
		id, err := e.Props.Text(ical.PropUID)
		if err != nil || id == "" {
			t.Fatalf("an event without a name: %v", err)
		}
		if _, twice := out[id]; twice {
			t.Errorf("two events are called %s", id)
		}
		out[id] = e
	}
	return out
}

// Every task is an event at its minute in any zone, also over the night in which the clocks change; imported again it
// moves and does not double.
func TestCalendar(t *testing.T) {
	saltmere, err := time.LoadLocation("Europe/Lisbon")
	if err != nil {
		t.Fatal(err)
	}
	for _, serve := range []time.Time{
		time.Date(2026, 10, 25, 2, 10, 0, 0, saltmere), // the clock goes back meanwhile
		time.Date(2027, 3, 28, 3, 0, 0, 0, saltmere),   // and forward
		time.Date(2026, 11, 30, 19, 0, 0, 0, time.FixedZone("", -9*3600-1800)),
	} {
		d := day(serve)
		raw, err := Calendar("First firing, at the kiln; \\ \n", "j1", 4, d)
		if err != nil {
			t.Fatal(err)
		}
		for i, l := range strings.Split(string(raw), "\r\n") {
			if len(l) > 75 {
				t.Errorf("line %d has %d bytes", i, len(l))
			}
		}
		got := events(t, raw)
		if len(got) != 3 {
			t.Fatalf("%d events", len(got))
		}
		for _, k := range d.Tasks {
			e, ok := got[uid("j1", k.ID)]
			if !ok {
				t.Fatalf("no %s", k.ID)
			}
			begin, err1 := e.DateTimeStart(time.UTC)
			end, err2 := e.DateTimeEnd(time.UTC)
			want, _ := time.Parse(time.RFC3339, k.Starts)
			until, _ := time.Parse(time.RFC3339, k.Ends)
			if err1 != nil || err2 != nil || !begin.Equal(want) || !end.Equal(until) {
				t.Errorf("%s from %s to %s, want %s to %s (%v %v)", k.ID, begin, end, want, until, err1, err2)
			}
			if says, _ := e.Props.Text(ical.PropSummary); says != line(k.Says.String()) {
				t.Errorf("%q instead of %q", says, k.Says)
			}
			if n := e.Props.Get(ical.PropSequence); n == nil || n.Value != "4" {
				t.Errorf("sequence %v", n)
			}
			if alarms := len(e.Children); (alarms == 1) != (k.Who != "") {
				t.Errorf("%s has %d alarms", k.ID, alarms)
			}
		}
		later := d
		later.Tasks = append([]prep.Task(nil), d.Tasks...)
		later.Tasks[0].Starts, later.Tasks[0].Ends = serve.Add(-time.Hour).Format(time.RFC3339), serve.Add(-50*time.Minute).Format(time.RFC3339)
		moved, err := Calendar("First firing", "j1", 5, later)
		if err != nil {
			t.Fatal(err)
		}
		for id := range events(t, moved) {
			if _, known := got[id]; !known {
				t.Errorf("%s is new on the second import", id)
			}
		}
		if other, _ := Calendar("Another", "j2", 1, d); len(events(t, other)) != 3 {
			t.Error("another job's file")
		} else {
			for id := range events(t, other) {
				if _, known := got[id]; known {
					t.Errorf("%s belongs to two jobs", id)
				}
			}
		}
	}
	if _, err := Calendar("x", "j", 1, prep.Day{ServeAt: "soon"}); err == nil {
		t.Error("soon is a time")
	}
}

func TestTable(t *testing.T) {
	d := day(time.Date(2026, 11, 30, 19, 0, 0, 0, time.UTC))
	d.Tasks[1].Says = say.Plain("=HYPERLINK(1)")
	raw, err := Table(d)
	if err != nil {
		t.Fatal(err)
	}
	r := csv.NewReader(bytes.NewReader(raw))
	r.FieldsPerRecord = len(Columns)
	var rows [][]string
	for {
		row, err := r.Read()
		if err == io.EOF {
			break
		} else if err != nil {
			t.Fatal(err)
		}
		rows = append(rows, row)
	}
	if len(rows) != 3 || rows[1][0] != "fold-ham-ribbon" || rows[1][4] != "30" || rows[1][6] != "12.5" || rows[1][14] != "yes" || rows[2][11] != "oven 180" {
		t.Errorf("%q", rows)
	}
	if rows[2][3] != "'=HYPERLINK(1)" {
		t.Errorf("%q would be worked out by a spreadsheet", rows[2][3])
	}
}

func TestName(t *testing.T) {
	for in, want := range map[string]string{"First firing, at the kiln": "first-firing-at-the-kiln-mat.pdf", "": "job-mat.pdf", "…": "job-mat.pdf", "../../x": "x-mat.pdf"} {
		if got := Name(in, "mat", "pdf"); got != want {
			t.Errorf("%q: %s", in, got)
		}
	}
	if n := len(Name(strings.Repeat("a b", 200), "mat", "pdf")); n > 80 {
		t.Error(fmt.Sprint(n))
	}
}
