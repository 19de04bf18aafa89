package store

import (
	"context"
	"errors"
	"fmt"
	"maps"
	"slices"
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

// Entry is what the user made of one food, board or vessel, or what was kept on the shelf. Version goes up with every
// change; 0 is one that is not kept yet.
type Entry struct {
	Studio    int    `gorm:"primaryKey;autoIncrement:false"`
	Kind      string `gorm:"primaryKey"`
	ID        string `gorm:"primaryKey"`
	Document  string
	PutAway   bool
	Version   int64
	UpdatedAt time.Time
}

// TableName is where entries are.
func (Entry) TableName() string { return "things" }

// Lot is grams of a food in the cupboard, best before a day (2026-11-30) or "".
type Lot struct {
	Studio     int    `gorm:"primaryKey;autoIncrement:false"`
	Food       string `gorm:"primaryKey"`
	BestBefore string `gorm:"primaryKey"`
	Grams      float64
}

// Picture is a kept photograph of a food.
type Picture struct {
	Studio int    `gorm:"primaryKey;autoIncrement:false"`
	Food   string `gorm:"primaryKey"`
	Media  string
	Data   []byte
}

// houseFact is the version of the house: the number of the last change to things and lots.
const houseFact = "house"

func houseVersion(value string) (int64, error) {
	if value == "" {
		return 1, nil // nothing was ever changed
	}
	version, err := strconv.ParseInt(value, 10, 64)
	if err != nil {
		return 0, fmt.Errorf("the house's version cannot be read: %w", err)
	}
	return version, nil
}

// HouseVersion is the number of the last change to things and lots.
func (s *Store) HouseVersion(ctx context.Context) (int64, error) {
	v, err := s.Fact(ctx, houseFact)
	if err != nil {
		return 0, err
	}
	return houseVersion(v)
}

// House reads what the user made since a version, 0 for everything, and all that
// is in the cupboard, as they were at one version.
func (s *Store) House(ctx context.Context, since int64) (version int64, things []Entry, lots []Lot, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		return db.Transaction(func(tx *gorm.DB) error {
			v, err := factIn(tx, houseFact)
			if err != nil {
				return err
			}
			if version, err = houseVersion(v); err != nil {
				return err
			}
			if err := tx.Where("version > ?", since).Order("kind, id").Find(&things).Error; err != nil {
				return err
			}
			return tx.Order("food, best_before").Find(&lots).Error
		})
	})
	return version, things, lots, err
}

// Change is a set of edits to the house that is kept whole or not at all.
type Change struct {
	Seen    int64             // the house's version the caller saw; 0 for any
	Things  []Entry           // each with the version the caller saw, unless Seen is set
	Lots    map[string]LotsOf // of a food, all its lots out of those it had
	Picture *Picture          // kept; without data, thrown away
	New     *NewEntry         // made, with an id that nothing has
}

// LotsOf makes of the lots of a food, as they are when nobody else can change them, those it has then.
type LotsOf func(was []Lot) ([]Lot, error)

// JustThese are lots whatever was there before.
func JustThese(lots []Lot) LotsOf { return func([]Lot) ([]Lot, error) { return lots, nil } }

// NewEntry is made under the first id that is free.
type NewEntry struct {
	Kind string
	IDs  func(yield func(id string) bool) // ids to try, in order
	Make func(id string) (document string, err error)
	ID   string // set once it is made
}

// ChangeHouse keeps a change. If something in it has moved on since the caller saw
// it, nothing is written and ErrConflict is returned.
func (s *Store) ChangeHouse(ctx context.Context, c Change) (version int64, err error) {
	err = s.change(ctx, func(tx *gorm.DB) error {
		v, err := lockFact(tx, houseFact) // one change after the other
		if err != nil {
			return err
		}
		if version, err = houseVersion(v); err != nil {
			return err
		}
		if c.Seen != 0 && c.Seen != version {
			return ErrConflict
		}
		version++
		if c.Seen == 0 {
			if err := unchanged(tx, c.Things); err != nil {
				return err
			}
		}
		things := slices.Clone(c.Things)
		if c.New != nil {
			made, err := c.New.make(tx)
			if err != nil {
				return err
			}
			things = append(things, made)
		}
		now := s.moment()
		for i := range things {
			things[i].Version, things[i].UpdatedAt = version, now
		}
		if len(things) > 0 {
			if err := tx.Clauses(clause.OnConflict{UpdateAll: true}).CreateInBatches(things, 400).Error; err != nil {
				return err
			}
		}
		if err := writeLots(tx, c.Lots); err != nil {
			return err
		}
		if err := writePicture(tx, c.Picture); err != nil {
			return err
		}
		return swapFact(tx, houseFact, v, strconv.FormatInt(version, 10))
	})
	return version, err
}

// unchanged reports ErrConflict where one of the things has moved on.
func unchanged(tx *gorm.DB, things []Entry) error {
	for _, t := range things {
		var have Entry
		err := tx.Select("version").Where("kind = ? AND id = ?", t.Kind, t.ID).Take(&have).Error
		if err != nil && !errors.Is(err, gorm.ErrRecordNotFound) {
			return err
		}
		if have.Version != t.Version {
			return ErrConflict
		}
	}
	return nil
}

// make finds the first of the ids that is free. Nobody else makes anything meanwhile,
// because the house's version is locked.
func (n *NewEntry) make(tx *gorm.DB) (Entry, error) {
	for id := range n.IDs {
		var taken []string
		if err := tx.Model(&Entry{}).Where("kind = ? AND id = ?", n.Kind, id).Limit(1).Pluck("id", &taken).Error; err != nil {
			return Entry{}, err
		}
		if len(taken) == 0 {
			document, err := n.Make(id)
			n.ID = id
			return Entry{Kind: n.Kind, ID: id, Document: document}, err
		}
	}
	return Entry{}, ErrConflict
}

func writeLots(tx *gorm.DB, by map[string]LotsOf) error {
	foods := slices.Sorted(maps.Keys(by))
	var lots []Lot
	for from := foods; len(from) > 0; {
		n := min(400, len(from))
		var have []Lot
		if err := tx.Where("food IN ?", from[:n]).Order("food, best_before").Find(&have).Error; err != nil {
			return err
		}
		was := map[string][]Lot{}
		for _, l := range have {
			was[l.Food] = append(was[l.Food], l)
		}
		for _, food := range from[:n] {
			list, err := by[food](was[food])
			if err != nil {
				return err
			}
			for _, l := range list {
				l.Food = food
				lots = append(lots, l)
			}
		}
		if err := tx.Where("food IN ?", from[:n]).Delete(&Lot{}).Error; err != nil {
			return err
		}
		from = from[n:]
	}
	if len(lots) == 0 {
		return nil
	}
	return tx.CreateInBatches(lots, 400).Error
}

func writePicture(tx *gorm.DB, p *Picture) error {
	switch {
	case p == nil:
		return nil
	case len(p.Data) == 0:
		return tx.Where("food = ?", p.Food).Delete(&Picture{}).Error
	}
	return tx.Clauses(clause.OnConflict{UpdateAll: true}).Create(p).Error
}

// Picture finds the kept photograph of a food.
func (s *Store) Picture(ctx context.Context, food string) (p Picture, err error) {
	err = s.ask(ctx, func(db *gorm.DB) error {
		err := db.Where("food = ?", food).Take(&p).Error
		if errors.Is(err, gorm.ErrRecordNotFound) {
			return ErrNotFound
		}
		return err
	})
	return p, err
}

// HasPicture reports whether a photograph of a food is kept.
func (s *Store) HasPicture(ctx context.Context, food string) (bool, error) {
	var n int64
	err := s.ask(ctx, func(db *gorm.DB) error { return db.Model(&Picture{}).Where("food = ?", food).Count(&n).Error })
	return n > 0, err
}
