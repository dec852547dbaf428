import { MatButton } from '@angular/material/button';
import type { ElementRef, OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Router } from '@angular/router';
import { numberOfTag } from '@odontis/contract/tag-code';
import { firstValueFrom } from 'rxjs';
import { CodeClient } from '../../workers/code-client';
import { toRefusal } from '../api/refusal';
import { ShopApi } from '../api/shop-api';
import { pageOf } from '../words/stage-words';

/** Between two looks through the camera, ms: quick enough for a hand that holds a tag, slow enough for a tablet. */
const LOOK_MS = 180;

/** A tag's saw, by its number typed or its code held before the camera or in a picture. */
@Component({
  selector: 'od-tag-finder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput],
  template: `
    <form (submit)="$event.preventDefault(); typed(number.value)" role="search" aria-label="Find a saw by its tag">
      <mat-form-field class="tag compact"
        ><input #number matInput inputmode="numeric" placeholder="Tag no." aria-label="Tag number" autocomplete="off"
      /></mat-form-field>
      <button
        matButton="outlined"
        class="small"
        type="button"
        [attr.aria-expanded]="open()"
        (click)="open() ? close() : look()"
      >
        Read a tag
      </button>
    </form>
    @if (said(); as sentence) {
      <p class="said" role="status">{{ sentence }}</p>
    }
    @if (open()) {
      <div class="panel">
        <video #camera autoplay playsinline muted aria-label="What the camera sees"></video>
        <label class="file"
          >Read it from a picture<input #field type="file" accept="image/*" (change)="fromFile(field)"
        /></label>
        <button matButton="outlined" type="button" (click)="close()">Put the camera away</button>
      </div>
    }
  `,
  styles: `
    :host {
      position: relative;
    }
    form {
      display: inline-flex;
      gap: 6px;
    }
    .tag {
      width: 96px;
      margin-block: 0;
    }
    .panel,
    .said {
      position: absolute;
      right: 0;
      top: 100%;
      z-index: 20;
      background: var(--paper);
      color: var(--text);
      border: 1px solid var(--rule);
      padding: 10px;
    }
    .said {
      width: 320px;
      margin: 4px 0 0;
    }
    .panel {
      display: grid;
      gap: 8px;
      justify-items: start;
      margin-top: 4px;
    }
    .said + .panel {
      top: calc(100% + 54px);
    }
    video {
      width: 320px;
      height: 240px;
      background: var(--plate);
    }
  `,
})
export class TagFinder implements OnDestroy {
  private readonly api = inject(ShopApi);
  private readonly router = inject(Router);
  private readonly codes = inject(CodeClient);
  private readonly camera = viewChild<ElementRef<HTMLVideoElement>>('camera');
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('number');
  protected readonly open = signal(false);
  protected readonly said = signal('');
  private stream: MediaStream | null = null;

  protected async typed(text: string): Promise<void> {
    const number = numberOfTag(text);
    if (number === null)
      this.said.set(text.trim() === '' ? '' : `“${text}” is no tag’s number: type its figures, such as 1042.`);
    else await this.goTo(number);
  }

  private async goTo(number: number): Promise<void> {
    try {
      const { id, stage } = await firstValueFrom(this.api.ticketNumbered(number));
      this.said.set('');
      this.close();
      this.field().nativeElement.value = '';
      await this.router.navigate(['/ticket', id, pageOf(stage)]);
    } catch (error) {
      this.said.set(toRefusal(error).detail);
    }
  }

  protected async look(): Promise<void> {
    this.open.set(true);
    this.said.set('');
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    } catch {
      // A camera may be refused late: what was said of a picture chosen meanwhile stands.
      if (this.said() === '')
        this.said.set('No camera can be had here: type the number, or choose a picture of the tag.');
      return;
    }
    const video = this.camera()?.nativeElement;
    if (!video || !this.open()) return this.close();
    video.srcObject = this.stream;
    while (this.open()) {
      const picture = this.frame(video, video.videoWidth, video.videoHeight);
      if (picture && (await this.found(picture)) === 'tag') return;
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }

  protected async fromFile(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    try {
      const bitmap = await createImageBitmap(file, { resizeWidth: 1200 });
      const picture = this.frame(bitmap, bitmap.width, bitmap.height);
      if (!picture || (await this.found(picture)) === 'none')
        this.said.set('No tag’s code can be found in that picture: nearer, flat and in good light.');
    } catch {
      this.said.set('That file is no picture that can be read.');
    }
  }

  private frame(of: CanvasImageSource, width: number, height: number): ImageData | null {
    if (width === 0 || height === 0) return null;
    const canvas = new OffscreenCanvas(width, height);
    const pen = canvas.getContext('2d');
    pen?.drawImage(of, 0, 0);
    return pen?.getImageData(0, 0, width, height) ?? null;
  }

  /** What the picture held: a tag's code, whose saw is opened then; another's; or none that could be read. */
  private async found(picture: ImageData): Promise<'tag' | 'other' | 'none'> {
    let text: string | null;
    try {
      text = await this.codes.read(picture);
    } catch {
      this.said.set('The code reader does not start here: type the number.');
      return 'other';
    }
    if (text === null) return 'none';
    const number = numberOfTag(text);
    if (number === null) this.said.set('That code is not one of our tags.');
    else await this.goTo(number);
    return number === null ? 'other' : 'tag';
  }

  protected close(): void {
    this.open.set(false);
    this.stream?.getTracks().forEach((track) => track.stop());
    this.stream = null;
    this.codes.close();
  }

  ngOnDestroy(): void {
    this.close();
  }
}
