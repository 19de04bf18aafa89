// Cluster measures whether anything that was acknowledged is lost when several nodes of a Galera cluster are written at
// once: three nodes on loopback, each with a store of its own, and as many writers at each. It prints what was
// acknowledged and what is missing, and ends with 1 where anything is. It wants Debian's galera-4 and rsync.
package main

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"syscall"
	"time"

	"happytray/store"
)

const (
	provider = "/usr/lib/galera/libgalera_smm.so"
	nodes    = 3
	port     = 34610 // of the first node; the others follow
)

func main() {
	writers := flag.Int("writers", 4, "at each node")
	each := flag.Int("each", 60, "changes of each writer, for each kind of change")
	flag.Parse()
	lost, err := run(context.Background(), *writers, *each)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	if lost > 0 {
		os.Exit(1)
	}
}

func run(ctx context.Context, writers, each int) (lost int, err error) {
	home, err := os.MkdirTemp("", "ht-cluster-")
	if err != nil {
		return 0, err
	}
	defer os.RemoveAll(home)
	var running []*exec.Cmd
	defer func() {
		for _, c := range running {
			_ = c.Process.Signal(syscall.SIGTERM)
		}
		for _, c := range running {
			_ = c.Wait()
		}
	}()
	var stores []*store.Store
	for n := range nodes {
		c, err := node(home, n)
		if c != nil {
			running = append(running, c)
		}
		if err != nil {
			return 0, err
		}
		st, err := join(ctx, n)
		if err != nil {
			return 0, fmt.Errorf("node %d: %w; see %s", n+1, err, filepath.Join(home, fmt.Sprint(n), "log"))
		}
		defer st.Close()
		stores = append(stores, st)
	}
	for _, m := range []struct {
		name    string
		measure func(context.Context, []*store.Store, int, int) (acknowledged, missing int, err error)
	}{{"facts that count up", counted}, {"members of one fact", ticked}, {"jobs made in a whole", jobs}, {"saves of one job", saves}, {"versions of the house", versions}, {"grams in the cupboard", grams}} {
		began := time.Now()
		done, missing, err := m.measure(ctx, stores, writers, each)
		if err != nil {
			return lost, fmt.Errorf("%s: %w", m.name, err)
		}
		fmt.Printf("%-24s %5d acknowledged, %d missing, %.1f s\n", m.name, done, missing, time.Since(began).Seconds())
		lost += missing
	}
	// the others are killed: what is left has no quorum, and says so instead of that it is well
	for _, c := range running[1:] {
		_ = c.Process.Kill()
	}
	for end := time.Now().Add(30 * time.Second); ; time.Sleep(200 * time.Millisecond) {
		if err = stores[0].Ping(ctx); errors.Is(err, store.ErrDown) {
			fmt.Println("a node without quorum says that it does not answer")
			return lost, nil
		}
		if time.Now().After(end) {
			return lost, fmt.Errorf("a node without quorum says %v", err)
		}
	}
}

// node starts a node of the cluster; the first one makes it.
func node(home string, n int) (*exec.Cmd, error) {
	dir := filepath.Join(home, fmt.Sprint(n))
	data := filepath.Join(dir, "data")
	if err := os.MkdirAll(data, 0o755); err != nil {
		return nil, err
	}
	as := "mysql" // a server that runs as root gets no state from another
	if u, err := user.Current(); err == nil && u.Uid != "0" {
		as = u.Username
	} else {
		_ = os.Chmod(home, 0o755)
		if out, err := exec.Command("chown", "-R", as, dir).CombinedOutput(); err != nil {
			return nil, fmt.Errorf("%v: %s", err, out)
		}
	}
	if out, err := exec.Command("mariadb-install-db", "--no-defaults", "--datadir="+data, "--auth-root-authentication-method=normal", "--skip-test-db", "--user="+as).CombinedOutput(); err != nil {
		return nil, fmt.Errorf("a node could not be set up: %v: %.300s", err, out)
	}
	var peers []string
	for k := range n {
		peers = append(peers, fmt.Sprintf("127.0.0.1:%d", group(k)))
	}
	args := []string{"--no-defaults", "--datadir=" + data, "--bind-address=127.0.0.1", fmt.Sprintf("--port=%d", port+n), "--socket=" + filepath.Join(dir, "sock"), "--pid-file=" + filepath.Join(dir, "pid"),
		"--log-error=" + filepath.Join(dir, "log"), "--user=" + as, "--skip-name-resolve", "--innodb-buffer-pool-size=64M", "--innodb-flush-log-at-trx-commit=1", "--binlog-format=ROW", "--innodb-autoinc-lock-mode=2",
		"--wsrep-on=ON", "--wsrep-provider=" + provider, "--wsrep-cluster-name=tray", "--wsrep-cluster-address=gcomm://" + strings.Join(peers, ","), fmt.Sprintf("--wsrep-node-name=node%d", n+1),
		"--wsrep-node-address=127.0.0.1", fmt.Sprintf("--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:%d;ist.recv_addr=127.0.0.1:%d", group(n), group(n)+1),
		"--wsrep-sst-method=rsync", fmt.Sprintf("--wsrep-sst-receive-address=127.0.0.1:%d", group(n)+2)}
	if n == 0 {
		args = append(args, "--wsrep-new-cluster")
	}
	c := exec.Command("mariadbd", args...)
	c.Env = append(os.Environ(), "PATH="+os.Getenv("PATH")+":/usr/sbin")
	return c, c.Start()
}

// group is the port of a node for the others.
func group(n int) int { return port + 100 + 10*n }

// join waits until a node is one of as many as there are by then, and opens a store on it.
func join(ctx context.Context, n int) (*store.Store, error) {
	source := func(db string) string { return fmt.Sprintf("root@tcp(127.0.0.1:%d)/%s", port+n, db) }
	admin, err := sql.Open("mysql", source(""))
	if err != nil {
		return nil, err
	}
	defer admin.Close()
	for end := time.Now().Add(60 * time.Second); ; time.Sleep(200 * time.Millisecond) {
		var name, size string
		if err = admin.QueryRowContext(ctx, "SHOW STATUS LIKE 'wsrep_cluster_size'").Scan(&name, &size); err == nil && size == strconv.Itoa(n+1) {
			if err = admin.QueryRowContext(ctx, "SHOW STATUS LIKE 'wsrep_ready'").Scan(&name, &size); err == nil && size == "ON" {
				break
			}
		}
		if time.Now().After(end) {
			return nil, fmt.Errorf("it did not join: %v", err)
		}
	}
	if _, err := admin.ExecContext(ctx, "CREATE DATABASE IF NOT EXISTS happytray CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci"); err != nil {
		return nil, err
	}
	return store.Open(ctx, source("happytray"), store.Options{})
}

// everywhere has so many writers at each node do something so often; what the store says it could not do is not
// acknowledged, and is no loss.
func everywhere(stores []*store.Store, writers, each int, do func(st *store.Store, writer, n int) error) (acknowledged int, err error) {
	var all sync.WaitGroup
	var done atomic.Int64
	var first atomic.Value
	for k, st := range stores {
		for w := range writers {
			all.Go(func() {
				for n := range each {
					switch err := do(st, k*writers+w, n); {
					case err == nil:
						done.Add(1)
					case !errors.Is(err, store.ErrConflict) && !errors.Is(err, store.ErrDown):
						first.CompareAndSwap(nil, err)
					}
				}
			})
		}
	}
	all.Wait()
	time.Sleep(2 * time.Second) // what was acknowledged at one node is applied at the others
	err, _ = first.Load().(error)
	return int(done.Load()), err
}

func counted(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	done, err := everywhere(stores, writers, each, func(st *store.Store, _, _ int) error {
		return st.ChangeFact(ctx, "count", func(was string) (string, error) {
			n, _ := strconv.Atoi(was)
			return strconv.Itoa(n + 1), nil
		})
	})
	if err != nil {
		return 0, 0, err
	}
	v, err := stores[0].Fact(ctx, "count")
	n, _ := strconv.Atoi(v)
	return done, done - n, err
}

// ticked adds a member of its own to one fact each time, as ticks at the counter do.
func ticked(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	done, err := everywhere(stores, writers, each, func(st *store.Store, writer, n int) error {
		return st.ChangeFact(ctx, "ticks", func(was string) (string, error) {
			ticks := map[string]bool{}
			if was != "" {
				if err := json.Unmarshal([]byte(was), &ticks); err != nil {
					return "", err
				}
			}
			ticks[fmt.Sprint(writer, "-", n)] = true
			raw, err := json.Marshal(ticks)
			return string(raw), err
		})
	})
	if err != nil {
		return 0, 0, err
	}
	v, err := stores[1].Fact(ctx, "ticks")
	ticks := map[string]bool{}
	if err == nil {
		err = json.Unmarshal([]byte(v), &ticks)
	}
	return done, done - len(ticks), err
}

// jobs makes jobs together with a change of a fact that all of them touch.
func jobs(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	var mu sync.Mutex
	made := map[string]bool{}
	done, err := everywhere(stores, writers, each, func(st *store.Store, writer, n int) error {
		id := ""
		err := st.Whole(ctx, func(in *store.Store) error {
			j, err := in.Create(ctx, store.Heading{Title: fmt.Sprint("Job ", writer, "-", n)}, `{"n":1}`, "made")
			if err != nil {
				return err
			}
			id = j.ID
			return in.ChangeFact(ctx, "jobs", func(was string) (string, error) {
				k, _ := strconv.Atoi(was)
				return strconv.Itoa(k + 1), nil
			})
		})
		if err == nil {
			mu.Lock()
			made[id] = true
			mu.Unlock()
		}
		return err
	})
	if err != nil {
		return 0, 0, err
	}
	missing := 0
	for id := range made {
		if _, _, err := stores[2].Job(ctx, id); err != nil {
			missing++
		}
	}
	v, err := stores[0].Fact(ctx, "jobs")
	n, _ := strconv.Atoi(v)
	return done, missing + max(0, done-n), err
}

func saves(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	j, err := stores[0].Create(ctx, store.Heading{Title: "Everybody's"}, `0`, "made")
	if err != nil {
		return 0, 0, err
	}
	time.Sleep(300 * time.Millisecond) // it is at every node
	var mu sync.Mutex
	kept := map[string]int64{}
	done, err := everywhere(stores, writers, each, func(st *store.Store, writer, n int) error {
		head, err := st.Head(ctx, j.ID)
		if err != nil {
			return err
		}
		text := fmt.Sprintf(`"%d-%d"`, writer, n)
		now, err := st.Save(ctx, j.ID, head.Head, store.Heading{Title: "Everybody's"}, text, "saved")
		if err == nil {
			mu.Lock()
			kept[text] = now.Head
			mu.Unlock()
		}
		return err
	})
	if err != nil {
		return 0, 0, err
	}
	missing := 0
	for text, number := range kept {
		if r, err := stores[1].Revision(ctx, j.ID, number); err != nil || r.Document != text {
			missing++
		}
	}
	return done, missing, nil
}

// versions changes things of the house: no two changes may have the same version.
func versions(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	var mu sync.Mutex
	met := map[int64]int{}
	done, err := everywhere(stores, writers, each, func(st *store.Store, writer, n int) error {
		v, err := st.ChangeHouse(ctx, store.Change{New: &store.NewEntry{Kind: store.KindFood, IDs: func(yield func(string) bool) { yield(fmt.Sprintf("food-%d-%d", writer, n)) },
			Make: func(string) (string, error) { return "{}", nil }}})
		if err == nil {
			mu.Lock()
			met[v]++
			mu.Unlock()
		}
		return err
	})
	if err != nil {
		return 0, 0, err
	}
	_, things, _, err := stores[2].House(ctx, 0)
	return done, done - len(met) + max(0, done-len(things)), err
}

func grams(ctx context.Context, stores []*store.Store, writers, each int) (int, int, error) {
	done, err := everywhere(stores, writers, each, func(st *store.Store, _, _ int) error {
		_, err := st.ChangeHouse(ctx, store.Change{Lots: map[string]store.LotsOf{"samphire": func(was []store.Lot) ([]store.Lot, error) {
			if len(was) == 0 {
				return []store.Lot{{Grams: 1}}, nil
			}
			was[0].Grams++
			return was, nil
		}}})
		return err
	})
	if err != nil {
		return 0, 0, err
	}
	have := 0.0
	for _, st := range stores { // the worst of them
		_, _, lots, err := st.House(ctx, 0)
		if err != nil {
			return 0, 0, err
		}
		here := 0.0
		for _, l := range lots {
			here += l.Grams
		}
		if have == 0 || here < have {
			have = here
		}
	}
	return done, done - int(have), nil
}
