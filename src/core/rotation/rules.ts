// Rules of rotation: few, seen by the gardener, and bent only where nothing else fits.

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
/** What it costs to bend a rule; a family back at once is worst, then a trouble fed. Judgement. */
export const COST: Record<RuleId, number> = {
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
interface Sowed {
  family: string;
  at: number;
}

/** Rules bent on one bed through all years, and hungry crops that are fed. */
export function judgeBed(
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

export const costOf = ({ bent, fed, rests }: ReturnType<typeof judgeBed>, style: Style): number =>
  bent.reduce((s, b) => s + COST[b.rule], 0) -
  FED * fed -
  (style === 'with-rest' ? RESTED * Math.min(1, rests) : 0);

/**
 * Plantings of crops that live for years which were not due: of those that stood the year before, only as many may go elsewhere as have had their years.
 * A crop that stood nowhere is planted for the first time.
 */
export function moved(beds: readonly RotationBed[], rows: readonly (readonly (Wanted | null)[])[]): Bent[] {
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
export function blockCost(beds: readonly RotationBed[], row: readonly (Wanted | null)[]): number {
  const families = new Map<string, Set<string>>();
  row.forEach((c, i) => {
    const block = beds[i]!.block;
    families.set(block, (families.get(block) ?? new Set()).add(c?.family ?? ''));
  });
  return [...families.values()].reduce((s, f) => s + f.size - 1, 0) * MIXED_BLOCK;
}

/** A grid of crops with what it bends. */
export interface Judged {
  /** Crop by year and bed, in the order of the beds that were given. */
  grid: string[][];
  bent: Bent[];
  /** Hungry crops that follow one that gives. */
  fed: number;
}

/** Judges a plan as it stands, whoever made it. */
export function judge(
  { beds, wanted, own }: { beds: RotationBed[]; wanted: Wanted[]; own?: OwnRule[] },
  grid: string[][],
): Judged {
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
