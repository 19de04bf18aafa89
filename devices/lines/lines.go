// Package lines listens to a device that says its readings as lines of text over TCP, whatever the device does: floods,
// nonsense, silence, a line that breaks off.
package lines

import (
	"bufio"
	"context"
	"errors"
	"fmt"
	"io"
	"net"
	"strconv"
	"strings"
	"sync"
	"time"
)

// Bounds of what a device may say and of how long it is waited for.
const (
	MostLine = 64 // bytes; what is longer is no reading
	Silence  = 2 * time.Second
	idle     = 12 * time.Second // after the last question the line is let go
	nonsense = 8                // lines in a row that cannot be read
)

// Why there is no reading.
var (
	ErrAway     = errors.New("cannot be reached; is it on, and on the net?")
	ErrSilent   = errors.New("says nothing; is it on?")
	ErrNonsense = errors.New("sends what cannot be read; turn it off and on")
)

// Device is one device. It is asked by several at once; one line to it is held while somebody asks.
type Device struct {
	Address string                 // host:port
	Hear    func(line string) bool // takes a line; false where it is no reading. Never called twice at once.

	mu    sync.Mutex
	conn  net.Conn
	got   bool // a reading came
	heard time.Time
	asked time.Time
	bad   int
}

// Wait takes the line to the device, unless it is held, and waits for a first reading; the error says why there is none.
func (d *Device) Wait(ctx context.Context) error {
	if err := d.hold(ctx); err != nil {
		return ErrAway
	}
	for {
		d.mu.Lock()
		got, since, bad, gone := d.got, time.Since(d.heard), d.bad, d.conn == nil
		d.mu.Unlock()
		switch {
		case gone:
			return ErrAway
		case since > Silence:
			return ErrSilent
		case bad >= nonsense:
			return ErrNonsense
		case got:
			return nil
		}
		select {
		case <-ctx.Done():
			return ErrSilent
		case <-time.After(20 * time.Millisecond):
		}
	}
}

// Say sends a line to the device.
func (d *Device) Say(ctx context.Context, line string) error {
	if err := d.hold(ctx); err != nil {
		return ErrAway
	}
	d.mu.Lock()
	defer d.mu.Unlock()
	if d.conn == nil {
		return ErrAway
	}
	if err := d.conn.SetWriteDeadline(time.Now().Add(Silence)); err != nil {
		return ErrAway
	}
	if _, err := io.WriteString(d.conn, line+"\n"); err != nil {
		return ErrAway
	}
	return nil
}

// hold takes the line to the device, unless it is held.
func (d *Device) hold(ctx context.Context) error {
	d.mu.Lock()
	defer d.mu.Unlock()
	d.asked = time.Now()
	if d.conn != nil {
		return nil
	}
	dial := net.Dialer{Timeout: Silence}
	conn, err := dial.DialContext(ctx, "tcp", d.Address)
	if err != nil {
		return err
	}
	d.conn, d.got, d.heard, d.bad = conn, false, time.Now(), 0
	go d.listen(conn)
	return nil
}

// listen reads lines until the device is gone or nobody has asked for a while. Of a flood only the newest counts.
func (d *Device) listen(conn net.Conn) {
	defer func() {
		conn.Close()
		d.mu.Lock()
		if d.conn == conn {
			d.conn = nil
		}
		d.mu.Unlock()
	}()
	r := bufio.NewReaderSize(conn, 4096)
	for {
		if err := conn.SetReadDeadline(time.Now().Add(Silence)); err != nil {
			return
		}
		line, err := readLine(r)
		good := err == nil && d.Hear(line)
		d.mu.Lock()
		left := time.Since(d.asked) > idle
		if err == nil {
			d.heard = time.Now()
			if good {
				d.got, d.bad = true, 0
			} else {
				d.bad++
			}
		}
		d.mu.Unlock()
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
		if b.Len() < MostLine {
			b.WriteByte(c)
		}
	}
}

// Check reports why an address is none of a device, which what names.
func Check(what, address string) error {
	host, port, err := net.SplitHostPort(address)
	if n, bad := strconv.Atoi(port); err != nil || host == "" || bad != nil || n < 1 || n > 65535 {
		return fmt.Errorf("the address of the %s is written as host:port, not %.80q", what, address)
	}
	return nil
}
