import { findCrop, findSpecies, findWay, membersOf, methods } from '../../src/catalogue/catalogue.ts';
import { type Day, dayOf } from '../../src/core/calendar/day.ts';
import { countedRate } from '../../src/core/broadcast/count.ts';
import { evennessOf } from '../../src/core/broadcast/evenness.ts';
import { CAREFUL_HAND } from '../../src/core/broadcast/hand.ts';
import { crossedPortions, throwAll } from '../../src/core/broadcast/walk.ts';
import { answerEnding } from '../../src/core/plan/endings.ts';
import { growPlan, type GrownPlan } from '../../src/core/plan/grown.ts';
import { type EndingAnswer } from '../../src/core/plan/answers.ts';
import { type Plan } from '../../src/core/termination/plan.ts';
import { answerStand } from '../../src/core/plan/standAnswer.ts';
import { meanOf, quantile } from '../../src/core/random/quantile.ts';
import { streamOf } from '../../src/core/random/stream.ts';
import { areaPerTonne, BURIED_TIMES, decayRate, residueCover } from '../../src/core/residue/decay.ts';
import { freeDay, type Freeing, startFreeing } from '../../src/core/residue/freeing.ts';
import { availableNitrogen_g_m2 } from '../../src/core/residue/nitrogen.ts';
import { waitDays20, type Handling } from '../../src/core/residue/wait.ts';
import { coolerUnder_c } from '../../src/core/residue/warmth.ts';
import { viableRate_g_m2 } from '../../src/core/seed/rate.ts';
import { type Site, wetShareFrom } from '../../src/core/site/site.ts';
import { fitSpread } from '../../src/core/climate/spread.ts';
import { letsThrough, startSoil, waterDay } from '../../src/core/soil/day.ts';
import { type Ensemble, makeEnsemble } from '../../src/core/stand/ensemble.ts';
import { growStand } from '../../src/core/stand/grow.ts';
import { CROP_LETS_THROUGH } from '../../src/core/stand/input.ts';
import { makeCourse } from '../../src/core/stand/course.ts';
import { leftAlive } from '../../src/core/termination/left.ts';
import { type MethodHere, type PassKind, takeApart } from '../../src/core/termination/method.ts';
import { workOf } from '../../src/core/termination/work.ts';
import { cleanGround, heldAgainst, weedsGrow } from '../../src/core/weeds/weeds.ts';
import { between, reaches } from '../../src/core/weather/season.ts';

/** Fields by kind of finding; each kind reads its own. */
export interface Situation {
  kind: string;
  q?: string;
  site?: string;
  sown?: string;
  on?: string;
  onFrom?: string;
  early?: string;
  plant?: string;
  plant2?: string;
  cover?: Record<string, number>;
  cover2?: Record<string, number>;
  species?: string | string[];
  method?: string | [PassKind, number | null][];
  passes?: [PassKind, number | null][];
  next?: string;
  nextWay?: 'seed' | 'transplant';
  way?: string;
  way2?: string;
  watered?: boolean;
  irrigated?: boolean;
  cropDays?: number;
  stage?: number;
  dm_g_m2?: number;
  cn?: number;
  n_pct?: number;
  buried?: boolean;
  days?: number;
  of_d?: number;
  from_d?: number;
  to_d?: number;
  n?: number;
  mean?: number;
  cv?: number;
  seeds_m2?: number;
  handling?: Handling;
  crop?: string;
  small?: number;
  t_ha?: number;
  sun_MJ?: number;
}

/** Year in which all of them are sown. */
export const YEAR = 2025;
const SEED = 4242;
const CARBON_PCT = 43;
const SOIL = { texture: 'loam', fertility: 'fair' } as const;
/** Days at 20 °C, always moist: what incubations are given in. */
const WARM = 0.6;

const mid = (xs: number[]): number => quantile(xs, 0.5);

/** Next such day of the year after a day. */
function next(md: string, after: Day): Day {
  for (let y = YEAR; ; y++) {
    const day = dayOf(`${y}-${md}`);
    if (day > after) return day;
  }
}

const members = (cover: Record<string, number>) =>
  membersOf(Object.entries(cover).map(([speciesId, share]) => ({ speciesId, share })));

function methodOf(m: NonNullable<Situation['method']>): MethodHere {
  const found = typeof m === 'string' ? methods.find((x) => x.id === m)!.passes : undefined;
  const passes = found ?? (m as [PassKind, number | null][]).map(([kind, after_d]) => ({ kind, after_d }));
  return { id: typeof m === 'string' ? m : 'asked', passes, minutesPer100m2: 60, missing: [] };
}

/** Free share after days at 20 °C of 500 g/m2 at a C:N, as nitrogen above what was tied up. */
function freeAfter(cn: number, buried: boolean, days: number): Freeing {
  const f = startFreeing(500, (500 * CARBON_PCT) / 100 / cn, buried);
  for (let d = 0; d < days; d++) freeDay(f, WARM, WARM);
  return f;
}

/** Works the figure of each case out, over so many years of its site. */
export class Bench {
  private readonly sites = new Map<string, Site>();

  constructor(
    private readonly years: number,
    private readonly places: readonly (Site & { id: string })[],
  ) {}

  /** Days from sowing to a day of the year, for findings that are dates. */
  daysTo(s: Situation, md: string): number {
    const sown = dayOf(`${YEAR}-${s.sown}`);
    return next(md, sown) - sown;
  }

  private siteOf(id: string): Site {
    let found = this.sites.get(id);
    if (!found) {
      const raw = this.places.find((s) => s.id === id)!;
      found = fitSpread({ ...raw, wetShare: wetShareFrom(raw.rain_mm), sdCold_c: 4, sdWarm_c: 2 });
      this.sites.set(id, found);
    }
    return found;
  }

  private seasons(s: Situation, days: number): Ensemble {
    return makeEnsemble(this.siteOf(s.site!), dayOf(`${YEAR}-${s.on}`), days, this.years, SEED);
  }

  private grow(s: Situation, plantMd: string, cover = s.cover!): { grown: GrownPlan; sown: Day } {
    const sown = dayOf(`${YEAR}-${s.sown}`);
    const plantAt = next(plantMd, s.on ? next(s.on, sown) : sown) - sown;
    const kinds = members(cover);
    const way = findWay(s.way ?? 'raked')!;
    const plan: Plan = {
      members: kinds,
      seed_g_m2: viableRate_g_m2(kinds, way.rateFactor),
      way,
      soil: SOIL,
      watered: s.watered ?? true,
      irrigated: s.irrigated,
      sownAt: 0,
      plantAt,
      freeAt: s.cropDays ?? 0,
      canopy: s.cropDays ? { until: s.cropDays, lightThrough: CROP_LETS_THROUGH } : undefined,
      next: { ...findCrop(s.next ?? 'sweet-corn')!, way: s.nextWay ?? 'seed' },
    };
    const ensemble = makeEnsemble(this.siteOf(s.site!), sown, plantAt + 150, this.years, SEED);
    return { grown: growPlan(plan, ensemble), sown };
  }

  private ending(
    s: Situation,
    plantMd = s.plant!,
    cover = s.cover,
  ): { answer: EndingAnswer; begun: Day; sown: Day } {
    const { grown, sown } = this.grow(s, plantMd, cover);
    const begun = next(s.on!, sown);
    return { answer: answerEnding(grown, methodOf(s.method!), begun - sown), begun, sown };
  }

  compute(s: Situation): number {
    switch (s.kind) {
      case 'kill': {
        const { kills } = takeApart(methodOf(s.passes!));
        const left = (s.species as string[]).map((id) =>
          leftAlive(kills, findSpecies(id)!, s.stage!, s.dm_g_m2!, 1),
        );
        return 100 * (1 - meanOf(left));
      }
      case 'ending':
        return this.endingFigure(s);
      case 'constant':
        return BURIED_TIMES;
      case 'decay':
      case 'decayCover':
      case 'halfLife':
        return this.decay(s);
      case 'cover':
        return 100 * residueCover(s.dm_g_m2!, this.spreadOf(s));
      case 'weedsUnderMulch':
        return this.weedsUnder(s, s.dm_g_m2!, s.days!);
      case 'weedsAfter':
        return this.weedsAfter(s);
      case 'weedsOfStand': {
        const { grown, sown } = this.grow(s, s.plant!);
        const end = s.method && answerEnding(grown, methodOf(s.method), next(s.on!, sown) - sown);
        return 100 * answerStand(grown, end || undefined).weedsHeld.mid;
      }
      case 'closes': {
        const { grown, sown } = this.grow(s, s.plant!);
        return answerStand(grown, undefined).closed.mid - sown;
      }
      case 'pan':
        return (100 * availableNitrogen_g_m2(500, 5 * s.n_pct!, s.buried!)) / (5 * s.n_pct!);
      case 'panRatio':
        return (
          availableNitrogen_g_m2(500, 5 * s.n_pct!, false) / availableNitrogen_g_m2(500, 5 * s.n_pct!, true)
        );
      case 'breakEven':
        for (let cn = 8; cn < 90; cn += 0.25)
          if (availableNitrogen_g_m2(500, (500 * CARBON_PCT) / 100 / cn, s.buried!) <= 0) return cn;
        return Infinity;
      case 'freed':
        return (100 * freeAfter(s.cn!, s.buried!, s.days!).free) / freeAfter(s.cn!, s.buried!, s.of_d!).free;
      case 'freedLater': {
        const first = freeAfter(s.cn!, s.buried!, s.from_d!).free;
        return (100 * (freeAfter(s.cn!, s.buried!, s.to_d!).free - first)) / first;
      }
      case 'released': {
        const start = startFreeing(500, (500 * CARBON_PCT) / 100 / s.cn!, s.buried!).n;
        return 100 * (1 - freeAfter(s.cn!, s.buried!, s.days!).n / start);
      }
      case 'tiedUntil': {
        // Tie-up grows until the lowest point.
        let lowest = 0;
        for (let d = 1; d < 200; d++)
          if (freeAfter(s.cn!, s.buried!, d).free < freeAfter(s.cn!, s.buried!, lowest).free) lowest = d;
        return lowest;
      }
      case 'cooler':
        return coolerUnder_c(s.t_ha!, s.sun_MJ!);
      case 'evaporation':
        return 100 * (1 - dried(s.t_ha!) / dried(0));
      case 'waterKept':
        return this.waterKept(s);
      case 'emergence':
        return this.emergence(s);
      case 'evenness': {
        const ground = { length_m: 20, width_m: 5 };
        const thrown = (passes: number) =>
          Array.from({ length: 14 }, (_, k) =>
            evennessOf(
              throwAll(
                crossedPortions((s.seeds_m2 ?? 250) * 100, passes),
                ground,
                CAREFUL_HAND,
                25,
                streamOf(k),
              ),
              ground,
            ),
          );
        return s.q === 'ratio'
          ? meanOf(thrown(2).map((e) => e.cv)) / meanOf(thrown(1).map((e) => e.cv))
          : 100 * meanOf(thrown(2).map((e) => e.bareShare));
      }
      case 'frames': {
        const raw = Array.from({ length: s.n! }, (_, i) => i - (s.n! - 1) / 2);
        const sd = Math.sqrt(raw.reduce((a, x) => a + x * x, 0) / (s.n! - 1));
        const counts = raw.map((x) => s.mean! * (1 + (s.cv! * x) / sd));
        const rate = countedRate({ frame_m2: 0.01, counts })!.seeds_m2;
        return (100 * (rate.high - rate.low)) / 2 / rate.mid;
      }
      case 'water':
        return this.water(s);
      case 'wait': {
        const d20 = waitDays20(
          s.handling!,
          s.cn!,
          { ...findCrop(s.crop!)!, way: s.way as 'seed' },
          s.small ?? 0,
        );
        return mid(this.seasons(s, 160).seasons.map((x) => reaches(x.mellowing, 0, d20)));
      }
    }
    throw new Error(`a finding of an unknown kind: ${s.kind}`);
  }

  private endingFigure(s: Situation): number {
    const { answer: a, begun, sown } = this.ending(s);
    switch (s.q) {
      case 'killed':
        return 100 * (1 - a.surviving);
      case 'odds':
        return 100 * a.odds.dead;
      case 'noSeed':
        return 100 * a.odds.noSeed;
      case 'daysToDead':
        return a.dead.mid - begun;
      case 'daysToReady':
        return a.ready.mid - begun;
      case 'nitrogen':
        return a.nitrogen_g_m2.mid;
      case 'residueLeft':
        return (100 * a.residue_g_m2.mid) / a.dryMatter_g_m2.mid;
      case 'laterRatio':
        return this.ending(s, s.plant2).answer.nitrogen_g_m2.mid / a.nitrogen_g_m2.mid;
      case 'coverRatio':
        return a.nitrogen_g_m2.mid / this.ending(s, s.plant, s.cover2).answer.nitrogen_g_m2.mid;
      case 'deadDate':
        return a.dead.mid - sown;
    }
    throw new Error(`an ending is asked for ${s.q}`);
  }

  private spreadOf(s: Situation): number {
    const sp = findSpecies(s.species as string)!;
    return areaPerTonne(sp.role, sp.growth.heightFlower_m);
  }

  private decay(s: Situation): number {
    const rate = decayRate(s.cn!) * (s.buried ? BURIED_TIMES : 1);
    const { seasons } = this.seasons(s, Math.max(300, (s.days ?? 0) + 1));
    if (s.kind === 'halfLife') return mid(seasons.map((x) => reaches(x.decay, 0, Math.LN2 / rate)));
    const left = seasons.map((x) => Math.exp(-rate * between(x.decay, 0, s.days!)));
    return s.kind === 'decay'
      ? 100 * mid(left)
      : 100 * mid(left.map((l) => residueCover(s.dm_g_m2! * l, this.spreadOf(s))));
  }

  /** Weeds kept down by a stand of this mass that is ended on the first day, planting so many days later. */
  private weedsUnder(s: Situation, dm_g_m2: number, days: number): number {
    const ensemble = this.seasons(s, days + 10);
    const kinds = members({ [s.species as string]: 1 });
    const course = makeCourse(ensemble.days, kinds);
    course.dm_g_m2[0] = dm_g_m2;
    course.n_g_m2[0] = (dm_g_m2 * CARBON_PCT) / 100 / s.cn!;
    const plan: Plan = {
      members: kinds,
      seed_g_m2: [0],
      way: findWay('raked')!,
      soil: SOIL,
      watered: false,
      sownAt: 0,
      plantAt: days,
      next: { ...findCrop('sweet-corn')!, way: 'seed' },
    };
    const grown = { plan, ensemble, courses: ensemble.seasons.map(() => course) };
    return 100 * answerStand(grown, { startDay: ensemble.fromDay }).weedsHeld.mid;
  }

  /** Weeds in the crop, so many days past planting through a mulch laid on clean ground. */
  private weedsAfter(s: Situation): number {
    const { seasons } = this.seasons(s, s.days! + 2);
    const rate = decayRate(s.cn!);
    return (
      100 *
      mid(
        seasons.map((x) => {
          const [under, bare] = [cleanGround(), cleanGround()];
          for (let d = 0; d < s.days!; d++) {
            const heat = x.weedWarmth[d + 1]! - x.weedWarmth[d]!;
            weedsGrow(under, heat, 0, s.t_ha! * Math.exp(-rate * between(x.decay, 0, d)));
            weedsGrow(bare, heat, 0, 0);
          }
          return heldAgainst(under.mass, bare.mass);
        }),
      )
    );
  }

  private emergence(s: Situation): number {
    const before = 35;
    const run = (wayId: string) => {
      const way = findWay(wayId)!;
      const from = dayOf(`${YEAR}-${s.sown}`) - before;
      const days = before + 120;
      const ensemble = makeEnsemble(this.siteOf(s.site!), from, days, this.years, SEED);
      const kinds = members(s.cover!);
      const seed_g_m2 = viableRate_g_m2(kinds, way.rateFactor);
      const seeds_m2 = (seed_g_m2[0]! / kinds[0]!.species.seed.thousandSeed_g) * 1000;
      const canopy = s.cropDays ? { until: before + s.cropDays, lightThrough: CROP_LETS_THROUGH } : undefined;
      return ensemble.seasons.map((x, y) => {
        const c = growStand(
          { members: kinds, seed_g_m2, way, soil: SOIL, sownAt: before, watered: s.watered ?? false, canopy },
          x,
          ensemble.variations[y]!,
          makeCourse(days, kinds),
        );
        let rain_mm = 0;
        for (let d = before; d < before + 10; d++) rain_mm += x.rain_mm[d]!;
        return { share: (100 * c.plants_m2[0]!) / seeds_m2, days: c.emerged[0]! - before, rain_mm };
      });
    };
    const here = run(s.way!);
    const share = mid(here.map((r) => r.share));
    if (s.q === 'share') return share;
    if (s.q === 'days') return mid(here.map((r) => r.days));
    if (s.q === 'ratio') return share / mid(run(s.way2!).map((r) => r.share));
    const byRain = [...here].sort((a, b) => a.rain_mm - b.rain_mm);
    const fifth = Math.floor(byRain.length / 5);
    return mid(byRain.slice(0, fifth).map((r) => r.share)) / mid(byRain.slice(-fifth).map((r) => r.share));
  }

  private water(s: Situation): number {
    const sown = dayOf(`${YEAR}-${s.sown}`);
    const on = next(s.on!, sown) - sown;
    const kinds = members(s.cover!);
    const ensemble = makeEnsemble(this.siteOf(s.site!), sown, on + 5, this.years, SEED);
    const run = (until: number, bare: boolean) =>
      ensemble.seasons.map((x, y) =>
        growStand(
          {
            members: kinds,
            seed_g_m2: viableRate_g_m2(kinds, 1),
            way: findWay('raked')!,
            soil: SOIL,
            sownAt: bare ? 99_999 : 0,
            watered: s.watered ?? false,
            growUntil: until,
          },
          x,
          ensemble.variations[y]!,
          makeCourse(ensemble.days, kinds),
        ),
      );
    const [cover, bare] = [run(on, false), run(on, true)];
    const mean = (of: typeof cover, f: (c: (typeof cover)[number]) => number) => meanOf(of.map(f));
    const cut = (f: (c: (typeof cover)[number]) => number) => 100 * (1 - mean(cover, f) / mean(bare, f));
    switch (s.q) {
      case 'usedRatio':
        return mean(cover, (c) => c.water.used_mm) / mean(bare, (c) => c.water.used_mm);
      case 'less':
        return mean(bare, (c) => c.water.end_mm) - mean(cover, (c) => c.water.end_mm);
      case 'drainCut':
        return cut((c) => c.water.drained_mm);
      case 'leachCut':
        return cut((c) => c.soilNitrogen.leached_g_m2);
      case 'mineralCut':
        return cut((c) => c.soilNitrogen.end_g_m2);
      case 'rate': {
        const from = next(s.onFrom!, sown) - sown;
        const before = mean(run(from, false), (c) => c.water.used_mm);
        return (mean(cover, (c) => c.water.used_mm) - before) / (on - from);
      }
    }
    throw new Error(`water is asked for ${s.q}`);
  }

  /** Water in the root zone on planting day of a cover cut early, over that of one cut on the day before planting. */
  private waterKept(s: Situation): number {
    const { grown, sown } = this.grow({ ...s, on: undefined }, s.plant!);
    const { plan, ensemble } = grown;
    const cutOn = (at: number) => {
      const lived = growPlan(plan, ensemble, this.years, undefined, (y) =>
        workOf(
          [{ kind: 'cut', at, done: true }],
          { members: plan.members, soil: plan.soil, cap_d: Infinity },
          ensemble.seasons[y]!,
          ensemble.variations[y]!,
        ),
      );
      return meanOf(lived.courses.map((c) => c.root_mm[plan.plantAt]!));
    };
    return cutOn(next(s.early!, sown) - sown) - cutOn(plan.plantAt - 1);
  }
}

/** Water lost in two dry weeks from bare, wet ground under so many t/ha. */
function dried(t_ha: number): number {
  const st = startSoil(SOIL);
  st.lets = letsThrough(t_ha);
  const sky = { rain_mm: Float64Array.of(0), et0_mm: Float64Array.of(4) };
  for (let d = 0; d < 14; d++) waterDay(st, sky, 0);
  return st.used_mm;
}
