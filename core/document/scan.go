package document

// scan reports whether b is one well-formed JSON document (RFC 8259) that is nested no
// deeper than MaxDepth. It looks at every byte once, which a large tray is worth
// (BenchmarkSound).
func scan(b []byte) bool {
	var open [MaxDepth + 1]byte // what closes the brackets that are open; 0 for none
	depth := 0
	i := space(b, 0)
	for {
		// a value, or the end of an empty list or object
		if i >= len(b) {
			return false
		}
		switch c := b[i]; {
		case digit(c):
			i = scanNumber(b, i)
		case c == '"':
			i = scanText(b, i)
		case c == '{' || c == '[':
			if depth == MaxDepth {
				return false
			}
			depth++
			open[depth] = c + 2 // as ASCII has them
			if i++; i < len(b) && b[i] <= ' ' {
				i = space(b, i)
			}
			if i < len(b) && b[i] == c+2 {
				break
			}
			if c == '{' {
				if i = scanName(b, i); i < 0 {
					return false
				}
			}
			continue
		case c == '-':
			i = scanNumber(b, i+1)
		case c == 't':
			i = scanLetters(b, i, "true")
		case c == 'f':
			i = scanLetters(b, i, "false")
		case c == 'n':
			i = scanLetters(b, i, "null")
		default:
			return false
		}
		if i < 0 {
			return false
		}
		// behind a value: what closes, or the next one
		closes := open[depth]
		for ; i < len(b); i++ {
			if c := b[i]; c == closes && depth > 0 {
				depth--
				closes = open[depth]
			} else if c > ' ' || space(b[:i+1], i) == i {
				break
			}
		}
		if depth == 0 {
			return i == len(b)
		}
		if i >= len(b) || b[i] != ',' {
			return false
		}
		if i++; i < len(b) && b[i] <= ' ' {
			i = space(b, i)
		}
		if closes == '}' {
			if i = scanName(b, i); i < 0 {
				return false
			}
		}
	}
}

// scanName passes over a member's name and its colon, up to its value; -1 where there is none.
func scanName(b []byte, i int) int {
	if i >= len(b) || b[i] != '"' {
		return -1
	}
	if i = scanText(b, i); i < 0 {
		return -1
	}
	if i < len(b) && b[i] <= ' ' {
		i = space(b, i)
	}
	if i >= len(b) || b[i] != ':' {
		return -1
	}
	if i++; i < len(b) && b[i] <= ' ' {
		i = space(b, i)
	}
	return i
}

// scanText is the index behind the text that begins at i; -1 where it is not well formed.
func scanText(b []byte, i int) int {
	for i++; i < len(b); i++ {
		if !ends[b[i]] {
			continue
		}
		switch c := b[i]; {
		case c == '"':
			return i + 1
		case c < ' ':
			return -1
		}
		if i++; i >= len(b) {
			return -1
		}
		switch b[i] {
		case '"', '\\', '/', 'b', 'f', 'n', 'r', 't':
		case 'u':
			for range 4 {
				if i++; i >= len(b) || !hex(b[i]) {
					return -1
				}
			}
		default:
			return -1
		}
	}
	return -1
}

// ends tells the bytes at which a text ends, begins an escape or is not well formed.
var ends = func() (t [256]bool) {
	for c := range ' ' {
		t[c] = true
	}
	t['"'], t['\\'] = true, true
	return t
}()

func hex(c byte) bool { return digit(c) || c >= 'a' && c <= 'f' || c >= 'A' && c <= 'F' }

func digit(c byte) bool { return c-'0' < 10 }

// scanNumber is the index behind the number whose first digit is at i; -1 where it is not
// well formed.
func scanNumber(b []byte, i int) int {
	switch {
	case i >= len(b) || !digit(b[i]):
		return -1
	case b[i] == '0':
		i++
	default:
		for i++; i < len(b) && digit(b[i]); i++ {
		}
	}
	if i < len(b) && b[i] == '.' {
		if i = scanDigits(b, i+1); i < 0 {
			return -1
		}
	}
	if i < len(b) && b[i]|' ' == 'e' {
		if i++; i < len(b) && (b[i] == '+' || b[i] == '-') {
			i++
		}
		return scanDigits(b, i)
	}
	return i
}

// scanDigits passes over at least one digit; -1 where there is none.
func scanDigits(b []byte, i int) int {
	from := i
	for i < len(b) && digit(b[i]) {
		i++
	}
	if i == from {
		return -1
	}
	return i
}

func scanLetters(b []byte, i int, word string) int {
	if len(b)-i < len(word) || string(b[i:i+len(word)]) != word {
		return -1
	}
	return i + len(word)
}
