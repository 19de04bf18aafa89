// Package store keeps jobs and their revisions in MariaDB. It knows nothing of
// the craft: a revision's document is text to it.
package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"net"
	"time"

	mysqldriver "github.com/go-sql-driver/mysql"
	"github.com/google/uuid"
	"github.com/pressly/goose/v3"
	"gorm.io/driver/mysql"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
	"gorm.io/gorm/logger"
)

//go:embed migrations/*.sql
var migrations embed.FS

// Errors that callers tell apart.
var (
	ErrNotFound  = errors.New("there is no such job")
	ErrConflict  = errors.New("the job was changed elsewhere in the meantime")
	ErrDown      = errors.New("the database cannot be reached")
	ErrNewer     = errors.New("the database was written by a newer version of this program")
	ErrNothing   = errors.New("there is nothing to go back or forward to")
	errBadSource = errors.New("the database address cannot be read")
)

// Job is one occasion. Head is the number of its current revision.
type Job struct {
	ID         string `gorm:"primaryKey"`
	Title      string
	Host       string
	Place      string
	ServeAt    *time.Time
	Summary    string
	Head       int64
	ArchivedAt *time.Time
	CreatedAt  time.Time
	UpdatedAt  time.Time
}

// Revision is one saved state of a job.
type Revision struct {
	JobID     string `gorm:"primaryKey"`
	Number    int64  `gorm:"primaryKey"`
	Parent    int64
	Says      string
	Document  string
	CreatedAt time.Time
}

// Heading is what a job list needs, taken from the document by the caller.
type Heading struct {
	Title, Host, Place string
	ServeAt            *time.Time
	Summary            string // JSON, whatever a list wants to show
}

// Store is a connection to the database; safe for use by many goroutines.
type Store struct {
	db  *gorm.DB
	sql *sql.DB
}

// Open connects to the database named by source, user:password@tcp(host:port)/name,
// and brings its schema up to date. Several processes may do so at once.
func Open(ctx context.Context, source string) (*Store, error) {
	cfg, err := mysqldriver.ParseDSN(source)
	if err != nil {
		return nil, fmt.Errorf("%w: write it as user:password@tcp(host:port)/name", errBadSource)
	}
	cfg.ParseTime, cfg.Loc = true, time.UTC
	cfg.Timeout, cfg.ReadTimeout, cfg.WriteTimeout = 2*time.Second, 10*time.Second, 10*time.Second
	cfg.Collation = "utf8mb4_unicode_ci"
	cfg.Logger = quiet{}
	cfg.ClientFoundRows = true
	conn, err := mysqldriver.NewConnector(cfg)
	if err != nil {
		return nil, fmt.Errorf("%w: %v", errBadSource, err)
	}
	pool := sql.OpenDB(conn)
	pool.SetMaxOpenConns(24)
	pool.SetMaxIdleConns(8)
	pool.SetConnMaxLifetime(10 * time.Minute)
	if err := pool.PingContext(ctx); err != nil {
		pool.Close()
		return nil, fmt.Errorf("%w: %v", ErrDown, err)
	}
	if err := migrate(ctx, pool); err != nil {
		pool.Close()
		return nil, err
	}
	db, err := gorm.Open(mysql.New(mysql.Config{Conn: pool, SkipInitializeWithVersion: true}), &gorm.Config{Logger: logger.Discard, SkipDefaultTransaction: true})
	if err != nil {
		pool.Close()
		return nil, err
	}
	return &Store{db: db, sql: pool}, nil
}

type quiet struct{}

func (quiet) Print(...any) {}

// migrate brings the schema up to date under a lock, and refuses a newer one.
func migrate(ctx context.Context, pool *sql.DB) error {
	conn, err := pool.Conn(ctx)
	if err != nil {
		return fmt.Errorf("%w: %v", ErrDown, err)
	}
	defer conn.Close()
	var got sql.NullInt64
	if err := conn.QueryRowContext(ctx, "SELECT GET_LOCK(CONCAT('happytray-', DATABASE()), 30)").Scan(&got); err != nil || got.Int64 != 1 {
		return fmt.Errorf("another copy is still changing the database's schema; try again in a minute")
	}
	defer conn.ExecContext(context.WithoutCancel(ctx), "DO RELEASE_LOCK(CONCAT('happytray-', DATABASE()))")
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectMySQL, pool, files)
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

// Close lets go of the database.
func (s *Store) Close() error { return s.sql.Close() }

// Ping reports whether the database answers.
func (s *Store) Ping(ctx context.Context) error {
	return down(s.sql.PingContext(ctx))
}

// down turns the many shapes of a lost connection into ErrDown.
func down(err error) error {
	if err == nil {
		return nil
	}
	var opErr *net.OpError
	var my *mysqldriver.MySQLError
	switch {
	case errors.Is(err, ErrNotFound), errors.Is(err, ErrConflict), errors.Is(err, ErrNothing):
		return err
	case errors.As(err, &my) && (my.Number == 1205 || my.Number == 1213):
		return fmt.Errorf("%w: %v", ErrConflict, err)
	case errors.As(err, &my) && my.Number != 1053 && my.Number != 1927 && my.Number != 1040:
		return err
	case errors.As(err, &opErr), errors.Is(err, mysqldriver.ErrInvalidConn), errors.Is(err, context.DeadlineExceeded), my != nil:
		return fmt.Errorf("%w: %v", ErrDown, err)
	}
	if err.Error() == "driver: bad connection" {
		return fmt.Errorf("%w: %v", ErrDown, err)
	}
	return err
}

// Jobs lists jobs that are not put away, in time order, those without a time last.
func (s *Store) Jobs(ctx context.Context) ([]Job, error) {
	jobs := []Job{}
	err := s.db.WithContext(ctx).Where("archived_at IS NULL").Order("serve_at IS NULL, serve_at, created_at").Limit(500).Find(&jobs).Error
	return jobs, down(err)
}

// Job finds a job and its current revision.
func (s *Store) Job(ctx context.Context, id string) (Job, Revision, error) {
	var j Job
	var r Revision
	err := s.db.WithContext(ctx).Where("id = ?", id).Take(&j).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return j, r, ErrNotFound
	}
	if err != nil {
		return j, r, down(err)
	}
	err = s.db.WithContext(ctx).Where("job_id = ? AND number = ?", id, j.Head).Take(&r).Error
	return j, r, down(err)
}

// Create makes a job with its first revision.
func (s *Store) Create(ctx context.Context, h Heading, document, says string) (Job, error) {
	now := time.Now().UTC().Truncate(time.Millisecond)
	j := Job{ID: uuid.NewString(), Title: h.Title, Host: h.Host, Place: h.Place, ServeAt: h.ServeAt, Summary: h.Summary, Head: 1, CreatedAt: now, UpdatedAt: now}
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Create(&j).Error; err != nil {
			return err
		}
		return tx.Create(&Revision{JobID: j.ID, Number: 1, Says: says, Document: document, CreatedAt: now}).Error
	})
	return j, down(err)
}

// Save adds a revision on top of the one the caller saw. If the job has moved on
// since, nothing is written and ErrConflict is returned.
func (s *Store) Save(ctx context.Context, id string, seen int64, h Heading, document, says string) (Job, error) {
	return s.change(ctx, id, seen, func(tx *gorm.DB, j *Job) error {
		var last int64
		if err := tx.Model(&Revision{}).Where("job_id = ?", id).Select("MAX(number)").Scan(&last).Error; err != nil {
			return err
		}
		r := Revision{JobID: id, Number: last + 1, Parent: j.Head, Says: says, Document: document, CreatedAt: j.UpdatedAt}
		if err := tx.Create(&r).Error; err != nil {
			return err
		}
		j.Head = r.Number
		j.Title, j.Host, j.Place, j.ServeAt, j.Summary = h.Title, h.Host, h.Place, h.ServeAt, h.Summary
		return nil
	})
}

// Undo makes the parent of the current revision current again.
func (s *Store) Undo(ctx context.Context, id string, seen int64) (Job, error) {
	return s.change(ctx, id, seen, func(tx *gorm.DB, j *Job) error {
		var r Revision
		if err := tx.Select("parent").Where("job_id = ? AND number = ?", id, j.Head).Take(&r).Error; err != nil {
			return err
		}
		if r.Parent == 0 {
			return ErrNothing
		}
		j.Head = r.Parent
		return nil
	})
}

// Redo makes the newest revision that came from the current one current.
func (s *Store) Redo(ctx context.Context, id string, seen int64) (Job, error) {
	return s.change(ctx, id, seen, func(tx *gorm.DB, j *Job) error {
		var r Revision
		err := tx.Select("number").Where("job_id = ? AND parent = ?", id, j.Head).Order("number DESC").Take(&r).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNothing
		}
		if err != nil {
			return err
		}
		j.Head = r.Number
		return nil
	})
}

// change locks a job, checks that the caller saw its current revision, and
// writes what edit makes of it.
func (s *Store) change(ctx context.Context, id string, seen int64, edit func(tx *gorm.DB, j *Job) error) (Job, error) {
	var j Job
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		err := tx.Clauses(clause.Locking{Strength: "UPDATE"}).Where("id = ?", id).Take(&j).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNotFound
		}
		if err != nil {
			return err
		}
		if j.Head != seen {
			return ErrConflict
		}
		j.UpdatedAt = time.Now().UTC().Truncate(time.Millisecond)
		if err := edit(tx, &j); err != nil {
			return err
		}
		return tx.Save(&j).Error
	})
	return j, down(err)
}

// Steps says whether there is something to undo and to redo.
func (s *Store) Steps(ctx context.Context, id string, r Revision) (undo, redo bool, err error) {
	var n int64
	err = s.db.WithContext(ctx).Model(&Revision{}).Where("job_id = ? AND parent = ?", id, r.Number).Limit(1).Count(&n).Error
	return r.Parent != 0, n > 0, down(err)
}

// History lists a job's revisions, newest first, without their documents.
func (s *Store) History(ctx context.Context, id string) ([]Revision, error) {
	rs := []Revision{}
	err := s.db.WithContext(ctx).Select("job_id", "number", "parent", "says", "created_at").Where("job_id = ?", id).Order("number DESC").Limit(200).Find(&rs).Error
	return rs, down(err)
}

// Archive puts a job away, or takes it out again.
func (s *Store) Archive(ctx context.Context, id string, away bool) error {
	var at *time.Time
	if away {
		now := time.Now().UTC()
		at = &now
	}
	res := s.db.WithContext(ctx).Model(&Job{}).Where("id = ?", id).Update("archived_at", at)
	if res.Error == nil && res.RowsAffected == 0 {
		return ErrNotFound
	}
	return down(res.Error)
}

// Fact reads a small fact; empty when it is not set.
func (s *Store) Fact(ctx context.Context, name string) (string, error) {
	var v []string
	err := s.db.WithContext(ctx).Table("facts").Where("name = ?", name).Pluck("value", &v).Error
	if err != nil || len(v) == 0 {
		return "", down(err)
	}
	return v[0], nil
}

// SetFact writes a small fact.
func (s *Store) SetFact(ctx context.Context, name, value string) error {
	return down(s.db.WithContext(ctx).Exec("INSERT INTO facts (name, value) VALUES (?, ?) ON DUPLICATE KEY UPDATE value = VALUES(value)", name, value).Error)
}
