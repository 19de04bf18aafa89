package food

import (
	"math"
	"strings"

	"happytray/core/fault"
	"happytray/core/round"
)

// Hasty is a food that somebody adds in one line: what it is called, of which kind it is, and as far as they know what a
// piece and a pack of it weigh, g, and how long a piece is, mm; 0 where they do not. It looks and behaves as the food of
// the kind that is nearest to it, by name and else by what a piece weighs, and says so (Food.Like) until somebody says
// more. What it holds is not known: guests who avoid anything get none of it.
func (l *Larder) Hasty(name string, kind Category, pieceG, packG, longMM float64) (Food, error) {
	name = strings.TrimSpace(name)
	for _, n := range []struct {
		field  string
		v      float64
		lo, hi float64
		unit   string
	}{{"piece_g", pieceG, 0, 5000, " g"}, {"pack_g", packG, 0, 100000, " g"}, {"size_mm", longMM, 0, 600, " mm"}} {
		if err := fault.Between(n.field, n.v, n.lo, n.hi, n.unit); err != nil {
			return Food{}, err
		}
	}
	near := l.nearest(name, kind, pieceG)
	if near == nil {
		return Food{}, fault.Bad("category", "there is no kind of food called %.40q; choose one of the larder's shelves", string(kind))
	}
	f := *near
	f.Name, f.Also, f.ComesAs, f.Like = name, nil, "", near.ID
	f.Allergens, f.MayContain, f.Perhaps, f.Advised, f.MadeOf, f.Caution = []string{}, nil, nil, nil, "", ""
	f.Pairs, f.Clashes = append([]string{}, near.Pairs...), append([]string(nil), near.Clashes...)
	f.Forms = append([]Spec(nil), near.Forms...)
	if pieceG > 0 || longMM > 0 {
		f.Forms = f.Forms[:1] // what is said is said of a piece as it comes
		s := &f.Forms[0]
		k := 1.0
		switch {
		case longMM > 0:
			k = longMM / math.Max(s.L, s.W)
		default:
			k = math.Cbrt(pieceG / s.MassG)
		}
		*s = s.sized(k)
		if pieceG > 0 {
			s.MassG = pieceG
		}
		f.Density = math.Max(.02, math.Min(12, round.Hundredth(s.MassG/s.VolumeML())))
	}
	if packG > 0 {
		price := 0.0
		for i, p := range near.Packs {
			if each := float64(p.Price) / p.Grams; i == 0 || each < price {
				price = each
			}
		}
		f.Packs = []Pack{{Grams: packG, Price: max(1, int(math.Round(price*packG)))}}
	}
	return f, nil
}

// sized is a piece of the same form, so many times as long, wide and high.
func (s Spec) sized(k float64) Spec {
	s.L, s.W, s.H = round.Tenth(s.L*k), round.Tenth(s.W*k), round.Tenth(s.H*k)
	s.Pitch = round.Tenth(s.Pitch * k)
	s.MassG = math.Max(.01, round.Hundredth(s.MassG*k*k*k))
	return s
}

// mostSized is how many times heavier or lighter than the larder says a whole may be and still be its like.
const mostSized = 2.5

// InPack is a food as it comes in a pack of so many grams: a wedge, a log or a round is as large as its pack. same is
// true where that changes nothing.
func (f *Food) InPack(grams float64) (g Food, same bool) {
	g, same = *f, true
	if f.Category != Cheese && f.Category != Meat {
		return g, same
	}
	g.Forms = append([]Spec(nil), f.Forms...)
	for i, s := range g.Forms {
		whole := WholeG(s)
		if whole == 0 || !Has(s.Form, AsItComes|CutInPlace) {
			continue
		}
		if k := grams * f.YieldAs(s.Form) / whole; k >= 1/mostSized && k <= mostSized && math.Abs(k-1) > .02 {
			g.Forms[i], same = s.sized(math.Cbrt(k)), false
		}
	}
	return g, same
}

// nearest is the food of a kind that a new one is most like: by its name, and else by what a piece weighs; nil where
// there is no such kind.
func (l *Larder) nearest(name string, kind Category, pieceG float64) *Food {
	all := l.All()
	words := strings.Fields(name)
	texts := []string{name}
	for i := len(words) - 1; i >= 0 && len(texts) <= maxWords; i-- { // what it is comes last: gooseberry chutney is a chutney
		texts = append(texts, words[i])
	}
	for _, text := range texts {
		for _, h := range l.rank(text) {
			if f := &all[h.food]; f.Category == kind && f.Like == "" && h.score > known {
				return f
			}
		}
	}
	var best *Food
	least := math.Inf(1)
	for i := range all {
		f := &all[i]
		if f.Category != kind || f.Like != "" {
			continue
		}
		d := -f.Liking
		if pieceG > 0 {
			d = math.Abs(math.Log(f.Forms[0].MassG / pieceG))
		}
		if d < least {
			best, least = f, d
		}
	}
	return best
}
