package arrange

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"

	"happytray/core/board"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/round"
	"happytray/core/tray"
)

// Act is what a hand does to something on a tray besides moving it; everything else makes room.
type Act struct {
	Kind    string        // one of Acts
	Element string        // what it is done to
	Other   string        // swap, join: with which
	Count   int           // amount: how many pieces it is to have
	Vessel  *board.Vessel // vessel: into which
	LiftMM  float64       // lift: how high it is to stand on what is under it
	Deg     float64       // circle: by how far round what it hugs
	Open    float64       // open: how much farther apart its pieces come, as a factor
	Path    []geom.Point  // bend: the line that a trail is to take
}

// Acts are the kinds of acts.
var Acts = []string{"swap", "duplicate", "split", "join", "amount", "vessel", "lift", "circle", "open", "bend"}

const (
	mostLiftMM = 80
	// mostOfOne is how many pieces a hand gives one group: more than any heap has, few enough that room is made soon.
	mostOfOne = 600
)

// ByHand does one act on a copy of a tray, and lets everything else make room for what came of it. Food that
// is added comes from reserve as far as there is some, and what is taken away goes there. What cannot
// be done is told as a fault.
func ByHand(ctx context.Context, t *tray.Tray, larder *food.Larder, a Act) (Room, error) {
	if t.Board == nil {
		return Room{}, fault.Bad("board", "choose a board before laying the tray")
	}
	if err := fault.OneOf("kind", a.Kind, Acts...); err != nil {
		return Room{}, err
	}
	e, f, spec, err := element(t, larder, a.Element)
	if err != nil {
		return Room{}, err
	}
	if !e.Placed || len(e.Pieces) == 0 {
		return Room{}, fault.Bad("element", "%s does not lie on the board; lay it first", f.Name)
	}
	h := hand{t: t.Clone(), larder: larder, food: f, spec: spec}
	h.k = h.t.Find(a.Element)
	h.e = &h.t.Elements[h.k]
	if h.e.Locked && a.Kind != "duplicate" {
		return Room{}, fault.Bad("element", "%s is locked; unlock it first", f.Name)
	}
	held, err := h.do(a)
	if err != nil {
		return Room{}, err
	}
	return roomOn(ctx, larder, t, h.t, nil, held), nil
}

// hand is a tray on which an act is done.
type hand struct {
	t      *tray.Tray
	larder *food.Larder
	k      int
	e      *tray.Element
	food   *food.Food
	spec   food.Spec
}

// do changes the tray; it answers with what the others make room for.
func (h *hand) do(a Act) (held []int, err error) {
	switch a.Kind {
	case "swap":
		return h.swap(a.Other)
	case "duplicate":
		return h.duplicate()
	case "split":
		return h.split()
	case "join":
		return h.join(a.Other)
	case "amount":
		err = h.amount(a.Count)
	case "vessel":
		err = h.vessel(a.Vessel)
	case "lift":
		err = h.lift(a.LiftMM)
	case "circle":
		err = h.circle(a.Deg)
	case "open":
		err = h.open(a.Open)
	case "bend":
		err = h.bend(a.Path)
	}
	return []int{h.k}, err
}

// other finds what an act is done with.
func (h *hand) other(id string) (int, error) {
	o := h.t.Find(id)
	if o < 0 || o == h.k {
		return 0, fault.Bad("other", "choose a second thing on this tray")
	}
	if e := &h.t.Elements[o]; !e.Placed || len(e.Pieces) == 0 {
		return 0, fault.Bad("other", "that does not lie on the board; lay it first")
	}
	return o, nil
}

// swap lets two things change places, middle to middle.
func (h *hand) swap(id string) ([]int, error) {
	o, err := h.other(id)
	if err != nil {
		return nil, err
	}
	other := &h.t.Elements[o]
	if other.Locked {
		return nil, fault.Bad("other", "one of the two is locked; unlock it first")
	}
	by := boxOf(other.Pieces).Centre().Sub(boxOf(h.e.Pieces).Centre())
	carry(h.e, by)
	carry(other, by.Mul(-1))
	return []int{h.k, o}, nil
}

// carry shifts an element with all its pieces.
func carry(e *tray.Element, by geom.Point) {
	p := e.Pose()
	e.MoveTo(geom.Pose{X: p.X + by.X, Y: p.Y + by.Y, Turn: p.Turn})
}

// anotherID is an id for an element made of one that no other has.
func (h *hand) anotherID() string {
	for n := 2; ; n++ {
		if id := fmt.Sprintf("%.70s-%d", h.e.ID, n); h.t.Find(id) < 0 {
			return id
		}
	}
}

// duplicate lays the same again beside it.
func (h *hand) duplicate() ([]int, error) {
	if len(h.t.Elements) >= tray.MaxElements {
		return nil, fault.Bad("element", "a tray holds %d elements at most", tray.MaxElements)
	}
	c := *h.e
	c.ID, c.Locked, c.Extra = h.anotherID(), false, nil
	c.Grams = round.Tenth(h.fetch(c.Count, c.Grams/float64(max(1, c.Count))))
	box := boxOf(c.Pieces)
	by := geom.Pt(box.W()+4, 0)
	if zone := h.t.Board.FoodZone.Bounds(); box.Max.X+box.W() > zone.Max.X {
		by.X = -by.X
	}
	carry(&c, by)
	h.t.Elements = append(h.t.Elements, c)
	return []int{len(h.t.Elements) - 1}, nil
}

// fetch takes so many pieces out of the reserve of the same food and form, and what is not there from the
// larder, at so many grams each; it answers with what they weigh.
func (h *hand) fetch(count int, each float64) (grams float64) {
	for i := 0; i < len(h.t.Reserve) && count > 0; i++ {
		r := &h.t.Reserve[i]
		if r.Food != h.e.Food || r.Form != h.e.Form || r.Count <= 0 {
			continue
		}
		if r.Count <= count {
			count, grams = count-r.Count, grams+r.Grams
			h.t.Reserve = slices.Delete(h.t.Reserve, i, i+1)
			i--
			continue
		}
		part := round.Tenth(r.Grams * float64(count) / float64(r.Count))
		r.Count, r.Grams = r.Count-count, round.Tenth(r.Grams-part)
		return grams + part
	}
	return grams + each*float64(count)
}

// keep puts so many pieces by as reserve.
func (h *hand) keep(count int, grams float64) {
	for i := range h.t.Reserve {
		if r := &h.t.Reserve[i]; r.Food == h.e.Food && r.Form == h.e.Form {
			r.Count += count
			r.Grams = round.Tenth(r.Grams + grams)
			return
		}
	}
	h.t.Reserve = append(h.t.Reserve, tray.Reserve{Food: h.e.Food, Form: h.e.Form, Count: count, Grams: round.Tenth(grams), Why: noRoom})
}

// divisible reports whether an element is a group of pieces.
func (h *hand) divisible() error {
	switch {
	case h.e.Vessel != "":
		return fault.Bad("element", "what stands in a bowl is one thing; duplicate it instead")
	case h.e.Kind() == food.KindAnchor:
		return fault.Bad("element", "%s is one thing and cannot be parted", h.food.Name)
	}
	return nil
}

// split makes two groups of one, where its pieces lie.
func (h *hand) split() ([]int, error) {
	if err := h.divisible(); err != nil {
		return nil, err
	}
	if len(h.e.Pieces) < 2 {
		return nil, fault.Bad("element", "a single piece cannot be split")
	}
	if len(h.t.Elements) >= tray.MaxElements {
		return nil, fault.Bad("element", "a tray holds %d elements at most", tray.MaxElements)
	}
	ps := slices.Clone(h.e.Pieces)
	if h.e.Kind() == food.KindLoose { // across its longer side
		box := boxOf(ps)
		along := func(p tray.Piece) float64 { return p.At.X }
		if box.H() > box.W() {
			along = func(p tray.Piece) float64 { return p.At.Y }
		}
		slices.SortStableFunc(ps, func(a, b tray.Piece) int { return cmp.Compare(along(a), along(b)) })
	}
	c := *h.e
	c.ID, c.Extra, c.Path = h.anotherID(), nil, nil
	n := len(ps) / 2
	each := h.e.Grams / float64(max(1, h.e.Count))
	c.Pieces = slices.Clone(ps[n:])
	h.e.Pieces, h.e.Path = ps[:n:n], nil
	c.Count, h.e.Count = len(c.Pieces), n
	c.Grams = round.Tenth(each * float64(c.Count))
	h.e.Grams = round.Tenth(h.e.Grams - c.Grams)
	settleIn(h.e)
	settleIn(&c)
	h.t.Elements = append(h.t.Elements, c)
	h.e = &h.t.Elements[h.k]
	return []int{h.k}, nil // the other half is pushed off it
}

// settleIn makes the middle of an element's pieces its place, so that it turns about itself.
func settleIn(e *tray.Element) {
	at := middleOf(e.Pieces).Round()
	e.X, e.Y = at.X, at.Y
}

// join makes one group of two of the same food in the same form: the second comes to the first.
func (h *hand) join(id string) ([]int, error) {
	o, err := h.other(id)
	if err != nil {
		return nil, err
	}
	other := h.t.Elements[o]
	switch {
	case other.Food != h.e.Food || other.Form != h.e.Form:
		return nil, fault.Bad("other", "only the same food in the same form can be joined")
	case other.Locked:
		return nil, fault.Bad("other", "one of the two is locked; unlock it first")
	case h.e.Vessel != "":
		v, _ := h.t.Vessel(h.e.Vessel)
		if ml := h.fills(h.e.Grams + other.Grams); ml > v.CapacityML {
			return nil, fault.Bad("other", "%s holds %.0f ml, and both are %.0f ml; choose a larger bowl first", v.Name, v.CapacityML, ml)
		}
	default:
		if err := h.divisible(); err != nil {
			return nil, err
		}
		if h.e.Count+other.Count > mostOfOne {
			return nil, fault.Bad("other", "a group has %d pieces at most; leave them as two", mostOfOne)
		}
		by := geom.Point{}
		if a, b := boxOf(h.e.Pieces), boxOf(other.Pieces); geom.BoxGap(a, b) > 6 { // beside it
			way := b.Centre().Sub(a.Centre())
			far := math.Abs(way.X)*2 > a.W()+b.W()
			if far {
				by.X = math.Copysign((a.W()+b.W())/2-2, way.X) - way.X
			}
			if !far || math.Abs(way.Y)*2 > a.H()+b.H() {
				by.Y = math.Copysign(math.Min(math.Abs(way.Y), (a.H()+b.H())/2-2), way.Y) - way.Y
			}
		}
		carry(&other, by)
		h.e.Pieces = append(slices.Clone(h.e.Pieces), other.Pieces...)
		h.e.Path = nil
		settleIn(h.e)
	}
	h.e.Count += other.Count
	h.e.Grams = round.Tenth(h.e.Grams + other.Grams)
	id = h.e.ID // its place changes where the other lay before it
	h.t.Elements = slices.Delete(h.t.Elements, o, o+1)
	h.k = h.t.Find(id)
	h.e = &h.t.Elements[h.k]
	return []int{h.k}, nil
}

// fills is how many ml of vessel so many grams want.
func (h *hand) fills(grams float64) float64 {
	return food.FillOf(h.food, h.spec, 1) * grams / h.spec.MassG
}

// amount gives an element so many pieces: those that are taken away go to reserve, those that are added come from
// there first. In a vessel it is what the pieces weigh that changes.
func (h *hand) amount(n int) error {
	if n < 1 || n > mostOfOne {
		return fault.Bad("count", "a group has 1 to %d pieces; duplicate it for more", mostOfOne)
	}
	was := h.e.Count
	each := h.spec.MassG
	if was > 0 && h.e.Grams > 0 {
		each = h.e.Grams / float64(was)
	}
	switch {
	case h.e.Vessel != "":
		v, _ := h.t.Vessel(h.e.Vessel)
		if ml := h.fills(each * float64(n)); ml > v.CapacityML {
			return fault.Bad("count", "%s holds %.0f ml, and that is %.0f ml; choose a larger bowl first", v.Name, v.CapacityML, ml)
		}
	case food.Has(h.e.Form, food.CutInPlace) || food.Has(h.e.Form, food.AsItComes):
		return fault.Bad("count", "%s is a whole one; duplicate it, or take one off", h.food.Name)
	case h.e.Kind() == food.KindLoose:
		h.heap(n)
	default:
		h.row(n)
	}
	h.weigh(n, each)
	return nil
}

// weigh notes that an element has so many pieces now: the others go to reserve, or come from there.
func (h *hand) weigh(n int, each float64) {
	was := h.e.Count
	if n < was {
		less := round.Tenth(each * float64(was-n))
		h.keep(was-n, less)
		h.e.Grams = round.Tenth(h.e.Grams - less)
	} else {
		h.e.Grams = round.Tenth(h.e.Grams + h.fetch(n-was, each))
	}
	h.e.Count = n
}

// heap takes pieces off a heap, from its top and then its rim, or lays more upon it and round it.
func (h *hand) heap(n int) {
	mid := middleOf(h.e.Pieces)
	ps := slices.Clone(h.e.Pieces)
	if n < len(ps) {
		slices.SortStableFunc(ps, func(a, b tray.Piece) int {
			return cmp.Or(cmp.Compare(a.ZMM, b.ZMM), cmp.Compare(a.At.Dist(mid), b.At.Dist(mid)))
		})
		h.e.Pieces = ps[:n:n]
		return
	}
	reach := 0.0
	for i := range ps {
		reach = math.Max(reach, ps[i].At.Dist(mid))
	}
	step := math.Max(4, (h.spec.L+h.spec.W)/2)
	for k := len(ps); k < n; k++ { // the way seeds stand in a sunflower
		i := float64(k - len(h.e.Pieces) + 1)
		at := mid.Add(geom.Polar(reach+step*.45*math.Sqrt(i), i*137.5))
		ps = append(ps, tray.Place(h.food, h.spec, nil, geom.Pose{X: at.X, Y: at.Y}, []food.Piece{{Height: h.spec.H, Variant: k % food.Variants}})...)
	}
	h.e.Pieces = ps
}

// row takes pieces off the end of a row or trail, or goes on with it as its last two lie.
func (h *hand) row(n int) {
	ps := slices.Clone(h.e.Pieces)
	if n <= len(ps) {
		h.e.Pieces = ps[:n:n]
		settleIn(h.e)
		return
	}
	step := geom.Pose{X: math.Max(4, h.spec.Pitch)}
	if len(ps) > 1 {
		a, b := &ps[len(ps)-2], &ps[len(ps)-1]
		at := geom.Pose{X: a.At.X, Y: a.At.Y, Turn: a.TurnDeg}.Inverse(b.At)
		step = geom.Pose{X: at.X, Y: at.Y, Turn: b.TurnDeg - a.TurnDeg}
		if turn := math.Mod(step.Turn+540, 360) - 180; math.Abs(turn) > 30 { // two that lie crosswise say nothing of a line
			step.Turn = 0
		}
	}
	for k := len(ps); k < n; k++ {
		last := &ps[k-1]
		at := geom.Pose{X: last.At.X, Y: last.At.Y, Turn: last.TurnDeg}.Then(step)
		one := tray.Place(h.food, h.spec, nil, at, []food.Piece{{Z: last.ZMM, Height: last.HeightMM, Variant: k % food.Variants}})
		ps = append(ps, one...)
	}
	h.e.Pieces = ps
	settleIn(h.e)
}

// vessel puts what stands in one vessel into another.
func (h *hand) vessel(v *board.Vessel) error {
	if h.e.Vessel == "" {
		return fault.Bad("element", "%s does not stand in a bowl", h.food.Name)
	}
	if v == nil {
		return fault.Bad("vessel", "there is no such vessel")
	}
	if ml := h.fills(h.e.Grams); ml > v.CapacityML {
		return fault.Bad("vessel", "%s holds %.0f ml, and this is %.0f ml; take some away first, or choose a larger one", v.Name, v.CapacityML, ml)
	}
	if _, have := h.t.Vessel(v.ID); !have {
		h.t.Vessels = append(slices.Clone(h.t.Vessels), *v)
	}
	up := h.e.Pieces[0].ZMM
	h.e.Vessel = v.ID
	put, err := Put(h.t, h.larder, h.e.ID, h.e.Pose())
	if err != nil {
		return err
	}
	h.t.Elements[h.k] = put
	h.e = &h.t.Elements[h.k]
	return h.raise(up)
}

// NextVessel is the next larger of some vessels, smallest first, that holds what stands in one; after the largest the
// smallest that does.
func NextVessel(t *tray.Tray, larder *food.Larder, id string, vessels []board.Vessel) (*board.Vessel, error) {
	e, f, spec, err := element(t, larder, id)
	if err != nil {
		return nil, err
	}
	if e.Vessel == "" {
		return nil, fault.Bad("element", "%s does not stand in a bowl", f.Name)
	}
	h := hand{food: f, spec: spec}
	ml := h.fills(e.Grams)
	first := slices.IndexFunc(vessels, func(v board.Vessel) bool { return v.ID == e.Vessel }) + 1
	for k := range vessels {
		if v := &vessels[(first+k)%len(vessels)]; v.ID != e.Vessel && v.CapacityML >= ml {
			return v, nil
		}
	}
	return nil, fault.Bad("vessel", "no other vessel holds %.0f ml", ml)
}

// lift sets a bowl upon something hidden under it.
func (h *hand) lift(mm float64) error {
	if h.e.Vessel == "" {
		return fault.Bad("element", "only what stands in a bowl can be lifted")
	}
	return h.raise(mm)
}

func (h *hand) raise(mm float64) error {
	if mm < 0 || mm > mostLiftMM || math.IsNaN(mm) {
		return fault.Bad("lift_mm", "should be between 0 and %d mm", mostLiftMM)
	}
	ps := slices.Clone(h.e.Pieces)
	for i := range ps {
		ps[i].ZMM = round.Tenth(mm)
	}
	h.e.Pieces = ps
	return nil
}

// circle moves a thing round what it hugs.
func (h *hand) circle(deg float64) error {
	if math.IsNaN(deg) || math.Abs(deg) > 360 {
		return fault.Bad("deg", "should be between -360 and 360 degrees")
	}
	host := hugged(h.t, h.k)
	if host < 0 {
		return fault.Bad("element", "%s lies against no bowl or cheese; bring it to one first", h.food.Name)
	}
	c := boxOf(h.t.Elements[host].Pieces).Centre()
	h.e.MoveTo(turnedRound(h.e.Pose(), c, deg))
	return nil
}

// open draws the pieces of a row or fan apart, or closes them, as they would be laid with another pitch.
func (h *hand) open(by float64) error {
	if by < .4 || by > 2.5 || math.IsNaN(by) {
		return fault.Bad("open", "should be between 0.4 and 2.5")
	}
	if (h.e.Kind() != food.KindRow && h.e.Kind() != food.KindTrail) || len(h.e.Pieces) < 2 {
		return fault.Bad("element", "%s is no row or fan", h.food.Name)
	}
	ps := slices.Clone(h.e.Pieces)
	mid := (len(ps) - 1) / 2
	steps := make([]geom.Pose, len(ps)) // of each from the one before, in its own directions
	for i := 1; i < len(ps); i++ {
		a := geom.Pose{X: ps[i-1].At.X, Y: ps[i-1].At.Y, Turn: ps[i-1].TurnDeg}
		at := a.Inverse(ps[i].At)
		turn := math.Mod(ps[i].TurnDeg-ps[i-1].TurnDeg+540, 360) - 180
		steps[i] = geom.Pose{X: at.X * by, Y: at.Y * by, Turn: turn * by}
	}
	poses := make([]geom.Pose, len(ps))
	poses[mid] = geom.Pose{X: ps[mid].At.X, Y: ps[mid].At.Y, Turn: ps[mid].TurnDeg}
	for i := mid + 1; i < len(ps); i++ {
		poses[i] = poses[i-1].Then(steps[i])
	}
	for i := mid - 1; i >= 0; i-- { // backwards: the pose from which the step leads to the next
		turn := poses[i+1].Turn - steps[i+1].Turn
		back := geom.Pose{Turn: turn}.Apply(geom.Pt(steps[i+1].X, steps[i+1].Y))
		poses[i] = geom.Pose{X: poses[i+1].X - back.X, Y: poses[i+1].Y - back.Y, Turn: geom.NormalTurn(turn)}
	}
	for i := range ps {
		was := geom.Pose{X: ps[i].At.X, Y: ps[i].At.Y, Turn: ps[i].TurnDeg}
		o := make(geom.Outline, len(ps[i].Outline))
		for n, q := range ps[i].Outline {
			o[n] = poses[i].Apply(was.Inverse(q)).Round()
		}
		ps[i].Outline, ps[i].At, ps[i].TurnDeg = o, poses[i].At().Round(), round.Hundredth(geom.NormalTurn(poses[i].Turn))
	}
	h.e.Pieces, h.e.Path = ps, nil
	return nil
}

// bend lays a trail along another line: as many pieces as lie along it at their pitch, more of them from reserve
// where it is longer; fewer, and the others go there, where it is shorter.
func (h *hand) bend(path []geom.Point) error {
	if h.e.Kind() != food.KindTrail {
		return fault.Bad("element", "%s is no trail", h.food.Name)
	}
	if len(path) < 2 || len(path) > 200 {
		return fault.Bad("path", "should have 2 to 200 points")
	}
	long := 0.0
	box := h.t.Board.Outline.Bounds().Grow(500)
	for i, q := range path {
		if !box.Contains(q) { // nor what is no number
			return fault.Bad(fmt.Sprintf("path[%d]", i), "lies far beside the board")
		}
		if i > 0 {
			long += q.Dist(path[i-1])
		}
	}
	if long < h.spec.Pitch*2 {
		return fault.Bad("path", "is too short for a trail; draw it longer")
	}
	spare := 0
	for _, r := range h.t.Reserve {
		if r.Food == h.e.Food && r.Form == h.e.Form {
			spare += r.Count
		}
	}
	was, each := h.e.Count, h.e.Grams/float64(max(1, h.e.Count))
	want := max(2, min(int(long/h.spec.Pitch), was+spare, mostOfOne))
	bare := h.t.Clone()
	s := &search{tray: bare, larder: h.larder, zone: newZone(bare.Board), full: map[string]int{}}
	l := newLayout(s, bare)
	for i := range bare.Elements { // it passes what will not make room
		if e := &bare.Elements[i]; i != h.k && e.Locked && e.Placed && e.Kind() != food.KindGarnish {
			l.addElement(i)
		}
	}
	bare.Elements[h.k].Count = want
	line := make([]geom.Point, 0, 64) // evenly, so that the direction at each point is that of the line
	for i := range 64 {
		q, _ := pointAlong(path, long*float64(i)/63)
		line = append(line, s.zone.pull(q, h.spec.L/2))
	}
	n := l.slices(h.k, h.food, h.spec, line)
	if n < 2 {
		return fault.Bad("path", "takes no pieces; keep it on the board")
	}
	h.e.Pieces = bare.Elements[h.k].Pieces
	h.e.Path = nil
	for _, q := range line {
		h.e.Path = append(h.e.Path, q.Round())
	}
	h.weigh(n, each)
	settleIn(h.e)
	h.e.TurnDeg = 0
	return nil
}
