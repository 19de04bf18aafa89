// Package worklist writes the work of a day in open formats: an iCalendar file (RFC 5545) and a table of
// comma-separated values (RFC 4180).
package worklist

import (
	"bytes"
	"crypto/sha256"
	"encoding/csv"
	"encoding/hex"
	"fmt"
	"strconv"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"

	"happytray/core/prep"
	"happytray/formats/cell"
)

// Calendar is a day as an iCalendar file, a task an event with an alarm at its start. Each event keeps its UID for as
// long as its task has its name in the same job, and the sequence number is the revision, so that what is imported
// again moves and does not double. Times are UTC, which every calendar turns into its own zone, also over the night
// in which the clocks change.
func Calendar(title, job string, revision int64, d prep.Day) ([]byte, error) {
	c := ics.NewCalendarFor("Happy Tray")
	c.SetMethod(ics.MethodPublish)
	c.SetXWRCalName(line(title))
	stamp, err := time.Parse(time.RFC3339, d.ServeAt)
	if err != nil {
		return nil, err
	}
	for _, t := range d.Tasks {
		begin, err := time.Parse(time.RFC3339, t.Starts)
		if err != nil {
			return nil, err
		}
		end, err := time.Parse(time.RFC3339, t.Ends)
		if err != nil {
			return nil, err
		}
		e := c.AddEvent(uid(job, t.ID))
		e.SetDtStampTime(stamp) // the same file for the same day
		e.SetSequence(int(revision))
		e.SetStartAt(begin)
		e.SetEndAt(end)
		e.SetSummary(line(t.Says.String()))
		var about []string
		if t.Who != "" {
			about = append(about, "By: "+t.Who)
		}
		if t.Tool != "" {
			about = append(about, "With: "+t.Tool)
		}
		if len(t.Uses) > 0 {
			about = append(about, "Uses: "+strings.Join(t.Uses, ", "))
		}
		if t.Critical {
			about = append(about, "It leads all that follows: what is late here is late at the table.")
		}
		e.SetDescription(strings.Join(about, "\n"))
		e.AddProperty(ics.ComponentPropertyCategories, t.Kind)
		if t.Who != "" {
			a := e.AddAlarm()
			a.SetAction(ics.ActionDisplay)
			a.SetTrigger("-PT0M")
			a.SetProperty(ics.ComponentPropertyDescription, line(t.Says.String()))
		}
	}
	served := d.Jobs
	if len(served) == 0 {
		served = []prep.Served{{Title: title, ServeAt: d.ServeAt}}
	}
	for _, s := range served {
		at, err := time.Parse(time.RFC3339, s.ServeAt)
		if err != nil {
			return nil, err
		}
		name := "serve"
		if s.Job != "" { // of a day with several
			name += "/" + s.Job
		}
		serve := c.AddEvent(uid(job, name))
		serve.SetDtStampTime(stamp)
		serve.SetSequence(int(revision))
		serve.SetStartAt(at)
		serve.SetEndAt(at.Add(time.Minute))
		serve.SetSummary(line("Serve: " + s.Title))
		a := serve.AddAlarm()
		a.SetAction(ics.ActionDisplay)
		a.SetTrigger("-PT15M")
		a.SetProperty(ics.ComponentPropertyDescription, line("Serve: "+s.Title))
	}
	return []byte(c.Serialize(ics.WithNewLineWindows, ics.WithLineLength(75))), nil
}

// uid is the name of an event, the same each time.
func uid(job, task string) string {
	sum := sha256.Sum256([]byte(job + "\x00" + task))
	return hex.EncodeToString(sum[:12]) + "@happytray.invalid"
}

// line is a text without line breaks and control signs.
func line(s string) string {
	return strings.Map(func(r rune) rune {
		if r < ' ' || r == 0x7f {
			return ' '
		}
		return r
	}, s)
}

// Columns of the table.
var Columns = []string{"id", "kind", "food", "says", "count", "grams", "minutes", "starts", "ends", "who", "tool", "uses", "after", "tray", "critical"}

// Table is a day as a table, a task a row in the order in which they begin. What a spreadsheet would take for a
// formula gets an apostrophe before it.
func Table(d prep.Day) ([]byte, error) {
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	w.UseCRLF = true
	if err := w.Write(Columns); err != nil {
		return nil, err
	}
	for _, t := range d.Tasks {
		tray := ""
		if t.Tray > 0 {
			tray = strconv.Itoa(t.Tray)
		}
		row := []string{t.ID, t.Kind, t.Food, t.Says.String(), strconv.Itoa(t.Count), number(t.Grams), number(t.Minutes), t.Starts, t.Ends, t.Who, t.Tool, strings.Join(t.Uses, " + "), strings.Join(t.After, " "), tray, yes(t.Critical)}
		for i := range row {
			row[i] = cell.Text(line(row[i]))
		}
		if err := w.Write(row); err != nil {
			return nil, err
		}
	}
	w.Flush()
	return b.Bytes(), w.Error()
}

func number(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

func yes(b bool) string {
	if b {
		return "yes"
	}
	return ""
}

// Name is a file name for what belongs to a job.
func Name(title, what, ending string) string {
	return fmt.Sprintf("%s-%s.%s", slug(title), what, ending)
}

func slug(s string) string {
	var b strings.Builder
	for _, r := range strings.ToLower(s) {
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9':
			b.WriteRune(r)
		case b.Len() > 0 && !strings.HasSuffix(b.String(), "-"):
			b.WriteByte('-')
		}
		if b.Len() >= 60 {
			break
		}
	}
	if out := strings.Trim(b.String(), "-"); out != "" {
		return out
	}
	return "job"
}
