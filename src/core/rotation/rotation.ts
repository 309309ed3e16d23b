import { streamOf } from '../random/stream.ts';
import { exp } from '../units/exact.ts';

// Which crop goes on which bed in the years to come. Rules are few, seen by the gardener, and bent only where nothing else fits.

/** A crop that is to be grown every year, as far as rotation asks of it. */
export interface Wanted {
  cropId: string;
  family: string;
  /** Years that its family should be away from a bed between two crops of it. */
  rest_y: number;
  hungry: boolean;
  /** Gives nitrogen to what follows. */
  gives: boolean;
  tender: boolean;
  /** Years that it bears on one bed, where it lives for more than one. */
  stays_y?: number | undefined;
}

export interface RotationBed {
  id: string;
  block: string;
  /** Families that stood here, with the years since: 0 for this year. */
  past: { family: string; yearsAgo: number }[];
  /** Hungry crops stood here this year. */
  hungryNow: boolean;
  /** Crop of this year, where one is known, and the years that it has stood here by its end. */
  cropNow?: string | undefined;
  stood_y?: number | undefined;
  /** Families that a trouble of this bed keeps off it. */
  barred: string[];
  shaded: boolean;
}

/** The place of a year of rest under a ley. */
export const REST = 'rest';

/** Rules of the gardener's own: this crop never on a bed, never after another, or only after another. */
export const OWN_RULES = ['not-on', 'not-after', 'only-after'] as const;
export interface OwnRule {
  kind: (typeof OWN_RULES)[number];
  cropId: string;
  /** The bed, or the crop of the year before. */
  than: string;
  /** Bent only where nothing else fits at all; else weighed against the other rules. */
  hard: boolean;
}

export type RuleId =
  | 'family'
  | 'family-at-once'
  | 'hungry-twice'
  | 'barred'
  | 'shade'
  | 'moved'
  | 'worn-out'
  | 'clean-first'
  | 'own'
  | 'own-hard';
/** A rule bent on a bed in a year (0 is the coming one). */
export interface Bent {
  rule: RuleId;
  bedId: string;
  year: number;
  cropId: string;
  /** Years since the family was there, for the two family rules. */
  after_y?: number;
  /** The rule of the gardener's own. */
  own?: OwnRule;
}

export type Style = 'fewest-bent' | 'sections' | 'with-rest';
export interface Plan {
  style: Style;
  /** Crop by year and bed, in the order of the beds that were given. */
  grid: string[][];
  bent: Bent[];
  /** Hungry crops that follow one that gives. */
  fed: number;
}

export interface RotationInput {
  beds: RotationBed[];
  /** One for each bed. */
  wanted: Wanted[];
  own?: OwnRule[];
  years: number;
  seed: number;
}

/** What it costs to bend a rule; a family back at once is worst, then a trouble fed. Judgement. */
const COST: Record<RuleId, number> = {
  'family-at-once': 12,
  barred: 30,
  family: 3,
  'hungry-twice': 1.5,
  shade: 2,
  moved: 8,
  'worn-out': 3,
  'clean-first': 1,
  own: 4,
  'own-hard': 60,
};
const FED = 0.8;
const MIXED_BLOCK = 0.7;
const RESTED = 3;
/** One bed in so many rests each year, where rests are planned. */
const ONE_RESTS_IN = 6;
const STEPS_A_CELL = 500;
const HOT = 6;

interface Sowed {
  family: string;
  at: number;
}

/** Rules bent on one bed through all years, and hungry crops that are fed. */
function judgeBed(
  bed: RotationBed,
  crops: (Wanted | null)[],
  own: readonly OwnRule[] = [],
): { bent: Bent[]; fed: number; rests: number } {
  const bent: Bent[] = [];
  const stood: Sowed[] = bed.past.map((p) => ({ family: p.family, at: -1 - p.yearsAgo }));
  let hungryBefore = bed.hungryNow;
  let givesBefore = false;
  let fed = 0;
  let rests = 0;
  let before = bed.cropNow;
  let stood_y = bed.stood_y ?? 1;
  crops.forEach((crop, year) => {
    if (!crop) {
      rests++;
      hungryBefore = false;
      // A year of clover is as good as a legume crop.
      givesBefore = true;
      before = REST;
      return;
    }
    const { stays_y = 1, cropId } = crop;
    const stays = stays_y > 1 && before === cropId;
    stood_y = stays ? stood_y + 1 : 1;
    if (stays && stood_y > stays_y) bent.push({ rule: 'worn-out', bedId: bed.id, year, cropId });
    if (stays_y > 1 && !stays && before !== undefined && before !== REST)
      bent.push({ rule: 'clean-first', bedId: bed.id, year, cropId });
    const last = Math.max(-Infinity, ...stood.filter((s) => s.family === crop.family).map((s) => s.at));
    const after_y = year - last;
    // What stays is no crop after itself.
    if (after_y <= crop.rest_y && !stays)
      bent.push({
        rule: after_y <= 1 ? 'family-at-once' : 'family',
        bedId: bed.id,
        year,
        cropId: crop.cropId,
        after_y,
      });
    if (crop.hungry && hungryBefore)
      bent.push({ rule: 'hungry-twice', bedId: bed.id, year, cropId: crop.cropId });
    if (bed.barred.includes(crop.family))
      bent.push({ rule: 'barred', bedId: bed.id, year, cropId: crop.cropId });
    if (bed.shaded && crop.tender) bent.push({ rule: 'shade', bedId: bed.id, year, cropId: crop.cropId });
    for (const rule of own)
      if (rule.cropId === crop.cropId && breaks(rule, bed.id, before))
        bent.push({
          rule: rule.hard ? 'own-hard' : 'own',
          bedId: bed.id,
          year,
          cropId: crop.cropId,
          own: rule,
        });
    before = crop.cropId;
    if (crop.hungry && givesBefore) fed++;
    hungryBefore = crop.hungry;
    givesBefore = crop.gives;
    stood.push({ family: crop.family, at: year });
  });
  return { bent, fed, rests };
}

/** Whether a crop there, after that one, is against a rule of the gardener's own. What nobody knows breaks none. */
function breaks({ kind, than }: OwnRule, bedId: string, before: string | undefined): boolean {
  if (kind === 'not-on') return than === bedId;
  if (before === undefined) return false;
  return kind === 'not-after' ? before === than : before !== than;
}

const costOf = ({ bent, fed, rests }: ReturnType<typeof judgeBed>, style: Style): number =>
  bent.reduce((s, b) => s + COST[b.rule], 0) -
  FED * fed -
  (style === 'with-rest' ? RESTED * Math.min(1, rests) : 0);

/**
 * Plantings of crops that live for years which were not due: of those that stood the year before, only as many may go elsewhere as have had their years.
 * A crop that stood nowhere is planted for the first time.
 */
function moved(beds: readonly RotationBed[], rows: readonly (readonly (Wanted | null)[])[]): Bent[] {
  const out: Bent[] = [];
  const kinds = new Map(rows.flat().flatMap((w) => (w && (w.stays_y ?? 1) > 1 ? [[w.cropId, w]] : [])));
  for (const [cropId, { stays_y = 1 }] of kinds) {
    // Years that it has stood on each bed; none where it does not stand.
    let ages = beds.map((b) => (b.cropNow === cropId ? (b.stood_y ?? 1) : 0));
    rows.forEach((row, year) => {
      const before = ages;
      ages = row.map((w, b) => (w?.cropId === cropId ? before[b]! + 1 : 0));
      const due = before.filter((y) => y >= stays_y).length;
      const anew = ages.flatMap((y, b) => (y === 1 ? [b] : []));
      if (before.some((y) => y > 0))
        for (const b of anew.slice(due)) out.push({ rule: 'moved', bedId: beds[b]!.id, year, cropId });
    });
  }
  return out;
}

/** Families in a block in one year beyond the first, which a plan by sections wants few of. */
function blockCost(beds: readonly RotationBed[], row: readonly (Wanted | null)[]): number {
  const families = new Map<string, Set<string>>();
  row.forEach((c, i) => {
    const block = beds[i]!.block;
    families.set(block, (families.get(block) ?? new Set()).add(c?.family ?? ''));
  });
  return [...families.values()].reduce((s, f) => s + f.size - 1, 0) * MIXED_BLOCK;
}

/**
 * Answers: which crop on which bed in the years to come? Crops of a year change places by simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) until
 * fewest rules are bent; the same seed gives the same plan.
 */
export function planRotation(input: RotationInput, style: Style): Plan {
  const { beds, wanted, years, own } = input;
  const stream = streamOf(input.seed + style.length * 7919);
  for (let k = 0; k < 16; k++) stream.uniform();
  const rests = style === 'with-rest' ? Math.max(1, Math.floor(beds.length / ONE_RESTS_IN)) : 0;
  // Where beds rest, the crops that would come back soonest to their family stand back in turn.
  const rows: (Wanted | null)[][] = Array.from({ length: years }, (_, y) => {
    const row: (Wanted | null)[] = [...wanted];
    for (let k = 0; k < rests; k++) row[(y * rests + k) % row.length] = null;
    return row;
  });
  const column = (b: number) => rows.map((r) => r[b]!);
  const bedCosts = beds.map((bed, b) => costOf(judgeBed(bed, column(b), own), style));
  const blocks = rows.map((r) => (style === 'sections' ? blockCost(beds, r) : 0));
  const someStay = wanted.some((w) => (w.stays_y ?? 1) > 1);
  const stayCost = () => (someStay ? moved(beds, rows).length * COST.moved : 0);
  let stayed = stayCost();
  const steps = Math.max(1, beds.length * years * STEPS_A_CELL);
  for (let k = 0; k < steps && beds.length > 1; k++) {
    const heat = HOT * exp((k / steps) * LN_COOLING);
    const y = Math.floor(stream.uniform() * years);
    const a = Math.floor(stream.uniform() * beds.length);
    const b = Math.floor(stream.uniform() * beds.length);
    const row = rows[y]!;
    if (a === b || row[a] === row[b]) continue;
    [row[a], row[b]] = [row[b]!, row[a]!];
    const costA = costOf(judgeBed(beds[a]!, column(a), own), style);
    const costB = costOf(judgeBed(beds[b]!, column(b), own), style);
    const block = style === 'sections' ? blockCost(beds, row) : 0;
    const stay = stayCost();
    const more = costA + costB + block + stay - bedCosts[a]! - bedCosts[b]! - blocks[y]! - stayed;
    if (more <= 0 || stream.uniform() < exp(-more / heat)) {
      bedCosts[a] = costA;
      bedCosts[b] = costB;
      blocks[y] = block;
      stayed = stay;
    } else [row[a], row[b]] = [row[b]!, row[a]!];
  }
  return {
    style,
    ...judge(
      input,
      rows.map((r) => r.map((c) => c?.cropId ?? REST)),
    ),
  };
}
/** From hot to cold over the whole run. */
const LN_COOLING = -4.787;

/** Judges a plan as it stands, whoever made it. */
export function judge(
  { beds, wanted, own }: Pick<RotationInput, 'beds' | 'wanted' | 'own'>,
  grid: string[][],
): Omit<Plan, 'style'> {
  const of = (id: string) => wanted.find((w) => w.cropId === id) ?? null;
  const each = beds.map((bed, b) =>
    judgeBed(
      bed,
      grid.map((row) => of(row[b]!)),
      own,
    ),
  );
  const astray = moved(
    beds,
    grid.map((row) => row.map(of)),
  );
  return {
    grid,
    bent: [...each.flatMap((e) => e.bent), ...astray].sort(
      (a, b) => a.year - b.year || COST[b.rule] - COST[a.rule],
    ),
    fed: each.reduce((s, e) => s + e.fed, 0),
  };
}

/** Three plans that differ in kind. */
export const planRotations = (input: RotationInput): Plan[] =>
  (['fewest-bent', 'sections', 'with-rest'] as const)
    .filter((s) => s !== 'sections' || new Set(input.beds.map((b) => b.block)).size > 1)
    .map((s) => planRotation(input, s));
