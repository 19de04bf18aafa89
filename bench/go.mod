// The measurements of the arranger against other ways of laying a tray. They are a module
// of their own, because what they need for that the product does not.
module happytray/bench

go 1.26.8

require (
	gonum.org/v1/gonum v0.17.0
	happytray v0.0.0
)

require (
	github.com/lucasb-eyer/go-colorful v1.4.1 // indirect
	golang.org/x/tools v0.52.0 // indirect
)

replace happytray => ../
