// Package scale reads a bench scale over a plain line protocol on TCP (docs/formats/README.md, A scale): the newest
// reading, whatever the scale does.
package scale

import (
	"context"
	"fmt"
	"math"
	"strconv"
	"strings"
	"sync"

	"happytray/devices/lines"
)

// Reading is what the scale shows.
type Reading struct {
	Grams  float64
	Steady bool // it has come to rest
	Over   bool // more lies on it than it weighs
}

const mostGrams = 1e5

// Scale is one scale.
type Scale struct {
	device lines.Device

	mu  sync.Mutex
	now Reading
}

// New is the scale at an address, host:port.
func New(address string) *Scale {
	s := &Scale{}
	s.device = lines.Device{Address: address, Hear: s.hear}
	return s
}

func (s *Scale) hear(line string) bool {
	r, ok := parse(line)
	if ok {
		s.mu.Lock()
		s.now = r
		s.mu.Unlock()
	}
	return ok
}

// Read is the newest reading; the error says in a sentence why there is none.
func (s *Scale) Read(ctx context.Context) (Reading, error) {
	if err := s.device.Wait(ctx); err != nil {
		return Reading{}, fmt.Errorf("the scale %w", err)
	}
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.now, nil
}

// Tare sets the scale to nought with what lies on it.
func (s *Scale) Tare(ctx context.Context) error {
	if err := s.device.Say(ctx, "tare"); err != nil {
		return fmt.Errorf("the scale %w", err)
	}
	return nil
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
