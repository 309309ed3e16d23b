import { ENDING_GROUPS } from '../core/work/figures.ts';
import { z } from 'zod';
import { TROUBLES } from '../core/stand/troubles.ts';
import { PASS_KINDS } from '../core/termination/method.ts';

// The content security policy forbids code from text, which Zod would otherwise use for speed.
z.config({ jitless: true });

/** The form of every data file beside this one. A test reads each file through its schema; the app trusts what was tested. */
const endStage = z.enum(['vegetative', 'bud', 'flower', 'milk', 'never']);
const share = z.number().min(0).max(1);

const confidence = z.enum(['high', 'medium', 'low']);
const provenance = z.object({ confidence, sources: z.array(z.string()).min(1) });

export const speciesSchema = z.object({
  id: z.string(),
  name: z.string(),
  latin: z.string(),
  family: z.string(),
  /** The kind of which this is a hardier or more tender form, where the catalogue holds both. */
  formOf: z.string().optional(),
  role: z.enum(['grass', 'legume', 'brassica', 'broadleaf']),
  season: z.enum(['cool', 'warm', 'both']),
  /** Mean air temperature of its first weeks between which it is at home, °C. */
  home: z.object({ from_c: z.number(), to_c: z.number() }),
  life: z.enum(['annual', 'winter-annual', 'biennial', 'perennial']),
  character: z.string(),
  hazards: z.array(z.object({ to: z.string(), text: z.string() })),
  seed: z.object({
    rateBroadcastLow_g_m2: z.number().positive(),
    rateBroadcastHigh_g_m2: z.number().positive(),
    rateDrill_g_m2: z.number().positive(),
    thousandSeed_g: z.number().positive(),
    depthMin_mm: z.number(),
    depthMax_mm: z.number(),
    takesOnSurface: z.enum(['easy', 'fair', 'hard']),
    rakeIn: z.boolean(),
    inoculant: z.string().nullable(),
    /** Share of living seed kept from one year to the next in a dry cupboard. */
    keepsPerYear: share,
    priceIndex: z.number().int().min(1).max(5),
  }),
  thermal: z.object({
    base_c: z.number(),
    opt_c: z.number(),
    max_c: z.number(),
    germMin_c: z.number(),
    germOpt_c: z.number(),
    emergence_cd: z.number().positive(),
  }),
  stages: z.object({ bud_cd: z.number(), flower_cd: z.number(), milk_cd: z.number(), seed_cd: z.number() }),
  daylength: z
    .object({
      response: z.enum(['long', 'short']),
      floorAt_h: z.number(),
      fullAt_h: z.number(),
      floor: share,
    })
    .nullable(),
  chilling: z.object({ required_d: z.number().positive(), floor: share }).nullable(),
  growth: z.object({
    rue_g_MJ: z.number().positive(),
    extinction: z.number().positive(),
    cap_g_m2_d: z.number().positive(),
    typical_g_m2: z.number().positive(),
    max_g_m2: z.number().positive(),
    heightFlower_m: z.number().positive(),
    leafArea_m2_g: z.number().positive().optional(),
    climbs: z.boolean().optional(),
    density50_m2: z.number().positive(),
  }),
  roots: z.object({ habit: z.string(), depth_m: z.number().positive() }),
  nitrogen: z.object({
    leafyPct: z.number(),
    flowerPct: z.number(),
    seedPct: z.number(),
    fixedShare: share,
    belowShare: share,
  }),
  cold: z.object({
    hardened_c: z.number(),
    tender_c: z.number(),
    exposed: z.enum(['tops', 'crown']),
    topsKeep: share,
    /** Seed leaves stay in the ground: while small it shoots again from nodes there, whatever frost does to its tops. */
    shootsAgain: z.boolean().optional(),
  }),
  /** Ground it wants: `light` for kinds that lime and heavy soil keep yellow. */
  ground: z.enum(['light', 'any']),
  heatKill_c: z.number().nullable(),
  ending: z.object({
    chopStage: endStage,
    crimpStage: endStage,
    regrowth: share,
    sheet: z.enum(['easy', 'medium', 'hard']),
    cutCurve: z.enum(['small-grain', 'tillering', 'vetch', 'clover', 'multi-cut']).optional(),
    crimpCurve: z.enum(['rye', 'vetch']).optional(),
  }),
  worth: z.object({
    weeds: share,
    flowers: share,
    loosening: share,
    erosion: share,
    catching: share,
    shade: share,
    drought: share,
    wet: share,
  }),
  allelopathy: z.string(),
  smallSeedWait_d: z.number(),
  selfSeeding: share,
  hardSeed: z.boolean(),
  /** Troubles of a bed that live on this kind, and those that go back under it. */
  troubles: z.object({ feeds: z.array(z.enum(TROUBLES)), starves: z.array(z.enum(TROUBLES)) }),
  goodBefore: z.array(z.string()),
  avoidBefore: z.array(z.string()),
  mixFactor: z.number().positive(),
  confidence,
  /** Listed as a weed, or unwelcome near seed crops, in some places. */
  mayBeRestricted: z.boolean(),
});

/** What only the page of a species shows: sources of its figures, what it is mistaken for, how its seed and seedling look. */
export const speciesPageSchema = z.object({
  sources: z.array(z.string()).min(1),
  /** Where each group of figures comes from, and how far it can be trusted. */
  provenance: z.object({
    seed: provenance,
    thermal: provenance,
    stages: provenance,
    growth: provenance,
    roots: provenance,
    nitrogen: provenance,
    cold: provenance,
    ending: provenance,
    worth: provenance,
    hazards: provenance,
  }),
  lookAlikes: z.array(z.object({ speciesId: z.string(), tell: z.string() })),
  seedLook: z.object({
    form: z.enum(['grain', 'round', 'bean', 'heart', 'lens', 'block', 'triangle', 'drop', 'long']),
    colour: z.string(),
  }),
  seedling: z.object({
    cotyledon: z.enum(['blade', 'heart', 'below', 'oval', 'thick', 'kidney', 'long']),
    leaf: z.enum([
      'blade',
      'lobed',
      'pinnate',
      'three',
      'hand',
      'single',
      'arrow',
      'fern',
      'needle',
      'pair',
      'tongue',
    ]),
    text: z.string(),
  }),
});

export const mixSchema = z.object({
  id: z.string(),
  name: z.string(),
  members: z.array(z.object({ speciesId: z.string(), share })).min(2),
  why: z.string(),
});

export const cropSchema = z.object({
  id: z.string(),
  name: z.string(),
  family: z.string(),
  appetite: z.enum(['heavy', 'medium', 'light']),
  nitrogenNeed_g_m2: z.number(),
  seedSize: z.enum(['tiny', 'small', 'medium', 'large']),
  ways: z.array(z.enum(['transplant', 'seed'])).min(1),
  soilMin_c: z.number(),
  residueTolerance: share,
  days: z.tuple([z.number(), z.number()]),
  /** Height of the grown crop, m: what a path beside it is mown by. */
  stands_m: z.number().positive(),
  root: z.boolean(),
  fixesShare: share,
  frost: z.enum(['tender', 'half-hardy', 'hardy']),
  /** Weeks from the usual last frost to planting and to sowing outside, where it is done in spring. */
  fromLastFrost_wk: z.object({ transplant: z.number().nullable(), seed: z.number().nullable() }),
  /** Nitrogen the whole crop takes up, g/m2, by a logistic in days from planting; and what must be left in the root zone for full yield. */
  uptake: z.object({
    total_g_m2: z.number().positive(),
    half_d: z.number().positive(),
    spread_d: z.number().positive(),
    end_d: z.number().positive(),
    leaves_g_m2: z.number().nonnegative(),
  }),
  /** How it is set out on a bed worked by hand, and what it needs of a mulch. */
  setOut: z.object({
    row_m: z.number().positive(),
    between_m: z.number().positive(),
    perPlace: z.number().positive(),
    /** Weeks from sowing to planting out: least, usual, last. */
    raise_wk: z.tuple([z.number(), z.number(), z.number()]).nullable(),
    /** Bare strip that seed wants, and hole for a plant, cm. */
    strip_cm: z.number().nullable(),
    hole_cm: z.number().nullable(),
    /** How well its seed comes through a hand of straw. */
    throughMulch: z.enum(['strong', 'fair', 'weak', 'none']).nullable(),
    touchesSoil: z.enum(['yes', 'splash', 'no']),
    /** Years wanted between crops of the family, least. */
    rest_y: z.number().nonnegative(),
  }),
});

/** Nitrogen that one litre or gram of a feed sets free in a season, g. */
export const feedSchema = z.object({
  id: z.string(),
  name: z.string(),
  by: z.enum(['litre', 'gram']),
  free_g: z.number().positive(),
  when: z.string(),
});

const monthly = z.array(z.number()).length(12);
export const climateSchema = z.object({
  id: z.string(),
  name: z.string(),
  character: z.string(),
  latitude_deg: z.number(),
  tmax_c: monthly,
  tmin_c: monthly,
  rain_mm: monthly,
  coldestNight_c: z.number(),
  coastal: z.boolean(),
});

export const methodSchema = z.object({
  id: z.string(),
  name: z.string(),
  /** Each inner list is a choice: one of its tools is enough. */
  needs: z.array(z.array(z.string())),
  passes: z
    .array(
      z.object({
        kind: z.enum(PASS_KINDS),
        after_d: z.number().nullable(),
        minutesPer100m2: z.number(),
      }),
    )
    .min(1),
  how: z.string(),
  /** Keys of cautions.json. */
  cautions: z.array(z.string()),
  footOnBed: z.boolean(),
  /** False for ways that a gardener may choose and that are never proposed. */
  proposed: z.boolean(),
  /** How far soil is turned over or torn, 0..1. */
  disturbance: share,
  /** What a house rule can forbid. */
  uses: z.array(z.enum(['plastic', 'animals', 'fire', 'digging'])),
  materials: z.array(z.string()),
  /** Whether raised edges of a bed are in the way. */
  edges: z.enum(['fine', 'awkward']),
  /** What happens to plants that stand in the bed and are to be kept. */
  keptPlants: z.enum(['safe', 'spoiled', 'killed']),
});

export const sowingWaySchema = z.object({
  id: z.string(),
  name: z.string(),
  /** The way that is meant where nobody says another. */
  usual: z.boolean().optional(),
  /** Straw is shaken over the seed. */
  straw: z.boolean().optional(),
  emergedShare: share,
  rateFactor: z.number().positive(),
  /** Minutes by hand on 100 m2, from the first step to the last, watering apart (judgement). */
  minutesPer100m2: z.number().positive(),
  /** Seed lies on the ground and nothing covers it. */
  onTop: z.boolean(),
  /** How deep the ground is loosened for it, cm; left as it is where absent. */
  loosens_cm: z.number().positive().max(40).optional(),
  /** What gives the seed its hold: soil over it, the surface alone, or frost that works it in. */
  hold: z.enum(['covered', 'surface', 'frost']),
  /** Thrown under a crop that still stands. */
  undersown: z.boolean(),
  how: z.string(),
  /** False where the seed is already on the ground. */
  seedNeeded: z.boolean(),
  /** In the order they are done: those before the throw, then those after it, which stay locked until all is thrown. */
  steps: z
    .array(z.object({ id: z.string(), when: z.enum(['before', 'after']), do: z.string(), why: z.string() }))
    .min(1),
});

/** Two covers that follow each other in one gap, by their ids. */
export const turnSchema = z.object({ first: z.string(), then: z.string(), why: z.string() });

const pair = z.tuple([z.number(), z.number()]);
const harm = z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]);

/** What blades, boards and animals make of a kind; recalled, of low to middling confidence. */
export const endingFiguresSchema = z.object({
  id: z.string(),
  group: z.enum(ENDING_GROUPS),
  /** Crushed and dug in fresh it gasses the ground. */
  biofumigant: z.boolean().optional(),
  stubbleLeafy_cm: z.number().min(-3).max(20).nullable(),
  stubble_cm: z.number().min(-3).max(20).nullable(),
  stubbleKeep_cm: z.number().positive().nullable(),
  stem_mm: pair,
  hardness: z.tuple([z.number(), z.number(), z.number()]),
  press_N_cm: z.array(pair).length(4).nullable(),
  harms: z.object({ dogs: harm, poultry: harm, horses: harm, stock: harm, pigs: harm }).nullable(),
});

/** What a kind gives as seed of one's own, and what it crosses with; recalled, of low to middling confidence. */
export const ownSeedSchema = z.object({
  id: z.string(),
  share: z.tuple([share, share]),
  crosses: z.enum(['seldom', 'some', 'freely']),
  apart_m: z.number().positive(),
  shatters: z.boolean(),
  kin: z.string().optional(),
  untrue: z.boolean().optional(),
});

export const aimSchema = z.object({ id: z.string(), name: z.string(), measure: z.string() });

export type SpeciesEntry = z.infer<typeof speciesSchema>;
export type SpeciesPage = z.infer<typeof speciesPageSchema>;
export type MixEntry = z.infer<typeof mixSchema>;
export type CropEntry = z.infer<typeof cropSchema>;
export type FeedEntry = z.infer<typeof feedSchema>;
export type ClimateEntry = z.infer<typeof climateSchema>;
export type MethodEntry = z.infer<typeof methodSchema>;
export type SowingWayEntry = z.infer<typeof sowingWaySchema>;
export type TurnEntry = z.infer<typeof turnSchema>;
export type EndingFigures = z.infer<typeof endingFiguresSchema>;
export type OwnSeedEntry = z.infer<typeof ownSeedSchema>;
export type AimEntry = z.infer<typeof aimSchema>;
