package server

import (
	"context"
	"errors"
	"fmt"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

func etag(n int64) string { return `"` + strconv.FormatInt(n, 10) + `"` }

// seen reads the revision out of an If-Match header.
func seen(c *gin.Context, ifMatch string) (int64, bool) {
	n, err := strconv.ParseInt(strings.Trim(strings.TrimPrefix(strings.TrimSpace(ifMatch), "W/"), `"`), 10, 64)
	if err != nil {
		problem(c, http.StatusBadRequest, "This request cannot be read", "If-Match holds the ETag of the revision that was changed.", "If-Match")
		return 0, false
	}
	return n, true
}

// or is what a pointer leads to, or something else where it leads nowhere.
func or[T any](p *T, other T) T {
	if p == nil {
		return other
	}
	return *p
}

// ListJobs answers GET /api/v1/jobs: a page of jobs in time order.
func (s *Server) ListJobs(c *gin.Context, params api.ListJobsParams) {
	list, err := s.app.Jobs(c.Request.Context(), app.Filter(or(params.Which, api.ListJobsParamsWhichComing)), or(params.Text, ""), or(params.After, ""))
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	out := api.JobList{Today: list.Today, Jobs: make([]api.JobSummary, len(list.Cards))}
	if list.More != "" {
		out.More = &list.More
	}
	for i, j := range list.Cards {
		next := j.State.Next()
		out.Jobs[i] = api.JobSummary{Id: j.ID, Title: j.Title, Host: j.Host, Place: j.Place, Revision: j.Revision, ServeAt: &j.ServeAt, Due: j.Due, PutAway: j.PutAway,
			Guests: j.Guests, Occasion: j.Occasion, State: api.JobSummaryState(j.State), Laid: j.State == app.Laid, Score: j.Score, Minutes: &j.Minutes, Next: &next}
	}
	c.JSON(http.StatusOK, out)
}

// CreateJob answers POST /api/v1/jobs: a new job from a brief.
func (s *Server) CreateJob(c *gin.Context) {
	var in api.NewJob
	err := document.Read(body(c), &in)
	var b brief.Brief
	if err == nil {
		if b, err = app.ReadBrief(in.Brief); err != nil {
			err = fault.In("brief", err)
		}
	}
	id := ""
	if err == nil {
		id, err = s.app.CreateJob(c.Request.Context(), in.Title, b)
	}
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	s.answerJob(c, http.StatusCreated, id)
}

// answerJob sends a job with its current document.
func (s *Server) answerJob(c *gin.Context, status int, id string) {
	j, err := s.app.Job(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.Header("ETag", etag(j.Revision))
	c.JSON(status, jobOf(j))
}

func jobOf(j app.Job) api.Job {
	return api.Job{Id: j.ID, Revision: j.Revision, Document: api.Document(j.Document), Undo: j.Undo, Redo: j.Redo, SavedAt: j.SavedAt}
}

// GetJob answers GET /api/v1/jobs/{id}: a job with its current document.
func (s *Server) GetJob(c *gin.Context, id api.JobId) { s.answerJob(c, http.StatusOK, id) }

// SaveJob answers PUT /api/v1/jobs/{id}: save the document as a new revision.
func (s *Server) SaveJob(c *gin.Context, id api.JobId, params api.SaveJobParams) {
	n, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	revision, at, err := s.app.SaveJob(c.Request.Context(), id, n, body(c), or(params.Says, ""))
	if err != nil {
		s.clash(c, id, err)
		return
	}
	c.Header("ETag", etag(revision))
	c.JSON(http.StatusOK, api.Saved{Revision: revision, SavedAt: at})
}

// clash answers a refused change with the version that is current.
func (s *Server) clash(c *gin.Context, id string, err error) {
	if errors.Is(err, app.ErrConflict) {
		now, e := s.app.Job(c.Request.Context(), id)
		if e != nil {
			s.fail(c, aJob, e) // without the other version there is nothing to choose from
			return
		}
		current := jobOf(now)
		c.Header("ETag", etag(now.Revision))
		writeProblem(c, api.Problem{Type: "about:blank", Title: "Changed elsewhere", Status: http.StatusPreconditionFailed, Detail: &aJob.changedSays, Current: &current})
		return
	}
	s.fail(c, aJob, err)
}

// Undo answers POST /api/v1/jobs/{id}/undo: go back one revision.
func (s *Server) Undo(c *gin.Context, id api.JobId, params api.UndoParams) {
	if n, ok := seen(c, params.IfMatch); ok {
		s.stepped(c, id, s.app.Undo(c.Request.Context(), id, n))
	}
}

// Redo answers POST /api/v1/jobs/{id}/redo: go forward one revision.
func (s *Server) Redo(c *gin.Context, id api.JobId, params api.RedoParams) {
	if n, ok := seen(c, params.IfMatch); ok {
		s.stepped(c, id, s.app.Redo(c.Request.Context(), id, n))
	}
}

func (s *Server) stepped(c *gin.Context, id string, err error) {
	if err != nil {
		s.clash(c, id, err)
		return
	}
	s.answerJob(c, http.StatusOK, id)
}

// PutAway answers DELETE /api/v1/jobs/{id}: put a job away; it can be taken out again.
func (s *Server) PutAway(c *gin.Context, id api.JobId) {
	s.done(c, aJob, s.app.Archive(c.Request.Context(), id, true))
}

// TakeOut answers POST /api/v1/jobs/{id}/take-out: take out a job that was put away.
func (s *Server) TakeOut(c *gin.Context, id api.JobId) {
	s.done(c, aJob, s.app.Archive(c.Request.Context(), id, false))
}

// done answers something that has no answer but that it was done.
func (s *Server) done(c *gin.Context, about subject, err error) {
	if err != nil {
		s.fail(c, about, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// Revisions answers GET /api/v1/jobs/{id}/revisions: a page of what was saved, newest first.
func (s *Server) Revisions(c *gin.Context, id api.JobId, params api.RevisionsParams) {
	list, err := s.app.Revisions(c.Request.Context(), id, or(params.Before, 0))
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	out := make([]api.Revision, len(list))
	for i, r := range list {
		out[i] = api.Revision{Number: r.Number, Parent: r.Parent, Says: r.Says, Name: r.Name, SavedAt: r.CreatedAt}
	}
	c.JSON(http.StatusOK, out)
}

// Head answers with the number of a job's last revision: windows ask for it to see whether another has saved.
func (s *Server) Head(c *gin.Context, id api.JobId) {
	n, err := s.app.Head(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"revision": n})
}

// Revision answers with one saved state of a job.
func (s *Server) Revision(c *gin.Context, id api.JobId, number api.RevisionNumber) {
	r, err := s.app.Revision(c.Request.Context(), id, number)
	if err != nil {
		s.fail(c, aRevision, err)
		return
	}
	c.JSON(http.StatusOK, api.SavedState{Number: r.Number, Says: r.Says, Name: r.Name, SavedAt: r.CreatedAt, Document: api.TrayDocument(r.Document)})
}

// NameRevision names a saved state of a job.
func (s *Server) NameRevision(c *gin.Context, id api.JobId, number api.RevisionNumber) {
	var in api.NameRevisionJSONBody
	err := document.Read(body(c), &in)
	if err == nil {
		err = s.app.NameRevision(c.Request.Context(), id, number, in.Name)
	}
	if err != nil {
		s.fail(c, aRevision, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// RevisionPicture draws a tray of a saved state; what is saved never changes, so a browser may keep it.
func (s *Server) RevisionPicture(c *gin.Context, id api.JobId, number api.RevisionNumber, params api.RevisionPictureParams) {
	svg, err := s.app.RevisionPicture(c.Request.Context(), id, number, or(params.Tray, 0))
	if err != nil {
		s.fail(c, aRevision, err)
		return
	}
	c.Header("Cache-Control", lasting)
	c.Data(http.StatusOK, "image/svg+xml", []byte(svg))
}

// a picture is asked for by the revision it shows, so a browser may keep it.
const lasting = "private, max-age=31536000"

// TrayPicture answers GET /api/v1/jobs/{id}/tray.svg: the tray drawn to scale.
func (s *Server) TrayPicture(c *gin.Context, id api.JobId, params api.TrayPictureParams) {
	ctx := c.Request.Context()
	tag, err := s.app.Tag(ctx, id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.Header("ETag", `"`+tag+`"`)
	c.Header("Cache-Control", lasting)
	if c.GetHeader("If-None-Match") == `"`+tag+`"` {
		c.Status(http.StatusNotModified)
		return
	}
	svg, err := s.app.Picture(ctx, id, or(params.Afar, false))
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.Data(http.StatusOK, "image/svg+xml", []byte(svg))
}

// kitchenOf is who prepares, and with how many ovens, where that is said.
func kitchenOf(people, ovens *int) app.Kitchen { return app.Kitchen{People: people, Ovens: ovens} }

// JobDay is the work for a job against the clock.
func (s *Server) JobDay(c *gin.Context, id api.JobId, params api.JobDayParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	k := kitchenOf(params.People, params.Ovens)
	k.Left = or(params.Left, false)
	d, err := s.app.Day(c.Request.Context(), id, k)
	reply(s, c, d, err)
}

// DayOf is the work for all jobs of a day.
func (s *Server) DayOf(c *gin.Context, date string, params api.DayOfParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	d, err := s.app.DayOf(c.Request.Context(), date, kitchenOf(params.People, params.Ovens))
	reply(s, c, d, err)
}

// DaySheet sends the work of a day as a file.
func (s *Server) DaySheet(c *gin.Context, date string, params api.DaySheetParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	p, err := s.app.DaySheet(c.Request.Context(), date, string(params.Kind), kitchenOf(params.People, params.Ovens))
	s.print(c, p, err)
}

// print sends what was made to be printed or read by another program.
func (s *Server) print(c *gin.Context, p app.Sheet, err error) {
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.Header("Content-Disposition", fmt.Sprintf("inline; filename=%q", p.Name))
	c.Data(http.StatusOK, p.Media, p.Data)
}

// Ticks lists what of a job's work was done.
func (s *Server) Ticks(c *gin.Context, id api.JobId) {
	ticks, err := s.app.Ticks(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"ticks": ticks})
}

// PinTask has a task begin when somebody has put it, or when the plan likes it again.
func (s *Server) PinTask(c *gin.Context, id api.JobId, task string) {
	var in api.PinAsked
	err := document.Read(body(c), &in)
	var at time.Time
	if err == nil && in.Starts != nil {
		if at, err = time.Parse(time.RFC3339, *in.Starts); err != nil {
			err = fault.Bad("starts", "write the time as 2026-11-30T18:20:00+01:00")
		}
	}
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	s.done(c, aJob, s.app.Pin(c.Request.Context(), id, task, at))
}

// SetTick notes that a task was done, or was not.
func (s *Server) SetTick(c *gin.Context, id api.JobId, task string, params api.SetTickParams) {
	var in api.TickAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aJob, err)
		return
	}
	s.done(c, aJob, s.app.SetTick(c.Request.Context(), id, task, in.Done, entryOf(params.IdempotencyKey, params.AgoS)))
}

// JobSheet sends what is printed of a job.
func (s *Server) JobSheet(c *gin.Context, id api.JobId, params api.JobSheetParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	p, err := s.app.Sheet(c.Request.Context(), id, or(params.Tray, 0), string(params.Kind), string(or(params.Paper, "a4")), kitchenOf(params.People, params.Ovens))
	s.print(c, p, err)
}

// JobDerived tells what follows from a job as it is saved.
func (s *Server) JobDerived(c *gin.Context, id api.JobId, params api.JobDerivedParams) {
	ofSaved(s, c, func(ctx context.Context) (app.Derived, error) { return s.app.Derived(ctx, id, or(params.Tray, 0)) })
}

// JobScene is a tray of a job as it is saved, as drawings to place.
func (s *Server) JobScene(c *gin.Context, id api.JobId, params api.JobSceneParams) {
	ofSaved(s, c, func(ctx context.Context) (app.SavedScene, error) { return s.app.Scene(ctx, id, or(params.Tray, 0)) })
}

// ofSaved answers with what work makes of a saved job, in its turn.
func ofSaved[T any](s *Server, c *gin.Context, work func(context.Context) (T, error)) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	v, err := work(c.Request.Context())
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, v)
}
