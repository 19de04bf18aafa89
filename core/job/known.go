package job

import (
	"slices"
	"sync"

	"happytray/core/document"
	"happytray/core/food"
	"happytray/core/tray"
)

// Known remembers the elements and foods of the files that were read through it, by the
// bytes that they lay there as: a file that differs little from one before is read,
// checked and written in a fraction of the time, as each save of a job is. The zero value
// is ready, and several may read through it at a time.
type Known struct {
	mu       sync.Mutex
	elements generations[*laid]
	foods    generations[Planned]
	begun    map[[begins]byte][2]string // elements that began so lately: two trays of a job are often alike
}

// begins is how many of an element's first bytes, its id and food, tell it from others.
const begins = 48

// mostKnown bounds the bytes by which a generation of what is known is found. A job may
// have 4 MB; most have a tenth of that. Both generations full take some 43 MB.
const mostKnown = 12 << 20

// laid is an element that was read and checked, and how it is written. It is shared and
// never changed.
type laid struct {
	element tray.Element
	written string
}

// generations is a bounded memory of two ages: what is asked for moves to the younger
// one, which becomes the elder when it is full.
type generations[T any] struct {
	young, old map[string]T
	size       int // bytes of the younger one's keys
}

func (g *generations[T]) get(raw []byte) (T, bool) {
	v, ok := g.young[string(raw)]
	if !ok {
		if v, ok = g.old[string(raw)]; ok {
			g.put(string(raw), v)
		}
	}
	return v, ok
}

func (g *generations[T]) put(key string, v T) {
	if g.young == nil || g.size+len(key) > mostKnown {
		g.old, g.young, g.size = g.young, map[string]T{}, 0
	}
	g.young[key] = v
	g.size += len(key)
}

// visit is one reading through what is known. What it meets for the first time is kept once
// the whole file was found good, so that a bad one takes nobody's place.
type visit struct {
	known    *Known
	elements map[string]*laid
	foods    map[string]Planned
}

// element reads the element that well-formed text begins with and returns its length.
func (v *visit) element(rest []byte) (*laid, int, error) {
	k := v.known
	raw := k.first(rest)
	k.mu.Lock()
	one, ok := k.elements.get(raw)
	k.mu.Unlock()
	if ok {
		return one, len(raw), nil
	}
	one = &laid{}
	if err := one.element.UnmarshalJSON(raw); err != nil {
		return nil, 0, err
	}
	written, err := one.element.AppendJSON(nil)
	if err != nil {
		return nil, 0, err
	}
	key := string(raw)
	if one.written = key; key != string(written) {
		one.written = string(written)
	}
	v.elements[key] = one
	return one, len(key), nil
}

func (v *visit) food(raw []byte) (Planned, error) {
	k := v.known
	k.mu.Lock()
	one, ok := k.foods.get(raw)
	k.mu.Unlock()
	if ok {
		return one, nil
	}
	if err := one.UnmarshalJSON(raw); err != nil {
		return Planned{}, err
	}
	v.foods[string(raw)] = one
	return one, nil
}

// keep remembers what a visit met.
func (k *Known) keep(v *visit) {
	k.mu.Lock()
	defer k.mu.Unlock()
	for key, f := range v.foods {
		k.foods.put(key, f)
	}
	for key, one := range v.elements {
		k.elements.put(key, one)
		if len(key) < begins {
			continue
		}
		if k.begun == nil || len(k.begun) > 4*MaxElements {
			k.begun = map[[begins]byte][2]string{}
		}
		at := [begins]byte([]byte(key[:begins]))
		k.begun[at] = [2]string{key, k.begun[at][0]}
	}
}

// first is the object that well-formed text begins with. Where it begins as one that is
// known does, the text is compared with that, which is quicker than looking for the end.
func (k *Known) first(rest []byte) []byte {
	if len(rest) >= begins {
		k.mu.Lock()
		likely := k.begun[[begins]byte(rest)]
		k.mu.Unlock()
		for _, one := range likely {
			if n := len(one); n > 0 && len(rest) >= n && string(rest[:n]) == one {
				return rest[:n]
			}
		}
	}
	return document.First(rest)
}

// Reading is a job that was read through what is Known. It shares its elements with
// others and must not be changed.
type Reading struct {
	*Job
	laid [][]*laid // by tray
}

// Read reads a job as Read does.
func (k *Known) Read(raw []byte, larder *food.Larder) (*Reading, error) {
	f := file{visit: &visit{k, map[string]*laid{}, map[string]Planned{}}}
	j, err := f.read(raw, larder)
	if err != nil {
		return nil, err
	}
	k.keep(f.visit)
	r := &Reading{Job: j, laid: [][]*laid{f.laid}}
	for i := range f.Further {
		r.laid = append(r.laid, f.Further[i].laid)
	}
	return r, nil
}

// Write writes the job's file.
func (r *Reading) Write() ([]byte, error) { return r.write(r.laid) }

// Surface is what a tray is judged by, as bytes to compare: its brief, board, vessels,
// elements, reserve, rules and foods. Trays of one surface are judged alike, whatever job
// they belong to.
func (r *Reading) Surface(which int) ([]byte, error) {
	t := r.Trays[which]
	w := &writer{b: make([]byte, 0, 1<<16), job: r.Job, laid: r.laid}
	w.b = append(w.b, '{')
	w.put("brief", t.Brief)
	w.surface(which)
	used := t.Foods()
	w.foods(slices.DeleteFunc(slices.Clone(r.Foods), func(k Planned) bool { return !slices.Contains(used, k.ID) }))
	return w.b, w.err
}
