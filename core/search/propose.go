package search

import (
	"context"
	"math"
	"slices"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/pack"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/tray"
)

// Proposal is one way of laying a tray, among several that differ.
type Proposal struct {
	Result
	Style   string  `json:"style"`
	Differs float64 `json:"differs"` // the least difference from the other proposals, see Difference
	Says    string  `json:"says"`    // what it is better at than the others
}

// MaxProposals bounds how many ways may be asked for.
const MaxProposals = 6

// sameStyle is how many more ways are tried where all are of one style.
const sameStyle = 2

// worthSeeing is the difference from which two layouts of one style look like two.
const worthSeeing = .22

// Propose lays a tray in n ways that differ: each in a style of its own, or, where the
// house or the options ask for one style, with its anchors elsewhere (Difference of at
// least .22). What is locked stays in all of them. The best comes first. Effort counts
// for each way; Seconds for all together. Progress is told for all ways as one search,
// with the first tray of each. Fewer than n come back where the board leaves no choice,
// or where ctx ends early.
func Propose(ctx context.Context, t *tray.Tray, larder *food.Larder, o Options, n int) ([]Proposal, error) {
	if n < 1 || n > MaxProposals {
		return nil, fault.Bad("proposals", "should be between 1 and %d", MaxProposals)
	}
	if t.Board == nil {
		return nil, fault.Bad("board", "choose a board before laying the tray")
	}
	if err := o.check(); err != nil {
		return nil, err
	}
	bare := t.Clone()
	for i := range bare.Elements { // another way is wanted, so only what is locked counts
		if e := &bare.Elements[i]; !e.Locked {
			e.Placed, e.Pieces, e.Path = false, []tray.Piece{}, nil
		}
	}
	styles := stylesFor(bare, o.Style, n+1)
	each := o
	each.Seconds = o.Seconds / float64(len(styles))
	if each.Effort == 0 && o.Seconds == 0 {
		each.Effort = DefaultEffort / 2
	}
	var ways []Proposal
	best, tried := -1.0, 0
	for k, style := range styles {
		if k > 0 && ctx.Err() != nil {
			break
		}
		each.Style, each.Seed = style, o.Seed+uint64(k)*977
		each.Progress = nil
		if o.Progress != nil {
			each.Progress = func(p Progress) {
				p.Share = (float64(k) + p.Share) / float64(len(styles))
				if p.Better = p.Better && p.Score > best; p.Better {
					best = p.Score
				} else {
					p.Tray = nil
				}
				p.Tried, p.Score = tried+p.Tried, best
				o.Progress(p)
			}
		}
		got, err := Lay(ctx, bare, larder, each)
		if err != nil {
			return nil, err
		}
		got.Tray.Seed = each.Seed
		tried += got.Tried
		ways = append(ways, Proposal{Result: got, Style: style})
	}
	ways = diverse(ways, n)
	compare(ways, larder)
	return ways, nil
}

// stylesFor lists n styles to lay a tray in: what is asked for again and again, else
// the board's own first and then the others. Mirrored comes last unless it is wanted,
// because it is a school of its own.
func stylesFor(t *tray.Tray, asked string, n int) []string {
	if asked == "" {
		asked = t.Rules.Style
	}
	if asked == "" && t.Rules.Symmetry == "mirrored" {
		asked = "mirrored"
	}
	var out []string
	if asked != "" {
		for range n + sameStyle { // of one style some look alike
			out = append(out, asked)
		}
		return out
	}
	z := surface{&pack.Zone{Outline: t.Board.FoodZone, Box: t.Board.FoodZone.Bounds()}}
	out = append(out, z.ownStyle())
	for _, s := range []string{"meadow", "corners", "winding", "wheel", "mirrored"} {
		if !slices.Contains(out, s) {
			out = append(out, s)
		}
	}
	for len(out) < n {
		out = append(out, out[len(out)-len(brief.Styles)])
	}
	return out[:n]
}

// diverse keeps the best ways of which each looks different from those before it.
func diverse(ways []Proposal, n int) []Proposal {
	slices.SortStableFunc(ways, func(a, b Proposal) int {
		switch {
		case a.Score > b.Score:
			return -1
		case a.Score < b.Score:
			return 1
		}
		return 0
	})
	var out []Proposal
	for _, w := range ways {
		same := slices.ContainsFunc(out, func(o Proposal) bool {
			return o.Style == w.Style && Difference(o.Tray, w.Tray) < worthSeeing
		})
		if !same && len(out) < n {
			out = append(out, w)
		}
	}
	for i := range out {
		out[i].Differs = math.Inf(1)
		for j := range out {
			if i != j {
				out[i].Differs = math.Min(out[i].Differs, Difference(out[i].Tray, out[j].Tray))
			}
		}
		if len(out) == 1 {
			out[i].Differs = 0
		}
		out[i].Differs = round.To(out[i].Differs, 3)
	}
	return out
}

// fewAnchors is how many anchors that may move tell two layouts apart by themselves.
const fewAnchors = 4

// Difference is how far apart the anchors of two layouts of one tray lie on average,
// over the half-diagonal of the board: 0 for the same layout; where there are few, rows count as well, and what is locked
// never does. Anchors of one food in one form are alike, so each is held against the nearest of its likes.
func Difference(a, b *tray.Tray) float64 {
	if a.Board == nil {
		return 0
	}
	box := a.Board.FoodZone.Bounds()
	half := math.Hypot(box.W(), box.H()) / 2
	free := func(t *tray.Tray, kinds ...food.Kind) (out []*tray.Element) {
		for i := range t.Elements {
			if e := &t.Elements[i]; e.Placed && !e.Locked && slices.Contains(kinds, e.Kind()) {
				out = append(out, e)
			}
		}
		return out
	}
	anchors := func(t *tray.Tray) []*tray.Element { return free(t, food.KindAnchor) }
	if len(anchors(a)) < fewAnchors { // then it is the rows that tell two layouts apart
		anchors = func(t *tray.Tray) []*tray.Element { return free(t, food.KindAnchor, food.KindRow) }
	}
	left := anchors(b)
	sum, n := 0.0, 0
	for _, e := range anchors(a) {
		best, at := math.Inf(1), -1
		for k, o := range left {
			if o.Food == e.Food && o.Form == e.Form {
				if d := o.Pose().At().Dist(e.Pose().At()); d < best {
					best, at = d, k
				}
			}
		}
		if at >= 0 {
			left = slices.Delete(left, at, at+1)
			sum += best
			n++
		}
	}
	if n == 0 {
		return 0
	}
	return sum / float64(n) / half
}

// compare says of each way in which groups of the review it is ahead of the others.
func compare(ways []Proposal, larder *food.Larder) {
	words := map[string]string{"fit": "fuller", "colour": "more colour", "spread": "more even", "flow": "lines that lead", "pairs": "closer pairs", "height": "nothing hidden", "service": "easier to serve", "eaten": "more in reach", "care": "fewer cautions"}
	groups := make([]map[string]float64, len(ways))
	for i := range ways {
		groups[i] = review.NewLive(ways[i].Tray, larder).Totals().Groups
	}
	for i := range ways {
		lead, what := 1.5, ""
		for _, g := range review.Groups {
			next := math.Inf(-1)
			for j := range ways {
				if j != i {
					next = math.Max(next, groups[j][g.Name])
				}
			}
			if d := (groups[i][g.Name] - next) * g.Weight; len(ways) > 1 && d > lead {
				lead, what = d, words[g.Name]
			}
		}
		switch {
		case what != "":
			ways[i].Says = what
		case i == 0:
			ways[i].Says = "the best in all"
		default:
			ways[i].Says = "another line"
		}
	}
}
