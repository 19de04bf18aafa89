package brief_test

import (
	"fmt"

	"happytray/core/brief"
)

func ExampleRead() {
	b, err := brief.Read([]byte(`{"guests": {"adults": 8, "children": 3}, "diets": [{"who": "one of them", "count": 1, "avoid": ["nuts"]}]}`))
	fmt.Println(b.Guests.Total(), b.For(), b.OffTheTray(), err)
	_, err = brief.Read([]byte(`{"guests": {"adults": -2}}`))
	fmt.Println(err)
	// Output:
	// 11 nibble [nuts] <nil>
	// guests: nobody can be fewer than nought
}
