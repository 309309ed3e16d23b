import { MOVED_KINDS } from '../core/years/ledger.ts';
import { FORCED_RULES, FORCES, OWN_RULES } from '../core/rotation/rules.ts';
import { SOIL_TEST_KINDS } from '../core/years/soilTests.ts';
import { z } from 'zod';
import { PIECE_USES } from '../core/bed/pieces.ts';
import { STRIP_DEEDS } from '../core/strips/life.ts';
import { OWN_KIND } from '../core/stand/ownKind.ts';
import { isIsoDate } from '../core/calendar/day.ts';
import { TROUBLES } from '../core/stand/troubles.ts';
import { personSchema, thingSchema, windSchema } from './things.ts';

// The content security policy forbids code from text, which Zod would otherwise use for speed.
z.config({ jitless: true });

/** Record types. Dates are ISO (yyyy-mm-dd), sizes metres, weights grams, temperatures °C. Every record but Garden belongs to a garden. */
const isoDate = z.string().refine(isIsoDate, 'no such day');
const id = z.string().min(1).max(80);
const share = z.number().min(0).max(1);
const monthly = z.array(z.number()).length(12);
const text = z.string().max(4000);

export const siteSchema = z.object({
  latitude_deg: z.number().min(-66).max(66),
  coastal: z.boolean(),
  tmax_c: monthly,
  tmin_c: monthly,
  rain_mm: monthly,
  wetShare: monthly,
  coldestNight_c: z.number(),
  sdCold_c: z.number().positive(),
  sdWarm_c: z.number().positive(),
  springWider_c: z.number().optional(),
  autumnWider_c: z.number().optional(),
});

export const soilSchema = z.object({
  texture: z.enum(['sand', 'loam', 'clay']),
  fertility: z.enum(['lean', 'fair', 'rich']),
});

export const packSchema = z.object({
  size_g: z.number().positive().max(1e6),
  price: z.number().nonnegative(),
});

export const wateringSchema = z.object({
  by: z.enum(['hose', 'can', 'line', 'sprinkler']),
  flow_l_min: z.number().positive().max(2000),
  /** Depths of the cup test that it comes from, and its minutes; none when the flow was timed with a bucket. */
  cups_mm: z.array(z.number().nonnegative()).max(40),
  minutes: z.number().nonnegative(),
});

/** Metres on the garden's own plan: x to the right, y downwards, from its first corner. */
const onPlan = z.number().min(-5000).max(5000);
const turn = z.number().min(-360).max(360);

/** What stands on the ground beside the beds. */
export const MARK_KINDS = ['path', 'shed', 'water', 'tree', 'hedge', 'wall', 'other'] as const;
export const markSchema = z.object({
  id,
  kind: z.enum(MARK_KINDS),
  name: z.string().max(60),
  /** Its middle. */
  x_m: onPlan,
  y_m: onPlan,
  width_m: z.number().positive().max(500),
  length_m: z.number().positive().max(500),
  turn_deg: turn,
  round: z.boolean(),
  /** What throws shade; 0 for a path or a tap. */
  height_m: z.number().min(0).max(60),
});

/** What can be measured on a plot, with its unit in words. */
export const MEASURES = ['green-again', 'cover', 'weeds', 'plants', 'harvest', 'bulk', 'other'] as const;

/** A question with one difference between its treatments, and plots drawn by lot before anything was seen. */
export const trialSchema = z.object({
  id,
  question: z.string().min(1).max(200),
  /** The first is the control. */
  treatments: z.array(z.string().min(1).max(60)).min(2).max(4),
  measure: z.enum(MEASURES),
  unit: z.string().max(20),
  /** Day on which plots are to be measured. */
  lookOn: isoDate,
  /** A difference that would change what is done. */
  counts: z.number().positive().max(1e6),
  /** What lies at either end of the plots. */
  ends: z.tuple([z.string().max(60), z.string().max(60)]),
  drawnOn: isoDate,
  /** False for a comparison that nobody set before looking. */
  planned: z.boolean(),
  plots: z
    .array(
      z.object({
        bedId: id,
        block: z.number().int().min(0).max(60),
        treatment: z.number().int().min(0).max(3),
        value: z.number().min(-1e6).max(1e6).nullable(),
      }),
    )
    .min(2)
    .max(120),
});

/** A kind that the catalogue lacks, made from the nearest. */
const ownKindSchema = z.object({
  id,
  name: z.string().min(1).max(60),
  like: z.string().min(1).max(60),
  later: z.number().min(-OWN_KIND.later).max(OWN_KIND.later),
  hardier_c: z.number().min(-OWN_KIND.hardier_c).max(OWN_KIND.hardier_c),
  thousandSeed_g: z.number().positive().max(5000).nullable(),
});

/** What another garden tells of one cover. */
export const reportedCoverSchema = z.object({
  parts: z
    .array(z.object({ speciesId: z.string().min(1).max(60), share }))
    .min(1)
    .max(12),
  sownOn: isoDate,
  method: z.string().max(40),
  /** Day it was seen dead; null while it was not. */
  deadOn: isoDate.nullable(),
  /** What its own Kilim had foretold; null where nothing was. */
  foretold: z.object({ low: isoDate.nullable(), high: isoDate.nullable(), inTime: share }).nullable(),
});

/** A season of another garden, as its gardener handed it on. */
export const reportedSchema = z.object({
  title: z.string().min(1).max(200),
  /** To five degrees, south below nought. */
  latitude_deg: z.number().min(-70).max(70),
  covers: z.array(reportedCoverSchema).min(1).max(200),
});

/** A rule of the gardener's own for the years to come. */
const ownRuleSchema = z.object({
  kind: z.enum(OWN_RULES),
  cropId: z.string().min(1).max(60),
  than: z.string().min(1).max(80),
  hard: z.boolean(),
});

/** The gardener's own plan of the years to come. */
const yearsPlanSchema = z.object({
  first: z.number().int().min(1990).max(2100),
  beds: z
    .array(
      z.object({ bedId: id, years: z.array(z.array(z.string().min(1).max(60)).max(6).readonly()).max(20) }),
    )
    .max(500),
  hung: z
    .array(
      z.object({
        bedId: id,
        freeOn: isoDate,
        plantOn: isoDate,
        cropId: z.string().min(1).max(60),
        coverId: z.string().min(1).max(120),
        name: z.string().max(200),
      }),
    )
    .max(500),
});

export const gardenSchema = z.object({
  id,
  name: z.string().min(1).max(120),
  site: siteSchema,
  /** How the climate was found, in words for the gardener. */
  siteFrom: text,
  units: z.object({
    length: z.enum(['metric', 'imperial']),
    mass: z.enum(['metric', 'imperial']),
    temperature: z.enum(['celsius', 'fahrenheit']),
  }),
  currency: z.string().max(8),
  /** Tools without a size; those of which there are few are `things`. */
  kit: z.array(z.string()),
  things: z.array(thingSchema).max(200),
  ownKinds: z.array(ownKindSchema).max(60).optional(),
  people: z.array(personSchema).min(1).max(40),
  wind: windSchema,
  /** Sides taken on what good growers do differently, by question; absent where it was not asked yet. */
  choices: z.record(z.string(), z.string().max(40)),
  /** Who must be kept from harm. */
  keeps: z.array(z.enum(['children', 'dogs', 'poultry', 'horses', 'stock'])),
  rules: z.object({
    noFootOnBed: z.boolean(),
    noDigging: z.boolean(),
    noPlastic: z.boolean(),
    noAnimals: z.boolean(),
    noFire: z.boolean(),
    sheetCap_d: z.number().int().min(10).max(400),
    /** Longest that clear film may lie, days. */
    filmCap_d: z.number().int().min(7).max(90),
  }),
  /** Price of seed in the garden's currency per kilogram, by species. */
  seedPrices: z.record(z.string(), z.number().nonnegative()),
  /** Sizes in which seed is sold to this gardener, by species. */
  packs: z.record(z.string(), z.array(packSchema).max(12)),
  /** How the garden is watered, as the gardener measured it; null before that. */
  watering: wateringSchema.nullable(),
  /** Where north lies on the plan from above, degrees clockwise from its top, and what stands beside the beds. */
  north_deg: turn,
  marks: z.array(markSchema).max(300),
  /** What this garden's results have shown, as its gardener let it into the forecasts on a day; null while they go by the book. */
  learnt: z
    .object({
      on: isoDate,
      covers: z.number().int(),
      shifts: z.record(
        z.string(),
        z.record(
          z.enum(['stageRate', 'growth', 'emergence', 'hardiness_c']),
          z.object({ mean: z.number().min(-5).max(5), left: z.number().min(0).max(1) }),
        ),
      ),
      /** What its results make of the odds that a way kills, by way. */
      kills: z.record(z.string(), z.number().min(0.05).max(20)).optional(),
    })
    .nullable(),
  /** Day up to which measured weather has been taken into the site; what came before it is not counted again. */
  measuredUntil: isoDate.optional(),
  trials: z.array(trialSchema).max(200),
  /** Seasons of other gardens: never mixed into this one's results. */
  reported: z
    .array(reportedSchema.extend({ id, readOn: isoDate }))
    .max(60)
    .optional(),
  /** Rules of the gardener's own for the years to come. */
  rotationRules: z.array(ownRuleSchema).max(60).optional(),
  /** Rules of rotation that count more here than is usual, or not at all. */
  rotationForces: z.partialRecord(z.enum(FORCED_RULES), z.enum(FORCES)).optional(),
  /** A plan of the years to come that was changed by hand. */
  yearsPlan: yearsPlanSchema.optional(),
  /** A pretended date for trying things out; null is the real today. */
  seasonClock: isoDate.nullable(),
  createdAt: z.string(),
});

const inBed = z.number().min(-500).max(500);

export const bedSchema = z.object({
  id,
  gardenId: id,
  name: z.string().min(1).max(60),
  block: z.string().max(60),
  order: z.number(),
  width_m: z.number().positive().max(500).nullable(),
  length_m: z.number().positive().max(500).nullable(),
  /** Whole area; for a rectangle width times length. What stands in it is taken off when seed is weighed. */
  area_m2: z.number().positive().max(100_000),
  /** Ring of x, y in metres for beds that are not rectangles. */
  ring: z
    .array(z.tuple([z.number(), z.number()]))
    .max(2000)
    .nullable(),
  /** Its middle on the garden's plan and how it is turned, degrees clockwise; null while nobody has laid it out. */
  at: z.object({ x_m: onPlan, y_m: onPlan, turn_deg: turn }).nullable(),
  /** Where the first corner of the ring lies on the earth, longitude and latitude in degrees (WGS 84), when a file told. */
  place: z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).nullable(),
  soil: soilSchema,
  /** Raised edges that machines and rollers cannot cross. */
  edged: z.boolean(),
  /** Plants that stand in the bed and are to be kept. */
  keptPlants: z.boolean(),
  shade: z.enum(['open', 'part', 'deep']),
  troubles: z.array(z.enum(TROUBLES)),
  /** What is in the way of seed: posts, tubs, plants that stay. */
  obstacles: z
    .array(
      z.object({
        name: z.string().max(60),
        width_m: z.number().positive().max(100),
        length_m: z.number().positive().max(100).nullable(),
        count: z.number().int().min(1).max(500),
        /** Where those stand that somebody has placed, m from the middle of the bed before it is turned. */
        spots: z
          .array(z.tuple([inBed, inBed]))
          .max(500)
          .optional(),
      }),
    )
    .max(40),
  /** What is on the ground before it is made ready: seed never goes into living sod. */
  surface: z.enum(['clean', 'weedy', 'sod']),
  /** As the garden's, where this bed is kept another way. */
  choices: z.record(z.string(), z.string().max(40)),
  note: text,
  /** What it is a piece of; absent for a whole bed. */
  piece: z
    .object({
      of: id,
      from: isoDate,
      until: isoDate.nullable(),
      side: z.enum(['along', 'across']),
      share: z.tuple([share, share]),
      use: z.enum(PIECE_USES),
    })
    .optional(),
  /** What a path, a film or a plant that stays is, since when, and what was done to it. */
  life: z
    .object({
      what: z.string().min(1).max(80),
      since: isoDate,
      years: z.number().positive().max(100).nullable(),
      low_cm: z.number().min(1).max(100).optional(),
      holes: z
        .object({ across_cm: z.number().positive().max(100), apart_cm: z.number().positive().max(500) })
        .optional(),
      done: z
        .array(
          z.object({
            kind: z.enum(STRIP_DEEDS),
            on: isoDate,
            minutes: z.number().min(0).max(10_000).optional(),
            took_kg: z.number().positive().max(100_000).optional(),
            to: id.optional(),
          }),
        )
        .max(1000),
    })
    .optional(),
});

export const plantingSchema = z.object({
  id,
  gardenId: id,
  bedId: id,
  cropId: z.string(),
  way: z.enum(['transplant', 'seed']),
  plantOn: isoDate,
  plantedOn: isoDate.nullable(),
  clearOn: isoDate,
  clearedOn: isoDate.nullable(),
  note: text,
});

export const passSchema = z.object({
  kind: z.string(),
  due: isoDate,
  doneOn: isoDate.nullable(),
  /** What it took and who did it, and what was carried off the bed, fresh; absent where nobody said. */
  minutes: z.number().min(0).max(10_000).optional(),
  /** Minutes that had been worked out for it, before anybody's own pace. */
  expected: z.number().min(0).max(100_000).optional(),
  by: id.optional(),
  took_kg: z.number().min(0).max(100_000).optional(),
});

export const seedPartSchema = z.object({
  speciesId: z.string(),
  germination: share,
  /** Share of all seeds that is alive but hard: it sleeps on, though the germination on the bag counts it. */
  hard: share,
  purity: share,
  coating: z.number().min(0).max(0.9),
  /** What was really thrown; null before sowing. */
  used_g: z.number().nonnegative().nullable(),
  /** The lot it comes from, when it comes from the shelf. */
  lotId: id.nullable(),
});

/** How far a sowing has come, written step by step in the garden. */
export const walkSchema = z.object({
  /** Steps of preparation that are ticked. */
  prepared: z.array(z.string().max(60)).max(40),
  portionsDone: z.number().int().min(0).max(8),
  /** Inside area of the frame in which seeds were counted, and every count with the portions thrown by then. */
  frame_m2: z.number().positive().max(4),
  counts: z
    .array(z.object({ portions: z.number().int(), seeds: z.number().int().min(0).max(100_000) }))
    .max(60),
  /** Share of the bed at which the bag was empty, or 1; and what was left over. Null while all goes as meant. */
  stopped: z.object({ reached: share, left_g: z.number().nonnegative() }).nullable(),
  watered_mm: z.number().nonnegative(),
});

const dayRange = z.object({ low: isoDate.nullable(), mid: isoDate.nullable(), high: isoDate.nullable() });
const range = z.object({ low: z.number(), mid: z.number(), high: z.number() });

/** What was predicted on the day a way of ending was chosen, kept to be held against what came. Days are null where most years never see them. */
export const predictionSchema = z.object({
  on: isoDate,
  /** Form of the model that said so. */
  model: z.number().int(),
  method: z.string(),
  startOn: isoDate,
  inTime: share,
  dead: dayRange,
  ready: dayRange,
  dryMatter_g_m2: range,
  nitrogen_g_m2: range,
});

/** A plan that was given up for another, when, and why. */
export const formerPlanSchema = z.object({
  until: isoDate,
  method: z.string(),
  due: isoDate.nullable(),
  why: z.enum(['chosen-anew', 'grew-again', 'late', 'shared']),
});

export const coverSchema = z.object({
  id,
  gardenId: id,
  bedId: id,
  parts: z.array(z.object({ speciesId: z.string(), share })).min(1),
  /** Name of the mix that it is, as the packet or the gardener calls it; empty where it goes by its kinds. */
  called: z.string().max(80),
  aims: z.array(z.object({ id: z.string(), strands: z.number().int().min(1).max(3) })),
  wayId: z.string(),
  /** The way of sowing that it was planned with, where another was taken in the end. */
  plannedWayId: z.string().optional(),
  /** Weeks past the best time of sowing, for which more seed is weighed. */
  weeksLate: z.number().min(0).max(20),
  /** Strips that are sown and no more (aisles, gaps between rows); null for the whole bed. */
  strips: z
    .object({
      count: z.number().int().min(1).max(500),
      width_m: z.number().positive().max(100),
      length_m: z.number().positive().max(1000),
    })
    .nullable(),
  /** Shoots or pods will be eaten or grazed: no treated seed. */
  eaten: z.boolean(),
  walk: walkSchema.nullable(),
  /** Seeding rate against the usual one for this way of sowing. */
  rateTimes: z.number().min(0.2).max(4),
  watered: z.boolean(),
  /** The standing cover is watered through dry weeks; left out where it lives on rain. */
  irrigated: z.boolean().optional(),
  sowOn: isoDate,
  sownOn: isoDate.nullable(),
  seed: z.array(seedPartSchema),
  throws: z.number().int().min(1).max(8),
  method: z.string(),
  passes: z.array(passSchema),
  /** Things of the garden that were set aside for it; the others are dealt out as they fit. */
  thingIds: z.array(id).max(40),
  /** The planting that follows, when one is planned. */
  nextPlantingId: id.nullable(),
  plantBackOn: isoDate.nullable(),
  verdict: z.enum(['dead', 'regrew']).nullable(),
  endedOn: isoDate.nullable(),
  /** Waterings after sowing, as they were logged. */
  waterings: z.array(z.object({ on: isoDate, mm: z.number().positive().max(200) })).max(400),
  predicted: predictionSchema.nullable(),
  formerPlans: z.array(formerPlanSchema).max(60),
  note: text,
});

/** What may be found living in a cover. */
export const PESTS = [
  'slugs',
  'aphids',
  'flea-beetles',
  'caterpillars',
  'voles',
  'wireworm',
  'birds',
] as const;

/** Soil at a spade's depth, scored the same way every year. */
const soilLookSchema = z.object({
  /** How deep the spade, or a rod, went before it met hard ground. */
  depth_cm: z.number().min(0).max(120),
  /** Worms in a spadeful, 20 cm each way. */
  worms: z.number().int().min(0).max(200),
  crumb: z.enum(['loose', 'crumbs', 'clods', 'plates']),
  smell: z.enum(['sweet', 'faint', 'sour']),
});

export const lookSchema = z.object({
  id,
  gardenId: id,
  bedId: id,
  coverId: id,
  on: isoDate,
  emergence: z.enum(['none', 'some', 'even']).nullable(),
  cover: share.nullable(),
  height_m: z.number().min(0).max(6).nullable(),
  stage: z.enum(['leafy', 'bud', 'flower', 'milk', 'seed']).nullable(),
  alive: share.nullable(),
  weeds: z.enum(['few', 'some', 'many']).nullable(),
  /** The other members of a mix, and plants counted of any member, the lead among them. */
  members: z
    .array(
      z.object({
        speciesId: z.string(),
        stage: z.enum(['leafy', 'bud', 'flower', 'milk', 'seed']).nullable(),
        alive: share.nullable(),
        /** Plants counted on so much ground. */
        count: z
          .object({ plants: z.number().int().min(0).max(100_000), area_m2: z.number().positive().max(1000) })
          .nullable(),
        /** Plants of those looked at that had come to a stage; absent where none were counted so. */
        tens: z
          .object({
            stage: z.enum(['leafy', 'bud', 'flower', 'milk', 'seed']),
            reached: z.number().int().min(0).max(100),
            of: z.number().int().min(1).max(100),
          })
          .refine((t) => t.reached <= t.of, 'more plants than were looked at')
          .optional(),
        /** What a kernel from the middle of the head did between two nails. */
        squeeze: z.enum(['milk', 'paste', 'hard']).optional(),
      }),
    )
    .max(12),
  /** What the look was about, where its answer stands in no figure. */
  about: z.enum(['gaps', 'edges', 'washed', 'pests']).optional(),
  soil: soilLookSchema.optional(),
  pests: z.array(z.enum(PESTS)).max(PESTS.length).optional(),
  /** What was cut in a frame and weighed fresh, kg on so much ground. */
  bulk: z
    .object({ fresh_kg: z.number().positive().max(500), area_m2: z.number().positive().max(100) })
    .optional(),
  /** Which weeds they are, where it was said. */
  weedKinds: z
    .array(z.enum(['grasses', 'broad', 'creeping']))
    .max(3)
    .optional(),
  /** Crowns looked at after a pass, and how many of them were green. */
  crowns: z
    .object({ green: z.number().int().min(0).max(200), of: z.number().int().min(1).max(200) })
    .refine((c) => c.green <= c.of, 'more green crowns than were looked at')
    .nullable(),
  note: text,
});

/** Seed on the shelf. */
export const lotSchema = z.object({
  id,
  gardenId: id,
  speciesId: z.string().min(1).max(60),
  label: z.string().max(120),
  /** Year of harvest or purchase, as printed on the bag. */
  year: z.number().int().min(1980).max(2200),
  left_g: z.number().nonnegative().max(1e7),
  treated: z.boolean(),
  purity: share,
  coating: z.number().min(0).max(0.9),
  test: z
    .object({
      sown: z.number().int().min(1).max(1000),
      sprouted: z.number().int().min(0).max(1000),
      on: isoDate,
    })
    .nullable(),
  /** It cost nothing: from a scheme, a neighbour, the own bed. */
  free: z.boolean(),
});

/** A mix kept under a name: mixed by the gardener, or bought ready in packs. */
export const recipeSchema = z.object({
  id,
  gardenId: id,
  name: z.string().min(1).max(80),
  parts: z
    .array(z.object({ speciesId: z.string(), share }))
    .min(1)
    .max(12),
  ready: z.boolean(),
  /** For a ready mix: packs it is sold in, and the rate on its bag. */
  packs: z.array(packSchema).max(12),
  rate_g_m2: z.number().positive().max(200).nullable(),
});

export const noteSchema = z.object({
  id,
  gardenId: id,
  bedId: id,
  on: isoDate,
  text,
  /** What was carried onto the bed or off it, fresh, and its nitrogen where a bag says so, %. */
  moved: z
    .object({
      what: z.enum(MOVED_KINDS),
      kg: z.number().positive().max(100_000),
      nitrogenPct: z.number().min(0).max(50).optional(),
    })
    .optional(),
  /** What a soil test of the bed said: pH, humus in %, nutrients in mg/kg as the laboratory gives them. */
  tested: z.object({ what: z.enum(SOIL_TEST_KINDS), value: z.number().min(0).max(5000) }).optional(),
});

/** Measured weather of one calendar year: one row a day, absent days left out. */
export const weatherYearSchema = z.object({
  id,
  gardenId: id,
  year: z.number().int(),
  days: z.array(z.object({ on: isoDate, tmin_c: z.number(), tmax_c: z.number(), rain_mm: z.number() })),
});

export const schemas = {
  gardens: gardenSchema,
  beds: bedSchema,
  plantings: plantingSchema,
  covers: coverSchema,
  looks: lookSchema,
  notes: noteSchema,
  weather: weatherYearSchema,
  lots: lotSchema,
  recipes: recipeSchema,
} as const;

export type TableName = keyof typeof schemas;
export const TABLES = Object.keys(schemas) as TableName[];
/** Tables whose records carry a garden's id, in an order in which they can be put back. */
export const OWNED = [
  'beds',
  'plantings',
  'covers',
  'looks',
  'notes',
  'weather',
  'lots',
  'recipes',
] as const satisfies readonly TableName[];

export type Garden = z.infer<typeof gardenSchema>;
export type Bed = z.infer<typeof bedSchema>;
export type Planting = z.infer<typeof plantingSchema>;
export type Cover = z.infer<typeof coverSchema>;
export type Look = z.infer<typeof lookSchema>;
export type Note = z.infer<typeof noteSchema>;
export type WeatherYear = z.infer<typeof weatherYearSchema>;
export type Lot = z.infer<typeof lotSchema>;
export type Recipe = z.infer<typeof recipeSchema>;
export type Trial = z.infer<typeof trialSchema>;
export type Reported = z.infer<typeof reportedSchema>;
export type Mark = z.infer<typeof markSchema>;
export type Prediction = z.infer<typeof predictionSchema>;
export type Walk = z.infer<typeof walkSchema>;
