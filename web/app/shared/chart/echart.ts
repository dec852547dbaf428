import type { ElementRef, OnDestroy } from '@angular/core';
import { afterRenderEffect, ChangeDetectionStrategy, Component, input, output, signal, viewChild } from '@angular/core';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import type { Palette } from '../../sawpage/draw/palette';
import { readPalette } from '../../sawpage/draw/palette';

/** A chart that is drawn anew with its option, its size and the sheet's colours; ECharts comes when the first is shown. */
@Component({
  selector: 'od-echart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #chart class="chart" role="img" [attr.aria-label]="label()" [style.height.px]="tallPx()"></div>
    @if (!ready()) {
      <p class="quiet">Drawing …</p>
    }`,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class Echart implements OnDestroy {
  readonly option = input.required<(palette: Palette) => EChartsCoreOption>();
  readonly label = input.required<string>();
  readonly tallPx = input(215);
  /** After every drawing: places on the chart are other px. */
  readonly drawn = output<EChartsType>();
  private readonly host = viewChild.required<ElementRef<HTMLDivElement>>('chart');
  protected readonly ready = signal(false);
  private chart: EChartsType | null = null;
  private gone = false;
  private readonly turned = signal(0);
  private readonly resized = new ResizeObserver(() => {
    this.chart?.resize();
    if (this.chart) this.drawn.emit(this.chart);
  });
  private readonly skin = new MutationObserver(() => this.turned.update((n) => n + 1));

  constructor() {
    void this.load();
    afterRenderEffect(() => {
      const option = this.option();
      this.turned();
      if (!this.ready() || !this.chart) return;
      this.chart.setOption(option(readPalette(document.body)), { notMerge: true });
      this.drawn.emit(this.chart);
    });
    this.skin.observe(document.documentElement, { attributes: true, attributeFilter: ['data-sheet'] });
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
      charts.ScatterChart,
      parts.GridComponent,
      parts.MarkLineComponent,
      parts.LegendComponent,
      renderers.CanvasRenderer,
    ]);
    this.chart = core.init(this.host().nativeElement);
    this.resized.observe(this.host().nativeElement);
    this.ready.set(true);
  }

  ngOnDestroy(): void {
    this.gone = true;
    this.resized.disconnect();
    this.skin.disconnect();
    this.chart?.dispose();
  }
}
