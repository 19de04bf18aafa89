package graze_test

import (
	"slices"
	"testing"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/graze"
	"happytray/core/plan/plantest"
)

// Evenings leave 8 to 20 % of a board in the middle, of nearly everything a little, and nobody eats more honey and jam
// than goes with cheese.
func TestAUsualEveningLeavesSome(t *testing.T) {
	if testing.Short() {
		t.Skip("a middle of few boards says little")
	}
	larder := food.BuiltIn()
	const boards = 24
	var shares []float64
	sweet, guests := 0.0, 0
	for n := range boards {
		b := brief.Brief{Guests: brief.Guests{Adults: 4 + n%17}, Month: 1 + n%12, Occasion: []string{"nibble", "grazing", "meal"}[n%3], Choice: n / 12}
		j := plantest.Laid(t, b)
		left, laid := 0.0, 0.0
		for _, e := range of(t, j, larder, graze.Options{Seed: 1, Evenings: 300}).Elements {
			left, laid = left+e.LeftG.P50, laid+e.LaidG
			if f, _ := larder.Get(e.Food); f.Category == food.Dip && food.SweetDip(f) {
				sweet += e.EatenG.P50
			}
		}
		guests += b.Guests.Total()
		shares = append(shares, left/laid)
	}
	slices.Sort(shares)
	t.Logf("left from %.2f over %.2f to %.2f", shares[0], shares[boards/2], shares[boards-1])
	if middle := shares[boards/2]; middle < .08 || middle > .2 {
		t.Errorf("%.3f of a board is left in the middle", middle)
	}
	if each := sweet / float64(guests); each > 12 {
		t.Errorf("%.1f g of honey and jam are eaten a head", each)
	}
}
