package server

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"happytray/app"
	"happytray/server/api"
	"happytray/store"
)

// asHost asks for a path under another host's name.
func (d *desk) asHost(method, path, host string, header ...string) int {
	d.tb.Helper()
	req, err := http.NewRequest(method, d.url+path, strings.NewReader(""))
	if err != nil {
		d.tb.Fatal(err)
	}
	req.Host = host
	for i := 0; i+1 < len(header); i += 2 {
		req.Header.Set(header[i], header[i+1])
	}
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		d.tb.Fatal(err)
	}
	res.Body.Close()
	return res.StatusCode
}

func TestOnlyKnownHostsAreAnswered(t *testing.T) {
	d := openWith(t, db.DSN(), Options{Hosts: []string{"tray.harbour.example", "Other.Example"}})
	port := d.url[strings.LastIndex(d.url, ":"):]
	for host, want := range map[string]int{
		"127.0.0.1" + port: 200, "localhost" + port: 200, "localhost": 200, "localhost." + port: 200, "[::1]" + port: 200, "127.0.0.1": 200,
		"tray.harbour.example": 200, "tray.harbour.example" + port: 200, "TRAY.harbour.example": 200, "other.example": 200,
		"evil.example": 421, "evil.example" + port: 421, "localhost.evil.example": 421, "127.0.0.1.evil.example": 421, "127.0.0.1@evil.example": 421,
		"10.0.0.1": 421, "0.0.0.0": 421, "xn--localhost": 421, "tray.harbour.example.evil": 421,
	} {
		for _, path := range []string{"/", "/healthz", "/api/v1/settings", "/assets/a.js"} {
			if got := d.asHost("GET", path, host); got != want {
				t.Errorf("%s as %q: %d, want %d", path, host, got, want)
			}
		}
	}
}

func TestOtherSitesChangeNothing(t *testing.T) {
	d := open(t, db.DSN())
	host := strings.TrimPrefix(d.url, "http://")
	for _, c := range []struct {
		name   string
		header []string
		want   int
	}{
		{"a program", nil, 400}, // let in, and told what its empty body lacks
		{"our own page", []string{"Sec-Fetch-Site", "same-origin", "Origin", d.url}, 400},
		{"typed in", []string{"Sec-Fetch-Site", "none"}, 400},
		{"another site", []string{"Sec-Fetch-Site", "cross-site", "Origin", "https://evil.example"}, 403},
		{"a sister site", []string{"Sec-Fetch-Site", "same-site", "Origin", "http://x." + host}, 403},
		{"an old browser, another site", []string{"Origin", "https://evil.example"}, 403},
		{"an old browser, our own page", []string{"Origin", d.url}, 400},
		{"a page of no origin", []string{"Origin", "null"}, 403},
	} {
		for _, path := range []string{"/api/v1/jobs", "/api/v1/plan", "/api/v1/shop/ask"} {
			want := c.want
			if path == "/api/v1/shop/ask" && want == 400 {
				want = 422 // needs no body, and there is no shop
			}
			if got := d.asHost("POST", path, host, append(c.header, "Content-Type", "application/json")...); got != want {
				t.Errorf("%s, %s: %d, want %d", c.name, path, got, want)
			}
		}
	}
	if got := d.asHost("GET", "/api/v1/settings", host, "Sec-Fetch-Site", "cross-site"); got != 200 {
		t.Errorf("reading by a link from elsewhere: %d", got)
	}
}

func TestEveryAnswerSaysHowLongItHolds(t *testing.T) {
	d := open(t, db.DSN())
	j := d.make("Kept how long", `{"guests":{"adults":3}}`)
	for path, want := range map[string]string{
		"/": "no-cache", "/assets/a.js": "public, max-age=31536000, immutable", "/jobs/1/lay": "no-cache", "/assets/none.js": "no-store", "/api/v1/nothing": "no-store",
		"/api/v1/jobs": "no-store", "/api/v1/jobs/" + j.Id: "no-store", "/api/v1/settings": "no-store", "/api/v1/larder": "no-cache", "/api/v1/foods/honey": "no-cache",
		"/api/v1/foods/honey/picture.svg": "private, max-age=3600", "/api/v1/jobs/" + j.Id + "/tray.svg?v=1": "private, max-age=31536000", "/healthz": "no-store",
		"/api/v1/boards": "no-cache", "/api/v1/foods/none": "no-store",
	} {
		a := d.ask("GET", path, nil)
		if got := a.header.Get("Cache-Control"); got != want {
			t.Errorf("%s: %q, want %q", path, got, want)
		}
		policy := a.header.Get("Content-Security-Policy")
		for _, part := range []string{"default-src 'self'", "object-src 'none'", "base-uri 'none'", "frame-ancestors 'none'"} {
			if !strings.Contains(policy, part) || strings.Contains(policy, "unsafe") {
				t.Errorf("%s: policy %q", path, policy)
			}
		}
		if a.header.Get("X-Request-Id") == "" {
			t.Errorf("%s has no id", path)
		}
	}
}

func TestQueueKeepsOrderAndBounds(t *testing.T) {
	q := newQueue(1, 3)
	first, err := q.enter(context.Background(), "", nil)
	if err != nil {
		t.Fatal(err)
	}
	var mu sync.Mutex
	var order []int
	places := make([][]int, 3)
	var all sync.WaitGroup
	leaves := make(chan func(), 3)
	for i := range 3 {
		begun := make(chan struct{})
		all.Go(func() {
			told := false
			leave, err := q.enter(context.Background(), "", func(before int) {
				mu.Lock()
				places[i] = append(places[i], before)
				mu.Unlock()
				if !told {
					told = true
					close(begun)
				}
			})
			if err != nil {
				t.Error(err)
				return
			}
			mu.Lock()
			order = append(order, i)
			mu.Unlock()
			leaves <- leave
		})
		<-begun
	}
	if _, err := q.enter(context.Background(), "", nil); err != errBusy {
		t.Errorf("a fourth that waits: %v", err)
	}
	first()
	first() // leaving twice gives no second turn
	leave := <-leaves
	// the last is told that it moved up while somebody else has the turn; turns that pass faster
	// than that need not be told one by one
	for end := time.Now().Add(20 * time.Second); ; time.Sleep(time.Millisecond) {
		mu.Lock()
		last := places[2][len(places[2])-1]
		mu.Unlock()
		if last == 1 || time.Now().After(end) {
			break
		}
	}
	leave()
	for range 2 {
		(<-leaves)()
	}
	all.Wait()
	if fmt.Sprint(order) != "[0 1 2]" {
		t.Errorf("they came in the order %v", order)
	}
	if places[2][0] != 2 || places[2][len(places[2])-1] > 1 {
		t.Errorf("the last was told its places %v", places[2])
	}
	// one that stops waiting leaves the others their turns
	hold, _ := q.enter(context.Background(), "", nil)
	ctx, stop := context.WithCancel(context.Background())
	gone := make(chan error)
	go func() { _, err := q.enter(ctx, "", nil); gone <- err }()
	for q.length() != 1 {
		time.Sleep(time.Millisecond)
	}
	stop()
	if err := <-gone; err != context.Canceled || q.length() != 0 {
		t.Errorf("%v, %d wait", err, q.length())
	}
	hold()
	if again, err := q.enter(context.Background(), "", nil); err != nil {
		t.Error(err)
	} else {
		again()
	}
}

// Turns go round among those who ask: one who asks for much does not keep the others waiting, and may not fill the line.
func TestTurnsGoRound(t *testing.T) {
	q := newQueue(1, 9)
	hold, err := q.enter(context.Background(), "", nil)
	if err != nil {
		t.Fatal(err)
	}
	var mu sync.Mutex
	var order []string
	var all sync.WaitGroup
	ask := func(who string) {
		n := q.length()
		all.Go(func() {
			leave, err := q.enter(context.Background(), who, nil)
			if err != nil {
				t.Error(err)
				return
			}
			mu.Lock()
			order = append(order, who)
			mu.Unlock()
			leave()
		})
		for q.length() != n+1 {
			time.Sleep(time.Millisecond)
		}
	}
	for _, who := range []string{"phone", "phone", "phone", "", "tablet", "tablet", ""} {
		ask(who)
	}
	if _, err := q.enter(context.Background(), "phone", nil); err != errBusy {
		t.Errorf("a fourth of one device waits: %v", err)
	}
	hold()
	all.Wait()
	if got := strings.Join(order, ","); got != "phone,,tablet,phone,tablet,,phone" {
		t.Errorf("turns went %q", got)
	}
	if len(q.whose)+len(q.served)+len(q.turn) != 0 {
		t.Errorf("%d %d %d are remembered of nobody", len(q.whose), len(q.served), len(q.turn))
	}
}

// A server that is told to stop answers its searches with the best that they have, turns those away who wait for theirs,
// and says that it is not ready.
func TestSearchesEndWithTheirBestWhenTheServerStops(t *testing.T) {
	stopping, stop := context.WithCancel(context.Background())
	d := openWith(t, db.DSN(), Options{Stopping: stopping})
	if a := d.ask("GET", "/readyz", nil); a.status != 200 {
		t.Errorf("ready: %d %s", a.status, a.body)
	}
	tray := file(t, waiting(t, 12))
	answers := make(chan answer, 4)
	for range cap(answers) {
		go func() { answers <- d.ask("POST", "/api/v1/arrange?seconds=40", tray) }()
	}
	time.Sleep(1500 * time.Millisecond)
	began := time.Now()
	stop()
	best := 0
	for range cap(answers) {
		a := <-answers
		lines := bytes.Split(bytes.TrimSpace(a.body), []byte("\n"))
		if last := lines[len(lines)-1]; a.status == 200 && bytes.Contains(last, []byte(`"done":true`)) && bytes.Contains(last, []byte(`"tray":{`)) {
			best++
		}
	}
	if took := time.Since(began); took > 4*time.Second {
		t.Errorf("searches of 40 s went on for %v", took)
	}
	if best < 1 {
		t.Error("no search ended with its best")
	}
	if a := d.ask("GET", "/readyz", nil); a.status != 503 || !bytes.Contains(a.body, []byte("stopping")) {
		t.Errorf("ready: %d %s", a.status, a.body)
	}
	if a := d.ask("GET", "/healthz", nil); a.status != 200 {
		t.Errorf("alive: %d %s", a.status, a.body)
	}
}

// Figures and profiles are read under names of this machine alone.
func TestFiguresAreForThisMachine(t *testing.T) {
	st, err := store.Open(context.Background(), db.DSN(), store.Options{Patience: unhurried})
	if err != nil {
		t.Fatal(err)
	}
	defer st.Close()
	h := NewMetrics(app.New(st, app.Options{}), "x").Handler()
	for host, status := range map[string]int{"localhost:8081": 200, "127.0.0.1:8081": 200, "[::1]:8081": 200, "evil.example": 421, "evil.example:8081": 421, "": 421} {
		r := httptest.NewRequest("GET", "/metrics", nil)
		r.Host = host
		w := httptest.NewRecorder()
		if h.ServeHTTP(w, r); w.Code != status {
			t.Errorf("%q: %d", host, w.Code)
		}
	}
}

// Clients that read nothing of their search must not keep others from theirs for good.
func TestThoseWhoReadNothingLoseTheirPlace(t *testing.T) {
	d := openWith(t, db.DSN(), Options{Stalled: time.Second})
	tr := file(t, waiting(t, 8)) // each search sends a layout of some hundred kilobytes before long
	// a small buffer from the first packet on, so that what is not read is noticed with it
	little := net.Dialer{Control: func(_, _ string, c syscall.RawConn) error {
		return c.Control(func(fd uintptr) { _ = syscall.SetsockoptInt(int(fd), syscall.SOL_SOCKET, syscall.SO_RCVBUF, 4096) })
	}}
	host := strings.TrimPrefix(d.url, "http://")
	for range 6 { // more than run at once
		conn, err := little.Dial("tcp", host)
		if err != nil {
			t.Fatal(err)
		}
		defer conn.Close()
		fmt.Fprintf(conn, "POST /api/v1/arrange?seconds=60 HTTP/1.1\r\nHost: %s\r\nContent-Type: application/json\r\nContent-Length: %d\r\n\r\n%s", host, len(tr), tr)
	}
	time.Sleep(300 * time.Millisecond)
	began := time.Now()
	req, _ := http.NewRequest("POST", d.url+"/api/v1/arrange?effort=1", bytes.NewReader(file(t, laid(t, 2))))
	req.Header.Set("Content-Type", "application/json")
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	dec := json.NewDecoder(res.Body)
	waited, done := false, false
	for {
		var p api.Progress
		if dec.Decode(&p) != nil {
			break
		}
		waited = waited || p.Waiting != nil
		done = done || p.Done
	}
	if !done || time.Since(began) > 30*time.Second {
		t.Errorf("done %v after %v", done, time.Since(began))
	}
	if !waited {
		t.Error("nobody was told that they wait")
	}
}

func TestTooManySearchesAreTurnedAway(t *testing.T) {
	d := open(t, db.DSN())
	tr := file(t, laid(t, 4))
	ctx, stop := context.WithCancel(context.Background())
	var all sync.WaitGroup
	var mu sync.Mutex
	turned := 0
	for range 30 {
		all.Go(func() {
			req, _ := http.NewRequestWithContext(ctx, "POST", d.url+"/api/v1/arrange?seconds=30", bytes.NewReader(tr))
			req.Header.Set("Content-Type", "application/json")
			res, err := http.DefaultClient.Do(req)
			if err != nil {
				return
			}
			defer res.Body.Close()
			if res.StatusCode == http.StatusServiceUnavailable {
				if res.Header.Get("Retry-After") == "" {
					t.Error("nobody says when to try again")
				}
				mu.Lock()
				turned++
				mu.Unlock()
				return
			}
			_, _ = io.Copy(io.Discard, res.Body)
		})
	}
	for began := time.Now(); time.Since(began) < 20*time.Second; time.Sleep(20 * time.Millisecond) {
		mu.Lock()
		enough := turned >= 30-waitingSearches-8
		mu.Unlock()
		if enough {
			break
		}
	}
	if a := d.ask("GET", "/api/v1/jobs", nil); a.status != 200 { // others are not kept waiting
		t.Errorf("the jobs meanwhile: %d", a.status)
	}
	stop()
	all.Wait()
	if turned == 0 {
		t.Error("thirty searches were let in at once")
	}
}

// Who watches over the server sees how many wait, in which line.
func TestTheLinesAreCounted(t *testing.T) {
	st, err := store.Open(context.Background(), db.DSN(), store.Options{Patience: unhurried})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { st.Close() })
	a := app.New(st, app.Options{})
	m := NewMetrics(a, "test")
	openApp(t, a, Options{Metrics: m})
	rec := httptest.NewRecorder()
	m.Handler().ServeHTTP(rec, httptest.NewRequest("GET", "http://localhost/metrics", nil))
	for _, line := range []string{"searches", "works", "photos"} {
		if want := `happytray_waiting{queue="` + line + `"} 0`; !strings.Contains(rec.Body.String(), want) {
			t.Errorf("there is no %s", want)
		}
	}
}
