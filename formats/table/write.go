package table

import (
	"encoding/csv"
	"io"
	"maps"
	"slices"
	"strings"

	"happytray/core/food"
	"happytray/formats/cell"
)

// Options say how a file is written. The zero value is commas and points.
type Options struct {
	Comma        rune // , ; or tab
	DecimalComma bool
	BOM          bool // so that spreadsheets take the file for UTF-8
	Digits       int  // of the smaller coin; 2 for cents
}

// number is a number as these options write it.
func (o Options) number(s string) string {
	if o.DecimalComma {
		return strings.Replace(s, ".", ",", 1)
	}
	return s
}

// Write writes one table of the larder.
func Write(w io.Writer, t Table, larder *food.Larder, stock food.Stock, o Options) error {
	if o.BOM {
		if _, err := io.WriteString(w, "\ufeff"); err != nil {
			return err
		}
	}
	out := csv.NewWriter(w)
	out.UseCRLF = true // as RFC 4180 has it
	if o.Comma != 0 {
		out.Comma = o.Comma
	}
	n := o.number
	all, _ := names(t)
	if err := out.Write(all); err != nil {
		return err
	}
	row := make([]string, len(all))
	foods := larder.All()
	switch t {
	case Larder:
		for i := range foods {
			f := &foods[i]
			for k := range f.Forms {
				s := &f.Forms[k]
				row[0], row[1] = f.ID, s.Form
				for c, col := range columns {
					text := ""
					switch {
					case col.spec:
						text = col.gets(s)
					case k == 0 || col.name == "name": // the rest stands in the food's first row
						text = col.get(f)
					}
					if col.keep && !isText(col.name) {
						text = n(text)
					} else {
						text = cell.Text(text)
					}
					row[c+2] = text
				}
				if err := out.Write(row); err != nil {
					return err
				}
			}
		}
	case Packs:
		for i := range foods {
			for _, p := range foods[i].Packs {
				if err := out.Write([]string{foods[i].ID, cell.Text(foods[i].Name), n(decimal(p.Grams)), n(price(p.Price, o.Digits))}); err != nil {
					return err
				}
			}
		}
	case Stock:
		for _, id := range slices.Sorted(maps.Keys(stock)) {
			name := ""
			if f, ok := larder.Get(id); ok {
				name = f.Name
			}
			for _, l := range stock[id] {
				if err := out.Write([]string{id, cell.Text(name), n(decimal(l.Grams)), l.BestBefore}); err != nil {
					return err
				}
			}
		}
	}
	out.Flush()
	return out.Error()
}

// isText tells words that cannot be empty from numbers.
func isText(name string) bool {
	switch name {
	case "name", "category", "colour", "cut", "wetness", "texture", "shape":
		return true
	}
	return false
}
