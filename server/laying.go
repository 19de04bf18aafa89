package server

import (
	"context"
	"encoding/json"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/arrange"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/review"
	"happytray/core/tray"
	"happytray/core/wire"
	"happytray/server/api"
)

// Put lays one element by hand, finds room for it, or gives it another form.
func (s *Server) Put(c *gin.Context) {
	var in api.PutRequest
	t, larder, ok := s.readAsked(c, &in, func() []byte { return in.Tray })
	if !ok {
		return
	}
	room := true
	var e tray.Element
	var err error
	switch {
	case in.Form != nil:
		e, err = arrange.Reform(t, larder, in.Element, *in.Form)
	case in.At != nil:
		e, err = arrange.Put(t, larder, in.Element, geom.Pose{X: in.At.X, Y: in.At.Y, Turn: in.At.TurnDeg})
	default:
		e, room, err = arrange.FindRoom(c.Request.Context(), t, larder, in.Element)
	}
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"element": e, "room": room})
}

// GiveWay lets the neighbours of a moved element make room for it.
func (s *Server) GiveWay(c *gin.Context) {
	var in api.GiveWayAsked
	t, larder, ok := s.readAsked(c, &in, func() []byte { return in.Tray })
	if !ok {
		return
	}
	if t.Find(in.Element) < 0 {
		s.fail(c, wire.Bad("element", "there is no element %.60q on this tray", in.Element))
		return
	}
	given, moved := arrange.GiveWay(c.Request.Context(), t, larder, in.Element, geom.Pose{X: in.From.X, Y: in.From.Y, Turn: in.From.TurnDeg})
	if !moved {
		c.JSON(http.StatusOK, gin.H{"moved": false})
		return
	}
	c.JSON(http.StatusOK, gin.H{"moved": true, "tray": given})
}

// Mend looks for the change that helps most against a finding.
func (s *Server) Mend(c *gin.Context) {
	var in api.MendAsked
	t, larder, ok := s.readAsked(c, &in, func() []byte { return in.Tray })
	if !ok {
		return
	}
	if t.Board == nil {
		s.fail(c, wire.Bad("tray.board", "choose a board before laying the tray"))
		return
	}
	select { // it works as hard as a search
	case s.busy <- struct{}{}:
		defer func() { <-s.busy }()
	case <-c.Request.Context().Done():
		return
	}
	m, found := arrange.Mend(c.Request.Context(), t, larder, review.Finding{Check: in.Check, Elements: in.Elements, At: geom.Pt(in.At[0], in.At[1])})
	if !found {
		c.JSON(http.StatusOK, gin.H{"found": false})
		return
	}
	c.JSON(http.StatusOK, gin.H{"found": true, "tray": m.Tray, "gain": m.Gain, "says": m.Says})
}

// readAsked reads a request and the tray that it holds, or answers what is wrong.
func (s *Server) readAsked(c *gin.Context, in any, trayOf func() []byte) (*tray.Tray, *food.Larder, bool) {
	err := wire.Read(body(c), in)
	if err == nil {
		t, larder, bad := s.trayIn(c, trayOf())
		if bad == nil {
			return t, larder, true
		}
		err = bad
	}
	s.fail(c, err)
	return nil, nil, false
}

// trayIn reads the tray that a request holds in its member tray, and the larder it
// was planned with.
func (s *Server) trayIn(c *gin.Context, raw []byte) (*tray.Tray, *food.Larder, error) {
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read(raw, larder)
	if err != nil {
		return nil, nil, wire.In("tray", err)
	}
	return t, t.Larder(larder), nil
}

// readTray reads and checks the tray in the request, or answers what is wrong.
// The larder is the one the tray was planned with.
func (s *Server) readTray(c *gin.Context) (*tray.Tray, *food.Larder, bool) {
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read(body(c), larder)
	if err != nil {
		s.fail(c, err)
		return nil, nil, false
	}
	return t, t.Larder(larder), true
}

func (s *Server) Review(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, review.Of(t, larder))
	}
}

func (s *Server) Scene(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, art.Compose(t, larder))
	}
}

// wishSeconds bounds how long is looked for what would take everything.
const wishSeconds = 3

// Arrange streams better and better layouts as lines of JSON. It ends when the
// search does, when its time is up, or when the other side closes the connection.
func (s *Server) Arrange(c *gin.Context, params api.ArrangeParams) {
	t, larder, ok := s.readTray(c)
	if !ok {
		return
	}
	o := arrange.Options{Seconds: 3, Seed: t.Seed}
	if params.Style != nil {
		o.Style = string(*params.Style)
	}
	if params.Seed != nil {
		o.Seed = uint64(*params.Seed)
	}
	if params.Seconds != nil {
		o.Seconds = *params.Seconds
	}
	if t.Board == nil {
		problem(c, http.StatusUnprocessableEntity, "This cannot be worked with", "Choose a board before laying the tray.", "board")
		return
	}
	select { // a few searches at a time, so that one machine stays responsive
	case s.busy <- struct{}{}:
		defer func() { <-s.busy }()
	case <-c.Request.Context().Done():
		return
	}
	c.Header("Content-Type", "application/x-ndjson")
	c.Header("Cache-Control", "no-store")
	c.Status(http.StatusOK)
	enc := json.NewEncoder(c.Writer)
	type way struct {
		Style   string     `json:"style"`
		Score   float64    `json:"score"`
		Differs float64    `json:"differs"`
		Says    string     `json:"says"`
		Tray    *tray.Tray `json:"tray"`
	}
	type line struct {
		Tried int             `json:"tried"`
		Share float64         `json:"share"`
		Score float64         `json:"score"`
		Done  bool            `json:"done"`
		Tray  *tray.Tray      `json:"tray,omitempty"`
		Unfit []arrange.Unfit `json:"unfit,omitempty"`
		Would []string        `json:"would,omitempty"`
		Ways  []way           `json:"ways,omitempty"`
	}
	send := func(l line) {
		_ = enc.Encode(l) // a closed connection ends the search through its context
		c.Writer.Flush()
	}
	o.Progress = func(p arrange.Progress) {
		l := line{Tried: p.Tried, Share: p.Share, Score: p.Score}
		if p.Better {
			l.Tray = p.Tray
		}
		send(l)
	}
	if params.Ways != nil && *params.Ways > 1 {
		ways, err := arrange.Propose(c.Request.Context(), t, larder, o, *params.Ways)
		if err != nil {
			s.log.Error("search failed", "error", err)
			return
		}
		last := line{Share: 1, Done: true}
		for i, w := range ways {
			if last.Tried += w.Tried; i == 0 {
				last.Score, last.Tray, last.Unfit = w.Score, w.Tray, w.Unfit
			}
			last.Ways = append(last.Ways, way{w.Style, w.Score, w.Differs, w.Says, w.Tray})
		}
		send(last)
		return
	}
	res, err := arrange.Lay(c.Request.Context(), t, larder, o)
	if err != nil {
		s.log.Error("search failed", "error", err)
		return
	}
	res.Tray.Seed = o.Seed
	asked, stop := context.WithTimeout(c.Request.Context(), wishSeconds*time.Second)
	would := arrange.WouldFit(asked, res.Tray, larder, res.Unfit)
	stop()
	send(line{Tried: res.Tried, Share: 1, Score: res.Score, Done: true, Tray: res.Tray, Unfit: res.Unfit, Would: would})
}
