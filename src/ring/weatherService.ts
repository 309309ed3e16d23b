import { z } from 'zod';
import { dayOf } from '../core/calendar/day.ts';
import { type Result, fail, ok } from '../core/result/result.ts';
import { type Garden } from '../records/types.ts';

const answerSchema = z.object({
  simulated: z.boolean(),
  from: z.string(),
  days: z
    .array(z.object({ on: z.string(), tmin_c: z.number(), tmax_c: z.number(), rain_mm: z.number() }))
    .max(16),
});

/** Ten days ahead, as a weather service gave them. */
export type ServiceForecast = z.infer<typeof answerSchema>;

const PATIENCE_MS = 4000;

/** Asks the weather service that the project serves, a simulated one. Fails with `service-away`; nothing depends on it. */
export async function fetchForecast(garden: Garden, today: string): Promise<Result<ServiceForecast>> {
  const { tmax_c, tmin_c, rain_mm } = garden.site;
  const ask = new URLSearchParams({
    from: today,
    tmax: tmax_c.map((t) => t.toFixed(1)).join(),
    tmin: tmin_c.map((t) => t.toFixed(1)).join(),
    rain: rain_mm.map((r) => r.toFixed(0)).join(),
  });
  try {
    const response = await fetch(`/api/forecast?${ask}`, { signal: AbortSignal.timeout(PATIENCE_MS) });
    const read = answerSchema.safeParse(response.ok ? await response.json() : null);
    return read.success ? ok(read.data) : fail('service-away');
  } catch {
    return fail('service-away');
  }
}

/** Days of a forecast that still lie ahead, as the core takes them. */
export const daysAhead = (f: ServiceForecast | null, today: string): [number, number, number, number][] =>
  (f?.days ?? []).filter((d) => d.on > today).map((d) => [dayOf(d.on), d.tmin_c, d.tmax_c, d.rain_mm]);
