import { MatButton } from '@angular/material/button';
import type { ElementRef, OnDestroy } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { select } from 'd3-selection';
import type { ZoomTransform } from 'd3-zoom';
import { zoom, zoomIdentity } from 'd3-zoom';
import type { PicturePlace, TracedLine } from '@odontis/core/trace/traced-line';
import type { Palette } from '../../../sawpage/draw/palette';
import { readPalette } from '../../../sawpage/draw/palette';
import type { ShownPicture } from '../state/shown-picture';
import { drawPoints, drawTrace } from './draw-trace';
import { TILE_PX, TileStore } from './tile-store';

// Over 250 lines: one drawing under the hand; what is drawn stands in draw-trace.ts, the tiles in tile-store.ts.

/** Screen pixels to a picture's pixel when a tooth is brought near. */
const NEAR = 3;

/** A picture with its trace over it: wheel and drag zoom and move, a click picks the nearest tooth or puts a mark. */
@Component({
  selector: 'od-traced-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    <canvas
      #canvas
      tabindex="0"
      role="application"
      [attr.aria-label]="says()"
      (keydown)="keyed.emit($event)"
      (click)="clicked($event)"
    ></canvas>
    <div class="zoom">
      <button matButton="outlined" class="small" type="button" (click)="by(2)" aria-label="Nearer">+</button>
      <button matButton="outlined" class="small" type="button" (click)="by(0.5)" aria-label="Further">−</button>
      <button matButton="outlined" class="small" type="button" (click)="whole()" aria-label="Whole picture">
        whole
      </button>
    </div>
  `,
  styles: `
    :host {
      position: relative;
      display: block;
    }
    canvas {
      display: block;
      width: 100%;
      height: 230px;
      background: var(--plate);
      touch-action: none;
    }
    canvas:focus-visible {
      outline: 3px solid var(--ink);
      outline-offset: 2px;
    }
    .zoom {
      position: absolute;
      right: 8px;
      bottom: 8px;
      display: flex;
      gap: 4px;
    }
    .zoom button {
      background: var(--paper);
    }
  `,
})
export class TracedPicture implements OnDestroy {
  readonly picture = input.required<ShownPicture>();
  readonly index = input.required<number>();
  readonly line = input.required<TracedLine | null>();
  readonly selected = input.required<number | null>();
  /** Places put by hand, such as the two ends of a known length. */
  readonly marks = input<readonly PicturePlace[]>([]);
  /** Places to be seen with what stands beside them, such as points seen from over them. */
  readonly points = input<readonly (PicturePlace & { readonly says: string })[]>([]);
  /** `mark`: a click is a place; `pick`: it is the nearest tooth. */
  readonly mode = input.required<'pick' | 'mark'>();
  readonly placed = output<PicturePlace>();
  readonly picked = output<number>();
  readonly keyed = output<KeyboardEvent>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly width = signal(1200);
  private readonly view = signal<ZoomTransform>(zoomIdentity);
  private readonly skin = signal(0);
  private palette: Palette | null = null;
  private readonly store = computed(() => new TileStore(this.picture().client));
  private readonly watchers: { disconnect(): void }[] = [];
  private readonly height = 230;
  private readonly zoomer = zoom<HTMLCanvasElement, unknown>().on('zoom', (event: { transform: ZoomTransform }) =>
    this.view.set(event.transform),
  );
  protected readonly says = computed(() => {
    const line = this.line();
    const { name } = this.picture();
    const points = this.points().length;
    if (points > 0) return `${name} with ${points} points seen on it.`;
    return line
      ? `${name} with ${line.teeth.length} teeth traced on it. Arrow keys choose a tooth, with Shift they move its tip.`
      : `${name}, not traced.`;
  });

  constructor() {
    afterRenderEffect({
      write: () => {
        const element = this.canvas().nativeElement;
        if (this.watchers.length === 0) this.attach(element);
      },
    });
    effect((onCleanup) => {
      const store = this.store();
      untracked(() => this.watchers.length > 0 && this.whole());
      onCleanup(() => store.close());
    });
    effect(() => {
      const tooth = this.selected();
      untracked(() => tooth !== null && this.bringIn(tooth));
    });
    afterRenderEffect({
      write: () => {
        this.skin();
        this.store().came();
        this.marks();
        this.points();
        if (this.watchers.length > 0) this.draw(this.view());
      },
    });
  }

  ngOnDestroy(): void {
    this.watchers.forEach((watcher) => watcher.disconnect());
    this.store().close();
  }

  private attach(element: HTMLCanvasElement): void {
    const resize = new ResizeObserver(() => this.width.set(Math.max(320, element.clientWidth)));
    resize.observe(element);
    const skin = new MutationObserver(() => {
      this.palette = null;
      this.skin.update((n) => n + 1);
    });
    skin.observe(document.documentElement, { attributes: true, attributeFilter: ['data-sheet'] });
    this.watchers.push(resize, skin);
    this.width.set(Math.max(320, element.clientWidth));
    select(element).call(this.zoomer).on('dblclick.zoom', null);
    this.whole();
  }

  protected by(factor: number): void {
    select(this.canvas().nativeElement).call(this.zoomer.scaleBy, factor);
  }

  /** The whole picture, as wide as the view. */
  protected whole(): void {
    const { widthPx, heightPx } = this.picture().header;
    const k = Math.min(this.width() / widthPx, this.height / heightPx);
    this.zoomer.scaleExtent([Math.min(1, k) / 1.5, 16]);
    const at = zoomIdentity.translate((this.width() - k * widthPx) / 2, (this.height - k * heightPx) / 2).scale(k);
    select(this.canvas().nativeElement).call(this.zoomer.transform, at);
  }

  private bringIn(tooth: number): void {
    const found = this.line()?.teeth.find((t) => t.tooth === tooth && t.scan === this.index());
    if (!found || this.watchers.length === 0) return;
    const view = this.view();
    const [x, y] = view.apply([found.tipPx.x, found.tipPx.y]);
    const margin = 80;
    if (view.k > 0.8 && x > margin && x < this.width() - margin && y > 40 && y < this.height - 20) return;
    const k = Math.max(view.k, Math.min(NEAR, 1 / ((this.line()?.mmPerPx ?? 0.04) * 3)));
    const at = zoomIdentity
      .translate(this.width() / 2 - k * found.tipPx.x, this.height / 2 - k * found.tipPx.y)
      .scale(k);
    select(this.canvas().nativeElement).call(this.zoomer.transform, at);
  }

  protected clicked(event: MouseEvent): void {
    const [x, y] = this.view().invert([event.offsetX, event.offsetY]);
    if (this.mode() === 'mark') {
      this.placed.emit({ x, y });
      return;
    }
    const teeth = this.line()?.teeth.filter((t) => t.scan === this.index()) ?? [];
    const off = (i: number): number => Math.hypot((teeth[i]?.tipPx.x ?? 0) - x, (teeth[i]?.tipPx.y ?? 0) - y);
    let nearest = 0;
    teeth.forEach((_, i) => {
      if (off(i) < off(nearest)) nearest = i;
    });
    const tooth = teeth[nearest];
    if (tooth) this.picked.emit(tooth.tooth);
  }

  private draw(view: ZoomTransform): void {
    const element = this.canvas().nativeElement;
    const context = element.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio || 1;
    const [w, h] = [Math.round(this.width() * ratio), Math.round(this.height * ratio)];
    if (element.width !== w || element.height !== h) [element.width, element.height] = [w, h];
    this.palette ??= readPalette(document.body);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, this.width(), this.height);
    this.drawTiles(context, view);
    const sheet = {
      context,
      palette: this.palette,
      width: this.width(),
      height: this.height,
      k: view.k,
      x: view.x,
      y: view.y,
    };
    const line = this.line();
    if (line) drawTrace(sheet, line, this.index(), this.selected());
    drawPoints(sheet, this.points());
    context.strokeStyle = this.palette.lead;
    context.lineWidth = 2;
    const marks = this.marks().map((p) => view.apply([p.x, p.y]));
    context.beginPath();
    marks.forEach(([x, y], i) => {
      context.moveTo(x - 8, y);
      context.lineTo(x + 8, y);
      context.moveTo(x, y - 8);
      context.lineTo(x, y + 8);
      const before = marks[i - 1];
      if (before) {
        context.moveTo(before[0], before[1]);
        context.lineTo(x, y);
      }
    });
    context.stroke();
  }

  /** The level whose pixels are no larger than the screen's, over a coarse one that stands in until it comes. */
  private drawTiles(context: CanvasRenderingContext2D, view: ZoomTransform): void {
    const { widthPx, heightPx } = this.picture().header;
    const fine = Math.max(0, Math.floor(Math.log2(1 / view.k)));
    const coarse = Math.max(fine, Math.ceil(Math.log2(Math.max(widthPx / (4 * TILE_PX), 1))));
    context.imageSmoothingEnabled = view.k < 2;
    for (const level of coarse > fine ? [coarse, fine] : [fine]) {
      const side = TILE_PX * 2 ** level;
      const [left, top] = view.invert([0, 0]);
      const [right, bottom] = view.invert([this.width(), this.height]);
      for (let row = Math.max(0, Math.floor(top / side)); row * side < Math.min(bottom, heightPx); row++)
        for (let column = Math.max(0, Math.floor(left / side)); column * side < Math.min(right, widthPx); column++) {
          const tile = this.store().get(level, column, row);
          if (!tile) continue;
          const [x, y] = view.apply([column * side, row * side]);
          const size = view.k * 2 ** level;
          context.drawImage(tile, x, y, tile.width * size, tile.height * size);
        }
    }
  }
}
