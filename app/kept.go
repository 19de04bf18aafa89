package app

import (
	"context"
	"database/sql"

	"happytray/store"
)

// What the house keeps is told by the store's own words.
var (
	ErrNotFound = store.ErrNotFound
	ErrNothing  = store.ErrNothing
	ErrConflict = store.ErrConflict
	ErrMany     = store.ErrMany
	ErrDown     = store.ErrDown
	ErrFull     = store.ErrFull
)

// The kinds of things in a house that can be changed.
const (
	KindFood   = store.KindFood
	KindBoard  = store.KindBoard
	KindVessel = store.KindVessel
)

// Photograph is one of an evening, and KeptPicture the one of a food or an idea.
type (
	Photograph  = store.Photo
	KeptPicture = store.Picture
)

// Photos lists the photographs of an evening, without their data.
func (a *App) Photos(ctx context.Context, evening string) ([]Photograph, error) {
	return a.store.Photos(ctx, evening)
}

// Photo is one photograph of an evening.
func (a *App) Photo(ctx context.Context, evening, id string) (Photograph, error) {
	return a.store.Photo(ctx, evening, id)
}

// DropPhoto throws a photograph of an evening away.
func (a *App) DropPhoto(ctx context.Context, evening, id string) error {
	return a.store.DropPhoto(ctx, evening, id)
}

// FoodPhoto is the photograph of a food.
func (a *App) FoodPhoto(ctx context.Context, food string) (KeptPicture, error) {
	return a.store.Picture(ctx, food)
}

// HasFoodPhoto reports whether there is one.
func (a *App) HasFoodPhoto(ctx context.Context, food string) (bool, error) {
	return a.store.HasPicture(ctx, food)
}

// Answers asks the database for a fact: nil where it can be worked with.
func (a *App) Answers(ctx context.Context) error { return a.store.Ping(ctx) }

// Connections are those to the database.
func (a *App) Connections() sql.DBStats { return a.store.Stats() }
