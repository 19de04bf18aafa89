package server

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/document"
	"happytray/server/api"
)

// PracticePath answers GET /api/v1/practice: the rules of the craft in the order in which they are learnt.
func (s *Server) PracticePath(c *gin.Context) {
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, gin.H{"rules": app.PracticePath()})
}

// MakeExercise answers POST /api/v1/practice: an exercise without its solution.
func (s *Server) MakeExercise(c *gin.Context) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	var in api.ExerciseAsked
	var out *app.Practice
	err := document.Read(body(c), &in)
	if err == nil {
		out, err = s.app.Exercise(c.Request.Context(), string(in.Kind), uint64(in.Seed), in.Level)
	}
	reply(s, c, out, err)
}

// MarkExercise answers POST /api/v1/practice/marks: how near an answer came, and the solution.
func (s *Server) MarkExercise(c *gin.Context) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	var in struct {
		api.ExerciseAsked
		Answer app.PracticeAnswer `json:"answer"`
	}
	var out app.PracticeMark
	err := document.Read(body(c), &in)
	if err == nil {
		out, err = s.app.MarkExercise(c.Request.Context(), string(in.Kind), uint64(in.Seed), in.Level, in.Answer)
	}
	reply(s, c, out, err)
}
