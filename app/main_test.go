package app

import (
	"context"
	"os"
	"sync"
	"testing"
	"time"

	"happytray/clock/clocktest"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan/plantest"
	"happytray/store"
	"happytray/store/dbtest"
	"happytray/store/localdb"
)

var db *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Main(m, func(s *localdb.Server, _ string) { db = s }))
}

// shifted is a clock that tests turn on.
type shifted struct {
	mu sync.Mutex
	by time.Duration
}

func (c *shifted) now() time.Time {
	c.mu.Lock()
	defer c.mu.Unlock()
	return clocktest.Now().Add(c.by)
}

func (c *shifted) on(by time.Duration) {
	c.mu.Lock()
	defer c.mu.Unlock()
	c.by += by
}

// product is the product over a studio of the test's own, and its clock.
func product(t *testing.T, studio int) (*App, *shifted) {
	t.Helper()
	c := &shifted{}
	st, err := store.Open(context.Background(), db.DSN(), store.Options{Studio: studio, Now: c.now, Patience: 20 * time.Second})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { st.Close() })
	return New(st, Options{Now: c.now}), c
}

// served is a job that was laid and is served at a time.
func served(t *testing.T, a *App, at time.Time, foods ...string) string {
	t.Helper()
	b := brief.Brief{Guests: brief.Guests{Adults: 10}, ServeAt: at.UTC().Format(time.RFC3339)}
	for _, id := range foods {
		b.Foods = append(b.Foods, brief.Want{Food: id})
	}
	j := plantest.Laid(t, b)
	j.Title = "Served"
	return kept(t, a, j)
}

func kept(t *testing.T, a *App, j *job.Job) string {
	t.Helper()
	raw, err := j.Write()
	if err != nil {
		t.Fatal(err)
	}
	s, err := a.Settings(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	larder := j.Larder(food.BuiltIn())
	head, err := headingOf(j, larder, s.Location(), scores(j, larder))
	if err != nil {
		t.Fatal(err)
	}
	made, err := a.store.Create(context.Background(), head, string(raw), "laid")
	if err != nil {
		t.Fatal(err)
	}
	return made.ID
}
