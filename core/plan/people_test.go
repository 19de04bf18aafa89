package plan_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/diet"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/pick"
	"happytray/core/plan"
)

// people is a table of guests with names, each with two foods they like and one they dislike, and some that avoid something.
func people(r *rand.Rand) brief.Brief {
	all := larder.All()
	taste := func(but ...string) string {
		for {
			if f := all[r.IntN(len(all))]; f.Category != food.NotFood && f.Category != food.Garnish && !slices.Contains(but, f.ID) {
				return f.ID
			}
		}
	}
	b := brief.Brief{Guests: brief.Guests{Adults: r.IntN(4), Children: r.IntN(2)}, Month: 1 + r.IntN(12), Occasion: []string{"", "grazing", "meal"}[r.IntN(3)]}
	for i := range 2 + r.IntN(4) {
		p := brief.Person{Name: fmt.Sprintf("Guest %c", 'A'+i), Child: r.IntN(5) == 0}
		p.Likes = []string{taste()}
		p.Likes = append(p.Likes, taste(p.Likes...))
		p.Dislikes = []string{taste(p.Likes...)}
		b.People = append(b.People, p)
		if p.Child {
			b.Guests.Children++
		} else {
			b.Guests.Adults++
		}
		if r.IntN(3) == 0 {
			b.Diets = append(b.Diets, brief.Diet{Who: p.Name, Count: 1, Avoid: []string{[]string{"milk", "nuts", "gluten", "animal", "pork"}[r.IntN(5)]}})
		}
	}
	return b
}

func onTray(j *job.Job, i int) (out []*food.Food) {
	for _, id := range j.Trays[i].Foods() {
		if f, ok := larder.Get(id); ok && f.Category != food.NotFood {
			out = append(out, f)
		}
	}
	return out
}

// Everybody with a name has a plate of their own without what they avoid or dislike; all plates are made from one basket,
// and nobody has two favourites more than somebody else whose favourites could be on a plate.
func TestAPlateForEachByName(t *testing.T) {
	r := rand.New(rand.NewPCG(25, 6))
	tables, asked, found := 60, 0, 0
	for n := range tables {
		b := people(r)
		b.Serving = "plates"
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(n, err)
		}
		plates := 0
		basket := map[string]bool{}
		for i, tr := range j.Trays {
			plates += tr.Copies()
			p, named := b.PersonCalled(tr.Part.Who)
			if named != (i < len(b.People)) || named && (tr.Copies() != 1 || p.Name != b.People[i].Name) {
				t.Errorf("%d: plate %d is of %q, %d times", n, i, tr.Part.Who, tr.Copies())
			}
			foods := onTray(j, i)
			for _, f := range foods {
				basket[f.ID] = true
				for _, d := range b.Diets {
					if named && p.Is(d.Who) && !diet.CanEat(d.Avoid, f) {
						t.Errorf("%d: %s on the plate of %s, who avoids %v", n, f.Name, p.Name, d.Avoid)
					}
				}
				if named && slices.Contains(p.Dislikes, f.ID) {
					t.Errorf("%d: %s on the plate of %s, who dislikes it", n, f.Name, p.Name)
				}
			}
			if named {
				asked++
				found += min(1, len(pick.Favourites(p, foods, larder)))
			}
		}
		if plates != b.Guests.Total() {
			t.Errorf("%d: %d plates for %d guests", n, plates, b.Guests.Total())
		}
		if most := 16 + 2*len(b.People) + 4*len(b.Diets); len(basket) > most {
			t.Errorf("%d: %d foods for %d plates", n, len(basket), plates)
		}
	}
	t.Logf("%d of %d guests find a favourite", found, asked)
	if found*3 < asked { // many dislike, avoid or like what no plate for one holds, or is out of season
		t.Errorf("%d of %d guests find a favourite on their plate", found, asked)
	}
}

// On a shared board guests with a name find something they like, and what most of them dislike is not on it.
func TestASharedBoardForGuestsByName(t *testing.T) {
	r := rand.New(rand.NewPCG(25, 7))
	asked, found := 0, 0
	for n := range 60 {
		b := people(r)
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(n, err)
		}
		foods := onTray(j, 0)
		for _, p := range b.People {
			could := slices.ContainsFunc(p.Likes, func(id string) bool {
				f, _ := larder.Get(id)
				fine, _ := diet.For(b, f)
				return f.ReadyAs == "" && !f.IsStandIn() && len(f.Occasions) == 0 && !f.Stone && fine == diet.Fine && f.Category != food.Sweet
			})
			if could {
				asked++
				found += min(1, len(pick.Favourites(p, foods, larder)))
			}
		}
	}
	t.Logf("%d of %d guests find a favourite", found, asked)
	if float64(found) < .88*float64(asked) {
		t.Errorf("%d of %d guests find a favourite", found, asked)
	}
	b := brief.Brief{Guests: brief.Guests{Adults: 3}, Occasion: "grazing", People: []brief.Person{{Name: "Ada", Dislikes: []string{"fish", "olives"}}, {Name: "Bo", Dislikes: []string{"olives"}}}}
	for k := range 12 {
		b.Choice = k
		j, err := plan.FromBrief(b, larder, board.BuiltInCabinet())
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range onTray(j, 0) {
			if slices.Contains(larder.Taste("olives", true), f.ID) {
				t.Errorf("%s, which two of three dislike", f.Name)
			}
		}
	}
}

func TestBadPeople(t *testing.T) {
	for raw, want := range map[string]string{
		`{"guests":{"adults":1},"people":[{"name":"Ada"},{"name":"Bo"}]}`:                                                             "more adults have a name, 2, than come, 1",
		`{"guests":{"adults":2},"people":[{"name":"Ada"},{"name":" ada "}]}`:                                                          "there twice",
		`{"guests":{"adults":2},"people":[{"name":""}]}`:                                                                              "people[0].name",
		`{"guests":{"adults":2},"people":[{"name":"<i>"}]}`:                                                                           "people[0].name",
		`{"guests":{"adults":2},"people":[{"name":"Ada","likes":["zzzqqq"]}]}`:                                                        "people[0].likes[0]",
		`{"guests":{"adults":2},"people":[{"name":"Ada","child":true}]}`:                                                              "more children have a name, 1, than come, 0",
		`{"guests":{"adults":1},"serving":"plates","people":[{"name":"Ada"}],"diets":[{"who":"no nuts","count":1,"avoid":["nuts"]}]}`: "write the name of the guest who avoids nuts",
		`{"guests":{"adults":1,"pregnant_or_frail":1},"serving":"plates","people":[{"name":"Ada"}]}`:                                  "say who it is",
		`{"guests":{"adults":3},"people":[{"name":"Ada"}],"diets":[{"who":"Ada","count":2,"avoid":["nuts"]}]}`:                        "is one guest",
	} {
		b, err := brief.Read([]byte(raw))
		if err == nil {
			_, err = plan.FromBrief(b, larder, board.BuiltInCabinet())
		}
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v, should say %s", raw, err, want)
		}
	}
}
