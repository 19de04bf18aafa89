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
	return s, &Scale{Address: l.Addr().String()}
}

// until asks until a reading is as it should be.
func until(t *testing.T, s *Scale, what string, is func(Reading) bool) Reading {
	t.Helper()
	var r Reading
	for end := time.Now().Add(5 * time.Second); time.Now().Before(end); time.Sleep(20 * time.Millisecond) {
		if r = s.Read(context.Background()); is(r) {
			return r
		}
	}
	t.Fatalf("%s: last %+v", what, r)
	return r
}

func TestReadings(t *testing.T) {
	on, s := stand(t)
	until(t, s, "empty", func(r Reading) bool { return r.Steady && r.Grams == 0 })
	on.Put(250)
	until(t, s, "it swings", func(r Reading) bool { return !r.Steady && r.Wrong == "" })
	until(t, s, "it rests", func(r Reading) bool { return r.Steady && r.Grams == 250 })
	if err := s.Tare(context.Background()); err != nil {
		t.Fatal(err)
	}
	until(t, s, "tared", func(r Reading) bool { return r.Steady && r.Grams == 0 })
	on.Put(312.4)
	until(t, s, "more on it", func(r Reading) bool { return r.Steady && math.Abs(r.Grams-62.4) < .01 })
	on.Put(9000)
	until(t, s, "too much", func(r Reading) bool { return r.Over })
}

// Whatever a scale does, there is an answer soon: what it says, or why it says nothing.
func TestFaults(t *testing.T) {
	on, s := stand(t)
	until(t, s, "empty", func(r Reading) bool { return r.Steady })
	on.Fail("flood")
	on.Put(77)
	until(t, s, "a flood", func(r Reading) bool { return r.Steady && r.Grams == 77 })
	on.Fail("garbage")
	until(t, s, "nonsense", func(r Reading) bool { return strings.Contains(r.Wrong, "cannot be read") })
	on.Fail("")
	until(t, s, "mended", func(r Reading) bool { return r.Steady && r.Grams == 77 })
	on.Fail("silent")
	until(t, s, "silence", func(r Reading) bool { return strings.Contains(r.Wrong, "says nothing") })
	on.Fail("")
	until(t, s, "there again", func(r Reading) bool { return r.Grams == 77 })
	nobody := &Scale{Address: "127.0.0.1:1"}
	if r := nobody.Read(context.Background()); !strings.Contains(r.Wrong, "cannot be reached") {
		t.Errorf("%+v", r)
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
	rude := &Scale{Address: l.Addr().String()}
	var wg sync.WaitGroup
	for range 20 {
		wg.Add(1)
		go func() {
			defer wg.Done()
			if r := rude.Read(context.Background()); r.Wrong == "" && r.Grams != 12 {
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
	for _, bad := range []string{"", "scale", "scale:", ":99", "scale:0", "scale:99999", "a:b"} {
		if Check(bad) == nil {
			t.Errorf("%q is an address", bad)
		}
	}
	if err := Check("127.0.0.1:4001"); err != nil {
		t.Error(err)
	}
}
