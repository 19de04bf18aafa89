// Package store keeps jobs and their revisions, and what the house made its own, in
// MariaDB. It knows nothing of the craft: a revision's document is text to it.
package store

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"log/slog"
	"math/rand/v2"
	"sync/atomic"
	"time"

	mysqldriver "github.com/go-sql-driver/mysql"
	lru "github.com/hashicorp/golang-lru/v2"
	"gorm.io/driver/mysql"
	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

const (
	// patience is how long one question to the database may take unless Options say otherwise. Together with
	// restFor it keeps every request under three seconds, however the database hangs.
	patience = 2 * time.Second
	// restFor is how long nobody is made to wait for a database that has just not answered.
	restFor = time.Second
	// tries bounds how often a transaction is done again that met a deadlock.
	tries = 8
	// slow is from when a query is told of in the log.
	slow = 200 * time.Millisecond
	// mostRead is how many unpacked documents are kept at hand; revisions never change.
	mostRead = 24
)

// Options are how a Store works. The zero value is good.
type Options struct {
	Log    *slog.Logger     // nobody is told where nil
	Studio int              // whose everything is; 1 where 0
	Now    func() time.Time // what is written is dated by it; time.Now where nil
	// Free is how many bytes are free where the database writes; nil where nobody here can tell. Below LeastFree no change
	// is taken: a full disk would end the database, and reading with it.
	Free func() (bytes uint64, err error)
	// Patience is how long one question to the database may take before it is taken to hang; 2 s where 0.
	Patience time.Duration
}

// Store is a connection to the database; safe for use by many goroutines.
type Store struct {
	db     *gorm.DB
	sql    *sql.DB
	now    func() time.Time
	free   func() (uint64, error)
	most   time.Duration // that one question may take
	whole  *whole        // within another's transaction, which alone is tried again; nil for none
	read   *lru.Cache[readKey, []byte]
	hung   atomic.Int64 // until when nobody is made to wait, Unix nanoseconds
	filled atomic.Bool  // the last change found the disk full
}

// Open connects to the database named by source, user:password@tcp(host:port)/name,
// and brings its schema up to date. Several processes may do so at once.
func Open(ctx context.Context, source string, o Options) (*Store, error) {
	cfg, err := mysqldriver.ParseDSN(source)
	if err != nil {
		return nil, fmt.Errorf("%w: write it as user:password@tcp(host:port)/name", errBadSource)
	}
	cfg.ParseTime, cfg.Loc = true, time.UTC
	if o.Patience == 0 {
		o.Patience = patience
	}
	cfg.Timeout, cfg.ReadTimeout, cfg.WriteTimeout = o.Patience, 2*time.Minute, 2*time.Minute // a context bounds each question
	cfg.Collation = "utf8mb4_unicode_ci"
	cfg.Logger = quiet{}
	cfg.ClientFoundRows = true
	// Values are put into statements here. With statements that are prepared by the server, the driver closes each after its
	// use, and a close is not answered: where a node takes back a transaction just then because another one was quicker, nobody
	// would be told, and what follows would be written outside of any.
	cfg.InterpolateParams = true
	if cfg.Params == nil {
		cfg.Params = map[string]string{}
	}
	cfg.Params["innodb_lock_wait_timeout"] = "1" // and then it is tried again
	conn, err := mysqldriver.NewConnector(cfg)
	if err != nil {
		return nil, fmt.Errorf("%w: %v", errBadSource, err)
	}
	pool := sql.OpenDB(conn)
	pool.SetMaxOpenConns(24)
	pool.SetMaxIdleConns(8)
	pool.SetConnMaxLifetime(10 * time.Minute)
	s, err := prepare(ctx, pool, o)
	if err != nil {
		pool.Close()
		return nil, err
	}
	return s, nil
}

func prepare(ctx context.Context, pool *sql.DB, o Options) (*Store, error) {
	reach, done := context.WithTimeout(ctx, o.Patience)
	defer done()
	if err := pool.PingContext(reach); err != nil {
		return nil, fmt.Errorf("%w: %v", ErrDown, err)
	}
	if err := migrate(ctx, pool); err != nil {
		return nil, err
	}
	log := logger.Discard
	if o.Log != nil {
		log = newSaid(o.Log)
	}
	db, err := gorm.Open(mysql.New(mysql.Config{Conn: pool, SkipInitializeWithVersion: true}), &gorm.Config{Logger: log, SkipDefaultTransaction: true, DisableNestedTransaction: true})
	if err != nil {
		return nil, err
	}
	studio := o.Studio
	if studio == 0 {
		studio = 1
	}
	if err := keepTo(db, studio); err != nil {
		return nil, err
	}
	read, err := lru.New[readKey, []byte](mostRead)
	if err != nil {
		return nil, err
	}
	now := o.Now
	if now == nil {
		now = time.Now
	}
	return &Store{db: db, sql: pool, now: now, free: o.Free, most: o.Patience, read: read}, nil
}

// whole is a transaction of several changes.
type whole struct {
	failed error // the first change that did not succeed: the whole does not either
}

// within does something in a transaction, with a store of its own.
func (s *Store) within(tx *gorm.DB, do func(st *Store) error) error {
	w := &whole{}
	err := do(&Store{db: tx, sql: s.sql, now: s.now, whole: w, read: s.read})
	if err == nil {
		err = w.failed
	}
	return err
}

// moment is now, as exactly as the database keeps it.
func (s *Store) moment() time.Time { return s.now().UTC().Truncate(time.Millisecond) }

type quiet struct{}

func (quiet) Print(...any) {}

// Close lets go of the database.
func (s *Store) Close() error { return s.sql.Close() }

// Stats are the figures of the pool of connections.
func (s *Store) Stats() sql.DBStats { return s.sql.Stats() }

// LeastFree is how many bytes must be free for a change to be taken.
const LeastFree = 64 << 20

// room reports ErrFull where too little is free for a change.
func (s *Store) room() error {
	if s.free == nil {
		return nil
	}
	if n, err := s.free(); err == nil && n < LeastFree {
		return fmt.Errorf("%w: %d MB are free", ErrFull, n>>20)
	}
	return nil // what cannot be told keeps nobody from anything
}

// Ping reports whether the database answers questions and takes changes: ErrDown where it does
// not answer, ErrFull where its disk is full, or was at the last change. It asks a question, because a node
// of a cluster that has lost the others answers a greeting and nothing else.
func (s *Store) Ping(ctx context.Context) error {
	if _, err := s.Fact(ctx, houseFact); err != nil {
		return err
	}
	if s.filled.Load() {
		return ErrFull
	}
	return s.room()
}

// ask puts a question to the database. It waits no longer than its patience, and not at
// all while the database is known to hang.
func (s *Store) ask(ctx context.Context, question func(db *gorm.DB) error) error {
	if s.whole != nil { // in the time of the whole, and what it meets is the whole's to judge
		return question(s.db)
	}
	if time.Now().UnixNano() < s.hung.Load() {
		return fmt.Errorf("%w: it did not answer a moment ago", ErrDown)
	}
	bounded, done := context.WithTimeout(ctx, s.most)
	defer done()
	err := known(question(s.db.WithContext(bounded)))
	if bounded.Err() != nil && ctx.Err() == nil { // it was the database that took too long, not the asker who left
		s.hung.Store(time.Now().Add(restFor).UnixNano())
		if err != nil && !errors.Is(err, ErrDown) {
			err = fmt.Errorf("%w: %v", ErrDown, err)
		}
	}
	return err
}

// change makes a change that is kept whole or not at all, and does it again from the
// start where it met a deadlock, a lock that was held for long, or another node's change of the same.
// Within another change it is a part of that, which is done again as a whole: after a deadlock the
// database has taken back all that came before, too. There are no savepoints for the same reason: of a transaction
// that was taken back they are gone, and what follows would be written outside of any.
func (s *Store) change(ctx context.Context, edit func(tx *gorm.DB) error) error {
	if s.whole != nil {
		err := edit(s.db)
		if err != nil && s.whole.failed == nil {
			s.whole.failed = err
		}
		return err
	}
	if err := s.room(); err != nil {
		return err
	}
	return s.ask(ctx, func(db *gorm.DB) error {
		var err error
		for try := range tries {
			if err = db.Transaction(edit); !mayPass(err) {
				break
			}
			select {
			case <-db.Statement.Context.Done():
				return err
			case <-time.After(time.Duration(rand.IntN(4<<try)+1) * time.Millisecond):
			}
		}
		if err == nil {
			s.filled.Store(false)
		} else if errors.Is(known(err), ErrFull) {
			s.filled.Store(true)
		}
		return err
	})
}
