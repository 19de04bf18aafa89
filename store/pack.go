package store

import (
	"encoding/binary"
	"errors"
	"fmt"
	"math/bits"

	"github.com/klauspost/compress/zstd"
)

// mostDocument bounds a document that is kept, bytes.
const mostDocument = 16 << 20

var (
	errLarge  = errors.New("the document is too large to be kept")
	errPacked = errors.New("a kept document cannot be unpacked")
)

// pack makes a document small against one that it differs little from, or by itself
// where base is empty: how many bytes at the beginning and at the end are the same,
// as two uvarints, then what lies between as zstd, with what lies there in base as a
// raw dictionary (RFC 8878, section 5). An edit of a large tray comes to under a
// kilobyte, and it takes a tenth of the time that the whole would.
func pack(document, base []byte) ([]byte, error) {
	if len(document) > mostDocument {
		return nil, errLarge
	}
	shorter := min(len(document), len(base))
	head := 0
	for head < shorter && document[head] == base[head] {
		head++
	}
	tail := 0
	for tail < shorter-head && document[len(document)-1-tail] == base[len(base)-1-tail] {
		tail++
	}
	out := binary.AppendUvarint(nil, uint64(head))
	out = binary.AppendUvarint(out, uint64(tail))
	between, dict := document[head:len(document)-tail], base[:max(0, len(base)-tail)][head:]
	window := 1 << bits.Len(uint(max(len(between)+len(dict), 1<<10)))
	o := []zstd.EOption{zstd.WithEncoderConcurrency(1), zstd.WithWindowSize(min(window, zstd.MaxWindowSize)), zstd.WithLowerEncoderMem(true), zstd.WithEncoderLevel(zstd.SpeedFastest)}
	if len(dict) > 0 {
		o = append(o, zstd.WithEncoderDictRaw(1, dict))
	}
	w, err := zstd.NewWriter(nil, o...)
	if err != nil {
		return nil, err
	}
	defer w.Close()
	return w.EncodeAll(between, out), nil
}

// unpack is the document that pack made small against base.
func unpack(packed, base []byte) ([]byte, error) {
	head, n := binary.Uvarint(packed)
	tail, m := binary.Uvarint(packed[max(0, n):])
	if n <= 0 || m <= 0 || head > uint64(len(base)) || tail > uint64(len(base))-head {
		return nil, errPacked
	}
	dict := base[head : uint64(len(base))-tail]
	o := []zstd.DOption{zstd.WithDecoderConcurrency(1), zstd.WithDecoderMaxMemory(mostDocument)}
	if len(dict) > 0 {
		o = append(o, zstd.WithDecoderDictRaw(1, dict))
	}
	r, err := zstd.NewReader(nil, o...)
	if err != nil {
		return nil, err
	}
	defer r.Close()
	out, err := r.DecodeAll(packed[n+m:], append([]byte(nil), base[:head]...))
	if err != nil {
		return nil, fmt.Errorf("%w: %v", errPacked, err)
	}
	return append(out, base[uint64(len(base))-tail:]...), nil
}

// wholeEvery is how many revisions after a whole one the next is kept whole.
const wholeEvery = 64

// basesOf says against which revisions the one made from parent is packed, the whole
// one first and the nearest last; none where it is kept whole. parentBases are those of
// parent. The revision n steps after a whole one leans on the one n with its lowest set
// bit cleared (as in a Fenwick tree), so that no more than seven are read for any,
// and each leans on one that is near.
func basesOf(parent int64, parentBases []int64, steps int) []int64 {
	if parent == 0 || steps >= wholeEvery {
		return nil
	}
	return append(append([]int64(nil), parentBases...), parent)[:bits.OnesCount(uint(steps))]
}
