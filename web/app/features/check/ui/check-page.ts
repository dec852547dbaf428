import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { setOf } from '@odontis/core/evidence/set-of';
import { sidesOf } from '@odontis/core/evidence/sides';
import { edgesOf, firstLineOf, isGauged } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import { isCarbide, rakersOf, teethOf } from '@odontis/core/saw/saw';
import { setBalance } from '@odontis/core/set/set-balance';
import { linesOfOrder, linesToCut } from '@odontis/core/work/lines-of-order';
import { readCut } from '@odontis/core/work/read-cut';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { Conflict } from '../../../shared/conflict/conflict';
import { differencesOf } from '../../../shared/evidence/differences';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';
import { lineAfter } from '../../../shared/evidence/line-after';
import { LineDesk } from '../../../shared/evidence/line-desk';
import { ReadingsRefused } from '../../../shared/evidence/readings-refused';
import { ReadingDesk } from '../../../shared/evidence/reading-desk';
import { GaugeDesk } from '../../../shared/gauge/gauge-desk';
import { GaugeKeeper } from '../../../shared/gauge/gauge-keeper';
import { GroovePicture } from '../../../shared/loop/groove-picture';
import { Speech } from '../../../shared/speech/speech';
import { shopFeature } from '../../../shared/state/shop.feature';
import { selectRequest, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { Refused } from '../../../shared/ui/refused';
import { checkDrawing } from '../data/check-drawing';
import { cutWordsOf } from '../data/cut-words';
import { floorOf, floorSteps, grooveSays } from '../data/test-groove';
import { CutCausesPanel } from './cut-causes';
import { CutKept } from './cut-kept';
import type { CutLooked } from './cut-looks';
import { CutLooks, lengthsOf, NOT_LOOKED } from './cut-looks';
import { SetOfFew } from './set-of-few';

/** What was seen of the cut; null where nobody looked. */
interface Cut {
  readonly runs: 'true' | 'left' | 'right' | null;
  readonly binds: boolean | null;
  readonly chatters: boolean | null;
  /** Stoned since the cut before: the side, and passes as they are typed. */
  readonly stonedSide: 'left' | 'right' | 'both' | null;
  readonly stonedPasses: string;
  /** The tooth in the cut when a band beats, as it is typed. */
  readonly beatAt: string;
  readonly note: string;
}

const NOTHING_SEEN: Cut = {
  ...{ runs: null, binds: null, chatters: null, beatAt: '', note: '' },
  ...{ stonedSide: null, stonedPasses: '' },
};

/** Nobody said anything of the cut. */
const nothingSeen = (
  cut: Pick<NewCheck, 'runs' | 'binds' | 'chatters' | 'kerfMm' | 'offLine' | 'wall' | 'floor' | 'shavings'>,
): boolean =>
  [cut.runs, cut.binds, cut.chatters, cut.kerfMm, cut.offLine, cut.wall, cut.floor, cut.shavings].every(
    (one) => one === null || one === undefined,
  );

/** Measure again, cut, stone what needs it, again until it passes; before and after on the same lanes. */
@Component({
  selector: 'od-check-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ...[MatButton, MatButtonToggleModule, MatFormFieldModule, MatInput, RouterLink, Notice, ReadingsRefused, Refused],
    ...[Conflict, CutCausesPanel, CutKept, CutLooks, GaugeDesk, GroovePicture, ReadingDesk, SetOfFew],
  ],
  providers: [EvidenceDesk, LineDesk, GaugeKeeper],
  templateUrl: './check-page.html',
  styleUrl: './check-page.scss',
})
export class CheckPage {
  private readonly store = inject(Store);
  protected readonly evidence = inject(EvidenceDesk);
  protected readonly lines = inject(LineDesk);
  protected readonly gauging = inject(GaugeKeeper);
  private readonly judging = this.store.selectSignal(selectRequest('check'));
  protected readonly refusal = computed(() => this.judging().refusal);
  protected readonly sheet = inject(SawSheet);
  protected readonly speech = inject(Speech);
  protected readonly cut = signal<Cut>(NOTHING_SEEN);
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
        this.cut.set(NOTHING_SEEN);
        this.looked.set(NOT_LOOKED);
        // On to the edge that has not passed yet.
        const next = dossier?.plan && linesToCut(dossier.plan.order, dossier.checks)[0]?.edge;
        if (next) this.gauging.choosePart(next);
      });
    });
    effect(() => this.draw());
  }

  private draw(): void {
    const [dossier, habits] = [this.evidence.dossier(), this.speech.book()?.habits];
    if (!dossier || !habits) return;
    const after = {
      ...{ evidence: this.evidence.evidence(), edge: this.edge(), part: this.gauging.part() },
      ...{ keyed: this.lines.readings(), places: this.lines.places(), evennessShare: habits.evennessShare },
    };
    const drawing = checkDrawing(dossier, after, this.speech.fine);
    if (drawing) this.sheet.drawing.set(drawing);
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
    const told = { kerfMm, offLine, wall, floor, shavings, plate, again: (runs ?? 'true') === 'true' ? null : again };
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
  private readonly steps = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw ? floorSteps(saw, this.evidence.evidence()) : [];
  });
  protected readonly floor = computed(() => {
    const saw = this.evidence.dossier()?.saw;
    return saw ? floorOf(saw, this.steps()) : null;
  });
  protected readonly groove = computed(() =>
    grooveSays(this.steps(), this.evidence.dossier()?.plan?.order, this.speech),
  );
  /** Drift, binding and jumping, in this saw's words: what was said of each, and what pressing a word changes. */
  protected readonly findings = computed(() => {
    const [cut, words] = [this.cut(), this.words()];
    const choice = <K extends 'runs' | 'binds' | 'chatters'>(key: K, value: Cut[K], says: string) => {
      const said = cut[key] === value;
      return { says, said, toggled: { [key]: said ? null : value } as Partial<Cut> };
    };
    return [
      {
        name: 'Its line',
        said: cut.runs !== null,
        words: [
          choice('runs', 'left', words.left),
          choice('runs', 'true', words.true),
          choice('runs', 'right', words.right),
        ],
      },
      {
        name: 'Its kerf',
        said: cut.binds !== null,
        words: [choice('binds', false, words.free), choice('binds', true, words.binds)],
      },
      {
        name: 'Its stroke',
        said: cut.chatters !== null,
        words: [choice('chatters', false, words.even), choice('chatters', true, words.chatters)],
      },
    ];
  });
  protected readonly words = computed(() => cutWordsOf(this.evidence.dossier()?.saw.family ?? 'hand'));

  protected look(change: Partial<CutLooked>): void {
    this.looked.update((looked) => ({ ...looked, ...change }));
  }

  protected change(change: Partial<Cut>): void {
    this.cut.update((cut) => ({ ...cut, ...change }));
  }

  protected readAnew(): void {
    const id = this.evidence.ticketId();
    if (id !== null) this.store.dispatch(TicketPageEvents.readAnew({ id, refused: ['check'] }));
  }

  protected judge(dossier: Dossier): void {
    const edge = this.edges().length > 0 ? this.edge() : null;
    const { beatAt } = this.cut();
    const cut = this.reported();
    const tooth = cut.chatters && beatAt.trim() !== '' ? Number(beatAt) : null;
    const most = teethOf(dossier.saw);
    const bad = tooth !== null && !(Number.isInteger(tooth) && tooth >= 1 && tooth <= most);
    const { stonedSide, stonedPasses } = this.cut();
    const passes = Number(stonedPasses);
    const badPasses = stonedSide !== null && !(Number.isInteger(passes) && passes >= 1 && passes <= 99);
    this.slip.set(
      bad
        ? `“${beatAt}” is no tooth of this band: it has ${most}.`
        : badPasses
          ? 'Say how many passes of the stone were made, from 1 to 99.'
          : nothingSeen(cut)
            ? 'Nothing of this cut is looked at yet: say what you saw of it.'
            : null,
    );
    if (this.slip() !== null || this.lengthSlip() !== null) return;
    const stoned = stonedSide === null ? null : { side: stonedSide, passes };
    const check = { stoned, version: dossier.ticket.version, ...cut, edge, ...(this.band() && { beatAt: tooth }) };
    this.store.dispatch(TicketPageEvents.cutJudged({ id: dossier.ticket.id, check }));
  }
}
