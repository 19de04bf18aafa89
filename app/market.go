package app

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"time"
	"unicode/utf8"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/devices/shop"
	"happytray/store"
)

// shopFeed is what a shop that is set said last.
type shopFeed struct {
	name   string
	market food.Market
}

// feeds are what the shops that are set said last, the house's usual one first; those that never said anything are left out.
func (a *App) feeds(ctx context.Context) (out []shopFeed, err error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, err
	}
	for _, address := range s.shops() {
		kept, err := a.store.Feed(ctx, address)
		if err != nil {
			return nil, err
		}
		if kept.Document == "" {
			continue
		}
		f, err := readFeed(kept)
		if err != nil {
			a.log.Error("the prices of a shop cannot be read, others hold", "shop", address, "error", err)
			continue
		}
		out = append(out, shopFeed{f.Shop, f.Market()})
	}
	return out, nil
}

// market is what the shops that are set offer, as they were last read: of each food what the first of them that has it asks.
func (a *App) market(ctx context.Context) (m food.Market, err error) {
	feeds, err := a.feeds(ctx)
	for _, f := range feeds {
		m = m.Or(f.market)
	}
	return m, err
}

func readFeed(kept store.Feed) (f shop.Feed, err error) {
	if err = json.Unmarshal([]byte(kept.Document), &f); err != nil { // written by ask
		err = fmt.Errorf("the kept feed of %s: %w", kept.Address, err)
	}
	return f, err
}

// ask reads the shop's feed and keeps it, or that it could not be read.
func (a *App) ask(ctx context.Context, address string) (store.Feed, error) {
	now := a.now().UTC().Truncate(time.Millisecond)
	kept := store.Feed{Address: address, TriedAt: now}
	feed, left, err := shop.Client{URL: address, May: a.shop}.Fetch(ctx)
	if err != nil {
		kept.Wrong = short(err.Error(), 400)
	} else {
		raw, err := json.Marshal(feed)
		if err != nil {
			return kept, err
		}
		kept.Document, kept.LeftOut, kept.ReadAt = string(raw), short(strings.Join(left, "\n"), 4000), &now
	}
	if err := a.store.SaveFeed(ctx, kept); err != nil {
		return kept, err
	}
	if kept.Wrong == "" {
		if err := a.touchHouse(ctx); err != nil { // every process takes the new prices
			return kept, err
		}
	}
	return a.store.Feed(ctx, address)
}

// short is a text of at most n characters: whole ones, and no bytes that make none.
func short(s string, n int) string {
	s = strings.ToValidUTF8(s, "�")
	if utf8.RuneCountInString(s) <= n {
		return s
	}
	return string([]rune(s)[:n])
}

// Shop is what is known of the shop that is set.
type Shop struct {
	Address, Name string
	Day           string // that the prices hold for, or ""
	AskedAt       *time.Time
	Foods         int // of the larder that it has a price for
	SoldOut       int
	LeftOut       []string
	Wrong         string // what was the matter at the last try
	Further       []Shop // the others that are set
}

// Shop says what is known of the shop that is set, and of the others; the zero Shop where none is.
func (a *App) Shop(ctx context.Context) (Shop, error) {
	return a.shops(ctx, a.store.Feed)
}

// AskShop asks the shops that are set for their prices now.
func (a *App) AskShop(ctx context.Context) (Shop, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return Shop{}, err
	}
	if len(s.shops()) == 0 {
		return Shop{}, fault.Bad("shop", "there is no shop to ask; set the address of its feed in the settings")
	}
	return a.shops(ctx, a.ask)
}

// shops tells of every shop that is set from what feed says of its address.
func (a *App) shops(ctx context.Context, feed func(context.Context, string) (store.Feed, error)) (out Shop, err error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return Shop{}, err
	}
	told := []Shop{}
	for _, address := range append([]string{s.Shop}, s.FurtherShops...) {
		var kept store.Feed
		if address != "" {
			if kept, err = feed(ctx, address); err != nil {
				return Shop{}, err
			}
		}
		one, err := a.shopOf(ctx, kept)
		if err != nil {
			return Shop{}, err
		}
		told = append(told, one)
	}
	out, out.Further = told[0], told[1:]
	return out, nil
}

func (a *App) shopOf(ctx context.Context, kept store.Feed) (Shop, error) {
	out := Shop{Address: kept.Address, Wrong: kept.Wrong, LeftOut: []string{}, AskedAt: kept.ReadAt}
	if kept.LeftOut != "" {
		out.LeftOut = strings.Split(kept.LeftOut, "\n")
	}
	if kept.Document == "" {
		return out, nil
	}
	f, err := readFeed(kept)
	if err != nil {
		return out, err
	}
	h, err := a.House(ctx)
	if err != nil {
		return out, err
	}
	out.Name, out.Day = f.Shop, f.Day
	for id, o := range f.Market().Offers {
		if _, known := h.Larder.Get(id); known {
			out.Foods++
			if o.Out {
				out.SoldOut++
			}
		}
	}
	return out, nil
}

// askEvery is how often the shop is asked by itself.
const askEvery = 30 * time.Minute

// WatchShop asks the shops that are set for their feeds, now and then, until ctx ends.
// Another process that has just asked is trusted.
func (a *App) WatchShop(ctx context.Context) {
	for {
		if err := a.askIfDue(ctx); err != nil && ctx.Err() == nil {
			a.log.Error("asking the shops", "error", err)
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(askEvery):
		}
	}
}

func (a *App) askIfDue(ctx context.Context) error {
	s, err := a.Settings(ctx)
	if err != nil {
		return err
	}
	for _, address := range s.shops() {
		kept, err := a.store.Feed(ctx, address)
		if err == nil && a.now().Sub(kept.TriedAt) > askEvery-time.Minute {
			kept, err = a.ask(ctx, address)
		}
		if err != nil {
			return err
		}
		if kept.Wrong != "" {
			a.log.Warn("a shop did not answer well", "shop", address, "says", kept.Wrong)
		}
	}
	return nil
}

// standInFacts are the names under which the addresses of the simulated shops are kept, which are others each time they open.
const (
	standInFact = "shop stand-in"
	furtherFact = "further shop stand-in"
)

// UseStandIns sets the simulated shops' addresses in the settings, the usual one unless another is set there, the further one
// where none is set or it was before.
func (a *App) UseStandIns(ctx context.Context, usual, further string) error {
	last, err := a.store.Fact(ctx, standInFact)
	if err != nil {
		return err
	}
	before, err := a.store.Fact(ctx, furtherFact)
	if err != nil {
		return err
	}
	if _, err := a.SaveSettings(ctx, func(s *Settings) error {
		if s.Shop == "" || s.Shop == last {
			s.Shop = usual
		}
		at := slices.Index(s.FurtherShops, before)
		s.FurtherShops = slices.Clone(s.FurtherShops)
		switch {
		case at >= 0:
			s.FurtherShops[at] = further
		case before == "" && len(s.FurtherShops) == 0: // for the first time
			s.FurtherShops, s.StopCost = []string{further}, wayToTheStall
		}
		return nil
	}); err != nil {
		return err
	}
	if err := a.store.SetFact(ctx, furtherFact, further); err != nil {
		return err
	}
	return a.store.SetFact(ctx, standInFact, usual)
}

// wayToTheStall is what going to the simulated market stall as well counts, minor units.
const wayToTheStall = 300
