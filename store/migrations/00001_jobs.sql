-- +goose Up
CREATE TABLE jobs (
  id          CHAR(36)     NOT NULL PRIMARY KEY,
  title       VARCHAR(160) NOT NULL,
  host        VARCHAR(160) NOT NULL DEFAULT '',
  place       VARCHAR(160) NOT NULL DEFAULT '',
  serve_at    DATETIME     NULL,
  summary     TEXT         NOT NULL,
  head        BIGINT       NOT NULL DEFAULT 0,
  archived_at DATETIME(3)  NULL,
  created_at  DATETIME(3)  NOT NULL,
  updated_at  DATETIME(3)  NOT NULL,
  KEY jobs_by_time (archived_at, serve_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Every save of a job is a new row; nothing is ever overwritten. parent is the
-- revision it was made from, which is what undo goes back to.
CREATE TABLE revisions (
  job_id     CHAR(36)     NOT NULL,
  number     BIGINT       NOT NULL,
  parent     BIGINT       NOT NULL DEFAULT 0,
  says       VARCHAR(200) NOT NULL DEFAULT '',
  document   LONGTEXT     NOT NULL,
  created_at DATETIME(3)  NOT NULL,
  PRIMARY KEY (job_id, number),
  KEY revisions_by_parent (job_id, parent, number),
  CONSTRAINT revisions_of_job FOREIGN KEY (job_id) REFERENCES jobs (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- Small facts about this database itself, such as whether the demo world is loaded.
CREATE TABLE facts (
  name  VARCHAR(80)  NOT NULL PRIMARY KEY,
  value VARCHAR(400) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- +goose Down
DROP TABLE facts;
DROP TABLE revisions;
DROP TABLE jobs;
