package store

import (
	"gorm.io/gorm"
	"gorm.io/gorm/clause"
)

// studioColumn leads every key; see migrations/00004_studio.sql.
const studioColumn = "studio"

// keepTo makes every query of db one of a single studio: what is read, changed or
// deleted is that studio's, and what is made becomes its. It is the only place that
// says so, and queries that would pass by it, as raw SQL does, are not used (a test
// looks for them).
func keepTo(db *gorm.DB, studio int) error {
	only := func(tx *gorm.DB) {
		tx.Statement.AddClause(clause.Where{Exprs: []clause.Expression{
			clause.Eq{Column: clause.Column{Table: clause.CurrentTable, Name: studioColumn}, Value: studio}}})
	}
	mark := func(tx *gorm.DB) { tx.Statement.SetColumn("Studio", studio, true) }
	call := db.Callback()
	for _, register := range []func() error{
		func() error { return call.Query().Before("gorm:query").Register("studio:query", only) },
		func() error { return call.Row().Before("gorm:row").Register("studio:row", only) },
		func() error { return call.Update().Before("gorm:update").Register("studio:update", only) },
		func() error { return call.Delete().Before("gorm:delete").Register("studio:delete", only) },
		func() error { return call.Create().Before("gorm:create").Register("studio:create", mark) },
	} {
		if err := register(); err != nil {
			return err
		}
	}
	return nil
}
