package server

import (
	"encoding/json"
	"math"
	"net/http"
	"sort"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/wire"
	"happytray/export/outline"
	"happytray/server/api"
	"happytray/store"
)

// drawn is a board with what follows from it. svg is left out of lists.
func (h *house) drawn(b board.Board, svg bool) (api.BoardDrawn, error) {
	raw, err := json.Marshal(b)
	if err != nil {
		return api.BoardDrawn{}, err
	}
	t := h.thing(store.KindBoard, b.ID)
	out := api.BoardDrawn{Board: raw, Mine: "built-in", PutAway: t.PutAway, Version: t.Version, AreaCm2: math.Round(b.UsableMM2() / 100), Guests: b.Guests(), Says: b.Asks()}
	if _, builtIn := board.BuiltInCabinet().Board(b.ID); !builtIn {
		out.Mine = "own"
	}
	if svg {
		out.Svg = art.BoardAlone(&b)
	}
	return out, nil
}

func (h *house) vessel(id string) (board.Vessel, bool) {
	for _, v := range h.vessels {
		if v.ID == id {
			return v, true
		}
	}
	return board.BuiltInCabinet().Vessel(id)
}

func (s *Server) Boards(c *gin.Context) {
	h := s.house(c.Request.Context())
	out := api.Cabinet{Boards: []api.BoardDrawn{}, Vessels: []api.VesselPage{}}
	all := h.cabinet.Boards()
	sort.SliceStable(all, func(i, j int) bool { return all[i].UsableMM2() < all[j].UsableMM2() })
	for _, b := range all {
		d, err := h.drawn(b, false)
		if err != nil {
			s.fail(c, err)
			return
		}
		out.Boards = append(out.Boards, d)
	}
	for _, v := range board.BuiltInCabinet().With(nil, h.vessels).Vessels() {
		raw, err := json.Marshal(v)
		if err != nil {
			s.fail(c, err)
			return
		}
		t := h.thing(store.KindVessel, v.ID)
		p := api.VesselPage{Vessel: raw, Mine: "built-in", PutAway: t.PutAway, Version: t.Version, AcrossMm: math.Round(v.Across())}
		if t.Document != "" {
			p.Mine = "own"
		}
		out.Vessels = append(out.Vessels, p)
	}
	c.Header("Cache-Control", "no-cache")
	c.JSON(http.StatusOK, out)
}

// MakeBoard draws the board of a shape and size.
func (s *Server) MakeBoard(c *gin.Context) {
	var r board.Request
	if err := wire.Read(body(c), &r); err != nil {
		s.fail(c, err)
		return
	}
	h := s.house(c.Request.Context())
	b, err := h.cabinet.Make(r)
	if err != nil {
		s.fail(c, err)
		return
	}
	s.answerBoard(c, h, b)
}

func (s *Server) answerBoard(c *gin.Context, h *house, b board.Board) {
	d, err := h.drawn(b, true)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, d)
}

func (s *Server) ReadOutline(c *gin.Context, params api.ReadOutlineParams) {
	d, err := outline.Read(body(c))
	if err != nil {
		s.fail(c, err)
		return
	}
	out := api.OutlineFound{Physical: d.Physical, LengthMm: round1(d.LengthMM()), WidthMm: round1(d.WidthMM()), Notes: append([]string{}, d.Notes...)}
	real := d.LengthMM()
	if params.LengthMm != nil {
		real = *params.LengthMm
	} else if !d.Physical || real < 100 || real > 3000 { // shown at a usual size until it is known
		real = 450
	}
	r, err := d.Request(real)
	if err != nil {
		s.fail(c, err)
		return
	}
	h := s.house(c.Request.Context())
	b, err := board.Make(r)
	if err != nil {
		s.fail(c, err)
		return
	}
	drawn, err := h.drawn(b, true)
	if err != nil {
		s.fail(c, err)
		return
	}
	out.Drawn = &drawn
	if out.Request, err = json.Marshal(r); err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) SaveBoard(c *gin.Context, id api.ThingId, params api.SaveBoardParams) {
	var b board.Board
	if err := wire.Read(body(c), &b); err != nil {
		s.fail(c, err)
		return
	}
	b.ID = id
	_, builtIn := board.BuiltInCabinet().Board(id)
	if s.keepOwn(c, store.KindBoard, id, params.IfMatch, b.Name, builtIn, b.Check, b) {
		s.answerBoard(c, s.house(c.Request.Context()), b)
	}
}

// keepOwn keeps a board or vessel of the user's, or answers why not. One that is
// put away stays so.
func (s *Server) keepOwn(c *gin.Context, kind, id, ifMatch, name string, builtIn bool, check func() error, v any) bool {
	version, ok := seen(c, ifMatch)
	if !ok {
		return false
	}
	err := food.CheckID(id)
	switch {
	case err != nil:
	case builtIn:
		err = wire.Bad("id", "this one ships with the product; copy it and change the copy")
	case name == "":
		err = wire.Bad("name", "it needs a name")
	default:
		err = check()
	}
	if err != nil {
		s.fail(c, err)
		return false
	}
	h, err := s.fresh(c.Request.Context())
	if err != nil {
		s.fail(c, err)
		return false
	}
	raw, err := json.Marshal(v)
	if err != nil {
		s.fail(c, err)
		return false
	}
	t := h.thing(kind, id)
	t.Document, t.Version = string(raw), version
	return s.change(c, store.Change{Things: []store.Thing{t}})
}

func (s *Server) PutBoardAway(c *gin.Context, id api.ThingId) {
	s.putAway(c, store.KindBoard, id, true)
}
func (s *Server) TakeBoardOut(c *gin.Context, id api.ThingId) {
	s.putAway(c, store.KindBoard, id, false)
}

func (s *Server) BoardPicture(c *gin.Context, id api.ThingId, _ api.BoardPictureParams) {
	b, ok := s.house(c.Request.Context()).cabinet.Board(id)
	if !ok {
		s.failThing(c, store.ErrNotFound)
		return
	}
	c.Header("Cache-Control", "public, max-age=3600")
	c.Data(http.StatusOK, "image/svg+xml", []byte(art.BoardAlone(&b)))
}

func (s *Server) SaveVessel(c *gin.Context, id api.ThingId, params api.SaveVesselParams) {
	var v board.Vessel
	if err := wire.Read(body(c), &v); err != nil {
		s.fail(c, err)
		return
	}
	v.ID = id
	_, builtIn := board.BuiltInCabinet().Vessel(id)
	if s.keepOwn(c, store.KindVessel, id, params.IfMatch, v.Name, builtIn, v.Check, v) {
		c.Status(http.StatusNoContent)
	}
}

func (s *Server) PutVesselAway(c *gin.Context, id api.ThingId) {
	s.putAway(c, store.KindVessel, id, true)
}
func (s *Server) TakeVesselOut(c *gin.Context, id api.ThingId) {
	s.putAway(c, store.KindVessel, id, false)
}

func (s *Server) VesselPicture(c *gin.Context, id api.ThingId, _ api.VesselPictureParams) {
	v, ok := s.house(c.Request.Context()).vessel(id)
	if !ok {
		s.failThing(c, store.ErrNotFound)
		return
	}
	c.Header("Cache-Control", "public, max-age=3600")
	c.Data(http.StatusOK, "image/svg+xml", []byte(art.VesselAlone(v)))
}
