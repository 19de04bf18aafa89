package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"

	"github.com/pressly/goose/v3"
)

//go:embed migrations/*.sql
var migrations embed.FS

// schemaLock names the lock under which one process at a time changes the schema, and
// lockSeconds is how long another one waits for it.
const (
	schemaLock  = "CONCAT('happytray-', DATABASE())"
	lockSeconds = 120
)

// migrate brings the schema up to date under a lock, and refuses a newer one.
func migrate(ctx context.Context, pool *sql.DB) error {
	conn, err := pool.Conn(ctx)
	if err != nil {
		return fmt.Errorf("%w: %v", ErrDown, err)
	}
	defer conn.Close()
	var got sql.NullInt64
	if err := conn.QueryRowContext(ctx, fmt.Sprintf("SELECT GET_LOCK(%s, %d)", schemaLock, lockSeconds)).Scan(&got); err != nil || got.Int64 != 1 {
		return errors.New("another copy is still changing the database's schema; try again in a minute")
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "DO RELEASE_LOCK("+schemaLock+")")
	p, err := provider(pool)
	if err != nil {
		return err
	}
	sources := p.ListSources()
	newest := sources[len(sources)-1].Version
	have, err := p.GetDBVersion(ctx)
	if err != nil {
		return fmt.Errorf("the schema's version cannot be read: %w", err)
	}
	if have > newest {
		return fmt.Errorf("%w (schema %d, this program knows %d); start the newer one", ErrNewer, have, newest)
	}
	if _, err := p.Up(ctx); err != nil {
		return fmt.Errorf("the schema could not be brought up to date: %w", err)
	}
	return nil
}

func provider(pool *sql.DB) (*goose.Provider, error) {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, err
	}
	return goose.NewProvider(goose.DialectMySQL, pool, files, goose.WithGoMigrations(
		goose.NewGoMigration(5, &goose.GoFunc{RunDB: packAll}, nil)))
}

// packAll packs the revisions that are kept as they are, job by job in the order they
// were made. It can be broken off and begun again.
func packAll(ctx context.Context, db *sql.DB) error {
	rows, err := db.QueryContext(ctx, "SELECT DISTINCT studio, job_id FROM revisions WHERE packed IS NULL")
	if err != nil {
		return err
	}
	type key struct {
		studio int
		job    string
	}
	var jobs []key
	for rows.Next() {
		var k key
		if err := rows.Scan(&k.studio, &k.job); err != nil {
			return err
		}
		jobs = append(jobs, k)
	}
	if err := errors.Join(rows.Err(), rows.Close()); err != nil {
		return err
	}
	for _, k := range jobs {
		if err := packJob(ctx, db, k.studio, k.job); err != nil {
			return fmt.Errorf("job %s: %w", k.job, err)
		}
	}
	return nil
}

// packJob packs one job's revisions. The text of a revision stays in its row until the
// column goes, so each one's base can be read where it was.
func packJob(ctx context.Context, db *sql.DB, studio int, job string) error {
	of := func(number int64) (document string, r Revision, err error) {
		err = db.QueryRowContext(ctx, "SELECT document, parent, steps, bases FROM revisions WHERE studio = ? AND job_id = ? AND number = ?", studio, job, number).
			Scan(&document, &r.Parent, &r.Steps, &r.Bases)
		return document, r, err
	}
	var numbers []int64
	rows, err := db.QueryContext(ctx, "SELECT number FROM revisions WHERE studio = ? AND job_id = ? AND packed IS NULL ORDER BY number", studio, job)
	if err != nil {
		return err
	}
	for rows.Next() {
		var n int64
		if err := rows.Scan(&n); err != nil {
			return err
		}
		numbers = append(numbers, n)
	}
	if err := errors.Join(rows.Err(), rows.Close()); err != nil {
		return err
	}
	for _, n := range numbers {
		document, r, err := of(n)
		if err != nil {
			return err
		}
		base := ""
		if r.Parent != 0 {
			_, parent, err := of(r.Parent)
			if err != nil {
				return err
			}
			r.lean(parent, r.Parent)
			if last := r.base(); last != 0 {
				if base, _, err = of(last); err != nil {
					return err
				}
			}
		}
		packed, err := pack([]byte(document), []byte(base))
		if err != nil {
			return err
		}
		if _, err := db.ExecContext(ctx, "UPDATE revisions SET steps = ?, bases = ?, packed = ? WHERE studio = ? AND job_id = ? AND number = ?", r.Steps, r.Bases, packed, studio, job, n); err != nil {
			return err
		}
	}
	return nil
}
