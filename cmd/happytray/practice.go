package main

import (
	"os"
	"strings"

	"github.com/spf13/cobra"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/practice"
	"happytray/core/say"
	"happytray/formats/sheet"
)

// practiceCommand prints an exercise of the craft with its solution.
func practiceCommand() *cobra.Command {
	var kind string
	var seed uint64
	level, paper := 1, ""
	c := &cobra.Command{Use: "practice", Short: "An exercise of the craft with its solution, the same for a kind, a seed and a level", Args: noArgs,
		RunE: func(*cobra.Command, []string) error {
			e, err := practice.Make(kind, seed, level, food.BuiltIn(), board.BuiltInCabinet())
			if err != nil {
				return err
			}
			if paper == "" {
				return writeJSON(e)
			}
			pdf, err := sheet.Practice(e, food.BuiltIn(), paper, say.Units{})
			if err != nil {
				return err
			}
			_, err = os.Stdout.Write(pdf)
			return err
		}}
	c.Flags().StringVar(&kind, "kind", practice.Kinds[0], "what is practised: "+strings.Join(practice.Kinds, ", "))
	c.Flags().Uint64Var(&seed, "seed", 0, "another seed is another exercise")
	c.Flags().IntVar(&level, "level", 1, "how hard it is, 1 to 6; to find are as many faults")
	c.Flags().StringVar(&paper, "paper", "", "of find: a sheet as PDF, with what is wrong overleaf, on a4, a3 or letter; left out, JSON")
	return c
}
