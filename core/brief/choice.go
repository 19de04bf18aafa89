package brief

import (
	"fmt"
	"strconv"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Leanings are what a choice of foods can be made for: what everybody takes, what is at its
// best, or what nobody at the table has tried.
var Leanings = []string{"liked", "season", "new"}

// MaxChoice bounds the number of a choice.
const MaxChoice = 1 << 30

// MaxHad bounds the foods that are remembered of trays before.
const MaxHad = 400

// Memory is what was on trays before, foods by their ids: the host's last tray, and those of the
// house's last jobs. How much it weighs is a house rule (Rules.Variety).
type Memory struct {
	Last   []string       `json:"last,omitempty"`   // on what this host had last
	Lately []string       `json:"lately,omitempty"` // on the last jobs of the house
	Host   string         `json:"host,omitempty"`   // whom and which day it was looked up for; "" where it is given by hand
	Day    string         `json:"day,omitempty"`
	Extra  document.Extra `json:"-"`
}

type plainHad Memory

func (h *Memory) UnmarshalJSON(raw []byte) (err error) {
	h.Extra, err = document.ReadObject(raw, (*plainHad)(h))
	return err
}

func (h Memory) MarshalJSON() ([]byte, error) { return document.WriteObject(plainHad(h), h.Extra) }

// checkChoice bounds which choice is asked for, and what is remembered.
func (b Brief) checkChoice() error {
	if b.Choice < 0 || b.Choice > MaxChoice {
		return fault.Bad("choice", "should be a whole number between 0 and %d", MaxChoice)
	}
	if b.Had == nil {
		return nil
	}
	if err := fault.First(
		func() error { return fault.Text("had.host", b.Had.Host, 160) },
		func() error { return fault.Text("had.day", b.Had.Day, 10) },
	); err != nil {
		return err
	}
	for _, l := range []struct {
		field string
		ids   []string
	}{{"had.last", b.Had.Last}, {"had.lately", b.Had.Lately}} {
		if len(l.ids) > MaxHad {
			return fault.Bad(l.field, "at most %d foods", MaxHad)
		}
		for i, id := range l.ids {
			if food.CheckID(id) != nil {
				return fault.Bad(fmt.Sprintf("%s[%d]", l.field, i), "%.40q is no food's id", id)
			}
		}
	}
	return nil
}

// ChoiceSeed is what a choice of foods is varied by: the occasion, not how many come to it,
// what it costs or what is pinned, so that a change of these changes no more than it must.
func (b Brief) ChoiceSeed() uint64 {
	theme := ""
	if b.Theme != nil {
		theme = b.Theme.Name
	}
	day := b.ServeDay()
	if day == "" {
		day = strconv.Itoa(b.Month)
	}
	return food.Seed("choice", b.For(), b.Course, day, b.Hemisphere, b.Host, b.Place, theme, b.Leaning, strconv.Itoa(b.Choice))
}
