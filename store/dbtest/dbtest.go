// Package dbtest gives tests a real database.
package dbtest

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"testing"

	"happytray/store/localdb"
)

// Main runs a package's tests against a database server of their own, started
// in a folder under the system's temporary one and removed afterwards. begin is
// given the server before the tests run.
func Main(m *testing.M, begin func(s *localdb.Server, dir string)) int {
	dir, err := os.MkdirTemp("", "ht")
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
