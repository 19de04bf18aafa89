// Package probe reads thermometers over a plain line protocol on TCP (docs/formats/README.md, Thermometers): of each
// probe the newest reading.
package probe

import (
	"context"
	"fmt"
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"
	"sync"
	"time"

	"happytray/devices/lines"
)

// Reading is what a probe shows.
type Reading struct {
	Probe string    `json:"probe"` // its name, such as table or fridge
	C     float64   `json:"c"`
	At    time.Time `json:"at"`
}

const (
	mostProbes = 16
	coldest    = -60.0
	hottest    = 300.0
	old        = 30 * time.Second // a reading that nobody has renewed counts no more
)

// Box is one box with its probes.
type Box struct {
	device lines.Device
	now    func() time.Time

	mu  sync.Mutex
	all map[string]Reading
}

// New is the box at an address, host:port.
func New(address string, now func() time.Time) *Box {
	b := &Box{all: map[string]Reading{}, now: now}
	b.device = lines.Device{Address: address, Hear: b.hear}
	return b
}

func (b *Box) hear(line string) bool {
	name, c, ok := parse(line)
	if !ok {
		return false
	}
	b.mu.Lock()
	defer b.mu.Unlock()
	if _, known := b.all[name]; !known && len(b.all) >= mostProbes {
		return false
	}
	b.all[name] = Reading{name, c, b.now()}
	return true
}

// Read is the newest reading of each probe, by name; the error says in a sentence why there is none.
func (b *Box) Read(ctx context.Context) ([]Reading, error) {
	if err := b.device.Wait(ctx); err != nil {
		return nil, fmt.Errorf("the thermometer %w", err)
	}
	b.mu.Lock()
	defer b.mu.Unlock()
	out := []Reading{}
	for _, name := range slices.Sorted(maps.Keys(b.all)) {
		if r := b.all[name]; b.now().Sub(r.At) < old {
			out = append(out, r)
		}
	}
	return out, nil
}

// parse reads a line: a name and degrees, as "table 21.5 C".
func parse(line string) (name string, c float64, ok bool) {
	f := strings.Fields(line)
	if len(f) != 3 || f[2] != "C" || len(f[0]) > 24 {
		return "", 0, false
	}
	for _, r := range f[0] {
		if r < 'a' || r > 'z' {
			return "", 0, false
		}
	}
	c, err := strconv.ParseFloat(f[1], 64)
	if err != nil || math.IsNaN(c) || c < coldest || c > hottest {
		return "", 0, false
	}
	return f[0], c, true
}
