package arrange

import (
	"math/rand/v2"
	"testing"

	"happytray/core/geom"
)

// What the cover turns away would be turned away in full, too; and it turns away most of what is.
func TestCoverTurnsAwayOnlyWhatIsStuck(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 26))
	for _, guests := range []int{8, 18} {
		tr := laidFor(t, guests)
		z := newZone(tr.Board)
		p := newParting(&z, tr, nil, false)
		stuck, told := 0, 0
		for i := range p.lumps {
			l := &p.lumps[i]
			if l.loose || l.light == 0 {
				continue
			}
			c := p.newCover(i)
			for range 40 {
				to := geom.Pt(z.box.Min.X+r.Float64()*z.box.W(), z.box.Min.Y+r.Float64()*z.box.H()).Sub(l.home)
				turn := float64(45 * r.IntN(4))
				meets := c.meets(to, turn)
				l.put(to, turn)
				if is := p.stuck(i); is {
					stuck++
					if meets {
						told++
					}
				} else if meets {
					e := &tr.Elements[l.e]
					t.Errorf("%s (%s) at %v, turned by %g, is turned away and lies free", e.ID, e.Form, to.Add(l.home), turn)
				}
				l.put(geom.Point{}, 0)
			}
		}
		if stuck < 200 || told < stuck*2/3 {
			t.Errorf("%d guests: of %d places that are taken %d were told at a glance", guests, stuck, told)
		}
	}
}
