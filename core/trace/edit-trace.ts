import { summedUp } from './summarise';
import type { PicturePlace, TracedLine, TracedTooth } from './traced-line';
import { bareTooth } from './traced-line';

/**
 * What a hand may change of a trace. Places are pixels of the picture the tooth
 * was traced in. `accept` clears a tooth's doubts: somebody has looked.
 */
export type TraceEdit =
  | { readonly do: 'move'; readonly tooth: number; readonly to: PicturePlace }
  | { readonly do: 'add'; readonly at: PicturePlace; readonly scan: number }
  | { readonly do: 'remove'; readonly tooth: number }
  | { readonly do: 'call'; readonly tooth: number; readonly kind: TracedTooth['kind'] }
  | { readonly do: 'accept'; readonly tooth: number }
  /** Of a round blade: the count begins at this tooth. */
  | { readonly do: 'begin'; readonly tooth: number };

/** A hand puts a tip to about this many pixels. */
const BY_HAND_PX = 1;

/** The line with the change made, teeth numbered anew from the heel and the whole summed up again. RangeError for a tooth that is not there. */
export function editTrace(line: TracedLine, edit: TraceEdit): TracedLine {
  const index = edit.do === 'add' ? -1 : line.teeth.findIndex((t) => t.tooth === edit.tooth);
  if (edit.do !== 'add' && index < 0) throw new RangeError(`There is no tooth ${edit.tooth} in this trace.`);
  const with_ = (tooth: TracedTooth): TracedTooth[] => line.teeth.map((t, i) => (i === index ? tooth : t));
  const here = line.teeth[index] as TracedTooth;
  if (edit.do === 'move')
    return renumbered(
      line,
      with_({ ...byHand(line, here, edit.to), kind: 'tooth', doubts: ['moved'], looked: 'moved' }),
    );
  if (edit.do === 'call')
    return renumbered(
      line,
      with_({ ...here, kind: edit.kind, doubts: edit.kind === 'tooth' ? [] : [edit.kind], looked: 'called' }),
    );
  if (edit.do === 'begin') {
    const around = line.rim ? 2 * Math.PI * line.rim.meanRadiusMm : 0;
    return renumbered(
      line,
      line.teeth.map((t, i) => (i < index ? { ...t, xMm: t.xMm + around } : t)),
    );
  }
  if (edit.do === 'accept') return renumbered(line, with_({ ...here, doubts: [], looked: here.looked ?? 'kept' }));
  if (edit.do === 'remove')
    return renumbered(
      { ...line, removed: [...(line.removed ?? []), { scan: here.scan, at: here.tipPx }] },
      line.teeth.filter((_, i) => i !== index),
    );
  const bare = { ...bareTooth('tooth', edit.at, ['added'], edit.scan), looked: 'added' } as const;
  return renumbered(line, [...line.teeth, byHand(line, bare, edit.at)]);
}

/** A tooth of one trace is that of another where it stands this near to it, in pitches. */
const SAME_TOOTH = 0.4;

/** A new trace of the same pictures with all that somebody did to the one before: what was looked at stays looked at. */
export function withLooks(after: TracedLine, before: TracedLine): TracedLine {
  const nearest = (line: TracedLine, scan: number, at: PicturePlace): TracedTooth | null => {
    const off = (t: TracedTooth): number => Math.hypot(t.tipPx.x - at.x, t.tipPx.y - at.y) * line.mmPerPx;
    const near = line.teeth.filter((t) => t.scan === scan && off(t) < SAME_TOOTH * line.summary.pitchMm.value);
    return near.reduce<TracedTooth | null>((a, b) => (a && off(a) <= off(b) ? a : b), null);
  };
  let line = after;
  for (const { scan, at } of before.removed ?? []) {
    const found = nearest(line, scan, at);
    if (found) line = editTrace(line, { do: 'remove', tooth: found.tooth });
  }
  for (const seen of before.teeth) {
    if (!seen.looked) continue;
    const found = nearest(line, seen.scan, seen.tipPx);
    if (!found) {
      if (seen.looked === 'added' && line.frames[seen.scan])
        line = editTrace(line, { do: 'add', at: seen.tipPx, scan: seen.scan });
    } else if (seen.looked === 'moved' || seen.looked === 'added')
      line = editTrace(line, { do: 'move', tooth: found.tooth, to: seen.tipPx });
    else if (seen.looked === 'called') line = editTrace(line, { do: 'call', tooth: found.tooth, kind: seen.kind });
    else line = editTrace(line, { do: 'accept', tooth: found.tooth });
  }
  return line;
}

function byHand(line: TracedLine, tooth: TracedTooth, to: PicturePlace): TracedTooth {
  const frame = line.frames[tooth.scan];
  if (!frame) throw new RangeError(`There is no scan ${tooth.scan} in this trace.`);
  const error = BY_HAND_PX * line.mmPerPx;
  const xMm = frame.x[0] * to.x + frame.x[1] * to.y + frame.x[2];
  const yMm = frame.y[0] * to.x + frame.y[1] * to.y + frame.y[2];
  return {
    ...shiftedTips(tooth, xMm - tooth.xMm, yMm - tooth.yMm),
    xMm,
    yMm,
    flatMm: 0,
    tipPx: to,
    errors: { ...tooth.errors, xMm: error, yMm: error, flatMm: error },
  };
}

/** A raker's own tips go with it. */
export function shiftedTips(tooth: TracedTooth, byX: number, byY: number): TracedTooth {
  if (!tooth.raker) return tooth;
  const tipsMm = tooth.raker.tipsMm.map(([x, y]) => [x + byX, y + byY] as const);
  return { ...tooth, raker: { ...tooth.raker, tipsMm } };
}

/** Teeth in order from the heel, the first at 0. */
export function renumbered(line: TracedLine, teeth: readonly TracedTooth[]): TracedLine {
  const order = [...teeth].sort((a, b) => a.xMm - b.xMm);
  const from = order[0]?.xMm ?? 0;
  const moved = order.map((t, i) => ({ ...shiftedTips(t, -from, 0), tooth: i + 1, xMm: t.xMm - from }));
  return {
    ...line,
    frames: line.frames.map((f) => ({ x: [f.x[0], f.x[1], f.x[2] - from] as const, y: f.y })),
    ...summedUp(moved, line.scaleError),
  };
}
