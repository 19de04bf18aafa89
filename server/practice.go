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

// PracticeSheet answers GET /api/v1/practice/sheet: a board with faults on it to print.
func (s *Server) PracticeSheet(c *gin.Context, params api.PracticeSheetParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	p, err := s.app.PracticeSheet(c.Request.Context(), uint64(params.Seed), params.Level, string(or(params.Paper, "a4")))
	s.print(c, p, err)
}

// PracticeResults answers GET /api/v1/practice/results: what others had of a set.
func (s *Server) PracticeResults(c *gin.Context, params api.PracticeResultsParams) {
	all, err := s.app.PracticeResults(c.Request.Context(), params.Set)
	reply(s, c, gin.H{"results": all}, err)
}

// AddPracticeResult answers POST /api/v1/practice/results: one's own points beside those of others.
func (s *Server) AddPracticeResult(c *gin.Context) {
	var in api.PracticeResult
	var all [][]int
	err := document.Read(body(c), &in)
	if err == nil {
		all, err = s.app.AddPracticeResult(c.Request.Context(), in.Set, in.Points)
	}
	reply(s, c, gin.H{"results": all}, err)
}
