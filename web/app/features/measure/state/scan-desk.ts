import type { OnDestroy } from '@angular/core';
import { computed, Injectable, signal } from '@angular/core';
import type { TraceEdit } from '@odontis/core/trace/edit-trace';
import { editTrace } from '@odontis/core/trace/edit-trace';
import { JOIN_WORDS, joinTraces } from '@odontis/core/trace/join-traces';
import { believableDpi, pictureFaultWords } from '@odontis/core/trace/picture-faults';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import type { PictureScale } from '@odontis/core/trace/scale';
import { patternFromHeel } from '@odontis/core/trace/raker-pattern';
import { scaleFault, scaleFromDpi, scaleFromLength } from '@odontis/core/trace/scale';
import type { PicturePlace, TracedLine, TracedTooth } from '@odontis/core/trace/traced-line';
import { TOOTH_DOUBTS } from '@odontis/core/trace/traced-line';
import { REFUSAL_WORDS, scaleFaultWords } from '@odontis/core/trace/trace-words';
import type { TraceWish } from '@odontis/core/trace/trace-teeth';
import { ScanClient, ScanStopped } from '../../../workers/scan-client';

/** One picture on the desk. */
export interface Scan {
  readonly name: string;
  readonly client: ScanClient;
  readonly header: PictureHeader;
  readonly scale: PictureScale | null;
  readonly line: TracedLine | null;
}

export type ScanBusy = { readonly what: 'reading' | 'tracing'; readonly share: number } | null;
type Lie = Pick<TraceWish, 'teethPoint' | 'heel'>;

const MOST_UNDO = 200;

/**
 * Scans on the measuring desk: opened and traced in workers, joined, corrected by
 * hand with undo. Big arrays stay out of the store; this is their home until the
 * teeth are taken as readings.
 */
@Injectable()
export class ScanDesk implements OnDestroy {
  /** What the saw itself says: its pitch, and which way it cuts. */
  readonly pitchMm = signal(0);
  readonly cuts = signal<'push' | 'pull'>('push');
  /** One repeat of cutters and rakers; empty for a saw without rakers. */
  readonly pattern = signal('');
  readonly scans = signal<readonly Scan[]>([]);
  readonly shown = signal(0);
  readonly busy = signal<ScanBusy>(null);
  readonly refusal = signal('');
  readonly lie = signal<Lie>({});
  readonly line = signal<TracedLine | null>(null);
  readonly selected = signal<number | null>(null);
  private readonly past = signal<readonly TracedLine[]>([]);
  private readonly future = signal<readonly TracedLine[]>([]);
  private opening: ScanClient | null = null;

  readonly scan = computed(() => this.scans()[this.shown()] ?? null);
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  readonly needsScale = computed(() => this.scans().some((scan) => scan.scale === null));
  readonly scaleDoubt = computed(() => {
    const line = this.line();
    const fault =
      line && this.pitchMm() > 0 ? scaleFault(line.summary.pitchMm.value, this.pitchMm(), line.mmPerPx) : null;
    return fault ? { says: scaleFaultWords(fault), likelyDpi: fault.likelyDpi } : null;
  });
  /** The pattern from the heel where the scan reads another than the ticket has; empty where they agree. */
  readonly readsPattern = computed(() => {
    const [line, pattern] = [this.line(), this.pattern()];
    const reads = line && pattern && line.summary.rakers > 0 ? patternFromHeel(line.teeth, pattern) : pattern;
    return reads === pattern ? '' : reads;
  });
  /** Teeth that want a look, the worst doubt first. */
  readonly doubtful = computed<readonly TracedTooth[]>(() => {
    const rank = (t: TracedTooth): number => Math.min(...t.doubts.map((d) => TOOTH_DOUBTS.indexOf(d)));
    const open = (t: TracedTooth): boolean => t.doubts.some((d) => d !== 'moved' && d !== 'added');
    return (this.line()?.teeth.filter(open) ?? []).sort((a, b) => rank(a) - rank(b) || a.tooth - b.tooth);
  });

  /** Opens a picture; a second one is joined to the first where `join` says so. */
  async open(file: File, join: boolean): Promise<void> {
    if (!join) this.clear();
    this.refusal.set('');
    const client = new ScanClient();
    this.opening = client;
    try {
      this.busy.set({ what: 'reading', share: 0 });
      const opened = await client.open(file, (share) => this.busy.set({ what: 'reading', share }));
      if (!opened.ok) {
        client.end();
        this.refusal.set(pictureFaultWords(opened.code, file.name, opened.header));
        return;
      }
      const dpi = believableDpi(opened.header);
      const scale = dpi === null ? null : scaleFromDpi(dpi);
      this.scans.update((all) => [...all, { name: file.name, client, header: opened.header, scale, line: null }]);
      this.shown.set(this.scans().length - 1);
      if (scale) await this.trace(this.scans().length - 1);
    } catch (error) {
      if (!(error instanceof ScanStopped)) throw error;
    } finally {
      this.opening = null;
      this.busy.set(null);
    }
  }

  async scaleByDpi(dpi: number): Promise<void> {
    await this.rescale(() => scaleFromDpi(dpi));
  }

  async scaleByLength(lengthMm: number, from: PicturePlace, to: PicturePlace): Promise<void> {
    await this.rescale(() => scaleFromLength(lengthMm, from, to));
  }

  private async rescale(scale: () => PictureScale): Promise<void> {
    const index = this.shown();
    this.scans.update((all) => all.map((scan, i) => (i === index ? { ...scan, scale: scale() } : scan)));
    await this.trace(index);
  }

  async layAs(lie: Lie): Promise<void> {
    this.lie.set(lie);
    await this.trace(this.shown());
  }

  /** What is done by hand goes with the old trace. */
  private async trace(index: number): Promise<void> {
    const scan = this.scans()[index];
    if (!scan?.scale) return;
    this.refusal.set('');
    this.busy.set({ what: 'tracing', share: 0 });
    try {
      const pattern = this.pattern();
      const wish = { ...scan.scale, cuts: this.cuts(), ...(pattern && { pattern }), ...this.lie() };
      const result = await scan.client.trace(wish, (share) => this.busy.set({ what: 'tracing', share }));
      const line = result.ok ? result : null;
      if (!result.ok) this.refusal.set(REFUSAL_WORDS[result.code]);
      this.scans.update((all) => all.map((one, i) => (i === index ? { ...one, line } : one)));
      this.joinAll();
    } catch (error) {
      if (!(error instanceof ScanStopped)) throw error;
    } finally {
      this.busy.set(null);
    }
  }

  /** Lays every scan on those before it; `told` is how many teeth the last two share. */
  joinAll(told?: number): void {
    const [first, ...more] = this.scans().map((scan) => scan.line);
    let line = first ?? null;
    more.forEach((next, i) => {
      if (!line || !next) return;
      const joined = joinTraces(line, next, i === more.length - 1 ? told : undefined);
      if (joined.ok) line = joined.line;
      else this.refusal.set(JOIN_WORDS[joined.code]);
    });
    this.past.set([]);
    this.future.set([]);
    this.line.set(line);
    this.selected.set(this.doubtful()[0]?.tooth ?? null);
  }

  edit(edit: TraceEdit): void {
    const line = this.line();
    if (!line) return;
    this.past.update((all) => [...all.slice(-MOST_UNDO), line]);
    this.future.set([]);
    this.line.set(editTrace(line, edit));
  }

  /** Seen and found right; on to the next that wants a look. */
  accept(): void {
    const tooth = this.selected();
    if (tooth === null) return;
    this.edit({ do: 'accept', tooth });
    this.selected.set(this.doubtful()[0]?.tooth ?? tooth);
  }

  undo(): void {
    const [line, before] = [this.line(), this.past().at(-1)];
    if (!line || !before) return;
    this.past.update((all) => all.slice(0, -1));
    this.future.update((all) => [...all, line]);
    this.line.set(before);
  }

  redo(): void {
    const [line, after] = [this.line(), this.future().at(-1)];
    if (!line || !after) return;
    this.future.update((all) => all.slice(0, -1));
    this.past.update((all) => [...all, line]);
    this.line.set(after);
  }

  /** Stops what runs. A picture that was being traced stays open; one half read is let go. */
  async stop(): Promise<void> {
    if (this.opening && this.busy()?.what === 'reading') this.opening.end();
    else this.clear();
    this.busy.set(null);
  }

  clear(): void {
    this.scans().forEach((scan) => scan.client.end());
    this.scans.set([]);
    this.shown.set(0);
    this.line.set(null);
    this.past.set([]);
    this.future.set([]);
    this.selected.set(null);
    this.refusal.set('');
    this.lie.set({});
  }

  ngOnDestroy(): void {
    this.opening?.end();
    this.scans().forEach((scan) => scan.client.end());
  }
}
