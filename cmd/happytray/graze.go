package main

import (
	"context"

	"github.com/spf13/cobra"

	"happytray/core/fault"
	"happytray/core/graze"
)

// grazeCommand foresees how the tray on standard input is eaten.
func grazeCommand() *cobra.Command {
	var o graze.Options
	c := &cobra.Command{Use: "graze", Short: "How the tray on standard input will be eaten: what is gone when, what is left and why, who goes without", Args: noArgs}
	c.Flags().IntVar(&o.Evenings, "evenings", 1000, "how many evenings are played")
	c.Flags().Uint64Var(&o.Seed, "seed", 0, "the same seed gives the same forecast")
	c.RunE = func(*cobra.Command, []string) error {
		if o.Evenings < 1 {
			return fault.Bad("evenings", "should be between 1 and %d", graze.MostEvenings)
		}
		j, larder, err := readJob()
		if err != nil {
			return err
		}
		f, err := graze.Simulate(context.Background(), j, larder, o)
		if err != nil {
			return err
		}
		return writeJSON(f)
	}
	return c
}
