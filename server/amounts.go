package server

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/core/portion"
	"happytray/core/prep"
)

func (s *Server) Basket(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		b := portion.Shop(t, larder)
		b.Minutes = prep.Minutes(t, larder)
		day := t.Brief.ServeDay()
		b.PassOn(day, s.coming(c.Request.Context(), day), larder)
		c.JSON(http.StatusOK, b)
	}
}

// Amounts is the basket that a brief comes to.
func (s *Server) Amounts(c *gin.Context) {
	t, larder, err := s.planned(c)
	if err != nil {
		s.fail(c, err)
		return
	}
	out := portion.Shop(t, larder)
	out.Minutes = prep.Minutes(t, larder)
	c.JSON(http.StatusOK, out)
}

// Savings names what would make a planned job cheaper.
func (s *Server) Savings(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, portion.Savings(t, larder, s.house(c.Request.Context()).cabinet, 3))
	}
}

// Quote is the price of a planned job.
func (s *Server) Quote(c *gin.Context) {
	t, larder, ok := s.readTray(c)
	if !ok {
		return
	}
	r := s.readSettings(c.Request.Context()).Rates
	trays := 0
	for _, one := range t.All() {
		trays += one.Copies()
	}
	c.JSON(http.StatusOK, portion.Price(portion.Shop(t, larder), prep.Minutes(t, larder), trays, t.Brief.Guests.Total(), t.Brief.Travels.Yes,
		portion.Rates{Hourly: r.Hourly, Setup: r.SetupMin, Packaging: r.Packaging, Delivery: r.Delivery, Overhead: r.OverheadPct, Margin: r.MarginPct}))
}

func (s *Server) Prep(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, prep.Order(t, larder))
	}
}
