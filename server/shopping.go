package server

import (
	"bytes"
	"errors"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

// shoppingFor makes the list of one job or of a week.
func (s *Server) shoppingFor(c *gin.Context, job, week *string) (out app.ShoppingList, ok bool) {
	var err error
	switch {
	case or(job, "") != "":
		out, err = s.app.ShoppingForJob(c.Request.Context(), *job)
	case or(week, "") != "":
		out, err = s.app.ShoppingForWeek(c.Request.Context(), *week)
	default:
		err = fault.Bad("job", "say which job or which week the list is for")
	}
	if err != nil {
		s.fail(c, aJob, err)
	}
	return out, err == nil
}

// Shopping answers GET /api/v1/shopping: what to buy for one job, or for all jobs of a week.
func (s *Server) Shopping(c *gin.Context, params api.ShoppingParams) {
	l, ok := s.shoppingFor(c, params.Job, params.Week)
	if !ok {
		return
	}
	out := api.ShoppingList{Key: l.Key, Title: l.Title, From: l.From, To: l.To, Jobs: []api.ShoppingJob{}, Ticks: list(l.Ticks),
		List: api.BuyList{Cost: l.List.Cost, Items: l.List.Items, Sections: []api.BuySection{}, Stops: []api.BuyStop{}, Says: strings.TrimSpace(l.List.Says.In(l.Units).String() + " " + l.List.Besides.In(l.Units).String()), Saves: l.List.Saves}}
	for _, at := range l.List.Stops {
		out.List.Stops = append(out.List.Stops, api.BuyStop{Name: at.Name, Foods: at.Foods, Cost: at.Cost})
	}
	for _, j := range l.Jobs {
		out.Jobs = append(out.Jobs, api.ShoppingJob{Id: j.Job, Title: j.Title, Day: j.Day, Planned: len(j.Grams) > 0})
	}
	for _, sec := range l.List.Sections {
		v := api.BuySection{Name: sec.Name, Stop: sec.Stop, Cost: sec.Cost, Items: []api.BuyItem{}}
		for _, it := range sec.Items {
			item := api.BuyItem{Food: it.Food, Name: it.Name, NeedG: it.NeedG, CupboardG: it.CupboardG, Packs: []api.Packs{}, Cost: it.Cost, LeftG: it.LeftG, For: list(it.For), OutOfStock: it.OutOfStock, Labelled: it.Labelled, Drained: it.Drained, Loose: it.Loose, Counter: it.Cut.Says().In(l.Units).String(), In: list(it.In), Holds: []api.Held{}}
			for _, h := range it.Holds {
				item.Holds = append(item.Holds, api.Held{Food: h.Food, Grams: h.Grams})
			}
			for _, p := range it.Packs {
				item.Packs = append(item.Packs, api.Packs{Grams: p.Grams, Price: p.Price, Count: p.Count})
			}
			v.Items = append(v.Items, item)
		}
		out.List.Sections = append(out.List.Sections, v)
	}
	c.JSON(http.StatusOK, out)
}

// ExportShopping answers GET /api/v1/shopping/export: the same as text, CSV or PDF.
func (s *Server) ExportShopping(c *gin.Context, params api.ExportShoppingParams) {
	l, ok := s.shoppingFor(c, params.Job, params.Week)
	if !ok {
		return
	}
	ctx := c.Request.Context()
	if params.As != "csv" {
		v, err := s.app.Settings(ctx)
		if err != nil {
			s.fail(c, aThing, err)
			return
		}
		if params.As == "pdf" {
			data, err := l.PDF(v)
			if err != nil {
				s.fail(c, aThing, err)
				return
			}
			c.Header("Content-Disposition", `inline; filename="shopping.pdf"`)
			c.Data(http.StatusOK, "application/pdf", data)
			return
		}
		c.Header("Content-Disposition", `attachment; filename="shopping.txt"`)
		c.Data(http.StatusOK, "text/plain; charset=utf-8", []byte(l.Text(v)))
		return
	}
	o, err := s.app.TableOptions(ctx, comma((*string)(params.Separator)), decimalComma((*string)(params.Decimal)))
	var b bytes.Buffer
	if err == nil {
		err = l.CSV(&b, o)
	}
	s.csv(c, "shopping", b.Bytes(), err)
}

// csv answers with a table.
func (s *Server) csv(c *gin.Context, name string, data []byte, err error) {
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	c.Header("Content-Disposition", `attachment; filename="`+name+`.csv"`)
	c.Data(http.StatusOK, "text/csv; charset=utf-8", data)
}

func comma(separator *string) rune {
	return map[string]rune{"comma": ',', "semicolon": ';', "tab": '\t'}[or(separator, "")]
}

func decimalComma(decimal *string) bool { return or(decimal, "") == "comma" }

// Tick answers PUT /api/v1/shopping/ticks: tick one food of a list off, or take the tick back.
func (s *Server) Tick(c *gin.Context) {
	var in api.Tick
	err := document.Read(body(c), &in)
	if err == nil {
		err = s.app.Tick(c.Request.Context(), in.Key, in.Food, in.Done)
	}
	s.done(c, aThing, err)
}

// ExportTable answers GET /api/v1/larder/export/{table}: the larder, packs or stock as CSV.
func (s *Server) ExportTable(c *gin.Context, name api.ExportTableParamsTable, params api.ExportTableParams) {
	ctx := c.Request.Context()
	o, err := s.app.TableOptions(ctx, comma((*string)(params.Separator)), decimalComma((*string)(params.Decimal)))
	var b bytes.Buffer
	if err == nil {
		err = s.app.WriteTable(ctx, &b, app.Table(name), o)
	}
	s.csv(c, string(name), b.Bytes(), err)
}

// mostLines is how many lines of a report are sent; its sums count them all.
const mostLines = 500

func reportOf(in *app.Import, version int64) api.ImportReport {
	out := api.ImportReport{Table: api.ImportReportTable(in.Table), Added: in.Count[app.Added], Changed: in.Count[app.Changed], Same: in.Count[app.Same],
		Refused: in.Count[app.Refused], Ignored: list(in.Ignored), Version: version, Lines: []api.ImportLine{}}
	for _, worst := range []bool{true, false} { // refused lines first, so that none is left out
		for _, l := range in.Lines {
			if (l.What == app.Refused) != worst {
				continue
			}
			if l.What == app.Same || len(out.Lines) >= mostLines {
				out.LinesLeftOut++
				continue
			}
			out.Lines = append(out.Lines, api.ImportLine{Food: l.Food, Line: l.Line, Says: l.Says, What: api.ImportLineWhat(l.What)})
		}
	}
	return out
}

// ImportTable says what a file would change. With apply it makes the change, whole or
// not at all, if the house is still as the report saw it.
func (s *Server) ImportTable(c *gin.Context, params api.ImportTableParams) {
	leave, ok := s.turn(c, s.works, nil)
	if !ok {
		return
	}
	defer leave()
	apply := or(params.Apply, false)
	var in *app.Import
	var version int64
	var err error
	if apply {
		in, version, err = s.app.TakeTable(c.Request.Context(), body(c), or(params.Version, -1))
	} else {
		in, version, err = s.app.LookAtTable(c.Request.Context(), body(c))
	}
	switch {
	case errors.Is(err, app.ErrSeen) || errors.Is(err, app.ErrConflict):
		problem(c, http.StatusPreconditionFailed, "Changed elsewhere", "The larder was changed since you looked at this file. Look at what it would change now.", "")
		return
	case err != nil:
		s.fail(c, aThing, err)
		return
	}
	out := reportOf(in, version)
	out.Applied = apply
	c.JSON(http.StatusOK, out)
}
