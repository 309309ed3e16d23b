import { bestWay } from '../plan/search.ts';
import { type MethodHere } from '../termination/method.ts';
import { deal } from './deal.ts';
import { type GrownCover, keepsBusy, type Option, optionOf } from './option.ts';
import { type LyingKind, type Proposal, type ShareChange, type ShareInput } from './types.ts';

// What is weighed: the covers with their grown years, each with the plan it has, and the other plans it could have.

/** Days by which a plan is tried earlier and later. */
const SHIFTS_D = [-28, -21, -14, -10, -7, -4, 4, 7, 10, 14, 21, 28];
/** Ways other than the planned one that are held up against it. */
const OTHER_WAYS = 2;

export interface Table {
  input: ShareInput;
  grown: Map<string, GrownCover>;
  options: Map<string, Option>;
}

/** Clashes that are left with some options changed, and things added. */
export function leftWith(table: Table, changed: Map<string, Option>, things = table.input.things) {
  const options = new Map(table.options);
  for (const [id, o] of changed) options.set(id, o);
  return deal(options, things);
}

/** Of each kind and cover the cheapest, and no more than a gardener reads. */
const MOST_SHOWN = 6;
export function thinned(all: Proposal[]): Proposal[] {
  const seen = new Set<string>();
  return all
    .filter((p) => {
      const key = `${p.kind} ${p.changes.map((c) => `${c.coverId}${p.kind === 'other-way' ? c.method : ''}`).join()}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .slice(0, MOST_SHOWN);
}

/** The same way on other days, between today and planting. */
export function movedOptions({ input }: Table, grown: GrownCover, option: Option): Option[] {
  const last = grown.standing.fromDay + grown.standing.plan.plantAt - 1;
  return SHIFTS_D.map((d) => option.plan.startDay + d)
    .filter((d) => d >= input.today && d > grown.cover.asked.sowDay && d <= last)
    .map((d) => optionOf(grown, option.method, d, option.plan.after_d));
}

/** Other ways at hand that do not keep `busy` what is missing, on their best days. */
export function otherWays({ input }: Table, grown: GrownCover, option: Option, busy?: LyingKind): Option[] {
  const { cover, standing } = grown;
  const able = cover.asked.methods.filter(
    (m) =>
      m.missing.length === 0 &&
      m.proposed !== false &&
      m.id !== option.method.id &&
      (busy === undefined || !keepsBusy(m).includes(busy)),
  );
  const options: Option[] = [];
  let left: MethodHere[] = able;
  for (let k = 0; k < OTHER_WAYS && left.length > 0; k++) {
    const best = bestWay(
      standing.soFar,
      left,
      cover.aims,
      undefined,
      Math.max(0, input.today - standing.fromDay),
    );
    if (!best) break;
    const method = left.find((m) => m.id === best.method)!;
    left = left.filter((m) => m !== method);
    options.push(
      optionOf(
        grown,
        method,
        standing.fromDay + best.start,
        method.passes.map((p) => p.after_d),
      ),
    );
  }
  return options;
}

export function changeOf(
  before: Option,
  after: Option,
  uses: { coverId: string; thingIds: string[] }[],
): ShareChange {
  const mine = uses.filter((u) => u.coverId === after.cover.id).flatMap((u) => u.thingIds);
  return {
    coverId: after.cover.id,
    bed: after.cover.bed,
    method: after.method.id,
    startDay: after.plan.startDay,
    after_d: after.plan.after_d,
    plantBy_d: after.plantBy_d,
    thingIds: mine,
    before: before.told,
    after: after.told,
    ending: after.ending,
  };
}

/** Share of years in which all of them are ready. */
export function allReadyOf(options: Option[]): number {
  const n = options[0]?.ready.length ?? 0;
  let all = 0;
  for (let y = 0; y < n; y++) if (options.every((o) => o.ready[y] === 1)) all++;
  return n > 0 ? all / n : 0;
}
