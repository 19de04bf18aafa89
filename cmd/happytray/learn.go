package main

import (
	"fmt"
	"os"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"happytray/core/food"
	"happytray/core/learn"
)

// learnCommand learns from the records of evenings on standard input.
func learnCommand() *cobra.Command {
	var o learn.Options
	c := &cobra.Command{Use: "learn", Short: "What the records of evenings on standard input teach: a factor on each food's share, for everybody and by crowd", Args: noArgs}
	c.Flags().StringVar(&o.Occasion, "occasion", "", "for nibble, grazing or meal: evenings of another kind count half")
	c.Flags().IntVar(&o.Month, "month", 0, "for a month, 1 to 12: evenings of the other half of the year count half")
	c.RunE = func(*cobra.Command, []string) error {
		if o.Month < 0 || o.Month > 12 {
			return usageError{fmt.Errorf("--month takes 1 to 12, not %d", o.Month)}
		}
		raw, err := readInput()
		if err != nil {
			return err
		}
		records, err := learn.Read(raw)
		if err != nil {
			return err
		}
		learnt, err := learn.Fit(records, o)
		if err != nil {
			return err
		}
		tellUnknown(records)
		return writeJSON(learnt)
	}
	return c
}

// tellUnknown tells of foods that the larder does not know and of reasons that nobody knows: they count as they are.
func tellUnknown(records []learn.Record) {
	larder := food.BuiltIn()
	var foods, reasons []string
	for _, r := range records {
		for _, f := range r.Foods {
			if _, ok := larder.Get(f.Food); !ok && !slices.Contains(foods, f.Food) {
				foods = append(foods, f.Food)
			}
			for _, s := range f.Reasons {
				if !learn.KnownReason(s) && !slices.Contains(reasons, s) {
					reasons = append(reasons, s)
				}
			}
		}
	}
	if len(foods) > 0 {
		fmt.Fprintf(os.Stderr, "The larder does not know %s; learnt all the same.\n", strings.Join(first(foods, 8), ", "))
	}
	if len(reasons) > 0 {
		fmt.Fprintf(os.Stderr, "No such reason: %s. Known are %s.\n", strings.Join(first(reasons, 8), ", "), strings.Join(learn.Reasons, ", "))
	}
}

func first(list []string, n int) []string { return list[:min(n, len(list))] }
