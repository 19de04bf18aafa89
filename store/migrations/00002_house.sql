-- +goose Up
-- What the user made of the larder, the boards and the vessels. A food whose id is
-- a built-in one's holds only the members that differ, so that a release may update
-- the rest; everything else is whole. Nothing is deleted: put_away hides it.
CREATE TABLE things (
  kind       VARCHAR(10)  NOT NULL,
  id         VARCHAR(60)  NOT NULL,
  document   MEDIUMTEXT   NOT NULL,
  put_away   BOOLEAN      NOT NULL DEFAULT FALSE,
  version    BIGINT       NOT NULL,
  updated_at DATETIME(3)  NOT NULL,
  PRIMARY KEY (kind, id),
  KEY things_by_version (version)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- What stands in the cupboard: grams of a food, good until a day or for as long as it keeps.
CREATE TABLE lots (
  food        VARCHAR(60) NOT NULL,
  best_before VARCHAR(10) NOT NULL DEFAULT '',
  grams       DOUBLE      NOT NULL,
  PRIMARY KEY (food, best_before)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- A photograph of a food, kept only where the user asked for it.
CREATE TABLE pictures (
  food  VARCHAR(60) NOT NULL PRIMARY KEY,
  media VARCHAR(40) NOT NULL,
  data  MEDIUMBLOB  NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci;

-- The house's version goes up with every change to the tables above, so that each
-- process knows when what it has read is out of date.
INSERT INTO facts (name, value) VALUES ('house', '1');

-- +goose Down
DELETE FROM facts WHERE name = 'house';
DROP TABLE pictures;
DROP TABLE lots;
DROP TABLE things;
