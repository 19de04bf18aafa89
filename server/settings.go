package server

import (
	"encoding/json"
	"fmt"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

func settingsOf(v app.Settings) api.Settings {
	digits := v.Digits()
	rates := ratesOut(v.Rates)
	seller := api.Seller(v.Seller)
	var rules *api.Document
	if v.Rules != nil {
		if raw, err := json.Marshal(v.Rules); err == nil { // they were read from there
			rules = (*api.Document)(&raw)
		}
	}
	ways := []api.HouseWay{}
	for _, w := range v.Ways {
		if raw, err := json.Marshal(w.Rules); err == nil {
			ways = append(ways, api.HouseWay{Crowd: w.Crowd, Rules: raw})
		}
	}
	further, refused := list(v.FurtherShops), list(v.PaceRefused)
	return api.Settings{Rules: rules, Ways: &ways, Length: api.SettingsLength(v.Length), Mass: api.SettingsMass(v.Mass), Currency: v.Currency, Hemisphere: api.SettingsHemisphere(v.Hemisphere),
		Zone: &v.Zone, Shop: &v.Shop, FurtherShops: &further, StopCost: &v.StopCost, Rates: &rates, Seller: &seller, Digits: &digits, People: &v.People, Ovens: &v.Ovens, Shelves: &v.Shelves, PaceRefused: &refused, ShopOpens: &v.ShopOpens, ShopCloses: &v.ShopCloses}
}

func ratesOut(r app.Rates) api.Rates {
	return api.Rates{Hourly: r.Hourly, SetupMin: r.SetupMin, Packaging: r.Packaging, Delivery: r.Delivery, OverheadPct: r.OverheadPct, MarginPct: r.MarginPct}
}

func ratesIn(r api.Rates) app.Rates {
	return app.Rates{Hourly: r.Hourly, SetupMin: r.SetupMin, Packaging: r.Packaging, Delivery: r.Delivery, OverheadPct: r.OverheadPct, MarginPct: r.MarginPct}
}

// Settings answers GET /api/v1/settings: units, currency and hemisphere.
func (s *Server) Settings(c *gin.Context) {
	v, err := s.app.Settings(c.Request.Context())
	reply(s, c, settingsOf(v), err)
}

// SaveSettings answers PUT /api/v1/settings: change some of the settings; what is left out stays as it is.
func (s *Server) SaveSettings(c *gin.Context) {
	var in api.SettingsChange
	err := document.Read(body(c), &in)
	var v app.Settings
	if err == nil {
		v, err = s.app.SaveSettings(c.Request.Context(), func(v *app.Settings) error {
			v.Length, v.Mass = string(or(in.Length, api.SettingsChangeLength(v.Length))), string(or(in.Mass, api.SettingsChangeMass(v.Mass)))
			v.Currency, v.Hemisphere = or(in.Currency, v.Currency), string(or(in.Hemisphere, api.SettingsChangeHemisphere(v.Hemisphere)))
			v.Zone, v.Shop = or(in.Zone, v.Zone), or(in.Shop, v.Shop)
			v.FurtherShops, v.StopCost = or(in.FurtherShops, v.FurtherShops), or(in.StopCost, v.StopCost)
			v.People, v.Ovens, v.Shelves = or(in.People, v.People), or(in.Ovens, v.Ovens), or(in.Shelves, v.Shelves)
			if in.Rules != nil {
				rules := &brief.Rules{}
				if err := document.Read(*in.Rules, rules); err != nil {
					return fault.In("rules", err)
				}
				v.Rules = rules
			}
			if in.Ways != nil {
				v.Ways = nil
				for i, w := range *in.Ways {
					way := app.Way{Crowd: w.Crowd}
					if err := document.Read(w.Rules, &way.Rules); err != nil {
						return fault.In(fmt.Sprintf("ways[%d].rules", i), err)
					}
					v.Ways = append(v.Ways, way)
				}
			}
			v.ShopOpens, v.ShopCloses = or(in.ShopOpens, v.ShopOpens), or(in.ShopCloses, v.ShopCloses)
			v.PaceRefused = or(in.PaceRefused, v.PaceRefused)
			v.Rates = ratesIn(or(in.Rates, ratesOut(v.Rates)))
			v.Seller = app.Seller(or(in.Seller, api.Seller(v.Seller)))
			return nil
		})
	}
	reply(s, c, settingsOf(v), err)
}

func shopOf(v app.Shop) api.Shop {
	out := api.Shop{Address: v.Address, Name: v.Name, Day: v.Day, Foods: v.Foods, SoldOut: v.SoldOut, LeftOut: list(v.LeftOut), Wrong: v.Wrong}
	if v.AskedAt != nil {
		out.AskedAt = v.AskedAt.Format(time.RFC3339)
	}
	out.Further = []api.Shop{}
	for _, f := range v.Further {
		out.Further = append(out.Further, shopOf(f))
	}
	return out
}

// Shop answers GET /api/v1/shop: what is known of the shop whose feed is read, and how old it is.
func (s *Server) Shop(c *gin.Context) {
	v, err := s.app.Shop(c.Request.Context())
	reply(s, c, shopOf(v), err)
}

// AskShop answers POST /api/v1/shop/ask: read the shop's feed now.
func (s *Server) AskShop(c *gin.Context) {
	v, err := s.app.AskShop(c.Request.Context())
	reply(s, c, shopOf(v), err)
}
