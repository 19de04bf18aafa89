-- +goose Up
-- Every revision is packed by now (00005, in store/migrate.go).
ALTER TABLE revisions MODIFY packed LONGBLOB NOT NULL, DROP COLUMN IF EXISTS document;
