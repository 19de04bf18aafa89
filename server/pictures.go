package server

import (
	"math"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/formats/photo"
	"happytray/server/api"
)

// readPhoto decodes the picture in the request, one at a time.
func (s *Server) readPhoto(c *gin.Context) (*photo.Picture, bool) {
	leave, ok := s.turn(c, s.photos, nil)
	if !ok {
		return nil, false
	}
	defer leave()
	p, err := photo.Read(body(c))
	if err != nil {
		s.fail(c, aThing, err)
		return nil, false
	}
	return p, true
}

func (s *Server) MainColours(c *gin.Context) {
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	out := api.MainColours{Width: p.Width, Height: p.Height, Colours: []api.ColourPart{}}
	for _, sh := range p.Colours {
		out.Colours = append(out.Colours, api.ColourPart{Hex: sh.Colour.Hex(), Part: math.Round(sh.Part*1000) / 1000})
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) FoodPhoto(c *gin.Context, id api.ThingId) {
	p, err := s.app.Store().Picture(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Header("Cache-Control", checked)
	c.Data(http.StatusOK, p.Media, p.Data)
}

func (s *Server) SaveFoodPhoto(c *gin.Context, id api.ThingId) {
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	small, err := p.Small()
	if err == nil {
		err = s.app.SavePhoto(c.Request.Context(), id, small)
	}
	s.done(c, aThing, err)
}

func (s *Server) DropFoodPhoto(c *gin.Context, id api.ThingId) {
	s.done(c, aThing, s.app.SavePhoto(c.Request.Context(), id, nil))
}
