import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { PHOTOGRAPH_PX } from '@odontis/contract/notes';
import { ShrinkClient } from '../../workers/shrink-client';
import { shrinkWords } from './shrink-words';

export interface ShownPhotograph {
  readonly id: number;
  readonly caption: string;
  readonly url: string;
}

/** Photographs beside a saw: from a file or the device's camera, shrunk and cleaned before they are handed on. */
@Component({
  selector: 'od-photograph-desk',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <label class="file"
        >Add photographs<input #field type="file" accept="image/*" multiple (change)="take(field)"
      /></label>
      <label class="file"
        >Use the camera<input #field2 type="file" accept="image/*" capture="environment" (change)="take(field2)"
      /></label>
      @if (busy() > 0) {
        <span role="status">Making {{ busy() === 1 ? 'a photograph' : busy() + ' photographs' }} smaller …</span>
        <button type="button" class="link" (click)="stop()">stop</button>
      }
    </div>
    @for (sentence of said(); track sentence) {
      <p role="status">{{ sentence }}</p>
    }
    <ul>
      @for (one of photographs(); track one.id) {
        <li>
          <a [href]="one.url" target="_blank" rel="noopener"
            ><img [src]="one.url" [alt]="one.caption || 'Photograph of the saw'"
          /></a>
          <button
            type="button"
            class="link"
            (click)="removed.emit(one.id)"
            [attr.aria-label]="'Take away photograph ' + ($index + 1)"
          >
            take away
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      align-items: center;
    }
    ul {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      list-style: none;
      margin: 8px 0 0;
      padding: 0;
    }
    li {
      display: grid;
      justify-items: start;
    }
    img {
      height: 96px;
      border: 1px solid var(--rule);
    }
  `,
})
export class PhotographDesk {
  private readonly worker = inject(ShrinkClient);
  readonly photographs = input.required<readonly ShownPhotograph[]>();
  readonly added = output<Blob>();
  readonly removed = output<number>();
  private readonly waiting = signal(0);
  protected readonly busy = computed(() => this.waiting());
  protected readonly said = signal<readonly string[]>([]);
  private stopper = new AbortController();

  protected async take(field: HTMLInputElement): Promise<void> {
    const files = [...(field.files ?? [])];
    field.value = '';
    this.said.set([]);
    this.waiting.update((n) => n + files.length);
    const { signal: stopped } = this.stopper;
    for (const file of files) {
      if (!stopped.aborted) {
        const answer = await this.worker.shrink(file, PHOTOGRAPH_PX, stopped);
        const words = stopped.aborted ? '' : shrinkWords(file.name, answer);
        if (words) this.said.update((said) => [...said, words]);
        if (answer.ok && !stopped.aborted) this.added.emit(answer.jpeg);
      }
      this.waiting.update((n) => n - 1);
    }
  }

  protected stop(): void {
    this.stopper.abort();
    this.stopper = new AbortController();
  }
}
