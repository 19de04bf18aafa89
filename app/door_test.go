package app

import (
	"context"
	"errors"
	"fmt"
	"strings"
	"sync"
	"testing"
	"time"
)

// A key lets one device in, once, within five minutes and however it is typed; the device is known for ninety days,
// until it is put out, and not while the door is shut.
func TestDoorKeysAndTokens(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 101)
	if _, _, err := a.MakeKey(ctx); err == nil {
		t.Error("a key for a shut door")
	}
	if err := a.OpenDoor(ctx, true); err != nil {
		t.Fatal(err)
	}
	key, until, err := a.MakeKey(ctx)
	if err != nil || until.Sub(clock.now()).Round(time.Minute) != 5*time.Minute {
		t.Fatalf("%v until %v", err, until)
	}
	var in sync.Map
	var all sync.WaitGroup
	for n := range 6 { // six hold their phones before the screen at once
		all.Go(func() {
			if token, err := a.Enter(ctx, strings.ToLower(key[:5]+"-"+key[5:]), fmt.Sprintf("Phone %d", n), fmt.Sprint("10.0.0.", n)); err == nil {
				in.Store(token, true)
			}
		})
	}
	all.Wait()
	token := ""
	count := 0
	in.Range(func(k, _ any) bool { token, count = k.(string), count+1; return true })
	if count != 1 {
		t.Fatalf("one key let %d devices in", count)
	}
	known := func(want bool, when string) {
		t.Helper()
		if _, err := a.LetIn(ctx, token); (err == nil) != want || err != nil && !errors.Is(err, ErrNotLetIn) {
			t.Errorf("%s: %v", when, err)
		}
	}
	known(true, "at once")
	clock.on(89 * 24 * time.Hour)
	known(true, "after 89 days")
	clock.on(2 * 24 * time.Hour)
	known(false, "after 91 days")
	clock.on(-91 * 24 * time.Hour)
	if err := a.OpenDoor(ctx, false); err != nil {
		t.Fatal(err)
	}
	known(false, "while the door is shut")
	if err := a.OpenDoor(ctx, true); err != nil {
		t.Fatal(err)
	}
	known(true, "open again")
	late, _, err := a.MakeKey(ctx)
	if err != nil {
		t.Fatal(err)
	}
	clock.on(5*time.Minute + time.Second)
	if _, err := a.Enter(ctx, late, "Late", "10.0.0.9"); err == nil {
		t.Error("a key of five minutes ago holds")
	}
	d, err := a.Door(ctx)
	if err != nil || len(d.Devices) != 1 {
		t.Fatalf("%+v %v", d, err)
	}
	if err := a.PutOut(ctx, d.Devices[0].ID); err != nil {
		t.Fatal(err)
	}
	known(false, "put out")
	if _, err := a.LetIn(ctx, token+"x"); !errors.Is(err, ErrNotLetIn) {
		t.Errorf("a token that somebody made up: %v", err)
	}
}

// Ten wrong keys from one place are enough for ten minutes, and hinder nobody elsewhere.
func TestWrongKeys(t *testing.T) {
	ctx := context.Background()
	a, clock := product(t, 102)
	if err := a.OpenDoor(ctx, true); err != nil {
		t.Fatal(err)
	}
	key, _, err := a.MakeKey(ctx)
	if err != nil {
		t.Fatal(err)
	}
	for n := range wrongFrom {
		if _, err := a.Enter(ctx, "2222222222", "x", "10.0.0.1"); errors.Is(err, ErrTries) || err == nil {
			t.Fatalf("try %d: %v", n+1, err)
		}
	}
	if _, err := a.Enter(ctx, key, "x", "10.0.0.1"); !errors.Is(err, ErrTries) {
		t.Errorf("the right key after ten wrong ones: %v", err)
	}
	if _, err := a.Enter(ctx, key, "x", "10.0.0.2"); err != nil {
		t.Errorf("from elsewhere: %v", err)
	}
	clock.on(wrongWithin + time.Second)
	if key, _, err = a.MakeKey(ctx); err != nil {
		t.Fatal(err)
	}
	if _, err := a.Enter(ctx, key, "y", "10.0.0.1"); err != nil {
		t.Errorf("ten minutes later: %v", err)
	}
	for _, name := range []string{"", "  ", strings.Repeat("x", 41)} {
		if _, err := a.Enter(ctx, key, name, "10.0.0.3"); err == nil {
			t.Errorf("let in as %q", name)
		}
	}
}
