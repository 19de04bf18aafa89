package food

import "encoding/json"

// Share is a part of a whole, above 0 and up to 1; 0 stands for not said, which is all of it. Written as 0 it is a
// fault: nothing is left of no food.
type Share float64

// UnmarshalJSON reads a share; one of 0 becomes one that no check lets through.
func (s *Share) UnmarshalJSON(raw []byte) error {
	var v float64
	if err := json.Unmarshal(raw, &v); err != nil {
		return err
	}
	if v == 0 {
		v = -1
	}
	*s = Share(v)
	return nil
}

// YieldAs is the share of what is bought that is left of the food when it is cut for a form: without peel, core,
// rind or crust ends. What is said nothing of leaves all.
//
// Shares are the usual ones of kitchens' yield tables, rounded (docs/larder.md, Yield): a melon gives a little more
// than half of what it weighs, a cauliflower three fifths, a wheel of cheese all but its rind.
func (f *Food) YieldAs(form string) float64 {
	if s, ok := f.Spec(form); ok && s.Yield > 0 {
		return float64(s.Yield)
	}
	return 1
}

// BoughtFor is what is bought for so many grams of the food, ready in a form.
func (f *Food) BoughtFor(form string, grams float64) float64 { return grams / f.YieldAs(form) }

// EatenShare is the share of what lies on the board that is eaten: without stones, shells, pods and stalks.
func (f *Food) EatenShare() float64 {
	if f.Eaten > 0 {
		return float64(f.Eaten)
	}
	return 1
}

// LaidPrice is the price of a gram as it lies in a form, minor units; 0 for a food that is not sold.
func (l *Larder) LaidPrice(f *Food, form string) float64 { return l.GramPrice(f) / f.YieldAs(form) }

// ReadyPrice is the price of a gram as it is eaten, in the food's first form, minor units; 0 for a food that is not
// sold. It is what foods are compared by: melon is cheap until it is peeled.
func (l *Larder) ReadyPrice(f *Food) float64 {
	return l.LaidPrice(f, f.Forms[0].Form) / f.EatenShare()
}
