package app

import (
	"happytray/art"
	"happytray/core/lens"
	"happytray/core/pick"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/core/review"
	"happytray/core/shop"
	"happytray/formats/table"
)

// What answers are made of: the server sends it on, and works nothing out of it.
type (
	Review   = review.Review
	LensView = lens.View
	Drawn    = art.Scene
	Basket   = shop.Basket
	Saving   = shop.Saving
	QuoteOf  = price.Quote
	Prep     = prep.Sheet
	Side     = pick.Side
	Table    = table.Table
	Import   = table.Import
)

// What a file would do with a food.
const (
	Added   = table.Added
	Changed = table.Changed
	Same    = table.Same
	Refused = table.Refused
)
