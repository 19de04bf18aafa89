package app

import (
	"context"

	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/say"
	"happytray/core/shop"
	"happytray/formats/sheet"
)

// bare are the checks that more small food mends.
func bare(check string) bool { return check == "fit.cover" || check == "fit.gap" }

// closing is what more of the small food on a job's first tray would make of it, said with its grams and with what they
// add to the basket; found is false where none would help.
func (a *App) closing(ctx context.Context, j *job.Job, larder *food.Larder) (closed *job.Job, gain float64, says string, found bool, err error) {
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, 0, "", false, err
	}
	now, more := pack.Close(ctx, j.Trays[0], larder)
	if now == nil {
		return nil, 0, "", false, nil
	}
	was, is := review.Judge(j.Trays[0], larder), review.Judge(now, larder)
	if was.Legal() && !is.Legal() || is.Score <= was.Score {
		return nil, 0, "", false, nil
	}
	closed = j.With(0, now)
	cost := shop.NewBasket(closed, larder).BasketCost - shop.NewBasket(j, larder).BasketCost
	var amounts []say.Value
	for _, m := range more {
		name := m.Food
		if f, ok := larder.Get(m.Food); ok {
			name = f.Name
		}
		amounts = append(amounts, say.Part("close.of", say.Grams(m.Grams), say.Food(name)))
	}
	text := say.New("close.inPacks", say.All(amounts...))
	if cost > 0 {
		text = say.New("close.costs", say.All(amounts...), say.Word(sheet.Money{Currency: s.Currency, Digits: s.Digits()}.Write(cost)))
	}
	return closed, round.Tenth(is.Score - was.Score), s.Units().Put(text), true, nil
}
