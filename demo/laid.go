package demo

import (
	"bytes"
	"compress/gzip"
	"embed"
	"io"
	"time"

	"happytray/core/brief"
	"happytray/core/food"
	"happytray/core/job"
)

// lain are the laid jobs as the search laid them on the day the world was made: whoever opens the demo world has it at
// once, and a test lays them again.
//
//go:embed laid/*.tray.json.gz
var lain embed.FS

// laid is a job with all its trays laid, served some days from today.
func laid(name string, of func(today time.Time) brief.Brief, today time.Time, larder *food.Larder) (*job.Job, error) {
	packed, err := lain.ReadFile("laid/" + name + ".tray.json.gz")
	if err != nil {
		return nil, err
	}
	z, err := gzip.NewReader(bytes.NewReader(packed))
	if err != nil {
		return nil, err
	}
	raw, err := io.ReadAll(z)
	if err != nil {
		return nil, err
	}
	j, err := job.Read(raw, larder)
	if err != nil {
		return nil, err
	}
	movedTo(of(today).ServeAt, j)
	return j, nil
}
