package brief

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"time"

	"happytray/core/board"
	"happytray/core/colour"
	"happytray/core/fault"
	"happytray/core/food"
)

// mostMakes bounds the foods that are made in the house.
const mostMakes = 40

// Check bounds a brief that came from outside. The first fault in this order is the one that is told.
func (b Brief) Check() error {
	return fault.First(b.checkGuests, b.checkWords, b.checkEvening, b.checkDiets, b.checkTheme, b.checkRest, b.checkFoods, b.checkPacks, b.checkPeople, b.checkChoice, b.checkLearnt, b.checkBoards)
}

// checkGuests counts who comes.
func (b Brief) checkGuests() error {
	if b.Guests.Adults < 0 || b.Guests.Children < 0 {
		return fault.Bad("guests", "nobody can be fewer than nought")
	}
	if b.Guests.Adults > 2000 || b.Guests.Children > 2000 || b.Guests.Total() < 1 && !b.ByPacks() || b.Guests.Total() > 2000 {
		return fault.Bad("guests", "say how many guests come, between 1 and 2000")
	}
	if b.Guests.Light < 0 || b.Guests.Hearty < 0 || b.Guests.Light > b.Guests.Adults || b.Guests.Hearty > b.Guests.Adults-b.Guests.Light {
		return fault.Bad("guests", "light and hearty eaters are counted among the %d adults", b.Guests.Adults)
	}
	if b.Guests.Infants < 0 || b.Guests.Infants > b.Guests.Children {
		return fault.Bad("guests.infants", "infants are counted among the %d children", b.Guests.Children)
	}
	if b.Guests.Frail < 0 || b.Guests.Frail > b.Guests.Total() {
		return fault.Bad("guests.pregnant_or_frail", "should be between 0 and the number of guests, %d", b.Guests.Total())
	}
	return nil
}

// checkWords holds what is chosen from a list against it.
func (b Brief) checkWords() error {
	for _, c := range []struct {
		field, v string
		allowed  []string
	}{
		{"occasion", b.Occasion, []string{"nibble", "grazing", "meal"}},
		{"course", b.Course, []string{"both", "savoury", "sweet"}},
		{"besides", b.Besides, []string{"nothing", "some", "plenty"}},
		{"photographed", b.Photographed, []string{"above", "slant"}},
		{"leaning", b.Leaning, Leanings},
		{"serving", b.Serving, []string{"shared", "plates"}},
		{"hemisphere", b.Hemisphere, []string{"north", "south"}},
		{"front", b.Front, []string{"none", "top", "right", "bottom", "left"}},
	} {
		if c.v == "" {
			continue
		}
		if err := fault.OneOf(c.field, c.v, c.allowed...); err != nil {
			return err
		}
	}
	return nil
}

// checkEvening bounds how long, how warm, from where and when.
func (b Brief) checkEvening() error {
	if err := fault.Between("minutes_at_most", b.MinutesAtMost, 0, 6000, " minutes"); err != nil {
		return err
	}
	if err := fault.Between("lasts_minutes", b.LastsMinutes, 0, 1440, " minutes"); err != nil {
		return err
	}
	if b.TemperatureC != nil {
		if err := fault.Between("temperature_c", *b.TemperatureC, -30, 50, " °C"); err != nil {
			return err
		}
	}
	if len(b.Access) > 4 {
		return fault.Bad("access", "a tray has four sides")
	}
	for i, side := range b.Access {
		if err := fault.OneOf(fmt.Sprintf("access[%d]", i), side, "top", "right", "bottom", "left"); err != nil {
			return err
		}
	}
	if b.ServeAt != "" {
		if _, ok := b.ServeTime(time.UTC); !ok {
			return fault.Bad("serve_at", "write the time as 2026-11-27T19:00")
		}
	}
	if len(b.Makes) > mostMakes {
		return fault.Bad("makes", "at most %d", mostMakes)
	}
	for i, id := range b.Makes {
		if err := fault.Text(fmt.Sprintf("makes[%d]", i), id, 80); err != nil {
			return err
		}
	}
	if b.FridgeThere != "" {
		if err := fault.OneOf("fridge_there", b.FridgeThere, "yes", "no"); err != nil {
			return err
		}
	}
	if b.RoadCold != "" {
		if err := fault.OneOf("road_cold", b.RoadCold, "box", "open"); err != nil {
			return err
		}
	}
	if err := b.checkSittings(); err != nil {
		return err
	}
	if err := b.checkReady(); err != nil {
		return err
	}
	if b.Month < 0 || b.Month > 12 {
		return fault.Bad("month", "should be between 1 and 12")
	}
	return nil
}

// checkDiets bounds who avoids what.
func (b Brief) checkDiets() error {
	if len(b.Diets) > 20 {
		return fault.Bad("diets", "at most 20 groups of guests")
	}
	for i, d := range b.Diets {
		at := fmt.Sprintf("diets[%d]", i)
		if d.Count < 0 || d.Count > b.Guests.Total() {
			return fault.Bad(at+".count", "should be between 0 and the number of guests, %d", b.Guests.Total())
		}
		if len(d.Avoid) > 30 {
			return fault.Bad(at+".avoid", "at most 30 things")
		}
		if err := fault.Text(at+".who", d.Who, 80); err != nil {
			return err
		}
		for j, a := range d.Avoid {
			if err := fault.OneOf(fmt.Sprintf("%s.avoid[%d]", at, j), a, food.Avoidable...); err != nil {
				return err
			}
		}
	}
	return nil
}

// checkTheme bounds the theme and its colours.
func (b Brief) checkTheme() error {
	if b.Theme == nil {
		return nil
	}
	return b.Theme.Check("theme.")
}

// mostOfTheme bounds the foods that a theme names of a kind.
const mostOfTheme = 120

// Check bounds a theme; at stands before the names of its fields.
func (t Theme) Check(at string) error {
	if err := fault.Text(at+"name", t.Name, 80); err != nil {
		return err
	}
	if t.Region != "" {
		if err := fault.OneOf(at+"region", t.Region, food.Regions...); err != nil {
			return err
		}
	}
	if len(t.Palette) > 12 {
		return fault.Bad(at+"palette", "at most 12 colours")
	}
	for i, c := range t.Palette {
		if _, err := colour.Parse(c); err != nil {
			return fault.Bad(fmt.Sprintf("%spalette[%d]", at, i), "%s", err.Error())
		}
	}
	if t.Liner != "" {
		if _, err := colour.Parse(t.Liner); err != nil {
			return fault.Bad(at+"liner", "%s", err.Error())
		}
	}
	for _, of := range []struct {
		field string
		foods []string
	}{{"belongs", t.Belongs}, {"alien", t.Alien}, {"garnish", t.Garnish}} {
		if len(of.foods) > mostOfTheme {
			return fault.Bad(at+of.field, "at most %d foods", mostOfTheme)
		}
		for i, id := range of.foods {
			if err := fault.Text(fmt.Sprintf("%s%s[%d]", at, of.field, i), id, 80); err != nil {
				return err
			}
		}
	}
	return nil
}

// checkRest bounds the road, the money and what is written freely.
func (b Brief) checkRest() error {
	if err := fault.Between("travels", b.Travels.Minutes, 0, 10080, " minutes"); err != nil {
		return err
	}
	if err := fault.Between("budget", b.Budget, 0, 1e9, ""); err != nil {
		return err
	}
	if err := fault.Between("budget_per_guest", b.PerGuest, 0, 1e7, ""); err != nil {
		return err
	}
	for _, c := range []struct {
		field, v string
		most     int
	}{{"place", b.Place, 160}, {"host", b.Host, 160}, {"crowd", b.Crowd, 160}, {"note", b.Note, 2000}} {
		if err := fault.Text(c.field, c.v, c.most); err != nil {
			return err
		}
	}
	if b.Rules != nil {
		if err := b.Rules.Check(); err != nil {
			return fault.In("rules", err)
		}
	}
	return nil
}

// checkFoods bounds what is wished for, pinned, banned and made more of.
func (b Brief) checkFoods() error {
	if err := checkWants("foods", b.Foods); err != nil {
		return err
	}
	if err := checkWants("pins", b.Pins); err != nil {
		return err
	}
	if len(b.Bans) > 400 {
		return fault.Bad("bans", "at most 400 foods")
	}
	for _, c := range slices.Sorted(maps.Keys(b.Tilt)) {
		if !slices.Contains(food.Categories, food.Category(c)) {
			return fault.Bad("tilt", "there is no kind of food called %.40q", c)
		}
		if err := fault.Between("tilt."+c, b.Tilt[c], 0, 3, ""); err != nil {
			return err
		}
	}
	banned := map[string]bool{}
	for i, id := range b.Bans {
		if err := fault.Text(fmt.Sprintf("bans[%d]", i), id, 80); err != nil {
			return err
		}
		banned[id] = true
	}
	for i, w := range b.Pins {
		if banned[w.Food] {
			return fault.Bad(fmt.Sprintf("pins[%d]", i), "%.60q is to be on the tray and banned from it; take it off one of the lists", w.Food)
		}
	}
	return nil
}

// checkBoards bounds the board or the boards that are asked for.
func (b Brief) checkBoards() error {
	if b.Board != nil {
		if err := checkBoard(*b.Board); err != nil {
			return fault.In("board", err)
		}
	}
	if b.Copies < 0 || b.Copies > MaxCopies {
		return fault.Bad("copies", "between 1 and %d", MaxCopies)
	}
	if b.Copies > 1 && b.Guests.Total() < b.Copies {
		return fault.Bad("copies", "%d boards are more than the %d guests", b.Copies, b.Guests.Total())
	}
	if b.Copies > 1 && (b.Plates() || b.PlateApart || b.HouseRules().Vegetarians == "separate") {
		return fault.Bad("copies", "boards alike are shared by whole tables; plates, plates apart and trays of their own are planned for all guests together")
	}
	if b.WaveMinutes != 0 {
		if err := fault.Between("wave_minutes", float64(b.WaveMinutes), LeastWave, 240, " minutes"); err != nil {
			return err
		}
		if b.Copies < 2 || b.Copies > MostWaves {
			return fault.Bad("wave_minutes", "boards that follow each other are 2 to %d: say how many (copies)", MostWaves)
		}
		if b.Travels.Yes {
			return fault.Bad("wave_minutes", "boards on the road come all at once; lay a second one where it is served")
		}
	}
	if len(b.Boards) > MaxBoards {
		return fault.Bad("boards", "at most %d boards for one job", MaxBoards)
	}
	for i, r := range b.Boards {
		if err := checkBoard(r); err != nil {
			return fault.In(fmt.Sprintf("boards[%d]", i), err)
		}
		if r.Zero() {
			return fault.Bad(fmt.Sprintf("boards[%d]", i), "say which board, by its id or by shape and size")
		}
	}
	return nil
}

// Boards that follow each other: so many at most, and so many minutes apart at least.
const (
	MostWaves = 4
	LeastWave = 30 // minutes
)

// MaxCopies is how many times a board is laid alike.
const MaxCopies = 200

// MaxBoards is how many boards share the food of one job.
const MaxBoards = 12

// maxOnBoard bounds the foods that one board of a set has of its own.
const maxOnBoard = 40

// checkBoard bounds a board that is asked for; whether a named one exists, a cabinet knows.
func checkBoard(r board.Request) error {
	if err := fault.Text("id", r.ID, 80); err != nil {
		return err
	}
	for _, of := range []struct {
		field string
		foods []string
	}{{"pins", r.Pins}, {"bans", r.Bans}} {
		if len(of.foods) > maxOnBoard {
			return fault.Bad(of.field, "at most %d foods", maxOnBoard)
		}
		for i, id := range of.foods {
			if err := fault.Text(fmt.Sprintf("%s[%d]", of.field, i), id, 80); err != nil {
				return err
			}
			if of.field == "bans" && slices.Contains(r.Pins, id) {
				return fault.Bad(fmt.Sprintf("bans[%d]", i), "%.60q is to be on this board and banned from it; take it off one of the lists", id)
			}
		}
	}
	if r.Zero() || r.Named() {
		return nil
	}
	_, err := board.Make(r)
	return err
}

func checkWants(field string, wants []Want) error {
	if len(wants) > 120 {
		return fault.Bad(field, "at most 120 foods")
	}
	seen := map[string]bool{}
	for i, w := range wants {
		at := fmt.Sprintf("%s[%d]", field, i)
		if err := fault.Text(at, w.Food, 80); err != nil {
			return err
		}
		if err := plainName(at+".name", w.Name); err != nil {
			return err
		}
		if seen[w.Food] {
			return fault.Bad(at, "%.60q is listed twice", w.Food)
		}
		seen[w.Food] = true
		if err := fault.Between(at+".grams", w.Grams, 0, 1e6, " g"); err != nil {
			return err
		}
		if err := fault.Between(at+".each_g", w.EachG, 0, MaxEachG, " g"); err != nil {
			return err
		}
		if err := w.check(at); err != nil {
			return err
		}
	}
	return nil
}

// plainName bounds what the host calls a food.
func plainName(at, name string) error {
	if strings.ContainsAny(name, "<>{}\n\r\t") {
		return fault.Bad(at, "a name is plain words, without markup")
	}
	return fault.Text(at, name, food.MaxName)
}
