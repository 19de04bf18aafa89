package fault

import (
	"errors"
	"math"
	"testing"
)

func TestFieldsNest(t *testing.T) {
	err := In("elements[3]", In("pieces[0]", Bad("outline", "crosses itself")))
	if err.Error() != "elements[3].pieces[0].outline: crosses itself" {
		t.Error(err)
	}
	var e *Error
	if err := In("foods[2]", &Error{Says: "ends in the middle", Unreadable: true}); !errors.As(err, &e) || !e.Unreadable {
		t.Errorf("%v: that it cannot be read is lost", err)
	}
	if got := In("board", errors.New("plain")).Error(); got != "board: plain" {
		t.Error(got)
	}
}

func TestBounds(t *testing.T) {
	for _, v := range []float64{math.NaN(), math.Inf(1), math.Inf(-1), -1, 11} {
		if Between("x", v, 0, 10, " mm") == nil {
			t.Errorf("%v is taken for 0 to 10", v)
		}
	}
	for _, v := range []float64{0, 10, 5} {
		if err := Between("x", v, 0, 10, ""); err != nil {
			t.Error(err)
		}
	}
	for s, ok := range map[string]bool{"ab": true, "abc": false, "a\x00": false, "éé": true, "ééé": false, "🧀🧀": true, "\xff": false, "": true} {
		if err := Text("x", s, 2); (err == nil) != ok {
			t.Errorf("%q of at most two characters: %v", s, err)
		}
	}
	if OneOf("x", "b", "a", "c") == nil || OneOf("x", "a", "a") != nil {
		t.Error("words are not kept")
	}
}

func TestFirst(t *testing.T) {
	var made []string
	check := func(name string, err error) func() error {
		return func() error { made = append(made, name); return err }
	}
	bad := Bad("x", "is wrong")
	if err := First(check("a", nil), check("b", bad), check("c", Bad("y", "too"))); err != bad || len(made) != 2 {
		t.Errorf("%v after %v", err, made)
	}
	if err := First(check("a", nil)); err != nil || First() != nil {
		t.Errorf("%v", err)
	}
}
