// Package server is the HTTP side: it translates between the contract in
// openapi.yaml and the core, and decides nothing about the craft.
package server

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"log/slog"
	"maps"
	"mime"
	"net/http"
	"path"
	"slices"
	"strings"
	"time"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers"
	"github.com/getkin/kin-openapi/routers/gorillamux"
	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"

	"happytray/core/wire"
	"happytray/export/photo"
	"happytray/server/api"
	"happytray/store"
)

// Server answers requests. It keeps no state that another process would need.
type Server struct {
	store  *store.Store
	log    *slog.Logger
	lives  *lives
	keeper keeper
	busy   chan struct{} // searches running at once
	photos chan struct{} // pictures decoded at once: each may take some hundred MB
}

// Handler builds the routes. web holds the built front end.
func Handler(st *store.Store, web fs.FS, log *slog.Logger) (http.Handler, error) {
	gin.SetMode(gin.ReleaseMode)
	s := &Server{store: st, log: log, lives: newLives(24), busy: make(chan struct{}, 4), photos: make(chan struct{}, 1)}
	r := gin.New()
	r.HandleMethodNotAllowed = true
	r.Use(s.recover, guard)
	r.Use(gzip.Gzip(gzip.BestSpeed, gzip.WithExcludedPathsRegexs([]string{"/api/v1/arrange.*"})))
	check, err := validator()
	if err != nil {
		return nil, err
	}
	api.RegisterHandlersWithOptions(r, s, api.GinServerOptions{
		Middlewares: []api.MiddlewareFunc{check},
		ErrorHandler: func(c *gin.Context, err error, status int) {
			problem(c, status, "This request cannot be read", err.Error(), "")
		},
	})
	r.NoMethod(func(c *gin.Context) {
		problem(c, http.StatusMethodNotAllowed, "That cannot be done here", "", "")
	})
	r.NoRoute(s.site(web))
	return r, nil
}

// recover answers a panic with a problem, and logs it; the process goes on.
func (s *Server) recover(c *gin.Context) {
	defer func() {
		if v := recover(); v != nil {
			if v == http.ErrAbortHandler {
				panic(v)
			}
			s.log.Error("panic", "path", c.Request.URL.Path, "value", fmt.Sprint(v))
			if !c.Writer.Written() {
				problem(c, http.StatusInternalServerError, "Something went wrong here", "Try again; if it stays, look at the server's log.", "")
			}
		}
	}()
	c.Next()
}

// guard bounds bodies, and lets only pages of this very site change anything.
func guard(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Content-Security-Policy", "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; frame-ancestors 'none'")
	if m := c.Request.Method; m != http.MethodGet && m != http.MethodHead {
		if site := c.GetHeader("Sec-Fetch-Site"); site != "" && site != "same-origin" && site != "none" {
			problem(c, http.StatusForbidden, "Another site asked for this", "Only pages of this program may change a job.", "")
			return
		}
		most := bound(c.Request)
		if c.Request.ContentLength > most {
			tooLarge(c, most)
			return
		}
		c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, most)
	}
	c.Next()
}

// bound is how many bytes a request may bring: pictures are large.
func bound(r *http.Request) int64 {
	if strings.HasPrefix(r.Header.Get("Content-Type"), "image/") && r.Header.Get("Content-Type") != "image/svg+xml" {
		return photo.MaxBytes
	}
	return wire.MaxBytes
}

func tooLarge(c *gin.Context, most int64) {
	problem(c, http.StatusRequestEntityTooLarge, "Too large", fmt.Sprintf("A request may hold at most %d MB.", most>>20), "")
}

// validator checks every request against the contract before a handler sees it.
func validator() (api.MiddlewareFunc, error) {
	doc, err := openapi3.NewLoader().LoadFromData(api.Spec)
	if err != nil {
		return nil, err
	}
	if err := doc.Validate(context.Background()); err != nil {
		return nil, err
	}
	router, err := gorillamux.NewRouter(doc)
	if err != nil {
		return nil, err
	}
	return func(c *gin.Context) {
		var body []byte
		if c.Request.Body != nil {
			var err error
			if body, err = io.ReadAll(c.Request.Body); err != nil {
				var big *http.MaxBytesError
				if errors.As(err, &big) {
					tooLarge(c, big.Limit)
				} else {
					problem(c, http.StatusBadRequest, "The request broke off", "Send it again.", "")
				}
				return
			}
			c.Request.Body = io.NopCloser(bytes.NewReader(body))
		}
		route, params, err := router.FindRoute(c.Request)
		if err != nil {
			var re *routers.RouteError
			errors.As(err, &re)
			problem(c, http.StatusNotFound, "There is nothing here", "", "")
			return
		}
		if !fitting(route.Operation, c.ContentType()) {
			problem(c, http.StatusUnsupportedMediaType, "This cannot be taken", "Send it as "+strings.Join(kinds(route.Operation), " or ")+".", "Content-Type")
			return
		}
		if err := wire.Sound(body); len(body) > 0 && (c.ContentType() == "" || c.ContentType() == "application/json") && err != nil { // depth and syntax first
			var bad *wire.Error
			errors.As(err, &bad)
			problem(c, http.StatusBadRequest, "This request cannot be read", bad.Says, bad.Field)
			return
		}
		err = openapi3filter.ValidateRequest(c.Request.Context(), &openapi3filter.RequestValidationInput{Request: c.Request, PathParams: params, Route: route,
			Options: &openapi3filter.Options{AuthenticationFunc: openapi3filter.NoopAuthenticationFunc, ExcludeRequestBody: opaque(route.Operation, body)}})
		if err != nil {
			field, says := plain(err)
			problem(c, http.StatusBadRequest, "This request cannot be read", says, field)
			return
		}
		c.Request.Body = io.NopCloser(bytes.NewReader(body))
		c.Set("body", body)
	}, nil
}

// opaque reports whether an operation's body is a whole tray or brief, whose
// inside the contract leaves to the core; it is then enough that it is an
// object, and not worth decoding a second time.
func opaque(op *openapi3.Operation, body []byte) bool {
	if op.RequestBody != nil && op.RequestBody.Value.Content.Get("application/json") == nil {
		return true // no JSON: a drawing, a table, a picture
	}
	if op.RequestBody == nil || !bytes.HasPrefix(bytes.TrimSpace(body), []byte("{")) {
		return false
	}
	media := op.RequestBody.Value.Content.Get("application/json")
	return media != nil && media.Schema != nil && media.Schema.Value.Extensions["x-go-type"] == "Document"
}

// kinds lists the media types an operation takes.
func kinds(op *openapi3.Operation) []string {
	if op.RequestBody == nil {
		return nil
	}
	return slices.Sorted(maps.Keys(op.RequestBody.Value.Content))
}

// fitting reports whether a body of the media type can be taken. JSON need not
// be named.
func fitting(op *openapi3.Operation, media string) bool {
	all := kinds(op)
	return len(all) == 0 || slices.Contains(all, media) || media == "" && slices.Contains(all, "application/json")
}

// plain takes field and reason out of a validation error.
func plain(err error) (field, says string) {
	says = "the request does not follow the contract"
	var req *openapi3filter.RequestError
	if errors.As(err, &req) {
		if req.Parameter != nil {
			field = req.Parameter.Name
		}
		if req.Reason != "" {
			says = req.Reason
		}
	}
	var schema *openapi3.SchemaError
	if errors.As(err, &schema) {
		if at := strings.Join(schema.JSONPointer(), "."); at != "" {
			field = at
		}
		says = schema.Reason
	}
	return field, says
}

// body is the request's JSON, already read and found well formed.
func body(c *gin.Context) []byte {
	b, _ := c.Get("body")
	raw, _ := b.([]byte)
	return raw
}

// site serves the built front end; unknown paths are its own routes.
func (s *Server) site(web fs.FS) gin.HandlerFunc {
	return func(c *gin.Context) {
		p := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
		if strings.HasPrefix(p, "api/") || c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
			problem(c, http.StatusNotFound, "There is nothing here", "", "")
			return
		}
		data, err := fs.ReadFile(web, p)
		if p == "" || p == "." || err != nil {
			if strings.HasPrefix(p, "assets/") {
				problem(c, http.StatusNotFound, "There is nothing here", "", "")
				return
			}
			p = "index.html"
			if data, err = fs.ReadFile(web, p); err != nil {
				problem(c, http.StatusNotFound, "The pages are not built", "Run make build.", "")
				return
			}
		}
		kind := mime.TypeByExtension(path.Ext(p))
		if strings.HasPrefix(p, "assets/") {
			c.Header("Cache-Control", "public, max-age=31536000, immutable")
		} else {
			c.Header("Cache-Control", "no-cache")
		}
		c.Data(http.StatusOK, kind, data)
	}
}

// Health answers whether the database does.
func (s *Server) Health(c *gin.Context) {
	ctx, stop := context.WithTimeout(c.Request.Context(), 3*time.Second)
	defer stop()
	if err := s.store.Ping(ctx); err != nil {
		c.JSON(http.StatusServiceUnavailable, api.Health{Status: "degraded", Database: "does not answer"})
		return
	}
	c.JSON(http.StatusOK, api.Health{Status: "ok", Database: "ok"})
}
