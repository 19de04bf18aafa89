package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"happytray/store/localdb"
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
	return serveOn(t, addr, dir, "", flags...)
}

// serveOn is serveAt on a database that is there already.
func serveOn(t *testing.T, addr, dir, db string, flags ...string) (*running, string) {
	t.Helper()
	cmd := exec.Command(program, append([]string{"serve", "--dir", dir}, flags...)...)
	cmd.Env = append(os.Environ(), "HAPPYTRAY_ADDR="+addr, "HAPPYTRAY_DB="+db, "HAPPYTRAY_LOG=warn")
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
	var list struct{ Jobs []card }
	got := first.get(t, "/api/v1/jobs", &list)
	jobs := list.Jobs
	if got != 200 || len(jobs) != 4 || jobs[0].State != "laid" || jobs[2].State != "briefed" {
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
	list.Jobs = nil
	if second.get(t, "/api/v1/jobs", &list); len(list.Jobs) != 5 {
		t.Errorf("after a second start: %+v", list.Jobs)
	}

	// backed up while it runs, and read into an empty folder
	file := filepath.Join(dir, "all.backup")
	must(t, nil, "backup", "--dir", dir, file)
	if _, says, exit := run(t, nil, "restore", "--dir", dir, file); exit != 1 || !strings.Contains(string(says), "not empty") {
		t.Errorf("restored over what is there: %d %s", exit, says)
	}
	must(t, nil, "restore", "--dir", filepath.Join(dir, "again"), file)
	again, says := serveAt(t, "127.0.0.1:0", filepath.Join(dir, "again"))
	if again == nil {
		t.Fatal(says)
	}
	list.Jobs = nil
	if again.get(t, "/api/v1/jobs", &list); len(list.Jobs) != 5 {
		t.Errorf("after a restore: %+v", list.Jobs)
	}
	again.stop(t)

	// killed, it leaves its database behind; the next start takes it over
	if err := second.cmd.Process.Kill(); err != nil {
		t.Fatal(err)
	}
	_ = second.cmd.Wait()
	third, says := serveAt(t, "127.0.0.1:0", dir)
	if third == nil {
		t.Fatal(says)
	}
	list.Jobs = nil
	if third.get(t, "/api/v1/jobs", &list); len(list.Jobs) != 5 {
		t.Errorf("after being killed: %+v", list.Jobs)
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

// Several processes on one database load the demo world once, and see each other's work.
func TestSeveralServersOnOneDatabase(t *testing.T) {
	if testing.Short() {
		t.Skip("starts databases")
	}
	dir, err := os.MkdirTemp("", "ht-several")
	if err != nil {
		t.Fatal(err)
	}
	defer os.RemoveAll(dir)
	db, err := localdb.Start(context.Background(), filepath.Join(dir, "db"), localdb.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer db.Stop()
	all := make([]*running, 2)
	var begun sync.WaitGroup
	for i := range all {
		begun.Go(func() {
			r, says := serveOn(t, "127.0.0.1:0", dir, db.DSN(), "--demo")
			if all[i] = r; r == nil {
				t.Error(says)
			}
		})
	}
	begun.Wait()
	if t.Failed() {
		return
	}
	var list struct{ Jobs []struct{ ID string } }
	if all[0].get(t, "/api/v1/jobs", &list); len(list.Jobs) != 4 {
		t.Errorf("the demo world has %d jobs", len(list.Jobs))
	}
	for i, r := range all {
		res, err := http.Post("http://"+r.addr+"/api/v1/jobs", "application/json", strings.NewReader(`{"title":"From one of them","brief":{"guests":{"adults":5}}}`))
		if err != nil || res.StatusCode != 201 {
			t.Fatalf("%v %v", res, err)
		}
		res.Body.Close()
		list.Jobs = nil
		if all[(i+1)%2].get(t, "/api/v1/jobs", &list); len(list.Jobs) != 5+i {
			t.Errorf("the next one sees %d jobs", len(list.Jobs))
		}
	}
	for _, r := range all {
		r.stop(t)
	}
}

func TestWhatIsSetFromOutside(t *testing.T) {
	if out := must(t, nil, "version"); !bytes.HasPrefix(out, []byte("happytray ")) {
		t.Errorf("%s", out)
	}
	help := must(t, nil, "serve", "--help")
	for _, name := range []string{"HAPPYTRAY_ADDR", "HAPPYTRAY_DB", "HAPPYTRAY_HOSTS", "HAPPYTRAY_DEBUG_ADDR", "HAPPYTRAY_SHOP_NETS", "HAPPYTRAY_LOG", "HAPPYTRAY_LOG_JSON"} {
		if !bytes.Contains(help, []byte(name)) {
			t.Errorf("the help does not name %s", name)
		}
	}
	for set, want := range map[string]string{"HAPPYTRAY_ADR=:80": "no setting", "HAPPYTRAY_LOG=loud": "debug, info", "HAPPYTRAY_SHOP_NETS=home": "networks", "HAPPYTRAY_DEBUG_ADDR=0.0.0.0:1": "loopback", "HAPPYTRAY_LOG_JSON=maybe": "environment"} {
		cmd := exec.Command(program, "serve")
		cmd.Env = append(os.Environ(), set)
		out, err := cmd.CombinedOutput()
		var ended *exec.ExitError
		if !errors.As(err, &ended) || ended.ExitCode() != 2 || !strings.Contains(string(out), want) {
			t.Errorf("%s: %v %q", set, err, out)
		}
	}
}
