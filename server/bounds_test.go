package server

import (
	"bytes"
	"context"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"net/http/httptrace"
	"strings"
	"testing"
	"time"

	"github.com/gin-gonic/gin"
	"golang.org/x/sync/semaphore"
)

// A request that was answered late spoils nothing for those that come after it on the same connection: the time in which
// a request has to arrive is over once it has arrived.
func TestOneLateAnswerSpoilsNoConnection(t *testing.T) {
	check, err := newContract()
	if err != nil {
		t.Fatal(err)
	}
	check = &contract{check.router, map[string]bounds{"practicePath": {Seconds: 1, BodyKB: 4}, "makeExercise": {Seconds: 1, BodyKB: 4}}}
	s := &Server{stalled: 10 * time.Second, stopping: context.Background()}
	s.uploads = semaphore.NewWeighted(uploadBudget)
	r := gin.New()
	r.ContextWithFallback = true
	r.Use(s.deadlines(check), func(c *gin.Context) { check.takeBody(s, c) })
	wait := time.Duration(0)
	left := func(c *gin.Context) {
		time.Sleep(wait)
		if err := c.Request.Context().Err(); err != nil && wait == 0 {
			c.String(http.StatusServiceUnavailable, err.Error())
			return
		}
		c.String(http.StatusOK, string(body(c)))
	}
	r.GET("/api/v1/practice", left)
	r.POST("/api/v1/practice", left)
	srv := httptest.NewUnstartedServer(nil)
	srv.Config = New(r, slog.New(slog.DiscardHandler))
	srv.Start()
	defer srv.Close()
	for _, method := range []string{"GET", "POST"} {
		client := &http.Client{Transport: &http.Transport{MaxConnsPerHost: 1}}
		for _, wait = range []time.Duration{1300 * time.Millisecond, 0} {
			sent := strings.Repeat("x", 3000)
			if method == "GET" {
				sent = ""
			}
			req, err := http.NewRequest(method, srv.URL+"/api/v1/practice", bytes.NewReader([]byte(sent)))
			if err != nil {
				t.Fatal(err)
			}
			kept := false
			req = req.WithContext(httptrace.WithClientTrace(req.Context(), &httptrace.ClientTrace{GotConn: func(i httptrace.GotConnInfo) { kept = i.Reused }}))
			res, err := client.Do(req)
			if err != nil {
				t.Fatal(err)
			}
			var got bytes.Buffer
			_, err = got.ReadFrom(res.Body)
			res.Body.Close()
			if err != nil || kept != (wait == 0) || res.StatusCode != http.StatusOK || got.String() != sent {
				t.Errorf("%s that took %s, connection kept %v: %d %.80s %v", method, wait, kept, res.StatusCode, got.String(), err)
			}
		}
	}
}
