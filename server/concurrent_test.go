package server

import (
	"bytes"
	"fmt"
	"io"
	"net/http"
	"sync"
	"testing"

	"happytray/core/review"
)

// One client's refusal must not reach another: they are answered at the same time.
func TestEachIsAnsweredForItself(t *testing.T) {
	d := open(t, db.DSN())
	huge := append([]byte(`{"title":"`), bytes.Repeat([]byte("x"), 5<<20)...)
	var all sync.WaitGroup
	for i := range 24 {
		all.Go(func() {
			for range 6 {
				switch i % 3 {
				case 0:
					req, _ := http.NewRequest("POST", d.url+"/api/v1/outlook", io.MultiReader(bytes.NewReader(huge))) // without a length, so it is found out while reading
					req.Header.Set("Content-Type", "application/json")
					res, err := http.DefaultClient.Do(req)
					if err != nil {
						continue // the server may close on what it does not read
					}
					res.Body.Close()
					if res.StatusCode != http.StatusRequestEntityTooLarge {
						t.Errorf("5 MB: %d", res.StatusCode)
					}
				case 1:
					if a := d.ask("POST", "/api/v1/outlook", []byte(fmt.Sprintf(`{"guests":{"adults":%d}}`, 2+i))); a.status != http.StatusOK {
						t.Errorf("a brief: %d %s", a.status, a.body)
					}
				case 2:
					if a := d.ask("POST", "/api/v1/outlook", []byte(`{"guests":{"adults":0}}`)); a.status != http.StatusUnprocessableEntity {
						t.Errorf("nobody: %d %s", a.status, a.body)
					}
				}
			}
		})
	}
	all.Wait()
}

// Saves, reviews and moves of several jobs that are alike go on at once; what is remembered
// of one is never told of another.
func TestSavesAndReviewsAtOnce(t *testing.T) {
	d := open(t, db.DSN())
	var all sync.WaitGroup
	for i := range 4 {
		tr := laid(t, 3)
		all.Go(func() {
			id := "/api/v1/jobs/" + d.make(fmt.Sprintf("At once %d", i), `{"guests":{"adults":3}}`).Id
			e := &tr.Trays[0].Elements[i]
			for n := 1; n <= 4; n++ {
				at := e.Pose()
				at.X += float64(40 * i) // far enough for another score
				e.MoveTo(at)
				raw := file(t, tr)
				want := review.Judge(tr.Trays[0], tr.Larder(larder)).Score
				var judged struct{ Score float64 }
				var moved told
				d.ask("POST", "/api/v1/review", raw).into(t, &judged)
				if a := d.ask("PUT", id, raw, "If-Match", fmt.Sprintf(`"%d"`, n)); a.status != http.StatusOK {
					t.Errorf("job %d, save %d: %d %s", i, n, a.status, a.body)
				}
				held := fmt.Sprintf(`{"kind":"move","ids":[%q],"alone":true,"to":{"x":%v,"y":%v,"turn_deg":%v}}`, e.ID, e.X, e.Y, e.TurnDeg)
				d.ask("POST", id+"/edits", fmt.Appendf(nil, `{"revision":%d,"preview":true,"command":%s}`, n+1, held)).into(t, &moved)
				if judged.Score != want || moved.Review.Score != want {
					t.Errorf("job %d, save %d: %v when judged, %v when kept, want %v", i, n, judged.Score, moved.Review.Score, want)
				}
			}
		})
	}
	all.Wait()
}
