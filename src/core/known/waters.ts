import { STRESS_SHARE } from '../soil/day.ts';
import { AVAILABLE_WATER_MM, type Soil } from '../soil/soil.ts';
import { type Course } from '../stand/course.ts';
import { type Member } from '../stand/species.ts';
import { type Factor } from './factor.ts';

/**
 * Answers: does this ground stay too dry, or too wet, for these kinds? The model of growth gives every kind the same roots; how kinds differ in
 * what they bear is the catalogue's `worth.drought` and `worth.wet`, 0..1, weighed here by how dry and how wet the ground was under the stand.
 * Judgement: on ground that is dry all the time a kind that bears none loses half of its worth; on clay that is never out of water, four tenths.
 */
const DROUGHT_COSTS = 0.5;
const WET_COSTS = 0.4;
/** What kinds bear on the whole: the model's roots are of such a plant. */
const USUAL_DROUGHT = 0.55;
const USUAL_WET = 0.45;
/** How much a full root zone keeps air from roots: sand drains within hours, clay stands in water. */
const SEALS = { sand: 0, loam: 0.4, clay: 1 } as const;
const FULL = 0.98;
const YEARS = 10;
const WORTH_SAYING = 0.015;

/** How dry (mean shortfall of what plants want) and how often full of water the ground is under a stand, 0..1, means over years. */
export interface Waters {
  dry: number;
  full: number;
}

/** @param from,to day indices of sowing and of the end of growth */
export function watersUnder(courses: readonly Course[], soil: Soil, from: number, to: number): Waters {
  const capacity = AVAILABLE_WATER_MM[soil.texture];
  let dry = 0;
  let full = 0;
  let days = 0;
  for (const { root_mm } of courses.slice(0, YEARS))
    for (let d = from; d < to; d++) {
      const share = root_mm[d]! / capacity;
      dry += Math.max(0, 1 - share / STRESS_SHARE);
      if (share >= FULL) full++;
      days++;
    }
  return days > 0 ? { dry: dry / days, full: full / days } : { dry: 0, full: 0 };
}

/** By how much each kind is better or worse off for it than a usual plant; those of one member count by its share. */
export function bearsWaters(members: Member[], { dry, full }: Waters, soil: Soil): Factor[] {
  return members.flatMap(({ species, share }) => {
    const out: Factor[] = [];
    const drought = 1 + share * dry * DROUGHT_COSTS * (species.worth.drought - USUAL_DROUGHT) * 2;
    if (Math.abs(1 - drought) >= WORTH_SAYING)
      out.push({
        code: drought > 1 ? 'bears-drought' : 'dry-ground',
        times: drought,
        facts: { species: species.name, share: dry },
      });
    const wet =
      1 - share * full * SEALS[soil.texture] * WET_COSTS * Math.max(0, USUAL_WET - species.worth.wet) * 2;
    if (1 - wet >= WORTH_SAYING)
      out.push({ code: 'wet-ground', times: wet, facts: { species: species.name, share: full } });
    return out;
  });
}
