package server

import (
	"net/http"
	"slices"
	"strings"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/food"
	"happytray/server/api"
)

// ReadPalette answers POST /api/v1/palettes: the colours of a palette file (*.gpl), brought down to five where it has more than twelve.
func (s *Server) ReadPalette(c *gin.Context) {
	name, colours, err := app.ReadPalette(body(c))
	reply(s, c, api.Palette{Name: name, Colours: colours}, err)
}

// WritePalette answers GET /api/v1/palettes/file: colours as a palette file (*.gpl).
func (s *Server) WritePalette(c *gin.Context, params api.WritePaletteParams) {
	var colours []string
	for _, hex := range strings.Split(params.Colours, ",") {
		colours = append(colours, "#"+strings.ToLower(hex))
	}
	c.Header("Content-Disposition", `attachment; filename="theme.gpl"`)
	c.Header("Cache-Control", "no-store")
	c.Data(http.StatusOK, "text/plain; charset=utf-8", app.WritePalette(or(params.Name, ""), colours))
}

// RegionPalette answers GET /api/v1/palettes/region/{region}: the main colours of the foods of a region.
func (s *Server) RegionPalette(c *gin.Context, region string) {
	if !slices.Contains(food.Regions, region) {
		problem(c, http.StatusNotFound, "There is no such region", "", "region")
		return
	}
	h, ok := s.house(c)
	if !ok {
		return
	}
	colours := h.RegionColours(region)
	if len(colours) == 0 {
		problem(c, http.StatusNotFound, "The larder has nothing from there", "", "region")
		return
	}
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, api.Palette{Name: region, Colours: colours})
}
