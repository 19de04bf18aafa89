package store

import (
	"bytes"
	"context"
	"database/sql/driver"
	"errors"
	"fmt"
	"log/slog"
	"math/rand/v2"
	"net"
	"os"
	"path/filepath"
	"strconv"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"
	"time"

	mysqldriver "github.com/go-sql-driver/mysql"
	"gorm.io/gorm"

	"happytray/store/dbtest"
	"happytray/store/localdb"
)

func TestErrorsAreToldApart(t *testing.T) {
	my := func(n uint16, says string) error {
		return fmt.Errorf("asking: %w", &mysqldriver.MySQLError{Number: n, Message: says})
	}
	other := my(1062, "Duplicate entry")
	for name, c := range map[string]struct{ err, want error }{
		"nothing":                  {nil, nil},
		"not found":                {ErrNotFound, ErrNotFound},
		"wrapped conflict":         {fmt.Errorf("saving: %w", ErrConflict), ErrConflict},
		"deadlock":                 {my(1213, "Deadlock found"), ErrDown},
		"lock wait":                {my(1205, "Lock wait timeout exceeded"), ErrDown},
		"cluster node not ready":   {my(1047, "WSREP has not yet prepared node for application use"), ErrDown},
		"read-only node":           {my(1290, "running with the --read-only option"), ErrDown},
		"too many connections":     {my(1040, "Too many connections"), ErrDown},
		"shutting down":            {my(1053, "Server shutdown in progress"), ErrDown},
		"bad connection":           {driver.ErrBadConn, ErrDown},
		"wrapped bad connection":   {fmt.Errorf("x: %w", driver.ErrBadConn), ErrDown},
		"invalid connection":       {mysqldriver.ErrInvalidConn, ErrDown},
		"refused":                  {&net.OpError{Op: "dial", Err: syscall.ECONNREFUSED}, ErrDown},
		"too slow":                 {context.DeadlineExceeded, ErrDown},
		"disk full":                {my(1021, "Disk full"), ErrFull},
		"table full":               {my(1114, "The table 'revisions' is full"), ErrFull},
		"engine without room":      {my(1030, `Got error 28 "No space left on device" from storage engine InnoDB`), ErrFull},
		"engine, something else":   {my(1030, `Got error 122 "Internal error" from storage engine InnoDB`), nil},
		"something else, as it is": {other, other},
	} {
		got := known(c.err)
		if c.want != nil && !errors.Is(got, c.want) || c.want == nil && (errors.Is(got, ErrDown) || errors.Is(got, ErrFull) || errors.Is(got, ErrConflict)) {
			t.Errorf("%s: %v", name, got)
		}
	}
}

// Two who lock the same things in another order meet a deadlock; both get through.
func TestDeadlocksAreTriedAgain(t *testing.T) {
	s, ctx := open(t), context.Background()
	for _, n := range []string{"left", "right"} {
		if err := s.SetFact(ctx, n, "0"); err != nil {
			t.Fatal(err)
		}
	}
	met := 0
	var mu sync.Mutex
	var all sync.WaitGroup
	for i := range 8 {
		all.Go(func() {
			one, two := "left", "right"
			if i%2 == 1 {
				one, two = two, one
			}
			begun := 0
			if err := s.change(ctx, func(tx *gorm.DB) error {
				begun++
				if _, err := lockFact(tx, one); err != nil {
					return err
				}
				time.Sleep(8 * time.Millisecond)
				if _, err := lockFact(tx, two); err != nil {
					return err
				}
				return nil
			}); err != nil {
				t.Errorf("%d: %v", i, err)
			}
			mu.Lock()
			met += begun - 1
			mu.Unlock()
		})
	}
	all.Wait()
	if met == 0 {
		t.Error("nobody met a deadlock, so nothing was tried")
	}
}

// A change of several steps that meets a deadlock is done again from its first step: the database has taken all of them
// back, and whatever was acknowledged is there.
func TestAWholeIsTriedAgainAsAWhole(t *testing.T) {
	s, ctx := open(t), context.Background()
	count := func(name string) int {
		v, err := s.Fact(ctx, name)
		if err != nil {
			t.Fatal(err)
		}
		n, _ := strconv.Atoi(v)
		return n
	}
	more := func(was string) (string, error) {
		n, _ := strconv.Atoi(was)
		return strconv.Itoa(n + 1), nil
	}
	for _, n := range []string{"whole-left", "whole-right"} {
		if err := s.SetFact(ctx, n, "0"); err != nil {
			t.Fatal(err)
		}
	}
	var done, begun atomic.Int64
	var all sync.WaitGroup
	for i := range 8 {
		all.Go(func() {
			one, two := "whole-left", "whole-right"
			if i%2 == 1 {
				one, two = two, one
			}
			for range 3 {
				err := s.Whole(ctx, func(st *Store) error {
					begun.Add(1)
					if err := st.ChangeFact(ctx, one, more); err != nil {
						return err
					}
					time.Sleep(4 * time.Millisecond)
					return st.ChangeFact(ctx, two, more)
				})
				switch {
				case err == nil:
					done.Add(1)
				case !errors.Is(err, ErrDown): // tried as often as it may be
					t.Errorf("%d: %v", i, err)
				}
			}
		})
	}
	all.Wait()
	left, right := count("whole-left"), count("whole-right")
	if int64(left) != done.Load() || left != right || left < 12 {
		t.Errorf("%d acknowledged, kept %d and %d", done.Load(), left, right)
	}
	if begun.Load() == 24 {
		t.Error("nobody met a deadlock, so nothing was tried")
	}
}

// private is a database server of one test's own.
func private(t *testing.T, name string, o localdb.Options) (*localdb.Server, *Store) {
	t.Helper()
	db, err := localdb.Start(context.Background(), filepath.Join(home, name), o)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { db.Stop() })
	s, err := Open(context.Background(), db.DSN(), Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return db, s
}

// The database is killed in the middle of edits: it is up again within five seconds,
// and whatever was acknowledged is there.
func TestAKilledDatabaseComesBack(t *testing.T) {
	var said lockedBuffer
	db, s := private(t, "killed", localdb.Options{Log: slog.New(slog.NewTextHandler(&said, nil))})
	ctx := context.Background()
	j, err := s.Create(ctx, Heading{Title: "edited"}, `{"n":1}`, "")
	if err != nil {
		t.Fatal(err)
	}
	acknowledged, n := j.Head, 1
	save := func() error {
		n++
		now, err := s.Save(ctx, j.ID, acknowledged, Heading{Title: "edited"}, fmt.Sprintf(`{"n":%d}`, n), "moved")
		if errors.Is(err, ErrConflict) { // the answer was lost, the change was not
			head, e := s.Head(ctx, j.ID)
			if e == nil && head.Head == acknowledged+1 {
				acknowledged = head.Head
				return nil
			}
		}
		if err == nil {
			acknowledged = now.Head
		}
		return err
	}
	for range 20 {
		if err := save(); err != nil {
			t.Fatal(err)
		}
	}
	go func() {
		time.Sleep(5 * time.Millisecond)
		_ = syscall.Kill(db.PID(), syscall.SIGKILL)
	}()
	for range 4000 {
		if err = save(); err != nil {
			break
		}
	}
	if !errors.Is(err, ErrDown) {
		t.Fatalf("while it was away: %v", err)
	}
	began := time.Now()
	for err != nil && time.Since(began) < 5*time.Second {
		time.Sleep(50 * time.Millisecond)
		_, err = s.Head(ctx, j.ID)
	}
	if err != nil {
		t.Fatalf("it is not back after five seconds: %v", err)
	}
	head, r, err := s.Job(ctx, j.ID)
	if err != nil || head.Head < acknowledged || r.Document == "" {
		t.Errorf("revision %d of %d acknowledged, %v", head.Head, acknowledged, err)
	}
	if !bytes.Contains(said.bytes(), []byte("ended by itself")) {
		t.Errorf("the log says %s", said.bytes())
	}
}

// stands waits until every thread of a process that was told to stop has done so: until
// then it may still answer.
func stands(t *testing.T, pid int) {
	t.Helper()
	for range 200 {
		going := 0
		all, err := filepath.Glob(fmt.Sprintf("/proc/%d/task/*/stat", pid))
		if err != nil || len(all) == 0 {
			t.Fatal("there is no such process", err)
		}
		for _, one := range all {
			stat, err := os.ReadFile(one)
			if err == nil && !bytes.Contains(stat, []byte(") T ")) {
				going++
			}
		}
		if going == 0 {
			return
		}
		time.Sleep(10 * time.Millisecond)
	}
	t.Fatal("the database does not stop")
}

// A database that hangs makes nobody wait longer than three seconds, and most not at all.
func TestAHangingDatabase(t *testing.T) {
	db, s := private(t, "hanging", localdb.Options{})
	ctx := context.Background()
	if _, err := s.Create(ctx, Heading{Title: "x"}, `1`, ""); err != nil {
		t.Fatal(err)
	}
	dbtest.Hang(t, db.PID())
	defer syscall.Kill(db.PID(), syscall.SIGCONT)
	stands(t, db.PID())
	began := time.Now()
	waited := make([]time.Duration, 12)
	var all sync.WaitGroup
	for i := range waited {
		all.Go(func() {
			at := time.Now()
			if _, err := s.Jobs(ctx, Query{}); !errors.Is(err, ErrDown) {
				t.Errorf("%v", err)
			}
			waited[i] = time.Since(at)
		})
	}
	all.Wait()
	for _, w := range waited {
		if w > 3*time.Second {
			t.Errorf("waited %v", w)
		}
	}
	at := time.Now()
	if err := s.Ping(ctx); !errors.Is(err, ErrDown) || time.Since(at) > 50*time.Millisecond {
		t.Errorf("asked again at once: %v after %v", err, time.Since(at))
	}
	_ = syscall.Kill(db.PID(), syscall.SIGCONT)
	var err error
	for time.Since(began) < 10*time.Second {
		if _, err = s.Jobs(ctx, Query{}); err == nil {
			break
		}
		time.Sleep(100 * time.Millisecond)
	}
	if err != nil {
		t.Errorf("after it went on: %v", err)
	}
}

// With hardly any room left no change is taken, what is kept stays readable, and it goes on as soon as there is room.
func TestHardlyAnyRoomLeft(t *testing.T) {
	free := uint64(LeastFree)
	s, err := Open(context.Background(), server.DSN(), Options{Free: func() (uint64, error) { return free, nil }})
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	ctx := context.Background()
	j, err := s.Create(ctx, Heading{Title: "There is room"}, `1`, "")
	if err != nil {
		t.Fatal(err)
	}
	free--
	if _, err := s.Save(ctx, j.ID, j.Head, Heading{Title: "No more"}, `2`, ""); !errors.Is(err, ErrFull) {
		t.Errorf("a save: %v", err)
	}
	if err := s.SetFact(ctx, "room", "none"); !errors.Is(err, ErrFull) {
		t.Errorf("a fact: %v", err)
	}
	if err := s.Ping(ctx); !errors.Is(err, ErrFull) {
		t.Errorf("asked how it is: %v", err)
	}
	if _, r, err := s.Job(ctx, j.ID); err != nil || r.Document != "1" {
		t.Errorf("read: %v", err)
	}
	free++
	if _, err := s.Save(ctx, j.ID, j.Head, Heading{Title: "Again"}, `2`, ""); err != nil {
		t.Errorf("a save: %v", err)
	}
	if err := s.Ping(ctx); err != nil {
		t.Errorf("asked how it is: %v", err)
	}
	if n, err := server.Free(); err != nil || n == 0 {
		t.Errorf("the private database's disk: %d, %v", n, err)
	}
}

// A disk without room: what is kept stays readable, and it is said what is the matter.
func TestAFullDisk(t *testing.T) {
	small := func(most string) []string {
		return []string{"--innodb-file-per-table=0", "--innodb-data-file-path=ibdata1:12M:autoextend:max:" + most}
	}
	db, s := private(t, "full", localdb.Options{Extra: small("28M")})
	ctx := context.Background()
	j, err := s.Create(ctx, Heading{Title: "small"}, `{"n":1}`, "")
	if err != nil {
		t.Fatal(err)
	}
	large := make([]byte, 1<<20) // nothing that could be packed
	r := rand.New(rand.NewPCG(1, 2))
	for err == nil {
		for i := range large {
			large[i] = byte('!' + r.IntN(90))
		}
		var now Job
		if now, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "large"}, string(large), ""); err == nil {
			j = now
		}
	}
	if !errors.Is(err, ErrFull) {
		t.Fatalf("without room: %v", err)
	}
	if err := s.Ping(ctx); !errors.Is(err, ErrFull) {
		t.Errorf("asked how it is: %v", err)
	}
	if jobs, err := s.Jobs(ctx, Query{}); err != nil || len(jobs) != 1 {
		t.Errorf("reading: %d jobs, %v", len(jobs), err)
	}
	if err := db.Stop(); err != nil {
		t.Fatal(err)
	}
	if db, err = localdb.Start(ctx, filepath.Join(home, "full"), localdb.Options{Port: db.Port, Extra: small("64M")}); err != nil { // a larger disk
		t.Fatal(err)
	}
	defer db.Stop()
	if _, err := s.Save(ctx, j.ID, j.Head, Heading{Title: "again"}, `{"n":2}`, ""); err != nil {
		t.Errorf("with room again: %v", err)
	}
	if err := s.Ping(ctx); err != nil {
		t.Errorf("asked how it is: %v", err)
	}
}

type lockedBuffer struct {
	mu sync.Mutex
	b  bytes.Buffer
}

func (l *lockedBuffer) Write(p []byte) (int, error) {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.b.Write(p)
}

func (l *lockedBuffer) bytes() []byte {
	l.mu.Lock()
	defer l.mu.Unlock()
	return bytes.Clone(l.b.Bytes())
}
