import { type Day } from '../calendar/day.ts';
import { type Standing } from '../plan/standing.ts';
import { quantile } from '../random/quantile.ts';
import { LOOKED_AT, lookDays } from '../work/crowns.ts';
import { MINUTES, type Question, type QuestionKind, type RoundCover, type Why } from './question.ts';

// What has to be looked at on its day, whatever an answer would be worth.

/** A look is not asked for again within so many days. */
export const FRESH_D = 4;

/** Days after sowing on which emergence is looked at. */
const CLOCK_D = [4, 7, 10, 14];
/** From so long after sowing on the clock of emergence is over. */
export const CLOCK_ENDS_D = 21;
/** Hard frost: how long ago it still matters, and how long hurt tissue takes to show. */
const FROST_MATTERS_D = 30;
const FROST_SHOWS_D = 10;
/** Within this of what it bears, a night may have killed. */
const NEAR_LIMIT_C = 2;
const SEED_NEAR_D = 10;
/** Seedlings stand still to be counted, and gaps can still be sown, between these days. */
const FRAME_D = [12, 28] as const;
/** Rain that moves seed and seals ground, mm in two days; looked at within so many days. */
const WASHES_MM = 25;
const WASHED_WITHIN_D = 4;
/** The weeks in which seedlings are eaten, and those before a crop goes in, whose pests then live in it. */
const SEEDLINGS_D = [8, 21] as const;
const BEFORE_CROP_D = 21;
/** A spade once a year, in ground that is neither cold nor parched. */
const YEARLY_D = 330;
const SPADE_FROM_C = 7;
const SPADE_TO_C = 18;
/** Growing so many times heavier in three weeks, a stand changes from look to look. */
const SURGES = 1.5;
/** Less than this on average is seedlings, which have checks of their own, g/m2. */
const STANDS_G_M2 = 30;
const SURGE_D = 21;
const SURGE_LOOK_D = 8;
const MULCH_EVERY_D = 14;

/** Last day on which something was looked at. */
export const lastSeen = (cover: RoundCover, kind: QuestionKind): Day =>
  cover.seen.filter((s) => s.kinds.includes(kind)).reduce((d, s) => Math.max(d, s.day), -Infinity);

/** Checks whose day has come. */
export function fixedChecks(cover: RoundCover, today: Day, standing: Standing | undefined): Question[] {
  const out: Question[] = [];
  const add = (kind: QuestionKind, why: Why, speciesId?: string) =>
    out.push({ kind, why, minutes: MINUTES[kind], ...(speciesId ? { speciesId } : {}) });
  const since = today - cover.sownDay;
  if (since <= CLOCK_ENDS_D) {
    const due = CLOCK_D.filter((d) => d <= since).at(-1);
    if (due !== undefined && lastSeen(cover, 'emergence') < cover.sownDay + due)
      add('emergence', { is: 'clock', sownDays: since, at: due });
    const rain = heavyRain(cover, today);
    if (rain && lastSeen(cover, 'washed') < rain.day) add('washed', { is: 'rain', ...rain });
    if (isUp(cover) && since >= FRAME_D[0] && lastSeen(cover, 'frame') < cover.sownDay)
      add('frame', { is: 'stand', sownDays: since }, cover.asked.members[0]!.species.id);
    return out;
  }
  if (cover.deadDay !== undefined) {
    if (
      today - Math.max(cover.deadDay, lastSeen(cover, 'gaps')) >= MULCH_EVERY_D &&
      cover.asked.plantDay >= today
    )
      add('gaps', { is: 'mulch', dead: cover.deadDay });
    return out;
  }
  const last = [...cover.passes].reverse().find((p) => p.done);
  if (last) {
    const sheet = cover.passes.find((p) => p.done && /^lay-/.test(p.kind));
    const lifted = cover.passes.some((p) => p.done && p.kind === 'lift-sheet');
    if (sheet && !lifted) {
      const [from, done] = standing ? deadDays(standing) : [sheet.day + 12, sheet.day + 25];
      if (today >= from && lastSeen(cover, 'peek') < today - FRESH_D)
        add('peek', { is: 'under-sheet', laid: sheet.day, from, done });
      return out;
    }
    const way = LOOKED_AT[last.kind];
    if (way) {
      const [first, sure] = lookDays(way, cover.mean_c).map((d) => last.day + d) as [Day, Day];
      if (today >= first && lastSeen(cover, 'crowns') < Math.max(first, today - FRESH_D))
        add('crowns', { is: 'after-pass', pass: last.kind, day: last.day, from: first, sure });
      // A blade, a board and a beak miss the edges, pipes and corners.
      if (today >= sure && lastSeen(cover, 'edges') < sure)
        add('edges', { is: 'edges', pass: last.kind, day: last.day });
    }
    return out;
  }
  if (since <= FRAME_D[1] && isUp(cover) && lastSeen(cover, 'frame') < cover.sownDay)
    add('frame', { is: 'stand', sownDays: since }, cover.asked.members[0]!.species.id);
  const times = standing && surge(standing, today);
  if (times !== undefined && times >= SURGES && lastSeen(cover, 'stage') < today - SURGE_LOOK_D)
    add('stage', { is: 'surge', times }, cover.asked.members[0]!.species.id);
  const frost = hardFrost(cover, today);
  if (frost && today - frost.day >= FROST_SHOWS_D && lastSeen(cover, 'alive') < frost.day + FROST_SHOWS_D)
    add(
      'alive',
      { is: 'frost', low_c: frost.low_c, bears_c: frost.bears_c, day: frost.day },
      frost.speciesId,
    );
  if (standing) {
    const early = earlySeed(standing);
    if (early - today <= SEED_NEAR_D && lastSeen(cover, 'seed') < today - FRESH_D)
      add('seed', { is: 'seed-near', early });
  }
  return out;
}

/** Somebody has seen it up. */
const isUp = (cover: RoundCover): boolean =>
  cover.asked.looks.some((l) => l.emergence && l.emergence !== 'none');

/** What is looked at in passing, where nothing presses: what lives in it, and once a year the soil. */
export function inPassing(cover: RoundCover, today: Day): Question[] {
  const out: Question[] = [];
  const lies = cover.passes.some((p) => p.done && /^lay-/.test(p.kind));
  if (cover.deadDay !== undefined || lies) return out;
  const add = (kind: QuestionKind, why: Why) => out.push({ kind, why, minutes: MINUTES[kind] });
  const since = today - cover.sownDay;
  const seen = lastSeen(cover, 'pests');
  const left = cover.asked.plantDay - today;
  if (since >= SEEDLINGS_D[0] && since <= SEEDLINGS_D[1] && seen < cover.sownDay)
    add('pests', { is: 'seedlings', sownDays: since });
  else if (left >= 0 && left <= BEFORE_CROP_D && seen < cover.asked.plantDay - BEFORE_CROP_D)
    add('pests', { is: 'before-crop', plant: cover.asked.plantDay });
  const { soilSeen, mean_c } = cover;
  if (
    since > CLOCK_ENDS_D &&
    mean_c >= SPADE_FROM_C &&
    mean_c <= SPADE_TO_C &&
    (soilSeen ?? -Infinity) < today - YEARLY_D
  )
    add('soil', { is: 'yearly', last: soilSeen });
  return out;
}

/** The heaviest two days of rain that were measured within the last days, where they move seed. */
function heavyRain(cover: RoundCover, today: Day): { mm: number; day: Day } | undefined {
  const rain = new Map((cover.asked.observed ?? []).map(([day, , , mm]) => [day, mm]));
  let worst: { mm: number; day: Day } | undefined;
  for (let day = Math.max(cover.sownDay, today - WASHED_WITHIN_D); day <= today; day++) {
    const mm = (rain.get(day) ?? 0) + (rain.get(day - 1) ?? 0);
    if (mm >= WASHES_MM && (!worst || mm > worst.mm)) worst = { mm, day };
  }
  return worst;
}

/** How many times heavier the stand is three weeks from today, mean over its years; nothing where it is not growing through a spring yet. */
function surge({ soFar, fromDay }: Standing, today: Day): number | undefined {
  const { courses, weights } = soFar;
  const at = today - fromDay;
  let now = 0;
  let then = 0;
  let total = 0;
  for (const [y, c] of courses.entries()) {
    const w = weights ? weights[y]! : 1;
    total += w;
    const to = Math.min(c.days - 1, at + SURGE_D);
    for (let s = 0; s < c.members; s++) {
      now += w * c.dm_g_m2[at * c.members + s]!;
      then += w * c.dm_g_m2[to * c.members + s]!;
    }
  }
  return now > STANDS_G_M2 * total ? then / now : undefined;
}

/** The hardest night of the last month that came near what a member bears, as far as it was measured. */
function hardFrost(cover: RoundCover, today: Day) {
  let worst: { day: Day; low_c: number; bears_c: number; speciesId: string } | undefined;
  for (const [day, low_c] of cover.asked.observed ?? []) {
    if (day > today || day < today - FROST_MATTERS_D || low_c > -2) continue;
    for (const { species } of cover.asked.members) {
      const bears_c = species.cold.hardened_c;
      if (low_c <= bears_c + NEAR_LIMIT_C && (!worst || low_c - bears_c < worst.low_c - worst.bears_c))
        worst = { day, low_c, bears_c, speciesId: species.id };
    }
  }
  return worst;
}

/** Under a sheet: the day from which one year in ten is dead, and by which nine are. */
function deadDays({ onward, fromDay }: Standing): [Day, Day] {
  const days = onward.courses.map((c) => {
    for (let d = c.days - 1; d > 0; d--)
      for (let s = 0; s < c.members; s++) if (c.alive[d * c.members + s]! > 0.1) return fromDay + d + 1;
    return fromDay;
  });
  return [Math.round(quantile(days, 0.1)), Math.round(quantile(days, 0.9))];
}

function earlySeed({ soFar, fromDay }: Standing): Day {
  const days = soFar.courses.map((c) => {
    for (let d = c.sownAt; d < c.days; d++)
      for (let s = 0; s < c.members; s++) {
        const i = d * c.members + s;
        if (c.alive[i]! > 0.05 && c.stage[i]! >= 5) return fromDay + d;
      }
    return Infinity;
  });
  return quantile(days, 0.1, soFar.weights);
}
