import { allCovers, findWay } from '../../src/catalogue/catalogue.ts';
import { dayOf, isoOf } from '../../src/core/calendar/day.ts';
import { type ChooseInput } from '../../src/core/choose/input.ts';
import { chooseAll } from '../../src/core/choose/rounds.ts';
import { type Sample } from '../../src/core/choose/sample.ts';
import { hang, rankSamples } from '../../src/core/choose/rank.ts';
import { type Site } from '../../src/core/site/site.ts';
import { hazardsBySpecies, watersThrough } from '../../src/questions/gap.ts';
import { methodsHere, nextCropOf } from '../../src/questions/methods.ts';
import { FREE_RULES } from '../../src/questions/rules.ts';
import { turnsFor } from '../../src/questions/turns.ts';
import { type Expectation, judge } from '../advise/judge.ts';
import { type Situation, siteOf, situationsFrom } from '../advise/situation.ts';
import { type Typed, yearsOf } from '../args.ts';

function inputOf(s: Situation, site: Site, years: number): ChooseInput {
  return {
    site,
    soil: s.soil,
    way: findWay(s.sowing)!,
    watered: s.kit.includes('hose'),
    irrigated: watersThrough({ kit: s.kit, site }, dayOf(s.freeOn), dayOf(s.plantOn)),
    gap: { freeDay: dayOf(s.freeOn), plantDay: dayOf(s.plantOn), next: nextCropOf(s.next.crop, s.next.way) },
    candidates: [...allCovers(), ...turnsFor(dayOf(s.freeOn), dayOf(s.plantOn))],
    methods: methodsHere({ kit: s.kit, rules: FREE_RULES }),
    aims: Object.entries(s.aims).map(([id, strands]) => ({ id, strands })),
    bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
    keepsSafe: [],
    hazards: hazardsBySpecies(),
    years,
  };
}

interface Advised {
  id: string;
  holds: boolean;
  expectations: Expectation[];
  first: object[];
}

const rounded = (x: number) => Number(x.toFixed(2));

const lineOf = (s: Sample, fit: number) => ({
  cover: s.id,
  fit: rounded(fit),
  sow: isoOf(s.sowDay),
  ending: s.best?.method ?? null,
  begins: s.best ? isoOf(s.best.startDay) : null,
  inTime: s.best ? rounded(s.best.odds.inTime) : 0,
  dryMatter_g_m2: s.best ? Math.round(s.best.dryMatter_g_m2.mid) : 0,
  nitrogen_g_m2: s.best ? rounded(s.best.nitrogen_g_m2.mid) : 0,
});

function advised(s: Situation, site: Site, years: number): Advised {
  const input = inputOf(s, site, years);
  const ranked = hang(rankSamples(chooseAll(input), input.aims));
  const expectations = judge(
    s,
    ranked.map((r) => r.sample),
  );
  return {
    id: s.id,
    holds: expectations.every((e) => e.holds),
    expectations,
    first: ranked.slice(0, 5).map((r) => lineOf(r.sample, r.fit)),
  };
}

/**
 * `advise --file FILE`: holds the advice against what a good adviser would say in each situation of the file: every expectation held or
 * missed, the first five covers, and how many situations hold in all.
 */
export function advise(typed: Typed): object | string {
  const known = new Map<string, Site>();
  const years = yearsOf(typed);
  const only = typed.get('only')?.split(',');
  const all = situationsFrom(typed.get('file'))
    .filter((s) => !only || only.includes(s.id))
    .map((s) => advised(s, siteOf(s, known), years));
  const held = all.filter((a) => a.holds).length;
  if (typed.has('json')) return { situations: all, held, of: all.length, years };
  return [...all.map(asText), `${held} of ${all.length} situations hold over ${years} years`].join('\n');
}

function asText(a: Advised): string {
  const covers = (a.first as ReturnType<typeof lineOf>[]).map(
    (f) =>
      `    ${f.cover.padEnd(24)} fit ${f.fit.toFixed(2)}  sow ${f.sow}  ${(f.ending ?? 'no way').padEnd(12)} ${f.begins ?? ''}  in time ${f.inTime.toFixed(2)}  ${String(f.dryMatter_g_m2).padStart(4)} g/m²  N ${f.nitrogen_g_m2.toFixed(1)} g/m²`,
  );
  return [
    `${a.id} ${a.holds ? 'holds' : 'MISSED'}`,
    ...a.expectations.map((e) => `  ${e.holds ? 'held  ' : 'missed'} ${e.what}`),
    ...covers,
  ].join('\n');
}
