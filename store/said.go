package store

import (
	"context"
	"errors"
	"log/slog"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/logger"
)

// said logs slow and failed queries. One that ends because who asked went away is no failure.
type said struct{ logger.Interface }

func newSaid(log *slog.Logger) logger.Interface {
	return said{logger.NewSlogLogger(log, logger.Config{SlowThreshold: slow, LogLevel: logger.Warn, IgnoreRecordNotFoundError: true, ParameterizedQueries: true})}
}

func (l said) LogMode(level logger.LogLevel) logger.Interface {
	return said{l.Interface.LogMode(level)}
}

func (l said) Trace(ctx context.Context, began time.Time, query func() (string, int64), err error) {
	if errors.Is(err, context.Canceled) {
		err = nil
	}
	l.Interface.Trace(ctx, began, query, err)
}

// ParamsFilter keeps what users wrote out of the log.
func (l said) ParamsFilter(ctx context.Context, sql string, params ...any) (string, []any) {
	if f, ok := l.Interface.(gorm.ParamsFilter); ok {
		return f.ParamsFilter(ctx, sql, params...)
	}
	return sql, nil
}
