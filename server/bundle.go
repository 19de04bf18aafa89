package server

import (
	"fmt"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/server/api"
)

// JobBundle sends a job as one file.
func (s *Server) JobBundle(c *gin.Context, id api.JobId) {
	name, data, err := s.app.JobBundle(c.Request.Context(), id)
	s.zip(c, name, data, err)
}

// HouseBundle sends the whole house as one file.
func (s *Server) HouseBundle(c *gin.Context) {
	leave, ok := s.turn(c, s.photos, nil) // it is held in memory as a whole
	if !ok {
		return
	}
	defer leave()
	data, err := s.app.HouseBundle(c.Request.Context())
	s.zip(c, "house.zip", data, err)
}

func (s *Server) zip(c *gin.Context, name string, data []byte, err error) {
	if err != nil {
		s.fail(c, aJob, err)
		return
	}
	c.Header("Content-Disposition", fmt.Sprintf("attachment; filename=%q", name))
	c.Data(http.StatusOK, "application/zip", data)
}

// BringIn reads such a file.
func (s *Server) BringIn(c *gin.Context) {
	leave, ok := s.turn(c, s.photos, nil)
	if !ok {
		return
	}
	defer leave()
	in, err := s.app.BringIn(c.Request.Context(), body(c))
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.JSON(http.StatusCreated, in)
}
