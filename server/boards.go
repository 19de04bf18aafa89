package server

import (
	"encoding/json"
	"math"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/board"
	"happytray/core/document"
	"happytray/core/round"
	"happytray/server/api"
)

// drawn is a board with what follows from it. svg is left out of lists.
func drawn(h *app.House, b board.Board, svg bool) (api.BoardDrawn, error) {
	raw, err := json.Marshal(b)
	st := h.State(app.KindBoard, b.ID)
	out := api.BoardDrawn{Board: raw, Mine: api.Mine(st.Mine), PutAway: st.PutAway, Version: st.Version, AreaCm2: math.Round(b.UsableMM2() / 100), Guests: b.Guests(), Says: list(b.Asks())}
	if svg {
		out.Svg = app.DrawBoard(&b)
	}
	return out, err
}

// Boards answers GET /api/v1/boards: boards and vessels with their measures.
func (s *Server) Boards(c *gin.Context) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	out := api.Cabinet{Boards: []api.BoardDrawn{}, Vessels: []api.VesselPage{}}
	for _, b := range smallestFirst(h) {
		d, err := drawn(h, b, false)
		if err != nil {
			s.fail(c, aThing, err)
			return
		}
		out.Boards = append(out.Boards, d)
	}
	for _, v := range h.Vessels() {
		raw, err := json.Marshal(v)
		if err != nil {
			s.fail(c, aThing, err)
			return
		}
		st := h.State(app.KindVessel, v.ID)
		out.Vessels = append(out.Vessels, api.VesselPage{Vessel: raw, Mine: api.Mine(st.Mine), PutAway: st.PutAway, Version: st.Version, AcrossMm: math.Round(v.Across())})
	}
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, out)
}

// MakeBoard draws the board of a shape and size.
func (s *Server) MakeBoard(c *gin.Context) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	var r board.Request
	var out api.BoardDrawn
	err := document.Read(body(c), &r)
	if err == nil {
		var b board.Board
		if b, err = h.Cabinet.Make(r); err == nil {
			out, err = drawn(h, b, true)
		}
	}
	reply(s, c, out, err)
}

// ReadOutline answers POST /api/v1/boards/outline: the board in an SVG drawing.
func (s *Server) ReadOutline(c *gin.Context, params api.ReadOutlineParams) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	out, err := readOutline(h, body(c), or(params.LengthMm, 0))
	reply(s, c, out, err)
}

// readOutline is the board in a drawing. length is the real length of its longer side,
// mm; 0 where the drawing is to be believed.
func readOutline(h *app.House, raw []byte, length float64) (out api.OutlineFound, err error) {
	d, err := app.ReadOutline(raw, length)
	if err != nil {
		return out, err
	}
	out = api.OutlineFound{Physical: d.Physical, LengthMm: round.Tenth(d.LengthMM), WidthMm: round.Tenth(d.WidthMM), Notes: list(d.Notes)}
	board, err := drawn(h, d.Board, true)
	if err != nil {
		return out, err
	}
	out.Drawn = &board
	out.Request, err = json.Marshal(d.Request)
	return out, err
}

// SaveBoard answers PUT /api/v1/boards/{id}: keep a board of one's own.
func (s *Server) SaveBoard(c *gin.Context, id api.ThingId, params api.SaveBoardParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	var b board.Board
	err := document.Read(body(c), &b)
	if b.ID = id; err == nil {
		err = s.app.SaveBoard(c.Request.Context(), b, version)
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	if h, ok := s.house(c); ok {
		out, err := drawn(h, b, true)
		reply(s, c, out, err)
	}
}

// PutBoardAway answers DELETE /api/v1/boards/{id}: put a board away; trays that use it keep it.
func (s *Server) PutBoardAway(c *gin.Context, id api.ThingId) {
	s.putAway(c, app.KindBoard, id, true)
}

// TakeBoardOut answers POST /api/v1/boards/{id}/take-out: take a board out again.
func (s *Server) TakeBoardOut(c *gin.Context, id api.ThingId) {
	s.putAway(c, app.KindBoard, id, false)
}

// BoardPicture answers GET /api/v1/boards/{id}/picture.svg: a board drawn to scale.
func (s *Server) BoardPicture(c *gin.Context, id api.ThingId, _ api.BoardPictureParams) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	b, ok := h.Cabinet.Board(id)
	if !ok {
		s.fail(c, aThing, app.ErrNotFound)
		return
	}
	picture(c, app.DrawBoard(&b))
}

// SaveVessel answers PUT /api/v1/vessels/{id}: keep a vessel of one's own.
func (s *Server) SaveVessel(c *gin.Context, id api.ThingId, params api.SaveVesselParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	var v board.Vessel
	err := document.Read(body(c), &v)
	if v.ID = id; err == nil {
		err = s.app.SaveVessel(c.Request.Context(), v, version)
	}
	s.done(c, aThing, err)
}

// PutVesselAway answers DELETE /api/v1/vessels/{id}: put a vessel away; trays that use it keep it.
func (s *Server) PutVesselAway(c *gin.Context, id api.ThingId) {
	s.putAway(c, app.KindVessel, id, true)
}

// TakeVesselOut answers POST /api/v1/vessels/{id}/take-out: take a vessel out again.
func (s *Server) TakeVesselOut(c *gin.Context, id api.ThingId) {
	s.putAway(c, app.KindVessel, id, false)
}

// VesselPicture answers GET /api/v1/vessels/{id}/picture.svg: a vessel drawn to scale, empty.
func (s *Server) VesselPicture(c *gin.Context, id api.ThingId, _ api.VesselPictureParams) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	v, ok := h.Vessel(id)
	if !ok {
		s.fail(c, aThing, app.ErrNotFound)
		return
	}
	picture(c, app.DrawVessel(v))
}
