package app

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"
	"strings"
	"time"
	"unicode/utf8"

	"github.com/google/uuid"
	"github.com/gorilla/securecookie"

	"happytray/core/fault"
	"happytray/store"
)

// The door is how phones and tablets get to the product: shut as shipped. While it is
// open, whoever brings a key - short-lived, for one device - is let in and known from
// then on by a signed token, until put out. What is kept of it is one fact, so that every
// process over the database says the same.

// Device is a phone or tablet that was let in.
type Device struct {
	ID    string    `json:"id"`
	Name  string    `json:"name"`
	LetIn time.Time `json:"let_in"`
	Seen  time.Time `json:"seen"` // to a minute
}

// Door is what is kept of the door.
type door struct {
	Open    bool                   `json:"open"`
	Secret  []byte                 `json:"secret,omitempty"` // signs tokens
	Devices []Device               `json:"devices,omitempty"`
	Key     *doorKey               `json:"key,omitempty"`   // the last one made; those before it do not hold
	Tries   map[string][]time.Time `json:"tries,omitempty"` // wrong keys, by where they came from
}

// doorKey is kept as a digest only: who reads the database cannot come in by it.
type doorKey struct {
	Digest string    `json:"digest"`
	Until  time.Time `json:"until"`
}

// DoorState is what the house is shown of its door.
type DoorState struct {
	Open     bool
	Devices  []Device
	KeyUntil *time.Time // a key that has not been used
}

var (
	// ErrNotLetIn is told to whoever is not known at the door, or no more, or while it is shut.
	ErrNotLetIn = errors.New("this device has not been let in")
	// ErrTries is told where too many keys were wrong.
	ErrTries = errors.New("too many wrong keys")
)

const (
	doorFact = "door"
	// keyHolds is how long a key can be used: time to hold a phone before a screen.
	keyHolds = 5 * time.Minute
	// tokenHolds is how long a device is known without being let in anew.
	tokenHolds = 90 * 24 * time.Hour
	// mostDevices bounds what is kept.
	mostDevices    = 40
	mostDeviceName = 40
	// wrongWithin, wrongFrom and wrongInAll limit the tries: so many wrong keys from one
	// address, and from all, in that time. A key has 50 bits.
	wrongWithin = 10 * time.Minute
	wrongFrom   = 10
	wrongInAll  = 100
	// seenEvery is how exactly it is kept when a device was last seen.
	seenEvery = time.Minute
	// keyLetters leaves out what is mistaken for something else when it is typed.
	keyLetters = "23456789ABCDEFGHJKLMNPQRSTUVWXYZ"
	keyLength  = 10
)

func readDoor(kept string) (door, error) {
	var d door
	if kept == "" {
		return d, nil
	}
	if err := json.Unmarshal([]byte(kept), &d); err != nil {
		return d, fmt.Errorf("what is kept of the door cannot be read: %w", err)
	}
	return d, nil
}

func (a *App) door(ctx context.Context) (door, error) {
	kept, err := a.store.Fact(ctx, doorFact)
	if err != nil {
		return door{}, err
	}
	return readDoor(kept)
}

func (a *App) changeDoor(ctx context.Context, change func(d *door) error) error {
	return a.store.ChangeFact(ctx, doorFact, func(kept string) (string, error) {
		d, err := readDoor(kept)
		if err != nil {
			return "", err
		}
		if err := change(&d); err != nil {
			return "", err
		}
		raw, err := json.Marshal(d)
		return string(raw), err
	})
}

// Door tells whether it is open and who is in.
func (a *App) Door(ctx context.Context) (DoorState, error) {
	d, err := a.door(ctx)
	out := DoorState{Open: d.Open, Devices: d.Devices}
	if d.Key != nil && a.now().Before(d.Key.Until) {
		out.KeyUntil = &d.Key.Until
	}
	return out, err
}

// OpenDoor opens or shuts it. Devices that were let in stay known while it is shut, but
// see nothing.
func (a *App) OpenDoor(ctx context.Context, open bool) error {
	return a.changeDoor(ctx, func(d *door) error {
		d.Open, d.Key, d.Tries = open, nil, nil
		if open && len(d.Secret) == 0 {
			d.Secret = securecookie.GenerateRandomKey(32)
			if d.Secret == nil {
				return errors.New("this machine gives no random numbers")
			}
		}
		return nil
	})
}

// ForgetDoor shuts the door and forgets who was in, with what their tokens are signed by: after a backup was read in, in
// which devices may be let in that have been put out since.
func (a *App) ForgetDoor(ctx context.Context) error {
	return a.changeDoor(ctx, func(d *door) error {
		*d = door{}
		return nil
	})
}

// MakeKey makes a key that lets one device in until a moment, and withdraws the one before.
func (a *App) MakeKey(ctx context.Context) (key string, until time.Time, err error) {
	letters := make([]byte, keyLength)
	if _, err := rand.Read(letters); err != nil {
		return "", until, err
	}
	for i, b := range letters {
		letters[i] = keyLetters[int(b)%len(keyLetters)] // 256 is a multiple of 32
	}
	key = string(letters)
	until = a.now().Add(keyHolds).UTC().Truncate(time.Second)
	err = a.changeDoor(ctx, func(d *door) error {
		if !d.Open {
			return fault.Bad("", "phones and tablets are off; turn them on first")
		}
		if len(d.Devices) >= mostDevices {
			return fault.Bad("", "%d devices are in already; sign out one that is not used any more", mostDevices)
		}
		d.Key = &doorKey{digest(key), until}
		return nil
	})
	return key, until, err
}

func digest(key string) string {
	sum := sha256.Sum256([]byte(key))
	return hex.EncodeToString(sum[:])
}

// typed is a key as it may be written by hand: in small letters, in groups.
func typed(key string) string {
	return strings.ToUpper(strings.Map(func(r rune) rune {
		if r == '-' || r == ' ' {
			return -1
		}
		return r
	}, key))
}

// Enter lets a device in by a key, under a name, and returns the token by which it is
// known. from says where it is, so that tries can be counted.
func (a *App) Enter(ctx context.Context, key, name, from string) (token string, err error) {
	if name = strings.TrimSpace(name); name == "" || utf8.RuneCountInString(name) > mostDeviceName {
		return "", fault.Bad("name", "should have 1 to %d letters, such as Ilka's phone", mostDeviceName)
	}
	now := a.now().UTC()
	var wrong error // told after the try was kept
	err = a.changeDoor(ctx, func(d *door) error {
		token, wrong = "", nil
		if !d.Open {
			return ErrNotLetIn
		}
		if d.tried(now, from) {
			return ErrTries
		}
		if d.Key == nil || !now.Before(d.Key.Until) || digest(typed(key)) != d.Key.Digest {
			d.Tries[from] = append(d.Tries[from], now)
			wrong = fault.Bad("key", "this key does not hold, or no more: each lets in one device, within %d minutes. Ask for a new one at the house's computer", int(keyHolds.Minutes()))
			return nil
		}
		if len(d.Devices) >= mostDevices {
			return fault.Bad("", "%d devices are in already; sign out one that is not used any more", mostDevices)
		}
		device := Device{ID: uuid.NewString(), Name: name, LetIn: now.Truncate(time.Second), Seen: now.Truncate(time.Second)}
		d.Key = nil
		d.Devices = append(d.Devices, device)
		token, err = d.signer().Encode(doorFact, device.ID)
		return err
	})
	if err == nil {
		err = wrong
	}
	return token, err
}

// tried forgets old tries and reports whether there were too many since.
func (d *door) tried(now time.Time, from string) bool {
	inAll := 0
	if d.Tries == nil {
		d.Tries = map[string][]time.Time{}
	}
	for at, times := range d.Tries {
		d.Tries[at] = slices.DeleteFunc(times, func(t time.Time) bool { return now.Sub(t) > wrongWithin })
		inAll += len(d.Tries[at])
	}
	maps.DeleteFunc(d.Tries, func(_ string, times []time.Time) bool { return len(times) == 0 })
	return inAll >= wrongInAll || len(d.Tries[from]) >= wrongFrom
}

// signer makes and checks tokens. They run out by the clock of this machine, and by the house's (LetIn).
func (d *door) signer() *securecookie.SecureCookie {
	return securecookie.New(d.Secret, nil).SetSerializer(securecookie.JSONEncoder{}).MaxAge(int(tokenHolds.Seconds()))
}

// LetIn is the device that a token is of. ErrNotLetIn where the door is shut, the token
// is not of this house or too old, or the device was put out.
func (a *App) LetIn(ctx context.Context, token string) (Device, error) {
	d, err := a.door(ctx)
	if err != nil {
		return Device{}, err
	}
	i := d.known(token)
	if i < 0 {
		return Device{}, ErrNotLetIn
	}
	device, now := d.Devices[i], a.now().UTC().Truncate(time.Second)
	if now.Sub(device.LetIn) > tokenHolds {
		return Device{}, ErrNotLetIn
	}
	if now.Sub(device.Seen) >= seenEvery {
		err = a.changeDoor(ctx, func(d *door) error {
			if i := d.known(token); i >= 0 {
				d.Devices[i].Seen = now
			}
			return nil
		})
		if errors.Is(err, store.ErrDown) || errors.Is(err, store.ErrFull) {
			err = nil // when it was last seen is not worth an answer
		}
	}
	return device, err
}

// known is the place of the device that a token is of, -1 for none.
func (d *door) known(token string) int {
	var id string
	if !d.Open || len(d.Secret) == 0 || token == "" || d.signer().Decode(doorFact, token, &id) != nil {
		return -1
	}
	return slices.IndexFunc(d.Devices, func(v Device) bool { return v.ID == id })
}

// PutOut makes a device unknown, at once.
func (a *App) PutOut(ctx context.Context, id string) error {
	return a.changeDoor(ctx, func(d *door) error {
		was := len(d.Devices)
		d.Devices = slices.DeleteFunc(d.Devices, func(v Device) bool { return v.ID == id })
		if len(d.Devices) == was {
			return store.ErrNotFound
		}
		return nil
	})
}
