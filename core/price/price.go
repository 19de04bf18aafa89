// Package price makes what a seller asks for a job out of what it costs.
package price

import (
	"fmt"
	"math"

	"happytray/core/fault"
	"happytray/core/say"
	"happytray/core/shop"
)

// Rates are what a seller reckons with. Money is minor units, shares are percent.
type Rates struct {
	Hourly    int     `json:"hourly"`       // of handwork
	Setup     float64 `json:"setup_min"`    // minutes of work for each job besides what its day holds: shopping, cleaning
	Packaging int     `json:"packaging"`    // for each tray
	Delivery  int     `json:"delivery"`     // for each job that travels
	Overhead  float64 `json:"overhead_pct"` // percent of what the job costs otherwise
	Margin    float64 `json:"margin_pct"`   // of the price, not of the cost
}

// Usual are rates to begin with: a helper's hour, three quarters of an hour for
// shopping and cleaning, a box and its liner, a short trip, and the shares that
// small kitchens commonly reckon with. Every seller has their own.
var Usual = Rates{Hourly: 1800, Setup: 45, Packaging: 350, Delivery: 1200, Overhead: 12, Margin: 30}

// Check bounds rates that came from outside.
func (r Rates) Check() error {
	for _, v := range []struct {
		field    string
		v, least float64
		most     float64
		unit     string
	}{{"hourly", float64(r.Hourly), 0, 1e6, ""}, {"setup_min", r.Setup, 0, 1440, " minutes"}, {"packaging", float64(r.Packaging), 0, 1e6, ""},
		{"delivery", float64(r.Delivery), 0, 1e7, ""}, {"overhead_pct", r.Overhead, 0, 300, " %"}, {"margin_pct", r.Margin, 0, 90, " %"}} {
		if err := fault.Between(v.field, v.v, v.least, v.most, v.unit); err != nil {
			return err
		}
	}
	return nil
}

// Line is one line of a quote, minor units.
type Line struct {
	Name  string `json:"name"`
	Says  string `json:"says"`
	Money int    `json:"money"` // minor units
}

// Quote is the price of a job: its lines add up to the total to the cent, and the
// total is the price for each guest times the guests.
type Quote struct {
	Lines   []Line `json:"lines"`
	Cost    int    `json:"cost"`     // before margin
	PerHead int    `json:"per_head"` // minor units
	Guests  int    `json:"guests"`   // at least 1
	Total   int    `json:"total"`    // minor units, without tax

	TaxPct float64 `json:"tax_pct"` // percent on top of the total
	Tax    int     `json:"tax"`     // minor units
	Pays   int     `json:"pays"`    // minor units: the total with its tax
}

// Work is what a job's day takes of somebody who is paid: minutes by hand, and minutes on the road, one way; there is a way back.
type Work struct{ HandMin, RoadMin float64 }

// NewQuote makes the quote for a job: what its basket costs at the till and what is
// taken from the cupboard, the work of its day, trays to pack, and whether it
// travels. The price for each guest is rounded up to ten minor units; what that
// brings is part of the margin.
func NewQuote(b shop.Basket, day Work, trays, guests int, travels bool, r Rates) Quote {
	q := Quote{Guests: max(1, guests)}
	add := func(name, says string, money float64) {
		m := int(math.Round(money))
		q.Lines = append(q.Lines, Line{name, says, m})
		q.Cost += m
	}
	add("Food", "what the till says", float64(b.BasketCost))
	if b.CupboardCost > 0 {
		add("From the cupboard", "at today's prices by weight", float64(b.CupboardCost))
	}
	work := day.HandMin + r.Setup
	add("Work", fmt.Sprintf("%.0f minutes by hand and %.0f for shopping and cleaning", day.HandMin, r.Setup), work/60*float64(r.Hourly))
	if day.RoadMin > 0 {
		add("Road", fmt.Sprintf("%.0f minutes, there and back", 2*day.RoadMin), 2*day.RoadMin/60*float64(r.Hourly))
	}
	add("Packaging", say.Count(trays, "tray"), float64(trays*r.Packaging))
	if travels {
		add("Delivery", "the van", float64(r.Delivery))
	}
	if r.Overhead > 0 {
		add("Overhead", fmt.Sprintf("%.4g %% of the above", r.Overhead), float64(q.Cost)*r.Overhead/100)
	}
	price := float64(q.Cost) / (1 - r.Margin/100)
	q.PerHead = int(math.Ceil(price/float64(q.Guests)/10-1e-9)) * 10
	q.Total = q.PerHead * q.Guests
	q.Lines = append(q.Lines, Line{"Margin", fmt.Sprintf("%.1f %% of the price", 100*float64(q.Total-q.Cost)/math.Max(1, float64(q.Total))), q.Total - q.Cost})
	return q.Taxed(0)
}
