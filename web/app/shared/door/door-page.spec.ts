import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { ChangeOver, FirstOwner, SignIn } from '@odontis/contract/door';
import { testDoor } from '../../testing/test-dossier';
import { deviceHere } from './device-here';
import { DoorPage } from './door-page';

describe('the door on the screen', () => {
  let fixture: ComponentFixture<DoorPage>;
  let told: { demo: number[]; over: ChangeOver[]; first: FirstOwner[]; signIn: SignIn[] };
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const open = async (door: Parameters<typeof testDoor>[0]): Promise<void> => {
    fixture = TestBed.createComponent(DoorPage);
    fixture.componentRef.setInput('door', testDoor({ here: null, ...door }));
    told = { demo: [], over: [], first: [], signIn: [] };
    const { componentInstance: page } = fixture;
    page.demoEntered.subscribe((id) => told.demo.push(id));
    page.changedOver.subscribe((change) => told.over.push(change));
    page.ownerMade.subscribe((owner) => told.first.push(owner));
    page.signedIn.subscribe((signIn) => told.signIn.push(signIn));
    await fixture.whenStable();
  };
  const press = async (name: string): Promise<void> => {
    const found = [...host().querySelectorAll('button')].find((b) => b.textContent?.trim().startsWith(name));
    if (!found) throw new Error(`There is no ${name}.`);
    found.click();
    await fixture.whenStable();
  };
  const type = (...texts: string[]): void =>
    host()
      .querySelectorAll('input')
      .forEach((field, i) => {
        field.value = texts[i] ?? '';
        field.dispatchEvent(new Event('input'));
      });
  const submit = async (): Promise<void> => {
    host()
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    await fixture.whenStable();
  };

  it('by touch: a name, four digits and OK', async () => {
    await open({ state: 'locked' });
    await press('Second Hand');
    for (const key of ['2', '7', '4', '9', 'OK']) await press(key);
    expect(told.over).toEqual([{ personId: 2, secret: '2749' }]);
    // What was told is typed anew the next time.
    expect(host().querySelectorAll('.full').length).toBe(0);
  });

  it('by keyboard: digits, one taken back, and Enter, heard by nothing behind', async () => {
    await open({ state: 'locked' });
    await press('First Hand');
    (document.activeElement as HTMLElement | null)?.blur();
    const behind: string[] = [];
    const hear = (event: KeyboardEvent): void => void (event.defaultPrevented || behind.push(event.key));
    document.addEventListener('keydown', hear);
    for (const key of ['2', '7', '5', 'Backspace', '4', '9', 'Enter'])
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    document.removeEventListener('keydown', hear);
    expect([told.over, behind]).toEqual([[{ personId: 1, secret: '2749' }], []]);
  });

  it('the demo lets in by a press and says that it is one', async () => {
    const people = testDoor().people.map((p) => ({ ...p, opensBy: 'press' as const }));
    await open({ state: 'stranger', demo: true, people });
    expect(host().textContent).toContain('Nothing of it is real');
    await press('Second Hand');
    expect(told.demo).toEqual([2]);
  });

  it('a new screen is signed in by name and password; names are not shown', async () => {
    await open({ state: 'stranger', people: [] });
    await submit();
    expect([told.signIn.length, host().querySelector('od-notice')?.textContent?.trim()]).toEqual([
      0,
      'The name is missing.',
    ]);
    type('Wren Ashby', 'a rusty kettle sings', 'Tablet');
    await submit();
    expect(told.signIn).toEqual([{ name: 'Wren Ashby', password: 'a rusty kettle sings', device: 'Tablet' }]);
  });

  it('the first owner is made with a password that keeps somebody out', async () => {
    await open({ state: 'first', people: [] });
    type('Wren Ashby', 'WA', 'short', 'Office');
    await submit();
    expect([told.first.length, host().textContent?.includes('12 signs at least')]).toEqual([0, true]);
    type('Wren Ashby', 'WA', 'a rusty kettle sings', 'Office');
    await submit();
    expect(told.first[0]?.name).toBe('Wren Ashby');
  });

  it('calls a screen by what it is', () => {
    const of = (userAgent: string, maxTouchPoints = 0) => deviceHere({ userAgent, maxTouchPoints } as Navigator);
    expect(of('Mozilla/5.0 (Linux; Android 14; x) Mobile Safari')).toBe('Telephone');
    expect(of('Mozilla/5.0 (Linux; Android 14; x) Safari')).toBe('Tablet');
    expect(of('Mozilla/5.0 (Macintosh; Intel)', 5)).toBe('Tablet');
    expect(of('Mozilla/5.0 (X11; Linux x86_64)')).toBe('Screen in the shop');
  });
});
