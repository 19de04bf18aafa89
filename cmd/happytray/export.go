package main

import (
	"errors"
	"fmt"
	"os"

	"github.com/spf13/cobra"

	"happytray/art"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/core/say"
	"happytray/core/shop"
	"happytray/core/tray"
	"happytray/formats/sheet"
	"happytray/formats/worklist"
)

// exported is what is asked of an export.
type exported struct {
	as, sheet, paper string
	slant, crop      string
	names            bool
	sequence         int64
	kitchen          prep.Options
}

// sheets are what is printed.
var sheets = []string{"mat", "tracing", "build", "cards", "markers", "quote"}

func exportCommand() *cobra.Command {
	var e exported
	c := &cobra.Command{Use: "export", Short: "Write the tray on standard input in another format: a picture, a sheet to print, the work list", Args: noArgs}
	which := whichTray(c)
	c.Flags().StringVar(&e.as, "as", "svg", "svg, pdf, csv or ics")
	c.Flags().StringVar(&e.sheet, "sheet", "", "of pdf, and mat of svg: mat (full size), build, cards, markers or quote")
	c.Flags().StringVar(&e.paper, "paper", "a4", "of pdf: a4, a3, letter, or whole for one page as large as the board")
	c.Flags().StringVar(&e.slant, "slant", "", "of svg: at a slant, as seen from the bottom, top, left or right")
	c.Flags().StringVar(&e.crop, "crop", "", "of svg: straight from above, filled with food in a frame of these sides: "+fmt.Sprint(art.Crops))
	c.Flags().BoolVar(&e.names, "names", false, "of svg: with the names of what lies on it")
	c.Flags().Int64Var(&e.sequence, "sequence", 0, "of ics: larger each time, so that a calendar moves what it has")
	read := kitchen(c, &e.kitchen)
	c.RunE = func(*cobra.Command, []string) error {
		if err := read(); err != nil {
			return err
		}
		if err := e.check(); err != nil {
			return err
		}
		j, t, larder, err := readOne(*which)
		if err != nil {
			return err
		}
		out, err := e.write(j, t, larder)
		if err != nil {
			return err
		}
		_, err = os.Stdout.Write(out)
		return err
	}
	return c
}

// check refuses what no export is.
func (e *exported) check() error {
	if err := fault.OneOf("as", e.as, "svg", "pdf", "csv", "ics"); err != nil {
		return usageError{err}
	}
	if e.as == "pdf" && e.sheet == "" {
		e.sheet = "mat"
	}
	switch {
	case e.sheet != "" && fault.OneOf("sheet", e.sheet, sheets...) != nil:
		return usageError{fault.OneOf("sheet", e.sheet, sheets...)}
	case fault.OneOf("paper", e.paper, sheet.Papers...) != nil:
		return usageError{fault.OneOf("paper", e.paper, sheet.Papers...)}
	case e.as == "svg" && e.sheet != "" && e.sheet != "mat":
		return usageError{errors.New("--sheet takes mat for svg; the others are pdf")}
	case e.slant != "" && e.crop != "":
		return usageError{errors.New("--crop is straight from above; leave --slant off")}
	}
	return nil
}

func (e *exported) write(j *job.Job, t *tray.Tray, larder *food.Larder) ([]byte, error) {
	if t.Board == nil && (e.as == "svg" || e.sheet == "mat" || e.sheet == "build") {
		return nil, fault.Bad("board", "there is nothing to draw without a board")
	}
	switch e.as {
	case "csv", "ics":
		d, err := prep.Plan(j, larder, e.kitchen)
		if err != nil {
			return nil, err
		}
		if d.Relative {
			fmt.Fprintln(os.Stderr, unsaid)
		}
		if e.as == "csv" {
			return worklist.Table(d)
		}
		return worklist.Calendar(j.Title, j.Title+" "+j.Brief.ServeDay(), e.sequence, d)
	case "pdf":
		switch e.sheet {
		case "build":
			return sheet.Build(j.Title, t, larder, e.paper, say.Units{})
		case "cards":
			return sheet.Cards(j, larder, e.paper)
		case "tracing":
			return sheet.Tracing(j.Title, t, larder, e.paper)
		case "markers":
			return sheet.Markers(j, larder, e.paper)
		case "quote":
			copies := 0
			for _, one := range j.Trays {
				copies += one.Copies()
			}
			day, err := prep.LabourOf(j, larder, e.kitchen)
			if err != nil {
				return nil, err
			}
			q := price.NewQuote(shop.NewBasket(j, larder), price.Work(day), copies, j.Brief.Guests.Total(), j.Brief.Travels.Yes, price.Usual)
			return sheet.Quote(j, larder, q, sheet.Money{Digits: 2}, sheet.Letterhead{}, e.paper)
		}
		return sheet.Mat(j.Title, t, larder, e.paper)
	}
	if e.sheet == "mat" {
		return sheet.MatSVG(j.Title, t, larder)
	}
	if e.slant != "" {
		svg, err := art.Slant(j.Title, t, larder, e.slant, e.names)
		return []byte(svg), err
	}
	svg, err := art.Picture(j.Title, t, larder, e.names, e.crop)
	return []byte(svg), err
}
