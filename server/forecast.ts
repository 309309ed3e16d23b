/** A simulated weather service: ten plausible days that follow from a date and a place's ordinary year. Not weather of the world. */
export interface ForecastAsk {
  from: string;
  /** Twelve figures each: mean highest and lowest, rain of the month in mm. */
  tmax: number[];
  tmin: number[];
  rain: number[];
}

export interface SimulatedForecast {
  simulated: true;
  from: string;
  days: { on: string; tmin_c: number; tmax_c: number; rain_mm: number }[];
}

const DAYS = 10;
const MS_PER_DAY = 86_400_000;

/** Reads the query of a request; a sentence says what is wrong with it. */
export function readForecastAsk(query: Record<string, unknown>): ForecastAsk | string {
  const from = String(query.from ?? '');
  if (!/^\d{4}-\d{2}-\d{2}$/.test(from) || Number.isNaN(Date.parse(`${from}T00:00:00Z`)))
    return 'from must be a date like 2027-04-13';
  const row = (name: string) =>
    String(query[name] ?? '')
      .split(',')
      .map(Number);
  const [tmax, tmin, rain] = [row('tmax'), row('tmin'), row('rain')];
  for (const [name, values] of [
    ['tmax', tmax],
    ['tmin', tmin],
    ['rain', rain],
  ] as const)
    if (values.length !== 12 || values.some((v) => !Number.isFinite(v)))
      return `${name} must be twelve numbers`;
  return { from, tmax, tmin, rain };
}

/** The same question gets the same days, so that nobody sees tomorrow change its mind within a day. */
export function simulateForecast(ask: ForecastAsk): SimulatedForecast {
  const first = Date.parse(`${ask.from}T00:00:00Z`);
  const chance = mulberry(first / MS_PER_DAY + Math.round(ask.tmax[0]! * 10));
  let mood = 4 * (chance() - 0.5);
  let wet = chance() < 0.3;
  const days = Array.from({ length: DAYS }, (_, i) => {
    const at = new Date(first + (i + 1) * MS_PER_DAY);
    const m = at.getUTCMonth();
    const wetShare = Math.min(0.7, ask.rain[m]! / 150);
    wet = chance() < (wet ? 0.3 : 0) + 0.7 * wetShare;
    mood = 0.7 * mood + 4 * (chance() - 0.5);
    const narrower = wet ? 1.5 : 0;
    const round = (x: number) => Math.round(x * 10) / 10;
    return {
      on: at.toISOString().slice(0, 10),
      tmin_c: round(ask.tmin[m]! + mood + narrower),
      tmax_c: round(Math.max(ask.tmin[m]! + mood + narrower + 1, ask.tmax[m]! + mood - narrower)),
      rain_mm: wet ? round(0.5 + 9 * chance() ** 2 * (1 + ask.rain[m]! / 100)) : 0,
    };
  });
  return { simulated: true, from: ask.from, days };
}

/** A small seeded source of chance (public-domain mulberry32); the server shares no code with the application. */
function mulberry(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}
