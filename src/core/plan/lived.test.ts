import { describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { type Day, dayOf } from '../calendar/day.ts';
import { siteFromPattern } from '../climate/pattern.ts';
import { type PassKind } from '../termination/method.ts';
import { forecastCover } from '../forecast/forecast.ts';
import { type ForecastInput } from './standing.ts';
import { growLived, type LivedSoFar, type PassLived } from './lived.ts';
import { standOf } from './standing.ts';
import { type Ensemble } from '../stand/ensemble.ts';
import { type Plan } from '../termination/plan.ts';

const d = dayOf;
const base: ForecastInput = {
  site: siteFromPattern(climates.find((c) => c.id === 'cool-maritime')!),
  soil: { texture: 'loam', fertility: 'fair' },
  way: findWay('raked')!,
  watered: true,
  members: membersOf([
    { speciesId: 'cereal-rye', share: 0.6 },
    { speciesId: 'hairy-vetch', share: 0.4 },
  ]),
  seed_g_m2: [8, 3],
  sowDay: d('2026-09-12'),
  plantDay: d('2027-06-08'),
  next: { ...crops.find((c) => c.id === 'winter-squash')!, way: 'transplant' },
  methods: methods.map((m) => ({ ...m, minutesPer100m2: 60, missing: [], sheetCap_d: 90 })),
  aims: [{ id: 'mulch', strands: 2 }],
  looks: [],
  today: d('2027-05-25'),
  years: 60,
};
const pass = (kind: PassKind, on: string, done = true): PassLived => ({
  kind,
  on: d(on),
  done,
  whenDead: kind === 'lift-sheet' && !done,
});
const ask = (method: string, start: string, lived?: Partial<LivedSoFar>, more: Partial<ForecastInput> = {}) =>
  forecastCover({
    ...base,
    settled: { method, startDay: d(start) },
    lived: lived && { passes: [], crowns: [], ...lived },
    ...more,
  });
const near = (a: Day, b: Day, within: number) => expect(Math.abs(a - b)).toBeLessThanOrEqual(within);

describe('an ending that has begun', () => {
  test('done as planned, answers as the plan did', () => {
    const planned = ask('dig', '2027-05-10', undefined, { today: d('2027-05-10') }).settled!;
    const done = ask('dig', '2027-05-10', { passes: [pass('dig', '2027-05-10')] }).settled!;
    expect(done.startDay).toBe(d('2027-05-10'));
    near(done.dead.mid, planned.dead.mid, 1);
    near(done.ready.mid, planned.ready.mid, 2);
    // And warm as it was, no later than this summer and no sooner than ready.
    near(done.plantable.mid, planned.plantable.mid, 2);
    expect(done.plantable.mid).toBeLessThan(d('2027-07-15'));
    expect(done.plantable.mid).toBeGreaterThanOrEqual(done.ready.mid);
    expect(Math.abs(done.odds.warm - planned.odds.warm)).toBeLessThan(0.05);
    expect(Math.abs(done.odds.inTime - planned.odds.inTime)).toBeLessThan(0.05);
    expect(Math.abs(done.nitrogen_g_m2.mid - planned.nitrogen_g_m2.mid)).toBeLessThan(0.3);
    expect(Math.abs(done.dryMatter_g_m2.mid / planned.dryMatter_g_m2.mid - 1)).toBeLessThan(0.02);
  });
  test('roots that a spade killed count once: seen dead afterwards, the bed gives what it gave', () => {
    const vetch = {
      members: membersOf([{ speciesId: 'hairy-vetch', share: 1 }]),
      seed_g_m2: [5],
    };
    const passes = [pass('dig', '2027-05-10')];
    const dug = ask('dig', '2027-05-10', { passes }, vetch).settled!.nitrogen_g_m2.mid;
    const seen = ask('dig', '2027-05-10', { passes, deadOn: d('2027-05-20') }, vetch).settled!.nitrogen_g_m2
      .mid;
    expect(dug).toBeGreaterThan(4);
    expect(Math.abs(seen - dug)).toBeLessThan(0.2);
  });
  test('vetch dug into sand in November loses to the winter rain what the plan says it loses', () => {
    const vetch: Partial<ForecastInput> = {
      members: membersOf([{ speciesId: 'hairy-vetch', share: 1 }]),
      seed_g_m2: [8],
      soil: { texture: 'sand', fertility: 'fair' },
      sowDay: d('2026-08-20'),
      today: d('2026-11-15'),
    };
    const planned = ask('dig', '2026-11-15', undefined, vetch).settled!;
    const done = ask('dig', '2026-11-15', { passes: [pass('dig', '2026-11-15')] }, vetch).settled!;
    expect(planned.nitrogen_g_m2.mid).toBeGreaterThan(3);
    expect(Math.abs(done.nitrogen_g_m2.mid - planned.nitrogen_g_m2.mid)).toBeLessThan(0.3);
  });
  test('a sheet laid a fortnight later is dead under it later, and one that was never laid starts today', () => {
    const laid = (on: string, today: string) =>
      ask(
        'sheet',
        on,
        { passes: [pass('flatten', on), pass('lay-sheet', on), pass('lift-sheet', on, false)] },
        { today: d(today) },
      ).settled!;
    const early = laid('2027-04-10', '2027-04-25');
    const late = laid('2027-04-24', '2027-04-25');
    expect(late.dead.mid - early.dead.mid).toBeGreaterThan(5);
    expect(late.dead.mid - early.dead.mid).toBeLessThan(14);
    const never = ask(
      'sheet',
      '2027-04-10',
      { passes: [pass('flatten', '2027-04-10'), pass('lay-sheet', '2027-04-10', false)] },
      { today: d('2027-05-30') },
    ).settled!;
    expect(never.dead.low).toBeGreaterThan(d('2027-06-10'));
    expect(never.odds.inTime).toBe(0);
  });
  test('a sheet lifted after twelve days has killed nothing, whatever was planned', () => {
    const lifted = ask('sheet', '2027-05-01', {
      passes: [
        pass('flatten', '2027-05-01'),
        pass('lay-sheet', '2027-05-01'),
        pass('lift-sheet', '2027-05-12'),
      ],
    }).settled!;
    expect(lifted.odds.dead).toBe(0);
    expect(lifted.surviving).toBeGreaterThan(0.8);
  });
  test('a week earlier is offered while there is one, and never a day that has gone', () => {
    const on = (today: string) =>
      ask('dig', '2027-05-10', undefined, { today: d(today) }).weeks.map((w) => w.startDay - d('2027-05-10'));
    expect(on('2027-04-20')).toEqual([-7, 7]);
    expect(on('2027-05-06')).toEqual([7]);
  });
  test('green crowns open the question again: odds fall, and the ways from here begin today at the earliest', () => {
    const passes = [pass('cut', '2027-05-20'), pass('cut', '2027-05-24')];
    const unseen = ask('cut-twice', '2027-05-20', { passes });
    const seen = ask(
      'cut-twice',
      '2027-05-20',
      { passes, crowns: [{ day: d('2027-05-24'), green: 4, of: 10 }] },
      { looks: [{ day: d('2027-05-24'), crowns: { green: 4, of: 10 } }] },
    );
    const none = ask(
      'cut-twice',
      '2027-05-20',
      { passes, crowns: [{ day: d('2027-05-24'), green: 0, of: 30 }] },
      { looks: [{ day: d('2027-05-24'), crowns: { green: 0, of: 30 } }] },
    );
    expect(seen.settled!.odds.inTime).toBeLessThan(unseen.settled!.odds.inTime - 0.1);
    expect(none.settled!.odds.inTime).toBeGreaterThan(unseen.settled!.odds.inTime);
    expect(seen.settled!.surviving).toBeGreaterThan(0.2);
    for (const e of seen.endings.filter((e) => Number.isFinite(e.ready.mid)))
      expect(e.startDay).toBeGreaterThanOrEqual(base.today);
    expect(seen.best!.odds.inTime).toBeGreaterThan(0.5);
  });
  test('crowns counted this morning are known this morning: no way from here takes the stand for dead that was just seen green', () => {
    const seen = ask(
      'cut',
      '2027-05-20',
      {
        passes: [pass('cut', '2027-05-15'), pass('cut', '2027-05-20')],
        crowns: [{ day: base.today, green: 8, of: 10 }],
      },
      { settled: { method: 'cut', startDay: d('2027-05-15') } },
    );
    for (const e of seen.endings.filter((x) => x.method === 'crimp' || x.method === 'flame')) {
      expect(e.startDay).toBeGreaterThan(base.today);
      expect(e.odds.dead).toBeLessThan(0.5);
    }
  });
  test('seen dead in March is ready in March, and no way of ending is put forward any more', () => {
    const dead = ask('winterkill', '2027-03-10', { deadOn: d('2027-03-10') });
    expect(dead.settled!.dead).toEqual({ low: d('2027-03-10'), mid: d('2027-03-10'), high: d('2027-03-10') });
    expect(dead.settled!.odds.inTime).toBe(1);
    expect(dead.settled!.ready.high).toBeLessThan(d('2027-03-20'));
    expect(dead.endings).toEqual([]);
  });
  test('a second cut still to come falls on its distance from today when it is overdue, and raises the odds', () => {
    const once = ask('cut', '2027-05-10', { passes: [pass('cut', '2027-05-10')] }).settled!;
    const twice = ask('cut-twice', '2027-05-10', {
      passes: [pass('cut', '2027-05-10'), pass('cut', '2027-05-20', false)],
    }).settled!;
    expect(twice.odds.dead).toBeGreaterThan(once.odds.dead + 0.2);
    expect(twice.dead.low).toBeGreaterThanOrEqual(base.today);
  });
  test('a second cut is made only in the years in which more than one crown in ten came again, and the forecast says how many', () => {
    const again = (on: string, crowns: LivedSoFar['crowns'] = []) =>
      ask(
        'cut-twice',
        on,
        { passes: [pass('cut', on), pass('cut', '2027-05-28', false)], crowns },
        { members: base.members.slice(0, 1), seed_g_m2: [14], today: d('2027-05-26') },
      );
    // Rye cut leafy comes again nearly everywhere, cut in flower hardly anywhere.
    expect(again('2027-04-10').cutAgain!).toBeGreaterThan(0.9);
    expect(again('2027-05-20').cutAgain!).toBeLessThan(0.6);
    // Ten brown crowns are a reason to put the sickle away; eight green ones of ten are none.
    const counted = (green: number) =>
      again('2027-05-20', [{ day: d('2027-05-26'), green, of: 10 }]).cutAgain!;
    expect(counted(0)).toBeLessThan(counted(8));
    expect(counted(8)).toBe(1);
    // What is over, or is no second cut, has no such share.
    expect(ask('cut', '2027-05-20', { passes: [pass('cut', '2027-05-20')] }).cutAgain).toBeUndefined();
    expect(ask('cut', '2027-05-20').cutAgain).toBeUndefined();
  });
  test('under a sheet the warm days so far are told, and how many it takes; lifted, nothing is under it', () => {
    const sheet = (today: string, lifted?: string) =>
      ask(
        'sheet',
        '2027-04-10',
        {
          passes: [
            pass('flatten', '2027-04-10'),
            pass('lay-sheet', '2027-04-10'),
            pass('lift-sheet', lifted ?? '2027-06-01', lifted !== undefined),
          ],
        },
        { today: d(today) },
      ).under;
    const [soon, later] = [sheet('2027-04-20')!, sheet('2027-05-05')!];
    expect([soon.since, soon.film]).toEqual([d('2027-04-10'), false]);
    // Ten days at some 8 °C count as four to five at 20; hairy vetch, hard to kill in the dark, wants over thirty-five.
    expect(soon.soFar).toBeGreaterThan(3);
    expect(soon.soFar).toBeLessThan(7);
    expect(later.soFar).toBeGreaterThan(soon.soFar + 5);
    expect(later.needs.mid).toBeGreaterThan(15);
    expect(later.needs).toEqual(soon.needs);
    expect(sheet('2027-05-05', '2027-05-01')).toBeUndefined();
  });
  test('a way changed half way: cut in May, then a sheet, waits as after a sheet', () => {
    const onward = ask('sheet', '2027-05-01', {
      passes: [
        pass('cut', '2027-05-01'),
        pass('lay-sheet', '2027-05-02'),
        pass('lift-sheet', '2027-05-02', false),
      ],
    }).settled!;
    const straight = ask('sheet', '2027-05-01', {
      passes: [
        pass('flatten', '2027-05-01'),
        pass('lay-sheet', '2027-05-01'),
        pass('lift-sheet', '2027-05-01', false),
      ],
    }).settled!;
    // Short stubble is dead sooner than a tall stand trodden flat.
    expect(onward.dead.mid).toBeLessThan(straight.dead.mid);
    expect(onward.wait_d20).toBe(straight.wait_d20);
  });
});

describe('what is still to come', () => {
  test('is grown only where passes are pending and it was not seen dead', () => {
    const start = d('2027-05-10');
    const years = (passes: PassLived[], deadOn?: Day) => {
      const [plan, ensemble] = planAndYears();
      return growLived(plan, ensemble, { passes, crowns: [], deadOn } as LivedSoFar, start + 3, undefined);
    };
    const cut = pass('cut', '2027-05-10');
    const next = pass('cut', '2027-05-20', false);
    const over = years([cut]);
    expect(over.onward).toBe(over.soFar);
    const goes = years([cut, next]);
    expect(goes.onward).not.toBe(goes.soFar);
    const dead = years([cut, next], d('2027-05-12'));
    expect(dead.onward).toBe(dead.soFar);
    expect(goes.start).toBe(start - goes.soFar.ensemble.fromDay);
  });
});

/** The plan and a few years of the cover above. */
function planAndYears(): [Plan, Ensemble] {
  const { plan, ensemble } = standOf({ ...base, years: 4 }).soFar;
  return [plan, ensemble];
}
