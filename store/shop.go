package store

import (
	"context"
	"errors"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Feed is what the shop at an address said last. ReadAt is nil where it never said
// anything; Wrong is what was the matter at the last try, or "".
type Feed struct {
	Studio   int    `gorm:"primaryKey;autoIncrement:false"`
	Address  string `gorm:"primaryKey"`
	Document string
	LeftOut  string
	Wrong    string
	ReadAt   *time.Time
	TriedAt  time.Time
}

// Feed finds what the shop at an address said last; the zero Feed for nothing.
func (s *Store) Feed(ctx context.Context, address string) (f Feed, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		err := db.Where("address = ?", address).Take(&f).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			f = Feed{Address: address}
			return nil
		}
		return err
	})
	return f, err
}

// SaveFeed keeps what a shop said, or that it said nothing: a failed try leaves the
// document of before.
func (s *Store) SaveFeed(ctx context.Context, f Feed) error {
	columns := []string{"wrong", "tried_at"}
	if f.Wrong == "" {
		columns = append(columns, "document", "left_out", "read_at")
	}
	return s.change(ctx, func(tx *gorm.DB) error {
		return tx.Clauses(clause.OnConflict{DoUpdates: clause.AssignmentColumns(columns)}).Create(&f).Error
	})
}

type tick struct {
	Studio int    `gorm:"primaryKey;autoIncrement:false"`
	List   string `gorm:"primaryKey"`
	Food   string `gorm:"primaryKey"`
}

// Ticks lists the foods that are ticked off on a list.
func (s *Store) Ticks(ctx context.Context, list string) ([]string, error) {
	foods := []string{}
	err := s.ask(ctx, func(db *gorm.DB) error {
		return db.Model(&tick{}).Where("list = ?", list).Order("food").Pluck("food", &foods).Error
	})
	return foods, err
}

// Tick ticks a food off on a list, or takes the tick back.
func (s *Store) Tick(ctx context.Context, list, food string, done bool) error {
	t := tick{List: list, Food: food}
	return s.change(ctx, func(tx *gorm.DB) error {
		if !done {
			return tx.Where("list = ? AND food = ?", list, food).Delete(&tick{}).Error
		}
		return tx.Clauses(clause.OnConflict{DoNothing: true}).Create(&t).Error
	})
}
