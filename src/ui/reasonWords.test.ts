import { describe, expect, test } from '@jest/globals';
import { allCovers, climates, crops, findWay, methods, species } from '../catalogue/catalogue.ts';
import { dayOf } from '../core/calendar/day.ts';
import { type ChooseInput } from '../core/choose/input.ts';
import { chooseAll } from '../core/choose/rounds.ts';
import { type Sample } from '../core/choose/sample.ts';
import { siteFromPattern } from '../core/climate/pattern.ts';
import { IMPERIAL, METRIC } from '../core/units/show.ts';
import { changeWords, waysOut } from './changeWords.ts';
import { reasonWords } from './reasonWords.ts';

interface Case {
  climate: string;
  latitude?: number;
  free: string;
  plant: string;
  next: string;
  way?: 'seed';
  sown?: string;
  tools?: string[];
  troubled?: boolean;
}

const CASES: Case[] = [
  { climate: 'cool-maritime', free: '2026-09-05', plant: '2027-05-14', next: 'tomato' },
  {
    climate: 'humid-continental',
    free: '2026-08-10',
    plant: '2027-05-10',
    next: 'carrot',
    way: 'seed',
    tools: ['cut'],
  },
  {
    climate: 'mediterranean',
    latitude: -35,
    free: '2026-12-01',
    plant: '2027-02-20',
    next: 'lettuce',
    troubled: true,
  },
  { climate: 'hot-semi-arid', free: '2026-06-20', plant: '2026-08-15', next: 'broccoli', tools: [] },
  {
    climate: 'humid-temperate',
    free: '2026-11-20',
    plant: '2026-12-28',
    next: 'onion',
    way: 'seed',
    sown: 'frost-sown',
  },
];

function samplesOf(c: Case): Sample[] {
  const pattern = climates.find((p) => p.id === c.climate)!;
  const crop = crops.find((x) => x.id === c.next)!;
  const input: ChooseInput = {
    site: siteFromPattern(pattern, c.latitude ?? pattern.latitude_deg),
    soil: { texture: 'loam', fertility: 'fair' },
    way: findWay(c.sown ?? 'raked')!,
    watered: true,
    gap: { freeDay: dayOf(c.free), plantDay: dayOf(c.plant), next: { ...crop, way: c.way ?? crop.ways[0]! } },
    candidates: allCovers().filter((_, i) => i % 3 === 0),
    methods: methods.map((m) => ({
      ...m,
      minutesPer100m2: 60,
      missing: !c.tools || c.tools.includes(m.id) ? [] : ['a tool'],
    })),
    aims: [
      { id: 'feed', strands: 2 },
      { id: 'smother', strands: 1 },
    ],
    bed: {
      families: [{ family: 'Brassicaceae', yearsAgo: 1 }],
      surface: c.troubled ? 'sod' : 'clean',
      troubles: c.troubled ? ['clubroot', 'slugs', 'root-knot'] : [],
      shade: c.troubled ? 'part' : 'open',
    },
    keepsSafe: ['pets', 'children'],
    hazards: Object.fromEntries(species.map((s) => [s.id, s.hazards])),
    years: 6,
  };
  return chooseAll(input);
}

const HOLES = /undefined|NaN|Infinity|Invalid|\[object/;

describe('reasons and ways out are whole sentences made from their numbers', () => {
  test.each(CASES)('$climate, $free to $plant for $next', (c) => {
    const samples = samplesOf(c);
    for (const s of samples) {
      expect(s.reasons.length).toBeGreaterThan(0);
      for (const units of [METRIC, IMPERIAL])
        for (const r of s.reasons) {
          const { lead, rest } = reasonWords(r, units);
          expect(`${s.id} ${r.code}: ${lead} ${rest}`).not.toMatch(HOLES);
          expect(lead).toMatch(/\.$/);
          expect(rest).toMatch(/[.!]$/);
        }
      for (const change of s.changes) {
        const words = changeWords(change, s, dayOf(c.plant));
        expect(words).not.toMatch(HOLES);
        expect(words).toMatch(/ready in \d+ years of 100\.$/);
      }
    }
    const ways = waysOut(samples).map((w) => w.change.kind);
    expect(new Set(ways).size).toBe(ways.length);
  });
});
