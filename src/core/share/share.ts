import { isReliedOn } from '../known/ways.ts';
import { AFTER_PLANTING_D, AHEAD_D, YEARS_SEED } from '../plan/span.ts';
import { observedDays, standIn } from '../plan/standing.ts';
import { type Ensemble, makeEnsemble } from '../stand/ensemble.ts';
import { neededFor, layings, together } from '../work/sheets.ts';
import { boardOf, deal, neighbours, PATH_M } from './deal.ts';
import { easeWeek, overWeeks, weeksOf } from './hours.ts';
import { begunOption, freshly, keepsBusy, type Option, optionOf } from './option.ts';
import { allReadyOf, changeOf, leftWith, movedOptions, otherWays, type Table, thinned } from './table.ts';
import {
  type Clash,
  type Proposal,
  type ShareAnswer,
  type ShareChange,
  type ShareInput,
  type SolvedClash,
} from './types.ts';

/** Days by which planting is tried later. */
const PLANT_LATER_D = [7, 14, 21];
/** Borrowing or buying costs something too, in worth. */
const BORROW_COSTS = 0.02;
/** A planting that slips is dearer than a way that serves a little less, by so much a week. */
const WEEK_LATER_COSTS = 0.015;
const MOST_ROUNDS = 24;

/**
 * Answers: what lies where, where do two beds want the same thing, and what would solve it at the least cost to both?
 * All covers grow through the same years, so that odds of several beds together are counted and not multiplied. Pure; years are drawn from the seed that
 * every screen uses. Parts come as they are found: the board first, then the proposals of one clash after the other.
 */
export function* shareOut(input: ShareInput): Generator<ShareAnswer, ShareAnswer> {
  const table: Table = { input, grown: new Map(), options: new Map() };
  const ensemble = commonYears(input);
  for (const cover of input.covers) {
    const method = cover.asked.methods.find((m) => m.id === cover.plan?.method);
    if (method && keepsBusy(method).length > 0) growInto(table, cover, ensemble);
  }
  const dealt = deal(table.options, input.things);
  const answer: ShareAnswer = {
    board: boardOf(dealt, input.things, table.options, input.covers),
    clashes: dealt.clashes.map((clash) => ({ clash, proposals: [] })),
    allAtOnce: undefined,
    weeks: weeksOf(input, table.options),
    hoursAWeek: input.hoursAWeek,
  };
  yield answer;
  let solved: SolvedClash[] = [];
  for (const clash of dealt.clashes) {
    solved = [...solved, { clash, proposals: proposalsFor(table, clash, dealt.clashes.length) }];
    yield { ...answer, clashes: dealt.clashes.map((c, i) => solved[i] ?? { clash: c, proposals: [] }) };
  }
  const done: ShareAnswer = {
    ...answer,
    clashes: solved,
    allAtOnce: solveAll(table, dealt.clashes),
  };
  yield done;
  yield* eased(table, done, ensemble);
  return done;
}

/** Ways round for the weeks that ask for more hours than there are, one week after the other. */
function* eased(table: Table, done: ShareAnswer, ensemble: Ensemble): Generator<ShareAnswer> {
  const { input } = table;
  const over = () => overWeeks(done.weeks, input.hoursAWeek);
  // Beds that want none of the shared things were not grown yet; worked out for what stands there, a week may ask for less than it usually would.
  const busy = new Set(over().flatMap((w) => w.beds));
  if (busy.size === 0) return;
  for (const cover of input.covers) if (busy.has(cover.bed)) growInto(table, cover, ensemble);
  done.weeks = weeksOf(input, table.options);
  for (const week of over()) {
    const proposals = easeWeek(table, week.monday);
    done.weeks = done.weeks.map((w) => (w.monday === week.monday ? { ...w, proposals } : w));
    yield { ...done };
  }
}

/** Grows a cover through the common years and reads its plan, where it has one and was not grown yet. */
function growInto(table: Table, cover: ShareInput['covers'][number], ensemble: Ensemble): void {
  const method = cover.asked.methods.find((m) => m.id === cover.plan?.method);
  if (!method || !cover.plan || table.grown.has(cover.id)) return;
  const standing = standIn(cover.asked, ensemble);
  const relied = !standing.begun && isReliedOn(standing.soFar, cover.asked.methods);
  const grown = { cover, standing, relied };
  table.grown.set(cover.id, grown);
  table.options.set(
    cover.id,
    grown.standing.begun
      ? begunOption(grown, method)
      : optionOf(grown, method, cover.plan.startDay, cover.plan.after_d),
  );
}

/** One set of years over the spans of all covers that are looked at. */
function commonYears(input: ShareInput): Ensemble {
  const from = Math.min(
    ...input.covers.map((c) => Math.min(c.asked.sowDay, c.asked.freeDay ?? Infinity)),
    input.today,
  );
  const to = Math.max(...input.covers.map((c) => c.asked.plantDay), input.today);
  if (input.covers.length === 0)
    return { fromDay: from, days: 0, seasons: [], variations: [], upTo: () => undefined };
  return makeEnsemble(
    input.weather.site,
    from - AHEAD_D,
    to - from + AHEAD_D + AFTER_PLANTING_D,
    input.years,
    YEARS_SEED,
    observedDays(input.weather),
  );
}

const stillBetween = (clashes: Clash[], ids: readonly string[]): boolean =>
  clashes.some((c) => ids.includes(c.holder) && ids.includes(c.wants));

function proposalsFor(table: Table, clash: Clash, clashesNow: number): Proposal[] {
  const concerned = [...new Set([clash.wants, clash.holder])];
  const found: Proposal[] = [];
  const consider = (
    id: string,
    kind: Proposal['kind'],
    changed: Option[],
    more: {
      things?: ShareInput['things'];
      wanted?: Proposal['wanted'];
      aside?: string[];
      extra?: number;
    } = {},
  ) => {
    const map = new Map(
      changed.map((o) => [
        o.cover.id,
        more.aside ? { ...o, cover: { ...o.cover, thingIds: more.aside } } : o,
      ]),
    );
    const dealt = leftWith(table, map, more.things);
    // It must solve this one, and make none that was not there.
    if (stillBetween(dealt.clashes, concerned) || dealt.clashes.length >= clashesNow) return;
    const changes = [...map.values()].map((o) => changeOf(table.options.get(o.cover.id)!, o, dealt.uses));
    const before = changed.reduce((s, o) => s + table.options.get(o.cover.id)!.worth, 0);
    const after = changed.reduce((s, o) => s + o.worth, 0);
    found.push({
      id,
      kind,
      changes,
      ...(more.wanted ? { wanted: more.wanted } : {}),
      allReady: allReadyOf(
        [...new Set([...concerned, ...map.keys()])].map((c) => map.get(c) ?? table.options.get(c)!),
      ),
      costs: before - after + (more.extra ?? 0),
      left: dealt.clashes.length,
    });
  };
  for (const id of concerned) {
    const option = table.options.get(id)!;
    if (option.begun) continue;
    if (option.cover.thingIds.length > 0) consider(`thing ${id}`, 'other-thing', [option], { aside: [] });
    const grown = table.grown.get(id)!;
    freshly(grown);
    for (const o of movedOptions(table, grown, option))
      consider(`move ${id} ${o.plan.startDay}`, 'move', [o]);
    for (const o of otherWays(table, grown, option, clash.of))
      consider(`way ${id} ${o.method.id}`, 'other-way', [o]);
    if (option.cover.crop.movable)
      for (const by of PLANT_LATER_D)
        consider(
          `later ${id} ${by}`,
          'plant-later',
          [optionOf(grown, option.method, option.plan.startDay + by, option.plan.after_d, by)],
          { extra: (by / 7) * WEEK_LATER_COSTS },
        );
  }
  oneOverBoth(table, clash, consider);
  const needs = table.options.get(clash.wants)!;
  const size = clash.of === 'opaque-sheet' ? neededFor(needs.cover.box) : {};
  consider(`borrow ${clash.wants}`, 'borrow', [needs], {
    things: [...table.input.things, { id: 'borrowed', name: 'borrowed', of: clash.of, ...size }],
    wanted: { of: clash.of, ...size },
    extra: BORROW_COSTS,
  });
  return thinned(found.sort((a, b) => a.left - b.left || a.costs - b.costs));
}

/** Two beds side by side under one sheet that covers both and their path, laid on one day. */
function oneOverBoth(
  table: Table,
  clash: Clash,
  consider: (id: string, kind: Proposal['kind'], changed: Option[], more: { aside: string[] }) => void,
): void {
  if (clash.of !== 'opaque-sheet') return;
  const a = table.options.get(clash.wants)!;
  for (const b of table.options.values())
    if (b !== a && !b.begun && b.uses.some((u) => u.of === clash.of) && neighbours(a.cover, b.cover))
      oneOver(table, clash, a, b, consider);
}

function oneOver(
  table: Table,
  clash: Clash,
  a: Option,
  b: Option,
  consider: (id: string, kind: Proposal['kind'], changed: Option[], more: { aside: string[] }) => void,
): void {
  const sheets = table.input.things.flatMap((t) =>
    t.of === 'opaque-sheet' && t.width_m !== undefined && t.length_m !== undefined
      ? [{ ...t, width_m: t.width_m, length_m: t.length_m }]
      : [],
  );
  const laid = layings(together(a.cover.box, b.cover.box, PATH_M), sheets)[0];
  if (!laid) return;
  const lays = (o: Option) => o.uses.find((u) => u.of === clash.of)!.from;
  const aside = laid.sheets.map((s) => s.id);
  for (const day of new Set([lays(a), lays(b)])) {
    const both = [a, b].map((o) => {
      const grown = table.grown.get(o.cover.id)!;
      freshly(grown);
      return optionOf(grown, o.method, o.plan.startDay + day - lays(o), o.plan.after_d);
    });
    if (both.every((o) => o.plan.startDay >= table.input.today))
      consider(`both ${a.cover.id} ${b.cover.id} ${day}`, 'one-over-both', both, { aside });
  }
}

/** Takes the cheapest proposal of the first clash, then of the next, until none is left or nothing helps. */
function solveAll(table: Table, clashes: Clash[]): ShareAnswer['allAtOnce'] {
  if (clashes.length === 0) return undefined;
  const state: Table = { ...table, options: new Map(table.options), input: { ...table.input } };
  const changes = new Map<string, ShareChange>();
  const wanted: NonNullable<Proposal['wanted']>[] = [];
  let left = clashes;
  const hopeless = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const clash = left.find((c) => !hopeless.has(`${c.holder} ${c.wants}`));
    if (!clash) break;
    const best = proposalsFor(state, clash, left.length)[0];
    if (!best) {
      hopeless.add(`${clash.holder} ${clash.wants}`);
      continue;
    }
    for (const c of best.changes) {
      const grown = state.grown.get(c.coverId)!;
      const method = grown.cover.asked.methods.find((m) => m.id === c.method)!;
      freshly(grown);
      const option = optionOf(grown, method, c.startDay, c.after_d, c.plantBy_d);
      const cover = best.kind === 'one-over-both' ? { ...grown.cover, thingIds: c.thingIds } : grown.cover;
      state.options.set(c.coverId, { ...option, cover });
      const first = changes.get(c.coverId);
      changes.set(c.coverId, first ? { ...c, before: first.before } : c);
    }
    if (best.wanted) {
      wanted.push(best.wanted);
      state.input.things = [
        ...state.input.things,
        { id: `wanted-${wanted.length}`, name: 'borrowed', ...best.wanted },
      ];
    }
    left = deal(state.options, state.input.things).clashes;
  }
  const dealt = deal(state.options, state.input.things);
  return {
    changes: [...changes.values()].map((c) => ({
      ...c,
      thingIds: dealt.uses.filter((u) => u.coverId === c.coverId).flatMap((u) => u.thingIds),
    })),
    wanted,
    left: dealt.clashes.length,
  };
}
