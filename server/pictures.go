package server

import (
	"context"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/round"
	"happytray/server/api"
)

// readPhoto decodes the picture in the request, one at a time.
func (s *Server) readPhoto(c *gin.Context) (*app.Picture, bool) {
	leave, ok := s.turn(c, s.photos, nil)
	if !ok {
		return nil, false
	}
	defer leave()
	p, err := app.ReadPicture(body(c))
	if err != nil {
		s.fail(c, aThing, err)
		return nil, false
	}
	return p, true
}

// MainColours answers POST /api/v1/colours: the main colours of a picture, which is not kept.
func (s *Server) MainColours(c *gin.Context) {
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	out := api.MainColours{Width: p.Width, Height: p.Height, Colours: []api.ColourPart{}}
	for _, sh := range p.Colours {
		out.Colours = append(out.Colours, api.ColourPart{Hex: sh.Colour.Hex(), Part: round.To(sh.Part, 3)})
	}
	c.JSON(http.StatusOK, out)
}

// sendPhoto answers with a photograph that is kept.
func (s *Server) sendPhoto(c *gin.Context, p app.KeptPicture, err error) {
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Header("Cache-Control", checked)
	c.Data(http.StatusOK, p.Media, p.Data)
}

// savePhoto keeps the photograph in the request, made small.
func (s *Server) savePhoto(c *gin.Context, save func(ctx context.Context, jpeg []byte) error) {
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	small, err := p.Small()
	if err == nil {
		err = save(c.Request.Context(), small)
	}
	s.done(c, aThing, err)
}

// FoodPhoto answers GET /api/v1/foods/{id}/photo: the photograph that was kept of a food.
func (s *Server) FoodPhoto(c *gin.Context, id api.ThingId) {
	p, err := s.app.FoodPhoto(c.Request.Context(), id)
	s.sendPhoto(c, p, err)
}

// SaveFoodPhoto answers PUT /api/v1/foods/{id}/photo: keep a photograph of a food, made small.
func (s *Server) SaveFoodPhoto(c *gin.Context, id api.ThingId) {
	s.savePhoto(c, func(ctx context.Context, jpeg []byte) error { return s.app.SavePhoto(ctx, id, jpeg) })
}

// DropFoodPhoto answers DELETE /api/v1/foods/{id}/photo: throw the photograph away.
func (s *Server) DropFoodPhoto(c *gin.Context, id api.ThingId) {
	s.done(c, aThing, s.app.SavePhoto(c.Request.Context(), id, nil))
}
