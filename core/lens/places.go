package lens

import (
	"math"

	"happytray/core/access"
	"happytray/core/adjacency"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/portion"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/tray"
)

func (s *seeing) reach() {
	zone := s.t.Board.FoodZone.Bounds()
	sides := s.t.Board.Access
	if len(sides) == 0 {
		sides = []string{"top", "right", "bottom", "left"}
	}
	s.view.Title, s.view.Says = "Reach", say.That("lens.reach", say.MM(access.Reach))
	for _, side := range sides {
		at, way := review.SideLine(zone, side)
		deep := zone.H()
		if way.X != 0 {
			deep = zone.W()
		}
		if deep <= access.Reach { // all of it is within reach from there
			continue
		}
		far := at.Add(way.Mul(access.Reach))
		beyond := geom.Rect{Min: zone.Min, Max: zone.Max}
		switch side {
		case "top":
			beyond.Min.Y = far.Y
		case "bottom":
			beyond.Max.Y = far.Y
		case "left":
			beyond.Min.X = far.X
		case "right":
			beyond.Max.X = far.X
		}
		o := geom.Outline{beyond.Min, geom.Pt(beyond.Max.X, beyond.Min.Y), beyond.Max, geom.Pt(beyond.Min.X, beyond.Max.Y)}
		s.view.Areas = append(s.view.Areas, Area{Outline: o.Round(), Says: say.That("lens.beyond", say.Word("the "+s.t.Board.SideWord(side)))})
	}
	missed := map[string]int{}
	s.each(func(_ *tray.Element, fd *food.Food) {
		if !portion.IsSought(fd) || missed[fd.ID] != 0 {
			return
		}
		missed[fd.ID] = 1
		for _, side := range sides {
			at, way := review.SideLine(zone, side)
			best := math.Inf(1)
			s.each(func(e *tray.Element, o *food.Food) {
				if o.ID == fd.ID {
					b := box(e)
					near := b.Min
					if way.X < 0 || way.Y < 0 {
						near = b.Max
					}
					best = math.Min(best, near.Sub(at).Dot(way))
				}
			})
			if best > access.Reach {
				missed[fd.ID] = 2
			}
		}
	})
	s.each(func(e *tray.Element, fd *food.Food) {
		switch missed[fd.ID] {
		case 0:
			s.quiet(e, "#dcd7ca", "not sought by many")
		case 1:
			s.quiet(e, "#6f9a5a", "within reach of every side")
		default:
			s.tint(e, "#b5403a", "out of somebody's reach")
		}
	})
	if v, ok := s.check("service.reach"); ok {
		s.view.Number = say.That("lens.wanted", percent(v))
	} else {
		s.view.Number = say.That("lens.all")
	}
}

func (s *seeing) flow() {
	s.view.Title, s.view.Says = "Flow", say.That("lens.flow")
	s.each(func(e *tray.Element, fd *food.Food) {
		if k := e.Kind(); (k != food.KindTrail && k != food.KindRow) || e.Vessel != "" || len(e.Pieces) < 3 {
			return
		}
		line := Line{Ends: true, Says: say.Plain(s.name(e))}
		step := max(1, len(e.Pieces)/12)
		for i := 0; i < len(e.Pieces); i += step {
			line.Path = append(line.Path, e.Pieces[i].At)
		}
		line.Path = append(line.Path, e.Pieces[len(e.Pieces)-1].At)
		s.view.Lines = append(s.view.Lines, line)
		if e.Kind() == food.KindTrail {
			s.quiet(e, "#b5403a", "trail")
		} else {
			s.quiet(e, "#dfa06a", "row or fan")
		}
	})
	s.view.Number = say.That("lens.lines", say.Figure(len(s.view.Lines)))
	if v, ok := s.check("flow.span"); ok {
		s.view.Number = s.view.Number.Then("lens.along", percent(v))
	}
}

// seenGapMM is the least radius of a bare disc that is shown, and mostGaps how many are.
const (
	seenGapMM = 9
	mostGaps  = 8
)

func (s *seeing) gaps() {
	s.view.Title, s.view.Says = "Gaps and cutting room", say.That("lens.gaps", say.MM(22))
	b := s.t.Board
	zone := b.FoodZone.Bounds()
	g := geom.NewGrid(zone, math.Max(2, math.Sqrt(zone.W()*zone.H()/60000)), 4)
	n := g.Cells()
	block := make([]bool, n)
	for i := range block {
		block[i] = true
	}
	mark := func(o geom.Outline, v bool) {
		g.Spans(o, func(y, x0, x1 int) {
			for i := y*g.W + x0; i < y*g.W+x1; i++ {
				block[i] = v
			}
		})
	}
	mark(b.FoodZone, false)
	for _, k := range b.Keepouts {
		mark(k, true)
	}
	s.each(func(e *tray.Element, fd *food.Food) {
		spec, _ := fd.Spec(e.Form)
		if face, ok := food.CutFace(fd, spec); ok {
			pose := e.Pose()
			at := pose.Apply(face.At)
			face.At, face.Dir = at, face.Dir+pose.Turn
			room := review.CutRoom(face)
			mark(room, true)
			s.view.Areas = append(s.view.Areas, Area{Outline: room.Round(), Says: say.That("lens.knife", say.Food(s.name(e)))})
		}
	})
	s.each(func(e *tray.Element, _ *food.Food) {
		for i := range e.Pieces {
			mark(e.Pieces[i].Outline, true)
		}
	})
	dist, tmp := make([]int32, n), make([]int32, n)
	g.DistanceField(dist, tmp, geom.Window{X0: 0, Y0: 0, X1: g.W, Y1: g.H}, block, true)
	for range mostGaps {
		best, at := int32(0), -1
		for i, d := range dist {
			if d > best {
				best, at = d, i
			}
		}
		r := (math.Sqrt(float64(best)) - .5) * g.Cell
		if at < 0 || r < seenGapMM {
			break
		}
		c := g.Centre(at%g.W, at/g.W)
		s.view.Discs = append(s.view.Discs, Disc{At: c.Round(), R: round.Tenth(r), Bad: 2*r > 22, Says: say.That("lens.gap", say.MM(2*r))})
		w := g.Window(geom.Rect{Min: c, Max: c}.Grow(2*r), 0)
		for y := w.Y0; y < w.Y1; y++ {
			for x := w.X0; x < w.X1; x++ {
				if g.Centre(x, y).Dist(c) < 2*r {
					dist[y*g.W+x] = 0
				}
			}
		}
	}
	s.view.Number = say.That("lens.closed", say.MM(2*seenGapMM))
	if len(s.view.Discs) > 0 {
		s.view.Number = say.That("lens.widest", say.MM(2*s.view.Discs[0].R))
	}
	if v, ok := s.check("fit.cover"); ok {
		s.view.Number = s.view.Number.Then("lens.covered", percent(v))
	}
}

// pairMM is the gap up to which a pair lies within a hand's width, clashMM the one under which what clashes is too near.
const (
	pairMM  = 120
	clashMM = 60
)

func (s *seeing) pairs() {
	s.view.Title, s.view.Says = "Pairs", say.That("lens.pairs")
	var all []*tray.Element
	var foods []*food.Food
	s.each(func(e *tray.Element, fd *food.Food) {
		if e.Category != food.Garnish {
			all, foods = append(all, e), append(foods, fd)
		}
	})
	palate := food.NewPalate(foods)
	shapes := make([][]geom.Body, len(all))
	for i, e := range all {
		shapes[i] = bodies(e)
	}
	near, clash := 0, 0
	lines := map[[2]string]int{} // the line of each two foods: the nearest of them
	gaps := map[[2]string]float64{}
	paired := map[string]bool{}
	for i, a := range all {
		row := palate.Affinities(i)
		for j, b := range all[:i] {
			goes, spoils := adjacency.ArePartners(row[j]), adjacency.SpoilEachOther(row[j])
			if a.Food == b.Food || !goes && !spoils {
				continue
			}
			most := float64(pairMM)
			if spoils {
				most = clashMM
			}
			gap, at, to, ok := nearest(shapes[i], shapes[j], most)
			if !ok {
				continue
			}
			paired[a.ID], paired[b.ID] = paired[a.ID] || goes, paired[b.ID] || goes
			key := [2]string{min(a.Food, b.Food), max(a.Food, b.Food)}
			line := Line{Path: []geom.Point{at.Round(), to.Round()}, Bad: spoils, Says: say.That("lens.pair", say.Word(s.name(a)), say.Word(s.name(b)), say.MM(gap))}
			if k, seen := lines[key]; !seen {
				lines[key], gaps[key] = len(s.view.Lines), gap
				s.view.Lines = append(s.view.Lines, line)
				if goes {
					near++
				} else {
					clash++
				}
			} else if gap < gaps[key] {
				s.view.Lines[k], gaps[key] = line, gap
			}
		}
	}
	s.each(func(e *tray.Element, _ *food.Food) {
		if paired[e.ID] {
			s.quiet(e, "#d9a441", "has its partner near")
		} else {
			s.quiet(e, "#dcd7ca", "on its own")
		}
	})
	s.view.Number = say.That("lens.hand", say.Figure(near))
	if clash > 0 {
		s.view.Number = s.view.Number.Then("lens.clash", say.Figure(clash))
	}
}
