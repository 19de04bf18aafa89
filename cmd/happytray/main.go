// Command happytray is the whole product in one binary: the server, and the
// craft on the command line.
package main

import (
	"errors"
	"fmt"
	"os"

	"github.com/spf13/cobra"

	"happytray/core/document"
)

// usageError marks a wrong call, which exits with 2; anything else is bad input and exits with 1.
type usageError struct{ error }

func main() {
	root := &cobra.Command{
		Use:           "happytray",
		Short:         "Plan a grazing board before a packet is opened",
		SilenceUsage:  true,
		SilenceErrors: true,
		Args: func(cmd *cobra.Command, args []string) error {
			if len(args) > 0 {
				return usageError{fmt.Errorf("there is no command %q; see happytray --help", args[0])}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, _ []string) error {
			cmd.SetOut(os.Stderr)
			_ = cmd.Help()
			return usageError{errors.New("say what to do")}
		},
	}
	root.SetFlagErrorFunc(func(_ *cobra.Command, err error) error { return usageError{err} })
	root.AddCommand(foodsCommand(), planCommand(), basketCommand(), arrangeCommand(), putCommand(), reviewCommand(), prepCommand(), grazeCommand(), learnCommand(), practiceCommand(), exportCommand(), serveCommand(), backupCommand(), restoreCommand(), versionCommand())
	if err := root.Execute(); err != nil {
		fmt.Fprintln(os.Stderr, "happytray:", err)
		var usage usageError
		if errors.As(err, &usage) {
			os.Exit(2)
		}
		os.Exit(1)
	}
}

// noArgs refuses stray arguments as a usage error.
func noArgs(_ *cobra.Command, args []string) error {
	if len(args) > 0 {
		return usageError{fmt.Errorf("unexpected argument %q", args[0])}
	}
	return nil
}

// errTooBig ends a call with more on standard input than a document may hold.
var errTooBig = fmt.Errorf("the input is larger than %d MB", document.MaxBytes>>20)
