package main

import (
	"fmt"
	"os"
	"time"

	"github.com/spf13/cobra"

	"happytray/core/prep"
)

// kitchen are the flags that say with whom and what a day is worked.
func kitchen(c *cobra.Command, o *prep.Options) (read func() error) {
	var now string
	c.Flags().IntVar(&o.People, "people", 1, "how many prepare")
	c.Flags().IntVar(&o.Ovens, "ovens", 1, "how many ovens there are")
	c.Flags().IntVar(&o.Shelves, "shelves", 0, "how many shelves the fridge has; 0 does not count them")
	c.Flags().StringVar(&now, "now", "", "when work can begin at the earliest, RFC 3339; left out, whenever it must")
	return func() error {
		if now == "" {
			return nil
		}
		at, err := time.Parse(time.RFC3339, now)
		if err != nil {
			return usageError{fmt.Errorf("--now takes a time such as 2026-11-30T15:00:00+01:00, not %.40q", now)}
		}
		o.Now = at
		return nil
	}
}

// unsaid is told where a brief names no serving time.
const unsaid = "No serving time is set; times count back from 18:00."

// prepCommand plans the work for a job against the clock.
func prepCommand() *cobra.Command {
	o := prep.Options{Save: true}
	c := &cobra.Command{Use: "prep", Short: "The order of work for the tray on standard input, backwards from serving: tasks, people, oven, kit", Args: noArgs}
	read := kitchen(c, &o)
	c.RunE = func(*cobra.Command, []string) error {
		if err := read(); err != nil {
			return err
		}
		j, larder, err := readJob()
		if err != nil {
			return err
		}
		d, err := prep.Plan(j, larder, o)
		if err != nil {
			return err
		}
		if d.Relative {
			fmt.Fprintln(os.Stderr, unsaid)
		}
		return writeJSON(d)
	}
	return c
}
