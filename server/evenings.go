package server

import (
	"errors"
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

var anEvening = subject{"Nothing was noted of this evening", "Go back to the jobs.",
	"Somebody else has noted something in the meantime. Look at it as it is now, then change it again.", ""}

// Forecast tells how a job's trays will be eaten.
func (s *Server) Forecast(c *gin.Context, id api.JobId) {
	leave, ok := s.turn(c, s.searches, nil) // it takes all cores for part of a second
	if !ok {
		return
	}
	defer leave()
	f, err := s.app.Forecast(c.Request.Context(), id)
	reply(s, c, f, err)
}

// Evening tells what was noted of a job's evening.
func (s *Server) Evening(c *gin.Context, id api.JobId) {
	e, err := s.app.Evening(c.Request.Context(), id)
	reply(s, c, e, err)
}

// SaveEvening keeps what came home.
func (s *Server) SaveEvening(c *gin.Context, id api.JobId, params api.SaveEveningParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	var in app.Evening
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	e, err := s.app.SaveEvening(c.Request.Context(), id, version, in)
	s.noted(c, e, err)
}

// ChangeEvening notes what came home of some dishes.
func (s *Server) ChangeEvening(c *gin.Context, id api.JobId) {
	var in api.EveningChange
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	var came []app.Came
	for _, d := range or(in.Dishes, nil) {
		one := app.Came{Tray: d.Tray, Element: or(d.Element, ""), Food: d.Food, LeftG: d.LeftG, GoneAtMin: d.GoneAtMin, Reasons: []string{}}
		for _, r := range d.Reasons {
			one.Reasons = append(one.Reasons, string(r))
		}
		came = append(came, one)
	}
	e, err := s.app.ChangeEvening(c.Request.Context(), id, came, in.Done)
	s.noted(c, e, err)
}

// entryOf is what a device tells of an entry.
func entryOf(key *string, agoS *float64) app.Entry {
	return app.Entry{Key: or(key, ""), Ago: time.Duration(or(agoS, 0) * float64(time.Second))}
}

// noted answers with an evening as it is noted now.
func (s *Server) noted(c *gin.Context, e app.Evening, err error) {
	if err != nil {
		s.fail(c, anEvening, err)
		return
	}
	c.JSON(http.StatusOK, e)
}

// DropEvening takes what was noted away.
func (s *Server) DropEvening(c *gin.Context, id api.JobId) {
	s.done(c, anEvening, s.app.DropEvening(c.Request.Context(), id))
}

// NoteGone notes that something is gone.
func (s *Server) NoteGone(c *gin.Context, id api.JobId, params api.NoteGoneParams) {
	var in api.GoneAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	e, err := s.app.NoteGone(c.Request.Context(), id, or(in.Tray, 0), in.Element, in.Gone, entryOf(params.IdempotencyKey, params.AgoS))
	s.noted(c, e, err)
}

// TopUp notes that more was laid.
func (s *Server) TopUp(c *gin.Context, id api.JobId, params api.TopUpParams) {
	var in api.ToppedAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	e, err := s.app.TopUp(c.Request.Context(), id, or(in.Tray, 0), in.Food, in.Grams, entryOf(params.IdempotencyKey, params.AgoS))
	s.noted(c, e, err)
}

// TakeBackTopUp takes the last of that back.
func (s *Server) TakeBackTopUp(c *gin.Context, id api.JobId, params api.TakeBackTopUpParams) {
	e, err := s.app.TakeBackTopUp(c.Request.Context(), id, entryOf(params.IdempotencyKey, params.AgoS))
	s.noted(c, e, err)
}

// KeepRemains puts remains into the cupboard.
func (s *Server) KeepRemains(c *gin.Context, id api.JobId) {
	var in api.KeepRemainsAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	e, err := s.app.KeepRemains(c.Request.Context(), id, in.Food)
	s.noted(c, e, err)
}

// AddNote notes something.
func (s *Server) AddNote(c *gin.Context, id api.JobId, params api.AddNoteParams) {
	var in api.NoteAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	e, err := s.app.AddNote(c.Request.Context(), id, in.Says, entryOf(params.IdempotencyKey, params.AgoS))
	s.noted(c, e, err)
}

// Photos lists the photographs of an evening.
func (s *Server) Photos(c *gin.Context, id api.JobId) {
	list, err := s.app.Photos(c.Request.Context(), id)
	if err != nil {
		s.fail(c, anEvening, err)
		return
	}
	out := api.PhotoList{Photos: []api.PhotoKept{}}
	for _, p := range list {
		out.Photos = append(out.Photos, api.PhotoKept{Id: p.ID, MadeAt: p.MadeAt})
	}
	c.JSON(http.StatusOK, out)
}

// AddPhoto keeps a photograph of an evening.
func (s *Server) AddPhoto(c *gin.Context, id api.JobId, params api.AddPhotoParams) {
	picture, ok := s.readPhoto(c)
	if !ok {
		return
	}
	small, err := picture.Fit(app.LargeSide)
	var p app.Photograph
	if err == nil {
		p, err = s.app.AddPhoto(c.Request.Context(), id, small, entryOf(params.IdempotencyKey, params.AgoS))
	}
	switch {
	case errors.Is(err, app.ErrMany):
		s.fail(c, anEvening, fault.Bad("", "an evening keeps %d photographs; throw one away first", app.MostPhotos))
	case err != nil:
		s.fail(c, aJob, err)
	default:
		c.JSON(http.StatusCreated, api.PhotoKept{Id: p.ID, MadeAt: p.MadeAt})
	}
}

// Photo sends a photograph of an evening.
func (s *Server) Photo(c *gin.Context, id api.JobId, which string) {
	p, err := s.app.Photo(c.Request.Context(), id, which)
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Header("Cache-Control", lasting) // another one has another name
	c.Data(http.StatusOK, p.Media, p.Data)
}

// DropPhoto throws a photograph away.
func (s *Server) DropPhoto(c *gin.Context, id api.JobId, which string) {
	s.done(c, aThing, s.app.DropPhoto(c.Request.Context(), id, which))
}

// Logbook lists evenings and what they teach.
func (s *Server) Logbook(c *gin.Context, params api.LogbookParams) {
	l, err := s.app.Logbook(c.Request.Context(), app.Narrowed{Crowd: or(params.Crowd, ""), Food: or(params.Food, ""), Year: or(params.Year, 0)})
	reply(s, c, l, err)
}

// ExportLogbook sends every dish of every evening as a table.
func (s *Server) ExportLogbook(c *gin.Context) {
	data, err := s.app.LogbookTable(c.Request.Context())
	s.csv(c, "logbook", data, err)
}

// BesidePlan holds a photograph from above against the plan.
func (s *Server) BesidePlan(c *gin.Context, id api.JobId, which string) {
	var in api.BesideAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, anEvening, err)
		return
	}
	leave, ok := s.turn(c, s.photos, nil)
	if !ok {
		return
	}
	defer leave()
	b, err := s.app.BesidePlan(c.Request.Context(), id, which, or(in.Tray, 0), or(in.Corners, nil))
	reply(s, c, b, err)
}

// StraightPhoto sends a photograph as if it had been taken from straight above.
func (s *Server) StraightPhoto(c *gin.Context, id api.JobId, which string, params api.StraightPhotoParams) {
	leave, ok := s.turn(c, s.photos, nil)
	if !ok {
		return
	}
	defer leave()
	data, err := s.app.StraightPhoto(c.Request.Context(), id, which, or(params.Tray, 0))
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Data(http.StatusOK, "image/jpeg", data)
}
