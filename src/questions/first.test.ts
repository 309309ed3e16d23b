import { beforeAll, describe, expect, test } from '@jest/globals';
import { speciesOf } from '../catalogue/catalogue.ts';
import { places } from '../catalogue/places.ts';
import { dayOf, isoOf } from '../core/calendar/day.ts';
import { gapEnsemble, sampleFor } from '../core/choose/choose.ts';
import { type Sample } from '../core/choose/sample.ts';
import { siteFromNormals } from '../core/climate/normals.ts';
import { type Site } from '../core/site/site.ts';
import { METRIC } from '../core/units/show.ts';
import { firstAnswer, firstPlan, firstQuestion, firstRecords, type FirstSaid, type Packet } from './first.ts';
import { weightsOf } from './weights.ts';

let site: Site;
beforeAll(() => {
  const fit = siteFromNormals(places.find((p) => p.name.startsWith('Glasgow'))!);
  if (!fit.ok) throw new Error('Glasgow');
  site = fit.value;
});

const PACKET: Packet = {
  name: '',
  parts: [{ speciesId: 'crimson-clover', share: 100 }],
  weight_g: 25,
  price: null,
  rate_g_m2: null,
};
const MIX: Packet = {
  name: 'Bee mix',
  parts: [
    { speciesId: 'phacelia', share: 30 },
    { speciesId: 'crimson-clover', share: 60 },
  ],
  weight_g: 200,
  price: 6.5,
  rate_g_m2: 4,
};
const said = (packet: Packet, free: string, plantOn: string, tools = ['shears', 'rake']): FirstSaid => ({
  gardenName: 'Back yard',
  bedName: '1',
  site,
  siteFrom: 'Like Glasgow.',
  units: METRIC,
  tools,
  ground: { width_m: 1.2, length_m: 5, area_m2: 6 },
  before: '',
  free,
  nextId: 'winter-squash',
  way: 'transplant',
  plantOn,
  packet,
});
const hands = () => {
  let n = 0;
  return { newId: () => `id-${++n}`, now: () => '2026-08-01T00:00:00.000Z' };
};
function answered(s: FirstSaid) {
  const h = hands();
  const records = firstRecords(s, h, s.free);
  const question = firstQuestion(s, records, 40);
  const sample = sampleFor(question.asked.candidates[0]!, question.asked, gapEnsemble(question.asked));
  return { h, records, question, sample, answer: firstAnswer(sample, s, question) };
}

describe('one bed and one packet', () => {
  test('in August it is sown at once; the small packet is poured, in two halves, and stands as far as it goes', () => {
    const { answer } = answered(said(PACKET, '2026-08-10', '2027-06-05'));
    expect(isoOf(answer.sowDay)).toBe('2026-08-10');
    expect(answer.use.need_g).toBeGreaterThan(5);
    expect(answer.use.throws_g).toHaveLength(2);
    expect(answer.depth_mm.from).toBeGreaterThan(0);
    expect(answer.passes[0]!.due < '2027-06-05').toBe(true);
    expect(answer.best!.odds.inTime).toBeGreaterThan(0.5);
    expect(answer.other?.ending.method).not.toBe(answer.best!.method);
  });
  test('at the end of November it waits for the ground to warm', () => {
    const { answer } = answered(said(PACKET, '2026-11-26', '2027-06-12'));
    expect(answer.sowDay).toBeGreaterThan(dayOf('2027-02-20'));
  });
  test('a mix is poured at the rate on its bag, keeps its name, parts, price, and the scale asks for just that', () => {
    const s = said(MIX, '2026-08-10', '2027-06-05');
    const { h, records, question, sample, answer } = answered(s);
    expect(answer.use).toMatchObject({ need_g: 24, verdict: 'enough', packets: 1, left_g: 176 });
    expect(records.recipe).toMatchObject({
      name: 'Bee mix',
      ready: true,
      packs: [{ size_g: 200, price: 6.5 }],
      rate_g_m2: 4,
    });
    expect(records.recipe!.parts.map((p) => Number(p.share.toFixed(3)))).toEqual([0.333, 0.667]);
    expect(records.lot).toBeNull();
    const { cover, plantings } = firstPlan(sample, s, records, question.aims, s.free, h.newId);
    expect(cover.called).toBe('Bee mix');
    expect(plantings.map((p) => [p.cropId, p.plantOn])).toEqual([['winter-squash', '2027-06-05']]);
    expect(cover.nextPlantingId).toBe(plantings[0]!.id);
    const weights = weightsOf(cover, records.bed);
    expect(weights.reduce((sum, w) => sum + w.weigh_g, 0)).toBeCloseTo(24, 6);
    // Two parts of clover to one of phacelia, as it is in the packet.
    expect(weights[1]!.weigh_g / weights[0]!.weigh_g).toBeCloseTo(2, 6);
  });
  test('its seed lies as deep as the kind that wants to lie deepest, and no deeper than the others come up from', () => {
    const parts = ['phacelia', 'spring-field-pea'].map((speciesId) => ({ speciesId, share: 50 }));
    const { answer } = answered(said({ ...MIX, parts }, '2026-08-10', '2027-06-05'));
    const [phacelia, pea] = parts.map((p) => speciesOf(p.speciesId).seed);
    expect(phacelia!.depthMin_mm).toBeLessThan(pea!.depthMin_mm);
    const from = pea!.depthMin_mm;
    expect(answer.depth_mm).toEqual({
      from,
      to: Math.max(from, Math.min(phacelia!.depthMax_mm, pea!.depthMax_mm)),
    });
  });
  test('one kind without a rate goes on the shelf, and the sowing is weighed out of it', () => {
    const s = said(PACKET, '2026-08-10', '2027-06-05');
    const { h, records, question, sample } = answered(s);
    expect(records.recipe).toBeNull();
    expect(records.lot).toMatchObject({ speciesId: 'crimson-clover', left_g: 25, year: 2026 });
    const { cover } = firstPlan(sample, s, records, question.aims, s.free, h.newId);
    expect(cover.seed[0]!.lotId).toBe(records.lot!.id);
    expect(cover.called).toBe('');
  });
  test('what is cut and planted into on one day is cut on the eve of planting', () => {
    const { sample } = answered(said(PACKET, '2026-08-10', '2027-06-05'));
    expect(sample.endings.find((e) => e.method === 'cut-plant')!.startDay).toBe(dayOf('2027-06-05') - 1);
  });
  test('pulling is surest in a short gap, and still no way out that is named', () => {
    const { sample } = answered(said(PACKET, '2027-03-01', '2027-05-05', ['rake']));
    expect(sample.endings.find((e) => e.method === 'pull')!.odds.inTime).toBeGreaterThan(0.7);
    expect(sample.changes.map((c) => (c.kind === 'other-method' ? c.method : ''))).not.toContain('pull');
  });
  test('seed thicker than usual stays so in the records', () => {
    const s = said(PACKET, '2026-08-10', '2027-06-05');
    const { h, records, question, sample } = answered(s);
    const { cover } = firstPlan({ ...sample, rateTimes: 1.5 }, s, records, question.aims, s.free, h.newId);
    expect(cover.rateTimes).toBe(1.5);
  });
  test('without a blade or a spade there is no way to end it, and that is said', () => {
    const { answer } = answered(said(PACKET, '2026-08-10', '2027-06-05', ['rake']));
    expect(answer.best?.method === 'pull').toBe(false);
    expect(answer.passes.every((p) => p.kind !== 'cut')).toBe(true);
  });
});

describe('the next best way to end it', () => {
  let s: FirstSaid;
  let sample: Sample;
  let question: ReturnType<typeof answered>['question'];
  let others: string[];
  beforeAll(() => {
    s = said(PACKET, '2026-08-10', '2027-06-05');
    ({ sample, question } = answered(s));
    others = sample.usable.filter((m) => m !== sample.best!.method);
  });
  /** The same sample with these odds for its other ways. */
  const told = (odds: Record<string, number>, more: object = {}) =>
    firstAnswer(
      {
        ...sample,
        endings: sample.endings.map((e) => ({
          ...e,
          odds: { ...e.odds, inTime: e.method === sample.best!.method ? 1 : (odds[e.method] ?? 0.1) },
        })),
        ...more,
      },
      s,
      question,
    ).other?.ending.method;
  test('is one that is ready in half of the years and can be done here, and the one worth most of these', () => {
    expect(others.length).toBeGreaterThan(1);
    const [a, b] = others as [string, string];
    expect(told({})).toBeUndefined();
    expect(told({ [a]: 0.49 })).toBeUndefined();
    expect([told({ [a]: 0.5 }), told({ [b]: 0.5 })]).toEqual([a, b]);
    expect([told({ [a]: 0.6, [b]: 1 }), told({ [a]: 1, [b]: 0.6 })]).toEqual([b, a]);
    expect(told({ [a]: 1 }, { usable: [b] })).toBeUndefined();
  });
  test('stands alone where nothing can be put forward; without a way there are no steps', () => {
    const { passes, best, other } = firstAnswer({ ...sample, best: undefined, endings: [] }, s, question);
    expect([passes, best, other]).toEqual([[], undefined, undefined]);
    const strange = { ...sample, best: { ...sample.best!, method: 'of a newer Kilim' } };
    expect(firstAnswer(strange, s, question).passes).toEqual([]);
  });
});
