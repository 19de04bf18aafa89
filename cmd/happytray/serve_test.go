package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"
)

// copy is a running serve command.
type running struct {
	cmd  *exec.Cmd
	addr string
	says *bytes.Buffer
}

// serveAt starts the program; it returns nil and what was said when it ends at once.
func serveAt(t *testing.T, addr, dir string, flags ...string) (*running, string) {
	t.Helper()
	cmd := exec.Command(program, append([]string{"serve", "--dir", dir}, flags...)...)
	cmd.Env = append(os.Environ(), "HAPPYTRAY_ADDR="+addr, "HAPPYTRAY_DB=")
	says := &bytes.Buffer{}
	cmd.Stderr = says
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	line, err := bufio.NewReader(out).ReadString('\n')
	if err != nil { // it ended
		err := cmd.Wait()
		if err == nil {
			t.Error("it ended without a fault")
		}
		return nil, says.String()
	}
	at := strings.Fields(line[strings.Index(line, "http://")+7:])[0]
	go io.Copy(io.Discard, out)
	r := &running{cmd, at, says}
	t.Cleanup(func() { _ = cmd.Process.Kill() })
	return r, line
}

// stop ends it as Ctrl-C does and reports how it ended.
func (r *running) stop(t *testing.T) {
	t.Helper()
	if err := r.cmd.Process.Signal(os.Interrupt); err != nil {
		t.Fatal(err)
	}
	done := make(chan error, 1)
	go func() { done <- r.cmd.Wait() }()
	select {
	case err := <-done:
		if err != nil {
			t.Errorf("it ended with %v: %s", err, r.says)
		}
	case <-time.After(40 * time.Second):
		t.Fatal("it does not end")
	}
}

func (r *running) get(t *testing.T, path string, v any) int {
	t.Helper()
	res, err := http.Get("http://" + r.addr + path)
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	if v != nil {
		if err := json.NewDecoder(res.Body).Decode(v); err != nil {
			t.Fatal(err)
		}
	}
	return res.StatusCode
}

// One life of the served product: first start with the demo world, every fault
// that a person meets, a second start that keeps what was done.
func TestServe(t *testing.T) {
	if testing.Short() {
		t.Skip("starts databases")
	}
	dir, err := os.MkdirTemp("", "ht-serve")
	if err != nil {
		t.Fatal(err)
	}
	defer os.RemoveAll(dir)
	first, says := serveAt(t, "127.0.0.1:0", dir, "--demo")
	if first == nil {
		t.Fatal(says)
	}
	type card struct{ ID, Title, State string }
	var jobs []card
	if first.get(t, "/api/v1/jobs", &jobs) != 200 || len(jobs) != 4 || jobs[0].State != "laid" || jobs[2].State != "briefed" {
		t.Errorf("the demo world: %+v", jobs)
	}
	if first.get(t, "/healthz", nil) != 200 {
		t.Error("not healthy")
	}

	for _, c := range []struct{ name, addr, dir, says string }{
		{"the port is taken", first.addr, filepath.Join(dir, "other"), "is in use already"},
		{"a second copy", "127.0.0.1:0", dir, "a second copy is already running"},
		{"no such address", "192.0.2.1:80", dir, "cannot listen"},
		{"a folder that cannot be", "127.0.0.1:0", "/proc/none", "cannot be made"},
		{"a folder with a long name", "127.0.0.1:0", filepath.Join(dir, strings.Repeat("long", 30)), "too long a name"},
	} {
		r, says := serveAt(t, c.addr, c.dir)
		if r != nil {
			t.Errorf("%s: it runs", c.name)
			r.stop(t)
			continue
		}
		if !strings.Contains(says, c.says) || strings.Count(strings.TrimSpace(says), "\n") > 0 {
			t.Errorf("%s: it says %q", c.name, says)
		}
	}

	// a job of our own, then everything is stopped in order
	res, err := http.Post("http://"+first.addr+"/api/v1/jobs", "application/json", strings.NewReader(`{"title":"Mine","brief":{"guests":{"adults":5}}}`))
	if err != nil || res.StatusCode != 201 {
		t.Fatalf("%v %v", res, err)
	}
	res.Body.Close()
	first.stop(t)
	if alive(dir) {
		t.Error("the database was left running")
	}

	start := time.Now()
	second, says := serveAt(t, "127.0.0.1:0", dir, "--demo")
	if second == nil {
		t.Fatal(says)
	}
	t.Logf("started again in %v", time.Since(start).Round(time.Millisecond))
	jobs = nil
	if second.get(t, "/api/v1/jobs", &jobs); len(jobs) != 5 {
		t.Errorf("after a second start: %+v", jobs)
	}

	// killed, it leaves its database behind; the next start takes it over
	if err := second.cmd.Process.Kill(); err != nil {
		t.Fatal(err)
	}
	_ = second.cmd.Wait()
	third, says := serveAt(t, "127.0.0.1:0", dir)
	if third == nil {
		t.Fatal(says)
	}
	jobs = nil
	if third.get(t, "/api/v1/jobs", &jobs); len(jobs) != 5 {
		t.Errorf("after being killed: %+v", jobs)
	}

	// stopping lets a request that is under way end
	ctx, cancel := context.WithTimeout(context.Background(), 30*time.Second)
	defer cancel()
	ended := make(chan string, 1)
	plan := string(must(t, []byte(`{"guests":{"adults":6}}`), "plan"))
	req, _ := http.NewRequestWithContext(ctx, "POST", "http://"+third.addr+"/api/v1/arrange?seconds=2", strings.NewReader(plan))
	req.Header.Set("Content-Type", "application/json")
	go func() {
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			ended <- err.Error()
			return
		}
		defer res.Body.Close()
		all, err := io.ReadAll(res.Body)
		if err != nil {
			ended <- err.Error()
			return
		}
		ended <- string(all)
	}()
	time.Sleep(600 * time.Millisecond)
	third.stop(t)
	if got := <-ended; !strings.Contains(got, `"done":true`) {
		t.Errorf("a search was cut off: %.200s", got)
	}
}

// alive reports whether a database server still runs on the folder.
func alive(dir string) bool {
	raw, err := os.ReadFile(filepath.Join(dir, "db", "pid"))
	if err != nil {
		return false
	}
	var pid int
	for _, c := range strings.TrimSpace(string(raw)) {
		pid = pid*10 + int(c-'0')
	}
	return syscall.Kill(pid, 0) == nil
}

func TestServeOnAnotherDatabase(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	gone := l.Addr().String()
	l.Close()
	for source, want := range map[string]string{
		"nonsense":                        "user:password@tcp(host:port)/name",
		"u:p@tcp(" + gone + ")/happytray": "cannot be reached",
	} {
		cmd := exec.Command(program, "serve")
		cmd.Env = append(os.Environ(), "HAPPYTRAY_ADDR=127.0.0.1:0", "HAPPYTRAY_DB="+source)
		out, err := cmd.CombinedOutput()
		if err == nil || !strings.Contains(string(out), want) || strings.Contains(string(out), "u:p") {
			t.Errorf("%s: %v %q", source, err, out)
		}
	}
}
