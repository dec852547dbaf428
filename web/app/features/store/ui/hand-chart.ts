import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { Calibration } from '@odontis/core/calibration/hand';
import type { HandLine } from '@odontis/core/calibration/hand-line';
import { lengthIn } from '@odontis/core/units/length';
import type { EChartsCoreOption } from 'echarts/core';
import type { Palette } from '../../../sawpage/draw/palette';
import { Echart } from '../../../shared/chart/echart';
import { Speech } from '../../../shared/speech/speech';

/** Along and up: what is counted, and what came of it. */
const AXES: Record<Calibration, readonly [string, string]> = {
  strokes: ['strokes', 'dropped'],
  stoning: ['passes', 'off a side'],
  'set-tool': ['number on it', 'set'],
};

/** One tool in one hand, small: every reading, the line through them, and how surely it is known (one error to either side). */
@Component({
  selector: 'od-hand-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Echart],
  template: `<od-echart [option]="option()" [label]="label()" [tallPx]="132" />`,
})
export class HandChart {
  readonly line = input.required<HandLine>();
  readonly what = input.required<Calibration>();
  readonly whose = input.required<string>();
  private readonly speech = inject(Speech);

  protected readonly label = computed(() => {
    const [along, up] = AXES[this.what()];
    return `${this.whose()}: ${up} against ${along}, ${this.line().points.length} read.`;
  });
  protected readonly option = computed(() => {
    const [{ points, line }, unit, [along, up]] = [this.line(), this.speech.unit(), AXES[this.what()]];
    const y = (mm: number): number => Number(lengthIn(mm, unit).toFixed(4));
    return (p: Palette): EChartsCoreOption => {
      const axis = {
        axisLabel: { color: p.quiet, hideOverlap: true },
        nameTextStyle: { color: p.quiet },
        splitLine: { show: false },
      };
      const curve = { type: 'line' as const, showSymbol: false, animation: false, silent: true };
      const band = (side: 1 | -1) => ({
        ...curve,
        lineStyle: { color: p.steel, type: 'dashed' as const, width: 1 },
        data: (line ?? []).map(({ amount, didMm, errorMm }) => [amount, y(didMm + side * errorMm)]),
      });
      return {
        textStyle: { fontFamily: 'IBM Plex Sans' },
        grid: { left: 44, right: 10, top: 28, bottom: 34 },
        xAxis: {
          ...axis,
          type: 'value',
          name: along,
          nameLocation: 'middle',
          nameGap: 20,
          scale: this.what() === 'set-tool',
        },
        yAxis: {
          ...axis,
          type: 'value',
          name: `${up}, ${unit}`,
          splitNumber: 3,
          nameTextStyle: { color: p.quiet, align: 'left' },
        },
        series: [
          band(1),
          band(-1),
          { ...curve, lineStyle: { color: p.ink }, data: (line ?? []).map(({ amount, didMm }) => [amount, y(didMm)]) },
          {
            type: 'scatter' as const,
            symbolSize: 6,
            animation: false,
            itemStyle: { color: p.brass },
            data: points.map(({ amount, didMm }) => [amount, y(didMm)]),
          },
        ],
      };
    };
  });
}
