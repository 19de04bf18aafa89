package server

import (
	"math"
	"net/http"
	"sort"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/arrange"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/outlook"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/tray"
	"happytray/core/wire"
	"happytray/server/api"
	"happytray/store"
)

func card(b board.Board) api.BoardCard {
	box := b.Outline.Bounds()
	return api.BoardCard{Id: b.ID, Name: b.Name, LengthMm: math.Round(box.W()), WidthMm: math.Round(box.H()), AreaCm2: math.Round(b.UsableMM2() / 100), Material: b.Material, Colour: b.Colour}
}

func (s *Server) Larder(c *gin.Context) {
	h := s.house(c.Request.Context())
	out := api.Larder{Foods: []api.Food{}, Boards: []api.BoardCard{}, Vessels: []api.VesselCard{}}
	for _, f := range h.all.All() {
		t := h.thing(store.KindFood, f.ID)
		item := api.Food{Id: f.ID, Name: f.Name, Category: string(f.Category), Colour: f.Colour, Texture: f.Texture, Strength: f.Strength, Liking: f.Liking,
			Flavours: f.Flavours, Allergens: f.Allergens, Diet: f.Diet, Season: f.Season, InSeasonAllYear: len(f.Season) == 0,
			PutAway: t.PutAway, Version: strconv.FormatInt(t.Version, 10)}
		if f.Firmness != "" {
			item.Firmness, item.Milk = &f.Firmness, &f.Milk
		}
		for _, sp := range f.Forms {
			item.Forms = append(item.Forms, struct {
				Form  string  `json:"form"`
				MassG float64 `json:"mass_g"`
				Says  string  `json:"says"`
			}{sp.Form, sp.MassG, food.FormByID(sp.Form).Says()})
		}
		out.Foods = append(out.Foods, item)
	}
	boards := h.cabinet.Boards()
	sort.SliceStable(boards, func(i, j int) bool { return boards[i].UsableMM2() < boards[j].UsableMM2() })
	for _, b := range boards {
		one := card(b)
		one.PutAway = h.thing(store.KindBoard, b.ID).PutAway
		out.Boards = append(out.Boards, one)
	}
	for _, v := range h.cabinet.Vessels() {
		out.Vessels = append(out.Vessels, api.VesselCard{Id: v.ID, Name: v.Name, Round: v.Round(), HeightMm: v.HeightMM, CapacityMl: v.CapacityML})
	}
	c.Header("Cache-Control", "no-cache")
	c.JSON(http.StatusOK, out)
}

func (s *Server) FoodPicture(c *gin.Context, id string, params api.FoodPictureParams) {
	f, ok := s.house(c.Request.Context()).larder.Get(id)
	if !ok {
		problem(c, http.StatusNotFound, "There is no such food", "", "id")
		return
	}
	form := ""
	if params.Form != nil {
		form = *params.Form
	}
	c.Header("Cache-Control", "public, max-age=3600")
	c.Data(http.StatusOK, "image/svg+xml", []byte(art.Portion(f, form)))
}

func (s *Server) Outlook(c *gin.Context) {
	b, err := brief.Read(body(c))
	if err != nil {
		s.fail(c, err)
		return
	}
	h := s.house(c.Request.Context())
	o, err := outlook.Of(b, h.larder, h.cabinet, time.Now().Format("2006-01-02T15:04"))
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, struct {
		outlook.Outlook
		Board api.BoardCard `json:"board"`
	}{o, card(*o.Board)})
}

// planned plans the brief that the request holds.
func (s *Server) planned(c *gin.Context) (*tray.Tray, *food.Larder, error) {
	b, err := brief.Read(body(c))
	if err != nil {
		return nil, nil, err
	}
	h := s.house(c.Request.Context())
	t, err := portion.Plan(b, h.larder, h.cabinet)
	return t, h.larder, err
}

func (s *Server) Plan(c *gin.Context) {
	t, _, err := s.planned(c)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, t)
}

// Replan plans a tray's brief again.
func (s *Server) Replan(c *gin.Context) {
	t, _, ok := s.readTray(c)
	if !ok {
		return
	}
	h := s.house(c.Request.Context())
	planned, err := portion.Replan(t, h.larder, h.cabinet)
	if err != nil {
		s.fail(c, err)
		return
	}
	was := t.All()
	for i, now := range planned.All() {
		if i >= len(was) {
			break
		}
		if gone, come, ok := arrange.Swapped(was[i], now); ok {
			if err := arrange.TakePlaces(c.Request.Context(), was[i], now, now.Larder(h.larder), gone, come); err != nil {
				s.fail(c, err)
				return
			}
		}
	}
	c.JSON(http.StatusOK, planned)
}

// Choice says which foods a brief comes to, or are on its trays, and how balanced they are.
func (s *Server) Choice(c *gin.Context) {
	var in api.ChoiceAsked
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	b, err := brief.Read(in.Brief)
	if err != nil {
		s.fail(c, wire.In("brief", err))
		return
	}
	h := s.house(c.Request.Context())
	larder, ground := h.larder, portion.Ground(b, h.cabinet)
	var chosen []pick.Choice
	if in.On != nil {
		for _, o := range *in.On {
			if f, ok := larder.Get(o.Food); ok {
				chosen = append(chosen, pick.Choice{Food: f, Form: o.Form})
			}
		}
		chosen = pick.Explain(b, larder, ground, chosen)
	} else if chosen, err = portion.Choose(b, larder, h.cabinet); err != nil {
		s.fail(c, err)
		return
	}
	foods := make([]*food.Food, len(chosen))
	have := map[food.Category]int{}
	for i, ch := range chosen {
		foods[i] = ch.Food
		have[ch.Food.Category]++
	}
	off := b.OffTheTray()
	sides := pick.Balance(b, foods, larder)
	answer := gin.H{"sides": sides, "needs": pick.Needs(b, sides, foods, larder, ground, 3), "servings": pick.Servings(b, foods)}
	list := []gin.H{}
	for _, ch := range chosen {
		list = append(list, gin.H{"food": ch.Food.ID, "form": ch.Form, "grams": ch.Grams, "pinned": ch.Pinned, "why": ch.Why})
	}
	kinds, want := []gin.H{}, pick.KindsFor(b)
	for _, cat := range food.Categories {
		if want[cat]+have[cat] > 0 {
			kinds = append(kinds, gin.H{"category": cat, "want": want[cat], "have": have[cat]})
		}
	}
	shelves := []gin.H{}
	for _, f := range larder.All() {
		shelves = append(shelves, gin.H{"food": f.ID, "avoided": f.Breaks(off), "out_of_season": !f.InSeason(b.SeasonMonth(), b.Hemisphere), "out_of_stock": larder.OutOfStock(f.ID)})
	}
	answer["chosen"], answer["kinds"], answer["shelves"] = list, kinds, shelves
	c.JSON(http.StatusOK, answer)
}

// Substitutes names foods that can take another's place.
func (s *Server) Substitutes(c *gin.Context) {
	var in api.SubstitutesAsked
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	b, err := brief.Read(in.Brief)
	if err != nil {
		s.fail(c, wire.In("brief", err))
		return
	}
	larder := s.house(c.Request.Context()).larder
	f, ok := larder.Get(in.Food)
	if !ok {
		s.fail(c, wire.Bad("food", "there is no food %.60q in the larder", in.Food))
		return
	}
	form, most := f.Forms[0].Form, 3
	if in.Form != nil {
		form = *in.Form
	}
	if in.Most != nil {
		most = *in.Most
	}
	var on []*food.Food
	if in.On != nil {
		for _, id := range *in.On {
			if o, ok := larder.Get(id); ok {
				on = append(on, o)
			}
		}
	}
	out := []api.Substitute{}
	for _, x := range pick.Substitutes(b, f, form, on, larder, most) {
		out = append(out, api.Substitute{Food: x.Food.ID, Form: x.Form, Near: math.Round(x.Near*1000) / 1000, Why: x.Why})
	}
	c.JSON(http.StatusOK, out)
}
