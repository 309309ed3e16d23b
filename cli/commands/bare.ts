import { findSpecies, findWay, membersOf, usualWay } from '../../src/catalogue/catalogue.ts';
import { isoOf } from '../../src/core/calendar/day.ts';
import { growPlan } from '../../src/core/plan/grown.ts';
import { answerStand } from '../../src/core/plan/standAnswer.ts';
import { meanOf, type Spread, spreadOf } from '../../src/core/random/quantile.ts';
import { viableRate_g_m2 } from '../../src/core/seed/rate.ts';
import { type Soil } from '../../src/core/soil/soil.ts';
import { dryMatterOn, nitrogenOn } from '../../src/core/stand/course.ts';
import { makeEnsemble } from '../../src/core/stand/ensemble.ts';
import { dayOption, siteFrom, type Typed, yearsOf } from '../args.ts';

const FOLLOWED_D = 340;
const MONTH_D = 30;

/** `cereal-rye:0.4,hairy-vetch:0.6`, or one species alone. */
function coverOption(text: string | undefined) {
  const parts = (text ?? '').split(',').map((p) => {
    const [speciesId = '', share = '1'] = p.split(':');
    if (!findSpecies(speciesId)) throw new Error(`--cover names no known species: "${speciesId}"`);
    return { speciesId, share: Number(share) };
  });
  if (parts.some((p) => !(p.share > 0))) throw new Error('--cover shares must be numbers above 0');
  return parts;
}

const day = (d: number): string => (Number.isFinite(d) ? isoOf(Math.round(d)) : 'never');
const days = (s: Spread) => ({ p10: day(s.low), median: day(s.mid), p90: day(s.high) });
const round = (x: number, digits = 2) => Number(x.toFixed(digits));
const figures = (s: Spread) => ({ p10: round(s.low), median: round(s.mid), p90: round(s.high) });

/**
 * A cover without a garden: medians and 10-90 % ranges of stage dates, and dry matter, nitrogen, ground cover, height and survival by
 * date, so that anyone can hold them against a published trial.
 */
export function bareForecast(typed: Typed): object {
  const site = siteFrom(typed);
  const members = membersOf(coverOption(typed.get('cover')));
  const sow = dayOption(typed, 'sow');
  const way = findWay(typed.get('way') ?? usualWay.id);
  if (!way) throw new Error(`--way ${typed.get('way')} is not known`);
  const rate = typed.get('rate')?.split(',').map(Number);
  if (rate && (rate.length !== members.length || rate.some((r) => !(r > 0))))
    throw new Error('--rate wants one figure in g/m² for each species of --cover');
  const soil: Soil = {
    texture: (typed.get('soil') ?? 'loam') as Soil['texture'],
    fertility: (typed.get('fertility') ?? 'fair') as Soil['fertility'],
  };
  const years = yearsOf(typed);
  const asked = (typed.get('on') ?? '').split(',').filter(Boolean);
  const on = asked.length
    ? asked.map((_, i) => dayOption({ ...typed, get: () => asked[i] }, 'on'))
    : Array.from({ length: Math.floor(FOLLOWED_D / MONTH_D) }, (_, i) => sow + (i + 1) * MONTH_D);
  const span = Math.max(FOLLOWED_D, ...on.map((d) => d - sow + 1));
  const plan = {
    members,
    seed_g_m2: rate ?? viableRate_g_m2(members, way.rateFactor),
    way,
    soil,
    watered: !typed.has('unwatered'),
    irrigated: typed.has('irrigated'),
    sownAt: 0,
    plantAt: span - 1,
    next: {
      id: 'none',
      name: 'none',
      family: '',
      nitrogenNeed_g_m2: 0,
      fixesShare: 0,
      root: false,
      seedSize: 'large' as const,
      soilMin_c: 0,
      residueTolerance: 1,
      way: 'transplant' as const,
    },
  };
  const grown = growPlan(plan, makeEnsemble(site, sow, span, years, 4242));
  const stand = answerStand(grown, undefined);
  const of = (f: (c: (typeof grown.courses)[number]) => number) => figures(spreadOf(grown.courses.map(f)));
  return {
    site: { latitude_deg: site.latitude_deg, coldestNight_c: site.coldestNight_c },
    cover: members.map((m, i) => ({
      species: m.species.id,
      share: round(m.share),
      seed_g_m2: round(plan.seed_g_m2[i]!),
    })),
    sown: isoOf(sow),
    way: way.id,
    years,
    emerged: days(stand.emerged),
    closed: days(stand.closed),
    stages: stand.stages.map((s) => ({
      species: s.speciesId,
      bud: days(s.bud),
      flower: days(s.flower),
      milk: days(s.milk),
      ripeSeed: days(s.seed),
    })),
    byDate: on
      .filter((d) => d > sow)
      .map((d) => {
        const i = d - sow;
        return {
          on: isoOf(d),
          dryMatter_t_ha: of((c) => dryMatterOn(c, i) / 100),
          nitrogen_kg_ha: of((c) => nitrogenOn(c, i) * 10),
          nitrogen_pct: of((c) => (dryMatterOn(c, i) > 0 ? (nitrogenOn(c, i) / dryMatterOn(c, i)) * 100 : 0)),
          cover: of((c) => c.cover[i]!),
          height_m: of((c) => c.height_m[i]!),
          alive: members.map((m, s) => ({
            species: m.species.id,
            mean: round(meanOf(grown.courses.map((c) => c.alive[i * c.members + s]!))),
          })),
        };
      }),
  };
}
