import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** A button that opens a picture. */
@Component({
  selector: 'od-picture-file',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="file"
      >{{ says() }}<input type="file" accept=".png,.jpg,.jpeg,.tif,.tiff" #field (change)="chosen(field)"
    /></label>
  `,
  styles: `
    :host {
      display: inline-block;
      margin-right: 8px;
    }
  `,
})
export class PictureFile {
  readonly says = input.required<string>();
  readonly opened = output<File>();

  protected chosen(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (file) this.opened.emit(file);
  }
}

/** The file that was dropped on a page, which would else leave for it; null where none was. */
export function droppedFile(event: DragEvent): File | null {
  event.preventDefault();
  return event.dataTransfer?.files[0] ?? null;
}
