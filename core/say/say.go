// Package say makes the small parts that sentences for people are put together from.
package say

import (
	"fmt"
	"strings"
	"unicode"
	"unicode/utf8"
)

// Upper is a text with its first letter large, whatever letter it is.
func Upper(s string) string { return first(s, unicode.ToUpper) }

// Lower is a text with its first letter small, to go on with inside a sentence.
func Lower(s string) string { return first(s, unicode.ToLower) }

func first(s string, to func(rune) rune) string {
	r, n := utf8.DecodeRuneInString(s)
	if n == 0 || r == utf8.RuneError {
		return s
	}
	return string(to(r)) + s[n:]
}

// Count is a number with what it counts: 1 plate, 3 plates.
func Count(n int, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %ss", n, one)
}

// Hours is a length of time: 50 min, 2 h, 1 h 20 min.
func Hours(minutes float64) string {
	h, rest := int(minutes)/60, int(minutes)%60
	switch {
	case h == 0:
		return fmt.Sprintf("%d min", rest)
	case rest == 0:
		return fmt.Sprintf("%d h", h)
	}
	return fmt.Sprintf("%d h %d min", h, rest)
}

// Or lists things as one says them where any one will do: figs, pears or honey.
func Or(things []string) string { return listed(things, " or ") }

// And lists things as one says them: figs, pears and honey.
func And(things []string) string { return listed(things, " and ") }

func listed(things []string, before string) string {
	if len(things) < 2 {
		return strings.Join(things, "")
	}
	last := len(things) - 1
	return strings.Join(things[:last], ", ") + before + things[last]
}

// Many reports whether a thing's name speaks of several: crackers, dates, pistachios in the shell; but
// not cheese, cress or asparagus.
func Many(name string) bool {
	head := name
	for _, cut := range []string{",", " in ", " with ", " without ", " on ", " of ", " from ", " and ", " stuffed", " filled", " dusted", " coated", " dipped"} {
		if at := strings.Index(head, cut); at > 0 {
			head = head[:at]
		}
	}
	head = strings.TrimSpace(head)
	return strings.HasSuffix(head, "s") && !strings.HasSuffix(head, "ss") && !strings.HasSuffix(head, "us") && !strings.HasSuffix(head, "’s") && !strings.HasSuffix(head, "'s")
}

// Length is a length in mm as one says it: 45 mm, and from ten centimetres on 61 cm.
func Length(mm float64) string {
	if mm < 99.5 {
		return fmt.Sprintf("%.0f mm", mm)
	}
	return fmt.Sprintf("%.0f cm", mm/10)
}
