import type { ElementRef, OnDestroy } from '@angular/core';
import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { DepthPoint } from '@odontis/core/line/depth-curve';
import { lengthIn } from '@odontis/core/units/length';
import type { EChartsType } from 'echarts/core';
import { readPalette } from '../../../sawpage/draw/palette';
import { Speech } from '../../../shared/speech/speech';

/** Evenness and teeth reached against depth; ECharts comes only with this page. */
@Component({
  selector: 'od-curve-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #chart role="img" [attr.aria-label]="label()"></div>
    @if (!ready()) {
      <p class="quiet">Drawing the curve …</p>
    }`,
  styles: `
    div {
      height: 215px;
    }
  `,
})
export class CurveChart implements OnDestroy {
  private readonly speech = inject(Speech);
  readonly curve = input.required<readonly DepthPoint[]>();
  readonly depthMm = input.required<number>();
  readonly recommendedMm = input.required<number>();
  readonly depthChosen = output<number>();
  private readonly host = viewChild.required<ElementRef<HTMLDivElement>>('chart');
  protected readonly ready = signal(false);
  private chart: EChartsType | null = null;
  private gone = false;
  private drawn: readonly DepthPoint[] | null = null;

  constructor() {
    void this.load();
    afterRenderEffect(() => {
      const [curve, depth, recommended, unit] = [
        this.curve(),
        this.depthMm(),
        this.recommendedMm(),
        this.speech.unit(),
      ];
      if (this.ready()) this.draw(curve, depth, recommended, unit);
    });
  }

  protected label(): string {
    return `Curve of worst spacing error and of teeth reached against joint depth; now at ${this.speech.fine(this.depthMm())}.`;
  }

  private async load(): Promise<void> {
    const [core, charts, parts, renderers] = await Promise.all([
      import('echarts/core'),
      import('echarts/charts'),
      import('echarts/components'),
      import('echarts/renderers'),
    ]);
    if (this.gone) return;
    core.use([
      charts.LineChart,
      parts.GridComponent,
      parts.MarkLineComponent,
      parts.LegendComponent,
      renderers.CanvasRenderer,
    ]);
    this.chart = core.init(this.host().nativeElement);
    this.chart.getZr().on('click', (event: { offsetX: number; offsetY: number }) => {
      const at = this.chart?.convertFromPixel({ seriesIndex: 0 }, [event.offsetX, event.offsetY])?.[0];
      if (typeof at === 'number' && Number.isFinite(at))
        this.depthChosen.emit(Math.max(0, this.speech.unit() === 'mm' ? at : at * 0.0254));
    });
    this.ready.set(true);
  }

  private draw(curve: readonly DepthPoint[], depthMm: number, recommendedMm: number, unit: 'thou' | 'mm'): void {
    const p = readPalette(document.body);
    const x = (mm: number): number => Number(lengthIn(mm, unit).toFixed(4));
    const marks = [
      {
        xAxis: x(recommendedMm),
        lineStyle: { color: p.brass, type: 'dashed' as const },
        label: { formatter: 'advised', color: p.brass },
      },
      {
        xAxis: x(depthMm),
        lineStyle: { color: p.text, type: 'solid' as const },
        label: { formatter: 'now', color: p.text, position: 'insideEndTop' as const },
      },
    ];
    const line = { type: 'line' as const, showSymbol: false, animation: false };
    const markLine = { symbol: 'none', silent: true, animation: false, data: marks };
    if (this.drawn === curve) {
      this.chart?.setOption({ series: [{ name: 'worst spacing error', markLine }] });
      return;
    }
    this.drawn = curve;
    const axis = {
      axisLabel: { color: p.quiet, showMaxLabel: false },
      nameTextStyle: { color: p.quiet },
      splitLine: { show: false },
    };
    this.chart?.setOption({
      textStyle: { fontFamily: 'IBM Plex Sans' },
      grid: { left: 46, right: 46, top: 58, bottom: 34 },
      legend: { top: 0, itemWidth: 22, textStyle: { color: p.text } },
      xAxis: {
        ...axis,
        type: 'value',
        name: `depth, ${unit}`,
        nameLocation: 'middle',
        nameGap: 20,
        max: x(curve.at(-1)?.depthMm ?? 1),
      },
      yAxis: [
        { ...axis, type: 'value', name: unit, min: 0 },
        { ...axis, type: 'value', name: '% reached', min: 0, max: 100 },
      ],
      series: [
        {
          ...line,
          name: 'worst spacing error',
          color: p.ink,
          data: curve.map((c) => [x(c.depthMm), x(c.worstSpacingMm)]),
          markLine,
        },
        {
          ...line,
          name: 'teeth reached',
          yAxisIndex: 1,
          step: 'end',
          color: p.steel,
          lineStyle: { type: 'dashed' },
          data: curve.map((c) => [x(c.depthMm), 100 * c.reachedShare]),
        },
      ],
    });
  }

  ngOnDestroy(): void {
    this.gone = true;
    this.chart?.dispose();
  }
}
