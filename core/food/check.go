package food

import (
	"fmt"
	"maps"
	"regexp"
	"slices"
	"strings"

	"happytray/core/colour"
	"happytray/core/fault"
)

// Bounds of a food that comes from outside.
const (
	MaxName  = 80
	MaxForms = 24
	MaxPacks = 12
	MaxNamed = 60 // pairs and clashes
	MaxAlso  = 30 // other names
	MinShare = .1 // of a yield, or of what is eaten: less is a slip of the pen
)

// lines makes every line break the same.
var lines = strings.NewReplacer("\r\n", "\n", "\r", "\n")

var idShape = regexp.MustCompile(`^[a-z0-9][a-z0-9-]{0,59}$`)

// CheckID checks a name that files and addresses use: small letters, digits and hyphens.
func CheckID(id string) error {
	if !idShape.MatchString(id) {
		return fault.Bad("id", "should be small letters, digits and hyphens, at most 60")
	}
	return nil
}

// Check reports the first thing in a food that cannot be worked with. A cut face
// that is left out becomes the outside colour, and texts lose blanks at their ends.
func (f *Food) Check() error {
	if f.Cut == "" {
		f.Cut = f.Colour
	}
	for _, t := range []*string{&f.Name, &f.ComesAs, &f.ReadyAs, &f.Tool, &f.Caution} {
		*t = strings.TrimSpace(lines.Replace(*t))
	}
	if slices.ContainsFunc(f.Also, func(t string) bool { return t != strings.TrimSpace(t) }) {
		f.Also = slices.Clone(f.Also) // others may be reading the same list
		for i, t := range f.Also {
			f.Also[i] = strings.TrimSpace(t)
		}
	}
	return fault.First(f.checkName, f.checkWords, f.checkColours, f.checkHandling, f.checkNumbers, f.checkMonths, f.checkNamed, f.checkPacks, f.checkForms)
}

// checkName bounds what it is called.
func (f *Food) checkName() error {
	if err := CheckID(f.ID); err != nil {
		return err
	}
	if f.Name == "" {
		return fault.Bad("name", "a food needs a name")
	}
	if err := fault.First(func() error { return fault.Text("name", f.Name, MaxName) }, func() error { return fault.Text("comes_as", f.ComesAs, MaxName) }, func() error { return fault.Text("ready_as", f.ReadyAs, MaxName) }); err != nil {
		return err
	}
	if f.Like != "" && CheckID(f.Like) != nil {
		return fault.Bad("like", "%.40q is no food's id", f.Like)
	}
	if len(f.Also) > MaxAlso {
		return fault.Bad("also", "at most %d other names", MaxAlso)
	}
	for i, t := range f.Also {
		at := fmt.Sprintf("also[%d]", i)
		if t == "" {
			return fault.Bad(at, "a name should have letters")
		}
		if err := fault.Text(at, t, MaxName); err != nil {
			return err
		}
		if strings.ContainsAny(t, "<>{}\n\r\t") {
			return fault.Bad(at, "a name is plain words, without markup")
		}
	}
	return nil
}

// checkWords holds what is chosen from a list against it.
func (f *Food) checkWords() error {
	cats := make([]string, len(Categories))
	for i, c := range Categories {
		cats[i] = string(c)
	}
	for _, w := range []struct {
		field, word string
		may         bool // be left out
		of          []string
	}{{"category", string(f.Category), false, cats}, {"wetness", string(f.Wetness), false, Wetnesses}, {"texture", f.Texture, false, Textures},
		{"firmness", f.Firmness, f.Category != Cheese, Firmnesses}, {"milk", f.Milk, f.Category != Cheese, Milks}, {"set_with", f.SetWith, true, Settings}, {"rind", f.Rind, true, Rinds}, {"region", f.Region, true, Regions}} {
		if w.may && w.word == "" {
			continue
		}
		if err := fault.OneOf(w.field, w.word, w.of...); err != nil {
			return err
		}
	}
	for _, list := range []struct {
		field   string
		has, of []string
	}{{"flavours", f.Flavours, Flavours}, {"allergens", f.Allergens, Allergens}, {"may_contain", f.MayContain, Allergens}, {"diet", f.Diet, DietWords}, {"perhaps", f.Perhaps, DietWords}, {"advised", f.Advised, Advisories}, {"occasions", f.Occasions, Occasions}} {
		field := list.field
		if len(list.has) > len(list.of) {
			return fault.Bad(field, "names something twice")
		}
		for i, w := range list.has {
			if err := fault.OneOf(fmt.Sprintf("%s[%d]", field, i), w, list.of...); err != nil {
				return err
			}
		}
	}
	if len(f.Flavours) == 0 {
		return fault.Bad("flavours", "name at least one, mild if nothing else")
	}
	return fault.First(f.checkOrigin, f.checkSense, f.checkClassic)
}

// checkOrigin bounds where a food comes from; a house may name countries of its own.
func (f *Food) checkOrigin() error {
	if len(f.Origin) > mostOrigins {
		return fault.Bad("origin", "at most %d countries or regions", mostOrigins)
	}
	for i, from := range f.Origin {
		at := fmt.Sprintf("origin[%d]", i)
		if err := fault.Text(at, from, 40); err != nil {
			return err
		}
		if strings.TrimSpace(from) == "" {
			return fault.Bad(at, "name a country or a region, or leave it out")
		}
	}
	return nil
}

// mostOrigins is how many countries a food may be said to come from.
const mostOrigins = 4

// checkSense finds words that contradict each other.
func (f *Food) checkSense() error {
	if w := f.MayHold(f.Allergens); w != "" {
		return fault.Bad("may_contain", "%s is named as an allergen already: it holds it, or it may hold it", w)
	}
	has := func(w string) bool { return slices.Contains(f.Diet, w) }
	switch {
	case f.Milk == "plant" && f.Category == Cheese && (slices.Contains(f.Allergens, "milk") || has("animal") || has("rennet") || has("raw milk")):
		return fault.Bad("milk", "made of plants, and yet it holds milk, rennet or something animal: say which is true")
	case f.SetWith != "" && f.SetWith != "rennet" && has("rennet"):
		return fault.Bad("set_with", "set with something else, and yet it holds rennet: say which is true")
	case has("raw milk") && len(f.Allergens) > 0 && !slices.Contains(f.Allergens, "milk"):
		return fault.Bad("diet", "raw milk, and milk is not among its allergens: say which is true")
	}
	return nil
}

// checkColours reads its colours.
func (f *Food) checkColours() error {
	for _, c := range []struct{ field, hex string }{{"colour", f.Colour}, {"cut", f.Cut}} {
		if _, err := colour.Parse(c.hex); err != nil {
			return fault.Bad(c.field, "%s", err.Error())
		}
	}
	return nil
}

// checkNumbers bounds what is measured.
func (f *Food) checkNumbers() error {
	for _, n := range []struct {
		field  string
		v      float64
		lo, hi float64
		unit   string
	}{{"density", f.Density, .02, 12, " g/ml"}, {"strength", float64(f.Strength), 1, 5, ""}, {"carb_g", f.CarbG, 0, 100, " g in 100 g"},
		{"keeps_days", float64(f.KeepsDays), 1, 4000, ""}, {"warm_up_min", float64(f.WarmUpMin), 0, 240, " minutes"}, {"stands_min", float64(f.StandsMin), 0, 480, " minutes"}, {"liking", f.Liking, 0, 1, ""}, {"young_liking", f.YoungLiking, 0, 1, ""}, {"eaten", float64(f.Eaten), 0, 1, ""}} {
		if err := fault.Between(n.field, n.v, n.lo, n.hi, n.unit); err != nil {
			return err
		}
	}
	if f.Eaten != 0 && f.Eaten < MinShare {
		return fault.Bad("eaten", "at least %g of what lies there is eaten, at most 1; leave it out for all of it", MinShare)
	}
	return nil
}

// checkMonths bounds its seasons.
func (f *Food) checkMonths() error {
	for k, months := range [][]int{f.Season, f.SeasonSouth} {
		field := []string{"season", "season_south"}[k]
		if len(months) > 12 {
			return fault.Bad(field, "a year has twelve months")
		}
		for i, m := range months {
			if err := fault.Between(fmt.Sprintf("%s[%d]", field, i), float64(m), 1, 12, ""); err != nil {
				return err
			}
		}
	}
	return nil
}

// checkNamed bounds the foods it names and what is told of it.
func (f *Food) checkNamed() error {
	for k, list := range [][]string{f.Pairs, f.Clashes} {
		field := []string{"pairs", "clashes"}[k]
		if len(list) > MaxNamed {
			return fault.Bad(field, "at most %d foods", MaxNamed)
		}
		for i, id := range list {
			if CheckID(id) != nil {
				return fault.Bad(fmt.Sprintf("%s[%d]", field, i), "%.40q is no food's id", id)
			}
			if id == f.ID {
				return fault.Bad(fmt.Sprintf("%s[%d]", field, i), "a food cannot be named for itself")
			}
		}
	}
	for _, t := range []struct{ field, text string }{{"tool", f.Tool}, {"caution", f.Caution}, {"made_of", f.MadeOf}} {
		if err := fault.Text(t.field, t.text, 200); err != nil {
			return err
		}
	}
	return nil
}

// checkPacks bounds its packs.
func (f *Food) checkPacks() error {
	if len(f.Packs) > MaxPacks {
		return fault.Bad("packs", "at most %d sizes", MaxPacks)
	}
	for i, p := range f.Packs {
		at := fmt.Sprintf("packs[%d]", i)
		if err := fault.Between(at+".grams", p.Grams, .1, 100000, " g"); err != nil {
			return err
		}
		if err := fault.Between(at+".price", float64(p.Price), 1, 1e7, " in the smallest coin"); err != nil {
			return err
		}
	}
	return nil
}

// checkForms bounds what it is drawn as and laid in.
func (f *Food) checkForms() error {
	if len(f.DrawnAs) > MaxForms+1 {
		return fault.Bad("drawn_as", "at most %d shapes", MaxForms+1)
	}
	for _, shape := range slices.Sorted(maps.Keys(f.DrawnAs)) { // a name that is not known is no fault: another version may know it
		for _, t := range []string{shape, f.DrawnAs[shape]} {
			if err := fault.Text("drawn_as", t, 40); err != nil {
				return err
			}
		}
	}
	if len(f.Forms) == 0 {
		return fault.Bad("forms", "a food needs at least one form that it can be laid in")
	}
	if len(f.Forms) > MaxForms {
		return fault.Bad("forms", "at most %d forms", MaxForms)
	}
	seen := map[string]bool{}
	for i, s := range f.Forms {
		at := fmt.Sprintf("forms[%d]", i)
		if err := s.check(); err != nil {
			return fault.In(at, err)
		}
		if seen[s.Form] {
			return fault.Bad(at+".form", "%s is listed twice", s.Form)
		}
		seen[s.Form] = true
	}
	return nil
}

func (s Spec) check() error {
	if FormByID(s.Form) == nil {
		return fault.Bad("form", "unknown form %.40q", s.Form)
	}
	if !knownShape(s.Shape) {
		return fault.Bad("shape", "unknown shape %.40q", s.Shape)
	}
	for _, n := range []struct {
		field  string
		v      float64
		lo, hi float64
		unit   string
	}{{"l", s.L, 2, 600, " mm"}, {"w", s.W, 2, 600, " mm"}, {"h", s.H, .5, 400, " mm"}, {"mass_g", s.MassG, .01, 5000, " g"},
		{"seconds", s.Seconds, 0, 3600, ""}, {"pitch", s.Pitch, 0, 300, " mm"}, {"n", float64(s.N), 0, 24, ""},
		{"solid", s.Solid, 0, 1, ""}, {"yield", float64(s.Yield), 0, 1, ""}, {"group", float64(s.Group), 0, 400, ""}, {"slice_mm", s.SliceMM, 0, 300, " mm"}} {
		if err := fault.Between(n.field, n.v, n.lo, n.hi, n.unit); err != nil {
			return err
		}
	}
	if s.Yield != 0 && s.Yield < MinShare {
		return fault.Bad("yield", "at least %g of what is bought is left, at most 1; leave it out for all of it", MinShare)
	}
	if NeedsPitch(s.Form) && s.Pitch < 1 {
		return fault.Bad("pitch", "%s wants the line that one piece takes, 1 mm at least", s.Form)
	}
	if s.Shape == "sector" && s.N < 3 {
		return fault.Bad("n", "a round is cut into at least 3 pieces")
	}
	return nil
}
