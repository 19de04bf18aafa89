package main

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"os"
	"os/signal"

	"github.com/spf13/cobra"

	"happytray/art"
	"happytray/core/arrange"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/review"
	"happytray/core/tray"
)

func readInput() ([]byte, error) {
	b, err := io.ReadAll(io.LimitReader(os.Stdin, document.MaxBytes+1))
	if err != nil {
		return nil, err
	}
	if len(b) > document.MaxBytes {
		return nil, errTooBig
	}
	return b, nil
}

// readTray reads the tray on standard input, and the larder it was planned with.
func readTray() (*tray.Tray, *food.Larder, error) {
	b, err := readInput()
	if err != nil {
		return nil, nil, err
	}
	t, err := tray.Read(b, food.BuiltIn())
	if err != nil {
		return nil, nil, err
	}
	return t, t.Larder(food.BuiltIn()), nil
}

func writeJSON(v any) error {
	w := bufio.NewWriter(os.Stdout)
	enc := json.NewEncoder(w)
	enc.SetEscapeHTML(false)
	if err := enc.Encode(v); err != nil {
		return err
	}
	return w.Flush()
}

func foodsCommand() *cobra.Command {
	return &cobra.Command{Use: "foods", Short: "List the built-in larder", Args: noArgs, RunE: func(*cobra.Command, []string) error {
		return writeJSON(food.BuiltIn().All())
	}}
}

func planCommand() *cobra.Command {
	return &cobra.Command{Use: "plan", Short: "From a brief on standard input to a tray that is not laid yet", Args: noArgs,
		RunE: func(*cobra.Command, []string) error {
			raw, err := readInput()
			if err != nil {
				return err
			}
			b, err := brief.Read(raw)
			if err != nil {
				return err
			}
			for _, u := range b.Unknown() {
				fmt.Fprintln(os.Stderr, u.Says())
			}
			t, err := portion.Plan(b, food.BuiltIn(), board.BuiltInCabinet())
			if err != nil {
				return err
			}
			return writeJSON(t)
		}}
}

// bill is what the basket command prints: a line for each food, and the sums.
type bill struct {
	Lines      []billLine `json:"lines"`
	UsedCost   int        `json:"used_cost"` // minor units, as all money here
	BasketCost int        `json:"basket_cost"`
}

type billLine struct {
	Food       string          `json:"food"`
	WantG      float64         `json:"want_g"` // on the trays and in reserve
	CupboardG  float64         `json:"cupboard_g"`
	Packs      []portion.Packs `json:"packs"`
	UsedCost   int             `json:"used_cost"`
	BasketCost int             `json:"basket_cost"`
	LeftG      float64         `json:"left_g"`
}

func basketCommand() *cobra.Command {
	return &cobra.Command{Use: "basket", Short: "Packs and money for the tray on standard input, all trays of its job together", Args: noArgs,
		RunE: func(*cobra.Command, []string) error {
			t, larder, err := readTray()
			if err != nil {
				return err
			}
			b := portion.Shop(t, larder)
			out := bill{Lines: make([]billLine, len(b.Lines)), UsedCost: b.UsedCost, BasketCost: b.BasketCost}
			for i, l := range b.Lines {
				out.Lines[i] = billLine{l.Food, math.Round((l.OnTrayG+l.ReserveG)*10) / 10, l.CupboardG, l.Packs, l.UsedCost, l.BasketCost, l.LeftG}
			}
			return writeJSON(out)
		}}
}

func arrangeCommand() *cobra.Command {
	var o arrange.Options
	var proposals int
	c := &cobra.Command{Use: "arrange", Short: "Lay the tray on standard input", Args: noArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			t, larder, err := readTray()
			if err != nil {
				return err
			}
			if !cmd.Flags().Changed("seed") {
				o.Seed = t.Seed
			}
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
			defer stop()
			if cmd.Flags().Changed("proposals") {
				ways, err := arrange.Propose(ctx, t, t.Larder(larder), o, proposals)
				if err != nil {
					return err
				}
				trays := make([]*tray.Tray, len(ways))
				for i, w := range ways {
					fmt.Fprintf(os.Stderr, "%d: %s, %.1f, %s\n", i+1, w.Style, w.Score, w.Says)
					trays[i] = w.Tray
				}
				return writeJSON(trays)
			}
			all := t.All() // each of the job's trays, in the time that is given for all
			further := t.Further
			each := o
			each.Seconds /= float64(len(all))
			for i, one := range all {
				each.Seed = o.Seed + uint64(i)
				one.Further = nil
				res, err := arrange.Lay(ctx, one, one.Larder(larder), each)
				if err != nil {
					return err
				}
				for _, u := range res.Unfit {
					fmt.Fprintln(os.Stderr, u.Says)
				}
				if o.Seconds == 0 { // it takes a few searches more, for which nobody gave time
					for _, says := range arrange.WouldFit(ctx, res.Tray, one.Larder(larder), res.Unfit) {
						fmt.Fprintln(os.Stderr, says)
					}
				}
				res.Tray.Seed = each.Seed
				*one = *res.Tray
			}
			t.Further = further
			return writeJSON(t)
		}}
	c.Flags().IntVar(&proposals, "proposals", 0, "so many ways of laying the first tray that differ, as a list, the best first")
	c.Flags().StringVar(&o.Style, "style", "", "corners, winding, mirrored, wheel or meadow; left out, what suits the board")
	c.Flags().Uint64Var(&o.Seed, "seed", 0, "another seed gives another layout; the same one the same")
	c.Flags().Float64Var(&o.Seconds, "seconds", 0, "upper bound on the time taken")
	c.Flags().IntVar(&o.Effort, "effort", 0, "layouts to try; bounds the search by work, so that it can be repeated exactly")
	return c
}

// whichTray is the flag that names one of a job's trays.
func whichTray(c *cobra.Command) *int {
	return c.Flags().Int("tray", 1, "which of a job's trays, from 1")
}

// readOne reads one of the trays of the job on standard input.
func readOne(which int) (*tray.Tray, *food.Larder, error) {
	t, _, err := readTray()
	if err != nil {
		return nil, nil, err
	}
	all := t.All()
	if which < 1 || which > len(all) {
		return nil, nil, usageError{fmt.Errorf("--tray takes 1 to %d for this job, not %d", len(all), which)}
	}
	one := all[which-1]
	return one, one.Larder(food.BuiltIn()), nil
}

func reviewCommand() *cobra.Command {
	c := &cobra.Command{Use: "review", Short: "Judge the tray on standard input", Args: noArgs}
	which := whichTray(c)
	c.RunE = func(*cobra.Command, []string) error {
		t, larder, err := readOne(*which)
		if err != nil {
			return err
		}
		rev := review.Of(t, larder)
		arrange.Fixes(context.Background(), t, larder, &rev)
		return writeJSON(rev)
	}
	return c
}

func exportCommand() *cobra.Command {
	var as string
	c := &cobra.Command{Use: "export", Short: "Write the tray on standard input in another format", Args: noArgs}
	which := whichTray(c)
	c.RunE = func(*cobra.Command, []string) error {
		if as != "svg" {
			return usageError{fmt.Errorf("--as takes svg, not %q", as)}
		}
		t, larder, err := readOne(*which)
		if err != nil {
			return err
		}
		if t.Board == nil {
			return fault.Bad("board", "there is nothing to draw without a board")
		}
		_, err = io.WriteString(os.Stdout, art.Tray(t, larder))
		return err
	}
	c.Flags().StringVar(&as, "as", "svg", "svg")
	return c
}
