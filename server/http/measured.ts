import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Histogram, Registry } from 'prom-client';
import { routeOf } from './needs';

/** Upper bounds of the classes in which a request's time is counted, seconds. */
const CLASSES_S = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

/** How a route does: how often it was called, how long it took on the mean, and most of the time at most. */
export interface RouteTime {
  readonly route: string;
  readonly calls: number;
  readonly meanMs: number;
  /** Nineteen of twenty took no longer; null above the last class. */
  readonly mostMs: number | null;
}

/**
 * Every request counted by its route and status, never by what was asked for: numbers and names of people stand in
 * no metric. In the usual text form (Prometheus exposition format 0.0.4).
 */
export class Measured {
  readonly registry = new Registry();
  private readonly times = new Histogram({
    name: 'http_request_duration_seconds',
    help: 'How long requests took, by route and status.',
    labelNames: ['method', 'route', 'status'] as const,
    buckets: CLASSES_S,
    registers: [this.registry],
  });

  /** Memory, processor and how late the loop is, as well. */
  ofProcess(): void {
    collectDefaultMetrics({ register: this.registry });
  }

  /** Counts what is under /api. */
  counting(): RequestHandler {
    return (request, response, next) => {
      const stop = this.times.startTimer();
      const line = routeOf(request.method, request.path);
      response.once('finish', () => {
        const [method = '', path = ''] = (line?.route ?? `${request.method} other`).split(' ');
        stop({ method: line ? method : 'any', route: path, status: String(response.statusCode) });
      });
      next();
    };
  }

  /** The slowest routes on the mean, the slowest first. */
  async slowest(most: number): Promise<RouteTime[]> {
    interface Counted {
      calls: number;
      sumS: number;
      below: Map<number, number>;
    }
    const routes = new Map<string, Counted>();
    for (const { labels, metricName, value } of (await this.times.get()).values) {
      const { method, route } = labels;
      const name = `${method ?? ''} ${route ?? ''}`;
      const counted = routes.get(name) ?? { calls: 0, sumS: 0, below: new Map<number, number>() };
      routes.set(name, counted);
      if (metricName?.endsWith('_sum')) counted.sumS += value;
      else if (metricName?.endsWith('_count')) counted.calls += value;
      else {
        const bound = Number((labels as { le?: string | number }).le);
        if (Number.isFinite(bound)) counted.below.set(bound, (counted.below.get(bound) ?? 0) + value);
      }
    }
    return [...routes]
      .filter(([, { calls }]) => calls > 0)
      .map(([route, { calls, sumS, below }]) => {
        const bound = CLASSES_S.find((class_) => (below.get(class_) ?? 0) >= 0.95 * calls);
        return { route, calls, meanMs: (1000 * sumS) / calls, mostMs: bound === undefined ? null : 1000 * bound };
      })
      .sort((a, b) => b.meanMs - a.meanMs)
      .slice(0, most);
  }
}
