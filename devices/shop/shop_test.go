package shop_test

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"happytray/core/fault"
	"happytray/core/food"
	"happytray/devices/shop"
	standin "happytray/standin/shop"
)

var day = time.Date(2026, 11, 25, 9, 0, 0, 0, time.UTC)

func open(t *testing.T) (*standin.Shop, string) {
	t.Helper()
	s := &standin.Shop{Seed: 7, Now: func() time.Time { return day }}
	srv := httptest.NewServer(s)
	t.Cleanup(srv.Close)
	return s, srv.URL
}

func TestShopIsRead(t *testing.T) {
	_, at := open(t)
	f, left, err := shop.Client{May: shop.Policy{Loopback: true}, URL: at + "/feed.json"}.Fetch(context.Background())
	if err != nil || len(left) != 0 {
		t.Fatalf("%v, left out %v", err, left)
	}
	if f.Day != "2026-11-25" || f.Shop != standin.Name || len(f.Items) < 180 {
		t.Errorf("%s of %s has %d foods", f.Shop, f.Day, len(f.Items))
	}
	larder := food.BuiltIn().Priced(f.Market())
	out, dearer, cheaper := 0, 0, 0
	for _, g := range food.BuiltIn().All() {
		if g.Category == food.NotFood {
			continue
		}
		if larder.OutOfStock(g.ID) {
			out++
		}
		was, is := food.BuiltIn().GramPrice(&g), larder.GramPrice(&g)
		if is > was {
			dearer++
		} else if is < was {
			cheaper++
		}
		if is < .5*was || is > 2*was {
			t.Errorf("%s costs %v a gram, usually %v", g.Name, is, was)
		}
	}
	if out == 0 || out > 60 || dearer == 0 || cheaper == 0 {
		t.Errorf("%d sold out, %d dearer, %d cheaper", out, dearer, cheaper)
	}
}

// The same day from the same seed is the same; another day or seed is not; what is
// in season is cheaper than out of it.
func TestShopVariesByDateAndSeed(t *testing.T) {
	s := &standin.Shop{Seed: 7}
	text := func(f shop.Feed) string {
		raw, err := json.Marshal(f.Items)
		if err != nil {
			t.Fatal(err)
		}
		return string(raw)
	}
	again := &standin.Shop{Seed: 7}
	if text(s.Feed(day)) != text(again.Feed(day)) || text(s.Feed(day)) == text(s.Feed(day.AddDate(0, 0, 1))) || text(s.Feed(day)) == text((&standin.Shop{Seed: 8}).Feed(day)) {
		t.Error("the seed and the date do not decide the feed")
	}
	price := func(month time.Month) (sum float64) {
		for d := range 20 {
			for _, it := range s.Feed(time.Date(2026, month, 1+d, 0, 0, 0, 0, time.UTC)).Items {
				if it.Food == "strawberries" {
					sum += float64(it.Packs[0].Price)
				}
			}
		}
		return sum
	}
	if june, january := price(6), price(1); january < 1.3*june {
		t.Errorf("strawberries cost %v in June, %v in January", june, january)
	}
}

func TestAShopInABadMood(t *testing.T) {
	s, at := open(t)
	quick := shop.Client{May: shop.Policy{Loopback: true}, URL: at + "/feed.json", Each: 150 * time.Millisecond, Pause: time.Millisecond}
	for mood, says := range map[string]string{standin.Slow: "did not answer", standin.Down: "in trouble", standin.Nonsense: ""} {
		s.Mood(mood)
		began := time.Now()
		_, _, err := quick.Fetch(context.Background())
		if err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", mood, err)
		}
		if took := time.Since(began); took > 2*time.Second {
			t.Errorf("%s held up %v", mood, took)
		}
	}
	res, err := http.Post(at+"/mood", "text/plain", strings.NewReader("well"))
	if err != nil || res.StatusCode != http.StatusNoContent {
		t.Fatal(res, err)
	}
	res.Body.Close()
	if _, _, err := quick.Fetch(context.Background()); err != nil {
		t.Errorf("well again: %v", err)
	}
}

// A failure that may pass is tried again, a refusal is not; a request that is given
// up ends at once.
func TestTries(t *testing.T) {
	var asked atomic.Int32
	answer := http.StatusServiceUnavailable
	good, err := json.Marshal((&standin.Shop{}).Feed(day))
	if err != nil {
		t.Fatal(err)
	}
	srv := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) {
		if asked.Add(1) >= 3 && answer == http.StatusServiceUnavailable {
			w.Write(good)
			return
		}
		w.WriteHeader(answer)
	}))
	defer srv.Close()
	c := shop.Client{May: shop.Policy{Loopback: true}, URL: srv.URL, Pause: time.Millisecond}
	if _, _, err := c.Fetch(context.Background()); err != nil || asked.Load() != 3 {
		t.Errorf("%v after %d tries", err, asked.Load())
	}
	asked.Store(0)
	answer = http.StatusForbidden
	if _, _, err := c.Fetch(context.Background()); err == nil || asked.Load() != 1 {
		t.Errorf("%v after %d tries", err, asked.Load())
	}
	ctx, stop := context.WithCancel(context.Background())
	stop()
	if _, _, err := c.Fetch(ctx); err == nil {
		t.Error("given up, and still answered")
	}
	for _, bad := range []string{"", "shop", "file:///etc/passwd", "http://", "://x"} {
		if _, _, err := (shop.Client{May: shop.Policy{Loopback: true}, URL: bad}).Fetch(context.Background()); err == nil || !strings.Contains(err.Error(), "should look like") {
			t.Errorf("%q: %v", bad, err)
		}
	}
	big := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { w.Write(make([]byte, shop.MostAnswer+10)) }))
	defer big.Close()
	if _, _, err := (shop.Client{May: shop.Policy{Loopback: true}, URL: big.URL}).Fetch(context.Background()); err == nil || !strings.Contains(err.Error(), "larger") {
		t.Errorf("too large: %v", err)
	}
}

func TestNonsenseIsLeftOut(t *testing.T) {
	item := func(food, packs string) string { return `{"food":"` + food + `","packs":[` + packs + `]}` }
	const pack = `{"grams":100,"price":250,"stock":3}`
	doc := func(items ...string) []byte {
		return []byte(`{"format":"happytray-shop/1","shop":"x","day":"2026-11-25","items":[` + strings.Join(items, ",") + `]}`)
	}
	f, left, err := shop.Read(doc(item("honey", pack), item("figs", pack), item("dates", pack), item("", pack), item("honey", pack), item("x", `{"grams":100,"price":-2,"stock":1}`)))
	if err != nil || len(f.Items) != 3 || len(left) != 3 {
		t.Errorf("%d taken, left %q, %v", len(f.Items), left, err)
	}
	for _, bad := range [][]byte{nil, []byte(`{}`), []byte(`[]`), []byte(`{"format":"happytray-shop/1","day":"soon"}`), doc(), doc(item("", pack), item("a", "")),
		doc(item("a", `{"grams":1,"price":2,"stock":1}`)), doc(item("a", `{"grams":"lots","price":2,"stock":1}`))} {
		_, _, err := shop.Read(bad)
		var e *fault.Error
		if !errors.As(err, &e) || e.Says == "" {
			t.Errorf("%.60s: %v", bad, err)
		}
	}
	none := shop.Feed{Items: []shop.Item{{Food: "honey", Packs: []shop.Pack{{Grams: 100, Price: 200}, {Grams: 200, Price: 300}}}, {Food: "figs", Packs: []shop.Pack{{Grams: 100, Price: 200, Stock: 2}, {Grams: 300, Price: 500}}}}}.Market()
	if !none.Offers["honey"].Out || len(none.Offers["honey"].Packs) != 2 || none.Offers["figs"].Out || len(none.Offers["figs"].Packs) != 1 {
		t.Errorf("%+v", none)
	}
}

// FuzzRead: whatever a shop sends, it is read within bounds or refused with a sentence.
func FuzzRead(f *testing.F) {
	raw, _ := json.Marshal((&standin.Shop{}).Feed(day))
	f.Add(raw[:4000])
	f.Add([]byte(`{"format":"happytray-shop/1","shop":"x","day":"2026-11-25","items":[{"food":"honey","packs":[{"grams":100,"price":250,"stock":3}]}]}`))
	f.Add([]byte(`{"format":"happytray-shop/1","items":[{"packs":[{"grams":1e309}]}]}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		feed, _, err := shop.Read(raw)
		if err != nil {
			if err.Error() == "" {
				t.Fatal("refused without a sentence")
			}
			return
		}
		for id, o := range feed.Market().Offers {
			if id == "" || len(o.Packs) == 0 {
				t.Fatalf("%q: %+v", id, o)
			}
			for _, p := range o.Packs {
				if !(p.Grams >= 5) || p.Price < 1 {
					t.Fatalf("%+v", p)
				}
			}
		}
	})
}
