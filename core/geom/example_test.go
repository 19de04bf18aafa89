package geom_test

import (
	"fmt"

	"happytray/core/geom"
)

// A cracker, turned and put on the board.
func ExamplePose_ApplyAll() {
	cracker := geom.Outline{{X: -35, Y: -20}, {X: 35, Y: -20}, {X: 35, Y: 20}, {X: -35, Y: 20}}
	on := geom.Pose{X: 200, Y: 100, Turn: 90}.ApplyAll(cracker)
	box := on.Bounds()
	fmt.Printf("%.0f x %.0f mm, %.0f mm2\n", box.W(), box.H(), on.Area())
	// Output:
	// 40 x 70 mm, 2800 mm2
}
