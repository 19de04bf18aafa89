package app

import (
	"context"

	"happytray/app/template"
	"happytray/art"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/prep"
	"happytray/core/review"
	"happytray/core/shop"
	"happytray/core/tray"
)

// Derived is what follows from a job as it is saved, with one of its trays on the table.
type Derived struct {
	Revision int64         `json:"revision"`
	Review   review.Review `json:"review"` // of the tray
	Basket   shop.Basket   `json:"basket"` // of the whole job
	Prep     prep.Sheet    `json:"prep"`   // of the tray
}

// SavedScene is a tray of a job as it is saved, as drawings to place.
type SavedScene struct {
	Revision int64     `json:"revision"`
	Scene    art.Scene `json:"scene"`
}

// savedJob is a job as it is saved, and which of its trays is meant.
type savedJob struct {
	revision int64
	reading  *job.Reading
	which    int
	larder   *food.Larder // that it was planned with
}

func (s savedJob) tray() *tray.Tray { return s.reading.Trays[s.which] }

func (a *App) savedTray(ctx context.Context, id string, which int, h *House) (savedJob, error) {
	j, r, err := a.store.Job(ctx, id)
	if err != nil {
		return savedJob{}, err
	}
	return a.savedAs(j.Head, r.Document, which, h)
}

func (a *App) savedAs(revision int64, document string, which int, h *House) (savedJob, error) {
	now, err := a.Read([]byte(document), h.All)
	if err != nil {
		return savedJob{}, err
	}
	if which < 0 || which >= len(now.Trays) {
		return savedJob{}, fault.Bad("tray", "this job has %d trays", len(now.Trays))
	}
	return savedJob{revision, now, which, now.Larder(h.Larder)}, nil
}

// trayAt is a job as it was saved in an earlier revision.
func (a *App) trayAt(ctx context.Context, id string, revision int64, which int, h *House) (savedJob, error) {
	r, err := a.store.Revision(ctx, id, revision)
	if err != nil {
		return savedJob{}, err
	}
	return a.savedAs(revision, r.Document, which, h)
}

// LaidTray is a tray on which something lies, of a saved job: as it is now, where no saved state is named.
func (a *App) LaidTray(ctx context.Context, of template.Laid) (*tray.Tray, error) {
	h, err := a.House(ctx)
	if err != nil {
		return nil, err
	}
	var t *tray.Tray
	if of.Revision == 0 {
		now, err := a.savedTray(ctx, of.Job, of.Tray, h)
		if err != nil {
			return nil, err
		}
		t = now.tray()
	} else {
		was, err := a.trayAt(ctx, of.Job, of.Revision, of.Tray, h)
		if err != nil {
			return nil, err
		}
		t = was.tray()
	}
	for i := range t.Elements {
		if t.Elements[i].Placed {
			return t, nil
		}
	}
	return nil, fault.Bad("tray", "nothing lies on that tray yet; lay it first")
}

// Derived tells what follows from a job as it is saved; which is the tray on the table.
func (a *App) Derived(ctx context.Context, id string, which int) (Derived, error) {
	h, err := a.House(ctx)
	if err != nil {
		return Derived{}, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err != nil {
		return Derived{}, err
	}
	v, err := a.judge(now.reading, which, now.larder, h)
	if err != nil {
		return Derived{}, err
	}
	s, err := a.Settings(ctx)
	if err != nil {
		return Derived{}, err
	}
	basket, err := a.Basket(ctx, now.reading.Job)
	return Derived{now.revision, v.review.Shown(s.Units()), basket, spoken(ctx, a, prep.Order(now.tray(), now.larder))}, err
}

// Scene is one of a job's trays as it is saved, as drawings to place.
func (a *App) Scene(ctx context.Context, id string, which int) (SavedScene, error) {
	h, err := a.House(ctx)
	if err != nil {
		return SavedScene{}, err
	}
	now, err := a.savedTray(ctx, id, which, h)
	if err != nil {
		return SavedScene{}, err
	}
	return SavedScene{now.revision, art.Compose(now.tray(), now.larder)}, nil
}
