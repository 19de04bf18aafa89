// Package palette reads and writes colour palettes in the text format of the
// GIMP, *.gpl: a first line that names the format, a name, and a line for each
// colour with its red, green and blue from 0 to 255 and its own name.
package palette

import (
	"bufio"
	"bytes"
	"fmt"
	"strconv"
	"strings"
	"unicode/utf8"

	"happytray/core/fault"
)

// Bounds of a palette from outside.
const (
	MaxBytes   = 256 << 10
	MaxColours = 1024
)

// Palette is a name and its colours, #rrggbb.
type Palette struct {
	Name    string   `json:"name"`
	Colours []string `json:"colours"`
}

const magic = "GIMP Palette"

// Read reads a palette. An error says on which line what is wrong.
func Read(raw []byte) (Palette, error) {
	if len(raw) > MaxBytes {
		return Palette{}, fault.Bad("", "a palette may be up to %d kB", MaxBytes>>10)
	}
	raw = bytes.TrimPrefix(raw, []byte("\xef\xbb\xbf"))
	if !utf8.Valid(raw) {
		return Palette{}, fault.Bad("", "the palette is not UTF-8 text")
	}
	p := Palette{Colours: []string{}}
	lines := bufio.NewScanner(bytes.NewReader(raw))
	lines.Buffer(make([]byte, 0, 4096), MaxBytes)
	seen := map[string]bool{}
	n := 0
	for lines.Scan() {
		n++
		line := strings.TrimSpace(strings.TrimSuffix(lines.Text(), "\r"))
		switch {
		case n == 1:
			if line != magic {
				return Palette{}, fault.Bad("line 1", "this is not a palette: its first line should be %q", magic)
			}
		case line == "" || line[0] == '#':
		case strings.HasPrefix(line, "Name:"):
			if p.Name = strings.TrimSpace(line[5:]); len(p.Name) > 80 {
				p.Name = strings.ToValidUTF8(p.Name[:80], "")
			}
		case strings.HasPrefix(line, "Columns:"):
		default:
			f := strings.Fields(line)
			if len(f) < 3 {
				return Palette{}, fault.Bad(fmt.Sprintf("line %d", n), "a colour is three numbers, red, green and blue")
			}
			var c [3]int
			for k := range c {
				v, err := strconv.Atoi(f[k])
				if err != nil || v < 0 || v > 255 {
					return Palette{}, fault.Bad(fmt.Sprintf("line %d", n), "%.20q should be a number from 0 to 255", f[k])
				}
				c[k] = v
			}
			hex := fmt.Sprintf("#%02x%02x%02x", c[0], c[1], c[2])
			if seen[hex] {
				continue
			}
			seen[hex] = true
			if p.Colours = append(p.Colours, hex); len(p.Colours) > MaxColours {
				return Palette{}, fault.Bad("", "a palette may hold up to %d colours", MaxColours)
			}
		}
	}
	if n == 0 || lines.Err() != nil {
		return Palette{}, fault.Bad("", "there is no palette in this file")
	}
	if len(p.Colours) == 0 {
		return Palette{}, fault.Bad("", "this palette holds no colour")
	}
	return p, nil
}

// Write writes a palette that Read reads as the same; colours are #rrggbb.
func Write(p Palette) []byte {
	var b bytes.Buffer
	name := strings.Join(strings.Fields(p.Name), " ")
	fmt.Fprintf(&b, "%s\nName: %s\nColumns: %d\n#\n", magic, name, min(16, len(p.Colours)))
	for _, hex := range p.Colours {
		v, err := strconv.ParseUint(strings.TrimPrefix(hex, "#"), 16, 32)
		if err != nil {
			continue
		}
		fmt.Fprintf(&b, "%3d %3d %3d\t%s\n", v>>16&255, v>>8&255, v&255, hex)
	}
	return b.Bytes()
}
