package store

import (
	"context"
	"errors"
	"fmt"
	"strconv"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// Kinds of thing.
const (
	KindFood   = "food"
	KindBoard  = "board"
	KindVessel = "vessel"
)

// Thing is what the user made of one food, board or vessel. Version goes up with
// every change; 0 is one that is not kept yet.
type Thing struct {
	Kind      string `gorm:"primaryKey"`
	ID        string `gorm:"primaryKey"`
	Document  string
	PutAway   bool
	Version   int64
	UpdatedAt time.Time
}

// Lot is grams of a food in the cupboard, best before a day (2026-11-30) or "".
type Lot struct {
	Food       string `gorm:"primaryKey"`
	BestBefore string `gorm:"primaryKey"`
	Grams      float64
}

// Picture is a kept photograph of a food.
type Picture struct {
	Food  string `gorm:"primaryKey"`
	Media string
	Data  []byte
}

// HouseVersion is the number of the last change to things and lots.
func (s *Store) HouseVersion(ctx context.Context) (int64, error) {
	v, err := s.Fact(ctx, "house")
	if err != nil {
		return 0, err
	}
	return strconv.ParseInt(v, 10, 64)
}

// House reads what the user made since a version, 0 for everything, and all that
// is in the cupboard, as they were at one version.
func (s *Store) House(ctx context.Context, since int64) (version int64, things []Thing, lots []Lot, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var v string
		if err := tx.Table("facts").Select("value").Where("name = 'house'").Scan(&v).Error; err != nil {
			return err
		}
		if version, err = strconv.ParseInt(v, 10, 64); err != nil {
			return fmt.Errorf("the house's version cannot be read: %w", err)
		}
		if err := tx.Where("version > ?", since).Order("kind, id").Find(&things).Error; err != nil {
			return err
		}
		return tx.Order("food, best_before").Find(&lots).Error
	})
	return version, things, lots, down(err)
}

// Change is a set of edits to the house that is kept whole or not at all.
type Change struct {
	Seen    int64            // the house's version the caller saw; 0 for any
	Things  []Thing          // each with the version the caller saw, unless Seen is set
	Lots    map[string][]Lot // all lots of a food
	Picture *Picture         // kept; without data, thrown away
}

// ChangeHouse keeps a change. If something in it has moved on since the caller saw
// it, nothing is written and ErrConflict is returned.
func (s *Store) ChangeHouse(ctx context.Context, c Change) (version int64, err error) {
	now := time.Now().UTC().Truncate(time.Millisecond)
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var v string
		if err := tx.Clauses(clause.Locking{Strength: "UPDATE"}).Table("facts").Select("value").Where("name = 'house'").Scan(&v).Error; err != nil {
			return err
		}
		if version, err = strconv.ParseInt(v, 10, 64); err != nil {
			return fmt.Errorf("the house's version cannot be read: %w", err)
		}
		if c.Seen != 0 && c.Seen != version {
			return ErrConflict
		}
		version++
		if c.Seen == 0 {
			for _, t := range c.Things {
				var have Thing
				err := tx.Select("version").Where("kind = ? AND id = ?", t.Kind, t.ID).Take(&have).Error
				if err != nil && !errors.Is(err, gorm.ErrRecordNotFound) {
					return err
				}
				if have.Version != t.Version {
					return ErrConflict
				}
			}
		}
		things := make([]Thing, len(c.Things))
		for i, t := range c.Things {
			t.Version, t.UpdatedAt = version, now
			things[i] = t
		}
		if len(things) > 0 {
			if err := tx.Clauses(clause.OnConflict{UpdateAll: true}).CreateInBatches(things, 400).Error; err != nil {
				return err
			}
		}
		if err := keepLots(tx, c.Lots); err != nil {
			return err
		}
		if p := c.Picture; p != nil && len(p.Data) == 0 {
			if err := tx.Where("food = ?", p.Food).Delete(&Picture{}).Error; err != nil {
				return err
			}
		} else if p != nil {
			if err := tx.Clauses(clause.OnConflict{UpdateAll: true}).Create(p).Error; err != nil {
				return err
			}
		}
		return tx.Exec("UPDATE facts SET value = ? WHERE name = 'house'", strconv.FormatInt(version, 10)).Error
	})
	return version, down(err)
}

func keepLots(tx *gorm.DB, by map[string][]Lot) error {
	var foods []string
	var lots []Lot
	for food, list := range by {
		foods = append(foods, food)
		for _, l := range list {
			l.Food = food
			lots = append(lots, l)
		}
	}
	for len(foods) > 0 {
		n := min(400, len(foods))
		if err := tx.Where("food IN ?", foods[:n]).Delete(&Lot{}).Error; err != nil {
			return err
		}
		foods = foods[n:]
	}
	if len(lots) == 0 {
		return nil
	}
	return tx.CreateInBatches(lots, 400).Error
}

// Picture finds the kept photograph of a food.
func (s *Store) Picture(ctx context.Context, food string) (Picture, error) {
	var p Picture
	err := s.db.WithContext(ctx).Where("food = ?", food).Take(&p).Error
	if errors.Is(err, gorm.ErrRecordNotFound) {
		return p, ErrNotFound
	}
	return p, down(err)
}

// HasPicture reports whether a photograph of a food is kept.
func (s *Store) HasPicture(ctx context.Context, food string) (bool, error) {
	var n int64
	err := s.db.WithContext(ctx).Model(&Picture{}).Where("food = ?", food).Count(&n).Error
	return n > 0, down(err)
}
