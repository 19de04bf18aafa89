package server

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/document"
	"happytray/server/api"
)

// Scale answers with what the bench scale shows.
func (s *Server) Scale(c *gin.Context) {
	c.JSON(http.StatusOK, s.app.Scale(c.Request.Context()))
}

// TareScale sets it to nought.
func (s *Server) TareScale(c *gin.Context) { s.done(c, aThing, s.app.TareScale(c.Request.Context())) }

// LoadScale lays something on the simulated scale.
func (s *Server) LoadScale(c *gin.Context) {
	var in api.LoadAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aThing, err)
		return
	}
	s.done(c, aThing, s.app.LoadScale(in.Grams))
}

// Holding tells how long what perishes has stood out.
func (s *Server) Holding(c *gin.Context, id api.JobId) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	h, err := s.app.Holding(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, h)
}

// Weights lists what is to be weighed for a job, and what was.
func (s *Server) Weights(c *gin.Context, id api.JobId) {
	list, err := s.app.Weights(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	portions, err := s.app.Portions(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"weights": list, "portions": portions})
}

// TakeWeights makes what was weighed out the job's amounts.
func (s *Server) TakeWeights(c *gin.Context, id api.JobId) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	says, err := s.app.TakeWeights(c.Request.Context(), id)
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.JSON(http.StatusOK, api.WeightsTaken{Says: says})
}

// SetWeight records what a food weighs.
func (s *Server) SetWeight(c *gin.Context, id api.JobId) {
	var in api.WeightAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aJob, err)
		return
	}
	s.done(c, aJob, s.app.SetWeight(c.Request.Context(), id, app.Weighed{Food: in.Food, Form: in.Form, Grams: in.Grams}))
}
