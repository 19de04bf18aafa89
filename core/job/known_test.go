package job_test

import (
	"bytes"
	"fmt"
	"strings"
	"sync"
	"testing"

	"happytray/core/food"
	"happytray/core/job"
)

// What is read through Known is what is read without it: whole, edited, with members that
// nobody knows, spread over lines, wrong, and by several at a time.
func TestKnownReadsAlike(t *testing.T) {
	raw, larder := laid(t), food.BuiltIn()
	at := bytes.Index(raw, []byte(`"turn_deg":`))
	var known job.Known
	for name, doc := range map[string][]byte{
		"as it is":         raw,
		"again":            raw,
		"with lines":       bytes.ReplaceAll(raw, []byte(`,"food":`), []byte(",\n \"food\" : ")),
		"with a member":    bytes.Replace(raw, []byte(`{"id":`), []byte(`{"from":"afar","id":`), 1),
		"two trays":        bytes.Replace(raw, []byte(`{"format":`), append(append([]byte(`{"further":[`), raw...), []byte(`],"format":`)...), 1),
		"elements twice":   bytes.Replace(raw, []byte(`"reserve":`), []byte(`"elements":[],"reserve":`), 1),
		"a wrong turn":     append(append(append([]byte{}, raw[:at]...), []byte(`"turn_deg":"x","was":`)...), raw[at+11:]...),
		"a crossing piece": bytes.Replace(raw, []byte(`"outline":[[`), []byte(`"outline":[[0,0],[9,9],[9,0],[0,9]],"was":[[`), 3),
		"broken off":       raw[:len(raw)/2],
	} {
		plain, wrong := job.Read(doc, larder)
		for range 2 { // the second time it is known
			got, err := known.Read(doc, larder)
			if fmt.Sprint(err) != fmt.Sprint(wrong) {
				t.Errorf("%s: %v, want %v", name, err, wrong)
			}
			if err != nil || wrong != nil {
				continue
			}
			want, _ := plain.Write()
			if b, err := got.Write(); err != nil || !bytes.Equal(b, want) {
				t.Errorf("%s: %d bytes are written, want %d, %v", name, len(b), len(want), err)
			}
			for i := range plain.Trays {
				first, err := got.Surface(0)
				if b, e := got.Surface(i); err != nil || e != nil || !bytes.Equal(b, first) {
					t.Errorf("%s: tray %d has another surface than the first, %v %v", name, i, err, e)
				}
			}
		}
		if (wrong == nil) == (name == "a wrong turn" || name == "a crossing piece" || name == "broken off") {
			t.Errorf("%s: %v", name, wrong)
		}
	}
	// what came in a file that was not taken is read anew, and found wrong again
	var fresh job.Known
	bad := append(bytes.Clone(raw[:len(raw)-1]), `,"reserve":[{"food":"moon cheese"}]}`...)
	for range 2 {
		if _, err := fresh.Read(bad, larder); err == nil || !strings.Contains(err.Error(), "moon cheese") {
			t.Errorf("what is not in the larder: %v", err)
		}
	}
	if n := fresh.Len(); n != 0 {
		t.Errorf("%d elements of a refused file are remembered", n)
	}
	if _, err := fresh.Read(raw, larder); err != nil || fresh.Len() == 0 {
		t.Errorf("%d elements of a good one, %v", fresh.Len(), err)
	}
	var all sync.WaitGroup
	for range 4 {
		all.Go(func() {
			if _, err := known.Read(raw, larder); err != nil {
				t.Error(err)
			}
		})
	}
	all.Wait()
}

func BenchmarkReadKnown(b *testing.B) {
	raw, larder := laid(b), food.BuiltIn()
	b.SetBytes(int64(len(raw)))
	b.ReportAllocs()
	var known job.Known
	for b.Loop() {
		r, err := known.Read(raw, larder)
		if err != nil {
			b.Fatal(err)
		}
		if _, err := r.Write(); err != nil {
			b.Fatal(err)
		}
	}
}
