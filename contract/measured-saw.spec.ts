import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import type { Dossier } from './dossier';
import type { MeasuredSaw } from './measured-saw';
import { measuredFaults, measuredOf, measuredSaw, measuredSchema, recordOfMeasured } from './measured-saw';
import { recordFaults } from './saw-record';

const AT = '2031-05-01T09:00:00.000Z';
const head = { id: 4, marksOnIt: '', convention: 'points', plateDepthHeelMm: 80, plateDepthToeMm: 70 } as const;
const BACK: Dossier['saw'] = {
  ...head,
  family: 'back',
  name: 'Tenon saw',
  filing: 'rip',
  backFixing: 'folded',
  pitchMm: 2,
  toothLineMm: 250,
  plateThicknessMm: 0.7,
};
const DADO: Dossier['saw'] = {
  ...head,
  family: 'dado',
  name: 'Dado set',
  filing: 'combination',
  backFixing: 'none',
  pitchMm: 26,
  toothLineMm: 628,
  plateThicknessMm: 3,
  diameterMm: 200,
  boreMm: 25.4,
  tipped: 'steel',
  markedLimitRpm: null,
  parts: [
    { id: 'left', kind: 'outer', teeth: 24, plateMm: 3, cutMm: 3.2 },
    { id: 'right', kind: 'outer', teeth: 24, plateMm: 3, cutMm: 3.2 },
  ],
};
const key = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;
const dossier = (saw: Dossier['saw']): Dossier =>
  ({
    ticket: { number: 1043, wood: 'dry-hard' },
    saw,
    measurings:
      saw.family === 'back'
        ? [
            {
              id: 1,
              kind: 'before',
              round: 0,
              sitting: 2,
              gauge: 'scan',
              version: 3,
              by: 'First Hand',
              changedAt: AT,
              finished: true,
              readings: [1, 2, 3].map((tooth) => ({ tooth, xMm: 2 * tooth, yMm: -0.01 * tooth, kind: 'tooth' })),
              was: [{ tooth: 2, xMm: 4, yMm: -0.3, kind: 'tooth', by: 'Second Hand', at: AT }],
            },
          ]
        : [],
    gaugings: [
      {
        id: 9,
        key: key(0),
        kind: 'before',
        by: 'First Hand',
        startedAt: AT,
        finishedAt: null,
        note: '',
        readings: [
          {
            key: key(1),
            quantity: 'set',
            part: saw.family === 'dado' ? 'left' : null,
            place: 3,
            valueMm: 0.12,
            gauge: 'indicator',
            setAside: false,
            corrects: null,
            by: 'First Hand',
            at: AT,
          },
        ],
        angles: [
          {
            key: key(2),
            part: saw.family === 'dado' ? 'left' : null,
            tooth: 3,
            finding: { way: 'bevel', rakeDeg: -12, backDeg: null, turnDeg: 20 },
            setAside: false,
            corrects: null,
            by: 'First Hand',
            at: AT,
          },
        ],
      },
    ],
  }) as unknown as Dossier;

describe('a saw’s measurements as a file', () => {
  const written = (saw: Dossier['saw']): MeasuredSaw =>
    JSON.parse(JSON.stringify(measuredOf(dossier(saw)))) as MeasuredSaw;

  it('every sitting and session of any family goes out and comes back the same, old values too', () => {
    for (const saw of [BACK, DADO]) {
      const file = written(saw);
      expect(measuredFaults(file)).toEqual([]);
      expect(measuredSaw.parse(file)).toEqual(file);
      expect('id' in file.saw).toBeFalse();
    }
    expect(written(BACK).sittings[0]?.was[0]?.yMm).toBe(-0.3);
  });

  it('a schema library reads its JSON Schema, takes the same files and refuses the same slips', () => {
    const validate = new Ajv2020({ strict: false, allErrors: true, validateFormats: false }).compile(measuredSchema());
    for (const saw of [BACK, DADO])
      expect(validate(written(saw)))
        .withContext(saw.family)
        .toBeTrue();
    const good = written(BACK);
    const bad: unknown[] = [
      {},
      { ...good, units: 'inch' },
      { ...good, colour: 'blue' },
      { ...good, saw: { ...good.saw, family: 'jig' } },
      { ...good, sessions: [{ ...good.sessions[0], angles: [{ tooth: 1 }] }] },
    ];
    for (const value of bad) {
      expect(validate(JSON.parse(JSON.stringify(value)))).toBeFalse();
      expect(measuredFaults(value).length).toBeGreaterThan(0);
    }
    expect(measuredFaults({ ...good, colour: 'blue' })[0]).toEqual({
      path: '/',
      message: '"colour" is not known here.',
    });
  });

  it('docs/measured-saw.schema.json is this schema', () =>
    expect(JSON.parse(readFileSync('docs/measured-saw.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(measuredSchema())),
    ));

  it('a straight saw’s measurements make a plan’s record out of the latest sitting; others say why not', () => {
    const record = recordOfMeasured(written(BACK));
    expect(recordFaults(record)).toEqual([]);
    expect(record).toEqual(jasmine.objectContaining({ family: 'back', plateDepthMm: 70, wood: 'dry-hard' }));
    expect(recordOfMeasured(written(DADO))).toMatch(/no plan's record yet/);
    expect(recordOfMeasured({ ...written(BACK), sittings: [] })).toMatch(/not measured/);
  });
});
