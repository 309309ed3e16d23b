import { asFractions } from '../units/shape.ts';
import { type DayIndex } from '../calendar/day.ts';
import { type Member } from './species.ts';

/**
 * The course of one stand through one season. Arrays of species values are laid out day after day, species within a day:
 * index day * species + s.
 */
export interface Course {
  days: number;
  members: number;
  /** Stage number, 0 sown .. 5 viable seed. */
  stage: Float32Array;
  /** Share of emerged plants alive, 0..1. */
  alive: Float32Array;
  /** Living above-ground dry matter, g/m2. */
  dm_g_m2: Float32Array;
  /** Nitrogen in it, g/m2. */
  n_g_m2: Float32Array;
  /** Ground covered by living leaves, 0..1, one value a day. */
  cover: Float32Array;
  /** Tallest member, m, one value a day. */
  height_m: Float32Array;
  /** Matter of the stand that cold or heat killed and that still stands or lies there, g/m2, and its nitrogen; one value a day. */
  dead_g_m2: Float32Array;
  deadN_g_m2: Float32Array;
  /** Mineral nitrogen in the ground tonight, g/m2, and the share of the living stand's nitrogen that came out of the soil. */
  mineral_g_m2: Float32Array;
  soilShare: Float32Array;
  /** Water in the root zone tonight, mm. */
  root_mm: Float32Array;
  /** Day index on which half had emerged, per species; Infinity when none did. */
  emerged: Float64Array;
  /** Plants per m2 after emergence, per species. */
  plants_m2: Float64Array;
  /** Nitrogen taken from the soil by the end, g/m2, and the balance terms that close it. */
  soilNitrogen: NitrogenBalance;
  water: WaterBalance;
  /** Day index of sowing. */
  sownAt: DayIndex;
  /** Dry matter: seedlings at emergence + made - lost = what stands at the end. */
  dmSown_g_m2: number;
  dmMade_g_m2: number;
  dmLost_g_m2: number;
  nSown_g_m2: number;
  /** What was done to it and what that laid down, in order; empty for a stand that nothing was done to. */
  deeds: Deed[];
  laid: Laid[];
  /** What passes took off the bed. */
  exported_g_m2: number;
  exportedN_g_m2: number;
  /** Days on which the ground lay under a sheet, cardboard or film: from, to (the day it came off); and days on which it was turned. */
  covered: [number, number][];
  turned: number[];
  /** Heat that each covering must gather before what is under it is dead: days at 20 °C, under film bright days at 32 °C. */
  coverHeat: { day: DayIndex; film: boolean; needs: number }[];
}

/** Something that was done to a stand, or that happened to it under a sheet. */
export interface Deed {
  day: DayIndex;
  kind: string;
  /** Share of plants alive that it met, of the member that holds out best. */
  met: number;
}

/** Matter that one pass laid down or took away, of one member. */
export interface Laid {
  /** Day index at whose end it was laid. */
  day: DayIndex;
  member: number;
  dm_g_m2: number;
  n_g_m2: number;
  /** Nitrogen and dry matter of the tops of plants that died of it: their roots die with them. */
  killedN_g_m2: number;
  killedDm_g_m2: number;
  buried: boolean;
  /** How much faster than whole stems it rots. */
  times: number;
}

export interface NitrogenBalance {
  start_g_m2: number;
  mineralised_g_m2: number;
  taken_g_m2: number;
  /** Given back by the stand's own dead matter. */
  returned_g_m2: number;
  fixed_g_m2: number;
  leached_g_m2: number;
  end_g_m2: number;
}

export interface WaterBalance {
  start_mm: number;
  rain_mm: number;
  watered_mm: number;
  used_mm: number;
  drained_mm: number;
  end_mm: number;
}

/** Room for a course; made once a candidate and written over for every year. */
export function makeCourse(days: number, members: Member[]): Course {
  const n = members.length;
  return {
    days,
    members: n,
    stage: new Float32Array(days * n),
    alive: new Float32Array(days * n),
    dm_g_m2: new Float32Array(days * n),
    n_g_m2: new Float32Array(days * n),
    cover: new Float32Array(days),
    height_m: new Float32Array(days),
    dead_g_m2: new Float32Array(days),
    deadN_g_m2: new Float32Array(days),
    mineral_g_m2: new Float32Array(days),
    soilShare: new Float32Array(days),
    root_mm: new Float32Array(days),
    emerged: new Float64Array(n),
    plants_m2: new Float64Array(n),
    soilNitrogen: {
      start_g_m2: 0,
      mineralised_g_m2: 0,
      taken_g_m2: 0,
      returned_g_m2: 0,
      fixed_g_m2: 0,
      leached_g_m2: 0,
      end_g_m2: 0,
    },
    water: { start_mm: 0, rain_mm: 0, watered_mm: 0, used_mm: 0, drained_mm: 0, end_mm: 0 },
    sownAt: 0,
    dmSown_g_m2: 0,
    dmMade_g_m2: 0,
    dmLost_g_m2: 0,
    nSown_g_m2: 0,
    deeds: [],
    laid: [],
    exported_g_m2: 0,
    exportedN_g_m2: 0,
    covered: [],
    turned: [],
    coverHeat: [],
  };
}

const sample = makeCourse(1, []);
asFractions(sample, ['days', 'members', 'sownAt']);
asFractions(sample.soilNitrogen);
asFractions(sample.water);

/** Empties a course for the next year that is written into it. */
export function clearCourse(out: Course, sownAt: DayIndex): void {
  out.stage.fill(0);
  out.alive.fill(0);
  out.dm_g_m2.fill(0);
  out.n_g_m2.fill(0);
  out.cover.fill(0);
  out.height_m.fill(0);
  out.dead_g_m2.fill(0);
  out.deadN_g_m2.fill(0);
  out.mineral_g_m2.fill(0);
  out.soilShare.fill(0);
  out.root_mm.fill(0);
  out.emerged.fill(Infinity);
  out.plants_m2.fill(0);
  out.dmSown_g_m2 = 0;
  out.nSown_g_m2 = 0;
  out.sownAt = sownAt;
  out.deeds.length = 0;
  out.laid.length = 0;
  out.exported_g_m2 = 0;
  out.exportedN_g_m2 = 0;
  out.covered.length = 0;
  out.turned.length = 0;
  out.coverHeat.length = 0;
}

/** Dry matter of all members on a day. */
export function dryMatterOn(course: Course, day: DayIndex): number {
  let sum = 0;
  for (let s = 0; s < course.members; s++) sum += course.dm_g_m2[day * course.members + s]!;
  return sum;
}

export function nitrogenOn(course: Course, day: DayIndex): number {
  let sum = 0;
  for (let s = 0; s < course.members; s++) sum += course.n_g_m2[day * course.members + s]!;
  return sum;
}
