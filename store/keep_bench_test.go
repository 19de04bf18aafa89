package store

import (
	"context"
	"fmt"
	"testing"
	"time"

	"happytray/core/geom"
	"happytray/demo/demotest"
)

// edited keeps n edits of the largest demo tray, each with another element a little farther,
// as revisions of a new job.
func edited(b *testing.B, s *Store, n int) Job {
	b.Helper()
	tr := demotest.Largest(b)
	write := func() string {
		raw, err := tr.Write()
		if err != nil {
			b.Fatal(err)
		}
		return string(raw)
	}
	ctx := context.Background()
	j, err := s.Create(ctx, Heading{Title: "Largest"}, write(), "made")
	if err != nil {
		b.Fatal(err)
	}
	for i := range n {
		t := tr.Trays[i%len(tr.Trays)]
		e := &t.Elements[i%len(t.Elements)]
		e.MoveTo(geom.Pose{X: e.X + .25, Y: e.Y, Turn: e.TurnDeg})
		if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "Largest"}, write(), "moved"); err != nil {
			b.Fatal(err)
		}
	}
	return j
}

// What 200 edits of the largest demo tray take in the database, the whole one every so
// often among them.
func BenchmarkKeep200Edits(b *testing.B) {
	s := open(b)
	for b.Loop() {
		j := edited(b, s, 200)
		var bytes, most int64
		if err := s.db.Raw("SELECT SUM(LENGTH(packed)), MAX(LENGTH(packed)) FROM revisions WHERE job_id = ? AND number > 1", j.ID).Row().Scan(&bytes, &most); err != nil {
			b.Fatal(err)
		}
		b.ReportMetric(float64(bytes)/200/1000, "kB/edit")
		b.ReportMetric(float64(most)/1000, "kB/largest")
	}
}

// Any revision of a job of 200 edits, read by a process that has none at hand.
func BenchmarkReadAnyRevision(b *testing.B) {
	j := edited(b, open(b), 200)
	worst, ctx := time.Duration(0), context.Background()
	for i := 0; b.Loop(); i++ {
		b.StopTimer()
		fresh, err := Open(ctx, server.DSN(), Options{})
		if err != nil {
			b.Fatal(err)
		}
		if err := fresh.Ping(ctx); err != nil { // the connection is not part of it
			b.Fatal(err)
		}
		b.StartTimer()
		from := time.Now()
		if _, err := fresh.Revision(ctx, j.ID, 1+int64(i*37)%j.Head); err != nil {
			b.Fatal(err)
		}
		worst = max(worst, time.Since(from))
		b.StopTimer()
		fresh.Close()
		b.StartTimer()
	}
	b.ReportMetric(float64(worst.Microseconds())/1000, "ms/worst")
}

// A page of coming jobs, one from the middle of the past ones and one by a word, among 20,000.
func BenchmarkListOf20000(b *testing.B) {
	s, ctx := open(b), context.Background()
	word := fmt.Sprintf("sloop%d", time.Now().UnixNano())
	var rows []Job
	for i := range 20000 {
		at := time.Date(2016, 1, 1, 12, 0, 0, 0, time.UTC).Add(time.Duration(i) * 6 * time.Hour)
		title := "Regatta prizes"
		if i%400 == 0 {
			title = word
		}
		rows = append(rows, Job{ID: fmt.Sprintf("%s-%05d", word[5:], i), Title: title, Head: 1, Summary: "{}", ServeAt: &at, CreatedAt: at, UpdatedAt: at})
	}
	if err := s.db.CreateInBatches(rows, 1000).Error; err != nil {
		b.Fatal(err)
	}
	b.Cleanup(func() {
		if err := s.db.Where("id LIKE ?", word[5:]+"-%").Delete(&Job{}).Error; err != nil {
			b.Error(err)
		}
	})
	middle := rows[10000]
	middle.Due = *middle.ServeAt
	day := time.Date(2029, 1, 1, 0, 0, 0, 0, time.UTC)
	for name, q := range map[string]Query{
		"coming": {From: day, Most: 61}, "past": {To: day, Latest: true, After: &middle, Most: 61}, "word": {To: day, Latest: true, Text: word, Most: 61},
	} {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				list, err := s.Jobs(ctx, q)
				if err != nil || len(list) == 0 {
					b.Fatal(len(list), err)
				}
			}
		})
	}
}
