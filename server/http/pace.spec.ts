import { Pace } from './pace';
import { Problem } from './problem';

describe('the pace of requests', () => {
  /** So many times; how many of them were let through. */
  async function through(times: number, call: () => Promise<void>): Promise<number> {
    let let_ = 0;
    for (let i = 0; i < times; i++)
      try {
        await call();
        let_++;
      } catch (error) {
        expect(error).toBeInstanceOf(Problem);
        const { code, wait } = error as Problem;
        expect(code).toBe('too-often');
        expect(wait?.retryAfterS).toBeGreaterThan(0);
      }
    return let_;
  }

  it('lets a fast hand through and no more, by sitting and route; what is much work sooner', async () => {
    const pace = new Pace();
    expect(await through(450, () => pace.known('one', 'GET /rack'))).toBe(400);
    expect(await through(10, () => pace.known('one', 'GET /counter'))).toBe(10);
    expect(await through(10, () => pace.known('two', 'GET /rack'))).toBe(10);
    expect(await through(70, () => pace.known('one', 'GET /tickets/:id/report.pdf'))).toBe(60);
  });

  it('strangers wait by where they come from', async () => {
    const pace = new Pace();
    expect(await through(650, () => pace.stranger('192.168.1.7'))).toBe(600);
    expect(await through(5, () => pace.stranger('192.168.1.8'))).toBe(5);
  });
});
