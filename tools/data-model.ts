import { QueryTypes } from 'sequelize';
import type { Database } from '../server/database/connect';

export interface Column {
  readonly name: string;
  readonly type: string;
  readonly nullable: boolean;
  /** The table it points to; null where it points to none. */
  readonly to: string | null;
}
export interface Table {
  readonly name: string;
  readonly columns: readonly Column[];
}

/** The tables of a migrated database as its own catalogue tells them, by name; the list of migrations left out. */
export async function readModel({ sequelize }: Pick<Database, 'sequelize'>): Promise<Table[]> {
  const rows = await sequelize.query<{ t: string; c: string; type: string; nullable: boolean; to: string | null }>(
    `SELECT r.relname AS t, a.attname AS c, format_type(a.atttypid, a.atttypmod) AS type, NOT a.attnotnull AS nullable,
            (SELECT f.relname FROM pg_constraint k JOIN pg_class f ON f.oid = k.confrelid
              WHERE k.contype = 'f' AND k.conrelid = r.oid AND k.conkey = ARRAY[a.attnum] LIMIT 1) AS to
       FROM pg_class r JOIN pg_attribute a ON a.attrelid = r.oid AND a.attnum > 0 AND NOT a.attisdropped
      WHERE r.relkind = 'r' AND r.relnamespace = 'public'::regnamespace AND r.relname <> 'migration'
      ORDER BY r.relname, a.attnum`,
    { type: QueryTypes.SELECT },
  );
  const tables = new Map<string, Column[]>();
  for (const { t, c, type, nullable, to } of rows) {
    const columns = tables.get(t) ?? [];
    columns.push({ name: c, type: SHORT[type] ?? type, nullable, to });
    tables.set(t, columns);
  }
  return [...tables].map(([name, columns]) => ({ name, columns }));
}

const SHORT: Readonly<Record<string, string>> = {
  'double precision': 'number',
  'timestamp with time zone': 'moment',
  integer: 'whole',
  jsonb: 'json',
  bytea: 'bytes',
  boolean: 'yes or no',
};

const [WIDTH, ROW, HEAD, GAP_X, GAP_Y, EDGE] = [230, 16, 24, 90, 22, 20] as const;
const heightOf = (table: Table): number => HEAD + table.columns.length * ROW + 6;

/**
 * The model as an SVG: what points to nothing on the left, what points to it further right, a line
 * from each pointing column to its table. Lines to `person`, whom nearly every row names, are left out.
 */
export function drawModel(tables: readonly Table[]): string {
  const byName = new Map(tables.map((t) => [t.name, t]));
  const depths = new Map<string, number>();
  const depthOf = (name: string, above: readonly string[] = []): number => {
    const known = depths.get(name);
    if (known !== undefined) return known;
    const targets = (byName.get(name)?.columns ?? []).flatMap((c) =>
      c.to && c.to !== name && c.to !== 'person' && !above.includes(c.to) ? [c.to] : [],
    );
    const depth = targets.reduce((most, to) => Math.max(most, depthOf(to, [...above, name]) + 1), 0);
    depths.set(name, depth);
    return depth;
  };
  const places = new Map<string, { x: number; y: number }>();
  const bottoms: number[] = [];
  for (const table of tables) {
    const depth = depthOf(table.name);
    const y = bottoms[depth] ?? EDGE;
    places.set(table.name, { x: EDGE + depth * (WIDTH + GAP_X), y });
    bottoms[depth] = y + heightOf(table) + GAP_Y;
  }
  const width = EDGE * 2 + bottoms.length * (WIDTH + GAP_X) - GAP_X;
  const height = Math.max(...bottoms.map((y) => y ?? 0));
  const at = (name: string): { x: number; y: number } => places.get(name) ?? { x: 0, y: 0 };
  const lines = tables.flatMap((table) =>
    table.columns.flatMap((column, i) => {
      if (!column.to || column.to === 'person' || column.to === table.name) return [];
      const [from, to] = [at(table.name), at(column.to)];
      const [y1, y2] = [from.y + HEAD + i * ROW + ROW / 2 + 2, to.y + HEAD / 2];
      const [x1, x2] = [from.x, to.x + WIDTH];
      return `<path d="M${x1} ${y1}C${x1 - 40} ${y1} ${x2 + 40} ${y2} ${x2} ${y2}" class="line"/>`;
    }),
  );
  const boxes = tables.map((table) => {
    const { x, y } = at(table.name);
    const rows = table.columns.map((c, i) => {
      const base = y + HEAD + i * ROW + 13;
      const type = `${c.type}${c.nullable ? ' or none' : ''}${c.to ? `, ${c.to}` : ''}`;
      return `<text x="${x + 8}" y="${base}">${c.name}</text><text x="${x + WIDTH - 8}" y="${base}" class="type">${type}</text>`;
    });
    return `<g><rect x="${x}" y="${y}" width="${WIDTH}" height="${heightOf(table)}" rx="4"/><text x="${x + 8}" y="${y + 17}" class="name">${table.name}</text>${rows.join('')}</g>`;
  });
  return `${[
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" role="img" aria-label="The tables of the database and what points to what">`,
    '<style>text{font:11px sans-serif;fill:#1c1f24}.name{font-weight:bold;font-size:13px}.type{text-anchor:end;fill:#5b616b}rect{fill:#fdfcf7;stroke:#8b93a0}.line{fill:none;stroke:#35358f}</style>',
    '<rect width="100%" height="100%" style="fill:#f1efe6;stroke:none"/>',
    ...lines,
    ...boxes,
    '</svg>',
  ].join('\n')}\n`;
}
