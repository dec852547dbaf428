import { computed, inject, Injectable, signal } from '@angular/core';
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
import { sideOf } from '@odontis/core/judgement/quantity-verdict';
import { partsFor, teethOfPart } from '@odontis/core/evidence/quantities';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';

export interface AskedAngle {
  readonly reading: AngleReading;
  readonly doubt: AngleDoubt;
}

/** Angles of the saw's teeth: where the next reading lands, what was taken, what they say together. */
@Injectable()
export class AngleKeeper {
  private readonly sessions = inject(EvidenceDesk);
  readonly dossier = this.sessions.dossier;
  private readonly chosenWay = signal<AngleWay | null>(null);
  private readonly chosenPart = signal<string | null>(null);
  private readonly chosenSection = signal<SeatedSection | null>(null);
  private readonly at = signal(1);
  readonly asked = signal<AskedAngle | null>(null);

  private readonly saw = computed(() => this.dossier()?.saw ?? null);
  /** Ways that somebody reads by hand; a scan's angles come with its trace. */
  readonly ways = computed(() => {
    const saw = this.saw();
    return saw ? waysOf(saw).filter((way) => way !== 'scan') : [];
  });
  readonly way = computed(() => {
    const [chosen, all] = [this.chosenWay(), this.ways()];
    return all.find((way) => way === chosen) ?? all[0] ?? 'bevel';
  });
  readonly parts = computed(() => {
    const saw = this.saw();
    return saw ? partsFor(saw, 'set') : [null];
  });
  readonly part = computed(() => {
    const [chosen, all] = [this.chosenPart(), this.parts()];
    return all.includes(chosen) ? chosen : (all[0] ?? null);
  });
  readonly section = computed<SeatedSection>(() => {
    const saw = this.saw();
    return this.chosenSection() ?? (saw ? usualSection(saw) : 'taper');
  });
  /** Of the latest sitting over the line, where there is one. */
  private readonly line = computed(() => {
    const saw = this.saw();
    return (saw && lineOf(this.sessions.evidence(), saw, this.sessions.kind())?.teeth) ?? [];
  });
  readonly teeth = computed(() => {
    const saw = this.saw();
    return saw ? Math.max(this.line().length || teethOfPart(saw, this.part()), 1) : 1;
  });
  readonly tooth = computed(() => Math.min(this.at(), this.teeth()));
  readonly cuts = computed(() => {
    const saw = this.saw();
    return saw ? cutsOf(saw) : 'push';
  });

  /** A band or a round blade has no heel and no toe: directions are said along the cut and against it. */
  readonly endless = computed(() => ['band', 'circular', 'dado'].includes(this.saw()?.family ?? ''));

  readonly readings = computed(() =>
    this.sessions
      .readings()
      .filter(isAngle)
      .filter((r) => r.part === this.part()),
  );
  readonly says = computed(() => {
    const saw = this.saw();
    return saw && anglesOf(saw, this.readings(), this.section());
  });
  /** Mean set of the line, as far as it was measured; null where it was not. */
  readonly setMm = computed(() => {
    const set = this.line().flatMap((r) => r.setMm ?? []);
    return set.length === 0 ? null : set.reduce((s, v) => s + v, 0) / set.length;
  });
  private readonly leanAt = computed(() => {
    const [saw, line] = [this.saw(), this.line()];
    return (tooth: number): ToothLean => {
      const measured = line[tooth - 1];
      if (measured?.kind === 'missing') return { lean: null, assumed: false };
      if (measured?.lean) return { lean: measured.lean, assumed: false };
      return { lean: saw && sideOf(saw, tooth), assumed: true };
    };
  });
  readonly sides = computed(() => this.sidesOf(this.readings()));
  /** The session that is shown behind this one, on the same strip and beside the same angles. */
  private readonly behind = computed(
    () =>
      this.sessions
        .shownBehind()
        ?.readings.filter(isAngle)
        .filter((r) => r.part === this.part()) ?? [],
  );
  readonly sidesBehind = computed(() => (this.behind().length > 0 ? this.sidesOf(this.behind()) : []));
  readonly saysBehind = computed(() => {
    const saw = this.saw();
    return saw && this.behind().length > 0 ? anglesOf(saw, this.behind(), this.section()) : null;
  });
  private sidesOf(readings: readonly AngleReading[]): ToothSides[] {
    const saw = this.saw();
    return saw ? pointSides(this.teeth(), readings, this.leanAt(), this.cuts(), filedAlone(saw)) : [];
  }
  readonly summariseSides = computed(() => summariseSides(this.sides()));
  readonly setAside = computed(() => unsettled(this.readings()));

  chooseWay(way: AngleWay): void {
    this.chosenWay.set(way);
    this.asked.set(null);
  }
  choosePart(part: string | null): void {
    this.chosenPart.set(part);
    this.at.set(1);
  }
  chooseSection(section: SeatedSection): void {
    this.chosenSection.set(section);
  }
  goTo(tooth: number): void {
    this.at.set(Math.min(this.teeth(), Math.max(1, Math.round(tooth))));
  }

  /** A reading at the present tooth, then on. A doubtful one is kept, set aside, and asked about. True where it counts. */
  take(finding: AngleFinding): boolean {
    const doubt = doubtAngle(finding, this.readings(), this.cuts());
    const reading = this.reading(this.tooth(), finding, doubt !== null);
    this.sessions.take([reading]);
    this.asked.set(doubt && { reading, doubt });
    if (!doubt) this.goTo(reading.place + 1);
    return doubt === null;
  }

  /** The traced flanks of a whole line, as readings by scan. */
  takeTrace(found: readonly { readonly tooth: number; readonly finding: AngleFinding }[]): void {
    this.sessions.take(found.map(({ tooth, finding }) => this.reading(tooth, finding, false)));
  }

  /** Many at once, as out of a file; the doubtful ones come set aside. */
  takeAll(
    rows: readonly { readonly part: string | null; readonly tooth: number; readonly finding: AngleFinding }[],
  ): number {
    const all: AngleReading[] = [...this.readings()];
    for (const { part, tooth, finding } of rows) {
      const setAside =
        doubtAngle(
          finding,
          all.filter((r) => r.part === part),
          this.cuts(),
        ) !== null;
      all.push({ ...this.reading(tooth, finding, setAside), part });
    }
    const taken = all.slice(this.readings().length);
    this.sessions.take(taken);
    return taken.filter((r) => r.setAside).length;
  }

  /** Points by turns from the present tooth on, where nobody has looked yet. */
  alternate(point: Lean): number {
    const found = alternateFrom(this.tooth(), point, this.sides());
    this.sessions.take(found.map((f) => this.reading(f.tooth, { way: 'eye', point: f.point }, false)));
    return found.length;
  }

  private reading(tooth: number, finding: AngleFinding, setAside: boolean): AngleReading {
    return {
      key: crypto.randomUUID(),
      quantity: 'angles',
      part: this.part(),
      place: tooth,
      value: finding,
      gauge: finding.way,
      setAside,
      corrects: null,
      simulated: false,
    };
  }

  /** What was set aside counts after all, as it is or as it was meant. */
  settle(reading: AngleReading, finding: AngleFinding): void {
    this.sessions.take([
      { ...reading, value: finding, key: crypto.randomUUID(), setAside: false, corrects: reading.key },
    ]);
    this.asked.set(null);
    this.goTo(reading.place + 1);
  }

  leaveAside(): void {
    const asked = this.asked();
    this.asked.set(null);
    if (asked) this.goTo(asked.reading.place);
  }

  /** Takes the last reading that counts out of the count: it stays in the record. */
  takeBack(): void {
    const last = standing(this.readings()).at(-1);
    if (!last) return;
    this.sessions.take([withdrawn(last, () => crypto.randomUUID())]);
    this.goTo(last.place);
  }
}

/** A finding with the asked angle as it was meant. */
export function asMeant(finding: AngleFinding, { angle, meant }: AngleDoubt): AngleFinding {
  if (!meant) return finding;
  if ((finding.way === 'bevel' || finding.way === 'file') && angle === 'fleam')
    return { ...finding, turnDeg: (finding.turnDeg ?? 1) < 0 ? -meant.deg : meant.deg };
  return finding.way === 'bevel' && angle === 'rake' ? { ...finding, rakeDeg: meant.deg } : finding;
}
