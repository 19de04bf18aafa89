package sheet

import (
	"bytes"
	"testing"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/practice"
	"happytray/core/say"
)

// A sheet to find faults on has two pages, the second with what they are; other kinds have none.
func TestPracticeSheet(t *testing.T) {
	make := func(kind string) *practice.Exercise {
		e, err := practice.Make(kind, 7, 3, food.BuiltIn(), board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		return e
	}
	find, papers := make("find"), []string{"a4", "letter", "whole"}
	if testing.Short() {
		papers = papers[:1]
	}
	for _, on := range papers {
		pdf, err := Practice(find, food.BuiltIn(), on, say.Units{})
		if err != nil || !bytes.HasPrefix(pdf, []byte("%PDF")) || bytes.Count(pdf, []byte("/Type /Page\n")) != 2 {
			t.Errorf("%s: %d bytes, %d pages, %v", on, len(pdf), bytes.Count(pdf, []byte("/Type /Page\n")), err)
		}
	}
	if _, err := Practice(make("pair"), food.BuiltIn(), "a4", say.Units{}); err == nil {
		t.Error("a sheet of pairs is printed")
	}
	if _, err := Practice(find, food.BuiltIn(), "wallpaper", say.Units{}); err == nil {
		t.Error("it is printed on wallpaper")
	}
}
