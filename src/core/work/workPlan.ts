import { pressing } from './board.ts';
import { EDGE_MINUTES_M, mowingHeights, stubble_cm, TOOLS, toolsFor } from './cutting.ts';
import { type AnimalKind } from './figures.ts';
import { biofumigantBatch_m2, cardboard, digMinutes, firstTrench_l, spread, wetting } from './loads.ts';
import { ownPace } from './ownMinutes.ts';
import { penPlan, ROUND_HEN_DAYS_M2 } from './pen.ts';
import { layings, neededFor, sheetTimes, weightsFor } from './sheets.ts';
import { type Flock } from './things.ts';
import { careOf } from './careOf.ts';
import { type WorkAsk, type Fact } from './workAsk.ts';

export interface PassWork {
  kind: string;
  /** As it is likely to take here: by the gardener's own pace once that is known. */
  minutes: number;
  /** As worked out, before anybody's own pace. */
  worked: number;
  /** How own pace compares; absent before two such steps were logged. */
  pace?: number;
  facts: Fact[];
}

/** Pigs turn 100 m2 in some 30 pig-days, sheep and goats finish it in some 15. */
const HEAD_DAYS_PER_M2 = { 'pig-fence': 0.3, 'stock-fence': 0.15 } as const;

/** Hens clear a young or soft stand with fewer days. */
const SOFT_G_M2 = 150;

const SOFT_HEN_DAYS = 4;

/** Minutes to carry and set one weight. */
const WEIGHT_MIN = 0.5;

/** Arithmetic of every step of an ending on this bed, with this kit and these hands. */
export const workPlan = (ask: WorkAsk): PassWork[] => ask.passes.map((p) => passWork(ask, p));

function passWork(ask: WorkAsk, p: WorkAsk['passes'][number]): PassWork {
  const facts: Fact[] = [];
  const usual = (p.minutesPer100m2 * ask.bed.area_m2) / 100;
  const worked = MAKE[p.kind]?.(ask, facts, usual) ?? usual;
  careOf(ask, p, facts);
  const pace = ownPace(p.kind, ask.logged);
  return { kind: p.kind, minutes: worked * (pace ?? 1), worked, ...(pace ? { pace } : {}), facts };
}

type Maker = (ask: WorkAsk, facts: Fact[], usual: number) => number;

const edgesOf = ({ bed }: WorkAsk, facts: Fact[]): number => {
  if (!bed.edged) return 0;
  const metres = 2 * (bed.width_m + bed.length_m);
  const minutes = metres * EDGE_MINUTES_M;
  facts.push({ is: 'edges', metres, minutes });
  return minutes;
};

const blades =
  (only: readonly string[]): Maker =>
  (ask, facts, usual) => {
    const { kill_cm } = stubble_cm(ask.stand);
    if (ask.stand.length > 0) facts.push({ is: 'stubble', kill_cm });
    const fits = toolsFor(
      ask.kit.filter((k) => only.includes(k)),
      ask.stand,
      ask.dm_g_m2,
      ask.height_m,
      ask.person.skill,
      ask.bed.edged,
    );
    const best = fits.find((f) => f.fits !== 'no');
    if (!best) {
      if (ask.stand.length > 0) facts.push({ is: 'no-tool' });
      return usual + edgesOf(ask, facts);
    }
    const least_cm = TOOLS[best.tool].leastStubble_cm;
    facts.push({ is: 'tool', fit: best, least_cm, too_high: kill_cm !== null && least_cm > kill_cm });
    const others = fits.filter((f) => f !== best);
    if (others.length > 0) facts.push({ is: 'other-tools', fits: others });
    if (best.tool === 'mower' && ask.height_m > 0.5)
      facts.push({ is: 'mow-heights', heights_cm: mowingHeights(ask.height_m, Math.max(3, kill_cm ?? 4)) });
    const byHand = TOOLS[best.tool].rolls ? edgesOf(ask, facts) : 0;
    return (best.minutesPer100m2 * ask.bed.area_m2) / 100 + byHand;
  };

const BY_HAND = ['shears', 'sickle', 'scythe', 'hedge-trimmer'];

function laySheets(ask: WorkAsk, facts: Fact[], usual: number): number {
  const best = layings(ask.bed, ask.sheets)[0];
  if (!best) {
    facts.push({ is: 'no-sheet', ...neededFor(ask.bed) });
    return usual;
  }
  const weights = weightsFor(best.width_m, best.length_m, ask.wind.gust_km_h, ask.wind.exposure);
  facts.push({
    is: 'sheets',
    names: best.sheets.map((s) => s.name),
    turned: best.turned,
    lap_m: best.lap_m,
    hang_m: best.hang_m,
    times: Math.max(...best.sheets.map(sheetTimes)),
    weights,
    gust_km_h: ask.wind.gust_km_h,
  });
  return usual + weights.points * WEIGHT_MIN;
}

function press(ask: WorkAsk, facts: Fact[], usual: number): number {
  const board = ask.boards[0];
  if (!board) return usual;
  const p = pressing(ask.bed, board, ask.person.mass_kg, ask.stand);
  facts.push({
    is: 'press',
    board: board.name,
    edges: board.edges,
    mass_kg: ask.person.mass_kg,
    pressing: p,
  });
  const byHand = ask.bed.edged ? edgesOf(ask, facts) : 0;
  const skill = ask.person.skill === 'beginner' ? 1.4 : ask.person.skill === 'expert' ? 0.8 : 1;
  return p.minutesAPass * skill + byHand;
}

const animals =
  (animal: AnimalKind, does: Maker): Maker =>
  (ask, facts, usual) => {
    const minutes = does(ask, facts, usual);
    for (const { figures } of ask.stand) {
      const harm = figures.harms?.[animal] ?? 0;
      if (harm > 0) facts.push({ is: 'harm', speciesId: figures.id, animal, harm });
    }
    return minutes;
  };

function hens(ask: WorkAsk, facts: Fact[], usual: number): number {
  const pen = ask.pens[0];
  if (!pen) return usual;
  const target = ask.dm_g_m2 < SOFT_G_M2 ? SOFT_HEN_DAYS : ROUND_HEN_DAYS_M2;
  const plan = penPlan(ask.bed.area_m2, pen, target);
  facts.push({ is: 'hens', name: pen.name, hens: pen.hens, pen: plan, target });
  return plan.spots * plan.minutesAMove + plan.roundDays * plan.minutesADay;
}

const flock =
  (of: Flock['of']): Maker =>
  (ask, facts, usual) => {
    const found = ask.flocks.find((f) => f.of === of);
    if (!found) return usual;
    const days = (ask.bed.area_m2 * HEAD_DAYS_PER_M2[of]) / found.heads;
    facts.push({ is: 'flock', name: found.name, days, heads: found.heads });
    return usual + days * 10;
  };

function dig(ask: WorkAsk, facts: Fact[]): number {
  const { texture, area_m2, width_m } = ask.bed;
  const minutes = digMinutes(area_m2, texture, false);
  facts.push({ is: 'dig', minutes, full: digMinutes(area_m2, texture, true) });
  rots(ask, facts);
  if (ask.stand.some((s) => s.figures.biofumigant)) {
    const batch_m2 = Math.min(area_m2, biofumigantBatch_m2(texture));
    facts.push({ is: 'biofumigate', batch_m2, along_m: batch_m2 / width_m });
  }
  return minutes;
}

function rots({ rots: r }: WorkAsk, facts: Fact[]): void {
  if (r && Number.isFinite(r.cn) && r.cn > 0) facts.push({ is: 'rots', ...r });
}

/** Depth of compost that smothers a cut stand, cm. */
const COMPOST_CM = 10;

const MAKE: Record<string, Maker> = {
  cut: blades(BY_HAND),
  mow: blades(['mower', 'string-trimmer']),
  flail: blades(['flail-mower']),
  'mow-high': (ask, facts, usual) => {
    const { keep_cm } = stubble_cm(ask.stand);
    if (keep_cm > 0) facts.push({ is: 'keep-height', cm: keep_cm });
    return usual;
  },
  crimp: press,
  'lay-sheet': laySheets,
  'lay-film': (ask, facts, usual) => {
    const { litres, l_m2, runs, minutes } = wetting(ask.bed.area_m2, ask.bed.texture, ask.flow_l_min);
    facts.push({ is: 'wet', litres, l_m2, runs, minutes });
    if (ask.film_d !== undefined)
      facts.push({ is: 'film-days', bright_d: ask.film_d, afternoon_c: ask.afternoon_c });
    return usual + (minutes ?? 0);
  },
  'lay-cardboard': (ask, facts) => {
    const { minutes, ...board } = cardboard(ask.bed.area_m2);
    facts.push({ is: 'cardboard', ...board });
    return minutes + ask.bed.area_m2 * 0.4;
  },
  hens: animals('poultry', hens),
  pigs: animals('pigs', flock('pig-fence')),
  graze: animals('stock', flock('stock-fence')),
  dig: (ask, facts, usual) => (ask.kit.includes('spade') ? dig(ask, facts) : usual),
  bury: (ask, facts) => {
    const minutes = dig(ask, facts);
    facts.push({ is: 'trench', litres: firstTrench_l(ask.bed.width_m) });
    return minutes * 1.2;
  },
  'compost-over': (ask, facts) => {
    const { minutes, ...load } = spread(ask.bed.area_m2, COMPOST_CM);
    facts.push({ is: 'compost', ...load });
    return minutes;
  },
};

/** Things that some step of a way of ending keeps busy, by the kind of thing. */
export const NEEDS_THING: Partial<Record<string, readonly string[]>> = {
  'lay-sheet': ['opaque-sheet'],
  'lay-film': ['clear-film'],
  crimp: ['crimper-board'],
  hens: ['hen-pen'],
  pigs: ['pig-fence'],
  graze: ['stock-fence'],
  mow: ['mower', 'string-trimmer'],
  flail: ['flail-mower'],
  flame: ['flame-weeder'],
};
