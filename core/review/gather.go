package review

import (
	"fmt"
	"slices"
	"sort"
	"strings"

	"happytray/core/geom"
	"happytray/core/say"
)

// MostFindings is how many things one review says: a tray that has a dozen things the matter with
// it is not helped by a thirteenth.
const MostFindings = 12

// Place is one of the places of a finding that is said once for all of them.
type Place struct {
	Elements []string     `json:"elements"`
	At       geom.Point   `json:"at"` // board coordinates, mm
	Says     string       `json:"says"`
	Shown    string       `json:"shown,omitempty"`
	Sentence say.Sentence `json:"sentence"`
}

// rank is in what order groups of checks are told: what can hurt guests, what they cannot get at,
// what does not fit, and then the looks.
var rank = map[string]int{"care": 0, "service": 1, "eaten": 1, "fit": 2}

var severityOrder = map[string]int{Stop: 0, Mend: 1, Note: 2}

// looks reports whether a check is of the looks, not of what guests eat or how it lies.
func looks(check string) bool {
	_, other := rank[groupOf(check)]
	return !other
}

func groupOf(check string) string {
	group, _, _ := strings.Cut(check, ".")
	return group
}

// worseFirst sorts findings: what stops the tray, then by what it costs the guests, then by what
// it costs the total.
func worseFirst(fs []Finding) {
	of := func(f Finding) int {
		if r, ok := rank[groupOf(f.Check)]; ok {
			return r
		}
		return len(rank)
	}
	sort.SliceStable(fs, func(i, j int) bool {
		a, b := fs[i], fs[j]
		if x, y := severityOrder[a.Severity] == 0, severityOrder[b.Severity] == 0; x != y {
			return x
		}
		if x, y := of(a), of(b); x != y {
			return x < y
		}
		if a.Severity != b.Severity {
			return severityOrder[a.Severity] < severityOrder[b.Severity]
		}
		if a.worth != b.worth {
			return a.worth > b.worth
		}
		return a.Check < b.Check
	})
}

// gather makes one finding of those of one check and severity, with its places, the worst first;
// its elements are those of all places. At most MostFindings are left, and all that stop.
func gather(found []Finding) []Finding {
	worseFirst(found)
	at := map[[2]string]int{}
	out := []Finding{}
	for _, f := range found {
		key := [2]string{f.Check, f.Severity}
		k, seen := at[key]
		if !seen {
			at[key] = len(out)
			out = append(out, f)
			continue
		}
		one := &out[k]
		if len(one.Places) == 0 {
			one.Places = []Place{{Elements: one.Elements, At: one.At, Sentence: one.Sentence}}
			one.Elements = slices.Clone(one.Elements)
		}
		one.Places = append(one.Places, Place{Elements: f.Elements, At: f.At, Sentence: f.Sentence})
		one.worth += f.worth
		for _, id := range f.Elements {
			if !slices.Contains(one.Elements, id) {
				one.Elements = append(one.Elements, id)
			}
		}
	}
	worseFirst(out)
	for len(out) > MostFindings && out[len(out)-1].Severity != Stop {
		out = out[:len(out)-1]
	}
	for i := range out {
		out[i].Says = out[i].in(say.Units{})
		for n := range out[i].Places {
			p := &out[i].Places[n]
			p.Says = say.Units{}.Put(p.Sentence)
		}
	}
	return out
}

// in is what a finding says in some units, and how often it comes again.
func (f *Finding) in(u say.Units) string {
	says := u.Put(f.Sentence)
	if n := len(f.Places) - 1; n > 0 {
		says += " " + more(n)
	}
	return says
}

// Shown is the review with its findings in the units of whom it is shown to.
func (r Review) Shown(u say.Units) Review {
	if u.Metric() {
		return r
	}
	r = say.In(r, u)
	for i := range r.Findings {
		f := &r.Findings[i]
		f.Shown = f.in(u)
		f.Places = slices.Clone(f.Places)
		for n := range f.Places {
			f.Places[n].Shown = u.Put(f.Places[n].Sentence)
		}
	}
	return r
}

// more says how often a finding comes again.
func more(n int) string {
	words := []string{"", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine"}
	if n < len(words) {
		return fmt.Sprintf("%s more like it.", words[n])
	}
	return fmt.Sprintf("%s more like it.", say.Upper(fmt.Sprint(n)))
}
