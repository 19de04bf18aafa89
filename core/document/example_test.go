package document_test

import (
	"fmt"

	"happytray/core/document"
)

// What a version does not know survives it.
func ExampleReadObject() {
	var board struct {
		Name string `json:"name"`
	}
	extra, err := document.ReadObject([]byte(`{"name": "Harvest board", "oiled": "in May"}`), &board)
	fmt.Println(board.Name, extra.Names(), err)
	raw, _ := document.WriteObject(board, extra)
	fmt.Println(string(raw))
	// Output:
	// Harvest board [oiled] <nil>
	// {"name":"Harvest board","oiled":"in May"}
}
