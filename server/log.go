package server

import (
	"context"
	"fmt"
	"log/slog"
	"net/http"
	"runtime/debug"
	"strings"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/google/uuid"
)

type idKey struct{}

// requestID is the name of the header in which a request's id comes and goes.
const requestID = "X-Request-Id"

// tell gives each request an id and writes one line about it when it is answered. An id
// that comes with the request, as from a proxy, is kept if it is plain.
func (s *Server) tell(c *gin.Context) {
	began := time.Now()
	id := c.GetHeader(requestID)
	if id == "" || len(id) > 64 || strings.ContainsFunc(id, func(r rune) bool { return r <= ' ' || r > '~' || r == '"' }) {
		id = uuid.NewString()
	}
	c.Header(requestID, id)
	c.Request = c.Request.WithContext(context.WithValue(c.Request.Context(), idKey{}, id))
	defer func() {
		if release, ok := c.Get(releaseKey); ok {
			release.(func())()
		}
		took := time.Since(began)
		route := c.FullPath()
		if route == "" {
			route = "pages"
		}
		s.metrics.answered(c.Request.Method, route, c.Writer.Status(), took)
		level := slog.LevelInfo
		if c.Writer.Status() >= 500 {
			level = slog.LevelError
		} else if route == "pages" || route == "/healthz" {
			level = slog.LevelDebug
		}
		s.log.LogAttrs(c.Request.Context(), level, "request", slog.String("id", id), slog.String("method", c.Request.Method), slog.String("route", route),
			slog.String("path", c.Request.URL.Path), slog.Int("status", c.Writer.Status()), slog.Duration("took", took), slog.Int("bytes", max(0, c.Writer.Size())))
	}()
	c.Next()
}

// recover answers a panic with a problem, and logs it with the stack it came from; the
// process goes on.
func (s *Server) recover(c *gin.Context) {
	defer func() {
		if v := recover(); v != nil {
			if v == http.ErrAbortHandler {
				panic(v)
			}
			s.metrics.panicked()
			s.log.Error("panic", "id", c.Writer.Header().Get(requestID), "path", c.Request.URL.Path, "value", fmt.Sprint(v), "stack", string(debug.Stack()))
			if !c.Writer.Written() {
				problem(c, http.StatusInternalServerError, "Something went wrong here", "Try again; if it stays, look at the server's log.", "")
			}
		}
	}()
	c.Next()
}
