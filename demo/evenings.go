package demo

import (
	"bytes"
	"cmp"
	"hash/fnv"
	"image/jpeg"
	"math"
	"math/rand/v2"
	"slices"
	"time"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/colour"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/graze"
	"happytray/core/job"
	"happytray/core/learn"
	"happytray/core/pick"
	"happytray/core/plan"
	"happytray/core/prep"
	"happytray/core/tray"
	"happytray/formats/overhead"
	"happytray/standin/camera"
)

// Evening is one that Tern & Tallow has looked back on before this product kept its jobs.
type Evening struct {
	Title string
	learn.Record
	Forms map[string]string // in which each food was laid
	Notes []string
	Work  []learn.Stint // as it was ticked at the counter, since there is one
}

// crowds are who was fed over the year, and what of it they take more or less of than others do.
var crowds = []struct {
	name, title string
	guests      brief.Guests
	occasion    string
	days        []int // before today
	taste       map[string]float64
	note        string
}{
	{"Saltmere pottery co-op", "Open kiln", brief.Guests{Adults: 20}, "nibble", []int{338, 251, 160, 66}, map[string]float64{"blue-wedge": 1.6, "figs": 1.5, "round-crackers": .8, "green-olives": .5, "red-grapes": .7, "walnuts": 1.4}, "Clay on every hand: what is on picks goes first."},
	{"Saltmere library", "Reading evening", brief.Guests{Adults: 12, Children: 2}, "grazing", []int{305, 199, 94}, map[string]float64{"red-grapes": 1.5, "orange-block": 1.3, "dark-chocolate": 1.6, "chickpea-dip": .6}, "They sit. Whatever stands in the middle of the table is out of reach."},
	{"Saltmere allotment society", "Harvest supper", brief.Guests{Adults: 26}, "meal", []int{352, 288, 142, 51}, map[string]float64{"cherry-tomatoes": .4, "cucumber": .5, "wide-sausage": 1.4, "aged-hard": 1.5, "baguette-toasts": 1.3}, "They grow tomatoes. They do not eat ours."},
	{"Hollin Hill observatory", "Meteor night", brief.Guests{Adults: 30, Children: 4}, "nibble", []int{226, 107}, map[string]float64{"almonds": 1.5, "soft-white-round": .5, "dried-apricots": 1.4}, "Cold: nobody takes off a glove for a spoon."},
	{"Harbour choir", "After the concert", brief.Guests{Adults: 40}, "grazing", []int{180, 30}, map[string]float64{"round-crackers": 1.4, "orange-block": 1.2, "green-olives": .8}, "All at once, in the first half hour."},
}

// swapDays is how long ago the seed swap was.
const swapDays = 24

// Evenings are what was looked back on over the year: amounts as they are planned, eaten by crowds with a taste of
// their own.
func Evenings(today time.Time, larder *food.Larder) ([]Evening, error) {
	var out []Evening
	for _, c := range crowds {
		for n, ago := range c.days {
			b := brief.Brief{Guests: c.guests, Occasion: c.occasion, Host: c.name, Month: season(-ago), ServeAt: at(made, -ago, 19, 0), Choice: n}
			foods, err := plan.Choose(b, larder, board.BuiltInCabinet())
			if err != nil {
				return nil, err
			}
			forms := map[string]string{}
			for _, f := range foods {
				forms[f.Food.ID] = f.Form
			}
			record := eaten(b, c.name, foods, c.taste, made.AddDate(0, 0, -ago))
			record.Date = today.AddDate(0, 0, -ago).Format(time.DateOnly)
			out = append(out, Evening{Title: c.title, Forms: forms, Record: record, Notes: noted(c.note, n), Work: worked(ago)})
		}
	}
	return out, nil
}

// hands are how long work takes Odile, Bas and Ilka, of what the data say: they take time to fold, and cut cubes all day.
var hands = []struct {
	kind   string
	stints int // of a day
	each   float64
	takes  float64
}{{prep.Fold, 2, 6, 1.35}, {prep.Cube, 1, 4, .8}, {prep.Slice, 3, 5, 1}, {prep.Lay, 3, 8, 1.15}}

// ticked is since how many days they tick at the counter.
const ticked = 200

// worked is how long the work of a day took, so many days ago.
func worked(ago int) (out []learn.Stint) {
	if ago > ticked {
		return nil
	}
	rng := rand.New(rand.NewPCG(uint64(ago), 7))
	for _, h := range hands {
		for range h.stints {
			planned := math.Round(10*h.each*math.Exp(.3*rng.NormFloat64())) / 10
			out = append(out, learn.Stint{Kind: h.kind, Planned: planned, Took: math.Round(10*planned*h.takes*math.Exp(.2*rng.NormFloat64())) / 10})
		}
	}
	return out
}

func noted(note string, n int) []string {
	if n == 0 {
		return []string{note}
	}
	return []string{}
}

// eaten is what a crowd leaves of what was chosen for it.
func eaten(b brief.Brief, crowd string, foods []pick.Choice, taste map[string]float64, on time.Time) learn.Record {
	h := fnv.New64a()
	h.Write([]byte(crowd + on.Format(time.DateOnly)))
	rng := rand.New(rand.NewPCG(h.Sum64(), 1))
	out := learn.Record{Date: on.Format(time.DateOnly), Occasion: b.For(), Crowd: crowd, Guests: b.Guests, LastedMin: b.Lasts()}
	whole := math.Exp(.12 * rng.NormFloat64()) // hungrier or less so, all of them
	for _, a := range amount.Apportion(b, foods) {
		if a.Usual <= 0 || a.Food.Category == food.Garnish || a.Food.Category == food.NotFood {
			continue
		}
		like := 1.0
		if t, ok := taste[a.Food.ID]; ok {
			like = t
		}
		r := learn.Remains{Food: a.Food.ID, ShareG: math.Round(10*a.Usual/b.Guests.Appetites()) / 10, LaidG: math.Round(a.Grams), Reasons: []string{}}
		would := a.Usual * like * whole * math.Exp(.2*rng.NormFloat64())
		if would >= r.LaidG*.98 {
			if rng.IntN(3) > 0 { // somebody saw it
				at := math.Round(b.Lasts() * math.Min(.98, r.LaidG/would))
				r.GoneAtMin = &at
				if at < b.Lasts()/2 {
					r.Reasons = append(r.Reasons, learn.RanOut)
				}
			}
		} else {
			r.LeftG = math.Round(r.LaidG - would)
			switch {
			case like < .7 && a.Food.Strength >= 4:
				r.Reasons = append(r.Reasons, learn.TooStrong)
			case r.LeftG > .6*r.LaidG:
				r.Reasons = append(r.Reasons, learn.TooMuch)
			}
		}
		out.Foods = append(out.Foods, r)
	}
	return out
}

// SeedSwap is the allotment society's: served, and looked back on.
func SeedSwap(today time.Time) brief.Brief {
	return brief.Brief{Guests: brief.Guests{Adults: 17}, Occasion: "grazing", ServeAt: at(today, -swapDays, 18, 0), Month: season(-swapDays), Host: "Saltmere allotment society",
		Place: "The long shed", Note: "Seed swap. They come along one wall, with both pockets full.", Access: []string{"bottom"},
		Diets: []brief.Diet{{Who: "three who eat no meat", Count: 3, Avoid: []string{"meat", "rennet"}}},
		Board: &board.Request{Shape: "rectangle", LengthMM: 1150, WidthMM: 700, Colour: "#8a5a36", Name: "Shed door, oak"}}
}

// Swapped is the seed swap with what came home of it, by tray and element.
func Swapped(today time.Time, larder *food.Larder) (*job.Job, []graze.Outcome, error) {
	j, err := laid("seed-swap", SeedSwap, today, larder)
	if err != nil {
		return nil, nil, err
	}
	return j, graze.Play(j, j.Larder(larder), 5), nil
}

// SwapNotes are what was noted on the evening of the seed swap, by minutes from serving.
var SwapNotes = []struct {
	Minute int
	Says   string
}{{25, "Everybody stands at the beans. The far side is full still."}, {70, "Bread topped up from the box."}, {125, "They took the rest of the hard cheese home."}}

// SwapMoved is how far from its place a bowl of the seed swap was put down, mm.
var SwapMoved = geom.Pt(70, -45)

// plain lists the bowls of a tray, those first whose colour is least like anything else on it: that such a one was moved can
// be seen.
func plain(t *tray.Tray) []*tray.Element {
	var out []*tray.Element
	near := map[*tray.Element]float64{}
	for i := range t.Elements {
		e := &t.Elements[i]
		if e.Vessel == "" || !e.Placed {
			continue
		}
		near[e] = math.Inf(1)
		for k := range t.Elements {
			if o := &t.Elements[k]; k != i && o.Food != e.Food {
				near[e] = math.Min(near[e], colour.Difference(colour.Must(o.Colour), colour.Must(e.Colour)))
			}
		}
		out = append(out, e)
	}
	slices.SortStableFunc(out, func(a, b *tray.Element) int { return cmp.Compare(near[b], near[a]) })
	return out
}

// Photograph is what a camera sees of the seed swap before anybody came: held by hand, lit from one side, and with one
// bowl put down elsewhere than planned, where it can be told from what it was put on.
func Photograph(j *job.Job) ([]byte, error) {
	t := j.Trays[0]
	var first []byte
	for _, e := range plain(t) {
		for _, way := range []geom.Point{{X: 1, Y: 1}, {X: -1, Y: 1}, {X: 1, Y: -1}, {X: -1, Y: -1}} {
			by := geom.Pt(SwapMoved.X*way.X, SwapMoved.Y*way.Y)
			if !t.Board.FoodZone.Contains(geom.Pt(e.X, e.Y).Add(by)) {
				continue
			}
			raw, told, err := shot(t, e.ID, by)
			if err != nil || told {
				return raw, err
			}
			if first == nil {
				first = raw
			}
		}
	}
	if first == nil {
		raw, _, err := shot(t, "", geom.Point{})
		return raw, err
	}
	return first, nil
}

// shot photographs a tray with an element moved, and reports whether that is told when it is held against the plan.
func shot(t *tray.Tray, id string, by geom.Point) (raw []byte, told bool, err error) {
	moved := map[string]geom.Point{}
	if id != "" {
		moved[id] = by
	}
	img, _, err := camera.Take(t, camera.Shot{Tilt: .03, Uneven: .25, Noise: 3, Moved: moved, Seed: 4})
	if err != nil {
		return nil, false, err
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, &jpeg.Options{Quality: 86}); err != nil {
		return nil, false, err
	}
	raw = b.Bytes()
	seen, err := jpeg.Decode(bytes.NewReader(raw))
	if err != nil {
		return nil, false, err
	}
	c, err := overhead.FindCorners(seen)
	if err != nil {
		return raw, false, nil
	}
	box := t.Board.Outline.Bounds()
	straight, err := overhead.Straighten(seen, c, box.W(), box.H(), 1)
	if err != nil {
		return raw, false, nil
	}
	found, err := overhead.Compare(straight, 1, t)
	if err != nil {
		return raw, false, nil
	}
	return raw, slices.ContainsFunc(found, func(s overhead.Seen) bool { return s.Element == id && s.Moved != nil }), nil
}
