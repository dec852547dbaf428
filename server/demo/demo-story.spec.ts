import { walkOf } from '@odontis/core/work/step';
import { isStraight } from './demo-saw';
import type { DemoStory } from './demo-story';
import { tellDemo } from './demo-story';
import { CUSTOMERS, STAFF } from './invented';

/** Without the keys of readings, which are minted anew each time. */
const bare = (story: DemoStory): string =>
  JSON.stringify(story).replace(/[\da-f]{8}-[\da-f]{4}-4[\da-f]{3}-[\da-f]{4}-[\da-f]{12}/g, 'key');

describe('the demo’s story', () => {
  const story = tellDemo();

  it('is the same whenever it is told on a day', () => {
    expect(bare(tellDemo())).toBe(bare(story));
  });

  it('saws come in one after the other, each to somebody who is there', () => {
    const opened = story.visits.map((visit) => visit.opened.getTime());
    expect(opened).toEqual([...opened].sort((a, b) => a - b));
    for (const { saw, by } of story.visits) {
      expect(story.saws[saw]).toBeDefined();
      expect(by).toBeLessThan(STAFF.length);
    }
    for (const { owner } of story.saws) expect(owner).toBeLessThan(CUSTOMERS.length);
  });

  it('a hand or back saw that was worked was measured before; what was cut was worked; what lies at the vise is neither done nor untouched', () => {
    for (const { saw, ticket, measurings, work, checks } of story.visits) {
      const facts = story.saws[saw]?.facts;
      if (work && facts && isStraight(facts)) expect(measurings.some((one) => one.kind === 'before')).toBeTrue();
      if (checks.length > 0) expect(work).not.toBeNull();
      if (ticket.stage !== 'bench') continue;
      const stops = walkOf(work?.ordered.order.steps ?? []).length;
      expect(work?.presses.length).toBeGreaterThan(0);
      expect(work?.presses.length).toBeLessThan(stops);
    }
  });
});
