// Package cell writes texts into the cells of a table so that a spreadsheet takes none of them for a formula, and reads
// them back.
package cell

import (
	"strconv"
	"strings"
)

// risky are the characters at which a spreadsheet takes a cell for a formula, and the one that undoes it.
const risky = "=+-@\t\r'"

// Text is a text as it is written: with an apostrophe before it where a spreadsheet would reckon with it. A number stays one.
func Text(c string) string {
	if c == "" || !strings.ContainsRune(risky, rune(c[0])) {
		return c
	}
	if _, err := strconv.ParseFloat(c, 64); err == nil {
		return c
	}
	return "'" + c
}

// Plain is what a written text was.
func Plain(c string) string {
	if len(c) > 1 && c[0] == '\'' && strings.ContainsRune(risky, rune(c[1])) {
		return c[1:]
	}
	return c
}

// Row writes each text of a row.
func Row(cells []string) []string {
	for i := range cells {
		cells[i] = Text(cells[i])
	}
	return cells
}
