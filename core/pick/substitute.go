package pick

import (
	"fmt"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/theme"
)

// Substitute is a food that can take another's place on a tray.
type Substitute struct {
	Food *food.Food
	Form string  // the same form where it has it, or the nearest of its own
	Near float64 // 0 to 1: 1 would be the same
	Why  string
}

// What makes a substitute near, and how much each counts: it plays the role, it
// looks alike (CIEDE2000), it lies alike, it tastes alike, it is in season, it
// costs no more, it stands in the cupboard.
const (
	bySight  = .30
	byForm   = .25
	byTaste  = .20
	bySeason = .10
	byPrice  = .10
	byHand   = .05
)

// Substitutes ranks up to n foods that can take the place of f, laid in form, on a
// tray of the brief: of the same role, or, for meat where meat is avoided,
// vegetables that fold or roll alike. None is on the tray already, and none holds
// what guests avoid.
func Substitutes(b brief.Brief, f *food.Food, form string, on []*food.Food, larder *food.Larder, n int) []Substitute {
	at, month, th := diet.TableOf(b), b.SeasonMonth(), theme.ForBrief(b)
	was, _ := at.For(f)
	keepsCustom := th != nil // what breaks a feast's custom by the host's own wish may be exchanged for its like
	if keepsCustom {
		custom, _ := diet.Avoiding(th.Off, f)
		keepsCustom = custom != diet.Avoided
	}
	spec, ok := f.Spec(form)
	if !ok {
		spec = f.Forms[0]
	}
	day := b.ServeDay()
	taken := map[string]bool{f.ID: true}
	for _, o := range on {
		taken[o.ID] = true
	}
	noMeat := slices.Contains(at.Off, "meat") || slices.Contains(at.Off, "animal")
	look := colour.Must(f.SurfaceColour(spec))
	var out []Substitute
	all := larder.All()
	for i := range all {
		g := &all[i]
		if taken[g.ID] || larder.OutOfStock(g.ID) || keepsCustom && !diet.CanEat(th.Off, g) {
			continue
		}
		if v, _ := at.For(g); v >= diet.Traces || v == diet.NotForChildren && was != diet.NotForChildren {
			continue
		}
		own, alike := nearestForm(g, spec)
		if at.Suffers(g, own.Form) != "" && at.Suffers(f, spec.Form) == "" {
			continue
		}
		standIn := noMeat && f.Category == food.Meat && g.Category == food.Vegetable && alike >= .6
		if g.Category != f.Category && !standIn {
			continue
		}
		sight := math.Max(0, 1-colour.Difference(look, colour.Must(g.SurfaceColour(own)))/50)
		taste := tasteOf(f, g)
		season := 1.0
		if !g.InSeason(month, b.Hemisphere) {
			season = 0
		}
		price := priced(larder, f, g)
		hand := 0.0
		if larder.OnHand(g.ID, day) >= worthOpening {
			hand = 1
		}
		s := Substitute{Food: g, Form: own.Form, Near: bySight*sight + byForm*alike + byTaste*taste + bySeason*season + byPrice*price + byHand*hand}
		s.Why = whySubstitute(larder, f, g, spec, own, sight, taste, price, hand, standIn)
		out = append(out, s)
	}
	slices.SortStableFunc(out, func(a, b Substitute) int {
		switch {
		case a.Near > b.Near:
			return -1
		case a.Near < b.Near:
			return 1
		}
		return 0
	})
	return out[:min(n, len(out))]
}

// nearestForm is the form of g that lies most like spec, and how much alike: the
// same form at the same size is 1, another form of the same kind about a half.
func nearestForm(g *food.Food, spec food.Spec) (food.Spec, float64) {
	best, most := g.Forms[0], -1.0
	kind := food.FormByID(spec.Form).Kind()
	for _, s := range g.Forms {
		if food.Has(s.Form, food.OnFood) && !food.Has(spec.Form, food.OnFood) {
			continue
		}
		v := 0.0
		switch {
		case s.Form == spec.Form:
			v = .7
		case food.FormByID(s.Form).Kind() == kind && food.InVessel(s.Form) == food.InVessel(spec.Form):
			v = .35
		}
		size := math.Abs(math.Log(s.L * s.W / (spec.L * spec.W)))
		if v += .3 * math.Max(0, 1-size); v > most {
			best, most = s, v
		}
	}
	return best, most
}

// tasteOf is how much two foods taste and feel alike, 0 to 1.
func tasteOf(f, g *food.Food) float64 {
	same := 0
	for _, w := range f.Flavours {
		if slices.Contains(g.Flavours, w) {
			same++
		}
	}
	v := .5 * float64(same) / float64(max(1, len(f.Flavours), len(g.Flavours)))
	if f.Texture == g.Texture {
		v += .2
	}
	if f.Firmness == g.Firmness {
		v += .15
	}
	return v + .15*(1-math.Abs(float64(f.Strength-g.Strength))/4)
}

// priced is 1 for what costs no more by weight, falling to 0 at twice the price.
func priced(l *food.Larder, f, g *food.Food) float64 {
	was, is := l.ReadyPrice(f), l.ReadyPrice(g)
	if was == 0 || is <= was {
		return 1
	}
	return math.Max(0, 2-is/was)
}

// whySubstitute says what speaks for it most, and what is different.
func whySubstitute(l *food.Larder, f, g *food.Food, spec, own food.Spec, sight, taste, price, hand float64, standIn bool) string {
	if standIn {
		return "stands in for the meat, " + food.FormByID(own.Form).Says()
	}
	why := "plays the same part"
	switch {
	case hand > 0:
		why = "you already have some"
	case sight > .8 && taste > .6:
		why = "looks and tastes much alike"
	case sight > .8:
		why = "looks much alike"
	case taste > .6:
		why = "tastes much alike"
	}
	if own.Form == spec.Form {
		why += ", laid the same way"
	}
	if was, is := l.ReadyPrice(f), l.ReadyPrice(g); was > 0 && is < .8*was {
		why += fmt.Sprintf(", %.0f %% cheaper", 100*(1-is/was))
	} else if price < .8 {
		why += ", dearer"
	}
	return why
}
