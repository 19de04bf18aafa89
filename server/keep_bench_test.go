package server

import (
	"fmt"
	"io"
	"net/http"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"

	"happytray/core/geom"
	"happytray/demo/demotest"
	"happytray/server/api"
)

// quantile is the q-th part of the times, which it sorts, in ms.
func quantile(times []time.Duration, q float64) float64 {
	slices.Sort(times)
	return float64(times[int(q*float64(len(times)-1))].Microseconds()) / 1000
}

// A save of the largest demo tray, one element of it a little farther each time, over HTTP
// on loopback with the database in it.
func BenchmarkSaveLargest(b *testing.B) {
	d := open(b, db.DSN())
	j := demotest.Largest(b)
	id := "/api/v1/jobs/" + d.make("Largest", `{"guests":{"adults":44}}`).Id
	if a := d.ask("PUT", id, file(b, j), "If-Match", `"1"`); a.status != http.StatusOK {
		b.Fatal(string(a.body))
	}
	var took []time.Duration
	size := 0
	for n := 2; b.Loop(); n++ {
		t := j.Trays[n%len(j.Trays)]
		e := &t.Elements[n%len(t.Elements)]
		e.MoveTo(geom.Pose{X: e.X + 0.25, Y: e.Y, Turn: e.TurnDeg})
		raw := file(b, j)
		size = len(raw)
		from := time.Now()
		a := d.ask("PUT", id, raw, "If-Match", fmt.Sprintf(`"%d"`, n))
		took = append(took, time.Since(from))
		if a.status != http.StatusOK {
			b.Fatal(string(a.body))
		}
		var saved api.Saved
		a.into(b, &saved)
	}
	b.ReportMetric(quantile(took, 0.5), "ms/median")
	b.ReportMetric(quantile(took, 0.99), "ms/p99")
	b.ReportMetric(float64(size)/1000, "kB")
}

// 200 requests a second, whether or not those before are answered: a list, a document, a
// picture that the browser has, a move under a hand and words looked for in the larder.
func BenchmarkAt200PerSecond(b *testing.B) {
	d := open(b, db.DSN())
	tr := laid(b, 26)
	id := "/api/v1/jobs/" + d.make("Asked often", `{"guests":{"adults":26}}`).Id
	if a := d.ask("PUT", id, file(b, tr), "If-Match", `"1"`); a.status != http.StatusOK {
		b.Fatal(string(a.body))
	}
	e := tr.Trays[0].Elements[3]
	move := fmt.Sprintf(`{"revision":2,"moves":[{"id":%q,"x":%v,"y":%v,"turn_deg":0}]}`, e.ID, e.X+1, e.Y)
	tag := d.ask("GET", id+"/tray.svg?v=2", nil).header.Get("ETag")
	asks := []struct{ method, path, body string }{
		{"GET", "/api/v1/jobs", ""}, {"GET", id, ""}, {"POST", id + "/review", move}, {"GET", "/api/v1/larder/search?text=fig", ""}, {"GET", id + "/tray.svg?v=2", ""},
	}
	client := &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: 64}}
	defer client.CloseIdleConnections()
	const every = time.Second / 200
	var mu sync.Mutex
	var took []time.Duration
	var all sync.WaitGroup
	next := time.Now()
	for i := 0; b.Loop(); i++ {
		time.Sleep(time.Until(next))
		from := next // what starts late has waited
		next = next.Add(every)
		all.Go(func() {
			ask := asks[i%len(asks)]
			req, err := http.NewRequest(ask.method, d.url+ask.path, strings.NewReader(ask.body))
			if err != nil {
				b.Error(err)
				return
			}
			req.Header.Set("Content-Type", "application/json")
			req.Header.Set("If-None-Match", tag)
			res, err := client.Do(req)
			if err != nil {
				b.Error(err)
				return
			}
			n, err := io.Copy(io.Discard, res.Body)
			res.Body.Close()
			if err != nil || res.StatusCode >= 400 {
				b.Errorf("%s %s: %d, %d bytes, %v", ask.method, ask.path, res.StatusCode, n, err)
			}
			mu.Lock()
			took = append(took, time.Since(from))
			mu.Unlock()
		})
	}
	all.Wait()
	b.ReportMetric(quantile(took, 0.5), "ms/median")
	b.ReportMetric(quantile(took, 0.99), "ms/p99")
}
