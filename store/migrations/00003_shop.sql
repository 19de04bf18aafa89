-- +goose Up
ALTER TABLE facts MODIFY value TEXT NOT NULL;

-- What a shop said last, by its address, and what was the matter at the last try.
CREATE TABLE feeds (
  address  VARCHAR(300) NOT NULL PRIMARY KEY,
  document MEDIUMTEXT   NOT NULL,
  left_out TEXT         NOT NULL,
  wrong    VARCHAR(400) NOT NULL DEFAULT '',
  read_at  DATETIME(3)  NULL,
  tried_at DATETIME(3)  NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What is ticked off on shopping lists. list names a job or a week.
CREATE TABLE ticks (
  list VARCHAR(60) NOT NULL,
  food VARCHAR(60) NOT NULL,
  PRIMARY KEY (list, food)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- +goose Down
DROP TABLE ticks;
DROP TABLE feeds;
ALTER TABLE facts MODIFY value VARCHAR(400) NOT NULL;
