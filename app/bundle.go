package app

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"path"
	"strings"
	"time"

	"github.com/google/uuid"

	"happytray/core/fault"
	"happytray/core/learn"
	"happytray/core/say"
	"happytray/formats/bundle"
	"happytray/formats/photo"
	"happytray/store"
)

// A job goes out and comes in as a bundle of open files: its tray file, what was noted of its evening, that evening as
// a record to learn from, and its photographs. The whole house is all its jobs, the evenings that have none, what it
// made of foods, boards, vessels and its shelf, its cupboard and its settings.

const (
	trayFile     = "job.tray.json"
	eveningFile  = "evening.json"
	recordsFile  = "records.json"
	thingsFile   = "house/things.json"
	cupboardFile = "house/cupboard.json"
	settingsFile = "house/settings.json"
	photosDir    = "photos"
	eveningsDir  = "evenings"
	jobsDir      = "jobs"
	awayDir      = "away" // jobs that were put away
	// mostJobsOut bounds a house that is written, and mostJobsIn what is read at once.
	mostJobsOut = 5000
	mostJobsIn  = 1000
	asJSON      = "application/json"
	asTray      = "application/vnd.happytray+json"
)

// houseThing is a food, board, vessel or thing of the shelf as it is written.
type houseThing struct {
	Kind     string          `json:"kind"`
	ID       string          `json:"id"`
	PutAway  bool            `json:"put_away,omitempty"`
	Document json.RawMessage `json:"document"`
}

// houseLot is something in the cupboard.
type houseLot struct {
	Food       string  `json:"food"`
	BestBefore string  `json:"best_before,omitempty"`
	Grams      float64 `json:"grams"`
}

// JobBundle is one job as a zip, and what to call it.
func (a *App) JobBundle(ctx context.Context, id string) (name string, data []byte, err error) {
	j, err := a.Job(ctx, id)
	if err != nil {
		return "", nil, err
	}
	files, err := a.jobFiles(ctx, j.ID, j.Document, "")
	if err != nil {
		return "", nil, err
	}
	var b bytes.Buffer
	err = bundle.Write(&b, files, a.now())
	return "job-" + id[:min(8, len(id))] + ".zip", b.Bytes(), err
}

func (a *App) jobFiles(ctx context.Context, id, document, in string) ([]bundle.File, error) {
	files := []bundle.File{{Path: path.Join(in, trayFile), Media: asTray, Data: []byte(document)}}
	kept, err := a.store.Evening(ctx, id)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return nil, err
	}
	if err == nil { // photographs may have been taken before anything was noted
		e, err := readEvening(kept)
		if err != nil {
			return nil, err
		}
		more, err := eveningFiles(e, path.Join(in, eveningFile), path.Join(in, recordsFile))
		if err != nil {
			return nil, err
		}
		files = append(files, more...)
	}
	photos, err := a.store.Photos(ctx, id)
	if err != nil {
		return nil, err
	}
	for _, p := range photos {
		whole, err := a.store.Photo(ctx, id, p.ID)
		if err != nil {
			return nil, err
		}
		files = append(files, bundle.File{Path: path.Join(in, photosDir, p.MadeAt.UTC().Format("2006-01-02T150405")+"-"+p.ID[:8]+".jpg"), Media: whole.Media, Data: whole.Data})
	}
	return files, nil
}

func eveningFiles(e Evening, at, records string) ([]bundle.File, error) {
	e.Advice, e.Caution, e.GoneShare, e.Version = nil, say.Text{}, 0, 0
	raw, err := json.MarshalIndent(e, "", " ")
	if err != nil {
		return nil, err
	}
	learnt, err := json.MarshalIndent(learn.File{Records: []learn.Record{e.Record()}}, "", " ")
	return []bundle.File{{Path: at, Media: asJSON, Data: raw}, {Path: records, Media: asJSON, Data: learnt}}, err
}

// HouseBundle is the whole house as a zip.
func (a *App) HouseBundle(ctx context.Context) ([]byte, error) {
	var files []bundle.File
	var jobs []store.Job
	for _, away := range []bool{false, true} {
		for q := (store.Query{Most: page, Away: away}); len(jobs) < mostJobsOut; {
			more, err := a.store.Jobs(ctx, q)
			if err != nil {
				return nil, err
			}
			jobs = append(jobs, more...)
			if len(more) < page {
				break
			}
			q.After = &more[len(more)-1]
		}
	}
	of := map[string]bool{}
	for _, j := range jobs {
		one, err := a.Job(ctx, j.ID)
		if err != nil {
			return nil, err
		}
		of[j.ID] = true
		dir := jobsDir
		if j.ArchivedAt != nil {
			dir = awayDir
		}
		more, err := a.jobFiles(ctx, j.ID, one.Document, path.Join(dir, j.ID))
		if err != nil {
			return nil, err
		}
		files = append(files, more...)
	}
	list, err := a.Evenings(ctx)
	if err != nil {
		return nil, err
	}
	for _, e := range list {
		if of[e.ID] || e.Job != "" {
			continue
		}
		more, err := eveningFiles(e, path.Join(eveningsDir, e.ID, eveningFile), path.Join(eveningsDir, e.ID, recordsFile))
		if err != nil {
			return nil, err
		}
		files = append(files, more...)
	}
	_, things, lots, err := a.store.House(ctx, 0)
	if err != nil {
		return nil, err
	}
	ours, cupboard := []houseThing{}, []houseLot{}
	for _, x := range things {
		if x.Document != "" {
			ours = append(ours, houseThing{x.Kind, x.ID, x.PutAway, json.RawMessage(x.Document)})
		}
	}
	for _, l := range lots {
		cupboard = append(cupboard, houseLot{l.Food, l.BestBefore, l.Grams})
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, err
	}
	s.Shop = "" // an address of this network is nobody else's
	for _, f := range []struct {
		at string
		v  any
	}{{thingsFile, ours}, {cupboardFile, cupboard}, {settingsFile, s}} {
		raw, err := json.MarshalIndent(f.v, "", " ")
		if err != nil {
			return nil, err
		}
		files = append(files, bundle.File{Path: f.at, Media: asJSON, Data: raw})
	}
	var b bytes.Buffer
	err = bundle.Write(&b, files, a.now())
	return b.Bytes(), err
}

// Imported is what came in with a bundle.
type Imported struct {
	Jobs     []BroughtJob `json:"jobs"`
	Evenings int          `json:"evenings"` // without a job
	Photos   int          `json:"photos"`
	Says     []string     `json:"says"` // what was left out and why
}

// BroughtJob is a job that came in.
type BroughtJob struct {
	ID    string `json:"id"`
	Title string `json:"title"`
}

// mostPixelsIn bounds the photographs of a bundle, all together: what the product writes out has at most 1,600 pixels on
// the longer side, so that this is some five hundred of them, and it is decoded within the time of a request.
const mostPixelsIn = 1_000_000_000

// coming is a job that is being read.
type coming struct {
	away     bool // it was put away where it comes from
	head     store.Heading
	document string
	evening  *Evening
	photos   []store.Photo
}

// BringIn reads a bundle of a job or of a house: whole or not at all. Jobs come in as new ones beside those that are
// there; evenings without a job come in once. What the house made of foods, boards and vessels, its cupboard and its
// settings are left as they are here, and it is said.
func (a *App) BringIn(ctx context.Context, raw []byte) (Imported, error) {
	out := Imported{Jobs: []BroughtJob{}, Says: []string{}}
	_, files, err := bundle.Read(raw)
	if err != nil {
		return out, err
	}
	jobs, evenings, house, err := a.unpack(ctx, files)
	if err != nil {
		return out, err
	}
	if len(jobs) == 0 && len(evenings) == 0 {
		return out, fault.Bad("", "there is no job in it")
	}
	if house {
		out.Says = append(out.Says, "Foods, boards, bowls, the shelf, the cupboard and the settings of that house stand in the file and were left out: bring them in by table or by restoring a backup.")
	}
	err = a.store.Whole(ctx, func(st *store.Store) error {
		out.Jobs, out.Photos, out.Evenings = out.Jobs[:0], 0, 0
		for _, c := range jobs {
			j, err := st.Create(ctx, c.head, c.document, "came in with a file")
			if err != nil {
				return err
			}
			out.Jobs = append(out.Jobs, BroughtJob{j.ID, j.Title})
			if c.evening != nil {
				e := *c.evening
				e.ID, e.Job = j.ID, j.ID
				if _, err := st.ChangeEvening(ctx, j.ID, func(store.Evening) (store.Evening, error) { return e.write() }); err != nil {
					return err
				}
			}
			if c.away {
				if err := st.Archive(ctx, j.ID, true); err != nil {
					return err
				}
			}
			for _, p := range c.photos {
				p.Evening, p.ID = j.ID, uuid.NewString()
				if err := st.AddPhoto(ctx, p, MostPhotos); err != nil {
					return err
				}
				out.Photos++
			}
		}
		for id, e := range evenings {
			met := false
			if _, err := st.ChangeEvening(ctx, id, func(was store.Evening) (store.Evening, error) {
				if met = was.Version > 0; met {
					return was, nil
				}
				return e.write()
			}); err != nil {
				return err
			}
			if !met {
				out.Evenings++
			}
		}
		return nil
	})
	return out, err
}

// unpack reads the files of a bundle, each as what it says it is.
func (a *App) unpack(ctx context.Context, files []bundle.File) (jobs []*coming, evenings map[string]Evening, house bool, err error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, nil, false, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return nil, nil, false, err
	}
	at := map[string]*coming{}
	evenings = map[string]Evening{}
	of := func(dir string) *coming {
		c := at[dir]
		if c == nil {
			c = &coming{}
			at[dir] = c
		}
		return c
	}
	pixels := int64(0)
	for _, f := range files { // before any of them is decoded
		if path.Base(path.Dir(f.Path)) == photosDir {
			if pixels += photo.PixelsOf(f.Data); pixels > mostPixelsIn {
				return nil, nil, false, fault.Bad(f.Path, "the photographs have more than %d million pixels together; bring them in with fewer, or smaller ones", int64(mostPixelsIn)/1_000_000)
			}
		}
	}
	for _, f := range files {
		if err := ctx.Err(); err != nil { // each may take a while, and nobody waits any more
			return nil, nil, false, err
		}
		dir, name := path.Split(f.Path)
		dir = strings.Trim(dir, "/")
		switch {
		case name == trayFile:
			j, err := ReadJob(f.Data, h.All)
			if err != nil {
				return nil, nil, false, fault.In(f.Path, err)
			}
			larder := j.Larder(h.Larder)
			c := of(dir)
			c.away = strings.HasPrefix(dir, awayDir+"/")
			if c.head, err = headingOf(j, larder, s.Location(), scores(j, larder)); err != nil {
				return nil, nil, false, err
			}
			written, err := j.Write()
			if err != nil {
				return nil, nil, false, err
			}
			c.document = string(written)
			jobs = append(jobs, c)
		case name == eveningFile:
			var e Evening
			if err := json.Unmarshal(f.Data, &e); err != nil {
				return nil, nil, false, fault.Bad(f.Path, "it is no record of an evening")
			}
			if err := e.Check(); err != nil {
				return nil, nil, false, fault.In(f.Path, err)
			}
			if id, ok := strings.CutPrefix(dir, eveningsDir+"/"); ok {
				if len(id) > 36 || strings.Contains(id, "/") {
					return nil, nil, false, fault.Bad(f.Path, "its name is too long")
				}
				e.Job = ""
				evenings[id] = e
			} else {
				of(dir).evening = &e
			}
		case path.Base(dir) == photosDir:
			p, err := photo.Read(f.Data) // decoded and written anew, as every picture from outside
			if err != nil {
				return nil, nil, false, fault.In(f.Path, err)
			}
			small, err := p.Fit(photo.LargeSide)
			if err != nil {
				return nil, nil, false, err
			}
			c := of(strings.Trim(path.Dir(dir), "."))
			if len(c.photos) >= MostPhotos {
				return nil, nil, false, fault.Bad(f.Path, "an evening keeps %d photographs", MostPhotos)
			}
			when, err := time.Parse("2006-01-02T150405", name[:min(17, len(name))])
			if err != nil {
				when = a.now()
			}
			c.photos = append(c.photos, store.Photo{Media: "image/jpeg", Data: small, MadeAt: when.UTC()})
		case name == recordsFile:
			// the same evening for other programs
		case strings.HasPrefix(f.Path, "house/"):
			house = true
		default:
			return nil, nil, false, fault.Bad(f.Path, "this is nothing that belongs into such a file")
		}
		if len(jobs) > mostJobsIn {
			return nil, nil, false, fault.Bad("", "%d jobs at most come in at once", mostJobsIn)
		}
	}
	for dir, c := range at {
		if c.document == "" {
			return nil, nil, false, fault.Bad(path.Join(dir, eveningFile), "it comes without its job")
		}
	}
	return jobs, evenings, house, nil
}
