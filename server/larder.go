package server

import (
	"encoding/json"
	"math"
	"net/http"
	"sort"
	"strconv"
	"strings"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/server/api"
)

// house is the house as it is, or an answer why it cannot be read.
func (s *Server) house(c *gin.Context) (*app.House, bool) {
	h, err := s.app.House(c.Request.Context())
	if err != nil {
		s.fail(c, aThing, err)
		return nil, false
	}
	return h, true
}

// checked may be kept by a browser as long as it asks each time whether it still holds.
const checked = "no-cache"

func card(b board.Board) api.BoardCard {
	box := b.Outline.Bounds()
	return api.BoardCard{Id: b.ID, Name: b.Name, LengthMm: math.Round(box.W()), WidthMm: math.Round(box.H()), AreaCm2: math.Round(b.UsableMM2() / 100), Material: b.Material, Colour: b.Colour}
}

// smallestFirst lists all boards by the room they have.
func smallestFirst(h *app.House) []board.Board {
	all := h.Cabinet.Boards()
	sort.SliceStable(all, func(i, j int) bool { return all[i].UsableMM2() < all[j].UsableMM2() })
	return all
}

// Larder answers GET /api/v1/larder: foods, boards and vessels.
func (s *Server) Larder(c *gin.Context) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	out := api.Larder{Foods: []api.Food{}, Boards: []api.BoardCard{}, Stands: []api.StandCard{}, Vessels: []api.VesselCard{}}
	for _, f := range h.All.All() {
		st := h.State(app.KindFood, f.ID)
		item := api.Food{Id: f.ID, Name: f.Name, Category: string(f.Category), Colour: f.Colour, Texture: f.Texture, Strength: f.Strength, Liking: f.Liking,
			Flavours: f.Flavours, Allergens: f.Allergens, Diet: f.Diet, Season: f.Season, InSeasonAllYear: len(f.Season) == 0,
			PutAway: st.PutAway, Version: strconv.FormatInt(st.Version, 10)}
		if f.Firmness != "" {
			item.Firmness, item.Milk = &f.Firmness, &f.Milk
		}
		for _, sp := range f.Ways() {
			item.Forms = append(item.Forms, api.FormOfLarder{Form: sp.Form, MassG: sp.MassG, Says: food.FormByID(sp.Form).Says(), Takes: app.Takes(sp.Form), Kind: string(food.FormByID(sp.Form).Kind())})
		}
		out.Foods = append(out.Foods, item)
	}
	for _, b := range smallestFirst(h) {
		one := card(b)
		one.PutAway = h.State(app.KindBoard, b.ID).PutAway
		out.Boards = append(out.Boards, one)
	}
	for _, stand := range board.Stands() {
		out.Stands = append(out.Stands, api.StandCard{Id: stand.ID, Name: stand.Name, Boards: stand.Boards})
	}
	for _, v := range h.Cabinet.Vessels() {
		out.Vessels = append(out.Vessels, api.VesselCard{Id: v.ID, Name: v.Name, Round: v.Round(), HeightMm: v.HeightMM, CapacityMl: v.CapacityML})
	}
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, out)
}

// FoodPicture answers GET /api/v1/foods/{id}/picture.svg: a drawn portion of a food.
func (s *Server) FoodPicture(c *gin.Context, id string, params api.FoodPictureParams) {
	_, f, ok := s.food(c, id)
	if !ok {
		return
	}
	picture(c, app.DrawPortion(f, or(params.Form, ""), or(params.Thumb, false)))
}

// food is the house and one food of it, put away or not; where there is none, it has answered.
func (s *Server) food(c *gin.Context, id string) (h *app.House, f *food.Food, ok bool) {
	if h, ok = s.house(c); !ok {
		return nil, nil, false
	}
	if f, ok = h.All.Get(id); !ok {
		s.fail(c, aThing, app.ErrNotFound)
	}
	return h, f, ok
}

// picture answers with a drawing. It is asked for by its version, so it may be kept a while.
func picture(c *gin.Context, svg string) {
	c.Header("Cache-Control", "private, max-age=3600")
	c.Data(http.StatusOK, "image/svg+xml", []byte(svg))
}

// FindFoods answers GET /api/v1/larder/find: the foods that people mean by some words, best first.
func (s *Server) FindFoods(c *gin.Context, p api.FindFoodsParams) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	out := api.FoundFoods{Foods: []api.FoundFood{}}
	for _, f := range h.Find(p.Text, or(p.Most, 24)) {
		out.Foods = append(out.Foods, api.FoundFood{Id: f.Food.ID, Name: f.Food.Name, Category: string(f.Food.Category), Called: f.Called})
	}
	c.JSON(http.StatusOK, out)
}

// Diets answers GET /api/v1/diets: the diets that people name most with the words they fill in, and all words for what
// guests may avoid.
func (s *Server) Diets(c *gin.Context) {
	out := api.Diets{Presets: []api.DietPreset{}, Words: []api.AvoidWord{}}
	presets, words := app.Diets()
	for _, p := range presets {
		out.Presets = append(out.Presets, api.DietPreset{Id: p.ID, Name: p.Name, Avoid: p.Avoid, Note: p.Note})
	}
	for _, w := range words {
		out.Words = append(out.Words, api.AvoidWord{Id: w.ID, Says: w.Says})
	}
	c.JSON(http.StatusOK, out)
}

// SearchLarder answers GET /api/v1/larder/search: foods on their shelves, narrowed down.
func (s *Server) SearchLarder(c *gin.Context, p api.SearchLarderParams) {
	h, ok := s.house(c)
	if !ok {
		return
	}
	settings, err := s.app.Settings(c.Request.Context())
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	q := food.Query{Text: or(p.Text, ""), Category: food.Category(or(p.Category, "")), Colour: strings.ToLower(or(p.Colour, "")), Milk: or(p.Milk, ""), Firmness: or(p.Firmness, ""),
		Form: or(p.Form, ""), Month: or(p.Month, 0), Hemisphere: string(or(p.Hemisphere, api.SearchLarderParamsHemisphere(settings.Hemisphere)))}
	for _, w := range strings.FieldsFunc(or(p.Without, ""), func(r rune) bool { return r == ',' }) {
		w = brief.AvoidWord(w)
		if err := fault.OneOf("without", w, food.Avoidable...); err != nil {
			s.fail(c, aThing, err)
			return
		}
		q.Without = append(q.Without, w)
	}
	day, month := s.app.Today(settings)
	found := h.Search(q, or(p.PutAway, false), or(p.PerShelf, 60))
	out := api.Shelves{Version: h.Version, Total: found.Total, Traces: found.Traces, Shelves: []api.Shelf{}}
	for _, sh := range found.Shelves {
		shelf := api.Shelf{Category: string(sh.Category), Total: sh.Total, Foods: []api.FoodCard{}}
		for _, f := range sh.Foods {
			st := h.State(app.KindFood, f.ID)
			card := api.FoodCard{Id: f.ID, Name: f.Name, Category: string(f.Category), Colour: f.Colour, Cut: f.Cut, InSeason: f.InSeason(month, q.Hemisphere),
				Mine: api.Mine(st.Mine), OnHandG: h.Stock.OnHand(f.ID, day), Version: strconv.FormatInt(st.Version, 10), Forms: []string{}}
			for _, sp := range f.Forms {
				card.Forms = append(card.Forms, sp.Form)
			}
			shelf.Foods = append(shelf.Foods, card)
		}
		out.Shelves = append(out.Shelves, shelf)
	}
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, out)
}

// FoodPage answers GET /api/v1/foods/{id}: everything that is known of a food.
func (s *Server) FoodPage(c *gin.Context, id api.ThingId) { s.answerFood(c, http.StatusOK, id) }

// answerFood sends everything that is known of a food.
func (s *Server) answerFood(c *gin.Context, status int, id string) {
	h, f, ok := s.food(c, id)
	if !ok {
		return
	}
	out, err := foodPage(h, f)
	if err == nil {
		out.LotUntil, err = s.app.KeepsUntil(c.Request.Context(), f)
	}
	if err == nil {
		out.Photo, err = s.app.HasFoodPhoto(c.Request.Context(), id)
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Header("ETag", etag(out.Version))
	c.Header("Cache-Control", checked)
	c.JSON(status, out)
}

func foodPage(h *app.House, f *food.Food) (out api.FoodPage, err error) {
	st := h.State(app.KindFood, f.ID)
	out = api.FoodPage{Mine: api.Mine(st.Mine), Changed: h.ChangedMembers(f.ID), PutAway: st.PutAway, Version: st.Version, Stock: []api.Lot{}, Diets: f.Diets(), CarbServingG: f.CarbServingG(),
		MonthsNorth: f.Months("north"), MonthsSouth: f.Months("south"), GoodWith: []api.Partner{}, ClashesWith: []api.Partner{}, Others: []api.SpecDocument{}}
	if out.Food, err = json.Marshal(f); err != nil {
		return out, err
	}
	for _, l := range h.Stock[f.ID] {
		out.Stock = append(out.Stock, api.Lot{Grams: l.Grams, BestBefore: l.BestBefore})
	}
	good, bad := h.Larder.Partners(f, 12)
	for _, p := range good {
		out.GoodWith = append(out.GoodWith, api.Partner{Id: p.Food.ID, Name: p.Food.Name, Why: p.Why})
	}
	for _, p := range bad {
		out.ClashesWith = append(out.ClashesWith, api.Partner{Id: p.Food.ID, Name: p.Food.Name, Why: p.Why})
	}
	for _, sp := range f.Ways() {
		out.Forms = append(out.Forms, api.FormOfFood{Form: sp.Form, Group: app.GroupOf(sp), Says: food.FormByID(sp.Form).Says()})
	}
	for _, sp := range f.Others() {
		raw, err := json.Marshal(sp)
		if err != nil {
			return out, err
		}
		out.Others = append(out.Others, raw)
	}
	for _, g := range food.Glasses() {
		out.Glasses = append(out.Glasses, api.Glass{Mm: g.MM, Name: g.Name})
	}
	return out, nil
}

// CreateFood makes a copy of a food, or one that stands for nothing yet.
func (s *Server) CreateFood(c *gin.Context) {
	var in api.NewFood
	err := document.Read(body(c), &in)
	id := ""
	if err == nil {
		var hasty *app.Hasty
		if in.Category != nil {
			hasty = &app.Hasty{Kind: food.Category(*in.Category), PieceG: or(in.PieceG, 0), PackG: or(in.PackG, 0), LongMM: or(in.SizeMm, 0)}
		}
		id, err = s.app.NewFood(c.Request.Context(), in.Name, or(in.From, ""), hasty)
	}
	s.answerFoodAfter(c, http.StatusCreated, id, err)
}

// answerFoodAfter sends a food after something was done with it.
func (s *Server) answerFoodAfter(c *gin.Context, status int, id string, err error) {
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	s.answerFood(c, status, id)
}

// SaveFood answers PUT /api/v1/foods/{id}: keep a food as it is given; of a built-in one only what differs is kept.
func (s *Server) SaveFood(c *gin.Context, id api.ThingId, params api.SaveFoodParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	var f food.Food
	err := document.Read(body(c), &f)
	if err == nil && f.ID != id {
		err = fault.Bad("id", "the food is %q here; its id cannot change, copy it instead", id)
	}
	if err == nil {
		err = s.app.SaveFood(c.Request.Context(), f, version)
	}
	s.answerFoodAfter(c, http.StatusOK, id, err)
}

// HandFoodBack answers POST /api/v1/foods/{id}/hand-back: give up the changes to a built-in food.
func (s *Server) HandFoodBack(c *gin.Context, id api.ThingId) {
	s.answerFoodAfter(c, http.StatusOK, id, s.app.HandFoodBack(c.Request.Context(), id))
}

func (s *Server) putAway(c *gin.Context, kind, id string, away bool) {
	s.done(c, aThing, s.app.PutAway(c.Request.Context(), kind, id, away))
}

// PutFoodAway answers DELETE /api/v1/foods/{id}: put a food away; trays that use it keep it, and it can be taken out again.
func (s *Server) PutFoodAway(c *gin.Context, id api.ThingId) { s.putAway(c, app.KindFood, id, true) }

// TakeFoodOut answers POST /api/v1/foods/{id}/take-out: take a food out again.
func (s *Server) TakeFoodOut(c *gin.Context, id api.ThingId) { s.putAway(c, app.KindFood, id, false) }

// SaveStock answers PUT /api/v1/foods/{id}/stock: what the cupboard holds of a food.
func (s *Server) SaveStock(c *gin.Context, id api.ThingId) {
	var in api.Lots
	err := document.Read(body(c), &in)
	if err == nil {
		var seen []food.Lot
		if in.Seen != nil {
			seen = lotsOf(*in.Seen)
		}
		err = s.app.SaveStock(c.Request.Context(), id, lotsOf(in.Lots), seen)
	}
	s.answerFoodAfter(c, http.StatusOK, id, err)
}

func lotsOf(in []api.Lot) []food.Lot {
	out := make([]food.Lot, len(in))
	for i, l := range in {
		out[i] = food.Lot{Grams: l.Grams, BestBefore: l.BestBefore}
	}
	return out
}

// MeasureForm answers GET /api/v1/foods/{id}/forms/{form}: what a food in a form comes to, and its drawing in mm.
func (s *Server) MeasureForm(c *gin.Context, id api.ThingId, form string, params api.MeasureFormParams) {
	h, f, ok := s.food(c, id)
	if !ok {
		return
	}
	var around *board.Vessel
	if params.Around != nil {
		v, have := h.Vessel(*params.Around)
		if !have || !v.Round() {
			problem(c, http.StatusNotFound, "There is no such round bowl", "Choose a round one of Boards & bowls.", "around")
			return
		}
		around = &v
	}
	m, ok := h.Measure(f, form, or(params.Pieces, 0), or(params.Glass, 0), around)
	if !ok {
		problem(c, http.StatusNotFound, "It cannot be laid like that", f.Name+" has no such form. Add one on its page.", "form")
		return
	}
	out := api.FormMeasure{Form: m.Form, Says: m.Says, Kind: string(m.Kind), Pieces: m.Pieces, LengthMm: m.LengthMM, AcrossMm: m.AcrossMM, HeightMm: m.HeightMM,
		AreaCm2: m.AreaCM2, MassG: m.MassG, Minutes: m.Minutes, Yields: []api.Yield{}}
	if m.Slices > 0 {
		out.Slices, out.GlassMm = &m.Slices, &m.Glass
	}
	if m.Vessel != nil {
		out.Vessel, out.Bowls = &m.Vessel.Name, &m.Bowls
	}
	for _, y := range m.Yields {
		out.Yields = append(out.Yields, api.Yield{LeftG: y.LeftG, PackG: y.PackG, Pieces: y.Pieces, Price: y.Price})
	}
	if m.Around != nil {
		out.Around = &m.Around.ID
	}
	out.Box, out.Svg = []float64{m.Box.Min.X, m.Box.Min.Y, m.Box.W(), m.Box.H()}, m.SVG
	c.Header("Cache-Control", checked)
	c.JSON(http.StatusOK, out)
}
