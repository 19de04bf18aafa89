package plan

import (
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/say"
)

// mostLayouts is how many tables of a very large party differ: who walks from one to the next meets another, and nobody
// has thirty drawings to lay by.
const mostLayouts = 8

// mostPieces is how many pieces a plan may lay: a piece takes about 420 bytes of a job's file, which may have 8 MB
// (core/document), and a hand adds some.
const mostPieces = 16_000

// fits reports whether a job can be kept, read and laid as one; share is how many such jobs would.
func fits(j *job.Job) (ok bool, share float64) {
	elements, pieces := 0, 0
	for _, t := range j.Trays {
		elements += len(t.Elements)
		for i := range t.Elements {
			pieces += t.Elements[i].Count
		}
	}
	share = min(job.MaxElements/float64(max(1, elements)), mostPieces/float64(max(1, pieces)))
	return share >= 1, share
}

// tables plans a party for which one job cannot hold a tray for each table: a table for its share of the guests, in
// several layouts, each of them on several tables. many is the job that was too large.
func tables(b brief.Brief, many *job.Job, larder *food.Larder, cabinet *board.Cabinet, last map[string][]board.Board) (*job.Job, error) {
	if len(parts(b)) > 1 || b.Copies > 1 {
		return nil, fault.Bad("guests", "so many boards do not fit into one job; plan some of the guests as a job of their own")
	}
	n := len(many.Trays)
	one := b
	one.Copies = n
	j, err := plan(one, larder, cabinet, last)
	if err != nil {
		return nil, err
	}
	first := j.Trays[0]
	_, share := fits(j)
	most := max(1, min(mostLayouts, n, int(share)))
	each := (n + most - 1) / most // tables of a layout
	layouts := (n + each - 1) / each
	j.Brief.Copies = b.Copies
	first.Brief.Copies = b.Copies
	part := *first.Part
	j.Trays = nil
	for k := range layouts {
		t := first.Clone()
		own := part
		own.Number, own.Of, own.Copies = k+1, layouts, n/layouts
		if k < n%layouts {
			own.Copies++
		}
		t.Part, t.Seed = &own, uint64(k+1)
		j.Trays = append(j.Trays, t)
	}
	j.Says = append(j.Says, say.That("tables.several", say.N(n), say.N(layouts)))
	return j, nil
}
