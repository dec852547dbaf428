import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Ended } from './odontis-command';
import { odontisCommand } from './odontis-command';

const odontis = (...args: string[]): Promise<Ended> => odontisCommand(args);

/** The command as a shop runs it: a process of its own. */
const inProcess = (...args: string[]): Promise<{ code: number; out: string; err: string }> =>
  new Promise((resolve) => {
    execFile(process.execPath, ['tools/bootstrap.mjs', 'odontis', ...args], { maxBuffer: 1e8 }, (error, out, err) =>
      resolve({ code: error ? Number(error.code) : 0, out, err }),
    );
  });

const CSV_OPTIONS = [
  '--family',
  'back',
  '--filing',
  'rip',
  '--pitch',
  '2.3 mm',
  '--plate',
  '0.75 mm',
  '--depth',
  '80 mm',
];

describe('the command line on the core', () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-line-'));
  const file = (name: string, text: string | Buffer): string => {
    const at = path.join(folder, name);
    writeFileSync(at, text);
    return at;
  };
  const saw = JSON.parse(readFileSync('docs/examples/back-saw.json', 'utf8')) as Record<string, unknown>;
  const readings = saw['readings'] as Record<string, unknown>[];
  const record = (name: string, change: object): string => file(name, JSON.stringify({ ...saw, ...change }));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  let timeout: number;
  beforeAll(() => {
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
  });
  afterAll(() => (jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout));

  it('plans a record: JSON and nothing else on its output', async () => {
    const { code, out, lines } = await odontis('plan', 'docs/examples/back-saw.json');
    expect([code, lines]).toEqual([0, []]);
    const plan = JSON.parse(out) as { family: string; order: { steps: unknown[] } };
    expect(plan.family).toBe('back');
    expect(plan.order.steps.length).toBeGreaterThan(5);
  });

  it('takes the measurements of a saw as the app writes them: checks any, plans a straight one', async () => {
    const sitting = {
      kind: 'before',
      round: 0,
      sitting: 1,
      gauge: 'scan',
      by: 'First Hand',
      changedAt: '2031-05-01T09:00:00.000Z',
      readings,
      was: [],
    };
    const kept = {
      name: 'Tenon saw',
      marksOnIt: '',
      pitchMm: saw['pitchMm'],
      convention: 'points',
      toothLineMm: 250,
      plateThicknessMm: saw['plateThicknessMm'],
      plateDepthHeelMm: saw['plateDepthMm'],
      plateDepthToeMm: 200,
      family: 'back',
      filing: saw['filing'],
      backFixing: 'folded',
    };
    const measured = { format: 'odontis-measured', version: 1, units: 'mm', saw: kept, wood: saw['wood'] };
    const good = file('measured.json', JSON.stringify({ ...measured, sittings: [sitting], sessions: [] }));
    expect((await odontis('check', good)).out).toContain('sessions 1');
    const [one, other] = [await odontis('plan', good), await odontis('plan', 'docs/examples/back-saw.json')];
    const depthOf = (out: string): number =>
      (JSON.parse(out) as { order: { choice: { depthMm: number } } }).order.choice.depthMm;
    expect(depthOf(one.out)).toBe(depthOf(other.out));
    const bare = file('bare.json', JSON.stringify({ ...measured, sittings: [], sessions: [] }));
    const none = await odontis('plan', bare);
    expect([none.code, none.lines.length]).toEqual([2, 1]);
    expect(none.lines[0]).toMatch(/was not measured/);
    const bad = await odontis('check', file('bad.json', JSON.stringify({ ...measured, sittings: [{}] })));
    expect(bad.code).toBe(2);
    expect(bad.lines[0]).toMatch(/^\/sittings/);
  });

  it('plans the measurements of saws that go round by the same orders as the app', async () => {
    for (const [id, steps] of [
      ['band-narrow', ['uncoil', 'set', 'set', 'sharpen', 'coil', 'test', 'finish']],
      ['blade-carbide', ['inspect', 'clean', 'grinder', 'home', 'test', 'finish']],
    ] as const) {
      const measured = {
        format: 'odontis-measured',
        version: 2,
        units: 'mm',
        ticket: 7,
        wood: 'dry-soft',
        sessions: [],
      };
      const told = file(`${id}.json`, JSON.stringify({ ...measured, saw: ordinarySaw(id) }));
      const { code, out } = await odontis('plan', told);
      expect(code).toBe(0);
      const { order } = JSON.parse(out) as { order: { steps: { kind: string }[] } };
      expect(order.steps.map((step) => step.kind)).toEqual([...steps]);
    }
  });

  it('plans the same saw from its readings as CSV, at a depth of one’s own', async () => {
    const rows = readings.map((r) => [r['tooth'], r['xMm'], r['yMm'], r['lean'], r['setMm']].join(','));
    const csv = file('back.csv', `tooth,x_mm,y_mm,lean,set_mm\n${rows.join('\n')}\n`);
    const [ours, theirs] = await Promise.all([
      odontis('plan', csv, ...CSV_OPTIONS, '--joint', '4 thou'),
      odontis('plan', 'docs/examples/back-saw.json', '--joint', '0.1016 mm'),
    ]);
    expect(ours.code).toBe(0);
    // What it is worked out from says that a CSV has no notes; all that comes of it is the same.
    const told = (out: string): object => {
      const { order, ...rest } = JSON.parse(out) as { order: { inputs: object } };
      return { ...rest, order: { ...order, inputs: null } };
    };
    expect(told(ours.out)).toEqual(told(theirs.out));
  });

  it('checks: good in a line, bad with every fault and its path', async () => {
    const [good, bad] = await Promise.all([
      odontis('check', 'docs/examples/dado-set.json'),
      odontis('check', record('two.json', { filing: 'up', pitchMm: -2 })),
    ]);
    expect([good.code, good.out.trim()]).toEqual([
      0,
      'docs/examples/dado-set.json is a saw record: dado, Dado set of five parts.',
    ]);
    expect(bad.code).toBe(2);
    expect(bad.lines.map((line) => line.split(':')[0])).toEqual(['/filing', '/pitchMm']);
  });

  it('anything that is not a saw is one clear line, exit code 2 and no stack', async () => {
    const teeth = (n: number) =>
      Array.from({ length: n }, (_, i) => ({ tooth: i + 1, xMm: i * 0.01, yMm: 0, kind: 'tooth' }));
    const twice = readings.map((r, i) => (i === 5 ? { ...r, tooth: 5 } : r));
    const text = JSON.stringify(saw);
    const cases: [string, string[], RegExp][] = [
      ['a picture', [file('saw.png', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]))], /not a text file/],
      ['a letter', [file('letter.txt', 'Dear sharpener, my saw is dull.')], /neither a saw record/],
      ['a truncated record', [file('cut.json', text.slice(0, text.length / 2))], /ends too early/],
      ['an empty file', [file('empty.json', '')], /is empty/],
      ['no file', [path.join(folder, 'gone.json')], /is it there/],
      [
        'a negative pitch',
        [record('pitch.json', { pitchMm: -2.3 })],
        /pitchMm: The pitch must lie between 0.5 and 60 mm/,
      ],
      ['1e308', [record('huge.json', { plateDepthMm: 1e308 })], /plateDepthMm: The plate depth must lie between/],
      [
        'NaN',
        [file('nan.json', text.replace(/"pitchMm":[\d.]+/, '"pitchMm":NaN'))],
        /holds NaN, which is no number in JSON/,
      ],
      ['50,000 teeth', [record('many.json', { readings: teeth(50_000) })], /at most 5000 teeth/],
      [
        'a tooth twice',
        [record('twice.json', { readings: twice })],
        /readings\/5\/tooth: Tooth 6 is expected here, heel first, but 5 came/,
      ],
      ['no units', [record('units.json', { units: undefined })], /units: The units are missing/],
      ['a CSV without units', [file('bare.csv', 'tooth,x,y\n1,0,0\n'), ...CSV_OPTIONS], /says no unit/],
      ['a CSV with NaN', [file('nan.csv', 'tooth,y_mm\n1,0\n2,NaN\n3,0\n'), ...CSV_OPTIONS], /line 3: y is "NaN"/],
      [
        'an option without its unit',
        [file('ok.csv', 'tooth,y_mm\n1,0\n2,0\n3,0\n'), '--pitch', '2'],
        /--pitch "2" says no unit/,
      ],
      ['an unknown option', ['docs/examples/band.json', '--colour', 'red'], /colour/],
      ['a depth past the tooth', ['docs/examples/back-saw.json', '--joint', '30 mm'], /joint depth must lie/],
    ];
    const ended = await Promise.all(cases.map(([, args]) => odontis('plan', ...args)));
    ended.forEach(({ code, out, lines }, i) => {
      const [name, , says] = cases[i] as (typeof cases)[number];
      expect(code).withContext(name).toBe(2);
      expect(out).withContext(name).toBe('');
      expect(lines.filter((line) => says.test(line)).length)
        .withContext(`${name}: ${lines.join(' | ').slice(0, 200)}`)
        .toBeGreaterThan(0);
      expect(lines.some((line) => /^\s+at /.test(line)))
        .withContext(name)
        .toBeFalse();
      if (!name.includes('CSV without')) expect(lines.length).withContext(name).toBe(1);
    });
  });

  it('as a process it prints JSON alone, or its lines and exit code 2', async () => {
    const [good, bad] = await Promise.all([
      inProcess('plan', 'docs/examples/back-saw.json'),
      inProcess('plan', 'docs/examples/no-such.json'),
    ]);
    expect([good.code, good.err.includes('odontis')]).toEqual([0, false]);
    expect(JSON.parse(good.out)).toEqual(jasmine.objectContaining({ family: 'back' }));
    expect([bad.code, bad.out]).toEqual([2, '']);
    expect(bad.err).toContain('cannot be read: is it there?');
  });

  it('an unknown command is one line, too, and help tells the two there are', async () => {
    const [bad, help] = await Promise.all([odontis('sharpen'), odontis('help')]);
    expect([bad.code, bad.lines.length]).toEqual([2, 1]);
    expect(help.out).toContain('odontis plan FILE');
    expect(help.code).toBe(0);
  });
});
