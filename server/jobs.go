package server

import (
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"strconv"
	"strings"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/prep"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/core/wire"
	"happytray/server/api"
	"happytray/store"
)

// summary is what the bench shows of a job without reading its document.
type summary struct {
	Guests   int                 `json:"guests"`
	Occasion string              `json:"occasion"`
	State    api.JobSummaryState `json:"state"`
	Score    float64             `json:"score"`
	Minutes  float64             `json:"minutes"`
	ServeAt  string              `json:"serve_at"`
	Needs    portion.Needs       `json:"needs"`
}

func heading(t *tray.Tray, larder *food.Larder) store.Heading {
	larder = t.Larder(larder)
	sum := summary{Guests: t.Brief.Guests.Total(), Occasion: t.Brief.For(), State: api.Briefed, ServeAt: t.Brief.ServeAt, Needs: portion.NeedsOf(t, larder)}
	if len(t.Elements) > 0 {
		sum.State = api.Picked
		for _, one := range t.All() {
			for _, e := range one.Elements {
				if e.Placed {
					sum.State = api.Laid
				}
			}
		}
		sum.Minutes = prep.Minutes(t, larder)
	}
	if sum.State == api.Laid {
		sum.Score = worst(t, larder)
	}
	raw, _ := json.Marshal(sum)
	h := store.Heading{Title: t.Title, Host: t.Brief.Host, Place: t.Brief.Place, Summary: string(raw)}
	if at, ok := t.Brief.ServeTime(); ok {
		at = at.UTC()
		h.ServeAt = &at
	}
	return h
}

// worst is the score of the job's tray that is judged worst.
func worst(t *tray.Tray, larder *food.Larder) float64 {
	low := 100.0
	for _, one := range t.All() {
		low = min(low, review.Of(one, one.Larder(larder)).Score)
	}
	return low
}

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

func (s *Server) ListJobs(c *gin.Context) {
	jobs, err := s.store.Jobs(c.Request.Context())
	if err != nil {
		s.fail(c, err)
		return
	}
	out := make([]api.JobSummary, 0, len(jobs))
	for _, j := range jobs {
		var sum summary
		_ = json.Unmarshal([]byte(j.Summary), &sum) // an unreadable summary only leaves the card bare
		next := map[api.JobSummaryState]string{api.Briefed: "Pick the foods", api.Picked: "Lay the tray", api.Laid: "Print the steps"}[sum.State]
		out = append(out, api.JobSummary{Id: j.ID, Title: j.Title, Host: j.Host, Place: j.Place, Revision: j.Head, ServeAt: &sum.ServeAt,
			Guests: sum.Guests, Occasion: sum.Occasion, State: sum.State, Laid: sum.State == api.Laid, Score: sum.Score, Minutes: &sum.Minutes, Next: &next})
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) CreateJob(c *gin.Context) {
	var in api.NewJob
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	b, err := brief.Read(in.Brief)
	if err != nil {
		s.fail(c, wire.In("brief", err))
		return
	}
	t := &tray.Tray{Format: tray.Format, Title: in.Title, Brief: b, Rules: b.HouseRules(), Seed: 1}
	larder := s.house(c.Request.Context()).larder
	if err := t.Check(larder); err != nil {
		s.fail(c, err)
		return
	}
	j, err := keep(c.Request.Context(), s.store, larder, t, "wrote the brief")
	if err != nil {
		s.fail(c, err)
		return
	}
	s.answer(c, http.StatusCreated, j.ID)
}

// Keep stores a new job outside of a request.
func Keep(ctx context.Context, st *store.Store, larder *food.Larder, t *tray.Tray, says string) error {
	_, err := keep(ctx, st, larder, t, says)
	return err
}

func keep(ctx context.Context, st *store.Store, larder *food.Larder, t *tray.Tray, says string) (store.Job, error) {
	raw, err := t.Write()
	if err != nil {
		return store.Job{}, err
	}
	return st.Create(ctx, heading(t, larder), string(raw), says)
}

// answer sends a job with its current document.
func (s *Server) answer(c *gin.Context, status int, id string) {
	j, err := s.job(c.Request.Context(), id)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.Header("ETag", etag(j.Revision))
	c.Header("Cache-Control", "no-store")
	c.JSON(status, j)
}

func (s *Server) job(ctx context.Context, id string) (api.Job, error) {
	j, r, err := s.store.Job(ctx, id)
	if err != nil {
		return api.Job{}, err
	}
	undo, redo, err := s.store.Steps(ctx, id, r)
	if err != nil {
		return api.Job{}, err
	}
	return api.Job{Id: j.ID, Revision: j.Head, Document: api.Document(r.Document), Undo: undo, Redo: redo, SavedAt: j.UpdatedAt}, nil
}

func (s *Server) GetJob(c *gin.Context, id api.JobId) { s.answer(c, http.StatusOK, id) }

func (s *Server) SaveJob(c *gin.Context, id api.JobId, params api.SaveJobParams) {
	n, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read(body(c), larder)
	if err != nil {
		s.fail(c, err)
		return
	}
	raw, err := t.Write()
	if err != nil {
		s.fail(c, err)
		return
	}
	says := "changed"
	if params.Says != nil && *params.Says != "" {
		says = *params.Says
	}
	j, err := s.store.Save(c.Request.Context(), id, n, heading(t, larder), string(raw), says)
	if err != nil {
		s.conflict(c, id, err)
		return
	}
	c.Header("ETag", etag(j.Head))
	c.JSON(http.StatusOK, api.Saved{Revision: j.Head, SavedAt: j.UpdatedAt})
}

// conflict answers a refused change with the version that is current.
func (s *Server) conflict(c *gin.Context, id string, err error) {
	if err == store.ErrConflict {
		if now, e := s.job(c.Request.Context(), id); e == nil {
			detail := "The job was changed elsewhere in the meantime. Take that version, or save yours on top."
			c.Header("ETag", etag(now.Revision))
			writeProblem(c, api.Problem{Type: "about:blank", Title: "Changed elsewhere", Status: http.StatusPreconditionFailed, Detail: &detail, Current: &now})
			return
		}
	}
	s.fail(c, err)
}

func (s *Server) Undo(c *gin.Context, id api.JobId, params api.UndoParams) {
	s.step(c, id, params.IfMatch, s.store.Undo)
}

func (s *Server) Redo(c *gin.Context, id api.JobId, params api.RedoParams) {
	s.step(c, id, params.IfMatch, s.store.Redo)
}

func (s *Server) step(c *gin.Context, id, ifMatch string, do func(context.Context, string, int64) (store.Job, error)) {
	n, ok := seen(c, ifMatch)
	if !ok {
		return
	}
	if _, err := do(c.Request.Context(), id, n); err != nil {
		s.conflict(c, id, err)
		return
	}
	s.answer(c, http.StatusOK, id)
}

func (s *Server) PutAway(c *gin.Context, id api.JobId) { s.archive(c, id, true) }
func (s *Server) TakeOut(c *gin.Context, id api.JobId) { s.archive(c, id, false) }

func (s *Server) archive(c *gin.Context, id string, away bool) {
	if err := s.store.Archive(c.Request.Context(), id, away); err != nil {
		s.fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

func (s *Server) Revisions(c *gin.Context, id api.JobId) {
	if _, _, err := s.store.Job(c.Request.Context(), id); err != nil {
		s.fail(c, err)
		return
	}
	rs, err := s.store.History(c.Request.Context(), id)
	if err != nil {
		s.fail(c, err)
		return
	}
	out := make([]api.Revision, 0, len(rs))
	for _, r := range rs {
		out = append(out, api.Revision{Number: r.Number, Parent: r.Parent, Says: r.Says, SavedAt: r.CreatedAt})
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) TrayPicture(c *gin.Context, id api.JobId, _ api.TrayPictureParams) {
	j, r, err := s.store.Job(c.Request.Context(), id)
	if err != nil {
		s.fail(c, err)
		return
	}
	tag := fmt.Sprintf(`"%s-%d"`, j.ID[:8], j.Head)
	if c.GetHeader("If-None-Match") == tag {
		c.Status(http.StatusNotModified)
		return
	}
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read([]byte(r.Document), larder)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.Header("ETag", tag)
	c.Header("Cache-Control", "private, max-age=31536000")
	c.Data(http.StatusOK, "image/svg+xml", []byte(art.Tray(t, t.Larder(larder))))
}

// ReviewMoves judges the saved tray with some elements moved. The prepared
// review of a revision is kept for a while; any process can make it again.
func (s *Server) ReviewMoves(c *gin.Context, id api.JobId) {
	var in api.Moves
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	larder := s.house(c.Request.Context()).larder
	rev, err := s.lives.review(id, in, func() (*tray.Tray, error) {
		j, r, err := s.store.Job(c.Request.Context(), id)
		if err != nil {
			return nil, err
		}
		if j.Head != in.Revision {
			return nil, store.ErrConflict
		}
		t, err := tray.Read([]byte(r.Document), larder)
		if err != nil || in.Tray == nil || *in.Tray == 0 {
			return t, err
		}
		if *in.Tray > len(t.Further) {
			return nil, wire.Bad("tray", "this job has %d trays", 1+len(t.Further))
		}
		return t.All()[*in.Tray], nil
	}, larder)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, rev)
}
