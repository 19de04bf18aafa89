package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"os/signal"
	"path/filepath"
	"reflect"
	"strings"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"happytray/app"
	"happytray/server"
	standinprobe "happytray/standin/probe"
	standinscale "happytray/standin/scale"
	"happytray/standin/shop"
	"happytray/store"
	"happytray/store/localdb"
	"happytray/web"
)

func serveCommand() *cobra.Command {
	var withDemo, withShop, withScale, withProbe bool
	var dir string
	c := &cobra.Command{Use: "serve", Short: "Serve the product", Args: noArgs, Long: serveHelp(),
		RunE: func(*cobra.Command, []string) error {
			conf, err := readConfig()
			if err != nil {
				return usageError{err}
			}
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
			defer stop()
			return serve(ctx, conf, dir, withDemo, withShop, withScale, withProbe)
		}}
	c.Flags().BoolVar(&withDemo, "demo", false, "load the demo world, once")
	c.Flags().BoolVar(&withScale, "scale", false, "start a simulated bench scale on loopback, which the weigh-out screen can load")
	c.Flags().BoolVar(&withProbe, "probe", false, "start simulated thermometers on loopback, in the fridge and on the table")
	c.Flags().BoolVar(&withShop, "shop", false, "start the simulated shop on loopback and read its prices, unless another is set")
	c.Flags().StringVar(&dir, "dir", ".local", "where the private database lives")
	return c
}

func serveHelp() string {
	var b strings.Builder
	b.WriteString("Serve the product. The environment sets:\n\n")
	t := reflect.TypeFor[config]()
	for i, p := range configParams() {
		fmt.Fprintf(&b, "  %-22s %s", p.Key, t.Field(i).Tag.Get("says"))
		if p.DefaultValue != "" {
			fmt.Fprintf(&b, " (%s)", p.DefaultValue)
		}
		b.WriteByte('\n')
	}
	return b.String()
}

// serve runs until ctx ends, then finishes what it started.
func serve(ctx context.Context, conf config, dir string, withDemo, withShop, withScale, withProbe bool) (err error) {
	log := conf.logger()
	addr := conf.Addr
	// the port first: if it is taken there is no need to wake the database
	l, err := net.Listen("tcp", addr)
	if err != nil {
		if errors.Is(err, syscall.EADDRINUSE) {
			return fmt.Errorf("%s is in use already, perhaps by another copy; stop that one, or choose another address with HAPPYTRAY_ADDR", addr)
		}
		return fmt.Errorf("cannot listen on %s: %v", addr, err)
	}
	defer l.Close()
	source := conf.DB
	var free func() (uint64, error) // only of our own database is it known where it writes
	if source == "" {
		db, err := localdb.Start(ctx, filepath.Join(dir, "db"), localdb.Options{Log: log})
		if err != nil {
			return err
		}
		defer func() {
			if e := db.Stop(); e != nil {
				log.Error("stopping the database", "error", e)
			}
		}()
		source, free = db.DSN(), db.Free
	}
	now, err := conf.now()
	if err != nil {
		return err
	}
	st, err := open(ctx, source, store.Options{Log: log, Now: now, Free: free})
	if err != nil {
		return err
	}
	defer st.Close()
	nets, err := conf.shopNets()
	if err != nil {
		return err
	}
	options := app.Options{Log: log, Now: now, Shop: app.ShopPolicy{Loopback: withShop, Nets: nets}, Scale: conf.Scale, Probe: conf.Probe}
	if withProbe {
		l, err := net.Listen("tcp", "127.0.0.1:0")
		if err != nil {
			return fmt.Errorf("the simulated thermometers find no port: %v", err)
		}
		defer l.Close()
		go (&standinprobe.Box{}).Serve(l)
		options.Probe = l.Addr().String()
		log.Info("the simulated thermometers hang", "address", options.Probe)
	}
	if withScale {
		stop, err := openScale(&options, log)
		if err != nil {
			return err
		}
		defer stop()
	}
	product := app.New(st, options)
	if withDemo {
		loaded, err := product.LoadDemo(ctx)
		if err != nil {
			return err
		}
		if loaded {
			log.Info("loaded the demo world")
		}
	}
	if withShop {
		stop, err := openShop(ctx, product, now, log)
		if err != nil {
			return err
		}
		defer stop()
	}
	watching := make(chan struct{})
	watch, stopWatching := context.WithCancel(ctx)
	go func() {
		defer close(watching)
		product.WatchShop(watch)
	}()
	defer func() { // before the database goes
		stopWatching()
		<-watching
	}()
	metrics := server.NewMetrics(product, versionText())
	if conf.Debug != "" {
		stop, err := openDebug(conf.Debug, metrics, log)
		if err != nil {
			return err
		}
		defer stop()
	}
	door, err := server.NewDoorkeeper(conf.Door, conf.DoorURL)
	if err != nil {
		return err
	}
	handler, err := server.Handler(product, web.Files(), server.Options{Log: log, Hosts: conf.Hosts, Metrics: metrics, Door: door, Stopping: ctx})
	if err != nil {
		return err
	}
	kept := make(chan struct{})
	go func() {
		defer close(kept)
		door.Keep(watch, product, handler, log)
	}()
	defer func() { // before the database goes
		stopWatching()
		<-kept
	}()
	srv := server.New(handler, log)
	done := make(chan error, 1)
	go func() { done <- srv.Serve(l) }()
	fmt.Printf("Happy Tray is at http://%s  (Ctrl-C stops it)\n", shown(l.Addr().String()))
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
	}
	fmt.Println("Finishing what is under way ...")
	end, cancel := context.WithTimeout(context.Background(), 8*time.Second)
	defer cancel()
	if err := srv.Shutdown(end); err != nil {
		srv.Close()
	}
	return nil
}

// openShop starts the simulated shops on a free port of loopback and has their prices
// read, if no others are set.
func openShop(ctx context.Context, product *app.App, now func() time.Time, log *slog.Logger) (stop func(), err error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, fmt.Errorf("the simulated shop finds no port: %v", err)
	}
	shops := http.NewServeMux()
	shops.Handle("/", &shop.Shop{Seed: 7, Now: now})
	shops.Handle("/hall/", http.StripPrefix("/hall", &shop.Shop{Seed: 11, Now: now, Hall: true}))
	srv := &http.Server{Handler: shops, ReadHeaderTimeout: 5 * time.Second, WriteTimeout: 20 * time.Second}
	go srv.Serve(l)
	address, hall := "http://"+l.Addr().String()+"/feed.json", "http://"+l.Addr().String()+"/hall/feed.json"
	if err := product.UseStandIns(ctx, address, hall); err != nil {
		srv.Close()
		return nil, err
	}
	log.Info("the simulated shops are open", "feed", address, "hall", hall)
	return func() { srv.Close() }, nil
}

// openScale starts the simulated scale on a free port of loopback.
func openScale(o *app.Options, log *slog.Logger) (stop func(), err error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, fmt.Errorf("the simulated scale finds no port: %v", err)
	}
	s := &standinscale.Scale{}
	go s.Serve(l)
	o.Scale, o.Pan = l.Addr().String(), s
	log.Info("the simulated scale stands", "address", o.Scale)
	return func() { l.Close() }, nil
}

// openDebug serves figures and profiles on loopback.
func openDebug(addr string, m *server.Metrics, log *slog.Logger) (stop func(), err error) {
	l, err := net.Listen("tcp", addr)
	if err != nil {
		return nil, fmt.Errorf("cannot listen on HAPPYTRAY_DEBUG_ADDR: %v", err)
	}
	srv := &http.Server{Handler: m.Handler(), ReadHeaderTimeout: 5 * time.Second}
	go srv.Serve(l)
	log.Info("figures and profiles", "at", "http://"+l.Addr().String()+"/metrics")
	return func() { srv.Close() }, nil
}

func shown(addr string) string { return strings.Replace(addr, "[::]", "127.0.0.1", 1) }

// open waits a little for a database that is still starting.
func open(ctx context.Context, source string, o store.Options) (*store.Store, error) {
	var last error
	for range 10 {
		st, err := store.Open(ctx, source, o)
		if err == nil {
			return st, nil
		}
		if !errors.Is(err, store.ErrDown) {
			return nil, err
		}
		last = err
		select {
		case <-ctx.Done():
			return nil, ctx.Err()
		case <-time.After(500 * time.Millisecond):
		}
	}
	return nil, last
}
