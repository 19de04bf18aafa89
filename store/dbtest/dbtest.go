// Package dbtest gives tests a real database.
package dbtest

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"syscall"
	"testing"

	"happytray/store/localdb"
)

// inMemory is where Linux keeps files in memory, and leastFree what is to be free there, bytes.
const (
	inMemory  = "/dev/shm"
	leastFree = 2 << 30
)

// folder is where a test's database lies: in memory where there is room, as a machine whose disk is busy with something else
// makes every change wait for it, and that is no fault of what is tested; else under the system's temporary folder.
func folder() (string, error) {
	var s syscall.Statfs_t
	if syscall.Statfs(inMemory, &s) == nil && s.Bavail*uint64(s.Bsize) > leastFree {
		if dir, err := os.MkdirTemp(inMemory, "ht"); err == nil {
			return dir, nil
		}
	}
	return os.MkdirTemp("", "ht")
}

// Main runs a package's tests against a database server of their own, started
// in a folder of its own and removed afterwards. begin is
// given the server before the tests run.
func Main(m *testing.M, begin func(s *localdb.Server, dir string)) int {
	dir, err := folder()
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	s, err := localdb.Start(context.Background(), filepath.Join(dir, "db"), localdb.Options{})
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer s.Stop()
	begin(s, dir)
	return m.Run()
}
