package tray_test

import (
	"fmt"

	"happytray/core/board"
	"happytray/core/geom"
	"happytray/core/tray"
)

func ExampleWhere() {
	b, _ := board.Make(board.Request{Shape: "rectangle", LengthMM: 600, WidthMM: 400})
	fmt.Println(tray.Where(&b, geom.Pt(90, 60)))
	fmt.Println(tray.Where(&b, geom.Pt(300, 200)))
	// Output:
	// back left
	// in the middle
}
