package main

import (
	"bytes"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"testing"
)

// No build product and no dump comes into the tree: what is kept and larger than a megabyte is a picture or a font.
func TestNothingLargeIsKept(t *testing.T) {
	const most = 1_000_000
	root := filepath.Join("..", "..")
	if _, err := os.Stat(filepath.Join(root, ".git")); err != nil {
		t.Skip("not a checkout")
	}
	list := exec.Command("git", "ls-files", "-z")
	list.Dir = root
	out, err := list.Output()
	if err != nil {
		t.Fatal(err)
	}
	seen := 0
	for name := range bytes.SplitSeq(bytes.TrimRight(out, "\x00"), []byte{0}) {
		path := filepath.Join(root, string(name))
		info, err := os.Stat(path)
		if err != nil { // taken away and not yet committed
			continue
		}
		seen++
		if info.Size() > most && !slices.Contains([]string{".png", ".jpg", ".jpeg", ".woff2"}, filepath.Ext(path)) {
			t.Errorf("%s has %d bytes: a build product belongs into .gitignore", name, info.Size())
		}
	}
	if seen < 100 {
		t.Errorf("looked at %d files only", seen)
	}
}
