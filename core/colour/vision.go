package colour

import "math"

// Vision is how colours look to an eye, as a matrix on linear RGB, row by row.
type Vision [9]float64

// How colours look to those who lack one kind of cone, wholly (Machado, Oliveira and Fernandes 2009, severity 1), and
// with lightness alone (the luminance of ITU-R BT.709).
var (
	WithoutRed   = Vision{0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998}
	WithoutGreen = Vision{0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.011820, 0.042940, 0.968881}
	WithoutBlue  = Vision{1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.303900}
	Grey         = Vision{0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722}
)

// Seen is the colour as an eye of that vision sees it.
func (c Lab) Seen(v Vision) Lab {
	r, g, b := c.linear()
	at := func(i int) float64 { return math.Max(0, math.Min(1, v[i]*r+v[i+1]*g+v[i+2]*b)) }
	return fromLinear(at(0), at(3), at(6))
}
