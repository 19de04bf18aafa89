package store

import (
	"context"
	"errors"
	"strings"
	"time"

	"github.com/google/uuid"
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Job is one occasion. Head is the number of its current revision, whose heading the
// job has.
type Job struct {
	Studio     int    `gorm:"primaryKey;autoIncrement:false"`
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
	Due        time.Time `gorm:"->"` // ServeAt, or a day at the end of all time
	Away       bool      `gorm:"->"`
}

func (j *Job) take(h Heading) {
	j.Title, j.Host, j.Place, j.ServeAt, j.Summary = h.Title, h.Host, h.Place, h.ServeAt, h.Summary
}

// Query says which jobs a list holds, and in which order.
type Query struct {
	Away     bool      // those put away instead of the others
	From, To time.Time // served at From or later, before To; zero for no bound
	Timed    bool      // only what has a time
	Text     string    // part of the title, the host or the place
	Latest   bool      // latest first; what has no time comes last otherwise
	After    *Job      // what comes behind this one
	Most     int       // at most MostListed, which 0 stands for
}

// Jobs lists jobs in time order.
func (s *Store) Jobs(ctx context.Context, q Query) (list []Job, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		// the index holds all that is searched; whole rows are fetched of what is listed only
		ids := db.Model(&Job{}).Select("id").Where("away = ?", q.Away)
		if !q.From.IsZero() {
			ids = ids.Where("due >= ?", q.From.UTC())
		}
		if !q.To.IsZero() {
			ids = ids.Where("due < ?", q.To.UTC())
		}
		if q.Timed {
			ids = ids.Where("due < ?", endOfTime)
		}
		if text := strings.TrimSpace(q.Text); text != "" {
			like := "%" + likeEscape.Replace(text) + "%"
			ids = ids.Where("(title LIKE ? OR host LIKE ? OR place LIKE ?)", like, like, like)
		}
		order := "due, id"
		if q.Latest {
			order = "due DESC, id DESC"
		}
		if a := q.After; a != nil && q.Latest {
			ids = ids.Where("(due < ? OR due = ? AND id < ?)", a.Due, a.Due, a.ID)
		} else if a != nil {
			ids = ids.Where("(due > ? OR due = ? AND id > ?)", a.Due, a.Due, a.ID)
		}
		most := q.Most
		if most <= 0 || most > MostListed {
			most = MostListed
		}
		var found []string
		if err := ids.Order(order).Limit(most).Pluck("id", &found).Error; err != nil {
			return err
		}
		list = []Job{}
		if len(found) == 0 {
			return nil
		}
		return db.Where("id IN ?", found).Order(order).Find(&list).Error
	})
	return list, err
}

// endOfTime is due of what has no time (migrations/00004_studio.sql).
var endOfTime = time.Date(9999, 12, 31, 0, 0, 0, 0, time.UTC)

var likeEscape = strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`)

// Head finds a job without its document.
func (s *Store) Head(ctx context.Context, id string) (j Job, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		j, err = jobIn(db, id)
		return err
	})
	return j, err
}

func jobIn(db *gorm.DB, id string) (j Job, err error) {
	err = db.Where("id = ?", id).Take(&j).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return j, ErrNotFound
	}
	return j, err
}

// Job finds a job and its current revision.
func (s *Store) Job(ctx context.Context, id string) (j Job, r Revision, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		if j, err = jobIn(db, id); err != nil {
			return err
		}
		r, err = s.revision(db, id, j.Head)
		return err
	})
	return j, r, err
}

// Create makes a job with its first revision.
func (s *Store) Create(ctx context.Context, h Heading, document, says string) (Job, error) {
	now := s.moment()
	j := Job{ID: uuid.NewString(), Head: 1, CreatedAt: now, UpdatedAt: now}
	j.take(h)
	r := Revision{JobID: j.ID, Number: 1, Says: says, CreatedAt: now}
	r.take(h)
	var err error
	if r.Packed, err = pack([]byte(document), nil); err != nil {
		return j, err
	}
	err = s.change(ctx, func(tx *gorm.DB) error {
		if err := tx.Create(&j).Error; err != nil {
			return err
		}
		return tx.Create(&r).Error
	})
	return j, err
}

// Draft is a document that is ready to be kept as a job's next revision.
type Draft struct {
	job, document string
	revision      Revision
}

// Draft packs a document against the revision that the caller saw, before anything is
// locked. It is ErrConflict where nobody can have seen that revision.
func (s *Store) Draft(ctx context.Context, id string, seen int64, document string) (d Draft, err error) {
	d = Draft{job: id, document: document}
	err = s.ask(ctx, func(db *gorm.DB) error {
		d.revision, err = s.packOn(db, id, seen, []byte(document))
		if errors.Is(err, ErrConflict) {
			if _, gone := jobIn(db, id); gone != nil {
				return gone
			}
		}
		return err
	})
	return d, err
}

// Save drafts and keeps a document in one.
func (s *Store) Save(ctx context.Context, id string, seen int64, h Heading, document, says string) (Job, error) {
	d, err := s.Draft(ctx, id, seen, document)
	if err != nil {
		return Job{}, err
	}
	return s.SaveDraft(ctx, d, h, says)
}

// SaveDraft adds a revision on top of the one the caller saw. If the job has moved on since,
// nothing is written and ErrConflict is returned; unless what stands there is just what
// would be saved, made from what the caller saw: then an answer was lost and this is
// the same change come again.
func (s *Store) SaveDraft(ctx context.Context, d Draft, h Heading, says string) (j Job, err error) {
	id, seen, document, r := d.job, d.revision.Parent, d.document, d.revision
	r.take(h)
	r.Says = says
	err = s.change(ctx, func(tx *gorm.DB) error {
		if j, err = lockJob(tx, id); err != nil {
			return err
		}
		if j.Head != seen {
			now, err := s.revision(tx, id, j.Head)
			if err == nil && (now.Parent != seen || now.Document != document) {
				err = ErrConflict
			}
			return err
		}
		var last int64
		if err := tx.Model(&Revision{}).Where("job_id = ?", id).Select("MAX(number)").Scan(&last).Error; err != nil {
			return err
		}
		j.UpdatedAt = s.moment()
		j.Head, r.Number, r.CreatedAt = last+1, last+1, j.UpdatedAt
		j.take(h)
		if err := tx.Create(&r).Error; err != nil {
			if taken(err) { // by another node, whose change of the job is on its way here
				err = errRaced
			}
			return err
		}
		return writeJob(tx, &j, seen)
	})
	if err == nil {
		s.read.Add(readKey{id, j.Head}, []byte(document))
	}
	return j, err
}

// lockJob finds a job that nobody else may change until the transaction ends.
func lockJob(tx *gorm.DB, id string) (Job, error) {
	return jobIn(tx.Clauses(clause.Locking{Strength: "UPDATE"}), id)
}

// writeJob writes the heading of a job whose current revision still is the one that was read.
func writeJob(tx *gorm.DB, j *Job, seen int64) error {
	r := tx.Model(&Job{}).Where("id = ? AND head = ?", j.ID, seen).Select("title", "host", "place", "serve_at", "summary", "head", "updated_at").Updates(j)
	if r.Error == nil && r.RowsAffected == 0 {
		return errRaced
	}
	return r.Error
}

// HeadingOf makes the heading of a document; it is asked for revisions that were kept
// without one.
type HeadingOf func(document string) (Heading, error)

// Undo makes the parent of the current revision current again, with its heading.
func (s *Store) Undo(ctx context.Context, id string, seen int64, heading HeadingOf) (Job, error) {
	return s.step(ctx, id, seen, heading, func(tx *gorm.DB, j *Job) (int64, error) {
		var r Revision
		err := tx.Select("parent").Where("job_id = ? AND number = ?", id, j.Head).Take(&r).Error
		if err == nil && r.Parent == 0 {
			err = ErrNothing
		}
		return r.Parent, err
	})
}

// Redo makes the newest revision that came from the current one current, with its heading.
func (s *Store) Redo(ctx context.Context, id string, seen int64, heading HeadingOf) (Job, error) {
	return s.step(ctx, id, seen, heading, func(tx *gorm.DB, j *Job) (int64, error) {
		var r Revision
		err := tx.Select("number").Where("job_id = ? AND parent = ?", id, j.Head).Order("number DESC").Take(&r).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			err = ErrNothing
		}
		return r.Number, err
	})
}

// step makes another revision current.
func (s *Store) step(ctx context.Context, id string, seen int64, heading HeadingOf, to func(tx *gorm.DB, j *Job) (int64, error)) (j Job, err error) {
	err = s.change(ctx, func(tx *gorm.DB) error {
		if j, err = lockJob(tx, id); err != nil {
			return err
		}
		if j.Head != seen {
			return ErrConflict
		}
		number, err := to(tx, &j)
		if err != nil {
			return err
		}
		var r Revision
		if err := tx.Where("job_id = ? AND number = ?", id, number).Take(&r).Error; err != nil {
			return err
		}
		h := Heading{Title: r.Title, Host: r.Host, Place: r.Place, ServeAt: r.ServeAt}
		if r.Summary != nil {
			h.Summary = *r.Summary
		} else {
			text, err := s.document(tx, &r)
			if err != nil {
				return err
			}
			if h, err = heading(string(text)); err != nil {
				return err
			}
		}
		j.Head, j.UpdatedAt = number, s.moment()
		j.take(h)
		return writeJob(tx, &j, seen)
	})
	return j, err
}

// Steps says whether there is something to undo and to redo.
func (s *Store) Steps(ctx context.Context, r Revision) (undo, redo bool, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		var n []int64
		err := db.Model(&Revision{}).Where("job_id = ? AND parent = ?", r.JobID, r.Number).Limit(1).Pluck("number", &n).Error
		undo, redo = r.Parent != 0, len(n) > 0
		return err
	})
	return undo, redo, err
}

// Archive puts a job away, or takes it out again.
func (s *Store) Archive(ctx context.Context, id string, away bool) error {
	var at *time.Time
	if away {
		now := s.now().UTC()
		at = &now
	}
	return s.change(ctx, func(tx *gorm.DB) error {
		res := tx.Model(&Job{}).Where("id = ?", id).Update("archived_at", at)
		if res.Error == nil && res.RowsAffected == 0 {
			return ErrNotFound
		}
		return res.Error
	})
}
