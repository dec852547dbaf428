import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { IndicatorLink } from '../indicator/indicator-link';
import { StandInIndicator } from '../indicator/stand-in-indicator';
import { Speech } from '../speech/speech';
import { Notice } from '../ui/notice';

const BAUD = 9600;

/** A reading whose button was pressed; out of the stand-in it says so for ever. */
export interface Pressed {
  readonly mm: number;
  readonly simulated: boolean;
}

/** The indicator in use: its live value, how its wire does, and what connects it. */
@Component({
  selector: 'od-indicator-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  providers: [IndicatorLink],
  template: `
    @if (link.connected(); as name) {
      <p class="live">
        <span class="value">{{ link.valueMm() === null ? '…' : speech.finer(link.valueMm() ?? 0) }}</span>
        <button matButton="filled" type="button" [disabled]="!standIn" (click)="press()">
          Press
          @if (byKey()) {
            <kbd>Space</kbd>
          }
        </button>
        <button matButton="outlined" type="button" (click)="link.disconnect()">Put it away</button>
      </p>
      <p class="quiet" role="status">
        {{ name }}{{ link.silent() ? ': silent, waiting for it' : ''
        }}{{ link.garbage() ? ' · ' + link.garbage() + ' lines could not be read' : '' }}
      </p>
    } @else {
      <p class="live">
        <button matButton="outlined" type="button" (click)="useStandIn()">Stand-in indicator</button>
        @if (serial) {
          <button matButton="outlined" type="button" (click)="useSerial()">Indicator on a serial port</button>
        }
      </p>
    }
    @if (link.lost(); as lost) {
      <od-notice weight="stop">{{ lost }}</od-notice>
    }
  `,
  styles: `
    .live {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 6px 0;
    }
    .value {
      min-width: 130px;
      font-size: 26px;
      font-weight: 600;
    }
    .quiet {
      margin: 0;
    }
  `,
  host: { '(document:keydown.space)': 'spaced($event)' },
})
export class IndicatorBar {
  protected readonly link = inject(IndicatorLink);
  protected readonly speech = inject(Speech);
  /** What the stand-in's spindle touches now. */
  readonly spindle = input.required<() => number>();
  readonly pressed = output<Pressed>();
  /** The space bar presses the stand-in; where it does something else, only the button does. */
  readonly byKey = input(true);
  protected readonly serial = 'serial' in navigator;
  protected standIn: StandInIndicator | null = null;

  protected useStandIn(): void {
    const device = new StandInIndicator(() => this.spindle()());
    this.standIn = device;
    void this.link.listen('Stand-in indicator', { readable: device.readable, close: () => device.stop() }, (mm) =>
      this.pressed.emit({ mm, simulated: true }),
    );
  }

  protected async useSerial(): Promise<void> {
    try {
      const port = await navigator.serial.requestPort();
      await port.open({ baudRate: BAUD });
      const { readable } = port;
      if (!readable) throw new Error('closed');
      this.standIn = null;
      await this.link.listen('Indicator on the serial port', { readable, close: () => port.close() }, (mm) =>
        this.pressed.emit({ mm, simulated: false }),
      );
    } catch (error) {
      // Nobody chose a port: nothing happened.
      if (!(error instanceof DOMException && error.name === 'NotFoundError'))
        this.link.lost.set('The indicator could not be opened: is another program using it?');
    }
  }

  protected press(): void {
    this.standIn?.press();
  }

  /** The space bar or a pedal is the stand-in's button, unless somebody is typing. */
  protected spaced(event: Event): void {
    const on = event.target as HTMLElement;
    if (
      !this.byKey() ||
      !this.link.connected() ||
      !this.standIn ||
      ['INPUT', 'TEXTAREA', 'BUTTON', 'SELECT'].includes(on.tagName)
    )
      return;
    event.preventDefault();
    this.press();
  }
}
