import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { OutboxMessage, PrintedLabel } from '@odontis/contract/notes';
import type { Bench } from '../../../testing/with-store';
import { refusalBody, withStore } from '../../../testing/with-store';
import { BackroomPage } from './backroom-page';

const message: OutboxMessage = {
  id: 1,
  kind: 'question',
  sentTo: '0555 1',
  body: 'May the toe go? <img src=x onerror=alert(1)>',
  state: 'waiting',
  by: 'First Hand',
  at: '2031-05-01T09:00:00.000Z',
  sentAt: null,
  ticketId: 9,
  number: 1009,
  customer: 'Wren Ashby',
};
const label: PrintedLabel = {
  id: 1,
  ticketId: 9,
  number: 1009,
  drawing: '<svg xmlns="http://www.w3.org/2000/svg" width="62mm" height="29mm"><text y="9">1009</text></svg>',
  by: 'First Hand',
  at: '2031-05-01T09:00:00.000Z',
};

describe('the back room', () => {
  let bench: Bench;
  let fixture: ComponentFixture<BackroomPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const turn = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, 25));
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) => b.textContent?.includes(name)) as HTMLButtonElement;

  beforeEach(async () => {
    bench = withStore();
    fixture = TestBed.createComponent(BackroomPage);
    await turn();
    bench.http.expectOne('/api/outbox').flush([message]);
    bench.http.expectOne('/api/labels').flush({ labelsLeft: 3, printed: [label] });
    await turn();
  });

  it('shows notes as they were typed, running nothing, and hands them to the carrier', async () => {
    expect(host().querySelector('article p')?.textContent).toBe(message.body);
    expect(host().querySelector('article img')).toBeNull();
    button('Hand 1 to the carrier').click();
    bench.http.expectOne('/api/outbox/carry').flush([{ ...message, state: 'sent', sentAt: message.at }]);
    await turn();
    expect(host().textContent).toContain('sent');
    expect(button('Hand 0').disabled).toBeTrue();
  });

  it('shows what the printer put out at its true size, and loads a roll', async () => {
    const picture = host().querySelector('figure img') as HTMLImageElement;
    await picture.decode();
    // 62 mm at 96 dots to the inch.
    expect(picture.naturalWidth).toBe(Math.round((62 / 25.4) * 96));
    expect(host().textContent).toContain('3 labels left');
    button('Load a new roll').click();
    bench.http
      .expectOne('/api/labels/roll')
      .flush(refusalBody('database-away', 'The database is away.'), { status: 503, statusText: 'x' });
    await turn();
    expect(host().querySelector('od-notice')?.textContent).toContain('The database is away.');
  });
});
