import { formOf as kindOf, membersOf, mixes } from '../../src/catalogue/catalogue.ts';
import { dayOf } from '../../src/core/calendar/day.ts';
import { type Sample } from '../../src/core/choose/sample.ts';
import { type Situation } from './situation.ts';

/** One thing that a good adviser would want of the answer, and whether it holds. */
export interface Expectation {
  what: string;
  holds: boolean;
}

/** A sample answers in the spirit of a named cover when this share of it are kinds that occur in that cover. */
const ALIKE_SHARE = 0.6;
const FIRST = 5;
const LEAST_IN_TIME = 0.5;

/** Kinds of a cover named by its id: of a mix its members, else itself; a hardier or more tender form counts as the same kind. */
function kindsIn(coverId: string): Set<string> {
  const mix = mixes.find((m) => m.id === coverId);
  return new Set((mix ? membersOf(mix.members).map((m) => m.species.id) : [coverId]).map(kindOf));
}

/** Whether a sample is the named cover, or six tenths of it by share are kinds that occur in it. */
function like(sample: Sample, coverId: string): boolean {
  if (sample.id === coverId) return true;
  const kinds = kindsIn(coverId);
  const share = sample.parts.reduce((sum, p) => sum + (kinds.has(kindOf(p.speciesId)) ? p.share : 0), 0);
  return share >= ALIKE_SHARE - 1e-9;
}

/** Every expectation of a situation against the samples in the order in which they hang. */
export function judge({ expect: e }: Situation, hung: Sample[]): Expectation[] {
  const first = hung.slice(0, FIRST);
  const lead = first[0];
  const out: Expectation[] = [];
  const want = (what: string, holds: boolean) => out.push({ what, holds });
  want(
    `one of ${e.goodInFirst5.join(' ')} among the first ${FIRST}`,
    first.some((s) => e.goodInFirst5.some((id) => like(s, id))),
  );
  const poor = first.filter((s) => e.poorInFirst5.includes(s.id)).map((s) => s.id);
  want(
    `none of ${e.poorInFirst5.join(' ')} among them${poor.length ? `: ${poor.join(' ')}` : ''}`,
    poor.length === 0,
  );
  for (const way of e.endingsNeverPutForward)
    want(
      `${way} is not put forward`,
      first.every((s) => s.best?.method !== way),
    );
  const odds = lead?.best?.odds.inTime ?? 0;
  want(`the first is in time in half of the years: ${odds.toFixed(2)}`, odds >= LEAST_IN_TIME);
  const { oneOf, notOneOf, startAfter, startBefore } = e.firstEnding;
  const method = lead?.best?.method;
  if (oneOf) want(`the first ends by ${oneOf.join(' or ')}`, method !== undefined && oneOf.includes(method));
  if (notOneOf)
    want(`the first does not end by ${notOneOf.join(', ')}`, !method || !notOneOf.includes(method));
  const start = lead?.best?.startDay ?? Number.NaN;
  if (startAfter) want(`its ending begins after ${startAfter}`, start > dayOf(startAfter));
  if (startBefore) want(`its ending begins before ${startBefore}`, start < dayOf(startBefore));
  return out;
}
