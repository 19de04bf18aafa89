// Package localdb runs a private MariaDB for one checkout or one test: its own
// data directory, loopback only, its own port and socket, a generated password,
// durable settings, and a user without global rights.
package localdb

import (
	"context"
	"crypto/rand"
	"database/sql"
	"encoding/hex"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/go-sql-driver/mysql"
)

// Options are how a server is started. The zero value is good.
type Options struct {
	Port  int          // on loopback; a free one where 0
	Log   *slog.Logger // told when the server died and was started again; nobody where nil
	Extra []string     // further options of the server's program; tests make it small with them
}

// Server is a running private MariaDB. If it dies it is started again, on the same
// port, until Stop.
type Server struct {
	dir      string
	daemon   string
	extra    []string
	password string
	log      *slog.Logger
	lock     *os.File
	dsn      string
	Port     int

	mu       sync.Mutex
	process  *process // that runs now
	stopping context.Context
	stop     context.CancelFunc
	watching sync.WaitGroup
}

// process is one run of the server's program.
type process struct {
	cmd  *exec.Cmd
	done chan struct{} // closed when it has ended
}

// minFree is the room below which the server is not started, in bytes.
const minFree = 200 << 20

// Start brings up the server that lives in dir, making it on first use, and keeps it
// up. Each thing that can be wrong is one plain sentence.
func Start(ctx context.Context, dir string, o Options) (*Server, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	if len(dir) > 90 {
		return nil, fmt.Errorf("the folder %s has too long a name for a database socket; use a shorter one", dir)
	}
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return nil, fmt.Errorf("the folder %s cannot be made: %v", dir, err)
	}
	s := &Server{dir: dir, Port: o.Port, log: o.Log, extra: o.Extra}
	if s.log == nil {
		s.log = slog.New(slog.DiscardHandler)
	}
	s.stopping, s.stop = context.WithCancel(context.WithoutCancel(ctx))
	s.lock, err = os.OpenFile(filepath.Join(dir, "lock"), os.O_CREATE|os.O_RDWR, 0o600)
	if err != nil {
		return nil, fmt.Errorf("the folder %s cannot be written: %v", dir, err)
	}
	if err := syscall.Flock(int(s.lock.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		s.lock.Close()
		return nil, heldError{dir}
	}
	ok := false
	defer func() {
		if !ok {
			s.Stop()
		}
	}()
	var st syscall.Statfs_t
	if err := syscall.Statfs(dir, &st); err == nil && st.Bavail*uint64(st.Bsize) < minFree {
		return nil, fmt.Errorf("the disk that holds %s is full (under 200 MB free); make room and start again", dir)
	}
	s.daemon, err = find("mariadbd", "/usr/sbin/mariadbd")
	if err != nil {
		return nil, err
	}
	if err := s.initialise(ctx); err != nil {
		return nil, err
	}
	if err := s.stopOrphan(ctx); err != nil {
		return nil, err
	}
	if s.password, err = s.secret(); err != nil {
		return nil, err
	}
	if s.Port == 0 {
		if s.Port, err = freePort(); err != nil {
			return nil, err
		}
	}
	s.dsn = fmt.Sprintf("happytray:%s@tcp(127.0.0.1:%d)/happytray", s.password, s.Port)
	if err := s.run(ctx); err != nil {
		return nil, err
	}
	s.watching.Go(s.watch)
	ok = true
	return s, nil
}

// Reach is the server that lives in dir: the one that another copy of this program runs
// just now, or one that is started. Stop ends only what was started here.
func Reach(ctx context.Context, dir string) (*Server, error) {
	s, err := Start(ctx, dir, Options{})
	var held heldError
	if !errors.As(err, &held) {
		return s, err
	}
	dir, err = filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	s = &Server{dir: dir}
	s.stopping, s.stop = context.WithCancel(context.WithoutCancel(ctx))
	if s.password, err = s.secret(); err != nil {
		return nil, err
	}
	s.dsn = fmt.Sprintf("root:%s@unix(%s)/happytray", s.password, s.socket())
	return s, nil
}

// heldError is told where another copy runs on a folder.
type heldError struct{ dir string }

func (e heldError) Error() string {
	return fmt.Sprintf("a second copy is already running on %s; use that one, or stop it first", e.dir)
}

// watch starts the server again whenever it ends by itself: at once, and with longer
// pauses while it does not stay up.
func (s *Server) watch() {
	pause := time.Duration(0)
	for {
		s.mu.Lock()
		p := s.process
		s.mu.Unlock()
		began := time.Now()
		if p != nil {
			select {
			case <-p.done:
			case <-s.stopping.Done():
				return
			}
		}
		if time.Since(began) > time.Minute {
			pause = 0
		}
		s.log.Error("the database server ended by itself and is started again", "says", s.complaint(), "log", s.logFile())
		select {
		case <-time.After(pause):
		case <-s.stopping.Done():
			return
		}
		pause = min(2*pause+250*time.Millisecond, 15*time.Second)
		if err := s.run(s.stopping); err != nil && s.stopping.Err() == nil {
			s.log.Error("the database server could not be started again", "error", err)
		}
	}
}

func find(name, usual string) (string, error) {
	if p, err := exec.LookPath(name); err == nil {
		return p, nil
	}
	if _, err := os.Stat(usual); err == nil {
		return usual, nil
	}
	return "", fmt.Errorf("%s is not installed; run: apt-get install mariadb-server", name)
}

func (s *Server) data() string    { return filepath.Join(s.dir, "data") }
func (s *Server) socket() string  { return filepath.Join(s.dir, "sock") }
func (s *Server) logFile() string { return filepath.Join(s.dir, "mariadb.log") }
func (s *Server) pidFile() string { return filepath.Join(s.dir, "pid") }

// initialise makes the data directory beside its place and moves it there when
// it is whole, so that an interrupted start leaves nothing half made.
func (s *Server) initialise(ctx context.Context) error {
	if entries, err := os.ReadDir(s.data()); err == nil {
		if _, err := os.Stat(filepath.Join(s.data(), "mysql")); err == nil {
			return nil
		}
		if len(entries) > 0 {
			return fmt.Errorf("the data in %s is only half made; move that folder away and start again", s.data())
		}
	}
	install, err := find("mariadb-install-db", "/usr/bin/mariadb-install-db")
	if err != nil {
		return err
	}
	fresh := s.data() + ".new"
	if err := os.RemoveAll(fresh); err != nil {
		return err
	}
	args := []string{"--no-defaults", "--datadir=" + fresh, "--auth-root-authentication-method=normal", "--skip-test-db"}
	cmd := exec.CommandContext(ctx, install, asRoot(args)...)
	if cmd.Env, err = s.environment(); err != nil {
		return err
	}
	if out, err := cmd.CombinedOutput(); err != nil {
		return fmt.Errorf("the database could not be set up in %s: %v: %s", s.dir, err, firstComplaint(string(out)))
	}
	_ = os.Remove(s.data())
	return os.Rename(fresh, s.data())
}

func asRoot(args []string) []string {
	if u, err := user.Current(); err == nil && u.Uid == "0" {
		return append(args, "--user=root")
	}
	return args
}

// environment gives the server a folder of its own for temporary tables: in a
// shared one, two servers set up at the same moment take each other's away.
func (s *Server) environment() ([]string, error) {
	tmp := filepath.Join(s.dir, "tmp")
	if err := os.MkdirAll(tmp, 0o700); err != nil {
		return nil, fmt.Errorf("the folder %s cannot be made: %v", tmp, err)
	}
	return append(os.Environ(), "TMPDIR="+tmp), nil
}

// firstComplaint is the line of an output that says what went wrong.
func firstComplaint(s string) string {
	lines := strings.Split(strings.TrimSpace(s), "\n")
	for _, l := range lines {
		if strings.Contains(l, "ERROR") {
			return strings.TrimSpace(l)
		}
	}
	return lines[len(lines)-1]
}

// stopOrphan stops a database server that an earlier copy left running when it
// was killed: we hold the folder's lock, so nobody else has a use for it.
func (s *Server) stopOrphan(ctx context.Context) error {
	raw, err := os.ReadFile(s.pidFile())
	if err != nil {
		return nil
	}
	pid, err := strconv.Atoi(strings.TrimSpace(string(raw)))
	if err != nil || pid < 2 {
		return nil
	}
	ours := func() bool { // a number may have gone to another program in the meantime
		cmd, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
		return err == nil && strings.Contains(string(cmd), "--datadir="+s.data()+"\x00")
	}
	if !ours() {
		return nil
	}
	if err := syscall.Kill(pid, syscall.SIGTERM); err != nil {
		return fmt.Errorf("an earlier database server (process %d) still runs on %s and cannot be stopped: %v", pid, s.dir, err)
	}
	for deadline := time.Now().Add(30 * time.Second); ours(); {
		if time.Now().After(deadline) {
			return fmt.Errorf("an earlier database server (process %d) still runs on %s and does not stop; end it and start again", pid, s.dir)
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(50 * time.Millisecond):
		}
	}
	return nil
}

func (s *Server) secret() (string, error) {
	file := filepath.Join(s.dir, "password")
	if b, err := os.ReadFile(file); err == nil && len(strings.TrimSpace(string(b))) >= 16 {
		return strings.TrimSpace(string(b)), nil
	}
	raw := make([]byte, 18)
	if _, err := rand.Read(raw); err != nil {
		return "", err
	}
	p := hex.EncodeToString(raw)
	return p, os.WriteFile(file, []byte(p+"\n"), 0o600)
}

// run starts the daemon, waits for it, and makes sure of the schema and its user. A
// daemon that does not come up is not left running.
func (s *Server) run(ctx context.Context) (err error) {
	logFile, err := os.OpenFile(s.logFile(), os.O_CREATE|os.O_APPEND|os.O_WRONLY, 0o600)
	if err != nil {
		return fmt.Errorf("the log %s cannot be written: %v", s.logFile(), err)
	}
	defer logFile.Close() // the daemon has its own
	args := asRoot([]string{"--no-defaults", "--datadir=" + s.data(), "--bind-address=127.0.0.1", fmt.Sprintf("--port=%d", s.Port),
		"--socket=" + s.socket(), "--pid-file=" + s.pidFile(), "--character-set-server=utf8mb4", "--collation-server=utf8mb4_unicode_ci",
		"--innodb-flush-log-at-trx-commit=1", "--innodb-doublewrite=1", "--innodb-buffer-pool-size=64M", "--innodb-log-file-size=32M",
		"--max-allowed-packet=32M", "--max-connections=80", "--skip-name-resolve", "--skip-log-bin", "--performance-schema=0"})
	cmd := exec.Command(s.daemon, append(args, s.extra...)...)
	if cmd.Env, err = s.environment(); err != nil {
		return err
	}
	cmd.Stdout, cmd.Stderr = logFile, logFile
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true} // Ctrl-C is for us; we stop it in order
	if err := cmd.Start(); err != nil {
		return fmt.Errorf("the database server could not be started: %v", err)
	}
	p := &process{cmd, make(chan struct{})}
	go func() {
		_ = cmd.Wait() // how it ended is in its log
		close(p.done)
	}()
	s.mu.Lock()
	s.process = p
	s.mu.Unlock()
	root, err := s.admin(ctx, p)
	if err != nil {
		_ = cmd.Process.Kill()
		<-p.done
		return err
	}
	defer root.Close()
	for _, q := range []string{
		"CREATE DATABASE IF NOT EXISTS happytray CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci",
		"CREATE USER IF NOT EXISTS 'happytray'@'127.0.0.1' IDENTIFIED BY '" + s.password + "'",
		"ALTER USER 'happytray'@'127.0.0.1' IDENTIFIED BY '" + s.password + "'",
		"GRANT ALL PRIVILEGES ON happytray.* TO 'happytray'@'127.0.0.1'",
		// nobody else gets in: no anonymous user, root by socket and password alone
		"DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost')",
		"FLUSH PRIVILEGES",
		"ALTER USER 'root'@'localhost' IDENTIFIED BY '" + s.password + "'",
	} {
		if _, err := root.ExecContext(ctx, q); err != nil {
			return fmt.Errorf("the database could not be prepared: %v", err)
		}
	}
	return nil
}

// admin waits until the server answers its administrator, who has no password
// yet on the first start.
func (s *Server) admin(ctx context.Context, p *process) (*sql.DB, error) {
	open := func(pw string) (*sql.DB, error) {
		return sql.Open("mysql", (&mysql.Config{User: "root", Passwd: pw, Net: "unix", Addr: s.socket(), AllowNativePasswords: true, Timeout: time.Second, Logger: quiet{}}).FormatDSN())
	}
	deadline := time.Now().Add(40 * time.Second)
	for {
		for _, pw := range []string{s.password, ""} {
			db, err := open(pw)
			if err != nil {
				return nil, err
			}
			if db.PingContext(ctx) == nil {
				return db, nil
			}
			db.Close()
		}
		select {
		case <-p.done:
			return nil, fmt.Errorf("the database server stopped at once: %s (see %s)", s.complaint(), s.logFile())
		case <-ctx.Done():
			return nil, ctx.Err()
		case <-time.After(60 * time.Millisecond):
		}
		if time.Now().After(deadline) {
			return nil, fmt.Errorf("the database server did not answer in 40 seconds; see %s", s.logFile())
		}
	}
}

type quiet struct{}

func (quiet) Print(...any) {}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

func (s *Server) complaint() string {
	b, err := os.ReadFile(s.logFile())
	if err != nil {
		return "no log was written"
	}
	lines := strings.Split(strings.TrimSpace(string(b)), "\n")
	for i := len(lines) - 1; i >= 0 && i > len(lines)-40; i-- {
		if k := strings.Index(lines[i], "[ERROR]"); k >= 0 && !strings.Contains(lines[i], "Aborting") {
			return strings.TrimSpace(lines[i][k+7:])
		}
	}
	return lines[len(lines)-1]
}

// Free is how many bytes are free on the disk that the database writes to, for its user.
func (s *Server) Free() (uint64, error) {
	var fs syscall.Statfs_t
	if err := syscall.Statfs(s.data(), &fs); err != nil {
		return 0, err
	}
	return fs.Bavail * uint64(fs.Bsize), nil
}

// DSN is where the schema's user finds the database.
func (s *Server) DSN() string { return s.dsn }

// PID is the process that runs now; 0 for none. For tests, which end or stop it.
func (s *Server) PID() int {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.process == nil {
		return 0
	}
	return s.process.cmd.Process.Pid
}

// Abandon lets go of the folder and leaves the server running, as a killed
// process would; for tests.
func (s *Server) Abandon() {
	s.stop()
	s.watching.Wait()
	s.lock.Close()
	s.lock, s.process = nil, nil
}

// Stop shuts the server down in order and lets go of the folder. It may be
// called more than once.
func (s *Server) Stop() error {
	var err error
	s.stop()
	s.watching.Wait()
	s.mu.Lock()
	defer s.mu.Unlock()
	if p := s.process; p != nil {
		_ = p.cmd.Process.Signal(syscall.SIGTERM)
		select {
		case <-p.done:
		case <-time.After(25 * time.Second):
			_ = p.cmd.Process.Kill()
			<-p.done
			err = errors.New("the database server had to be killed")
		}
		s.process = nil
	}
	if s.lock != nil {
		s.lock.Close()
		s.lock = nil
	}
	return err
}
