package app

import (
	"cmp"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"
	_ "time/tzdata" // zones are known by name on every machine

	"golang.org/x/text/currency"

	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/prep"
	"happytray/core/price"
	"happytray/core/say"
	corshop "happytray/core/shop"
	"happytray/devices/shop"
)

// Settings are how the house measures, reckons and tells the time.
type Settings struct {
	Length     string       `json:"length"`     // cm or in
	Mass       string       `json:"mass"`       // g or oz
	Currency   string       `json:"currency"`   // ISO 4217, or "" for bare figures
	Hemisphere string       `json:"hemisphere"` // north or south
	Zone       string       `json:"zone"`       // IANA name; "" for the zone of this machine
	Shop       string       `json:"shop"`       // address of a shop's feed, or ""
	Rates      Rates        `json:"rates"`
	Seller     price.Seller `json:"seller"` // as quotes say it

	FurtherShops []string `json:"further_shops,omitempty"` // addresses of the feeds of others that are gone to where it saves enough
	StopCost     int      `json:"stop_cost,omitempty"`     // what going to a further one counts, minor units
	ShopOpens    string   `json:"shop_opens,omitempty"`    // 08:00, or "" where nobody says
	ShopCloses   string   `json:"shop_closes,omitempty"`

	People  int `json:"people"` // who prepare
	Ovens   int `json:"ovens"`
	Shelves int `json:"shelves"` // of the fridge; 0 where nobody counts them

	PaceRefused []string `json:"pace_refused,omitempty"` // kinds of work that take what the data say, whatever was learnt

	Rules *brief.Rules `json:"rules,omitempty"` // the house's way, which new briefs begin with; nil for the craft's own
	Ways  []Way        `json:"ways,omitempty"`  // of crowds and hosts that have one of their own
}

// Seller is who asks a price, as a quote says it.
type Seller = price.Seller

// Way is how a crowd, or a host, has it done other than the house does.
type Way struct {
	Crowd string      `json:"crowd"`
	Rules brief.Rules `json:"rules"`
}

// mostFurther bounds the shops beside the usual one.
const mostFurther = corshop.MostStops - 1

// shops are the addresses of all shops, the usual one first.
func (s Settings) shops() (out []string) {
	if s.Shop != "" {
		out = append(out, s.Shop)
	}
	return append(out, s.FurtherShops...)
}

// shopHours are from when to when the shop is open; an error where they make no sense.
func (s Settings) shopHours() (h prep.ShopHours, err error) {
	if s.ShopOpens == "" && s.ShopCloses == "" {
		return h, nil
	}
	read := func(member, clock string, to *int) error {
		t, err := time.Parse("15:04", clock)
		if err != nil {
			return fault.Bad(member, "write the time as 08:00, or leave both out")
		}
		*to = 60*t.Hour() + t.Minute()
		return nil
	}
	if err := cmp.Or(read("shop_opens", s.ShopOpens, &h.Opens), read("shop_closes", s.ShopCloses, &h.Closes)); err != nil {
		return prep.ShopHours{}, err
	}
	return h, h.Check()
}

// mostWays bounds the crowds that have a way of their own.
const mostWays = 200

// rulesFor is what a new brief begins with: the way of its crowd or, where that has none, of its host, or the house's;
// nil for the craft's own.
func (s Settings) rulesFor(b brief.Brief) *brief.Rules {
	for _, who := range []string{b.Crowd, b.Host} {
		for _, w := range s.Ways {
			if who = strings.TrimSpace(who); who != "" && strings.EqualFold(w.Crowd, who) {
				return pointer(w.Rules)
			}
		}
	}
	if s.Rules == nil {
		return nil
	}
	return pointer(*s.Rules)
}

// Units are those in which the house is spoken to: where lengths are in inches and amounts in ounces, warmth is in
// Fahrenheit.
func (s Settings) Units() say.Units {
	in, oz := s.Length == "in", s.Mass == "oz"
	return say.Units{Inches: in, Ounces: oz, Fahrenheit: in && oz}
}

// Rates are what a seller reckons with; money in minor units.
type Rates struct {
	Hourly      int     `json:"hourly"`
	SetupMin    float64 `json:"setup_min"`
	Packaging   int     `json:"packaging"`
	Delivery    int     `json:"delivery"`
	OverheadPct float64 `json:"overhead_pct"`
	MarginPct   float64 `json:"margin_pct"`
}

func (r Rates) forQuote() price.Rates {
	return price.Rates{Hourly: r.Hourly, Setup: r.SetupMin, Packaging: r.Packaging, Delivery: r.Delivery, Overhead: r.OverheadPct, Margin: r.MarginPct}
}

// usualSettings are those of a house that has set nothing.
func usualSettings() Settings {
	u := price.Usual
	return Settings{Length: "cm", Mass: "g", Hemisphere: "north", Rates: Rates{u.Hourly, u.Setup, u.Packaging, u.Delivery, u.Overhead, u.Margin}, People: 1, Ovens: 1}
}

// settingsFact is the name under which settings are kept.
const settingsFact = "settings"

// errSettings is told where kept settings make no sense. They are not taken for the
// usual ones: prices would be wrong, and a save would write over what is there.
var errSettings = errors.New("the kept settings cannot be read")

func readSettings(kept string) (Settings, error) {
	out := usualSettings()
	if kept == "" {
		return out, nil
	}
	if err := json.Unmarshal([]byte(kept), &out); err != nil {
		return out, fmt.Errorf("%w: %v", errSettings, err)
	}
	return out, nil
}

// Settings are those kept, or the usual ones where nothing was set. That they cannot be
// read is an error.
func (a *App) Settings(ctx context.Context) (Settings, error) {
	kept, err := a.store.Fact(ctx, settingsFact)
	if err != nil {
		return Settings{}, err
	}
	s, err := readSettings(kept)
	if err == nil {
		a.spoken.Store(pointer(s.Units()))
	}
	return s, err
}

func pointer[T any](v T) *T { return &v }

// units are those in which the house is spoken to, as they were read last: what is only judged wants no database.
func (a *App) units(ctx context.Context) say.Units {
	if u := a.spoken.Load(); u != nil {
		return *u
	}
	s, _ := a.Settings(ctx) // the usual ones where they cannot be had
	return s.Units()
}

// spoken is what somebody is answered, with what it says in the units of the house.
func spoken[T any](ctx context.Context, a *App, v T) T { return say.In(v, a.units(ctx)) }

// SaveSettings keeps what change makes of the settings as they are, and returns them.
func (a *App) SaveSettings(ctx context.Context, change func(*Settings) error) (Settings, error) {
	var was, is Settings
	err := a.store.ChangeFact(ctx, settingsFact, func(kept string) (string, error) {
		var err error
		if was, err = readSettings(kept); err != nil {
			return "", err
		}
		is = was
		if err := change(&is); err != nil {
			return "", err
		}
		if err := a.checkSettings(is); err != nil {
			return "", err
		}
		raw, err := json.Marshal(is)
		return string(raw), err
	})
	if err == nil {
		a.spoken.Store(pointer(is.Units()))
	}
	if err == nil && is.Units() != was.Units() {
		a.judged.saved.Purge() // they speak in the units of before
	}
	if err == nil && !slices.Equal(is.shops(), was.shops()) {
		err = a.touchHouse(ctx) // every process looks at the shop's prices anew
	}
	return is, err
}

func (a *App) checkSettings(s Settings) error {
	if _, err := zoneNamed(s.Zone); err != nil {
		return err
	}
	if err := s.checkWays(); err != nil {
		return err
	}
	if s.Rules != nil {
		if err := cmp.Or(s.Rules.Check(), checkRules(*s.Rules)); err != nil {
			return fault.In("rules", err)
		}
	}
	if err := s.Seller.Check(); err != nil {
		return fault.In("seller", err)
	}
	if _, err := s.shopHours(); err != nil {
		return err
	}
	for i, kind := range s.PaceRefused {
		if err := fault.OneOf(fmt.Sprintf("pace_refused[%d]", i), kind, prep.HandKinds...); err != nil {
			return err
		}
	}
	if s.Shop != "" {
		if err := a.shop.Check(s.Shop); err != nil {
			return fault.Bad("shop", "%s", err.Error())
		}
	}
	if len(s.FurtherShops) > mostFurther {
		return fault.Bad("further_shops", "at most %d further shops", mostFurther)
	}
	seen := map[string]bool{s.Shop: true}
	for i, address := range s.FurtherShops {
		if err := a.shop.Check(address); err != nil {
			return fault.Bad(fmt.Sprintf("further_shops[%d]", i), "%s", err.Error())
		}
		if seen[address] {
			return fault.Bad(fmt.Sprintf("further_shops[%d]", i), "this shop is there already; write each once")
		}
		seen[address] = true
	}
	return fault.Between("stop_cost", float64(s.StopCost), 0, 1e6, " minor units")
}

func zoneNamed(name string) (*time.Location, error) {
	if name == "" {
		return time.Local, nil
	}
	z, err := time.LoadLocation(name)
	if err != nil || name == "Local" || len(name) > 60 {
		return nil, fault.Bad("zone", "there is no time zone %.60q; write it as Region/City", name)
	}
	return z, nil
}

// Location is the time zone of the house: what a time without a zone is meant in.
func (s Settings) Location() *time.Location {
	z, err := zoneNamed(s.Zone)
	if err != nil { // kept by a machine that knew it
		return time.UTC
	}
	return z
}

// Digits is how many digits the smaller coin has, by the common locale data that
// x/text carries; 2 where no currency is set.
func (s Settings) Digits() int {
	unit, err := currency.ParseISO(s.Currency)
	if err != nil {
		return 2
	}
	digits, _ := currency.Standard.Rounding(unit)
	return digits
}

// today is the day that it is in the house; stock is good until one.
func (a *App) today(s Settings) string { return a.now().In(s.Location()).Format(time.DateOnly) }

// Today is the day and the month that it is in the house.
func (a *App) Today(s Settings) (day string, month int) {
	return a.today(s), int(a.now().In(s.Location()).Month())
}

// ShopPolicy says which addresses may be asked for a shop's feed.
type ShopPolicy = shop.Policy

// checkWays bounds the ways of crowds; each has one.
func (s Settings) checkWays() error {
	if len(s.Ways) > mostWays {
		return fault.Bad("ways", "at most %d crowds with a way of their own", mostWays)
	}
	for i, w := range s.Ways {
		at := fmt.Sprintf("ways[%d]", i)
		if strings.TrimSpace(w.Crowd) == "" {
			return fault.Bad(at+".crowd", "say whose way it is")
		}
		if err := fault.Text(at+".crowd", w.Crowd, 160); err != nil {
			return err
		}
		for _, o := range s.Ways[:i] {
			if strings.EqualFold(strings.TrimSpace(o.Crowd), strings.TrimSpace(w.Crowd)) {
				return fault.Bad(at+".crowd", "%.60q has a way already", w.Crowd)
			}
		}
		if err := cmp.Or(w.Rules.Check(), checkRules(w.Rules)); err != nil {
			return fault.In(at+".rules", err)
		}
	}
	return nil
}
