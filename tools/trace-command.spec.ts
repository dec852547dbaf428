import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import type { Ended } from './odontis-command';
import { odontisCommand } from './odontis-command';
import { codeModules } from '@odontis/core/reference/code-modules';
import { madePhotograph } from '@odontis/core/reference/made-photograph';
import { madeRakerLine } from '@odontis/core/reference/made-raker-line';
import { madeLine, madeScan } from '@odontis/core/reference/made-scan';
import { traceTeeth } from '@odontis/core/trace/trace-teeth';

interface Printed {
  readonly picture: { readonly dpi: number };
  readonly summary: { readonly pitchMm: { readonly value: number }; readonly teeth: number };
  readonly teeth: readonly {
    readonly tooth: number;
    readonly kind: string;
    readonly xMm: number;
    readonly doubts: readonly { code: string; says: string }[];
  }[];
}

const trace = (...args: string[]): Promise<Ended> => odontisCommand(['trace', ...args]);

describe('tracing on the command line', () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-trace-'));
  const at = (name: string): string => path.join(folder, name);
  const made = madeScan(madeLine({ teeth: 40, pitchMm: 2.54, rakeDeg: -12, unevenMm: 0.1, broken: [17] }), {
    dpi: 600,
    skewDeg: 1,
  });
  const { widthPx: width, heightPx: height, grey } = made.picture;
  const picture = () => sharp(Buffer.from(grey), { raw: { width, height, channels: 1 } });
  let timeout: number;
  beforeAll(async () => {
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 90_000;
    await picture().withMetadata({ density: 600 }).png().toFile(at('saw.png'));
    await picture().withMetadata({ density: 600 }).jpeg({ quality: 95 }).toFile(at('saw.jpg'));
    await picture()
      .tiff({ compression: 'lzw', xres: 600 / 25.4, yres: 600 / 25.4 })
      .toFile(at('saw.tif'));
    await picture().png().toFile(at('untold.png'));
  });
  afterAll(() => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout;
    rmSync(folder, { recursive: true, force: true });
  });

  it('what is told of a blade or of a saw seen along its points is held to what it can be; a picture without strips gives neither', async () => {
    for (const [args, says] of [
      [['--round', '250x30'], '--round "250x30" is not such as 250x30x50'],
      [['--round', '250x30x2'], 'is not such as'],
      [['--along', '3.6'], '--along "3.6" is not such as 3.63x5'],
      [['--along', '3.6x5'], 'Too few marks'],
      [['--round', '250x30x50'], 'Too few marks'],
    ] as const) {
      const { code, lines } = await trace(at('untold.png'), ...args);
      expect([code, lines.join(' ')])
        .withContext(args.join(' '))
        .toEqual([2, jasmine.stringContaining(says)]);
    }
  });

  it('a photograph is known by its strips: the same teeth, with what the strips gave; a sheet’s measured rulers scale it', async () => {
    const line = madeLine({ teeth: 40, pitchMm: 3.6286, rakeDeg: -12, unevenMm: 0.1 });
    const scene = { widthPx: 1300, heightPx: 520, focalPx: 975, heightMm: 185, strips: 1, tiltXDeg: 8, seed: 3 };
    const { picture: seen } = madePhotograph(line, scene, codeModules);
    const raw = { width: seen.widthPx, height: seen.heightPx, channels: 1 } as const;
    await sharp(Buffer.from(seen.grey), { raw }).png().toFile(at('photograph.png'));
    const { code, out, lines } = await trace(at('photograph.png'), '--plate', '0.9 mm', '--rulers', '240x150');
    expect([code, lines]).toEqual([0, []]);
    const printed = JSON.parse(out) as Printed & { picture: { photograph: { marks: number; says: string[] } } };
    expect(printed.summary.teeth).toBe(40);
    expect(Math.abs(printed.summary.pitchMm.value / 3.6286 - 1)).toBeLessThan(0.004);
    expect(printed.picture.photograph.marks).toBeGreaterThan(40);
    expect(printed.picture.photograph.says[0]).toContain('on one strip');
    const large = await trace(at('photograph.png'), '--plate', '0.9 mm', '--rulers', '242.4x151.5');
    const larger = (JSON.parse(large.out) as Printed).summary.pitchMm.value;
    expect(larger / printed.summary.pitchMm.value).toBeCloseTo(1.01, 3);
    expect((await trace(at('photograph.png'), '--rulers', '24x15')).lines.join()).toContain('two rulers');
  });

  it('prints the same teeth from PNG and TIFF as core finds in the pixels, and nearly the same from JPEG', async () => {
    const truth = traceTeeth(made.picture, { mmPerPx: 25.4 / 600 });
    if (!truth.ok) throw new Error(truth.code);
    for (const [name, digits] of [
      ['saw.png', 4],
      ['saw.tif', 4],
      ['saw.jpg', 1],
    ] as const) {
      const { code, out, lines } = await trace(at(name));
      expect([code, lines]).toEqual([0, []]);
      const printed = JSON.parse(out) as Printed;
      expect(printed.picture.dpi).toBeCloseTo(600, 0);
      expect(printed.teeth.map((t) => t.kind)).toEqual(truth.teeth.map((t) => t.kind));
      printed.teeth.forEach((t, i) => expect(t.xMm).toBeCloseTo(truth.teeth[i]?.xMm ?? NaN, digits));
      expect(printed.teeth[16]?.doubts[0]?.says).toContain('broken');
    }
  });

  it('writes the drawing asked for, and takes a resolution by hand', async () => {
    const { code, out } = await trace(
      at('untold.png'),
      '--dpi',
      '1200',
      '--svg',
      at('saw.svg'),
      '--dxf',
      at('saw.dxf'),
    );
    expect(code).toBe(0);
    expect((JSON.parse(out) as Printed).summary.pitchMm.value).toBeCloseTo(1.27, 2);
    expect(readFileSync(at('saw.svg'), 'utf8')).toContain('data-tooth="40"');
    expect(readFileSync(at('saw.dxf'), 'utf8')).toContain('LWPOLYLINE');
  });

  it('says in one line what is wrong with a picture, and exits with 2', async () => {
    writeFileSync(at('words.png'), 'a saw, in words');
    writeFileSync(at('cut.png'), readFileSync(at('saw.png')).subarray(0, 20_000));
    await sharp({ create: { width: 900, height: 300, channels: 3, background: '#000' } })
      .withMetadata({ density: 600 })
      .png()
      .toFile(at('black.png'));
    const cases: [string[], RegExp][] = [
      [[at('words.png')], /no picture that can be traced/],
      [[at('cut.png')], /ends too early or is damaged/],
      [[at('black.png')], /all one grey/],
      [[at('untold.png')], /does not say its resolution/],
      [[at('saw.png'), '--dpi', 'many'], /no resolution between 50 and 10000/],
      [[at('saw.png'), '--family', 'axe'], /not one of hand, back/],
      [[at('none.png')], /cannot be read/],
    ];
    for (const [args, says] of cases) {
      const { code, out, lines } = await trace(...args);
      expect(code).withContext(String(says)).toBe(2);
      expect(out).toBe('');
      expect(lines.length).toBe(1);
      expect(lines[0]).toMatch(says);
    }
  });

  it('a saw of cutters and rakers is traced by its pattern, and what is no pattern is said', async () => {
    const raker = madeScan(madeRakerLine({ teeth: 15, pattern: 'CCR', pitchMm: 12 }), {
      dpi: 300,
      plateMm: 26,
      spaceMm: 5,
      gulletRadiusMm: 1,
    }).picture;
    await sharp(Buffer.from(raker.grey), { raw: { width: raker.widthPx, height: raker.heightPx, channels: 1 } })
      .withMetadata({ density: 300 })
      .png()
      .toFile(at('raker.png'));
    const { code, out } = await trace(at('raker.png'), '--family', 'crosscut', '--pattern', 'CCR', '--heel', 'left');
    expect(code).toBe(0);
    const line = JSON.parse(out) as {
      summary: { rakers: number; rakerDepthMm: { value: number } };
      teeth: { tooth: number; raker?: { widthMm: number } }[];
    };
    expect(line.summary.rakers).toBe(5);
    expect(line.summary.rakerDepthMm.value).toBeCloseTo(0.38, 1);
    expect(line.teeth.filter((t) => t.raker).map((t) => t.tooth)).toEqual([3, 6, 9, 12, 15]);
    const bad = await trace(at('raker.png'), '--pattern', 'CXR');
    expect([bad.code, bad.lines.length]).toEqual([2, 1]);
    expect(bad.lines[0]).toMatch(/no pattern of cutters and rakers/);
  });
});
