package store

import (
	"context"
	"errors"
	"fmt"
	"strconv"
	"strings"
	"time"

	"gorm.io/gorm"
)

// Heading is what a list of jobs needs, taken from the document by the caller.
type Heading struct {
	Title, Host, Place string
	ServeAt            *time.Time
	Summary            string // JSON, whatever a list wants to show
}

// Revision is one saved state of a job. Its heading is part of it.
type Revision struct {
	Studio    int    `gorm:"primaryKey;autoIncrement:false"`
	JobID     string `gorm:"primaryKey"`
	Number    int64  `gorm:"primaryKey;autoIncrement:false"`
	Parent    int64
	Says      string
	Name      string // given by hand, or none
	Title     string
	Host      string
	Place     string
	ServeAt   *time.Time
	Summary   *string // nil in what was saved before revisions had their heading
	Steps     int     // since the last that is kept whole
	Bases     string  // numbers of the revisions that Packed leans on, the whole one first
	Packed    []byte
	CreatedAt time.Time
	Document  string `gorm:"-"` // filled in by who reads one revision
}

func (r *Revision) take(h Heading) {
	r.Title, r.Host, r.Place, r.ServeAt, r.Summary = h.Title, h.Host, h.Place, h.ServeAt, &h.Summary
}

// lean notes against which revisions this one, made from parent, is packed.
func (r *Revision) lean(parent Revision, number int64) {
	r.Steps = parent.Steps + 1
	bases := basesOf(number, parent.bases(), r.Steps)
	if len(bases) == 0 {
		r.Steps = 0
	}
	words := make([]string, len(bases))
	for i, b := range bases {
		words[i] = strconv.FormatInt(b, 10)
	}
	r.Bases = strings.Join(words, " ")
}

func (r *Revision) bases() (out []int64) {
	for _, w := range strings.Fields(r.Bases) {
		n, _ := strconv.ParseInt(w, 10, 64) // written by lean
		out = append(out, n)
	}
	return out
}

// base is the number of the revision that Packed directly leans on; 0 for none.
func (r *Revision) base() int64 {
	if all := r.bases(); len(all) > 0 {
		return all[len(all)-1]
	}
	return 0
}

// readKey names a revision among those kept at hand.
type readKey struct {
	job    string
	number int64
}

// document is a revision's text. It reads the few revisions that it leans on, unless
// they are at hand.
func (s *Store) document(db *gorm.DB, r *Revision) ([]byte, error) {
	if text, ok := s.read.Get(readKey{r.JobID, r.Number}); ok {
		return text, nil
	}
	bases := r.bases()
	from, text := 0, []byte(nil) // bases from here on are not at hand
	for i := len(bases) - 1; i >= 0; i-- {
		if have, ok := s.read.Get(readKey{r.JobID, bases[i]}); ok {
			from, text = i+1, have
			break
		}
	}
	packed := map[int64][]byte{}
	if from < len(bases) {
		var rows []Revision
		if err := db.Select("number", "packed").Where("job_id = ? AND number IN ?", r.JobID, bases[from:]).Find(&rows).Error; err != nil {
			return nil, err
		}
		for _, row := range rows {
			packed[row.Number] = row.Packed
		}
	}
	var err error
	for _, n := range bases[from:] {
		if text, err = unpack(packed[n], text); err != nil {
			return nil, fmt.Errorf("job %s, revision %d: %w", r.JobID, n, err)
		}
		s.read.Add(readKey{r.JobID, n}, text)
	}
	if text, err = unpack(r.Packed, text); err != nil {
		return nil, fmt.Errorf("job %s, revision %d: %w", r.JobID, r.Number, err)
	}
	s.read.Add(readKey{r.JobID, r.Number}, text)
	return text, nil
}

// packOn packs a document that is made from the revision parent.
func (s *Store) packOn(db *gorm.DB, job string, parent int64, document []byte) (Revision, error) {
	r := Revision{JobID: job, Parent: parent}
	var from Revision
	err := db.Select("number", "steps", "bases").Where("job_id = ? AND number = ?", job, parent).Take(&from).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return r, ErrConflict // nobody can have seen it
	}
	if err != nil {
		return r, err
	}
	r.lean(from, parent)
	base, ok := s.read.Get(readKey{job, r.base()})
	if n := r.base(); n != 0 && !ok {
		var on Revision
		if err := db.Where("job_id = ? AND number = ?", job, n).Take(&on).Error; err != nil {
			return r, err
		}
		if base, err = s.document(db, &on); err != nil {
			return r, err
		}
	}
	r.Packed, err = pack(document, base)
	return r, err
}

// Revision finds one saved state of a job with its document.
func (s *Store) Revision(ctx context.Context, job string, number int64) (r Revision, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		r, err = s.revision(db, job, number)
		return err
	})
	return r, err
}

func (s *Store) revision(db *gorm.DB, job string, number int64) (r Revision, err error) {
	err = db.Where("job_id = ? AND number = ?", job, number).Take(&r).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return r, ErrNotFound
	}
	if err != nil {
		return r, err
	}
	text, err := s.document(db, &r)
	r.Document = string(text)
	return r, err
}

// NameRevision gives a saved state a name, or takes it away where it is empty.
func (s *Store) NameRevision(ctx context.Context, job string, number int64, name string) error {
	return s.change(ctx, func(tx *gorm.DB) error {
		r := Revision{}
		err := tx.Select("number").Where("job_id = ? AND number = ?", job, number).Take(&r).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNotFound
		}
		if err != nil {
			return err
		}
		return tx.Model(&Revision{}).Where("job_id = ? AND number = ?", job, number).Update("name", name).Error
	})
}

// MostListed bounds how much of a list is read at a time.
const MostListed = 200

// History lists a job's revisions without their documents, newest first: at most n of
// those with a number below before, or of all where before is 0.
func (s *Store) History(ctx context.Context, job string, before int64, n int) (list []Revision, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		q := db.Select("job_id", "number", "parent", "says", "name", "title", "created_at").Where("job_id = ?", job)
		if before > 0 {
			q = q.Where("number < ?", before)
		}
		list = []Revision{}
		return q.Order("number DESC").Limit(min(max(n, 1), MostListed)).Find(&list).Error
	})
	return list, err
}
