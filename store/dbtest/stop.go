package dbtest

import (
	"bytes"
	"fmt"
	"os"
	"path/filepath"
	"syscall"
	"testing"
	"time"
)

// Hang makes a process answer nothing more, as a database on a machine that hangs: it is stopped, and all of its
// threads are seen to be. A signal alone comes to some of them later, and they answer until then.
func Hang(t testing.TB, pid int) {
	t.Helper()
	if err := syscall.Kill(pid, syscall.SIGSTOP); err != nil {
		t.Fatal(err)
	}
	for range 400 {
		if stopped(t, pid) {
			return
		}
		time.Sleep(5 * time.Millisecond)
	}
	t.Fatal("it does not stop")
}

// stopped reports whether every thread of a process is.
func stopped(t testing.TB, pid int) bool {
	threads, err := filepath.Glob(fmt.Sprintf("/proc/%d/task/*/stat", pid))
	if err != nil || len(threads) == 0 {
		t.Fatal("there is no such process", err)
	}
	for _, at := range threads {
		raw, err := os.ReadFile(at)
		if err != nil {
			continue // it has ended
		}
		if _, after, ok := bytes.Cut(raw, []byte(") ")); !ok || after[0] != 'T' {
			return false
		}
	}
	return true
}
