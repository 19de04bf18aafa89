package app

import (
	"context"

	"happytray/core/brief"
	"happytray/core/theme"
)

// ThemeTold is what the theme of a brief does, and which others are of its month.
type ThemeTold struct {
	Known            bool // false for a name that says nothing, and where there is no theme
	Name, Hour       string
	Does             []string
	Nearest, Offered []string
}

// mostNearest is how many themes are told that a name is most like.
const mostNearest = 3

// Theme tells of the theme of a brief.
func (a *App) Theme(ctx context.Context, b brief.Brief) (ThemeTold, error) {
	h, err := a.House(ctx)
	if err != nil {
		return ThemeTold{}, err
	}
	out := ThemeTold{Offered: theme.Offered(b.SeasonMonth(), b.Hemisphere)}
	t := theme.ForBrief(b)
	switch {
	case t == nil:
	case t.NameOnly:
		out.Nearest = theme.Nearest(t.Called, mostNearest)
	default:
		out.Known, out.Name, out.Hour = true, t.Name, t.Hour
		for _, s := range spoken(ctx, a, t.Does(h.Larder)) {
			out.Does = append(out.Does, s.String())
		}
	}
	return out, nil
}
