package server

import (
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/board"
	"happytray/core/document"
	"happytray/core/edit"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/server/api"
)

// edited is api.EditAnswer in the types of the core.
type edited struct {
	Revision  int64           `json:"revision"`
	SavedAt   *time.Time      `json:"saved_at,omitempty"`
	Changed   []tray.Element  `json:"changed"`
	Gone      []string        `json:"gone"`
	Vessels   []board.Vessel  `json:"vessels,omitempty"`
	Reserve   *[]tray.Reserve `json:"reserve,omitempty"`
	Says      string          `json:"says,omitempty"`
	Displaced api.Displaced   `json:"displaced"`
	Carried   *carried        `json:"carried,omitempty"`
	Review    app.Review      `json:"review"`
}

// carried is api.CarriedAnswer.
type carried struct {
	At     [3]float64   `json:"at"`
	Shifts [][5]float64 `json:"shifts"`
	Stuck  []string     `json:"stuck"`
}

// Edit does a command to a tray of a job, or tells how the tray would lie.
func (s *Server) Edit(c *gin.Context, id api.JobId) {
	var in api.EditAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aJob, err)
		return
	}
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	e := app.Edit{Revision: in.Revision, Tray: or(in.Tray, 0), Command: command(in.Command), VesselID: or(in.Command.Vessel, "")}
	var out app.Edited
	var err error
	preview := or(in.Preview, false)
	if preview {
		out, err = s.app.Preview(c.Request.Context(), string(id), e, or(in.Rests, false))
	} else {
		out, err = s.app.EditJob(c.Request.Context(), string(id), e)
	}
	switch {
	case err != nil && preview:
		s.fail(c, aJob, err) // what is only looked at is not worth the other version
	case err != nil:
		s.clash(c, string(id), err)
	default:
		if !preview {
			c.Header("ETag", etag(out.Revision))
		}
		c.JSON(http.StatusOK, answerOf(out))
	}
}

func command(in api.Command) edit.Command {
	c := edit.Command{Kind: edit.Kind(in.Kind), IDs: in.Ids, Hugs: or(in.Hugs, false), Alone: or(in.Alone, false), Form: or(in.Form, ""), Count: or(in.Count, 0), LiftMM: or(in.LiftMm, 0), Deg: or(in.Deg, 0), Open: or(in.Open, 0)}
	if in.To != nil {
		c.To = &geom.Pose{X: in.To.X, Y: in.To.Y, Turn: in.To.TurnDeg}
	}
	for _, q := range or(in.Path, nil) {
		c.Path = append(c.Path, geom.Pt(q[0], q[1]))
	}
	return c
}

func answerOf(e app.Edited) edited {
	out := edited{Revision: e.Revision, Changed: list(e.Changed), Gone: list(e.Gone), Vessels: e.Vessels, Says: e.Says, Review: e.Review,
		Displaced: api.Displaced{Lifted: list(e.Lifted), Fewer: fewer(e.Fewer), DrawnInMm: round.Tenth(e.DrawnInMM), NoRoom: list(e.NoRoom)}}
	if !e.SavedAt.IsZero() {
		out.SavedAt = &e.SavedAt
	}
	if e.Kept {
		kept := list(e.Reserve)
		out.Reserve = &kept
	}
	if e.Carried != nil {
		out.Carried = &carried{At: [3]float64{e.Carried.At.X, e.Carried.At.Y, e.Carried.At.Turn}, Shifts: make([][5]float64, len(e.Carried.Shifts)), Stuck: list(e.Carried.Stuck)}
		for i, m := range e.Carried.Shifts {
			out.Carried.Shifts[i] = [5]float64{float64(m.Element), float64(m.Piece), m.At.X, m.At.Y, m.TurnDeg}
		}
	}
	return out
}
