package server

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"github.com/gorilla/securecookie"

	"happytray/app"
	"happytray/clock/clocktest"
	"happytray/server/api"
	"happytray/store"
)

// siteWithDoor is a build that has the door's page, which shares a file with the others.
var siteWithDoor = fstest.MapFS{
	"index.html": {Data: []byte("<!doctype html><title>the jobs</title>")}, "door.html": {Data: []byte("<!doctype html><title>Come in</title>")},
	"mark.svg": {Data: []byte("<svg/>")}, "assets/index.js": {Data: []byte("1")}, "assets/door.js": {Data: []byte("2")}, "assets/both.css": {Data: []byte("a{}")},
	"assets/font.woff2": {Data: []byte("f")},
	"manifest.json": {Data: []byte(`{"index.html":{"file":"assets/index.js","imports":["_both.js"]},"door.html":{"file":"assets/door.js","imports":["_both.js"]},` +
		`"_both.js":{"file":"assets/both.js","css":["assets/both.css"],"assets":["assets/font.woff2"]}}`)},
}

// entry is a house whose door can be opened: its own computer's address and the door's.
type entry struct {
	*desk
	keeper *Doorkeeper
	clock  *time.Time
	app    *app.App
	reach  http.Handler
}

func newEntry(t *testing.T, at, public string) *entry {
	t.Helper()
	st, err := store.Open(context.Background(), db.DSN(), store.Options{Patience: unhurried})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { st.Close() })
	keeper, err := NewDoorkeeper(at, public)
	if err != nil {
		t.Fatal(err)
	}
	now := clocktest.Now()
	e := &entry{keeper: keeper, clock: &now}
	e.app = app.New(st, app.Options{Now: func() time.Time { return *e.clock }})
	log := slog.New(slog.DiscardHandler)
	if e.reach, err = Handler(e.app, siteWithDoor, Options{Door: keeper}); err != nil {
		t.Fatal(err)
	}
	srv := httptest.NewUnstartedServer(nil)
	srv.Config = New(e.reach, log)
	srv.Start()
	t.Cleanup(srv.Close)
	e.desk = open(t, db.DSN())
	e.url = srv.URL
	ctx, end := context.WithCancel(context.Background())
	kept := make(chan struct{})
	go func() {
		defer close(kept)
		keeper.Keep(ctx, e.app, e.reach, log)
	}()
	t.Cleanup(func() { // the next test finds the door as it is shipped, and nobody in
		again, err := store.Open(context.Background(), db.DSN(), store.Options{Patience: unhurried}) // a test may have closed the other
		if err == nil {
			err = errors.Join(again.SetFact(context.Background(), "door", ""), again.Close())
		}
		if err != nil {
			t.Error(err)
		}
		end()
		<-kept
	})
	// until it was asked once, a door that is opened would be opened by its clock
	for range 100 {
		keeper.mu.Lock()
		begun := keeper.app != nil
		keeper.mu.Unlock()
		if begun {
			break
		}
		time.Sleep(5 * time.Millisecond)
	}
	return e
}

// open opens the door and returns its address.
func (e *entry) open() string {
	e.tb.Helper()
	if got := e.ask("PUT", "/api/v1/door", []byte(`{"open":true}`)); got.status != 204 {
		e.tb.Fatalf("opening the door: %d %s", got.status, got.body)
	}
	return e.door().Addresses[0]
}

func (e *entry) door() (out api.Door) {
	e.tb.Helper()
	e.ask("GET", "/api/v1/door", nil).into(e.tb, &out)
	return out
}

func (e *entry) key() string {
	e.tb.Helper()
	var key api.DoorKey
	got := e.ask("POST", "/api/v1/door/key", nil)
	if got.status != 201 {
		e.tb.Fatalf("making a key: %d %s", got.status, got.body)
	}
	got.into(e.tb, &key)
	return key.Key
}

// call sends something as a program or a browser elsewhere does.
func call(tb testing.TB, method, url, body string, header ...string) (*http.Response, string) {
	tb.Helper()
	req, err := http.NewRequest(method, url, strings.NewReader(body))
	if err != nil {
		tb.Fatal(err)
	}
	if body != "" {
		req.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(header); i += 2 {
		req.Header.Set(header[i], header[i+1])
	}
	res, err := (&http.Client{CheckRedirect: func(*http.Request, []*http.Request) error { return http.ErrUseLastResponse }}).Do(req)
	if err != nil {
		tb.Fatal(err)
	}
	defer res.Body.Close()
	raw, _ := io.ReadAll(res.Body)
	return res, string(raw)
}

// enter brings a key to a door.
func enter(tb testing.TB, door, key, name string, header ...string) (*http.Response, string) {
	tb.Helper()
	in, _ := json.Marshal(map[string]string{"key": key, "name": name})
	return call(tb, "POST", door+"/api/v1/door/enter", string(in), header...)
}

// let lets a device in and returns its cookie as a header.
func (e *entry) let(door, name string) string {
	e.tb.Helper()
	res, says := enter(e.tb, door, e.key(), name)
	if res.StatusCode != 204 || len(res.Cookies()) != 1 {
		e.tb.Fatalf("%d %s", res.StatusCode, says)
	}
	return deviceCookie + "=" + res.Cookies()[0].Value
}

// routes walks the contract: every way in, with something in the place of its parameters.
func routes(tb testing.TB, job string) (out [][2]string) {
	tb.Helper()
	doc, err := readContract()
	if err != nil {
		tb.Fatal(err)
	}
	names := strings.NewReplacer("{id}", job, "{task}", "lay", "{date}", "2026-11-27", "{region}", "inland", "{table}", "foods.csv", "{form}", "bowl", "{kind}", "ideas", "{number}", "1", "{device}", "x", "{photo}", "x", "{vessel}", "bowl")
	for path, item := range doc.Paths.Map() {
		for method := range item.Operations() {
			at := names.Replace(path)
			if strings.Contains(at, "{") {
				tb.Fatalf("the test knows nothing to put into %s", at)
			}
			out = append(out, [2]string{method, at})
		}
	}
	if len(out) < 100 {
		tb.Fatalf("only %d ways in", len(out))
	}
	return out
}

func TestWhoWasNotLetInSeesNothing(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	j := e.make("Nobody's business", `{"guests":{"adults":5}}`)
	door := e.open()
	forged, err := securecookie.New(securecookie.GenerateRandomKey(32), nil).SetSerializer(securecookie.JSONEncoder{}).Encode("door", "x")
	if err != nil {
		t.Fatal(err)
	}
	good := e.let(door, "Bas's tablet")
	out := e.let(door, "A lost phone")
	for _, d := range e.door().Devices {
		if d.Name == "A lost phone" {
			if got := e.ask("DELETE", "/api/v1/door/devices/"+d.Id, nil); got.status != 204 {
				t.Fatalf("putting out: %d %s", got.status, got.body)
			}
		}
	}
	strangers := map[string]string{"with nothing": "", "with a forged token": deviceCookie + "=" + forged, "with nonsense": deviceCookie + "=" + strings.Repeat("x", 5000),
		"that was put out": out, "with a broken token": good[:len(good)-4] + "aaaa", "with an empty token": deviceCookie + "="}
	ways := routes(t, j.Id)
	for _, path := range map[string]string{"the jobs": "/", "a page": "/jobs/" + j.Id + "/lay", "a drawing": "/mark.svg", "the program": "/assets/index.js", "health": "/healthz", "nothing": "/nothing.txt",
		"a path in a path": "/enter/../jobs", "two slashes": "//api/v1/jobs", "letters": "/API/v1/jobs", "escaped": "/api/v1/%6aobs", "the door's build": "/door.html", "the manifest": "/manifest.json"} {
		for _, method := range []string{"GET", "HEAD", "POST", "OPTIONS", "TRACE", "BREW"} {
			ways = append(ways, [2]string{method, path})
		}
	}
	for who, cookie := range strangers {
		for _, w := range ways {
			if w[1] == "/api/v1/door/enter" {
				continue
			}
			for _, accept := range []string{"*/*", "text/html"} {
				res, says := call(t, w[0], door+w[1], "", "Cookie", cookie, "Accept", accept)
				if res.StatusCode != 401 {
					t.Errorf("a device %s: %s %s answers %d: %.80s", who, w[0], w[1], res.StatusCode, says)
				}
				for _, word := range []string{"Nobody's business", j.Id, "the jobs", "soft"} {
					if strings.Contains(says, word) && !strings.Contains(w[1], word) {
						t.Errorf("a device %s is told %q by %s %s: %.200s", who, word, w[0], w[1], says)
					}
				}
			}
		}
	}
	// what the door's page is made of is there for everybody
	for path, want := range map[string]string{"/enter": "Come in", "/assets/door.js": "2", "/assets/both.css": "a{}", "/assets/font.woff2": "f"} {
		if res, says := call(t, "GET", door+path, ""); res.StatusCode != 200 || !strings.Contains(says, want) {
			t.Errorf("%s at the door: %d %.80s", path, res.StatusCode, says)
		}
	}
	if res, says := call(t, "GET", door+"/jobs/"+j.Id+"/prep", "", "Accept", "text/html"); res.StatusCode != 401 || !strings.Contains(says, "Come in") {
		t.Errorf("a page at the door: %d %.80s", res.StatusCode, says)
	}
	// who was let in sees all that, and what was refused above was there
	for _, path := range []string{"/", "/api/v1/jobs/" + j.Id, "/api/v1/jobs/" + j.Id + "/tray.svg", "/assets/index.js", "/healthz", "/mark.svg"} {
		if res, says := call(t, "GET", door+path, "", "Cookie", good); res.StatusCode != 200 {
			t.Errorf("%s for who was let in: %d %.80s", path, res.StatusCode, says)
		}
	}
}

// The door is known by where a request comes from, too: from another machine, or through a proxy on this one.
func TestAnotherMachineStandsAtTheDoor(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	for _, h := range [][2]string{{"X-Forwarded-For", "192.0.2.9"}, {"Forwarded", "for=192.0.2.9"}, {"X-Real-Ip", "127.0.0.1"}, {"Via", "1.1 proxy"}, {"X-Forwarded-Proto", "https"}} {
		if res, says := call(t, "GET", e.url+"/api/v1/jobs", "", h[0], h[1]); res.StatusCode != 401 {
			t.Errorf("with %s: %d %.80s", h[0], res.StatusCode, says)
		}
	}
	if res, _ := call(t, "GET", e.url+"/api/v1/jobs", ""); res.StatusCode != 200 {
		t.Errorf("at the house's computer: %d", res.StatusCode)
	}
	var own string
	for _, a := range ownAddresses() {
		if a != "127.0.0.1" {
			own = a
		}
	}
	if own == "" {
		t.Skip("this machine is in no network")
	}
	l, err := net.Listen("tcp", net.JoinHostPort(own, "0"))
	if err != nil {
		t.Fatal(err)
	}
	srv := New(e.reach, slog.New(slog.DiscardHandler)) // as HAPPYTRAY_ADDR beyond loopback would have it
	go srv.Serve(l)
	defer srv.Close()
	if res, says := call(t, "GET", "http://"+l.Addr().String()+"/api/v1/jobs", ""); res.StatusCode != 401 {
		t.Errorf("from %s: %d %.80s", own, res.StatusCode, says)
	}
}

func TestNothingListensBeyondThisMachineUntilTheDoorIsOpen(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0") // a port that is free
	if err != nil {
		t.Fatal(err)
	}
	at := l.Addr().String()
	l.Close()
	e := newEntry(t, at, "")
	reached := func() bool {
		c, err := net.DialTimeout("tcp", at, time.Second)
		if err == nil {
			c.Close()
		}
		return err == nil
	}
	if reached() || e.door().Open || e.door().Listening || len(e.door().Addresses) > 0 {
		t.Fatal("as shipped it listens")
	}
	if got := e.ask("POST", "/api/v1/door/key", nil); got.status != 422 || !strings.Contains(string(got.body), "are off") {
		t.Errorf("a key to a shut door: %d %s", got.status, got.body)
	}
	door := e.open()
	if !reached() || !e.door().Listening || door != "http://"+at {
		t.Errorf("opened: %v, %q", e.door(), door)
	}
	cookie := e.let(door, "Ilka's phone")
	if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", cookie); res.StatusCode != 200 {
		t.Errorf("let in: %d", res.StatusCode)
	}
	if got := e.ask("PUT", "/api/v1/door", []byte(`{"open":false}`)); got.status != 204 || reached() {
		t.Errorf("shut: %d, and it is reached: %v", got.status, reached())
	}
	// by a proxy on this machine it is shut as well, to who was in, too
	if res, _ := call(t, "GET", e.url+"/api/v1/jobs", "", "Cookie", cookie, "X-Forwarded-For", "192.0.2.9"); res.StatusCode != 401 {
		t.Errorf("a known device at a shut door: %d", res.StatusCode)
	}
	if res, says := enter(t, e.url, "AAAAA-AAAAA", "x", "X-Forwarded-For", "192.0.2.9"); res.StatusCode != 422 || !strings.Contains(says, "are off") {
		t.Errorf("a key at a shut door: %d %s", res.StatusCode, says)
	}
	// another process opens it: this one hears of it
	if err := e.app.OpenDoor(context.Background(), true); err != nil {
		t.Fatal(err)
	}
	for range 60 {
		if reached() {
			break
		}
		time.Sleep(50 * time.Millisecond)
	}
	if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", cookie); res.StatusCode != 200 {
		t.Errorf("known again when it is open again: %d", res.StatusCode)
	}
}

func TestADoorThatCannotBeOpenedSaysWhy(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	e := newEntry(t, l.Addr().String(), "")
	if got := e.ask("PUT", "/api/v1/door", []byte(`{"open":true}`)); got.status != 204 {
		t.Fatal(got.status)
	}
	if d := e.door(); d.Listening || !strings.Contains(d.Trouble, "in use already") || !strings.Contains(d.Trouble, "HAPPYTRAY_DOOR") {
		t.Errorf("%+v", d)
	}
	for _, bad := range [][2]string{{"8090", ""}, {":8090", "tray.example"}, {":8090", "ftp://tray.example"}, {":8090", "https://tray.example/here"}, {":8090", "https://"}, {":8090", ":"}} {
		if _, err := NewDoorkeeper(bad[0], bad[1]); err == nil || !strings.Contains(err.Error(), "should be an address") {
			t.Errorf("%q: %v", bad, err)
		}
	}
}

func TestAKeyLetsOneDeviceIn(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	first := e.key()
	second := e.key()
	for _, c := range []struct {
		says, key, name string
		want            int
	}{
		{"the key before", first, "A phone", 422}, {"no name", second, " ", 422}, {"a long name", second, strings.Repeat("é", 41), 422},
		{"small letters in one", strings.ToLower(strings.ReplaceAll(second, "-", " ")), "Ilka's phone", 204}, {"once more", second, "Another", 422},
	} {
		if res, says := enter(t, door, c.key, c.name); res.StatusCode != c.want {
			t.Errorf("%s: %d %s", c.says, res.StatusCode, says)
		}
	}
	late := e.key()
	*e.clock = e.clock.Add(5 * time.Minute)
	if res, says := enter(t, door, late, "Late"); res.StatusCode != 422 || !strings.Contains(says, "5 minutes") {
		t.Errorf("a key of five minutes ago: %d %s", res.StatusCode, says)
	}
	if d := e.door(); len(d.Devices) != 1 || d.Devices[0].Name != "Ilka's phone" || d.KeyUntil != nil {
		t.Errorf("in are %+v", d)
	}
	// several with one key at once
	key := e.key()
	var wg sync.WaitGroup
	in := make([]int, 9) // fewer than the tries that one address has
	for i := range in {
		wg.Add(1)
		go func() {
			defer wg.Done()
			raw, _ := json.Marshal(map[string]string{"key": key, "name": fmt.Sprint("Phone ", i)})
			res, err := http.Post(door+"/api/v1/door/enter", "application/json", bytes.NewReader(raw))
			if err == nil {
				in[i] = res.StatusCode
				res.Body.Close()
			}
		}()
	}
	wg.Wait()
	if n := len(slices.DeleteFunc(in, func(s int) bool { return s != 204 })); n != 1 {
		t.Errorf("%d came in by one key", n)
	}
}

func TestTriesAreLimited(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	key := e.key()
	try := func(key, from string) int {
		res, _ := enter(t, door, key, "x", "X-Forwarded-For", from)
		return res.StatusCode
	}
	for i := range 10 {
		if got := try("WRONG-WRONG", "192.0.2.1"); got != 422 {
			t.Fatalf("try %d: %d", i, got)
		}
	}
	if got := try(key, "192.0.2.1"); got != 429 {
		t.Errorf("the eleventh try, with the right key: %d", got)
	}
	if got := try("WRONG-WRONG", "192.0.2.2"); got != 422 {
		t.Errorf("somebody else: %d", got)
	}
	for i := range 89 {
		if got := try("WRONG-WRONG", fmt.Sprintf("192.0.2.%d", 10+i)); got != 422 {
			t.Fatalf("try %d of all: %d", 11+i, got)
		}
	}
	if got := try(key, "192.0.2.200"); got != 429 {
		t.Errorf("the hundred and first of all: %d", got)
	}
	*e.clock = e.clock.Add(10*time.Minute + time.Second)
	key = e.key()
	if got := try(key, "192.0.2.1"); got != 204 {
		t.Errorf("ten minutes later: %d", got)
	}
}

func TestWhatADeviceMayNot(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	one, other := e.let(door, "Bas's tablet"), e.let(door, "Ilka's phone")
	id := map[string]string{}
	for _, d := range e.door().Devices {
		id[d.Name] = d.Id
	}
	for _, c := range [][3]string{{"PUT", "/api/v1/door", `{"open":false}`}, {"POST", "/api/v1/door/key", ""}, {"DELETE", "/api/v1/door/devices/" + id["Ilka's phone"], ""}} {
		if res, says := call(t, c[0], door+c[1], c[2], "Cookie", one); res.StatusCode != 403 || !strings.Contains(says, "house's own computer") {
			t.Errorf("%s %s: %d %s", c[0], c[1], res.StatusCode, says)
		}
	}
	var seen api.Door
	_, says := call(t, "GET", door+"/api/v1/door", "", "Cookie", one)
	if json.Unmarshal([]byte(says), &seen); seen.Here != api.DoorHereDevice || *seen.Name != "Bas's tablet" || len(seen.Devices) != 1 || len(seen.Addresses) != 0 || strings.Contains(says, "Ilka") {
		t.Errorf("a device is told %s", says)
	}
	if got := e.ask("POST", "/api/v1/door/leave", nil); got.status != 422 {
		t.Errorf("the house leaves: %d", got.status)
	}
	if res, _ := call(t, "POST", door+"/api/v1/door/leave", "", "Cookie", one); res.StatusCode != 204 || res.Cookies()[0].MaxAge >= 0 {
		t.Errorf("leaving: %d, %v", res.StatusCode, res.Cookies())
	}
	if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", one); res.StatusCode != 401 {
		t.Errorf("after leaving: %d", res.StatusCode)
	}
	if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", other); res.StatusCode != 200 {
		t.Errorf("the other one: %d", res.StatusCode)
	}
	if got := e.ask("DELETE", "/api/v1/door/devices/nobody", nil); got.status != 404 {
		t.Errorf("putting out nobody: %d", got.status)
	}
	// another site may not use a device's cookie
	if res, _ := call(t, "POST", door+"/api/v1/jobs", `{}`, "Cookie", other, "Origin", "https://evil.example"); res.StatusCode != 403 {
		t.Errorf("from another site: %d", res.StatusCode)
	}
}

// What is under way for a device ends when it is put out.
func TestPuttingOutEndsALongAnswer(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	cookie := e.let(door, "A phone")
	req, err := http.NewRequest("POST", door+"/api/v1/arrange?seconds=30", bytes.NewReader(file(t, waiting(t, 30))))
	if err != nil {
		t.Fatal(err)
	}
	req.Header.Set("Content-Type", "application/json")
	req.Header.Set("Cookie", cookie)
	res, err := http.DefaultClient.Do(req)
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if res.StatusCode != 200 {
		t.Fatal(res.Status)
	}
	began := time.Now()
	if got := e.ask("DELETE", "/api/v1/door/devices/"+e.door().Devices[0].Id, nil); got.status != 204 {
		t.Fatal(got.status)
	}
	_, _ = io.Copy(io.Discard, res.Body)
	if took := time.Since(began); took > 1500*time.Millisecond { // a second, and some for a busy machine
		t.Errorf("a search of 30 s goes on for %v", took)
	}
}

// Somebody who has not been let in sends little, slowly, and many times at once: nobody at the house waits for that.
func TestStrangersHoldNothingOfTheHouse(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	if res, says := call(t, "POST", door+"/api/v1/door/enter", `{"key":"`+strings.Repeat("x", 5000)+`","name":"me"}`); res.StatusCode != 413 {
		t.Errorf("5 kB of key: %d %s", res.StatusCode, says)
	}
	at := strings.TrimPrefix(door, "http://")
	for range 60 {
		c, err := net.Dial("tcp", at)
		if err != nil {
			t.Fatal(err)
		}
		defer c.Close()
		fmt.Fprintf(c, "POST /api/v1/door/enter HTTP/1.1\r\nHost: %s\r\nContent-Type: application/json\r\nContent-Length: 4000\r\n\r\n{", at)
	}
	time.Sleep(50 * time.Millisecond) // they have arrived
	began := time.Now()
	j := e.make("While strangers wait", `{"guests":{"adults":4}}`)
	if a := e.ask("PUT", "/api/v1/jobs/"+j.Id, file(t, laid(t, 4)), "If-Match", `"1"`); a.status != 200 {
		t.Errorf("%d %.200s", a.status, a.body)
	}
	if took := time.Since(began); took > 3*time.Second {
		t.Errorf("the house waited %v", took)
	}
}

// A token runs out by the house's clock, after ninety days and not before, and a house that was brought back from a
// backup lets nobody in who was in then.
func TestATokenRunsOut(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	cookie := e.let(door, "A phone")
	for days, status := range map[int]int{1: 200, 89: 200, 91: 401, 900: 401} {
		was := *e.clock
		*e.clock = was.Add(time.Duration(days) * 24 * time.Hour)
		if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", cookie); res.StatusCode != status {
			t.Errorf("after %d days: %d", days, res.StatusCode)
		}
		*e.clock = was
	}
	if err := e.app.ForgetDoor(context.Background()); err != nil {
		t.Fatal(err)
	}
	if d := e.door(); d.Open || len(d.Devices) != 0 {
		t.Errorf("%+v", d)
	}
	door = e.open()
	if res, _ := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", cookie); res.StatusCode != 401 {
		t.Errorf("with the token of before: %d", res.StatusCode)
	}
}

func TestTheCookie(t *testing.T) {
	for _, c := range []struct {
		public string
		header []string
		secure bool
	}{{"", nil, false}, {"", []string{"X-Forwarded-Proto", "https"}, true}, {"https://tray.example", nil, true}, {"http://tray.example", nil, false}} {
		e := newEntry(t, "127.0.0.1:0", c.public)
		e.open()
		address := e.door().Addresses[0]
		if c.public != "" && address != c.public {
			t.Errorf("it is reached at %s", address)
		}
		e.keeper.mu.Lock()
		port := e.keeper.port
		e.keeper.mu.Unlock()
		res, says := enter(t, "http://127.0.0.1:"+port, e.key(), "A phone", c.header...)
		if res.StatusCode != 204 {
			t.Fatalf("%d %s", res.StatusCode, says)
		}
		k := res.Cookies()[0]
		if !k.HttpOnly || k.SameSite != http.SameSiteStrictMode || k.Path != "/" || k.Domain != "" || k.Secure != c.secure || k.MaxAge != 90*24*3600 {
			t.Errorf("%+v: %+v", c, k)
		}
		if c.public != "" {
			if got := e.asHost("GET", "/healthz", "tray.example"); got != 200 {
				t.Errorf("by its public name: %d", got)
			}
		}
	}
}

// When a device was last seen is kept to a minute, and a token runs out.
func TestLastSeen(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	cookie := e.let(door, "A phone")
	was := e.door().Devices[0].Seen
	*e.clock = e.clock.Add(50 * time.Second)
	call(t, "GET", door+"/healthz", "", "Cookie", cookie)
	if got := e.door().Devices[0].Seen; !got.Equal(was) {
		t.Errorf("seen after 50 s is kept as %v, was %v", got, was)
	}
	*e.clock = e.clock.Add(20 * time.Second)
	call(t, "GET", door+"/healthz", "", "Cookie", cookie)
	if got := e.door().Devices[0].Seen; got.Sub(was) != 70*time.Second {
		t.Errorf("seen after 70 s is kept as %v, was %v", got, was)
	}
}

func TestADeviceWhileTheDatabaseIsAway(t *testing.T) {
	e := newEntry(t, "127.0.0.1:0", "")
	door := e.open()
	cookie := e.let(door, "A phone")
	e.app.Store().Close()
	if res, says := call(t, "GET", door+"/api/v1/jobs", "", "Cookie", cookie); res.StatusCode == 401 || res.StatusCode < 500 {
		t.Errorf("%d %s: it would be taken for put out", res.StatusCode, says)
	}
}
