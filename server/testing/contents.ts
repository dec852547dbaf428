import type { Sequelize } from 'sequelize';
import { QueryTypes } from 'sequelize';

/** How many rows every table has, and a sum over all their contents: equal where two databases hold the same. */
export async function contents(sequelize: Sequelize): Promise<Record<string, string>> {
  const tables = await sequelize.query<{ name: string }>(
    `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`,
    { type: QueryTypes.SELECT },
  );
  const all: Record<string, string> = {};
  for (const { name } of tables) {
    const [row] = await sequelize.query<{ sum: string }>(
      `SELECT count(*) || ' rows, ' || coalesce(md5(string_agg(md5(r::text), '' ORDER BY md5(r::text))), '') AS sum FROM "${name}" r`,
      { type: QueryTypes.SELECT },
    );
    all[name] = row?.sum ?? '';
  }
  return all;
}
