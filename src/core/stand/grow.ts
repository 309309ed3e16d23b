import { type DayIndex } from '../calendar/day.ts';
import { SEED_ZONE_MM, TOP_MM } from '../soil/soil.ts';
import { letsThrough, type SoilState, nitrogenDay, startSoil, waterDay } from '../soil/day.ts';
import { higher, lower, share01 } from '../units/bounds.ts';
import { type Season } from '../weather/season.ts';
import { clearCourse, type Course } from './course.ts';
import { addDead, type DeadMatter, noDeadMatter, rotDay } from './dead.ts';
import { wayShare } from './emergence.ts';
import { type Given, givenBy, type StandInput } from './input.ts';
import { criticalShare, lightLeft } from './leaf.ts';
import { type Plant, crowdingOf, emerge, fixation, makePlant, resetPlant, swell } from './plant.ts';
import { afterNight, ageDay, gainDay, lossDay, renewDay } from './plantDay.ts';
import { type Today, newToday } from './today.ts';
import { daylengthFactors } from './stage.ts';
import { warmthOf } from './thermal.ts';
import { type Traits, traitsOf } from './traits.ts';
import { type Variation } from './variation.ts';
import { waterings } from './waterings.ts';
import { type Work } from './work.ts';

const LIGHT_TO_PAR = 0.48;
/** Roots in frozen ground take up no water: growth comes back over the first degrees above 0 °C at seed depth. */
const FROZEN_C = 0;
const THAWED_C = 5;
/** A climber carries its leaves this high on its tallest neighbour. */
const CLIMBS_TO = 1;
const EQUINOX_H = 12;
/** No stand is denser than this, g of dry matter in a cubic metre (swards of ryegrass and white clover, 1 to 1.5 kg): so tall it is at least. */
const DENSEST_G_M3 = 1400;
const PER_DENSEST = 1 / DENSEST_G_M3;
const PER_SEED_ZONE = 1 / SEED_ZONE_MM;
const PER_TOP = 1 / TOP_MM;
/** From g/m2 to t/ha. */
const PER_TONNE = 1 / 100;
const PER_THAW = 1 / (THAWED_C - FROZEN_C);

/** Room that growing one plan needs; made once and written over for every year. */
export interface GrowRoom {
  plants: Plant[];
  soil: SoilState;
  dead: DeadMatter;
  covered: boolean;
  today: Today;
  traits: Traits[];
  /** Per member: share of viable seed that can come up this way, and of wanted nitrogen that it takes from the air on this ground. */
  potential: number[];
  fixes: number[];
  /** The heaviest stand of these kinds that is reported, g/m2. */
  heaviest_g_m2: number;
}

/** Ground as it was left on the morning of a day, so that the bare days before it need not be gone through again for every plan. */
export interface Before {
  day: DayIndex;
  soil: SoilState;
}

export const makeGrowRoom = ({ members, soil, way }: StandInput): GrowRoom => ({
  plants: members.map(makePlant),
  soil: startSoil(soil),
  dead: noDeadMatter(),
  covered: false,
  today: newToday(),
  traits: members.map((m) => traitsOf(m.species)),
  potential: members.map((m) => wayShare(m.species, way)),
  fixes: members.map((m) => fixation(m.species.nitrogen.fixedShare, soil)),
  heaviest_g_m2: members.reduce((sum, m) => sum + m.share * m.species.growth.max_g_m2, 0),
});

/**
 * Answers: what stands on the bed, day by day, in this one season?
 * Light: fi = 1 - exp(-sum k LAI), shared by k LAI and height. Growth = RUE x PAR x fi x warmth x frost x water x nitrogen, capped
 * at the crop growth rate of a closed stand. Nitrogen: critical content after Lemaire and Gastal 1997; soil supply from what was
 * left, what the soil frees, what the stand's own dead give back and what drains away; legumes fix the rest. What cold kills stays on the bed and
 * rots there; once nothing lives, the ground goes on alone to the end of the span. Water and soil nitrogen: see soil/day.ts.
 * Sources: Monteith 1977; Kiniry 1989; Lemaire and Gastal 1997; FAO-56. Deviations are listed in docs/methods/growth.md.
 */
export function growStand(
  input: StandInput,
  season: Season,
  v: Variation,
  out: Course,
  room: GrowRoom = makeGrowRoom(input),
  before?: Before,
  work?: Work,
): Course {
  const { members, sownAt } = input;
  const { plants, traits, today, dead } = room;
  const given = givenBy(input);
  const onTop = input.way.onTop === true;
  const n = members.length;
  const st = startSoil(input.soil, room.soil);
  const startMineral = st.mineral_g_m2;
  const startRoot = st.root_mm;
  const startAt = before && before.day <= sownAt && !input.canopy ? before.day : 0;
  if (before && startAt > 0) Object.assign(st, before.soil);
  for (let s = 0; s < n; s++) resetPlant(plants[s]!, room.potential[s]!, room.fixes[s]!);
  clearCourse(out, sownAt);
  Object.assign(dead, NOTHING_DEAD);
  room.covered = false;
  out.water.start_mm = startRoot;
  out.soilNitrogen.start_g_m2 = startMineral;
  const warmths = members.map((m) => warmthOf(season, m.species.thermal));
  const lengths = members.map((m) => daylengthFactors(m.species, season.dayLength_h));
  let waiting = n;
  let over = false;
  today.crowding = 1;
  let taken = 0;
  let fixed = 0;
  let made_g = 0;
  let lost_g = 0;
  let workAt = work ? work.next : Infinity;

  const until = Math.min(season.days, input.growUntil ?? season.days);
  for (let d = startAt; d < until; d++) {
    if (!over) catchLight(room, given, d);
    waterings(st, given, d, waiting > 0, onTop);
    st.lets = dead.dm_g_m2 > 0 ? letsThrough(dead.dm_g_m2 * PER_TONNE) : 1;
    waterDay(st, season, d);
    nitrogenDay(st, season.soilTempo, d);
    if (dead.dm_g_m2 > 0) giveBack(st, rotDay(dead, season.decay[d + 1]! - season.decay[d]!));
    out.root_mm[d] = st.root_mm;
    out.mineral_g_m2[d] = st.mineral_g_m2;
    if (d < sownAt) continue;
    if (over) {
      for (let s = 0; s < n; s++) out.stage[d * n + s] = plants[s]!.stage;
      out.dead_g_m2[d] = dead.dm_g_m2;
      out.deadN_g_m2[d] = dead.n_g_m2;
      out.soilShare[d] = taken / (taken + fixed + LEAST_N);
      if (d === workAt) workAt = doWork(work!, d, room, out);
      continue;
    }
    breakDay(room, given, season, d, onTop);
    const there = st.mineral_g_m2;
    let living = waiting;
    let tallest = 0;
    let coverLeaf = 0;
    for (let s = 0; s < n; s++) {
      const t = traits[s]!;
      const q = plants[s]!;
      const at = d * n + s;
      if (q.emergence < 1) {
        if (swell(q, t, today, onTop)) {
          emerge(q, t, s, members[s]!, input.seed_g_m2[s]!, v.emergence, out, d);
          today.crowding = crowdingOf(members, out.plants_m2);
          waiting--;
        }
        out.stage[at] = lower(0.99, q.emergence);
        continue;
      }
      if (q.alive > 0) {
        today.warmth = warmths[s]![d]!;
        today.daylength = lengths[s]![d]!;
        // In the dark nothing ripens.
        if (!room.covered) ageDay(q, t, v, today);
        lossDay(q, t, v, today);
        if (t.perennial && q.alive > 0) renewDay(q, t, today);
        if (today.lost_g_m2 > 0) giveBack(st, addDead(dead, t, today.lost_g_m2, today.lostN_g_m2));
        lost_g += today.lost_g_m2;
      }
      // The dead keep the stage they reached.
      out.stage[at] = q.stage;
      if (q.alive === 0) continue;
      living++;
      const stood = q.dm;
      gainDay(q, t, v, today, d);
      made_g += today.made_g_m2;
      lost_g += stood + today.made_g_m2 - q.dm;
      taken += today.taken_g_m2;
      fixed += today.fixed_g_m2;
      out.alive[at] = q.alive;
      out.dm_g_m2[at] = q.dm;
      out.n_g_m2[at] = q.n;
      if (q.alive > 0.02 && q.height > tallest) tallest = q.height;
      coverLeaf += q.lai * t.coverPerLeaf;
    }
    // What the dead gave back today is in the ground already; what roots took comes off it.
    st.mineral_g_m2 -= there - today.mineral_g_m2;
    out.mineral_g_m2[d] = st.mineral_g_m2;
    out.soilShare[d] = taken / (taken + fixed + LEAST_N);
    out.dead_g_m2[d] = dead.dm_g_m2;
    out.deadN_g_m2[d] = dead.n_g_m2;
    if (coverLeaf > 0 && !room.covered) out.cover[d] = (1 - lightLeft(coverLeaf)) * lower(1, today.crowding);
    // What stands needs room, whatever stage it has come to; what was bent or cut lies closer.
    out.height_m[d] = out.deeds.length === 0 ? higher(tallest, standing(plants) * PER_DENSEST) : tallest;
    if (d === workAt) {
      const stood = standing(plants);
      workAt = doWork(work!, d, room, out);
      lost_g += stood - standing(plants);
    }
    if (living === 0) {
      over = true;
      st.intercepted = 0;
    }
  }
  if (over) keepStages(out, plants, until);
  close(out, st, taken, fixed, made_g, lost_g);
  return out;
}

/** @returns the day of the next work */
function doWork(work: Work, d: DayIndex, room: GrowRoom, out: Course): number {
  work.act(d, room, out);
  return work.next;
}

function standing(plants: Plant[]): number {
  let dm = 0;
  for (let s = 0; s < plants.length; s++) dm += plants[s]!.dm;
  return dm;
}

/** Light that the leaves catch at dawn, and what they and a crop above them keep from the ground. */
function catchLight(room: GrowRoom, given: Given, d: DayIndex): void {
  const { plants, traits, today, soil: st } = room;
  let leaf = 0;
  for (let s = 0; s < plants.length; s++) leaf += plants[s]!.lai * traits[s]!.extinction;
  const caught = leaf > 0 ? (1 - lightLeft(leaf)) * today.crowding : 0;
  today.intercepted = room.covered ? 0 : caught;
  st.intercepted = d < given.canopyUntil ? higher(caught, 1 - given.canopyLets) : caught;
}

/** The day's weather and what it offers to every member alike, into `room.today`. */
function breakDay(room: GrowRoom, given: Given, season: Season, d: DayIndex, onTop: boolean): void {
  const { plants, traits, today, soil: st } = room;
  let totalDm = 0;
  let pulls = 0;
  let tallest = 0;
  for (let s = 0; s < plants.length; s++) if (plants[s]!.height > tallest) tallest = plants[s]!.height;
  for (let s = 0; s < plants.length; s++) {
    const q = plants[s]!;
    totalDm += q.dm;
    const t = traits[s]!;
    const reaches = t.climbs ? higher(q.height, CLIMBS_TO * tallest) : q.height;
    q.pull = q.lai * t.extinction * (0.6 + reaches);
    pulls += q.pull;
  }
  const full = totalDm / room.heaviest_g_m2;
  const lets = d < given.canopyUntil ? given.canopyLets : 1;
  const par_MJ = season.radiation_MJ[d]! * LIGHT_TO_PAR * given.light * lets;
  const soil_c = season.soil_c[d]!;
  const tmin_c = season.tmin_c[d]!;
  today.tmin_c = tmin_c;
  today.tmax_c = season.tmax_c[d]!;
  today.mean_c = season.mean_c[d]!;
  today.snow_cm = season.snow_cm[d]!;
  today.soil_c = soil_c;
  const hours = season.dayLength_h[d]!;
  today.shortens = d > 0 && hours < EQUINOX_H && hours < season.dayLength_h[d - 1]! ? 1 : 0;
  today.chill = season.chill[d]!;
  today.airTempo = season.airTempo[d]!;
  today.afterNight = afterNight(tmin_c);
  today.seedbed = onTop ? st.top_mm * PER_TOP : st.seedZone_mm * PER_SEED_ZONE;
  today.critical = criticalShare(totalDm);
  today.brake = higher(0, 1 - full * full * full);
  today.light_MJ =
    par_MJ * today.intercepted * share01((soil_c - FROZEN_C) * PER_THAW) * today.brake * st.stress;
  today.perPull = pulls > 0 ? 1 / pulls : 0;
  today.mineral_g_m2 = st.mineral_g_m2;
}

/** Nitrogen under which a stand's source of it is not asked, g/m2. */
const LEAST_N = 1e-3;
const NOTHING_DEAD: DeadMatter = noDeadMatter();

/** Nitrogen from the stand's own dead goes into the ground. */
function giveBack(st: SoilState, freed_g_m2: number): void {
  st.mineral_g_m2 += freed_g_m2;
  st.returned_g_m2 += freed_g_m2;
}

/** The dead keep the stage they reached. */
function keepStages(out: Course, plants: Plant[], from: number): void {
  for (let d = from; d < out.days; d++)
    for (let s = 0; s < plants.length; s++) out.stage[d * plants.length + s] = plants[s]!.stage;
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
  nb.returned_g_m2 = st.returned_g_m2;
  nb.fixed_g_m2 = fixed;
  nb.end_g_m2 = st.mineral_g_m2;
  out.dmMade_g_m2 = made;
  out.dmLost_g_m2 = lost;
}
