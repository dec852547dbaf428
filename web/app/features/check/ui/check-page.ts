import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatCheckbox } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { CheckRound } from '@odontis/contract/check';
import type { CutAdvice } from '@odontis/core/set/test-cut-verdict';
import { linesOfOrder, linesToCut } from '@odontis/core/work/lines-of-order';
import { isLineOrder } from '@odontis/core/work/order';
import { setBalance } from '@odontis/core/set/set-balance';
import { sidesOf } from '@odontis/core/evidence/sides';
import { setOf } from '@odontis/core/evidence/set-of';
import { differencesOf } from '../../../shared/evidence/differences';
import { parseLength } from '@odontis/core/units/length';
import { lineOf } from '@odontis/core/evidence/line-of';
import { edgesOf, firstLineOf, isGauged } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { BELOW_SCORERS_MM, GOOD_SPREAD_MM, judgeSpread } from '@odontis/core/circular/equalise';
import { grooveFloor, touchParts } from '@odontis/core/circular/groove';
import { estimatesOf } from '@odontis/core/evidence/estimates';
import { isCarbide, rakersOf, teethOf } from '@odontis/core/saw/saw';
import { readCut } from '@odontis/core/work/read-cut';
import type { Shavings } from '@odontis/core/raker/shavings';
import { baseDrawing, heightLane, measuredLanes, setLane, spacingLane } from '../../../sawpage/build-drawing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { GaugeDesk } from '../../../shared/gauge/gauge-desk';
import { GaugeKeeper } from '../../../shared/gauge/gauge-keeper';
import { SPREAD_SAYS } from '../../../shared/words/spread-words';
import { GroovePicture } from '../../../shared/loop/groove-picture';
import { Conflict } from '../../../shared/conflict/conflict';
import { ReadingDesk } from '../../../shared/evidence/reading-desk';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { lineAfter } from '../../../shared/evidence/line-after';
import { LineDesk } from '../../../shared/evidence/line-desk';
import { Speech } from '../../../shared/speech/speech';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { shopFeature } from '../../../shared/state/shop.feature';
import { ADVICE_SAYS } from '../../../shared/words/advice-words';
import { DUST_WORDS, FLOOR_WORDS, RIBBON_WORDS, WALL_WORDS } from '../../../shared/words/cause-words';
import { CutCausesPanel } from './cut-causes';
import type { CutLooked } from './cut-looks';
import { CutLooks, lengthsOf, NOT_LOOKED } from './cut-looks';

interface Cut {
  readonly runs: 'true' | 'left' | 'right';
  readonly binds: boolean;
  readonly chatters: boolean;
  /** The tooth in the cut when a band beats, as it is typed. */
  readonly beatAt: string;
  readonly note: string;
}

const SOUND: Cut = { runs: 'true', binds: false, chatters: false, beatAt: '', note: '' };

/** Measure again, cut, stone what needs it, again until it passes; before and after on the same lanes. */
@Component({
  selector: 'od-check-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    MatFormFieldModule,
    MatInput,
    MatButton,
    MatButtonToggleModule,
    MatCheckbox,
    RouterLink,
    ReadingDesk,
    GaugeDesk,
    Conflict,
    Notice,
    GroovePicture,
    CutCausesPanel,
    CutLooks,
  ],
  providers: [EvidenceDesk, LineDesk, GaugeKeeper],
  templateUrl: './check-page.html',
  styleUrl: './check-page.scss',
})
export class CheckPage {
  private readonly store = inject(Store);
  protected readonly evidence = inject(EvidenceDesk);
  protected readonly lines = inject(LineDesk);
  private readonly gauging = inject(GaugeKeeper);
  private readonly judging = this.store.selectSignal(selectRequest('check'));
  protected readonly refusal = computed(() => this.judging().refusal ?? this.evidence.refusal());
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly cut = signal<Cut>(SOUND);
  /** What else it was looked at for. */
  protected readonly looked = signal<CutLooked>(NOT_LOOKED);
  protected readonly slip = signal<string | null>(null);
  protected readonly checking = computed(() => this.evidence.dossier()?.ticket.stage === 'check');
  private readonly rounds = computed(() => this.evidence.dossier()?.checks.length ?? -1);
  /** What was measured after the work: set of both sides, a side read anew standing in for what was read of it before. */
  private readonly set = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw ? setOf(this.evidence.evidence(), 'after', sidesOf(saw), this.edge()) : null;
  });
  protected readonly balance = computed(() => {
    const set = this.set();
    return set && set.left.count > 0 && set.right.count > 0 ? setBalance(set.left, set.right) : null;
  });
  protected readonly differences = computed(() => {
    const theirs = this.evidence.theirs();
    return theirs ? differencesOf(this.evidence.unsent(), theirs, this.speech) : [];
  });

  constructor() {
    inject(Keys).here.set([
      { keys: 'Enter', does: 'keep the value, next tooth' },
      { keys: '↑', does: 'back one tooth' },
      { keys: 'Ctrl Z, Ctrl Y', does: 'undo, do again' },
    ]);
    this.sheet.handle.set(null);
    this.sheet.laneHeight.set(46);
    effect(() => {
      // A round judged begins the next one's measuring.
      if (this.rounds() < 0) return;
      untracked(() => {
        this.evidence.chooseKind('after');
        const dossier = this.evidence.dossier();
        this.lines.startFrom((dossier && lineAfter(dossier)) ?? []);
        this.lines.begin();
        this.lines.goTo(0);
        this.cut.set(SOUND);
        this.looked.set(NOT_LOOKED);
        // On to the edge that has not passed yet.
        const next = dossier?.plan && linesToCut(dossier.plan.order, dossier.checks)[0]?.edge;
        if (next) this.gauging.choosePart(next);
      });
    });
    effect(() => this.draw());
  }

  private draw(): void {
    const dossier = this.evidence.dossier();
    const plan = dossier?.plan;
    const habits = this.speech.book()?.habits;
    const round =
      dossier &&
      roundDrawing({ ...dossier, sessions: this.evidence.evidence() }, this.speech.fine, 'after', this.gauging.part());
    if (round) {
      this.sheet.drawing.set(round);
      return;
    }
    if (!dossier || !plan || !isLineOrder(plan.order) || !habits) return;
    const { inputs, forecast } = plan.order;
    const before = inputs.readings;
    const after = this.lines.readings();
    const pitch = forecast.tooth.pitchMm;
    if (isGauged(dossier.saw)) {
      const edge = this.edge();
      const own = linesOfOrder(plan.order).find((one) => one.edge === edge) ?? plan.order;
      const came = own.inputs.readings;
      const line = lineOf(this.evidence.evidence(), dossier.saw, 'after', edge);
      const shown = (line && line.heightsRead > 2 ? line.teeth : lineAfter(dossier, edge)) ?? came;
      this.sheet.drawing.set({
        ...baseDrawing(dossier, shown, own.forecast.tooth.filed, edge),
        lanes: measuredLanes(dossier.saw, shown, { say: this.speech.fine, wood: inputs.saw.wood, before: came }),
      });
      return;
    }
    this.sheet.drawing.set({
      ...baseDrawing(dossier, after.length > 0 ? after : before, forecast.tooth.filed),
      lanes: [
        heightLane(after, this.speech.fine, before),
        spacingLane(after, pitch, habits.evennessShare * pitch, this.speech.fine, before, this.lines.places()),
        setLane(after, this.speech.fine, before),
      ],
    });
  }

  /** "2.5 2.6 2.4": set of a few teeth of one side, from the heel on. */
  protected typeSet(lean: 'left' | 'right', text: string): void {
    const words = text
      .trim()
      .split(/[\s;]+/)
      .filter((word) => word !== '');
    const values = words.map((word) => parseLength(word, this.speech.unit()));
    const bad = words.find((_, i) => values[i]?.ok === false);
    this.slip.set(
      bad === undefined ? null : `"${bad}" is not a set. Type numbers with a space between, such as 2.5 2.6 2.4.`,
    );
    if (bad !== undefined) return;
    this.lines.setsOfSide(
      lean,
      values.flatMap((value) => (value.ok ? [value.mm] : [])),
    );
  }

  /** Cutters pointed one by one are gauged again, quantity by quantity; like teeth are keyed one after the other. */
  protected readonly gauged = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return !!saw && isGauged(saw);
  });
  /** The edge of a two-edged saw that is gauged and cut with. */
  protected readonly edge = computed((): Filing | null => {
    const [saw, part] = [this.evidence.dossier()?.saw, this.gauging.part()];
    if (!saw || edgesOf(saw).length === 0) return null;
    return part === 'rip' || part === 'crosscut' ? part : firstLineOf(saw);
  });
  protected readonly rakers = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw ? rakersOf(saw) : 0;
  });
  protected readonly shavingsSay = (id: Shavings): string => (this.rakers() > 0 ? RIBBON_WORDS : DUST_WORDS)[id];
  /** It is set, so that its kerf is as wide as its sides stand out. */
  protected readonly isSet = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return !!saw && saw.family !== 'dado' && !isCarbide(saw);
  });
  protected readonly byHand = computed(() => !this.band() && !this.blade());
  private readonly hand = this.store.selectSignal(shopFeature.selectHand);

  private readonly lengths = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    const plateMm = saw && 'plateThicknessMm' in saw ? saw.plateThicknessMm : 0;
    return lengthsOf(this.looked(), plateMm, this.speech);
  });
  protected readonly lengthSlip = computed(() => this.lengths().slip);

  /** The cut as it stands in the form, as it is sent and read. */
  private readonly reported = computed(() => {
    const { runs, binds, chatters, note } = this.cut();
    const { wall, floor, shavings, plate, again } = this.looked();
    const { kerfMm, offLine } = this.lengths();
    const told = { kerfMm, offLine, wall, floor, shavings, plate, again: runs === 'true' ? null : again };
    return { runs, binds, chatters, note, ...told };
  });

  /** What it tells of this saw, on its own numbers. */
  protected readonly read = computed(() => {
    const dossier = this.evidence.dossier();
    if (!dossier?.plan || !this.checking()) return null;
    const { order } = dossier.plan;
    const line = linesOfOrder(order).find((one) => one.edge === this.edge()) ?? linesOfOrder(order)[0] ?? null;
    const beatAt = Number(this.cut().beatAt) || null;
    return readCut(
      { ...this.reported(), ...(this.band() && { beatAt }) },
      { saw: dossier.saw, sessions: this.evidence.evidence(), order, line, hand: this.hand() },
      dossier.ticket.wood,
    );
  });

  /** This saw's rakers as measured for a cut, in figures. */
  protected rakersSay({ rakers }: CheckRound): string | null {
    if (!rakers) return null;
    const off = rakers.high + rakers.low;
    if (off === 0) return `${rakers.read} of ${rakers.of} rakers measured, all as wanted.`;
    const worst = `the worst ${this.speech.fine(Math.abs(rakers.worstMm))} too ${rakers.worstMm > 0 ? 'high' : 'low'}`;
    const work = rakers.strokes > 0 ? `; about ${rakers.strokes} strokes to bring the high ones down` : '';
    return `${rakers.read} of ${rakers.of} rakers measured: ${rakers.high} too high, ${rakers.low} too low, ${worst}${work}.`;
  }

  /** Edges its order works, where it works two. */
  protected readonly edges = computed(() => {
    const lines = linesOfOrder(this.evidence.dossier()?.plan?.order);
    return lines.length > 1 ? lines.flatMap(({ edge }) => (edge ? [edge] : [])) : [];
  });
  /** Out at the grinder and home again. */
  protected readonly ground = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw?.family === 'circular' && saw.tipped === 'carbide';
  });
  protected readonly band = computed(() => this.evidence.dossier()?.saw.family === 'band');
  protected readonly blade = computed(() => ['circular', 'dado'].includes(this.evidence.dossier()?.saw.family ?? ''));
  /** The floor of a set's test groove as it was measured, in section; null where it was not. mm. */
  protected readonly floor = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    const steps = this.floorSteps();
    if (saw?.family !== 'dado' || steps.length < 2) return null;
    const over = new Map(steps.map((one) => [one.part, one.overDeepestMm]));
    // A floor over the deepest place was cut by teeth that stand so much lower; the outer blades scored deeper.
    return grooveFloor(
      saw.parts
        .filter((part) => part.kind !== 'chipper' || over.has(part.id))
        .map((part) => ({ ...part, heightMm: part.kind === 'outer' ? BELOW_SCORERS_MM : -(over.get(part.id) ?? 0) })),
    );
  });
  private readonly floorSteps = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    if (saw?.family !== 'dado') return [];
    const readings = this.evidence
      .evidence()
      .filter((s) => s.kind === 'after')
      .flatMap((s) => s.readings);
    return saw.parts.flatMap((part) =>
      estimatesOf(readings, 'groove-step', part.id).map((e) => ({ part: part.id, overDeepestMm: e.valueMm })),
    );
  });
  /** Of a set: which parts its test groove says to touch, in a sentence; null where none was measured. */
  protected readonly groove = computed(() => {
    const steps = this.floorSteps();
    if (steps.length < 2) return null;
    const reached =
      Math.max(...steps.map((one) => one.overDeepestMm)) - Math.min(...steps.map((one) => one.overDeepestMm));
    const round = this.evidence.dossier()?.plan?.order.round;
    const { spreadBeforeMm = null, spreadAfterMm = null } = round?.family === 'dado' ? round.forecast : {};
    const was =
      spreadBeforeMm === null || spreadAfterMm === null
        ? ''
        : ` (${this.speech.fine(spreadBeforeMm)} before, ${this.speech.fine(spreadAfterMm)} foretold)`;
    const says = `Steps of ${this.speech.fine(reached)} on the floor${was}: ${SPREAD_SAYS[judgeSpread(reached)]}.`;
    const touch = touchParts(steps, GOOD_SPREAD_MM);
    if (touch.length === 0) return `${says} No part stands out.`;
    return `${says} Bring ${touch.map((one) => `the ${one.part} down ${this.speech.fine(one.downMm)}`).join(', ')}.`;
  });
  /** What a cut shows, in the words of the saw that made it. */
  protected readonly words = computed(() =>
    this.band()
      ? {
          left: 'wanders left',
          true: 'runs true',
          right: 'wanders right',
          binds: 'burns in curves',
          chatters: 'beats once a turn',
        }
      : this.blade()
        ? { left: 'runs left', true: 'runs true', right: 'runs right', binds: 'burns', chatters: 'leaves steps' }
        : { left: 'runs left', true: 'runs true', right: 'runs right', binds: 'binds', chatters: 'jumps' },
  );

  protected chooseEdge(edge: Filing): void {
    this.gauging.choosePart(edge);
  }

  protected look(change: Partial<CutLooked>): void {
    this.looked.update((looked) => ({ ...looked, ...change }));
  }

  /** What a kept cut was looked at for, in words. */
  protected looksSay({ kerfMm, offLineMm, overMm, wall, floor, plate, again }: CheckRound): string {
    return [
      ...(kerfMm === null ? [] : [`kerf ${this.speech.plate(kerfMm)}`]),
      ...(offLineMm === null || overMm === null
        ? []
        : [
            `${this.speech.fine(Math.abs(offLineMm))} off its line${offLineMm === 0 ? '' : ` to the ${offLineMm > 0 ? 'left' : 'right'}`} over ${this.speech.long(overMm)}`,
          ]),
      ...(wall === null ? [] : [`walls ${WALL_WORDS[wall]}`]),
      ...(floor === null ? [] : [`floor ${FLOOR_WORDS[floor]}`]),
      ...(plate === null ? [] : [`plate ${plate}`]),
      ...(again === null ? [] : [again === 'same' ? 'cut again, the same way' : 'cut again, another way']),
    ].join(', ');
  }

  protected change(change: Partial<Cut>): void {
    this.cut.update((cut) => ({ ...cut, ...change }));
  }

  protected advice(round: CheckRound): string[] {
    return round.advice.map((code) => ADVICE_SAYS[code as CutAdvice] ?? code);
  }

  protected judge(dossier: Dossier): void {
    const edge = this.edges().length > 0 ? this.edge() : null;
    const { beatAt } = this.cut();
    const cut = this.reported();
    const tooth = cut.chatters && beatAt.trim() !== '' ? Number(beatAt) : null;
    const most = teethOf(dossier.saw);
    const bad = tooth !== null && !(Number.isInteger(tooth) && tooth >= 1 && tooth <= most);
    this.slip.set(bad ? `“${beatAt}” is no tooth of this band: it has ${most}.` : null);
    if (bad || this.lengthSlip() !== null) return;
    const check = { version: dossier.ticket.version, ...cut, edge, ...(this.band() && { beatAt: tooth }) };
    this.store.dispatch(TicketPageEvents.cutJudged({ id: dossier.ticket.id, check }));
  }
}
