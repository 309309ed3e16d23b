import { type Day } from '../core/calendar/day.ts';
import { methods } from '../catalogue/catalogue.ts';
import { type Sample } from '../core/choose/sample.ts';
import { type Change } from '../core/choose/change.ts';
import { showDay } from './dates.ts';
import { METHOD_SHORT } from './methodWords.ts';

/** What would have to change, as a sentence with its odds. */
export function changeWords(c: Change, sample: Sample, plantDay: Day): string {
  const odds = `${Math.round(c.odds * 100)} years of 100`;
  switch (c.kind) {
    case 'plant-later':
      return `Plant ${c.days} days later, about ${showDay(plantDay + c.days)}${c.method === sample.best?.method ? '' : `, and end it another way (${METHOD_SHORT[c.method] ?? c.method})`}: ready in ${odds}.`;
    case 'sow-earlier':
      return `Sow ${c.days} days earlier, about ${showDay(sample.sowDay - c.days)}, for instance under the crop: ready in ${odds}.`;
    case 'other-method': {
      const name = methods.find((m) => m.id === c.method)?.name.toLowerCase() ?? c.method;
      const needs = c.missing.length > 0 ? ` (in the way here: ${c.missing.join(', ')})` : '';
      return `End it another way, ${name}${needs}: ready in ${odds}.`;
    }
    case 'transplants':
      return `Set transplants instead of seed: ready in ${odds}.`;
  }
}

/** The later planting day by which a sample hangs, in short. */
export function laterWords(sample: Sample, plantDay: Day): string {
  const later = sample.changes.find((c) => c.kind === 'plant-later');
  return later
    ? `with planting on ${showDay(plantDay + later.days)}: ${Math.round(later.odds * 100)} of 100`
    : '';
}

/** The ways out that help most covers of a gap where nothing fits, one of each sort, surest and smallest first. */
export function waysOut(samples: Sample[]): { sample: Sample; change: Change }[] {
  const all = samples.flatMap((sample) => sample.changes.map((change) => ({ sample, change })));
  const cost = (c: Change) =>
    c.kind === 'plant-later' || c.kind === 'sow-earlier'
      ? c.days
      : c.kind === 'other-method'
        ? 10 + c.missing.length * 20
        : 5;
  const best = new Map<Change['kind'], (typeof all)[number]>();
  for (const one of all) {
    if (one.sample.stand.stand < 0.5) continue;
    const kept = best.get(one.change.kind);
    if (!kept || cost(one.change) < cost(kept.change)) best.set(one.change.kind, one);
  }
  return [...best.values()].sort((a, b) => cost(a.change) - cost(b.change));
}
