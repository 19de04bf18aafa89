package store

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"strings"
	"sync"
	"testing"
	"time"
)

// The heading belongs to the revision: undo takes it back with the rest.
func TestUndoTakesTheHeadingBack(t *testing.T) {
	s, ctx := open(t), context.Background()
	at := func(d int) *time.Time { v := time.Date(2031, 6, d, 19, 0, 0, 0, time.UTC); return &v }
	j, err := s.Create(ctx, Heading{Title: "Kiln", Host: "Co-op", Place: "Yard", ServeAt: at(1), Summary: `{"guests":8}`}, `{"n":1}`, "made")
	if err != nil {
		t.Fatal(err)
	}
	if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "Kiln, second firing", Host: "Ilka", Place: "Quay", ServeAt: at(9), Summary: `{"guests":20}`}, `{"n":2}`, "wrote"); err != nil {
		t.Fatal(err)
	}
	if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "No time yet", Summary: `{}`}, `{"n":3}`, "wrote"); err != nil {
		t.Fatal(err)
	}
	for i, st := range []struct {
		do      func(context.Context, string, int64, HeadingOf) (Job, error)
		title   string
		summary string
		day     int
	}{{s.Undo, "Kiln, second firing", `{"guests":20}`, 9}, {s.Undo, "Kiln", `{"guests":8}`, 1}, {s.Redo, "Kiln, second firing", `{"guests":20}`, 9}, {s.Redo, "No time yet", `{}`, 0}, {s.Undo, "Kiln, second firing", `{"guests":20}`, 9}} {
		if j, err = st.do(ctx, j.ID, j.Head, nil); err != nil {
			t.Fatal(err)
		}
		now, err := s.Head(ctx, j.ID)
		if err != nil || now.Title != st.title || now.Summary != st.summary || (st.day == 0) != (now.ServeAt == nil) || now.ServeAt != nil && now.ServeAt.Day() != st.day {
			t.Errorf("step %d: %q %s %v, %v", i, now.Title, now.Summary, now.ServeAt, err)
		}
	}
}

// An answer that was lost is asked for again: the same change is not a clash.
func TestTheSameSaveTwiceIsOne(t *testing.T) {
	s, ctx := open(t), context.Background()
	j, _ := s.Create(ctx, Heading{Title: "a"}, `1`, "")
	first, err := s.Save(ctx, j.ID, 1, Heading{Title: "b"}, `2`, "moved")
	if err != nil {
		t.Fatal(err)
	}
	again, err := s.Save(ctx, j.ID, 1, Heading{Title: "b"}, `2`, "moved")
	if err != nil || again.Head != first.Head {
		t.Errorf("sent again: revision %d, %v", again.Head, err)
	}
	if h, _ := s.History(ctx, j.ID, 0, 10); len(h) != 2 {
		t.Errorf("%d revisions", len(h))
	}
	if _, err := s.Save(ctx, j.ID, 1, Heading{Title: "b"}, `3`, "moved"); !errors.Is(err, ErrConflict) {
		t.Errorf("something else on an old revision: %v", err)
	}
	if _, err := s.Save(ctx, j.ID, 2, Heading{Title: "b"}, `2`, "moved"); err != nil { // saving it unchanged is a revision of its own
		t.Errorf("the same on top: %v", err)
	}
	if _, err := s.Save(ctx, j.ID, 77, Heading{}, `2`, ""); !errors.Is(err, ErrConflict) {
		t.Errorf("on a revision that never was: %v", err)
	}
}

func TestListsOfJobs(t *testing.T) {
	s, ctx := another(t, 5), context.Background()
	day := func(d int) time.Time { return time.Date(2031, 5, d, 19, 0, 0, 0, time.UTC) }
	ids := map[string]string{}
	for _, c := range []struct {
		title string
		day   int
	}{{"Regatta", 9}, {"Quiz final", 2}, {"Seed swap", 20}, {"100 % wool", 4}, {"Undated", 0}, {"Same evening", 9}} {
		h := Heading{Title: c.title, Host: "Host of " + c.title, Place: "Saltmere"}
		if c.day > 0 {
			at := day(c.day)
			h.ServeAt = &at
		}
		j, err := s.Create(ctx, h, `{}`, "")
		if err != nil {
			t.Fatal(err)
		}
		ids[c.title] = j.ID
	}
	if err := s.Archive(ctx, ids["Seed swap"], true); err != nil {
		t.Fatal(err)
	}
	titles := func(q Query) (out []string) {
		jobs, err := s.Jobs(ctx, q)
		if err != nil {
			t.Fatal(err)
		}
		for _, j := range jobs {
			out = append(out, j.Title)
		}
		return out
	}
	evening := "Regatta, Same evening"
	if ids["Same evening"] < ids["Regatta"] {
		evening = "Same evening, Regatta"
	}
	for _, c := range []struct {
		name string
		q    Query
		want string
	}{
		{"all", Query{}, "Quiz final, 100 % wool, " + evening + ", Undated"},
		{"coming", Query{From: day(3)}, "100 % wool, " + evening + ", Undated"},
		{"coming, timed", Query{From: day(3), Timed: true}, "100 % wool, " + evening},
		{"past", Query{To: day(5), Latest: true}, "100 % wool, Quiz final"},
		{"a week", Query{From: day(1), To: day(5)}, "Quiz final, 100 % wool"},
		{"away", Query{Away: true}, "Seed swap"},
		{"searched", Query{Text: "quiz"}, "Quiz final"},
		{"by host", Query{Text: "host of reg"}, "Regatta"},
		{"a sign that is a wildcard elsewhere", Query{Text: "0 %"}, "100 % wool"},
		{"nothing", Query{Text: "no such"}, ""},
		{"at most", Query{Most: 1}, "Quiz final"},
	} {
		if got := strings.Join(titles(c.q), ", "); got != c.want {
			t.Errorf("%s: %s, want %s", c.name, got, c.want)
		}
	}
	for _, latest := range []bool{false, true} { // page by page gives the whole
		var paged []string
		q := Query{Most: 1, Latest: latest}
		for range 9 {
			jobs, err := s.Jobs(ctx, q)
			if err != nil {
				t.Fatal(err)
			}
			if len(jobs) == 0 {
				break
			}
			paged = append(paged, jobs[0].Title)
			q.After = &jobs[0]
		}
		if whole := titles(Query{Latest: latest}); fmt.Sprint(paged) != fmt.Sprint(whole) {
			t.Errorf("by pages %v, whole %v", paged, whole)
		}
	}
}

// Revisions are kept small, and any of them is read back as it was.
func TestManyRevisionsAreSmallAndRead(t *testing.T) {
	s, ctx := open(t), context.Background()
	r := rand.New(rand.NewPCG(2, 9))
	doc := []byte{}
	for range 6000 {
		doc = fmt.Appendf(doc, `{"outline":[[%.2f,%.2f],[%.2f,%.2f]],"z_mm":0},`, 900*r.Float64(), 900*r.Float64(), 900*r.Float64(), 900*r.Float64())
	}
	j, err := s.Create(ctx, Heading{Title: "many"}, string(doc), "")
	if err != nil {
		t.Fatal(err)
	}
	want := []string{string(doc)}
	for range 150 {
		at := r.IntN(len(doc) - 4000)
		doc = bytes.Clone(doc)
		for k := at; k < at+600; k++ { // a patch was moved
			if doc[k] >= '0' && doc[k] <= '9' {
				doc[k] = byte('0' + r.IntN(10))
			}
		}
		want = append(want, string(doc))
		if j, err = s.Save(ctx, j.ID, j.Head, Heading{Title: "many"}, string(doc), "moved"); err != nil {
			t.Fatal(err)
		}
	}
	var kept struct{ Sum, Most int64 }
	if err := s.db.Model(&Revision{}).Select("SUM(LENGTH(packed)) AS sum, MAX(LENGTH(bases)) AS most").Where("job_id = ?", j.ID).Scan(&kept).Error; err != nil {
		t.Fatal(err)
	}
	if each := kept.Sum / int64(len(want)); each > 6000 {
		t.Errorf("%d bytes each for documents of %d", each, len(doc))
	}
	s.read.Purge()
	for _, n := range []int{1, 2, 64, 65, 66, 100, 128, 129, 151} {
		s.read.Purge()
		got, err := s.Revision(ctx, j.ID, int64(n))
		if err != nil || got.Document != want[n-1] {
			t.Errorf("revision %d: %d bytes, %v", n, len(got.Document), err)
		}
	}
	page, err := s.History(ctx, j.ID, 100, 20)
	if err != nil || len(page) != 20 || page[0].Number != 99 || page[19].Number != 80 {
		t.Errorf("%d revisions before 100, %v", len(page), err)
	}
}

func TestThingsOfOneNameGetIdsOfTheirOwn(t *testing.T) {
	s, ctx := open(t), context.Background()
	var all sync.WaitGroup
	var mu sync.Mutex
	got := map[string]bool{}
	for range 20 {
		all.Go(func() {
			n := &NewEntry{Kind: KindFood, Make: func(id string) (string, error) { return `{"id":"` + id + `"}`, nil }, IDs: func(yield func(string) bool) {
				for i := 1; yield(fmt.Sprintf("kelp-%d", i)); i++ {
				}
			}}
			_, err := s.ChangeHouse(ctx, Change{New: n})
			mu.Lock()
			defer mu.Unlock()
			if err != nil || got[n.ID] {
				t.Errorf("%q: %v", n.ID, err)
			}
			got[n.ID] = true
		})
	}
	all.Wait()
	if len(got) != 20 {
		t.Errorf("%d of 20", len(got))
	}
}

func TestSomethingIsDoneOnce(t *testing.T) {
	ctx := context.Background()
	stores := []*Store{open(t), open(t), open(t)}
	var all sync.WaitGroup
	var mu sync.Mutex
	did := 0
	for i := range 9 {
		all.Go(func() {
			now, err := stores[i%3].Once(ctx, "harbour world", func(st *Store) error {
				if _, err := st.Create(ctx, Heading{Title: "Harbour once"}, `{}`, ""); err != nil {
					return err
				}
				_, err := st.ChangeHouse(ctx, Change{Lots: map[string]LotsOf{"kelp": JustThese([]Lot{{Grams: 5}})}})
				return err
			})
			mu.Lock()
			defer mu.Unlock()
			if err != nil {
				t.Error(err)
			}
			if now {
				did++
			}
		})
	}
	all.Wait()
	jobs, err := stores[0].Jobs(ctx, Query{Text: "Harbour once"})
	if did != 1 || len(jobs) != 1 || err != nil {
		t.Errorf("done %d times, %d jobs, %v", did, len(jobs), err)
	}
	// what fails half way leaves nothing, and is done next time
	wrong := errors.New("no wind")
	if now, err := stores[0].Once(ctx, "half", func(st *Store) error {
		_, _ = st.Create(ctx, Heading{Title: "Half a world"}, `{}`, "")
		return wrong
	}); now || !errors.Is(err, wrong) {
		t.Errorf("%v %v", now, err)
	}
	if jobs, _ := stores[0].Jobs(ctx, Query{Text: "Half a world"}); len(jobs) != 0 {
		t.Errorf("%d jobs are left of it", len(jobs))
	}
	if now, err := stores[0].Once(ctx, "half", func(*Store) error { return nil }); !now || err != nil {
		t.Errorf("next time: %v %v", now, err)
	}
}
