package food

import "maps"

// Offer is what a shop has of a food today: its packs with today's prices. Out is
// true where it has none.
type Offer struct {
	Packs []Pack
	Out   bool
}

// Market is what a shop offers: packs by food, and packs of several foods. A food that is not in it is bought at
// the larder's own prices.
type Market struct {
	Offers map[string]Offer
	Mixed  []Mixed
}

// Or is a market with what another has of the foods that this one is out of or does not know. Packs of several foods are
// its own: they belong to one way through one shop.
func (m Market) Or(other Market) Market {
	if len(m.Offers) == 0 {
		return other
	}
	out := Market{Offers: maps.Clone(m.Offers), Mixed: m.Mixed}
	for id, o := range other.Offers {
		if mine, ok := out.Offers[id]; !ok || mine.Out && !o.Out {
			out.Offers[id] = o
		}
	}
	return out
}

// Priced is the larder with a shop's prices over its own.
func (l *Larder) Priced(m Market) *Larder {
	if len(m.Offers) == 0 {
		return l
	}
	return &Larder{under: l, byID: map[string]int{}, all: l.All, same: true, market: m}
}

// offer finds what the nearest market says of a food.
func (l *Larder) offer(id string) (Offer, bool) {
	for ; l != nil; l = l.under {
		if l.market.Offers != nil {
			o, ok := l.market.Offers[id]
			return o, ok
		}
	}
	return Offer{}, false
}

// PacksOf are the packs that a food is bought in: those of the shop, or its own
// where no shop has it.
func (l *Larder) PacksOf(f *Food) []Pack {
	if o, ok := l.offer(f.ID); ok && len(o.Packs) > 0 {
		return o.Packs
	}
	return f.Packs
}

// OutOfStock reports whether the shop has none of a food today.
func (l *Larder) OutOfStock(id string) bool {
	o, ok := l.offer(id)
	return ok && o.Out
}

// Sells reports whether the shop has a food today; without a shop every food is had.
func (l *Larder) Sells(id string) bool {
	for at := l; at != nil; at = at.under {
		if at.market.Offers != nil {
			o, ok := at.market.Offers[id]
			return ok && !o.Out
		}
	}
	return true
}

// GramPrice is the price of a gram in the pack that is cheapest by weight, minor
// units; 0 for a food that is not sold.
func (l *Larder) GramPrice(f *Food) float64 {
	best := 0.0
	for _, p := range l.PacksOf(f) {
		if c := float64(p.Price) / p.Grams; best == 0 || c < best {
			best = c
		}
	}
	return best
}
