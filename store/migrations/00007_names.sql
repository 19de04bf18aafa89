-- +goose Up
-- A saved state may have a name, by which it is found again.
ALTER TABLE revisions ADD COLUMN IF NOT EXISTS name VARCHAR(120) NOT NULL DEFAULT '';
