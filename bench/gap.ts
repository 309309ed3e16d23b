import { allCovers, climates, crops, findWay, methods } from '../src/catalogue/catalogue.ts';
import { dayOf } from '../src/core/calendar/day.ts';
import { type ChooseInput } from '../src/core/choose/input.ts';
import { siteFromPattern } from '../src/core/climate/pattern.ts';

/** The gap that is measured: early September to tomato transplants in mid May, a garden with hand tools, every cover of the catalogue. */
const HAND_KIT = new Set(['cut', 'cut-twice', 'crimp', 'crimp-sheet', 'sheet', 'winterkill', 'summerkill']);

export const input: ChooseInput = {
  site: siteFromPattern(climates[0]!),
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  gap: {
    freeDay: dayOf('2026-09-05'),
    plantDay: dayOf('2027-05-14'),
    next: { ...crops.find((c) => c.id === 'tomato')!, way: 'transplant' },
  },
  candidates: allCovers(),
  methods: methods.map((m) => ({
    ...m,
    minutesPer100m2: 60,
    proposed: m.proposed,
    missing: HAND_KIT.has(m.id) ? [] : ['not at hand'],
  })),
  aims: [
    { id: 'feed', strands: 3 },
    { id: 'hold', strands: 2 },
  ],
  bed: { families: [], troubles: [], shade: 'open', surface: 'clean' },
  keepsSafe: [],
  hazards: {},
  years: 200,
};

/** Every other cover, as they are dealt out to two workers. */
export const halfOf = (k: number): ChooseInput => ({
  ...input,
  candidates: input.candidates.filter((_, i) => i % 2 === k),
});
