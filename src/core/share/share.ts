import { type Day } from '../calendar/day.ts';
import { AFTER_PLANTING_D, AHEAD_D, YEARS_SEED } from '../plan/span.ts';
import { observedDays, standIn } from '../plan/standing.ts';
import { bestWay } from '../plan/search.ts';
import { type Ensemble, makeEnsemble } from '../stand/ensemble.ts';
import { type MethodHere } from '../termination/method.ts';
import { neededFor, layings, together } from '../work/sheets.ts';
import { boardOf, deal, neighbours, PATH_M } from './deal.ts';
import { begunOption, freshly, type GrownCover, keepsBusy, type Option, optionOf } from './option.ts';
import {
  type Clash,
  type Proposal,
  type ShareAnswer,
  type ShareChange,
  type ShareInput,
  type SolvedClash,
  type WeekHours,
} from './types.ts';

/** Days by which a plan is tried earlier and later, and planting later. */
const SHIFTS_D = [-28, -21, -14, -10, -7, -4, 4, 7, 10, 14, 21, 28];
const PLANT_LATER_D = [7, 14, 21];
/** Ways other than the planned one that are held up against it. */
const OTHER_WAYS = 2;
/** Borrowing or buying costs something too, in worth. */
const BORROW_COSTS = 0.02;
/** A planting that slips is dearer than a way that serves a little less, by so much a week. */
const WEEK_LATER_COSTS = 0.015;
const MOST_ROUNDS = 24;

interface Table {
  input: ShareInput;
  grown: Map<string, GrownCover>;
  options: Map<string, Option>;
}

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
    if (!method || !cover.plan || keepsBusy(method).length === 0) continue;
    const grown = { cover, standing: standIn(cover.asked, ensemble) };
    table.grown.set(cover.id, grown);
    table.options.set(
      cover.id,
      grown.standing.begun
        ? begunOption(grown, method)
        : optionOf(grown, method, cover.plan.startDay, cover.plan.after_d),
    );
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
  return done;
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

/** Clashes that are left with some options changed, and things added. */
function leftWith(table: Table, changed: Map<string, Option>, things = table.input.things) {
  const options = new Map(table.options);
  for (const [id, o] of changed) options.set(id, o);
  return deal(options, things);
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
    for (const o of otherWays(table, grown, option, clash))
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

/** Of each kind and cover the cheapest, and no more than a gardener reads. */
const MOST_SHOWN = 6;
function thinned(all: Proposal[]): Proposal[] {
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
function movedOptions({ input }: Table, grown: GrownCover, option: Option): Option[] {
  const last = grown.standing.fromDay + grown.standing.plan.plantAt - 1;
  return SHIFTS_D.map((d) => option.plan.startDay + d)
    .filter((d) => d >= input.today && d > grown.cover.asked.sowDay && d <= last)
    .map((d) => optionOf(grown, option.method, d, option.plan.after_d));
}

/** Other ways at hand that do not want what is missing, on their best days. */
function otherWays({ input }: Table, grown: GrownCover, option: Option, clash: Clash): Option[] {
  const { cover, standing } = grown;
  const able = cover.asked.methods.filter(
    (m) =>
      m.missing.length === 0 &&
      m.proposed !== false &&
      m.id !== option.method.id &&
      !keepsBusy(m).includes(clash.of),
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

function changeOf(
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
function allReadyOf(options: Option[]): number {
  const n = options[0]?.ready.length ?? 0;
  let all = 0;
  for (let y = 0; y < n; y++) if (options.every((o) => o.ready[y] === 1)) all++;
  return n > 0 ? all / n : 0;
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

/** Hours of every week from today on: what is planned and not done yet. */
function weeksOf(input: ShareInput, options: ReadonlyMap<string, Option>): WeekHours[] {
  const weeks = new Map<Day, WeekHours>();
  // Day 0 was a Thursday.
  const mondayOf = (d: Day) => d - ((((d - 4) % 7) + 7) % 7);
  const add = (day: Day, minutes: number, bed: string) => {
    if (day < input.today - 6 || day > input.until) return;
    const monday = mondayOf(Math.max(day, input.today));
    const week = weeks.get(monday) ?? { monday, hours: 0, beds: [] };
    week.hours += minutes / 60;
    if (!week.beds.includes(bed)) week.beds.push(bed);
    weeks.set(monday, week);
  };
  for (const cover of input.covers) {
    const option = options.get(cover.id);
    if (option && !option.begun) for (const m of option.minutes) add(m.day, m.minutes, cover.bed);
    else {
      const usual = cover.asked.methods.find((m) => m.id === cover.plan?.method)?.passes ?? [];
      cover.passes.forEach((p, i) => {
        if (!p.done) add(p.day, ((usual[i]?.minutesPer100m2 ?? 0) * cover.work.bed.area_m2) / 100, cover.bed);
      });
    }
  }
  return [...weeks.values()].sort((a, b) => a.monday - b.monday);
}
