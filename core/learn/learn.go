// Package learn makes later amounts better by what came home: for each food a factor on its share, for everybody and for
// each crowd, from the records of evenings.
//
// The logarithm of a factor is held on a grid. For everybody it has a normal prior about nought, the larder's own
// share; a crowd's differs from that by a difference with a prior of its own, so that a crowd with a short memory is
// drawn towards everybody (partial pooling). An evening multiplies in how likely it was: where something was left, a
// density of Student's t about what was eaten, whose heavy tails let strange foods of an evening count less; where the
// dish was emptied, the part of it beyond what was laid, because that is only a lower bound on what would have been
// eaten (a censored observation); where it is known when it was emptied, a wider density about what the rate until then
// would have come to. All of it is reckoned anew from the records each time, so that taking one away undoes it exactly.
package learn

import (
	"cmp"
	"fmt"
	"maps"
	"math"
	"slices"
	"time"

	"happytray/core/round"
)

// Numbers of the rule, and where they come from (docs/learn.md).
const (
	points  = 241 // of the grid
	reach   = 8.0 // it goes from an eighth to eight times
	prior   = .6  // standard deviation of a food's logarithm: a factor between 0.55 and 1.8 in two of three foods
	between = .2  // of a crowd's difference from everybody
	noise   = .25 // of one evening about a crowd's own factor
	degrees = 4   // of freedom of Student's t
	// littleWeight is what an evening counts in which a food was hindered.
	littleWeight = .15
	// floor is the least that is taken to have been eaten, of the share: the logarithm of nothing has no end.
	floor = 1 / reach
	// odd is how far an evening as a whole may lie off the crowd's others before it counts half.
	odd = .35
	// unlike is what an evening of another occasion counts where one is asked for.
	unlike = .5
)

// Factor is what was learnt of a food.
type Factor struct {
	Food     string   `json:"food"`
	Factor   float64  `json:"factor"`   // multiplies share_g
	SD       float64  `json:"sd"`       // of the factor
	Evenings int      `json:"evenings"` // that say something of it
	Because  []string `json:"because"`  // what moved it most, first
}

// Crowd is what was learnt of a crowd.
type Crowd struct {
	Crowd string   `json:"crowd"`
	Foods []Factor `json:"foods"`
}

// Learnt is what records teach.
type Learnt struct {
	Foods  []Factor `json:"foods"`
	Crowds []Crowd  `json:"crowds"`
}

// Options narrow down what is asked for. The zero value asks for everything alike.
type Options struct {
	Occasion string // evenings of another count half
	Month    int    // 1 to 12: evenings of the other half of the year count half
}

// FactorOf is what was learnt of a food for a crowd: its own, or everybody's where it has none; false where there is neither.
func (l Learnt) FactorOf(crowd, food string) (Factor, bool) {
	find := func(list []Factor) (Factor, bool) {
		i, ok := slices.BinarySearchFunc(list, food, func(f Factor, id string) int { return cmp.Compare(f.Food, id) })
		if !ok {
			return Factor{}, false
		}
		return list[i], true
	}
	if i, ok := slices.BinarySearchFunc(l.Crowds, crowd, func(c Crowd, name string) int { return cmp.Compare(c.Crowd, name) }); ok && crowd != "" {
		if f, ok := find(l.Crowds[i].Foods); ok {
			return f, true
		}
	}
	return find(l.Foods)
}

// Fit learns from records, in whatever order they come. Records that make no sense are an error.
func Fit(records []Record, o Options) (Learnt, error) {
	out := Learnt{Foods: []Factor{}, Crowds: []Crowd{}}
	if err := Check(records); err != nil {
		return out, err
	}
	ordered := slices.Clone(records)
	slices.SortStableFunc(ordered, func(a, b Record) int { return cmp.Or(cmp.Compare(a.Date, b.Date), cmp.Compare(a.Crowd, b.Crowd)) })
	foods := gather(ordered, o)
	crowds := map[string][]Factor{}
	for _, id := range slices.Sorted(maps.Keys(foods)) {
		f := foods[id]
		out.Foods = append(out.Foods, f.everybody(id))
		for _, c := range f.crowds {
			if c.name != "" {
				crowds[c.name] = append(crowds[c.name], f.crowd(id, c))
			}
		}
	}
	for _, name := range slices.Sorted(maps.Keys(crowds)) {
		out.Crowds = append(out.Crowds, Crowd{name, crowds[name]})
	}
	return out, nil
}

// sight is what one evening shows of a food.
type sight struct {
	record *Record
	of     *Remains
	weight float64 // what it counts
}

// crowd is the evenings of one crowd with a food. Each evening of nobody in particular is a crowd of its own.
type crowdOf struct {
	name  string
	seen  []sight
	fit   [points]float64 // of all of them
	drawn [points]float64 // the same seen from everybody's factor: blurred by how crowds differ
}

// learning is a food.
type learning struct {
	crowds []*crowdOf
	all    [points]float64 // prior and all crowds
}

// blurred is how many points away a difference between crowds is still reckoned with: seven standard deviations.
const blurred = 81

// grid are the logarithms of the factors that are held, and blur how likely crowds differ by so many points.
var grid, factors, blur = func() (g, f, b [points]float64) {
	step := 2 * math.Log(reach) / (points - 1)
	for i := range g {
		g[i] = -math.Log(reach) + float64(i)*step
		f[i] = math.Exp(g[i])
		d := float64(i) * step / between
		b[i] = math.Exp(-d * d / 2)
	}
	return g, f, b
}()

// gather collects what all evenings show of each food.
func gather(records []Record, o Options) map[string]*learning {
	foods := map[string]*learning{}
	strange := strangeness(records)
	for n := range records {
		r := &records[n]
		weight := strange[n] * o.weight(r)
		for i := range r.Foods {
			of := &r.Foods[i]
			if of.LaidG <= 0 || of.ShareG <= 0 {
				continue // nothing was laid: it says nothing
			}
			f := foods[of.Food]
			if f == nil {
				f = &learning{}
				foods[of.Food] = f
			}
			name := r.Crowd
			k := slices.IndexFunc(f.crowds, func(c *crowdOf) bool { return c.name == name && name != "" })
			if k < 0 {
				k, f.crowds = len(f.crowds), append(f.crowds, &crowdOf{name: name})
			}
			s := sight{r, of, weight}
			f.crowds[k].seen = append(f.crowds[k].seen, s)
			for p, v := range s.fit() {
				f.crowds[k].fit[p] += v
			}
		}
	}
	for _, f := range foods {
		for p, at := range grid {
			f.all[p] = -at * at / (2 * prior * prior)
		}
		for _, c := range f.crowds {
			c.drawn = drawn(&c.fit)
			for p := range f.all {
				f.all[p] += c.drawn[p]
			}
		}
	}
	return foods
}

// weight is what an evening counts for what is asked for.
func (o Options) weight(r *Record) float64 {
	w := 1.0
	if o.Occasion != "" && r.Occasion != "" && r.Occasion != o.Occasion {
		w *= unlike
	}
	if at, err := time.Parse(time.DateOnly, r.Date); err == nil && o.Month > 0 {
		if apart := (int(at.Month()) - o.Month + 12) % 12; apart > 3 && apart < 9 {
			w *= unlike
		}
	}
	return w
}

// strangeness is what each evening counts: one where as a whole much more or much less was eaten than on the crowd's
// others - rain, another party - counts less. It takes three evenings to tell.
func strangeness(records []Record) []float64 {
	out := make([]float64, len(records))
	middles := map[string][]float64{}
	own := make([]float64, len(records))
	for n := range records {
		out[n] = 1
		r := &records[n]
		var all []float64
		for i := range r.Foods {
			if f := &r.Foods[i]; f.LaidG > 0 && f.ShareG > 0 && !f.hindered() {
				all = append(all, math.Log(eatenOf(r, f)))
			}
		}
		own[n] = math.NaN()
		if len(all) >= 3 {
			own[n] = median(all)
			middles[r.Crowd] = append(middles[r.Crowd], own[n])
		}
	}
	for n := range records {
		of := middles[records[n].Crowd]
		if math.IsNaN(own[n]) || len(of) < 3 || records[n].Crowd == "" {
			continue
		}
		off := (own[n] - median(slices.Clone(of))) / odd
		out[n] = 1 / (1 + off*off)
	}
	return out
}

func median(v []float64) float64 {
	slices.Sort(v)
	if n := len(v); n%2 == 0 {
		return (v[n/2-1] + v[n/2]) / 2
	}
	return v[len(v)/2]
}

// eatenOf is what an appetite ate of a food, of its share.
func eatenOf(r *Record, f *Remains) float64 {
	return math.Max(floor, (f.LaidG-f.LeftG)/r.Guests.Appetites()/f.ShareG)
}

// fit is how likely the remains were for each factor, as logarithms.
func (s *sight) fit() (out [points]float64) {
	r, f := s.record, s.of
	at, spread, weight := math.Log(eatenOf(r, f)), noise, s.weight
	censored := f.emptied() && f.GoneAtMin == nil
	if f.emptied() && f.GoneAtMin != nil {
		// at the rate until then; the sooner it was gone, the less that is known
		part := math.Max(1/reach, *f.GoneAtMin/r.LastedMin)
		at -= math.Log(part)
		spread *= 2 - part
	}
	if f.hindered() {
		weight *= littleWeight
	}
	for p, g := range grid {
		z := (at - g) / spread
		if censored {
			out[p] = weight * math.Log(math.Max(1e-12, beyond(z)))
		} else {
			out[p] = -weight * (degrees + 1) / 2 * math.Log1p(z*z/degrees)
		}
	}
	return out
}

// beyond is the part of Student's t with four degrees of freedom that lies above z.
func beyond(z float64) float64 {
	k := 1 + z*z/4
	return .5 - 3./8*z/math.Sqrt(k)*(1-z*z/(12*k))
}

// drawn blurs how likely a crowd's factor is by how far crowds differ.
func drawn(fit *[points]float64) (out [points]float64) {
	top := slices.Max(fit[:])
	for q, v := range fit {
		w := math.Exp(v - top)
		if w < 1e-13 { // of the likeliest: it changes no digit that is told
			continue
		}
		for p := max(0, q-blurred); p <= min(points-1, q+blurred); p++ {
			out[p] += w * blur[max(p-q, q-p)]
		}
	}
	for p := range out {
		out[p] = math.Log(math.Max(1e-300, out[p]))
	}
	return out
}

// told is the middle and the spread of a factor whose logarithm is so likely; it is held to what so many evenings may
// do: twice or half of the share for each.
func told(fit *[points]float64, evenings int) (factor, sd float64) {
	top := slices.Max(fit[:])
	sum, logs, one, two := 0.0, 0.0, 0.0, 0.0
	for p, v := range fit {
		w := math.Exp(v - top)
		if w < 1e-13 {
			continue
		}
		f := factors[p]
		sum, logs, one, two = sum+w, logs+w*grid[p], one+w*f, two+w*f*f
	}
	most := math.Pow(2, float64(evenings))
	factor = math.Min(most, math.Max(1/most, math.Exp(logs/sum)))
	return factor, math.Sqrt(math.Max(0, two/sum-(one/sum)*(one/sum)))
}

func three(v float64) float64 { return round.To(v, 3) }

// everybody tells what was learnt of a food from all.
func (f *learning) everybody(id string) Factor {
	n := 0
	for _, c := range f.crowds {
		n += len(c.seen)
	}
	factor, sd := told(&f.all, n)
	out := Factor{Food: id, Factor: three(factor), SD: three(sd), Evenings: n}
	var moves []move
	for _, c := range f.crowds {
		for i := range c.seen {
			without := f.all
			fit := less(&c.fit, c.seen[i].fit())
			again := drawn(&fit)
			for p := range without {
				without[p] += again[p] - c.drawn[p]
			}
			was, _ := told(&without, max(0, n-1))
			moves = append(moves, move{&c.seen[i], factor/was - 1})
		}
	}
	out.Because = because(moves)
	return out
}

// crowd tells what was learnt of a food for one of its crowds.
func (f *learning) crowd(id string, c *crowdOf) Factor {
	var others [points]float64
	for p := range others {
		others[p] = f.all[p] - c.drawn[p]
	}
	from := drawn(&others) // what the others say of this crowd
	of := func(fit *[points]float64, n int) (float64, float64) {
		var all [points]float64
		for p := range all {
			all[p] = fit[p] + from[p]
		}
		return told(&all, n)
	}
	n := 0
	for _, o := range f.crowds {
		n += len(o.seen)
	}
	factor, sd := of(&c.fit, n)
	out := Factor{Food: id, Factor: three(factor), SD: three(sd), Evenings: len(c.seen)}
	var moves []move
	for i := range c.seen {
		fit := less(&c.fit, c.seen[i].fit())
		was, _ := of(&fit, max(0, n-1))
		moves = append(moves, move{&c.seen[i], factor/was - 1})
	}
	out.Because = because(moves)
	return out
}

func less(fit *[points]float64, one [points]float64) (out [points]float64) {
	for p := range out {
		out[p] = fit[p] - one[p]
	}
	return out
}

// move is by how much one evening moves a factor.
type move struct {
	*sight
	by float64
}

// mostSaid is how many evenings are told of.
const mostSaid = 5

// because tells of the evenings that move a factor most.
func because(moves []move) []string {
	slices.SortStableFunc(moves, func(a, b move) int { return cmp.Compare(math.Abs(b.by), math.Abs(a.by)) })
	out := []string{}
	for _, m := range moves {
		if len(out) == mostSaid {
			break
		}
		out = append(out, m.says())
	}
	return out
}

// says tells of one evening and what it does.
func (m *move) says() string {
	day := m.record.Date
	if at, err := time.Parse(time.DateOnly, day); err == nil {
		day = at.Format("2 January 2006")
	}
	if m.record.Crowd != "" {
		day += ", " + m.record.Crowd
	}
	f := m.of
	what := fmt.Sprintf("%.0f of %.0f g were left", f.LeftG, f.LaidG)
	switch {
	case f.emptied() && f.GoneAtMin != nil:
		what = fmt.Sprintf("%.0f g were gone after %.0f of %.0f minutes", f.LaidG, *f.GoneAtMin, m.record.LastedMin)
	case f.emptied():
		what = fmt.Sprintf("all %.0f g were eaten, and perhaps more would have been", f.LaidG)
	}
	for _, r := range Reasons {
		if f.because(r) {
			what += ", " + r
		}
	}
	if f.hindered() {
		what += ", which says little about liking"
	}
	by := "leaves it as it was"
	if pct := math.Round(100 * m.by); pct != 0 {
		by = fmt.Sprintf("moves it by %+.0f %%", pct)
	}
	return fmt.Sprintf("%s: %s; it %s.", day, what, by)
}
