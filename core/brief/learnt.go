package brief

import (
	"fmt"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
)

// Learnt is what evenings before have taught of one food for this brief's crowd: how much of its usual share is
// eaten, and which evenings say so. What the host refuses stays as it is usual.
type Learnt struct {
	Food    string         `json:"food"`
	Factor  float64        `json:"factor"` // on the share; an eighth to eight
	Because []string       `json:"because,omitempty"`
	Refused bool           `json:"refused,omitempty"`
	Extra   document.Extra `json:"-"`
}

type plainLearnt Learnt

func (l *Learnt) UnmarshalJSON(raw []byte) (err error) {
	l.Extra, err = document.ReadObject(raw, (*plainLearnt)(l))
	return err
}

func (l Learnt) MarshalJSON() ([]byte, error) {
	return document.WriteObject(plainLearnt(l), l.Extra)
}

// Bounds of what is learnt.
const (
	MaxLearnt     = 400
	leastFactor   = 1. / 8
	mostFactor    = 8.
	mostBecause   = 8
	mostBecauseIs = 400 // letters
)

// checkLearnt bounds what was learnt.
func (b Brief) checkLearnt() error {
	if len(b.Learnt) > MaxLearnt {
		return fault.Bad("learnt", "at most %d foods", MaxLearnt)
	}
	met := map[string]bool{}
	for i, l := range b.Learnt {
		field := fmt.Sprintf("learnt[%d]", i)
		if food.CheckID(l.Food) != nil || met[l.Food] {
			return fault.Bad(field+".food", "%.40q is no food's id, or stands there twice", l.Food)
		}
		met[l.Food] = true
		if err := fault.Between(field+".factor", l.Factor, leastFactor, mostFactor, ""); err != nil {
			return err
		}
		if len(l.Because) > mostBecause {
			return fault.Bad(field+".because", "at most %d sentences", mostBecause)
		}
		for _, s := range l.Because {
			if err := fault.Text(field+".because", s, mostBecauseIs); err != nil {
				return err
			}
		}
	}
	return nil
}

// Eats is what was learnt of a food: its factor, or 1 where there is nothing or the host refuses it.
func (b Brief) Eats(id string) (factor float64, because []string) {
	for _, l := range b.Learnt {
		if l.Food == id && !l.Refused {
			return l.Factor, l.Because
		}
	}
	return 1, nil
}
