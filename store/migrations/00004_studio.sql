-- +goose Up
-- Everything that is kept belongs to a studio: there is one now, and keys and indexes
-- are led by it, so that more of them cost the others nothing. Every step can be done
-- twice: an upgrade that was broken off is begun again.
CREATE TABLE IF NOT EXISTS studios (
  id         INT          NOT NULL PRIMARY KEY,
  name       VARCHAR(160) NOT NULL,
  created_at DATETIME(3)  NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;
INSERT IGNORE INTO studios (id, name, created_at) VALUES (1, '', UTC_TIMESTAMP(3));

ALTER TABLE revisions DROP FOREIGN KEY IF EXISTS revisions_of_job;

-- due and away follow from serve_at and archived_at: lists are served in the order of
-- one index, which holds what is searched, too. What has no time comes last.
ALTER TABLE jobs
  ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST,
  ADD COLUMN IF NOT EXISTS due DATETIME AS (IFNULL(serve_at, TIMESTAMP'9999-12-31 00:00:00')) PERSISTENT,
  ADD COLUMN IF NOT EXISTS away BOOLEAN AS (archived_at IS NOT NULL) PERSISTENT,
  DROP PRIMARY KEY, ADD PRIMARY KEY (studio, id),
  DROP KEY IF EXISTS jobs_by_time, ADD KEY jobs_by_time (studio, away, due, id, title, host, place);

-- The heading belongs to the revision, so that undo brings it back. summary is NULL in
-- revisions of before, whose heading is taken from the document when it is needed.
-- bases are the numbers of the revisions that packed leans on, the whole one first.
ALTER TABLE revisions
  ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST,
  ADD COLUMN IF NOT EXISTS title VARCHAR(160) NOT NULL DEFAULT '' AFTER says,
  ADD COLUMN IF NOT EXISTS host VARCHAR(160) NOT NULL DEFAULT '' AFTER title,
  ADD COLUMN IF NOT EXISTS place VARCHAR(160) NOT NULL DEFAULT '' AFTER host,
  ADD COLUMN IF NOT EXISTS serve_at DATETIME NULL AFTER place,
  ADD COLUMN IF NOT EXISTS summary TEXT NULL AFTER serve_at,
  ADD COLUMN IF NOT EXISTS steps SMALLINT NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS bases VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS packed LONGBLOB NULL,
  MODIFY document LONGTEXT NULL,
  DROP PRIMARY KEY, ADD PRIMARY KEY (studio, job_id, number),
  DROP KEY IF EXISTS revisions_by_parent, ADD KEY revisions_by_parent (studio, job_id, parent, number);

ALTER TABLE facts    ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, name);
ALTER TABLE things   ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, kind, id), DROP KEY IF EXISTS things_by_version, ADD KEY things_by_version (studio, version);
ALTER TABLE lots     ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, food, best_before);
ALTER TABLE pictures ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, food);
ALTER TABLE feeds    ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, address);
ALTER TABLE ticks    ADD COLUMN IF NOT EXISTS studio INT NOT NULL DEFAULT 1 FIRST, DROP PRIMARY KEY, ADD PRIMARY KEY (studio, list, food);

-- A row that does not say whose it is is refused from now on.
ALTER TABLE jobs      ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE revisions ALTER COLUMN studio DROP DEFAULT, DROP FOREIGN KEY IF EXISTS revisions_of_job, ADD CONSTRAINT revisions_of_job FOREIGN KEY (studio, job_id) REFERENCES jobs (studio, id);
ALTER TABLE facts     ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE things    ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE lots      ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE pictures  ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE feeds     ALTER COLUMN studio DROP DEFAULT;
ALTER TABLE ticks     ALTER COLUMN studio DROP DEFAULT;
