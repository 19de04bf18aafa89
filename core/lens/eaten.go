package lens

import (
	"context"
	"math"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/say"
	"happytray/core/tray"
)

// playedEvenings is how many evenings the lens is of: few, so that it follows what is laid.
const playedEvenings = 150

// eaten shows what is foreseen to be left of each element when the evening is over, and why.
func (s *seeing) eaten() error {
	s.view.Title, s.view.Says = "Eaten", say.That("lens.eaten", say.N(playedEvenings))
	guests := s.t.Brief.Guests.Total()
	if guests == 0 {
		return fault.Bad("brief.guests", "say how many guests come, then it can be foreseen what they eat")
	}
	one := *s.t
	one.Part = nil // this tray alone, for its guests
	f, err := graze.Simulate(context.Background(), &job.Job{Brief: s.t.Brief, Trays: []*tray.Tray{&one}}, s.larder, graze.Options{Evenings: min(playedEvenings, max(20, 60_000/guests)), Seed: 1})
	if err != nil {
		return err
	}
	by := map[string]*graze.Element{}
	for i := range f.Elements {
		by[f.Elements[i].ID] = &f.Elements[i]
	}
	laid := 0.0
	s.each(func(e *tray.Element, fd *food.Food) {
		g := by[e.ID]
		if g == nil {
			s.quiet(e, "#dcd7ca", "not eaten")
			return
		}
		laid += g.LaidG
		part := g.LeftG.P50 / math.Max(.1, g.LaidG)
		switch {
		case part <= .02 && g.GoneAtMin != nil && g.GoneAtMin.P50 < .6*f.Minutes:
			s.tint(e, "#2f6b4f", "gone early")
		case part <= .1:
			s.tint(e, "#86b394", "eaten")
		case part <= .5:
			s.tint(e, "#ead9a2", "some is left")
		case part < .95:
			s.tint(e, "#dd8f52", "most is left")
		default:
			s.tint(e, "#a8341f", "untouched")
		}
		if part > .5 && len(g.Why) > 0 {
			s.view.Discs = append(s.view.Discs, Disc{At: box(e).Centre().Round(), R: 9, Bad: true, Says: say.That("named", say.Word(fd.Name), say.Word(g.Why[0]))})
		}
	})
	s.view.Number = say.That("lens.left", say.Grams(f.Waste.Grams), say.Grams(laid))
	return nil
}
