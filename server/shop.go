package server

import (
	"context"
	"encoding/json"
	"log/slog"
	"net/http"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/core/food"
	"happytray/grocer"
	"happytray/server/api"
	"happytray/store"
)

// market is what the shop that is set offers, as it was last read; nil without one.
func (s *Server) market(ctx context.Context) (food.Market, error) {
	address := *s.readSettings(ctx).Shop
	if address == "" {
		return nil, nil
	}
	kept, err := s.store.Feed(ctx, address)
	if err != nil || kept.Document == "" {
		return nil, err
	}
	var f grocer.Feed
	if err := json.Unmarshal([]byte(kept.Document), &f); err != nil { // written by ask
		s.log.Error("the shop's kept feed cannot be read", "error", err)
		return nil, nil
	}
	return f.Market(), nil
}

// ask reads the shop's feed and keeps it, or that it could not be read.
func ask(ctx context.Context, st *store.Store, client grocer.Client) (store.Feed, error) {
	now := time.Now().UTC().Truncate(time.Millisecond)
	kept := store.Feed{Address: client.URL, TriedAt: now}
	feed, left, err := client.Fetch(ctx)
	if err != nil {
		kept.Wrong = short(err.Error(), 400)
	} else {
		raw, err := json.Marshal(feed)
		if err != nil {
			return kept, err
		}
		kept.Document, kept.LeftOut, kept.ReadAt = string(raw), short(strings.Join(left, "\n"), 4000), &now
	}
	if err := st.KeepFeed(ctx, kept); err != nil {
		return kept, err
	}
	if kept.Wrong == "" {
		if _, err := st.ChangeHouse(ctx, store.Change{}); err != nil { // every process takes the new prices
			return kept, err
		}
	}
	return st.Feed(ctx, client.URL)
}

// short is at most n bytes of a text.
func short(s string, n int) string {
	if len(s) <= n {
		return s
	}
	return strings.ToValidUTF8(s[:n], "")
}

// askEvery is how often the shop is asked by itself.
const askEvery = 30 * time.Minute

// WatchShop asks the shop that is set for its feed, now and then, until ctx ends.
// Another process that has just asked is trusted.
func WatchShop(ctx context.Context, st *store.Store, log *slog.Logger) {
	s := &Server{store: st, log: log}
	for {
		if address := *s.readSettings(ctx).Shop; address != "" {
			kept, err := st.Feed(ctx, address)
			if err == nil && time.Since(kept.TriedAt) > askEvery-time.Minute {
				kept, err = ask(ctx, st, grocer.Client{URL: address})
			}
			if err != nil && ctx.Err() == nil {
				log.Error("asking the shop", "error", err)
			} else if kept.Wrong != "" {
				log.Warn("the shop did not answer well", "says", kept.Wrong)
			}
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(askEvery):
		}
	}
}

// UseShop sets a shop's address in the settings if none is set there, or the one
// that it takes the place of.
func UseShop(ctx context.Context, st *store.Store, instead, address string) error {
	set := (&Server{store: st}).readSettings(ctx)
	if *set.Shop != "" && *set.Shop != instead {
		return nil
	}
	set.Shop = &address
	raw, err := json.Marshal(set)
	if err != nil {
		return err
	}
	if err := st.SetFact(ctx, "settings", string(raw)); err != nil {
		return err
	}
	_, err = st.ChangeHouse(ctx, store.Change{})
	return err
}

func (s *Server) Shop(c *gin.Context) {
	address := *s.readSettings(c.Request.Context()).Shop
	kept, err := s.store.Feed(c.Request.Context(), address)
	if err != nil {
		s.fail(c, err)
		return
	}
	s.answerShop(c, kept)
}

func (s *Server) AskShop(c *gin.Context) {
	ctx := c.Request.Context()
	address := *s.readSettings(ctx).Shop
	if address == "" {
		problem(c, http.StatusUnprocessableEntity, "There is no shop to ask", "Set the address of its feed in the settings.", "shop")
		return
	}
	kept, err := ask(ctx, s.store, grocer.Client{URL: address})
	if err != nil {
		s.fail(c, err)
		return
	}
	s.answerShop(c, kept)
}

func (s *Server) answerShop(c *gin.Context, kept store.Feed) {
	out := api.Shop{Address: kept.Address, Wrong: kept.Wrong, LeftOut: []string{}}
	if kept.LeftOut != "" {
		out.LeftOut = strings.Split(kept.LeftOut, "\n")
	}
	var f grocer.Feed
	if kept.Document != "" && json.Unmarshal([]byte(kept.Document), &f) == nil {
		out.Name, out.Day = f.Shop, f.Day
		larder := s.house(c.Request.Context()).larder
		for id, o := range f.Market() {
			if _, known := larder.Get(id); known {
				out.Foods++
				if o.Out {
					out.SoldOut++
				}
			}
		}
	}
	if kept.ReadAt != nil {
		out.AskedAt = kept.ReadAt.Format(time.RFC3339)
	}
	c.Header("Cache-Control", "no-store")
	c.JSON(http.StatusOK, out)
}
