package brief

import (
	"fmt"
	"strings"

	"happytray/core/document"
	"happytray/core/fault"
)

// Person is a guest with a name. What somebody must not eat is no dislike: it stands among the diets, under their name.
type Person struct {
	Name     string         `json:"name"`
	Child    bool           `json:"child,omitempty"`
	Likes    []string       `json:"likes,omitempty"`    // foods by id or by what people call them, or kinds of food
	Dislikes []string       `json:"dislikes,omitempty"` // the same, and what food may hold: fish, nuts
	Extra    document.Extra `json:"-"`
}

type plainPerson Person

func (p *Person) UnmarshalJSON(raw []byte) (err error) {
	p.Extra, err = document.ReadObject(raw, (*plainPerson)(p))
	return err
}

func (p Person) MarshalJSON() ([]byte, error) { return document.WriteObject(plainPerson(p), p.Extra) }

// Bounds of what is known of guests by name.
const (
	MaxPeople = 30
	maxTastes = 12
)

// Is reports whether a name is the person's, however it is written.
func (p Person) Is(name string) bool {
	return strings.EqualFold(strings.TrimSpace(p.Name), strings.TrimSpace(name))
}

// Guests counts the person alone.
func (p Person) Guests() Guests {
	if p.Child {
		return Guests{Children: 1}
	}
	return Guests{Adults: 1}
}

// PersonCalled is the guest of a name.
func (b Brief) PersonCalled(name string) (Person, bool) {
	for _, p := range b.People {
		if p.Is(name) {
			return p, true
		}
	}
	return Person{}, false
}

// Unnamed is who comes beside the guests with a name, and their diets.
func (b Brief) Unnamed() (Guests, []Diet) {
	g := b.Guests
	for _, p := range b.People {
		if p.Child {
			g.Children--
		} else {
			g.Adults--
		}
	}
	g.Light = min(g.Light, max(0, g.Adults))
	g.Hearty = min(g.Hearty, max(0, g.Adults-g.Light))
	g.Infants = min(g.Infants, max(0, g.Children))
	var diets []Diet
	for _, d := range b.Diets {
		if _, named := b.PersonCalled(d.Who); !named || d.Count == 0 { // without a count it is everybody's
			diets = append(diets, d)
		}
	}
	return g, diets
}

// checkPeople bounds who has a name, and sees to it that everybody who avoids something has a plate that is theirs.
func (b Brief) checkPeople() error {
	if len(b.People) > MaxPeople {
		return fault.Bad("people", "at most %d guests by name", MaxPeople)
	}
	adults, children := 0, 0
	for i, p := range b.People {
		at := fmt.Sprintf("people[%d]", i)
		if strings.TrimSpace(p.Name) == "" {
			return fault.Bad(at+".name", "say what this guest is called")
		}
		if err := plainName(at+".name", p.Name); err != nil {
			return err
		}
		for _, o := range b.People[:i] {
			if o.Is(p.Name) {
				return fault.Bad(at+".name", "%.60q is there twice; add a letter to tell them apart", p.Name)
			}
		}
		for _, of := range []struct {
			field string
			words []string
		}{{"likes", p.Likes}, {"dislikes", p.Dislikes}} {
			if len(of.words) > maxTastes {
				return fault.Bad(at+"."+of.field, "at most %d foods", maxTastes)
			}
			for k, w := range of.words {
				if err := fault.Text(fmt.Sprintf("%s.%s[%d]", at, of.field, k), w, 80); err != nil {
					return err
				}
			}
		}
		if p.Child {
			children++
		} else {
			adults++
		}
	}
	if adults > b.Guests.Adults && !b.ByPacks() {
		return fault.Bad("people", "more adults have a name, %d, than come, %d", adults, b.Guests.Adults)
	}
	if children > b.Guests.Children && !b.ByPacks() {
		return fault.Bad("people", "more children have a name, %d, than come, %d", children, b.Guests.Children)
	}
	for i, d := range b.Diets {
		if _, named := b.PersonCalled(d.Who); named && d.Count > 1 {
			return fault.Bad(fmt.Sprintf("diets[%d].count", i), "%.60q is one guest", d.Who)
		}
	}
	if len(b.People) == 0 || !b.Plates() {
		return nil
	}
	rest, diets := b.Unnamed()
	for i, d := range b.Diets {
		for _, o := range diets {
			if o.Who == d.Who && o.Count > rest.Total() {
				return fault.Bad(fmt.Sprintf("diets[%d].who", i), "write the name of the guest who avoids %s, so that the right plate is theirs", strings.Join(d.Avoid, ", "))
			}
		}
	}
	if b.Guests.Frail > rest.Total() {
		return fault.Bad("guests.pregnant_or_frail", "say who it is: add a diet under the guest's name that avoids what pregnant guests are advised against")
	}
	return nil
}
