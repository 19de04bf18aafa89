package art

import (
	"math"

	"happytray/core/tool"
)

// Steel and wood of tools.
const (
	steel, steelLight, steelDark = "#c3c9cc", "#eef1f2", "#7d868b"
	wood1, wood2, woodDark       = "#9c6a41", "#b98656", "#5f3d22"
)

// Tool draws a serving tool with its tip at the origin and its handle along x, mm. It needs no gradients, so that it can be put into
// any document.
func Tool(name string) string {
	s := tool.SizeOf(name)
	var m markup
	switch name {
	case "dipper":
		handleOf(&m, s.Head-4, s.Long, 7, wood1, woodDark)
		for i := range 6 {
			x := 4 + float64(i)*(s.Head-8)/5
			w := s.Wide / 2 * (1 - .35*math.Abs(float64(i)-2.5)/2.5)
			m.leaf("ellipse", "cx", f(x), "cy", "0", "rx", "2.6", "ry", f(w), "fill", wood2, "stroke", woodDark, "stroke-width", ".7")
		}
	case "tongs":
		for _, side := range []float64{-1, 1} {
			y := side * s.Wide / 2
			d := "M0 " + f(y*.5) + "Q" + f(s.Long*.3) + " " + f(y*1.25) + " " + f(s.Long*.62) + " " + f(y*.8) + "T" + f(s.Long-3) + " " + f(side*1.5)
			m.leaf("path", "d", d, "fill", "none", "stroke", steelDark, "stroke-width", "7", "stroke-linecap", "round")
			m.leaf("path", "d", d, "fill", "none", "stroke", steel, "stroke-width", "5", "stroke-linecap", "round")
			m.leaf("path", "d", d, "fill", "none", "stroke", steelLight, "stroke-width", "1.4", "stroke-linecap", "round")
		}
		m.leaf("circle", "cx", f(s.Long-4), "cy", "0", "r", "5", "fill", steel, "stroke", steelDark, "stroke-width", ".8")
	case "fork":
		handleOf(&m, s.Head, s.Long, 8, wood1, woodDark)
		for _, y := range []float64{-s.Wide / 2.6, 0, s.Wide / 2.6} {
			m.leaf("path", "d", "M1 "+f(y)+"L"+f(s.Head*.62)+" "+f(y*.9), "fill", "none", "stroke", steel, "stroke-width", "2", "stroke-linecap", "round")
		}
		m.leaf("path", "d", "M"+f(s.Head*.56)+" "+f(-s.Wide/2.3)+"Q"+f(s.Head*.9)+" "+f(-s.Wide/2.3)+" "+f(s.Head+4)+" -2L"+f(s.Head+4)+" 2Q"+f(s.Head*.9)+" "+f(s.Wide/2.3)+" "+f(s.Head*.56)+" "+f(s.Wide/2.3)+"Z", "fill", steel, "stroke", steelDark, "stroke-width", ".7")
	case "scoop":
		handleOf(&m, s.Head-3, s.Long, 9, wood1, woodDark)
		w := s.Wide / 2
		m.leaf("path", "d", "M3 "+f(-w*.82)+"L"+f(s.Head*.6)+" "+f(-w)+"Q"+f(s.Head*1.05)+" "+f(-w)+" "+f(s.Head*1.05)+" 0Q"+f(s.Head*1.05)+" "+f(w)+" "+f(s.Head*.6)+" "+f(w)+"L3 "+f(w*.82)+"Q9 0 3 "+f(-w*.82)+"Z", "fill", wood2, "stroke", woodDark, "stroke-width", ".9")
		m.leaf("path", "d", "M10 "+f(-w*.5)+"L"+f(s.Head*.7)+" "+f(-w*.62)+"Q"+f(s.Head*.86)+" 0 "+f(s.Head*.7)+" "+f(w*.62)+"L10 "+f(w*.5)+"Z", "fill", woodDark, "opacity", ".34")
	case "spoon", "small spoon", "slotted spoon":
		handleOf(&m, s.Head-2, s.Long, math.Max(6, s.Wide*.27), steel, steelDark)
		spoonHead(&m, s)
		if name == "slotted spoon" {
			for _, y := range []float64{-.2, 0, .2} {
				m.leaf("path", "d", "M"+f(s.Head*.3)+" "+f(y*s.Wide)+"L"+f(s.Head*.72)+" "+f(y*s.Wide), "fill", "none", "stroke", steelDark, "stroke-width", "2", "stroke-linecap", "round")
			}
		}
	case "spreader", "flat chisel", "spade blade", "narrow pointed blade", "holed blade":
		handleOf(&m, s.Head+4, s.Long, 11, wood1, woodDark)
		m.leaf("path", "d", "M"+f(s.Head-2)+" -3L"+f(s.Head+8)+" -2.6L"+f(s.Head+8)+" 2.6L"+f(s.Head-2)+" 3Z", "fill", steelDark)
		d := blade(name, s)
		m.leaf("path", "d", d, "fill", steel, "stroke", steelDark, "stroke-width", ".8", "stroke-linejoin", "round")
		m.leaf("path", "d", "M"+f(s.Head*.12)+" "+f(-s.Wide*.16)+"L"+f(s.Head*.92)+" "+f(-s.Wide*.18), "fill", "none", "stroke", steelLight, "stroke-width", f(math.Max(1.2, s.Wide*.1)), "stroke-linecap", "round")
		if name == "holed blade" {
			for i := range 4 {
				m.leaf("ellipse", "cx", f(s.Head*(.26+.18*float64(i))), "cy", "1", "rx", "5.5", "ry", f(s.Wide*.2), "fill", "#5a4a3a", "opacity", ".55")
			}
		}
	default: // a house's own
		handleOf(&m, s.Head-2, s.Long, 8, wood1, woodDark)
		spoonHead(&m, s)
	}
	return m.String()
}

// handleOf is a handle from one place along x to another.
func handleOf(m *markup, from, to, wide float64, fill, rim string) {
	w := wide / 2
	d := "M" + f(from) + " " + f(-w*.55) + "Q" + f(from+(to-from)*.5) + " " + f(-w*.8) + " " + f(to-w) + " " + f(-w) + "A" + f(w) + " " + f(w) + " 0 0 1 " + f(to-w) + " " + f(w) + "Q" + f(from+(to-from)*.5) + " " + f(w*.8) + " " + f(from) + " " + f(w*.55) + "Z"
	m.leaf("path", "d", d, "fill", fill, "stroke", rim, "stroke-width", ".8")
	m.leaf("path", "d", "M"+f(from+4)+" "+f(-w*.3)+"L"+f(to-w-2)+" "+f(-w*.45), "fill", "none", "stroke", "#ffffff", "stroke-width", f(math.Max(.8, wide*.12)), "opacity", ".4", "stroke-linecap", "round")
}

func spoonHead(m *markup, s tool.Size) {
	w := s.Wide / 2
	d := "M0 0C0 " + f(-w*1.25) + " " + f(s.Head*.75) + " " + f(-w*1.2) + " " + f(s.Head) + " " + f(-w*.22) + "L" + f(s.Head) + " " + f(w*.22) + "C" + f(s.Head*.75) + " " + f(w*1.2) + " 0 " + f(w*1.25) + " 0 0Z"
	m.leaf("path", "d", d, "fill", steel, "stroke", steelDark, "stroke-width", ".8")
	m.leaf("ellipse", "cx", f(s.Head*.45), "cy", f(w*.08), "rx", f(s.Head*.3), "ry", f(w*.6), "fill", steelDark, "opacity", ".35")
	m.leaf("ellipse", "cx", f(s.Head*.36), "cy", f(-w*.3), "rx", f(s.Head*.14), "ry", f(w*.16), "fill", "#ffffff", "opacity", ".75")
}

// blade is the outline of a cheese knife's blade from its tip.
func blade(name string, s tool.Size) string {
	w, h := s.Wide/2, s.Head
	switch name {
	case "flat chisel": // broad at its edge
		return "M0 " + f(-w) + "L0 " + f(w) + "Q" + f(h*.5) + " " + f(w*.8) + " " + f(h) + " 4L" + f(h) + " -4Q" + f(h*.5) + " " + f(-w*.8) + " 0 " + f(-w) + "Z"
	case "spade blade": // a rounded point
		return "M0 0Q" + f(h*.2) + " " + f(-w*1.15) + " " + f(h*.62) + " " + f(-w) + "L" + f(h) + " -5L" + f(h) + " 5L" + f(h*.62) + " " + f(w) + "Q" + f(h*.2) + " " + f(w*1.15) + " 0 0Z"
	case "narrow pointed blade":
		return "M0 " + f(-w*.2) + "Q" + f(h*.45) + " " + f(-w) + " " + f(h) + " " + f(-w*.8) + "L" + f(h) + " " + f(w*.7) + "Q" + f(h*.4) + " " + f(w) + " 0 " + f(-w*.2) + "Z"
	}
	return "M0 0C0 " + f(-w*1.1) + " " + f(h*.3) + " " + f(-w) + " " + f(h) + " " + f(-w*.5) + "L" + f(h) + " " + f(w*.5) + "C" + f(h*.3) + " " + f(w) + " 0 " + f(w*1.1) + " 0 0Z"
}
