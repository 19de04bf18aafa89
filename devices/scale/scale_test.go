package scale

import (
	"context"
	"io"
	"math"
	"net"
	"strings"
	"sync"
	"testing"
	"time"

	standin "happytray/standin/scale"
)

func stand(t *testing.T) (*standin.Scale, *Scale) {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { l.Close() })
	s := &standin.Scale{}
	go s.Serve(l)
	return s, New(l.Addr().String())
}

// until asks until a reading is as it should be.
func until(t *testing.T, s *Scale, what string, is func(Reading, string) bool) {
	t.Helper()
	var r Reading
	wrong := ""
	for end := time.Now().Add(5 * time.Second); time.Now().Before(end); time.Sleep(20 * time.Millisecond) {
		var err error
		wrong = ""
		if r, err = s.Read(context.Background()); err != nil {
			wrong = err.Error()
		}
		if is(r, wrong) {
			return
		}
	}
	t.Fatalf("%s: last %+v %s", what, r, wrong)
}

func TestReadings(t *testing.T) {
	on, s := stand(t)
	until(t, s, "empty", func(r Reading, wrong string) bool { return r.Steady && r.Grams == 0 })
	on.Put(250)
	until(t, s, "it swings", func(r Reading, wrong string) bool { return !r.Steady && wrong == "" })
	until(t, s, "it rests", func(r Reading, wrong string) bool { return r.Steady && r.Grams == 250 })
	if err := s.Tare(context.Background()); err != nil {
		t.Fatal(err)
	}
	until(t, s, "tared", func(r Reading, wrong string) bool { return r.Steady && r.Grams == 0 })
	on.Put(312.4)
	until(t, s, "more on it", func(r Reading, wrong string) bool { return r.Steady && math.Abs(r.Grams-62.4) < .01 })
	on.Put(9000)
	until(t, s, "too much", func(r Reading, wrong string) bool { return r.Over })
}

// Whatever a scale does, there is an answer soon: what it says, or why it says nothing.
func TestFaults(t *testing.T) {
	on, s := stand(t)
	until(t, s, "empty", func(r Reading, wrong string) bool { return r.Steady })
	on.Fail("flood")
	on.Put(77)
	until(t, s, "a flood", func(r Reading, wrong string) bool { return r.Steady && r.Grams == 77 })
	on.Fail("garbage")
	until(t, s, "nonsense", func(r Reading, wrong string) bool { return strings.Contains(wrong, "cannot be read") })
	on.Fail("")
	until(t, s, "mended", func(r Reading, wrong string) bool { return r.Steady && r.Grams == 77 })
	on.Fail("silent")
	until(t, s, "silence", func(r Reading, wrong string) bool { return strings.Contains(wrong, "says nothing") })
	on.Fail("")
	until(t, s, "there again", func(r Reading, wrong string) bool { return r.Grams == 77 })
	nobody := New("127.0.0.1:1")
	if _, err := nobody.Read(context.Background()); err == nil || !strings.Contains(err.Error(), "cannot be reached") {
		t.Error(err)
	}
	if nobody.Tare(context.Background()) == nil {
		t.Error("nobody was tared")
	}
	// one that goes away in the middle of a line, and many who ask at once
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	go func() {
		for {
			c, err := l.Accept()
			if err != nil {
				return
			}
			io.WriteString(c, "steady 12.0 g\nmovi")
			time.Sleep(50 * time.Millisecond)
			c.Close()
		}
	}()
	rude := New(l.Addr().String())
	var wg sync.WaitGroup
	for range 20 {
		wg.Add(1)
		go func() {
			defer wg.Done()
			if r, err := rude.Read(context.Background()); err == nil && r.Grams != 12 {
				t.Errorf("%+v", r)
			}
		}()
	}
	wg.Wait()
}

func TestParse(t *testing.T) {
	for line, want := range map[string]Reading{"steady 123.4 g": {Grams: 123.4, Steady: true}, "moving -0.5 g": {Grams: -.5}, "over": {Over: true}, "steady  7 g\r": {Grams: 7, Steady: true}} {
		if got, ok := parse(line); !ok || got != want {
			t.Errorf("%q: %+v", line, got)
		}
	}
	for _, line := range []string{"", "steady", "steady 1 kg", "steady NaN g", "steady 1e99 g", "steady Inf g", "resting 5 g", "steady 1 g g", "\x00"} {
		if got, ok := parse(line); ok {
			t.Errorf("%q is taken for %+v", line, got)
		}
	}
}
