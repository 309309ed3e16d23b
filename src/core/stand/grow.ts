import { SEED_ZONE_MM, type Soil } from '../soil/soil.ts';
import { type SoilState, nitrogenDay, startSoil, waterDay } from '../soil/day.ts';
import { type Season } from '../weather/season.ts';
import { type Course } from './course.ts';
import { type SowingWay, wayShare } from './emergence.ts';
import { coverOf, criticalShare, lightLeft, turnoverAt20 } from './leaf.ts';
import { type Plants, crowdingOf, emerge, fixation, makePlants, resetPlants, swell } from './plant.ts';
import { type Gain, type Offer, type Traits, ageDay, gainDay, lossDay } from './plantDay.ts';
import { type Member, sameShape } from './species.ts';
import { daylengthFactors } from './stage.ts';
import { warmthOf } from './thermal.ts';

/** What makes one plausible year differ from the next besides weather: variety, seed, soil, all that is not known. */
export interface Variation {
  stageRate: number;
  growth: number;
  emergence: number;
  /** Shift of the killing temperature, °C. */
  hardiness_c: number;
  /** Tougher plants also die less surely by hand: factor on the odds of being killed by a pass. */
  killOdds: number;
  /** ... and factor on the heat that kills them under a sheet. */
  coverHeat: number;
}

/** A crop that still stands over the seed and lets this share of light through until it is cleared. */
export interface Canopy {
  until: number;
  lightThrough: number;
}

/** Light on the ground under a crop at its last weeding until it leaves: leaf area 2 to 2.5 passes a quarter. */
export const CROP_LETS_THROUGH = 0.3;

export interface StandInput {
  members: Member[];
  /** Viable seed actually on the ground, g/m2, per member. */
  seed_g_m2: number[];
  way: SowingWay;
  soil: Soil;
  /** Day index in the season on which it is sown. */
  sownAt: number;
  /** The gardener keeps the seed bed moist until plants stand. */
  watered: boolean;
  /** The gardener also waters the standing cover in drought. */
  irrigated?: boolean;
  canopy?: Canopy;
  /** Day index at which growing may stop; the end of the season when absent. */
  growUntil?: number;
}

const LIGHT_TO_PAR = 0.48;
/** A watering of the seed bed, and of a dry standing cover. */
const SPRINKLE_MM = 6;
const IRRIGATION_MM = 15;
const IRRIGATE_BELOW = 0.45;
/** Roots in frozen ground take up no water: growth comes back over the first degrees above 0 °C at seed depth. */
const FROZEN_C = 0;
const THAWED_C = 5;
const PER_SEED_ZONE = 1 / SEED_ZONE_MM;
const PER_THAW = 1 / (THAWED_C - FROZEN_C);

/** Room that growing one plan needs; made once and written over for every year. */
export interface GrowRoom {
  plants: Plants;
  soil: SoilState;
  potential: number[];
  traits: Traits[];
  offer: Offer;
  gain: Gain;
  /** The heaviest stand of these kinds that is reported, g/m2. */
  heaviest_g_m2: number;
}

export const makeGrowRoom = (input: StandInput): GrowRoom => ({
  plants: makePlants(input.members.length),
  soil: startSoil(input.soil),
  offer: {
    par_MJ: 0,
    intercepted: 0,
    pull: 0,
    critical: 0,
    thawed: 0,
    brake: 0,
    waterStress: 0,
    mineral_g_m2: 0,
    stage: 0,
    warmth: 0,
    frosty: false,
    airTempo: 0,
  },
  gain: { made_g_m2: 0, taken_g_m2: 0, fixed_g_m2: 0, lost_g_m2: 0 },
  potential: input.members.map((m) => wayShare(m.species, input.way)),
  heaviest_g_m2: input.members.reduce((sum, m) => sum + m.share * m.species.growth.max_g_m2, 0),
  traits: input.members.map(({ species }) => ({
    species: sameShape(species),
    extinction: species.growth.extinction,
    span_c: species.thermal.opt_c - species.thermal.base_c,
    rue_g_MJ: species.growth.rue_g_MJ,
    cap_g_m2_d: species.growth.cap_g_m2_d,
    turnover: turnoverAt20(species),
    fixation: fixation(species.nitrogen.fixedShare, input.soil),
    legume: species.role === 'legume',
    heatKill_c: species.heatKill_c ?? Infinity,
  })),
});

/**
 * Answers: what stands on the bed, day by day, in this one season?
 * Light: fi = 1 - exp(-sum k LAI), shared by k LAI and height. Growth = RUE x PAR x fi x warmth x frost x water x nitrogen, capped
 * at the crop growth rate of a closed stand. Nitrogen: critical content after Lemaire and Gastal 1997; soil supply from what was
 * left, what the soil frees and what drains away; legumes fix the rest. Water and soil nitrogen: see soil/day.ts.
 * Sources: Monteith 1977; Kiniry 1989; Lemaire and Gastal 1997; FAO-56. Deviations are listed in docs/methods/growth.md.
 */
export function growStand(
  input: StandInput,
  season: Season,
  v: Variation,
  out: Course,
  room: GrowRoom = makeGrowRoom(input),
): Course {
  const { members, soil, sownAt } = input;
  const n = members.length;
  const p = room.plants;
  const st = startSoil(soil, room.soil);
  resetPlants(p, room.potential);
  clear(out, sownAt);
  out.water.start_mm = st.root_mm;
  out.soilNitrogen.start_g_m2 = st.mineral_g_m2;
  const warmths = members.map((m) => warmthOf(season, m.species.thermal));
  const lengths = members.map((m) => daylengthFactors(m.species, season.dayLength_h));
  const { tmin_c, mean_c, soil_c, soilTempo, chill, airTempo } = season;
  const canopyUntil = input.canopy?.until ?? -1;
  const through = input.canopy?.lightThrough ?? 1;
  const { alive, lai, dm, pull, emergence: up, n: nIn, height: tall } = p;
  const { offer, gain } = room;
  const { stage: stageOut, alive: aliveOut, dm_g_m2, n_g_m2, cover, height_m } = out;
  const traits = room.traits;
  let waiting = n;
  let crowding = 1;
  let taken = 0;
  let fixed = 0;
  let made_g = 0;
  let lost_g = 0;

  const until = Math.min(season.days, input.growUntil ?? season.days);
  for (let d = 0; d < until; d++) {
    const shaded = d < canopyUntil;
    let fi = 0;
    for (let s = 0; s < n; s++) fi += lai[s]! * traits[s]!.extinction;
    const intercepted = fi > 0 ? (1 - lightLeft(fi)) * crowding : 0;
    let watering = 0;
    if (d >= sownAt && waiting > 0 && input.watered && st.seedZone_mm < SEED_ZONE_MM * 0.5)
      watering = SPRINKLE_MM;
    if (input.irrigated && d >= sownAt && st.root_mm < st.capacity_mm * IRRIGATE_BELOW)
      watering = IRRIGATION_MM;
    st.watering_mm = watering;
    st.intercepted = shaded ? Math.max(intercepted, 1 - through) : intercepted;
    waterDay(st, season, d);
    nitrogenDay(st, soil, soilTempo, d);
    if (d < sownAt) continue;

    let totalDm = 0;
    let lightPull = 0;
    for (let s = 0; s < n; s++) {
      totalDm += dm[s]!;
      const own = lai[s]! * traits[s]!.extinction * (0.6 + tall[s]!);
      pull[s] = own;
      lightPull += own;
    }
    const full = totalDm / room.heaviest_g_m2;
    offer.critical = totalDm > 100 ? criticalShare(totalDm) : 1;
    offer.par_MJ = season.radiation_MJ[d]! * LIGHT_TO_PAR * (shaded ? through : 1);
    offer.brake = Math.max(0, 1 - full * full * full);
    offer.thawed = Math.max(0, Math.min(1, (soil_c[d]! - FROZEN_C) * PER_THAW));
    offer.intercepted = intercepted;
    offer.pull = lightPull;
    offer.waterStress = st.stress;
    offer.mineral_g_m2 = st.mineral_g_m2;
    let tallest = 0;
    let coverLeaf = 0;
    for (let s = 0; s < n; s++) {
      const t = traits[s]!;
      const at = d * n + s;
      if (up[s]! < 1) {
        if (swell(p, s, t.species, soil_c[d]!, st.seedZone_mm * PER_SEED_ZONE, v.emergence)) {
          emerge(p, s, members[s]!, input.seed_g_m2[s]!, out, d);
          crowding = crowdingOf(members, out.plants_m2);
          waiting--;
        }
        stageOut[at] = Math.min(0.99, up[s]!);
        continue;
      }
      if (alive[s] === 0) {
        // The dead keep the stage they reached.
        stageOut[at] = stageOut[at - n]!;
        continue;
      }
      const warmth = warmths[s]![d]!;
      const stage = ageDay(p, s, t, v, warmth, lengths[s]![d]!, chill[d]!, mean_c[d]!);
      stageOut[at] = stage;
      lossDay(p, s, t, v, season, d, gain);
      lost_g += gain.lost_g_m2;
      if (alive[s] === 0) continue;
      const stood = dm[s]!;
      offer.stage = stage;
      offer.warmth = warmth;
      offer.frosty = tmin_c[d]! < -1;
      offer.airTempo = airTempo[d]!;
      gainDay(p, s, t, v, offer, d, gain);
      made_g += gain.made_g_m2;
      lost_g += stood + gain.made_g_m2 - dm[s]!;
      taken += gain.taken_g_m2;
      fixed += gain.fixed_g_m2;
      aliveOut[at] = alive[s]!;
      dm_g_m2[at] = dm[s]!;
      n_g_m2[at] = nIn[s]!;
      if (alive[s]! > 0.02 && tall[s]! > tallest) tallest = tall[s]!;
      coverLeaf += coverOf(t.species, lai[s]!);
    }
    st.mineral_g_m2 = offer.mineral_g_m2;
    if (coverLeaf > 0) cover[d] = (1 - lightLeft(coverLeaf)) * Math.min(1, crowding);
    height_m[d] = tallest;
  }
  close(out, st, taken, fixed, made_g, lost_g);
  return out;
}

function clear(out: Course, sownAt: number): void {
  out.stage.fill(0);
  out.alive.fill(0);
  out.dm_g_m2.fill(0);
  out.n_g_m2.fill(0);
  out.cover.fill(0);
  out.height_m.fill(0);
  out.emerged.fill(Infinity);
  out.plants_m2.fill(0);
  out.dmSown_g_m2 = 0;
  out.nSown_g_m2 = 0;
  out.sownAt = sownAt;
}

function close(out: Course, st: SoilState, taken: number, fixed: number, made: number, lost: number): void {
  const { water, soilNitrogen: nb } = out;
  water.rain_mm = st.rain_mm;
  water.watered_mm = st.watered_mm;
  water.used_mm = st.used_mm;
  water.drained_mm = st.drained_mm;
  water.end_mm = st.root_mm;
  nb.mineralised_g_m2 = st.mineralised_g_m2;
  nb.leached_g_m2 = st.leached_g_m2;
  nb.taken_g_m2 = taken;
  nb.fixed_g_m2 = fixed;
  nb.end_g_m2 = st.mineral_g_m2;
  out.dmMade_g_m2 = made;
  out.dmLost_g_m2 = lost;
}
