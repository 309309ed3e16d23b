import { expect, test } from '@jest/globals';
import { climates, findWay, membersOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../calendar/day.ts';
import { growPlan } from './grown.ts';
import { type Plan } from '../termination/plan.ts';
import { spreadOf } from '../random/quantile.ts';
import { streamOf } from '../random/stream.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { makeEnsemble } from '../stand/ensemble.ts';
import { STAGES } from '../stand/species.ts';
import { type LookSeen, weighByLooks } from './weigh.ts';

/**
 * Truths are drawn from the same model with other weather and other luck, looked at with the eye's own errors, and held against the
 * forecast that the looks leave. That shows the weighing to be sound; whether the model itself is, calibration shows.
 */
const site = siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!);
const sowDay = dayOf('2026-09-10');
const DAYS = 310;
const TRUTHS = 120;
/** Once in early spring, then weekly as the jobs ask when an ending draws near; flowering begins about day 260. */
const LOOKED_AT = [200, 239, 246, 253];
const members = membersOf([{ speciesId: 'hairy-vetch', share: 1 }]);
const plan: Plan = {
  members,
  seed_g_m2: [4],
  way: findWay('raked')!,
  soil: { texture: 'loam', fertility: 'fair' },
  watered: true,
  sownAt: 0,
  plantAt: 270,
  next: {
    id: 'squash',
    name: 'Squash',
    family: 'Cucurbitaceae',
    nitrogenNeed_g_m2: 14,
    fixesShare: 0,
    root: false,
    seedSize: 'large',
    soilMin_c: 15,
    residueTolerance: 0.9,
    way: 'transplant',
  },
};
const bloom = (stage: Float32Array): number => {
  const d = stage.findIndex((x) => x >= 3);
  return d < 0 ? Infinity : d;
};

test('four looks narrow the forecast of flowering by a tenth or more, and the truth lies in its 80 % range in 68 to 93 cases of 100', () => {
  const grown = growPlan(plan, makeEnsemble(site, sowDay, DAYS, 200, 1));
  const flowers = grown.courses.map((c) => bloom(c.stage));
  const before = spreadOf(flowers);
  const truths = growPlan(plan, makeEnsemble(site, sowDay, DAYS, TRUTHS, 987_654));
  const chance = streamOf(44);
  let inside = 0;
  let insideBefore = 0;
  let width = 0;
  truths.courses.forEach((truth) => {
    const day = bloom(truth.stage);
    const looks = LOOKED_AT.map((d): LookSeen => {
      const stage = truth.stage[d]! + 0.15 * chance.normal();
      return {
        day: sowDay + d,
        stage: STAGES[Math.max(1, Math.min(5, Math.floor(stage)))],
        cover: Math.max(0, Math.min(1, truth.cover[d]! + 0.1 * chance.normal())),
        height_m: Math.max(0.02, truth.height_m[d]! * Math.exp(0.2 * chance.normal())),
      };
    });
    const after = spreadOf(flowers, weighByLooks(grown, looks));
    width += (after.high - after.low) / TRUTHS;
    if (day >= after.low && day <= after.high) inside++;
    if (day >= before.low && day <= before.high) insideBefore++;
  });
  expect(width).toBeLessThan((before.high - before.low) * 0.9);
  expect(inside / TRUTHS).toBeGreaterThan(0.68);
  expect(inside / TRUTHS).toBeLessThan(0.93);
  expect(insideBefore / TRUTHS).toBeGreaterThan(0.68);
});
