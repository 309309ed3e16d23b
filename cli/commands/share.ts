import { isoOf } from '../../src/core/calendar/day.ts';
import { shareOut } from '../../src/core/share/share.ts';
import { type Proposal, type ShareAnswer, type ShareChange } from '../../src/core/share/types.ts';
import { shareInput } from '../../src/questions/share.ts';
import { gardenFrom, todayOf, type Typed, yearsOf } from '../args.ts';

/** `share FILE`: things there are few of with where they lie, clashes, and what would solve them. */
export function share(typed: Typed): object {
  const c = gardenFrom(typed.at[0]);
  let answer: ShareAnswer | undefined;
  for (const part of shareOut(
    shareInput(c, todayOf(typed, c), typed.get('years') ? yearsOf(typed) : undefined),
  ))
    answer = part;
  const { board, clashes, allAtOnce, weeks, hoursAWeek } = answer!;
  const nameOf = (id: string | null) => c.garden.things.find((t) => t.id === id)?.name ?? id;
  const bedOf = (coverId: string) =>
    c.beds.find((b) => b.id === c.covers.find((k) => k.id === coverId)?.bedId)?.name ?? coverId;
  const day = (d: number) => (Number.isFinite(d) ? isoOf(Math.round(d)) : 'never');
  const changed = (k: ShareChange) => ({
    bed: k.bed,
    method: k.method,
    start: day(k.startDay),
    things: k.thingIds.map(nameOf),
    ...(k.plantBy_d ? { plantLater_d: k.plantBy_d } : {}),
    inTime: [k.before.inTime, k.after.inTime],
    served: [k.before.served, k.after.served],
  });
  const proposed = (p: Proposal) => ({
    kind: p.kind,
    changes: p.changes.map(changed),
    ...(p.wanted ? { wanted: p.wanted } : {}),
    allReady: p.allReady,
    costs: p.costs,
    clashesLeft: p.left,
    ...(p.over_h === undefined ? {} : { hoursOver: p.over_h }),
  });
  return {
    things: board.map((b) => ({
      thing: b.thing.name,
      lies: b.stretches.map((s) => ({
        bed: s.bed,
        from: day(s.from),
        until: { p10: day(s.until.low), median: day(s.until.mid), p90: day(s.until.high) },
      })),
      days: b.days.map((d) => ({ bed: d.bed, on: day(d.day) })),
    })),
    clashes: clashes.map(({ clash, proposals }) => ({
      thing: nameOf(clash.thingId) ?? 'none that fits',
      wants: bedOf(clash.wants),
      has: bedOf(clash.holder),
      from: day(clash.day),
      odds: clash.odds,
      proposals: proposals.map(proposed),
    })),
    allAtOnce: allAtOnce && {
      changes: allAtOnce.changes.map(changed),
      wanted: allAtOnce.wanted,
      clashesLeft: allAtOnce.left,
    },
    hoursAWeek,
    weeks: weeks.map((w) => ({
      week: day(w.monday),
      hours: w.hours,
      beds: w.beds,
      ...(w.proposals ? { proposals: w.proposals.map(proposed) } : {}),
    })),
  };
}
