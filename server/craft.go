package server

import (
	"encoding/json"
	"fmt"
	"math"
	"net/http"
	"sort"
	"strconv"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/arrange"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pick"
	"happytray/core/portion"
	"happytray/core/prep"
	"happytray/core/review"
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
	t, err := portion.Plan(b, h.larder, h.cabinet)
	if err != nil {
		s.fail(c, err)
		return
	}
	meat := false
	for _, e := range t.Elements {
		meat = meat || e.Category == food.Meat
	}
	out := api.Outlook{Appetites: b.Guests.Appetites(), OffTheTray: b.OffTheTray(), Board: card(*t.Board), Minutes: prep.Order(t, h.larder).Minutes,
		BasketCost: portion.Shop(t, h.larder).BasketCost, Holding: prep.Holding, Says: []string{}}
	if out.OffTheTray == nil {
		out.OffTheTray = []string{}
	}
	shares, kinds := portion.Shares(b, meat), pick.Kinds(b.Guests.Appetites(), out.OffTheTray, b.HouseRules())
	for _, cat := range food.Categories {
		if g := shares[cat]; g > 0 {
			out.TotalG += g
			out.Grams = append(out.Grams, struct {
				Category string  `json:"category"`
				Grams    float64 `json:"grams"`
			}{string(cat), math.Round(g)})
		}
		if n := kinds[cat]; n > 0 {
			out.Kinds = append(out.Kinds, struct {
				Category string `json:"category"`
				Count    int    `json:"count"`
			}{string(cat), n})
		}
	}
	out.TotalG = math.Round(out.TotalG)
	per := out.Board.AreaCm2 / math.Max(1, out.Appetites)
	out.Says = append(out.Says, fmt.Sprintf("%s: %.0f cm² of board for each appetite.", t.Board.Name, per))
	held := 0.0
	for _, r := range t.Reserve {
		held += r.Grams
	}
	if held > .25*out.TotalG {
		out.Says = append(out.Says, fmt.Sprintf("The board is small for this: %.1f kg waits in reserve for topping up. A larger board or a second one would carry it.", held/1000))
	}
	for _, a := range out.OffTheTray {
		if brief.IsAllergen(a) {
			out.Says = append(out.Says, fmt.Sprintf("Nothing with %s comes on this tray, because pieces touch. Labels of your own packs decide.", a))
		}
	}
	c.JSON(http.StatusOK, out)
}

func (s *Server) Plan(c *gin.Context) {
	b, err := brief.Read(body(c))
	if err != nil {
		s.fail(c, err)
		return
	}
	h := s.house(c.Request.Context())
	t, err := portion.Plan(b, h.larder, h.cabinet)
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
	c.JSON(http.StatusOK, planned)
}

// Choice says which foods a brief comes to and how balanced they are.
func (s *Server) Choice(c *gin.Context) {
	b, err := brief.Read(body(c))
	if err != nil {
		s.fail(c, err)
		return
	}
	larder := s.house(c.Request.Context()).larder
	chosen, err := pick.Pick(b, larder)
	if err != nil {
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
	answer := gin.H{"sides": sides, "fillers": pick.Fillers(b, sides, foods, larder, 3)}
	list := []gin.H{}
	for _, ch := range chosen {
		list = append(list, gin.H{"food": ch.Food.ID, "form": ch.Form, "grams": ch.Grams, "why": ch.Why})
	}
	kinds, want := []gin.H{}, pick.Kinds(b.Guests.Appetites(), off, b.HouseRules())
	for _, cat := range food.Categories {
		if want[cat]+have[cat] > 0 {
			kinds = append(kinds, gin.H{"category": cat, "want": want[cat], "have": have[cat]})
		}
	}
	shelves := []gin.H{}
	for _, f := range larder.All() {
		shelves = append(shelves, gin.H{"food": f.ID, "avoided": f.Breaks(off), "out_of_season": !f.InSeason(b.SeasonMonth(), b.Hemisphere)})
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

// Put lays one element by hand, finds room for it, or gives it another form.
func (s *Server) Put(c *gin.Context) {
	var in api.PutRequest
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read(in.Tray, larder)
	if err != nil {
		s.fail(c, wire.In("tray", err))
		return
	}
	larder = t.Larder(larder)
	room := true
	var e tray.Element
	switch {
	case in.Form != nil:
		e, err = arrange.Reform(t, larder, in.Element, *in.Form)
	case in.At != nil:
		e, err = arrange.Put(t, larder, in.Element, geom.Pose{X: in.At.X, Y: in.At.Y, Turn: in.At.TurnDeg})
	default:
		e, room, err = arrange.FindRoom(c.Request.Context(), t, larder, in.Element)
	}
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"element": e, "room": room})
}

// readTray reads and checks the tray in the request, or answers what is wrong.
// The larder is the one the tray was planned with.
func (s *Server) readTray(c *gin.Context) (*tray.Tray, *food.Larder, bool) {
	larder := s.house(c.Request.Context()).larder
	t, err := tray.Read(body(c), larder)
	if err != nil {
		s.fail(c, err)
		return nil, nil, false
	}
	return t, t.Larder(larder), true
}

func (s *Server) Review(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, review.Of(t, larder))
	}
}

func (s *Server) Scene(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, art.Compose(t, larder))
	}
}

func (s *Server) Basket(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, portion.Shop(t, larder))
	}
}

func (s *Server) Prep(c *gin.Context) {
	if t, larder, ok := s.readTray(c); ok {
		c.JSON(http.StatusOK, prep.Order(t, larder))
	}
}

// Arrange streams better and better layouts as lines of JSON. It ends when the
// search does, when its time is up, or when the other side closes the connection.
func (s *Server) Arrange(c *gin.Context, params api.ArrangeParams) {
	t, larder, ok := s.readTray(c)
	if !ok {
		return
	}
	o := arrange.Options{Seconds: 3, Seed: t.Seed}
	if params.Style != nil {
		o.Style = string(*params.Style)
	}
	if params.Seed != nil {
		o.Seed = uint64(*params.Seed)
	}
	if params.Seconds != nil {
		o.Seconds = *params.Seconds
	}
	if t.Board == nil {
		problem(c, http.StatusUnprocessableEntity, "This cannot be worked with", "Choose a board before laying the tray.", "board")
		return
	}
	select { // a few searches at a time, so that one machine stays responsive
	case s.busy <- struct{}{}:
		defer func() { <-s.busy }()
	case <-c.Request.Context().Done():
		return
	}
	c.Header("Content-Type", "application/x-ndjson")
	c.Header("Cache-Control", "no-store")
	c.Status(http.StatusOK)
	enc := json.NewEncoder(c.Writer)
	type line struct {
		Tried int             `json:"tried"`
		Share float64         `json:"share"`
		Score float64         `json:"score"`
		Done  bool            `json:"done"`
		Tray  *tray.Tray      `json:"tray,omitempty"`
		Unfit []arrange.Unfit `json:"unfit,omitempty"`
	}
	send := func(l line) {
		_ = enc.Encode(l) // a closed connection ends the search through its context
		c.Writer.Flush()
	}
	o.Progress = func(p arrange.Progress) {
		l := line{Tried: p.Tried, Share: p.Share, Score: p.Score}
		if p.Better {
			l.Tray = p.Tray
		}
		send(l)
	}
	res, err := arrange.Lay(c.Request.Context(), t, larder, o)
	if err != nil {
		s.log.Error("search failed", "error", err)
		return
	}
	res.Tray.Seed = o.Seed
	send(line{Tried: res.Tried, Share: 1, Score: res.Score, Done: true, Tray: res.Tray, Unfit: res.Unfit})
}
