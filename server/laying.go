package server

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/app/template"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/server/api"
)

// asked reads a request and the job that it holds in its member tray, and works something out of it.
func asked[T any](s *Server, c *gin.Context, q *queue, in any, raw func() []byte, work func(j *job.Job, larder *food.Larder) (T, error)) {
	leave, ok := s.turn(c, q, nil)
	if !ok {
		return
	}
	defer leave()
	var v T
	h, err := s.app.House(c.Request.Context())
	if err == nil {
		err = document.Read(body(c), in)
	}
	if err == nil {
		j, bad := app.ReadJob(raw(), h.Larder)
		if bad != nil {
			err = fault.In("tray", bad)
		} else {
			v, err = work(j, j.Larder(h.Larder))
		}
	}
	reply(s, c, v, err)
}

func fewer(all []app.Pieces) []api.Fewer {
	out := []api.Fewer{}
	for _, f := range all {
		out = append(out, api.Fewer{Id: f.ID, Pieces: f.Pieces})
	}
	return out
}

// LayLike lays a tray as one of a saved job is laid. It works as hard as a short search.
func (s *Server) LayLike(c *gin.Context) {
	var in api.LikeAsked
	asked(s, c, s.searches, &in, func() []byte { return in.Tray }, func(j *job.Job, larder *food.Larder) (out api.LaidAnswer, err error) {
		laid, room, err := s.app.LayLike(c.Request.Context(), j, larder, template.Laid{Job: in.Job, Revision: or(in.Revision, 0), Tray: or(in.Which, 0)})
		if err != nil {
			return out, err
		}
		out.Lifted, out.Fewer = list(room.Lifted), fewer(room.Fewer)
		out.Tray, err = laid.Write()
		return out, err
	})
}

// Mend looks for the change that helps most against a finding. It works as hard as a search.
func (s *Server) Mend(c *gin.Context) {
	var in api.MendAsked
	asked(s, c, s.searches, &in, func() []byte { return in.Tray }, func(j *job.Job, larder *food.Larder) (out api.MendAnswer, err error) {
		mended, gain, says, found, err := s.app.Mend(c.Request.Context(), j, larder, in.Check, in.Elements, geom.Pt(in.At[0], in.At[1]))
		if out.Found = found; found {
			raw, bad := mended.Write()
			out.Tray, out.Gain, out.Says, err = pointer(raw), &gain, &says, bad
		}
		return out, err
	})
}

// Review answers POST /api/v1/review: judge a tray.
func (s *Server) Review(c *gin.Context) {
	ofJob(s, c, func(h *app.House, j *job.Reading, larder *food.Larder) (app.Review, error) {
		return s.app.ReviewTray(c.Request.Context(), j, larder, h)
	})
}

// Lens looks at a tray in one respect.
func (s *Server) Lens(c *gin.Context) {
	var in api.LensAsked
	asked(s, c, s.works, &in, func() []byte { return in.Tray }, func(j *job.Job, larder *food.Larder) (app.LensView, error) {
		return s.app.Lens(c.Request.Context(), j, larder, string(in.Lens), or(in.Word, ""))
	})
}

// DrawPicture draws a tray from above or at a slant, with or without names.
func (s *Server) DrawPicture(c *gin.Context, params api.DrawPictureParams) {
	h, leave, ok := s.working(c)
	if !ok {
		return
	}
	defer leave()
	j, err := s.app.Read(body(c), h.Larder)
	svg := ""
	if err == nil {
		svg, err = app.DrawTray(j.Job, j.Larder(h.Larder), app.View{From: string(or(params.From, "above")), Names: or(params.Names, false), Crop: string(or(params.Crop, ""))})
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Data(http.StatusOK, "image/svg+xml", []byte(svg))
}

// Scene answers POST /api/v1/scene: a tray as drawings to place.
func (s *Server) Scene(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, larder *food.Larder) (app.Drawn, error) {
		return app.SceneOf(j.Job, larder), nil
	})
}

// lines writes lines of JSON to a client that must read them: one that does not ends
// the search, so that it keeps nobody from theirs.
type lines struct {
	c   *gin.Context
	enc *json.Encoder
	end context.CancelFunc
	may time.Duration // nothing be read
}

func (l *lines) send(v api.Progress) {
	if errors.Is(context.Cause(l.c.Request.Context()), errPutOut) {
		return // nothing more is told to who was put out
	}
	if !l.c.Writer.Written() {
		l.c.Header("Content-Type", "application/x-ndjson")
		l.c.Status(http.StatusOK)
	}
	rc := http.NewResponseController(l.c.Writer)
	_ = rc.SetWriteDeadline(time.Now().Add(l.may)) // not known to every kind of writer, as in tests
	err := l.enc.Encode(v)
	if err == nil {
		err = rc.Flush()
	}
	if err != nil && !errors.Is(err, http.ErrNotSupported) {
		l.end()
	}
}

// Arrange streams better and better layouts as lines of JSON. It ends when the
// search does, when its time is up, or when the other side closes the connection or
// reads no more.
func (s *Server) Arrange(c *gin.Context, params api.ArrangeParams) {
	h, err := s.app.House(c.Request.Context())
	var j *job.Job
	if err == nil {
		j, err = app.ReadJob(body(c), h.Larder)
	}
	if err == nil && j.Trays[0].Board == nil {
		err = fault.Bad("board", "choose a board before laying the tray")
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	how := app.Search{Seconds: or(params.Seconds, 0), Effort: or(params.Effort, 0), Seed: j.Trays[0].Seed, Style: string(or(params.Style, "")), Only: or(params.Only, nil), Afresh: or(params.Afresh, false), Ways: or(params.Ways, 1)}
	if params.Seed != nil {
		how.Seed = uint64(*params.Seed)
	}
	ctx, end := context.WithCancel(c.Request.Context())
	defer end()
	c.Request = c.Request.WithContext(ctx)
	out := &lines{c, json.NewEncoder(c.Writer), end, s.stalled}
	leave, ok := s.turn(c, s.searches, func(before int) {
		waiting := before + 1
		out.send(api.Progress{Waiting: &waiting})
	})
	if !ok {
		return
	}
	defer leave()
	found, err := s.app.Lay(ctx, j, h, how, func(p app.Step) {
		l := api.Progress{Tried: p.Tried, Share: p.Share, Score: p.Score}
		if p.Tray != nil {
			if raw, err := p.Tray.Write(); err == nil {
				l.Tray = pointer(raw)
			}
		}
		out.send(l)
	})
	var last api.Progress
	if err == nil {
		last, err = lastLine(found)
	}
	if err != nil {
		switch bad := (*fault.Error)(nil); {
		case errors.As(err, &bad) && !c.Writer.Written():
			s.fail(c, aThing, err)
		case ctx.Err() == nil:
			s.log.Error("search failed", "error", err)
		}
		return
	}
	out.send(last)
}

// lastLine tells what a search came to.
func lastLine(f app.Found) (last api.Progress, err error) {
	last = api.Progress{Done: true, Share: 1, Tried: f.Tried, Score: f.Score, Unfit: unfit(f)}
	if len(f.Would) > 0 {
		would := words(f.Would)
		last.Would = &would
	}
	if f.Ways != nil {
		list := []api.Way{}
		for _, w := range f.Ways {
			raw, err := w.Job.Write()
			if err != nil {
				return last, err
			}
			list = append(list, api.Way{Style: api.Style(w.Style), Score: w.Score, Differs: w.Differs, Says: w.Says, Tray: raw})
		}
		last.Ways = &list
	}
	if f.Job != nil {
		var raw []byte
		raw, err = f.Job.Write()
		last.Tray = pointer(raw)
	}
	return last, err
}

// words are texts as they are said.
func words[T fmt.Stringer](texts []T) []string {
	out := make([]string, len(texts))
	for i, t := range texts {
		out[i] = t.String()
	}
	return out
}

func unfit(f app.Found) *[]api.Unfit {
	if len(f.Unfit) == 0 {
		return nil
	}
	out := make([]api.Unfit, len(f.Unfit))
	for i, u := range f.Unfit {
		out[i] = api.Unfit{Food: u.Food, Pieces: u.Pieces, AreaCm2: u.AreaCM2, Says: u.Says.String()}
	}
	return &out
}

func pointer(raw []byte) *api.Document {
	d := api.Document(raw)
	return &d
}
