import { aims as aimList, crops, findCrop, findWay, usualWay } from '../../src/catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../src/core/calendar/day.ts';
import { chooseAll } from '../../src/core/choose/rounds.ts';
import { hang, rankSamples } from '../../src/core/choose/rank.ts';
import { jobsOf } from '../../src/core/jobs/jobs.ts';
import { stripJobs, stripsOf } from '../../src/core/strips/life.ts';
import { mowing } from '../../src/core/strips/mowing.ts';
import { mowingInput } from '../../src/questions/strips.ts';
import { sowToday } from '../../src/core/sowing/today.ts';
import { forecastCover } from '../../src/core/forecast/forecast.ts';
import { portions } from '../../src/core/seed/weight.ts';
import { aheadOf, forecastInput, observedOf, sowTodayInput } from '../../src/questions/cover.ts';
import { gapQuestion } from '../../src/questions/gap.ts';
import { methodsHere } from '../../src/questions/methods.ts';
import { weightsOf } from '../../src/questions/weights.ts';
import { type GardenContents } from '../../src/records/verbs/verbs.ts';
import { coverFrom, dayOption, gardenFrom, todayOf, type Typed, yearsOf } from '../args.ts';

/** `choose FILE BED`: every cover of the catalogue in a gap of this bed, ranked by the aims. */
export function choose(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const bed = c.beds.find((b) => b.name === typed.at[1] || b.id === typed.at[1]);
  if (!bed) throw new Error(`no bed ${typed.at[1]}; there are ${c.beds.map((b) => b.name).join(', ')}`);
  const way = findWay(typed.get('way') ?? usualWay.id);
  if (!way) throw new Error(`--way ${typed.get('way')} is not known`);
  const nextId = typed.get('next') ?? 'tomato';
  const crop = findCrop(nextId);
  if (!crop) throw new Error(`--next ${nextId} is no crop; there are ${crops.map((x) => x.id).join(' ')}`);
  const as = typed.get('as') === 'seed' ? 'seed' : crop.ways[0]!;
  if (!crop.ways.includes(as)) throw new Error(`--as: ${crop.id} is planted as ${crop.ways.join(' or ')}`);
  const freeDay = dayOption(typed, 'from', todayOf(typed, c));
  const plantDay = dayOption(typed, 'plant');
  if (plantDay <= freeDay)
    throw new Error(`--plant ${isoOf(plantDay)} must come after ${isoOf(freeDay)}, the day the bed is free`);
  if (plantDay - freeDay < 28) throw new Error('the gap must be at least 28 days');
  const aims = aimsOption(typed.get('aims') ?? 'feed:3,hold:2');
  const samples = chooseAll(
    gapQuestion(
      { ...c, bed },
      { wayId: way.id, freeDay, plantDay, nextId, nextWay: as, aims, years: yearsOf(typed) },
    ),
  );
  return hang(rankSamples(samples, aims))
    .slice(0, Number(typed.get('top') ?? 10))
    .map(({ sample: s, fit }) => ({
      id: s.id,
      name: s.name,
      fit: Number(fit.toFixed(3)),
      sow: isoOf(s.sowDay),
      seed_g_m2: s.seed_g_m2.map((g) => Number(g.toFixed(2))),
      stand: s.stand.stand,
      best: s.best && {
        method: s.best.method,
        start: isoOf(s.best.startDay),
        inTime: s.best.odds.inTime,
        nitrogen_g_m2: s.best.nitrogen_g_m2,
        residue_g_m2: s.best.residue_g_m2,
      },
      serves: s.best?.serves,
      factors: s.factors,
      reasons: s.reasons,
      changes: s.changes,
    }));
}

/** `feed:3,hold:2`: aims with their strands. */
function aimsOption(text: string) {
  return text.split(',').map((a) => {
    const [id = '', strands = '1'] = a.split(':');
    if (!aimList.some((x) => x.id === id))
      throw new Error(`--aims: ${id} is no aim; there are ${aimList.map((x) => x.id).join(' ')}`);
    if (!['1', '2', '3'].includes(strands))
      throw new Error(`--aims: ${id} takes 1, 2 or 3 strands, not ${strands}`);
    return { id, strands: Number(strands) };
  });
}

/** `forecast FILE COVER`: stages, growth and every ending of a cover of a garden. */
export const forecast = (typed: Typed) => forecastOf(typed, gardenFrom(typed.at[0]));

function forecastOf(typed: Typed, c: GardenContents) {
  const { cover, bed } = coverFrom(c, typed.at[1]);
  const today = todayOf(typed, c);
  return forecastCover({
    ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, yearsOf(typed)),
    observed: observedOf(c.weather, cover, today),
    ahead: aheadOf(c.weather, today),
  });
}

/** `terminate FILE COVER`: the ways to end it, surest first, with what is in the way of each. */
export function terminate(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const { bed } = coverFrom(c, typed.at[1]);
  const answer = forecastOf(typed, c);
  const here = new Map(methodsHere(c.garden, bed).map((m) => [m.id, m]));
  const day = (d: number) => (Number.isFinite(d) ? isoOf(Math.round(d)) : 'never');
  return answer.endings
    .sort((a, b) => b.odds.inTime - a.odds.inTime)
    .map((e) => ({
      method: e.method,
      inTheWay: here.get(e.method)!.missing,
      start: day(e.startDay),
      window: e.windowDays.map(day),
      odds: e.odds,
      dead: day(e.dead.mid),
      ready: { p10: day(e.ready.low), median: day(e.ready.mid), p90: day(e.ready.high) },
      minutes: Math.round((e.minutesPer100m2 * bed.area_m2) / 100),
      surviving: e.surviving,
      nitrogen_g_m2: e.nitrogen_g_m2,
      residue_g_m2: e.residue_g_m2,
    }));
}

/** `seed FILE [COVER]`: the weight of every species on the scale, with its working, for one cover or all that are to be sown. */
export function seed(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const covers = typed.at[1] ? [coverFrom(c, typed.at[1]).cover] : c.covers.filter((x) => !x.sownOn);
  return covers.map((cover) => {
    const bed = c.beds.find((b) => b.id === cover.bedId)!;
    return {
      cover: cover.id,
      bed: bed.name,
      sow: cover.sowOn,
      species: weightsOf(cover, bed).map((w) => ({ ...w, throws_g: portions(w.weigh_g, cover.throws) })),
    };
  });
}

/** `sow FILE COVER`: whether today is a good day to sow it, what is known of ground and weather, and until when it works. */
export function sow(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  const { cover, bed } = coverFrom(c, typed.at[1]);
  const today = todayOf(typed, c);
  const asked = sowTodayInput(c.garden, bed, cover, c.plantings, c.weather, [], today);
  const answer = sowToday({ ...asked, years: yearsOf(typed, asked.years) });
  const day = (d: number | undefined) => (d === undefined ? null : isoOf(d));
  const { verdict } = answer;
  return {
    ...answer,
    verdict: 'until' in verdict ? { ...verdict, until: day(verdict.until) } : verdict,
    goodUntil: day(answer.goodUntil),
    worksUntil: day(answer.worksUntil),
    lastUntil: day(answer.lastUntil),
    opensOn: day(answer.opensOn),
  };
}

const MOW_YEARS = 60;

/** `jobs FILE`: everything still to do, soonest first. */
export function jobs(typed: Typed) {
  const c = gardenFrom(typed.at[0]);
  const today = todayOf(typed, c);
  const mowOn = new Map(
    c.beds.flatMap((b) => {
      const asked = mowingInput(b, c, today, MOW_YEARS);
      const next = asked && mowing(asked).cuts[0];
      return next ? [[b.id, next.mid] as const] : [];
    }),
  );
  const strips = stripJobs(stripsOf(c.beds), dayOf(today), c.garden.site.latitude_deg < 0, mowOn);
  return [...jobsOf(c.plantings, c.covers, c.looks, dayOf(today)), ...strips].sort((a, b) =>
    a.on.localeCompare(b.on),
  );
}
