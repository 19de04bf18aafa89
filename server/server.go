// Package server is the HTTP side: it translates between the contract in
// openapi.yaml and the product, and decides nothing.
package server

import (
	"context"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"runtime"
	"slices"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/sync/semaphore"

	"happytray/app"
	"happytray/server/api"
)

// Options are how a Server behaves. The zero value is good for tests on loopback.
type Options struct {
	Log     *slog.Logger  // nobody is told where nil
	Hosts   []string      // names it is reached by, besides those of loopback
	Metrics *Metrics      // counted into; nowhere where nil
	Door    *Doorkeeper   // listens for devices; nothing does where nil
	Stalled time.Duration // how long a client may read nothing of an answer; 10 s where 0
	// Stopping ends when the server is to: searches end with their best then. Never where nil.
	Stopping context.Context
}

// Server answers requests. It keeps no state that another process would need.
type Server struct {
	app       *app.App
	log       *slog.Logger
	metrics   *Metrics
	door      *Doorkeeper
	searches  *queue              // that take seconds of a core or more
	works     *queue              // that take tens of milliseconds
	uploads   *semaphore.Weighted // bytes of bodies that are being taken in
	strangers *semaphore.Weighted // the same of those who have not been let in
	stopping  context.Context     // ends when the server is to
	photos    *queue              // pictures decoded at once: each may take some hundred MB
	stalled   time.Duration
}

const (
	// waitingSearches, waitingWorks and waitingPhotos are how many may wait for their turn.
	waitingSearches = 12
	waitingWorks    = 96
	waitingPhotos   = 8
	// uploadBudget bounds the bodies that are held at a time, all together.
	uploadBudget = 128 << 20
	// strangersBudget is the same for all who have not been let in, and strangersTime is how long one of their bodies may take.
	strangersBudget = 40 * strangersBody
	strangersTime   = 5 * time.Second
)

// Handler builds the routes. web holds the built front end.
func Handler(a *app.App, web fs.FS, o Options) (http.Handler, error) {
	gin.SetMode(gin.ReleaseMode)
	cores := runtime.GOMAXPROCS(0)
	s := &Server{app: a, log: o.Log, metrics: o.Metrics, door: o.Door, searches: newQueue(max(1, cores), waitingSearches), works: newQueue(2*cores+2, waitingWorks),
		uploads: semaphore.NewWeighted(uploadBudget), strangers: semaphore.NewWeighted(strangersBudget), stopping: o.Stopping, photos: newQueue(1, waitingPhotos), stalled: o.Stalled}
	for name, q := range map[string]*queue{"searches": s.searches, "works": s.works, "photos": s.photos} {
		s.metrics.waiting(name, q.length)
	}
	if s.stalled == 0 {
		s.stalled = 10 * time.Second
	}
	if s.stopping == nil {
		s.stopping = context.Background()
	}
	if s.log == nil {
		s.log = slog.New(slog.DiscardHandler)
	}
	site, err := readPages(web)
	if err != nil {
		return nil, err
	}
	check, err := newContract()
	if err != nil {
		return nil, err
	}
	r := gin.New()
	r.HandleMethodNotAllowed = true
	r.ContextWithFallback = true
	r.Use(s.tell, s.recover, headers, hosts(slices.Concat(o.Hosts, o.Door.hosts())), sameOrigin(), s.deadlines(check), s.guard(site), packed())
	api.RegisterHandlersWithOptions(r, s, api.GinServerOptions{
		Middlewares: []api.MiddlewareFunc{func(c *gin.Context) { check.takeBody(s, c) }, check.validate},
		ErrorHandler: func(c *gin.Context, err error, status int) {
			problem(c, status, "This request cannot be read", err.Error(), "")
		},
	})
	r.NoMethod(func(c *gin.Context) {
		problem(c, http.StatusMethodNotAllowed, "That cannot be done here", "", "")
	})
	r.NoRoute(site.serve)
	return r, nil
}

// unread bounds what of an answer lies in the system's buffers for a client that does
// not read, bytes: little, so that it is noticed soon.
const unread = 32 << 10

// New is an HTTP server for a handler of this package. Each answer has a deadline of its
// own (bounds.go).
func New(h http.Handler, log *slog.Logger) *http.Server {
	return &http.Server{Handler: h, ReadHeaderTimeout: 10 * time.Second, IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 64 << 10,
		ErrorLog: slog.NewLogLogger(log.Handler(), slog.LevelDebug),
		ConnContext: func(ctx context.Context, c net.Conn) context.Context {
			if t, ok := c.(*net.TCPConn); ok {
				_ = t.SetWriteBuffer(unread) // the system's own choice does as well
			}
			return ctx
		}}
}

// Ready answers whether requests should be sent here: the database answers and takes changes, and nobody has told this
// server to stop. Whether it is alive at all, Health says.
func (s *Server) Ready(c *gin.Context) {
	if s.stopping.Err() != nil {
		c.JSON(http.StatusServiceUnavailable, api.Health{Status: "stopping", Database: "not asked"})
		return
	}
	s.Health(c)
}

// Health answers whether the database does, and takes changes.
func (s *Server) Health(c *gin.Context) {
	if err := s.app.Answers(c.Request.Context()); err != nil {
		_, says := databaseSays(err)
		c.JSON(http.StatusServiceUnavailable, api.Health{Status: "degraded", Database: says})
		return
	}
	c.JSON(http.StatusOK, api.Health{Status: "ok", Database: "ok"})
}
