package practice_test

import (
	"fmt"

	"happytray/core/board"
	"happytray/core/food"
	"happytray/core/practice"
)

// A tool to know, and what an answer comes to.
func Example() {
	e, err := practice.Make("tool", 5, 1, food.BuiltIn(), board.BuiltInCabinet())
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(e.Asks, len(e.Choices), "choices")
	m, _ := e.Mark(practice.Answer{Chosen: e.Solution.Right})
	fmt.Println(m.Points, m.Grades["tools"])
	// Output:
	// What do guests take the blue-veined wedge, plant-based with? 4 choices
	// 100 4
}
