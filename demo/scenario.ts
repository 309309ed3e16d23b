import { type StripLife } from '../src/core/strips/life.ts';
import { type MovedKind } from '../src/core/years/ledger.ts';
import { type SoilTestKind } from '../src/core/years/soilTests.ts';
import { type CutWish } from '../src/records/commands/pieces.ts';
import type { Person, Thing } from '../src/records/things.ts';
import type { Trial } from '../src/records/types.ts';

// Two invented gardens: what was planted where, what was sown between, and what went another way than planned. All else is worked out by `make.ts`.

/** A crop on a bed: its kind, how it goes in, planting and clearing day; the last word tells what is still only planned by the garden's today. */
export type CropRow = [crop: string, way: 'transplant' | 'seed', plantOn: string, clearOn: string];

/** A cover between two crops of a bed. */
export interface CoverRow {
  bed: string;
  /** Day on which the ground was free for it, and the planting it makes room for. */
  free: string;
  next: string | null;
  /** Kind or mix of the catalogue; the first that Kilim hangs when absent. */
  cover?: string;
  sowOn?: string;
  /** Way of ending, where the gardener had a mind of their own. */
  method?: string;
  /** Day of the first pass, where it is not the one put forward. */
  endOn?: string;
  /** A frame of it was cut and weighed before it was ended. */
  weighed?: boolean;
  /** Lives on under the blade before its ending: days on which it was mown high. */
  mownHigh?: string[];
  /** Ended too early, counted green, and ended again another way. */
  wentWrong?: { cutOn: string; seenOn: string; green: number; of: number; method: string; onceMore: string };
  note?: string;
}

/** What the gardener wrote down beside crops and covers. */
export interface WrittenDown {
  notes: [bed: string, on: string, text: string][];
  /** Carried onto a bed or off it, kg as weighed. */
  moved: [bed: string, on: string, what: MovedKind, kg: number][];
  tested: [bed: string, on: string, what: SoilTestKind, value: number][];
  /** `values` by block and treatment; none while it is still to be measured. */
  trials: (Pick<
    Trial,
    'question' | 'treatments' | 'measure' | 'unit' | 'lookOn' | 'counts' | 'ends' | 'drawnOn'
  > & { bed: string; blocks: number; seed: number; values: number[][] })[];
}

/** What lives for years on a piece, and what was done to it. */
export interface LastingSaid {
  piece: string;
  life: Omit<StripLife, 'done'>;
  done: StripLife['done'];
}

/** A bed cut into pieces. */
export interface BedCut extends Omit<CutWish, 'today'> {
  bed: string;
  lasting: LastingSaid[];
}

export interface Scenario extends WrittenDown {
  name: 'north-shore' | 'two-gums';
  today: string;
  /** Measured days begin here. */
  weatherFrom: string;
  /** Which plausible year came true. */
  seed: number;
  kit: string[];
  /** What there is few of, and who gardens. */
  things: Thing[];
  people: Person[];
  crops: Record<string, CropRow[]>;
  covers: CoverRow[];
  cuts: BedCut[];
}

const OWN = { borrowed: false, asked: true } as const;
type SheetThing = Extract<Thing, { of: 'opaque-sheet' }>;
const sheet = (id: string, name: string, width_m: number, length_m: number): SheetThing => ({
  id,
  name,
  of: 'opaque-sheet',
  width_m,
  length_m,
  sort: 'film',
  grade: 'sound',
  since: 2025,
  ...OWN,
});

export const NORTH_SHORE: Scenario = {
  name: 'north-shore',
  today: '2027-04-13',
  weatherFrom: '2024-08-01',
  seed: 20240801,
  kit: ['shears', 'sickle', 'hedge-trimmer', 'spade', 'rake', 'scale', 'hose'],
  things: [
    sheet('long-sheet', 'Long sheet', 4, 10),
    sheet('second-sheet', 'Second sheet', 2.2, 9),
    { ...sheet('short-sheet', 'Short sheet', 2, 5), sort: 'woven', grade: 'pinholes' },
    { id: 'board', name: 'Board', of: 'crimper-board', length_m: 0.65, edges: 1, ...OWN },
    {
      id: 'pen',
      name: 'Hen pen',
      of: 'hen-pen',
      width_m: 1.2,
      length_m: 2.4,
      hens: 6,
      wholeDay: true,
      ...OWN,
    },
  ],
  people: [{ id: 'you', name: 'You', hoursAWeek: 5, mass_kg: 75, skill: 'practised' }],
  crops: {
    1: [
      ['leek', 'transplant', '2024-07-05', '2025-04-10'],
      ['lettuce', 'transplant', '2025-04-28', '2025-07-02'],
      ['chard', 'transplant', '2025-07-10', '2025-10-08'],
      ['bush-bean', 'seed', '2026-06-01', '2026-09-12'],
      ['winter-squash', 'transplant', '2027-06-06', '2027-10-12'],
    ],
    2: [
      ['potato', 'seed', '2024-04-12', '2024-08-28'],
      ['kale', 'transplant', '2025-06-20', '2026-03-15'],
      ['onion-transplant', 'transplant', '2026-04-02', '2026-08-20'],
      ['carrot', 'seed', '2027-06-05', '2027-10-18'],
    ],
    3: [
      ['onion-transplant', 'transplant', '2024-04-02', '2024-08-22'],
      ['beet', 'transplant', '2025-06-10', '2025-09-18'],
      ['potato', 'seed', '2026-04-15', '2026-09-05'],
      ['tomato', 'transplant', '2027-06-06', '2027-10-13'],
    ],
    4: [
      ['lettuce', 'transplant', '2025-07-20', '2025-09-28'],
      ['sweet-corn', 'transplant', '2026-06-08', '2026-09-22'],
      ['leek', 'transplant', '2027-06-20', '2028-02-01'],
    ],
    5: [
      ['bush-bean', 'seed', '2025-06-02', '2025-09-12'],
      ['cabbage', 'transplant', '2026-04-16', '2026-07-10'],
      ['garlic', 'seed', '2026-10-12', '2027-07-08'],
      ['spinach', 'seed', '2027-09-14', '2028-04-10'],
    ],
    6: [
      ['spinach', 'seed', '2025-09-01', '2026-04-10'],
      ['summer-squash', 'transplant', '2026-05-28', '2026-09-28'],
      ['pepper', 'transplant', '2027-06-07', '2027-10-10'],
    ],
    7: [
      ['potato', 'seed', '2025-04-18', '2025-09-06'],
      ['garden-pea', 'seed', '2026-04-04', '2026-07-15'],
      ['chard', 'transplant', '2026-07-20', '2026-09-15'],
      ['kale', 'transplant', '2027-06-25', '2028-02-20'],
    ],
    8: [
      ['tomato', 'transplant', '2025-05-30', '2025-10-05'],
      ['lettuce', 'transplant', '2026-04-10', '2026-06-20'],
      ['beet', 'transplant', '2026-06-24', '2026-08-18'],
      ['lettuce', 'transplant', '2027-04-24', '2027-06-25'],
      ['garlic', 'seed', '2027-10-20', '2028-07-20'],
    ],
    9: [
      ['summer-squash', 'transplant', '2024-05-28', '2024-09-25'],
      ['carrot', 'seed', '2025-06-05', '2025-10-20'],
      ['cucumber', 'transplant', '2026-05-28', '2026-09-18'],
      ['sweet-corn', 'transplant', '2027-05-24', '2027-09-28'],
    ],
    10: [
      ['pepper', 'transplant', '2025-05-28', '2025-09-20'],
      ['leek', 'transplant', '2026-06-12', '2027-03-20'],
      ['brussels-sprouts', 'transplant', '2027-06-12', '2028-01-20'],
    ],
    11: [
      ['winter-squash', 'transplant', '2025-05-30', '2025-10-02'],
      ['kale', 'transplant', '2026-06-18', '2027-03-08'],
      ['bush-bean', 'seed', '2027-06-10', '2027-09-18'],
    ],
    12: [
      ['broccoli', 'transplant', '2025-04-20', '2025-08-05'],
      ['celeriac', 'transplant', '2027-06-09', '2027-10-28'],
    ],
    R1: [
      ['scallion', 'seed', '2025-04-12', '2025-08-01'],
      ['radish', 'seed', '2026-07-01', '2026-08-06'],
      ['basil', 'transplant', '2027-05-28', '2027-09-15'],
    ],
    R2: [
      ['basil', 'transplant', '2025-05-30', '2025-09-10'],
      ['lettuce', 'transplant', '2026-05-01', '2026-07-02'],
      ['pepper', 'transplant', '2027-05-26', '2027-10-01'],
    ],
  },
  covers: [
    { bed: '2', free: '2024-08-28', next: '2025-06-20', cover: 'winter-tares' },
    { bed: '3', free: '2024-08-22', next: '2025-06-10', cover: 'hairy-vetch', weighed: true },
    { bed: '9', free: '2024-09-25', next: '2025-06-05', cover: 'winter-field-pea' },
    { bed: '1', free: '2025-10-08', next: '2026-06-01', cover: 'winter-field-pea', weighed: true },
    {
      bed: '3',
      free: '2025-09-18',
      next: '2026-04-15',
      cover: 'phacelia',
      sowOn: '2025-10-30',
      method: 'hens',
    },
    {
      bed: '4',
      free: '2025-09-28',
      next: '2026-06-08',
      cover: 'cereal-rye',
      wentWrong: {
        cutOn: '2026-04-12',
        seenOn: '2026-04-26',
        green: 6,
        of: 10,
        method: 'sheet',
        onceMore: '2026-04-28',
      },
      note: 'Cut before it was in ear. Next time the sheet at once, or wait for flower.',
    },
    { bed: '5', free: '2025-09-12', next: '2026-04-16' },
    { bed: '7', free: '2025-09-06', next: '2026-04-04', cover: 'tillage-radish' },
    { bed: '9', free: '2025-10-20', next: '2026-05-28', cover: 'winter-field-bean', weighed: true },
    { bed: '10', free: '2025-09-20', next: '2026-06-12', cover: 'oats-common-vetch', weighed: true },
    { bed: '11', free: '2025-10-02', next: '2026-06-18' },
    { bed: 'R2', free: '2025-09-10', next: '2026-05-01', cover: 'phacelia' },
    {
      bed: '5',
      free: '2026-07-10',
      next: '2026-10-12',
      cover: 'buckwheat',
      sowOn: '2026-07-14',
    },
    {
      bed: '12',
      free: '2025-08-05',
      next: '2027-06-09',
      cover: 'red-clover',
      sowOn: '2025-08-09',
      mownHigh: ['2026-05-24', '2026-07-08', '2026-08-27'],
      note: 'Two summers of rest for this bed.',
    },
    {
      bed: '1',
      free: '2026-09-12',
      next: '2027-06-06',
      cover: 'rye-vetch',
      sowOn: '2026-09-16',
      method: 'sheet',
      endOn: '2027-04-15',
    },
    { bed: '6', free: '2026-09-28', next: '2027-06-07', cover: 'rye-pea' },
    { bed: '2', free: '2026-08-20', next: '2027-06-05', cover: 'crimson-clover' },
    { bed: '3', free: '2026-09-05', next: '2027-06-06', cover: 'woollypod-vetch' },
    { bed: '4', free: '2026-09-22', next: '2027-06-20', cover: 'vetch-crimson' },
    { bed: '7', free: '2026-09-15', next: '2027-06-25', cover: 'bean-rye' },
    { bed: '8', free: '2026-08-18', next: '2027-04-24', cover: 'tillage-radish', method: 'winterkill' },
    { bed: '9', free: '2026-09-18', next: '2027-05-24', cover: 'winter-field-pea' },
    { bed: 'R1', free: '2026-08-06', next: '2027-05-28' },
    { bed: 'R2', free: '2026-07-02', next: '2027-05-26', cover: 'hairy-vetch' },
    { bed: '11', free: '2027-03-08', next: '2027-06-10', cover: 'fava-bean' },
    { bed: '10', free: '2027-03-20', next: '2027-06-12', cover: 'phacelia', sowOn: '2027-04-16' },
    { bed: '5', free: '2027-07-08', next: '2027-09-14', cover: 'buckwheat' },
  ],
  notes: [
    ['3', '2026-09-05', 'Wireworm in the potatoes along the south edge.'],
    ['12', '2026-10-30', 'Clover thin where the hose never reaches.'],
    ['7', '2027-04-02', 'Rye stands at the knee already.'],
  ],
  moved: [
    ['3', '2025-06-08', 'compost', 25],
    ['7', '2025-09-06', 'harvest', 24],
    ['8', '2025-10-05', 'harvest', 38],
    ['12', '2026-03-20', 'compost', 20],
    ['2', '2026-04-01', 'compost', 30],
    ['6', '2026-05-27', 'manure', 20],
    ['9', '2026-06-30', 'straw', 9],
    ['2', '2026-08-20', 'harvest', 22],
    ['3', '2026-09-05', 'harvest', 26],
    ['9', '2026-09-18', 'harvest', 31],
    ['4', '2026-09-22', 'harvest', 15],
    ['6', '2026-09-28', 'harvest', 34],
    ['11', '2027-03-06', 'compost', 20],
  ],
  tested: [
    ['3', '2025-03-10', 'ph', 6.2],
    ['3', '2027-03-08', 'ph', 6.3],
    ['3', '2025-03-10', 'humus', 3.1],
    ['3', '2027-03-08', 'humus', 3.5],
    ['12', '2025-03-10', 'ph', 5.7],
    ['12', '2027-03-08', 'ph', 6.4],
  ],
  trials: [
    {
      question: 'Does straw between the cucumbers bring more harvest?',
      treatments: ['as it lies', 'straw added'],
      measure: 'harvest',
      unit: 'kg',
      drawnOn: '2026-06-28',
      lookOn: '2026-09-18',
      counts: 0.5,
      ends: ['hose end', 'far end'],
      bed: '9',
      blocks: 6,
      seed: 26,
      values: [
        [2.7, 3.2],
        [2.5, 3.1],
        [2.6, 2.4],
        [2.1, 2.9],
        [2.0, 2.6],
        [1.9, 2.3],
      ],
    },
    {
      question: 'Does half as much seed again hold more weeds down?',
      treatments: ['usual rate', 'half as much again'],
      measure: 'weeds',
      unit: '%',
      drawnOn: '2026-09-14',
      lookOn: '2027-04-20',
      counts: 10,
      ends: ['wet end', 'dry end'],
      bed: '6',
      blocks: 4,
      seed: 7,
      values: [],
    },
  ],
  cuts: [],
};

export const TWO_GUMS: Scenario = {
  name: 'two-gums',
  today: '2027-05-04',
  weatherFrom: '2025-02-01',
  seed: 20250201,
  kit: ['shears', 'rake', 'scale', 'hose', 'spade'],
  things: [sheet('sheet', 'Sheet', 3, 6)],
  people: [{ id: 'you', name: 'You', hoursAWeek: 3, mass_kg: 68, skill: 'beginner' }],
  crops: {
    Gate: [
      ['broccoli', 'transplant', '2025-02-20', '2025-06-01'],
      ['bush-bean', 'seed', '2025-10-30', '2026-01-25'],
      ['kale', 'transplant', '2026-02-20', '2026-08-10'],
      ['tomato', 'transplant', '2026-10-25', '2027-03-28'],
      ['summer-squash', 'transplant', '2027-10-20', '2028-02-20'],
    ],
    Tank: [
      ['pole-bean', 'seed', '2025-11-01', '2026-03-05'],
      ['sweet-corn', 'transplant', '2026-11-05', '2027-02-20'],
      ['broccoli', 'transplant', '2027-02-28', '2027-05-20'],
    ],
    Lemon: [
      ['sweet-corn', 'transplant', '2025-11-01', '2026-02-25'],
      ['bush-bean', 'seed', '2026-11-20', '2027-02-10'],
      ['tomato', 'transplant', '2027-10-28', '2028-03-20'],
    ],
    Shed: [
      ['lettuce', 'transplant', '2026-08-25', '2026-11-20'],
      ['garlic', 'seed', '2027-04-18', '2027-11-20'],
    ],
    Fence: [
      ['cucumber', 'transplant', '2025-11-05', '2026-03-01'],
      ['pole-bean', 'seed', '2026-11-01', '2027-03-10'],
      ['cucumber', 'transplant', '2027-11-01', '2028-02-25'],
    ],
    Corner: [['lettuce', 'transplant', '2027-03-05', '2027-05-15']],
  },
  covers: [
    { bed: 'Gate', free: '2025-06-01', next: '2025-10-30', cover: 'fava-bean' },
    { bed: 'Tank', free: '2026-03-05', next: '2026-11-05' },
    { bed: 'Lemon', free: '2026-02-25', next: '2026-11-20', cover: 'oats-pea-vetch' },
    { bed: 'Fence', free: '2026-03-01', next: '2026-11-01' },
    {
      bed: 'Lemon',
      free: '2027-02-10',
      next: null,
      cover: 'cowpea',
      sowOn: '2027-02-12',
      endOn: '2027-04-26',
      method: 'cut',
    },
    { bed: 'Shed', free: '2026-12-20', next: '2027-04-18', cover: 'buckwheat', sowOn: '2027-01-20' },
    { bed: 'Gate', free: '2027-03-28', next: '2027-10-20', cover: 'fava-oats-vetch', sowOn: '2027-04-08' },
    {
      bed: 'Fence',
      free: '2027-03-10',
      next: '2027-11-01',
      cover: 'subterranean-clover',
      sowOn: '2027-04-10',
    },
    {
      bed: 'Lemon',
      free: '2027-05-02',
      next: '2027-10-28',
      cover: 'hairy-vetch 0.6 + spring-oats 0.4',
      sowOn: '2027-05-12',
    },
  ],
  notes: [['Tank', '2027-02-20', 'Corn fell over in the north wind; stalks left standing for the broccoli.']],
  moved: [],
  tested: [],
  trials: [],
  cuts: [
    {
      bed: 'Tank',
      on: '2027-03-01',
      side: 'along',
      pieces: [
        { name: 'Tank bed', use: 'bed', share: 0.7 },
        { name: 'Tank path', use: 'path', share: 0.3 },
      ],
      lasting: [
        {
          piece: 'Tank path',
          life: { what: 'white-clover', since: '2027-03-04', years: 4, low_cm: 8 },
          done: [{ kind: 'mow', on: '2027-04-17', minutes: 6 }],
        },
      ],
    },
  ],
};
