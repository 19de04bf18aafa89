// Package probe is a simulated box of thermometers on TCP: each says its reading twice a second, drifting a little, and
// fails as real ones do when it is asked to.
package probe

import (
	"fmt"
	"maps"
	"math"
	"net"
	"slices"
	"strings"
	"sync"
	"time"
)

// Box is the simulated box; the zero value has a fridge at 4 and a table at 21 degrees.
type Box struct {
	mu    sync.Mutex
	c     map[string]float64
	fails string
	turn  int
}

// Set sets a probe to so many degrees C.
func (b *Box) Set(name string, c float64) {
	b.mu.Lock()
	defer b.mu.Unlock()
	b.begin()
	b.c[name] = c
}

// Fail makes it fail: "silent", "garbage" or "flood"; "" mends it.
func (b *Box) Fail(how string) {
	b.mu.Lock()
	defer b.mu.Unlock()
	b.fails = how
}

func (b *Box) begin() {
	if b.c == nil {
		b.c = map[string]float64{"fridge": 4, "table": 21}
	}
}

func (b *Box) lines() string {
	b.mu.Lock()
	defer b.mu.Unlock()
	b.begin()
	b.turn++
	switch b.fails {
	case "silent":
		return ""
	case "garbage":
		return "\xff\x00 hot hot hot\n" + strings.Repeat("9", 500) + "\n"
	}
	var out strings.Builder
	for _, name := range slices.Sorted(maps.Keys(b.c)) {
		fmt.Fprintf(&out, "%s %.1f C\n", name, b.c[name]+.1*math.Sin(float64(b.turn)/9))
	}
	if b.fails == "flood" {
		return strings.Repeat(out.String(), 2000)
	}
	return out.String()
}

// Serve answers on a listener until it is closed.
func (b *Box) Serve(l net.Listener) error {
	for {
		conn, err := l.Accept()
		if err != nil {
			return err
		}
		go func() {
			defer conn.Close()
			for {
				if err := conn.SetWriteDeadline(time.Now().Add(time.Second)); err != nil {
					return
				}
				if s := b.lines(); s != "" {
					if _, err := conn.Write([]byte(s)); err != nil {
						return
					}
				}
				time.Sleep(500 * time.Millisecond)
			}
		}()
	}
}
