package brief

import (
	"encoding/json"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Pack is food that the host has already, and wants on the tray.
type Pack struct {
	Food  string         `json:"food"`            // its id, or what people call it
	Name  string         `json:"name,omitempty"`  // what the host calls it, where that is not its name in the larder
	Grams float64        `json:"grams,omitempty"` // in one pack, as bought; 0 for the smallest that the larder knows
	Count int            `json:"count,omitempty"` // packs of that size; 0 for one
	Extra document.Extra `json:"-"`
}

type plainPack Pack

// UnmarshalJSON reads a food's id, or an object with food, grams and count.
func (p *Pack) UnmarshalJSON(raw []byte) (err error) {
	if len(raw) > 0 && raw[0] == '"' {
		return json.Unmarshal(raw, &p.Food)
	}
	p.Extra, err = document.ReadObject(raw, (*plainPack)(p))
	return err
}

func (p Pack) MarshalJSON() ([]byte, error) { return document.WriteObject(plainPack(p), p.Extra) }

// Packs is how many packs there are of the size.
func (p Pack) Packs() int { return max(1, p.Count) }

// Bounds of what stands there already.
const (
	MaxPacks     = 60
	MaxPackCount = 500
	MaxPackG     = 50_000.0
	MaxBuys      = 40
	usualBuys    = 3 // further foods that make packs into a board
)

// BuysAtMost is how many foods may be bought beside what is there; limited is false where nobody minds.
func (b Brief) BuysAtMost() (n int, limited bool) {
	switch {
	case b.Buys != nil:
		return *b.Buys, true
	case len(b.Packs) > 0:
		return usualBuys, true
	}
	return 0, false
}

// ByPacks reports whether nobody is counted, so that the packs say for how many the board is.
func (b Brief) ByPacks() bool { return len(b.Packs) > 0 && b.Guests.Total() == 0 }

// HasPacks reports whether the host has packs of a food.
func (b Brief) HasPacks(id string) bool { return b.PackG()[id] > 0 }

// PackG is the grams of each food in the host's packs, as bought, by id; what is banned from the tray stays in its packs.
func (b Brief) PackG() map[string]float64 {
	if len(b.Packs) == 0 {
		return nil
	}
	out := map[string]float64{}
	for _, p := range b.Packs {
		if !slices.Contains(b.Bans, p.Food) {
			out[p.Food] += p.Grams * float64(p.Packs())
		}
	}
	return out
}

// PackStock is the host's packs as a cupboard holds them.
func (b Brief) PackStock() food.Stock {
	if len(b.Packs) == 0 {
		return nil
	}
	out := food.Stock{}
	for _, p := range b.Packs {
		out[p.Food] = append(out[p.Food], food.Lot{Grams: p.Grams * float64(p.Packs())})
	}
	return out
}

// checkPacks bounds what stands there already and how much may be bought beside it.
func (b Brief) checkPacks() error {
	if len(b.Packs) > MaxPacks {
		return fault.Bad("packs", "at most %d rows of packs", MaxPacks)
	}
	for i, p := range b.Packs {
		at := fmt.Sprintf("packs[%d]", i)
		if strings.TrimSpace(p.Food) == "" {
			return fault.Bad(at+".food", "say which food is in the pack")
		}
		if err := fault.Text(at+".food", p.Food, 80); err != nil {
			return err
		}
		if err := plainName(at+".name", p.Name); err != nil {
			return err
		}
		if err := fault.Between(at+".grams", p.Grams, 0, MaxPackG, " g"); err != nil {
			return err
		}
		if err := fault.Between(at+".count", float64(p.Count), 0, MaxPackCount, " packs"); err != nil {
			return err
		}
	}
	if b.Buys != nil {
		return fault.Between("buys_at_most", float64(*b.Buys), 0, MaxBuys, " foods")
	}
	return nil
}

var (
	packWeight = regexp.MustCompile(`(?i)(\d+(?:[.,]\d+)?)\s*(kg|g|oz|lb)\b\.?`)
	packCount  = regexp.MustCompile(`(?i)(?:^|\s)(\d{1,3})\s*[x×*](?:\s|$)|^\s*(\d{1,3})\s+`)
	packWords  = regexp.MustCompile(`(?i)\b(packs?|packets?|jars?|tins?|cans?|bags?|boxes|box|tubs?|pots?|of|each|a|an)\b`)
)

// gramsOf is how many grams a unit of weight is.
var gramsOf = map[string]float64{"g": 1, "kg": 1000, "oz": 28.349523125, "lb": 453.59237}

// ReadPack reads a line of a list, as somebody in front of a fridge writes it: 2 x 200 g brie, olives 180 g, 3 packs of
// crackers. Food is what is left of the words; "" where nothing is.
func ReadPack(line string) (p Pack) {
	rest := strings.Trim(line, " \t\r-•*·")
	if m := packWeight.FindStringSubmatch(rest); m != nil {
		if v, err := strconv.ParseFloat(strings.Replace(m[1], ",", ".", 1), 64); err == nil {
			p.Grams = v * gramsOf[strings.ToLower(m[2])]
		}
		rest = strings.Replace(rest, m[0], " ", 1)
	}
	if m := packCount.FindStringSubmatch(rest); m != nil {
		p.Count, _ = strconv.Atoi(m[1] + m[2])
		rest = strings.Replace(rest, m[0], " ", 1)
	}
	words := packWords.ReplaceAllString(rest, " ")
	p.Food = strings.Join(strings.FieldsFunc(words, func(r rune) bool { return r == ' ' || r == ',' || r == ';' || r == ':' || r == '\t' }), " ")
	return p
}
