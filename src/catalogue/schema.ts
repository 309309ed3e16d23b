import { z } from 'zod';

// The content security policy forbids code from text, which Zod would otherwise use for speed.
z.config({ jitless: true });

/** The form of every data file beside this one. A test reads each file through its schema; the app trusts what was tested. */
const endStage = z.enum(['vegetative', 'bud', 'flower', 'milk', 'never']);
const share = z.number().min(0).max(1);

export const speciesSchema = z.object({
  id: z.string(),
  name: z.string(),
  latin: z.string(),
  family: z.string(),
  role: z.enum(['grass', 'legume', 'brassica', 'broadleaf']),
  season: z.enum(['cool', 'warm', 'both']),
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
    density50_m2: z.number().positive(),
  }),
  roots: z.object({ habit: z.string(), depth_m: z.number().positive() }),
  nitrogen: z.object({ leafyPct: z.number(), flowerPct: z.number(), seedPct: z.number(), fixedShare: share }),
  cold: z.object({ hardened_c: z.number(), tender_c: z.number(), exposed: z.enum(['tops', 'crown']) }),
  heatKill_c: z.number().nullable(),
  ending: z.object({
    chopStage: endStage,
    crimpStage: endStage,
    regrowth: share,
    sheet: z.enum(['easy', 'medium', 'hard']),
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
  goodBefore: z.array(z.string()),
  avoidBefore: z.array(z.string()),
  mixFactor: z.number().positive(),
  confidence: z.enum(['high', 'medium', 'low']),
  sources: z.array(z.string()).min(1),
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
  id: z.enum(['cut', 'cut-twice', 'crimp', 'sheet', 'winterkill', 'dig']),
  name: z.string(),
  /** Each inner list is a choice: one of its tools is enough. */
  needs: z.array(z.array(z.string())),
  passes: z.array(
    z.object({ kind: z.string(), after_d: z.number().nullable(), minutesPer100m2: z.number() }),
  ),
  how: z.string(),
  caution: z.string(),
  touchesGround: z.boolean(),
  footOnBed: z.boolean(),
});

export const sowingWaySchema = z.object({
  id: z.string(),
  name: z.string(),
  emergedShare: share,
  rateFactor: z.number().positive(),
  how: z.string(),
});

export const aimSchema = z.object({ id: z.string(), name: z.string(), measure: z.string() });

export type SpeciesEntry = z.infer<typeof speciesSchema>;
export type MixEntry = z.infer<typeof mixSchema>;
export type CropEntry = z.infer<typeof cropSchema>;
export type ClimateEntry = z.infer<typeof climateSchema>;
export type MethodEntry = z.infer<typeof methodSchema>;
export type SowingWayEntry = z.infer<typeof sowingWaySchema>;
export type AimEntry = z.infer<typeof aimSchema>;
