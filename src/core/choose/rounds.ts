import { type AimStrands } from '../aims/aims.ts';
import { type CourseRoom } from '../plan/grown.ts';
import { keptWorth } from '../plan/endings.ts';
import { GLANCE, QUICK } from '../plan/search.ts';
import { AHEAD_D } from '../plan/span.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { temperatureShare } from '../stand/emergence.ts';
import { gapEnsemble, sampleFor } from './choose.ts';
import { type ChooseInput } from './input.ts';
import { hang, type Ranked, rankSamples } from './rank.ts';
import { type Candidate, type Hint, type Sample } from './sample.ts';

/**
 * How many years a cover is looked at: all covers on a few, those in doubt on more, what could be among the first dozen kinds of answer on all.
 * All covers meet the same years, so that few tell them apart.
 */
const FIRST_ROUND_YEARS = 10;
const SECOND_ROUND_YEARS = 30;
/** Where all years are not so many times more, what is in doubt is settled at once. */
const WORTH_A_ROUND = 3;
/** Kinds of answer that are settled on all years; the first of them before the others, since they are what is looked at first. */
const SETTLED_KINDS = 12;
const SURE_KINDS = 8;
/** How far below the last of them a cover may come out in a round and still go on to the next. */
const FIRST_MARGIN = 0.07;
const SECOND_MARGIN = 0.02;

/** All candidates on a few years, likely ones first, so that a screen can show them as they come. */
export function* roughSamples(
  input: ChooseInput,
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Generator<Sample, void> {
  const best: number[] = [];
  const hopeful = (score: number) => {
    best.push(score);
    best.sort((a, b) => b - a);
    return score >= (best[HELD_AGAINST - 1] ?? 0) * HOPEFUL;
  };
  for (const candidate of inLikelyOrder(input, ensemble))
    yield sampleFor(candidate, input, ensemble, room, { years: FIRST_ROUND_YEARS, effort: GLANCE, hopeful });
}
/** What comes to less than this share of the eighth best so far at first sight is not looked at longer. */
const HELD_AGAINST = 8;
const HOPEFUL = 0.5;

/** Looks at covers again on the years their hints ask for, in the order given. */
export function* settleSamples(
  input: ChooseInput,
  hints: Hint[],
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Generator<Sample, void> {
  for (const hint of hints) {
    const candidate = input.candidates.find((c) => c.id === hint.id);
    if (candidate)
      yield sampleFor(candidate, input, ensemble, room, { hint, years: hint.years, effort: QUICK });
  }
}

/**
 * What to look at again and on how many years, in order; nothing once all that could be among the first kinds of answer is settled. Ask again
 * with what came of it. The kinds that are looked at first come first: what could be among them is looked at a little longer, then they are
 * settled; then so the rest of the dozen.
 * @param inHand covers that are being looked at, with how many years: they are taken to come out as they stand, so that no hand is idle meanwhile
 */
export function nextLooks(
  samples: Sample[],
  aims: AimStrands[],
  years: number,
  inHand: ReadonlyMap<string, number> = new Map(),
): Hint[] {
  const heads = hang(rankSamples(samples, aims));
  const few = years < WORTH_A_ROUND * SECOND_ROUND_YEARS ? years : SECOND_ROUND_YEARS;
  const seen = (s: Sample) => Math.max(s.years, inHand.get(s.id) ?? 0);
  const bar = (kinds: number) => (heads[kinds - 1] ?? heads.at(-1))?.fit ?? 0;
  /** Those that were seen on fewer years and that no hand has now. */
  const on = (wanted: number, some: Ranked[]): Hint[] =>
    some
      .filter(({ sample }) => seen(sample) < wanted && !inHand.has(sample.id))
      .map(({ sample: { id, sowDay } }) => ({ id, sowDay, years: wanted }));
  // One that stands behind another of its kind has only that to overtake, unless another way is as good for it: by that it may hang on its own.
  const inDoubt = (kinds: number, margin: number): Ranked[] =>
    heads.flatMap((head) =>
      [head, ...head.behind].filter(
        (r) =>
          r.fit >= Math.max(bar(kinds), head.fit) - margin ||
          (r.fit >= bar(kinds) && r.sample.years < few && mayTurn(r.sample, aims)),
      ),
    );
  // What stands so far above the last of them that a longer look cannot put it out is settled at once, unless another of its kind may yet overtake it.
  const clear = heads
    .slice(0, SURE_KINDS)
    .filter((h) => h.fit >= bar(SURE_KINDS) + FIRST_MARGIN)
    .filter((h) => h.behind.every((b) => b.fit < h.fit - FIRST_MARGIN));
  const doubted = inDoubt(SURE_KINDS, FIRST_MARGIN).filter((r) => clear.every((h) => h.sample !== r.sample));
  const first = on(few, doubted);
  if (first.length > 0) return [...first, ...on(years, clear)];
  const sure = on(years, heads.slice(0, SURE_KINDS));
  const next = on(few, inDoubt(SETTLED_KINDS, FIRST_MARGIN));
  // Where few are left that all wait for, there is a hand free for what comes next.
  if (sure.length > 0) return sure.length < HANDS_FULL ? [...sure, ...next] : sure;
  if (next.length > 0) return next;
  return on(years, inDoubt(SETTLED_KINDS, SECOND_MARGIN));
}
/** Whether a second way comes so near the one that is put forward that more years may choose it. */
function mayTurn({ endings, usable, best, fixed }: Sample, aims: AimStrands[]): boolean {
  if (!best || fixed) return false;
  const near = keptWorth(best, aims) - SECOND_MARGIN;
  return endings.some(
    (e) => e.method !== best.method && usable.includes(e.method) && keptWorth(e, aims) >= near,
  );
}

/** So many covers keep two workers busy. */
const HANDS_FULL = 4;

/** All samples of a gap, settled as far as they need be. */
export function chooseAll(
  input: ChooseInput,
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Sample[] {
  const found = new Map([...roughSamples(input, ensemble, room)].map((s) => [s.id, s]));
  for (;;) {
    const hints = nextLooks([...found.values()], input.aims, input.years);
    if (hints.length === 0) return [...found.values()];
    for (const s of settleSamples(input, hints, ensemble, room)) found.set(s.id, s);
  }
}

/** Covers whose seed comes up in this ground before those whose seed does not. */
function inLikelyOrder(input: ChooseInput, ensemble: Ensemble): Candidate[] {
  ensemble.upTo(LIKELY_YEARS);
  const years = ensemble.seasons.slice(0, LIKELY_YEARS);
  let soil_c = 0;
  for (const s of years)
    for (let d = AHEAD_D; d < AHEAD_D + 14; d++) soil_c += s.soil_c[d]! / (14 * years.length);
  const likely = (c: Candidate) => Math.min(...c.members.map((m) => temperatureShare(m.species, soil_c)));
  return [...input.candidates].sort((a, b) => likely(b) - likely(a));
}
const LIKELY_YEARS = 8;
