import path from 'node:path';
import * as z from 'zod';

/**
 * Everything of a shop in open forms: a folder with a line of JSON for every row of every table (JSON Lines,
 * RFC 8259), the photographs as pictures, the customers as vCards (RFC 6350), and a list of it all with sums
 * (docs/formats.md). What lets somebody in is not among it: passwords, codes and the screens' keys.
 */
export const LIST = 'odontis-export.json';
export const CARDS = 'customers.vcf';

export const exportList = z.object({
  format: z.literal('odontis-export'),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  /** The database's shape: every migration it had. */
  migrations: z.string().array().min(1),
  /** Rows and SHA-256 of `rows/TABLE.jsonl`. */
  tables: z.record(
    z.string().regex(/^[a-z_]+$/),
    z.object({ rows: z.int().min(0), sha256: z.string().regex(/^[0-9a-f]{64}$/) }),
  ),
  /** The next numbers go on after these. */
  sequences: z.record(z.string().regex(/^[a-z_]+$/), z.string().regex(/^\d{1,18}$/)),
});
export type ExportList = z.infer<typeof exportList>;

/** Tables of the door: whoever takes the shop in at another place lets its people in anew. */
export const LEFT_OUT: readonly string[] = ['migration', 'secret', 'sitting', 'door_try'];
/** Columns that open something. */
export const WITHHELD: Readonly<Record<string, readonly string[]>> = { device: ['token_hash', 'former_hash'] };
/** Columns that are files of their own, and where. */
export const FILES: Readonly<
  Record<string, { readonly column: string; readonly folder: string; readonly end: string }>
> = {
  photograph: { column: 'bytes', folder: 'photographs', end: 'jpg' },
};

export const rowsFile = (folder: string, table: string): string => path.join(folder, 'rows', `${table}.jsonl`);
