import { TestBed } from '@angular/core/testing';
import { indicatorReading } from '@odontis/core/evidence/indicator-lines';
import { IndicatorLink } from './indicator-link';
import { StandInIndicator, standInValue } from './stand-in-indicator';

describe('the stand-in indicator', () => {
  it('speaks like a serial device: readings with noise, now and then garbage, now and then nothing', () => {
    const device = new StandInIndicator(() => 0.25);
    const lines = Array.from({ length: 400 }, () => device.line());
    device.stop();
    const readings = lines.map((line) => (line === null ? null : indicatorReading(line.trim())));
    const good = readings.filter((r) => r !== null);
    expect(lines.filter((line) => line === null).length).toBeGreaterThan(20);
    expect(lines.filter((line, i) => line !== null && readings[i] === null).length).toBeGreaterThan(8);
    expect(Math.max(...good.map((r) => Math.abs(r.valueMm - 0.25)))).toBeLessThan(0.0025);
    expect(new Set(good.map((r) => r.valueMm)).size).toBeGreaterThan(10);
  });

  it('its button marks one reading, even when the wire is dead at the moment', () => {
    const device = new StandInIndicator(() => -0.1);
    while (device.line() !== null);
    device.press();
    const after = Array.from({ length: 40 }, () => device.line()).filter((line) => line !== null);
    device.stop();
    expect(after.filter((line) => line.includes('*')).length).toBe(1);
    expect(indicatorReading(after[0]?.trim() ?? '')?.pressed).toBeTrue();
  });

  it('a place has the same value every time, and its neighbours have others', () => {
    expect(standInValue('set', null, 7)).toBe(standInValue('set', null, 7));
    const values = Array.from({ length: 60 }, (_, i) => standInValue('set', null, i + 1));
    expect(new Set(values.map((v) => v.toFixed(4))).size).toBeGreaterThan(50);
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.03);
  });
});

describe('the link to an indicator', () => {
  const bytes = (...pieces: string[]): ReadableStream<Uint8Array> =>
    new ReadableStream({
      start: (controller) => {
        pieces.forEach((piece) => controller.enqueue(new TextEncoder().encode(piece)));
        controller.close();
      },
    });

  it('hands on presses, counts garbage, and is off when the device goes', async () => {
    TestBed.configureTestingModule({ providers: [IndicatorLink] });
    const link = TestBed.inject(IndicatorLink);
    const presses: number[] = [];
    let closed = false;
    const source = {
      readable: bytes('+0.10', '00 mm\r\n+0.1270 mm *\r\n???', '\n-0.0050 in *\n'),
      close: () => void (closed = true),
    };
    await link.listen('test', source, (mm) => presses.push(mm));
    expect(presses.length).toBe(2);
    expect(presses[0]).toBe(0.127);
    expect(presses[1]).toBeCloseTo(-0.127, 9);
    expect(link.garbage()).toBe(1);
    expect(link.connected()).toBe('');
    expect(closed).toBeTrue();
  });

  it('a device torn out is a sentence', async () => {
    TestBed.configureTestingModule({ providers: [IndicatorLink] });
    const link = TestBed.inject(IndicatorLink);
    const torn = new ReadableStream<Uint8Array>({ pull: (controller) => controller.error(new Error('gone')) });
    await link.listen('test', { readable: torn, close: () => undefined }, () => undefined);
    expect(link.lost()).toContain('unplugged');
  });
});
