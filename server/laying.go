package server

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/app/template"
	"happytray/art"
	"happytray/core/arrange"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/lens"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/server/api"
)

// asked reads a request and the job that it holds in its member tray, and works something
// out of its first tray; written gives a changed one back as it came, with the others.
func asked[T any](s *Server, c *gin.Context, q *queue, in any, raw func() []byte, work func(t *tray.Tray, larder *food.Larder, written func(*tray.Tray) (api.Document, error)) (T, error)) {
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
			v, err = work(j.Trays[0], j.Larder(h.Larder), func(t *tray.Tray) (api.Document, error) { return j.With(0, t).Write() })
		}
	}
	reply(s, c, v, err)
}

func fewer(all []arrange.Fewer) []api.Fewer {
	out := []api.Fewer{}
	for _, f := range all {
		out = append(out, api.Fewer{Id: f.ID, Pieces: f.Pieces})
	}
	return out
}

// LayLike lays a tray as one of a saved job is laid. It works as hard as a short search.
func (s *Server) LayLike(c *gin.Context) {
	var in api.LikeAsked
	asked(s, c, s.searches, &in, func() []byte { return in.Tray }, func(t *tray.Tray, larder *food.Larder, written func(*tray.Tray) (api.Document, error)) (out api.LaidAnswer, err error) {
		other, err := s.app.LaidTray(c.Request.Context(), template.Laid{Job: in.Job, Revision: or(in.Revision, 0), Tray: or(in.Which, 0)})
		if err != nil {
			return out, err
		}
		room, err := arrange.Like(c.Request.Context(), t, other, larder)
		if err != nil {
			return out, err
		}
		out.Lifted, out.Fewer = list(room.Lifted), fewer(room.Fewer)
		out.Tray, err = written(room.Tray)
		return out, err
	})
}

// Mend looks for the change that helps most against a finding. It works as hard as a search.
func (s *Server) Mend(c *gin.Context) {
	var in api.MendAsked
	asked(s, c, s.searches, &in, func() []byte { return in.Tray }, func(t *tray.Tray, larder *food.Larder, written func(*tray.Tray) (api.Document, error)) (out api.MendAnswer, err error) {
		if t.Board == nil {
			return out, fault.Bad("tray.board", "choose a board before laying the tray")
		}
		m, found := arrange.Mend(c.Request.Context(), t, larder, review.Finding{Check: in.Check, Elements: in.Elements, At: geom.Pt(in.At[0], in.At[1])})
		if out.Found = found; found {
			raw, bad := written(m.Tray)
			out.Tray, out.Gain, out.Says, err = &raw, &m.Gain, &m.Says, bad
		}
		return out, err
	})
}

func (s *Server) Review(c *gin.Context) {
	ofJob(s, c, func(h *app.House, j *job.Reading, larder *food.Larder) (review.Review, error) {
		return s.app.ReviewTray(j, larder, h)
	})
}

// Lens looks at a tray in one respect.
func (s *Server) Lens(c *gin.Context) {
	var in api.LensAsked
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	h, err := s.app.House(c.Request.Context())
	if err == nil {
		err = document.Read(body(c), &in)
	}
	var v lens.View
	if err == nil {
		j, bad := app.ReadJob(in.Tray, h.Larder)
		if bad != nil {
			err = fault.In("tray", bad)
		} else {
			v, err = lens.Of(j.Trays[0], j.Larder(h.Larder), string(in.Lens), or(in.Word, ""))
		}
	}
	reply(s, c, v, err)
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
		t, larder := j.Trays[0], j.Larder(h.Larder)
		switch from := string(or(params.From, "above")); {
		case t.Board == nil:
			err = fault.Bad("board", "choose a board before laying the tray")
		case from != "above":
			svg, err = art.Slant(j.Title, t, larder, from, or(params.Names, false))
		default:
			svg, err = art.Picture(j.Title, t, larder, or(params.Names, false), string(or(params.Crop, "")))
		}
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Data(http.StatusOK, "image/svg+xml", []byte(svg))
}

func (s *Server) Scene(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, larder *food.Larder) (art.Scene, error) {
		return art.Compose(j.Trays[0], larder), nil
	})
}

// wishSeconds bounds how long is looked for what would take everything.
const wishSeconds = 3

// How long a search goes on where nobody says: by then most of what it finds is found (docs/arranging.md).
const (
	pays        = 3.0 // seconds
	paysForWays = 7.0
)

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
	larder := j.Larder(h.Larder)
	ways := or(params.Ways, 1)
	usual := pays
	if ways > 1 {
		usual = paysForWays
	}
	o := arrange.Options{Seconds: or(params.Seconds, usual), Effort: or(params.Effort, 0), Seed: j.Trays[0].Seed, Style: string(or(params.Style, "")), Only: or(params.Only, nil), Afresh: or(params.Afresh, false)}
	if params.Seed != nil {
		o.Seed = uint64(*params.Seed)
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
	o.Progress = func(p arrange.Progress) {
		l := api.Progress{Tried: p.Tried, Share: p.Share, Score: p.Score}
		if p.Better {
			if raw, err := j.With(0, p.Tray).Write(); err == nil {
				l.Tray = pointer(raw)
			}
		}
		out.send(l)
	}
	last, err := s.search(ctx, j, larder, o, ways)
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

// search is the whole of a search, and its last line.
func (s *Server) search(ctx context.Context, j *job.Job, larder *food.Larder, o arrange.Options, ways int) (last api.Progress, err error) {
	last.Done, last.Share = true, 1
	if ways > 1 {
		all, err := arrange.Propose(ctx, j.Trays[0], larder, o, ways)
		if err != nil {
			return last, err
		}
		list := []api.Way{}
		for i, w := range all {
			raw, err := j.With(0, w.Tray).Write()
			if err != nil {
				return last, err
			}
			if last.Tried += w.Tried; i == 0 {
				last.Score, last.Tray, last.Unfit = w.Score, pointer(raw), unfit(w.Unfit)
			}
			list = append(list, api.Way{Style: api.Style(w.Style), Score: w.Score, Differs: w.Differs, Says: w.Says, Tray: raw})
		}
		last.Ways = &list
		return last, nil
	}
	res, err := arrange.Lay(ctx, j.Trays[0], larder, o)
	if err == nil && res.Tray == nil { // ended before there was anything
		err = context.Cause(ctx)
	}
	if err != nil {
		return last, err
	}
	res.Tray.Seed = o.Seed
	looking, stop := context.WithTimeout(ctx, wishSeconds*time.Second)
	defer stop()
	if would := arrange.WouldFit(looking, res.Tray, larder, res.Unfit); len(would) > 0 {
		last.Would = &would
	}
	raw, err := j.With(0, res.Tray).Write()
	last.Tried, last.Score, last.Tray, last.Unfit = res.Tried, res.Score, pointer(raw), unfit(res.Unfit)
	return last, err
}

func unfit(all []arrange.Unfit) *[]api.Unfit {
	if len(all) == 0 {
		return nil
	}
	out := make([]api.Unfit, len(all))
	for i, u := range all {
		out[i] = api.Unfit{Food: u.Food, Pieces: u.Pieces, AreaCm2: u.AreaCM2, Says: u.Says}
	}
	return &out
}

func pointer(raw []byte) *api.Document {
	d := api.Document(raw)
	return &d
}
