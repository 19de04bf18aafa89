package probe

import (
	"context"
	"net"
	"strings"
	"testing"
	"time"

	standin "happytray/standin/probe"
)

// Each probe's newest reading is told, whatever the box does; where there is none it is said why.
func TestProbes(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	on := &standin.Box{}
	go on.Serve(l)
	b := New(l.Addr().String(), time.Now)
	until := func(what string, is func([]Reading, string) bool) {
		t.Helper()
		var r []Reading
		wrong := ""
		for end := time.Now().Add(8 * time.Second); time.Now().Before(end); time.Sleep(30 * time.Millisecond) {
			var err error
			wrong = ""
			if r, err = b.Read(context.Background()); err != nil {
				wrong = err.Error()
			}
			if is(r, wrong) {
				return
			}
		}
		t.Fatalf("%s: last %+v %s", what, r, wrong)
	}
	until("two probes", func(r []Reading, _ string) bool {
		return len(r) == 2 && r[0].Probe == "fridge" && r[1].Probe == "table" && r[1].C > 20 && r[1].C < 22
	})
	on.Set("table", 34)
	until("a hot table", func(r []Reading, _ string) bool { return len(r) == 2 && r[1].C > 33 })
	on.Fail("flood")
	until("a flood", func(r []Reading, _ string) bool { return len(r) == 2 })
	on.Fail("garbage")
	until("nonsense", func(_ []Reading, w string) bool { return strings.Contains(w, "cannot be read") })
	on.Fail("silent")
	until("silence", func(_ []Reading, w string) bool { return strings.Contains(w, "says nothing") })
	on.Fail("")
	until("there again", func(r []Reading, _ string) bool { return len(r) == 2 })
	if _, err := New("127.0.0.1:1", time.Now).Read(context.Background()); err == nil || !strings.Contains(err.Error(), "cannot be reached") {
		t.Error(err)
	}
}

func TestParse(t *testing.T) {
	if name, c, ok := parse("fridge -1.5 C\r"); !ok || name != "fridge" || c != -1.5 {
		t.Error(name, c, ok)
	}
	for _, line := range []string{"", "fridge", "fridge 4", "fridge 4 F", "fridge NaN C", "fridge 4000 C", "Fridge 4 C", "fr1dge 4 C", strings.Repeat("a", 40) + " 4 C", "a b 4 C"} {
		if _, _, ok := parse(line); ok {
			t.Errorf("%q is a reading", line)
		}
	}
}
