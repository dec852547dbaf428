import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { CustomerPage as CustomerRecord } from '@odontis/contract/customer';
import { refusalBody, withStore } from '../../../testing/with-store';
import type { Bench } from '../../../testing/with-store';
import { CustomerPage } from './customer-page';

const record = (more: Partial<CustomerRecord> = {}): CustomerRecord => ({
  id: 7,
  version: 3,
  name: 'Wren Ashby',
  phone: '0555 1',
  email: '',
  business: false,
  note: '',
  contacts: [],
  saws: [],
  lastWords: 'Drifts left.',
  alike: [{ id: 9, name: 'W. Ashby', phone: '' }],
  forgottenAt: null,
  ...more,
});

describe('a customer’s page of the ledger', () => {
  let bench: Bench;
  let fixture: ComponentFixture<CustomerPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (words: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) => b.textContent?.includes(words)) as HTMLButtonElement;
  // A page waiting for the wire is never stable: the clock is let run instead.
  const settle = async (): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, 20));
    fixture.detectChanges();
  };
  const type = async (label: string, text: string): Promise<void> => {
    const field = [...host().querySelectorAll('mat-form-field')]
      .find((f) => f.querySelector('mat-label')?.textContent?.includes(label))
      ?.querySelector('input, textarea');
    (field as HTMLInputElement).value = text;
    field?.dispatchEvent(new Event('input'));
    await settle();
  };
  const open = async (one = record()): Promise<void> => {
    bench = withStore();
    fixture = TestBed.createComponent(CustomerPage);
    fixture.componentRef.setInput('id', '7');
    await settle();
    bench.http.expectOne('/api/customers/7').flush(one);
    await settle();
  };
  const keep = async (): Promise<void> => {
    host()
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    await settle();
  };
  afterEach(() => {
    fixture.destroy();
    bench.http.verify();
  });

  it('keeps a change on the version it was made on, and only when there is one', async () => {
    await open();
    expect(button('Keep the changes').disabled).toBeTrue();
    await type('Telephone', '0555 2');
    await keep();
    const sent = bench.http.expectOne('/api/customers/7');
    expect(sent.request.body).toEqual(jasmine.objectContaining({ version: 3, phone: '0555 2', name: 'Wren Ashby' }));
    sent.flush(record({ version: 4, phone: '0555 2' }));
    await settle();
    expect(host().textContent).toContain('Kept.');
  });

  it('what cannot be is said before it is sent, and stays typed', async () => {
    await open();
    await type('Name', ' ');
    await keep();
    expect(host().querySelector('od-notice')?.textContent).toContain('The customer’s name is missing.');
    bench.http.expectNone('/api/customers/7');
  });

  it('changed by somebody else: both are shown, and yours goes over theirs when you say so', async () => {
    await open();
    await type('Telephone', '0555 2');
    await keep();
    bench.http
      .expectOne('/api/customers/7')
      .flush(
        { ...refusalBody('edited-elsewhere', 'Changed.'), current: record({ version: 8, phone: '0555 3' }) },
        { status: 409, statusText: 'Conflict' },
      );
    await settle();
    const rows = [...host().querySelectorAll('od-conflict tr')].map((r) => r.textContent);
    expect(rows.some((r) => r?.includes('0555 2') && r.includes('0555 3'))).toBeTrue();
    button('Keep yours').click();
    await settle();
    const again = bench.http.expectOne('/api/customers/7');
    expect(again.request.body).toEqual(jasmine.objectContaining({ version: 8, phone: '0555 2' }));
    again.flush(record({ version: 9, phone: '0555 2' }));
    await settle();
    expect(host().querySelector('od-conflict')).toBeNull();
  });

  it('makes two records one, and takes a person out, only after a second word', async () => {
    await open();
    button('They are the same').click();
    await settle();
    button('Make them one').click();
    await settle();
    const merge = bench.http.expectOne('/api/customers/7/merge');
    expect(merge.request.body).toEqual({ version: 3, doubleId: 9 });
    merge.flush(record({ version: 4, alike: [] }));
    await settle();
    button('Take this person out of the book').click();
    await settle();
    expect(host().textContent).toContain('gone for good');
    button('Take this person’s data out').click();
    await settle();
    const forget = bench.http.expectOne('/api/customers/7/forget');
    expect(forget.request.body).toEqual({ version: 4 });
    forget.flush(record({ version: 5, name: 'Customer removed from the book', forgottenAt: '2031-05-04T00:00:00Z' }));
    await settle();
    expect(host().querySelector('form')).toBeNull();
  });

  it('contacts come and go with a business', async () => {
    await open(record({ business: true, contacts: [{ name: 'Ilse', phone: '', email: '' }] }));
    button('Add a contact').click();
    await settle();
    const names = host().querySelectorAll<HTMLInputElement>('.person mat-form-field:first-child input');
    expect(names.length).toBe(2);
    (names[1] as HTMLInputElement).value = 'Ömer';
    names[1]?.dispatchEvent(new Event('input'));
    await settle();
    button('Remove').click();
    await settle();
    await keep();
    const sent = bench.http.expectOne('/api/customers/7');
    expect((sent.request.body as { contacts: { name: string }[] }).contacts.map((c) => c.name)).toEqual(['Ömer']);
    sent.flush(record());
  });
});
