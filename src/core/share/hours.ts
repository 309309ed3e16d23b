import { type Day } from '../calendar/day.ts';
import { freshly, type Option } from './option.ts';
import { allReadyOf, changeOf, leftWith, movedOptions, otherWays, type Table, thinned } from './table.ts';
import { type Proposal, type ShareInput, type WeekHours } from './types.ts';

// Hours are few as well: what the endings ask of each week, and what would take a week under the hours there are.

/** Weeks that are looked at for a way round, the first of them. */
const MOST_WEEKS = 4;
/** So much over is no reason to change a plan, h. */
const HARDLY_OVER_H = 0.1;
/** A proposal is worth reading when it takes away this share of what a week is over. */
const WORTH_SAYING = 0.3;

/** Weeks that ask for more hours than there are. */
export const overWeeks = (weeks: readonly WeekHours[], have: number): WeekHours[] =>
  weeks.filter((w) => w.hours > have + HARDLY_OVER_H).slice(0, MOST_WEEKS);

/** Hours over what there is, all weeks together. */
const excess = (weeks: readonly WeekHours[], have: number): number =>
  weeks.reduce((sum, w) => sum + Math.max(0, w.hours - have), 0);

/**
 * Answers: what would take work out of a week that asks for more than there is? One bed begun on another day, or ended another way; none that makes a clash
 * over a shared thing, or fills another week in its place. The cheapest first of those that leave least over.
 */
export function easeWeek(table: Table, monday: Day): Proposal[] {
  const { input, options } = table;
  const have = input.hoursAWeek;
  const weeks = weeksOf(input, options);
  const hoursOf = (all: readonly WeekHours[]) => all.find((w) => w.monday === monday)?.hours ?? 0;
  const [over, all] = [hoursOf(weeks) - have, excess(weeks, have)];
  const clashes = leftWith(table, new Map()).clashes.length;
  const found: Proposal[] = [];
  const consider = (kind: Proposal['kind'], now: Option, then: Option) => {
    const changed = new Map([[then.cover.id, then]]);
    const after = weeksOf(input, new Map([...options, ...changed]));
    const left = excess(after, have);
    if (hoursOf(weeks) - hoursOf(after) < over * WORTH_SAYING || left > all - over * WORTH_SAYING) return;
    const dealt = leftWith(table, changed);
    if (dealt.clashes.length > clashes) return;
    found.push({
      id: `${kind} ${then.cover.id} ${then.method.id} ${then.plan.startDay}`,
      kind,
      changes: [changeOf(now, then, dealt.uses)],
      allReady: allReadyOf([then]),
      costs: now.worth - then.worth,
      left: dealt.clashes.length,
      over_h: left,
    });
  };
  for (const [id, option] of options) {
    const grown = table.grown.get(id)!;
    if (option.begun || !option.minutes.some((m) => mondayOf(m.day, input.today) === monday)) continue;
    freshly(grown);
    for (const o of movedOptions(table, grown, option)) consider('move', option, o);
    for (const o of otherWays(table, grown, option)) consider('other-way', option, o);
  }
  // Hours are told to the quarter: within one the cheaper plan comes first.
  const quarters = (p: Proposal) => Math.round(p.over_h! * 4);
  return thinned(found.sort((a, b) => quarters(a) - quarters(b) || a.costs - b.costs));
}

/** Monday of the week of a day; what was due before today is done this week. Day 0 was a Thursday. */
const mondayOf = (day: Day, today: Day): Day => {
  const d = Math.max(day, today);
  return d - ((((d - 4) % 7) + 7) % 7);
};

/** Hours of every week from today on: what is planned and not done yet. */
export function weeksOf(input: ShareInput, options: ReadonlyMap<string, Option>): WeekHours[] {
  const weeks = new Map<Day, WeekHours>();
  const add = (day: Day, minutes: number, bed: string) => {
    if (day < input.today - 6 || day > input.until) return;
    const monday = mondayOf(day, input.today);
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
