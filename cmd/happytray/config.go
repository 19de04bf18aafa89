package main

import (
	"fmt"
	"log/slog"
	"net"
	"net/netip"
	"os"
	"strings"
	"time"

	"github.com/caarlos0/env/v11"

	"happytray/clock"
	"happytray/devices/lines"
	"happytray/server"
)

// config is what the environment sets. Every name is in `happytray serve --help`.
type config struct {
	Addr     string   `env:"HAPPYTRAY_ADDR" envDefault:"127.0.0.1:8080" says:"address to serve on"`
	DB       string   `env:"HAPPYTRAY_DB" says:"an existing MariaDB or cluster, user:password@tcp(host:port)/name; without it a private one is started"`
	Hosts    []string `env:"HAPPYTRAY_HOSTS" says:"names this server is reached by, besides localhost and its own address, with commas between them"`
	Door     string   `env:"HAPPYTRAY_DOOR" envDefault:":8090" says:"address on which phones and tablets are let in, once the door is opened on Devices"`
	DoorURL  string   `env:"HAPPYTRAY_DOOR_URL" says:"how they reach it where a proxy with TLS stands before it, such as https://tray.example"`
	Debug    string   `env:"HAPPYTRAY_DEBUG_ADDR" says:"address on loopback for /metrics and /debug/pprof; without it there are none"`
	ShopNets []string `env:"HAPPYTRAY_SHOP_NETS" says:"networks besides the public ones in which a shop's feed may be, such as 192.168.4.0/24"`
	Scale    string   `env:"HAPPYTRAY_SCALE" says:"address of a bench scale, host:port; serve --scale starts a simulated one"`
	Probe    string   `env:"HAPPYTRAY_PROBE" says:"address of a box of thermometers, host:port; serve --probe starts a simulated one"`
	Clock    string   `env:"HAPPYTRAY_CLOCK" says:"what time it is taken to be at the start, such as 2026-12-31T23:50:00Z, for a rehearsal; without it the computer's own clock counts"`
	LogLevel string   `env:"HAPPYTRAY_LOG" envDefault:"info" says:"debug, info, warn or error"`
	LogJSON  bool     `env:"HAPPYTRAY_LOG_JSON" says:"true writes the log as JSON"`
}

// readConfig reads the environment and checks it; a name that is misspelt would be
// silently without effect, so unknown ones of ours are refused.
func readConfig() (config, error) {
	c, err := env.ParseAs[config]()
	if err != nil {
		return c, fmt.Errorf("the environment: %s", strings.TrimPrefix(err.Error(), "env: "))
	}
	known := map[string]bool{}
	for _, p := range configParams() {
		known[p.Key] = true
	}
	for _, v := range os.Environ() {
		if name, _, _ := strings.Cut(v, "="); strings.HasPrefix(name, "HAPPYTRAY_") && !known[name] {
			return c, fmt.Errorf("%s is no setting of this program; see happytray serve --help", name)
		}
	}
	if _, err := c.level(); err != nil {
		return c, err
	}
	if _, err := c.now(); err != nil {
		return c, err
	}
	for what, address := range map[string]string{"scale": c.Scale, "thermometer": c.Probe} {
		if address == "" {
			continue
		}
		if err := lines.Check(what, address); err != nil {
			return c, err
		}
	}
	if _, err := server.NewDoorkeeper(c.Door, c.DoorURL); err != nil {
		return c, err
	}
	if _, err := c.shopNets(); err != nil {
		return c, err
	}
	if c.Debug != "" {
		host, _, err := net.SplitHostPort(c.Debug)
		if ip := net.ParseIP(host); err != nil || host != "localhost" && (ip == nil || !ip.IsLoopback()) {
			return c, fmt.Errorf("HAPPYTRAY_DEBUG_ADDR should be an address on loopback such as 127.0.0.1:8081, not %q", c.Debug)
		}
	}
	return c, nil
}

func configParams() []env.FieldParams {
	params, err := env.GetFieldParams(&config{})
	if err != nil {
		panic(err) // the tags above
	}
	return params
}

// now is the clock that counts.
func (c config) now() (func() time.Time, error) {
	if c.Clock == "" {
		return time.Now, nil
	}
	at, err := clock.Parse(c.Clock)
	if err != nil {
		return nil, fmt.Errorf("HAPPYTRAY_CLOCK should be a time such as 2026-12-31T23:50:00Z, not %q", c.Clock)
	}
	return clock.From(at), nil
}

func (c config) level() (slog.Level, error) {
	var l slog.Level
	if err := l.UnmarshalText([]byte(c.LogLevel)); err != nil {
		return l, fmt.Errorf("HAPPYTRAY_LOG should be debug, info, warn or error, not %q", c.LogLevel)
	}
	return l, nil
}

func (c config) shopNets() (out []netip.Prefix, err error) {
	for _, n := range c.ShopNets {
		p, err := netip.ParsePrefix(strings.TrimSpace(n))
		if err != nil {
			return nil, fmt.Errorf("HAPPYTRAY_SHOP_NETS should be networks such as 192.168.4.0/24, not %q", n)
		}
		out = append(out, p)
	}
	return out, nil
}

func (c config) logger() *slog.Logger {
	level, _ := c.level() // checked by readConfig
	o := &slog.HandlerOptions{Level: level}
	if c.LogJSON {
		return slog.New(slog.NewJSONHandler(os.Stderr, o))
	}
	return slog.New(slog.NewTextHandler(os.Stderr, o))
}
