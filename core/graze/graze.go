// Package graze foresees how trays are eaten: simulated evenings in which guests come, stand at the sides, reach,
// choose by liking, diet and ease, and come back for more, played many times. A forecast says for each element how much
// is eaten and left, when it is gone, who went without, how the tray looks, what to top up and what is thrown away -
// each with how sure it is. It knows nothing that the tray file does not say. What it reckons with is in
// parameters.json, each number with where it comes from (docs/graze.md).
package graze

import (
	"context"
	"math"
	"math/rand/v2"
	"runtime"
	"slices"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/round"
	"happytray/core/tray"
	"happytray/core/workers"
)

// Options are how a forecast is made. The zero value is good.
type Options struct {
	Evenings int    // 1,000 where 0
	Seed     uint64 // the same gives the same forecast, on any number of cores
	Workers  int    // as many as there are cores where 0
}

const (
	usualEvenings = 1000
	// MostEvenings bounds a forecast, and mostGuests the guests of all its evenings together.
	MostEvenings = 20_000
	mostGuests   = 4_000_000
)

// lookAt are the minutes at which it is told how a tray looks.
var lookAt = []float64{15, 30, 60, 120}

// Range is what a number was in one, five and nine of ten evenings at most.
type Range struct {
	P10 float64 `json:"p10"` // a tenth of the evenings lie below
	P50 float64 `json:"p50"` // the median
	P90 float64 `json:"p90"` // a tenth lie above
}

// Element is how one element is eaten.
type Element struct {
	ID        string     `json:"id"`
	Tray      int        `json:"tray,omitempty"` // of several, from 1
	Food      string     `json:"food"`
	LaidG     float64    `json:"laid_g"`
	EatenG    Range      `json:"eaten_g"`
	LeftG     Range      `json:"left_g"`
	GoneAtMin *Range     `json:"gone_at_min"` // of the evenings in which nothing is left; nil where that is fewer than one in ten
	GoneShare float64    `json:"gone_share"`  // of the evenings in which nothing is left
	Looks     []Fullness `json:"looks"`       // how full it looks, in the mean, at the same minutes as the trays
	Why       []string   `json:"why"`
}

// Group is what guests who avoid the same things get, all of them together.
type Group struct {
	Who     string  `json:"who"`
	Count   int     `json:"count"`    // guests
	WantedG float64 `json:"wanted_g"` // in the mean
	GotG    Range   `json:"got_g"`
	Without float64 `json:"without"` // of its guests, in the mean, how many got less than half of what they wanted
}

// Fullness is how full the trays look at a minute: in all and by element.
type Fullness struct {
	Minute    float64 `json:"minute"`     // after serving
	LeftShare float64 `json:"left_share"` // 0 to 1 of what was laid, in the mean
}

// TopUp is a moment to lay more of a food, and how much of its reserve.
type TopUp struct {
	Minute float64 `json:"minute"` // after serving
	Food   string  `json:"food"`
	Grams  float64 `json:"grams"`
}

// Waste is what lies there at the end, in the mean.
type Waste struct {
	Grams float64 `json:"grams"`
	Cost  int     `json:"cost"` // minor units
}

// Side is how much of the crowd stands at a side.
type Side struct {
	Tray  int     `json:"tray,omitempty"` // from 1; 0 where the job has one
	Side  string  `json:"side"`
	Share float64 `json:"share"` // 0 to 1 of all helpings
}

// Forecast is what is foreseen of an evening.
type Forecast struct {
	Evenings int        `json:"evenings"` // played
	Guests   int        `json:"guests"`   // grown-ups and children
	Minutes  float64    `json:"minutes"`
	Elements []Element  `json:"elements"`
	Groups   []Group    `json:"groups"`
	Looks    []Fullness `json:"looks"`
	TopUp    []TopUp    `json:"top_up"`
	Waste    Waste      `json:"waste"`
	Crowd    []Side     `json:"crowd"`
}

// Simulate foresees a job's evening. A stopped context ends it with its error.
func Simulate(ctx context.Context, j *job.Job, larder *food.Larder, o Options) (Forecast, error) {
	if o.Evenings == 0 {
		o.Evenings = usualEvenings
	}
	if o.Evenings < 1 || o.Evenings > MostEvenings {
		return Forecast{}, fault.Bad("evenings", "should be between 1 and %d", MostEvenings)
	}
	out := Forecast{Evenings: o.Evenings, Elements: []Element{}, Groups: []Group{}, Looks: []Fullness{}, TopUp: []TopUp{}, Crowd: []Side{}}
	buffets := buffetsOf(j, larder)
	people := 0
	for _, b := range buffets {
		people += b.people
		out.Guests += b.people * b.copies
		out.Minutes = math.Max(out.Minutes, b.minutes)
	}
	if out.Guests == 0 {
		return Forecast{}, fault.Bad("brief.guests", "say how many guests come")
	}
	if people*o.Evenings > mostGuests {
		return Forecast{}, fault.Bad("evenings", "with %d guests %d at most can be foreseen", people, max(1, mostGuests/people))
	}
	sums := make([]*sum, len(buffets))
	for i, b := range buffets {
		evenings, err := b.play(ctx, o, uint64(i))
		if err != nil {
			return Forecast{}, err
		}
		sums[i] = &sum{buffet: b, evenings: evenings}
	}
	out.write(j, larder, sums)
	return out, nil
}

// buffetsOf parts a job's trays into those that the same guests eat from.
func buffetsOf(j *job.Job, larder *food.Larder) (out []*buffet) {
	done := make([]bool, len(j.Trays))
	for i, t := range j.Trays {
		if done[i] {
			continue
		}
		trays, numbers := []*tray.Tray{t}, []int{i}
		for k := i + 1; k < len(j.Trays); k++ {
			if o := j.Trays[k]; !done[k] && shared(t) && shared(o) && t.Part.Whose() == o.Part.Whose() {
				trays, numbers, done[k] = append(trays, o), append(numbers, k), true
			}
		}
		out = append(out, newBuffet(trays, numbers, larder, &usual))
	}
	return out
}

// shared reports whether a tray carries a part of the food of its guests, who eat from others, too.
func shared(t *tray.Tray) bool { return t.Part != nil && t.Part.Share > 0 && t.Part.Share < 1 }

// play plays evenings, each with chance of its own, so that it does not matter which core plays which.
func (b *buffet) play(ctx context.Context, o Options, salt uint64) ([]evening, error) {
	out := make([]evening, o.Evenings)
	on := o.Workers
	if on <= 0 {
		on = runtime.GOMAXPROCS(0)
	}
	looks := b.looks()
	workers.Do(o.Evenings, on, func(n int) {
		if ctx.Err() == nil {
			out[n] = b.run(rand.New(rand.NewPCG(o.Seed, uint64(n)<<16|salt)), looks)
		}
	})
	return out, ctx.Err()
}

func (b *buffet) looks() []float64 {
	var out []float64
	for _, m := range lookAt {
		if m <= b.minutes {
			out = append(out, m)
		}
	}
	return out
}

// sum is the evenings of a buffet.
type sum struct {
	*buffet
	evenings []evening
}

// over collects a number of every evening, sorted.
func (s *sum) over(of func(e *evening) float64) []float64 {
	out := make([]float64, len(s.evenings))
	for i := range s.evenings {
		out[i] = of(&s.evenings[i])
	}
	slices.Sort(out)
	return out
}

func mean(sorted []float64) float64 {
	all := 0.0
	for _, v := range sorted {
		all += v
	}
	return all / math.Max(1, float64(len(sorted)))
}

// rangeOf is the 10th, 50th and 90th per cent of sorted numbers, each the least that so many reach.
func rangeOf(sorted []float64) Range {
	at := func(part float64) float64 {
		return round.Tenth(sorted[min(len(sorted)-1, int(math.Ceil(part*float64(len(sorted))))-1)])
	}
	return Range{at(.1), at(.5), at(.9)}
}

// write tells what came of all evenings.
func (f *Forecast) write(j *job.Job, larder *food.Larder, sums []*sum) {
	waste, cost := 0.0, 0.0
	laid := 0.0
	looked := map[float64]float64{}
	several := len(j.Trays) > 1
	for _, s := range sums {
		times := float64(s.copies)
		for i := range s.dishes {
			d := &s.dishes[i]
			if d.beside { // it is no element of the board
				continue
			}
			e := s.element(i, j)
			if several {
				e.Tray = d.tray + 1
			}
			f.Elements = append(f.Elements, e)
			left := mean(s.over(func(e *evening) float64 { return float64(e.left[i]) * d.helping })) * times
			waste += left
			cost += left * larder.LaidPrice(s.foods[d.food].food, d.form)
			laid += d.laid * times
		}
		for n, g := range s.groups {
			wanted := 0.0
			for _, w := range g.wants {
				wanted += w
			}
			got := rangeOf(s.over(func(e *evening) float64 { return e.got[n] * times }))
			f.Groups = append(f.Groups, Group{Who: g.who, Count: g.count * s.copies, WantedG: round.Tenth(wanted * float64(g.count) * times), GotG: got,
				Without: round.Tenth(mean(s.over(func(e *evening) float64 { return float64(e.without[n]) })) * times)})
		}
		for k, m := range s.looks() {
			looked[m] += mean(s.over(func(e *evening) float64 { return e.looks[k] })) * times
		}
		f.TopUp = append(f.TopUp, s.topUp(j)...)
		f.Crowd = append(f.Crowd, s.crowd(several)...)
	}
	slices.SortStableFunc(f.Elements, func(a, b Element) int { return a.Tray - b.Tray })
	for _, m := range lookAt {
		if left, ok := looked[m]; ok && laid > 0 {
			f.Looks = append(f.Looks, Fullness{m, math.Round(1000*left/laid) / 1000})
		}
	}
	slices.SortStableFunc(f.TopUp, func(a, b TopUp) int {
		if a.Minute < b.Minute {
			return -1
		} else if a.Minute > b.Minute {
			return 1
		}
		return 0
	})
	f.Waste = Waste{round.Tenth(waste), int(math.Round(cost))}
}

// element tells of one dish.
func (s *sum) element(i int, j *job.Job) Element {
	d := &s.dishes[i]
	e := &j.Trays[d.tray].Elements[d.element]
	out := Element{ID: e.ID, Food: e.Food, LaidG: round.Tenth(d.laid)}
	left := s.over(func(e *evening) float64 { return float64(e.left[i]) * d.helping })
	out.EatenG = rangeOf(s.over(func(e *evening) float64 { return d.laid - float64(e.left[i])*d.helping }))
	out.LeftG = Range{round.Tenth(d.laid - out.EatenG.P90), round.Tenth(d.laid - out.EatenG.P50), round.Tenth(d.laid - out.EatenG.P10)} // so that what is eaten and left is what was laid
	gone := s.over(func(e *evening) float64 { return e.goneAt[i] })
	n, _ := slices.BinarySearch(gone, math.Inf(1))
	out.GoneShare = math.Round(1000*float64(n)/float64(len(gone))) / 1000
	if out.GoneShare >= .1 {
		r := rangeOf(gone[:n])
		out.GoneAtMin = &r
	}
	out.Looks = []Fullness{}
	for k, m := range s.looks() {
		there := 0.0
		for n := range s.evenings {
			there += float64(s.evenings[n].lefts[k][i])
		}
		out.Looks = append(out.Looks, Fullness{m, math.Round(100*there/float64(len(s.evenings)*d.helpings)) / 100})
	}
	out.Why = s.why(i, mean(left)/d.laid, out)
	return out
}

// fewestPinches is how many pinches there are in a box that is worth going for.
const fewestPinches = 3

// topUp are the moments at which a food of which there is a reserve looks thin in at least every second evening.
func (s *sum) topUp(j *job.Job) (out []TopUp) {
	numbers := map[int]bool{}
	for i := range s.dishes {
		numbers[s.dishes[i].tray] = true
	}
	for k := range s.foods {
		reserve := 0.0
		for n, t := range j.Trays {
			if !numbers[n] {
				continue
			}
			for _, r := range t.Reserve {
				if r.Food == s.foods[k].food.ID {
					reserve += r.Grams * float64(t.Copies())
				}
			}
		}
		if reserve < fewestPinches*s.p.bite { // nobody goes for a pinch
			continue
		}
		thin := s.over(func(e *evening) float64 { return e.thinAt[k] })
		if at := thin[(len(thin)-1)/2]; !math.IsInf(at, 1) {
			out = append(out, TopUp{math.Round(at), s.foods[k].food.ID, round.Tenth(reserve)})
		}
	}
	return out
}

// crowd is where guests stand.
func (s *sum) crowd(several bool) (out []Side) {
	all := 0
	count := make([]int, len(s.spots))
	for i := range s.evenings {
		for k, n := range s.evenings[i].visits {
			count[k] += n
			all += n
		}
	}
	for k := range s.spots {
		p := &s.spots[k]
		tray := 0
		if several {
			tray = s.trays[p.tray] + 1
		}
		n := slices.IndexFunc(out, func(o Side) bool { return o.Tray == tray && o.Side == p.side })
		if n < 0 {
			out, n = append(out, Side{Tray: tray, Side: p.side}), len(out)
		}
		out[n].Share += float64(count[k]) / math.Max(1, float64(all))
	}
	for i := range out {
		out[i].Share = round.To(out[i].Share, 3)
	}
	return out
}
