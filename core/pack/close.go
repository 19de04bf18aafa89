package pack

import (
	"cmp"
	"context"
	"slices"

	"happytray/core/food"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// More is small food that a tray wants more of.
type More struct {
	Food, Form string
	Count      int     // pieces
	Grams      float64 // of all of them
}

const (
	closeWith  = 2   // foods at most close a board: more of them read as a sprinkle
	closeTries = 400 // pieces of each that may be wanted
	worthOne   = 3   // pieces from which a food is worth buying more of
	toClose    = "to close the board"
)

// Close lays more of the small food that lies open on a tray into what is still bare, as if there were as much as is wanted,
// and tells how much that is: what closes the board most, of two foods at most. The tray is nil where nothing fits, where the
// house wants its air, or where no small food lies open that every guest may eat.
func Close(ctx context.Context, t *tray.Tray, larder *food.Larder) (*tray.Tray, []More) {
	filled, more := closed(ctx, t, larder, nil)
	if len(more) > closeWith {
		slices.SortStableFunc(more, func(a, b More) int { return cmp.Compare(b.Count, a.Count) })
		only := map[[2]string]bool{}
		for _, m := range more[:closeWith] {
			only[[2]string{m.Food, m.Form}] = true
		}
		filled, more = closed(ctx, t, larder, only)
	}
	if ctx.Err() != nil || !slices.ContainsFunc(more, func(m More) bool { return m.Count >= worthOne }) {
		return nil, nil
	}
	Rest(filled, func(i int) bool { return !t.Elements[i].Alike(&filled.Elements[i]) })
	return filled, more
}

// closed fills a tray with what only names, or with all that is small.
func closed(ctx context.Context, t *tray.Tray, larder *food.Larder, only map[[2]string]bool) (*tray.Tray, []More) {
	l := NewLayout(NewProblem(t, larder), t.Clone())
	if l.Airy() {
		return nil, nil
	}
	kept := l.Tray.Reserve
	l.Tray.Reserve = nil
	met := map[[2]string]bool{}
	for i := range l.Tray.Elements {
		e := &l.Tray.Elements[i]
		if !e.Placed {
			continue
		}
		l.AddElement(i)
		key := [2]string{e.Food, e.Form}
		f, ok := larder.Get(e.Food)
		if !ok || met[key] || only != nil && !only[key] || e.Vessel != "" || e.Locked || e.Kind() != food.KindLoose || f.Category == food.Cracker {
			continue
		}
		spec, ok := f.Spec(e.Form)
		if w := (&filler{f: f, spec: spec}); ok {
			w.shaped()
			ok = w.r <= fillerMM
		}
		if !ok {
			continue
		}
		met[key] = true
		each := spec.MassG
		if e.Count > 0 && e.Grams > 0 {
			each = e.Grams / float64(e.Count)
		}
		l.Tray.Reserve = append(l.Tray.Reserve, tray.Reserve{Food: e.Food, Form: e.Form, Count: closeTries, Grams: closeTries * each, Why: toClose})
	}
	if len(l.Tray.Reserve) == 0 || l.FillPockets(ctx, review.Mirrored(t)) == 0 {
		return nil, nil
	}
	var more []More
	for _, r := range l.Tray.Reserve { // what is left of what there is not
		of := 0.0
		for i := range t.Elements {
			if t.Elements[i].Food == r.Food && t.Elements[i].Form == r.Form {
				of -= t.Elements[i].Grams
				of += l.Tray.Elements[i].Grams
			}
		}
		if n := closeTries - r.Count; n > 0 {
			more = append(more, More{r.Food, r.Form, n, round.Tenth(of)})
		}
	}
	l.Tray.Reserve = kept
	return l.Tray, more
}
