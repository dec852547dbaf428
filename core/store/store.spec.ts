import fc from 'fast-check';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { Step } from '../work/step';
import { walkOf } from '../work/step';
import { cornerLife } from './corner-life';
import type { KeptTool, StoreRoom } from './shelf';
import { cornersLeft, filesAtHand, fileShelves } from './shelf';
import type { KeptDeed, Stock } from './stock';
import { afterDeed, deedRefusal, EMPTY_STOCK, stockOf } from './stock';
import type { Tool, ToolDeed } from './tool';
import { tool, toolDeed } from './tool';
import { strokesOfFiles, usesOf } from './uses';

const SLIM: Tool = { kind: 'file', name: 'a slim file', note: '', corners: 3, cornerStrokes: 900 };
const STONE: Tool = { kind: 'stone', name: 'a stone', note: '' };
const kept = (deed: ToolDeed, personId = 1, strokes: number | null = null, atMs = 0): KeptDeed => ({
  ...deed,
  ...{ personId, strokes, atMs },
});

describe('what lies in the Store and what is in hand', () => {
  it('by hand: four bought, one begun and turned twice, worn out, another begun', () => {
    const stock = stockOf([
      kept({ what: 'bought', pieces: 4 }),
      kept({ what: 'begun' }, 1, null, 10),
      kept({ what: 'turned' }, 1, 870, 20),
      kept({ what: 'turned' }, 1, 930, 30),
      kept({ what: 'begun' }, 2, null, 35),
      kept({ what: 'begun' }, 1, 900, 40),
    ]);
    expect(stock).toEqual({
      lying: 1,
      lives: [870, 930, 900],
      away: false,
      inHand: [
        { personId: 2, corner: 1, sinceMs: 35 },
        { personId: 1, corner: 1, sinceMs: 40 },
      ],
    });
  });

  it('whatever is told in whatever order, what can be done never takes what is not there', () => {
    const deeds = fc.array(
      fc.record({
        deed: fc.oneof(
          fc.integer({ min: 1, max: 4 }).map((pieces) => ({ what: 'bought' as const, pieces })),
          fc.integer({ min: 0, max: 4 }).map((pieces) => ({ what: 'counted' as const, pieces })),
          fc.constantFrom('begun', 'turned', 'spent', 'put-away', 'fetched').map((what) => ({ what })),
        ),
        person: fc.integer({ min: 1, max: 3 }),
      }),
      { maxLength: 60 },
    );
    fc.assert(
      fc.property(deeds, (all) => {
        let stock: Stock = EMPTY_STOCK;
        let pieces = 0;
        for (const { deed, person } of all) {
          if (deedRefusal(SLIM, stock, deed, person) !== null) continue;
          const own = stock.inHand.some((one) => one.personId === person);
          pieces += deed.what === 'bought' ? deed.pieces : deed.what === 'counted' ? deed.pieces - stock.lying : 0;
          if (deed.what === 'spent' || (deed.what === 'begun' && own)) pieces--;
          stock = afterDeed(stock, kept(deed, person, 1));
          expect(stock.lying).toBeGreaterThanOrEqual(0);
          // Nothing comes from nowhere: what lies and what is in hand is what came less what went.
          expect(stock.lying + stock.inHand.length).toBe(pieces);
          for (const one of stock.inHand) expect(one.corner <= 3 && one.corner >= 1).toBeTrue();
        }
      }),
    );
  });

  it('what cannot be is refused with a sentence', () => {
    const one = stockOf([kept({ what: 'bought', pieces: 1 }), kept({ what: 'begun' })]);
    const worn = [{ what: 'turned' } as const, { what: 'turned' } as const].map((d) => kept(d)).reduce(afterDeed, one);
    expect(deedRefusal(SLIM, one, { what: 'begun' }, 2)).toContain('No “a slim file” lies by');
    expect(deedRefusal(SLIM, one, { what: 'turned' }, 2)).toContain('You have no');
    expect(deedRefusal(SLIM, worn, { what: 'turned' }, 1)).toContain('Every corner');
    expect(deedRefusal(STONE, EMPTY_STOCK, { what: 'begun' }, 1)).toContain('of files alone');
    expect(deedRefusal(SLIM, { ...one, away: true }, { what: 'bought', pieces: 1 }, 1)).toContain('put away');
    expect(toolDeed.safeParse({ what: 'bought', pieces: 0 }).success).toBeFalse();
    expect(tool.safeParse({ kind: 'file', name: ' ', note: '' }).error?.issues[0]?.message).toBe(
      'The tool’s name is missing.',
    );
    expect(tool.parse({ kind: 'file', name: 'x', note: '' })).toEqual(jasmine.objectContaining({ corners: 3 }));
  });
});

describe('how long a corner lasts', () => {
  it('as it is told until three are worn, then the mean and its standard error, by a statistics library', () => {
    expect(cornerLife(900, [500, 510])).toEqual({ strokes: 900, error: 300, corners: 0 });
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 100, max: 2000 }), { minLength: 3, maxLength: 20 }), (lives) => {
        const life = cornerLife(900, lives);
        expect(life.strokes).toBeCloseTo(mean(lives), 9);
        expect(life.error).toBeCloseTo(sampleStandardDeviation(lives) / Math.sqrt(lives.length), 9);
      }),
    );
  });
});

const step = (more: Partial<Step>, ats: readonly number[], strokes: number): Step => ({
  ...{ kind: 'sharpen', unit: 'gullet', side: null, tipTowards: null, tool: 'a slim file', targetMm: null },
  ...{ passes: 0, minutes: 1, cautions: [], reasons: [] },
  stops: ats.map((at) => ({ at, strokes, heavier: 'even' as const })),
  ...more,
});
const WHOLE = [{ at: 0, strokes: 0, heavier: 'even' as const }];

describe('what an order does with its tools', () => {
  const steps = [
    step({ kind: 'joint', unit: 'whole', tool: null, passes: 3, stops: WHOLE }, [], 0),
    step({ kind: 'shape' }, [4, 5], 3),
    step({ kind: 'set', unit: 'window', tool: null, stops: [{ at: 1, to: 20, strokes: 0, heavier: 'even' }] }, [], 0),
    step({ tool: 'another' }, [1, 2, 3], 2),
    step({}, [4, 5], 2),
    step({ kind: 'stone', unit: 'whole', tool: null, passes: 1, stops: WHOLE }, [], 0),
  ];
  it('files by their strokes, the rest by passes and teeth, at the places of the walk', () => {
    expect(usesOf(steps)).toEqual([
      { kind: 'jointer', name: '', stops: [0], amounts: [3] },
      { kind: 'file', name: 'a slim file', stops: [1, 2, 7, 8], amounts: [3, 3, 2, 2] },
      { kind: 'set-tool', name: '', stops: [3], amounts: [20] },
      { kind: 'file', name: 'another', stops: [4, 5, 6], amounts: [2, 2, 2] },
      { kind: 'stone', name: '', stops: [9], amounts: [1] },
    ]);
    const all = walkOf(steps).reduce((sum, stop) => sum + stop.strokes, 0);
    expect(strokesOfFiles(steps).reduce((sum, file) => sum + file.strokes, 0)).toBe(all);
  });
});

describe('what is left, kept and short', () => {
  const inHand = [{ personId: 1, corner: 2, sinceMs: 0, strokes: 450 }];
  const slim: KeptTool = { id: 1, tool: SLIM, stock: { lying: 1, lives: [], away: false, inHand } };
  const room: StoreRoom = {
    until: '2031-05-18',
    tools: [slim, { id: 2, tool: STONE, stock: { lying: 1, lives: [], away: false, inHand: [] } }],
    planned: [
      { ticketId: 7, ticketNumber: 1007, promisedOn: '2031-05-06', name: 'a slim file', strokes: 900 },
      { ticketId: 8, ticketNumber: 1008, promisedOn: '2031-06-06', name: 'a slim file', strokes: 1800 },
      { ticketId: 8, ticketNumber: 1008, promisedOn: '2031-06-06', name: 'not here', strokes: 90 },
    ],
    unplanned: [
      { family: 'hand', saws: 3, learnedFrom: 12, files: [{ name: 'a slim file', strokesEach: 1200 }] },
      { family: 'pull', saws: 1, learnedFrom: 0, files: [] },
    ],
  };
  const of = (name: string) => fileShelves(room, 900).find((shelf) => shelf.name === name);

  it('by hand: a new file and one and a half corners of another are four and a half; orders keep three of them', () => {
    expect(cornersLeft(slim, cornerLife(900, []))).toBe(4.5);
    const shelf = of('a slim file');
    expect(shelf?.left).toBe(4.5);
    expect(shelf?.reserved).toEqual([
      { ticketId: 7, ticketNumber: 1007, corners: 1 },
      { ticketId: 8, ticketNumber: 1008, corners: 2 },
    ]);
    expect(shelf?.free).toBe(1.5);
    // One corner by the 18th, four for the saws not planned: half a corner too few, so one file.
    expect([shelf?.need.planned, shelf?.need.unplanned, shelf?.need.toBuy]).toEqual([1, 4, 1]);
  });

  it('a file that orders ask for and nobody wrote down is told; one put away has nothing', () => {
    expect([of('not here')?.kept, of('not here')?.left, of('not here')?.need.toBuy]).toEqual([null, 0, 0]);
    const away = { ...room, tools: [{ ...slim, stock: { ...slim.stock, away: true } }] };
    expect(fileShelves(away, 900).find((one) => one.name === 'a slim file')?.kept).toBeNull();
  });

  it('a saw is planned with what is free for it; what it was promised itself is', () => {
    expect(filesAtHand(room, 99, 900)).toEqual(['a slim file']);
    const short = {
      ...room,
      planned: [{ ticketId: 7, ticketNumber: 1007, promisedOn: '2031-05-06', name: 'a slim file', strokes: 4000 }],
    };
    expect(filesAtHand(short, 99, 900)).toEqual([]);
    expect(filesAtHand(short, 7, 900)).toEqual(['a slim file']);
    expect(filesAtHand({ ...room, tools: [] }, 99, 900)).toBeUndefined();
  });
});
