package main

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"os/signal"
	"strings"

	"github.com/spf13/cobra"

	"happytray/app"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/edit"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/recipe"
	"happytray/core/repair"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/search"
	"happytray/core/shop"
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

// readJob reads the job on standard input, and the larder it was planned with.
func readJob() (*job.Job, *food.Larder, error) {
	b, err := readInput()
	if err != nil {
		return nil, nil, err
	}
	j, err := app.ReadJob(b, food.BuiltIn())
	if err != nil {
		return nil, nil, err
	}
	return j, j.Larder(food.BuiltIn()), nil
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
	var text string
	c := &cobra.Command{Use: "foods", Short: "List the built-in larder, or with --find what people mean by some words", Args: noArgs, RunE: func(cmd *cobra.Command, _ []string) error {
		if !cmd.Flags().Changed("find") {
			return writeJSON(food.BuiltIn().All())
		}
		if err := fault.Text("find", text, 200); err != nil {
			return err
		}
		if strings.TrimSpace(text) == "" {
			return fault.Bad("find", "say what to look for, such as --find brie")
		}
		found := food.BuiltIn().Find(text)
		if found == nil {
			found = []*food.Food{}
		}
		return writeJSON(found)
	}}
	c.Flags().StringVar(&text, "find", "", "words to look for; the foods that fit best come first")
	return c
}

func planCommand() *cobra.Command {
	var seed uint32
	c := &cobra.Command{Use: "plan", Short: "From a brief on standard input to a tray that is not laid yet", Args: noArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			raw, err := readInput()
			if err != nil {
				return err
			}
			b, err := app.ReadBrief(raw)
			if err != nil {
				return err
			}
			for _, u := range b.Unknown() {
				fmt.Fprintln(os.Stderr, u.Says())
			}
			if cmd.Flags().Changed("seed") {
				b.Choice = int(seed % brief.MaxChoice)
			}
			j, err := plan.FromBrief(b, food.BuiltIn(), board.BuiltInCabinet())
			if err != nil {
				return err
			}
			for _, s := range j.Says {
				fmt.Fprintln(os.Stderr, s)
			}
			return writeJSON(j)
		}}
	c.Flags().Uint32Var(&seed, "seed", 0, "which of the choices of foods that suit the brief; left out, the one that follows from it")
	return c
}

// bill is what the basket command prints: a line for each food, and the sums.
type bill struct {
	Lines      []billLine `json:"lines"`
	UsedCost   int        `json:"used_cost"` // minor units, as all money here
	BasketCost int        `json:"basket_cost"`
}

type billLine struct {
	Food       string       `json:"food"`
	WantG      float64      `json:"want_g"`     // on the trays and in reserve
	CupboardG  float64      `json:"cupboard_g"` // of that, there already
	Yield      float64      `json:"yield"`      // share of what is bought that is laid
	BoughtG    float64      `json:"bought_g"`   // in all packs
	Packs      []shop.Packs `json:"packs"`
	UsedCost   int          `json:"used_cost"`
	BasketCost int          `json:"basket_cost"`
	LeftG      float64      `json:"left_g"`

	Parts []recipe.Amount `json:"parts,omitempty"` // what is bought instead, where it is made in the house
}

func basketCommand() *cobra.Command {
	return &cobra.Command{Use: "basket", Short: "Packs and money for the tray on standard input, all trays of its job together", Args: noArgs,
		RunE: func(*cobra.Command, []string) error {
			j, larder, err := readJob()
			if err != nil {
				return err
			}
			b := shop.NewBasket(j, larder)
			out := bill{Lines: make([]billLine, len(b.Lines)), UsedCost: b.UsedCost, BasketCost: b.BasketCost}
			for i, l := range b.Lines {
				out.Lines[i] = billLine{l.Food, round.Tenth(l.OnTrayG + l.ReserveG), l.CupboardG, l.Yield, l.BoughtG, l.Packs, l.UsedCost, l.BasketCost, l.LeftG, l.Parts}
			}
			return writeJSON(out)
		}}
}

func arrangeCommand() *cobra.Command {
	var o search.Options
	var proposals int
	c := &cobra.Command{Use: "arrange", Short: "Lay the tray on standard input", Args: noArgs,
		RunE: func(cmd *cobra.Command, _ []string) error {
			j, larder, err := readJob()
			if err != nil {
				return err
			}
			if !cmd.Flags().Changed("seed") {
				o.Seed = j.Trays[0].Seed
			}
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
			defer stop()
			if cmd.Flags().Changed("proposals") {
				return propose(ctx, j, larder, o, proposals)
			}
			return layAll(ctx, j, larder, o)
		}}
	c.Flags().IntVar(&proposals, "proposals", 0, "so many ways of laying the first tray that differ, as a list, the best first")
	c.Flags().StringVar(&o.Style, "style", "", "corners, winding, mirrored, wheel or meadow; left out, what suits the board")
	c.Flags().Uint64Var(&o.Seed, "seed", 0, "another seed gives another layout; the same one the same")
	c.Flags().Float64Var(&o.Seconds, "seconds", 0, "upper bound on the time taken")
	c.Flags().IntVar(&o.Effort, "effort", 0, "layouts to try; bounds the search by work, so that it can be repeated exactly")
	return c
}

// propose prints so many ways of laying the first tray that differ, as a list.
func propose(ctx context.Context, j *job.Job, larder *food.Larder, o search.Options, n int) error {
	ways, err := search.Propose(ctx, j.Trays[0], larder, o, n)
	if err != nil {
		return err
	}
	out := make([]*job.Job, len(ways))
	for i, w := range ways {
		fmt.Fprintf(os.Stderr, "%d: %s, %.1f, %s\n", i+1, w.Style, w.Score, w.Says)
		out[i] = j.With(0, w.Tray)
	}
	return writeJSON(out)
}

// layAll lays each of the job's trays, in the time that is given for all, and prints the job.
func layAll(ctx context.Context, j *job.Job, larder *food.Larder, o search.Options) error {
	all, err := search.Several(ctx, j.Trays, larder, o)
	if err != nil {
		return err
	}
	for i, res := range all {
		for _, u := range res.Unfit {
			fmt.Fprintln(os.Stderr, u.Says)
		}
		if o.Seconds == 0 { // it takes a few searches more, for which nobody gave time
			for _, says := range search.WouldFit(ctx, res.Tray, larder, res.Unfit) {
				fmt.Fprintln(os.Stderr, says)
			}
		}
		j.Trays[i] = res.Tray
	}
	return writeJSON(j)
}

// whichTray is the flag that names one of a job's trays.
func whichTray(c *cobra.Command) *int {
	return c.Flags().Int("tray", 1, "which of a job's trays, from 1")
}

// readOne reads one of the trays of the job on standard input.
func readOne(which int) (*job.Job, *tray.Tray, *food.Larder, error) {
	j, larder, err := readJob()
	if err != nil {
		return nil, nil, nil, err
	}
	if which < 1 || which > len(j.Trays) {
		return nil, nil, nil, usageError{fmt.Errorf("--tray takes 1 to %d for this job, not %d", len(j.Trays), which)}
	}
	return j, j.Trays[which-1], larder, nil
}

// putCommand lays one element by hand and lets the rest make room.
func putCommand() *cobra.Command {
	var id string
	var x, y, turn float64
	c := &cobra.Command{Use: "put", Short: "Lay one element of the tray on standard input at a place; the rest makes room", Args: noArgs}
	c.Flags().StringVar(&id, "element", "", "id of the element")
	c.Flags().Float64Var(&x, "x", 0, "its place, mm from the left")
	c.Flags().Float64Var(&y, "y", 0, "its place, mm from the top")
	c.Flags().Float64Var(&turn, "turn", 0, "how it is turned, degrees; left out, as it is")
	which := whichTray(c)
	c.RunE = func(cmd *cobra.Command, _ []string) error {
		for _, name := range []string{"element", "x", "y"} {
			if !cmd.Flags().Changed(name) {
				return usageError{fmt.Errorf("put wants --%s", name)}
			}
		}
		for name, v := range map[string]float64{"x": x, "y": y, "turn": turn} {
			if !(v >= -10000 && v <= 10000) {
				return usageError{fmt.Errorf("--%s takes -10000 to 10000, not %v", name, v)}
			}
		}
		j, t, larder, err := readOne(*which)
		if err != nil {
			return err
		}
		k := t.Find(id)
		if k < 0 {
			return fault.Bad("element", "there is no element %.60q on this tray", id)
		}
		if !cmd.Flags().Changed("turn") {
			turn = t.Elements[k].TurnDeg
		}
		fixed := t.Elements[k].Locked // who names it means it
		t.Elements[k].Locked = false
		res, err := edit.Apply(context.Background(), t, larder, edit.Command{Kind: edit.Move, IDs: []string{id}, To: &geom.Pose{X: x, Y: y, Turn: turn}})
		if err != nil {
			return err
		}
		if len(res.Lifted) > 0 {
			fmt.Fprintln(os.Stderr, "No room is left on the board. In the file, but not placed: "+say.And(res.Lifted)+".")
		}
		res.Tray.Elements[res.Tray.Find(id)].Locked = fixed
		j.Trays[*which-1] = res.Tray
		return writeJSON(j)
	}
	return c
}

func reviewCommand() *cobra.Command {
	c := &cobra.Command{Use: "review", Short: "Judge the tray on standard input; of several each by itself", Args: noArgs}
	which := whichTray(c)
	fixes := c.Flags().Bool("fixes", false, "look for a change that mends each finding, half a second each, and print it as its mend")
	judge := func(t *tray.Tray, larder *food.Larder) review.Review {
		rev := review.Judge(t, larder)
		repair.Fixes(context.Background(), t, larder, &rev)
		if *fixes {
			repair.SuggestAll(context.Background(), t, larder, &rev)
		}
		return rev
	}
	c.RunE = func(*cobra.Command, []string) error {
		j, t, larder, err := readOne(*which)
		if err != nil {
			return err
		}
		if len(j.Trays) == 1 || c.Flags().Changed("tray") {
			return writeJSON(judge(t, larder))
		}
		out := make([]reviewOfTray, len(j.Trays))
		for i, t := range j.Trays {
			out[i] = reviewOfTray{i + 1, judge(t, larder)}
		}
		return writeJSON(out)
	}
	return c
}

// reviewOfTray is the review of one of several trays.
type reviewOfTray struct {
	Tray int `json:"tray"` // from 1
	review.Review
}
