import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Store } from '@ngrx/store';
import type { NewTool, NewToolDeed } from '@odontis/contract/store';
import { mayAs } from '@odontis/contract/roles';
import { FORTNIGHT_DAYS } from '@odontis/core/store/shelf';
import type { FileShelf, KeptTool } from '@odontis/core/store/shelf';
import type { Tool, ToolDeed, ToolKind } from '@odontis/core/store/tool';
import { TOOL_KINDS } from '@odontis/core/store/tool';
import { Speech } from '../../../shared/speech/speech';
import { doorFeature } from '../../../shared/state/door.feature';
import { shopFeature } from '../../../shared/state/shop.feature';
import { StoreRoomPage, storeRoomFeature } from '../../../shared/state/store-room.feature';
import { Keys } from '../../../shared/ui/keys';
import { Notice } from '../../../shared/ui/notice';
import { sayCorners } from '../../../shared/words/corner-words';
import { TOOL_WORDS } from '../../../shared/words/tool-words';
import { FileCard } from './file-card';
import { HandsOfTool } from './hands-of-tool';
import { ToolForm } from './tool-form';
import { ToolUpkeep } from './tool-upkeep';

/** What is used of a kind, counted over the last quarter of a year. */
const USED_SAYS: Partial<Record<ToolKind, (n: number) => string>> = {
  stone: (n) => `${n} ${n === 1 ? 'pass' : 'passes'}`,
  'set-tool': (n) => `${n} teeth set`,
  jointer: (n) => `${n} ${n === 1 ? 'pass' : 'passes'} over lines`,
  hammer: (n) => `${n} ${n === 1 ? 'plate' : 'plates'} straightened`,
};

/** The Store: files by their corners, stones, set tools and the rest; what is short for the coming fortnight. */
@Component({
  selector: 'od-store-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FileCard, HandsOfTool, MatButton, Notice, ToolUpkeep, ToolForm],
  templateUrl: './store-page.html',
  styleUrl: './store-page.scss',
})
export class StorePage {
  private readonly store = inject(Store);
  protected readonly speech = inject(Speech);
  protected readonly days = FORTNIGHT_DAYS;
  protected readonly say = sayCorners;
  protected readonly room = this.store.selectSignal(storeRoomFeature.selectRoom);
  protected readonly refusal = this.store.selectSignal(storeRoomFeature.selectRefusal);
  private readonly shelves = this.store.selectSignal(storeRoomFeature.selectShelves);
  protected readonly people = this.store.selectSignal(shopFeature.selectPeople);
  private readonly here = this.store.selectSignal(doorFeature.selectHere);
  /** Who sits here, where they may say what happened to a tool. */
  protected readonly own = computed(() => {
    const here = this.here();
    return here && mayAs(here.role, 'filer') ? here.personId : null;
  });
  protected readonly files = computed(() => this.shelves().filter((shelf) => shelf.kept !== null));
  /** Asked for by orders, or measured by somebody, and not in the Store. */
  protected readonly unknown = computed(() => {
    const room = this.room();
    const has = (kind: ToolKind, name: string): boolean =>
      room?.tools.some(({ tool }) => tool.kind === kind && tool.name === name) ?? true;
    const asked = this.shelves()
      .filter(({ kept, name }) => kept === null && !has('file', name))
      .map(({ name }) => ({ kind: 'file' as const, name }));
    const measured = this.people().flatMap(({ calibrations }) =>
      calibrations.flatMap(({ what, tool: name }) => {
        const kind = KIND_MEASURED[what];
        return name !== '' && !has(kind, name) ? [{ kind, name }] : [];
      }),
    );
    return [...new Map([...asked, ...measured].map((one) => [`${one.kind} ${one.name}`, one])).values()];
  });
  protected readonly toBuy = computed(() => this.shelves().filter(({ need }) => need.toBuy > 0));
  /** Saws that wait for a plan, and how surely they are reckoned. */
  protected readonly reckoned = computed(() => {
    const [known, not] = [true, false].map((is) =>
      (this.room()?.unplanned ?? []).filter(({ learnedFrom }) => learnedFrom > 0 === is),
    );
    const count = (of: typeof known): number => (of ?? []).reduce((sum, one) => sum + one.saws, 0);
    return { known: count(known), not: count(not) };
  });
  protected readonly others = computed(() => {
    const room = this.room();
    return TOOL_KINDS.filter((kind) => kind !== 'file').map((kind) => ({
      kind,
      words: TOOL_WORDS[kind],
      used: USED_SAYS[kind]?.(room?.used.find((one) => one.kind === kind)?.amount ?? 0) ?? null,
      tools: room?.tools.filter(({ tool, stock }) => tool.kind === kind && !stock.away) ?? [],
      what: kind === 'set-tool' ? ('set-tool' as const) : kind === 'stone' ? ('stoning' as const) : null,
    }));
  });
  protected readonly away = computed(() => this.room()?.tools.filter(({ stock }) => stock.away) ?? []);
  protected readonly begun = signal<{ readonly kind: ToolKind; readonly name: string } | null>(null);
  protected readonly words = TOOL_WORDS;

  constructor() {
    inject(Keys).here.set([]);
    this.store.dispatch(StoreRoomPage.opened());
  }

  protected add(added: { readonly tool: NewTool; readonly pieces: NewToolDeed | null }): void {
    this.begun.set(null);
    this.store.dispatch(StoreRoomPage.toolAdded(added));
  }
  protected readonly changing = signal<KeptTool | null>(null);
  protected change(kept: KeptTool | null): void {
    this.changing.set(kept);
    document.querySelector('od-tool-form')?.scrollIntoView({ block: 'center' });
  }
  protected changed(tool: Tool): void {
    const id = this.changing()?.id;
    this.changing.set(null);
    if (id !== undefined) this.store.dispatch(StoreRoomPage.toolChanged({ id, tool }));
  }
  protected deed(id: number | undefined, deed: ToolDeed): void {
    if (id !== undefined) this.store.dispatch(StoreRoomPage.deedDone({ id, deed: { key: crypto.randomUUID(), deed } }));
  }
  protected read(): void {
    this.store.dispatch(StoreRoomPage.refusalRead());
  }
  protected again(): void {
    this.store.dispatch(StoreRoomPage.opened());
  }
  protected why({ need, kept, left }: FileShelf): string {
    const pieces = need.toBuy === 1 ? 'one' : String(need.toBuy);
    const has = kept ? (left > 0 ? `${sayCorners(left)} left` : 'none left') : 'not written down here';
    return `Buy ${pieces}: ${sayCorners(need.planned + need.unplanned)} wanted, ${has}.`;
  }
  /** Corners that the widest bar stands for. */
  protected readonly most = computed(() =>
    Math.max(1, ...this.files().map(({ left, need }) => Math.max(left, need.planned + need.unplanned))),
  );
}

const KIND_MEASURED = { strokes: 'file', stoning: 'stone', 'set-tool': 'set-tool' } as const;
