// Package backup writes a whole database into one file and reads it back, with MariaDB's
// own tools. The file is what mariadb-dump writes, packed with zstd: it can be unpacked
// and read in with the mariadb client alone.
package backup

import (
	"bufio"
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"

	"github.com/go-sql-driver/mysql"
	"github.com/klauspost/compress/zstd"
)

// Access says how MariaDB's tools reach a database.
type Access struct {
	Socket         string // or, where there is none:
	Host           string
	Port           int
	User, Password string
	Database       string
}

// AccessTo reads the address of a database, user:password@tcp(host:port)/name.
func AccessTo(source string) (Access, error) {
	cfg, err := mysql.ParseDSN(source)
	if err != nil {
		return Access{}, errors.New("the database address cannot be read: write it as user:password@tcp(host:port)/name")
	}
	a := Access{User: cfg.User, Password: cfg.Passwd, Database: cfg.DBName}
	if cfg.Net == "unix" {
		a.Socket = cfg.Addr
		return a, nil
	}
	host, port, found := strings.Cut(cfg.Addr, ":")
	if a.Host, a.Port = host, 3306; found {
		a.Port, err = strconv.Atoi(port)
	}
	return a, err
}

// begins is the first line of every backup, before what mariadb-dump writes.
const begins = "-- Happy Tray backup 1\n"

// ends is what mariadb-dump writes last when nothing was missed.
const ends = "-- Dump completed"

// tool is a command of MariaDB's that reaches the database. The password goes by a file
// that only this user reads and that is gone afterwards, so that nobody sees it in a list
// of processes.
func tool(ctx context.Context, name string, a Access, args ...string) (cmd *exec.Cmd, done func(), err error) {
	program, err := exec.LookPath(name)
	if err != nil {
		return nil, nil, fmt.Errorf("%s is not installed; run: apt-get install mariadb-client", name)
	}
	secret, err := os.CreateTemp("", "ht-access-*")
	if err != nil {
		return nil, nil, err
	}
	done = func() { os.Remove(secret.Name()) }
	fmt.Fprintf(secret, "[client]\nuser=%q\npassword=%q\n", a.User, a.Password)
	if a.Socket != "" {
		fmt.Fprintf(secret, "socket=%q\n", a.Socket)
	} else {
		fmt.Fprintf(secret, "host=%q\nport=%d\nprotocol=tcp\n", a.Host, a.Port)
	}
	if err := secret.Close(); err != nil {
		done()
		return nil, nil, err
	}
	return exec.CommandContext(ctx, program, append([]string{"--defaults-file=" + secret.Name()}, args...)...), done, nil
}

// Write backs a database up into a file, as it is at one moment, while it goes on being
// used. A file that is there already is not touched, and one that is not whole is not left.
func Write(ctx context.Context, a Access, file string) (err error) {
	if _, err := os.Stat(file); err == nil {
		return fmt.Errorf("%s is there already; choose another name", file)
	}
	part, err := os.CreateTemp(filepath.Dir(file), ".backup-*")
	if err != nil {
		return fmt.Errorf("the backup cannot be written there: %v", err)
	}
	defer func() {
		part.Close()
		os.Remove(part.Name()) // renamed by then when all went well
	}()
	packed, err := zstd.NewWriter(part)
	if err != nil {
		return err
	}
	last := &tail{to: packed}
	if _, err := io.WriteString(last, begins); err != nil {
		return err
	}
	cmd, done, err := tool(ctx, "mariadb-dump", a, "--single-transaction", "--quick", "--skip-lock-tables", "--hex-blob", "--default-character-set=utf8mb4", a.Database)
	if err != nil {
		return err
	}
	defer done()
	var says bytes.Buffer
	cmd.Stdout, cmd.Stderr = last, &says
	if err := cmd.Run(); err != nil {
		return fmt.Errorf("the database could not be backed up: %s", complaint(says.String(), err))
	}
	if !bytes.Contains(last.kept, []byte(ends)) {
		return errors.New("the backup is not whole; nothing was kept of it")
	}
	if err := errors.Join(packed.Close(), part.Sync()); err != nil {
		return fmt.Errorf("the backup could not be written: %v", err)
	}
	return os.Rename(part.Name(), file)
}

// Read reads a backup into a database that must be empty.
func Read(ctx context.Context, a Access, file string) error {
	in, err := os.Open(file)
	if err != nil {
		return fmt.Errorf("the backup cannot be opened: %v", err)
	}
	defer in.Close()
	if err := whole(in); err != nil {
		return fmt.Errorf("%s: %w", file, err)
	}
	there, err := ask(ctx, a, "SHOW TABLES")
	if err != nil {
		return fmt.Errorf("the database cannot be reached: %w", err)
	}
	if there != "" {
		return errors.New("the database is not empty; a backup is read into an empty one, so that nothing is written over")
	}
	if _, err := in.Seek(0, io.SeekStart); err != nil {
		return err
	}
	unpacked, err := zstd.NewReader(in)
	if err != nil {
		return err
	}
	defer unpacked.Close()
	// a file may come from anywhere: the client takes statements from it and no commands of its own, which would
	// run programs and read files of this machine (\! and the like)
	cmd, done, err := tool(ctx, "mariadb", a, "--sandbox", "--binary-mode", "--default-character-set=utf8mb4", a.Database)
	if err != nil {
		return err
	}
	defer done()
	var says bytes.Buffer
	cmd.Stdin, cmd.Stderr = unpacked, &says
	if err := cmd.Run(); err != nil {
		err = fmt.Errorf("the backup could not be read in: %s", complaint(says.String(), err))
		if left := empty(context.WithoutCancel(ctx), a); left != nil {
			err = fmt.Errorf("%w; and what was read of it could not be taken away: %w", err, left)
		}
		return err
	}
	return nil
}

// empty takes away whatever stands in a database that was empty before.
func empty(ctx context.Context, a Access) error {
	list, err := ask(ctx, a, "SHOW FULL TABLES")
	if err != nil {
		return err
	}
	sql := "SET FOREIGN_KEY_CHECKS=0;"
	for line := range strings.SplitSeq(strings.TrimSpace(list), "\n") {
		name, kind, _ := strings.Cut(line, "\t")
		if name == "" {
			continue
		}
		what := "TABLE"
		if kind == "VIEW" {
			what = "VIEW"
		}
		sql += fmt.Sprintf("DROP %s IF EXISTS `%s`;", what, strings.ReplaceAll(name, "`", "``"))
	}
	_, err = ask(ctx, a, sql)
	return err
}

// ask puts statements to a database and answers with the rows, a line each, columns parted by tabs.
func ask(ctx context.Context, a Access, statements string) (rows string, err error) {
	cmd, done, err := tool(ctx, "mariadb", a, "--batch", "--raw", "--skip-column-names", "--execute="+statements, a.Database)
	if err != nil {
		return "", err
	}
	defer done()
	var out, says bytes.Buffer
	cmd.Stdout, cmd.Stderr = &out, &says
	if err := cmd.Run(); err != nil {
		return "", errors.New(complaint(says.String(), err))
	}
	return out.String(), nil
}

// whole reports what is wrong with a backup, before anything is made of it.
func whole(in io.Reader) error {
	unpacked, err := zstd.NewReader(in)
	if err != nil {
		return err
	}
	defer unpacked.Close()
	r := bufio.NewReader(unpacked)
	head := make([]byte, len(begins))
	if _, err := io.ReadFull(r, head); err != nil || string(head) != begins {
		return errors.New("this is no backup of Happy Tray")
	}
	last := &tail{to: io.Discard}
	if _, err := io.Copy(last, r); err != nil || !bytes.Contains(last.kept, []byte(ends)) {
		return errors.New("this backup is not whole; take another one")
	}
	return nil
}

// tail passes on what is written and keeps the last of it.
type tail struct {
	to   io.Writer
	kept []byte
}

func (t *tail) Write(p []byte) (int, error) {
	t.kept = append(t.kept, p[max(0, len(p)-400):]...)
	t.kept = t.kept[max(0, len(t.kept)-400):]
	return t.to.Write(p)
}

// complaint is what a tool said in its last line, or how it ended.
func complaint(says string, err error) string {
	lines := strings.Split(strings.TrimSpace(says), "\n")
	if last := lines[len(lines)-1]; last != "" {
		return last
	}
	return err.Error()
}
