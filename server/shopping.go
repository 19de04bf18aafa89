package server

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/core/brief"
	"happytray/core/portion"
	"happytray/core/tray"
	"happytray/core/wire"
	"happytray/export/table"
	"happytray/server/api"
	"happytray/store"
)

// needs reads what a listed job asks for out of its summary. A job that is only
// briefed asks for nothing yet.
func needs(j store.Job) portion.Needs {
	var sum summary
	_ = json.Unmarshal([]byte(j.Summary), &sum) // an unreadable one needs nothing
	n := sum.Needs
	n.Job, n.Title = j.ID, j.Title
	if sum.ServeAt != "" {
		n.Day = brief.Brief{ServeAt: sum.ServeAt}.ServeDay()
	}
	return n
}

// shoppingList is a list with what it is for.
type shoppingList struct {
	key, title, from, to string
	jobs                 []portion.Needs
	list                 portion.List
	ticks                []string
}

// shoppingFor makes the list of one job or of a week.
func (s *Server) shoppingFor(ctx context.Context, job, week *string) (out shoppingList, err error) {
	h := s.house(ctx)
	switch {
	case job != nil && *job != "":
		j, r, err := s.store.Job(ctx, *job)
		if err != nil {
			return out, err
		}
		t, err := tray.Read([]byte(r.Document), h.all)
		if err != nil {
			return out, err
		}
		n := portion.NeedsOf(t, t.Larder(h.larder))
		n.Job, n.Title = j.ID, j.Title
		out.jobs = []portion.Needs{n}
		out.key, out.title, out.from, out.to = "job:"+j.ID, "For "+j.Title, n.Day, n.Day
		h.larder = t.Larder(h.larder)
	case week != nil && *week != "":
		var ok bool
		if out.from, out.to, ok = brief.Week(*week); !ok {
			return out, wire.Bad("week", "write the day as 2026-11-30")
		}
		jobs, err := s.store.Jobs(ctx)
		if err != nil {
			return out, err
		}
		for _, j := range jobs {
			if n := needs(j); n.Day >= out.from && n.Day <= out.to && n.Day != "" {
				out.jobs = append(out.jobs, n)
			}
		}
		out.key, out.title = "week:"+out.from, fmt.Sprintf("For the week of %s to %s", out.from, out.to)
	default:
		return out, wire.Bad("job", "say which job or which week the list is for")
	}
	out.list = portion.Buy(out.jobs, h.larder, h.stock.Good(today()))
	out.ticks, err = s.store.Ticks(ctx, out.key)
	return out, err
}

func (s *Server) Shopping(c *gin.Context, params api.ShoppingParams) {
	l, err := s.shoppingFor(c.Request.Context(), params.Job, params.Week)
	if err != nil {
		s.fail(c, err)
		return
	}
	jobs := []gin.H{}
	for _, j := range l.jobs {
		jobs = append(jobs, gin.H{"id": j.Job, "title": j.Title, "day": j.Day, "planned": len(j.Grams) > 0})
	}
	c.Header("Cache-Control", "no-store")
	c.JSON(http.StatusOK, gin.H{"key": l.key, "title": l.title, "from": l.from, "to": l.to, "jobs": jobs, "list": l.list, "ticks": l.ticks})
}

func (s *Server) ExportShopping(c *gin.Context, params api.ExportShoppingParams) {
	ctx := c.Request.Context()
	l, err := s.shoppingFor(ctx, params.Job, params.Week)
	if err != nil {
		s.fail(c, err)
		return
	}
	c.Header("Cache-Control", "no-store")
	if params.As == "text" {
		done := map[string]bool{}
		for _, id := range l.ticks {
			done[id] = true
		}
		currency := s.readSettings(ctx).Currency
		c.Header("Content-Disposition", `attachment; filename="shopping.txt"`)
		c.Data(http.StatusOK, "text/plain; charset=utf-8", []byte(table.ListText(l.title, l.list, done, currency, coinDigits(currency))))
		return
	}
	var b bytes.Buffer
	if err := table.WriteList(&b, l.list, s.tableOptions(ctx, (*string)(params.Separator), (*string)(params.Decimal))); err != nil {
		s.fail(c, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="shopping.csv"`)
	c.Data(http.StatusOK, "text/csv; charset=utf-8", b.Bytes())
}

func (s *Server) Tick(c *gin.Context) {
	var in api.Tick
	err := wire.Read(body(c), &in)
	if err == nil {
		err = s.store.Tick(c.Request.Context(), in.Key, in.Food, in.Done)
	}
	if err != nil {
		s.fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// coming lists what the jobs served after a day ask for.
func (s *Server) coming(ctx context.Context, day string) []portion.Needs {
	if day == "" {
		return nil
	}
	jobs, err := s.store.Jobs(ctx)
	if err != nil {
		return nil // without the database the basket is still worth having
	}
	var out []portion.Needs
	for _, j := range jobs {
		if n := needs(j); n.Day > day {
			out = append(out, n)
		}
	}
	return out
}
