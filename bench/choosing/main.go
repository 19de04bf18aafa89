// Command choosing measures what is chosen over many briefs: how different the trays are, how fairly
// they are shared out, whether budgets are kept, and how much board a guest gets. It prints the
// table of docs/choosing.md; with "print" twenty choices as one reads them.
package main

import (
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"slices"
	"time"

	"happytray/core/amount"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/shop"
)

var (
	larder  = food.BuiltIn()
	cabinet = board.BuiltInCabinet()
)

func main() {
	row := func(what, figure string, args ...any) {
		fmt.Printf("| %s | %s |\n", what, fmt.Sprintf(figure, args...))
	}
	if len(os.Args) > 1 && os.Args[1] == "print" {
		printed(20)
		return
	}
	fmt.Println("| what | figure |\n|---|---|")
	stylist(row)
	table(row)
	for _, guests := range []int{9, 14, 30} {
		var picks [][]string
		low, high := math.MaxInt, 0
		for _, b := range throughTheYear(guests) {
			p := foods(planned(b))
			picks = append(picks, p)
			low, high = min(low, len(p)), max(high, len(p))
		}
		used, mean, most, always := variety(picks)
		row(fmt.Sprintf("18 briefs for %d guests: foods used, kinds on one", guests), "%d of %d, %d to %d", used, len(larder.All()), low, high)
		row("their likeness: mean, most; on every tray", "%.2f, %.2f; %d foods", mean, most, always)
	}
	var picks [][]string
	b := brief.Brief{Guests: brief.Guests{Adults: 14}, Month: 11, Occasion: "grazing"}
	for b.Choice = range 10 {
		picks = append(picks, foods(planned(b)))
	}
	used, mean, most, _ := variety(picks)
	row("ten choices of one brief: foods used, likeness mean and most", "%d, %.2f, %.2f", used, mean, most)
	shares(row)
	budgets(row)
	boards(row)
}

func planned(b brief.Brief) *job.Job {
	j, err := plan.FromBrief(b, larder, cabinet)
	if err != nil {
		return nil
	}
	return j
}

func foods(j *job.Job) (ids []string) {
	for _, w := range plan.Wants(j) {
		ids = append(ids, w.Food)
	}
	return ids
}

func throughTheYear(guests int) (out []brief.Brief) {
	for _, month := range []int{1, 3, 5, 7, 9, 11} {
		for _, o := range []string{"nibble", "grazing", "meal"} {
			out = append(out, brief.Brief{Guests: brief.Guests{Adults: guests}, Month: month, Occasion: o})
		}
	}
	return out
}

// variety is the foods of all picks together, the mean and the largest share that two have in
// common, and how many foods are in all of them.
func variety(picks [][]string) (used int, mean, most float64, always int) {
	on, pairs := map[string]int{}, 0
	for i, p := range picks {
		for _, id := range p {
			on[id]++
		}
		for _, q := range picks[:i] {
			shared := 0
			for _, id := range p {
				if slices.Contains(q, id) {
					shared++
				}
			}
			like := float64(shared) / float64(len(p)+len(q)-shared)
			mean += like
			most = max(most, like)
			pairs++
		}
	}
	for _, n := range on {
		if n == len(picks) {
			always++
		}
	}
	return len(on), mean / float64(pairs), most, always
}

// withDiets is a made-up brief in which some guests avoid something.
func withDiets(r *rand.Rand) brief.Brief {
	b := brief.Brief{Guests: brief.Guests{Adults: 4 + r.IntN(40), Children: r.IntN(3) * r.IntN(6)}, Month: 1 + r.IntN(12), Occasion: []string{"nibble", "grazing", "meal"}[r.IntN(3)]}
	words := [][]string{{"animal"}, {"meat"}, {"pork"}, {"gluten"}, {"milk"}, {"nuts"}, {"rennet", "meat"}, {"beef"}, {"alcohol", "pork"}, {"egg"}, {"soy"}, {"mustard", "sesame"}}
	for k := range 1 + r.IntN(3) {
		b.Diets = append(b.Diets, brief.Diet{Who: fmt.Sprint("group ", k), Count: 1 + r.IntN(max(1, b.Guests.Total()/4)), Avoid: words[r.IntN(len(words))]})
	}
	return b
}

func shares(row func(what, figure string, args ...any)) {
	r := rand.New(rand.NewPCG(77, 78))
	var found []float64
	for range 500 {
		b := withDiets(r)
		j := planned(b)
		if j == nil {
			continue
		}
		for _, f := range amount.FoundBy(b, j.GramsOf(), larder) {
			if f.Count > 0 {
				found = append(found, f.FindsG/f.WantsG)
			}
		}
	}
	slices.Sort(found)
	at := func(p float64) float64 { return found[int(p*float64(len(found)-1))] }
	row("500 briefs with diets: what a guest of a group finds over the share; least, a tenth, half, nine tenths, most", "%.2f, %.2f, %.2f, %.2f, %.2f", at(0), at(.1), at(.5), at(.9), at(1))
}

func budgets(row func(what, figure string, args ...any)) {
	r := rand.New(rand.NewPCG(9, 9))
	kept, said, silent, worst := 0, 0, 0, 0.0
	for n := range 150 {
		b := throughTheYear(6 + r.IntN(30))[n%18]
		free := planned(b)
		b.Budget = math.Round(float64(shop.NewBasket(free, larder).BasketCost) * (.6 + .4*r.Float64()))
		j := planned(b)
		switch over := float64(shop.NewBasket(j, larder).BasketCost) - b.Budget; {
		case over <= 0:
			kept++
		case len(j.Says) > 0:
			said++
			worst = max(worst, over/b.Budget)
		default:
			silent++
		}
	}
	row("150 budgets of 0.6 to 1 of what it would cost: kept, broken and said so, broken in silence", "%d, %d (by %.0f %% at most), %d", kept, said, 100*worst, silent)
}

func boards(row func(what, figure string, args ...any)) {
	for _, o := range []string{"nibble", "grazing", "meal"} {
		low, high, sets, longest := math.Inf(1), 0.0, 0, time.Duration(0)
		for _, n := range []int{3, 4, 6, 8, 10, 12, 14, 16, 20, 25, 30, 40, 60, 80, 100, 150, 200, 400, 800, 1200, 2000} {
			at := time.Now()
			j := planned(brief.Brief{Guests: brief.Guests{Adults: n}, Occasion: o, Month: 9})
			longest = max(longest, time.Since(at))
			have := 0.0
			for _, t := range j.Trays {
				have += float64(t.Copies()) * t.Board.UsableMM2() / 100
			}
			low, high = min(low, have/float64(n)), max(high, have/float64(n))
			if len(j.Trays) > 1 {
				sets++
			}
		}
		row(fmt.Sprintf("%s for 3 to 2,000 guests: board a guest gets, cm2; sets among 21; longest", o), "%.0f to %.0f; %d; %d ms", low, high, sets, longest.Milliseconds())
	}
}
