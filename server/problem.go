package server

import (
	"context"
	"errors"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/fault"
	"happytray/server/api"
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

// subject is what an error is about, as answers call it.
type subject struct{ missing, missingSays, changedSays, field string }

var (
	aJob = subject{"There is no such job", "It may be hidden. Go back to the jobs.",
		"The job was changed elsewhere in the meantime. Take that version, or save yours on top.", ""}
	aRevision = subject{"There is no such saved state", "Look through the history for another.",
		"The job was changed elsewhere in the meantime.", "number"}
	aThing = subject{"There is no such thing here", "It may have another name now. Go back and look for it.",
		"This was changed in another window in the meantime. Look at it as it is now, then change it again.", "id"}
)

// databaseSays is the status and the sentence for a database that cannot be worked with.
func databaseSays(err error) (int, string) {
	if errors.Is(err, app.ErrFull) {
		return http.StatusInsufficientStorage, "The database's disk is full, or nearly so. Make room on it; what you changed is kept in this window and saved then."
	}
	return http.StatusServiceUnavailable, "The database does not answer. Your changes are kept in this window and will be saved when it is back."
}

// fail turns an error about a subject into a problem.
func (s *Server) fail(c *gin.Context, about subject, err error) {
	var bad *fault.Error
	switch {
	case errors.Is(c.Request.Context().Err(), context.Canceled) && !errors.As(err, &bad):
		c.Abort() // nobody listens any more
	case errors.As(err, &bad) && bad.Unreadable:
		problem(c, http.StatusBadRequest, "This request cannot be read", bad.Says, bad.Field)
	case errors.As(err, &bad):
		problem(c, http.StatusUnprocessableEntity, "This cannot be worked with", bad.Says, bad.Field)
	case errors.Is(err, app.ErrNotFound):
		problem(c, http.StatusNotFound, about.missing, about.missingSays, about.field)
	case errors.Is(err, app.ErrNothing):
		problem(c, http.StatusConflict, "Nothing to go to", "There is no earlier or later state of this job.", "")
	case errors.Is(err, app.ErrConflict):
		problem(c, http.StatusPreconditionFailed, "Changed elsewhere", about.changedSays, "")
	case errors.Is(err, app.ErrDown):
		status, says := databaseSays(err)
		c.Header("Retry-After", "2")
		problem(c, status, "The database does not answer", says, "")
	case errors.Is(err, app.ErrFull):
		status, says := databaseSays(err)
		problem(c, status, "The disk is full", says, "")
	case errors.Is(err, context.DeadlineExceeded):
		s.busy(c)
	default:
		s.log.Error("request failed", "id", c.Writer.Header().Get(requestID), "path", c.FullPath(), "error", err)
		problem(c, http.StatusInternalServerError, "Something went wrong here", "Try again; if it stays, look at the server's log.", "")
	}
}
