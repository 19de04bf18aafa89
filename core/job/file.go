package job

import (
	"encoding/json"
	"slices"
	"strconv"

	"happytray/core/bite"
	"happytray/core/board"
	"happytray/core/brief"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/say"
	"happytray/core/tray"
)

// Format names the file format and its version, docs/formats/tray.schema.json.
const Format = "happytray/1"

// file is how a job lies in a file: as its first tray, which holds the others. Each says
// the brief and keeps the foods anew, so that any of them can be read alone.
type file struct {
	Format   string         `json:"format"`
	Title    string         `json:"title"`
	Brief    brief.Brief    `json:"brief"`
	Board    *board.Board   `json:"board"`
	Vessels  []board.Vessel `json:"vessels"`
	Elements []tray.Element `json:"elements"`
	Reserve  []tray.Reserve `json:"reserve"`
	Foods    []Planned      `json:"foods,omitempty"`
	Rules    brief.Rules    `json:"rules"`
	Seed     uint64         `json:"seed"`
	Order    []string       `json:"order,omitempty"`
	Bites    []bite.Bite    `json:"bites,omitempty"`
	Says     []say.Text     `json:"says,omitempty"`
	Part     *tray.Part     `json:"part,omitempty"`
	Further  []file         `json:"further,omitempty"`
	Extra    document.Extra `json:"-"`

	visit *visit  // to what was read before; nil for none
	laid  []*laid // Elements as they were found there
}

// UnmarshalJSON reads a file that is known to be well formed.
func (f *file) UnmarshalJSON(b []byte) error {
	_, err := f.readFrom(b)
	return err
}

// readFrom reads the file that well-formed text begins with and returns its length.
func (f *file) readFrom(b []byte) (n int, err error) {
	n, f.Extra, err = document.Object(b, f.member)
	return n, err
}

func (f *file) member(name string, rest []byte) (n int, err error) {
	switch name { // what is large is not looked at once more to see where it ends
	case "elements":
		f.laid = nil
		return document.ListFrom(rest, &f.Elements, f.element)
	case "further":
		return document.ListFrom(rest, &f.Further, func(further *file, rest []byte) (int, error) {
			further.visit = f.visit
			return further.readFrom(rest)
		})
	}
	raw := document.First(rest)
	switch name {
	case "format":
		err = document.Text(raw, &f.Format)
	case "title":
		err = document.Text(raw, &f.Title)
	case "brief":
		err = json.Unmarshal(raw, &f.Brief)
	case "board":
		err = json.Unmarshal(raw, &f.Board)
	case "vessels":
		err = json.Unmarshal(raw, &f.Vessels)
	case "reserve":
		err = json.Unmarshal(raw, &f.Reserve)
	case "foods":
		err = document.List(raw, &f.Foods, f.food)
	case "rules":
		err = json.Unmarshal(raw, &f.Rules)
	case "seed":
		err = json.Unmarshal(raw, &f.Seed)
	case "order":
		err = json.Unmarshal(raw, &f.Order)
	case "bites":
		err = json.Unmarshal(raw, &f.Bites)
	case "says":
		err = json.Unmarshal(raw, &f.Says)
	case "part":
		err = json.Unmarshal(raw, &f.Part)
	default:
		return 0, nil
	}
	return len(raw), err
}

func (f *file) element(e *tray.Element, rest []byte) (int, error) {
	if f.visit == nil {
		raw := document.First(rest)
		return len(raw), e.UnmarshalJSON(raw)
	}
	one, n, err := f.visit.element(rest)
	if err == nil {
		*e = one.element
		f.laid = append(f.laid, one)
	}
	return n, err
}

func (f *file) food(k *Planned, raw []byte) (err error) {
	if f.visit == nil {
		return k.UnmarshalJSON(raw)
	}
	*k, err = f.visit.food(raw)
	return err
}

// Read reads a job from its file and checks it against its bounds and the larder.
func Read(raw []byte, larder *food.Larder) (*Job, error) {
	var f file
	return f.read(raw, larder)
}

func (f *file) read(raw []byte, larder *food.Larder) (*Job, error) {
	if err := document.Sound(raw); err != nil {
		return nil, err
	}
	if err := f.UnmarshalJSON(raw); err != nil {
		return nil, document.Locate(raw, &file{}, err)
	}
	j, err := f.job()
	if err == nil {
		err = j.Check(larder)
	}
	if err != nil {
		return nil, err
	}
	with := j.Larder(larder)
	for _, t := range j.Trays {
		t.Complete(with)
	}
	return j, nil
}

// job takes the trays out of each other. Foods that several trays keep are kept once, as
// the first of them has them.
func (f *file) job() (*Job, error) {
	j := &Job{Title: f.Title, Brief: f.Brief, Foods: f.Foods, Bites: f.Bites, Says: f.Says, Extra: f.Extra}
	have := map[string]bool{}
	for i := range j.Foods {
		have[j.Foods[i].ID] = true
	}
	for i, one := range append([]file{*f}, f.Further...) {
		if one.Format != Format {
			err := fault.Bad("format", "should be %q, not %.40q", Format, one.Format)
			if i > 0 {
				err = fault.In("further["+strconv.Itoa(i-1)+"]", err)
			}
			return nil, err
		}
		if i > 0 && len(one.Further) > 0 {
			return nil, fault.Bad("further["+strconv.Itoa(i-1)+"].further", "trays are kept one level deep; list them all with the first")
		}
		t := &tray.Tray{Brief: one.Part.BriefOf(f.Brief), Board: one.Board, Vessels: one.Vessels, Elements: one.Elements, Reserve: one.Reserve,
			Rules: one.Rules, Seed: one.Seed, Order: one.Order, Part: one.Part}
		if i > 0 {
			t.Extra = one.Extra
			for _, k := range one.Foods {
				if !have[k.ID] {
					have[k.ID] = true
					j.Foods = append(j.Foods, k)
				}
			}
		}
		j.Trays = append(j.Trays, t)
	}
	return j, nil
}

// Write writes the job's file.
func (j *Job) Write() ([]byte, error) { return j.write(nil) }

// write writes the job's file; laid are the trays' elements as they are already written,
// or nil.
func (j *Job) write(laid [][]*laid) ([]byte, error) {
	size := 4096
	for _, t := range j.Trays {
		for i := range t.Elements {
			size += 400 + 420*len(t.Elements[i].Pieces)
		}
	}
	w := &writer{b: make([]byte, 0, size), job: j, laid: laid}
	w.tray(0)
	return w.b, w.err
}

// MarshalJSON writes the job's file.
func (j *Job) MarshalJSON() ([]byte, error) { return j.Write() }

// WriteTray writes one of the job's trays as a file by itself.
func (j *Job) WriteTray(which int) ([]byte, error) {
	one := *j
	one.Trays = j.Trays[which : which+1]
	return one.Write()
}

type writer struct {
	b    []byte
	job  *Job
	laid [][]*laid
	err  error
}

// put writes a member whose value encoding/json knows.
func (w *writer) put(name string, v any) {
	raw, err := json.Marshal(v)
	if err != nil && w.err == nil {
		w.err = err
	}
	w.name(name)
	w.b = append(w.b, raw...)
}

func (w *writer) name(name string) {
	if w.b[len(w.b)-1] != '{' {
		w.b = append(w.b, ',')
	}
	w.b = append(w.b, '"')
	w.b = append(w.b, name...)
	w.b = append(w.b, `":`...)
}

func (w *writer) tray(which int) {
	t, extra := w.job.Trays[which], w.job.Extra
	if which > 0 {
		extra = t.Extra
	}
	w.b = append(w.b, '{')
	w.put("format", Format)
	w.put("title", w.job.Title)
	w.put("brief", w.job.Brief)
	w.surface(which)
	if foods := w.job.foodsOf(which); len(foods) > 0 {
		w.foods(foods)
	}
	w.put("seed", t.Seed)
	if len(t.Order) > 0 {
		w.put("order", t.Order)
	}
	if bites := w.job.bitesLeft(); which == 0 && len(bites) > 0 {
		w.put("bites", bites)
	}
	if which == 0 && len(w.job.Says) > 0 {
		w.put("says", w.job.Says)
	}
	if t.Part != nil {
		w.put("part", t.Part)
	}
	if which == 0 && len(w.job.Trays) > 1 {
		w.name("further")
		w.b = append(w.b, '[')
		for i := 1; i < len(w.job.Trays) && w.err == nil; i++ {
			if i > 1 {
				w.b = append(w.b, ',')
			}
			w.tray(i)
		}
		w.b = append(w.b, ']')
	}
	if w.err != nil {
		return
	}
	out, err := document.AppendExtra(append(w.b, '}'), extra)
	if err != nil {
		w.fail(err)
		return
	}
	w.b = out
}

// surface writes what lies on a tray, and by which rules.
func (w *writer) surface(which int) {
	t := w.job.Trays[which]
	w.put("board", t.Board)
	w.put("vessels", nonNil(t.Vessels))
	w.name("elements")
	w.b = append(w.b, '[')
	for i := range t.Elements {
		if i > 0 {
			w.b = append(w.b, ',')
		}
		if w.laid != nil {
			w.b = append(w.b, w.laid[which][i].written...)
			continue
		}
		var err error
		if w.b, err = t.Elements[i].AppendJSON(w.b); err != nil {
			w.fail(err)
			return
		}
	}
	w.b = append(w.b, ']')
	w.put("reserve", nonNil(t.Reserve))
	w.put("rules", t.Rules)
}

func (w *writer) foods(list []Planned) {
	w.name("foods")
	w.b = append(w.b, '[')
	for i := range list {
		raw, err := list[i].MarshalJSON()
		if err != nil {
			w.fail(err)
			return
		}
		if i > 0 {
			w.b = append(w.b, ',')
		}
		w.b = append(w.b, raw...)
	}
	w.b = append(w.b, ']')
}

func (w *writer) fail(err error) {
	if w.err == nil {
		w.err = err
	}
	w.b = nil
}

// foodsOf are the kept foods that a tray uses; the first of several keeps what no other
// uses, too.
func (j *Job) foodsOf(which int) []Planned {
	if len(j.Trays) == 1 {
		return j.Foods
	}
	used := j.Trays[which].Foods()
	elsewhere := map[string]bool{}
	if which == 0 {
		for _, t := range j.Trays[1:] {
			for _, id := range t.Foods() {
				elsewhere[id] = true
			}
		}
	}
	var out []Planned
	for _, k := range j.Foods {
		if slices.Contains(used, k.ID) || which == 0 && !elsewhere[k.ID] {
			out = append(out, k)
		}
	}
	return out
}

func nonNil[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}
