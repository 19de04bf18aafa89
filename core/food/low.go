package food

import "slices"

// Stands is how high a food stands in a form, mm: the highest of a group of its pieces as they are laid. What lies in a bowl
// stands no higher than the bowl, 0; what stands upright in a cup does.
func Stands(id string, s Spec) float64 {
	if InVessel(s.Form) {
		if s.Form == "upright" {
			return s.L // on end
		}
		return 0
	}
	high := s.H
	if form := FormByID(s.Form); form != nil {
		for _, p := range form.Lay(id, s, max(1, s.Group)) {
			high = max(high, p.Z+p.Height)
		}
	}
	return high
}

// Low is the larder as it goes under a lid: of each food the forms that stand no higher than so many mm, and no food that
// has none; those that were asked for by name stay as they are.
func (l *Larder) Low(mm float64, asked func(id string) bool) *Larder {
	var low []Food
	gone := map[string]bool{}
	all := l.All()
	for i := range all {
		f := all[i]
		if asked(f.ID) || f.Category == NotFood {
			continue
		}
		f.Forms = slices.DeleteFunc(f.Ways(), func(s Spec) bool { return Stands(f.ID, s) > mm })
		if len(f.Forms) == 0 {
			gone[f.ID] = true
			continue
		}
		low = append(low, f)
	}
	return l.With(low).Without(gone)
}
