package table

import (
	"encoding/csv"
	"fmt"
	"io"
	"strconv"
	"strings"

	"happytray/core/say"
	"happytray/core/shop"
	"happytray/formats/cell"
)

// WriteList writes a shopping list as CSV, a line for each pack size of a food, and
// one without packs for what stands in the cupboard.
func WriteList(w io.Writer, list shop.List, o Options) error {
	if o.BOM {
		if _, err := io.WriteString(w, "\ufeff"); err != nil {
			return err
		}
	}
	out := csv.NewWriter(w)
	out.UseCRLF = true
	if o.Comma != 0 {
		out.Comma = o.Comma
	}
	head := []string{"section", "food", "name", "need_g", "cupboard_g", "packs", "pack_g", "price", "cost", "for"}
	if len(list.Stops) > 1 {
		head = append(head, "shop")
	}
	if err := out.Write(head); err != nil {
		return err
	}
	for _, s := range list.Sections {
		for _, it := range s.Items {
			row := []string{s.Name, cell.Text(it.Food), cell.Text(it.Name), o.number(decimal(it.NeedG)), o.number(decimal(it.CupboardG)), "", "", "", "", cell.Text(strings.Join(it.For, ", "))}
			if len(list.Stops) > 1 {
				row = append(row, cell.Text(s.Stop))
			}
			packs := it.Packs
			if len(packs) == 0 {
				packs = []shop.Packs{{}}
			}
			for _, p := range packs {
				if p.Count > 0 {
					row[5], row[6] = strconv.Itoa(p.Count), o.number(decimal(p.Grams))
					row[7], row[8] = o.number(price(p.Price, o.Digits)), o.number(price(p.Price*p.Count, o.Digits))
				}
				if err := out.Write(row); err != nil {
					return err
				}
			}
		}
	}
	out.Flush()
	return out.Error()
}

// oneLine is a text without breaks.
func oneLine(text string) string { return strings.Join(strings.Fields(text), " ") }

// ListText is a shopping list as plain text, to be sent to a phone: a line for each
// food, under its section.
func ListText(title string, list shop.List, done map[string]bool, currency string, digits int, u say.Units) string {
	var b strings.Builder
	fmt.Fprintf(&b, "%s\n", title)
	stop := ""
	for _, s := range list.Sections {
		if len(list.Stops) > 1 && s.Stop != stop {
			stop = s.Stop
			fmt.Fprintf(&b, "\n=== %s ===\n", oneLine(stop))
		}
		fmt.Fprintf(&b, "\n%s\n", strings.ToUpper(s.Name))
		for _, it := range s.Items {
			box := "[ ]"
			if done[it.Food] {
				box = "[x]"
			}
			fmt.Fprintf(&b, "%s %s: %s\n", box, oneLine(it.Name), it.Buys().In(u))
		}
	}
	if besides := list.Besides.In(u).String(); besides != "" {
		fmt.Fprintf(&b, "\n%s\n", besides)
	}
	fmt.Fprintf(&b, "\n%s\n", strings.TrimSpace("About "+price(list.Cost, digits)+" "+currency))
	return b.String()
}
