package server

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"sync"
	"syscall"
	"time"

	"happytray/app"
)

// Doorkeeper listens for devices beyond this machine while the house's door is open, and
// only then. Its zero value never listens.
type Doorkeeper struct {
	at  string   // address to listen on
	url *url.URL // how devices reach it; nil for this machine's own addresses

	mu      sync.Mutex
	app     *app.App
	handler http.Handler
	log     *slog.Logger
	srv     *http.Server
	port    string
	trouble string
	ended   bool
}

// lookEvery is how soon a process notices that the door was opened or shut at another.
const lookEvery = time.Second

// lastAnswers is how long answers that were begun may take when the process ends.
const lastAnswers = 8 * time.Second

// NewDoorkeeper will listen at an address such as :8090. public is how devices reach it
// where a proxy stands before it, such as https://tray.example; else empty. An error says
// what is wrong with either.
func NewDoorkeeper(at, public string) (*Doorkeeper, error) {
	if _, _, err := net.SplitHostPort(at); err != nil {
		return nil, fmt.Errorf("HAPPYTRAY_DOOR should be an address such as :8090 or 192.168.4.2:8090, not %q", at)
	}
	d := &Doorkeeper{at: at}
	if public == "" {
		return d, nil
	}
	u, err := url.Parse(public)
	if err != nil || u.Scheme != "https" && u.Scheme != "http" || u.Host == "" || strings.Trim(u.Path, "/") != "" || u.RawQuery != "" {
		return nil, fmt.Errorf("HAPPYTRAY_DOOR_URL should be an address such as https://tray.example, not %q", public)
	}
	d.url = u
	return d, nil
}

// hosts are the names that the door is reached by.
func (d *Doorkeeper) hosts() []string {
	if d == nil || d.url == nil {
		return nil
	}
	return []string{d.url.Hostname()}
}

// secure reports whether devices reach the door encrypted.
func (d *Doorkeeper) secure() bool { return d != nil && d.url != nil && d.url.Scheme == "https" }

// Keep listens while the door is open, until ctx ends.
func (d *Doorkeeper) Keep(ctx context.Context, a *app.App, h http.Handler, log *slog.Logger) {
	d.mu.Lock()
	d.app, d.handler, d.log = a, h, log
	d.mu.Unlock()
	for t := time.NewTicker(lookEvery); ; {
		d.look(ctx)
		select {
		case <-ctx.Done():
			t.Stop()
			d.mu.Lock()
			d.ended = true
			srv := d.srv
			d.mu.Unlock()
			finish(srv)
			return
		case <-t.C:
		}
	}
}

// finish lets what devices asked for be answered before it ends.
func finish(srv *http.Server) {
	if srv == nil {
		return
	}
	ctx, done := context.WithTimeout(context.Background(), lastAnswers)
	defer done()
	if srv.Shutdown(ctx) != nil {
		srv.Close()
	}
}

// look opens or shuts as the house wants it now.
func (d *Doorkeeper) look(ctx context.Context) {
	if d == nil {
		return
	}
	d.mu.Lock()
	defer d.mu.Unlock()
	if d.app == nil || d.ended {
		return
	}
	state, err := d.app.Door(ctx)
	switch {
	case err != nil: // nobody can be let in either while that lasts
	case !state.Open:
		d.shut()
		d.trouble = ""
	case d.srv == nil:
		d.listen()
	}
}

func (d *Doorkeeper) listen() {
	l, err := net.Listen("tcp", d.at)
	if err != nil {
		was := d.trouble
		d.trouble = fmt.Sprintf("It cannot listen on %s: %v.", d.at, err)
		if errors.Is(err, syscall.EADDRINUSE) {
			d.trouble = fmt.Sprintf("%s is in use already, perhaps by another copy; stop that one, or choose another address with HAPPYTRAY_DOOR.", d.at)
		}
		if was != d.trouble {
			d.log.Warn("the door", "trouble", d.trouble)
		}
		return
	}
	_, d.port, _ = net.SplitHostPort(l.Addr().String())
	d.trouble = ""
	d.srv = New(d.handler, d.log)
	plain := d.srv.ConnContext
	d.srv.ConnContext = func(ctx context.Context, c net.Conn) context.Context {
		return context.WithValue(plain(ctx, c), atDoorKey{}, true)
	}
	go d.srv.Serve(l)
	d.log.Warn("the door is open: this computer can be reached by others", "address", l.Addr().String())
}

// shut ends the connections of all devices, too.
func (d *Doorkeeper) shut() {
	if d.srv != nil {
		d.srv.Close()
		d.srv, d.port = nil, ""
		d.log.Warn("the door is shut")
	}
}

// state tells whether it listens, and if not although it should, why.
func (d *Doorkeeper) state() (listening bool, trouble string) {
	if d == nil {
		return false, ""
	}
	d.mu.Lock()
	defer d.mu.Unlock()
	return d.srv != nil, d.trouble
}

// addresses are those under which devices find it, the likeliest first: none while it
// does not listen.
func (d *Doorkeeper) addresses() []string {
	if d == nil {
		return []string{}
	}
	d.mu.Lock()
	defer d.mu.Unlock()
	if d.srv == nil {
		return []string{}
	}
	if d.url != nil {
		return []string{strings.TrimSuffix(d.url.String(), "/")}
	}
	var out []string
	host, _, _ := net.SplitHostPort(d.at)
	if ip := net.ParseIP(host); host != "" && (ip == nil || !ip.IsUnspecified()) {
		out = []string{host}
	} else {
		out = ownAddresses()
	}
	for i, host := range out {
		out[i] = "http://" + net.JoinHostPort(host, d.port)
	}
	return out
}

// ownAddresses are those of this machine on the networks it is in, those of homes and
// workplaces first. Of loopback where it is in none.
func ownAddresses() []string {
	all, err := net.InterfaceAddrs()
	if err != nil {
		return []string{"127.0.0.1"}
	}
	var private, other []string
	for _, a := range all {
		n, ok := a.(*net.IPNet)
		if !ok || n.IP.To4() == nil || n.IP.IsLoopback() || n.IP.IsLinkLocalUnicast() {
			continue
		}
		if n.IP.IsPrivate() {
			private = append(private, n.IP.String())
		} else {
			other = append(other, n.IP.String())
		}
	}
	if out := slices.Concat(private, other); len(out) > 0 {
		return out
	}
	return []string{"127.0.0.1"}
}
