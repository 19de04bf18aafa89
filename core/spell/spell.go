// Package spell compares words as people type them: without marks on letters, and with a slip of the finger forgiven.
package spell

import (
	"strings"
	"unicode"

	"golang.org/x/text/runes"
	"golang.org/x/text/transform"
	"golang.org/x/text/unicode/norm"
)

// letters that no mark makes of plain ones, and marks that are typed in several ways
var letters = strings.NewReplacer("ø", "o", "ł", "l", "ß", "ss", "æ", "ae", "œ", "oe", "đ", "d", "ı", "i", "’", "'", "‘", "'", "ʼ", "'")

// Fold is a text in small letters and without marks, as a shopper types it: Gruyère and gruyere are one.
func Fold(s string) string {
	s = strings.ToLower(s)
	for i := range len(s) {
		if s[i] >= 0x80 { // most names have no mark, and need no second copy
			plain, _, err := transform.String(transform.Chain(norm.NFD, runes.Remove(runes.In(unicode.Mn)), norm.NFC), letters.Replace(s))
			if err != nil {
				return s
			}
			return plain
		}
	}
	return s
}

// OneSlip reports whether two folded words are the same or one slip of the finger apart: a letter wrong, missing, too
// many, or two neighbours swapped (Damerau 1964).
func OneSlip(a, b string) bool {
	if a == b {
		return true
	}
	if len(a) > len(b) {
		a, b = b, a
	}
	if len(b)-len(a) > 1 {
		return false
	}
	i := 0
	for i < len(a) && a[i] == b[i] {
		i++
	}
	if len(a) < len(b) {
		return a[i:] == b[i+1:]
	}
	return a[i+1:] == b[i+1:] || i+1 < len(a) && a[i] == b[i+1] && a[i+1] == b[i] && a[i+2:] == b[i+2:]
}
