package app

import (
	"context"
	"fmt"
	"net"
	"strings"
	"testing"
	"time"

	"happytray/core/brief"
	"happytray/devices/probe"
	standin "happytray/standin/probe"
)

// A hot table has the shorter time, a warm fridge is told of, and thermometers that say nothing change nothing.
func TestWhatProbesChange(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	box := &standin.Box{}
	go box.Serve(l)
	a := &App{now: time.Now, probe: probe.New(l.Addr().String(), time.Now)}
	read := func() Holding {
		out := Holding{HoldMin: 120}
		a.probed(context.Background(), brief.Brief{}, &out)
		return out
	}
	if h := read(); h.HoldMin != 120 || len(h.Says) != 0 {
		t.Errorf("a mild evening: %+v", h)
	}
	box.Set("table", 35)
	box.Set("fridge", 9)
	var h Holding
	for end := time.Now().Add(5 * time.Second); time.Now().Before(end) && (h.HoldMin != 60 || len(h.Says) != 2); time.Sleep(50 * time.Millisecond) {
		h = read()
	}
	if says := fmt.Sprint(h.Says); h.HoldMin != 60 || !strings.Contains(says, "1 h in all") || !strings.Contains(says, "fridge is at") {
		t.Errorf("a hot one: %+v", h)
	}
	a.probe = probe.New("127.0.0.1:1", time.Now)
	if h := read(); h.HoldMin != 120 || len(h.Says) != 1 || !strings.Contains(h.Says[0].String(), "cannot be reached") {
		t.Errorf("no thermometers: %+v", h)
	}
}
