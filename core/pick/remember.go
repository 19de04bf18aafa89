package pick

import (
	"fmt"
	"slices"
	"strings"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/portion"
	"happytray/core/say"
)

// mostRemembered is how many changes since the last time are worth telling.
const mostRemembered = 3

// Remembered says what this host had last time and has now instead: of each kind the food of
// before that was best liked, and the new one that is; at most three, the best liked first.
func Remembered(b brief.Brief, chosen []*food.Food, larder *food.Larder) []string {
	if b.Had == nil || len(b.Had.Last) == 0 {
		return nil
	}
	type change struct{ was, is *food.Food }
	var out []change
	for _, c := range food.Categories {
		if c == food.Garnish || c == food.NotFood {
			continue
		}
		var x change
		better := func(a, b *food.Food) bool { return b == nil || a.Liking > b.Liking }
		for _, id := range b.Had.Last {
			if f, ok := larder.Get(id); ok && f.Category == c && !slices.ContainsFunc(chosen, func(o *food.Food) bool { return o.ID == id }) && better(f, x.was) {
				x.was = f
			}
		}
		for _, f := range chosen {
			if f.Category == c && !slices.Contains(b.Had.Last, f.ID) && better(f, x.is) {
				x.is = f
			}
		}
		if x.was != nil && x.is != nil {
			out = append(out, x)
		}
	}
	slices.SortStableFunc(out, func(x, y change) int {
		if x.was.Liking > y.was.Liking {
			return -1
		}
		return b2i(x.was.Liking < y.was.Liking)
	})
	var says []string
	for _, x := range out[:min(len(out), mostRemembered)] {
		says = append(says, fmt.Sprintf("Last time they had the %s; this time %s.", strings.ToLower(x.was.Name), strings.ToLower(x.is.Name)))
	}
	return says
}

func b2i(v bool) int {
	if v {
		return 1
	}
	return 0
}

// SetsApart says in a sentence what a choice has that others have not: what everybody takes, what
// is at its best, or what is new, by what it leans to, and then what it alone has.
func SetsApart(b brief.Brief, chosen []*food.Food, others ...[]*food.Food) string {
	var told []*food.Food
	says := ""
	names := func(list []*food.Food) string {
		var out []string
		for _, f := range list[:min(3, len(list))] {
			out = append(out, strings.ToLower(f.Name))
		}
		told = append(told, list[:min(3, len(list))]...)
		return say.And(out)
	}
	sorted := func(keep func(f *food.Food) bool, most bool) []*food.Food {
		var out []*food.Food
		for _, f := range chosen {
			if f.Category != food.Garnish && f.Category != food.NotFood && keep(f) {
				out = append(out, f)
			}
		}
		slices.SortStableFunc(out, func(x, y *food.Food) int {
			if x.Liking == y.Liking {
				return 0
			}
			return 1 - 2*b2i((x.Liking > y.Liking) == most)
		})
		return out
	}
	switch b.Leaning {
	case "season":
		best := sorted(func(f *food.Food) bool { return f.SeasonIn(b.SeasonMonth(), b.Hemisphere) == food.AtBest }, true)
		if len(best) > 0 {
			says = fmt.Sprintf("%s at its best this month: %s.", say.Upper(say.Count(len(best), "food")), names(best))
			if len(best) > 1 {
				says = strings.Replace(says, "at its best", "at their best", 1)
			}
		}
	case "new":
		if fresh := sorted(func(f *food.Food) bool { return f.Liking < portion.Sought-.1 }, false); len(fresh) > 0 {
			says = fmt.Sprintf("Seldom on a tray: %s.", names(fresh))
		}
	default:
		if liked := sorted(portion.IsSought, true); len(liked) > 0 {
			says = fmt.Sprintf("What everybody takes: %s.", names(liked))
		}
	}
	alone := sorted(func(f *food.Food) bool {
		return !slices.Contains(told, f) && !slices.ContainsFunc(others, func(o []*food.Food) bool { return slices.Contains(o, f) })
	}, true)
	if len(alone) > 0 {
		says = strings.TrimSpace(says + fmt.Sprintf(" Only here: %s.", names(alone)))
	}
	return says
}
