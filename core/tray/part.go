package tray

import (
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
)

// MaxTrays is how many trays one job may have.
const MaxTrays = 40

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
	Apart  bool           `json:"apart,omitempty"`  // a covered plate for guests with an allergy, beside the others' board
	Extra  document.Extra `json:"-"`
}

type plainPart Part

func (p *Part) UnmarshalJSON(raw []byte) (err error) {
	p.Extra, err = document.ReadObject(raw, (*plainPart)(p))
	return err
}

func (p Part) MarshalJSON() ([]byte, error) { return document.WriteObject(plainPart(p), p.Extra) }

// Whose names the guests that the part is for, "" for all of the table or where there is no part.
func (p *Part) Whose() string {
	if p == nil {
		return ""
	}
	return p.Who
}

// BriefOf is a job's brief as it is for the part's guests alone.
func (p *Part) BriefOf(b brief.Brief) brief.Brief {
	if p == nil {
		return b
	}
	if n := b.Guests.Total(); b.Budget > 0 && p.Guests.Total() > 0 && n > 0 {
		b.Budget *= float64(p.Guests.Total()) / float64(n)
	}
	if one, named := b.PersonCalled(p.Who); named && p.Guests.Total() == 1 {
		b.People = []brief.Person{one}
	} else if p.Guests.Total() < b.Guests.Total() {
		b.People = nil // they have plates of their own, or are among the others as anybody
	}
	b.Guests, b.Diets = p.Guests, p.Diets
	if p.Apart { // it has a board of its own, whatever the others have
		b.Board, b.Boards = nil, nil
	}
	return b
}

// Copies is how many trays are laid alike.
func (t *Tray) Copies() int {
	if t.Part == nil {
		return 1
	}
	return max(1, t.Part.Copies)
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

// check bounds a part.
func (p *Part) check() error {
	if p == nil {
		return nil
	}
	for _, v := range []struct {
		field string
		n     int
		most  int
	}{{"number", p.Number, MaxTrays}, {"of", p.Of, MaxTrays}, {"copies", p.Copies, 2000}} {
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
	return nil
}
