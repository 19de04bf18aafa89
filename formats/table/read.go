package table

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"
	"unicode/utf8"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/formats/cell"
)

// MaxBytes bounds a table.
const MaxBytes = 4 << 20

// What becomes of a line.
const (
	Added   = "added"
	Changed = "changed"
	Same    = "same"
	Refused = "refused"
)

// Line says what becomes of one line of a file, and why.
type Line struct {
	Line int    `json:"line"` // as a text editor counts, the header is 1
	Food string `json:"food"`
	What string `json:"what"`
	Says string `json:"says"`
}

// Import is what a file comes to. Foods and Stock hold what would be different
// afterwards: whole foods, and all lots of a food. With a refused line nothing
// should be kept.
type Import struct {
	Table   Table
	Lines   []Line
	Count   map[string]int // lines by what becomes of them
	Ignored []string       // columns that are not known
	Foods   []food.Food
	Stock   food.Stock
}

// Read reads a file against the larder and the stock as they are. A file that is
// no table at all is an error; whatever is wrong with single lines stands in Lines.
func Read(b []byte, larder *food.Larder, stock food.Stock, digits int) (*Import, error) {
	b, err := sound(b)
	if err != nil {
		return nil, err
	}
	in := &reader{larder: larder, stock: stock, digits: digits, out: &Import{Count: map[string]int{}, Lines: []Line{}, Ignored: []string{}}}
	r, err := in.header(b)
	if err != nil {
		return nil, err
	}
	if err := countRows(b, r.Comma); err != nil {
		return nil, err
	}
	for {
		rec, err := r.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, fault.Bad("", "the file cannot be read: %s", err.Error())
		}
		line, _ := r.FieldPos(0)
		in.row(line, rec)
	}
	in.close()
	slices.SortStableFunc(in.out.Lines, func(a, b Line) int { return a.Line - b.Line })
	for _, l := range in.out.Lines {
		in.out.Count[l.What]++
	}
	return in.out, nil
}

// countRows goes through the file once, so that one that is too long or broken
// is refused before any work is put into it.
func countRows(b []byte, comma rune) error {
	r := csv.NewReader(bytes.NewReader(b))
	r.Comma, r.FieldsPerRecord, r.ReuseRecord = comma, -1, true
	for rows := -1; ; rows++ {
		_, err := r.Read()
		var pe *csv.ParseError
		switch {
		case errors.Is(err, io.EOF):
			return nil
		case errors.As(err, &pe):
			return fault.Bad("", "line %d: a quotation mark stands where it cannot. Write a cell with quotation marks in it in quotation marks, and each of them twice", pe.StartLine)
		case err != nil:
			return fault.Bad("", "the file cannot be read: %s", err.Error())
		case rows >= MaxRows:
			return fault.Bad("", "more than %d rows; take the file in parts", MaxRows)
		}
	}
}

// sound checks the bytes of a file and takes a byte order mark off.
func sound(b []byte) ([]byte, error) {
	if len(b) > MaxBytes {
		return nil, fault.Bad("", "the file is larger than %d MB; take it in parts", MaxBytes>>20)
	}
	if bytes.HasPrefix(b, []byte{0xff, 0xfe}) || bytes.HasPrefix(b, []byte{0xfe, 0xff}) {
		return nil, fault.Bad("", "the file is written in UTF-16; save it as CSV in UTF-8")
	}
	b = bytes.TrimPrefix(b, []byte("\ufeff"))
	if i := bytes.IndexByte(b, 0); i >= 0 {
		return nil, fault.Bad("", "line %d holds a zero byte; this is no text file", 1+bytes.Count(b[:i], []byte("\n")))
	}
	if !utf8.Valid(b) {
		at := 0
		for at < len(b) {
			r, n := utf8.DecodeRune(b[at:])
			if r == utf8.RuneError && n == 1 {
				break
			}
			at += n
		}
		return nil, fault.Bad("", "line %d holds bytes that are not UTF-8; save the file as CSV in UTF-8", 1+bytes.Count(b[:at], []byte("\n")))
	}
	if len(bytes.TrimSpace(b)) == 0 {
		return nil, fault.Bad("", "the file is empty")
	}
	return b, nil
}

type reader struct {
	larder *food.Larder
	stock  food.Stock
	digits int
	out    *Import
	at     map[string]int // column by name
	cells  int            // in the header
	foods  map[string]*draft
	order  []string
	lots   map[string][]food.Lot
}

// draft is a food as the lines read so far would make it.
type draft struct {
	food    food.Food
	was     *food.Food
	first   int               // its first line
	cells   map[string]string // what that line says of the food
	lines   []int             // its lines in out.Lines
	refused bool
}

// header finds the separator and the table by the names in the first line.
func (in *reader) header(b []byte) (*csv.Reader, error) {
	best, bestKnown := rune(','), -1
	for _, comma := range []rune{',', ';', '\t'} {
		r := csv.NewReader(bytes.NewReader(b))
		r.Comma = comma
		rec, err := r.Read()
		if err != nil {
			continue
		}
		known := 0
		for _, t := range Tables {
			all, _ := names(t)
			n := 0
			for _, cell := range rec {
				if slices.Contains(all, headed(cell)) {
					n++
				}
			}
			known = max(known, n)
		}
		if known > bestKnown {
			best, bestKnown = comma, known
		}
	}
	r := csv.NewReader(bytes.NewReader(b))
	r.Comma, r.FieldsPerRecord = best, -1
	rec, err := r.Read()
	if err != nil {
		return nil, fault.Bad("", "the first line should name the columns, such as id,name,category")
	}
	in.cells = len(rec)
	in.at = map[string]int{}
	for i, cell := range rec {
		name := headed(cell)
		if _, twice := in.at[name]; twice {
			return nil, fault.Bad("", "the column %.40q is there twice", name)
		}
		in.at[name] = i
	}
	found := false
	for _, t := range []Table{Packs, Stock, Larder} {
		all, need := names(t)
		has := true
		for _, n := range need {
			_, ok := in.at[n]
			has = has && ok
		}
		if !has {
			continue
		}
		in.out.Table, found = t, true
		for _, cell := range rec {
			if !slices.Contains(all, headed(cell)) {
				in.out.Ignored = append(in.out.Ignored, headed(cell))
			}
		}
		break
	}
	if !found {
		return nil, fault.Bad("", "the first line should name the columns: id for the larder, food, grams and price for packs, or food, grams and best_before for stock")
	}
	in.foods, in.lots = map[string]*draft{}, map[string][]food.Lot{}
	return r, nil
}

func headed(cell string) string { return strings.ToLower(strings.TrimSpace(cell)) }

// cell is a row's cell by column name; ok is false where the file has no such column.
func (in *reader) cell(rec []string, name string) (string, bool) {
	i, ok := in.at[name]
	if !ok || i >= len(rec) {
		return "", false
	}
	return strings.TrimSpace(cell.Plain(rec[i])), true
}

func (in *reader) row(line int, rec []string) {
	n := len(in.out.Lines)
	key := "food"
	if in.out.Table == Larder {
		key = "id"
	}
	id, _ := in.cell(rec, key)
	in.out.Lines = append(in.out.Lines, Line{Line: line, Food: clip(id), What: Same})
	refuse := func(says string, args ...any) {
		in.out.Lines[n].What, in.out.Lines[n].Says = Refused, fmt.Sprintf(says, args...)
		if d := in.foods[id]; d != nil {
			d.refused = true
		}
	}
	if len(rec) != in.cells {
		refuse("has %d cells where the first line has %d", len(rec), in.cells)
		return
	}
	for i, c := range rec {
		if len(c) > MaxCell {
			refuse("cell %d is longer than %d characters", i+1, MaxCell)
			return
		}
	}
	if in.out.Table != Larder { // a list that somebody typed calls foods what people call them
		if f, ok := in.larder.Meant(id); ok {
			id = f.ID
			in.out.Lines[n].Food = id
		} else if food.CheckID(id) != nil {
			refuse("there is no food %.60q in the larder", id)
			return
		}
	}
	if food.CheckID(id) != nil {
		refuse("the %s should be small letters, digits and hyphens, not %.40q", key, id)
		return
	}
	d := in.foods[id]
	if d == nil {
		f, have := in.larder.Get(id)
		if !have && in.out.Table != Larder {
			refuse("there is no food %.60q in the larder", id)
			return
		}
		d = &draft{was: f, first: line, cells: map[string]string{}}
		if have {
			d.food = copyOf(f)
		} else {
			d.food = food.Food{ID: id, Strength: 1, Density: 1, KeepsDays: 3, Liking: .5, Wetness: food.Moist, Texture: "soft", Flavours: []string{"mild"},
				Allergens: []string{}, Diet: []string{}, Season: []int{}, Packs: []food.Pack{}, Pairs: []string{}}
		}
		in.foods[id] = d
		in.order = append(in.order, id)
	}
	d.lines = append(d.lines, n)
	var err error
	what := Same
	switch in.out.Table {
	case Larder:
		what, err = in.larderRow(d, rec)
	case Packs:
		what, err = in.packRow(d, rec)
	case Stock:
		what, err = in.stockRow(id, rec)
	}
	if err != nil {
		refuse("%s", err.Error())
		return
	}
	in.out.Lines[n].What = what
}

// larderRow reads a food's first row, or a further form of it.
func (in *reader) larderRow(d *draft, rec []string) (string, error) {
	first := len(d.lines) == 1
	before := copyOf(&d.food)
	form, _ := in.cell(rec, "form")
	var spec *food.Spec
	if form != "" {
		for i := range d.food.Forms {
			if d.food.Forms[i].Form == form {
				spec = &d.food.Forms[i]
			}
		}
		if spec == nil {
			d.food.Forms = append(d.food.Forms, food.Spec{Form: form})
			spec = &d.food.Forms[len(d.food.Forms)-1]
		}
	}
	for _, col := range columns {
		cell, have := in.cell(rec, col.name)
		if !have {
			continue
		}
		switch {
		case col.spec:
			if spec == nil && cell != "" && cell != "0" {
				return "", fmt.Errorf("%s is given, but no form", col.name)
			}
			if spec == nil || cell == "" {
				continue
			}
			if err := col.sets(spec, cell); err != nil {
				return "", fmt.Errorf("%s: %w", col.name, err)
			}
		case !first: // a further form of the same food: what it says of the food should agree
			if cell != "" && cell != d.cells[col.name] {
				return "", fmt.Errorf("%s says %.40q, line %d says %.40q", col.name, cell, d.first, d.cells[col.name])
			}
		default:
			d.cells[col.name] = cell
			if cell == "" && col.keep {
				continue
			}
			if cell == "" && d.was != nil && col.get(&d.food) == "" {
				continue // empty already, whichever way it is
			}
			if err := col.set(&d.food, cell); err != nil {
				return "", fmt.Errorf("%s: %w", col.name, err)
			}
		}
	}
	switch {
	case d.was == nil && first:
		return Added, nil
	case differs(&before, &d.food):
		return Changed, nil
	}
	return Same, nil
}

func (in *reader) packRow(d *draft, rec []string) (string, error) {
	g, _ := in.cell(rec, "grams")
	grams, err := parseNumber(g)
	if err != nil {
		return "", fmt.Errorf("grams: %w", err)
	}
	p, _ := in.cell(rec, "price")
	minor, err := parsePrice(p, in.digits)
	if err != nil {
		return "", fmt.Errorf("price: %w", err)
	}
	for i := range d.food.Packs {
		if d.food.Packs[i].Grams == grams {
			if d.food.Packs[i].Price == minor {
				return Same, nil
			}
			d.food.Packs[i].Price = minor
			return Changed, nil
		}
	}
	d.food.Packs = append(d.food.Packs, food.Pack{Grams: grams, Price: minor})
	slices.SortStableFunc(d.food.Packs, func(a, b food.Pack) int { return int(10 * (a.Grams - b.Grams)) })
	return Added, nil
}

func (in *reader) stockRow(id string, rec []string) (string, error) {
	g, _ := in.cell(rec, "grams")
	grams, err := parseNumber(g)
	if err != nil {
		return "", fmt.Errorf("grams: %w", err)
	}
	if err := fault.Between("grams", grams, 0, 1e6, " g"); err != nil {
		return "", err
	}
	day, _ := in.cell(rec, "best_before")
	if err := checkDay(day); err != nil {
		return "", err
	}
	lots, read := in.lots[id]
	if !read {
		lots = slices.Clone(in.stock[id])
	}
	what := Added
	k := slices.IndexFunc(lots, func(l food.Lot) bool { return l.BestBefore == day })
	switch {
	case k >= 0 && lots[k].Grams == grams:
		what = Same
	case k >= 0 && grams == 0:
		lots, what = slices.Delete(lots, k, k+1), Changed
	case k >= 0:
		lots[k].Grams, what = grams, Changed
	case grams == 0:
		what = Same
	default:
		lots = append(lots, food.Lot{Grams: grams, BestBefore: day})
	}
	in.lots[id] = lots
	return what, nil
}

// checkDay checks a best-before day.
func checkDay(day string) error {
	if day != "" && !brief.IsDay(day) {
		return fmt.Errorf("best_before should be a day such as 2026-11-30, or empty, not %.20q", day)
	}
	return nil
}

// close checks the foods that the lines came to, whole.
func (in *reader) close() {
	for _, id := range in.order {
		d := in.foods[id]
		if d.refused || in.out.Table == Stock {
			continue
		}
		if err := d.food.Check(); err != nil { // the food as a whole does not hold: say so at its first line
			l := &in.out.Lines[d.lines[0]]
			l.What, l.Says = Refused, err.Error()
			continue
		}
		if d.was == nil || differs(d.was, &d.food) {
			in.out.Foods = append(in.out.Foods, d.food)
		}
	}
	in.out.Stock = food.Stock{}
	for id, lots := range in.lots {
		if !slices.Equal(lots, in.stock[id]) {
			in.out.Stock[id] = lots
		}
	}
}

func differs(a, b *food.Food) bool {
	d, _, err := food.Difference(a, b)
	return err != nil || d != nil
}

// copyOf is a copy whose lists can be changed.
func copyOf(f *food.Food) food.Food {
	c := *f
	c.Forms, c.Packs = slices.Clone(f.Forms), slices.Clone(f.Packs)
	return c
}

func clip(s string) string {
	if len(s) > 60 {
		return strings.ToValidUTF8(s[:60], "")
	}
	return s
}
