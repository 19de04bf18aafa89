// Package fault is what the core says of something from outside that it cannot work
// with: where it stands, and in a sentence what to do.
package fault

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"unicode/utf8"
)

// Error is a fault in something from outside: the field, as a path such as
// elements[3].x, and a sentence that says what to do.
type Error struct {
	Field      string
	Says       string
	Unreadable bool // it is no document at all, whatever would stand in it
}

func (e *Error) Error() string {
	if e.Field == "" {
		return e.Says
	}
	return e.Field + ": " + e.Says
}

// Bad makes an Error.
func Bad(field, format string, args ...any) error {
	return &Error{Field: field, Says: fmt.Sprintf(format, args...)}
}

// In puts an error's field under a parent field.
func In(parent string, err error) error {
	var e *Error
	if !errors.As(err, &e) {
		return Bad(parent, "%s", err.Error())
	}
	field := parent
	if e.Field != "" && !strings.HasPrefix(e.Field, "[") {
		field += "."
	}
	field += e.Field
	return &Error{Field: field, Says: e.Says, Unreadable: e.Unreadable}
}

// Between checks a number from outside; NaN fails.
func Between(field string, v, lo, hi float64, unit string) error {
	if math.IsNaN(v) || v < lo || v > hi {
		return Bad(field, "should be between %g and %g%s", lo, hi, unit)
	}
	return nil
}

// Text checks a text from outside: whole characters, at most so many of them, and none
// that cannot be kept.
func Text(field, s string, most int) error {
	if !utf8.ValidString(s) || strings.ContainsRune(s, 0) {
		return Bad(field, "holds a character that cannot be kept")
	}
	if utf8.RuneCountInString(s) > most {
		return Bad(field, "is longer than %d characters", most)
	}
	return nil
}

// OneOf checks a word from outside against the words allowed.
func OneOf(field, s string, allowed ...string) error {
	for _, a := range allowed {
		if s == a {
			return nil
		}
	}
	return Bad(field, "should be one of %s, not %.40q", strings.Join(allowed, ", "), s)
}

// First makes checks one after the other and answers with the first fault, or nil.
func First(checks ...func() error) error {
	for _, check := range checks {
		if err := check(); err != nil {
			return err
		}
	}
	return nil
}
