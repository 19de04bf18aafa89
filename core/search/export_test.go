package search

// What the tests of whole searches want to know.
const (
	MaxEffort   = maxEffort
	Crumbs      = crumbs
	WorthSeeing = worthSeeing
)

// Missing and Scaled are what a wish that cannot be met is answered with.
var (
	Missing = missing
	Scaled  = scaled
)
