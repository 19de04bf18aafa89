package art

import (
	"maps"
	"sync"
)

// drawn is one remembered drawing with the gradients it uses.
type drawn struct {
	svg  string
	defs map[string]string
}

// memory keeps drawings, which are the same for the same key for ever. It is
// only a cache: beyond its bound it starts afresh.
var memory = struct {
	sync.Mutex
	by map[string]drawn
}{by: map[string]drawn{}}

// mostDrawn bounds the memory: at about 6 kB each, some 25 MB.
const mostDrawn = 4000

// remembered returns the drawing kept under key, or draws and keeps it.
func remembered(key string, defs map[string]string, draw func(defs map[string]string) string) string {
	memory.Lock()
	d, ok := memory.by[key]
	memory.Unlock()
	if !ok {
		d = drawn{defs: map[string]string{}}
		d.svg = draw(d.defs)
		memory.Lock()
		if len(memory.by) >= mostDrawn {
			clear(memory.by)
		}
		memory.by[key] = d
		memory.Unlock()
	}
	maps.Copy(defs, d.defs)
	return d.svg
}
