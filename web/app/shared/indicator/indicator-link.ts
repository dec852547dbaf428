import { Injectable, signal } from '@angular/core';
import type { OnDestroy } from '@angular/core';
import { indicatorReading, lineSplitter, SILENT_MS } from '@odontis/core/evidence/indicator-lines';

/** Where bytes come from: a serial port or the stand-in. */
export interface ByteSource {
  readonly readable: ReadableStream<Uint8Array>;
  close(): Promise<void> | void;
}

/** Listens to an indicator: shows its value, counts what it cannot read, hands on every press. */
@Injectable()
export class IndicatorLink implements OnDestroy {
  readonly connected = signal('');
  readonly valueMm = signal<number | null>(null);
  readonly garbage = signal(0);
  readonly silent = signal(false);
  readonly lost = signal('');
  private source: ByteSource | null = null;
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  private watch: ReturnType<typeof setInterval> | null = null;
  private last = 0;

  /** Takes the bytes until the device goes or `disconnect`; `pressed` gets each reading whose button was pressed. */
  async listen(name: string, source: ByteSource, pressed: (valueMm: number) => void): Promise<void> {
    await this.disconnect();
    this.source = source;
    this.connected.set(name);
    this.lost.set('');
    this.garbage.set(0);
    this.last = performance.now();
    this.watch = setInterval(() => this.silent.set(performance.now() - this.last > SILENT_MS), SILENT_MS / 3);
    const split = lineSplitter();
    const decoder = new TextDecoder();
    this.reader = source.readable.getReader();
    try {
      for (;;) {
        const { value, done } = await this.reader.read();
        if (done) break;
        this.last = performance.now();
        for (const line of split(decoder.decode(value, { stream: true }))) {
          const reading = indicatorReading(line);
          if (!reading) this.garbage.update((n) => n + 1);
          else {
            this.valueMm.set(reading.valueMm);
            if (reading.pressed) pressed(reading.valueMm);
          }
        }
      }
    } catch {
      this.lost.set('The indicator was unplugged or fell silent. Connect it again; what was taken is kept.');
    }
    if (this.source === source) await this.disconnect();
  }

  async disconnect(): Promise<void> {
    const [reader, source] = [this.reader, this.source];
    this.reader = null;
    this.source = null;
    if (this.watch !== null) clearInterval(this.watch);
    this.watch = null;
    this.connected.set('');
    this.valueMm.set(null);
    this.silent.set(false);
    await reader?.cancel().catch(() => undefined);
    reader?.releaseLock();
    await source?.close();
  }

  ngOnDestroy(): void {
    void this.disconnect();
  }
}
