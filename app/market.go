package app

import (
	"context"
	"encoding/json"
	"fmt"
	"strings"
	"time"
	"unicode/utf8"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/devices/shop"
	"happytray/store"
)

// market is what the shop that is set offers, as it was last read; nil without one.
func (a *App) market(ctx context.Context) (food.Market, error) {
	s, err := a.Settings(ctx)
	if err != nil || s.Shop == "" {
		return nil, err
	}
	kept, err := a.store.Feed(ctx, s.Shop)
	if err != nil || kept.Document == "" {
		return nil, err
	}
	f, err := readFeed(kept)
	if err != nil {
		a.log.Error("the shop's prices cannot be read, the larder's own hold", "error", err)
		return nil, nil
	}
	return f.Market(), nil
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
}

// Shop says what is known of the shop that is set; the zero Shop where none is.
func (a *App) Shop(ctx context.Context) (Shop, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return Shop{}, err
	}
	kept, err := a.store.Feed(ctx, s.Shop)
	if err != nil {
		return Shop{}, err
	}
	return a.shopOf(ctx, kept)
}

// AskShop asks the shop that is set for its prices now.
func (a *App) AskShop(ctx context.Context) (Shop, error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return Shop{}, err
	}
	if s.Shop == "" {
		return Shop{}, fault.Bad("shop", "there is no shop to ask; set the address of its feed in the settings")
	}
	kept, err := a.ask(ctx, s.Shop)
	if err != nil {
		return Shop{}, err
	}
	return a.shopOf(ctx, kept)
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
	for id, o := range f.Market() {
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

// WatchShop asks the shop that is set for its feed, now and then, until ctx ends.
// Another process that has just asked is trusted.
func (a *App) WatchShop(ctx context.Context) {
	for {
		kept, err := a.askIfDue(ctx)
		if err != nil && ctx.Err() == nil {
			a.log.Error("asking the shop", "error", err)
		} else if kept.Wrong != "" {
			a.log.Warn("the shop did not answer well", "says", kept.Wrong)
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(askEvery):
		}
	}
}

func (a *App) askIfDue(ctx context.Context) (store.Feed, error) {
	s, err := a.Settings(ctx)
	if err != nil || s.Shop == "" {
		return store.Feed{}, err
	}
	kept, err := a.store.Feed(ctx, s.Shop)
	if err == nil && a.now().Sub(kept.TriedAt) > askEvery-time.Minute {
		kept, err = a.ask(ctx, s.Shop)
	}
	return kept, err
}

// standInFact is the name under which the address of the simulated shop is kept, which
// is another one each time it opens.
const standInFact = "shop stand-in"

// UseStandIn sets the simulated shop's address in the settings, unless another shop is
// set there.
func (a *App) UseStandIn(ctx context.Context, address string) error {
	last, err := a.store.Fact(ctx, standInFact)
	if err != nil {
		return err
	}
	if _, err := a.SaveSettings(ctx, func(s *Settings) error {
		if s.Shop == "" || s.Shop == last {
			s.Shop = address
		}
		return nil
	}); err != nil {
		return err
	}
	return a.store.SetFact(ctx, standInFact, address)
}
