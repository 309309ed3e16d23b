import { endingFiguresOf, speciesOf } from '../catalogue/catalogue.ts';
import { type AimStrands } from '../core/aims/aims.ts';
import { type Day, dayOf, isoOf } from '../core/calendar/day.ts';
import { keptWorth } from '../core/plan/endings.ts';
import { type EndingAnswer, type StandAnswer } from '../core/plan/answers.ts';
import { type MethodHere } from '../core/termination/method.ts';
import { FILM_NEEDS } from '../core/termination/sheet.ts';
import { LOOKED_AT, lookDays } from '../core/work/crowns.ts';
import { type LoggedWork } from '../core/work/ownMinutes.ts';
import { type PlanB, planBOf } from '../core/work/planB.ts';
import { type WorkAsk } from '../core/work/workAsk.ts';
import { kitOf, type Thing } from '../records/things.ts';
import type { Bed, Cover, Garden, WeatherYear } from '../records/types.ts';
import { boxOf } from './methods.ts';

const monthOf = (day: Day): number => Number(isoOf(Math.max(0, day)).slice(5, 7)) - 1;

/** Mean temperature of the month of a day at this site, °C. */
export function meanOfMonth(site: Garden['site'], day: Day): number {
  const month = monthOf(day);
  return (site.tmax_c[month]! + site.tmin_c[month]!) / 2;
}

/** The other way of a cover whose way is settled on, with the day on which to decide. */
export function planBHere(
  cover: Pick<Cover, 'passes'>,
  ending: EndingAnswer,
  others: readonly EndingAnswer[],
  aims: AimStrands[],
  on: { plantDay: Day; today: string; mean_c: number; weather: readonly WeatherYear[] },
): PlanB | undefined {
  const told =
    cover.passes.findLast((p) => p.doneOn && LOOKED_AT[p.kind]) ??
    cover.passes.find((p) => LOOKED_AT[p.kind]);
  const from = told ? dayOf(told.doneOn ?? told.due) : ending.startDay;
  const [first, sure] = lookDays(told ? LOOKED_AT[told.kind]! : 'cut', on.mean_c);
  return planBOf({
    ending,
    passes: cover.passes.map((p) => ({
      kind: p.kind,
      on: dayOf(p.doneOn ?? p.due),
      done: p.doneOn !== null,
    })),
    others: [...others].sort((a, b) => keptWorth(b, aims) - keptWorth(a, aims)),
    plantDay: on.plantDay,
    today: dayOf(on.today),
    looks: [from + first, from + sure],
    rain_mm: new Map(on.weather.flatMap((w) => w.days.map((d) => [dayOf(d.on), d.rain_mm]))),
  });
}

type Stages = StandAnswer['stages'][number];

/** Stage number of a member on a day, straight between the middle days of its stages. */
export function stageOn(s: Pick<Stages, 'up' | 'bud' | 'flower' | 'milk' | 'seed'>, day: Day): number {
  const marks: [number, number][] = [
    [s.up.mid, 1],
    [s.bud.mid, 2],
    [s.flower.mid, 3],
    [s.milk.mid, 4],
    [s.seed.mid, 5],
  ];
  let last: [number, number] | undefined;
  for (const [at, stage] of marks) {
    if (!Number.isFinite(at)) break;
    if (at > day) return last ? last[1] + (day - last[0]) / Math.max(1, at - last[0]) : 0;
    last = [at, stage];
  }
  return last?.[1] ?? 0;
}

/** Share of plants under which a member has no say in how the stand is cut. */
const HARDLY_THERE = 0.1;

const thing = <K extends Thing['of']>(garden: Pick<Garden, 'things'>, ...of: K[]) =>
  garden.things.filter((t): t is Extract<Thing, { of: K }> => (of as string[]).includes(t.of));

/** Every step that was logged with its minutes, beside what had been worked out for it. */
export const loggedWork = (covers: readonly Cover[]): LoggedWork[] =>
  covers.flatMap((c) =>
    c.passes.flatMap((p) =>
      p.doneOn && p.minutes !== undefined && p.expected !== undefined
        ? [{ kind: p.kind, minutes: p.minutes, expected: p.expected }]
        : [],
    ),
  );

/** Records turned into the question how much work the steps of a way are on this bed. `things` are those set aside for it, where some are. */
export function workAsk(
  garden: Garden,
  bed: Bed,
  cover: Pick<Cover, 'parts' | 'thingIds'>,
  covers: readonly Cover[],
  method: Pick<MethodHere, 'id' | 'passes'>,
  ending: Pick<EndingAnswer, 'startDay' | 'dryMatter_g_m2' | 'heightAtStart_m' | 'stageAtStart'> &
    Partial<Pick<EndingAnswer, 'carbonToNitrogen' | 'lies_d'>>,
  stages: readonly Stages[],
): WorkAsk {
  const aside = cover.thingIds.length > 0;
  const mine = {
    things: aside
      ? garden.things.filter(
          (t) =>
            cover.thingIds.includes(t.id) ||
            !garden.things.some((x) => x.of === t.of && cover.thingIds.includes(x.id)),
        )
      : garden.things,
  };
  const person = garden.people[0]!;
  return {
    bed: {
      ...boxOf(bed),
      area_m2: bed.area_m2,
      edged: bed.edged,
      keptPlants: bed.keptPlants,
      obstacles: bed.obstacles.reduce((n, o) => n + o.count, 0),
      texture: bed.soil.texture,
    },
    passes: method.passes.map((p) => ({
      kind: p.kind,
      minutesPer100m2: p.minutesPer100m2 ?? 0,
      ...(p.after_d === null ? {} : { day: ending.startDay + p.after_d + (p.lasts_d ?? 0) }),
    })),
    stand: cover.parts.flatMap((p) => {
      const figures = endingFiguresOf(p.speciesId);
      const known = stages.find((s) => s.speciesId === p.speciesId);
      if (!figures || (known && known.survives < HARDLY_THERE)) return [];
      const stage = known ? stageOn(known, ending.startDay) : ending.stageAtStart;
      return [{ figures, stage, flowers: speciesOf(p.speciesId).worth.flowers }];
    }),
    dm_g_m2: ending.dryMatter_g_m2.mid,
    height_m: ending.heightAtStart_m,
    kit: kitOf(garden),
    sheets: thing(mine, 'opaque-sheet'),
    film: thing(mine, 'clear-film'),
    boards: thing(mine, 'crimper-board'),
    pens: thing(mine, 'hen-pen'),
    flocks: thing(mine, 'pig-fence', 'stock-fence'),
    person,
    wind: garden.wind,
    flow_l_min: garden.watering?.flow_l_min ?? null,
    logged: loggedWork(covers),
    keeps: garden.keeps.flatMap((k) => (k === 'children' ? [] : [k])),
    afternoon_c: garden.site.tmax_c[monthOf(ending.startDay)]!,
    ...(ending.carbonToNitrogen !== undefined && ending.lies_d !== undefined
      ? { rots: { cn: ending.carbonToNitrogen, lies_d: ending.lies_d } }
      : {}),
    film_d: Math.max(0, ...cover.parts.map((p) => FILM_NEEDS[speciesOf(p.speciesId).ending.sheet])),
  };
}
