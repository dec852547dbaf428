import { readFileSync } from 'node:fs';
import type { TestShop } from '../server/testing/test-shop';
import { openTestShop } from '../server/testing/test-shop';
import { drawModel, readModel } from './data-model';

describe('the picture of the data model', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openTestShop();
  });
  afterAll(() => shop.close());

  it('is drawn from the tables as they are (node --import tsx tools/print-data-model.ts)', async () => {
    expect(readFileSync('docs/data-model.svg', 'utf8')).toBe(drawModel(await readModel(shop.db)));
  });
  it('knows every table a model maps, and what points to what', async () => {
    const tables = await readModel(shop.db);
    const names = tables.map((t) => t.name);
    for (const model of Object.values(shop.db.models)) expect(names).toContain(model.getTableName() as string);
    const evidence = tables.find((t) => t.name === 'evidence');
    expect(evidence?.columns.find((c) => c.name === 'session_id')?.to).toBe('session');
    expect(drawModel(tables)).toContain('>calibration<');
  });
});
