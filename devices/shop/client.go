package shop

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"time"
)

// MostAnswer bounds what a shop answers, bytes.
const MostAnswer = 4 << 20

// Client asks a shop for its feed. The zero value with an address works.
type Client struct {
	URL   string
	May   Policy        // where it may be
	Each  time.Duration // for one try; 3 s when 0
	Tries int           // 3 when 0
	Pause time.Duration // before the second try, doubled before each next; 250 ms when 0
}

// errTryAgain is a failure that may pass.
type errTryAgain struct{ error }

// Fetch asks for the feed: a few short tries, with a pause between them that grows.
// A refusal or nonsense is not tried again; the error says in a sentence what was
// the matter.
func (c Client) Fetch(ctx context.Context) (Feed, []string, error) {
	if err := c.May.Check(c.URL); err != nil {
		return Feed{}, nil, err
	}
	each, tries, pause := c.Each, c.Tries, c.Pause
	if each == 0 {
		each = 3 * time.Second
	}
	if tries == 0 {
		tries = 3
	}
	if pause == 0 {
		pause = 250 * time.Millisecond
	}
	var last error
	for try := range tries {
		if try > 0 {
			select {
			case <-time.After(pause):
			case <-ctx.Done():
				return Feed{}, nil, ctx.Err()
			}
			pause *= 2
		}
		raw, err := c.once(ctx, each)
		if err == nil {
			return Read(raw)
		}
		last = err
		var again errTryAgain
		if !errors.As(err, &again) {
			break
		}
	}
	return Feed{}, nil, last
}

func (c Client) once(ctx context.Context, each time.Duration) ([]byte, error) {
	ctx, done := context.WithTimeout(ctx, each)
	defer done()
	req, err := http.NewRequestWithContext(ctx, http.MethodGet, c.URL, nil)
	if err != nil {
		return nil, err
	}
	req.Header.Set("Accept", "application/json")
	res, err := c.May.client().Do(req)
	if errors.Is(err, errElsewhere) {
		return nil, errElsewhere
	}
	if err != nil {
		if errors.Is(ctx.Err(), context.DeadlineExceeded) {
			return nil, errTryAgain{fmt.Errorf("the shop did not answer within %s", each)}
		}
		return nil, errTryAgain{errors.New("the shop cannot be reached")}
	}
	defer res.Body.Close()
	if res.StatusCode >= 500 || res.StatusCode == http.StatusTooManyRequests {
		return nil, errTryAgain{fmt.Errorf("the shop is in trouble (%s)", res.Status)}
	}
	if res.StatusCode != http.StatusOK {
		return nil, fmt.Errorf("the shop refuses (%s); check its address", res.Status)
	}
	raw, err := io.ReadAll(io.LimitReader(res.Body, MostAnswer+1))
	if err != nil {
		return nil, errTryAgain{errors.New("the shop's answer broke off")}
	}
	if len(raw) > MostAnswer {
		return nil, fmt.Errorf("the shop's answer is larger than %d MB", MostAnswer>>20)
	}
	return raw, nil
}
