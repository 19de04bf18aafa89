package tray

import (
	"fmt"

	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// MaxFurther is how many trays one job may have besides its first.
const MaxFurther = 39

// MaxAllElements bounds the elements of all trays of a job together.
const MaxAllElements = 1600

// Part says which part of the table a tray is for, where a job has several: the
// guests it serves and what they avoid, its share of their food, and how many
// trays of the kind are laid.
type Part struct {
	Number int            `json:"number"` // from 1
	Of     int            `json:"of"`     // trays of the job
	Who    string         `json:"who,omitempty"`
	Guests brief.Guests   `json:"guests"` // one tray's
	Diets  []brief.Diet   `json:"diets,omitempty"`
	Share  float64        `json:"share,omitempty"`  // of the food of its guests; 0 or 1 for all of it
	Copies int            `json:"copies,omitempty"` // trays laid alike; 0 or 1 for one
	Extra  document.Extra `json:"-"`
}

type plainPart Part

func (p *Part) UnmarshalJSON(raw []byte) (err error) {
	p.Extra, err = document.ReadObject(raw, (*plainPart)(p))
	return err
}

func (p Part) MarshalJSON() ([]byte, error) { return document.WriteObject(plainPart(p), p.Extra) }

// Table is the brief as it is for the part's guests alone.
func (p Part) Table(b brief.Brief) brief.Brief {
	if n := b.Guests.Total(); b.Budget > 0 && p.Guests.Total() > 0 && n > 0 {
		b.Budget *= float64(p.Guests.Total()) / float64(n)
	}
	b.Guests, b.Diets = p.Guests, p.Diets
	return b
}

// Table is the brief of the guests that this tray is for.
func (t *Tray) Table() brief.Brief {
	if t.Part == nil {
		return t.Brief
	}
	return t.Part.Table(t.Brief)
}

// Copies is how many trays are laid alike.
func (t *Tray) Copies() int {
	if t.Part == nil {
		return 1
	}
	return max(1, t.Part.Copies)
}

// All lists the trays of the job, this one first.
func (t *Tray) All() []*Tray {
	out := []*Tray{t}
	for i := range t.Further {
		out = append(out, &t.Further[i])
	}
	return out
}

// GramsOf is what this tray and its reserve hold of a food.
func (t *Tray) GramsOf(food string) (g float64) {
	for i := range t.Elements {
		if t.Elements[i].Food == food {
			g += t.Elements[i].Grams
		}
	}
	for _, r := range t.Reserve {
		if r.Food == food {
			g += r.Grams
		}
	}
	return g
}

// checkParts bounds the part and the further trays.
func (t *Tray) checkParts(larder *food.Larder) error {
	if p := t.Part; p != nil {
		for _, v := range []struct {
			field string
			n     int
			most  int
		}{{"number", p.Number, MaxFurther + 1}, {"of", p.Of, MaxFurther + 1}, {"copies", p.Copies, 2000}} {
			if v.n < 0 || v.n > v.most {
				return fault.Bad("part."+v.field, "should be between 0 and %d", v.most)
			}
		}
		if err := fault.Text("part.who", p.Who, 80); err != nil {
			return err
		}
		if err := fault.Between("part.share", p.Share, 0, 1, ""); err != nil {
			return err
		}
		if err := (brief.Brief{Guests: p.Guests, Diets: p.Diets}).Check(); err != nil {
			return fault.In("part", err)
		}
	}
	if len(t.Further) > MaxFurther {
		return fault.Bad("further", "at most %d further trays", MaxFurther)
	}
	all := len(t.Elements)
	for i := range t.Further {
		f := &t.Further[i]
		at := fmt.Sprintf("further[%d]", i)
		if len(f.Further) > 0 {
			return fault.Bad(at+".further", "trays are kept one level deep; list them all with the first")
		}
		if all += len(f.Elements); all > MaxAllElements {
			return fault.Bad(at+".elements", "at most %d elements on all trays of a job together", MaxAllElements)
		}
		if err := f.Check(larder); err != nil {
			return fault.In(at, err)
		}
	}
	return nil
}
