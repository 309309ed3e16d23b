import { type ChooseInput } from '../../core/choose/choose.ts';
import { type Hint, type Sample } from '../../core/choose/sample.ts';
import { type Forecast } from '../../core/plan/forecast.ts';
import { type ForecastInput } from '../../core/plan/standing.ts';
import { type PlantBack, type PlantBackInput } from '../../core/plantBack/plantBack.ts';
import { type Failure, type Result } from '../../core/result/result.ts';
import { type SowToday, type SowTodayInput } from '../../core/sowing/today.ts';
import { type WaterToday } from '../../core/watering/follow.ts';
import { type Normals } from '../../core/site/normals.ts';
import { type FittedSite, type FourQuestions } from '../../core/site/questions.ts';
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
  plantBack: { input: PlantBackInput; answer: PlantBack; part: never };
  water: { input: ForecastInput; answer: WaterToday; part: never };
  sowToday: { input: SowTodayInput; answer: SowToday; part: never };
  fitQuestions: { input: FourQuestions; answer: Result<FittedSite>; part: never };
  fitNormals: { input: Normals; answer: Result<Site>; part: never };
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
