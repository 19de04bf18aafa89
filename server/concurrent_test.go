package server

import (
	"bytes"
	"fmt"
	"io"
	"net/http"
	"sync"
	"testing"
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
