package app

import (
	"bytes"
	"cmp"
	"context"
	"encoding/csv"
	"math"
	"slices"
	"strconv"
	"strings"
	"time"

	"github.com/google/uuid"

	"happytray/core/evening"
	"happytray/core/food"
	"happytray/core/learn"
	"happytray/core/round"
	"happytray/formats/cell"
	"happytray/store"
)

// Logbook is the evenings that were looked back on, the latest first, and what they teach.
type Logbook struct {
	Evenings []LoggedEvening `json:"evenings"`
	Foods    []LoggedFood    `json:"foods"` // what is surest to be other than reckoned first
	Crowds   []string        `json:"crowds"`
	Years    []int           `json:"years"`
	Reasons  []string        `json:"reasons"`
	Emptied  []EatenUp       `json:"emptied"` // by form, board and style: what came home least first
	Pace     []LoggedPace    `json:"pace"`    // how long work takes in the house, where that is other than the data say
}

// EatenUp is how well something was eaten on all the evenings listed.
type EatenUp struct {
	By       string  `json:"by"` // form, board or style
	Name     string  `json:"name"`
	LaidG    float64 `json:"laid_g"`
	LeftG    float64 `json:"left_g"`
	Evenings int     `json:"evenings"`
}

// LoggedEvening is one of them, by food.
type LoggedEvening struct {
	ID       string       `json:"id"`
	Job      string       `json:"job,omitempty"`
	Title    string       `json:"title"`
	Crowd    string       `json:"crowd"`
	Date     string       `json:"date"`
	Guests   int          `json:"guests"`
	LaidG    float64      `json:"laid_g"`
	LeftG    float64      `json:"left_g"`
	CostLeft int          `json:"cost_left"` // at today's prices
	Foreseen *float64     `json:"foreseen_left_g,omitempty"`
	Notes    []string     `json:"notes"`
	Foods    []LoggedDish `json:"foods"`
}

// LoggedDish is what became of one food on an evening.
type LoggedDish struct {
	Food      string   `json:"food"`
	LaidG     float64  `json:"laid_g"`
	LeftG     float64  `json:"left_g"`
	GoneAtMin *float64 `json:"gone_at_min"`
	Reasons   []string `json:"reasons"`
	Much      bool     `json:"much"` // of it came home: more than a quarter
}

// LoggedFood is what was learnt of a food, and what became of it on all the evenings listed.
type LoggedFood struct {
	learn.Factor
	Name  string  `json:"name"`
	LaidG float64 `json:"laid_g"`
	LeftG float64 `json:"left_g"`
}

// Narrowed is what of a logbook is asked for; zero values ask for everything.
type Narrowed struct {
	Crowd, Food string
	Year        int
}

// Logbook lists the evenings that were looked back on.
func (a *App) Logbook(ctx context.Context, n Narrowed) (Logbook, error) {
	out := Logbook{Evenings: []LoggedEvening{}, Foods: []LoggedFood{}, Crowds: []string{}, Years: []int{}, Reasons: learn.Reasons, Emptied: []EatenUp{}, Pace: []LoggedPace{}}
	h, err := a.House(ctx)
	if err != nil {
		return out, err
	}
	list, err := a.Evenings(ctx)
	if err != nil {
		return out, err
	}
	larder := h.All
	laid, left := map[string]float64{}, map[string]float64{}
	emptied := emptiedOf{}
	for i := range list {
		e := &list[i]
		if !e.Done {
			continue
		}
		if e.Crowd != "" && !slices.Contains(out.Crowds, e.Crowd) {
			out.Crowds = append(out.Crowds, e.Crowd)
		}
		year, _ := strconv.Atoi(e.Date[:min(4, len(e.Date))])
		if !slices.Contains(out.Years, year) {
			out.Years = append(out.Years, year)
		}
		logged := e.logged(larder)
		with := func(d LoggedDish) bool { return d.Food == n.Food }
		if n.Crowd != "" && e.Crowd != n.Crowd || n.Year != 0 && year != n.Year || n.Food != "" && !slices.ContainsFunc(logged.Foods, with) {
			continue
		}
		out.Evenings = append(out.Evenings, logged)
		emptied.add(e)
		for _, f := range logged.Foods {
			laid[f.Food] += f.LaidG
			left[f.Food] += f.LeftG
		}
	}
	slices.Sort(out.Crowds)
	if out.Pace, err = a.Pace(ctx); err != nil {
		return out, err
	}
	out.Emptied = emptied.list()
	l, err := a.Learnt(ctx, "", learn.Options{})
	if err != nil {
		return out, err
	}
	for _, everybody := range l.Foods {
		if _, on := laid[everybody.Food]; !on {
			continue
		}
		f, _ := l.FactorOf(n.Crowd, everybody.Food)
		name := f.Food
		if known, ok := larder.Get(f.Food); ok {
			name = known.Name
		}
		out.Foods = append(out.Foods, LoggedFood{Factor: f, Name: name, LaidG: round.Tenth(laid[f.Food]), LeftG: round.Tenth(left[f.Food])})
	}
	slices.SortStableFunc(out.Foods, func(x, y LoggedFood) int { return cmp.Compare(y.surprise(), x.surprise()) })
	return out, nil
}

// surprise is how far a food's factor is from 1, in logarithms, over how unsure it is.
func (f *LoggedFood) surprise() float64 {
	return math.Abs(math.Log(f.Factor.Factor)) / math.Max(.05, f.SD/f.Factor.Factor)
}

// logged is an evening by food.
func (e *Evening) logged(larder *food.Larder) LoggedEvening {
	out := LoggedEvening{ID: e.ID, Job: e.Job, Title: e.Title, Crowd: e.Crowd, Date: e.Date, Guests: e.Guests.Total(), Notes: []string{}, Foods: []LoggedDish{}}
	cost := 0.0
	r := e.Record()
	for _, f := range r.Foods {
		out.Foods = append(out.Foods, LoggedDish{f.Food, round.Tenth(f.LaidG), round.Tenth(f.LeftG), f.GoneAtMin, f.Reasons, f.LeftG > f.LaidG/4})
		out.LaidG += f.LaidG
		out.LeftG += f.LeftG
		if known, ok := larder.Get(f.Food); ok {
			cost += f.LeftG * larder.LaidPrice(known, known.Forms[0].Form)
		}
	}
	foreseen, any := 0.0, false
	for _, d := range e.Dishes {
		if d.Foreseen != nil {
			foreseen, any = foreseen+d.Foreseen.P50, true
		}
	}
	if any {
		foreseen = round.Tenth(foreseen)
		out.Foreseen = &foreseen
	}
	for _, n := range e.Notes {
		out.Notes = append(out.Notes, n.Says)
	}
	out.LaidG, out.LeftG, out.CostLeft = round.Tenth(out.LaidG), round.Tenth(out.LeftG), int(math.Round(cost))
	return out
}

// LogbookTable is every dish of every evening as CSV.
func (a *App) LogbookTable(ctx context.Context) ([]byte, error) {
	list, err := a.Evenings(ctx)
	if err != nil {
		return nil, err
	}
	var b bytes.Buffer
	w := csv.NewWriter(&b)
	w.UseCRLF = true
	_ = w.Write([]string{"date", "title", "crowd", "occasion", "adults", "children", "lasted_min", "food", "form", "share_g", "laid_g", "left_g", "gone_at_min", "reasons"})
	for i := range list {
		e := &list[i]
		if !e.Done {
			continue
		}
		for _, d := range e.Dishes {
			gone := ""
			if d.GoneAtMin != nil {
				gone = number(*d.GoneAtMin)
			}
			row := []string{e.Date, e.Title, e.Crowd, e.Occasion, strconv.Itoa(e.Guests.Adults), strconv.Itoa(e.Guests.Children), number(e.LastedMin), d.Food, d.Form, number(d.ShareG), number(d.LaidG), number(d.LeftG), gone, strings.Join(d.Reasons, "; ")}
			if err := w.Write(cell.Row(row)); err != nil {
				return nil, err
			}
		}
	}
	w.Flush()
	return b.Bytes(), w.Error()
}

func number(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

// AddPhoto keeps a photograph of a job's evening, a JPEG that was made small. The same entry is kept once.
func (a *App) AddPhoto(ctx context.Context, id string, jpeg []byte, entry Entry) (store.Photo, error) {
	if _, err := a.store.Head(ctx, id); err != nil {
		return store.Photo{}, err
	}
	p := store.Photo{Evening: id, ID: cmp.Or(entry.Key, uuid.NewString()), Media: "image/jpeg", Data: jpeg, MadeAt: entry.of(a.now()).UTC().Truncate(time.Millisecond)}
	return p, a.store.AddPhoto(ctx, p, MostPhotos)
}

// emptiedOf adds up what came home by what it was served as and on.
type emptiedOf map[[2]string]*EatenUp

func (m emptiedOf) add(e *Evening) {
	met := map[[2]string]bool{}
	note := func(by, name string, d evening.Dish) {
		if name == "" {
			return
		}
		key := [2]string{by, name}
		x := m[key]
		if x == nil {
			x = &EatenUp{By: by, Name: name}
			m[key] = x
		}
		x.LaidG, x.LeftG = x.LaidG+d.LaidG, x.LeftG+d.LeftG
		if !met[key] {
			met[key] = true
			x.Evenings++
		}
	}
	for _, d := range e.Dishes {
		note("form", d.Form, d)
		if d.Tray < len(e.Trays) {
			note("board", e.Trays[d.Tray].Board, d)
			note("style", e.Trays[d.Tray].Style, d)
		}
	}
}

func (m emptiedOf) list() []EatenUp {
	out := []EatenUp{}
	for _, x := range m {
		x.LaidG, x.LeftG = round.Tenth(x.LaidG), round.Tenth(x.LeftG)
		out = append(out, *x)
	}
	slices.SortFunc(out, func(a, b EatenUp) int {
		return cmp.Or(cmp.Compare(a.By, b.By), cmp.Compare(a.LeftG/max(1, a.LaidG), b.LeftG/max(1, b.LaidG)), cmp.Compare(a.Name, b.Name))
	})
	return out
}
