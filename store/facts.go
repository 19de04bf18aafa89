package store

import (
	"context"
	"errors"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// fact is a small thing to know of a studio, such as its settings.
type fact struct {
	Studio int    `gorm:"primaryKey;autoIncrement:false"`
	Name   string `gorm:"primaryKey"`
	Value  string
}

// Fact reads a small fact; empty when it is not set.
func (s *Store) Fact(ctx context.Context, name string) (value string, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		value, err = factIn(db, name)
		return err
	})
	return value, err
}

func factIn(db *gorm.DB, name string) (string, error) {
	var f fact
	err := db.Where("name = ?", name).Take(&f).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return "", nil
	}
	return f.Value, err
}

// SetFact writes a small fact, whatever it was.
func (s *Store) SetFact(ctx context.Context, name, value string) error {
	return s.ChangeFact(ctx, name, func(string) (string, error) { return value, nil })
}

// swapFact writes a fact that still is what was read of it, and errRaced where another node of a cluster
// was quicker. Locks are each node's own; that this row was changed is what the nodes agree on.
func swapFact(tx *gorm.DB, name, was, value string) error {
	if was == value {
		return nil
	}
	r := tx.Model(&fact{}).Where("name = ? AND value = BINARY ?", name, was).Update("value", value)
	if r.Error == nil && r.RowsAffected == 0 {
		return errRaced
	}
	return r.Error
}

// ChangeFact makes a fact of what it was, under a lock: nobody else changes it in between.
func (s *Store) ChangeFact(ctx context.Context, name string, to func(was string) (string, error)) error {
	return s.change(ctx, func(tx *gorm.DB) error {
		was, err := lockFact(tx, name)
		if err != nil {
			return err
		}
		value, err := to(was)
		if err != nil {
			return err
		}
		return swapFact(tx, name, was, value)
	})
}

// lockFact reads a fact that nobody else may change until the transaction ends; one
// that is not there is made first, so that there is something to lock.
func lockFact(tx *gorm.DB, name string) (string, error) {
	if err := tx.Clauses(clause.OnConflict{DoNothing: true}).Create(&fact{Name: name}).Error; err != nil {
		return "", err
	}
	var f fact
	err := tx.Clauses(clause.Locking{Strength: "UPDATE"}).Where("name = ?", name).Take(&f).Error
	return f.Value, err
}

// Once does something under a name once for the studio, however many processes begin it
// at a time: as one transaction, in which do is given a Store. It reports whether it was
// done now. do must not use other Stores, and ends soon.
func (s *Store) Once(ctx context.Context, name string, do func(st *Store) error) (now bool, err error) {
	err = s.change(ctx, func(tx *gorm.DB) error {
		now = false // a try before may have come further than this one
		was, err := lockFact(tx, name)
		if err != nil || was != "" {
			return err
		}
		now = true
		if err := s.within(tx, do); err != nil {
			return err
		}
		return swapFact(tx, name, was, "done")
	})
	return now && err == nil, err
}

// Whole does several things as one transaction, in which do is given a Store: all of them, or none. do must not use
// other Stores, and ends soon; it may be called again where the database asks for that.
func (s *Store) Whole(ctx context.Context, do func(st *Store) error) error {
	return s.change(ctx, func(tx *gorm.DB) error { return s.within(tx, do) })
}
