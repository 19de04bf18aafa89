package app

import (
	"happytray/core/brief"
	"happytray/core/fault"
	"happytray/core/food"
	"happytray/core/job"
	"happytray/core/review"
)

// ReadBrief reads a brief from outside. A brief knows nobody who reads it, so what its
// rules mean for those is checked here.
func ReadBrief(raw []byte) (brief.Brief, error) {
	b, err := brief.Read(raw)
	if err == nil {
		err = checkRules(b.HouseRules())
	}
	return b, err
}

// ReadJob reads a job's file from outside.
func ReadJob(raw []byte, larder *food.Larder) (*job.Job, error) {
	j, err := job.Read(raw, larder)
	if err == nil {
		err = checkJob(j)
	}
	if err != nil {
		return nil, err
	}
	return j, nil
}

// Read reads a job's file from outside as ReadJob does, quicker where it differs little
// from one that was read before. The job is only to be looked at.
func (a *App) Read(raw []byte, larder *food.Larder) (*job.Reading, error) {
	r, err := a.known.Read(raw, larder)
	if err == nil {
		err = checkJob(r.Job)
	}
	if err != nil {
		return nil, err
	}
	return r, nil
}

func checkJob(j *job.Job) error {
	if err := checkRules(j.Brief.HouseRules()); err != nil {
		return fault.In("brief", err)
	}
	for _, t := range j.Trays {
		if err := checkRules(t.Rules); err != nil {
			return err
		}
	}
	return nil
}

func checkRules(r brief.Rules) error {
	err := brief.CheckStyle(r.Style)
	if err == nil {
		err = review.CheckRules(r)
	}
	if err != nil {
		return fault.In("rules", err)
	}
	return nil
}
