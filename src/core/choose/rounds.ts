import { type AimStrands } from '../aims/aims.ts';
import { type CourseRoom } from '../plan/grown.ts';
import { GLANCE, QUICK } from '../plan/search.ts';
import { AHEAD_D } from '../plan/span.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { temperatureShare } from '../stand/emergence.ts';
import { type ChooseInput, gapEnsemble, sampleFor } from './choose.ts';
import { hang, rankSamples } from './rank.ts';
import { type Candidate, type Hint, hintOf, type Sample } from './sample.ts';

/**
 * How many years each round looks at: all covers on a few, the better half on more, what could be among the first dozen kinds of answer on all.
 * All covers meet the same years, so that few tell them apart.
 */
const FIRST_ROUND_YEARS = 10;
export const SECOND_ROUND_YEARS = 30;
/** Kinds of answer that are settled on all years, and how far below the last of them a cover may come out in a round and still go on to the next. */
const SETTLED_KINDS = 12;
const FIRST_MARGIN = 0.1;
const SECOND_MARGIN = 0.04;

/** Two rounds over all candidates, likely ones first, so that a screen can show them as they come; a later part of the same id replaces an earlier one. */
export function* roughSamples(
  input: ChooseInput,
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Generator<Sample, Sample[]> {
  const found = new Map<string, Sample>();
  for (const candidate of inLikelyOrder(input, ensemble)) {
    const sample = sampleFor(candidate, input, ensemble, room, { years: FIRST_ROUND_YEARS, effort: GLANCE });
    found.set(candidate.id, sample);
    yield sample;
  }
  for (const { id } of couldLead([...found.values()], input.aims, FIRST_MARGIN)) {
    const { sowDay, years } = found.get(id)!;
    if (years >= input.years) continue;
    const candidate = input.candidates.find((c) => c.id === id)!;
    const sample = sampleFor(candidate, input, ensemble, room, {
      years: SECOND_ROUND_YEARS,
      effort: QUICK,
      hint: { sowDay },
    });
    found.set(id, sample);
    yield sample;
  }
  return [...found.values()];
}

/** Settles covers on all years, in the order given. */
export function* settleSamples(
  input: ChooseInput,
  hints: Hint[],
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Generator<Sample, void> {
  for (const hint of hints) {
    const candidate = input.candidates.find((c) => c.id === hint.id);
    if (candidate) yield sampleFor(candidate, input, ensemble, room, { hint });
  }
}

/** Samples that are not settled yet and could be among the first kinds of answer, best first. */
export const worthSettling = (samples: Sample[], aims: AimStrands[], years: number): Sample[] =>
  couldLead(samples, aims, SECOND_MARGIN).filter((s) => s.years < years);

function couldLead(samples: Sample[], aims: AimStrands[], margin: number): Sample[] {
  const ranked = rankSamples(samples, aims);
  const heads = hang(ranked);
  const bar = (heads[SETTLED_KINDS - 1] ?? heads.at(-1))?.fit ?? 0;
  return ranked.filter((r) => r.fit >= bar - margin).map((r) => r.sample);
}

/** All samples of a gap, settled as far as they need be. */
export function chooseAll(
  input: ChooseInput,
  ensemble = gapEnsemble(input),
  room: CourseRoom = new Map(),
): Sample[] {
  const rough = finish(roughSamples(input, ensemble, room));
  const hints = worthSettling(rough, input.aims, input.years).map(hintOf);
  const settled = new Map([...settleSamples(input, hints, ensemble, room)].map((s) => [s.id, s]));
  return rough.map((s) => settled.get(s.id) ?? s);
}

function finish<T>(parts: Generator<unknown, T>): T {
  for (;;) {
    const next = parts.next();
    if (next.done) return next.value;
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
