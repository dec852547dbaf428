import Papa from 'papaparse';
import type { Saw } from '@odontis/core/saw/saw';
import type { KeptReading } from '@odontis/core/evidence/reading';
import { isAngleHeading } from './angle-csv';
import { evidenceFromRows, rowsFromSession } from './evidence-csv';

const HAND: Saw = {
  name: 'A saw',
  marksOnIt: '',
  family: 'hand',
  filing: 'crosscut',
  backFixing: 'none',
  convention: 'points',
  pitchMm: 3.175,
  toothLineMm: 650,
  plateThicknessMm: 0.9,
  plateDepthHeelMm: 140,
  plateDepthToeMm: 60,
};
const BLADE: Saw = {
  ...HAND,
  family: 'circular',
  backFixing: 'none',
  diameterMm: 200,
  boreMm: 25,
  tipped: 'steel',
  markedLimitRpm: 7000,
};
const cells = (text: string): string[][] => Papa.parse<string[]>(text).data;
const read = (text: string, saw: Saw = HAND) => {
  const found = evidenceFromRows(cells(text), saw);
  if (found.ok && found.holds !== 'angles') throw new Error(found.holds);
  return found;
};
const faults = (text: string, saw: Saw = HAND): string[] => {
  const found = read(text, saw);
  return found.ok ? [] : found.faults.map((f) => `${f.line}: ${f.message}`);
};

describe('readings of angles as CSV', () => {
  const session: { readings: readonly KeptReading[] } = {
    readings: (
      [
        { way: 'file', section: 'taper', rollDeg: 15, turnDeg: -25, slopeDeg: 2.5, from: 'right' },
        { way: 'bevel', rakeDeg: -15, backDeg: null, turnDeg: 24.25 },
        { way: 'scan', rakeDeg: null, backDeg: 46.1 },
        { way: 'eye', point: 'none' },
      ] as const
    ).map((finding, i) => ({
      key: `00000000-0000-4000-8000-00000000000${i}`,
      quantity: 'angles',
      part: null,
      place: i + 3,
      value: finding,
      gauge: finding.way,
      setAside: i === 2,
      simulated: i === 3,
      corrects: null,
      by: '=Cmd',
      at: '2031-05-01T09:00:00.000Z',
    })),
  };

  it('written and read again every way is the same; a name is no formula, a minus stays a number', () => {
    const text = Papa.unparse(rowsFromSession(session).angles);
    expect(text).toContain("'=Cmd");
    expect(text).toContain(',-25,');
    const again = read(text);
    expect(again.ok && again.rows.map((r): unknown => [r.tooth, r.finding])).toEqual(
      session.readings.map((r): unknown => [r.place, r.value]),
    );
    expect(isAngleHeading(cells(text)[0] ?? [])).toBeTrue();
    expect(isAngleHeading(['quantity', 'place', 'value_mm'])).toBeFalse();
  });

  it('what is missing of a seated file but its dip and its section is asked for; a dip left out is none', () => {
    const level = read('way,tooth,roll_deg,turn_deg,handle\nfile,4,15,"25,5",left');
    expect(level.ok && level.rows[0]?.finding).toEqual({
      way: 'file',
      section: 'taper',
      rollDeg: 15,
      turnDeg: 25.5,
      slopeDeg: 0,
      from: 'left',
    });
    expect(faults('way,tooth,roll_deg,turn_deg\nfile,4,15,25')[0]).toMatch(/2: .*left or on the right/);
  });

  it('every bad line is named and nothing is taken', () => {
    expect(
      faults('way,tooth,rake_deg\nbevel,1,-15\nguess,2,3\nbevel,x,3\nbevel,4,steep\nbevel,5,\nbevel,6,140'),
    ).toEqual([
      jasmine.stringMatching(/^3: "guess" is not a way/),
      jasmine.stringMatching(/^4: The tooth "x"/),
      jasmine.stringMatching(/^5: "steep" in rake_deg/),
      jasmine.stringMatching(/^6: .*one angle at least/),
      jasmine.stringMatching(/^7: .*rake/),
    ] as unknown as string[]);
    expect(faults('way,tooth,roll_deg\nfile,1,15', BLADE)[0]).toMatch(/bevel, eye are/);
    expect(faults('way,tooth')[0]).toMatch(/no reading under it/);
  });
});
