import { type AimStrands } from '../aims/aims.ts';
import { answerEnding, answerEndings, pickEnding, weeksAway } from '../plan/endings.ts';
import { type Effort, FULL, GLANCE, QUICK } from '../plan/search.ts';
import { type CourseRoom, type GrownPlan, growOn, growPlan } from '../plan/grown.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type Plan } from '../termination/plan.ts';
import { SHADE_LIGHT, spanOf, YEARS_SEED } from '../plan/span.ts';
import { viableRate_g_m2 } from '../seed/rate.ts';
import { CROP_LETS_THROUGH } from '../stand/input.ts';
import { type Species } from '../stand/species.ts';
import { asLearnt, shiftFor } from '../stand/shift.ts';
import { type Ensemble, lazyEnsemble } from '../stand/ensemble.ts';
import { type MethodHere } from '../termination/method.ts';
import { type Change, changesFor, FAILING, plantLater } from './change.ts';
import { keptWays, knownUnder } from '../known/ways.ts';
import { type ChooseInput } from './input.ts';
import { reasonsFor } from './reasons.ts';
import { type Candidate, type Hint, type Sample } from './sample.ts';
import { asNext, inTurn, turnOf } from './turn.ts';
import { bestSowing, earlier, later, NAMED_YEARS, standInGap, type Trial } from './trial.ts';

/** No ending begins after planting day; a stand is followed a little longer, to say what it would have come to. */
const GROWN_AFTER_D = 21;

/** The weather of a gap, shared by all covers tried in it; a year is made when it is first needed. */
export const gapEnsemble = (input: Pick<ChooseInput, 'gap' | 'site' | 'years'>): Ensemble => {
  const { fromDay, days } = spanOf(input.gap.freeDay, input.gap.plantDay);
  return lazyEnsemble(input.site, fromDay, days, input.years, YEARS_SEED);
};

/** How far a cover is looked into: on how many years, with days found before where there are any. */
export interface Look {
  years?: number;
  /** How hard days of ending are looked for while years are few. */
  effort?: Effort;
  hint?: Partial<Hint>;
  /** Whether a cover of this score at first sight is worth looking at on all `years`. */
  hopeful?: (score: number) => boolean;
}

/** One cover in a gap: a good sowing day found unless it is fixed, every way of ending on its best day, reasons, ways out. */
export function sampleFor(
  candidate: Candidate,
  input: ChooseInput,
  drawn: Ensemble,
  room: CourseRoom = new Map(),
  look: Look = {},
): Sample {
  if (candidate.first) return sampleInTurn(candidate, input, drawn, room, look);
  const ensemble = asLearnt(drawn, shiftFor(input.learnt, leading(candidate).id, input.way.id));
  const { years: wanted = input.years, hint } = look;
  const { gap, aims } = input;
  const rateTimes = candidate.rateTimes ?? 1;
  const undersown = input.way.undersown === true;
  const base: Omit<Plan, 'sownAt'> = {
    members: candidate.members,
    seed_g_m2:
      candidate.poured_g_m2?.map((g) => g * rateTimes) ??
      viableRate_g_m2(candidate.members, input.way.rateFactor * rateTimes),
    way: input.way,
    soil: input.soil,
    watered: input.watered,
    irrigated: input.irrigated,
    light: SHADE_LIGHT[input.bed.shade],
    surface: input.bed.surface,
    freeAt: gap.freeDay - ensemble.fromDay,
    plantAt: gap.plantDay - ensemble.fromDay,
    growUntil: gap.plantDay - ensemble.fromDay + GROWN_AFTER_D,
    next: gap.next,
    canopy: undersown
      ? { until: gap.freeDay - ensemble.fromDay, lightThrough: CROP_LETS_THROUGH }
      : undefined,
  };
  const usable = input.methods.filter((m) => m.missing.length === 0);
  const trial: Trial = { base, usable, aims, ensemble, room };
  const fixedDay = hint?.sowDay ?? candidate.sowDay;
  const sowing =
    fixedDay !== undefined
      ? { sownAt: fixedDay - ensemble.fromDay }
      : bestSowing(trial, input.way, look.hopeful);
  const { sownAt } = sowing;
  const tried = 'screened' in sowing ? sowing.screened : undefined;
  // What has no hope at first sight is told from the years of that.
  const years = Math.min(look.hopeful && tried ? tried.years : wanted, input.years);
  const grown = tried
    ? growOn(tried.grown, years, room)
    : growPlan({ ...base, sownAt }, ensemble, years, room);
  const effort = look.effort ?? QUICK;
  // On few years only what may be proposed is asked for; the rest waits until the cover is settled.
  const endings =
    years < input.years
      ? answerEndings(
          grown,
          usable.filter((m) => m.proposed !== false),
          0,
          aims,
          effort,
          // The sowing day was found by looking as hard in as many years.
          effort === GLANCE && years === tried?.years ? tried.best?.looked : undefined,
        )
      : answerEndings(grown, input.methods, 0, aims, FULL);
  const proposed = usable.filter((m) => m.proposed !== false).map((m) => m.id);
  const here = { bed: input.bed, from: candidate.from };
  const ways = keptWays(grown, endings, input.methods, here);
  const best = chosenEnding(candidate, grown, ways, input.methods, proposed, aims);
  const stand = standInGap(grown, best);
  // Before other dates are grown into the same room.
  const weeks = best && years === input.years ? weeksHere(grown, best, input.methods, aims) : [];
  const draft = {
    id: candidate.id,
    name: candidate.name,
    from: candidate.from,
    parts: candidate.members.map((m) => ({ speciesId: m.species.id, share: m.share })),
    lead: leadOf(candidate),
    rateTimes,
    irrigated: input.irrigated,
    sowDay: ensemble.fromDay + sownAt,
    seed_g_m2: base.seed_g_m2,
    first: undefined,
    stand,
    endings: ways,
    best,
    usable: proposed,
    fixed: candidate.method !== undefined,
    factors: knownUnder(grown, best, input.methods, here),
    changes: waysOut(trial, grown, best, ways, input, years),
    weeks,
    usualRate_g_m2: candidate.poured_g_m2
      ? viableRate_g_m2(candidate.members, input.way.rateFactor).reduce((a, b) => a + b, 0)
      : undefined,
    years,
  };
  return { ...draft, reasons: reasonsFor(draft, candidate.members, input) };
}

/** Two covers in turn: the second is sown as soon as its season has come, the first, sown when that serves best before it, is ended for it. */
function sampleInTurn(
  candidate: Candidate,
  input: ChooseInput,
  ensemble: Ensemble,
  room: CourseRoom,
  look: Look,
): Sample {
  const { gap } = input;
  const { first, ...second } = candidate;
  const turnDay = look.hint?.sowDay ?? turnOf(second, input, ensemble);
  const years = look.years ?? input.years;
  const before = sampleFor(
    first!,
    { ...input, gap: { ...gap, plantDay: turnDay, next: asNext(second) } },
    ensemble,
    room,
    { years, effort: look.effort },
  );
  const after = sampleFor(
    { ...second, sowDay: turnDay },
    { ...input, gap: { ...gap, freeDay: turnDay } },
    ensemble,
    room,
    { ...look, hint: { ...look.hint, sowDay: turnDay } },
  );
  return inTurn(candidate, before, after, input);
}

/** The kind with the greatest share of a cover. */
const leading = ({ members }: Candidate): Species =>
  [...members].sort((a, b) => b.share - a.share)[0]!.species;

/** As `leading`; another's form counts as that. */
const leadOf = (candidate: Candidate): string => leading(candidate).formOf ?? leading(candidate).id;

const weeksHere = (grown: GrownPlan, best: EndingAnswer, methods: MethodHere[], aims: AimStrands[]) => {
  const method = methods.find((m) => m.id === best.method);
  return method ? weeksAway(grown, method, best, aims) : [];
};

/** What would make a failing plan hold. On few years only the planting day is asked for, since others cost as much as the plan itself. */
function waysOut(
  trial: Trial,
  grown: GrownPlan,
  best: EndingAnswer | undefined,
  endings: EndingAnswer[],
  input: ChooseInput,
  years: number,
): Change[] {
  if ((best?.odds.inTime ?? 0) >= FAILING) return [];
  const { sownAt } = grown.plan;
  const soon = plantLater(grown, best);
  if (years < input.years) return soon.length > 0 ? soon : later(trial, sownAt);
  const changes = changesFor(grown, best, endings, input.methods, input.aims);
  if (!changes.some((c) => c.kind === 'plant-later')) changes.push(...later(trial, sownAt, NAMED_YEARS));
  changes.push(...earlier(trial, sownAt));
  return changes;
}

/** The gardener's own ending where one is fixed, else the one that is put forward. */
function chosenEnding(
  candidate: Candidate,
  grown: GrownPlan,
  endings: EndingAnswer[],
  methods: MethodHere[],
  proposed: string[],
  aims: AimStrands[],
): EndingAnswer | undefined {
  const own = methods.find((m) => m.id === candidate.method);
  if (own && candidate.endDay !== undefined)
    return answerEnding(grown, own, candidate.endDay - grown.ensemble.fromDay);
  if (own) return endings.find((e) => e.method === own.id);
  return pickEnding(endings, proposed, aims);
}
