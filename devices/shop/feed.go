// Package shop reads what a shop has today from its feed: an open JSON document
// over HTTP, described in docs/formats. It is small, patient and distrustful: tries
// are few and short, an answer is bounded, and an entry that makes no sense is left
// out and told of.
package shop

import (
	"fmt"
	"math"
	"strings"
	"time"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Format names the feed's format and its version.
const Format = "happytray-shop/1"

// MaxItems and MaxMixed bound a feed.
const (
	MaxItems = 20000
	MaxMixed = 500
)

// Feed is what a shop has on a day.
type Feed struct {
	Format   string    `json:"format"`
	Shop     string    `json:"shop"`
	Day      string    `json:"day"`    // that the prices hold for, 2026-11-30
	Issued   time.Time `json:"issued"` // when the shop wrote it
	Currency string    `json:"currency,omitempty"`
	Items    []Item    `json:"items"`
	Mixed    []Mixed   `json:"mixed,omitempty"`
}

// Mixed is one pack with several foods in it.
type Mixed struct {
	Name  string      `json:"name"`
	Price int         `json:"price"` // minor units
	Stock int         `json:"stock"` // packs there
	Holds []food.Held `json:"holds"` // of one pack
}

// Item is one food of a feed, by its id in the larder.
type Item struct {
	Food   string `json:"food"`
	Name   string `json:"name"`
	Season bool   `json:"in_season"`
	Packs  []Pack `json:"packs"`
}

// Pack is one size of a food on the shop's shelf.
type Pack struct {
	Grams float64 `json:"grams"`
	Price int     `json:"price"` // minor units
	Stock int     `json:"stock"` // packs there
}

// Read reads a feed within bounds. What makes no sense in it is left out and said;
// a document that is no feed at all, or of which more than half makes no sense, is
// an error.
func Read(raw []byte) (Feed, []string, error) {
	var f Feed
	if err := document.Read(raw, &f); err != nil {
		return Feed{}, nil, err
	}
	if f.Format != Format {
		return Feed{}, nil, fault.Bad("format", "should be %q, not %.40q", Format, f.Format)
	}
	if err := fault.Text("shop", f.Shop, 120); err != nil {
		return Feed{}, nil, err
	}
	if _, err := time.Parse(time.DateOnly, f.Day); err != nil {
		return Feed{}, nil, fault.Bad("day", "write the day as 2026-11-30")
	}
	if len(f.Items) > MaxItems {
		return Feed{}, nil, fault.Bad("items", "at most %d foods", MaxItems)
	}
	var good []Item
	left := []string{}
	seen := map[string]bool{}
	for i, it := range f.Items {
		err := it.check()
		if err == nil && seen[it.Food] {
			err = fmt.Errorf("it is listed twice")
		}
		if err != nil {
			if len(left) < 20 {
				left = append(left, fmt.Sprintf("items[%d], %.40q: %s", i, it.Food, err))
			}
			continue
		}
		seen[it.Food] = true
		good = append(good, it)
	}
	if len(f.Items) == 0 || 2*len(good) < len(f.Items) {
		return Feed{}, left, fault.Bad("items", "%d of %d entries make no sense; the prices of before are kept", len(f.Items)-len(good), len(f.Items))
	}
	f.Items = good
	if len(f.Mixed) > MaxMixed {
		return Feed{}, left, fault.Bad("mixed", "at most %d packs of several foods", MaxMixed)
	}
	mixed := f.Mixed[:0]
	for i, m := range f.Mixed {
		if err := m.check(); err == nil {
			mixed = append(mixed, m)
		} else if len(left) < 20 {
			left = append(left, fmt.Sprintf("mixed[%d], %.40q: %s", i, m.Name, err))
		}
	}
	f.Mixed = mixed
	return f, left, nil
}

func (m Mixed) check() error {
	if err := fault.Text("name", m.Name, 50); err != nil || strings.TrimSpace(m.Name) == "" {
		return fmt.Errorf("it has no name, or a long one")
	}
	if m.Price < 1 || m.Price > 1e7 || m.Stock < 0 || m.Stock > 1e6 {
		return fmt.Errorf("a price of %d, %d packs on the shelf", m.Price, m.Stock)
	}
	if len(m.Holds) < 2 || len(m.Holds) > 12 {
		return fmt.Errorf("it should hold between 2 and 12 foods")
	}
	seen := map[string]bool{}
	for _, h := range m.Holds {
		if h.Food == "" || len(h.Food) > 60 || seen[h.Food] {
			return fmt.Errorf("it names a food twice, or none")
		}
		if math.IsNaN(h.Grams) || h.Grams < 5 || h.Grams > 50000 {
			return fmt.Errorf("%v g of a food", h.Grams)
		}
		seen[h.Food] = true
	}
	return nil
}

func (it Item) check() error {
	if it.Food == "" || len(it.Food) > 60 {
		return fmt.Errorf("it names no food")
	}
	if len(it.Packs) == 0 || len(it.Packs) > 12 {
		return fmt.Errorf("it should have between 1 and 12 packs")
	}
	for _, p := range it.Packs {
		switch {
		case math.IsNaN(p.Grams) || p.Grams < 5 || p.Grams > 50000:
			return fmt.Errorf("a pack of %v g", p.Grams)
		case p.Price < 1 || p.Price > 1e7:
			return fmt.Errorf("a price of %d", p.Price)
		case p.Stock < 0 || p.Stock > 1e6:
			return fmt.Errorf("%d packs on the shelf", p.Stock)
		}
	}
	return nil
}

// Market is the feed as the larder reads it: packs that are on the shelf, with
// today's prices.
func (f Feed) Market() food.Market {
	m := food.Market{Offers: map[string]food.Offer{}}
	for _, it := range f.Items {
		o := food.Offer{Out: true}
		for _, p := range it.Packs {
			if p.Stock > 0 {
				o.Out = false
			}
		}
		for _, p := range it.Packs {
			if p.Stock > 0 || o.Out { // where all is gone, the prices are still known
				o.Packs = append(o.Packs, food.Pack{Grams: p.Grams, Price: p.Price})
			}
		}
		m.Offers[it.Food] = o
	}
	for _, it := range f.Mixed {
		if it.Stock > 0 {
			m.Mixed = append(m.Mixed, food.Mixed{Name: it.Name, Price: it.Price, Holds: it.Holds})
		}
	}
	return m
}
