package review

import (
	"os"
	"regexp"
	"strings"
	"testing"

	"happytray/core/say"
)

// Every sentence that a check says is one that there is, and every one that there is is said by one.
func TestChecksSayWhatThereIs(t *testing.T) {
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	said := map[string]bool{"colour.spread": true, "spread.category": true} // by the name of their check
	of := regexp.MustCompile(`(?:say\.New|here)\("([a-z.]+)"(\+becomes\+"([a-z.]+)"|\+becomes)?`)
	code := regexp.MustCompile(`code :?= "([a-z.]+)"`)
	for _, f := range files {
		if !strings.HasSuffix(f.Name(), ".go") || strings.HasSuffix(f.Name(), "_test.go") {
			continue
		}
		raw, err := os.ReadFile(f.Name())
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range of.FindAllStringSubmatch(string(raw), -1) {
			switch {
			case m[2] != "":
				for _, becomes := range []string{"melts", "runs", "weeps"} {
					said[m[1]+becomes+m[3]] = true
				}
			case strings.HasPrefix(m[0], "here"):
				said[m[1]], said[m[1]+"s"] = true, true
			default:
				said[m[1]] = true
			}
		}
		for _, m := range code.FindAllStringSubmatch(string(raw), -1) {
			said[m[1]] = true
		}
	}
	for c := range said {
		if _, ok := say.Codes()[c]; !ok {
			t.Errorf("there is no sentence %q", c)
		}
	}
	for c := range say.Codes() {
		if !said[c] {
			t.Errorf("no check says %q", c)
		}
	}
}
