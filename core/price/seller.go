package price

import (
	"math"

	"happytray/core/fault"
)

// Seller is who asks a price, as the head of a quote says it, and on what terms.
type Seller struct {
	Address   string  `json:"address"` // in lines
	Name      string  `json:"name"`
	TaxPct    float64 `json:"tax_pct"` // percent that come on top of the price; 0 where none does, or it is in it
	Terms     string  `json:"terms"`
	ValidDays int     `json:"valid_days"` // for which a quote holds; 0 where nothing is said
}

// Check bounds a seller that came from outside.
func (s Seller) Check() error {
	for _, t := range []struct {
		field, text string
		most        int
	}{{"name", s.Name, 120}, {"address", s.Address, 300}, {"terms", s.Terms, 1000}} {
		if err := fault.Text(t.field, t.text, t.most); err != nil {
			return err
		}
	}
	if err := fault.Between("tax_pct", s.TaxPct, 0, 100, " %"); err != nil {
		return err
	}
	return fault.Between("valid_days", float64(s.ValidDays), 0, 365, " days")
}

// Taxed is a quote with tax on its total, rounded to the minor unit.
func (q Quote) Taxed(pct float64) Quote {
	q.TaxPct, q.Tax = pct, int(math.Round(float64(q.Total)*pct/100))
	q.Pays = q.Total + q.Tax
	return q
}
