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
	"strings"
	"syscall"
	"time"

	"github.com/spf13/cobra"

	"happytray/core/food"
	"happytray/demo"
	"happytray/server"
	"happytray/standin/grocer"
	"happytray/store"
	"happytray/store/localdb"
	"happytray/web"
)

func serveCommand() *cobra.Command {
	var withDemo, withShop bool
	var dir string
	c := &cobra.Command{Use: "serve", Short: "Serve the product", Args: noArgs,
		Long: "Serve on HAPPYTRAY_ADDR (127.0.0.1:8080). HAPPYTRAY_DB names an existing MariaDB as user:password@tcp(host:port)/name; without it a private one is started under --dir.",
		RunE: func(*cobra.Command, []string) error {
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
			defer stop()
			return serve(ctx, dir, withDemo, withShop)
		}}
	c.Flags().BoolVar(&withDemo, "demo", false, "load the demo world, once")
	c.Flags().BoolVar(&withShop, "shop", false, "start the simulated shop on loopback and read its prices, unless another is set")
	c.Flags().StringVar(&dir, "dir", ".local", "where the private database lives")
	return c
}

// serve runs until ctx ends, then finishes what it started.
func serve(ctx context.Context, dir string, withDemo, withShop bool) (err error) {
	log := slog.New(slog.NewTextHandler(os.Stderr, nil))
	addr := os.Getenv("HAPPYTRAY_ADDR")
	if addr == "" {
		addr = "127.0.0.1:8080"
	}
	// the port first: if it is taken there is no need to wake the database
	l, err := net.Listen("tcp", addr)
	if err != nil {
		if errors.Is(err, syscall.EADDRINUSE) {
			return fmt.Errorf("%s is in use already, perhaps by another copy; stop that one, or choose another address with HAPPYTRAY_ADDR", addr)
		}
		return fmt.Errorf("cannot listen on %s: %v", addr, err)
	}
	defer l.Close()
	source := os.Getenv("HAPPYTRAY_DB")
	if source == "" {
		db, err := localdb.Start(ctx, dir+"/db", localdb.Options{})
		if err != nil {
			return err
		}
		defer func() {
			if e := db.Stop(); e != nil {
				log.Error("stopping the database", "error", e)
			}
		}()
		source = db.DSN()
	}
	st, err := open(ctx, source)
	if err != nil {
		return err
	}
	defer st.Close()
	if withDemo {
		if err := loadDemo(ctx, st, log); err != nil {
			return err
		}
	}
	if withShop {
		stop, err := openShop(ctx, st, log)
		if err != nil {
			return err
		}
		defer stop()
	}
	watching := make(chan struct{})
	watch, stopWatching := context.WithCancel(ctx)
	go func() {
		defer close(watching)
		server.WatchShop(watch, st, log)
	}()
	defer func() { // before the database goes
		stopWatching()
		<-watching
	}()
	handler, err := server.Handler(st, web.Files(), log)
	if err != nil {
		return err
	}
	srv := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 60 * time.Second, IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 64 << 10}
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

// openShop starts the simulated shop on a free port of loopback and has its prices
// read, if no other shop is set.
func openShop(ctx context.Context, st *store.Store, log *slog.Logger) (stop func(), err error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return nil, fmt.Errorf("the simulated shop finds no port: %v", err)
	}
	srv := &http.Server{Handler: &grocer.Shop{Seed: 7}, ReadHeaderTimeout: 5 * time.Second}
	go srv.Serve(l)
	address := "http://" + l.Addr().String() + "/feed.json"
	last, err := st.Fact(ctx, "shop stand-in")
	if err == nil {
		err = server.UseShop(ctx, st, last, address)
	}
	if err == nil {
		err = st.SetFact(ctx, "shop stand-in", address)
	}
	if err != nil {
		srv.Close()
		return nil, err
	}
	log.Info("the simulated shop is open", "feed", address)
	return func() { srv.Close() }, nil
}

func shown(addr string) string { return strings.Replace(addr, "[::]", "127.0.0.1", 1) }

// open waits a little for a database that is still starting.
func open(ctx context.Context, source string) (*store.Store, error) {
	var last error
	for range 10 {
		st, err := store.Open(ctx, source)
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

func loadDemo(ctx context.Context, st *store.Store, log *slog.Logger) error {
	have, err := st.Fact(ctx, "demo")
	if err != nil || have != "" {
		return err
	}
	larder := food.BuiltIn()
	jobs, err := demo.Jobs(ctx, time.Now(), larder)
	if err != nil {
		return err
	}
	for _, j := range jobs {
		if err := server.Keep(ctx, st, larder, j.Tray, j.Says); err != nil {
			return err
		}
	}
	lots := map[string][]store.Lot{} // what stood in the cupboard that morning
	for id, l := range demo.Cupboard(time.Now()) {
		for _, lot := range l {
			lots[id] = append(lots[id], store.Lot{Grams: lot.Grams, BestBefore: lot.BestBefore})
		}
	}
	if _, err := st.ChangeHouse(ctx, store.Change{Lots: lots}); err != nil {
		return err
	}
	log.Info("loaded the demo world", "jobs", len(jobs))
	return st.SetFact(ctx, "demo", "loaded")
}
