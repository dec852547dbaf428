import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { SawSheet } from '../../../sawpage/saw-sheet';
import { bandDossier } from '../../../testing/other-dossier';
import type { Bench } from '../../../testing/with-store';
import { withStore } from '../../../testing/with-store';
import { JobPage } from './job-page';

describe('a saw worked by hand', () => {
  let bench: Bench;
  let fixture: ComponentFixture<JobPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const show = async (stage: 'measure' | 'handover'): Promise<void> => {
    bench = withStore(bandDossier(stage), undefined, [SawSheet]);
    fixture = TestBed.createComponent(JobPage);
    await fixture.whenStable();
  };
  const type = async (selector: string, text: string): Promise<void> => {
    const field = host().querySelector(selector) as HTMLInputElement;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const press = async (): Promise<void> => {
    (host().querySelector('button[type=submit]') as HTMLButtonElement).click();
    await fixture.whenStable();
  };

  it('says how many teeth it has and what may hurt someone beside the work', async () => {
    await show('measure');
    expect(host().querySelector('ol')?.textContent).toMatch(/Sharpening about \d+ min/);
    expect(host().textContent).toContain('403');
    expect(host().textContent).toContain('Unplug before mounting');
  });

  it('wants what was done and how long it took, and sends both', async () => {
    await show('measure');
    await press();
    expect(host().querySelector('od-notice')?.textContent).toContain('What was done is missing.');
    await type('textarea', 'Filed all round.');
    await type('input', '22,5');
    await press();
    const { body } = bench.http.expectOne('/api/tickets/9/job').request;
    expect(body).toEqual({ version: 4, workDone: 'Filed all round.', minutes: 22.5 });
  });

  it('tells what was done once it is', async () => {
    await show('handover');
    expect(host().textContent).toContain('Filed all round.');
    expect(host().querySelector('form')).toBeNull();
  });
});
