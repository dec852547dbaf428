import { readFileSync } from 'node:fs';
import { lineOf } from '@odontis/core/evidence/line-of';
import Ajv2020 from 'ajv/dist/2020.js';
import type { Dossier } from './dossier';
import type { MeasuredSaw } from './measured-form';
import { measuredSaw } from './measured-form';
import { measuredOf, measuredSchema, readMeasured } from './measured-saw';

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
const taken = { setAside: false, simulated: false, by: 'First Hand', at: AT } as const;
const dossier = (saw: Dossier['saw']): Pick<Dossier, 'ticket' | 'saw' | 'sessions'> => ({
  ticket: { number: 1043, wood: 'dry-hard' } as Dossier['ticket'],
  saw,
  sessions: [
    {
      key: key(0),
      kind: 'before',
      by: 'First Hand',
      startedAt: AT,
      finishedAt: null,
      note: '',
      readings: [
        {
          ...taken,
          key: key(1),
          quantity: 'set',
          part: saw.family === 'dado' ? 'left' : null,
          place: 3,
          value: 0.12,
          gauge: 'indicator',
          corrects: null,
        },
        {
          ...taken,
          key: key(2),
          quantity: 'set',
          part: saw.family === 'dado' ? 'left' : null,
          place: 3,
          value: 0.11,
          gauge: 'indicator',
          corrects: key(1),
          simulated: true,
        },
        {
          ...taken,
          key: key(3),
          quantity: 'angles',
          part: saw.family === 'dado' ? 'left' : null,
          place: 3,
          value: { way: 'bevel', rakeDeg: -12, backDeg: null, turnDeg: 20 },
          gauge: 'bevel',
          corrects: null,
        },
      ],
    },
  ],
});
const faultsOf = (value: unknown) => {
  const read = readMeasured(value);
  return read.ok ? [] : read.faults;
};

describe('a saw’s measurements as a file', () => {
  const written = (saw: Dossier['saw']): MeasuredSaw =>
    JSON.parse(JSON.stringify(measuredOf(dossier(saw) as Dossier))) as MeasuredSaw;

  it('every session of any family goes out and comes back the same: corrections, and the mark of a stand-in', () => {
    for (const saw of [BACK, DADO]) {
      const file = written(saw);
      expect(readMeasured(file)).toEqual({ ok: true, file });
      expect('id' in file.saw).toBeFalse();
    }
    expect(written(BACK).sessions[0]?.readings.map((r) => r.simulated)).toEqual([false, true, false]);
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
      { ...good, sessions: [{ ...good.sessions[0], readings: [{ quantity: 'set' }] }] },
    ];
    for (const value of bad) {
      expect(validate(JSON.parse(JSON.stringify(value)))).toBeFalse();
      expect(faultsOf(value).length).toBeGreaterThan(0);
    }
    expect(faultsOf({ ...good, colour: 'blue' })[0]).toEqual({ path: '/', message: '"colour" is not known here.' });
  });

  it('docs/measured-saw.schema.json is this schema', () =>
    expect(JSON.parse(readFileSync('docs/measured-saw.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(measuredSchema())),
    ));

  it('a file of version 1 is read for ever: its lines, their old values, its gauge readings and angles', () => {
    const read = readMeasured(JSON.parse(readFileSync('contract/old-forms/measured-saw-1.json', 'utf8')));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const { file } = read;
    const line = lineOf(file.sessions, file.saw, 'before');
    expect(line?.teeth.map((t) => [t.xMm, t.yMm, t.kind, t.setMm])).toEqual([
      [0.1, -0.01, 'tooth', 0.12],
      [2, -0.02, 'tooth', 0.06],
      [4.05, 0, 'missing', null],
      [6, -0.04, 'tooth', null],
    ]);
    expect(line?.gauge).toBe('scan');
    // Tooth 2 read -0.3 before it was corrected: both are there, in order.
    const second = (file.sessions[1]?.readings ?? []).filter((r) => r.place === 2 && r.quantity === 'height');
    expect(second.map((r) => [r.value, r.by])).toEqual([
      [-0.3, 'Second Hand'],
      [-0.02, 'First Hand'],
    ]);
    expect(second[1]?.corrects).toBe(second[0]?.key ?? '');
    expect(file.sessions.flatMap((s) => s.readings).filter((r) => r.quantity === 'angles').length).toBe(1);
    expect(measuredSaw.safeParse(file).success).toBeTrue();
  });
});
