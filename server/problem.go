package server

import (
	"errors"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/core/wire"
	"happytray/server/api"
	"happytray/store"
)

// problem answers with RFC 9457 problem details: a plain sentence, and the field.
func problem(c *gin.Context, status int, title, detail, field string) {
	p := api.Problem{Type: "about:blank", Title: title, Status: status}
	if detail != "" {
		p.Detail = &detail
	}
	if field != "" {
		p.Field = &field
	}
	writeProblem(c, p)
}

func writeProblem(c *gin.Context, p api.Problem) {
	c.Header("Cache-Control", "no-store")
	c.Abort()
	c.Writer.Header().Set("Content-Type", "application/problem+json")
	c.JSON(p.Status, p)
}

// fail turns an error into a problem.
func (s *Server) fail(c *gin.Context, err error) {
	var bad *wire.Error
	switch {
	case errors.As(err, &bad):
		problem(c, http.StatusUnprocessableEntity, "This cannot be worked with", bad.Says, bad.Field)
	case errors.Is(err, store.ErrNotFound):
		problem(c, http.StatusNotFound, "There is no such job", "It may have been put away. Go back to the bench.", "")
	case errors.Is(err, store.ErrNothing):
		problem(c, http.StatusConflict, "Nothing to go to", "There is no earlier or later state of this job.", "")
	case errors.Is(err, store.ErrConflict):
		problem(c, http.StatusPreconditionFailed, "Changed elsewhere", "The job was changed elsewhere in the meantime. Take that version, or save yours on top.", "")
	case errors.Is(err, store.ErrDown):
		problem(c, http.StatusServiceUnavailable, "The database does not answer", "Your changes are kept in this window and will be saved when it is back.", "")
	default:
		s.log.Error("request failed", "path", c.FullPath(), "error", err)
		problem(c, http.StatusInternalServerError, "Something went wrong here", "Try again; if it stays, look at the server's log.", "")
	}
}
