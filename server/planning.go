package server

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/app/estimate"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
	"happytray/server/api"
)

// working waits for a turn among the short works, and for the house as it is.
func (s *Server) working(c *gin.Context) (h *app.House, leave func(), ok bool) {
	leave, ok = s.turn(c, s.works, nil)
	if !ok {
		return nil, nil, false
	}
	h, err := s.app.House(c.Request.Context())
	if err != nil {
		leave()
		s.fail(c, aThing, err)
		return nil, nil, false
	}
	return h, leave, true
}

// reply sends what was worked out of a request, or what is wrong.
func reply[T any](s *Server, c *gin.Context, v T, err error) {
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.JSON(http.StatusOK, v)
}

// ofBrief works something out of the brief that a request holds.
func ofBrief[T any](s *Server, c *gin.Context, work func(h *app.House, b brief.Brief) (T, error)) {
	h, leave, ok := s.working(c)
	if !ok {
		return
	}
	defer leave()
	b, err := app.ReadBrief(body(c))
	var v T
	if err == nil {
		v, err = work(h, b)
	}
	reply(s, c, v, err)
}

// ofJob works something out of the job that a request holds, with the larder that it was
// planned with.
func ofJob[T any](s *Server, c *gin.Context, work func(h *app.House, j *job.Reading, larder *food.Larder) (T, error)) {
	h, leave, ok := s.working(c)
	if !ok {
		return
	}
	defer leave()
	j, err := s.app.Read(body(c), h.Larder)
	var v T
	if err == nil {
		v, err = work(h, j, j.Larder(h.Larder))
	}
	reply(s, c, v, err)
}

// outlookAnswer is the outlook with its board as a card.
type outlookAnswer struct {
	estimate.Estimate
	Board api.BoardCard `json:"board"`
}

// Outlook answers POST /api/v1/outlook: what follows from a brief.
func (s *Server) Outlook(c *gin.Context) {
	ofBrief(s, c, func(_ *app.House, b brief.Brief) (outlookAnswer, error) {
		o, err := s.app.Outlook(c.Request.Context(), b)
		if err != nil {
			return outlookAnswer{}, err
		}
		return outlookAnswer{o, card(*o.Board)}, nil
	})
}

// Theme answers POST /api/v1/theme: what the theme of a brief does, and which are of its month.
func (s *Server) Theme(c *gin.Context) {
	ofBrief(s, c, func(_ *app.House, b brief.Brief) (api.ThemeTold, error) {
		t, err := s.app.Theme(c.Request.Context(), b)
		return api.ThemeTold{Known: t.Known, Name: t.Name, Hour: t.Hour, Does: list(t.Does), Nearest: list(t.Nearest), Offered: list(t.Offered)}, err
	})
}

// ReadPacks answers POST /api/v1/packs: what a list of packs, as somebody writes it in front of a fridge, means.
func (s *Server) ReadPacks(c *gin.Context) {
	var in api.PackList
	err := document.Read(body(c), &in)
	var packs []brief.Pack
	var unknown []string
	if err == nil {
		packs, unknown, err = s.app.ReadPacks(c.Request.Context(), in.Text)
	}
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	out := api.PacksRead{Packs: []api.PackRead{}, Unknown: list(unknown)}
	for _, p := range packs {
		out.Packs = append(out.Packs, api.PackRead{Food: p.Food, Name: p.Name, Grams: p.Grams, Count: p.Packs()})
	}
	c.JSON(http.StatusOK, out)
}

// Plan answers POST /api/v1/plan: pick, portion and choose a board for a brief; nothing is laid yet.
func (s *Server) Plan(c *gin.Context) {
	ofBrief(s, c, func(_ *app.House, b brief.Brief) (*job.Job, error) { return s.app.Plan(c.Request.Context(), b) })
}

// Replan answers POST /api/v1/replan: plan a tray's brief again, keeping in place what the brief leaves as it was.
func (s *Server) Replan(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, _ *food.Larder) (*job.Job, error) {
		return s.app.Replan(c.Request.Context(), j.Job)
	})
}

// Amounts answers POST /api/v1/amounts: the basket that a brief comes to, to be shown while a slider moves; nothing is kept.
func (s *Server) Amounts(c *gin.Context) {
	ofBrief(s, c, func(_ *app.House, b brief.Brief) (app.Basket, error) {
		return s.app.Amounts(c.Request.Context(), b)
	})
}

// Basket answers POST /api/v1/basket: amounts, packs and money of a tray.
func (s *Server) Basket(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, _ *food.Larder) (app.Basket, error) {
		return s.app.Basket(c.Request.Context(), j.Job)
	})
}

// Savings answers POST /api/v1/savings: the changes to a planned job that save most for least loss of balance.
func (s *Server) Savings(c *gin.Context) {
	ofJob(s, c, func(h *app.House, j *job.Reading, larder *food.Larder) ([]app.Saving, error) {
		return s.app.Savings(c.Request.Context(), j.Job, h, larder), nil
	})
}

// Quote answers POST /api/v1/quote: the price of a planned job at the seller's rates.
func (s *Server) Quote(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, _ *food.Larder) (app.QuoteOf, error) {
		return s.app.Quote(c.Request.Context(), j.Job)
	})
}

// Prep answers POST /api/v1/prep: the ordered steps of a tray.
func (s *Server) Prep(c *gin.Context) {
	ofJob(s, c, func(_ *app.House, j *job.Reading, larder *food.Larder) (app.Prep, error) {
		return s.app.PrepOf(c.Request.Context(), j.Job, larder), nil
	})
}

// Choice says which foods a brief comes to, or are on its trays, and how balanced they are.
func (s *Server) Choice(c *gin.Context) {
	var in api.ChoiceAsked
	b, ok := s.readWithBrief(c, &in, func() []byte { return in.Brief })
	if !ok {
		return
	}
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	var on []app.OnTray
	if in.On != nil {
		on = []app.OnTray{}
		for _, o := range *in.On {
			on = append(on, app.OnTray{Food: o.Food, Form: o.Form})
		}
	}
	ch, err := s.app.Choose(c.Request.Context(), b, on)
	reply(s, c, choiceOf(ch), err)
}

// Choices are three choices of foods for a brief, planned through.
func (s *Server) Choices(c *gin.Context) {
	ofBrief(s, c, func(_ *app.House, b brief.Brief) (api.Offers, error) {
		offers, err := s.app.Offers(c.Request.Context(), b)
		out := api.Offers{Offers: []api.Offer{}}
		for _, o := range offers {
			to := api.Offer{Leaning: api.OfferLeaning(o.Leaning), Says: o.Says, BasketCost: o.Cost, PerGuest: o.PerGuest, Over: o.Over, Minutes: o.Minutes, Foods: []api.Portion{}, Sides: sidesOf(o.Sides)}
			for _, p := range o.Foods {
				to.Foods = append(to.Foods, api.Portion{Food: p.Food.ID, Form: p.Form, Grams: round.Tenth(p.Grams), Colour: p.Food.Colour, Category: string(p.Food.Category)})
			}
			out.Offers = append(out.Offers, to)
		}
		return out, err
	})
}

func sidesOf(sides []app.Side) []api.Side {
	out := []api.Side{}
	for _, x := range sides {
		out = append(out, api.Side{Name: x.Name, Have: list(x.Have), Lack: list(x.Lack)})
	}
	return out
}

func choiceOf(ch app.Choice) api.Choice {
	out := api.Choice{Says: list(ch.Says), Apart: ch.Apart, Chosen: []api.Chosen{}, Sides: sidesOf(ch.Sides), Needs: []api.Need{}, Servings: []api.Serving{}, Kinds: []api.KindCount{}, Bites: []api.Bite{}, Shelves: []api.Speaks{}}
	for _, x := range ch.Chosen {
		one := api.Chosen{Food: x.Food.ID, Form: x.Form, Grams: x.Grams, Pinned: x.Pinned, Why: x.Why}
		if ch.LowCarb {
			g := x.Food.CarbServingG()
			one.CarbG = &g
		}
		out.Chosen = append(out.Chosen, one)
	}
	for _, x := range ch.Needs {
		n := api.Need{Says: x.Says, Fillers: []api.Filler{}}
		if x.Group != "" {
			n.Group = &x.Group
		}
		for _, f := range x.Fillers {
			n.Fillers = append(n.Fillers, api.Filler{Food: f.Food, Why: f.Why})
		}
		out.Needs = append(out.Needs, n)
	}
	for _, x := range ch.Bites {
		out.Bites = append(out.Bites, api.Bite{Name: x.Name, Foods: x.Foods, Why: x.Why})
	}
	for _, x := range ch.Servings {
		v := api.Serving{Who: x.Who, Count: x.Count, Avoid: list(x.Avoid), Foods: x.Foods, Of: x.Of, Parts: []api.Found{}}
		for _, p := range x.Parts {
			v.Parts = append(v.Parts, api.Found{Says: p.Says, Foods: p.Foods})
		}
		out.Servings = append(out.Servings, v)
	}
	for _, x := range ch.Kinds {
		out.Kinds = append(out.Kinds, api.KindCount{Category: string(x.Category), Want: x.Want, Have: x.Have})
	}
	for _, x := range ch.Shelves {
		out.Shelves = append(out.Shelves, api.Speaks{Food: x.Food, Avoided: x.Avoided, Traces: x.Traces, OutOfSeason: x.OutOfSeason, OutOfStock: x.OutOfStock})
	}
	return out
}

// list is a list that is never written as null.
func list[T any](v []T) []T {
	if v == nil {
		return []T{}
	}
	return v
}

// readWithBrief reads a request and the brief that it holds in its member brief.
func (s *Server) readWithBrief(c *gin.Context, in any, raw func() []byte) (b brief.Brief, ok bool) {
	err := document.Read(body(c), in)
	if err == nil {
		if b, err = app.ReadBrief(raw()); err != nil {
			err = fault.In("brief", err)
		}
	}
	if err != nil {
		s.fail(c, aThing, err)
		return b, false
	}
	return b, true
}

// Substitutes names foods that can take another's place.
func (s *Server) Substitutes(c *gin.Context) {
	var in api.SubstitutesAsked
	b, ok := s.readWithBrief(c, &in, func() []byte { return in.Brief })
	if !ok {
		return
	}
	subs, err := s.app.Substitutes(c.Request.Context(), b, in.Food, or(in.Form, ""), or(in.On, nil), or(in.Most, 3))
	out := []api.Substitute{}
	for _, x := range subs {
		out = append(out, api.Substitute{Food: x.Food.ID, Form: x.Form, Near: x.Near, Why: x.Why})
	}
	reply(s, c, out, err)
}
