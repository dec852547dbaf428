import type { ElementRef, OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, input, output, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { Glimpse } from '@odontis/core/photograph/glimpse';
import { PictureClient, PictureStopped } from '../../../workers/picture-client';
import { Notice } from '../../../shared/ui/notice';

/** Between two looks, ms; each is made of a frame no wider than this. */
const LOOK_MS = 250;
const LOOK_WIDTH_PX = 1920;
/** What is asked of the camera: as many pixels as it has. */
const WANTED = { width: { ideal: 4032 }, height: { ideal: 3024 } } as const;

/** The device's own camera over the strips: says while framing what is seen and what to mend, and takes the picture. */
@Component({
  selector: 'od-strip-camera',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, Notice],
  template: `
    @if (refusal(); as no) {
      <od-notice weight="decide">{{ no }}</od-notice>
    } @else if (seen(); as s) {
      <p class="seen figure" role="status">
        {{ s.marks }} marks on {{ s.strips }} {{ s.strips === 1 ? 'strip' : 'strips'
        }}{{ s.tiltDeg === null ? '' : ', ' + s.tiltDeg.toFixed(0) + '° off upright'
        }}{{ s.blurPx === null ? '' : ', blur ' + s.blurPx.toFixed(1) + ' px'
        }}{{ s.toothPx === null ? '' : ', ' + s.toothPx.toFixed(0) + ' px a tooth' }}
      </p>
      <p class="say">{{ s.says[0] ?? 'Good: take it.' }}</p>
    }
    <video #camera autoplay playsinline muted aria-label="What the camera sees"></video>
    <div class="tools">
      <button matButton="filled" type="button" [disabled]="!running()" (click)="take()">Take the picture</button>
      <button matButton="outlined" type="button" (click)="closed.emit()">Put the camera away</button>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 8px;
    }
    video {
      width: 100%;
      max-height: 44vh;
      background: var(--plate);
      object-fit: contain;
    }
    p {
      margin: 0;
    }
    .seen {
      white-space: normal;
    }
    .say {
      font-size: 1.15rem;
    }
    .tools {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class StripCamera implements OnDestroy {
  /** The saw's pitch, 0 where it is not told. */
  readonly pitchMm = input.required<number>();
  readonly taken = output<File>();
  readonly closed = output();
  private readonly camera = viewChild.required<ElementRef<HTMLVideoElement>>('camera');
  protected readonly seen = signal<Glimpse | null>(null);
  protected readonly refusal = signal('');
  protected readonly running = signal(false);
  private readonly client = new PictureClient();
  private stream: MediaStream | null = null;
  private over = false;

  constructor() {
    void this.look();
  }

  private async look(): Promise<void> {
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment', ...WANTED } });
    } catch {
      this.refusal.set('No camera can be had here: take the picture with the telephone’s own, and open the file.');
      return;
    }
    if (this.over) return this.end();
    const video = this.camera().nativeElement;
    video.srcObject = this.stream;
    while (!this.over) {
      if (video.videoWidth > 0) {
        this.running.set(true);
        const share = Math.min(1, LOOK_WIDTH_PX / video.videoWidth);
        try {
          const frame = await createImageBitmap(video, {
            resizeWidth: Math.round(share * video.videoWidth),
            resizeHeight: Math.round(share * video.videoHeight),
          });
          this.seen.set(await this.client.glimpse(frame, this.pitchMm()));
        } catch (error) {
          if (error instanceof PictureStopped) return;
        }
      }
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
    }
  }

  protected async take(): Promise<void> {
    const video = this.camera().nativeElement;
    const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
    canvas.getContext('2d')?.drawImage(video, 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/png' });
    this.taken.emit(new File([blob], 'photograph.png', { type: 'image/png' }));
    this.closed.emit();
  }

  private end(): void {
    this.over = true;
    this.stream?.getTracks().forEach((track) => track.stop());
    this.stream = null;
    this.client.end();
  }

  ngOnDestroy(): void {
    this.end();
  }
}
