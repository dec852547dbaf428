import type { ComponentFixture } from '@angular/core/testing';
import type { TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { CodeClient } from '../../workers/code-client';
import type { Bench } from '../../testing/with-store';
import { refusalBody, withStore } from '../../testing/with-store';
import { TagFinder } from './tag-finder';

describe('finding a saw by its tag', () => {
  let bench: Bench;
  let fixture: ComponentFixture<TagFinder>;
  let went: unknown[];
  let reads: string | null;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const turn = (ms = 25): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, ms));
  const until = async (holds: () => boolean): Promise<void> => {
    for (let i = 0; i < 80 && !holds(); i++) await turn();
  };
  const says = async (words: string): Promise<void> => {
    await until(() => host().textContent?.includes(words) ?? false);
    expect(host().textContent).toContain(words);
  };
  const type = async (text: string): Promise<void> => {
    (host().querySelector('input') as HTMLInputElement).value = text;
    host()
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    await turn();
  };
  const choose = async (file: File): Promise<void> => {
    const read = [...host().querySelectorAll('button')].find((b) => b.textContent?.includes('Read a tag'));
    if (!host().querySelector('.panel')) read?.click();
    await turn(60);
    const field = host().querySelector('input[type=file]') as HTMLInputElement;
    const data = new DataTransfer();
    data.items.add(file);
    field.files = data.files;
    field.dispatchEvent(new Event('change'));
    await turn();
  };
  const grey = async (): Promise<File> => {
    const canvas = new OffscreenCanvas(40, 40);
    canvas.getContext('2d')?.fillRect(0, 0, 10, 10);
    return new File([await canvas.convertToBlob()], 'tag.png', { type: 'image/png' });
  };

  beforeEach(async () => {
    [went, reads] = [[], null];
    bench = withStore(null, undefined, [
      { provide: CodeClient, useValue: { read: () => Promise.resolve(reads), close: () => undefined } },
    ]);
    spyOn(TestBed.inject(Router), 'navigate').and.callFake((commands) => {
      went.push(commands);
      return Promise.resolve(true);
    });
    fixture = TestBed.createComponent(TagFinder);
    await turn();
  });
  afterEach(() => fixture.destroy());

  it('by its number, to the stage it stands at', async () => {
    await type(' 1042 ');
    bench.http.expectOne('/api/tickets/numbered/1042').flush({ id: 6, stage: 'measure', family: 'band' });
    await turn();
    expect(went).toEqual([['/ticket', 6, 'measure']]);
  });

  it('says what is no number, and what number is nobody’s', async () => {
    await type('the tenon');
    expect(host().textContent).toContain('is no tag’s number');
    await type('9999');
    bench.http
      .expectOne('/api/tickets/numbered/9999')
      .flush(refusalBody('not-found', 'There is no ticket no. 9999.'), { status: 404, statusText: 'x' });
    await turn();
    expect(host().textContent).toContain('There is no ticket no. 9999.');
    expect(went).toEqual([]);
  });

  it('a camera refused late does not take away what was said of a picture chosen meanwhile', async () => {
    let refuse: (why: Error) => void = () => undefined;
    spyOn(navigator.mediaDevices, 'getUserMedia').and.returnValue(new Promise((_, reject) => (refuse = reject)));
    await choose(await grey());
    await says('No tag’s code can be found');
    refuse(new Error('late'));
    await turn();
    expect(host().textContent).toContain('No tag’s code can be found');
    expect(host().textContent).not.toContain('No camera');
  });

  it('by a picture of its code; a picture without one, another’s code, and text are told apart', async () => {
    await choose(await grey());
    await says('No tag’s code can be found');
    await choose(new File(['words'], 'tag.png'));
    await says('no picture that can be read');
    reads = 'https://somewhere/else';
    await choose(await grey());
    await says('is not one of our tags');
    expect(went).toEqual([]);
    reads = 'odontis-ticket-1042';
    await choose(await grey());
    let calls: TestRequest[] = [];
    await until(() => (calls = calls.concat(bench.http.match('/api/tickets/numbered/1042'))).length > 0);
    calls[0]?.flush({ id: 6, stage: 'bench', family: 'back' });
    await until(() => went.length > 0);
    expect(went).toEqual([['/ticket', 6, 'bench']]);
  });
});
