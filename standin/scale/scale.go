// Package scale is a simulated bench scale on TCP: it says its reading ten times a second, comes to rest after a
// moment, and fails as real ones do when it is asked to.
package scale

import (
	"bufio"
	"fmt"
	"math"
	"net"
	"strconv"
	"strings"
	"sync"
	"time"
)

// Most is what it weighs at most, g.
const Most = 6000.0

const (
	each    = 100 * time.Millisecond
	settles = 700 * time.Millisecond
)

// Scale is the simulated scale. The zero value stands empty.
type Scale struct {
	mu    sync.Mutex
	on    float64 // what lies on it
	tared float64
	was   float64 // before the last change
	since time.Time
	fails string // silent, garbage, flood, or over
}

// Put lays so many grams on it, all in all.
func (s *Scale) Put(grams float64) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.was, s.on, s.since = s.shown(), grams, time.Now()
}

// On is what lies on it, g.
func (s *Scale) On() float64 {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.on
}

// Tare sets it to nought with what lies on it.
func (s *Scale) Tare() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.tared, s.was, s.since = s.on, s.on, time.Now().Add(-settles)
}

// Fail makes it fail: "silent", "garbage", "flood" or "over"; "" mends it.
func (s *Scale) Fail(how string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.fails = how
}

// shown is the weight as the pan swings to it.
func (s *Scale) shown() float64 {
	t := time.Since(s.since)
	if t >= settles {
		return s.on
	}
	k := float64(t) / float64(settles)
	return s.on + (s.was-s.on)*(1-k)*math.Cos(k*9)
}

// line is what it says now; nothing where it is silent.
func (s *Scale) line() string {
	s.mu.Lock()
	defer s.mu.Unlock()
	switch s.fails {
	case "silent":
		return ""
	case "garbage":
		return "\x00\xff%%%% " + strings.Repeat("8", 300) + "\n"
	case "over":
		return "over\n"
	}
	if s.on > Most {
		return "over\n"
	}
	word := "moving"
	if time.Since(s.since) >= settles {
		word = "steady"
	}
	out := fmt.Sprintf("%s %s g\n", word, strconv.FormatFloat(math.Round((s.shown()-s.tared)*10)/10, 'f', 1, 64))
	if s.fails == "flood" {
		return strings.Repeat(out, 5000)
	}
	return out
}

// Serve answers on a listener until it is closed.
func (s *Scale) Serve(l net.Listener) error {
	for {
		conn, err := l.Accept()
		if err != nil {
			return err
		}
		go s.talk(conn)
	}
}

func (s *Scale) talk(conn net.Conn) {
	defer conn.Close()
	go func() {
		in := bufio.NewScanner(conn)
		for in.Scan() {
			if in.Text() == "tare" {
				s.Tare()
			}
		}
	}()
	for {
		if err := conn.SetWriteDeadline(time.Now().Add(time.Second)); err != nil {
			return
		}
		if l := s.line(); l != "" {
			if _, err := conn.Write([]byte(l)); err != nil {
				return
			}
		}
		time.Sleep(each)
	}
}
