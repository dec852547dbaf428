import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Picture units across. */
export const DRAWING_WIDTH = 1000;

/** The file at the teeth, as paths in a picture that wide. */
export interface FileDrawn {
  readonly box: string;
  readonly left: number;
  readonly foot: number;
  /** The steel as it is, and when this stop is done: what lies between goes. */
  readonly now: string;
  readonly after: string;
  readonly file: string;
  readonly flats: readonly string[];
  readonly marks: readonly { readonly says: string; readonly own: boolean; readonly x: number; readonly y: number }[];
  /** What the eye goes by; empty where nothing is told. */
  readonly says: string;
  readonly label: string;
  /** How it is seen, for the line under it. */
  readonly seen: string;
  /** What lies at the left and at the right. */
  readonly ends: readonly string[];
}

/** What goes, the file, the flats by which the eye goes, and the next stop: large, at true proportion. */
@Component({
  selector: 'od-file-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let d = drawn();
    <figure>
      <svg [attr.viewBox]="d.box" role="img" [attr.aria-label]="d.label">
        <path class="goes" [attr.d]="d.now" />
        <path class="steel" [attr.d]="d.after" />
        @for (flat of d.flats; track $index) {
          <path class="flat" [attr.d]="flat" [attr.stroke-width]="0.012 * width" />
        }
        <path class="file" [attr.d]="d.file" [attr.stroke-width]="0.004 * width" />
        @for (mark of d.marks; track mark.says) {
          <text
            [class.own]="mark.own"
            [attr.x]="mark.x"
            [attr.y]="mark.y"
            [attr.font-size]="(mark.own ? 0.062 : 0.042) * width"
            text-anchor="middle"
          >
            {{ mark.says }}
          </text>
        }
        <text [attr.x]="d.left + 0.01 * width" [attr.y]="d.foot" [attr.font-size]="0.032 * width">
          {{ d.ends[0] }}
        </text>
        <text [attr.x]="d.left + 0.99 * width" [attr.y]="d.foot" [attr.font-size]="0.032 * width" text-anchor="end">
          {{ d.ends[1] }}
        </text>
      </svg>
      <figcaption>
        @if (d.says) {
          <b>{{ d.says }}</b>
        }
        {{ d.seen }}
      </figcaption>
    </figure>
  `,
  styles: `
    figure {
      margin: 0;
    }
    svg {
      width: 100%;
      max-height: 46vh;
      background: var(--paper);
      border: 1px solid var(--rule);
    }
    .goes {
      fill: var(--ink);
    }
    .steel {
      fill: var(--plate);
    }
    .flat {
      stroke: var(--brass);
      fill: none;
    }
    .file {
      fill: color-mix(in srgb, var(--handle) 30%, transparent);
      stroke: var(--text);
      stroke-linejoin: round;
    }
    text {
      fill: var(--text);
      font-family: 'IBM Plex Sans', sans-serif;
    }
    .own {
      font-weight: 600;
    }
    figcaption {
      font-size: 14px;
      color: var(--text-quiet);
    }
    b {
      display: block;
      font-size: 21px;
      color: var(--text);
    }
  `,
})
export class FileDrawing {
  readonly drawn = input.required<FileDrawn>();
  protected readonly width = DRAWING_WIDTH;
}
