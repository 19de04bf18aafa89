package search

import (
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/geom"
	"happytray/core/pack"
)

// Every style proposes as many sites as are asked for, inside, and no two styles the same ones.
func TestSitesLieInside(t *testing.T) {
	for _, r := range []board.Request{{Shape: "round", LengthMM: 400}, {Shape: "plank", LengthMM: 900, WidthMM: 240}, {Shape: "half-round", LengthMM: 500}, {Shape: "paddle", LengthMM: 460, WidthMM: 240}, {Shape: "hexagon", LengthMM: 420}} {
		z := surface{pack.NewZone(boardOf(t, r))}
		seen := map[string]geom.Point{}
		for _, style := range brief.Styles {
			for _, n := range []int{1, 2, 5, 9} {
				sites := z.sites(style, n, food.Rand(4))
				if len(sites) != n {
					t.Fatalf("%s on %s: %d sites for %d", style, r.Shape, len(sites), n)
				}
				for _, s := range sites {
					if z.ExactDepth(s) <= 0 && style != "mirrored" {
						t.Errorf("%s on %s: a site at %v lies outside", style, r.Shape, s)
					}
				}
				if n == 5 {
					seen[style] = sites[2]
				}
			}
		}
		for a, p := range seen {
			for b, q := range seen {
				if a < b && p.Dist(q) < 1 {
					t.Errorf("%s: %s and %s propose the same", r.Shape, a, b)
				}
			}
		}
		if got := z.sites("meadow", 0, food.Rand(1)); len(got) != 0 {
			t.Errorf("sites for nobody: %v", got)
		}
	}
}

func TestGuideRunsInsideAndAlong(t *testing.T) {
	for _, r := range []board.Request{{Shape: "oval", LengthMM: 700, WidthMM: 420}, {Shape: "round", LengthMM: 420}, {Shape: "plank", LengthMM: 1100, WidthMM: 260}} {
		z := surface{pack.NewZone(boardOf(t, r))}
		for _, style := range brief.Styles {
			line := z.guide(style, 0, 1, 500, 44, food.Rand(6))
			long := 0.0
			for i, p := range line {
				if z.ExactDepth(p) < 0 {
					t.Errorf("%s on %s: the line leaves the board at %v", style, r.Shape, p)
				}
				if i > 0 {
					long += p.Dist(line[i-1])
				}
			}
			if long < 200 || long > 800 {
				t.Errorf("%s on %s: a line of %.0f mm for 500", style, r.Shape, long)
			}
		}
	}
}

func boardOf(t *testing.T, r board.Request) *board.Board {
	t.Helper()
	b, err := board.Make(r)
	if err != nil {
		t.Fatal(err)
	}
	return &b
}
