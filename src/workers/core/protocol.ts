import { type Day } from '../../core/calendar/day.ts';
import { type ChooseInput } from '../../core/choose/input.ts';
import { type Hint, type Sample } from '../../core/choose/sample.ts';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { type AimStrands } from '../../core/aims/aims.ts';
import { type Lane } from '../../core/plan/lanes.ts';
import { type LastWeeks } from '../../core/plan/lastWeeks.ts';
import { type MethodHere } from '../../core/termination/method.ts';
import { type EndingAnswer } from '../../core/plan/answers.ts';
import { type ForecastInput } from '../../core/plan/standing.ts';
import { type PlantBack, type PlantBackInput } from '../../core/plantBack/plantBack.ts';
import { type Failure, type Result } from '../../core/result/result.ts';
import { type SowToday, type SowTodayInput } from '../../core/sowing/today.ts';
import { type Mowing, type MowingInput } from '../../core/strips/mowing.ts';
import { type WaterToday } from '../../core/watering/follow.ts';
import { type CoverReading, type Picture } from '../../core/look/photo.ts';
import { type RoundBed, type RoundCover } from '../../core/rounds/question.ts';
import { type ShareAnswer, type ShareInput } from '../../core/share/types.ts';
import { type KnownFrosts } from '../../core/climate/frost.ts';
import { type FrostRecord } from '../../core/climate/frost.ts';
import { type CameOf, type LivedThrough } from '../../core/learn/came.ts';
import { type EndedBy, type KillLesson } from '../../core/learn/kills.ts';
import { type Learnt, type LookedAt } from '../../core/learn/learn.ts';
import { type PlanCover } from '../../core/rotation/covers.ts';
import { type Plan, type RotationInput } from '../../core/rotation/rotation.ts';
import { type Normals } from '../../core/climate/normals.ts';
import { type FittedSite, type FourQuestions } from '../../core/climate/questions.ts';
import { type Site } from '../../core/site/site.ts';

/** What the worker can be asked, and what it answers. Plain data both ways. */
export interface Questions {
  /** Covers of a gap on few years: the better half twice, a later part replacing the earlier one of the same id. */
  choose: { input: ChooseInput; answer: Sample[]; part: Sample };
  /** Covers that lead, on all years, in the order given. */
  settle: { input: { asked: ChooseInput; hints: Hint[] }; answer: Sample[]; part: Sample };
  /** One cover, altered by hand: `candidates` holds just it. */
  sample: { input: ChooseInput; answer: Sample; part: never };
  forecast: { input: ForecastInput; answer: Forecast; part: never };
  /** What each day of waiting buys; `method` is the way put forward. */
  lastWeeks: {
    input: { asked: ForecastInput; method: string | null; inThirds: boolean };
    answer: LastWeeks;
    part: never;
  };
  /** One way on a day that a hand has moved it to; `after_d` are its later passes from the first. */
  tryEnding: {
    input: { asked: ForecastInput; method: string; startDay: Day; after_d: (number | null)[] | null };
    answer: EndingAnswer;
    part: never;
  };
  /** A bed in lanes that are planted in waves, each ended for its own day. */
  lanes: {
    input: { asked: ForecastInput; method: string; aims: AimStrands[]; count: number; apart_d: number };
    answer: Lane[];
    part: never;
  };
  /** The same day with a way done as either side of a question does it. */
  variants: {
    input: { asked: ForecastInput; startDay: Day; ways: MethodHere[] };
    answer: EndingAnswer[];
    part: never;
  };
  /** Few things shared out over all beds: the board first, then the proposals of one clash after the other. */
  share: { input: ShareInput; answer: ShareAnswer; part: ShareAnswer };
  /** The walk past the beds: what is due on each, and why. */
  rounds: { input: { covers: RoundCover[]; today: Day }; answer: RoundBed[]; part: never };
  /** Ground cover from a picture; `shift` moves the line between green and not. */
  photo: { input: { picture: Picture; shift: number }; answer: CoverReading; part: never };
  plantBack: { input: PlantBackInput; answer: PlantBack; part: never };
  /** When a living path wants mowing. */
  mowing: { input: MowingInput; answer: Mowing; part: never };
  water: { input: ForecastInput; answer: WaterToday; part: never };
  sowToday: { input: SowTodayInput; answer: SowToday; part: never };
  fitQuestions: { input: FourQuestions; answer: Result<FittedSite>; part: never };
  fitNormals: { input: Normals; answer: Result<Site>; part: never };
  /** What a garden's own results say against the book. */
  learn: { input: LookedAt[]; answer: Learnt; part: never };
  /** What a garden's own endings say of its ways against the book. */
  learnKills: { input: EndedBy[]; answer: KillLesson[]; part: never };
  /** What came of one cover, and why. */
  came: { input: LivedThrough; answer: CameOf[]; part: never };
  /** Plans for the years to come, three that differ in kind. */
  rotate: { input: RotationInput; answer: Plan[]; part: never };
  /** Covers for a gap of a plan, best first, or the `only` one by its id: the candidates asked with are the garden's own, the catalogue's come to them. */
  planCovers: { input: ChooseInput & { only?: string }; answer: PlanCover[]; part: never };
  /** Frosts that a site's plausible years come to. */
  frosts: { input: Site; answer: FrostRecord; part: never };
  /** A site with the frosts that its gardener knows. */
  fitFrosts: { input: { site: Site; known: KnownFrosts }; answer: Site; part: never };
  fitPattern: { input: { patternId: string; latitude_deg: number }; answer: Site; part: never };
}
export type Kind = keyof Questions;

export type ToWorker =
  | { [K in Kind]: { type: 'ask'; id: number; kind: K; input: Questions[K]['input'] } }[Kind]
  | { type: 'cancel'; id: number };

export type FromWorker =
  | { type: 'part'; id: number; done: number; total: number; part: unknown }
  | { type: 'answer'; id: number; answer: unknown }
  | { type: 'cancelled'; id: number }
  | { type: 'failed'; id: number; failure: Failure };
