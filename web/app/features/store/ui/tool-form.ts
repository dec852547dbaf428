import { ChangeDetectionStrategy, Component, computed, linkedSignal, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { NewTool, NewToolDeed } from '@odontis/contract/store';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import type { KeptTool } from '@odontis/core/store/shelf';
import type { Tool, ToolKind } from '@odontis/core/store/tool';
import { tool, TOOL_KINDS, toolDeed, USUAL_CORNERS } from '@odontis/core/store/tool';
import { ToolName } from '../../../shared/hand/tool-name';
import { TOOL_WORDS } from '../../../shared/words/tool-words';

/** Something new for the Store: of a file its corners and how long one is reckoned to last. */
@Component({
  selector: 'od-tool-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton, MatFormFieldModule, MatInput, MatSelectModule, ToolName],
  template: `
    <form (submit)="$event.preventDefault(); keep()" aria-label="Something new">
      <mat-form-field
        ><mat-label>What</mat-label>
        <mat-select [value]="kind()" [disabled]="changing() !== null" (selectionChange)="kind.set($event.value)">
          @for (one of kinds; track one) {
            <mat-option [value]="one">{{ words[one].one }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <od-tool-name class="wide" label="Its name" [isFile]="kind() === 'file'" [(name)]="name" />
      @if (!changing()) {
        <mat-form-field
          ><mat-label>Pieces</mat-label
          ><input #piecesField matInput inputmode="numeric" [value]="pieces()" (input)="pieces.set(piecesField.value)"
        /></mat-form-field>
      }
      @if (kind() === 'file') {
        <mat-form-field
          ><mat-label>Corners</mat-label
          ><input
            #cornerField
            matInput
            inputmode="numeric"
            [value]="corners()"
            (input)="corners.set(cornerField.value)"
        /></mat-form-field>
        <mat-form-field
          ><mat-label>Strokes a corner</mat-label
          ><input
            #strokeField
            matInput
            inputmode="numeric"
            [value]="strokes()"
            (input)="strokes.set(strokeField.value)"
        /></mat-form-field>
      }
      <mat-form-field class="wide"
        ><mat-label>Note</mat-label
        ><input #noteField matInput maxlength="200" [value]="note()" (input)="note.set(noteField.value)"
      /></mat-form-field>
      <button matButton="outlined" type="submit">{{ changing() ? 'Keep it so' : 'Into the Store' }}</button>
      @if (changing()) {
        <button matButton="outlined" type="button" (click)="left.emit()">Leave it</button>
      }
      @if (slip(); as text) {
        <p class="stop-text" role="alert">{{ text }}</p>
      }
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 8px;
      align-items: center;
    }
    mat-form-field {
      width: 130px;
    }
    .wide {
      width: 250px;
    }
    p {
      flex-basis: 100%;
    }
  `,
})
export class ToolForm {
  /** Asked for by an order, or measured, and not in the Store. */
  readonly begun = input<{ readonly kind: ToolKind; readonly name: string } | null>(null);
  /** One of the Store's that is told anew; its kind stays. */
  readonly changing = input<KeptTool | null>(null);
  readonly changed = output<Tool>();
  readonly left = output();
  readonly added = output<{ readonly tool: NewTool; readonly pieces: NewToolDeed | null }>();
  private readonly file = computed(() => {
    const told = this.changing()?.tool;
    return told?.kind === 'file' ? told : null;
  });
  protected readonly kinds = TOOL_KINDS;
  protected readonly words = TOOL_WORDS;
  protected readonly kind = linkedSignal<ToolKind>(() => this.changing()?.tool.kind ?? this.begun()?.kind ?? 'file');
  protected readonly name = linkedSignal(() => this.changing()?.tool.name ?? this.begun()?.name ?? '');
  protected readonly note = linkedSignal(() => this.changing()?.tool.note ?? '');
  protected readonly pieces = signal('1');
  protected readonly corners = linkedSignal(() => String(this.file()?.corners ?? USUAL_CORNERS));
  protected readonly strokes = linkedSignal(() => String(this.file()?.cornerStrokes ?? STROKES_PER_CORNER));
  protected readonly slip = signal<string | null>(null);

  protected keep(): void {
    const number = (text: string): number => (text.trim() === '' ? NaN : Number(text));
    const told = tool.safeParse({
      ...{ kind: this.kind(), name: this.name(), note: this.note() },
      ...(this.kind() === 'file' && { corners: number(this.corners()), cornerStrokes: number(this.strokes()) }),
    });
    if (this.changing()) {
      this.slip.set(told.error?.issues[0]?.message ?? null);
      if (told.success) this.changed.emit(told.data);
      return;
    }
    const pieces = toolDeed.safeParse({ what: 'counted', pieces: number(this.pieces()) });
    const wrong = told.error ?? pieces.error;
    this.slip.set(wrong?.issues[0]?.message ?? null);
    if (!told.success || !pieces.success) return;
    this.added.emit({
      tool: { key: crypto.randomUUID(), tool: told.data },
      pieces: { key: crypto.randomUUID(), deed: pieces.data },
    });
    this.name.set('');
    this.note.set('');
  }
}
