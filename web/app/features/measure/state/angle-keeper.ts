import { sidesOf as usualSides } from '@odontis/core/evidence/sides';
import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import type { AngleReading } from '@odontis/core/evidence/reading';
import { isAngle } from '@odontis/core/evidence/reading';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { AngleFinding, AngleWay, SeatedSection } from '@odontis/core/evidence/angle-finding';
import { filedAlone, waysOf } from '@odontis/core/evidence/angle-finding';
import { anglesOf, cutsOf, usualSection } from '@odontis/core/angles/angles-of';
import type { AngleDoubt } from '@odontis/core/angles/doubt-angle';
import { doubtAngle } from '@odontis/core/angles/doubt-angle';
import { alternateFrom, pointSides, summariseSides } from '@odontis/core/angles/point-sides';
import type { ToothLean, ToothSides } from '@odontis/core/angles/point-sides';
import { withdrawn } from '@odontis/core/evidence/take';
import { standing, unsettled } from '@odontis/core/evidence/estimates';

import { edgesOf } from '@odontis/core/saw/edges';
import { partsFor, teethOfPart } from '@odontis/core/evidence/quantities';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';

export interface AskedAngle {
  readonly reading: AngleReading;
  readonly doubt: AngleDoubt;
}

interface AngleState {
  readonly chosenWay: AngleWay | null;
  readonly chosenPart: string | null;
  readonly chosenSection: SeatedSection | null;
  readonly at: number;
  readonly asked: AskedAngle | null;
}
const initial: AngleState = { chosenWay: null, chosenPart: null, chosenSection: null, at: 1, asked: null };

/** Angles of the saw's teeth: where the next reading lands, what was taken, what they say together. */
export const AngleKeeper = signalStore(
  withState(initial),
  withProps(() => {
    const sessions = inject(EvidenceDesk);
    return { sessions, dossier: sessions.dossier, saw: computed(() => sessions.dossier()?.saw ?? null) };
  }),
  // Which teeth, how they are read, and of what part.
  withComputed(({ sessions, saw, chosenWay, chosenPart, chosenSection, at }) => {
    const ways = computed(() => {
      const of = saw();
      return of ? waysOf(of).filter((way) => way !== 'scan') : [];
    });
    const parts = computed(() => {
      const of = saw();
      return of ? partsFor(of, 'set') : [null];
    });
    const part = computed(() => {
      const [chosen, all] = [chosenPart(), parts()];
      return all.includes(chosen) ? chosen : (all[0] ?? null);
    });
    /** Of the latest sitting over the line, where there is one. */
    const line = computed(() => {
      const of = saw();
      return (
        (of && lineOf(sessions.evidence(), of, sessions.kind(), edgesOf(of).length > 0 ? part() : null)?.teeth) ?? []
      );
    });
    const teeth = computed(() => {
      const of = saw();
      return of ? Math.max(line().length || teethOfPart(of, part()), 1) : 1;
    });
    return {
      /** Ways that somebody reads by hand; a scan's angles come with its trace. */
      ways,
      way: computed(() => {
        const [chosen, all] = [chosenWay(), ways()];
        return all.find((way) => way === chosen) ?? all[0] ?? 'bevel';
      }),
      parts,
      part,
      section: computed<SeatedSection>(() => {
        const of = saw();
        return chosenSection() ?? (of ? usualSection(of) : 'taper');
      }),
      line,
      teeth,
      tooth: computed(() => Math.min(at(), teeth())),
      cuts: computed(() => {
        const of = saw();
        return of ? cutsOf(of) : 'push';
      }),
      /** A band or a round blade has no heel and no toe: directions are said along the cut and against it. */
      endless: computed(() => ['band', 'circular', 'dado'].includes(saw()?.family ?? '')),
      /** Mean set of the line, as far as it was measured; null where it was not. */
      setMm: computed(() => {
        const set = line().flatMap((r) => r.setMm ?? []);
        return set.length === 0 ? null : set.reduce((s, v) => s + v, 0) / set.length;
      }),
    };
  }),
  // What was read of them, and the session that is shown behind this one, on the same strip.
  withComputed(({ sessions, saw, part, section, line, teeth, cuts }) => {
    const ofPart = (readings: readonly AngleReading[]): AngleReading[] => readings.filter((r) => r.part === part());
    const leanAt = (tooth: number): ToothLean => {
      const [of, measured] = [saw(), line()[tooth - 1]];
      if (measured?.kind === 'missing') return { lean: null, assumed: false };
      if (measured?.lean) return { lean: measured.lean, assumed: false };
      return { lean: of && usualSides(of)(tooth), assumed: true };
    };
    const sidesOf = (readings: readonly AngleReading[]): ToothSides[] => {
      const of = saw();
      return of ? pointSides(teeth(), readings, leanAt, cuts(), filedAlone(of)) : [];
    };
    const readings = computed(() => ofPart(sessions.readings().filter(isAngle)));
    const behind = computed(() => ofPart(sessions.shownBehind()?.readings.filter(isAngle) ?? []));
    const sides = computed(() => sidesOf(readings()));
    return {
      readings,
      says: computed(() => {
        const of = saw();
        return of && anglesOf(of, readings(), section());
      }),
      sides,
      sidesBehind: computed(() => (behind().length > 0 ? sidesOf(behind()) : [])),
      saysBehind: computed(() => {
        const of = saw();
        return of && behind().length > 0 ? anglesOf(of, behind(), section()) : null;
      }),
      summariseSides: computed(() => summariseSides(sides())),
      setAside: computed(() => unsettled(readings())),
    };
  }),
  withMethods((keeper) => {
    const goTo = (tooth: number): void =>
      patchState(keeper, { at: Math.min(keeper.teeth(), Math.max(1, Math.round(tooth))) });
    const readingAt = (tooth: number, finding: AngleFinding, setAside: boolean): AngleReading => ({
      key: crypto.randomUUID(),
      quantity: 'angles',
      part: keeper.part(),
      place: tooth,
      value: finding,
      gauge: finding.way,
      setAside,
      corrects: null,
      simulated: false,
    });
    return {
      goTo,
      chooseWay: (chosenWay: AngleWay): void => patchState(keeper, { chosenWay, asked: null }),
      choosePart: (chosenPart: string | null): void => patchState(keeper, { chosenPart, at: 1 }),
      chooseSection: (chosenSection: SeatedSection): void => patchState(keeper, { chosenSection }),

      /** A reading at the present tooth, then on. A doubtful one is kept, set aside, and asked about. True where it counts. */
      take(finding: AngleFinding): boolean {
        const doubt = doubtAngle(finding, keeper.readings(), keeper.cuts());
        const reading = readingAt(keeper.tooth(), finding, doubt !== null);
        keeper.sessions.take([reading]);
        patchState(keeper, { asked: doubt && { reading, doubt } });
        if (!doubt) goTo(reading.place + 1);
        return doubt === null;
      },

      /** The traced flanks of a whole line, as readings by scan. */
      takeTrace(
        found: readonly { readonly tooth: number; readonly finding: AngleFinding }[],
        part: string | null = keeper.part(),
      ): void {
        keeper.sessions.take(found.map(({ tooth, finding }) => ({ ...readingAt(tooth, finding, false), part })));
      },

      /** Many at once, as out of a file; the doubtful ones come set aside. */
      takeAll(
        rows: readonly { readonly part: string | null; readonly tooth: number; readonly finding: AngleFinding }[],
      ): number {
        const here = keeper.readings();
        const all: AngleReading[] = [...here];
        for (const { part, tooth, finding } of rows) {
          const beside = all.filter((r) => r.part === part);
          const setAside = doubtAngle(finding, beside, keeper.cuts()) !== null;
          all.push({ ...readingAt(tooth, finding, setAside), part });
        }
        const taken = all.slice(here.length);
        keeper.sessions.take(taken);
        return taken.filter((r) => r.setAside).length;
      },

      /** Points by turns from the present tooth on, where nobody has looked yet. */
      alternate(point: Lean): number {
        const found = alternateFrom(keeper.tooth(), point, keeper.sides());
        keeper.sessions.take(found.map((f) => readingAt(f.tooth, { way: 'eye', point: f.point }, false)));
        return found.length;
      },

      /** What was set aside counts after all, as it is or as it was meant. */
      settle(reading: AngleReading, finding: AngleFinding): void {
        keeper.sessions.take([
          { ...reading, value: finding, key: crypto.randomUUID(), setAside: false, corrects: reading.key },
        ]);
        patchState(keeper, { asked: null });
        goTo(reading.place + 1);
      },

      leaveAside(): void {
        const asked = keeper.asked();
        patchState(keeper, { asked: null });
        if (asked) goTo(asked.reading.place);
      },

      /** Takes the last reading that counts out of the count: it stays in the record. */
      takeBack(): void {
        const last = standing(keeper.readings()).at(-1);
        if (!last) return;
        keeper.sessions.take([withdrawn(last, () => crypto.randomUUID())]);
        goTo(last.place);
      },
    };
  }),
);
export type AngleKeeper = InstanceType<typeof AngleKeeper>;

/** A finding with the asked angle as it was meant. */
export function asMeant(finding: AngleFinding, { angle, meant }: AngleDoubt): AngleFinding {
  if (!meant) return finding;
  if ((finding.way === 'bevel' || finding.way === 'file') && angle === 'fleam')
    return { ...finding, turnDeg: (finding.turnDeg ?? 1) < 0 ? -meant.deg : meant.deg };
  return finding.way === 'bevel' && angle === 'rake' ? { ...finding, rakeDeg: meant.deg } : finding;
}
