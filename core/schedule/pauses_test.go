package schedule

import (
	"math/rand/v2"
	"testing"
)

// In a pause nobody works, what goes on by itself goes on, and the oven is neither filled nor emptied.
func TestPauses(t *testing.T) {
	night := Limits{Hands: 1, Ovens: 1, Pauses: [][2]int{{-3600, -600}}}
	for _, test := range []struct {
		name  string
		tasks []Task
		start []int
	}{
		{"after the pause", []Task{{Length: 300, Hands: 1, From: Any}}, []int{-300}},
		{"it does not fit after it", []Task{{Length: 900, Hands: 1, From: Any}}, []int{-4500}},
		{"what drips goes on", []Task{{Length: 1200, From: Any, By: -500}, {Length: 60, Hands: 1, From: Any, After: []int{0}}}, []int{-1700, -60}},
		{"the oven waits for somebody", []Task{{Length: 900, OvenC: 180, From: Any}, {Length: 60, Hands: 1, After: []int{0}, From: Any}}, []int{-4500, -60}},
	} {
		p, err := Backward(test.tasks, night, Options{})
		if err != nil {
			t.Fatal(err)
		}
		for i, want := range test.start {
			if p.Start[i] != want {
				t.Errorf("%s: task %d begins at %d, want %d", test.name, i, p.Start[i], want)
			}
		}
	}
	r := rand.New(rand.NewPCG(4, 4))
	for n := range 60 {
		var tasks []Task
		for i := range 30 {
			k := Task{Length: 30 + r.IntN(600), Hands: min(1, r.IntN(4)), From: Any, Kind: r.IntN(40)}
			if i > 0 && r.IntN(2) == 0 {
				k.After = []int{r.IntN(i)}
			}
			if r.IntN(6) == 0 {
				k.Rest = 600
			}
			tasks = append(tasks, k)
		}
		l := Limits{Hands: 1 + n%3, Pauses: [][2]int{{-9000, -6000}, {-3000, -1500}}}
		p, err := Backward(tasks, l, Options{Group: 10, Change: func(from, to int) int { return 30 * min(1, max(from/10-to/10, to/10-from/10)) }})
		if err != nil {
			t.Fatal(err)
		}
		sound(t, tasks, l, p)
		for i, k := range tasks {
			for _, b := range l.Pauses {
				if k.Hands > 0 && p.Start[i] < b[1] && p.Start[i]+k.Length > b[0] {
					t.Fatalf("%d: task %d is worked on from %d to %d, in the pause from %d to %d", n, i, p.Start[i], p.Start[i]+k.Length, b[0], b[1])
				}
			}
		}
	}
}

// While others have the oven nothing is in it, and what is done by hand goes on.
func TestTheOvenIsTaken(t *testing.T) {
	l := Limits{Hands: 1, Ovens: 2, Sheets: 2, Taken: [][2]int{{-1800, -600}, {-7200, -3600}}}
	tasks := []Task{{Length: 900, OvenC: 180, From: Any}, {Length: 300, OvenC: 180, From: Any}, {Length: 1500, OvenC: 200, From: Any}, {Length: 900, Hands: 1, From: Any}}
	p, err := Backward(tasks, l, Options{})
	if err != nil {
		t.Fatal(err)
	}
	sound(t, tasks, l, p)
	for i, want := range []int{-2700, -300, -3300, -900} {
		if p.Start[i] != want {
			t.Errorf("task %d begins at %d, want %d", i, p.Start[i], want)
		}
	}
}
