package price_test

import (
	"fmt"

	"happytray/core/price"
	"happytray/core/shop"
)

func ExampleNewQuote() {
	q := price.NewQuote(shop.Basket{BasketCost: 9000}, price.Work{HandMin: 120}, 1, 12, false, price.Rates{Hourly: 2400, Margin: 20})
	fmt.Println(q.PerHead, q.Total)
	// Output:
	// 1440 17280
}
