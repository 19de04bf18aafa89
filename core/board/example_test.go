package board_test

import (
	"fmt"

	"happytray/core/board"
)

func ExampleMake() {
	b, err := board.Make(board.Request{Shape: "paddle", LengthMM: 500, WidthMM: 240})
	fmt.Println(b.Name, err)
	fmt.Printf("%.0f cm2 for food, %d places where nothing may lie\n", b.FoodZone.Area()/100, len(b.Keepouts))
	// Output:
	// Paddle, 50 × 24 cm <nil>
	// 791 cm2 for food, 1 places where nothing may lie
}
