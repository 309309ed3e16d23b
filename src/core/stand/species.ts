import { type TroublesOfKind } from './troubles.ts';
/** A cover crop as the core needs it. Figures and their sources live in the catalogue; units are in the names. */
export type Role = 'grass' | 'legume' | 'brassica' | 'broadleaf';

/** Stages that decide when a plant can be ended, in order. */
export const STAGES = ['sown', 'leafy', 'bud', 'flower', 'milk', 'seed'] as const;
export type Stage = (typeof STAGES)[number];
export type EndStage = 'vegetative' | 'bud' | 'flower' | 'milk' | 'never';

export interface Species {
  id: string;
  name: string;
  latin: string;
  family: string;
  role: Role;
  season: 'cool' | 'warm' | 'both';
  /** A hardier or more tender form of this kind, where both are known. */
  formOf?: string;
  /** Mean air temperature of its first weeks between which it is at home, °C; beyond, it is slow, sick or thin. */
  home: { from_c: number; to_c: number };
  life: 'annual' | 'winter-annual' | 'biennial' | 'perennial';
  seed: {
    rateBroadcastLow_g_m2: number;
    rateBroadcastHigh_g_m2: number;
    thousandSeed_g: number;
    takesOnSurface: 'easy' | 'fair' | 'hard';
    /** Share of living seed kept from one year to the next in a dry cupboard. */
    keepsPerYear: number;
    priceIndex: number;
  };
  /** Triangular response: zero at base, full at optimum, zero at max. */
  thermal: {
    base_c: number;
    opt_c: number;
    max_c: number;
    germMin_c: number;
    germOpt_c: number;
    emergence_cd: number;
  };
  /** Effective degree-days from emergence. */
  stages: { bud_cd: number; flower_cd: number; milk_cd: number; seed_cd: number };
  daylength: { response: 'long' | 'short'; floorAt_h: number; fullAt_h: number; floor: number } | null;
  chilling: { required_d: number; floor: number } | null;
  growth: {
    /** Above-ground dry matter per MJ of intercepted PAR. */
    rue_g_MJ: number;
    extinction: number;
    /** Highest growth rate of a closed stand. */
    cap_g_m2_d: number;
    typical_g_m2: number;
    /** Heaviest stand reported. */
    max_g_m2: number;
    heightFlower_m: number;
    /** New leaf per gram of leaf, m2/g, where a kind is known to have thin leaves; else the usual of field crops. */
    leafArea_m2_g?: number;
    /** Climbs on taller neighbours and shares their light. */
    climbs?: boolean;
    /** Plants at which a stand reaches half of its full-density yield. */
    density50_m2: number;
  };
  roots: { habit: string; depth_m: number };
  /** `belowShare`: nitrogen in the roots against that of the tops. */
  nitrogen: { leafyPct: number; flowerPct: number; seedPct: number; fixedShare: number; belowShare: number };
  /**
   * Temperatures of the plant itself at which half die; `topsKeep`: share of dry matter that killed tops keep after the thaw; `shootsAgain`: while small it
   * comes again from nodes in the ground.
   */
  cold: {
    hardened_c: number;
    tender_c: number;
    exposed: 'tops' | 'crown';
    topsKeep: number;
    shootsAgain?: boolean | undefined;
  };
  /** Ground it wants: `light` for kinds that lime and heavy soil keep yellow. */
  ground: 'light' | 'any';
  heatKill_c: number | null;
  ending: {
    chopStage: EndStage;
    crimpStage: EndStage;
    regrowth: number;
    sheet: 'easy' | 'medium' | 'hard';
    /** How cuts and presses kill as it ages, where it does not follow from role and stages. */
    cutCurve?: 'small-grain' | 'tillering' | 'vetch' | 'clover' | 'multi-cut';
    crimpCurve?: 'rye' | 'vetch';
  };
  troubles: TroublesOfKind;
  worth: {
    weeds: number;
    flowers: number;
    loosening: number;
    erosion: number;
    catching: number;
    shade: number;
    drought: number;
    wet: number;
  };
  /** Listed as a weed, or unwelcome near seed crops, in some places. */
  mayBeRestricted?: boolean;
  /** 0..1: how readily it comes again from its own shed seed. */
  selfSeeding: number;
  /** How far the figures can be trusted. */
  confidence: 'high' | 'medium' | 'low';
  mixFactor: number;
  smallSeedWait_d: number;
  goodBefore: string[];
  avoidBefore: string[];
}

/** One species of a cover with its share of the stand, 0..1. Shares of a mix add up to 1. */
export interface Member {
  species: Species;
  share: number;
}

/** A cultivar that flowers so many degree-days later (or earlier, below 0) than the kind usually does. */
export const laterBy = <S extends Species>(sp: S, shift_cd: number): S => {
  if (shift_cd === 0) return sp;
  const { bud_cd, flower_cd, milk_cd, seed_cd } = sp.stages;
  return {
    ...sp,
    stages: {
      bud_cd: bud_cd + shift_cd,
      flower_cd: flower_cd + shift_cd,
      milk_cd: milk_cd + shift_cd,
      seed_cd: seed_cd + shift_cd,
    },
  };
};
