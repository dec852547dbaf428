import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { lengthsOfTrace } from '@odontis/contract/lengths-of-trace';
import { setsAsReadings } from '@odontis/contract/sets-as-readings';
import { cutsOf } from '@odontis/core/angles/angles-of';
import { filedAlone } from '@odontis/core/evidence/angle-finding';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import { teethOfPart } from '@odontis/core/evidence/quantities';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import type { ToothSet } from '@odontis/core/photograph/edge-readings';
import { RULER_MM } from '@odontis/core/photograph/measuring-strip';
import { edgesOf, firstLineOf, isRound, lineSawAt, softEdgesOf } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import type { Saw } from '@odontis/core/saw/saw';
import { patternFrom } from '@odontis/core/saw/tooth-pattern';
import { anglesOfTrace } from '@odontis/core/trace/angles-of-trace';
import { median } from '@odontis/core/units/median';
import { recall, remember } from '../../../shared/api/remembered';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { LineDesk } from '../../../shared/evidence/line-desk';
import { GaugeKeeper } from '../../../shared/gauge/gauge-keeper';
import { Speech } from '../../../shared/speech/speech';
import type { PictureWish } from '../../../workers/picture-protocol';
import { AngleKeeper } from './angle-keeper';
import { EdgeDesk } from './edge-desk';
import { PictureKeeper } from './picture-keeper';
import type { ShownPicture } from './shown-picture';
import { TraceDesk } from './trace-desk';

const PRINTER = 'stripPrinter';
/** Strips of a printer that the shop book does not know. */
export const UNMEASURED = '';

/** What pictures of the saw on the page are laid and read by, and what is taken of them into its evidence. */
@Injectable()
export class PictureMeasures {
  private readonly evidence = inject(EvidenceDesk);
  private readonly lines = inject(LineDesk);
  private readonly speech = inject(Speech);
  private readonly trace = inject(TraceDesk);
  private readonly along = inject(EdgeDesk);
  private readonly pictures = inject(PictureKeeper);
  private readonly gauging = inject(GaugeKeeper);
  private readonly angles = inject(AngleKeeper);
  private readonly saw = computed(() => this.evidence.dossier()?.saw ?? null);

  /** The edge of a two-edged saw that is being measured. */
  readonly edge = computed((): Filing | null => {
    const [saw, part] = [this.saw(), this.gauging.part()];
    if (!saw || edgesOf(saw).length === 0) return null;
    return part === 'rip' || part === 'crosscut' ? part : firstLineOf(saw);
  });
  /** A round blade, or a set of them: a picture shows its rim among round strips. */
  readonly round = computed(() => {
    const saw = this.saw();
    return !!saw && isRound(saw);
  });
  /** Edges or blades a picture can be of, where there are several. */
  readonly parts = computed((): readonly string[] => {
    const saw = this.saw();
    if (!saw) return [];
    const parts: readonly string[] =
      saw.family === 'dado' ? saw.parts.filter((p) => p.kind === 'outer').map((p) => p.id) : softEdgesOf(saw);
    return parts.length > 1 ? parts : [];
  });
  readonly part = computed((): string | null => {
    const [parts, chosen] = [this.parts(), this.gauging.part()];
    if (!this.round()) return this.edge();
    return parts.find((part) => part === chosen) ?? parts[0] ?? null;
  });
  choosePart(part: string): void {
    this.gauging.choosePart(part);
  }

  /** Printers of strips whose rulers the shop measured. */
  readonly printers = computed(() => this.speech.book()?.stripPrinters ?? []);
  private readonly chosen = signal(recall(PRINTER));
  /** The one whose strips are in the picture: the last chosen, else the first. */
  readonly printer = computed(() => {
    const [printers, chosen] = [this.printers(), this.chosen()];
    if (chosen === UNMEASURED) return null;
    return printers.find(({ name }) => name === chosen) ?? printers[0] ?? null;
  });
  /** Pictures that are open are laid anew by it. */
  choosePrinter(name: string): void {
    remember(PRINTER, name);
    this.chosen.set(name);
    this.startDesks();
    void this.trace.layAnew();
    void this.along.layAnew();
  }

  constructor() {
    effect(() => this.startDesks());
  }

  private startDesks(): void {
    const [saw, edge, part] = [this.saw(), this.edge(), this.part()];
    if (!saw) return;
    const laying = this.layingOf(saw, part);
    const gulletMm = this.gulletMm(edge);
    untracked(() => {
      const { pitchMm, filing } = lineSawAt(saw, edge);
      const bevelled = filing === 'crosscut' && !isRound(saw);
      this.along.startFrom({ pitchMm, gulletMm, laying });
      this.trace.startFrom({
        pitchMm,
        bevels: bevelled ? { plateMm: saw.plateThicknessMm, alone: filedAlone(saw) } : null,
        pattern: saw.family === 'crosscut' ? patternFrom(saw.pattern, saw.patternOffset ?? 0) : '',
        cuts: cutsOf(saw),
        laying,
      });
    });
  }

  /** The middle depth of the gullets as far as they were measured, mm. */
  private gulletMm(part: string | null): number | null {
    const readings = this.evidence.evidence().flatMap((s) => s.readings);
    const depths = estimatesOf(readings, 'gullet-depth', part).map((e) => e.valueMm);
    return depths.length > 0 ? median(depths) : null;
  }

  /** What a photograph is laid flat by: the plate on the strips, a blade's round, and what the printer makes of a millimetre. */
  private layingOf(saw: Saw, part: string | null): PictureWish {
    const printer = this.printer();
    return {
      plateMm: saw.plateThicknessMm,
      ...(isRound(saw) && {
        round: { diameterMm: saw.diameterMm, boreMm: saw.boreMm, teeth: teethOfPart(saw, part) },
      }),
      ...(printer && {
        printed: { along: printer.alongMm / RULER_MM.along, across: printer.acrossMm / RULER_MM.across },
      }),
    };
  }

  /** The traced teeth become the line's readings; undo brings back what was keyed. Set and lean, which no side view shows, stay. */
  takeLine(teeth: ToothReading[]): void {
    const line = this.trace.line();
    if (line) this.angles.takeTrace(anglesOfTrace(line, this.trace.turns()));
    this.keep(this.trace.pictures(), 'Teeth');
    this.lines.takeLine({ teeth, places: true }, this.trace.gauge());
  }

  /** Of a saw that is gauged the traced heights and gullets are readings in the session. */
  takeLengths(): void {
    const [line, saw] = [this.trace.line(), this.saw()];
    this.keep(this.trace.pictures(), 'Teeth');
    if (!line || !saw) return;
    this.gauging.takeAll(lengthsOfTrace(saw, line, this.part(), this.trace.gauge()));
    if (!isRound(saw)) this.angles.takeTrace(anglesOfTrace(line, this.trace.turns()), this.part());
  }

  /** Set and lean seen along the points are readings by photograph in the session. */
  takeSets(sets: readonly ToothSet[]): void {
    const saw = this.saw();
    if (!saw) return;
    const { rows, leans } = setsAsReadings(saw, sets, this.edge(), () => crypto.randomUUID());
    const picture = this.along.picture();
    if (picture) this.keep([picture], 'Set');
    this.gauging.takeAll(rows);
    this.evidence.take(leans);
  }

  private keep(pictures: readonly ShownPicture[], measured: string): void {
    const id = this.evidence.dossier()?.ticket.id;
    if (id !== undefined) void this.pictures.keep(id, pictures, measured);
  }
}
