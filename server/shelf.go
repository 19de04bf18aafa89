package server

import (
	"context"
	"encoding/json"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/app/template"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/job"
	"happytray/server/api"
)

func shelved(k app.SavedTemplate) api.Kept {
	out := api.Kept{Kind: api.KeptKind(k.Kind), Id: k.ID, Name: k.Name, PutAway: k.PutAway, Version: k.Version, Foods: []api.KeptPortion{}, Guests: k.Guests, Occasion: k.Occasion,
		Note: k.Note, Photo: k.Photo, Palette: list(k.Palette), Region: k.Region, Belongs: list(k.Belongs), Alien: list(k.Alien), Garnish: list(k.Garnish), Liner: k.Liner}
	if k.Laid != nil {
		out.Laid = &api.LaidTray{Job: k.Laid.Job, Revision: k.Laid.Revision, Tray: k.Laid.Tray}
	}
	for _, p := range k.Foods {
		out.Foods = append(out.Foods, api.KeptPortion{Food: p.Food, Form: p.Form, EachG: p.EachG})
	}
	return out
}

// Shelf answers GET /api/v1/shelf: what is kept to be used again, choices, ideas, themes and patterns, with what is put away.
func (s *Server) Shelf(c *gin.Context) {
	all, err := s.app.Shelf(c.Request.Context())
	out := api.ShelfKept{Kept: []api.Kept{}}
	for _, k := range all {
		out.Kept = append(out.Kept, shelved(k))
	}
	c.Header("Cache-Control", checked)
	reply(s, c, out, err)
}

// readKept is what a request asks to keep, and the job that a choice is taken from.
func (s *Server) readKept(c *gin.Context) (k template.Template, of *job.Job, err error) {
	var in api.KeepAsked
	if err = document.Read(body(c), &in); err != nil {
		return k, nil, err
	}
	k = template.Template{Name: in.Name, Note: or(in.Note, ""), Palette: or(in.Palette, nil), Region: or(in.Region, ""), Belongs: or(in.Belongs, nil), Alien: or(in.Alien, nil),
		Garnish: or(in.Garnish, nil), Liner: or(in.Liner, "")}
	if in.Laid != nil {
		k.Laid = &template.Laid{Job: in.Laid.Job, Revision: in.Laid.Revision, Tray: in.Laid.Tray}
	}
	if in.Job == nil {
		return k, nil, nil
	}
	h, err := s.app.House(c.Request.Context())
	if err != nil {
		return k, nil, err
	}
	read, err := app.ReadJob(*in.Job, h.All)
	if err != nil {
		return k, nil, fault.In("job", err)
	}
	return k, read, nil
}

// Keep answers POST /api/v1/shelf/{kind}: keep a job's choice, an idea, a theme or a laid tray as a pattern under a name.
func (s *Server) Keep(c *gin.Context, kind api.KeptKind) {
	var out app.SavedTemplate
	k, of, err := s.readKept(c)
	if err == nil {
		out, err = s.app.SaveTemplate(c.Request.Context(), string(kind), k, of)
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.JSON(http.StatusCreated, shelved(out))
}

// ChangeKept answers PUT /api/v1/shelf/{kind}/{id}: keep it anew; the foods of a choice stay.
func (s *Server) ChangeKept(c *gin.Context, kind api.KeptKind, id api.ThingId, params api.ChangeKeptParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	var out app.SavedTemplate
	k, _, err := s.readKept(c)
	if err == nil {
		out, err = s.app.ChangeKept(c.Request.Context(), string(kind), id, k, version)
	}
	reply(s, c, shelved(out), err)
}

// PutKeptAway answers DELETE /api/v1/shelf/{kind}/{id}: take it off the shelf.
func (s *Server) PutKeptAway(c *gin.Context, kind api.KeptKind, id api.ThingId) {
	s.putAway(c, string(kind), id, true)
}

// TakeKeptOut answers POST /api/v1/shelf/{kind}/{id}/take-out: put it on the shelf again.
func (s *Server) TakeKeptOut(c *gin.Context, kind api.KeptKind, id api.ThingId) {
	s.putAway(c, string(kind), id, false)
}

// UseKept gives a brief with a kept choice for its foods.
func (s *Server) UseKept(c *gin.Context, id api.ThingId) {
	var b brief.Brief
	err := document.Read(body(c), &b)
	out := api.UsedChoice{Says: []string{}}
	if err == nil {
		var says []string
		if b, says, err = s.app.UseChoice(c.Request.Context(), id, b); err == nil {
			out.Says = list(says)
			out.Brief, err = json.Marshal(b)
		}
	}
	reply(s, c, out, err)
}

// IdeaPhoto answers GET /api/v1/ideas/{id}/photo: the picture of an idea.
func (s *Server) IdeaPhoto(c *gin.Context, id api.ThingId) {
	p, err := s.app.IdeaPhoto(c.Request.Context(), id)
	s.sendPhoto(c, p, err)
}

// SaveIdeaPhoto answers PUT /api/v1/ideas/{id}/photo: keep a picture of an idea, made small.
func (s *Server) SaveIdeaPhoto(c *gin.Context, id api.ThingId) {
	s.savePhoto(c, func(ctx context.Context, jpeg []byte) error { return s.app.SaveIdeaPhoto(ctx, id, jpeg) })
}

// DropIdeaPhoto answers DELETE /api/v1/ideas/{id}/photo: throw the picture away.
func (s *Server) DropIdeaPhoto(c *gin.Context, id api.ThingId) {
	s.done(c, aThing, s.app.SaveIdeaPhoto(c.Request.Context(), id, nil))
}
