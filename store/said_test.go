package store

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"log/slog"
	"strings"
	"testing"
	"time"

	"gorm.io/gorm"
)

func TestOnlyTroubleIsLogged(t *testing.T) {
	query := func() (string, int64) { return "SELECT 1", 1 }
	for _, c := range []struct {
		about string
		began time.Duration // ago
		err   error
		level string
	}{
		{"a quick one", 0, nil, ""},
		{"a slow one", 2 * slow, nil, "WARN"},
		{"a failed one", 0, errors.New("gone"), "ERROR"},
		{"one nobody waits for", 0, fmt.Errorf("read: %w", context.Canceled), ""},
		{"one that found nothing", 0, gorm.ErrRecordNotFound, ""},
	} {
		var log bytes.Buffer
		newSaid(slog.New(slog.NewTextHandler(&log, nil))).Trace(context.Background(), time.Now().Add(-c.began), query, c.err)
		if got := log.String(); (c.level == "") != (got == "") || !strings.Contains(got, c.level) {
			t.Errorf("%s is logged as %q, want %q", c.about, got, c.level)
		}
	}
	if sql, params := newSaid(slog.Default()).(gorm.ParamsFilter).ParamsFilter(context.Background(), "x = ?", "a guest"); sql != "x = ?" || len(params) != 0 {
		t.Errorf("parameters reach the log: %s %v", sql, params)
	}
}
