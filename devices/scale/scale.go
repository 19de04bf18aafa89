// Package scale reads a bench scale over a plain line protocol on TCP (docs/formats/README.md, A scale): the newest
// reading, whatever the scale does.
package scale

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"math"
	"net"
	"strconv"
	"strings"
	"sync"
	"time"
)

// Reading is what the scale shows.
type Reading struct {
	Grams  float64
	Steady bool   // it has come to rest
	Over   bool   // more lies on it than it weighs
	Wrong  string // why there is no reading, in a sentence; empty where there is one
}

// Bounds of what a scale may say and of how long it is waited for.
const (
	mostLine  = 64 // bytes
	mostGrams = 1e5
	silence   = 2 * time.Second
	idle      = 12 * time.Second // after the last question the line is let go
	nonsense  = 8                // lines in a row that cannot be read
)

// What is said where there is no reading.
const (
	saysAway     = "The scale cannot be reached. Is it on, and on the net?"
	saysSilent   = "The scale says nothing. Is it on?"
	saysNonsense = "The scale sends what cannot be read. Turn it off and on."
)

// ErrAway is told where the scale cannot be reached.
var ErrAway = errors.New("the scale cannot be reached; is it on, and on the net?")

// Scale is one scale. It is asked by several at once; one line to it is held while somebody asks.
type Scale struct {
	Address string // host:port

	mu    sync.Mutex
	conn  net.Conn
	now   Reading
	got   bool // a reading came
	heard time.Time
	asked time.Time
	bad   int
}

// Read is the newest reading. Where the line is not held yet it is taken, and the first reading is waited for.
func (s *Scale) Read(ctx context.Context) Reading {
	if err := s.hold(ctx); err != nil {
		return Reading{Wrong: saysAway}
	}
	for {
		s.mu.Lock()
		now, got, since, bad, gone := s.now, s.got, time.Since(s.heard), s.bad, s.conn == nil
		s.mu.Unlock()
		switch {
		case gone:
			return Reading{Wrong: saysAway}
		case bad >= nonsense:
			return Reading{Wrong: saysNonsense}
		case since > silence:
			return Reading{Wrong: saysSilent}
		case got:
			return now
		}
		select {
		case <-ctx.Done():
			return Reading{Wrong: saysSilent}
		case <-time.After(20 * time.Millisecond):
		}
	}
}

// Tare sets the scale to nought with what lies on it.
func (s *Scale) Tare(ctx context.Context) error {
	if err := s.hold(ctx); err != nil {
		return ErrAway
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.conn == nil {
		return ErrAway
	}
	if err := s.conn.SetWriteDeadline(time.Now().Add(silence)); err != nil {
		return ErrAway
	}
	if _, err := io.WriteString(s.conn, "tare\n"); err != nil {
		return ErrAway
	}
	return nil
}

// hold takes the line to the scale, unless it is held.
func (s *Scale) hold(ctx context.Context) error {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.asked = time.Now()
	if s.conn != nil {
		return nil
	}
	d := net.Dialer{Timeout: silence}
	conn, err := d.DialContext(ctx, "tcp", s.Address)
	if err != nil {
		return err
	}
	s.conn, s.now, s.got, s.heard, s.bad = conn, Reading{}, false, time.Now(), 0
	go s.listen(conn)
	return nil
}

// listen reads lines until the scale is gone or nobody has asked for a while. Of a flood only the newest counts.
func (s *Scale) listen(conn net.Conn) {
	defer func() {
		conn.Close()
		s.mu.Lock()
		if s.conn == conn {
			s.conn = nil
		}
		s.mu.Unlock()
	}()
	r := bufio.NewReaderSize(conn, 4096)
	for {
		if err := conn.SetReadDeadline(time.Now().Add(silence)); err != nil {
			return
		}
		line, err := readLine(r)
		s.mu.Lock()
		left := time.Since(s.asked) > idle
		switch {
		case left:
		case err == nil:
			if now, ok := parse(line); ok {
				s.now, s.got, s.heard, s.bad = now, true, time.Now(), 0
			} else {
				s.bad++
				s.heard = time.Now()
			}
		}
		s.mu.Unlock()
		var slow net.Error
		if left || err != nil && !(errors.As(err, &slow) && slow.Timeout()) {
			return
		}
	}
}

// readLine is the next line, of which what is longer than a reading is thrown away.
func readLine(r *bufio.Reader) (string, error) {
	var b strings.Builder
	for {
		c, err := r.ReadByte()
		if err != nil {
			return "", err
		}
		if c == '\n' {
			return b.String(), nil
		}
		if b.Len() < mostLine {
			b.WriteByte(c)
		}
	}
}

// parse reads a line: "steady 123.4 g", "moving 118 g" or "over".
func parse(line string) (Reading, bool) {
	f := strings.Fields(line)
	if len(f) == 1 && f[0] == "over" {
		return Reading{Over: true}, true
	}
	if len(f) != 3 || f[2] != "g" || f[0] != "steady" && f[0] != "moving" {
		return Reading{}, false
	}
	g, err := strconv.ParseFloat(f[1], 64)
	if err != nil || math.IsNaN(g) || math.Abs(g) > mostGrams {
		return Reading{}, false
	}
	return Reading{Grams: g, Steady: f[0] == "steady"}, true
}

// Check reports why an address is none of a scale.
func Check(address string) error {
	host, port, err := net.SplitHostPort(address)
	if n, bad := strconv.Atoi(port); err != nil || host == "" || bad != nil || n < 1 || n > 65535 {
		return fmt.Errorf("the scale's address is written as host:port, not %.80q", address)
	}
	return nil
}
