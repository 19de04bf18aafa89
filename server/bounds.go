package server

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strings"
	"time"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"
)

// bounds are what an operation says of itself in openapi.yaml, as x-bounds: how long an answer may take, waiting
// for a turn included, and how large a request may be.
type bounds struct {
	Seconds   int   `json:"seconds"`
	BodyKB    int64 `json:"body_kb"`
	BestSoFar bool  `json:"best_so_far"` // whatever has been found when the server stops is the answer
}

// unknown bounds what the contract does not know.
var unknown = bounds{Seconds: 15, BodyKB: 4}

// mostReading is how long a request may take to arrive.
const mostReading = 60 * time.Second

// boundsOf reads the bounds of every operation. One that says none is a fault of the contract.
func boundsOf(doc *openapi3.T) (map[string]bounds, error) {
	out := map[string]bounds{}
	for path, item := range doc.Paths.Map() {
		for method, op := range item.Operations() {
			raw, err := json.Marshal(op.Extensions["x-bounds"])
			var b bounds
			if err == nil {
				err = json.Unmarshal(raw, &b)
			}
			if err != nil || b.Seconds < 1 || b.Seconds > 600 || b.BodyKB < 1 || b.BodyKB > 64<<10 {
				return nil, fmt.Errorf("%s %s says no bounds in openapi.yaml: x-bounds: {seconds: 15, body_kb: 4}", method, path)
			}
			out[op.OperationID] = b
		}
	}
	return out, nil
}

// strangersBody is how many bytes somebody may send who has not been let in: a key and a name.
const strangersBody = 4 << 10

// errStopping is why a search ends when the server is told to.
var errStopping = errors.New("the server is being stopped")

// deadlines bounds how long a request may take, by its operation, from its arrival.
func (s *Server) deadlines(k *contract) gin.HandlerFunc {
	return func(c *gin.Context) {
		k.find(c)
		b := k.boundsOf(c)
		most := time.Duration(b.Seconds) * time.Second
		rc := http.NewResponseController(c.Writer)
		now := time.Now()
		// What has no body has arrived. The server listens on while it answers, for a client that goes away, and takes a deadline
		// that passes then for one: it would end what is asked on that connection, and all that comes after it. After a body
		// net/http lifts the deadline itself.
		if c.Request.Body != nil && c.Request.Body != http.NoBody {
			_ = rc.SetReadDeadline(now.Add(min(most, mostReading))) // not known to every kind of writer, as in tests
		}
		_ = rc.SetWriteDeadline(now.Add(most + s.stalled))
		ctx, done := context.WithTimeout(c.Request.Context(), most)
		defer done()
		if b.BestSoFar {
			var end context.CancelCauseFunc
			ctx, end = context.WithCancelCause(ctx)
			defer context.AfterFunc(s.stopping, func() { end(errStopping) })()
		}
		c.Request = c.Request.WithContext(ctx)
		c.Next()
	}
}

// bodyKey is where the body that was read lies in the request's context.
const bodyKey = "body"

// takeBody reads a request's body within its bound and within what all bodies together
// may take, and gives it to the handlers as a whole.
func (k *contract) takeBody(s *Server, c *gin.Context) {
	if c.Request.Body == nil || c.Request.Body == http.NoBody {
		return
	}
	most := k.boundsOf(c).BodyKB << 10
	if c.Request.ContentLength > most {
		tooLarge(c, most)
		return
	}
	room := most
	if n := c.Request.ContentLength; n >= 0 {
		room = n
	}
	held, wait := s.uploads, s.stalled
	if s.stranger(c) { // holds nothing of what is for the house, and is not waited for
		held, wait = s.strangers, strangersTime
		_ = http.NewResponseController(c.Writer).SetReadDeadline(time.Now().Add(strangersTime))
	}
	ctx, done := context.WithTimeout(c.Request.Context(), wait)
	err := held.Acquire(ctx, room)
	done()
	if err != nil {
		s.busy(c)
		return
	}
	// held until the answer is written: what was read is in memory until then
	c.Set(releaseKey, func() { held.Release(room) })
	from := http.MaxBytesReader(c.Writer, c.Request.Body, most)
	var body []byte
	if n := c.Request.ContentLength; n >= 0 {
		body = make([]byte, n)
		_, err = io.ReadFull(from, body)
	} else {
		body, err = io.ReadAll(from)
	}
	var big *http.MaxBytesError
	switch {
	case errors.As(err, &big):
		tooLarge(c, most)
		return
	case err != nil:
		problem(c, http.StatusBadRequest, "The request broke off", "Send it again.", "")
		return
	}
	c.Request.Body = io.NopCloser(bytes.NewReader(body))
	c.Set(bodyKey, body)
}

// releaseKey is where it lies how the room of a body is given back (see tell).
const releaseKey = "release"

// body is the request's body, already read.
func body(c *gin.Context) []byte {
	b, _ := c.Get(bodyKey)
	raw, _ := b.([]byte)
	return raw
}

func tooLarge(c *gin.Context, most int64) {
	says := fmt.Sprintf("This request may hold at most %d MB.", most>>20)
	if most < 1<<20 {
		says = fmt.Sprintf("This request may hold at most %d kB.", most>>10)
	}
	c.Header("Connection", "close") // the rest is not read
	problem(c, http.StatusRequestEntityTooLarge, "Too large", says, "")
}

// turn waits for a turn in a queue, or answers that there is none.
func (s *Server) turn(c *gin.Context, q *queue, place func(before int)) (leave func(), ok bool) {
	device, _ := asking(c)
	leave, err := q.enter(c.Request.Context(), device.ID, place)
	switch {
	case err != nil && errors.Is(context.Cause(c.Request.Context()), errStopping):
		c.Abort()
		if !c.Writer.Written() {
			s.busy(c)
		}
		return nil, false
	case errors.Is(err, errBusy):
		s.busy(c)
		return nil, false
	case err != nil:
		c.Abort()
		if !c.Writer.Written() && !errors.Is(err, context.Canceled) {
			s.busy(c)
		}
		return nil, false
	}
	return leave, true
}

// stranger reports whether a request comes from somebody at the door who has not been let in.
func (s *Server) stranger(c *gin.Context) bool {
	_, let := asking(c)
	return atDoor(c.Request) && !let
}

// busy answers that there is too much to do just now.
func (s *Server) busy(c *gin.Context) {
	c.Header("Retry-After", "5")
	problem(c, http.StatusServiceUnavailable, "Too much is being worked on", "Try again in a few seconds.", "")
}

// packed compresses what is worth it. Lines of a search are sent as they come.
func packed() gin.HandlerFunc {
	return gzip.Gzip(gzip.BestSpeed, gzip.WithExcludedPathsRegexs([]string{"/api/v1/arrange.*", "/assets/.*"}), gzip.WithCustomShouldCompressFn(func(c *gin.Context) bool {
		return strings.Contains(c.GetHeader("Accept-Encoding"), "gzip") && strings.HasPrefix(c.Request.URL.Path, "/api/")
	}))
}
