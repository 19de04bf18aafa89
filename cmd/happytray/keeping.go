package main

import (
	"context"
	"fmt"
	"os"
	"os/signal"
	"path/filepath"
	"syscall"

	"github.com/spf13/cobra"

	"happytray/app"
	"happytray/store"
	"happytray/store/backup"
	"happytray/store/localdb"
)

func backupCommand() *cobra.Command {
	return keepingCommand("backup", "Write everything that is kept into one file, while the product goes on",
		func(ctx context.Context, a backup.Access, _, file string) error { return backup.Write(ctx, a, file) }, "kept in")
}

func restoreCommand() *cobra.Command {
	return keepingCommand("restore", "Read a backup into an empty database",
		func(ctx context.Context, a backup.Access, source, file string) error {
			if err := backup.Read(ctx, a, file); err != nil {
				return err
			}
			st, err := open(ctx, source, store.Options{})
			if err != nil {
				return err
			}
			defer st.Close()
			if err := app.New(st, app.Options{}).ForgetDoor(ctx); err != nil {
				return err
			}
			fmt.Fprintln(os.Stderr, "Phones and tablets are signed out, and none can connect until you let them in again.")
			return nil
		}, "read from")
}

// keepingCommand is a command on a whole database: the one that HAPPYTRAY_DB names, or
// the private one under --dir, whether that runs just now or not.
func keepingCommand(name, short string, do func(ctx context.Context, a backup.Access, source, file string) error, done string) *cobra.Command {
	var dir string
	c := &cobra.Command{Use: name + " FILE", Short: short, Long: short + ". The database is the one that HAPPYTRAY_DB names, or the private one under --dir.",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) != 1 {
				return usageError{fmt.Errorf("%s takes the name of one file", name)}
			}
			return nil
		},
		RunE: func(_ *cobra.Command, args []string) error {
			conf, err := readConfig()
			if err != nil {
				return usageError{err}
			}
			ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
			defer stop()
			source := conf.DB
			if source == "" {
				db, err := localdb.Reach(ctx, filepath.Join(dir, "db"))
				if err != nil {
					return err
				}
				defer db.Stop()
				source = db.DSN()
			}
			a, err := backup.AccessTo(source)
			if err == nil {
				err = do(ctx, a, source, args[0])
			}
			if err == nil {
				fmt.Fprintln(os.Stderr, "Everything was", done, args[0])
			}
			return err
		}}
	c.Flags().StringVar(&dir, "dir", ".local", "where the private database lives")
	return c
}
