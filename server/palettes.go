package server

import (
	"net/http"
	"slices"
	"strings"

	"github.com/gin-gonic/gin"

	"happytray/core/colour"
	"happytray/core/food"
	"happytray/formats/palette"
	"happytray/server/api"
)

// mostOfTheme is how many colours a theme may have; a file with more is brought
// down to its main ones.
const mostOfTheme = 12

func (s *Server) ReadPalette(c *gin.Context) {
	p, err := palette.Read(body(c))
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	if len(p.Colours) > mostOfTheme {
		p.Colours = mainOf(p.Colours)
	}
	c.JSON(http.StatusOK, api.Palette{Name: p.Name, Colours: p.Colours})
}

// mainOf brings colours down to their three to five main ones.
func mainOf(hexes []string) []string {
	var all []colour.Lab
	for _, hex := range hexes {
		all = append(all, colour.Must(hex))
	}
	out := []string{}
	for _, m := range colour.Main(all) {
		out = append(out, m.Colour.Hex())
	}
	return out
}

func (s *Server) WritePalette(c *gin.Context, params api.WritePaletteParams) {
	p := palette.Palette{}
	if params.Name != nil {
		p.Name = *params.Name
	}
	for _, hex := range strings.Split(params.Colours, ",") {
		p.Colours = append(p.Colours, "#"+strings.ToLower(hex))
	}
	c.Header("Content-Disposition", `attachment; filename="theme.gpl"`)
	c.Header("Cache-Control", "no-store")
	c.Data(http.StatusOK, "text/plain; charset=utf-8", palette.Write(p))
}

func (s *Server) RegionPalette(c *gin.Context, region string) {
	if !slices.Contains(food.Regions, region) {
		problem(c, http.StatusNotFound, "There is no such landscape", "", "region")
		return
	}
	var hexes []string
	h, ok := s.house(c)
	if !ok {
		return
	}
	all := h.Larder.All()
	for i := range all {
		if f := &all[i]; f.Region == region {
			hexes = append(hexes, f.Colour, f.Cut)
		}
	}
	if len(hexes) == 0 {
		problem(c, http.StatusNotFound, "The larder has nothing from there", "", "region")
		return
	}
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, api.Palette{Name: region, Colours: mainOf(hexes)})
}
