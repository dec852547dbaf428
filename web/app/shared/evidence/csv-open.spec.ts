import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { CsvOpen } from './csv-open';

describe('opening a CSV', () => {
  const open = async (file: File) => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(CsvOpen);
    fixture.componentRef.setInput('faults', []);
    const texts: string[] = [];
    fixture.componentInstance.text.subscribe((text) => texts.push(text));
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const field = host.querySelector('input') as HTMLInputElement;
    const given = new DataTransfer();
    given.items.add(file);
    field.files = given.files;
    field.dispatchEvent(new Event('change'));
    for (let k = 0; k < 50 && texts.length === 0; k++) await new Promise((resolve) => setTimeout(resolve, 2));
    return { fixture, host, texts };
  };

  it('hands on the whole text; faults are told line by line, the first eight and how many more', async () => {
    const { fixture, host, texts } = await open(new File(['tooth\n1'], 'a.csv'));
    expect(texts).toEqual(['tooth\n1']);
    const faults = Array.from({ length: 11 }, (_, i) => ({ line: i + 2, message: `bad ${i}` }));
    fixture.componentRef.setInput('faults', faults);
    await fixture.whenStable();
    expect(host.textContent).toContain('Line 9: bad 7');
    expect(host.textContent).not.toContain('Line 10');
    expect(host.textContent).toContain('and 3 more');
  });

  it('a file far too large is not read at all', async () => {
    const large = new File(['x'], 'b.csv');
    Object.defineProperty(large, 'size', { value: 30_000_000 });
    const spied = spyOn(File.prototype, 'text').and.callThrough();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(CsvOpen);
    fixture.componentRef.setInput('faults', []);
    await fixture.whenStable();
    const field = (fixture.nativeElement as HTMLElement).querySelector('input') as HTMLInputElement;
    Object.defineProperty(field, 'files', { value: [large] });
    field.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(spied).not.toHaveBeenCalled();
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('over 20 MB');
  });
});
