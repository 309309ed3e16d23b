import { type DayIndex } from '../calendar/day.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { answerEnding } from '../plan/endings.ts';
import { type GrownPlan } from '../plan/grown.ts';
import { lastStart } from '../plan/search.ts';
import { survivors } from '../plan/standAnswer.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Factor } from './factor.ts';
import { type BedNotes, product, whatIsKnown } from './known.ts';
import { inSeason } from './season.ts';
import { bearsWaters, watersUnder } from './waters.ts';

/** A gardener counts on frost or heat to end a cover that it ends in four years of five (judgement). */
export const RELIED_ON = 0.8;

/** The weather is to end it. */
export const byWeather = (method: Pick<MethodHere, 'passes'> | undefined): boolean =>
  method?.passes.some((p) => p.kind.startsWith('check')) ?? false;

/** What is known of the bed and the seed beside the plan. */
export interface KnownHere {
  bed: BedNotes;
  from?: 'mix' | 'packet' | 'shelf';
}

/** Day index on which the cover's own time is over: of the first pass, or of planting where the weather ends it. */
function endOf({ plan, ensemble }: GrownPlan, way: EndingAnswer | undefined): DayIndex {
  return way ? Math.min(way.startDay - ensemble.fromDay, plan.plantAt) : plan.plantAt;
}

/** All that is known of a cover ended so, as factors of the fit. */
export function knownUnder(
  grown: GrownPlan,
  way: EndingAnswer | undefined,
  methods: readonly MethodHere[],
  here: KnownHere,
): Factor[] {
  const { plan, ensemble, courses } = grown;
  const { members, next, soil, watered, sownAt } = plan;
  const end = endOf(grown, way);
  return whatIsKnown({
    ...here,
    members,
    next,
    soil,
    watered,
    best: way,
    survives: survivors(grown, way ? way.startDay - ensemble.fromDay : Infinity),
    waters: bearsWaters(members, watersUnder(courses, soil, sownAt, end), soil),
    season: inSeason(
      members,
      ensemble,
      sownAt,
      end,
      plan.way.hold === 'frost',
      way !== undefined && byWeather(methods.find((m) => m.id === way.method)),
    ),
  });
}

/** Middle day on which frost or heat ends the cover, where a gardener would count on it; Infinity elsewhere. */
export const diesBy = (
  ways: readonly { method: Pick<MethodHere, 'passes'>; ending: EndingAnswer }[],
): number =>
  Math.min(
    ...ways
      .filter(({ method, ending }) => byWeather(method) && ending.odds.inTime >= RELIED_ON)
      .map(({ ending }) => ending.dead.mid),
    Infinity,
  );

/** Whether a gardener would count on frost, heat or ripeness to end this cover. */
export const isReliedOn = (grown: GrownPlan, methods: readonly MethodHere[]): boolean =>
  methods.some((m) => byWeather(m) && answerEnding(grown, m, lastStart(grown)).odds.inTime >= RELIED_ON);

/** One way with what it leaves of the worth, for a cover that the weather is relied on to end. */
export const keptWay = (
  grown: GrownPlan,
  e: EndingAnswer,
  methods: readonly MethodHere[],
  here: KnownHere,
): EndingAnswer => (e.odds.inTime > 0 ? { ...e, keeps: product(knownUnder(grown, e, methods, here)) } : e);

/** Where the ways of a cover that stands are held against each other: families and troubles weigh on all of them alike. */
export const hereOf = ({ shade, surface }: Partial<Pick<BedNotes, 'shade' | 'surface'>>): KnownHere => ({
  bed: { families: [], troubles: [], shade: shade ?? 'open', surface: surface ?? 'clean' },
});

/**
 * Ways with what each leaves of the worth by all that is known of a cover ended so. What frost or heat is to end is rightly dead by then, what is to be cut is
 * not: only where the weather is relied on do the ways differ in that, elsewhere they stay as they are.
 */
export function keptWays(
  grown: GrownPlan,
  endings: EndingAnswer[],
  methods: readonly MethodHere[],
  here: KnownHere,
): EndingAnswer[] {
  const relied = endings.some(
    (e) => e.odds.inTime >= RELIED_ON && byWeather(methods.find((m) => m.id === e.method)),
  );
  if (!relied) return endings;
  return endings.map((e) => keptWay(grown, e, methods, here));
}
