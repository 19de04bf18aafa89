package schedule

import (
	"fmt"
	"math/rand/v2"
	"reflect"
	"testing"
)

// sound holds a plan against its tasks: nothing begins before what it comes after has ended, nobody has more
// than two hands, and no oven has two temperatures.
func sound(t *testing.T, tasks []Task, l Limits, p Plan) {
	t.Helper()
	for i, k := range tasks {
		if p.Start[i]+k.Length > k.By {
			t.Errorf("task %d ends %d s too late", i, p.Start[i]+k.Length-k.By)
		}
		for _, a := range k.After {
			if p.Start[a]+tasks[a].Length+tasks[a].Rest > p.Start[i] {
				t.Errorf("task %d begins before %d has ended", i, a)
			}
		}
		hands, sheets := 0, 0
		for j, o := range tasks {
			if p.Start[j] <= p.Start[i] && p.Start[i] < p.Start[j]+o.Length {
				hands += o.Hands
				if k.OvenC > 0 && o.OvenC > 0 && p.Oven[i] == p.Oven[j] {
					if sheets++; o.OvenC != k.OvenC {
						t.Errorf("oven %d is at %d and at %d degrees", p.Oven[i], k.OvenC, o.OvenC)
					}
				}
			}
		}
		if hands > l.Hands || sheets > max(1, l.Sheets) {
			t.Errorf("at %d: %d hands of %d, %d sheets of %d", p.Start[i], hands, l.Hands, sheets, l.Sheets)
		}
		if k.OvenC > 0 && (p.Oven[i] < 0 || p.Oven[i] >= l.Ovens) {
			t.Errorf("task %d is in oven %d", i, p.Oven[i])
		}
	}
}

func TestBackward(t *testing.T) {
	for _, test := range []struct {
		name  string
		tasks []Task
		l     Limits
		begin int
		early int
	}{
		{"nothing", nil, Limits{Hands: 1}, 0, 0},
		{"one after the other", []Task{{Length: 60, Hands: 1, From: Any}, {Length: 30, Hands: 1, From: Any}}, Limits{Hands: 1}, -90, 0},
		{"side by side", []Task{{Length: 60, Hands: 1, From: Any}, {Length: 30, Hands: 1, From: Any}}, Limits{Hands: 2}, -60, 0},
		{"a chain", []Task{{Length: 60, Hands: 1, From: Any}, {Length: 30, Hands: 1, After: []int{0}, From: Any}}, Limits{Hands: 2}, -90, 0},
		{"what drips takes no hands", []Task{{Length: 60, Hands: 1, From: Any}, {Length: 600, After: []int{0}, From: Any}, {Length: 300, Hands: 1, From: Any}, {Length: 60, Hands: 1, After: []int{1}, From: Any}}, Limits{Hands: 1}, -720, 0},
		{"one oven, two temperatures", []Task{{Length: 60, OvenC: 180, From: Any}, {Length: 60, OvenC: 220, From: Any}}, Limits{Hands: 1, Ovens: 1, Sheets: 2}, -120, 0},
		{"one oven, one temperature", []Task{{Length: 60, OvenC: 180, From: Any}, {Length: 90, OvenC: 180, From: Any}}, Limits{Hands: 1, Ovens: 1, Sheets: 2}, -90, 0},
		{"two ovens", []Task{{Length: 60, OvenC: 180, From: Any}, {Length: 60, OvenC: 220, From: Any}}, Limits{Hands: 1, Ovens: 2, Sheets: 2}, -60, 0},
		{"three sheets", []Task{{Length: 60, OvenC: 180, From: Any}, {Length: 60, OvenC: 180, From: Any}, {Length: 60, OvenC: 180, From: Any}}, Limits{Hands: 1, Ovens: 1, Sheets: 2}, -120, 0},
		{"the late one last", []Task{{Length: 600, Hands: 1, From: Any}, {Length: 60, Hands: 1, From: -60}}, Limits{Hands: 1}, -660, 0},
		{"two late ones", []Task{{Length: 60, Hands: 1, From: -60}, {Length: 60, Hands: 1, From: -60}}, Limits{Hands: 1}, -120, 60},
		{"done before the road", []Task{{Length: 60, Hands: 1, From: Any, By: -1800}}, Limits{Hands: 1}, -1860, 0},
	} {
		p, err := Backward(test.tasks, test.l, Options{})
		if err != nil {
			t.Errorf("%s: %v", test.name, err)
			continue
		}
		if p.Begin != test.begin || p.Early != test.early {
			t.Errorf("%s: begins at %d, %d s early; want %d and %d", test.name, p.Begin, p.Early, test.begin, test.early)
		}
		sound(t, test.tasks, test.l, p)
	}
}

func TestWhatCannotBePlanned(t *testing.T) {
	one := []Task{{Length: 60, Hands: 1, From: Any}}
	for name, test := range map[string]struct {
		tasks []Task
		l     Limits
	}{
		"nobody":            {one, Limits{}},
		"too few":           {[]Task{{Length: 1, Hands: 3}}, Limits{Hands: 2}},
		"no oven":           {[]Task{{Length: 1, OvenC: 180}}, Limits{Hands: 1}},
		"a circle":          {[]Task{{Length: 1, After: []int{1}}, {Length: 1, After: []int{0}}}, Limits{Hands: 1}},
		"after itself":      {[]Task{{Length: 1, After: []int{0}}}, Limits{Hands: 1}},
		"after nothing":     {[]Task{{Length: 1, After: []int{7}}}, Limits{Hands: 1}},
		"backwards in time": {[]Task{{Length: -1}}, Limits{Hands: 1}},
		"too many":          {make([]Task, MostTasks+1), Limits{Hands: 1}},
	} {
		if _, err := Backward(test.tasks, test.l, Options{}); err == nil {
			t.Errorf("%s: planned", name)
		}
	}
}

// project is a made-up set of tasks.
func project(r *rand.Rand, n int) ([]Task, Limits) {
	l := Limits{Hands: 1 + r.IntN(3), Ovens: 1, Sheets: 1 + r.IntN(2)}
	tasks := make([]Task, n)
	for i := range tasks {
		tasks[i] = Task{Length: 1 + r.IntN(9), Hands: 1 + r.IntN(min(2, l.Hands)), From: Any}
		if r.IntN(6) == 0 {
			tasks[i].Hands, tasks[i].OvenC = 0, 180+40*r.IntN(2)
		}
		for a := range i {
			if r.IntN(n) < 2 {
				tasks[i].After = append(tasks[i].After, a)
			}
		}
	}
	return tasks, l
}

// shortest tries every order in which tasks can be placed: the best serial schedule is the best there is
// (Sprecher, Kolisch & Drexl 1995).
func shortest(tasks []Task, l Limits) int {
	b := builder{tasks: tasks, limits: l, next: nexts(tasks)}
	best := -1 << 30
	order := make([]int, 0, len(tasks))
	used := make([]bool, len(tasks))
	var go_ func()
	go_ = func() {
		if len(order) == len(tasks) {
			best = max(best, b.build(order).begin)
			return
		}
	each:
		for i := range tasks {
			if used[i] {
				continue
			}
			for _, a := range b.next[i] {
				if !used[a] {
					continue each
				}
			}
			used[i] = true
			order = append(order, i)
			go_()
			order = order[:len(order)-1]
			used[i] = false
		}
	}
	go_()
	return best
}

// Of generated projects whose shortest plan is known no plan is more than 5 % longer.
func TestWithinFivePercentOfTheShortest(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	worst, total, best := 0.0, 0, 0
	for n := range 120 {
		tasks, l := project(r, 5+n%4)
		want := shortest(tasks, l)
		p, err := Backward(tasks, l, Options{})
		if err != nil {
			t.Fatal(err)
		}
		sound(t, tasks, l, p)
		total -= p.Begin
		best -= want
		worst = max(worst, float64(p.Begin)/float64(want)-1)
	}
	t.Logf("%d s planned, %d s at best; worst %.1f %%", total, best, worst*100)
	if worst > .05 {
		t.Errorf("a plan is %.1f %% longer than the shortest", worst*100)
	}
}

// Whatever the project, its plan is sound, the same each time, and no longer with more hands.
func TestPlansAreSound(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 1))
	for n := range 60 {
		tasks, l := project(r, 10+n)
		for i := range tasks {
			if r.IntN(5) == 0 {
				tasks[i].By = -r.IntN(60)
			}
			if r.IntN(5) == 0 {
				tasks[i].From = -40 - r.IntN(60)
			}
		}
		p, err := Backward(tasks, l, Options{Rounds: 60})
		if err != nil {
			t.Fatal(err)
		}
		sound(t, tasks, l, p)
		if again, _ := Backward(tasks, l, Options{Rounds: 60}); !reflect.DeepEqual(p, again) {
			t.Error("another plan of the same tasks")
		}
		early := 0
		for i, k := range tasks {
			if k.From != Any {
				early += max(0, k.From-p.Start[i])
			}
		}
		if early != p.Early {
			t.Errorf("%d s early, said to be %d", early, p.Early)
		}
	}
}

func BenchmarkBackward(b *testing.B) {
	for _, n := range []int{30, 150, 400} {
		tasks, _ := project(rand.New(rand.NewPCG(1, 1)), n)
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			for range b.N {
				if _, err := Backward(tasks, Limits{Hands: 3, Ovens: 1, Sheets: 2}, Options{}); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}
