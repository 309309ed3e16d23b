// Rules of rotation: few, seen by the gardener, and bent only where nothing else fits.

/** A crop, as far as rotation asks of it. */
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
  /** The last crop of this year is hungry. */
  hungryNow: boolean;
  /** Last crop of this year, where one is known, and the years that it has stood here by its end. */
  cropNow?: string | undefined;
  stood_y?: number | undefined;
  /** Families that a trouble of this bed keeps off it. */
  barred: string[];
  shaded: boolean;
}

/** The crops of a bed in one year, in the order in which they stand there: they keep together when they change places. */
export type Turn = readonly string[];

/** A year under a ley. */
export const REST: Turn = [];
/** What stood before, where that was a ley. */
const LEY = 'ley';

/** Rules of the gardener's own: this crop never on a bed, never after another, or only after another. */
export const OWN_RULES = ['not-on', 'not-after', 'only-after'] as const;
export interface OwnRule {
  kind: (typeof OWN_RULES)[number];
  cropId: string;
  /** The bed, or the crop that stood before it. */
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
  after_y?: number | undefined;
  /** The rule of the gardener's own. */
  own?: OwnRule | undefined;
}

/** Rules that the gardener takes more or less seriously than is usual: before all others, or not at all. */
export const FORCED_RULES = [
  'family',
  'family-at-once',
  'hungry-twice',
  'barred',
  'shade',
  'moved',
  'worn-out',
  'clean-first',
] as const satisfies readonly RuleId[];
export type ForcedRule = (typeof FORCED_RULES)[number];
export const FORCES = ['hard', 'off'] as const;
export type Forces = Partial<Record<RuleId, (typeof FORCES)[number] | undefined>>;

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
/** What a bent rule costs here; one that is left out never comes so far. */
export const costBent = (rule: RuleId, forces: Forces): number =>
  forces[rule] === 'hard' ? COST['own-hard'] : COST[rule];
const FED = 0.8;
const MIXED_BLOCK = 0.7;
const RESTED = 3;
interface Sowed {
  family: string;
  at: number;
}

/** What bent rules cost on a bed, hungry crops that are fed, and years of rest. */
interface BedJudged {
  cost: number;
  fed: number;
  rests: number;
}

/**
 * Rules bent on one bed through all years. Asked by the hundred thousand while crops change places: no function inside it, and what is bent is told only to who
 * wants to hear it.
 * @param told is written to: every rule that is bent
 */
export function judgeBed(
  bed: RotationBed,
  turns: readonly (readonly Wanted[])[],
  own: readonly OwnRule[] = [],
  forces: Forces = {},
  told?: Bent[],
): BedJudged {
  let cost = 0;
  const stood: Sowed[] = bed.past.map((p) => ({ family: p.family, at: -1 - p.yearsAgo }));
  let hungryBefore = bed.hungryNow;
  let givesBefore = false;
  let fed = 0;
  let rests = 0;
  let before = bed.cropNow;
  let stood_y = bed.stood_y ?? 1;
  for (let year = 0; year < turns.length; year++) {
    const turn = turns[year]!;
    if (turn.length === 0) {
      rests++;
      hungryBefore = false;
      // A year of clover is as good as a legume crop.
      givesBefore = true;
      before = LEY;
    }
    for (const crop of turn) {
      const { stays_y = 1, cropId } = crop;
      const stays = stays_y > 1 && before === cropId;
      stood_y = stays ? stood_y + 1 : 1;
      if (stays && stood_y > stays_y) cost += bend(told, forces, 'worn-out', bed, year, cropId);
      if (stays_y > 1 && !stays && before !== undefined && before !== LEY)
        cost += bend(told, forces, 'clean-first', bed, year, cropId);
      const after_y = year - lastOf(stood, crop.family);
      // What stays is no crop after itself.
      if (after_y <= crop.rest_y && !stays)
        cost += bend(told, forces, after_y <= 1 ? 'family-at-once' : 'family', bed, year, cropId, after_y);
      if (crop.hungry && hungryBefore) cost += bend(told, forces, 'hungry-twice', bed, year, cropId);
      if (bed.barred.includes(crop.family)) cost += bend(told, forces, 'barred', bed, year, cropId);
      if (bed.shaded && crop.tender) cost += bend(told, forces, 'shade', bed, year, cropId);
      for (const rule of own)
        if (rule.cropId === cropId && breaks(rule, bed.id, before))
          cost += bend(told, forces, rule.hard ? 'own-hard' : 'own', bed, year, cropId, undefined, rule);
      before = cropId;
      if (crop.hungry && givesBefore) fed++;
      hungryBefore = crop.hungry;
      givesBefore = crop.gives;
      stood.push({ family: crop.family, at: year });
    }
  }
  return { cost, fed, rests };
}

/** What bending it costs here; it is told where somebody listens. */
function bend(
  told: Bent[] | undefined,
  forces: Forces,
  rule: RuleId,
  bed: RotationBed,
  year: number,
  cropId: string,
  after_y?: number,
  own?: OwnRule,
): number {
  if (forces[rule] === 'off') return 0;
  told?.push({ rule, bedId: bed.id, year, cropId, after_y, own });
  return costBent(rule, forces);
}

/** Year in which a family stood last; long ago where it never did. */
function lastOf(stood: readonly Sowed[], family: string): number {
  let last = -Infinity;
  for (const s of stood) if (s.family === family && s.at > last) last = s.at;
  return last;
}

/** Whether a crop there, after that one, is against a rule of the gardener's own. What nobody knows breaks none. */
function breaks({ kind, than }: OwnRule, bedId: string, before: string | undefined): boolean {
  if (kind === 'not-on') return than === bedId;
  if (before === undefined) return false;
  return kind === 'not-after' ? before === than : before !== than;
}

export const costOf = ({ cost, fed, rests }: BedJudged, style: Style): number =>
  cost - FED * fed - (style === 'with-rest' ? RESTED * Math.min(1, rests) : 0);

/**
 * Plantings of crops that live for years which were not due: of those that stood the year before, only as many may go elsewhere as have had their years.
 * A crop that stood nowhere is planted for the first time.
 */
export function moved(
  beds: readonly RotationBed[],
  rows: readonly (readonly (readonly Wanted[])[])[],
  forces: Forces = {},
): Bent[] {
  const out: Bent[] = [];
  if (forces.moved === 'off') return out;
  const kinds = new Map(rows.flat(2).flatMap((w) => ((w.stays_y ?? 1) > 1 ? [[w.cropId, w]] : [])));
  for (const [cropId, { stays_y = 1 }] of kinds) {
    // Years that it has stood on each bed; none where it does not stand.
    let ages = beds.map((b) => (b.cropNow === cropId ? (b.stood_y ?? 1) : 0));
    rows.forEach((row, year) => {
      const before = ages;
      ages = row.map((turn, b) => (turn.some((w) => w.cropId === cropId) ? before[b]! + 1 : 0));
      const due = before.filter((y) => y >= stays_y).length;
      const anew = ages.flatMap((y, b) => (y === 1 ? [b] : []));
      if (before.some((y) => y > 0))
        for (const b of anew.slice(due)) out.push({ rule: 'moved', bedId: beds[b]!.id, year, cropId });
    });
  }
  return out;
}

/** Families in a block in one year beyond the first, which a plan by sections wants few of; a rest counts as one. */
export function blockCost(
  beds: readonly RotationBed[],
  row: readonly (readonly Pick<Wanted, 'family'>[])[],
): number {
  const families = new Map<string, Set<string>>();
  row.forEach((turn, i) => {
    const { block } = beds[i]!;
    const there = families.get(block) ?? new Set<string>();
    if (turn.length === 0) there.add('');
    for (const { family } of turn) there.add(family);
    families.set(block, there);
  });
  return [...families.values()].reduce((s, f) => s + f.size - 1, 0) * MIXED_BLOCK;
}

/** A grid of crops with what it bends. */
export interface Judged {
  /** Crops by year and bed, in the order of the beds that were given. */
  grid: Turn[][];
  bent: Bent[];
  /** Hungry crops that follow one that gives. */
  fed: number;
}

/** What a turn asks, crop by crop. A crop that nobody has facts about asks nothing. */
export const askedBy = (crops: readonly Wanted[]): ((turn: Turn) => Wanted[]) => {
  const known = new Map(crops.map((c) => [c.cropId, c]));
  return (turn) => turn.flatMap((id) => known.get(id) ?? []);
};

/** Judges a plan as it stands, whoever made it. */
export function judge(
  {
    beds,
    crops,
    own,
    forces = {},
  }: { beds: RotationBed[]; crops: readonly Wanted[]; own?: OwnRule[]; forces?: Forces | undefined },
  grid: Turn[][],
): Judged {
  const asks = askedBy(crops);
  const rows = grid.map((row) => row.map(asks));
  const told: Bent[] = [];
  const each = beds.map((bed, b) =>
    judgeBed(
      bed,
      rows.map((row) => row[b]!),
      own,
      forces,
      told,
    ),
  );
  return {
    grid,
    bent: [...told, ...moved(beds, rows, forces)].sort(
      (a, b) => a.year - b.year || costBent(b.rule, forces) - costBent(a.rule, forces),
    ),
    fed: each.reduce((s, e) => s + e.fed, 0),
  };
}
