package prep

import (
	"fmt"
	"math"
	"slices"
	"sort"
	"strings"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/safety"
	"happytray/core/say"
	"happytray/core/tool"
	"happytray/core/tray"
)

// Kit is one thing to put out or to pack.
type Kit struct {
	What  string   `json:"what"`
	Count int      `json:"count"`           // of it to pack
	For   []string `json:"for"`             // foods, or what it is for
	Stage string   `json:"stage,omitempty"` // prepare, serve or travel
	// Station is where in the kitchen it is wanted, on a day that is worked at stations; empty elsewhere, and for what goes to the guests.
	Station say.Text `json:"station,omitzero"`
}

// Stages of the kit.
const (
	ToPrepare = "prepare"
	ToServe   = "serve"
	ToTravel  = "travel"
)

const (
	spareShare   = 1.25 // plates and napkins: a quarter more than guests (docs/craft.md, Time and care)
	picksEach    = 1.5  // for each guest and food that is taken with one
	glovesEach   = 3    // pairs for each of the people who prepare: they are changed when soiled
	wrapPerTray  = 1
	cutBoardsFor = 2 // kinds of food that need a board of their own: meat, and all else
)

// counter gathers a kit: the same thing once, with all that it is for.
type counter struct {
	at  map[string]int
	kit []Kit
}

func (c *counter) add(stage, what string, count int, for_ ...string) {
	key := stage + " " + what
	n, met := c.at[key]
	if !met {
		n = len(c.kit)
		c.at[key] = n
		c.kit = append(c.kit, Kit{What: what, For: []string{}, Stage: stage})
	}
	k := &c.kit[n]
	k.Count += count
	for _, f := range for_ {
		if !slices.Contains(k.For, f) {
			k.For = append(k.For, f)
		}
	}
}

// one is add for what does for all that it is for.
func (c *counter) one(stage, what string, for_ ...string) {
	c.add(stage, what, 0, for_...)
	c.kit[c.at[stage+" "+what]].Count = 1
}

// kitOf is what some trays want beside them: a tool for everything that needs one where it lies, picks by guests, but
// none for what is on picks already, dishes, plates and napkins.
func kitOf(j *job.Job, larder *food.Larder) []Kit {
	c := counter{at: map[string]int{}}
	serving(&c, j.Trays, j.Brief.Guests.Total(), larder)
	preparing(&c, j, larder)
	if j.Brief.Travels.Yes {
		travelling(&c, j, larder)
	}
	order := []string{ToPrepare, ToServe, ToTravel}
	sort.SliceStable(c.kit, func(a, b int) bool {
		x, y := c.kit[a], c.kit[b]
		if x.Stage != y.Stage {
			return slices.Index(order, x.Stage) < slices.Index(order, y.Stage)
		}
		return x.What < y.What
	})
	return c.kit
}

func serving(c *counter, trays []*tray.Tray, guests int, larder *food.Larder) {
	stones, shells, picks, dish := []string{}, []string{}, []string{}, false
	pick := func(name string) {
		if !slices.Contains(picks, name) {
			picks = append(picks, name)
		}
	}
	taken := false // with picks that are put out, and not of its own
	for _, t := range trays {
		times := t.Copies()
		if t.Part != nil && t.Part.Apart {
			c.add(ToServe, "cover", times, "the plate for "+t.Part.Who)
		}
		for i := range t.Elements {
			e := &t.Elements[i]
			f, ok := larder.Get(e.Food)
			if !ok {
				continue
			}
			name := strings.ToLower(f.Name)
			dish = dish || f.ID == safety.StoneDish
			switch {
			case f.Category == food.NotFood:
				c.add(ToServe, name, max(1, e.Count)*times, "the tray, not to be eaten")
			case food.Has(e.Form, food.OnPick): // brings its own
				pick(name)
			}
			if f.Stone && !slices.Contains(stones, name) {
				stones = append(stones, name)
			}
			if f.Shell && !slices.Contains(shells, name) {
				shells = append(shells, name)
			}
		}
	}
	for _, t := range trays {
		for _, n := range tool.Needs(t, larder) {
			var names []string
			for _, e := range n.Elements {
				if f, ok := larder.Get(e.Food); ok {
					names = append(names, strings.ToLower(f.Name))
				}
			}
			if n.Name != tool.Picks {
				c.add(ToServe, n.Name, t.Copies(), names...)
				continue
			}
			taken = true
			for _, name := range names {
				pick(name)
			}
		}
	}
	for _, t := range trays {
		if t.Board != nil && t.Board.LidMM > 0 {
			c.add(ToServe, "lid for the "+strings.ToLower(t.Board.Called()), t.Copies(), "for the road and the fridge")
			if crisp := crispIn(t, larder); len(crisp) > 0 {
				c.add(ToServe, "closed bag, to go with the box", t.Copies(), crisp...)
			}
		}
	}
	for _, t := range trays {
		if p := t.Beside(larder); p.Count > 0 {
			var names []string
			for _, id := range p.Foods {
				f, _ := larder.Get(id)
				names = append(names, strings.ToLower(f.Name))
			}
			c.add(ToServe, fmt.Sprintf("plate beside the board, about %.0f cm across", p.AcrossMM/10), p.Count*t.Copies(), names...)
		}
	}
	if left := append(slices.Clone(stones), shells...); len(left) > 0 && !dish {
		what := "dish for stones"
		if len(stones) == 0 {
			what = "dish for shells"
		} else if len(shells) > 0 {
			what = "dish for stones and shells"
		}
		c.add(ToServe, what, max(1, len(trays)), left...)
	}
	if taken { // for all together
		c.add(ToServe, "picks", int(math.Ceil(float64(guests)*picksEach)), picks...)
	}
	if len(picks) > 0 {
		c.add(ToServe, "dish for used picks", max(1, len(trays)), picks...)
	}
	spare := int(math.Ceil(float64(guests) * spareShare))
	c.add(ToServe, "plate", spare, "guests, and a quarter more")
	c.add(ToServe, "napkin", spare, "guests, and a quarter more")
}

// crispIn names the bread and crackers of a tray's reserve.
func crispIn(t *tray.Tray, larder *food.Larder) (names []string) {
	for _, r := range t.Reserve {
		if f, ok := larder.Get(r.Food); ok && f.Category == food.Cracker && r.Grams > 0 && !slices.Contains(names, strings.ToLower(f.Name)) {
			names = append(names, strings.ToLower(f.Name))
		}
	}
	return names
}

// preparing is what the kitchen puts out.
func preparing(c *counter, j *job.Job, larder *food.Larder) {
	meat, other, gloves := []string{}, []string{}, []string{}
	for _, t := range j.Trays {
		for i := range t.Elements {
			e := &t.Elements[i]
			f, ok := larder.Get(e.Food)
			if !ok || f.Category == food.NotFood {
				continue
			}
			name := strings.ToLower(f.Name)
			spec, _ := f.Spec(e.Form)
			kind, _, _ := readied(f, spec)
			switch {
			case kind != Slice && kind != Cube:
			case f.Category == food.Meat:
				meat = append(meat, name)
			default:
				other = append(other, name)
			}
			if (f.Category == food.Meat || f.Category == food.Cheese) && !slices.Contains(gloves, name) {
				gloves = append(gloves, name)
			}
			if v, ok := t.Vessel(e.Vessel); ok {
				if from := v.HollowedFrom(); from != "" {
					c.add(ToPrepare, from+", bought to be hollowed out", t.Copies(), name)
				} else {
					c.add(ToPrepare, "bowl: "+strings.ToLower(v.Name), t.Copies(), name)
				}
			}
			switch up := e.RaisedMM(); {
			case up >= tray.StandMM:
				c.add(ToPrepare, fmt.Sprintf("steady stand or upturned bowl, %.0f mm high, to set something on", up), t.Copies(), name)
			case up > 0:
				c.add(ToPrepare, fmt.Sprintf("small plate or lid, %.0f mm high, to set something on", up), t.Copies(), name)
			}
			if food.Has(e.Form, food.Curled) {
				c.one(ToPrepare, fmt.Sprintf("glass, about %.0f mm across", roseGlass(f)), name)
			}
		}
		if t.Board != nil && t.Board.Liner != "" {
			c.add(ToPrepare, "food-grade liner", t.Copies(), strings.ToLower(t.Board.Name))
		}
		for _, r := range t.Reserve {
			if f, ok := larder.Get(r.Food); ok && r.Grams > 0 {
				c.add(ToPrepare, "lidded box", 0, strings.ToLower(f.Name))
			}
		}
	}
	if k, ok := c.at[ToPrepare+" lidded box"]; ok {
		c.kit[k].Count = len(c.kit[k].For)
	}
	if len(other) > 0 {
		c.add(ToPrepare, "cutting board", 1, unique(other)...)
	}
	if len(meat) > 0 {
		c.add(ToPrepare, "cutting board for meat", 1, unique(meat)...)
	}
	c.gloves(j, gloves)
	if avoided(j) {
		c.one(ToPrepare, "cutting board and knife apart", "what is cut for guests who avoid something")
	}
	c.one(ToPrepare, "bin", "peel, stones and wrappings")
	c.one(ToPrepare, "clean cloths", "board, hands and knives, between cheese, meat and the rest")
}

// gloves are counted for each pair of hands, as the house wears them.
func (c *counter) gloves(j *job.Job, foods []string) {
	switch j.Brief.HouseRules().Gloves {
	case "none":
		return
	case "all":
		foods = []string{"all that is eaten as it is laid"}
	}
	if len(foods) > 0 {
		c.add(ToPrepare, "pairs of gloves", glovesEach, foods...)
	}
}

// avoided reports whether some guests avoid an allergen, so that boards and knives are kept apart.
func avoided(j *job.Job) bool {
	return slices.ContainsFunc(j.Brief.Diets, func(d brief.Diet) bool {
		return slices.ContainsFunc(d.Avoid, func(w string) bool { return slices.Contains(brief.Allergens, w) })
	})
}

// roseGlass is the glass round which a food's rosettes are lapped.
func roseGlass(f *food.Food) float64 {
	s, _ := f.Spec("rosette")
	return s.L
}

// travelling is what goes along: wrap, what is finished on the spot, and with what.
func travelling(c *counter, j *job.Job, larder *food.Larder) {
	c.add(ToTravel, "wrap", wrapPerTray*len(j.Trays), "over the trays")
	c.add(ToTravel, "cool box with packs", len(j.Trays), "what perishes")
	c.add(ToTravel, "small knife and cloth", 1, "finishing on the spot")
	for _, t := range j.Trays {
		for _, id := range t.Foods() {
			f, ok := larder.Get(id)
			switch {
			case !ok:
			case f.Needs(food.Softens):
				c.one(ToTravel, "dry box", strings.ToLower(f.Name))
			case f.Needs(food.Wilts):
				c.one(ToTravel, "box with a damp cloth", strings.ToLower(f.Name))
			}
		}
	}
}

func unique(list []string) []string {
	out := slices.Clone(list)
	slices.Sort(out)
	return slices.Compact(out)
}

// hands are what tasks name as their tool that is no thing to put out.
var hands = []string{"fingers", "clean hands or gloves", "food-grade liner", "lidded box"}

// besides is what else a kind of work takes.
var besides = map[string]string{WashDry: "paper towels", Drain: "paper towels", Box: "labels and a pen", Drip: "flat tray with a cloth"}

// tools are what the tasks of a job are done with, each once, with the foods that it is for.
func (d *kitchenDay) tools(n int) []Kit {
	c := counter{at: map[string]int{}}
	for _, k := range d.works {
		if !slices.Contains(k.of, n) {
			continue
		}
		var foods []string
		if f, ok := d.jobs[n].larder.Get(k.food); ok {
			foods = []string{strings.ToLower(f.Name)}
		} else if k.tray > 0 {
			foods = []string{"the boards"}
		}
		if k.kind == Thread { // one for each piece
			c.add(ToPrepare, k.tool, k.count, foods...)
		} else if k.tool != "" && !slices.Contains(hands, k.tool) {
			c.one(ToPrepare, k.tool, foods...)
		}
		if more := besides[k.kind]; more != "" {
			c.one(ToPrepare, more, foods...)
		}
	}
	for i := range c.kit {
		if k := &c.kit[i]; k.What == "baking sheet" {
			k.Count = min(len(k.For), ovenSheets*max(1, d.o.Ovens))
		}
	}
	sort.SliceStable(c.kit, func(a, b int) bool { return c.kit[a].What < c.kit[b].What })
	return c.kit
}
