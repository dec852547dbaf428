import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { DepthPoint } from '@odontis/core/line/depth-curve';
import { lengthIn } from '@odontis/core/units/length';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import type { Palette } from '../../../sawpage/draw/palette';
import { Echart } from '../../../shared/chart/echart';
import { Speech } from '../../../shared/speech/speech';

/** Evenness and teeth reached against depth. */
@Component({
  selector: 'od-curve-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Echart],
  template: `<div class="sheet">
    <od-echart [option]="option()" [label]="label()" (drawn)="stands($event)" />
    @if (settled() > 0) {
      <div class="now" [style.transform]="'translateX(' + nowPx() + 'px)'" aria-hidden="true"><span>now</span></div>
    }
  </div>`,
  styles: `
    .sheet {
      position: relative;
    }
    .now {
      position: absolute;
      top: 58px;
      bottom: 34px;
      left: 0;
      width: 0;
      border-left: 1.5px solid var(--text);
      pointer-events: none;
    }
    span {
      position: absolute;
      bottom: 2px;
      left: 4px;
      font-size: 12px;
    }
  `,
})
export class CurveChart {
  private readonly speech = inject(Speech);
  readonly curve = input.required<readonly DepthPoint[]>();
  readonly depthMm = input.required<number>();
  readonly recommendedMm = input.required<number>();
  readonly depthChosen = output<number>();
  private chart: EChartsType | null = null;
  /** Counts redraws, after which places on the chart are other px; 0 before the first. */
  protected readonly settled = signal(0);

  /** Where the present depth stands: only this moves with the hand, the chart itself stays as drawn. */
  protected readonly nowPx = computed(() => {
    if (this.settled() === 0) return 0;
    const depth = lengthIn(this.depthMm(), this.speech.unit());
    const px = this.chart?.convertToPixel({ xAxisIndex: 0 }, depth);
    return Number.isFinite(px) ? Number(px) : 0;
  });
  protected readonly option = computed(() => {
    const [curve, recommended, unit] = [this.curve(), this.recommendedMm(), this.speech.unit()];
    return (palette: Palette) => curveOption(curve, recommended, unit, palette);
  });

  protected label(): string {
    return `Curve of worst spacing error and of teeth reached against joint depth; now at ${this.speech.fine(this.depthMm())}.`;
  }

  protected stands(chart: EChartsType): void {
    if (this.chart !== chart) {
      this.chart = chart;
      chart.getZr().on('click', (event: { offsetX: number; offsetY: number }) => {
        const at = chart.convertFromPixel({ seriesIndex: 0 }, [event.offsetX, event.offsetY])?.[0];
        if (typeof at === 'number' && Number.isFinite(at))
          this.depthChosen.emit(Math.max(0, this.speech.unit() === 'mm' ? at : at * 0.0254));
      });
    }
    this.settled.update((n) => n + 1);
  }
}

function curveOption(
  curve: readonly DepthPoint[],
  recommendedMm: number,
  unit: 'thou' | 'mm',
  p: Palette,
): EChartsCoreOption {
  const x = (mm: number): number => Number(lengthIn(mm, unit).toFixed(4));
  const advised = {
    xAxis: x(recommendedMm),
    lineStyle: { color: p.brass, type: 'dashed' as const },
    label: { formatter: 'advised', color: p.brass },
  };
  const line = { type: 'line' as const, showSymbol: false, animation: false };
  const markLine = { symbol: 'none', silent: true, animation: false, data: [advised] };
  const axis = {
    axisLabel: { color: p.quiet, showMaxLabel: false },
    nameTextStyle: { color: p.quiet },
    splitLine: { show: false },
  };
  return {
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
  };
}
