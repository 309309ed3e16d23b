import { dayOf, isoOf } from '../../src/core/calendar/day.ts';
import { cameOf } from '../../src/core/learn/came.ts';
import { learnKills } from '../../src/core/learn/kills.ts';
import { learn as learnFrom } from '../../src/core/learn/learn.ts';
import { blocksToShow, spreadOfBlocks, verdictOf } from '../../src/core/trial/verdict.ts';
import { bareShare, bedYear, firstDay, gardenYears, weatherOf } from '../../src/core/years/years.ts';
import { endedBy, livedThrough, lookedAt } from '../../src/questions/learn.ts';
import { gardenFrom, todayOf, type Typed, yearsOf } from '../args.ts';

const YEARS = 100;

/** `learn FILE`: what this garden's own results say against the book, and what came of every cover that was ended. */
export function learn(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const today = todayOf(typed, c);
  const learnt = learnFrom(lookedAt(c, today, typed.get('years') ? yearsOf(typed) : YEARS));
  return {
    today,
    covers: learnt.covers,
    against: learnt.lessons.map((l) => ({
      trait: l.trait,
      kind: l.kind ?? 'all',
      mean: l.at.mean,
      sd: l.at.sd,
      covers: l.results.length,
    })),
    kills: learnKills(endedBy(c, today, typed.get('years') ? yearsOf(typed) : YEARS)),
    came: c.covers.flatMap((cover) => {
      const lived = livedThrough(c, cover, today);
      const day = (what: string, x: number) =>
        what === 'bulk' || what === 'weeds' || !Number.isFinite(x) ? x : isoOf(Math.round(x));
      return lived
        ? [
            {
              cover: cover.id,
              of: cameOf(lived).map((o) => ({
                what: o.what,
                expected: [o.expected.low, o.expected.mid, o.expected.high].map((x) => day(o.what, x)),
                seen: day(o.what, o.seen),
                causes: o.causes,
                weather: o.weather,
              })),
            },
          ]
        : [];
    }),
  };
}

/** `trial FILE ID`: the verdict on every treatment of a trial against its control. Without an id, the trials there are. */
export function trial(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const wanted = typed.at[1];
  if (!wanted) return { trials: c.garden.trials.map((t) => ({ id: t.id, question: t.question })) };
  const t = c.garden.trials.find((x) => x.id === wanted);
  if (!t)
    throw new Error(
      `There is no trial "${wanted}" in this garden. It has: ${c.garden.trials.map((x) => x.id).join(', ') || 'none'}.`,
    );
  const measured = t.plots.flatMap((p) => (p.value === null ? [] : [{ ...p, value: p.value }]));
  return {
    question: t.question,
    control: t.treatments[0],
    measured: measured.length,
    plots: t.plots.length,
    verdicts: t.treatments.slice(1).map((name, k) => {
      const v = verdictOf(measured, k + 1, t.planned);
      const spread = v && spreadOfBlocks(measured, k + 1);
      return {
        treatment: name,
        ...v,
        blocksToShow:
          v && Number.isFinite(spread) ? (blocksToShow(v.difference, spread!, v.blocks) ?? null) : null,
      };
    }),
  };
}

/** `years FILE`: bare days and weather of every year that the garden's records tell of. */
export function years(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const today = todayOf(typed, c);
  const all = gardenYears(firstDay(c.plantings, c.covers, today), today, c.garden.site.latitude_deg < 0);
  const days = c.weather.flatMap((w) => w.days);
  return {
    today,
    years: all.map((y) => {
      const beds = c.beds.map((b) => bedYear(b.id, c.plantings, c.covers, y, dayOf(today)));
      return {
        year: y.name,
        bareShare: bareShare(beds) ?? null,
        beds: Object.fromEntries(
          beds.map((b, i) => [c.beds[i]!.name, { bare_d: b.bare_d, known_d: b.known_d }]),
        ),
        weather: weatherOf(days, y, c.garden.site) ?? null,
      };
    }),
  };
}
