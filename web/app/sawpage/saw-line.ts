import { MatButton } from '@angular/material/button';
import type { ElementRef, OnDestroy } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import type { ScaleLinear } from 'd3-scale';
import { scaleLinear } from 'd3-scale';
import { select } from 'd3-selection';
import type { ZoomTransform } from 'd3-zoom';
import { zoom, zoomIdentity } from 'd3-zoom';
import { DepthGrip } from './depth-grip';
import { drawLanes } from './draw/draw-lanes';
import { drawWork } from './draw/draw-saw';
import { proportionsSaid } from './draw/proportions';
import { SawLayer } from './draw/saw-layer';
import type { Sheet } from './draw/sheet';
import type { Layout } from './draw/layout';
import { layoutFor } from './draw/layout';
import type { Palette } from './draw/palette';
import { readPalette } from './draw/palette';
import type { SawDrawing } from './drawing';
import { SawSheet } from './saw-sheet';
import { ViewMemory } from './view-memory';

/** The saw over the page's whole width with its lanes; wheel and drag zoom and move along it. */
@Component({
  selector: 'od-saw-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, DepthGrip],
  template: `
    <canvas #canvas role="img" [attr.aria-label]="says()" [style.height.px]="layout().height"></canvas>
    @if (sheet.handle(); as handle) {
      <od-depth-grip [handle]="handle" [drawing]="drawing()" [layout]="layout()" />
    }
    <div class="zoom">
      <button matButton="outlined" class="small" type="button" (click)="by(1.6)" aria-label="Nearer">+</button>
      <button matButton="outlined" class="small" type="button" (click)="by(1 / 1.6)" aria-label="Further">−</button>
      <button matButton="outlined" class="small" type="button" (click)="whole()" aria-label="Whole saw">whole</button>
      <span>{{ proportions() }}</span>
    </div>
  `,
  styleUrl: './saw-line.scss',
})
export class SawLine implements OnDestroy {
  protected readonly sheet = inject(SawSheet);
  private readonly memory = inject(ViewMemory);
  readonly ticket = input.required<number>();
  readonly drawing = input.required<SawDrawing>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly width = signal(1200);
  private readonly view = signal<ZoomTransform>(zoomIdentity);
  private readonly skin = signal(0);
  private palette: Palette | null = null;
  private readonly saw = new SawLayer();
  private readonly watchers: { disconnect(): void }[] = [];
  private readonly zoomer = zoom<HTMLCanvasElement, unknown>()
    .scaleExtent([1, 60])
    .on('zoom', (event: { transform: ZoomTransform }) => this.view.set(event.transform));

  protected readonly layout = computed(() => layoutFor(this.drawing(), this.width(), this.sheet.laneHeight()));
  protected readonly says = computed(() => {
    const d = this.drawing();
    return `${d.title}: ${d.teeth.length} teeth drawn from ${d.ends.heel} to ${d.ends.toe}, with lanes for ${d.lanes.map((l) => l.name.toLowerCase()).join(', ') || 'nothing yet'}.`;
  });
  protected readonly proportions = computed(() => {
    const scale = this.scale();
    return proportionsSaid(this.drawing(), this.layout(), scale(1) - scale(0));
  });
  private readonly scale = computed(() => {
    const layout = this.layout();
    const base = scaleLinear([0, Math.max(1, this.drawing().lengthMm)], [layout.left + 4, layout.right - 4]);
    return this.view().rescaleX(base);
  });

  constructor() {
    afterRenderEffect({
      write: () => {
        const element = this.canvas().nativeElement;
        if (this.watchers.length === 0) this.attach(element);
      },
    });
    // Drawn with the render that changed it: from hand to picture is one frame, not two.
    afterRenderEffect({
      write: () => {
        this.skin();
        if (this.watchers.length > 0) this.draw(this.drawing(), this.layout(), this.scale());
      },
    });
    effect(() => {
      const view = this.view();
      this.memory.keep(this.ticket(), { k: view.k, x: view.x });
    });
    effect(() => {
      const [scale, layout, length] = [this.scale(), this.layout(), Math.max(1, this.drawing().lengthMm)];
      const share = (px: number): number => Math.min(1, Math.max(0, scale.invert(px) / length));
      const seen = { from: share(layout.left), to: share(layout.right) };
      untracked(() => this.sheet.seen.set(seen));
    });
    effect(() => {
      const wanted = this.sheet.shown();
      if (wanted) untracked(() => this.moveTo(wanted.tooth));
    });
  }

  ngOnDestroy(): void {
    this.watchers.forEach((watcher) => watcher.disconnect());
  }

  private attach(element: HTMLCanvasElement): void {
    const resize = new ResizeObserver(() => this.width.set(Math.max(480, element.clientWidth)));
    resize.observe(element);
    const turned = (): void => {
      this.palette = null;
      this.skin.update((n) => n + 1);
    };
    const skin = new MutationObserver(turned);
    skin.observe(document.documentElement, { attributes: true, attributeFilter: ['data-sheet'] });
    // Numbers drawn before their typeface came are drawn again with it.
    document.fonts.addEventListener('loadingdone', turned);
    this.watchers.push(resize, skin, { disconnect: () => document.fonts.removeEventListener('loadingdone', turned) });
    const width = Math.max(480, element.clientWidth);
    this.width.set(width);
    this.zoomer
      .extent([
        [0, 0],
        [width, 400],
      ])
      .translateExtent([
        [0, 0],
        [width, 400],
      ]);
    const remembered = this.memory.read(this.ticket());
    const selection = select(element).call(this.zoomer);
    if (remembered) selection.call(this.zoomer.transform, zoomIdentity.translate(remembered.x, 0).scale(remembered.k));
    element.addEventListener('click', (event) => this.pick(event));
  }

  protected by(factor: number): void {
    select(this.canvas().nativeElement).call(this.zoomer.scaleBy, factor);
  }

  protected whole(): void {
    select(this.canvas().nativeElement).call(this.zoomer.transform, zoomIdentity);
  }

  private moveTo(tooth: number): void {
    const drawing = this.drawing();
    const i = drawing.teeth.indexOf(tooth);
    if (i < 0 || this.watchers.length === 0) return;
    const layout = this.layout();
    const base = scaleLinear([0, Math.max(1, drawing.lengthMm)], [layout.left + 4, layout.right - 4]);
    const x = base(drawing.xMm[i] as number);
    const now = this.scale()(drawing.xMm[i] as number);
    const k = this.view().k;
    if (k === 1 || (now > layout.left + 60 && now < layout.right - 60)) return;
    select(this.canvas().nativeElement).call(this.zoomer.translateTo, x, 0);
  }

  private pick(event: MouseEvent): void {
    const drawing = this.drawing();
    const x = this.scale().invert(event.offsetX);
    let nearest = -1;
    drawing.xMm.forEach((place, i) => {
      if (nearest < 0 || Math.abs(place - x) < Math.abs((drawing.xMm[nearest] as number) - x)) nearest = i;
    });
    const tooth = drawing.teeth[nearest];
    if (tooth !== undefined) this.sheet.picked.set(tooth);
  }

  private draw(drawing: SawDrawing, layout: Layout, x: ScaleLinear<number, number>): void {
    const element = this.canvas().nativeElement;
    const context = element.getContext('2d');
    if (!context) return;
    const ratio = window.devicePixelRatio || 1;
    const [w, h] = [Math.round(layout.width * ratio), Math.round(layout.height * ratio)];
    if (element.width !== w || element.height !== h) {
      element.width = w;
      element.height = h;
    }
    this.palette ??= readPalette(document.body);
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, layout.width, layout.height);
    const [fromMm, toMm] = [x.invert(layout.left - 4), x.invert(layout.right + 4)];
    const sheet: Sheet = {
      context,
      palette: this.palette,
      layout,
      x,
      first: Math.max(0, firstAt(drawing.xMm, fromMm) - 1),
      last: Math.min(drawing.teeth.length - 1, firstAt(drawing.xMm, toMm)),
      pxPerTooth: Math.abs(x(drawing.pitchMm) - x(0)),
    };
    this.saw.lay(sheet, drawing, ratio);
    drawWork(sheet, drawing);
    drawLanes(sheet, drawing);
  }
}

/** First index whose place is at or beyond, by halving. */
function firstAt(places: Float64Array, mm: number): number {
  let [low, high] = [0, places.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((places[middle] as number) < mm) low = middle + 1;
    else high = middle;
  }
  return low;
}
