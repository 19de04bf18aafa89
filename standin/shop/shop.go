// Package shop is small simulated shops that ship with the product: Quay Stores of Saltmere, and its market hall, which
// has fewer foods and asks less for them. Each serves the feed that the product reads prices and stock
// from. What it has and asks for varies by date from a seed, and it can be slow,
// down or give nonsense on request, so that the product can be tried against it.
package shop

import (
	"encoding/json"
	"hash/fnv"
	"math"
	"math/rand/v2"
	"net/http"
	"sync"
	"time"

	"happytray/core/food"
	"happytray/devices/shop"
)

// Names of the shops in the invented world.
const (
	Name     = "Quay Stores, Saltmere"
	HallName = "The market hall, Saltmere"
)

// Moods the shop can be in.
const (
	Well     = "well"
	Slow     = "slow"     // answers after ten seconds
	Down     = "down"     // answers 503
	Nonsense = "nonsense" // answers with prices below nought, text for numbers and half a document
)

// Shop is the stand-in. The zero value is well and has the built-in larder's foods.
type Shop struct {
	Seed uint64
	Now  func() time.Time // time.Now when nil
	Hall bool             // it is the market hall

	mu   sync.Mutex
	mood string
}

// Mood sets how the shop behaves from now on.
func (s *Shop) Mood(mood string) {
	s.mu.Lock()
	s.mood = mood
	s.mu.Unlock()
}

// Feed is what the shop has on a day: every food of the built-in larder that is
// eaten. Prices swing by an eighth from week to week and a little from day to day,
// fall by a sixth in season and rise by a half out of it, and one food in twenty is
// sold out. The market hall has what is fresh, a seventh cheaper.
func (s *Shop) Feed(day time.Time) shop.Feed {
	f := shop.Feed{Format: shop.Format, Shop: s.name(), Day: day.Format(time.DateOnly),
		Issued: time.Date(day.Year(), day.Month(), day.Day(), 6, 0, 0, 0, time.UTC)}
	year, week := day.ISOWeek()
	all := food.BuiltIn().All()
	for i := range all {
		g := &all[i]
		if g.Category == food.NotFood || s.Hall && !fresh[g.Category] {
			continue
		}
		byWeek, byDay := s.dice(g.ID, year*100+week), s.dice(g.ID, day.Year()*1000+day.YearDay())
		times := (1 + .125*(2*byWeek.Float64()-1)) * (1 + .03*(2*byDay.Float64()-1))
		if s.Hall {
			times *= .86
		}
		season := g.SeasonIn(int(day.Month()), "north")
		switch season {
		case food.AtBest:
			times *= .84
		case food.NotNow:
			times *= 1.5
		}
		gone := byDay.Float64() < .05 || season == food.NotNow && byDay.Float64() < .3
		it := shop.Item{Food: g.ID, Name: g.Name, Season: season != food.NotNow}
		for _, p := range g.Packs {
			stock := 4 + byDay.IntN(40)
			if gone {
				stock = 0
			}
			it.Packs = append(it.Packs, shop.Pack{Grams: p.Grams, Price: max(5, int(math.Round(float64(p.Price)*times/5))*5), Stock: stock})
		}
		f.Items = append(f.Items, it)
	}
	if !s.Hall {
		f.Mixed = s.selections(day)
	}
	return f
}

func (s *Shop) name() string {
	if s.Hall {
		return HallName
	}
	return Name
}

// fresh is what the market hall has.
var fresh = map[food.Category]bool{food.Cheese: true, food.Fruit: true, food.Vegetable: true, food.Garnish: true}

// mixed are the packs of several foods that the shop has, each food by its grams.
var mixed = []struct {
	name  string
	holds []food.Held
}{
	{"Three cold cuts", []food.Held{{Food: "wide-sausage", Grams: 50}, {Food: "air-dried-ham", Grams: 40}, {Food: "coppa", Grams: 40}}},
	{"Ham and two salamis", []food.Held{{Food: "air-dried-ham", Grams: 60}, {Food: "fennel-sausage", Grams: 60}, {Food: "pepper-sausage", Grams: 60}}},
	{"Three cheeses to slice", []food.Held{{Food: "mild-loaf", Grams: 120}, {Food: "holey-wheel", Grams: 120}, {Food: "orange-block", Grams: 120}}},
	{"Olives two ways", []food.Held{{Food: "green-olives", Grams: 90}, {Food: "dark-olives", Grams: 90}}},
	{"Almonds and walnuts", []food.Held{{Food: "almonds", Grams: 75}, {Food: "walnuts", Grams: 75}}},
	{"Two grapes in one box", []food.Held{{Food: "red-grapes", Grams: 250}, {Food: "green-grapes", Grams: 250}}},
}

// selections are the shop's packs of several foods: an eighth less than their foods by weight.
func (s *Shop) selections(day time.Time) (out []shop.Mixed) {
	for _, m := range mixed {
		worth := 0.0
		for _, h := range m.holds {
			f, _ := food.BuiltIn().Get(h.Food)
			worth += food.BuiltIn().GramPrice(f) * h.Grams
		}
		dice := s.dice(m.name, day.Year()*1000+day.YearDay())
		out = append(out, shop.Mixed{Name: m.name, Price: int(math.Round(worth*(.875+.05*dice.Float64())/5)) * 5, Stock: 3 + dice.IntN(20), Holds: m.holds})
	}
	return out
}

// dice are the same for a food and a time.
func (s *Shop) dice(id string, when int) *rand.Rand {
	h := fnv.New64a()
	h.Write([]byte(id))
	return rand.New(rand.NewPCG(s.Seed^h.Sum64(), uint64(when)))
}

// ServeHTTP answers GET /feed.json, with ?date=2026-11-30 for another day, and
// POST /mood with well, slow, down or nonsense as its text; a ?mood= on the feed
// holds for that answer alone.
func (s *Shop) ServeHTTP(w http.ResponseWriter, r *http.Request) {
	switch {
	case r.URL.Path == "/mood" && r.Method == http.MethodPost:
		word := make([]byte, 16)
		n, _ := r.Body.Read(word)
		switch mood := string(word[:n]); mood {
		case Well, Slow, Down, Nonsense:
			s.Mood(mood)
			w.WriteHeader(http.StatusNoContent)
		default:
			http.Error(w, "say well, slow, down or nonsense", http.StatusBadRequest)
		}
		return
	case r.URL.Path != "/feed.json" || r.Method != http.MethodGet:
		http.NotFound(w, r)
		return
	}
	now := time.Now
	if s.Now != nil {
		now = s.Now
	}
	day := now()
	if d := r.URL.Query().Get("date"); d != "" {
		var err error
		if day, err = time.Parse(time.DateOnly, d); err != nil {
			http.Error(w, "write the date as 2026-11-30", http.StatusBadRequest)
			return
		}
	}
	s.mu.Lock()
	mood := s.mood
	s.mu.Unlock()
	if m := r.URL.Query().Get("mood"); m != "" {
		mood = m
	}
	switch mood {
	case Slow:
		select {
		case <-time.After(10 * time.Second):
		case <-r.Context().Done():
			return
		}
	case Down:
		http.Error(w, "closed for stocktaking", http.StatusServiceUnavailable)
		return
	case Nonsense:
		w.Header().Set("Content-Type", "application/json")
		w.Write([]byte(`{"format":"happytray-shop/1","shop":"` + s.name() + `","day":"2026-13-45","items":[{"food":"honey","packs":[{"grams":"lots","price":-3}]},`))
		return
	}
	w.Header().Set("Content-Type", "application/json")
	_ = json.NewEncoder(w).Encode(s.Feed(day)) // a closed connection is the asker's own affair
}
