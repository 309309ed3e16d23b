import { type Scenario } from './scenario.ts';
import { sheet } from './northShore.ts';

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
