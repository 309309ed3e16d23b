import { type WorkAsk, type Fact, LEAVES_CUT } from './workAsk.ts';

const HEAVY = new Set([
  'cut',
  'mow',
  'crimp',
  'dig',
  'bury',
  'compost-over',
  'hoe',
  'pull',
  'rake-off',
  'lay-sheet',
]);

const OVER_FLOWERS = new Set(['cut', 'mow', 'flail', 'crimp', 'flame', 'lay-sheet', 'graze']);

const KILLS_KEPT = new Set(['lay-sheet', 'lay-cardboard', 'lay-film', 'flame', 'cut', 'mow', 'crimp', 'dig']);

const ANIMALS_ON = new Set(['hens', 'pigs', 'graze']);

/** From here on heavy work belongs in the cool of the day, and from there on in none (mean afternoons; the hottest days are hotter). */
const WARM_C = 25;

const HOT_C = 29;

/** Raw manure and harvest: what touches the soil, and all else, days (usual rules; local ones come first). */
const MANURE_TOUCHING_D = 120;

const MANURE_OTHER_D = 90;

/** A kind that bees come to, and the stages at which it flowers. */
const BEE_KIND = 0.25;

/** What a step may harm: the worker, kept plants, bees, animals, those who eat. Told where it bites, at the step itself. */
export function careOf(ask: WorkAsk, p: WorkAsk['passes'][number], facts: Fact[]): void {
  const { bed } = ask;
  if (KILLS_KEPT.has(p.kind) && (bed.keptPlants || bed.obstacles > 0))
    facts.push({ is: 'by-hand', keptPlants: bed.keptPlants, obstacles: bed.obstacles });
  if (
    OVER_FLOWERS.has(p.kind) &&
    ask.stand.some((s) => (s.flowers ?? 0) >= BEE_KIND && s.stage >= 2.7 && s.stage < 4.2)
  )
    facts.push({ is: 'bees' });
  if (HEAVY.has(p.kind) && (ask.afternoon_c ?? 0) >= WARM_C)
    facts.push({ is: 'heat', afternoon_c: ask.afternoon_c!, severe: ask.afternoon_c! >= HOT_C });
  if (p.kind === 'flame') facts.push({ is: 'flame-gate' });
  if (p.kind === 'lay-sheet') facts.push({ is: 'nothing-between' });
  if (ANIMALS_ON.has(p.kind) && p.day !== undefined)
    facts.push({ is: 'manure', touching: p.day + MANURE_TOUCHING_D, other: p.day + MANURE_OTHER_D });
  if (ANIMALS_ON.has(p.kind)) return;
  for (const { figures } of ask.stand)
    for (const animal of ask.keeps ?? []) {
      const harm = figures.harms?.[animal] ?? 0;
      if (harm >= 2 && LEAVES_CUT.has(p.kind))
        facts.push({ is: 'harm', speciesId: figures.id, animal, harm });
    }
}
