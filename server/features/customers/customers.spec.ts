import type { CustomerFound } from '@odontis/contract/ticket';
import { openTestShop } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

describe('customers found as they are typed', () => {
  let shop: TestShop;
  const found = async (typed: string): Promise<string[]> =>
    ((await shop.send('get', `/api/customers?typed=${encodeURIComponent(typed)}`)).body as CustomerFound[]).map(
      (c) => c.name,
    );

  beforeAll(async () => {
    shop = await openTestShop();
    const people = [
      ['Søren Ångström', '555-0100'],
      ['Zoë Castañeda', '(0555) 01 99'],
      ['Marguerite Delacroix', ''],
      ['Anna Ott', ''],
      ['Joanna Petrov', ''],
      ['Ольга Ветрова', ''],
      ['Percent 100% Sure', ''],
    ];
    await shop.db.models.Customer.bulkCreate(
      people.map(([name, phone]) => ({
        name: name as string,
        phone: phone as string,
        email: '',
        createdBy: shop.person,
      })),
    );
    await shop.db.sequelize.query(
      `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
         plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, marks_on_it, created_by)
       VALUES (3, 'Tenon saw', 'back', 'rip', 2, 'points', 355, 0.7, 85, 80, 'folded', 'stamped KESTREL No. 4', 1)`,
    );
  });
  afterAll(() => shop.close());

  it('without accents and in any case', async () => {
    expect(await found('angstrom')).toEqual(['Søren Ångström']);
    expect(await found('CASTANEDA')).toEqual(['Zoë Castañeda']);
    expect(await found('ВЕТРОВА')).toEqual(['Ольга Ветрова']);
  });
  it('through a slip of the finger', async () => {
    expect(await found('Margerite')).toEqual(['Marguerite Delacroix']);
    expect(await found('Delacriox')).toEqual(['Marguerite Delacroix']);
  });
  it('names that begin so come first; one letter finds beginnings of words only', async () => {
    expect(await found('anna')).toEqual(['Anna Ott', 'Joanna Petrov']);
    expect(await found('p')).toEqual(['Percent 100% Sure', 'Joanna Petrov']);
  });
  it('by telephone, however it was written', async () => {
    expect(await found('5550199')).toEqual(['Zoë Castañeda']);
    expect(await found('555 01 00')).toEqual(['Søren Ångström']);
  });
  it('by a saw they once brought', async () => expect(await found('kestrel')).toEqual(['Marguerite Delacroix']));
  it('signs of the search are only signs', async () => {
    expect(await found('100%')).toEqual(['Percent 100% Sure']);
    expect(await found('_tt')).toEqual([]);
    expect(await found('%%')).toEqual([]);
    expect(await found("'; DROP TABLE saw; --")).toEqual([]);
    expect((await found('')).length).toBe(7);
  });
});
