import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { MatSelectHarness } from '@angular/material/select/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import type { Saw } from '@odontis/core/saw/saw';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import { PlatePicture } from './plate-picture';

const head = {
  name: 'A saw',
  marksOnIt: '',
  convention: 'points',
  plateThicknessMm: 0.7,
  plateDepthHeelMm: 60,
  plateDepthToeMm: 50,
} as const;
const backSaw: Saw = { ...head, family: 'back', filing: 'rip', backFixing: 'folded', pitchMm: 2, toothLineMm: 300 };
const band: Saw = {
  ...head,
  family: 'band',
  filing: 'rip',
  backFixing: 'none',
  set: 'alternate',
  pitchMm: 6,
  toothLineMm: 2400,
};
const part = (id: string, kind: 'outer' | 'chipper') => ({ id, kind, teeth: 20, plateMm: 2, cutMm: 3 });
const dado: Saw = {
  ...head,
  family: 'dado',
  filing: 'combination',
  backFixing: 'none',
  pitchMm: 31,
  toothLineMm: 628,
  diameterMm: 200,
  boreMm: 30,
  tipped: 'steel',
  markedLimitRpm: 6000,
  parts: [part('left outer', 'outer'), part('chipper 1', 'chipper'), part('right outer', 'outer')],
};

describe('marks on the picture of the plate', () => {
  let fixture: ComponentFixture<PlatePicture>;
  let marks: readonly PlateMark[];

  const set = async (name: string, value: unknown): Promise<void> => {
    fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
  };
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const button = (name: string): HTMLButtonElement =>
    [...host().querySelectorAll('button')].find((b) => b.textContent?.trim() === name) as HTMLButtonElement;
  const mark = (): SVGGElement => host().querySelector('.mark') as SVGGElement;
  const key = async (name: string, shiftKey = false): Promise<void> => {
    mark().dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }));
    await set('marks', marks);
  };

  beforeEach(async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    fixture = TestBed.createComponent(PlatePicture);
    marks = [];
    fixture.componentInstance.changed.subscribe((next) => (marks = next));
    fixture.componentRef.setInput('marks', marks);
    await set('saw', backSaw);
  });

  it('puts a mark, says what it means, and takes it away again', async () => {
    button('Kink').click();
    await set('marks', marks);
    expect(marks).toEqual([{ kind: 'kink', along: 0.5, down: 0.5 }]);
    expect(host().textContent).toContain('an even chance at best');
    button('remove').click();
    expect(marks).toEqual([]);
  });

  it('moves a mark with the arrow keys, inside the plate only, and deletes it', async () => {
    button('Rust').click();
    await set('marks', marks);
    await key('ArrowRight');
    expect(marks[0]?.along).toBeCloseTo(0.52, 9);
    for (let i = 0; i < 9; i++) await key('ArrowRight', true);
    expect(marks[0]?.along).toBe(1);
    await key('ArrowUp', true);
    expect(marks[0]?.down).toBeCloseTo(0.4, 9);
    await key('Delete');
    expect(marks).toEqual([]);
  });

  it('offers a bent back only where there is a back', async () => {
    expect(button('Bent back')).toBeDefined();
    await set('saw', { ...backSaw, family: 'hand', backFixing: 'none' });
    expect(button('Bent back')).toBeUndefined();
    expect(button('Crack')).toBeDefined();
    await set('saw', band);
    expect(button('Loose handle')).toBeUndefined();
    expect(button('Burn')).toBeDefined();
  });

  it('a bend tells its side, its sag and its length, in whatever unit they are typed', async () => {
    button('Bend').click();
    await set('marks', marks);
    const select = await TestbedHarnessEnvironment.loader(fixture).getHarness(MatSelectHarness);
    await select.clickOptions({ text: 'left' });
    await set('marks', marks);
    const [sag, span] = [...host().querySelectorAll('li input')] as [HTMLInputElement, HTMLInputElement];
    sag.value = '1/4 in';
    sag.dispatchEvent(new Event('change'));
    await set('marks', marks);
    span.value = 'a hand';
    span.dispatchEvent(new Event('change'));
    await set('marks', marks);
    expect(marks[0]).toEqual(jasmine.objectContaining({ side: 'left', sagMm: 6.35 }));
    expect(marks[0]?.spanMm).toBeUndefined();
    sag.value = '';
    sag.dispatchEvent(new Event('change'));
    await set('marks', marks);
    expect('sagMm' in (marks[0] ?? {})).toBeFalse();
  });

  it('a set shows one part at a time, and a mark goes on the part that is shown', async () => {
    await set('saw', dado);
    button('chipper 1').click();
    await fixture.whenStable();
    button('Crack').click();
    await set('marks', marks);
    expect(marks[0]?.part).toBe(1);
    expect(host().querySelectorAll('.mark').length).toBe(1);
    button('left outer').click();
    await fixture.whenStable();
    expect(host().querySelectorAll('.mark').length).toBe(0);
    expect(host().textContent).toContain('1 mark');
  });

  it('shows and moves nothing where it is only to be looked at', async () => {
    fixture.componentRef.setInput('editable', false);
    await set('marks', [{ kind: 'rust', along: 0.5, down: 0.5 }]);
    expect(host().querySelectorAll('button').length).toBe(0);
    expect(host().textContent).toContain('Rust');
    await key('Delete');
    expect(marks).toEqual([]);
  });
});
