package main

import (
	"context"
	"fmt"
	"math"

	"happytray/core/board"
	"happytray/core/search"
	"happytray/core/tray"
)

// Largest radius of n equal circles in a circle of radius 1, and in a square of side 1,
// n = 5 to 30: the best packings published (Specht, "The best known packings of equal
// circles", tables for the circle and the square).
var (
	inCircle = []float64{.370192, .333333, .333333, .302593, .276769, .262259, .254855, .248163, .236068, .231031, .221173, .216665, .208680, .205605, .205605, .195224, .190392, .183833, .180336, .176939, .173827, .171580, .169307, .166252, .162903, .161349}
	inSquare = []float64{.207107, .187681, .174458, .170541, .166667, .148204, .142399, .139959, .133994, .129332, .127167, .125, .117197, .115521, .112265, .111382, .106860, .105665, .102803, .101382, .1, .096362, .095420, .093673, .092463, .091671}
)

// packing looks for the largest equal round bowls that are still all laid, as a share of
// the best radius known for their number, in 2 seconds a try.
func packing() {
	fmt.Print("| bowls | round board | square board |\n|---|---|---|\n")
	sums, least := [2]float64{}, [2]float64{1, 1}
	for n := 5; n <= 30; n++ {
		fmt.Printf("| %d |", n)
		for k, best := range []float64{inCircle[n-5] * 250, inSquare[n-5] * 500} {
			share := 0.0
			for s := .99; s > .7; s -= .01 {
				if packs(n, 2*best*s, k == 0) {
					share = s
					break
				}
			}
			sums[k] += share
			least[k] = math.Min(least[k], share)
			fmt.Printf(" %.2f |", share)
		}
		fmt.Println()
	}
	fmt.Printf("| mean | %.3f | %.3f |\n| least | %.2f | %.2f |\n\n", sums[0]/26, sums[1]/26, least[0], least[1])
}

// packs reports whether n bowls of a diameter, mm, find room on a board whose food zone
// is 500 mm across.
func packs(n int, diameter float64, round bool) bool {
	shape := "rectangle"
	if round {
		shape = "round"
	}
	b, err := board.Make(board.Request{Shape: shape, LengthMM: 516, WidthMM: 516})
	if err != nil {
		panic(err)
	}
	// exactly 500 mm, whatever margin a board is given
	if round {
		b.FoodZone = circle(250, b.FoodZone.Centroid().X)
	} else {
		c := b.FoodZone.Centroid()
		b.FoodZone = square(500, c.X)
	}
	t := &tray.Tray{Board: &b, Vessels: []board.Vessel{{ID: "bowl", Name: "Bowl", DiameterMM: diameter, HeightMM: 40, CapacityML: 200, Colour: "#dddddd", Material: "ceramic"}}}
	for i := range n {
		f, _ := larder.Get([]string{"honey", "fig-jam", "green-olives"}[i%3])
		t.Elements = append(t.Elements, tray.Element{ID: fmt.Sprint("bowl-", i), Food: f.ID, Form: "bowl", Category: f.Category, Grams: 40, Count: 1, Vessel: "bowl",
			Colour: f.Colour, Wetness: f.Wetness, Pieces: []tray.Piece{}})
	}
	res, err := search.Lay(context.Background(), t, larder, search.Options{Seconds: 2, Seed: 1})
	if err != nil {
		panic(err)
	}
	for i := range res.Tray.Elements {
		if !res.Tray.Elements[i].Placed {
			return false
		}
	}
	return true
}
