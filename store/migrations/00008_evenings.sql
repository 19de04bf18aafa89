-- +goose Up
-- What was noted of evenings: one for a job, under its id, or one without a job.
CREATE TABLE IF NOT EXISTS evenings (
  studio     INT          NOT NULL,
  id         VARCHAR(36)  NOT NULL,
  day        VARCHAR(10)  NOT NULL,
  crowd      VARCHAR(160) NOT NULL DEFAULT '',
  document   MEDIUMTEXT   NOT NULL,
  version    BIGINT       NOT NULL,
  updated_at DATETIME(3)  NOT NULL,
  PRIMARY KEY (studio, id),
  KEY evenings_by_day (studio, day, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Photographs of an evening, as they were made small and clean.
CREATE TABLE IF NOT EXISTS evening_photos (
  studio  INT          NOT NULL,
  evening VARCHAR(36)  NOT NULL,
  id      VARCHAR(36)  NOT NULL,
  media   VARCHAR(40)  NOT NULL,
  data    MEDIUMBLOB   NOT NULL,
  made_at DATETIME(3)  NOT NULL,
  PRIMARY KEY (studio, evening, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- +goose Down
DROP TABLE IF EXISTS evening_photos;
DROP TABLE IF EXISTS evenings;
