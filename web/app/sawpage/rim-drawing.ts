import { NOT_WORTH_KEEPING_MM } from '@odontis/core/circular/equalise';
import { dialReadings } from '@odontis/core/circular/dial-of';
import { circleOf, fittedAt } from '@odontis/core/circular/dial-harmonics';
import type { DialReading, DialSplit } from '@odontis/core/circular/dial-harmonics';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import type { SessionKind } from '@odontis/core/evidence/session';
import { sidesOf } from '@odontis/core/evidence/sides';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { toothFor } from '@odontis/core/file/flank-angles';
import type { SawOf } from '@odontis/core/saw/saw';
import { rolesOn, teethOf } from '@odontis/core/saw/saw';
import type { MeasuredSaw } from './build-drawing';
import { baseDrawing } from './build-drawing';
import type { Lane, SawDrawing } from './drawing';

type Say = (mm: number) => string;

/** A part of a set, which is a blade by itself. */
export interface RimPart {
  readonly id: string;
  readonly quantity: 'runout' | 'chipper-height';
}

/** A blade's dial readings as they came in or went out, and their circle where they tell one. mm. */
export function dialSeen(
  { sessions }: MeasuredSaw,
  saw: SawOf<'circular'>,
  kind: SessionKind,
  part: RimPart | null = null,
): { readonly dial: readonly DialReading[]; readonly split: DialSplit | null } {
  const teeth = teethOf(saw);
  const readings = sessions.filter((s) => s.kind === kind).flatMap((s) => s.readings);
  const estimates = estimatesOf(readings, part?.quantity ?? 'runout', part?.id ?? null).filter((e) => e.place <= teeth);
  const dial = estimates.length === 0 ? [] : dialReadings(saw, estimates, teeth);
  return { dial, split: circleOf(dial, teeth) };
}

/** A blade's rim unrolled from tooth 1 round to tooth 1: its readings over the circle fitted to them. mm. */
export function rimDrawing(
  measured: MeasuredSaw,
  saw: SawOf<'circular'>,
  say: Say,
  kind: SessionKind = 'before',
  part: RimPart | null = null,
): SawDrawing {
  const teeth = teethOf(saw);
  const sides = sidesOf(saw);
  const { dial, split } = dialSeen(measured, saw, kind, part);
  const sorted = dial.map((r) => r.offMm).sort((a, b) => a - b);
  // A tooth broken off would leave no room for what the others tell.
  const shortMm = (sorted[Math.floor(sorted.length / 2)] ?? 0) - NOT_WORTH_KEEPING_MM;
  const kept = dial.filter((r) => r.offMm >= shortMm);
  const at = new Map(kept.map((r) => [r.tooth, r.offMm]));
  const own = new Map((split?.own ?? []).filter((r) => at.has(r.tooth)).map((r) => [r.tooth, r.offMm]));
  const raker = new Set([
    ...(rolesOn(saw, teeth) ?? []).flatMap((role, i) => (role === 'raker' ? [i + 1] : [])),
    ...dial.filter((r) => r.kind === 'raker').map((r) => r.tooth),
  ]);
  const readings = measured.sessions.filter((s) => s.kind === kind).flatMap((s) => s.readings);
  const set = new Map(estimatesOf(readings, 'set', part?.id ?? null).map((e) => [e.place, e.valueMm]));
  const all = Array.from({ length: teeth }, (_, i) => i + 1);
  const line = all.map((tooth): ToothReading => ({
    tooth,
    xMm: (tooth - 0.5) * saw.pitchMm,
    yMm: at.get(tooth) ?? (dial.length > 0 ? shortMm : 0),
    lean: sides(tooth),
    setMm: set.get(tooth) ?? null,
    kind: dial.some((r) => r.tooth === tooth && (r.kind === 'broken' || !at.has(tooth))) ? 'broken' : 'tooth',
  }));
  const values = (of: ReadonlyMap<number, number>): Float64Array =>
    Float64Array.from(all, (tooth) => of.get(tooth) ?? NaN);
  const lane = (id: string, name: string, of: Float64Array, more: Partial<Lane> = {}): Lane[] =>
    of.some((v) => !Number.isNaN(v))
      ? [{ id, name, values: of, before: null, kind: 'bars', limit: NaN, say, ...more }]
      : [];
  return {
    ...baseDrawing({ ...measured, saw }, line, toothFor(0, 0)),
    title: part?.id ?? saw.name,
    held: 'rim',
    ends: { heel: 'tooth 1', toe: 'tooth 1' },
    leans: line.map((r) => (raker.has(r.tooth) ? null : (r.lean ?? null))),
    lanes: [
      ...lane('dial', 'Dial, on its circle', values(at), {
        before: split && Float64Array.from(all, (tooth) => fittedAt(split, tooth, teeth)),
      }),
      ...lane('own', 'By themselves', values(own)),
      ...lane('set', 'Set', values(set), { kind: 'sides' }),
    ],
  };
}
