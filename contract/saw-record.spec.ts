import { readdirSync, readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020.js';
import { recordFaults, recordOf, recordSchema, sawRecord } from './saw-record';

const FOLDER = 'docs/examples';
const example = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(`${FOLDER}/${name}.json`, 'utf8')) as Record<string, unknown>;
const paths = (value: unknown): string[] => recordFaults(value).map((f) => f.path);
const says = (value: unknown): string => recordFaults(value)[0]?.message ?? '';

describe('the saw record', () => {
  const files = readdirSync(FOLDER)
    .filter((file) => file.endsWith('.json'))
    .map((file) => file.replace('.json', ''));

  it('has an example of every family, all of them sound', () => {
    const families = new Set(files.map((file) => example(file)['family']));
    expect(families).toEqual(new Set(['hand', 'back', 'pull', 'crosscut', 'band', 'circular', 'dado']));
    for (const file of files)
      expect(recordFaults(example(file)))
        .withContext(file)
        .toEqual([]);
  });

  it('its JSON Schema, read by a schema library, takes the same examples and refuses the same slips', () => {
    const validate = new Ajv2020({ strict: false, allErrors: true, validateFormats: false }).compile(recordSchema());
    for (const file of files)
      expect(validate(example(file)))
        .withContext(file)
        .toBeTrue();
    const bad: unknown[] = [
      {},
      { ...example('back-saw'), pitchMm: -2 },
      { ...example('back-saw'), units: undefined },
      { ...example('back-saw'), pitch: 2 },
      { ...example('band'), set: 'wavy' },
      { ...example('circular-saw'), teeth: 3.5 },
    ];
    for (const value of bad) {
      expect(validate(JSON.parse(JSON.stringify(value)))).toBeFalse();
      expect(recordFaults(value).length).toBeGreaterThan(0);
    }
  });

  it('docs/saw-record.schema.json is this schema', () =>
    expect(JSON.parse(readFileSync('docs/saw-record.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(recordSchema())),
    ));

  it('every fault is named with its path', () => {
    const saw = example('back-saw');
    const readings = (saw['readings'] as object[]).map((r) => ({ ...r }));
    readings[4] = { ...readings[4], tooth: 4 };
    expect(paths({ ...saw, filing: 'sideways', readings })).toEqual(['/filing', '/readings/4/tooth']);
    const far = (saw['readings'] as object[]).map((r, i) => (i === 23 ? { ...r, xMm: 1e308 } : r));
    expect(paths({ ...saw, readings: far })).toEqual(['/readings/23/xMm']);
  });

  it('says what is wrong in a sentence', () => {
    const saw = example('back-saw');
    expect(says({ ...saw, units: undefined })).toContain('The units are missing');
    expect(says({ ...saw, pitchMm: -2 })).toBe('The pitch must lie between 0.5 and 60 mm.');
    expect(says({ ...saw, pitch: 2 })).toContain('"pitch" is not known here; lengths end in Mm');
    expect(says({ ...saw, family: 'jig' })).toContain('The family must be hand, back');
    expect(says({ ...example('crosscut-saw'), zones: [] })).toContain('one zone at least');
    expect(says({ ...saw, readings: [] })).toContain('three teeth at least');
    expect(says(null)).not.toBe('');
    expect(says([])).not.toBe('');
  });

  it('lines that do not fit each other are said', () => {
    const cross = example('crosscut-saw');
    expect(
      says({ ...cross, zones: [{ teeth: 7, pitchFromMm: 12, pitchToMm: 12, rakeFromDeg: 0, rakeToDeg: 0 }] }),
    ).toBe('The zones tell of 7 teeth, the readings of 30.');
    expect(paths({ ...example('circular-saw'), teeth: 20 })).toEqual(['/dial/20/tooth']);
    const dial = [...(example('circular-saw')['dial'] as object[])];
    dial[3] = { ...dial[2] };
    expect(says({ ...example('circular-saw'), dial })).toBe('Tooth 3 is read twice.');
  });

  it('the record without its heading is what core plans', () => {
    const record = recordOf(sawRecord.parse(example('band')));
    expect(Object.keys(record)).not.toContain('format');
    expect(record.family).toBe('band');
  });
});
