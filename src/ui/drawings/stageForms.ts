import { type EndingGroup } from '../../core/work/figures.ts';

/** What leaves and what bears flowers, by the kind of plant: enough to tell its stages, not to tell kinds apart. */
export interface StageForm {
  leaf:
    | 'blade'
    | 'hair'
    | 'broad'
    | 'pinnate'
    | 'three'
    | 'hand'
    | 'pair'
    | 'rosette'
    | 'heart'
    | 'fern'
    | 'needle'
    | 'single';
  organ:
    | 'ear'
    | 'spike'
    | 'panicle'
    | 'comb'
    | 'butterfly'
    | 'cone'
    | 'ball'
    | 'axil'
    | 'tower'
    | 'cross'
    | 'cluster'
    | 'coil'
    | 'bowl'
    | 'sun';
  /** Colour of the open flower. */
  petal: string;
  /** How far it stands up in flower, of the height of the picture. */
  tall: number;
  /** Words under the five pictures: what the eye or the hand finds. */
  words: Record<'leafy' | 'bud' | 'flower' | 'milk' | 'seed', string>;
}

const GRASS = {
  leafy: 'leaf only',
  bud: 'swollen sheath',
  flower: 'pollen hangs',
  milk: 'milk when squeezed',
  seed: 'hard grain',
};
const PODS = {
  leafy: 'leaf only',
  bud: 'closed buds',
  flower: 'open flowers',
  milk: 'flat green pods',
  seed: 'pods rattle',
};
const words = (more: Partial<StageForm['words']>): StageForm['words'] => ({ ...PODS, ...more });

const FORMS = {
  cereal: { leaf: 'blade', organ: 'ear', petal: '#d8a12e', tall: 0.92, words: GRASS },
  ryegrass: { leaf: 'hair', organ: 'spike', petal: '#d8a12e', tall: 0.82, words: GRASS },
  sorghum: { leaf: 'broad', organ: 'panicle', petal: '#d8a12e', tall: 0.95, words: GRASS },
  vetch: {
    leaf: 'pinnate',
    organ: 'comb',
    petal: '#7b4a8c',
    tall: 0.8,
    words: words({ bud: 'green combs', flower: 'violet combs' }),
  },
  pea: { leaf: 'pinnate', organ: 'butterfly', petal: '#b5577f', tall: 0.8, words: PODS },
  crimson: {
    leaf: 'three',
    organ: 'cone',
    petal: '#b3372d',
    tall: 0.8,
    words: words({ bud: 'green cone', flower: 'red cone', milk: 'browning below', seed: 'fuzzy, rubs out' }),
  },
  clover: {
    leaf: 'three',
    organ: 'ball',
    petal: '#f6efe2',
    tall: 0.6,
    words: words({ bud: 'green balls', flower: 'round heads', milk: 'brown skirts', seed: 'brown heads' }),
  },
  fava: {
    leaf: 'pair',
    organ: 'axil',
    petal: '#fbf6ec',
    tall: 0.85,
    words: words({ bud: 'beads in the tip', seed: 'black pods' }),
  },
  lupin: {
    leaf: 'hand',
    organ: 'tower',
    petal: '#3d5f9a',
    tall: 0.85,
    words: words({ bud: 'green cone', flower: 'coloured spike' }),
  },
  warmLegume: { leaf: 'three', organ: 'butterfly', petal: '#9a78b8', tall: 0.8, words: PODS },
  wand: {
    leaf: 'single',
    organ: 'tower',
    petal: '#d8a12e',
    tall: 0.95,
    words: words({ flower: 'yellow spike' }),
  },
  brassica: {
    leaf: 'rosette',
    organ: 'cross',
    petal: '#d8a12e',
    tall: 0.9,
    words: words({ bud: 'green heads', flower: 'yellow crosses', milk: 'green pods', seed: 'dry pods' }),
  },
  buckwheat: {
    leaf: 'heart',
    organ: 'cluster',
    petal: '#f3d9de',
    tall: 0.8,
    words: words({ bud: 'pink buds', flower: 'white clusters', milk: 'green seed', seed: 'brown seed' }),
  },
  phacelia: {
    leaf: 'fern',
    organ: 'coil',
    petal: '#8d7cc0',
    tall: 0.8,
    words: words({ bud: 'tight coils', flower: 'lilac coils', milk: 'green capsules', seed: 'brown combs' }),
  },
  flax: {
    leaf: 'needle',
    organ: 'bowl',
    petal: '#5f86c4',
    tall: 0.85,
    words: words({
      bud: 'pointed buds',
      flower: 'blue before noon',
      milk: 'green bolls',
      seed: 'bolls rattle',
    }),
  },
  sunflower: {
    leaf: 'heart',
    organ: 'sun',
    petal: '#d8a12e',
    tall: 0.95,
    words: words({ bud: 'green star', flower: 'yellow rays', milk: 'rays wilted', seed: 'brown back' }),
  },
} as const satisfies Record<string, StageForm>;
export type StageFormName = keyof typeof FORMS;
export const STAGE_FORMS: Record<StageFormName, StageForm> = FORMS;

const BY_ID: Record<string, StageFormName> = {
  'annual-ryegrass': 'ryegrass',
  'italian-ryegrass': 'ryegrass',
  teff: 'ryegrass',
  'sorghum-sudangrass': 'sorghum',
  'forage-sorghum': 'sorghum',
  'pearl-millet': 'sorghum',
  'winter-field-pea': 'pea',
  'spring-field-pea': 'pea',
  'winter-lentil': 'pea',
  'crimson-clover': 'crimson',
  'fava-bean': 'fava',
  'winter-field-bean': 'fava',
  'narrow-leaf-lupin': 'lupin',
  'sunn-hemp': 'wand',
  buckwheat: 'buckwheat',
  phacelia: 'phacelia',
  flax: 'flax',
  sunflower: 'sunflower',
  niger: 'sunflower',
  'french-marigold': 'sunflower',
};
const BY_GROUP: Record<EndingGroup, StageFormName> = {
  cereal: 'cereal',
  'regrow-grass': 'ryegrass',
  'summer-grass': 'sorghum',
  vine: 'vetch',
  'annual-clover': 'clover',
  perennial: 'clover',
  'big-legume': 'warmLegume',
  brassica: 'brassica',
  other: 'buckwheat',
};

/** The drawing that stands for a kind: its own, or that of its group. */
export const stageFormOf = (speciesId: string, group: EndingGroup | undefined): StageFormName =>
  BY_ID[speciesId] ?? BY_GROUP[group ?? 'other'];
