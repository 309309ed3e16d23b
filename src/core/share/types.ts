import { type AimStrands } from '../aims/aims.ts';
import { type Day } from '../calendar/day.ts';
import { type EndingAnswer } from '../plan/answers.ts';
import { type ForecastInput } from '../plan/standing.ts';
import { type EndingFigures } from '../work/figures.ts';
import { type Sheet, type ThingKind } from '../work/things.ts';
import { type WorkAsk } from '../work/workAsk.ts';

/** Kinds of things that lie or stand on a bed for days, and are wanted elsewhere meanwhile. The others are free again by the evening. */
export const LYING = [
  'opaque-sheet',
  'clear-film',
  'hen-pen',
  'pig-fence',
  'stock-fence',
] as const satisfies readonly ThingKind[];
export type LyingKind = (typeof LYING)[number];

export interface ShareThing {
  id: string;
  name: string;
  of: ThingKind;
  /** Sheets and films; others fit any bed. */
  width_m?: number;
  length_m?: number;
  sheet?: Pick<Sheet, 'sort' | 'grade'>;
}

/** How the ending of a cover is planned: its way, the day of the first pass, and the later passes from it. */
export interface PlannedEnding {
  method: string;
  startDay: Day;
  after_d: (number | null)[];
}

/** A cover that stands, or is planned, with the question its years answer. */
export interface ShareCover {
  id: string;
  bed: string;
  box: { width_m: number; length_m: number };
  block: string;
  order: number;
  asked: ForecastInput;
  plan: PlannedEnding | null;
  /** Passes that are done or due, for the hours of a week; `minutes` where they were logged. */
  passes: { kind: string; day: Day; done: boolean }[];
  /** Things set aside for it; empty where any may be taken. */
  thingIds: readonly string[];
  /** What follows, and whether its day may still be moved. */
  crop: { name: string; movable: boolean };
  aims: AimStrands[];
  work: Omit<WorkAsk, 'passes' | 'stand' | 'dm_g_m2' | 'height_m'>;
  figures: (EndingFigures | undefined)[];
}

export interface ShareInput {
  covers: ShareCover[];
  things: ShareThing[];
  /** The site, and the weather measured and ahead that all beds share. */
  weather: Pick<ForecastInput, 'site' | 'observed' | 'ahead' | 'today'>;
  hoursAWeek: number;
  today: Day;
  /** Day until which plans are looked at. */
  until: Day;
  years: number;
}

/** Days on which a thing is wanted by a cover: from a day until a day of its own in each year. */
export interface Use {
  coverId: string;
  of: LyingKind;
  from: Day;
  to: Float64Array;
  /** It lies there already. */
  begun: boolean;
}

/** A use with what was dealt out to it; none where nothing fits. */
export interface DealtUse extends Use {
  thingIds: string[];
}

/** Where a thing lies, as odds: from, and until when in one, five and nine years of ten. */
export interface Stretch {
  coverId: string;
  bed: string;
  from: Day;
  until: { low: Day; mid: Day; high: Day };
  begun: boolean;
}

export interface ThingBoard {
  thing: ShareThing;
  stretches: Stretch[];
  /** Days on which a thing is used that is free again by the evening. */
  days: { coverId: string; bed: string; day: Day }[];
}

export interface Clash {
  /** The thing both want; none where nothing at hand fits the bed. */
  thingId: string | null;
  of: LyingKind;
  /** The one that has it, and the one that comes for it; the same cover where nothing fits. */
  holder: string;
  wants: string;
  /** First day on which it is missing. */
  day: Day;
  /** Share of years in which both want it. */
  odds: number;
}

/** What a proposal does to one cover. */
export interface ShareChange {
  coverId: string;
  bed: string;
  method: string;
  startDay: Day;
  after_d: (number | null)[];
  /** Days by which planting moves. */
  plantBy_d: number;
  thingIds: string[];
  before: Told;
  after: Told;
  /** What the plan comes to, for its dates and for what is kept as predicted. */
  ending: EndingAnswer;
}

/** How a cover fares: odds in time, what it serves, and the figures of its aims. */
export interface Told {
  inTime: number;
  served: number;
  nitrogen_g_m2: number;
  residue_g_m2: number;
  minutes: number;
}

export interface Proposal {
  id: string;
  kind: 'move' | 'other-thing' | 'other-way' | 'plant-later' | 'one-over-both' | 'borrow';
  changes: ShareChange[];
  /** A thing to borrow or buy. */
  wanted?: { of: LyingKind; width_m?: number; length_m?: number };
  /** Share of years in which all beds concerned are ready in time, over the same years. */
  allReady: number;
  /** What is lost against today's plans, in worth; less than nothing where it is won. */
  costs: number;
  /** Clashes that are left when it is taken. */
  left: number;
  /** Hours over those there are, all weeks together, when it is taken; of a proposal for a week. */
  over_h?: number;
}

export interface SolvedClash {
  clash: Clash;
  proposals: Proposal[];
}

export interface WeekHours {
  monday: Day;
  hours: number;
  /** Beds with work in it. */
  beds: string[];
  /** What would take work out of it, where it asks for more than there is. */
  proposals?: Proposal[];
}

export interface ShareAnswer {
  board: ThingBoard[];
  clashes: SolvedClash[];
  /** All clashes solved one after the other, the cheapest way of each; absent where there are none. */
  allAtOnce: { changes: ShareChange[]; wanted: NonNullable<Proposal['wanted']>[]; left: number } | undefined;
  weeks: WeekHours[];
  hoursAWeek: number;
}
