package server

import (
	"bytes"
	"context"
	"fmt"
	"math"
	"net/http"

	"github.com/gin-gonic/gin"

	"happytray/export/photo"
	"happytray/export/table"
	"happytray/server/api"
	"happytray/store"
)

func (s *Server) ExportTable(c *gin.Context, name api.ExportTableParamsTable, params api.ExportTableParams) {
	ctx := c.Request.Context()
	h, err := s.fresh(ctx)
	if err != nil {
		s.fail(c, err)
		return
	}
	o := s.tableOptions(ctx, (*string)(params.Separator), (*string)(params.Decimal))
	var b bytes.Buffer
	if err := table.Write(&b, table.Table(name), h.larder, h.stock, o); err != nil {
		s.fail(c, err)
		return
	}
	c.Header("Content-Disposition", fmt.Sprintf(`attachment; filename="%s.csv"`, name))
	c.Header("Cache-Control", "no-store")
	c.Data(http.StatusOK, "text/csv; charset=utf-8", b.Bytes())
}

// tableOptions are how a table is to be written: the separator and the decimal sign
// that were asked for, and the coin that is set.
func (s *Server) tableOptions(ctx context.Context, separator, decimal *string) table.Options {
	o := table.Options{BOM: true, Digits: coinDigits(s.readSettings(ctx).Currency)}
	if separator != nil {
		o.Comma = map[string]rune{"comma": ',', "semicolon": ';', "tab": '\t'}[*separator]
	}
	o.DecimalComma = decimal != nil && *decimal == "comma"
	return o
}

// mostLines is how many lines of a report are sent; its sums count them all.
const mostLines = 500

// ImportTable says what a file would change. With apply it keeps the change,
// whole or not at all, if the house is still as the report saw it.
func (s *Server) ImportTable(c *gin.Context, params api.ImportTableParams) {
	ctx := c.Request.Context()
	h, err := s.fresh(ctx)
	if err != nil {
		s.fail(c, err)
		return
	}
	in, err := table.Read(body(c), h.all, h.stock, coinDigits(s.readSettings(ctx).Currency))
	if err != nil {
		s.fail(c, err)
		return
	}
	out := api.ImportReport{Table: api.ImportReportTable(in.Table), Added: in.Count[table.Added], Changed: in.Count[table.Changed], Same: in.Count[table.Same],
		Refused: in.Count[table.Refused], Ignored: in.Ignored, Version: h.version}
	out.Lines = []struct {
		Food string                    `json:"food"`
		Line int                       `json:"line"`
		Says string                    `json:"says"`
		What api.ImportReportLinesWhat `json:"what"`
	}{}
	for _, worst := range []bool{true, false} { // refused lines first, so that none is left out
		for _, l := range in.Lines {
			if (l.What == table.Refused) != worst {
				continue
			}
			if l.What == table.Same || len(out.Lines) >= mostLines {
				out.LinesLeftOut++
				continue
			}
			out.Lines = append(out.Lines, struct {
				Food string                    `json:"food"`
				Line int                       `json:"line"`
				Says string                    `json:"says"`
				What api.ImportReportLinesWhat `json:"what"`
			}{l.Food, l.Line, l.Says, api.ImportReportLinesWhat(l.What)})
		}
	}
	if params.Apply == nil || !*params.Apply {
		c.JSON(http.StatusOK, out)
		return
	}
	switch {
	case out.Refused > 0:
		problem(c, http.StatusUnprocessableEntity, "Nothing was changed", fmt.Sprintf("%d lines cannot be taken. Mend or remove them, then take the whole file.", out.Refused), "")
		return
	case params.Version == nil || *params.Version != h.version:
		problem(c, http.StatusPreconditionFailed, "Changed elsewhere", "The larder was changed since you looked at this file. Look at what it would change now.", "")
		return
	}
	ch := store.Change{Seen: h.version, Lots: map[string][]store.Lot{}}
	for i := range in.Foods {
		t, err := h.kept(&in.Foods[i])
		if err != nil {
			s.fail(c, err)
			return
		}
		ch.Things = append(ch.Things, t)
	}
	for id, lots := range in.Stock {
		ch.Lots[id] = []store.Lot{}
		for _, l := range lots {
			ch.Lots[id] = append(ch.Lots[id], store.Lot{Food: id, Grams: l.Grams, BestBefore: l.BestBefore})
		}
	}
	if len(ch.Things)+len(ch.Lots) > 0 {
		version, err := s.store.ChangeHouse(ctx, ch)
		if err != nil {
			s.failThing(c, err)
			return
		}
		out.Version = version
	}
	out.Applied = true
	c.JSON(http.StatusOK, out)
}

// readPhoto decodes the picture in the request, one at a time.
func (s *Server) readPhoto(c *gin.Context) (*photo.Picture, bool) {
	select {
	case s.photos <- struct{}{}:
		defer func() { <-s.photos }()
	case <-c.Request.Context().Done():
		return nil, false
	}
	p, err := photo.Read(body(c))
	if err != nil {
		s.fail(c, err)
		return nil, false
	}
	return p, true
}

func (s *Server) MainColours(c *gin.Context) {
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	out := api.MainColours{Width: p.Width, Height: p.Height}
	for _, sh := range p.Colours {
		out.Colours = append(out.Colours, struct {
			Hex  string  `json:"hex"`
			Part float64 `json:"part"`
		}{sh.Colour.Hex(), math.Round(sh.Part*1000) / 1000})
	}
	c.Header("Cache-Control", "no-store")
	c.JSON(http.StatusOK, out)
}

func (s *Server) FoodPhoto(c *gin.Context, id api.ThingId) {
	p, err := s.store.Picture(c.Request.Context(), id)
	if err != nil {
		s.failThing(c, err)
		return
	}
	c.Header("Cache-Control", "no-cache")
	c.Data(http.StatusOK, p.Media, p.Data)
}

func (s *Server) KeepFoodPhoto(c *gin.Context, id api.ThingId) {
	if !s.house(c.Request.Context()).knows(store.KindFood, id) {
		s.failThing(c, store.ErrNotFound)
		return
	}
	p, ok := s.readPhoto(c)
	if !ok {
		return
	}
	small, err := p.Small()
	if err != nil {
		s.fail(c, err)
		return
	}
	if s.change(c, store.Change{Picture: &store.Picture{Food: id, Media: "image/jpeg", Data: small}}) {
		c.Status(http.StatusNoContent)
	}
}

func (s *Server) DropFoodPhoto(c *gin.Context, id api.ThingId) {
	if s.change(c, store.Change{Picture: &store.Picture{Food: id}}) {
		c.Status(http.StatusNoContent)
	}
}
