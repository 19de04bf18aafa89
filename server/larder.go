package server

import (
	"context"
	"encoding/json"
	"fmt"
	"math"
	"net/http"
	"strconv"
	"strings"
	"time"
	"unicode"

	"github.com/gin-gonic/gin"

	"happytray/art"
	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/wire"
	"happytray/export/table"
	"happytray/grocer"
	"happytray/server/api"
	"happytray/store"
)

// changeTries is how often a change is made again when another one comes between
// that does not touch the same thing.
const changeTries = 3

// change keeps a change to the house, or answers why not.
func (s *Server) change(c *gin.Context, ch store.Change) bool {
	if _, err := s.store.ChangeHouse(c.Request.Context(), ch); err != nil {
		s.failThing(c, err)
		return false
	}
	return true
}

// failThing is fail for things of the house.
func (s *Server) failThing(c *gin.Context, err error) {
	switch err {
	case store.ErrConflict:
		problem(c, http.StatusPreconditionFailed, "Changed elsewhere", "This was changed in another window in the meantime. Look at it as it is now, then change it again.", "")
	case store.ErrNotFound:
		problem(c, http.StatusNotFound, "There is no such thing here", "It may have another name now. Go back and look for it.", "id")
	default:
		s.fail(c, err)
	}
}

func (s *Server) mine(h *house, id string) api.Mine {
	t, made := h.things[store.KindFood][id]
	_, shipped := h.builtIn.Get(id)
	switch {
	case !shipped:
		return "own"
	case made && t.Document != "":
		return "changed"
	}
	return "built-in"
}

// today is the day stock is good until; the core has no clock.
func today() string { return time.Now().Format(time.DateOnly) }

func (s *Server) SearchLarder(c *gin.Context, p api.SearchLarderParams) {
	h := s.house(c.Request.Context())
	word := func(v *string) string {
		if v == nil {
			return ""
		}
		return *v
	}
	q := food.Query{Text: word(p.Text), Category: food.Category(word(p.Category)), Colour: strings.ToLower(word(p.Colour)), Milk: word(p.Milk), Firmness: word(p.Firmness), Form: word(p.Form)}
	if p.Month != nil {
		q.Month = *p.Month
	}
	settings := s.readSettings(c.Request.Context())
	q.Hemisphere = string(settings.Hemisphere)
	if p.Hemisphere != nil {
		q.Hemisphere = string(*p.Hemisphere)
	}
	for _, w := range strings.FieldsFunc(word(p.Without), func(r rune) bool { return r == ',' || r == ' ' }) {
		if err := wire.OneOf("without", w, append(append([]string{}, food.Allergens...), food.DietWords...)...); err != nil {
			s.fail(c, err)
			return
		}
		q.Without = append(q.Without, w)
	}
	per := 60
	if p.PerShelf != nil {
		per = *p.PerShelf
	}
	larder, away := h.larder, p.PutAway != nil && *p.PutAway
	if away {
		larder = h.all
	}
	out := api.Shelves{Version: h.version}
	at := map[food.Category]int{}
	for _, cat := range food.Categories {
		at[cat] = len(out.Shelves)
		out.Shelves = append(out.Shelves, struct {
			Category string         `json:"category"`
			Foods    []api.FoodCard `json:"foods"`
			Total    int            `json:"total"`
		}{Category: string(cat), Foods: []api.FoodCard{}})
	}
	day, month := today(), int(time.Now().Month())
	for _, f := range larder.Search(q) {
		if away && !h.thing(store.KindFood, f.ID).PutAway {
			continue
		}
		shelf := &out.Shelves[at[f.Category]]
		shelf.Total++
		out.Total++
		if len(shelf.Foods) >= per {
			continue
		}
		card := api.FoodCard{Id: f.ID, Name: f.Name, Category: string(f.Category), Colour: f.Colour, Cut: f.Cut, InSeason: f.InSeason(month, q.Hemisphere),
			Mine: s.mine(h, f.ID), OnHandG: h.stock.OnHand(f.ID, day), Version: strconv.FormatInt(h.thing(store.KindFood, f.ID).Version, 10)}
		for _, sp := range f.Forms {
			card.Forms = append(card.Forms, sp.Form)
		}
		shelf.Foods = append(shelf.Foods, card)
	}
	c.Header("Cache-Control", "no-cache")
	c.JSON(http.StatusOK, out)
}

func (s *Server) FoodPage(c *gin.Context, id api.ThingId) { s.answerFood(c, http.StatusOK, id) }

// answerFood sends everything that is known of a food.
func (s *Server) answerFood(c *gin.Context, status int, id string) {
	h := s.house(c.Request.Context())
	f, ok := h.all.Get(id)
	if !ok {
		problem(c, http.StatusNotFound, "There is no such food", "Look for it in the larder.", "id")
		return
	}
	raw, err := json.Marshal(f)
	if err != nil {
		s.fail(c, err)
		return
	}
	t := h.thing(store.KindFood, id)
	out := api.FoodPage{Food: raw, Mine: s.mine(h, id), Changed: []string{}, PutAway: t.PutAway, Version: t.Version, Stock: []api.Lot{}, Diets: f.Diets(),
		MonthsNorth: f.Months("north"), MonthsSouth: f.Months("south"), GoodWith: []api.Partner{}, ClashesWith: []api.Partner{}}
	if out.Mine == "changed" {
		out.Changed = food.ChangedMembers(json.RawMessage(t.Document))
	}
	for _, l := range h.stock[id] {
		out.Stock = append(out.Stock, api.Lot{Grams: l.Grams, BestBefore: l.BestBefore})
	}
	good, bad := h.larder.Partners(f, 12)
	for _, p := range good {
		out.GoodWith = append(out.GoodWith, api.Partner{Id: p.Food.ID, Name: p.Food.Name, Why: p.Why})
	}
	for _, p := range bad {
		out.ClashesWith = append(out.ClashesWith, api.Partner{Id: p.Food.ID, Name: p.Food.Name, Why: p.Why})
	}
	for _, sp := range f.Forms {
		out.Forms = append(out.Forms, struct {
			Form  string `json:"form"`
			Group int    `json:"group"`
			Says  string `json:"says"`
		}{sp.Form, portion.GroupOf(sp), food.FormByID(sp.Form).Says()})
	}
	out.Others = []api.SpecDocument{}
	for _, sp := range f.Others() {
		raw, err := json.Marshal(sp)
		if err != nil {
			s.fail(c, err)
			return
		}
		out.Others = append(out.Others, raw)
	}
	for _, g := range food.Glasses() {
		out.Glasses = append(out.Glasses, struct {
			Mm   float64 `json:"mm"`
			Name string  `json:"name"`
		}{g.MM, g.Name})
	}
	if out.Photo, err = s.store.HasPicture(c.Request.Context(), id); err != nil {
		s.fail(c, err)
		return
	}
	c.Header("ETag", etag(t.Version))
	c.Header("Cache-Control", "no-cache")
	c.JSON(status, out)
}

// CreateFood makes a copy of a food, or one that stands for nothing yet.
func (s *Server) CreateFood(c *gin.Context) {
	var in api.NewFood
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	for try := 0; ; try++ {
		h, err := s.fresh(c.Request.Context())
		if err != nil {
			s.fail(c, err)
			return
		}
		f := food.Blank()
		if in.From != nil && *in.From != "" {
			from, ok := h.all.Get(*in.From)
			if !ok {
				problem(c, http.StatusNotFound, "There is no such food", "Choose a food of the larder to begin with.", "from")
				return
			}
			f = *from
		}
		f.Name = in.Name
		f.ID = freeID(in.Name, func(id string) bool { _, taken := h.all.Get(id); return taken })
		if err := f.Check(); err != nil {
			s.fail(c, err)
			return
		}
		raw, err := json.Marshal(f)
		if err != nil {
			s.fail(c, err)
			return
		}
		_, err = s.store.ChangeHouse(c.Request.Context(), store.Change{Things: []store.Thing{{Kind: store.KindFood, ID: f.ID, Document: string(raw)}}})
		if err == store.ErrConflict && try < changeTries { // another window took the name
			continue
		}
		if err != nil {
			s.failThing(c, err)
			return
		}
		s.answerFood(c, http.StatusCreated, f.ID)
		return
	}
}

// freeID makes an id of a name that nothing has yet.
func freeID(name string, taken func(string) bool) string {
	var b strings.Builder
	for _, r := range strings.ToLower(name) {
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9':
			b.WriteRune(r)
		case unicode.IsSpace(r) || r == '-' || r == '_' || r == ',':
			if n := b.Len(); n > 0 && b.String()[n-1] != '-' {
				b.WriteByte('-')
			}
		}
		if b.Len() >= 48 {
			break
		}
	}
	base := strings.Trim(b.String(), "-")
	if base == "" {
		base = "mine"
	}
	id := base
	for n := 2; taken(id); n++ {
		id = fmt.Sprintf("%s-%d", base, n)
	}
	return id
}

func (s *Server) SaveFood(c *gin.Context, id api.ThingId, params api.SaveFoodParams) {
	version, ok := seen(c, params.IfMatch)
	if !ok {
		return
	}
	h, err := s.fresh(c.Request.Context())
	if err != nil {
		s.fail(c, err)
		return
	}
	var f food.Food
	if err := wire.Read(body(c), &f); err != nil {
		s.fail(c, err)
		return
	}
	if f.ID != id {
		s.fail(c, wire.Bad("id", "the food is %q here; its id cannot change, copy it instead", id))
		return
	}
	if err := f.Check(); err != nil {
		s.fail(c, err)
		return
	}
	if _, known := h.all.Get(id); !known {
		problem(c, http.StatusNotFound, "There is no such food", "Make a new one in the larder.", "id")
		return
	}
	t, err := h.kept(&f)
	if err != nil {
		s.fail(c, err)
		return
	}
	t.Version = version
	if s.change(c, store.Change{Things: []store.Thing{t}}) {
		s.answerFood(c, http.StatusOK, id)
	}
}

// kept is how a food is kept: of a built-in one only what differs.
func (h *house) kept(f *food.Food) (store.Thing, error) {
	t := h.thing(store.KindFood, f.ID)
	var raw json.RawMessage
	var err error
	if base, builtIn := h.builtIn.Get(f.ID); builtIn {
		raw, _, err = food.Difference(base, f)
	} else {
		raw, err = json.Marshal(f)
	}
	t.Document = string(raw)
	return t, err
}

func (s *Server) HandFoodBack(c *gin.Context, id api.ThingId) {
	h, err := s.fresh(c.Request.Context())
	if err != nil {
		s.fail(c, err)
		return
	}
	if _, builtIn := h.builtIn.Get(id); !builtIn {
		problem(c, http.StatusNotFound, "This food is your own", "There is no built-in food to hand it back to. Put it away instead.", "id")
		return
	}
	if t := h.thing(store.KindFood, id); t.Document != "" {
		t.Document = ""
		if !s.change(c, store.Change{Things: []store.Thing{t}}) {
			return
		}
	}
	s.answerFood(c, http.StatusOK, id)
}

func (s *Server) PutFoodAway(c *gin.Context, id api.ThingId) { s.putAway(c, store.KindFood, id, true) }
func (s *Server) TakeFoodOut(c *gin.Context, id api.ThingId) { s.putAway(c, store.KindFood, id, false) }

// putAway hides a thing, or takes it out again.
func (s *Server) putAway(c *gin.Context, kind, id string, away bool) {
	h, err := s.fresh(c.Request.Context())
	if err != nil {
		s.fail(c, err)
		return
	}
	if !h.knows(kind, id) {
		s.failThing(c, store.ErrNotFound)
		return
	}
	if t := h.thing(kind, id); t.PutAway != away {
		t.PutAway = away
		if !s.change(c, store.Change{Things: []store.Thing{t}}) {
			return
		}
	}
	c.Status(http.StatusNoContent)
}

func (h *house) knows(kind, id string) (ok bool) {
	switch kind {
	case store.KindFood:
		_, ok = h.all.Get(id)
	case store.KindBoard:
		_, ok = h.cabinet.Board(id)
	case store.KindVessel:
		_, ok = h.vessel(id)
	}
	return ok
}

func (s *Server) SaveStock(c *gin.Context, id api.ThingId) {
	var in api.Lots
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	if !s.house(c.Request.Context()).knows(store.KindFood, id) {
		s.failThing(c, store.ErrNotFound)
		return
	}
	lots := []store.Lot{}
	days := map[string]bool{}
	for i, l := range in.Lots {
		at := fmt.Sprintf("lots[%d].best_before", i)
		if err := table.CheckDay(l.BestBefore); err != nil {
			s.fail(c, wire.Bad(at, "should be a day such as 2026-11-30, or empty"))
			return
		}
		if days[l.BestBefore] {
			s.fail(c, wire.Bad(at, "two lots have the same day; take them together"))
			return
		}
		days[l.BestBefore] = true
		if l.Grams > 0 {
			lots = append(lots, store.Lot{Food: id, Grams: l.Grams, BestBefore: l.BestBefore})
		}
	}
	if s.change(c, store.Change{Lots: map[string][]store.Lot{id: lots}}) {
		s.answerFood(c, http.StatusOK, id)
	}
}

func (s *Server) MeasureForm(c *gin.Context, id api.ThingId, form string, params api.MeasureFormParams) {
	h := s.house(c.Request.Context())
	f, ok := h.all.Get(id)
	if !ok {
		s.failThing(c, store.ErrNotFound)
		return
	}
	n, glass := 0, 0.0
	if params.Pieces != nil {
		n = *params.Pieces
	}
	if params.Glass != nil {
		glass = *params.Glass
	}
	var around *board.Vessel
	if params.Around != nil {
		v, have := h.vessel(*params.Around)
		if !have || !v.Round() {
			problem(c, http.StatusNotFound, "There is no such round bowl", "Choose a round one of Boards & bowls.", "around")
			return
		}
		around = &v
	}
	m, spec, ok := portion.MeasureForm(f, form, n, glass, around, h.cabinet)
	if !ok {
		problem(c, http.StatusNotFound, "It cannot be laid like that", f.Name+" has no such form. Add one on its page.", "form")
		return
	}
	out := api.FormMeasure{Form: m.Form, Says: m.Says, Kind: string(m.Kind), Pieces: m.Pieces, LengthMm: m.LengthMM, AcrossMm: m.AcrossMM, HeightMm: m.HeightMM,
		AreaCm2: m.AreaCM2, MassG: m.MassG, Minutes: m.Minutes}
	if m.Slices > 0 {
		out.Slices, out.GlassMm = &m.Slices, &m.Glass
	}
	if m.Vessel != nil {
		out.Vessel, out.Bowls = &m.Vessel.Name, &m.Bowls
	}
	if m.Around != nil {
		out.Around = &m.Around.ID
	}
	out.Yields = []struct {
		LeftG  float64 `json:"left_g"`
		PackG  float64 `json:"pack_g"`
		Pieces int     `json:"pieces"`
		Price  int     `json:"price"`
	}{}
	for _, y := range m.Yields {
		out.Yields = append(out.Yields, struct {
			LeftG  float64 `json:"left_g"`
			PackG  float64 `json:"pack_g"`
			Pieces int     `json:"pieces"`
			Price  int     `json:"price"`
		}{y.LeftG, y.PackG, y.Pieces, y.Price})
	}
	box, svg := art.Laid(f, spec, m.Laid, m.Vessel)
	if m.Around != nil {
		box, svg = art.LaidRound(f, spec, m.Laid, *m.Around, m.Middle)
	}
	out.Box, out.Svg = []float64{box.Min.X, box.Min.Y, box.W(), box.H()}, svg
	c.Header("Cache-Control", "no-cache")
	c.JSON(http.StatusOK, out)
}

// readSettings are those kept, or the usual ones; away from the database too.
func (s *Server) readSettings(ctx context.Context) api.Settings {
	rates := api.Rates{Hourly: portion.Usual.Hourly, SetupMin: portion.Usual.Setup, Packaging: portion.Usual.Packaging, Delivery: portion.Usual.Delivery,
		OverheadPct: portion.Usual.Overhead, MarginPct: portion.Usual.Margin}
	out := api.Settings{Length: "cm", Mass: "g", Hemisphere: "north", Shop: new(string), Rates: &rates}
	if raw, err := s.store.Fact(ctx, "settings"); err == nil && raw != "" {
		_ = json.Unmarshal([]byte(raw), &out) // written by SaveSettings
	}
	return out
}

func (s *Server) Settings(c *gin.Context) {
	c.Header("Cache-Control", "no-cache")
	c.JSON(http.StatusOK, s.readSettings(c.Request.Context()))
}

func (s *Server) SaveSettings(c *gin.Context) {
	var in api.Settings
	if err := wire.Read(body(c), &in); err != nil {
		s.fail(c, err)
		return
	}
	ctx := c.Request.Context()
	was := s.readSettings(ctx)
	if in.Shop == nil {
		in.Shop = was.Shop
	}
	if in.Rates == nil {
		in.Rates = was.Rates
	}
	if *in.Shop != "" {
		if err := grocer.CheckAddress(*in.Shop); err != nil {
			s.fail(c, wire.Bad("shop", "%s", err.Error()))
			return
		}
	}
	raw, err := json.Marshal(in)
	if err == nil {
		err = s.store.SetFact(ctx, "settings", string(raw))
	}
	if err == nil && *in.Shop != *was.Shop {
		_, err = s.store.ChangeHouse(ctx, store.Change{}) // every process looks at the shop's prices anew
	}
	if err != nil {
		s.fail(c, err)
		return
	}
	c.JSON(http.StatusOK, in)
}

// coinDigits is how many digits the smaller coin of a currency has (ISO 4217).
func coinDigits(currency string) int {
	switch currency {
	case "BIF", "CLP", "DJF", "GNF", "ISK", "JPY", "KMF", "KRW", "PYG", "RWF", "UGX", "VND", "VUV", "XAF", "XOF", "XPF":
		return 0
	case "BHD", "IQD", "JOD", "KWD", "LYD", "OMR", "TND":
		return 3
	}
	return 2
}

func round1(v float64) float64 { return math.Round(v*10) / 10 }
