package practice

import (
	"bytes"
	"compress/gzip"
	"context"
	"encoding/json"
	"flag"
	"math/rand/v2"
	"os"
	"slices"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/plan/plantest"
	"happytray/core/review"
	"happytray/core/round"
	"happytray/core/search"
	"happytray/core/tray"
)

var update = flag.Bool("update", false, "lay the trays that faults are planted on anew")

// mostBases is how many are kept, and basesTried how many briefs are laid for them.
const mostBases, basesTried = 14, 300

// relaxed moves the thresholds of the looks to a little below what a tray has, so that of them the review says what is glaring
// and nothing else: an exercise is about plain mistakes, and its rules say so to whoever reviews it.
func relaxed(t *tray.Tray) {
	shipped := map[string]review.Rule{}
	for _, r := range review.Rules(brief.Rules{}) {
		shipped[r.ID] = r
	}
	t.Rules.Checks = map[string]brief.CheckRule{}
	for _, c := range review.Judge(t, plantest.Larder).Checks {
		r := shipped[c.ID]
		if r.Gate || slices.Contains([]string{"care", "service", "eaten", "fit"}, r.Group) {
			continue
		}
		good := round.To(c.Value-.25*(r.Good-r.Bad), 3)
		bad := round.To(good-(r.Good-r.Bad), 3)
		t.Rules.Checks[c.ID] = brief.CheckRule{Good: &good, Bad: &bad}
	}
}

// nearly reports whether two outlines are one but for rounding.
func nearly(a, b geom.Outline) bool {
	if len(a) != len(b) {
		return false
	}
	for k := range a {
		if a[k].Dist(b[k]) > .05 {
			return false
		}
	}
	return true
}

// cleaned lays a brief and exchanges foods until the review finds nothing; nil where something is left to find.
func cleaned(tb testing.TB, k int) *tray.Tray {
	b := brief.Brief{Guests: brief.Guests{Adults: 5 + k%6}, Month: 1 + (k*5)%12, Occasion: []string{"nibble", "grazing"}[k%2], Choice: k / 7, Place: "Saltmere"}
	if k%4 == 1 {
		b.Guests.Children = 2
	}
	if k%3 == 2 {
		b.Diets = []brief.Diet{{Who: "two who eat no nuts", Count: 2, Avoid: []string{"nuts"}}}
	}
	if k%5 == 3 {
		b.Front = "bottom"
	}
	res, err := search.Lay(context.Background(), plantest.Planned(tb, b), plantest.Larder, search.Options{Seed: uint64(k), Effort: 16})
	if err != nil {
		tb.Fatal(err)
	}
	t := res.Tray
	relaxed(t)
	m := &maker{r: rand.New(rand.NewPCG(uint64(k), 5)), larder: plantest.Larder, cabinet: board.BuiltInCabinet()}
	rev := review.Judge(t, plantest.Larder)
	for n := 0; n < 120 && len(rev.Findings) > 0; n++ {
		about := rev.Findings[m.r.IntN(len(rev.Findings))].Elements
		if len(about) == 0 {
			break
		}
		i := t.Find(about[m.r.IntN(len(about))])
		if e := &t.Elements[i]; e.Vessel == "" && e.Kind() != food.KindLoose && e.Kind() != food.KindGarnish {
			continue
		}
		c := m.exchangedFor(t, []int{i}, m.others(func(f *food.Food) bool {
			return f.Category != food.NotFood && !m.breaks(t, f) && f.Liking >= .4
		})[:12])
		if c == nil {
			continue
		}
		if now := review.Judge(c, plantest.Larder); now.Legal() && len(now.Findings) < len(rev.Findings) {
			t, rev = c, now
		}
	}
	if len(rev.Findings) > 0 {
		return nil
	}
	for i := range t.Elements {
		for n := range t.Elements[i].Pieces {
			if p := &t.Elements[i].Pieces[n]; !nearly(outlineOf(t, plantest.Larder, &t.Elements[i], p), p.Outline) {
				return nil // it lies otherwise than its food, its form and its place say
			}
		}
	}
	return t
}

// The trays that faults are planted on are whole, legal, and the review finds nothing on any of them.
func TestBases(t *testing.T) {
	if *update {
		var found []*tray.Tray
		for k := 0; k < basesTried && len(found) < mostBases; k++ {
			if c := cleaned(t, k); c != nil {
				t.Logf("%d: %s, %d elements", k, c.Board.Name, len(c.Elements))
				found = append(found, c)
			}
		}
		var kept []base
		for _, c := range found {
			b := base{Tray: c}
			for i := range c.Elements {
				b.Pieces = append(b.Pieces, packed(c.Elements[i].Pieces))
				c.Elements[i].Pieces = []tray.Piece{}
			}
			kept = append(kept, b)
		}
		raw, err := json.Marshal(kept)
		if err != nil {
			t.Fatal(err)
		}
		var buf bytes.Buffer
		w, _ := gzip.NewWriterLevel(&buf, gzip.BestCompression)
		_, _ = w.Write(raw)
		_ = w.Close()
		if err := os.WriteFile("bases.json.gz", buf.Bytes(), 0o644); err != nil {
			t.Fatal(err)
		}
		t.Logf("%d trays, %d bytes of %d", len(found), buf.Len(), len(raw))
		return
	}
	larder := food.BuiltIn()
	if len(bases()) < 8 {
		t.Fatalf("%d trays", len(bases()))
	}
	for n, b := range bases() {
		if err := b.Check(larder); err != nil {
			t.Errorf("%d: %v", n, err)
		}
		rev := review.Judge(b, larder)
		if !rev.Legal() || len(rev.Findings) > 0 {
			t.Errorf("%d: %v points, %+v", n, rev.Score, rev.Findings)
		}
		for i := range b.Elements {
			if e := &b.Elements[i]; !e.Placed {
				t.Errorf("%d: %s waits beside the board", n, e.ID)
			}
		}
	}
}
