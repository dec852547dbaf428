import type { Migration } from './migration';

/**
 * Beside an order: which of the ways it is, which was the least whose cut would do, and why the technician chose it (in
 * a table of its own: an order is frozen for good, words about somebody can be taken out). Of a test cut: the kerf by
 * feeler, how far it left its line over a length, wall, floor and plate by eye, whether a second cut went the same
 * way, and the hop its heights foretold. Down again all of that is forgotten.
 */
export const cutsForetold: Migration = {
  name: '2026-11-30-cuts-foretold',
  up: `
    ALTER TABLE plan
      ADD COLUMN way text CHECK (way IN ('sharpen', 'set', 'joint', 'tune', 'convert', 'retooth')),
      ADD COLUMN least_way text CHECK (least_way IN ('sharpen', 'set', 'joint', 'tune', 'convert', 'retooth'));
    CREATE TABLE plan_reason (
      plan_id integer PRIMARY KEY REFERENCES plan,
      why text NOT NULL CHECK (length(why) <= 500)
    );
    ALTER TABLE check_round
      ADD COLUMN kerf_mm double precision CHECK (kerf_mm > 0 AND kerf_mm <= 30),
      ADD COLUMN off_line_mm double precision CHECK (off_line_mm BETWEEN -50 AND 50),
      ADD COLUMN over_mm double precision CHECK (over_mm > 0 AND over_mm <= 1000),
      ADD COLUMN wall text CHECK (wall IN ('clean', 'scratched-left', 'scratched-right', 'torn', 'burnt')),
      ADD COLUMN floor text CHECK (floor IN ('flat', 'ridged', 'stepped', 'slanting')),
      ADD COLUMN plate text CHECK (plate IN ('straight', 'bent')),
      ADD COLUMN hop_mm double precision CHECK (hop_mm BETWEEN 0 AND 20),
      ADD COLUMN again text CHECK (again IN ('same', 'other')),
      ADD CONSTRAINT check_round_off_line CHECK ((off_line_mm IS NULL) = (over_mm IS NULL));`,
  down: `
    ALTER TABLE check_round DROP CONSTRAINT check_round_off_line, DROP COLUMN kerf_mm, DROP COLUMN off_line_mm,
      DROP COLUMN over_mm, DROP COLUMN wall, DROP COLUMN floor, DROP COLUMN plate, DROP COLUMN hop_mm, DROP COLUMN again;
    DROP TABLE plan_reason;
    ALTER TABLE plan DROP COLUMN way, DROP COLUMN least_way;`,
};
