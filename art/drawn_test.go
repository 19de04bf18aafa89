package art

import (
	"slices"
	"strings"
	"testing"
)

// Every drawing that a food names is there, for a shape it has, and every drawing is named.
func TestDrawingsAreFoundByName(t *testing.T) {
	named := map[string]bool{}
	for _, f := range larder.All() {
		for shape, name := range f.DrawnAs {
			named[name] = true
			if byName[name] == nil {
				t.Errorf("%s names a drawing %q", f.ID, name)
			}
			has := shape == "any"
			for _, s := range f.Forms {
				has = has || s.Shape == shape
			}
			if !has {
				t.Errorf("%s is never %s", f.ID, shape)
			}
		}
	}
	for name := range byName {
		if !named[name] {
			t.Errorf("no food is drawn as %q", name)
		}
	}
}

// A food of one's own looks as what it was copied from; one that was kept before foods named
// their drawings looks as the built-in one of its id; an unknown name is no fault.
func TestACopyKeepsItsLooks(t *testing.T) {
	f, _ := larder.Get("blackberries")
	marks := func(change func(id *string, drawn *map[string]string)) int {
		c := *f
		c.Forms = slices.Clone(f.Forms)
		change(&c.ID, &c.DrawnAs)
		n := 0
		for v := range 4 { // pieces differ a little
			n += strings.Count(sprite(0, &c, c.Forms[0], v, map[string]string{}), "<")
		}
		return n
	}
	own := marks(func(*string, *map[string]string) {})
	copied := marks(func(id *string, _ *map[string]string) { *id = "hedge-berries" })
	older := marks(func(_ *string, d *map[string]string) { *d = nil })
	plain := marks(func(id *string, d *map[string]string) { *id, *d = "hedge-berries", nil })
	unknown := marks(func(id *string, d *map[string]string) {
		*id, *d = "hedge-berries", map[string]string{"any": "hologram"}
	})
	if older != own || plain != unknown || copied < own*3/4 || plain > own/2 {
		t.Errorf("marks: %d its own, %d a copy, %d an older file, %d without a name, %d with an unknown one", own, copied, older, plain, unknown)
	}
}
