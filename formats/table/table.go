// Package table writes the larder, its packs and the cupboard's stock as CSV
// (RFC 4180, UTF-8) and reads them back. Reading says line by line what would be
// added, changed and refused, and changes nothing itself.
package table

import (
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"

	"happytray/core/food"
)

// Table is one of the three files.
type Table string

const (
	Larder Table = "larder" // one row for each form of a food
	Packs  Table = "packs"  // one row for each size a food is sold in
	Stock  Table = "stock"  // one row for each lot in the cupboard
)

// Tables lists them.
var Tables = []Table{Larder, Packs, Stock}

// Bounds of a file from outside.
const (
	MaxRows = 20000
	MaxCell = 2000
)

// column is one column of the larder's table: how a food's or a form's member is
// written, and how it is read back. blank is what an empty cell means.
type column struct {
	name string
	get  func(f *food.Food) string
	set  func(f *food.Food, cell string) error
	spec bool // belongs to the form that the row is about
	gets func(s *food.Spec) string
	sets func(s *food.Spec, cell string) error
	keep bool // an empty cell leaves the member as it is, rather than emptying it
}

func text(name string, at func(f *food.Food) *string) column {
	return column{name: name, get: func(f *food.Food) string { return *at(f) }, set: func(f *food.Food, c string) error { *at(f) = c; return nil }}
}

// must is a text that cannot be empty.
func must(name string, at func(f *food.Food) *string) column {
	c := text(name, at)
	c.keep = true
	return c
}

func number(name string, at func(f *food.Food) *float64) column {
	return column{name: name, keep: true, get: func(f *food.Food) string { return decimal(*at(f)) },
		set: func(f *food.Food, c string) (err error) { *at(f), err = parseNumber(c); return err }}
}

func whole(name string, at func(f *food.Food) *int) column {
	return column{name: name, keep: true, get: func(f *food.Food) string { return strconv.Itoa(*at(f)) },
		set: func(f *food.Food, c string) (err error) { *at(f), err = parseWhole(c); return err }}
}

func yes(name string, at func(f *food.Food) *bool) column {
	return column{name: name, get: func(f *food.Food) string { return yesNo(*at(f)) },
		set: func(f *food.Food, c string) (err error) { *at(f), err = parseYes(c); return err }}
}

func list(name string, at func(f *food.Food) *[]string) column {
	return column{name: name, get: func(f *food.Food) string { return strings.Join(*at(f), " ") },
		set: func(f *food.Food, c string) error { *at(f) = words(c); return nil }}
}

// hyphened is a list of words of a vocabulary, in which blanks within a word are written as hyphens.
func hyphened(name string, known []string, at func(f *food.Food) *[]string) column {
	hyphen := func(w string) string { return strings.ReplaceAll(w, " ", "-") }
	return column{name: name, get: func(f *food.Food) string {
		out := make([]string, len(*at(f)))
		for i, w := range *at(f) {
			out[i] = hyphen(w)
		}
		return strings.Join(out, " ")
	}, set: func(f *food.Food, c string) error {
		list := words(c)
		for i, w := range list {
			for _, k := range known {
				if hyphen(k) == w {
					list[i] = k
				}
			}
		}
		*at(f) = list
		return nil
	}}
}

// phrases are parted by semicolons: brie round; soft white cheese.
func phrases(name string, at func(f *food.Food) *[]string) column {
	return column{name: name, get: func(f *food.Food) string { return strings.Join(*at(f), "; ") },
		set: func(f *food.Food, c string) error {
			var out []string
			for part := range strings.SplitSeq(c, ";") {
				if part = strings.TrimSpace(part); part != "" {
					out = append(out, part)
				}
			}
			*at(f) = out
			return nil
		}}
}

// advised are phrases, or none; an empty cell says that nobody knows.
var advised = func() column {
	c := phrases("advised", func(f *food.Food) *[]string { return &f.Advised })
	get, set := c.get, c.set
	c.get = func(f *food.Food) string {
		if f.Advised != nil && len(f.Advised) == 0 {
			return "none"
		}
		return get(f)
	}
	c.set = func(f *food.Food, cell string) error {
		if strings.TrimSpace(cell) == "none" {
			f.Advised = []string{}
			return nil
		}
		return set(f, cell)
	}
	return c
}()

// heat is written as toast 180 8: how, degrees of the oven or 0 for the hob, minutes.
func heat(name string) column {
	return column{name: name, get: func(f *food.Food) string {
		if f.Heat == nil {
			return ""
		}
		return fmt.Sprintf("%s %d %s", f.Heat.How, f.Heat.OvenC, decimal(f.Heat.Minutes))
	}, set: func(f *food.Food, c string) (err error) {
		w := words(c)
		if len(w) == 0 {
			f.Heat = nil
			return nil
		}
		if len(w) != 3 {
			return fmt.Errorf("is written as toast 180 8: how, degrees of the oven or 0, minutes")
		}
		h := food.Heat{How: w[0]}
		if h.OvenC, err = parseWhole(w[1]); err != nil {
			return err
		}
		if h.Minutes, err = parseNumber(w[2]); err != nil {
			return err
		}
		f.Heat = &h
		return nil
	}}
}

// drawnAs is written as oval: whole fig; any: fig half.
func drawnAs(name string) column {
	return column{name: name, get: func(f *food.Food) string {
		var parts []string
		for _, shape := range slices.Sorted(maps.Keys(f.DrawnAs)) {
			parts = append(parts, shape+": "+f.DrawnAs[shape])
		}
		return strings.Join(parts, "; ")
	}, set: func(f *food.Food, c string) error {
		var out map[string]string
		for part := range strings.SplitSeq(c, ";") {
			if part = strings.TrimSpace(part); part == "" {
				continue
			}
			shape, drawing, ok := strings.Cut(part, ":")
			if !ok {
				return fmt.Errorf("%.40q should be a shape and a drawing, such as any: fig half", part)
			}
			if out == nil {
				out = map[string]string{}
			}
			out[strings.TrimSpace(shape)] = strings.TrimSpace(drawing)
		}
		f.DrawnAs = out
		return nil
	}}
}

// classic is written as soft round: 0.95.
func classic(name string) column {
	return column{name: name, get: func(f *food.Food) string {
		var parts []string
		for _, role := range slices.Sorted(maps.Keys(f.Classic)) {
			parts = append(parts, role+": "+strconv.FormatFloat(f.Classic[role], 'f', -1, 64))
		}
		return strings.Join(parts, "; ")
	}, set: func(f *food.Food, c string) error {
		var out map[string]float64
		for part := range strings.SplitSeq(c, ";") {
			if part = strings.TrimSpace(part); part == "" {
				continue
			}
			role, prior, _ := strings.Cut(part, ":")
			v, err := parseNumber(prior)
			if err != nil {
				return fmt.Errorf("%.40q should be a role and how much people expect it, such as soft round: 0.9", part)
			}
			if out == nil {
				out = map[string]float64{}
			}
			out[strings.TrimSpace(role)] = v
		}
		f.Classic = out
		return nil
	}}
}

func months(name string, at func(f *food.Food) *[]int) column {
	return column{name: name, get: func(f *food.Food) string {
		parts := make([]string, len(*at(f)))
		for i, m := range *at(f) {
			parts[i] = strconv.Itoa(m)
		}
		return strings.Join(parts, " ")
	}, set: func(f *food.Food, c string) error {
		out := []int{}
		for _, w := range words(c) {
			m, err := parseWhole(w)
			if err != nil {
				return err
			}
			out = append(out, m)
		}
		*at(f) = out
		return nil
	}}
}

func size(name string, at func(s *food.Spec) *float64) column {
	return column{name: name, spec: true, keep: true, gets: func(s *food.Spec) string { return decimal(*at(s)) },
		sets: func(s *food.Spec, c string) (err error) { *at(s), err = parseNumber(c); return err }}
}

func count(name string, at func(s *food.Spec) *int) column {
	return column{name: name, spec: true, keep: true, gets: func(s *food.Spec) string { return strconv.Itoa(*at(s)) },
		sets: func(s *food.Spec, c string) (err error) { *at(s), err = parseWhole(c); return err }}
}

// columns of the larder's table, in the order they are written. id and form name
// the row and are not in the list.
var columns = []column{
	must("name", func(f *food.Food) *string { return &f.Name }),
	phrases("also", func(f *food.Food) *[]string { return &f.Also }),
	text("like", func(f *food.Food) *string { return &f.Like }),
	text("comes_as", func(f *food.Food) *string { return &f.ComesAs }),
	text("ready_as", func(f *food.Food) *string { return &f.ReadyAs }),
	must("category", func(f *food.Food) *string { return (*string)(&f.Category) }),
	must("colour", func(f *food.Food) *string { return &f.Colour }),
	must("cut", func(f *food.Food) *string { return &f.Cut }),
	number("density", func(f *food.Food) *float64 { return &f.Density }),
	must("wetness", func(f *food.Food) *string { return (*string)(&f.Wetness) }),
	text("firmness", func(f *food.Food) *string { return &f.Firmness }),
	text("milk", func(f *food.Food) *string { return &f.Milk }),
	text("set_with", func(f *food.Food) *string { return &f.SetWith }),
	text("rind", func(f *food.Food) *string { return &f.Rind }),
	whole("strength", func(f *food.Food) *int { return &f.Strength }),
	list("flavours", func(f *food.Food) *[]string { return &f.Flavours }),
	must("texture", func(f *food.Food) *string { return &f.Texture }),
	yes("rolls", func(f *food.Food) *bool { return &f.Rolls }),
	yes("smells", func(f *food.Food) *bool { return &f.Smells }),
	yes("stone", func(f *food.Food) *bool { return &f.Stone }),
	yes("stem", func(f *food.Food) *bool { return &f.Stem }),
	yes("shell", func(f *food.Food) *bool { return &f.Shell }),
	yes("casing", func(f *food.Food) *bool { return &f.Casing }),
	text("made_of", func(f *food.Food) *string { return &f.MadeOf }),
	list("allergens", func(f *food.Food) *[]string { return &f.Allergens }),
	list("may_contain", func(f *food.Food) *[]string { return &f.MayContain }),
	hyphened("diet", food.DietWords, func(f *food.Food) *[]string { return &f.Diet }),
	hyphened("perhaps", food.DietWords, func(f *food.Food) *[]string { return &f.Perhaps }),
	advised,
	number("carb_g", func(f *food.Food) *float64 { return &f.CarbG }),
	number("eaten", func(f *food.Food) *float64 { return (*float64)(&f.Eaten) }),
	phrases("origin", func(f *food.Food) *[]string { return &f.Origin }),
	text("region", func(f *food.Food) *string { return &f.Region }),
	months("season", func(f *food.Food) *[]int { return &f.Season }),
	yes("all_year", func(f *food.Food) *bool { return &f.AllYear }),
	months("season_south", func(f *food.Food) *[]int { return &f.SeasonSouth }),
	whole("keeps_days", func(f *food.Food) *int { return &f.KeepsDays }),
	whole("warm_up_min", func(f *food.Food) *int { return &f.WarmUpMin }),
	whole("stands_min", func(f *food.Food) *int { return &f.StandsMin }),
	list("handling", func(f *food.Food) *[]string { return &f.Handling }),
	heat("heat"),
	text("tool", func(f *food.Food) *string { return &f.Tool }),
	number("liking", func(f *food.Food) *float64 { return &f.Liking }),
	list("occasions", func(f *food.Food) *[]string { return &f.Occasions }),
	number("young_liking", func(f *food.Food) *float64 { return &f.YoungLiking }),
	yes("choking", func(f *food.Food) *bool { return &f.Choking }),
	yes("melts", func(f *food.Food) *bool { return &f.Melts }),
	text("caution", func(f *food.Food) *string { return &f.Caution }),
	drawnAs("drawn_as"),
	classic("classic"),
	list("pairs", func(f *food.Food) *[]string { return &f.Pairs }),
	list("clashes", func(f *food.Food) *[]string { return &f.Clashes }),
	{name: "shape", spec: true, keep: true, gets: func(s *food.Spec) string { return s.Shape }, sets: func(s *food.Spec, c string) error { s.Shape = c; return nil }},
	size("l_mm", func(s *food.Spec) *float64 { return &s.L }),
	size("w_mm", func(s *food.Spec) *float64 { return &s.W }),
	size("h_mm", func(s *food.Spec) *float64 { return &s.H }),
	size("mass_g", func(s *food.Spec) *float64 { return &s.MassG }),
	size("seconds", func(s *food.Spec) *float64 { return &s.Seconds }),
	{name: "chokes", spec: true, keep: true, gets: func(s *food.Spec) string {
		if s.Chokes == nil {
			return ""
		}
		return map[bool]string{true: "yes", false: "no"}[*s.Chokes]
	}, sets: func(s *food.Spec, c string) error {
		is, err := parseYes(c)
		s.Chokes = &is
		return err
	}},
	size("yield", func(s *food.Spec) *float64 { return (*float64)(&s.Yield) }),
	size("pitch_mm", func(s *food.Spec) *float64 { return &s.Pitch }),
	count("n", func(s *food.Spec) *int { return &s.N }),
	size("solid", func(s *food.Spec) *float64 { return &s.Solid }),
	count("group", func(s *food.Spec) *int { return &s.Group }),
	size("slice_mm", func(s *food.Spec) *float64 { return &s.SliceMM }),
}

// names lists a table's columns in the order they are written; need are those a
// file must have for it to be told apart.
func names(t Table) (all, need []string) {
	switch t {
	case Packs:
		return []string{"food", "name", "grams", "price"}, []string{"food", "grams", "price"}
	case Stock:
		return []string{"food", "name", "grams", "best_before"}, []string{"food", "grams", "best_before"}
	}
	all = []string{"id", "form"}
	for _, c := range columns {
		all = append(all, c.name)
	}
	return all, []string{"id"}
}
