package main

import (
	"fmt"
	"os"
	"runtime/debug"

	"github.com/spf13/cobra"
)

// version is set when a release is built: -ldflags "-X main.version=1.2.3".
var version = "dev"

// versionText is the version, with the commit it was built from where that is known.
func versionText() string {
	info, ok := debug.ReadBuildInfo()
	if !ok {
		return version
	}
	for _, s := range info.Settings {
		if s.Key == "vcs.revision" && len(s.Value) >= 12 {
			return version + " (" + s.Value[:12] + ")"
		}
	}
	return version
}

func versionCommand() *cobra.Command {
	return &cobra.Command{Use: "version", Short: "Say which version this is", Args: noArgs, RunE: func(*cobra.Command, []string) error {
		_, err := fmt.Fprintln(os.Stdout, "happytray", versionText())
		return err
	}}
}
