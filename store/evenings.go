package store

import (
	"context"
	"errors"
	"strconv"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Evening is what was noted of one. Its id is that of its job, where it has one; Version goes up with every change.
type Evening struct {
	Studio    int    `gorm:"primaryKey;autoIncrement:false"`
	ID        string `gorm:"primaryKey"`
	Day       string // 2026-11-30
	Crowd     string
	Document  string
	Version   int64
	UpdatedAt time.Time
}

// Photo is a photograph of an evening.
type Photo struct {
	Studio  int    `gorm:"primaryKey;autoIncrement:false"`
	Evening string `gorm:"primaryKey"`
	ID      string `gorm:"primaryKey"`
	Media   string
	Data    []byte
	MadeAt  time.Time
}

// TableName is where photographs of evenings are.
func (Photo) TableName() string { return "evening_photos" }

// eveningsFact counts the changes of evenings, so that what was learnt of them is known to be of now.
const eveningsFact = "evenings"

// EveningsVersion is the number of the last change to what was noted of evenings.
func (s *Store) EveningsVersion(ctx context.Context) (int64, error) {
	v, err := s.Fact(ctx, eveningsFact)
	if err != nil || v == "" {
		return 0, err
	}
	return strconv.ParseInt(v, 10, 64)
}

// Evening finds what was noted of an evening; ErrNotFound where nothing was.
func (s *Store) Evening(ctx context.Context, id string) (e Evening, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		err := db.Where("id = ?", id).Take(&e).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNotFound
		}
		return err
	})
	return e, err
}

// MostEvenings bounds a list of evenings: the latest.
const MostEvenings = 2000

// Evenings lists what was noted, the latest first.
func (s *Store) Evenings(ctx context.Context) ([]Evening, error) {
	list := []Evening{}
	err := s.ask(ctx, func(db *gorm.DB) error {
		return db.Order("day DESC, id DESC").Limit(MostEvenings).Find(&list).Error
	})
	return list, err
}

// ChangeEvening makes of what was noted of an evening, the zero Evening for nothing, what is noted of it then, under a
// lock: nobody else changes it in between. A document that is empty takes it away, with its photographs.
func (s *Store) ChangeEvening(ctx context.Context, id string, to func(was Evening) (Evening, error)) (out Evening, err error) {
	err = s.change(ctx, func(tx *gorm.DB) error {
		version, err := lockFact(tx, eveningsFact)
		if err != nil {
			return err
		}
		n, _ := strconv.ParseInt(version, 10, 64)
		var was Evening
		err = tx.Where("id = ?", id).Take(&was).Error
		if err != nil && !errors.Is(err, gorm.ErrRecordNotFound) {
			return err
		}
		if out, err = to(was); err != nil {
			return err
		}
		if err := swapFact(tx, eveningsFact, version, strconv.FormatInt(n+1, 10)); err != nil {
			return err
		}
		out.ID = id
		if out.Document == "" {
			if err := tx.Where("evening = ?", id).Delete(&Photo{}).Error; err != nil {
				return err
			}
			return tx.Where("id = ?", id).Delete(&Evening{}).Error
		}
		out.Version, out.UpdatedAt = was.Version+1, s.moment()
		return tx.Clauses(clause.OnConflict{DoUpdates: clause.AssignmentColumns([]string{"day", "crowd", "document", "version", "updated_at"})}).Create(&out).Error
	})
	return out, err
}

// AddPhoto keeps a photograph of an evening, of which there are at most so many.
func (s *Store) AddPhoto(ctx context.Context, p Photo, most int) error {
	return s.change(ctx, func(tx *gorm.DB) error {
		if _, err := lockFact(tx, eveningsFact); err != nil { // one at a time, so that they can be counted
			return err
		}
		var n int64
		if err := tx.Model(&Photo{}).Where("evening = ? AND id = ?", p.Evening, p.ID).Count(&n).Error; err != nil || n > 0 {
			return err // it came twice
		}
		if err := tx.Model(&Photo{}).Where("evening = ?", p.Evening).Count(&n).Error; err != nil {
			return err
		}
		if n >= int64(most) {
			return ErrMany
		}
		return tx.Create(&p).Error
	})
}

// ErrMany is told where there are as many of something as there may be.
var ErrMany = errors.New("there are too many already")

// Photos lists the photographs of an evening, without what is on them, in the order in which they were made.
func (s *Store) Photos(ctx context.Context, evening string) ([]Photo, error) {
	list := []Photo{}
	err := s.ask(ctx, func(db *gorm.DB) error {
		return db.Omit("data").Where("evening = ?", evening).Order("made_at, id").Find(&list).Error
	})
	return list, err
}

// Photo finds a photograph.
func (s *Store) Photo(ctx context.Context, evening, id string) (p Photo, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		err := db.Where("evening = ? AND id = ?", evening, id).Take(&p).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNotFound
		}
		return err
	})
	return p, err
}

// DropPhoto throws a photograph away.
func (s *Store) DropPhoto(ctx context.Context, evening, id string) error {
	return s.change(ctx, func(tx *gorm.DB) error {
		r := tx.Where("evening = ? AND id = ?", evening, id).Delete(&Photo{})
		if r.Error == nil && r.RowsAffected == 0 {
			return ErrNotFound
		}
		return r.Error
	})
}
