// Package demo loads the invented world the product is shown with: the studio
// Tern & Tallow in Saltmere.
package demo

import (
	"time"

	"happytray/app/template"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/plan"
	"happytray/core/price"
)

// Job is one job of the demo world, ready to be stored.
type Job struct {
	*job.Job
	Says string
}

// made is the day on which the world was made up. Everything that is chosen, planned, laid and eaten in it is
// of that day, whenever it is loaded: only the dates move.
var made = time.Date(2026, 10, 1, 9, 0, 0, 0, time.UTC)

// at is a time some days from today, at the given hour.
func at(today time.Time, days, hour, minute int) string {
	d := today.AddDate(0, 0, days)
	return time.Date(d.Year(), d.Month(), d.Day(), hour, minute, 0, 0, time.UTC).Format("2006-01-02T15:04")
}

// season is the month of the made-up world in which something is that is so many days from today.
func season(days int) int { return int(made.AddDate(0, 0, days).Month()) }

// movedTo gives a job that was planned for the day the world was made the time of its brief today.
func movedTo(serveAt string, j *job.Job) {
	j.Brief.ServeAt = serveAt
	for _, t := range j.Trays {
		t.Brief.ServeAt = serveAt
	}
}

// FirstFiring is the pottery co-op's evening: a laid tray.
func FirstFiring(today time.Time) brief.Brief {
	return brief.Brief{Guests: brief.Guests{Adults: 18}, Occasion: "nibble", ServeAt: at(today, 3, 19, 0), Month: season(3), Host: "Saltmere pottery co-op",
		Place: "The kiln yard, Saltmere", Note: "First firing of the new kiln. Glaze blue if you can find anything blue that is food.",
		Theme: &brief.Theme{Name: "glaze blue", Palette: []string{"#3b4468", "#6a4fb0", "#f2ebd6", "#b98a2e"}},
		Board: &board.Request{Shape: "oval", LengthMM: 860, WidthMM: 560, Colour: "#744a2b"}}
}

// QuizFinal is the library's evening: a brief, nothing more yet.
func QuizFinal(today time.Time) brief.Brief {
	return brief.Brief{Guests: brief.Guests{Adults: 9}, Occasion: "grazing", ServeAt: at(today, 9, 18, 30), Month: season(9), Host: "Saltmere library",
		Place: "Reading room, upstairs", Note: "Quiz league final. Everybody reaches from their own side of the table.",
		Diets: []brief.Diet{{Who: "everybody", Avoid: []string{"meat", "rennet"}}, {Who: "two of the blue team", Count: 2, Avoid: []string{"gluten"}}},
		Board: &board.Request{ID: "round-48-walnut"}}
}

// NightWatch is the observatory's evening: two planks outdoors in the cold, laid.
func NightWatch(today time.Time) brief.Brief {
	cold := 2.0
	plank := board.Request{Shape: "plank", LengthMM: 1500, WidthMM: 340, Colour: "#9b6f42", Name: "Long plank, larch"}
	return brief.Brief{Guests: brief.Guests{Adults: 40, Children: 4, Hearty: 8}, Occasion: "nibble", Course: "savoury", Besides: "some", ServeAt: at(today, 6, 21, 0), Month: season(6), TemperatureC: &cold,
		Host: "Hollin Hill observatory", Place: "The terrace, Hollin Hill", Note: "Night-sky watch. Nothing that needs both hands, everybody holds a telescope or a cup.",
		Diets:  []brief.Diet{{Who: "six who eat no meat", Count: 6, Avoid: []string{"meat", "rennet"}}},
		Budget: 24000, Travels: brief.Travels{Yes: true, Minutes: 25}, Boards: []board.Request{plank, plank},
		Bans: []string{"soft-white-round", "blue-wedge"}}
}

// RegattaPrizes is the paper boats' afternoon: a plate for each child, picked.
func RegattaPrizes(today time.Time) brief.Brief {
	return brief.Brief{Guests: brief.Guests{Children: 12}, Occasion: "nibble", ServeAt: at(today, 12, 15, 0), Month: season(12), LastsMinutes: 45, Serving: "plates",
		Host: "Saltmere paper-boat regatta", Place: "The slipway", Note: "Prizes for twelve small captains.", PerGuest: 600,
		Diets: []brief.Diet{{Who: "everybody", Avoid: []string{"nuts", "peanuts"}}, {Who: "one without milk", Count: 1, Avoid: []string{"milk"}}}}
}

// Jobs makes the demo world for a given day.
func Jobs(today time.Time, larder *food.Larder) ([]Job, error) {
	firing, err := laid("first-firing", FirstFiring, today, larder)
	if err != nil {
		return nil, err
	}
	watch, err := laid("night-watch", NightWatch, today, larder)
	if err != nil {
		return nil, err
	}
	prizes, err := planned("Paper-boat regatta prizes", RegattaPrizes, today, larder)
	if err != nil {
		return nil, err
	}
	return []Job{{firing, "laid the tray"}, {watch, "laid both planks"}, {job.New("Quiz league final", QuizFinal(today)), "wrote the brief"}, {prizes, "picked the foods"}}, nil
}

// planned is a job whose trays wait to be laid, served some days from today.
func planned(title string, of func(today time.Time) brief.Brief, today time.Time, larder *food.Larder) (*job.Job, error) {
	j, err := plan.FromBrief(of(made), larder, board.BuiltInCabinet())
	if err != nil {
		return nil, err
	}
	j.Title = title
	movedTo(of(today).ServeAt, j)
	return j, nil
}

// Seller is Tern & Tallow as its quotes say it.
var Seller = price.Seller{Name: "Tern & Tallow", Address: "Odile Marrow\nNet Loft Lane 4\nSaltmere", ValidDays: 21,
	Terms: "A third is due when it is ordered, the rest on the day. Boards and bowls are ours and are fetched the next morning."}

// Cupboard is what Tern & Tallow has standing on a given day.
func Cupboard(today time.Time) food.Stock {
	day := func(n int) string { return today.AddDate(0, 0, n).Format(time.DateOnly) }
	return food.Stock{
		"honey":          {{Grams: 420}},
		"fig-jam":        {{Grams: 180, BestBefore: day(40)}},
		"almonds":        {{Grams: 300, BestBefore: day(90)}, {Grams: 120, BestBefore: day(12)}},
		"walnuts":        {{Grams: 150, BestBefore: day(-3)}}, // past its day, so it does not count
		"round-crackers": {{Grams: 250, BestBefore: day(60)}},
		"dark-chocolate": {{Grams: 200, BestBefore: day(150)}},
		"grainy-mustard": {{Grams: 160}},
	}
}

// Pattern is the first job's tray, kept for others to be laid like; where it lies is known once the job has its name.
var Pattern = template.Template{ID: "kiln-oval", Name: "The kiln’s oval"}

// Shelf is what the studio has kept: ideas seen about Saltmere, a theme, and the choice that went down
// well at the seed swap.
func Shelf(larder *food.Larder) (map[string][]template.Template, error) {
	swap, err := plan.FromBrief(brief.Brief{Guests: brief.Guests{Adults: 26}, Occasion: "grazing", Month: 10, Host: "Saltmere allotment society"}, larder, board.BuiltInCabinet())
	if err != nil {
		return nil, err
	}
	choice := template.FromJob(swap, larder)
	choice.ID, choice.Name = "seed-swap", "The seed swap, autumn"
	return map[string][]template.Template{
		template.Idea: {
			{ID: "nets-on-the-quay", Name: "Nets on the quay", Note: "Rust, tar and bleached rope, all in one heap. Try it with smoke and old cheese.", Palette: []string{"#a05a3c", "#3a2e28", "#e3d6bd", "#6f7a5c"}},
			{ID: "hoar-on-the-kiln-roof", Name: "Hoar on the kiln roof", Note: "White on brick, one blue door.", Palette: []string{"#f4f1ea", "#8a4632", "#3b4468"}},
		},
		template.Theme:  {{ID: "glaze-blue", Name: "Glaze blue", Palette: []string{"#3b4468", "#6a4fb0", "#f2ebd6", "#b98a2e"}, Belongs: []string{"blueberries", "blackberries", "creamy-blue", "edible-violas"}, Liner: "#f2ebd6"}},
		template.Choice: {choice},
	}, nil
}
